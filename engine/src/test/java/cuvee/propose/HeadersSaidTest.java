package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.change.Deciding;
import cuvee.decision.Kinds;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.tell.Sentence;
import cuvee.tell.Sentences;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One header can mean two things: in some files two have changed places, or a sender calls another thing by it. */
class HeadersSaidTest extends BatchTest {
    private void months() {
        batch.csv("Hollin Jan.csv", "Order,Qty,Price", "A1,4,5.10", "A2,6,2.45", "A3,9,3.20", "A4,8,1.15", "A5,7,3.35");
        batch.csv("Tarsk Jan.csv", "Order,Qty,Price", "B1,3,7.10", "B2,5,8.45", "B3,2,9.20", "B4,1,4.15", "B5,6,6.35");
        batch.csv("Hollin Feb.csv", "Order,Qty,Price", "C1,2,5.30", "C2,1,2.55", "C3,5,3.30", "C4,4,1.25", "C5,3,3.45");
        batch.csv("Tarsk Feb.csv", "Order,Price,Qty", "D1,3,7.20", "D2,5,8.55", "D3,2,9.30", "D4,1,4.25", "D5,6,6.45");
    }

    private static List<Sentence> headers(Batch.Made made) {
        return Sentences.of(made.outcome()).stream()
                .filter(sentence -> sentence.kind().equals(Kinds.HEADER))
                .toList();
    }

    @Test
    void twoThatHaveChangedPlacesInAFileAreExchangedThereOnly() {
        months();
        Batch.Made before = batch.refresh();
        assertThat(before.findings("swapped")).hasSize(1);
        assertThat(before.lines()).contains("D1|7.2|3|Tarsk|Feb", "A1|4|5.1|Hollin|Jan");
        batch.job(Board.exchangeHeaders(batch.job(), "Tarsk Feb.csv", "qty", "Qty", "price", "Price"));
        Batch.Made exchanged = batch.refresh();
        assertThat(exchanged.lines())
                .contains("D1|3|7.2|Tarsk|Feb", "A1|4|5.1|Hollin|Jan")
                .hasSize(20);
        assertThat(exchanged.findings("swapped")).isEmpty();
        assertThat(exchanged.findings("not-conserved")).isEmpty();
        assertThat(headers(exchanged))
                .extracting(Sentence::text)
                .containsExactlyInAnyOrder(
                        "Read the header “Qty” as “Price” in Tarsk Feb.csv.",
                        "Read the header “Price” as “Qty” in Tarsk Feb.csv.");
        assertThat(headers(exchanged)).extracting(Sentence::touched).containsOnly("1 table");
        batch.csv("Tarsk Mar.csv", "Order,Price,Qty", "E1,7.25,3", "E2,8.5,5");
        assertThat(batch.refresh().lines()).contains("E1|3|7.25|Tarsk|Mar", "D1|3|7.2|Tarsk|Feb");
        batch.job(Board.exchangeHeaders(batch.job(), "Tarsk Feb.csv", "qty", "Qty", "price", "Price"));
        assertThat(batch.job().settled()).noneMatch(decision -> decision.kind().equals(Kinds.HEADER));
    }

    @Test
    void aWordThatMeansAnotherThingInOneLayoutFeedsAnotherColumnThere() {
        batch.csv("Hollin.csv", "Order,Net,Amount", "A1,10,12", "A2,20,24");
        batch.csv("Tarsk Jan.csv", "Order,Port,Amount", "B1,Oska,30", "B2,Pell,40");
        batch.csv("Tarsk Feb.csv", "Order,Port,Amount", "B3,Oska,50", "B4,Pell,60");
        Batch.Made before = batch.refresh();
        assertThat(before.columns()).contains("Net", "Amount");
        String tarsk = before.outcome().proposal().layouts().stream()
                .filter(layout -> layout.keys().contains("port"))
                .findFirst()
                .orElseThrow()
                .signature();
        batch.job(new Deciding(before.outcome(), "me")
                .decide(Kinds.HEADER, List.of("Amount", Deciding.layoutId(tarsk)), "Net"));
        Batch.Made after = batch.refresh();
        int net = after.columns().indexOf("Net");
        assertThat(after.lines()).extracting(line -> line.split("\\|", -1)[net]).contains("10", "20", "30", "60");
        batch.csv("Tarsk Mar.csv", "Order,Port,Amount", "B5,Oska,70");
        assertThat(batch.refresh().lines())
                .extracting(line -> line.split("\\|", -1)[net])
                .contains("70");
        assertThat(headers(after)).singleElement().satisfies(sentence -> {
            assertThat(sentence.text())
                    .isEqualTo("Read the header “Amount” as “Net” in Tarsk Jan.csv and all others of its layout.");
            assertThat(sentence.touched()).isEqualTo("2 tables");
            batch.settle(Kinds.HEADER, sentence.subject(), sentence.off());
        });
        assertThat(batch.refresh().lines())
                .extracting(line -> line.split("\\|", -1)[net])
                .doesNotContain("30");
    }

    @Test
    void aHeaderThatItsTableHasAlreadyLeavesItAsItIs() {
        months();
        batch.job(Board.readHeader(batch.job(), "Tarsk Feb.csv", "qty", "Price"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("D1|7.2|3|Tarsk|Feb");
        assertThat(headers(made))
                .singleElement()
                .extracting(Sentence::touched)
                .isEqualTo("Without effect: another column is called so");
    }
}
