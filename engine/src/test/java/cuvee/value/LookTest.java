package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.testing.Rows;
import java.math.BigDecimal;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A quick look says the same as the careful way: the form, the size and the value of a cell. */
class LookTest {
    private static final String[] PIECES = {
        "0",
        "00",
        "7",
        "12",
        "345",
        "1204",
        "123456789",
        "12345678901234567",
        ".",
        ",",
        "-",
        " ",
        "e",
        "E+5",
        "(",
        ")",
        "%",
        "€",
        "EUR ",
        "/",
        ":",
        "Hollin",
        "K",
        "n/a",
        "2026-03-31",
        "31.03.2026",
        "\u00A0",
        "'",
        "1.204",
        "0.5"
    };

    private static Row row(CellKind kind, String text) {
        Row row = new Row();
        row.begin(1, 0);
        row.set(0, kind, text);
        return row;
    }

    private static String made(Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i <= random.nextInt(4); i++) {
            text.append(PIECES[random.nextInt(PIECES.length)]);
        }
        return text.toString();
    }

    private static Form plain(Look look, Row row) {
        return look.plain(row.kind(0), row.chars(), row.start(0), row.end(0));
    }

    /** As who looks at cells does: quickly, and carefully where that does not tell. */
    private static Form form(Look look, Row row) {
        Form plain = plain(look, row);
        return plain == null ? Forms.of(row, 0) : plain;
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void theFormIsThatOfTheCarefulWay(long seed) {
        Random random = new Random(seed);
        Look look = new Look();
        for (int i = 0; i < 20_000; i++) {
            CellKind kind = random.nextInt(3) == 0 ? CellKind.NUMBER : CellKind.TEXT;
            Row row = row(kind, made(random));
            assertThat(form(look, row)).as(kind + " " + row.text(0)).isEqualTo(Forms.of(row, 0));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {11, 12, 13, 14})
    void theEvidenceIsThatOfTheCarefulWay(long seed) {
        Random random = new Random(seed);
        Look look = new Look();
        Evidence quick = new Evidence();
        Evidence careful = new Evidence();
        for (int i = 0; i < 20_000; i++) {
            Row row = row(random.nextInt(3) == 0 ? CellKind.NUMBER : CellKind.TEXT, made(random));
            Form form = form(look, row);
            quick.add(row.chars(), row.start(0), row.end(0), form, look.size());
            Rows.add(careful, row, 0);
        }
        assertThat(quick.counts()).isEqualTo(careful.counts());
        assertThat(quick.measures()).isEqualTo(careful.measures());
        assertThat(quick.oddities()).isEqualTo(careful.oddities());
        assertThat(quick.currencies()).isEqualTo(careful.currencies());
        assertThat(quick.someDates()).isEqualTo(careful.someDates());
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {21, 22})
    void theValueOfAPlainNumberIsTheNumber(long seed) {
        Random random = new Random(seed);
        Look look = new Look();
        for (int i = 0; i < 20_000; i++) {
            BigDecimal number = BigDecimal.valueOf(random.nextLong() >> 8 + random.nextInt(50), random.nextInt(4));
            plain(look, row(CellKind.NUMBER, number.toPlainString()));
            assertThat(look.value()).as(number.toPlainString()).isEqualTo(number.doubleValue(), within(number));
        }
    }

    private static org.assertj.core.data.Offset<Double> within(BigDecimal number) {
        return org.assertj.core.data.Offset.offset(Math.abs(number.doubleValue()) * 1e-15 + 1e-12);
    }

    @ParameterizedTest
    @CsvSource({
        "12, 2, 0, false",
        "-12.50, 2, 2, true",
        "'1204,5', 4, 1, false",
        "0, 1, 0, false",
        "007, -1, -1, false",
        "1.204, -1, -1, false",
        "(12), -1, -1, false",
        "'12 ', -1, -1, false",
        "Hollin, -1, -1, false"
    })
    void onlyPlainNumbersHaveASize(String text, int whole, int decimals, boolean below) {
        Look look = new Look();
        plain(look, row(CellKind.TEXT, text));
        if (whole < 0) {
            assertThat(look.size()).isEqualTo(Look.NO_SIZE);
            assertThat(look.value()).isNaN();
        } else {
            assertThat(Look.wholeDigits(look.size())).isEqualTo(whole);
            assertThat(Look.decimals(look.size())).isEqualTo(decimals);
            assertThat(Look.belowZero(look.size())).isEqualTo(below);
        }
    }
}
