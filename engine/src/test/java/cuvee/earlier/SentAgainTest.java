package cuvee.earlier;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.finding.Question;
import cuvee.gather.Reread;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A file that was sent again never counts twice unasked. */
class SentAgainTest extends BatchTest {
    @BeforeEach
    void twoReturns() {
        batch.csv("Hollin 2026-01.csv", "Date,Vessel,Fare", "2026-01-01,MV Dunlin,5", "2026-01-02,MV Petrel,6")
                .changed("Hollin 2026-01.csv", "2026-02-01T10:00:00Z");
        batch.csv("Hollin 2026-02.csv", "Date,Vessel,Fare", "2026-02-01,MV Dunlin,5", "2026-02-02,MV Petrel,6")
                .changed("Hollin 2026-02.csv", "2026-03-01T10:00:00Z");
    }

    private void correct() {
        batch.csv(
                        "Hollin 2026-01 corrected.csv",
                        "Date,Vessel,Fare",
                        "2026-01-01,MV Dunlin,50",
                        "2026-01-02,MV Petrel,6")
                .changed("Hollin 2026-01 corrected.csv", "2026-02-09T10:00:00Z");
    }

    @Test
    void theNewestIsTakenAndBothSumsAreShown() {
        correct();
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .hasSize(4)
                .contains("2026-01-01|MV Dunlin|50")
                .doesNotContain("2026-01-01|MV Dunlin|5");
        Question question = made.question(Kinds.SENT_AGAIN);
        assertThat(question.text()).contains("“Fare” 56").contains("“Fare” 11");
        assertThat(question.assumed()).isEqualTo("Hollin 2026-01 corrected.csv");
        assertThat(made.outcome().sources())
                .filteredOn(source -> source.path().equals("Hollin 2026-01.csv"))
                .singleElement()
                .satisfies(source -> assertThat(source.reason()).contains("it was sent again"));
    }

    @Test
    void theAnalystCanTakeTheOtherOrBoth() {
        correct();
        Question question = batch.refresh().question(Kinds.SENT_AGAIN);
        Batch.Made older = batch.settle(question, "Hollin 2026-01.csv").refresh();
        assertThat(older.lines()).hasSize(4).contains("2026-01-01|MV Dunlin|5");
        assertThat(older.outcome().questions()).isEmpty();
        assertThat(batch.settle(question, SourceChoice.ALL).refresh().lines()).hasSize(6);
    }

    @Test
    void aCorrectionThatComesNextMonthIsNoticedThen() {
        assertThat(batch.refresh().lines()).hasSize(4);
        correct();
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(4).contains("2026-01-01|MV Dunlin|50");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void aSecondPartWithOtherRowsIsNotTheSameSentAgain() {
        batch.csv("Hollin 2026-01 v2.csv", "Date,Vessel,Fare", "2026-01-21,MV Dunlin,5", "2026-01-22,MV Petrel,6");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(6);
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void ofThreeVersionsTheNewestIsTakenAndWhenItGoesTheNextIs() {
        correct();
        batch.csv("Hollin 2026-01 v3.csv", "Date,Vessel,Fare", "2026-01-01,MV Dunlin,51", "2026-01-02,MV Petrel,6")
                .changed("Hollin 2026-01 v3.csv", "2026-02-20T10:00:00Z");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(4);
        assertThat(made.lines()).contains("2026-01-01|MV Dunlin|51").doesNotContain("2026-01-01|MV Dunlin|5");
        assertThat(made.question(Kinds.SENT_AGAIN).answers()).hasSize(5);
        batch.delete("Hollin 2026-01 v3.csv");
        Batch.Made fewer = batch.refresh();
        batch.settle(fewer.question("gone"), "remove");
        assertThat(batch.refresh().lines())
                .contains("2026-01-01|MV Dunlin|50")
                .doesNotContain("2026-01-01|MV Dunlin|5", "2026-01-01|MV Dunlin|51");
    }

    @Test
    void aFileThatSharesFewKeysIsAPartOfItsOwn() {
        batch.csv(
                        "Hollin 2026-01 v2.csv",
                        "Date,Vessel,Fare",
                        "2026-01-02,MV Petrel,6",
                        "2026-01-03,MV Petrel,7",
                        "2026-01-04,MV Petrel,8")
                .changed("Hollin 2026-01 v2.csv", "2026-02-09T10:00:00Z");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(7);
        assertThat(made.outcome().questions()).isEmpty();
    }
}
