package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Question;
import org.junit.jupiter.api.Test;

/** Columns that one file has are values of one column elsewhere. */
class NamesAsValuesTest extends BatchTest {
    private void meters(String depot) {
        batch.csv(
                depot + ".csv",
                "Meter,Read on,Peak,Off-peak,Total",
                depot + "1,2026-03-31,10,4" + depot.length() + ",5" + depot.length(),
                depot + "2,2026-03-31,20,30,50",
                depot + "3,2026-03-31,7,8,15");
    }

    @Test
    void columnsWhoseNamesAreValuesElsewhereBecomeRowsAndAreAskedAbout() {
        meters("Hollin");
        meters("Tarsk");
        batch.csv(
                "Oska.csv",
                "Meter,Read on,Register,kWh",
                "O1,2026-03-31,Peak,71",
                "O1,2026-03-31,Off-peak,18",
                "O2,2026-03-31,Peak,64",
                "O2,2026-03-31,Off-peak,25");
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .startsWith("Meter", "Read on", "Register", "kWh")
                .doesNotContain("Peak", "Total");
        assertThat(made.lines())
                .hasSize(16)
                .anyMatch(line -> line.startsWith("Hollin2|2026-03-31|Off-peak|30"))
                .anyMatch(line -> line.startsWith("O1|2026-03-31|Peak|71"));
        Question question = made.question(Kinds.ACROSS);
        assertThat(question.text()).contains("“Peak” and “Off-peak” are columns in 2 tables", "“Register” in Oska.csv");
        batch.settle(question, question.assumed());
        assertThat(batch.refresh().lines()).containsExactlyInAnyOrderElementsOf(made.lines());
        batch.settle(question, TableChoice.LEAVE);
        Batch.Made left = batch.refresh();
        assertThat(left.columns()).contains("Peak", "Off-peak", "Register");
        assertThat(left.lines()).hasSize(10);
    }

    @Test
    void namesThatAreValuesBesideOtherAmountsStayColumns() {
        String day = ",2026-03-31,Moss,";
        batch.csv(
                "Hollin.csv", "Meter,Read on,Read by,Peak,Off-peak,Loss", "H1" + day + "10,40,1", "H2" + day + "7,8,3");
        batch.csv(
                "Oska.csv",
                "Meter,Read on,Read by,Register,kWh",
                "O1" + day + "Peak,71",
                "O1" + day + "Off-peak,18",
                "O2" + day + "Peak,64",
                "O2" + day + "Off-peak,25");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Peak", "Off-peak", "Register");
    }
}
