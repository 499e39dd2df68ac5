package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import cuvee.sheet.CellKind;
import cuvee.sheet.ColumnCells;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.testing.Rows;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Numbers and dates that are told eight characters at a time are those of the careful way. */
class ColumnTallyTest {
    private static final String SIGNS = "0012345678999..,,--- /+e\u00e9\u0141";

    /** A column of such cells, between others. */
    private static ColumnCells column(CellKind kind, String... texts) {
        List<Row> rows = new ArrayList<>();
        for (String text : texts) {
            Row row = Rows.row(rows.size() + 1, "what stands before", "", "1234567890");
            row.set(1, kind, text);
            rows.add(row);
        }
        return Rows.column(Rows.block(3, rows), 1);
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
            if (tally.takeNumbers(column(kind, text), 0) == 1) {
                Look look = new Look();
                Form form = look.plain(kind, text.toCharArray(), 0, text.length());
                assertThat(tally.seen()).as(text).isEqualTo(Form.bits(form));
                assertThat(tally.numbers()).as(text).isEqualTo(1);
                assertThat(List.of(tally.sum(), tally.least(), tally.most()))
                        .as(text)
                        .allSatisfy(value -> assertThat(value).isEqualTo(look.value()));
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
        "NUMBER, 007, false",
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
        assertThat(new ColumnTally().takeNumbers(column(kind, text), 0)).isEqualTo(taken ? 1 : 0);
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {7, 8, 9})
    void aRunOfNumbersIsWhatItsNumbersAre(long seed) {
        Random random = new Random(seed);
        for (int round = 0; round < 400; round++) {
            String[] texts = run(random);
            CellKind kind = random.nextBoolean() ? CellKind.TEXT : CellKind.NUMBER;
            ColumnTally runs = new ColumnTally();
            ColumnTally singly = new ColumnTally();
            ColumnCells cells = column(kind, texts);
            Look look = new Look();
            for (int row = 0; row < texts.length; row++) {
                row = runs.takeNumbers(cells, row);
                if (row < texts.length) {
                    takeSingly(runs, look, kind, texts, row);
                }
            }
            for (int row = 0; row < texts.length; row++) {
                takeSingly(singly, look, kind, texts, row);
            }
            assertThat(runs.counts).containsExactly(singly.counts);
            assertThat(runs.seen()).isEqualTo(singly.seen());
            assertThat(runs.numbers()).isEqualTo(singly.numbers());
            assertThat(runs.sum()).isCloseTo(singly.sum(), within(1e-6));
            assertThat(runs.least()).isEqualTo(singly.least());
            assertThat(runs.most()).isEqualTo(singly.most());
            assertThat(runs.wholeDigits).isEqualTo(singly.wholeDigits);
            assertThat(runs.decimals).isEqualTo(singly.decimals);
            assertThat(runs.belowZero).isEqualTo(singly.belowZero);
        }
    }

    private static void takeSingly(ColumnTally tally, Look look, CellKind kind, String[] texts, int row) {
        String text = texts[row];
        Form plain = look.plain(kind, text.toCharArray(), 0, text.length());
        tally.take(row, plain == null ? careful(kind, text) : plain, look.size(), look.value());
    }

    /** Numbers as a column may hold them: of one sort, or of a few, and sometimes another. */
    private static String[] run(Random random) {
        int sorts = random.nextInt(128);
        String[] texts = new String[RowBlock.ROWS];
        for (int i = 0; i < texts.length; i++) {
            int sort = random.nextInt(7);
            int size = (int) Math.pow(10, random.nextInt(8));
            String text = (sorts >> sort & 1) == 0
                    ? Integer.toString(random.nextInt(size))
                    : switch (sort) {
                        case 0 -> Integer.toString(-random.nextInt(size));
                        case 1 -> String.format(Locale.ROOT, "%.2f", random.nextInt(size) / 100.0);
                        case 2 -> Double.toString(random.nextInt(size) / 100.0);
                        case 3 -> String.format(Locale.ROOT, "%.1f", -random.nextInt(size) / 10.0);
                        case 4 -> String.format(Locale.ROOT, "%.4f", random.nextInt(size) / 10_000.0);
                        case 5 -> String.format(Locale.ROOT, "%.3f", random.nextInt(size) / 1000.0);
                        default -> random.nextInt(20) == 0 ? made(random, 8) : "0.25";
                    };
            texts[i] = text;
        }
        return texts;
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
            boolean took = new ColumnTally().takeDates(column(CellKind.TEXT, text), 0) == 1;
            assertThat(took).as(text).isEqualTo(date && plain);
            taken += took ? 1 : 0;
        }
        assertThat(taken).as("dates among them").isGreaterThan(10_000);
    }
}
