package cuvee.tell;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.refresh.JobSession;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every decision about the shape of rows can be read as a sentence, switched off and on again, and named. */
class SentencesTest extends BatchTest {
    private Sentence only(Batch.Made made) {
        List<Sentence> sentences = Sentences.of(made.outcome());
        assertThat(sentences).hasSize(1);
        return sentences.get(0);
    }

    private Batch.Made answer(Sentence sentence, String answer) {
        return batch.settle(sentence.kind(), sentence.subject(), answer).refresh();
    }

    @Test
    void columnsTurnedIntoRows() {
        batch.csv("plan.csv", "Depot,Jan,Feb,Mar,Total", "Hollin,1,2,3,6", "Tarsk,4,,6,10");
        Batch.Made made = batch.refresh();
        Sentence sentence = only(made);
        assertThat(sentence.text()).isEqualTo("Turn the 3 columns “Jan” to “Mar” into rows:");
        assertThat(sentence.names()).containsExactly("Month", "Amount");
        assertThat(sentence.touched())
                .isEqualTo("2 rows became 5 in 1 table; 1 blank cell left out; left out as totals: “Total”");
        Batch.Made off = answer(sentence, sentence.answer(false));
        assertThat(off.columns()).containsExactly("Depot", "Jan", "Feb", "Mar", "Total");
        assertThat(only(off).on()).isFalse();
        Batch.Made named = answer(only(off), sentence.answer(List.of("Period", "Litres")));
        assertThat(named.columns()).containsExactly("Depot", "Period", "Litres");
        assertThat(only(named).yours()).isTrue();
    }

    @Test
    void columnsTurnedBySayingWhichStay() {
        batch.csv("a.csv", "Depot,Diesel,Oil", "Hollin,1,2", "Tarsk,4,5");
        batch.refresh();
        Batch.Made made = batch.settle(Kinds.ACROSS, "depot|diesel|oil", "turn all but Depot into Fuel | Price")
                .refresh();
        Sentence sentence = only(made);
        assertThat(sentence.text()).isEqualTo("Turn all but Depot into rows:");
        assertThat(sentence.names()).containsExactly("Fuel", "Price");
        assertThat(sentence.answer(List.of("Item", "Cost"))).isEqualTo("turn all but Depot into Item | Cost");
    }

    @Test
    void cellsCarriedDownAndLinesWrittenBesideTheirRows() {
        batch.csv(
                "a.csv",
                "Region,Vessel,Pax",
                "North,MV Dunlin,5",
                ",MV Petrel,6",
                ",MV A,7",
                "South,MV B,7",
                ",MV C,8");
        Sentence carried = only(batch.refresh());
        assertThat(carried.text()).isEqualTo("Carry “Region” down to the blank cells below each value.");
        assertThat(carried.touched()).isEqualTo("3 blank cells filled in 1 table");
        batch.csv(
                "a.csv", "Date,Vessel,Pax", "North:,,", "2026-01-01,MV Dunlin,5", "South:,,", "2026-01-03,MV Dunlin,7");
        Sentence line = Sentences.of(batch.refresh().outcome()).stream()
                .filter(sentence -> sentence.kind().equals(Kinds.SECTION_LINE))
                .findFirst()
                .orElseThrow();
        assertThat(line.names()).containsExactly("Section");
        assertThat(line.touched()).isEqualTo("2 lines over 2 rows in 1 table");
    }

    @Test
    void tagsAndFilesSentAgain() {
        batch.csv("Hollin.csv", "Date,Fare", "2026-01-01,5", "2026-01-02,6");
        batch.csv("Tarsk.csv", "Date,Fare", "2026-01-01,7", "2026-01-02,8");
        batch.csv("Tarsk v2.csv", "Date,Fare", "2026-01-01,7", "2026-01-02,9");
        List<Sentence> sentences = Sentences.of(batch.refresh().outcome());
        assertThat(sentences)
                .extracting(Sentence::paragraph)
                .containsExactly(Sentence.Paragraph.TAGS, Sentence.Paragraph.ROWS);
        assertThat(sentences.get(0).text())
                .isEqualTo("Tag each row with part 1 of the file's name, in a column named:");
        assertThat(sentences.get(1).text()).isEqualTo("Of Tarsk v2.csv and Tarsk.csv take Tarsk v2.csv only.");
        assertThat(sentences.get(1).touched()).contains("“Fare” 15").contains("“Fare” 16");
    }

    @Test
    void rowsAreShownBeforeAndAfter() {
        batch.csv("plan.csv", "Fuel plan", "", "Depot,Jan,Feb,Mar", "Hollin,1,2,3", "Tarsk,4,5,6");
        Sentence sentence = only(batch.refresh());
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            BeforeAndAfter found =
                    session.beforeAndAfter(outcome, sentence.tables().get(0), 2).orElseThrow();
            assertThat(found.before().get(0).cells()).containsExactly("Depot", "Jan", "Feb", "Mar");
            assertThat(found.columns()).containsExactly("Depot", "Month", "Amount");
            assertThat(found.after()).startsWith(List.of("Hollin", "Jan", "1"), List.of("Hollin", "Feb", "2"));
            assertThat(session.beforeAndAfter(outcome, 999, 2)).isEmpty();
        }
    }

    @Test
    void whatIsSettledInOneJobIsOfferedInAnother() {
        batch.csv("a.csv", "Date,Adults,Children,Port", "2026-01-01,1,2,Hollin", "2026-01-02,1,2,Hollin");
        batch.csv("b.csv", "Date,Port,Heads", "2026-01-03,Tarsk,3");
        batch.refresh();
        try (JobSession session = batch.open()) {
            session.remember(
                    batch.job().withName("Returns 2025"),
                    new cuvee.job.Decision(cuvee.lineup.LineUp.KIND, "heads", "Adults", "", ""));
        }
        assertThat(batch.refresh().question(cuvee.lineup.LineUp.KIND).answers())
                .anyMatch(answer -> answer.text().contains("as you settled in “Returns 2025”"));
    }
}
