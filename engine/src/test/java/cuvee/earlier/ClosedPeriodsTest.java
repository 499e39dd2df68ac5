package cuvee.earlier;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Deciding;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.gather.Reread;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.tell.Outcome;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A month that is closed keeps its rows; what comes or changes later waits until the analyst closes it again. */
class ClosedPeriodsTest extends BatchTest {
    private static final String BY = "analyst, 2026-11-29";

    @BeforeEach
    void threeMonths() {
        for (int month = 1; month <= 3; month++) {
            hollin(month, 10 * month);
            batch.csv("Tarsk 2026-0" + month + ".csv", "Vessel,Pax,Fare", "MV Skua," + month + ",1.5");
        }
        close("2026-01");
    }

    private void hollin(int month, int pax) {
        batch.csv("Hollin 2026-0" + month + ".csv", "Vessel,Pax,Fare", "MV Dunlin," + pax + ",2.5", "MV Petrel,4,3.5");
    }

    private void close(String month) {
        Outcome outcome = batch.refresh().outcome();
        batch.job(new Deciding(outcome, BY).decide(Kinds.CLOSED, List.of("Month", month), "closed"));
        batch.refresh();
    }

    private static List<String> kinds(Outcome outcome) {
        return outcome.findings().stream()
                .map(Finding::kind)
                .filter(kind -> kind.startsWith("closed-"))
                .toList();
    }

    @Test
    void closingChangesNothingAndKeepsWhatWasClosedAndByWhom() {
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(9);
        assertThat(kinds(made.outcome())).isEmpty();
        assertThat(batch.job().settled()).singleElement().satisfies(decision -> {
            assertThat(decision.answer()).startsWith("closed | 3 | ").contains("Hollin 2026-01.csv");
            assertThat(decision.evidence()).isEqualTo(BY);
        });
    }

    @Test
    void aFileThatChangesLaterKeepsItsRowsOfThenAndTheDifferenceIsSaid() {
        hollin(1, 99);
        hollin(2, 98);
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .anyMatch(line -> line.startsWith("MV Dunlin|10|"))
                .anyMatch(line -> line.contains("|98|"));
        assertThat(kinds(made.outcome())).containsExactly("closed-changed");
        assertThat(made.findings("closed-changed").get(0).what())
                .isEqualTo("“2026-01” is closed, and the file has changed since: “Pax” comes to 103 instead of 14.");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(batch.refresh().lines()).as("and once more").isEqualTo(made.lines());
        assertThat(batch.refresh(Reread.EVERYTHING).lines())
                .as("all read again")
                .isEqualTo(made.lines());
    }

    @Test
    void closingAgainAcceptsTheChange() {
        hollin(1, 99);
        close("2026-01");
        Batch.Made accepted = batch.refresh();
        assertThat(accepted.lines()).anyMatch(line -> line.startsWith("MV Dunlin|99|"));
        assertThat(kinds(accepted.outcome())).isEmpty();
        hollin(1, 98);
        assertThat(batch.refresh().lines()).anyMatch(line -> line.startsWith("MV Dunlin|99|"));
    }

    @Test
    void openedAgainItFollowsTheFile() {
        hollin(1, 99);
        Outcome outcome = batch.refresh().outcome();
        batch.job(new Deciding(outcome, BY).undo(batch.job().settled().get(0).id()));
        assertThat(batch.refresh().lines()).anyMatch(line -> line.startsWith("MV Dunlin|99|"));
    }

    @Test
    void whatChangesBackIsAsItWas() {
        hollin(1, 99);
        batch.refresh();
        hollin(1, 10);
        Batch.Made back = batch.refresh();
        assertThat(kinds(back.outcome())).isEmpty();
        assertThat(back.lines()).anyMatch(line -> line.startsWith("MV Dunlin|10|"));
    }

    @Test
    void aFileThatComesLateWaitsUntilTheMonthIsClosedAgain() {
        batch.csv("Oska 2026-01.csv", "Vessel,Pax,Fare", "MV Grebe,7,2.25");
        Batch.Made late = batch.refresh();
        assertThat(late.outcome().rows()).isEqualTo(9);
        assertThat(kinds(late.outcome())).containsExactly("closed-late");
        assertThat(late.findings("closed-late").get(0).what())
                .isEqualTo("The file holds 1 row, and it came after “2026-01” was closed.");
        close("2026-01");
        assertThat(batch.refresh().outcome().rows()).isEqualTo(10);
    }

    @Test
    void aFileThatIsOnlyRenamedIsNotLate() {
        batch.rename("Hollin 2026-01.csv", "Hollin 2026-01 final.csv");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(9);
        assertThat(kinds(made.outcome())).isEmpty();
    }

    @Test
    void rowsOfAFileThatWasGoneWhenTheMonthWasClosedStay() {
        batch.delete("Tarsk 2026-02.csv");
        assertThat(batch.refresh().outcome().rows()).isEqualTo(9);
        close("2026-02");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(9);
        assertThat(kinds(made.outcome())).isEmpty();
    }

    @Test
    void theRowsOfThenOutliveTheCache() {
        batch.forgetCache();
        hollin(1, 99);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).anyMatch(line -> line.startsWith("MV Dunlin|10|"));
        assertThat(kinds(made.outcome())).containsExactly("closed-changed");
    }

    @Test
    void whatAFileOfSeveralMonthsChangesIsSaidThoughNotHeld() {
        String[] lines = {"Vessel,Pax,Date", "MV Dunlin,5,2026-05-01", "MV Petrel,6,2026-06-01", "MV Skua,7,2026-07-01"
        };
        Batch year = new Batch(folder.resolve("year")).csv("all.csv", lines);
        Outcome outcome = year.refresh().outcome();
        year.job(new Deciding(outcome, BY).decide(Kinds.CLOSED, List.of("Date", "2026-05"), "closed"));
        year.refresh();
        lines[1] = "MV Dunlin,50,2026-05-01";
        year.csv("all.csv", lines);
        Batch.Made made = year.refresh();
        assertThat(made.findings("closed-moved").get(0).what())
                .isEqualTo("“2026-05” is closed, and differs now: “Pax” comes to 50 instead of 5.");
    }

    @Test
    void aPeriodThatNoRowSaysIsPointedOut() {
        batch.settle(Kinds.CLOSED, "Month | 2031-01", "closed");
        assertThat(kinds(batch.refresh().outcome())).containsExactly("closed-none");
    }
}
