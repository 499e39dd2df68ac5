package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Lists as programs print them: cells below each other, with spaces between them. */
class FixedColumnsTest {
    private static final List<String> DRAWN = """
            STOCK REPORT                 DATE 2026-01-28     PAGE 1

            ITEM      DESCRIPTION          ON HAND     VALUE
            --------- -------------------- ------- ----------
            10000     Rope small               253     594.55
            10007     Chain large heavy         44      103.4
            10014     Pump                       0          0
            """.lines().toList();

    private static final List<String> PRINTED = """
            HOLLIN STORES                SALES LIST             PAGE 1
            Date        Store        Item               Qty        Amount
            2026-01-01  North Quay   Rope small          15      3,352.42
            2026-01-02  Tarsk        Flare large          4        247.94
            2026-01-03  Tarsk        Pump                90      8,985.87
            2026-01-04  North Quay   Buoy                 7         12.10
            2026-01-05  Tarsk        Chain small         60        985.00
            """.lines().toList();

    @Test
    void columnsAreThoseOfTheLineDrawnUnderTheHeader() {
        FixedColumns columns = FixedColumns.in(DRAWN).orElseThrow();
        assertThat(columns.starts()).containsExactly(0, 10, 31, 39);
        assertThat(columns.cells(DRAWN.get(5))).containsExactly("10007", "Chain large heavy", "44", "103.4");
        assertThat(columns.cells("10021")).containsExactly("10021", "", "", "");
    }

    @Test
    void elseTheyAreToldByWhatIsBlankInAllLines() {
        FixedColumns columns = FixedColumns.in(PRINTED).orElseThrow();
        assertThat(columns.cells(PRINTED.get(1))).containsExactly("Date", "Store", "Item", "Qty", "Amount");
        assertThat(columns.cells(PRINTED.get(3))).containsExactly("2026-01-02", "Tarsk", "Flare large", "4", "247.94");
    }

    @Test
    void headingsAndTotalsOfManyPagesDoNotHideANarrowColumn() {
        List<String> lines = new java.util.ArrayList<>();
        for (int page = 0; page < 3; page++) {
            lines.add("NORTHSIDE STORES                   Page " + page + " of 3");
            lines.add("Item    Description    Qty   Value");
            for (int i = 0; i < 6; i++) {
                lines.add("K80%d%d   %-15s%3d  %6.2f".formatted(page, i, i % 2 == 0 ? "Hex nut" : "Bolt", i, i * 3.5));
            }
            lines.add("Page total                  %7.2f".formatted(21.0));
        }
        lines.add("Report total                %6.2f".formatted(63.0));
        FixedColumns columns = FixedColumns.in(lines).orElseThrow();
        assertThat(columns.cells(lines.get(1))).containsExactly("Item", "Description", "Qty", "Value");
        assertThat(columns.cells(lines.get(2))).containsExactly("K8000", "Hex nut", "0", "0.00");
        assertThat(columns.cells(lines.get(0)))
                .containsExactly("NORTHSIDE STORES                   Page 0 of 3", "", "", "");
        assertThat(columns.cells(lines.get(8))).containsExactly("Page total", "", "", "21.00");
        assertThat(columns.cells(lines.get(27))).containsExactly("Report total", "", "", "63.00");
    }

    @Test
    void aColumnMaySayOnWhichPageSomethingStands() {
        List<String> lines = new java.util.ArrayList<>(List.of("Item   Name      Where"));
        for (int i = 0; i < 6; i++) {
            lines.add("K10%d   Rope %d    Page %d".formatted(i, i, i + 7));
        }
        FixedColumns columns = FixedColumns.in(lines).orElseThrow();
        assertThat(columns.cells(lines.get(2))).containsExactly("K101", "Rope 1", "Page 8");
    }

    @Test
    void aSentenceIsOneCellAndARecordWithLongTextsIsNone() {
        FixedColumns columns = FixedColumns.in(DRAWN).orElseThrow();
        assertThat(columns.cells("All stores were counted at the end of the month by two people"))
                .containsExactly("All stores were counted at the end of the month by two people", "", "", "");
        assertThat(columns.cells("10028-B/77  Chain large heavy galvanised 44      103.4")
                        .get(0))
                .isEqualTo("10028-B/77");
    }

    @Test
    void sentencesAndLinesOfOneCellShowNone() {
        assertThat(FixedColumns.in(List.of("a", "b", "c", "d", "e", "f"))).isEmpty();
        assertThat(FixedColumns.in(java.util.Collections.nCopies(20, "Dear all.  Please look.  Regards to you.")))
                .isEmpty();
    }

    @Test
    void aCellIsChangedWhereItStandsAndTheOthersStay() {
        FixedColumns columns = FixedColumns.in(DRAWN).orElseThrow();
        assertThat(columns.with(DRAWN.get(4), 1, "Rope thin"))
                .contains("10000     Rope thin                253     594.55");
        assertThat(columns.with(DRAWN.get(4), 2, "7")).contains("10000     Rope small                 7     594.55");
        assertThat(columns.with(DRAWN.get(4), 3, "1594.55"))
                .contains("10000     Rope small               253    1594.55");
        assertThat(columns.with(DRAWN.get(4), 2, "123456789")).as("no room").isEmpty();
    }
}
