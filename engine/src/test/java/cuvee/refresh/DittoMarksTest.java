package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.master.MasterLine;
import cuvee.master.MasterReader;
import cuvee.tell.Outcome;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A mark for "as above" stands for the value above it, and a blank cell beside such marks is blank. */
class DittoMarksTest extends BatchTest {
    private void deliveries(String mark) {
        batch.sheet(
                "a.xlsx",
                row("Supplier", "Sent", "Crates", "Remark"),
                row("Skua Stores", "2026-03-01", 4, "late"),
                row(mark, mark, 7, null),
                row(mark, "2026-03-02", 1, mark),
                row("Petrel", "2026-03-05", 9, "torn"),
                row(mark, mark, 3, mark));
    }

    @ParameterizedTest
    @ValueSource(strings = {"\"", "do.", "Ditto", "\u3003", "- \" -"})
    void theValueAboveIsRepeated(String mark) {
        deliveries(mark);
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly(
                        "Skua Stores|2026-03-01|4|late",
                        "Skua Stores|2026-03-01|7|",
                        "Skua Stores|2026-03-02|1|",
                        "Petrel|2026-03-05|9|torn",
                        "Petrel|2026-03-05|3|torn");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.outcome().findings()).isEmpty();
    }

    @Test
    void itIsASentenceThatCanBeTakenBack() {
        deliveries("\"");
        Batch.Made made = batch.refresh();
        String subject = made.outcome().proposal().layouts().get(0).signature() + " > supplier";
        assertThat(made.outcome().sentences())
                .filteredOn(sentence -> sentence.subject().equals(subject))
                .singleElement()
                .satisfies(sentence -> {
                    assertThat(sentence.text()).isEqualTo("Carry “Supplier” down to the ditto marks below each value.");
                    assertThat(sentence.touched()).isEqualTo("3 ditto marks filled in 1 table");
                });
        assertThat(batch.settle(Kinds.CARRY_DOWN, subject, TableChoice.LEAVE)
                        .refresh()
                        .lines())
                .anyMatch(line -> line.startsWith("\"|"));
        // Said again, it fills the marks and no blank cell.
        assertThat(batch.settle(Kinds.CARRY_DOWN, subject, TableChoice.CARRY)
                        .refresh()
                        .lines())
                .isEqualTo(made.lines());
    }

    @Test
    void theTrailLeadsToTheValueThatIsRepeated() {
        deliveries("\"");
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                MasterLine third = reader.page(2, 1).get(0);
                assertThat(session.trail(outcome, third, 0).where().toString()).contains("A2");
                assertThat(session.trail(outcome, third, 3).where().toString()).contains("D3");
            }
        }
    }

    @Test
    void otherTablesOfTheLayoutKeepTheirBlankCells() {
        deliveries("\"");
        batch.sheet(
                "b.xlsx",
                row("Supplier", "Sent", "Crates", "Remark"),
                row("Skua Stores", "2026-04-01", 4, "late"),
                row(null, "2026-04-02", 7, "dry"),
                row("Dunlin", "2026-04-03", 1, "dry"),
                row("Knot", "2026-04-05", 9, "torn"));
        assertThat(batch.refresh().lines()).hasSize(9).contains("|2026-04-02|7|dry");
    }

    @Test
    void anotherSenderOfTheLayoutMayLeaveBlankWhatStandsForTheValueAbove() {
        deliveries("do.");
        batch.sheet(
                "b.xlsx",
                row("Supplier", "Sent", "Crates", "Remark"),
                row("Skua Stores", "2026-04-01", 4, "late"),
                row(null, "2026-04-02", 7, "dry"),
                row(null, "2026-04-03", 1, "dry"),
                row("Petrel", "2026-04-05", 9, "torn"),
                row(null, "2026-04-06", 2, "dry"),
                row(null, "2026-04-07", 3, "dry"));
        assertThat(batch.refresh().lines())
                .hasSize(11)
                .contains("Petrel|2026-03-05|3|torn", "Skua Stores|2026-03-01|7|", "Petrel|2026-04-07|3|dry");
    }
}
