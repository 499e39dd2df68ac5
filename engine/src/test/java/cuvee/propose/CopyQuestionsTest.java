package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.tell.SourceReport;
import cuvee.testing.Workbooks;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** An exact copy counts once; where its name speaks of something else, the analyst is asked. */
class CopyQuestionsTest extends BatchTest {
    private static final String[] LINES = {"Vessel,Pax", "MV Dunlin,5", "MV Petrel,6", "MV Fenwick,7"};

    @Test
    void aCopyUnderTheNameOfAnotherMonthIsAskedAboutAndCanBeTaken() {
        batch.csv("Hollin 2026-01.csv", LINES);
        batch.csv("Hollin 2026-02.csv", LINES);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(3);
        assertThat(made.question(Kinds.FILE).text())
                .contains("exact copy", "its name speaks of something else", "Are its rows its own?");
        batch.settle(made.question(Kinds.FILE), TableChoice.TAKE);
        Batch.Made taken = batch.refresh();
        assertThat(taken.outcome().rows()).isEqualTo(6);
        assertThat(taken.outcome().questions())
                .as("what was said of the file is not asked once more of its table")
                .isEmpty();
    }

    @Test
    void aCopyUnderItsOwnNameIsANoticeOnly() {
        batch.csv("Hollin 2026-01.csv", LINES);
        batch.csv("Hollin 2026-01 (2).csv", LINES);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(3);
        assertThat(made.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.FILE));
        assertThat(made.outcome().sources())
                .filteredOn(source -> source.state() == SourceReport.State.SET_ASIDE)
                .singleElement()
                .satisfies(source -> assertThat(source.reason()).contains("an exact copy of"));
    }

    @Test
    void ofTheSameRecordsUnderTwoNamesTheShorterNameStays() {
        batch.csv("Copy of Hollin 2026-01 (2).csv", "printed again", LINES[0], LINES[1], LINES[2], LINES[3]);
        batch.csv("Hollin 2026-01.csv", LINES);
        batch.csv("Hollin 2026-02.csv", LINES[0], "2026-02-01,Hollin,7", "2026-02-02,Hollin,9");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(5);
        assertThat(made.outcome().sources())
                .filteredOn(source -> source.rows() > 0)
                .extracting(SourceReport::path)
                .containsExactly("Hollin 2026-01.csv", "Hollin 2026-02.csv");
    }

    @Test
    void aWorkbookSavedAgainIsOneQuestionHoweverManySheetsItHas() {
        Object[][] january = {row("Vessel", "Pax"), row("MV Dunlin", 5), row("MV Petrel", 6), row("MV Skua", 9)};
        Object[][] february = {row("Vessel", "Pax"), row("MV Dunlin", 7), row("MV Petrel", 8), row("MV Skua", 3)};
        Workbooks.workbook()
                .sheet("January", january)
                .sheet("February", february)
                .save(batch.file("Hollin.xlsx"));
        Workbooks.workbook()
                .sheet("January", january)
                .sheet("February", february)
                .sheet("Notes", row("saved again by the office"))
                .save(batch.file("Tarsk by the office.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(6);
        assertThat(made.outcome().questions()).singleElement().satisfies(question -> {
            assertThat(question.kind()).isEqualTo(Kinds.FILE);
            assertThat(question.text()).contains("Its 2 tables hold the same records as those of Hollin.xlsx");
        });
        batch.settle(made.question(Kinds.FILE), TableChoice.TAKE);
        assertThat(batch.refresh().outcome().rows()).isEqualTo(12);
        batch.settle(made.question(Kinds.FILE), TableChoice.ASIDE);
        Batch.Made left = batch.refresh();
        assertThat(left.outcome().rows()).isEqualTo(6);
        assertThat(left.outcome().questions()).isEmpty();
    }

    /** Nobody need be asked about a copy that says that it is one and holds nothing else; it is told, and can be taken. */
    @Test
    void aCopySavedAgainUnderItsOwnNameIsToldAndNotAsked() {
        Object[] header = {"Vessel", "Port", "Pax"};
        Object[][] rows = {row("MV Dunlin", "Hollin", 5), row("MV Petrel", "Hollin", 6), row("MV Skua", "Tarsk", 9)};
        Workbooks.workbook()
                .sheet("January", header, rows[0], rows[1], rows[2])
                .save(batch.file("Hollin_2026-01.xlsx"));
        Workbooks.workbook()
                .sheet("January", row("saved again by the office"), header, rows[0], rows[1], rows[2])
                .save(batch.file("Copy of Hollin_2026-01 (2).xlsx"));
        Workbooks.workbook()
                .sheet("February", header, row("MV Dunlin", "Hollin", 15), row("MV Petrel", "Hollin", 16))
                .save(batch.file("Hollin_2026-02.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(5);
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("copy"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text())
                        .startsWith(
                                "Copy of Hollin_2026-01 (2).xlsx: It holds the same records as Hollin_2026-01.xlsx"));
        Batch.Made again = batch.refresh();
        assertThat(again.findings("copy")).hasSize(1);
        assertThat(batch.settle(Kinds.FILE, "Copy of Hollin_2026-01 (2).xlsx", TableChoice.TAKE)
                        .refresh()
                        .outcome()
                        .rows())
                .isEqualTo(8);
    }

    @Test
    void aCopyInWhichOneWordDiffersIsAskedAbout() {
        List<String> lines = new ArrayList<>(List.of("Vessel,Port,Pax"));
        for (int i = 0; i < 12; i++) {
            lines.add("MV " + (char) ('A' + i) + "rdea,Hollin," + (5 + i));
        }
        batch.csv("Hollin_2026-01.csv", lines.toArray(String[]::new));
        lines.set(4, lines.get(4).replace("Hollin", "Tarsk"));
        batch.csv("Copy of Hollin_2026-01.csv", lines.toArray(String[]::new));
        batch.csv("Hollin_2026-02.csv", lines.get(0), "MV Dunlin,Hollin,15", "MV Petrel,Hollin,16");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().questions()).extracting(Question::kind).isNotEmpty();
        assertThat(made.findings("copy")).isEmpty();
    }

    /** Two senders name their files alike: the rows of one in the folder of the other came by mistake, perhaps. */
    @Test
    void theSameRowsInTheFolderOfAnotherSenderAreAskedAbout() {
        batch.csv(
                "Hollin/2026-01.csv", "Vessel,Port,Pax", "MV Dunlin,Hollin,5", "MV Petrel,Hollin,6", "MV Skua,Oska,7");
        batch.csv(
                "Tarsk/2026-01.csv",
                "sent again",
                "Vessel,Port,Pax",
                "MV Dunlin,Hollin,5",
                "MV Petrel,Hollin,6",
                "MV Skua,Oska,7");
        batch.csv("Hollin/2026-02.csv", "Vessel,Port,Pax", "MV Dunlin,Hollin,15", "MV Petrel,Hollin,16");
        batch.csv("Tarsk/2026-02.csv", "Vessel,Port,Pax", "MV Dunlin,Tarsk,25", "MV Petrel,Tarsk,26");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("copy")).isEmpty();
        assertThat(made.outcome().questions()).isNotEmpty();
    }

    @Test
    void copiesThatAreLeftOutKeepTheTallyClosed() {
        batch.csv("Hollin 2026-01.csv", LINES);
        batch.csv("sub/Hollin 2026-01.csv", LINES);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(made.outcome().kept()).isEqualTo(3);
        assertThat(made.outcome().findings()).extracting(Finding::kind).doesNotContain("tally");
    }

    @Test
    void aSheetCalledAnEarlierVersionOfAnotherIsAskedAbout() {
        Workbooks book = Workbooks.workbook();
        for (String sheet : List.of("Jan", "Feb", "Jan (old)")) {
            int month = sheet.startsWith("J") ? 1 : 2;
            Object[][] rows = new Object[9][];
            rows[0] = new Object[] {"Event", "Held on", "Attended"};
            for (int i = 1; i < rows.length; i++) {
                rows[i] = new Object[] {
                    "Event " + month + i,
                    "2026-0" + month + "-0" + i,
                    i * 7 % 30 + (sheet.endsWith(")") && i < 4 ? 1 : 0)
                };
            }
            book.sheet(sheet, rows);
        }
        book.save(batch.file("events.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(16);
        assertThat(made.question("sheet").text()).contains("called like “Jan”, with a mark of an earlier version");
    }

    /** What is due on a loan, the same for each. */
    private void schedule(String file, String loan, String printed) {
        batch.csv(
                file,
                "Loan," + loan,
                "Printed," + printed,
                "",
                "No,Due,Paid,Left",
                "1,2026-01-01,1045.00,11000",
                "2,2026-02-01,1041.25,10000",
                "3,2026-03-01,1037.50,9000",
                "4,2026-04-01,1033.75,8000");
    }

    @Test
    void theSameRowsUnderTitlesOfSomethingElseAreTakenInAndAskedAbout() {
        for (String loan : List.of("101", "102", "103")) {
            schedule("Loan " + loan + ".csv", "L-" + loan, "0" + loan.charAt(2) + "/03/2026");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(12);
        assertThat(made.outcome().plan().columns())
                .extracting(column -> column.name())
                .contains("Loan");
        assertThat(made.outcome().questions())
                .isNotEmpty()
                .allSatisfy(question -> assertThat(question.assumed()).isEqualTo(TableChoice.TAKE));
        assertThat(made.outcome().questions().get(0).text()).contains("though “Loan: L-10");
        schedule("Loan 104.csv", "L-101", "04/03/2026");
        assertThat(batch.refresh().outcome().rows())
                .as("one that says the same, printed on another day, is a copy")
                .isEqualTo(12);
    }

    @Test
    void aSheetThatIsTheSameInEveryWorkbookIsPartOfTheFormAndNoneOfThemIsTakenIn() {
        for (int month = 1; month <= 3; month++) {
            Workbooks.workbook()
                    .sheet(
                            "Data",
                            row("Ref", "Region", "Opened", "Value"),
                            row("R1" + month, "North", "2026-0" + month + "-01", 10 * month),
                            row("R2" + month, "South", "2026-0" + month + "-02", 7 + month),
                            row("R3" + month, "East", "2026-0" + month + "-03", 8 * month),
                            row("R4" + month, "East", "2026-0" + month + "-04", 91 - month))
                    .sheet("Targets", row("Region", "Value"), row("North", 1), row("South", 2), row("East", 3))
                    .save(batch.file("pack 2026-0" + month + ".xlsx"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(12);
        assertThat(made.outcome().questions())
                .extracting(Question::text)
                .singleElement()
                .asString()
                .contains("the sheet “Targets” is the same in all 3 workbooks");
        batch.settle(made.outcome().questions().get(0), TableChoice.TAKE);
        assertThat(batch.refresh().outcome().rows()).isEqualTo(21);
    }
}
