package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A decision that empties columns takes them along; a file that is gone, or comes otherwise, leaves them for next month. */
class AbandonedTest extends BatchTest {
    @BeforeEach
    void sailings() {
        batch.csv("a.csv", "Port,Date,Fare", "Hollin,2026-01-03,10", "Tarsk,2026-01-04,20");
        batch.csv("b.csv", "Port,Date,Fare,Tide", "Hollin,2026-02-03,11,ebb", "Tarsk,2026-02-04,21,flood");
    }

    @Test
    void aSheetThatIsReadOtherwiseLeavesNoEmptyColumnsOfWhatItWasTakenFor() {
        batch.delete("b.csv");
        assertThat(batch.refresh().columns()).containsExactly("Port", "Date", "Fare");
        Batch.Made other = batch.settle("reading", "a.csv", "header 2").refresh();
        assertThat(other.columns()).hasSize(3).doesNotContain("Port", "Date", "Fare");
        Batch.Made back = batch.settle("reading", "a.csv", "header 1").refresh();
        assertThat(back.columns()).containsExactly("Port", "Date", "Fare");
        assertThat(back.lines()).containsExactly("Hollin|2026-01-03|10", "Tarsk|2026-01-04|20");
    }

    @Test
    void aFileThatIsLeftOutTakesItsOwnColumnsAlong() {
        assertThat(batch.refresh().columns()).contains("Tide");
        assertThat(batch.settle("file", "b.csv", "aside").refresh().columns()).doesNotContain("Tide");
        assertThat(batch.settle("file", "b.csv", "take").refresh().columns()).contains("Tide");
    }

    @Test
    void aColumnThatARuleOfTheAnalystGoesByStays() {
        batch.refresh();
        batch.settle("made", "High", "if(Tide = \"flood\", 1, 0)");
        batch.refresh();
        assertThat(batch.settle("file", "b.csv", "aside").refresh().columns()).contains("Tide");
    }

    @Test
    void aColumnWhoseFileComesOtherwiseStaysForTheNextMonth() {
        batch.refresh();
        batch.csv("b.csv", "Port,Date,Fare", "Hollin,2026-02-03,11", "Tarsk,2026-02-04,21");
        assertThat(batch.refresh().columns()).contains("Tide");
        assertThat(batch.refresh().columns()).as("and the month after").contains("Tide");
    }
}
