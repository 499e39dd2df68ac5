package cuvee.tell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.change.Deciding;
import cuvee.decision.Kinds;
import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.refresh.BatchTest;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A finding of which the analyst says that it is so stays settled until a figure in it changes. */
class SettledFindingsTest extends BatchTest {
    private static final String BY = "analyst, 2026-11-29";

    @BeforeEach
    void aTotalThatIsWrong() {
        sheet(24);
    }

    private void sheet(int total) {
        batch.csv("a.csv", "Vessel,Pax", "MV Dunlin,5", "MV Petrel,6", "MV Skua,9", "Total," + total);
    }

    private static Finding warning(Outcome outcome) {
        return outcome.findings().stream()
                .filter(finding -> finding.severity() == Severity.WARNING)
                .findFirst()
                .orElseThrow();
    }

    private void say(Outcome outcome, String answer) {
        batch.job(new Deciding(outcome, BY)
                .decide(Kinds.FINDING, List.of(warning(outcome).id()), answer));
    }

    @Test
    void whatIsSoIsNoLongerOpenAndTheMasterIsFinal() {
        Outcome open = batch.refresh().outcome();
        assertThat(Verdict.of(open).kind()).isEqualTo(Verdict.Kind.NOT_FINAL);
        say(open, "so: the sender knows");
        Outcome settled = batch.refresh().outcome();
        assertThat(Verdict.of(settled).kind()).isEqualTo(Verdict.Kind.CLEAN);
        assertThat(settled.needsALook()).isFalse();
        assertThat(settled.settled()).singleElement().satisfies(each -> {
            assertThat(each.finding()).isEqualTo(warning(open));
            assertThat(each.note()).isEqualTo("the sender knows");
            assertThat(each.by()).isEqualTo(BY);
            assertThat(each.text()).endsWith("It is so (" + BY + "): the sender knows");
        });
        assertThat(Account.of(settled).text()).contains("settled: ", "the sender knows");
    }

    @Test
    void itIsOpenAgainAsSoonAsAFigureInItIsAnother() {
        say(batch.refresh().outcome(), "so");
        sheet(25);
        Outcome changed = batch.refresh().outcome();
        assertThat(changed.settled()).isEmpty();
        assertThat(warning(changed).what()).contains("25");
        sheet(24);
        assertThat(batch.refresh().outcome().settled()).hasSize(1);
    }

    @Test
    void itCanBeOpenedAgain() {
        Outcome open = batch.refresh().outcome();
        say(open, "so");
        Outcome settled = batch.refresh().outcome();
        batch.job(new Deciding(settled, BY).undo(settled.job().settled().get(0).id()));
        assertThat(warning(batch.refresh().outcome())).isEqualTo(warning(open));
    }

    @Test
    void aFindingThatIsNotThereIsRefused() {
        Outcome open = batch.refresh().outcome();
        assertThatThrownBy(() -> new Deciding(open, BY).decide(Kinds.FINDING, List.of("f00000000"), "so"))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("no finding");
        assertThatThrownBy(() -> new Deciding(open, BY)
                        .decide(Kinds.FINDING, List.of(warning(open).id()), "no"))
                .isInstanceOf(CuveeException.class);
    }

    @Test
    void aFailureCannotBeSettled() {
        assertThat(SettledFinding.canSettle(
                        new Finding(Severity.FAILURE, "rows-lost", cuvee.place.Where.JOB, "Rows are lost.", "", "")))
                .isFalse();
    }
}
