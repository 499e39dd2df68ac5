package cuvee.audit;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Severity;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;

/** A date that one sender writes in three columns is blank in the date column of the others, which is said. */
class DatesInPartsTest extends BatchTest {
    private void vans() {
        batch.csv("a.csv", "Date,Van,Miles", "2026-04-01,V1,40", "2026-04-02,V2,55", "2026-04-03,V1,31");
        batch.csv("b.csv", "Day,Month,Year,Van,Miles", "1,4,2026,V3,12", "2,4,2026,V3,19", "13,4,2026,V4,77");
    }

    @Test
    void itIsSaidWithTheWordsThatFillIt() {
        vans();
        Batch.Made made = batch.refresh();
        assertThat(made.findings("date-in-parts")).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo(Severity.WARNING);
            assertThat(finding.text())
                    .startsWith("b.csv: 1 table has no “Date” but “Day”, “Month” and “Year”. “Date” is blank there.");
        });
        String way = made.findings("date-in-parts").get(0).canDo();
        String formula = way.substring(way.indexOf(": ") + 2, way.length() - 1);
        Batch.Made filled = batch.settle(Kinds.MADE, "Date", formula).refresh();
        int date = filled.columns().indexOf("Date");
        assertThat(filled.lines().stream().map(line -> line.split("\\|", -1)[date]))
                .containsExactly("2026-04-01", "2026-04-02", "2026-04-03", "2026-04-01", "2026-04-02", "2026-04-13");
    }

    @Test
    void aYearAndAMonthWithoutADayAreNoDate() {
        batch.csv("a.csv", "Date,Van,Miles", "2026-04-01,V1,40", "2026-04-02,V2,55", "2026-04-03,V1,31");
        batch.csv("b.csv", "Month,Year,Van,Miles", "4,2026,V3,12", "5,2026,V3,19", "6,2026,V4,77");
        assertThat(batch.refresh().findings("date-in-parts")).isEmpty();
    }
}
