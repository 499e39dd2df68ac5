package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.check.Reconciled;
import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.rework.Correction;
import cuvee.rework.RowRules;
import cuvee.tell.Account;
import java.math.BigDecimal;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** The sums of the sources, added up in their own cells, less what was set aside, with what was changed, are the master's. */
class ReconciledTest extends BatchTest {
    private static BigDecimal number(String text) {
        return new BigDecimal(text);
    }

    private static Reconciled.Sum sum(Batch.Made made, String column) {
        return made.outcome().reconciled().sum(made.columns().indexOf(column));
    }

    private void three() {
        batch.csv("a.csv", "Port;Fare;Date", "Hollin;1.204,50;01.02.2026", "Tarsk;95,5;02.02.2026", "Total;1.300,00;");
        batch.sheet(
                "b.xlsx",
                row("Port", "Fare", "Date"),
                row("Hollin", 10.25, LocalDate.of(2026, 2, 3)),
                row("Marsay", -3, LocalDate.of(2026, 2, 4)));
        batch.csv("c.csv", "Port,Fare,Date", "Hollin,1.234,2026-02-05", "Tarsk,2.5,2026-02-06");
    }

    @Test
    void theyAddUpAndTotalsAreNotAmongThem() {
        three();
        Reconciled.Sum fare = sum(batch.refresh(), "Fare");
        assertThat(fare.source()).isEqualByComparingTo("1310.984");
        assertThat(fare.master()).isEqualByComparingTo("1310.984");
        assertThat(fare.closes()).isTrue();
        assertThat(fare.tables()).isEqualTo(3);
    }

    @Test
    void moneyIsSaidWithItsHundredthsAndOtherNumbersWithWhatTheyHave() {
        batch.csv("a.csv", "Port,Fare,Weight", "Hollin,€ 5.50,1.5", "Tarsk,€ 6.00,2.0");
        assertThat(Account.equations(batch.refresh().outcome()))
                .containsExactly(
                        "Fare: 11.50 in the sources = 11.50 in the master",
                        "Weight: 3.5 in the sources = 3.5 in the master");
    }

    @Test
    void numbersThatCanBeReadInTwoWaysAreAddedUpAsTheColumnReadsThem() {
        batch.csv("a.csv", "Port;Fare", "Hollin;1.204", "Tarsk;3.500");
        batch.csv("b.csv", "Port;Fare", "Hollin;1.204,5", "Tarsk;3.500,25");
        Batch.Made made = batch.refresh();
        made.outcome()
                .questions()
                .forEach(question ->
                        batch.settle(question, question.answers().get(1).id()));
        Batch.Made settled = batch.refresh();
        for (Batch.Made each : new Batch.Made[] {made, settled}) {
            assertThat(sum(each, "Fare").closes()).isTrue();
            assertThat(sum(each, "Fare").source())
                    .isEqualByComparingTo(sum(each, "Fare").master());
            assertThat(each.findings("sum-not-conserved")).isEmpty();
        }
    }

    @Test
    void whatRulesSetAsideAndYouCorrectStandsBetweenThem() {
        three();
        batch.refresh();
        batch.job(new Correction("b.xlsx", "Sheet1", 2, 1, "10.25", "12.25", "miscounted", "", true).put(batch.job()));
        batch.job(RowRules.byPhrase(batch.job(), "Port is Tarsk", false));
        Reconciled.Sum fare = sum(batch.refresh(), "Fare");
        assertThat(fare.source()).isEqualByComparingTo("1310.984");
        assertThat(fare.aside()).isEqualByComparingTo("98");
        assertThat(fare.changed()).isEqualByComparingTo("2");
        assertThat(fare.master()).isEqualByComparingTo("1214.984");
        assertThat(fare.source().subtract(fare.aside()).add(fare.changed())).isEqualByComparingTo(fare.master());
    }

    @Test
    void valuesThatDoNotFitAreInNeither() {
        batch.csv("a.csv", "Port,Fare", "Hollin,5", "Tarsk,unknown", "Marsay,7", "Eastray,8", "Norhaven,9");
        Reconciled.Sum fare = sum(batch.refresh(), "Fare");
        assertThat(fare.source()).isEqualByComparingTo(number("29"));
        assertThat(fare.closes()).isTrue();
    }

    @Test
    void columnsThatRunAcrossAreAddedUpTogether() {
        batch.csv("a.csv", "Port,Jan 2026,Feb 2026,Mar 2026", "Hollin,1,2,3", "Tarsk,4,5,6");
        Batch.Made made = batch.refresh();
        int value = made.columns().size() - 1;
        assertThat(made.outcome().reconciled().sum(value).source()).isEqualByComparingTo("21");
        assertThat(made.outcome().reconciled().sum(value).closes()).isTrue();
    }

    @Test
    void numbersRepeatedBesideColumnsThatBecomeRowsAreNotHeldAgainstTheirCells() {
        batch.csv("a.csv", "Port,Berths,Jan 2026,Feb 2026,Mar 2026", "Hollin,4,1,2,3", "Tarsk,7,4,5,6");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("sum-not-conserved")).isEmpty();
        assertThat(sum(made, "Berths").source()).isEqualByComparingTo("11");
        assertThat(sum(made, "Berths").changed()).isEqualByComparingTo("22");
        assertThat(sum(made, "Berths").closes()).isTrue();
        assertThat(made.findings("repeated-figures"))
                .as("it says of which port")
                .isEmpty();
        assertThat(made.outcome().failed()).isFalse();
    }

    @Test
    void aFigureBesideColumnsThatBecomeRowsIsSaidToAddUpToMore() {
        batch.csv(
                "a.csv",
                "Port,Jan 2026,Feb 2026,Mar 2026,Berth dues",
                "Hollin,1,2,3,40.5",
                "Tarsk,4,5,6,70",
                "Eastray,7,,9,1");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("repeated-figures"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text())
                        .contains("“Berth dues”")
                        .contains("it adds up to 333.5 in the master, and to 111.5 in the sources"));
        assertThat(made.outcome().proposal().columns().get(0).filled())
                .as("as many as there are rows")
                .isEqualTo(made.outcome().rows());
    }

    @Test
    void numbersThatStandForTheBlankCellsBelowThemAreNotHeldAgainstTheirCells() {
        batch.csv("a.csv", "Berth,Vessel,Pax", "4,Heron,1", ",Plover,2", ",Dunlin,3", "7,Heron,4", ",Plover,5");
        batch.refresh();
        String subject = "berth|vessel|pax > berth";
        batch.settle(Kinds.CARRY_DOWN, subject, TableChoice.CARRY);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("4|Dunlin|3");
        assertThat(made.findings("sum-not-conserved")).isEmpty();
    }

    @Test
    void numbersThatDoNotFitATypeSetByHandAreInNeither() {
        batch.csv("a.csv", "Port,Boxes", "Hollin,2.5", "Tarsk,3", "Marsay,4", "Eastray,1.25");
        batch.refresh();
        batch.job(Board.type(batch.job(), "Boxes", cuvee.value.Type.WHOLE_NUMBER.word()));
        Batch.Made made = batch.refresh();
        assertThat(made.findings("sum-not-conserved")).isEmpty();
        assertThat(sum(made, "Boxes").master()).isEqualByComparingTo("7");
        assertThat(sum(made, "Boxes").closes()).isTrue();
    }
}
