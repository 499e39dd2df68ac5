package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.check.SourceChange;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What has been done with a job stays known, and any two refreshes can be compared. */
class JobHistoryTest extends BatchTest {
    private List<JobHistory.Entry> entries() {
        try (JobSession session = batch.open()) {
            return session.history().entries();
        }
    }

    @Test
    void refreshesThatChangedSomethingAndDeliveriesAreKeptInTheirOrder() {
        batch.csv("a.csv", "Port,Fare", "Hollin,1", "Tarsk,2");
        batch.refresh();
        batch.refresh();
        Path out = batch.file("../out.csv").normalize();
        try (JobSession session = batch.open()) {
            session.deliver(session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE), out);
        }
        batch.csv("b.csv", "Port,Fare", "Marsay,3");
        batch.refresh();
        assertThat(entries())
                .extracting(entry -> entry.number() + " " + entry.what().word() + " " + entry.rows())
                .containsExactly("1 refreshed 2", "2 written 2", "3 refreshed 3");
        assertThat(entries().get(1).about()).isEqualTo(out.toString());
        assertThat(entries().get(2).said()).contains("1 file new, 1 row more");
    }

    @Test
    void anyTwoRefreshesAreComparedSourceBySource() {
        batch.csv("a.csv", "Port,Fare", "Hollin,1", "Tarsk,2");
        batch.csv("c.csv", "Port,Fare", "Eastray,9");
        batch.refresh();
        batch.csv("a.csv", "Port,Fare", "Hollin,1", "Tarsk,20");
        batch.refresh();
        batch.csv("a.csv", "Port,Fare", "Hollin,1", "Tarsk,21", "Hollin,4");
        batch.csv("b.csv", "Port,Fare", "Marsay,3");
        batch.delete("c.csv");
        batch.refresh();
        try (JobSession session = batch.open()) {
            List<SourceChange> all = session.history().between(1, 3).orElseThrow();
            assertThat(all)
                    .extracting(change -> change.path() + " " + change.kind().words())
                    .contains("a.csv changed", "b.csv new");
            SourceChange first = all.stream()
                    .filter(change -> change.path().equals("a.csv"))
                    .findFirst()
                    .orElseThrow();
            assertThat(first.rowsNow() - first.rowsBefore()).isEqualTo(1);
            assertThat(first.sums().get(0).by()).isEqualByComparingTo("23");
            assertThat(session.history().between(2, 3).orElseThrow()).isNotEmpty();
            assertThat(session.history().between(1, 7)).isEmpty();
        }
    }
}
