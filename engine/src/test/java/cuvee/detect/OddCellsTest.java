package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.layout.PlacedTable;
import cuvee.layout.Signatures;
import cuvee.testing.Rows;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Sheets of the oddest cells that people type are read without a fault, and every row of them is accounted for. */
class OddCellsTest {
    private static final List<Object> CELLS = List.of(
            "9am",
            "10 am",
            "1:30 PM",
            "25:10",
            "0:05",
            "24:00",
            "2026-03-01",
            "01/02/2026",
            "31.12.",
            "3/4",
            "1/2",
            "12-13",
            "Jan",
            "January 2026",
            "Q1",
            "Q1 2026",
            "H2",
            "KW 12",
            "Week 3",
            "FY26",
            "2026",
            "1",
            "2",
            "3",
            "-5",
            "(5)",
            "5-",
            "1.204",
            "1,204",
            "1.204,50",
            "12,5",
            "€5",
            "5 EUR",
            "£1.2m",
            "-$3k",
            "$",
            "%",
            "50%",
            "12.5 %",
            "n/a",
            "-",
            "--",
            "?",
            "NaN",
            "#REF!",
            "TRUE",
            "yes",
            "✓",
            "x",
            "Total",
            "Grand total",
            "Subtotal",
            "Average",
            "Max",
            "Min",
            "Out of",
            "All",
            "% of total",
            "Opening balance",
            "c/f",
            "Name",
            "Date",
            "Amount",
            "Qty",
            "North",
            "Total North",
            "A*",
            "B+",
            "  x ",
            "Rope",
            "123456789012345678",
            "0012",
            "1E5",
            "1e400",
            "-0",
            "5.",
            ".5",
            "1.2.3",
            "12:30:45.123",
            "2026-03-01T10:00:00Z",
            "2026-02-30",
            "99/99/9999",
            "Mon",
            "Tuesday",
            "5 Jan",
            "(a)",
            "(1)",
            "[2]",
            "1)",
            "1.1",
            "1.1.1",
            "Note: see below",
            "* footnote",
            "¹",
            "Σ",
            "合計",
            "итого",
            "\"",
            "'",
            "=1+1",
            "12 kg",
            "3.5t",
            "5h 30m",
            "5 CR",
            "DR 5",
            "<0.05",
            ">100",
            "1 234,5",
            "1\u00a0234",
            "٣٤",
            "½",
            "—",
            ".",
            "0",
            "0.0",
            "000",
            "0/0",
            "(1%)",
            7,
            12.5,
            -3,
            46082,
            true);

    private static Object cell(Random random, List<Object> column) {
        int kind = random.nextInt(10);
        return kind == 0
                ? ""
                : kind == 1 ? CELLS.get(random.nextInt(CELLS.size())) : column.get(random.nextInt(column.size()));
    }

    private static List<Object> some(Random random) {
        return random.ints(1 + random.nextInt(5), 0, CELLS.size())
                .<Object>mapToObj(CELLS::get)
                .toList();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void everyRowIsARecordOrSetAside(int seed) {
        for (int sheet = 0; sheet < 400; sheet++) {
            Random random = new Random(seed * 10_000L + sheet);
            int width = 1 + random.nextInt(9);
            List<List<Object>> columns =
                    random.ints(width).mapToObj(any -> some(random)).toList();
            Object[] header = some(random, width);
            TableFinder finder = new TableFinder(HeaderHints.NONE);
            int rows = 2 + random.nextInt(25);
            for (int row = 1; row <= rows; row++) {
                int kind = row == 1 ? 3 : random.nextInt(12);
                Object[] cells = kind == 0
                        ? some(random, 1)
                        : kind == 3
                                ? header
                                : columns.stream()
                                        .map(column -> cell(random, column))
                                        .toArray();
                finder.row(Rows.row(row, cells));
            }
            for (FoundTable table : finder.end()) {
                assertThat(table.seen()).as("sheet %d", sheet).isBetween(table.kept(), rows);
                assertThat(table.seen()).as("sheet %d", sheet).isEqualTo(table.lastRow() - table.firstRow() + 1);
                assertThat(Signatures.of(table)).isEqualTo(Signatures.of(table));
                PlacedTable placed = PlacedTable.of(1, 1, width, "f.csv", "", SheetClues.NONE, table);
                assertThat(placed.columns()).hasSameSizeAs(table.columns());
            }
        }
    }

    private static Object[] some(Random random, int count) {
        return random.ints(count, 0, CELLS.size()).mapToObj(CELLS::get).toArray();
    }
}
