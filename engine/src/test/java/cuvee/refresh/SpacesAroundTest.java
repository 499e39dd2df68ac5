package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.decision.Kinds;
import cuvee.master.MasterPlan;
import cuvee.tell.Sentence;
import cuvee.tell.Sentences;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Spaces before and behind texts come from exports and outlines, and nobody sees them. */
class SpacesAroundTest extends BatchTest {
    private void fares() {
        batch.csv("Hollin.csv", "Port,Vessel,Fare", "Hull ,Heron,5", "Leith ,Plover,6", "Hull ,Dunlin,7");
        batch.csv("Tarsk.csv", "Port,Vessel,Fare", "Hull,Heron,8", "\u00a0Leith\u00a0,Old  Plover,9");
    }

    private static List<Sentence> spellings(Batch.Made made) {
        return Sentences.of(made.outcome()).stream()
                .filter(sentence -> sentence.kind().equals(Kinds.SPELLING))
                .toList();
    }

    @Test
    void theyAreLeftOutAndASentenceSaysSo() {
        fares();
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly(
                        "Hull|Heron|5|Hollin",
                        "Leith|Plover|6|Hollin",
                        "Hull|Dunlin|7|Hollin",
                        "Hull|Heron|8|Tarsk",
                        "Leith|Old  Plover|9|Tarsk");
        assertThat(spellings(made)).singleElement().satisfies(sentence -> {
            assertThat(sentence.text()).isEqualTo("Write all texts of “Port” with no spaces before and behind.");
            assertThat(sentence.on()).isTrue();
            assertThat(sentence.yours()).isFalse();
        });
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void theAnalystCanHaveThemAsTheyAreWritten() {
        fares();
        batch.refresh();
        batch.job(Board.spelling(batch.job(), "Port", MasterPlan.Spelling.AS_WRITTEN));
        Batch.Made asWritten = batch.refresh();
        assertThat(asWritten.lines()).contains("Hull |Heron|5|Hollin");
        assertThat(spellings(asWritten)).singleElement().matches(sentence -> !sentence.on());
        batch.job(Board.spelling(batch.job(), "Port", MasterPlan.Spelling.CAPITALS));
        assertThat(batch.refresh().lines()).contains("HULL|Heron|5|Hollin");
    }

    @Test
    void textsWithoutThemAreLeftAlone() {
        batch.csv("Hollin.csv", "Port,Fare", "Hull,5", "Leith  Docks,6");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("Leith  Docks|6");
        assertThat(spellings(made)).isEmpty();
    }
}
