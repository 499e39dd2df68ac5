package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.testing.Workbooks;
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
        assertThat(made.question(JobSession.FILE).text())
                .contains("exact copy", "its name speaks of something else", "Are its rows its own?");
        batch.settle(made.question(JobSession.FILE), Doubles.TAKE);
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
                .noneMatch(question -> question.kind().equals(JobSession.FILE));
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
                .save(batch.file("Copy of Hollin.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(6);
        assertThat(made.outcome().questions()).singleElement().satisfies(question -> {
            assertThat(question.kind()).isEqualTo(JobSession.FILE);
            assertThat(question.text()).contains("Its 2 tables hold the same records as those of Hollin.xlsx");
        });
        batch.settle(made.question(JobSession.FILE), Doubles.TAKE);
        assertThat(batch.refresh().outcome().rows()).isEqualTo(12);
        batch.settle(made.question(JobSession.FILE), Doubles.ASIDE);
        Batch.Made left = batch.refresh();
        assertThat(left.outcome().rows()).isEqualTo(6);
        assertThat(left.outcome().questions()).isEmpty();
    }

    @Test
    void copiesThatAreLeftOutKeepTheTallyClosed() {
        batch.csv("Hollin 2026-01.csv", LINES);
        batch.csv("sub/Hollin 2026-01.csv", LINES);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(made.outcome().kept()).isEqualTo(3);
        assertThat(made.outcome().findings()).extracting(Finding::kind).doesNotContain("tally");
    }
}
