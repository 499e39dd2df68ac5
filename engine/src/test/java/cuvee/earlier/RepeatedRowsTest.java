package cuvee.earlier;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.gather.Reread;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.testing.Workbooks;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;

/** Tables whose rows stand in others too count once: the rows tell, whatever the sheets are called. */
class RepeatedRowsTest extends BatchTest {
    private static final Object[] HEADER = {"Date", "Boat", "Boxes", "Price"};

    private static List<Object[]> month(int month, int rows) {
        List<Object[]> made = new ArrayList<>();
        for (int i = 1; i <= rows; i++) {
            made.add(new Object[] {
                String.format("2026-%02d-%02d", month, i * 2), i % 2 == 0 ? "Heron" : "Plover", month * 100 + i, i + 0.5
            });
        }
        return made;
    }

    private static Object[][] rows(List<Object[]> first, List<Object[]> then) {
        List<Object[]> all = new ArrayList<>();
        all.add(HEADER);
        all.addAll(first);
        all.addAll(then);
        return all.toArray(Object[][]::new);
    }

    private void workbook(String name, int rows) {
        Workbooks.workbook()
                .sheet("Jan", rows(month(1, rows), List.of()))
                .sheet("Feb", rows(month(2, rows + 1), List.of()))
                .sheet("All", rows(month(1, rows), month(2, rows + 1)))
                .save(batch.file(name));
    }

    @Test
    void aSheetThatRepeatsTheOthersIsSetAsideAndAsked() {
        workbook("north.xlsx", 4);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9);
        Question question = made.question(Kinds.REPEATED_ROWS);
        assertThat(question.text()).contains("9 of its 9 rows stand in Feb and Jan too");
        assertThat(made.outcome().sources().get(0).outside().get(0).reason()).contains("stand in Feb and Jan too");
        assertThat(batch.refresh().outcome().questions()).hasSize(1);
        assertThat(batch.settle(question, "take").refresh().lines()).hasSize(18);
        Batch.Made settled = batch.settle(question, "aside").refresh();
        assertThat(settled.lines()).hasSize(9);
        assertThat(settled.outcome().questions()).isEmpty();
    }

    @Test
    void allMonthsInOneFileAreSetAsideThoughNoDateTellsTheirRowsApart() {
        List<String> all = new ArrayList<>(List.of("Port,Boat,Boxes"));
        int row = 0;
        for (String month : List.of("Jan", "Feb", "Mar")) {
            List<String> own = new ArrayList<>(List.of("Port,Boat,Boxes"));
            for (int i = 0; i < 8; i++) {
                row++;
                own.add("%s,%s,%d".formatted(i % 2 == 0 ? "Oska" : "Tarsk", i % 3 == 0 ? "Heron" : "Skua", row * 37));
            }
            all.addAll(own.subList(1, own.size()));
            batch.csv("Return " + month + " 2026.csv", own.toArray(String[]::new));
        }
        batch.csv("All returns 2026.csv", all.toArray(String[]::new));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(24);
        Question question = made.question(Kinds.REPEATED_ROWS);
        assertThat(question.text()).contains("24 of its 24 rows stand in").contains("Return Jan 2026.csv");
        assertThat(made.findings("lists-repeat")).isEmpty();
        assertThat(batch.settle(question, "take").refresh().lines()).hasSize(48);
    }

    @Test
    void oneQuestionIsAboutAllSheetsOfTheNameAndHoldsNextMonth() {
        workbook("north.xlsx", 4);
        Workbooks.workbook()
                .sheet("Jan", rows(month(3, 5), List.of()))
                .sheet("Feb", rows(month(4, 6), List.of()))
                .sheet("All", rows(month(3, 5), month(4, 6)))
                .save(batch.file("south.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9 + 11);
        assertThat(made.outcome().questions()).hasSize(1);
        batch.settle(made.question(Kinds.REPEATED_ROWS), "aside");
        Workbooks.workbook()
                .sheet("Jan", rows(month(5, 4), List.of()))
                .sheet("Feb", rows(month(6, 5), List.of()))
                .sheet("All", rows(month(5, 4), month(6, 5)))
                .save(batch.file("west.xlsx"));
        Batch.Made next = batch.refresh();
        assertThat(next.lines()).hasSize(9 + 11 + 9);
        assertThat(next.outcome().questions()).isEmpty();
    }

    @Test
    void aYearSoFarThatIsSentAnewEachMonthCountsItsLastOnly() {
        batch.sheet("to January.xlsx", rows(month(1, 6), List.of()));
        batch.sheet("to February.xlsx", rows(month(1, 6), month(2, 6)));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(12);
        assertThat(made.question(Kinds.YEAR_TO_DATE).text()).contains("to January.xlsx");
    }

    @Test
    void theSameSmallFiguresOfTwoMonthsAreTwoThings() {
        for (String month : List.of("Jan", "Feb")) {
            List<String> lines = new ArrayList<>(List.of("Depot,Crews,Boats,Berths"));
            for (int i = 0; i < 12; i++) {
                lines.add("Depot " + (char) ('A' + i) + "," + i % 3 + "," + i % 4 + ","
                        + (i == 11 ? month.length() + month.charAt(0) : 2));
            }
            batch.csv(month + " 2026.csv", lines.toArray(String[]::new));
        }
        assertThat(batch.refresh().lines()).hasSize(24);
    }

    @Test
    void returnsForTheYearToDateWithoutDatesAreWarnedOf() {
        List<String> lines = new ArrayList<>(List.of("Docket,Port,Pieces"));
        for (String month : List.of("Jan", "Feb", "Mar")) {
            for (int i = 0; i < 9; i++) {
                lines.add("D" + (lines.size() + 100) + "," + (i % 2 == 0 ? "Hollin" : "Tarsk") + "," + (3 + i));
            }
            batch.csv("YTD " + month + " 2026.csv", lines.toArray(String[]::new));
        }
        assertThat(batch.refresh().findings("lists-repeat")).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo(Severity.WARNING);
            assertThat(finding.text()).contains("year to date", "count more than once");
        });
    }

    private void staff(String month, String... leaver) {
        List<String> lines = new ArrayList<>(List.of("No,Name,Site,Grade,Started"));
        for (int i = 0; i < 12; i++) {
            String grade = List.of(leaver).contains("Keeper " + i) ? "G9" : "G" + i % 3;
            lines.add(100 + i + ",Keeper " + i + ",Quay " + i % 2 + "," + grade + ",20" + (10 + i) + "-03-04");
        }
        batch.csv("Staff " + month + ".csv", lines.toArray(String[]::new));
    }

    @Test
    void listsOfEachMonthStayAndItIsSaidThatTheyRepeatEachOther() {
        staff("Jan 2026");
        staff("Feb 2026", "Keeper 5");
        staff("Mar 2026", "Keeper 3");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(36);
        Predicate<Finding> said = finding -> finding.kind().equals("lists-repeat");
        assertThat(made.outcome().findings())
                .filteredOn(said)
                .singleElement()
                .satisfies(
                        finding -> assertThat(finding.text())
                                .contains(
                                        "In all tables nearly all rows stand in another table too, and only “Month” tells them apart"));
        staff("Feb 2026", "Keeper 1", "Keeper 2", "Keeper 4", "Keeper 5");
        staff("Mar 2026", "Keeper 7", "Keeper 8", "Keeper 9", "Keeper 10");
        assertThat(batch.refresh().outcome().findings()).noneMatch(said);
    }

    @Test
    void whatIsNoLongerRepeatedComesBack() {
        workbook("north.xlsx", 4);
        batch.refresh();
        Workbooks.workbook()
                .sheet("Jan", rows(month(1, 4), List.of()))
                .sheet("All", rows(month(5, 4), month(6, 5)))
                .save(batch.file("north.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(13);
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.lines()).isEqualTo(batch.refresh(Reread.EVERYTHING).lines());
    }

    @Test
    void aWorkbookSavedTwiceWithASheetOfAllCountsEachRowOnce() {
        workbook("Copy of north.xlsx", 4);
        Workbooks.workbook()
                .sheet("Jan", rows(month(1, 4), List.of()))
                .sheet("Feb", rows(month(2, 5), List.of()))
                .sheet("All", rows(month(1, 4), month(2, 5)))
                .sheet("Notes", new Object[][] {{"saved again"}})
                .save(batch.file("north.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9);
        assertThat(made.outcome().questions()).extracting(Question::kind).contains(Kinds.REPEATED_ROWS);
        assertThat(batch.refresh().lines()).hasSize(9);
    }

    /** Rows numbered from 1 on, under a header of the sheet's own; so do people who copy sheets together. */
    private static Object[][] numbered(String header, List<Object[]> rows) {
        List<Object[]> all = new ArrayList<>();
        all.add(new Object[] {header, "Date", "Boat", "Boxes", "Price"});
        int number = 1;
        for (Object[] row : rows) {
            all.add(new Object[] {number++, row[0], row[1], row[2], row[3]});
        }
        return all.toArray(Object[][]::new);
    }

    @Test
    void numbersOfRowsDoNotHideThatTheRestOfThemStandsElsewhere() {
        List<Object[]> both = new ArrayList<>(month(1, 4));
        both.addAll(month(2, 5));
        Workbooks.workbook()
                .sheet("Jan", numbered("#", month(1, 4)))
                .sheet("Feb", numbered("#", month(2, 5)))
                .sheet("All", numbered("Line", both))
                .save(batch.file("north.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9);
        assertThat(made.question(Kinds.REPEATED_ROWS).text()).contains("9 of its 9 rows stand in Feb and Jan too");
    }

    @Test
    void aNumberThatRunsOnFromFileToFileTellsRowsApart() {
        for (int month = 1; month <= 2; month++) {
            List<Object[]> rows = new ArrayList<>();
            rows.add(new Object[] {"Ticket", "Boat", "Boxes", "Price"});
            for (int i = 1; i <= 6; i++) {
                rows.add(new Object[] {month * 100 + i, i % 2 == 0 ? "Heron" : "Plover", 4, i + 0.5});
            }
            Workbooks.workbook().sheet("Data", rows.toArray(Object[][]::new)).save(batch.file("m" + month + ".xlsx"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(12);
        assertThat(made.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.REPEATED_ROWS));
    }

    @Test
    void aListThatWasSortedOtherwiseIsTheSameList() {
        batch.csv("Quill.csv", "Day,Hours", "Mon,9", "Tue,7", "Wed,7", "Thu,10");
        batch.csv("Quill by hours.csv", "Day,Hours", "Thu,10", "Mon,9", "Wed,7", "Tue,7");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(4);
        assertThat(made.outcome().questions())
                .extracting(Question::text)
                .anyMatch(text -> text.contains("it holds the same records as"));
    }

    @Test
    void tablesWithTheSameSumsButOtherRowsAreNotTheSame() {
        batch.csv("Quill.csv", "Day,Hours,Project", "Mon,9,Alpha", "Tue,7,Beta", "Wed,7,Alpha", "Thu,10,Alpha");
        batch.csv("Rook.csv", "Day,Hours,Project", "Mon,8,Alpha", "Tue,7,Alpha", "Wed,9,Alpha", "Thu,9,Beta");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(8);
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void aSheetWithALineForEachOtherSheetIsTheirSummary() throws Exception {
        Workbooks workbook = Workbooks.workbook();
        List<String> quays = List.of("North", "East", "South");
        workbook.sheet(
                "Overview",
                row("Quay", "Takings", "Returns"),
                row("North", 501, 3),
                row("East", 402, 4),
                row("South", 303, 5));
        for (String quay : quays) {
            List<Object[]> rows = new ArrayList<>();
            rows.add(row("Date", "Keeper", "Takings", "Returned?"));
            for (int day = 1; day <= 6; day++) {
                rows.add(row(
                        LocalDate.of(2026, 1, day), "Ida", 40 * day + quays.indexOf(quay), day % 2 == 0 ? "Y" : "N"));
            }
            workbook.sheet(quay, rows.toArray(Object[][]::new));
        }
        workbook.save(batch.file("Takings.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(18);
        assertThat(made.outcome().questions())
                .extracting(Question::text)
                .anyMatch(text -> text.contains("its column “Quay” names the other sheets of its workbook"));
    }
}
