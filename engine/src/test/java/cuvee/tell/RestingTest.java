package cuvee.tell;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;

/** How much of a master rests on answers that nobody has confirmed. */
class RestingTest extends BatchTest {
    @Test
    void rowsAndAmountsOfTheTablesThatAQuestionIsAboutRestOnItsAnswer() {
        batch.csv(
                "plan 2024.csv",
                "Route,Vessel,Fares",
                "Inner Sound,MV Dunnock,€ 5.50",
                "Lighthouse Loop,MV Dunnock,€ 6.50",
                "Marsh Ferry,MV Petrel,€ 9.50",
                ",MV Siskin,€ 4.50",
                "North Reach,MV Ouzel,€ 3.50",
                "Outer Isles,MV Dunnock,€ 2.50");
        batch.csv(
                "plan 2025.csv",
                "Vessel,Route,Fares",
                "MV Dunnock,Inner Sound,€ 7.50",
                "MV Ouzel,Inner Sound,€ 7.25",
                "MV Dunnock,North Reach,€ 8.50",
                "MV Petrel,Marsh Ferry,€ 1.50");
        Outcome open = batch.refresh().outcome();
        assertThat(open.questions())
                .singleElement()
                .satisfies(each -> assertThat(each.kind()).isEqualTo(Kinds.CARRY_DOWN));
        assertThat(Resting.of(open).said())
                .isEqualTo("6 of 10 rows (60 %) and 32.00 of 56.75 Fares rest on answers that nobody has confirmed.");
        for (Question question : open.questions()) {
            batch.settle(question, question.assumed());
        }
        Resting none = Resting.of(batch.refresh().outcome());
        assertThat(none.isNothing()).isTrue();
        assertThat(none.said()).isEmpty();
    }

    @Test
    void whatIsLeftOutByAnAssumptionIsCountedBesides() {
        batch.csv("a.csv", "Date,Port,Pax", "2026-01-01,Hollin,5", "2026-01-02,Hollin,6", "2026-01-03,Hollin,9");
        batch.csv("b.csv", "Date,Port,Pax", "2026-01-01,Tarsk,5", "2026-01-02,Tarsk,6", "2026-01-03,Tarsk,7");
        batch.csv("rota.csv", "Name,Shift,Phone", "Ada,early,017", "Bo,late,018", "Cai,early,019");
        Outcome outcome = batch.refresh().outcome();
        assertThat(Resting.of(outcome).rows()).isZero();
        assertThat(Resting.of(outcome).said()).isEqualTo("3 rows are left out by answers that nobody has confirmed.");
    }
}
