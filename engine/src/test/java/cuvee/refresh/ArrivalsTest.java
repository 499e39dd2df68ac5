package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.check.Arrivals;
import cuvee.check.Arrivals.State;
import cuvee.decision.Kinds;
import cuvee.job.Names;
import java.time.YearMonth;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Who sent what for which month, and what is missing in between. */
class ArrivalsTest extends BatchTest {
    private void month(String port, int month, int rows) {
        String[] lines = new String[rows + 1];
        lines[0] = "Sailed,Pax";
        for (int i = 0; i < rows; i++) {
            lines[i + 1] = String.format(
                    "2026-%02d-%02d,%d", month, i + 1, 100 * port.length() + port.charAt(0) + 10 * month + i);
        }
        batch.csv(port + " 2026-0" + month + ".csv", lines);
    }

    private void allBut(String port, int missing) {
        for (String each : List.of("Hollin", "Tarsk", "Marsay")) {
            for (int month = 1; month <= 5; month++) {
                if (!each.equals(port) || month != missing) {
                    month(each, month, month);
                }
            }
        }
    }

    private static YearMonth of(int month) {
        return YearMonth.of(2026, month);
    }

    @Test
    void eachSenderHasItsRowsForEachMonth() {
        allBut("", 0);
        Batch.Made made = batch.refresh();
        Arrivals arrivals = made.outcome().arrivals().orElseThrow();
        assertThat(arrivals.senders()).containsExactly("Hollin", "Marsay", "Tarsk");
        assertThat(arrivals.months()).containsExactly(of(1), of(2), of(3), of(4), of(5));
        assertThat(arrivals.cell("Tarsk", of(4)).orElseThrow().rows()).isEqualTo(4);
        assertThat(made.findings("missing-month")).isEmpty();
        long all = arrivals.cells().values().stream()
                .mapToLong(Arrivals.Cell::rows)
                .sum();
        assertThat(all).isEqualTo(made.outcome().rows());
    }

    @Test
    void aMonthThatIsMissingIsSaidUntilThereIsNothingToReport() {
        allBut("Tarsk", 3);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().arrivals().orElseThrow().state("Tarsk", of(3)))
                .isEqualTo(State.MISSING);
        assertThat(made.findings("missing-month"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).contains("“Tarsk” has no rows for 2026-03"));
        batch.settle(Kinds.NIL_RETURN, Names.joinTexts(List.of("Tarsk", "2026-03")), "nil");
        Batch.Made nil = batch.refresh();
        assertThat(nil.outcome().arrivals().orElseThrow().state("Tarsk", of(3))).isEqualTo(State.NIL);
        assertThat(nil.findings("missing-month")).isEmpty();
    }

    @Test
    void theLastMonthIsNotYetThereAndWhoBeganLaterIsNotExpectedBefore() {
        allBut("Tarsk", 5);
        month("Brannock", 4, 2);
        month("Brannock", 5, 2);
        Batch.Made made = batch.refresh();
        Arrivals arrivals = made.outcome().arrivals().orElseThrow();
        assertThat(arrivals.state("Tarsk", of(5))).isEqualTo(State.NOT_YET);
        assertThat(arrivals.state("Brannock", of(2))).isEqualTo(State.NOT_EXPECTED);
        assertThat(made.findings("missing-month")).isEmpty();
        assertThat(made.findings("not-yet")).hasSize(1);
    }

    @Test
    void whereNobodySendsMonthByMonthNothingIsMissing() {
        month("Hollin", 1, 3);
        month("Tarsk", 4, 3);
        month("Marsay", 8, 3);
        month("Eastray", 2, 3);
        assertThat(batch.refresh().outcome().arrivals()).isEmpty();
    }
}
