package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Numbers and dates that are told eight characters at a time are those of the careful way. */
class ColumnTallyTest {
    private static final String SIGNS = "0012345678999..,,--- /+e\u00e9\u0141";

    private static RowBlock block(CellKind kind, String text) {
        Row row = new Row();
        row.begin(1, 0);
        row.set(0, CellKind.TEXT, "what stands before");
        row.set(1, kind, text);
        row.set(2, CellKind.TEXT, "1234567890");
        RowBlock block = new RowBlock(3);
        block.add(row);
        block.narrow();
        return block;
    }

    private static Form careful(CellKind kind, String text) {
        return Forms.of(kind, text.toCharArray(), 0, text.length());
    }

    private static String made(Random random, int most) {
        StringBuilder text = new StringBuilder();
        int length = 1 + random.nextInt(most);
        for (int i = 0; i < length; i++) {
            text.append(SIGNS.charAt(random.nextInt(SIGNS.length())));
        }
        return text.toString();
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4})
    void aNumberThatIsTakenIsThatOfALook(long seed) {
        Random random = new Random(seed);
        int taken = 0;
        for (int i = 0; i < 40_000; i++) {
            String text = made(random, 10);
            CellKind kind = random.nextBoolean() ? CellKind.TEXT : CellKind.NUMBER;
            ColumnTally tally = new ColumnTally();
            if (tally.takeNumbers(block(kind, text), 1, 0) == 1) {
                Look look = new Look();
                Form form = look.plain(kind, text.toCharArray(), 0, text.length());
                assertThat(Form.FORMS[tally.forms[0]]).as(text).isEqualTo(form);
                assertThat(tally.value(0)).as(text).isEqualTo(look.value());
                assertThat(tally.wholeDigits).as(text).isEqualTo(Look.wholeDigits(look.size()));
                assertThat(tally.decimals).as(text).isEqualTo(Look.decimals(look.size()));
                assertThat(tally.belowZero).as(text).isEqualTo(Look.belowZero(look.size()) ? 1 : 0);
                taken++;
            }
        }
        assertThat(taken).as("numbers among them").isGreaterThan(2_000);
    }

    @ParameterizedTest
    @CsvSource({
        "TEXT, 7, true",
        "TEXT, 0, true",
        "TEXT, -12.5, true",
        "TEXT, 12345678, true",
        "TEXT, 123456789, false",
        "TEXT, 007, false",
        "NUMBER, 007, true",
        "TEXT, '1,5', true",
        "NUMBER, '1,5', false",
        "TEXT, 1.204, false",
        "TEXT, 0.204, true",
        "NUMBER, 1.204, true",
        "TEXT, .5, false",
        "TEXT, -, false",
        "TEXT, --5, false",
        "TEXT, 1.2.3, false",
        "TEXT, ' 5', false",
        "DATE, 2026, false"
    })
    void plainNumbersAreTaken(CellKind kind, String text, boolean taken) {
        assertThat(new ColumnTally().takeNumbers(block(kind, text), 1, 0)).isEqualTo(taken ? 1 : 0);
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {5, 6})
    void aDateThatIsTakenIsOne(long seed) {
        Random random = new Random(seed);
        int taken = 0;
        for (int i = 0; i < 40_000; i++) {
            String text = String.format(
                    Locale.ROOT, "%04d-%02d-%02d", random.nextInt(3) * 1012, random.nextInt(14), random.nextInt(33));
            if (random.nextInt(10) == 0) {
                text = text.replace(text.charAt(random.nextInt(10)), SIGNS.charAt(random.nextInt(SIGNS.length())));
            }
            boolean plain = text.matches("[0-9]{4}-[0-9]{2}-[0-9]{2}") && !text.endsWith("02-29");
            boolean date = careful(CellKind.TEXT, text) == Form.YEAR_FIRST_DATE;
            boolean took = new ColumnTally().takeDates(block(CellKind.TEXT, text), 1, 0) == 1;
            assertThat(took).as(text).isEqualTo(date && plain);
            taken += took ? 1 : 0;
        }
        assertThat(taken).as("dates among them").isGreaterThan(10_000);
    }
}
