package cuvee.tell;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.lineup.LineUp;
import cuvee.refresh.BatchTest;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is at stake in a question: rows, and amounts where another answer would move them. */
class StakesTest extends BatchTest {
    @BeforeEach
    void returns() {
        batch.csv(
                "a.csv",
                "Date,Port,Crew,Lost,Fares",
                "2026-01-01,Hollin,4,no,€ 5.50",
                "2026-01-02,Hollin,5,yes,€ 6.50");
        batch.csv(
                "b.csv", "Date,Port,Crew,Sunk,Fares", "2026-02-01,Tarsk,7,yes,€ 9.50", "2026-02-02,Tarsk,8,no,€ 4.50");
    }

    private static Stakes.Stake stake(Outcome outcome) {
        Question question = outcome.questions().stream()
                .filter(each ->
                        each.kind().equals(LineUp.KIND) && each.subject().equals("sunk"))
                .findFirst()
                .orElseThrow();
        return Stakes.of(outcome).of(question);
    }

    @Test
    void aColumnThatNothingGoesByMovesNoAmount() {
        Outcome outcome = batch.refresh().outcome();
        assertThat(Stakes.of(outcome).column()).isEqualTo("Fares");
        assertThat(stake(outcome).amountSaid()).isEqualTo("no amount");
        assertThat(stake(outcome).said()).isEqualTo("2 rows");
    }

    @Test
    void amountsThatAddOthersUpWeighMoreThanTheirParts() {
        batch.csv(
                "a.csv",
                "Job,Rate per hour,Labour,Parts,Total",
                "Hull,€ 34.00,€ 68.00,€ 5.50,€ 73.50",
                "Deck,€ 34.00,€ 34.00,€ 6.50,€ 40.50");
        batch.csv(
                "b.csv",
                "Job,Rate per hour,Labour,Parts,Total",
                "Keel,€ 34.00,€ 102.00,€ 9.50,€ 111.50",
                "Mast,€ 34.00,€ 17.00,€ 4.50,€ 21.50");
        assertThat(Stakes.of(batch.refresh().outcome()).column()).isEqualTo("Total");
        batch.csv(
                "a.csv",
                "Job,Rate per hour,Labour,Parts",
                "Hull,€ 34.00,€ 68.00,€ 5.50",
                "Deck,€ 34.00,€ 34.00,€ 6.50");
        batch.csv(
                "b.csv",
                "Job,Rate per hour,Labour,Parts",
                "Keel,€ 34.00,€ 102.00,€ 9.50",
                "Mast,€ 34.00,€ 17.00,€ 4.50");
        assertThat(Stakes.of(batch.refresh().outcome()).column()).isEqualTo("Labour");
    }

    @Test
    void aColumnThatASummaryGoesByIsWorthWhatItWouldLose() {
        batch.settle(Kinds.SUMMARY, "For the board", "total Fares: a line for each Lost");
        assertThat(stake(batch.refresh().outcome()).said()).isEqualTo("2 rows with 14.00 EUR");
    }

    @Test
    void soIsAColumnThatARuleGoesBy() {
        batch.settle(Kinds.ROWS, "Lost is no", "keep");
        assertThat(stake(batch.refresh().outcome()).said()).endsWith("4.50 EUR");
    }

    @Test
    void theAnalystSaysByWhichColumnItIsWeighed() {
        batch.settle(Kinds.WEIGHED_BY, ColumnChoice.WeighedBy.SUBJECT, "Crew");
        batch.settle(Kinds.SUMMARY, "For the board", "total Fares: a line for each Lost");
        Outcome outcome = batch.refresh().outcome();
        assertThat(Stakes.of(outcome).column()).isEqualTo("Crew");
        assertThat(stake(outcome).amountSaid()).isEqualTo("15 Crew");
        batch.settle(Kinds.WEIGHED_BY, ColumnChoice.WeighedBy.SUBJECT, "Port");
        assertThat(Stakes.of(batch.refresh().outcome()).column())
                .as("a column of words weighs nothing")
                .isEqualTo("Fares");
    }

    @Test
    void theHeaviestIsAskedFirst() {
        batch.csv(
                "c.csv",
                "Date,Port,Crew,Lost,Takings",
                "2026-03-01,Oska,4,no,€ 15.50",
                "2026-03-02,Oska,5,yes,€ 26.50");
        Outcome outcome = batch.refresh().outcome();
        Stakes stakes = Stakes.of(outcome);
        List<Stakes.Stake> inOrder =
                Card.of(outcome).stream().map(card -> stakes.of(card.parts())).toList();
        assertThat(inOrder).extracting(Stakes.Stake::amountSaid).containsExactly("42.00 EUR", "no amount");
    }
}
