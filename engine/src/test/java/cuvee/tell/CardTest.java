package cuvee.tell;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.lineup.LineUp;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is in doubt about one column is asked at once. */
class CardTest extends BatchTest {
    /** Three layouts that call the column of passengers otherwise. */
    @BeforeEach
    void layouts() {
        for (int i = 0; i < 3; i++) {
            batch.csv("a" + i + ".csv", "Date,Port,Passengers,Berth", "2026-01-0" + (i + 1) + ",Hollin,1" + i + ",B1");
        }
        batch.csv("b.csv", "Date,Port,Souls,Berth", "2026-02-01,Hollin,12,B2", "2026-02-02,Tarsk,17,B1");
        batch.csv("c.csv", "Date,Port,Heads,Berth", "2026-03-01,Hollin,21,B2", "2026-03-02,Tarsk,11,B1");
    }

    private static Card card(Batch.Made made) {
        List<Card> cards = Card.of(made.outcome()).stream()
                .filter(card -> card.question().kind().equals(LineUp.KIND))
                .toList();
        assertThat(cards).hasSize(1);
        return cards.get(0);
    }

    private Batch.Made settle(Batch.Made made, Card card, String answer) {
        for (Decision decision : card.settled(answer, "")) {
            batch.settle(decision.kind(), decision.subject(), decision.answer());
        }
        return batch.refresh();
    }

    @Test
    void allHeadersThatWereTakenForOneColumnAreOneCard() {
        Batch.Made made = batch.refresh();
        Card card = card(made);
        assertThat(card.parts()).hasSize(2);
        assertThat(card.question().stake()).isEqualTo(4);
        assertThat(card.question().text())
                .contains("“Souls” (b.csv)")
                .contains("“Heads” (c.csv)")
                .contains("taken for the column “Passengers”");
        assertThat(settle(made, card, "Passengers").lines()).isEqualTo(made.lines());
        assertThat(batch.refresh().outcome().questions()).isEmpty();
    }

    @Test
    void theyCanBeColumnsOfTheirOwn() {
        Batch.Made made = batch.refresh();
        Batch.Made apart = settle(made, card(made), Card.APART);
        assertThat(apart.columns()).contains("Passengers", "Souls", "Heads");
    }

    @Test
    void eachCanBeSettledByItself() {
        Batch.Made made = batch.refresh();
        Question souls = card(made).parts().stream()
                .filter(part -> part.subject().equals("souls"))
                .findFirst()
                .orElseThrow();
        batch.settle(souls, "Souls");
        Batch.Made after = batch.refresh();
        assertThat(after.columns()).contains("Passengers", "Souls").doesNotContain("Heads");
        assertThat(Card.of(after.outcome()))
                .singleElement()
                .satisfies(card -> assertThat(card.parts()).hasSize(1));
    }
}
