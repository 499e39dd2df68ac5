package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.tell.Card;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Percent points beside shares of one. */
class PercentPointsTest extends BatchTest {
    @Test
    void percentPointsBesideSharesAreBroughtTogether() {
        batch.csv("a.csv", "Boat,Rebate (%)", "Heron,12.5", "Plover,20", "Dunlin,7.5");
        batch.csv("b.csv", "Boat,Rebate", "Heron,0.11", "Plover,0.205");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Rebate (%)")).containsExactly("0.125", "0.2", "0.075", "0.11", "0.205");
        assertThat(made.findings("written-as").get(0).what()).contains("numbers up to 20 where the others hold shares");
        assertThat(made.findings("not-conserved")).isEmpty();
    }

    @Test
    void whatIsSettledOfSomeNumbersHoldsForThoseAlone() {
        batch.csv("a.csv", "Boat,Rebate,Crew", "Heron,12.5,4", "Plover,20,5", "Dunlin,7.5,4");
        batch.csv("a 2.csv", "Boat,Rebate,Crew", "Heron,11.5,3", "Plover,21,5");
        batch.csv("b.csv", "Boat,Rebate (%),Crew", "Heron,0.11,4", "Plover,0.205,6");
        batch.csv("c.csv", "Boat,Crew,Rebate", "Heron,4,15", "Plover,5,17.5");
        Batch.Made made = batch.refresh();
        List<String> values = made.column("Rebate");
        assertThat(values).contains("0.125", "0.115", "0.11", "0.15");
        List<Question> asked = made.outcome().questions().stream()
                .filter(question -> question.kind().equals(Kinds.WRITTEN_AS))
                .toList();
        assertThat(asked).hasSize(2);
        assertThat(Card.of(made.outcome())).as("one card").hasSize(1);
        asked.forEach(question -> batch.settle(question, question.assumed()));
        batch.csv("a 3.csv", "Boat,Rebate,Crew", "Heron,0.5,3", "Plover,0.75,5");
        Batch.Made after = batch.refresh();
        assertThat(after.column("Rebate")).containsAll(values).contains("0.005", "0.0075");
        assertThat(after.outcome().questions()).isEmpty();
    }

    @Test
    void aFewLargeChangesAmongSharesMakeNoPercentPoints() {
        batch.csv("a.csv", "Line,Change %", "Output,0.016", "Scrap,0.564", "Energy,0.239");
        batch.csv("b.csv", "Line,Change %", "Output,-0.272", "Scrap,0.31", "Energy,5.933");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Change %")).contains("-0.272", "0.31", "5.933");
        assertThat(made.outcome().questions()).isEmpty();
        batch.csv("c.csv", "Line,Change %", "Output,-0.7", "Scrap,1.2", "Energy,5.9");
        Batch.Made asked = batch.refresh();
        assertThat(asked.column("Change %")).contains("-0.272", "5.9");
        Question question = asked.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("c.csv holds numbers that are greater than the shares of the others");
        batch.settle(question, "percent points");
        assertThat(batch.refresh().column("Change %")).contains("5.933", "-0.007", "0.012", "0.059");
    }

    @Test
    void percentPointsThroughoutStayWhatTheyAre() {
        batch.csv("a.csv", "Boat,Rebate %", "Heron,12.5", "Plover,20");
        batch.csv("b.csv", "Boat,Rebate %", "Heron,11", "Plover,21.5");
        assertThat(batch.refresh().column("Rebate %")).containsExactly("12.5", "20", "11", "21.5");
    }

    @Test
    void numbersAHundredTimesThoseOfTheOthersAreAskedAboutThoughNoHeaderSpeaksOfPercents() {
        batch.csv("a.csv", "Boat,Rebate", "Heron,0.05", "Plover,0.1", "Dunlin,0.125", "Knot,0.2");
        batch.csv("b.csv", "Boat,Rebate", "Heron,0.1", "Plover,n/a", "Dunlin,0.05", "Knot,0.025");
        batch.csv("c.csv", "Boat,Rebate", "Heron,5", "Plover,12.5", "Dunlin,20", "Knot,10");
        Batch.Made made = batch.refresh();
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("“Rebate”", "c.csv");
        assertThat(made.column("Rebate")).contains("0.05", "0.125", "0.025").doesNotContain("12.5");
        batch.settle(question, "as written");
        Batch.Made after = batch.refresh();
        assertThat(after.column("Rebate")).contains("0.05", "12.5", "20");
        assertThat(after.outcome().questions()).isEmpty();
    }

    @Test
    void soAreThoseOfATableWithHardlyAny() {
        batch.csv("a.csv", "Boat,Rebate", "Heron,0.05", "Plover,0.1", "Dunlin,0.125", "Knot,0.2", "Smew,0");
        batch.csv("b.csv", "Boat,Rebate", "Heron,10", "Plover,12.5", "Dunlin,5", "Knot,2.5", "Smew,20");
        batch.csv("c.csv", "Boat,Rebate", "Heron,0", "Plover,0", "Dunlin,5", "Knot,0");
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.WRITTEN_AS).text()).contains("2 files hold numbers up to 20");
        assertThat(made.column("Rebate")).contains("0.05", "0.125").doesNotContain("5", "12.5");
    }

    @Test
    void smallAndLargeWeightsAreNoPercents() {
        batch.csv("a.csv", "Boat,Weight", "Heron,0.05", "Plover,0.91", "Dunlin,0.4", "Knot,0.02");
        batch.csv("b.csv", "Boat,Weight", "Heron,3.5", "Plover,1.2", "Dunlin,7.25", "Knot,2.1");
        assertThat(batch.refresh().outcome().questions()).isEmpty();
    }
}
