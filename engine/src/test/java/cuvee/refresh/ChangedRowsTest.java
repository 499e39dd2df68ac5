package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;
import static org.assertj.core.api.Assertions.tuple;

import cuvee.check.SourceChange;
import cuvee.check.SourceChange.Kind;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.master.EarlierRows;
import cuvee.rework.RowRules;
import cuvee.tell.Changed;
import cuvee.tell.Outcome;
import java.util.List;
import org.junit.jupiter.api.Test;

/** After each refresh it is said what became of every source: its rows, its sums, and its cells where a key tells rows apart. */
class ChangedRowsTest extends BatchTest {
    private void two() {
        batch.csv("a.csv", "Trip,Port,Fare,Sailed", "K1,Hollin,5.5,2026-01-01", "K2,Tarsk,7,2026-01-02");
        batch.csv("b.csv", "Trip,Port,Fare,Sailed", "K3,Marsay,9.25,2026-02-01", "K4,Hollin,1,2026-02-02");
    }

    private Changed afterwards(Runnable change) {
        two();
        conclude();
        change.run();
        return conclude().changed();
    }

    private Outcome conclude() {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            session.conclude(outcome);
            batch.job(outcome.job());
            return outcome;
        }
    }

    private static SourceChange only(Changed changed) {
        assertThat(changed.sources()).hasSize(1);
        return changed.sources().get(0);
    }

    @Test
    void aCellThatIsAnotherIsNamedWithWhatItWas() {
        SourceChange changed = only(afterwards(
                () -> batch.csv("a.csv", "Trip,Port,Fare,Sailed", "K1,Hollin,55,2026-01-01", "K2,Tarsk,7,2026-01-02")));
        assertThat(changed.kind()).isEqualTo(Kind.CHANGED);
        assertThat(changed.rowsBefore()).isEqualTo(changed.rowsNow()).isEqualTo(2);
        assertThat(changed.sums()).singleElement().satisfies(sum -> {
            assertThat(sum.column()).isEqualTo("Fare");
            assertThat(sum.by()).isEqualByComparingTo("49.5");
        });
        EarlierRows.Difference rows = changed.rows().orElseThrow();
        assertThat(rows.key()).isEqualTo("Trip");
        assertThat(rows.changed()).isEqualTo(1);
        assertThat(rows.cells()).containsExactly(new EarlierRows.Cell("K1", "Fare", "5.5", "55"));
    }

    @Test
    void rowsThatCameAndWentAreCounted() {
        EarlierRows.Difference rows = only(afterwards(() -> batch.csv(
                        "a.csv",
                        "Trip,Port,Fare,Sailed",
                        "K2,Tarsk,7,2026-01-02",
                        "K8,Tarsk,8,2026-01-03",
                        "K9,Tarsk,9,2026-01-04")))
                .rows()
                .orElseThrow();
        assertThat(List.of(rows.added(), rows.removed(), rows.changed())).containsExactly(2L, 1L, 0L);
    }

    @Test
    void withoutAKeyRowsAreComparedAsAWhole() {
        batch.csv("a.csv", "Port,Fare", "Hollin,5", "Hollin,5", "Tarsk,7");
        conclude();
        batch.csv("a.csv", "Port,Fare", "Hollin,5", "Tarsk,8", "Tarsk,7");
        EarlierRows.Difference rows = only(conclude().changed()).rows().orElseThrow();
        assertThat(rows.key()).isEmpty();
        assertThat(List.of(rows.added(), rows.removed())).containsExactly(1L, 1L);
    }

    @Test
    void aFileUnderAnotherNameIsRenamedAndNothingMoved() {
        Changed changed = afterwards(() -> batch.rename("a.csv", "a new.csv"));
        assertThat(only(changed).kind()).isEqualTo(Kind.RENAMED);
        assertThat(only(changed).was()).isEqualTo("a.csv");
        assertThat(only(changed).sums()).isEmpty();
        assertThat(changed.files().renamed()).containsExactly(entry("a new.csv", "a.csv"));
        assertThat(changed.files().added()).isEmpty();
        assertThat(changed.files().gone()).isEmpty();
        assertThat(changed.sentence()).isEqualTo("Since the last refresh: 1 file renamed, as many rows as before.");
    }

    @Test
    void aFileThatIsGoneIsSaidWithTheRowsThatAreKeptOfIt() {
        Changed changed = afterwards(() -> batch.delete("a.csv"));
        assertThat(changed.files().gone()).containsExactly("a.csv");
        assertThat(only(changed).said()).isEqualTo("gone, its 2 rows kept");
        assertThat(changed.sentence()).isEqualTo("Since the last refresh: 1 file gone, as many rows as before.");
        assertThat(conclude().changed().nothing()).as("said once").isTrue();
    }

    @Test
    void aFileThatCanNoLongerBeReadIsSaidWithTheRowsThatAreKeptOfIt() {
        batch.sheet(
                "c.xlsx", new Object[] {"Trip", "Port", "Fare", "Sailed"}, new Object[] {"K9", "Tarsk", 4, "2026-03-01"
                });
        Changed changed = afterwards(() -> batch.tear("c.xlsx"));
        assertThat(changed.files().unreadable()).containsExactly("c.xlsx");
        assertThat(changed.files().changed()).isEmpty();
        assertThat(only(changed).said()).isEqualTo("unreadable, its 1 row kept");
        assertThat(changed.sentence()).isEqualTo("Since the last refresh: 1 file unreadable, as many rows as before.");
        assertThat(conclude().changed().nothing()).as("said once").isTrue();
    }

    @Test
    void aNewFileAndADecisionAreToldApart() {
        Changed changed = afterwards(() -> {
            batch.csv("c.csv", "Trip,Port,Fare,Sailed", "K5,Marsay,3,2026-03-01", "K6,Tarsk,2,2026-03-02");
            batch.job(RowRules.byPhrase(batch.job(), "Port is Marsay", false));
        });
        assertThat(changed.sources())
                .extracting(SourceChange::path, SourceChange::kind, SourceChange::rowsNow)
                .containsExactly(tuple("b.csv", Kind.DECIDED, 1L), tuple("c.csv", Kind.NEW, 1L));
    }

    @Test
    void whereNothingChangedNothingIsSaid() {
        Changed changed = afterwards(() -> {});
        assertThat(changed.sources()).isEmpty();
        assertThat(changed.nothing()).isTrue();
    }

    @Test
    void readingAllAnewComparesOnlyWhatHoldsSomethingElse() {
        two();
        conclude();
        try (JobSession session = batch.open()) {
            assertThat(session.refresh(batch.job(), Reread.EVERYTHING, Progress.NONE)
                            .changed()
                            .nothing())
                    .isTrue();
        }
    }

    @Test
    void lookingInBetweenTakesNothingAwayFromWhatTheNextRefreshSays() {
        two();
        conclude();
        batch.csv("a.csv", "Trip,Port,Fare,Sailed", "K1,Hollin,55,2026-01-01", "K2,Tarsk,7,2026-01-02");
        try (JobSession session = batch.open()) {
            session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
        }
        assertThat(only(conclude().changed()).said())
                .isEqualTo("changed, Fare +49.5; 1 row changed (K1: Fare 5.5, now 55)");
        assertThat(conclude().changed().nothing()).isTrue();
    }

    @Test
    void severalColumnsTogetherCanTellRowsApart() {
        batch.csv("a.csv", "Day,Port,Fare", "2026-01-01,Hollin,5", "2026-01-01,Tarsk,5", "2026-01-02,Hollin,5");
        conclude();
        batch.csv("a.csv", "Day,Port,Fare", "2026-01-01,Hollin,5", "2026-01-01,Tarsk,50", "2026-01-02,Hollin,5");
        EarlierRows.Difference rows = only(conclude().changed()).rows().orElseThrow();
        assertThat(rows.key()).isEqualTo("Day, Port");
        assertThat(rows.cells()).containsExactly(new EarlierRows.Cell("2026-01-01 · Tarsk", "Fare", "5", "50"));
    }

    @Test
    void withoutAKeyARowThatIsAlikeButForOneValueHasChanged() {
        String head = "Day,Port,Vessel,Fare,Note";
        String twin = "2026-01-01,Hollin,Heron,5,";
        batch.csv("a.csv", head, twin, twin, "2026-01-01,Tarsk,Heron,5,", "2026-01-01,Tarsk,Heron,7,");
        conclude();
        batch.csv("a.csv", head, twin, twin, "2026-01-01,Tarsk,Heron,50,", "2026-01-01,Tarsk,Heron,7,");
        EarlierRows.Difference rows = only(conclude().changed()).rows().orElseThrow();
        assertThat(rows.key()).isEmpty();
        assertThat(List.of(rows.added(), rows.removed(), rows.changed())).containsExactly(0L, 0L, 1L);
        assertThat(rows.cells()).containsExactly(new EarlierRows.Cell("2026-01-01 · Tarsk · Heron", "Fare", "5", "50"));
    }
}
