package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.finding.Question;
import cuvee.gather.Reread;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A file with the corrected rows only takes the place of those rows, and of no others. */
class AmendedTest extends BatchTest {
    @BeforeEach
    void orders() {
        batch.csv(
                        "Orders 2026-03.csv",
                        "Order,Shipped,Port,Fare",
                        "A-101,2026-03-01,Hollin,10",
                        "A-102,2026-03-02,Hollin,20",
                        "A-103,2026-03-03,Tarsk,30",
                        "A-104,2026-03-04,Tarsk,40",
                        "A-105,2026-03-05,Fenn,50")
                .changed("Orders 2026-03.csv", "2026-04-01T10:00:00Z");
        batch.csv(
                        "Orders 2026-03 corrected.csv",
                        "Order,Shipped,Port,Fare",
                        "A-102,2026-03-02,Hollin,25",
                        "A-104,2026-03-06,Tarsk,45",
                        "A-106,2026-03-09,Fenn,60")
                .changed("Orders 2026-03 corrected.csv", "2026-04-05T10:00:00Z");
    }

    @Test
    void aFileWithCorrectedRowsOnlyAmendsThoseAndTheOthersStay() {
        Batch.Made made = batch.refresh();
        assertThat(made.lines().stream().filter(line -> line.contains("A-10")))
                .as("each order once, as it was sent last")
                .extracting(line -> line.substring(line.indexOf("A-10"), line.indexOf("A-10") + 5))
                .containsExactlyInAnyOrder("A-101", "A-102", "A-103", "A-104", "A-105", "A-106");
        assertThat(made.lines()).anyMatch(line -> line.contains("A-102") && line.contains("25"));
        assertThat(made.lines()).anyMatch(line -> line.contains("A-104") && line.contains("2026-03-06"));
        Question question = made.question(Kinds.SENT_AGAIN);
        assertThat(question.text())
                .contains("the newest seems to amend some rows of the others")
                .contains("Orders 2026-03.csv with 5 rows, “Fare” 150")
                .contains("Orders 2026-03 corrected.csv with 3 rows, “Fare” 130");
        assertThat(question.assumedText()).contains("of those with the same Order those of the newest file");
        assertThat(made.outcome().rowsRuledOut()).isEqualTo(2);
        assertThat(made.findings("not-conserved")).isEmpty();
        Batch.Made settled = batch.settle(question, question.assumed()).refresh();
        assertThat(settled.lines()).isEqualTo(made.lines());
        assertThat(settled.outcome().questions()).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void theAnalystSaysThatItReplacesOrIsAddedInstead() {
        Question question = batch.refresh().question(Kinds.SENT_AGAIN);
        assertThat(batch.settle(question, "Orders 2026-03 corrected.csv").refresh().lines().stream()
                        .filter(line -> line.contains("A-10")))
                .hasSize(3);
        assertThat(batch.settle(question, SourceChoice.ALL).refresh().lines().stream()
                        .filter(line -> line.contains("A-10")))
                .hasSize(8);
        Batch.Made byWords = batch.settle(question, "amend").refresh();
        assertThat(byWords.lines().stream().filter(line -> line.contains("A-104")))
                .as("another day is another key")
                .hasSize(2);
    }

    @Test
    void theCorrectionThatComesNextMonthAmendsThen() {
        Batch.Made both = batch.refresh();
        batch.delete("Orders 2026-03 corrected.csv");
        batch.settle(batch.refresh().question("gone"), "remove");
        assertThat(batch.refresh().lines()).anyMatch(line -> line.contains("A-102") && line.contains("20"));
        orders();
        assertThat(batch.refresh().lines()).containsExactlyInAnyOrderElementsOf(both.lines());
    }

    @Test
    void rulesOfTheAnalystSeeWhatWasAmendedOnly() {
        batch.settle("rows", "Fare over 40", "keep");
        assertThat(batch.refresh().lines().stream().filter(line -> line.contains("A-10")))
                .extracting(line -> line.substring(line.indexOf("A-10"), line.indexOf("A-10") + 5))
                .containsExactlyInAnyOrder("A-104", "A-105", "A-106");
    }

    @Test
    void countsThatDifferByChanceTellNoRowsApart() {
        batch.delete("Orders 2026-03.csv");
        batch.delete("Orders 2026-03 corrected.csv");
        batch.csv("r1.csv", "Vessel,Pax,Crew", "MV Dunlin,41,2", "MV Petrel,52,3", "MV Tern,63,4");
        batch.csv("r2.csv", "Vessel,Pax,Crew", "MV Grayling,47,3", "MV Knot,58,2", "MV Dunlin,69,4");
        assertThat(batch.refresh().lines()).hasSize(6);
    }

    @Test
    void numbersOfOrdersTellRowsApartAsWordsDo() {
        batch.delete("Orders 2026-03.csv");
        batch.delete("Orders 2026-03 corrected.csv");
        batch.csv("r1.csv", "Order,Pax", "2001,4", "2002,5", "2003,6", "2004,7", "2005,8");
        batch.csv("r2.csv", "Order,Pax", "2002,5", "2004,9", "2005,8", "2006,1")
                .changed("r2.csv", "2030-04-05T10:00:00Z");
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.SENT_AGAIN).assumedText()).contains("with the same Order");
        assertThat(made.lines().stream().filter(line -> line.contains("2004|"))).containsExactly("2004|9");
    }
}
