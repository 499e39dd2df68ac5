package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.testing.Rows;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Rows told in blocks, column by column, are told as they are one by one: whatever stands in them. */
class RowBlocksTest {
    private static final String[] NAMES = {"Hollin", "Tarsk", "Norhaven", "Ærøby", "St. Elm", "Łund", "Mae Ann II"};
    private static final String[] ODD = {
        "n/a",
        "-",
        "yes",
        "no",
        "Y",
        "Total Energies",
        "Allan",
        "Mean Street",
        "12 %",
        "EUR 5",
        "1E3",
        "(12)",
        "007",
        "1.204",
        "1,204",
        "12.03.2026",
        "29/02/2024",
        "2024-02-29",
        "2026-02-30",
        "0000-01-01",
        "2026-3-1",
        "Mar 5, 2026",
        "Mar 45, 2026",
        "May 3",
        "12:30",
        "2026-03-01 10:00",
        "true",
        " 12",
        "12 ",
        "--5",
        "-",
        "5.",
        ".5",
        "-0",
        "1,5",
        "1.5.2",
        "12345678901234567890",
        "123456789.25",
        "x".repeat(60),
        "Count of nothing at all in there",
        "K-07",
        "7-K",
        "ÿ",
        "\u00a0",
        "日本"
    };

    private static final List<Function<Random, Object>> COLUMNS = List.of(
            random -> random.nextInt(400),
            random -> String.valueOf(random.nextInt(4000) - 200),
            random -> String.format(Locale.ROOT, "%.2f", random.nextInt(3_000_000) / 100.0 - 100),
            random -> String.format(Locale.GERMANY, "%.1f", random.nextInt(90_000) / 10.0),
            random -> String.format(Locale.ROOT, "%.3f", random.nextInt(90_000_000) / 1000.0),
            random -> random.nextInt(1_000_000_000) / 100.0,
            random -> String.format(Locale.ROOT, "2024-%02d-%02d", 1 + random.nextInt(12), 1 + random.nextInt(29)),
            random -> String.format(Locale.ROOT, "%02d/%02d/2026", 1 + random.nextInt(28), 1 + random.nextInt(12)),
            random -> String.format(
                    Locale.ROOT, "%s %d, 2026", random.nextBoolean() ? "Mar" : "Sept", 1 + random.nextInt(40)),
            random -> NAMES[random.nextInt(NAMES.length)],
            random -> NAMES[random.nextInt(3)] + " " + NAMES[random.nextInt(3)] + " and their sons",
            random -> "B" + (10_000_000 + random.nextInt(90_000_000)),
            random -> "MV " + (char) ('A' + random.nextInt(9)) + random.nextInt(20),
            random -> random.nextBoolean() ? "yes" : "no",
            random -> random.nextInt(3) == 0 ? "" : String.valueOf(random.nextInt(90)),
            random -> random.nextInt(4) == 0 ? "late, by " + random.nextInt(50) + " minutes" : "",
            random -> "EUR " + random.nextInt(900),
            random -> random.nextInt(100) + " %",
            random -> Long.toString(random.nextLong() >>> 5),
            random -> Integer.toString(random.nextInt(2_000_000), 36));

    /** A sheet with a large table and, where that is wanted, what people put into one. */
    private record Sheet(Random random, List<Function<Random, Object>> columns, List<Row> rows) {
        static Sheet of(long seed, boolean tidy) {
            Random random = new Random(seed);
            List<Function<Random, Object>> columns = new ArrayList<>();
            columns.add(COLUMNS.get(9 + random.nextInt(4)));
            for (int i = 0; i < 1 + random.nextInt(9); i++) {
                columns.add(COLUMNS.get(random.nextInt(COLUMNS.size())));
            }
            Sheet sheet = new Sheet(random, columns, new ArrayList<>());
            sheet.fill(300 + random.nextInt(1200), tidy ? 0 : random.nextInt(3) * random.nextInt(20));
            return sheet;
        }

        private void fill(int records, int unrest) {
            header("Col");
            for (int i = 0; i < records; i++) {
                if (random.nextInt(4000) < unrest) {
                    disturb(i);
                }
                Object[] cells = record();
                if (random.nextInt(2000) < unrest) {
                    cells[random.nextInt(cells.length)] = ODD[random.nextInt(ODD.length)];
                }
                add(cells);
            }
        }

        private void disturb(int i) {
            switch (random.nextInt(8)) {
                case 0 -> header("Col");
                case 1 -> skip();
                case 2 -> add(new Object[] {"Region " + i});
                case 3 -> {
                    skip();
                    header("Other");
                }
                case 4 -> add(new Object[] {"Total", 3, 4.5});
                case 5 -> add(new Object[] {"", 17, 4});
                case 6 -> {
                    skip();
                    add(new Object[] {"Note: the ferry was late"});
                }
                default -> {
                    Row wide = add(record());
                    wide.set(columns.size() + random.nextInt(3), CellKind.TEXT, "beside");
                }
            }
        }

        private Object[] record() {
            return columns.stream().map(column -> column.apply(random)).toArray();
        }

        private void header(String word) {
            Object[] cells = new Object[columns.size()];
            for (int i = 0; i < cells.length; i++) {
                cells[i] = word + " " + (char) ('a' + i);
            }
            add(cells);
        }

        private void skip() {
            add(new Object[0]);
        }

        private Row add(Object[] cells) {
            Row row = Rows.row(rows.size() + 1, cells);
            if (random.nextInt(3000) == 0 && row.width() > 1) {
                row.set(1, CellKind.values()[3 + random.nextInt(4)], "2026-03-01");
            }
            rows.add(row);
            return row;
        }
    }

    private static List<FoundTable> found(List<Row> rows, Reading reading) {
        TableFinder finder = new TableFinder(HeaderHints.NONE, SheetClues.NONE, reading);
        Rows.replay(rows, finder::row);
        return finder.end();
    }

    private static void sameOneByOne(List<Row> rows) {
        // Where a single row has been told, even one that is not there, rows are told one by one.
        Reading oneByOne = Reading.DEFAULT.withRows(9_999_999, 9_999_999, Optional.empty());
        assertThat(found(rows, Reading.DEFAULT))
                .usingRecursiveComparison()
                .ignoringFields("reading")
                // Sums are added up in another order.
                .withComparatorForType(RowBlocksTest::about, Double.class)
                .isEqualTo(found(rows, oneByOne));
    }

    private static int about(double one, double other) {
        boolean same = Math.abs(one - other) <= 1e-12 * Math.max(1, Math.abs(other));
        return same ? 0 : Double.compare(one, other);
    }

    static List<Long> seeds() {
        return new Random(20261127).longs(30).boxed().toList();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aTidyTable(long seed) {
        sameOneByOne(Sheet.of(seed, true).rows());
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aTableWithAllThatPeoplePutInOne(long seed) {
        sameOneByOne(Sheet.of(seed, false).rows());
    }

    @Test
    void numbersThatTheOthersTellHowToRead() {
        List<Row> rows = new ArrayList<>(List.of(Rows.row(1, "Name", "Tonnes", "Fare")));
        for (int i = 2; i < 1000; i++) {
            String fare = i == 700 ? "1,5" : i == 800 ? "2.5" : "7";
            rows.add(Rows.row(i, NAMES[i % 5], i == 900 ? "1.5" : "1.204", fare));
        }
        sameOneByOne(rows);
    }

    @Test
    void sumsUnderANameOfTheirOwnFarDown() {
        Random random = new Random(5);
        List<Row> rows = new ArrayList<>(List.of(Rows.row(1, "Name", "Gear", "Crates", "Back", "Cost")));
        double[] sums = new double[3];
        for (int i = 2; i < 1500; i++) {
            if (i == 640 || i == 1499) {
                rows.add(Rows.row(i, "All so far " + i, "any gear", sums[0], sums[1], Math.rint(sums[2] * 100) / 100));
            } else {
                double[] values = {random.nextInt(900), random.nextInt(60) - 30, random.nextInt(90_000) / 100.0};
                for (int c = 0; c < sums.length; c++) {
                    sums[c] += values[c];
                }
                rows.add(Rows.row(i, NAMES[i % 7], NAMES[i % 3], values[0], values[1], values[2]));
            }
        }
        sameOneByOne(rows);
        assertThat(found(rows, Reading.DEFAULT).get(0).kept()).isEqualTo(1496);
    }

    @Test
    void anythingAnywhereInAColumnOfAnythingElse() {
        for (Function<Random, Object> column : COLUMNS) {
            Random random = new Random(7);
            List<Row> rows = new ArrayList<>(List.of(Rows.row(1, "Name", "Value", "More")));
            for (int i = 2; i < 1500; i++) {
                boolean odd = random.nextInt(200) == 0;
                rows.add(Rows.row(
                        i, NAMES[i % 5], odd ? ODD[random.nextInt(ODD.length)] : column.apply(random), "B" + i));
            }
            sameOneByOne(rows);
        }
    }
}
