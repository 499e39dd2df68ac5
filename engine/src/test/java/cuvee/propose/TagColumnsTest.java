package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.ss.util.AreaReference;
import org.apache.poi.xssf.usermodel.XSSFRow;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFTable;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** What only names, folders and titles say becomes a column. */
class TagColumnsTest extends BatchTest {
    @Test
    void placeAndDateInTheNameOnlyBecomeColumns() {
        batch.csv("Hollin_2026-03-01.csv", "Vessel,Pax", "MV Dunlin,5");
        batch.csv("Hollin_2026-03-02.csv", "Vessel,Pax", "MV Dunlin,6");
        batch.csv("Tarsk_2026-03-01.csv", "Vessel,Pax", "MV Petrel,7");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Date", "File part 1");
        assertThat(made.lines())
                .containsExactly(
                        "MV Dunlin|5|2026-03-01|Hollin",
                        "MV Dunlin|6|2026-03-02|Hollin",
                        "MV Petrel|7|2026-03-01|Tarsk");
        assertThat(made.outcome().proposal().columns().get(2).type().word()).isEqualTo("Date");
        assertThat(made.outcome().needsALook()).isFalse();
    }

    @Test
    void fourDigitsAreAMonthWhereTheirLabelSaysSo() {
        results("Month", "0125", "0225", "0325");
        assertThat(batch.refresh().column("Month")).contains("2025-01-01", "2025-03-01");
    }

    @Test
    void theNumberOfACandidateIsNoDate() {
        results("Candidate", "1707", "1905", "6377");
        assertThat(batch.refresh().column("Candidate")).contains("1707", "1905", "6377");
    }

    private void results(String label, String... values) {
        for (String value : values) {
            batch.csv(
                    "return " + value.charAt(1) + ".csv",
                    "Results,,,",
                    label + "," + value + ",,",
                    "",
                    "Paper,Site,Mark,Share",
                    "A,Quay," + value + ",4.5",
                    "B,Pier,7,9.5",
                    "C,Quay,1,2.25");
        }
    }

    @Test
    void aNumberUnderALabelIsNoMonthThoughItCouldBeOne() {
        for (String centre : List.of("1707", "6377", "8729")) {
            String ward = "Ward " + (char) ('A' + centre.charAt(0) - '0');
            batch.csv(
                    ward + " 2025.csv",
                    ward + " Budget 2025,,,",
                    "Cost centre," + centre + ",,",
                    "",
                    "Account,Jan,Feb,Mar",
                    "Salaries,8840,5067," + centre,
                    "Travel,310," + centre + ",150");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.column("Cost centre")).contains("1707", "6377");
        assertThat(made.column("Month")).contains("2025-01-01").doesNotContain("Jan");
    }

    @Test
    void aTitleThatDiffersAmongCopiesOfOneSheetIsATag() {
        List<String> regions = List.of("North", "South East", "West");
        for (int i = 0; i < regions.size(); i++) {
            batch.csv(
                    "return_" + (40 + i * 7) + ".csv",
                    "," + regions.get(i),
                    ",as at 31/03/2026",
                    "",
                    "Item,Stock",
                    "Rope," + (i + 3),
                    "Buoy," + (i + 5));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).anyMatch(line -> line.startsWith("Rope|4|") && line.contains("South East"));
    }

    @Test
    void whatATagSaysAlreadyIsNoSecondOneOnceMoreFilesShowItsLabel() {
        for (int week = 1; week <= 3; week++) {
            batch.sheet(
                    "takings wk0" + week + ".xlsx",
                    new Object[] {"Takings by store", "", "W/E", LocalDate.of(2026, 1, 7 * week - 3)},
                    new Object[] {"Store", "Mon", "Tue", "Week"},
                    new Object[] {"Quay", 270 + week, 240 + week, 510 + 2 * week},
                    new Object[] {"Market", 770 - week, 630 + week, 1400});
            Batch.Made made = batch.refresh();
            if (week > 1) {
                assertThat(made.columns()).hasSize(5).containsOnlyOnce("Date");
            }
        }
    }

    @Test
    void aTagIsCalledByTheWordWithWhichAllThatItSaysEnds() {
        for (int month = 1; month <= 2; month++) {
            for (String depot : List.of("Hull", "Leith")) {
                batch.csv(
                        "movement " + depot.length() + month + ".csv",
                        depot + " depot - stock 2026-0" + month,
                        "",
                        "Item,In,Out",
                        "Rope," + (depot.length() + month) + ",2",
                        "Buoy,7," + month);
            }
        }
        assertThat(batch.refresh().columns()).containsExactly("Item", "In", "Out", "Month", "Depot");
    }

    @Test
    void whatTheRowsSayThemselvesIsNoTag() {
        batch.csv("Hollin 2026-01.csv", "Date,Port,Pax", "2026-01-01,Hollin,5", "2026-01-09,Hollin,5");
        batch.csv("Tarsk 2026-02.csv", "Date,Port,Pax", "2026-02-01,Tarsk,5", "2026-02-09,Tarsk,5");
        assertThat(batch.refresh().columns()).containsExactly("Date", "Port", "Pax");
        assertThat(batch.assumed(Kinds.TAG))
                .containsExactlyInAnyOrder("period in file name: left out", "file name part 1: left out");
    }

    @Test
    void aTagFillsTheColumnOfItsNameInTablesThatLackIt() {
        batch.csv("Hollin.csv", "Port,Vessel,Pax", "Hollin,MV Dunlin,5", "Hollin,MV Petrel,6");
        batch.csv("Marsay.csv", "Port,Vessel,Pax", "Marsay,MV Dunlin,5", "Marsay,MV Petrel,6");
        batch.csv("Tarsk.csv", "Vessel,Pax", "MV Fenwick,7");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Port", "Vessel", "Pax");
        assertThat(made.lines()).contains("Tarsk|MV Fenwick|7", "Hollin|MV Dunlin|5");
    }

    @Test
    void aLabelAboveTheTableNamesItsColumn() {
        batch.csv("r1.csv", "Port: Hollin", "", "Vessel,Pax,Crew", "MV Dunlin,5,2", "MV Petrel,5,2");
        batch.csv("r2.csv", "Port: Tarsk", "", "Vessel,Pax,Crew", "MV Petrel,6,2", "MV Dunlin,1,1");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Crew", "Port");
        assertThat(made.lines()).contains("MV Dunlin|5|2|Hollin", "MV Petrel|6|2|Tarsk");
    }

    @Test
    void whatStandsUnderALabelElsewhereIsItUnderAnotherLabelToo() {
        batch.csv("r1.csv", "District: Hollin", "", "Vessel,Pax,Crew", "MV Dunlin,5,2", "MV Petrel,5,2");
        batch.csv("r2.csv", "District: Tarsk", "", "Vessel,Pax,Crew", "MV Petrel,6,2", "MV Dunlin,1,1");
        batch.csv("r3.csv", "Beat: Hollin", "State: open", "", "Vessel,Pax,Crew", "MV Grayling,7,2", "MV Dunlin,3,1");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Crew", "District");
        assertThat(made.lines()).contains("MV Grayling|7|2|Hollin", "MV Petrel|6|2|Tarsk");
    }

    @Test
    void theOneLabelThatTheOthersLackIsTakenForTheTagAndSaid() {
        batch.csv("r1.csv", "District: Hollin", "", "Vessel,Pax,Crew", "MV Dunlin,5,2", "MV Petrel,5,2");
        batch.csv("r2.csv", "District: Tarsk", "", "Vessel,Pax,Crew", "MV Petrel,6,2", "MV Dunlin,1,1");
        batch.refresh();
        batch.csv("r3.csv", "Beat: Oska", "Status: final", "", "Vessel,Pax,Crew", "MV Grayling,7,2", "MV Dunlin,3,1");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Crew", "District");
        assertThat(made.lines()).contains("MV Grayling|7|2|Oska");
        assertThat(made.findings("tag-under-other-label")).singleElement().satisfies(finding -> {
            assertThat(finding.where().source()).isEqualTo("r3.csv");
            assertThat(finding.what()).contains("“District”", "“Beat”");
            assertThat(finding.done()).contains("“Oska”");
        });
    }

    @Test
    void aLabelThatIsMissingAboveATableIsSaid() {
        batch.csv("r1.csv", "District: Hollin", "", "Vessel,Pax,Crew", "MV Dunlin,5,2", "MV Petrel,5,2");
        batch.csv("r2.csv", "District: Tarsk", "", "Vessel,Pax,Crew", "MV Petrel,6,2", "MV Dunlin,1,1");
        batch.csv("r3.csv", "Returned 2026-03-04", "", "Vessel,Pax,Crew", "MV Grayling,7,2", "MV Dunlin,3,1");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("MV Grayling|7|2|");
        assertThat(made.findings("tag-not-found"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).contains("“District”", "r3.csv"));
    }

    @Test
    void foldersOfYearsAreYears() {
        batch.csv("2025/north.csv", "Vessel,Pax", "MV Dunlin,5");
        batch.csv("2026/north.csv", "Vessel,Pax", "MV Dunlin,6");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Year");
        assertThat(made.lines()).containsExactly("MV Dunlin|5|2025", "MV Dunlin|6|2026");
    }

    @Test
    void namesThatOnlyTellFilesApartAreNoTag() {
        batch.csv("report 001.csv", "Vessel,Pax", "MV Dunlin,5");
        batch.csv("report 002.csv", "Vessel,Pax", "MV Dunlin,6");
        batch.csv("report 003.csv", "Vessel,Pax", "MV Dunlin,7");
        assertThat(batch.refresh().columns()).containsExactly("Vessel", "Pax");
    }

    @Test
    void aTagCanBeNamedLeftOutAndTakenFromSomethingElse() {
        batch.csv("Hollin_2026-03.csv", "Vessel,Pax", "MV Dunlin,5");
        batch.csv("Tarsk_2026-04.csv", "Vessel,Pax", "MV Petrel,7");
        batch.refresh();
        batch.settle(Kinds.TAG, "file name part 1", "Port")
                .settle(Kinds.TAG, "period in file name", ColumnChoice.LEFT_OUT)
                .settle(Kinds.TAG, "fixed text Ferries", "Line");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Port", "Line");
        assertThat(made.lines()).containsExactly("MV Dunlin|5|Hollin|Ferries", "MV Petrel|7|Tarsk|Ferries");
    }

    @Test
    void theDayOverTheNamesOfABlockIsATagOfItsRows() {
        batch.csv(
                "prices.csv",
                "2026-01-05,Close,High,Low",
                "Dunlin,2.01,2.3,1.9",
                "Petrel,0.74,0.8,0.7",
                "Skua,5.5,5.9,5.1",
                "",
                "2026-01-06,Close,High,Low",
                "Dunlin,2.05,2.2,1.8",
                "Petrel,0.71,0.9,0.7",
                "Skua,5.6,5.7,5.2",
                "",
                "2026-01-07,Close,High,Low",
                "Dunlin,2.11,2.4,1.9",
                "Petrel,0.75,0.8,0.6",
                "Skua,5.4,5.8,5.3");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9);
        assertThat(made.columns()).contains("Close", "High", "Low", "Date");
        assertThat(made.lines()).contains("Dunlin|2.01|2.3|1.9|2026-01-05", "Skua|5.4|5.8|5.3|2026-01-07");
    }

    private static Object[][] captioned(String title, String... captions) {
        List<Object[]> rows = new ArrayList<>();
        if (!title.isEmpty()) {
            rows.add(row(title));
            rows.add(row());
        }
        for (String caption : captions) {
            rows.add(row(caption));
            rows.add(row("Ref", "Item", "Boxes"));
            for (int i = 1; i <= 3; i++) {
                rows.add(row(caption.charAt(0) + title + i, i % 2 == 0 ? "Hinge" : "Latch", 7 * i + caption.length()));
            }
            rows.add(row());
        }
        return rows.toArray(Object[][]::new);
    }

    @Test
    void whatStandsRightAboveEachOfSeveralTablesOfASheetTagsTheirRowsWhateverTitleTheSheetHas() {
        batch.sheet("Skerry.xlsx", captioned("Skerry return", "Inner basin", "Outer basin"));
        batch.sheet("Hollin.xlsx", captioned("", "Inner basin", "Slip", "Outer basin"));
        batch.sheet("Tarsk.xlsx", captioned("Tarsk return", "Slip", "Inner basin"));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Caption");
        assertThat(made.column("Caption"))
                .containsOnly("Inner basin", "Outer basin", "Slip")
                .hasSize(21);
        assertThat(made.lines()).anyMatch(line -> line.startsWith("ISkerry return1|") && line.contains("Inner basin"));
    }

    @Test
    void captionsOfOneFileAreAColumnThoughTheOthersHaveATableEach() {
        batch.sheet("Skerry.xlsx", captioned("", "Quay", "Slip"));
        batch.csv("Hollin.csv", "Ref,Item,Boxes", "H1,Hinge,7", "H2,Latch,9");
        batch.csv("Tarsk.csv", "Ref,Item,Boxes", "T1,Hinge,7", "T2,Latch,9");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Caption"))
                .containsExactlyInAnyOrder("Quay", "Quay", "Quay", "Slip", "Slip", "Slip", "", "", "", "");
        assertThat(made.findings("tag-not-found")).isEmpty();
    }

    @Test
    void aNoteThatStandsAboveEachTableIsNoCaption() {
        batch.sheet("Skerry.xlsx", captioned("", "Provisional figures", "Provisional figures"));
        batch.sheet("Hollin.xlsx", captioned("", "Provisional figures", "Provisional figures"));
        assertThat(batch.refresh().columns()).doesNotContain("Caption");
    }

    @Test
    void theCellsOfTheLineAboveEachOfManyTablesAreColumnsOfTheirOwn() {
        List<Object[]> rows = new ArrayList<>();
        rows.add(new Object[] {"Order list", null, null, "March"});
        rows.add(new Object[] {});
        String[] customers = {"Hall Ltd", "Moss & Co", "Hall Ltd"};
        for (int order = 0; order < customers.length; order++) {
            rows.add(new Object[] {"Order 10" + order, customers[order], null, "2026-03-0" + (order + 3)});
            rows.add(new Object[] {"Item", "Quantity", "Price", "Amount"});
            rows.add(new Object[] {"Rope", 2 + order, 8.5, 17 + 8.5 * order});
            rows.add(new Object[] {"Buoy", 3, 21.25, 63.75});
            rows.add(new Object[] {"Total", null, null, 80.75 + 8.5 * order});
            rows.add(new Object[] {});
        }
        batch.sheet("orders.xlsx", rows.toArray(Object[][]::new));
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .containsExactly("Item", "Quantity", "Price", "Amount", "Order", "Line above 2", "Date");
        assertThat(made.lines())
                .containsExactly(
                        "Rope|2|8.5|17|Order 100|Hall Ltd|2026-03-03",
                        "Buoy|3|21.25|63.75|Order 100|Hall Ltd|2026-03-03",
                        "Rope|3|8.5|25.5|Order 101|Moss & Co|2026-03-04",
                        "Buoy|3|21.25|63.75|Order 101|Moss & Co|2026-03-04",
                        "Rope|4|8.5|34|Order 102|Hall Ltd|2026-03-05",
                        "Buoy|3|21.25|63.75|Order 102|Hall Ltd|2026-03-05");
    }

    @Test
    void figuresUnderNamesOfColumnsAboveATableAreNoTags() {
        for (int month = 1; month < 4; month++) {
            batch.sheet("report 2026-0" + month + ".xlsx", new Object[][] {
                {"Monthly report"},
                {},
                {"Revenue", 9_000 + month, null, "Visitors", 300 + month},
                {},
                {"Site", "Visitors", "Revenue"},
                {"Hollin", 100 + month, 3925.86},
                {"Tarsk", 86, 6607.65},
                {"Oska", 137, 5525.99}
            });
        }
        assertThat(batch.refresh().columns()).containsExactly("Site", "Visitors", "Revenue", "Month");
    }

    @Test
    void tablesBelowEachOtherAreToldApartByTheirTitles() {
        batch.csv(
                "rates.csv",
                ",Single,,,",
                "Income,2021,2022,2023,2024",
                "6000,0.061,0.052,0.043,0.034",
                "15000,0.231,0.222,0.213,0.204",
                "20000,0.285,0.276,0.267,0.258",
                "",
                "",
                ",Married,,,",
                "Income,2021,2022,2023,2024",
                "6000,0.053,0.041,0.032,0.021",
                "15000,0.151,0.142,0.133,0.124",
                "20000,0.207,0.198,0.189,0.181");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Income", "Year", "Amount", "Title");
        assertThat(made.lines()).contains("6000|2021|0.061|Single", "6000|2021|0.053|Married");
    }

    @Test
    void aFileThatComesUnderTheNameOfAnotherMonthLaterOnIsPointedOutAsWell() {
        for (int month = 1; month <= 9; month++) {
            batch.csv(
                    "Hollin 2026-0" + month + ".csv",
                    "Date,Pax",
                    "2026-0" + month + "-01,5",
                    "2026-0" + month + "-09,7");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).doesNotContain("Month");
        assertThat(made.findings("tag-contradiction")).isEmpty();
        batch.csv("Hollin 2026-04.csv", "Date,Pax", "2026-08-01,5", "2026-08-10,8");
        assertThat(batch.refresh().findings("tag-contradiction"))
                .singleElement()
                .satisfies(finding -> {
                    assertThat(finding.where().toString()).contains("Hollin 2026-04.csv");
                    assertThat(finding.what()).contains("“2026-04”").contains("“2026-08-01”");
                });
    }

    @Test
    void aTitleThatSaysOtherThanTheNameIsPointedOutAndIsNoTagOfItsOwn() {
        for (int month = 1; month <= 6; month++) {
            for (String port : List.of("Hollin", "Tarsk")) {
                String title = port.equals("Tarsk") && month == 4 ? "Hollin" : port;
                batch.csv(
                        port + " 2026-0" + month + ".csv",
                        "Return of sailings - " + title,
                        "",
                        "Vessel,Pax",
                        "Dunlin,5" + month,
                        "Petrel,6" + month);
            }
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Month", "File part 1");
        assertThat(made.findings("tag-contradiction")).singleElement().satisfies(finding -> {
            assertThat(finding.where().toString()).contains("Tarsk 2026-04.csv");
            assertThat(finding.what()).contains("says “Tarsk”, but").contains("of the title says “Hollin”");
        });
    }

    @Test
    void aNameThatSaysOtherThanTheRowsIsPointedOut() {
        batch.csv("Hollin 2026-01.csv", "Date,Pax", "2026-01-01,5", "2026-01-09,5");
        batch.csv("Hollin 2026-02.csv", "Date,Pax", "2026-02-01,5", "2026-02-09,5");
        batch.csv("Hollin 2026-03.csv", "Date,Pax", "2026-04-01,5", "2026-04-09,5");
        batch.csv("Hollin 2026-04.csv", "Date,Pax", "2026-04-02,6", "2026-04-10,5");
        batch.csv("Hollin 2026-05.csv", "Date,Pax", "2026-05-02,6", "2026-05-10,5");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("tag-contradiction")).singleElement().satisfies(finding -> {
            assertThat(finding.where().toString()).contains("Hollin 2026-03.csv");
            assertThat(finding.what()).contains("“2026-03”").contains("“2026-04-01”");
        });
    }

    @Test
    void aNewFileInWhichTheTagFindsNothingIsPointedOut() {
        for (String port : new String[] {"Hollin", "Tarsk", "Marsay", "Eastray"}) {
            batch.csv(port + "_bus_2026-03.csv", "Vessel,Pax", "MV Dunlin," + port.length());
            batch.csv(port + "_ferry_2026-03.csv", "Vessel,Pax", "MV " + port + ",6");
        }
        assertThat(batch.refresh().columns()).containsExactly("Vessel", "Pax", "File part 1", "File part 2");
        batch.csv("extra 2026-03.csv", "Vessel,Pax", "MV Dunlin,6");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("tag-not-found"))
                .hasSize(2)
                .allSatisfy(finding -> assertThat(finding.what()).contains("extra 2026-03.csv"));
        assertThat(made.lines()).contains("MV Dunlin|6||");
    }

    @Test
    void aLaterFileThatSaysNoYearLeavesTheMonthsOfTheOthersAsTheyAre() {
        batch.csv("2025/sales May.csv", "Port,Fare", "Hollin,5", "Tarsk,6");
        batch.csv("2026/sales June.csv", "Port,Fare", "Hollin,7", "Tarsk,8");
        assertThat(batch.refresh().lines()).contains("Hollin|5|2025|2025-05-01", "Hollin|7|2026|2026-06-01");
        batch.csv("late/sales July.csv", "Port,Fare", "Hollin,9", "Tarsk,10");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).anyMatch(line -> line.startsWith("Hollin|5|") && line.contains("|2025-05-01"));
        assertThat(made.findings("misfit")).anyMatch(said -> said.text().contains("July"));
    }

    @Test
    void aNewTagValueNextMonthJoinsByItself() {
        batch.csv("Hollin 2026-03.csv", "Vessel,Pax", "MV Dunlin,5");
        batch.csv("Tarsk 2026-03.csv", "Vessel,Pax", "MV Petrel,7");
        Batch.Made first = batch.refresh();
        assertThat(first.columns()).containsExactly("Vessel", "Pax", "File part 1");
        batch.csv("Norhaven 2026-03.csv", "Vessel,Pax", "MV Petrel,9");
        assertThat(batch.refresh().lines()).contains("MV Petrel|9|Norhaven");
    }

    @Test
    void theNameOfATableInItsWorkbookIsATag() throws IOException {
        for (String port : List.of("Hollin", "Tarsk")) {
            try (XSSFWorkbook workbook = new XSSFWorkbook();
                    OutputStream out =
                            Files.newOutputStream(batch.file(port.equals("Hollin") ? "a1.xlsx" : "a2.xlsx"))) {
                XSSFSheet sheet = workbook.createSheet("Returns");
                Object[][] rows = {row("Vessel", "Pax"), row("MV Dunlin", 5), row("MV Petrel", 6)};
                for (Object[] cells : rows) {
                    XSSFRow made = sheet.createRow(sheet.getPhysicalNumberOfRows());
                    made.createCell(0).setCellValue((String) cells[0]);
                    if (cells[1] instanceof Integer number) {
                        made.createCell(1).setCellValue(number);
                    } else {
                        made.createCell(1).setCellValue((String) cells[1]);
                    }
                }
                XSSFTable table = sheet.createTable(new AreaReference("A1:B3", workbook.getSpreadsheetVersion()));
                table.setDisplayName(port);
                workbook.write(out);
            }
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Table part 1");
        assertThat(made.lines()).contains("MV Dunlin|5|Hollin", "MV Petrel|6|Tarsk");
    }

    @Test
    void aTagThatWasMovedStaysWhereItIs() {
        batch.csv("Hollin_2026-03-01.csv", "Vessel,Pax", "MV Dunlin,5", "MV Petrel,4");
        batch.csv("Tarsk_2026-03-01.csv", "Vessel,Pax", "MV Petrel,7", "MV Petrel,8");
        assertThat(batch.refresh().columns()).containsExactly("Vessel", "Pax", "File part 1");
        batch.job(Board.move(batch.job(), List.of("Vessel", "Pax", "File part 1"), "File part 1", -2));
        assertThat(batch.refresh().columns()).containsExactly("File part 1", "Vessel", "Pax");
        batch.csv("Marsay_2026-04-01.csv", "Vessel,Pax,Crew", "MV Petrel,7,2", "MV Petrel,8,2");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("File part 1", "Vessel", "Pax", "Crew");
        assertThat(made.lines().get(0)).startsWith("Hollin|MV Dunlin|5|");
    }

    @Test
    void movingAColumnLeavesTagsBehindTheOthers() {
        batch.csv("Hollin_2026-03-01.csv", "Vessel,Pax", "MV Dunlin,5", "MV Petrel,4");
        batch.csv("Tarsk_2026-03-01.csv", "Vessel,Pax", "MV Petrel,7", "MV Petrel,8");
        batch.refresh();
        batch.job(Board.move(batch.job(), List.of("Vessel", "Pax", "File part 1"), "Vessel", 1));
        assertThat(batch.job().columns()).containsExactly("Pax", "Vessel");
        assertThat(batch.refresh().columns()).containsExactly("Pax", "Vessel", "File part 1");
    }

    @Test
    void aTagWithTheNameOfAColumnThatAllTablesHaveIsSaidToFillNothing() {
        batch.csv("Hollin.csv", "Vessel,Pax", "MV Dunlin,5", "MV Petrel,4");
        batch.csv("Tarsk.csv", "Vessel,Pax", "MV Petrel,7", "MV Petrel,8");
        batch.settle(Kinds.TAG, "file name part 1", "Vessel");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax");
        assertThat(made.lines()).contains("MV Dunlin|5");
        assertThat(made.findings("tag-hidden"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.done())
                        .isEqualTo("The column holds what the rows say; the tag fills nothing."));
    }

    @Test
    void periodsOfSeveralKindsAreToldAsTheyAreWritten() {
        batch.csv("Hollin 2026-01.csv", "Vessel,Pax", "MV Dunlin,5", "MV Petrel,4");
        batch.csv("Hollin 2026-02.csv", "Vessel,Pax", "MV Dunlin,6", "MV Petrel,3");
        batch.csv("Hollin Q2 2026.csv", "Vessel,Pax", "MV Dunlin,16", "MV Petrel,13");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Vessel", "Pax", "Period");
        assertThat(made.lines()).contains("MV Dunlin|5|2026-01", "MV Petrel|13|Q2 2026");
    }

    @Test
    void aLabelThatFewTablesHaveIsNoTag() {
        batch.csv("r1.csv", "Harbour master: Quill", "", "Vessel,Pax,Crew", "MV Dunlin,5,2", "MV Petrel,5,2");
        for (int i = 2; i <= 5; i++) {
            batch.csv("r" + i + ".csv", "Vessel,Pax,Crew", "MV Petrel," + i + ",2", "MV Dunlin,1,1");
        }
        assertThat(batch.refresh().columns()).containsExactly("Vessel", "Pax", "Crew");
    }

    @Test
    void aTextThatYouGiveIsWrittenBesideEveryRow() {
        batch.csv("r1.csv", "Vessel,Pax", "MV Dunlin,5", "MV Petrel,4");
        batch.settle(Kinds.TAG, "fixed text Farsound", "Company");
        assertThat(batch.refresh().lines()).containsExactly("MV Dunlin|5|Farsound", "MV Petrel|4|Farsound");
    }

    @Test
    void theTitleOverEachOfSeveralTablesIsTakenAndNotThatOfTheWholeSheet() {
        for (String month : List.of("Mar", "Apr", "May")) {
            List<Object[]> rows = new ArrayList<>();
            rows.add(row("Quay stock " + month + " 2026"));
            for (String quay : List.of("Quay A", "Quay B", "Quay C")) {
                rows.add(row());
                rows.add(row(quay));
                rows.add(row("Item", "Unit", "Opening", "Used"));
                rows.add(row("Rope", "coil", 40 + quay.hashCode() % 7, 12));
                rows.add(row("Fenders", "piece", 66, 30 + month.hashCode() % 5));
                rows.add(row("Paint", "tin", 20, 7));
            }
            batch.sheet("stock_" + month + "26.xlsx", rows.toArray(Object[][]::new));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(27);
        assertThat(made.lines()).allSatisfy(line -> assertThat(line).matches(".*\\|[ABC](\\|.*)?"));
    }

    @Test
    void aNumberUnderALabelAboveTheTableNamesAThing() {
        for (int meter : List.of(4711, 4712, 4713)) {
            batch.csv(
                    "meter_" + meter + ".csv",
                    "Meter number;" + meter,
                    "",
                    "Day;Used (kWh)",
                    "01.03.2026;12,5",
                    "02.03.2026;13,25",
                    "03.03.2026;" + meter % 10 + ",5");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Meter number");
        assertThat(made.lines()).hasSize(9).anyMatch(line -> line.endsWith("|4712"));
    }

    @Test
    void aNumberThatOnlyCountsTheSheetsIsNone() {
        for (int copy = 1; copy <= 3; copy++) {
            batch.csv(
                    "log_" + copy + ".csv",
                    "Copy;" + copy,
                    "Reference;" + (9000 + copy),
                    "",
                    "Day;Used (kWh)",
                    "01.03.2026;12,5",
                    "02.03.2026;13,25",
                    "03.03.2026;" + copy + ",5");
        }
        assertThat(batch.refresh().columns()).containsExactly("Day", "Used (kWh)");
    }

    @Test
    void whatTheTitleSaysInMoreWordsThanTheFileIsNoOtherTag() {
        for (String branch : List.of("North", "South", "West")) {
            batch.sheet(
                    branch + " hours.xlsx",
                    row("Hours worked - " + branch + " branch"),
                    row(),
                    row("Name", "Grade", "Hours"),
                    row("Ida", "A", 38 + branch.length()),
                    row("Ole", "B", 40),
                    row("Una", "A", 12.5));
        }
        assertThat(batch.refresh().columns()).containsExactly("Name", "Grade", "Hours", "File part 1");
    }

    @Test
    void aQuarterInTheNameSaysNothingMoreThanTheTitleThatHasItsYear() {
        for (int quarter = 1; quarter <= 2; quarter++) {
            batch.csv(
                    "bonus q" + quarter + ".csv",
                    "Bonus Q" + quarter + " 2026",
                    "",
                    "Employee,Grade,Bonus",
                    "Ada,A,10",
                    "Ben,B," + quarter);
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Employee", "Grade", "Bonus", "Quarter");
        assertThat(made.lines()).contains("Ben|B|2|Q2 2026");
    }

    @Test
    void tablesDrawnWithBarsHaveNoSpacesOfTheDrawingInTheirCells() {
        batch.csv(
                "q.txt",
                "+----+--------+-------+",
                "| id | name   | total |",
                "+----+--------+-------+",
                "|  1 | Rope   |    12 |",
                "|  2 | Buoy   |   144 |",
                "|  3 | Pump   |     7 |",
                "+----+--------+-------+",
                "3 rows in set");
        assertThat(batch.refresh().lines()).containsExactly("1|Rope|12", "2|Buoy|144", "3|Pump|7");
    }
}
