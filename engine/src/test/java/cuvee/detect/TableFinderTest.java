package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.CellKind;
import cuvee.sheet.CellRange;
import cuvee.sheet.Row;
import cuvee.testing.Rows;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TableFinderTest {
    private static final Object[] HEADER = {"Date", "Port", "Vessel", "Pax", "Fare"};

    private static Object[] record(int i) {
        return new Object[] {
            "2026-01-" + String.format("%02d", i % 28 + 1),
            i % 2 == 0 ? "Hollin" : "Tarsk",
            "MV " + (char) ('A' + i % 7),
            10 + i,
            2.5 * i
        };
    }

    private static List<FoundTable> find(List<Object[]> rows) {
        return find(rows, HeaderHints.NONE);
    }

    private static List<FoundTable> find(List<Object[]> rows, HeaderHints hints) {
        TableFinder finder = new TableFinder(hints);
        int number = 0;
        int blanks = 0;
        for (Object[] cells : rows) {
            number++;
            if (cells.length == 0) {
                blanks++;
                continue;
            }
            Row row = Rows.row(number, cells);
            row.afterBlanks(blanks);
            blanks = 0;
            finder.row(row);
        }
        return finder.end();
    }

    private static List<Object[]> clean(int records) {
        List<Object[]> rows = new ArrayList<>();
        rows.add(HEADER);
        for (int i = 0; i < records; i++) {
            rows.add(record(i));
        }
        return rows;
    }

    /** A table whose header has two rows, the second with two names only, and comes again; its third name is given. */
    private static TableFinder ofTwoHeaderRows(String third) {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Berth", "Species", third, "Next landing", "Account", "Gear", "Trip\nNo:"});
        rows.add(new Object[] {"", "", "Crates", "", "FEE", "", ""});
        for (int i = 0; i < 12; i++) {
            if (i == 8) {
                rows.add(rows.get(0));
                rows.add(rows.get(1));
            }
            rows.add(new Object[] {
                i % 4, i < 6 ? "Cod" : "Ling", 3 * i, "2026-05-" + (10 + i), 1.25 * i, "Net " + i % 3, 500 + i
            });
        }
        TableFinder finder = new TableFinder(HeaderHints.NONE);
        for (int i = 0; i < rows.size(); i++) {
            finder.row(Rows.row(i + 1, rows.get(i)));
        }
        return finder;
    }

    @Test
    void aHeaderWithOneMoreColumnBeginsAnotherTable() {
        for (int records : new int[] {6, 700}) {
            List<Object[]> rows = new ArrayList<>();
            rows.add(new Object[] {"ticket", "opened", "priority", "minutes"});
            for (int i = 0; i < records; i++) {
                rows.add(new Object[] {"T" + i, "2026-01-" + (10 + i % 9), "P" + i % 3, 3 + i % 50});
            }
            rows.add(new Object[] {"ticket", "opened", "priority", "team", "minutes"});
            for (int i = 0; i < 5; i++) {
                rows.add(new Object[] {"T9" + i, "2026-02-" + (10 + i), "P" + i % 3, i % 2 == 0 ? "Red" : "Blue", 7 + i
                });
            }
            List<FoundTable> found = find(rows);
            assertThat(found).extracting(FoundTable::kept).containsExactly(records, 5);
            assertThat(found.get(1).columns())
                    .extracting(TableColumn::header)
                    .containsExactly("ticket", "opened", "priority", "team", "minutes");
        }
    }

    @Test
    void aUnitOverSeveralColumnsIsSaidOfTheNameBeforeIt() {
        FoundTable found = find(List.of(
                        new Object[] {"Ward", "Votes", "Reed", "%", "Marsh", "%"},
                        new Object[] {"Harbour", 978, 347, 35.5, 631, 64.5},
                        new Object[] {"Hill", 676, 372, 55.0, 304, 45.0},
                        new Object[] {"Old town", 815, 243, 29.8, 572, 70.2}))
                .get(0);
        assertThat(found.columns())
                .extracting(TableColumn::header)
                .containsExactly("Ward", "Votes", "Reed", "Reed %", "Marsh", "Marsh %");
        assertThat(found.doubts()).isEmpty();
    }

    @Test
    void quotedCellsWithNothingInThemAreNoCells() {
        TableFinder finder = new TableFinder(HeaderHints.NONE);
        List<Object[]> rows = List.of(
                new Object[] {"SALES REPORT", "", "", "Page 1"},
                new Object[] {"Branch A", "", "", ""},
                new Object[] {"Date", "Item", "Qty", "Amount"},
                new Object[] {"2026-01-01", "Rope", 2, 7.5},
                new Object[] {"2026-01-02", "Buoy", 3, 8.5},
                new Object[] {"2026-01-03", "Buoy", 4, 9.5},
                new Object[] {"SALES REPORT", "", "", "Page 2"},
                new Object[] {"Date", "Item", "Qty", "Amount"},
                new Object[] {"2026-01-04", "Rope", 5, 6.5});
        for (int i = 0; i < rows.size(); i++) {
            Row row = new Row();
            row.begin(i + 1, 0);
            for (int c = 0; c < rows.get(i).length; c++) {
                row.set(c, CellKind.TEXT, rows.get(i)[c].toString());
            }
            finder.row(row);
        }
        FoundTable found = finder.end().get(0);
        assertThat(found.kept()).isEqualTo(4);
        assertThat(found.setAside()).containsEntry(RowClass.REPEAT, 2);
    }

    @Test
    void unitsBelowAHeaderAreToldThoughMostReadingsAreMissing() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Station", "Day", "Conductivity", "Turbidity"});
        rows.add(new Object[] {"", "", "mysterious/cm", "cloudiness"});
        for (int i = 0; i < 9; i++) {
            rows.add(new Object[] {
                "N" + i % 2, "2026-02-1" + i, i % 3 == 0 ? 300 + i : "-", i % 2 == 0 ? "< 0.1" : 1.5 + i
            });
        }
        FoundTable found = find(rows).get(0);
        assertThat(found.headerRows()).containsExactly(1, 2);
        assertThat(found.kept()).isEqualTo(9);
    }

    @Test
    void aColonBehindAHeaderMakesNoTitleOfItsRow() {
        FoundTable found = ofTwoHeaderRows("Landed").end().get(0);
        assertThat(found.headerRows()).containsExactly(1, 2);
        assertThat(found.columns())
                .extracting(TableColumn::header)
                .contains("Species", "Landed Crates", "Account FEE", "Trip No:");
        assertThat(found.kept()).isEqualTo(12);
    }

    @Test
    void cellsJoinedDownSayThatAHeaderHasTwoRowsHereAndWhereItComesAgain() {
        TableFinder finder = ofTwoHeaderRows("Landed: as weighed");
        List<CellRange> joined = new ArrayList<>();
        for (int top : new int[] {1, 11}) {
            for (int column : new int[] {0, 1, 3, 5, 6}) {
                joined.add(new CellRange(top, column, top + 1, column));
            }
        }
        finder.merged(joined);
        FoundTable found = finder.end().get(0);
        assertThat(found.headerRows()).containsExactly(1, 2);
        assertThat(found.kept()).isEqualTo(12);
    }

    @Test
    void aCleanTableIsItsHeaderAndItsRecords() {
        FoundTable table = find(clean(30)).get(0);
        assertThat(table.headerRows()).containsExactly(1);
        assertThat(table.kept()).isEqualTo(30);
        assertThat(table.columns())
                .extracting(TableColumn::header)
                .containsExactly("Date", "Port", "Vessel", "Pax", "Fare");
        assertThat(table.reason()).startsWith("Row 1 is the header:");
    }

    @Test
    void aTableBesideAnotherHasTheTitleOfTheSheetBeforeItsOwn() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Stock count"});
        rows.add(new Object[] {""});
        rows.add(new Object[] {"Main store", "", "", "", "Annex"});
        rows.add(new Object[] {"Item", "Counted", "Book", "", "Item", "Counted", "Book"});
        for (int i = 1; i <= 6; i++) {
            rows.add(new Object[] {"Part " + i, i + 3, i + 4, "", "Part " + i, i * 2, i * 2 + 1});
        }
        List<FoundTable> tables = Sheets.tables(rows);
        assertThat(tables)
                .extracting(FoundTable::titles)
                .containsExactly(List.of("Stock count", "Main store"), List.of("Stock count", "Annex"));
    }

    @Test
    void titlesAboveTheHeaderAreSetAside() {
        List<Object[]> rows = clean(20);
        rows.add(0, new Object[] {"Farsound Ferries"});
        rows.add(1, new Object[] {"Month:", "March 2026"});
        rows.add(2, new Object[] {});
        FoundTable table = find(rows).get(0);
        assertThat(table.headerRows()).containsExactly(4);
        assertThat(table.setAside()).containsEntry(RowClass.TITLE, 2).containsEntry(RowClass.BLANK, 1);
        assertThat(table.titles()).containsExactly("Farsound Ferries", "Month: | March 2026");
    }

    @Test
    void theHeaderRepeatedIsNoRecord() {
        List<Object[]> rows = clean(100);
        rows.add(50, new Object[] {"date", " PORT", "Vessel", "Pax", "Fare"});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(100);
        assertThat(table.setAside()).containsEntry(RowClass.REPEAT, 1);
    }

    @Test
    void aHeaderOfTwoRowsRepeatedBehindAGapIsNoOtherTable() {
        List<Object[]> rows = new ArrayList<>();
        Object[] upper = {"Sailed", "Vessel", "Fares", "", "Freight", ""};
        Object[] lower = {"", "", "Foot", "Cars", "Foot", "Cars"};
        rows.add(upper);
        rows.add(lower);
        rows.add(new Object[] {"2026-03-01", "Heron", 4, 10, 30.5, 71.25});
        rows.add(new Object[] {"2026-03-02", "Heron", 5, 11, 31.5, 82.75});
        rows.add(new Object[] {"2026-03-02", "Plover", 6, 12, 40.5, 93.25});
        rows.add(new Object[] {});
        rows.add(upper);
        rows.add(lower);
        rows.add(new Object[] {"2026-03-03", "Heron", 7, 13, 50.5, 14.5});
        rows.add(new Object[] {"2026-03-04", "Plover", 8, 14, 60.5, 25.5});
        rows.add(new Object[] {"", "", 30, 60, 213.5, 287.25});
        List<FoundTable> tables = find(rows);
        assertThat(tables).hasSize(1);
        assertThat(tables.get(0).kept()).isEqualTo(5);
        assertThat(tables.get(0).setAside()).containsEntry(RowClass.REPEAT, 2).containsEntry(RowClass.TOTAL, 1);
    }

    @Test
    void oneSumOfManyDigitsOverManyRecordsIsATotalWithoutAName() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Port", "Berth", "Fare"});
        for (int i = 0; i < 10; i++) {
            rows.add(new Object[] {i % 2 == 0 ? "Hollin" : "Tarsk", "A" + i, 210.25 + i});
        }
        rows.add(new Object[] {"", "", 2147.5});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(10);
        assertThat(table.setAside()).containsEntry(RowClass.TOTAL, 1);
    }

    @Test
    void aTotalOfTheTotalsAsTheyAreStatedIsATotalWithoutAName() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Port", "Berth", "Pax", "Fare"});
        rows.add(new Object[] {"Hollin", "A", 10, 5.5});
        rows.add(new Object[] {"Hollin", "B", 20, 6.5});
        rows.add(new Object[] {"Hollin total", "", 30, 12});
        rows.add(new Object[] {"Tarsk", "A", 5, 7.25});
        rows.add(new Object[] {"Tarsk", "B", 6, 8.5});
        rows.add(new Object[] {"Tarsk total", "", 17, 15.75});
        rows.add(new Object[] {"", "", 47, 27.75});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(4);
        assertThat(table.totals()).filteredOn(total -> !total.agrees()).hasSize(2);
    }

    @Test
    void totalsAreSetAsideAndKeptAsStated() {
        List<Object[]> rows = clean(10);
        rows.add(new Object[] {"Total", "", "", 145, 112.5});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(10);
        assertThat(table.totals()).hasSize(2).allMatch(FoundTable.StatedTotal::agrees);
    }

    @Test
    void aTotalThatDoesNotAddUpIsStillATotalAndSaysSo() {
        List<Object[]> rows = clean(10);
        rows.add(new Object[] {"Total", "", "", 999, 112.5});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(10);
        assertThat(table.totals()).filteredOn(total -> !total.agrees()).hasSize(1);
    }

    @Test
    void subtotalsAddUpSinceTheOneBefore() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Port", "Berth", "Pax"});
        rows.add(new Object[] {"Hollin", "A", 10});
        rows.add(new Object[] {"Hollin", "B", 20});
        rows.add(new Object[] {"Hollin total", "", 30});
        rows.add(new Object[] {"Tarsk", "A", 5});
        rows.add(new Object[] {"Tarsk", "B", 6});
        rows.add(new Object[] {"Tarsk total", "", 11});
        rows.add(new Object[] {"Grand total", "", 41});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(4);
        assertThat(table.totals()).allMatch(FoundTable.StatedTotal::agrees);
    }

    @Test
    void whatAddsUpUnderANameOfItsOwnIsATotal() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Region", "Depot", "Crates", "Cost"});
        rows.add(new Object[] {"North", "Hollin", 412, 96.5});
        rows.add(new Object[] {"North", "Tarsk", 38, 12.25});
        rows.add(new Object[] {"North", "Orm", 150, 41.75});
        rows.add(new Object[] {"All of the north", "", 600, 150.5});
        rows.add(new Object[] {"South", "Quay", 71, 20.0});
        rows.add(new Object[] {"South", "Ryde", 9, 2.5});
        rows.add(new Object[] {"South", "Skerry", 20, 7.5});
        rows.add(new Object[] {"The south together", "", 100, 30.0});
        rows.add(new Object[] {"Both", "", 700, 180.5});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(6);
        assertThat(table.totals()).hasSize(6).allMatch(FoundTable.StatedTotal::agrees);
    }

    @Test
    void aRecordLikeTheOnlyOneBehindATotalIsARecord() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Depot", "Gear", "Crates", "Cost"});
        rows.add(new Object[] {"Hollin", "Nets", 412, 96.5});
        rows.add(new Object[] {"Tarsk", "Pots", 38, 12.25});
        rows.add(new Object[] {"Total", "", 450, 108.75});
        rows.add(new Object[] {"Quay", "Lines", 150, 20});
        rows.add(new Object[] {"Ryde", "Rods", 150, 20});
        rows.add(new Object[] {"Orm", "Creels", 300, 40});
        assertThat(find(rows).get(0).kept()).isEqualTo(5);
    }

    @Test
    void aTotalWithOneWrongSumAmongSeveralIsATotalAndTheWrongOneIsKept() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Shop", "Line", "Ordered", "Delivered", "Value"});
        for (int i = 0; i < 12; i++) {
            rows.add(new Object[] {"Shop " + (char) ('A' + i), i % 2 == 0 ? "Rye" : "Rolls", 10 + i, 9 + i, 2.5 * i});
        }
        rows.add(new Object[] {"Total for return", "", 186, 167, 165});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(12);
        assertThat(table.totals())
                .filteredOn(total -> !total.agrees())
                .singleElement()
                .satisfies(total -> assertThat(total.stated()).isEqualTo(167));
    }

    @Test
    void smallNumbersThatHappenToAddUpAreARecordThatIsAskedAbout() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Depot", "Boats", "Crews"});
        rows.add(new Object[] {"Hollin", 1, 2});
        rows.add(new Object[] {"Tarsk", 2, 1});
        rows.add(new Object[] {"Orm", 1, 1});
        rows.add(new Object[] {"Quay", 4, 4});
        rows.add(new Object[] {"Ryde", 3, 2});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(5);
        assertThat(table.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("total-row");
    }

    @Test
    void aFirmNamedTotalIsARecord() {
        List<Object[]> rows = clean(20);
        rows.add(new Object[] {"2026-02-01", "Total Logistics", "MV A", 12, 3.5});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(21);
    }

    @Test
    void aSumOfManyWithoutAnyOfTheWordsThatAllHaveIsATotal() {
        List<Object[]> rows = clean(10);
        rows.add(new Object[] {"", "", "", 145, ""});
        assertThat(find(rows).get(0).kept()).isEqualTo(10);
        rows.set(rows.size() - 1, new Object[] {"", "", "", 139, ""});
        FoundTable wrong = find(rows).get(0);
        assertThat(wrong.kept()).isEqualTo(11);
        assertThat(wrong.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("bare-row");
    }

    @Test
    void severalSumsBesideBlankKeysAreATotalWithoutAnyWord() {
        List<Object[]> rows = clean(10);
        rows.add(new Object[] {"", "", "", 145, 112.5});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(10);
        assertThat(table.totals()).hasSize(2).allMatch(FoundTable.StatedTotal::agrees);
        assertThat(table.doubts()).isEmpty();
    }

    @Test
    void aHeaderWithASignInItIsKnownWhenItComesAgain() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Port", "% full", "Pax"});
        rows.add(new Object[] {"Hollin", 0.5, 4});
        rows.add(new Object[] {"Tarsk", 0.25, 5});
        rows.add(new Object[] {"Port", "% full", "Pax"});
        rows.add(new Object[] {"Oska", 0.75, 6});
        assertThat(find(rows).get(0).kept()).isEqualTo(3);
    }

    @Test
    void notesBelowAreSetAside() {
        List<Object[]> rows = clean(20);
        rows.add(new Object[] {});
        rows.add(new Object[] {"Source: the harbour office"});
        rows.add(new Object[] {"Figures are provisional"});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(20);
        assertThat(table.setAside()).containsEntry(RowClass.NOTE, 2);
        assertThat(table.doubts()).isEmpty();
    }

    @Test
    void aLineBetweenRecordsIsSetAsideAndPointedOut() {
        List<Object[]> rows = clean(20);
        rows.add(11, new Object[] {"North region"});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(20);
        assertThat(table.setAside()).containsEntry(RowClass.SECTION, 1);
        assertThat(table.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("section");
    }

    @Test
    void aFirstRecordOfOneWordIsKeptAndPointedOut() {
        List<Object[]> rows = List.of(
                new Object[] {"Name", "A", "B", "C"},
                new Object[] {"Anna"},
                new Object[] {"Ben", 1, 2, "x"},
                new Object[] {"Carl", 3, "", "y"},
                new Object[] {"Dora", 3, 4, "y"});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(4);
        assertThat(table.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("sparse-row");
    }

    @Test
    void aWordOverTheMonthsIsPartOfTheHeaderWhereThatIsRepeatedAndHeadsNoRows() {
        FoundTable table = find(List.of(
                        new Object[] {"", "Takings", "", "", ""},
                        new Object[] {"Boat", "Q1 2026", "Q2 2026", "Q3 2026", "Q4 2026"},
                        new Object[] {"Inner Sound", "", "", "", ""},
                        new Object[] {"MV Ouzel", 22934.5, 13519.4, 6453.3, 4294.5},
                        new Object[] {"MV Petrel", 2988.6, 14818.4, 2074.6, 8759.9},
                        new Object[] {"North Reach", "", "", "", ""},
                        new Object[] {"", "Takings", "", "", ""},
                        new Object[] {"Boat", "Q1 2026", "Q2 2026", "Q3 2026", "Q4 2026"},
                        new Object[] {"MV Ouzel", 833.6, 5254.4, 6468.1, 12843.8},
                        new Object[] {"MV Siskin", 7125.5, 1737.1, 939.4, 7642.8}))
                .get(0);
        assertThat(table.aside().stream().filter(row -> row.rowClass() == RowClass.SECTION))
                .extracting(FoundTable.Aside::text)
                .containsExactly("Inner Sound", "North Reach");
        assertThat(table.aside().stream().filter(row -> row.rowClass() == RowClass.REPEAT))
                .hasSize(2);
        assertThat(table.kept()).isEqualTo(4);
    }

    @Test
    void aWordAboveTheHeaderRepeatedIsNoRecord() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"North"});
        rows.addAll(clean(4));
        rows.add(new Object[] {"South"});
        rows.addAll(clean(3));
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(7);
        assertThat(table.setAside())
                .containsEntry(RowClass.TITLE, 1)
                .containsEntry(RowClass.SECTION, 1)
                .containsEntry(RowClass.REPEAT, 1);
    }

    @Test
    void aLastRowOfOneWordIsKeptAndPointedOut() {
        List<Object[]> rows = clean(5);
        rows.add(new Object[] {"", "Marsay"});
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).isEqualTo(6);
        assertThat(table.doubts()).extracting(FoundTable.Doubt::kind).containsExactly("sparse-row");
    }

    @Test
    void aColumnThatAddsUpTheOthersIsRecognised() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Depot", "Jan", "Feb", "Mar", "Total"});
        rows.add(new Object[] {"Hollin", 1, 2, 3, 6});
        rows.add(new Object[] {"Tarsk", 4, "", 6, 10});
        assertThat(find(rows).get(0).doubts())
                .singleElement()
                .satisfies(doubt -> assertThat(doubt.text())
                        .isEqualTo("The column “Total” adds up the columns “Jan” to “Mar”; it stays a column."));
        rows.add(new Object[] {"Oska", 4, 5, 6, 16});
        assertThat(find(rows).get(0).doubts()).isEmpty();
    }

    @Test
    void aListOfNamesIsATableAndInstructionsAreNone() {
        List<Object[]> names = new ArrayList<>();
        List<Object[]> text = new ArrayList<>();
        names.add(new Object[] {"Name"});
        text.add(new Object[] {"How to fill in this workbook"});
        for (int i = 0; i < 8; i++) {
            names.add(new Object[] {"Skipper " + i});
            text.add(new Object[] {"Step " + i + ": fill in a line for each sailing of the month."});
        }
        assertThat(find(names))
                .singleElement()
                .satisfies(table -> assertThat(table.kept()).isEqualTo(8));
        assertThat(find(text)).isEmpty();
    }

    @Test
    void twoTablesOneBelowTheOtherAreTwo() {
        List<Object[]> rows = clean(12);
        rows.add(new Object[] {});
        rows.add(new Object[] {"Depot", "Fuel", "Supplier", "Litres", "Price"});
        rows.add(new Object[] {"Hollin", "Diesel", "Oilco", 500, 1.2});
        rows.add(new Object[] {"Tarsk", "Diesel", "Oilco", 700, 1.3});
        List<FoundTable> tables = find(rows);
        assertThat(tables).hasSize(2);
        assertThat(tables.get(0).kept()).isEqualTo(12);
        assertThat(tables.get(1).kept()).isEqualTo(2);
        assertThat(tables.get(1).headerRows()).containsExactly(15);
    }

    @Test
    void aHeaderThatWouldNameColumnsTwiceTakesTheRowAboveIt() {
        List<Object[]> rows = List.of(
                new Object[] {"", "Quarter 1", "", "Quarter 2", ""},
                new Object[] {"Port", "Pax", "Fare", "Pax", "Fare"},
                new Object[] {"Hollin", 1, 2, 3, 4},
                new Object[] {"Tarsk", 5, 6, 7, 8});
        FoundTable table = find(rows).get(0);
        assertThat(table.columns())
                .extracting(TableColumn::header)
                .containsExactly("Port", "Quarter 1 / Pax", "Quarter 1 / Fare", "Quarter 2 / Pax", "Quarter 2 / Fare");
        assertThat(table.kept()).isEqualTo(2);
    }

    @Test
    void columnsWithoutHeaderAndHeadersTwiceGetNamesOfTheirOwn() {
        List<Object[]> rows =
                List.of(new Object[] {"Port", "", "Pax", "Pax"}, new Object[] {"Hollin", "x", 1, 2}, new Object[] {
                    "Tarsk", "y", 3, 4
                });
        FoundTable table = find(rows).get(0);
        assertThat(table.columns())
                .extracting(TableColumn::header)
                .containsExactly("Port", "Column B", "Pax", "Pax (2)");
        assertThat(table.doubts()).extracting(FoundTable.Doubt::kind).contains("header-twice");
    }

    @Test
    void wordsThatAreHeadersElsewhereDecideBetweenTwoRows() {
        List<Object[]> rows = List.of(
                new Object[] {"Overview", "Ports", "Northern", "Company"},
                new Object[] {"Harbour", "Vessel", "Skipper", "Cargo"},
                new Object[] {"Hollin", "Petrel", "Quill", "salt"},
                new Object[] {"Tarsk", "Dunlin", "Marl", "timber"});
        FoundTable alone = find(rows).get(0);
        FoundTable hinted = find(rows, new HeaderHints(Set.of("harbour", "vessel", "skipper", "cargo")))
                .get(0);
        assertThat(alone.header()).isEqualTo(FoundTable.Sureness.CLOSE);
        assertThat(hinted.headerRows()).containsExactly(2);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void whateverIsPutAroundATableTheSameRecordsComeOutAndTheTallyCloses(long seed) {
        Random random = new Random(seed);
        int records = 5 + random.nextInt(80);
        List<Object[]> rows = clean(records);
        int repeats = random.nextInt(3);
        for (int i = 0; i < repeats; i++) {
            rows.add(2 + random.nextInt(rows.size() - 2), HEADER);
        }
        int blanks = random.nextInt(4);
        for (int i = 0; i < blanks; i++) {
            rows.add(2 + random.nextInt(rows.size() - 2), new Object[] {});
        }
        if (random.nextBoolean()) {
            rows.add(new Object[] {});
            rows.add(new Object[] {"Source: harbour office, preliminary figures"});
        }
        int titles = random.nextInt(5);
        for (int i = 0; i < titles; i++) {
            rows.add(0, random.nextBoolean() ? new Object[] {"A title, written above"} : new Object[] {});
        }
        FoundTable table = find(rows).get(0);
        assertThat(table.kept()).as("records").isEqualTo(records);
        int asideOrBlank =
                table.setAside().values().stream().mapToInt(Integer::intValue).sum();
        assertThat(table.seen()).isEqualTo(table.kept() + asideOrBlank);
        assertThat(table.seen()).isEqualTo(table.lastRow() - table.firstRow() + 1);
    }

    @Test
    void aHeaderWithColonsBehindAllNamesButOneIsNoRowOfLabels() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Date:", "Port:", "Vessel:", "Pax (no)", "Fare:"});
        for (int i = 0; i < 6; i++) {
            rows.add(record(i));
        }
        assertThat(find(rows)).singleElement().satisfies(table -> {
            assertThat(table.headerRows()).containsExactly(1);
            assertThat(table.kept()).isEqualTo(6);
        });
    }
}
