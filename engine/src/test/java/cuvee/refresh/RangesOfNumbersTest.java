package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import org.junit.jupiter.api.Test;

/** What customers owe stands in columns by how long it is due. */
class RangesOfNumbersTest extends BatchTest {
    private void debtors(String file, String header, int seed) {
        String[] rows = new String[7];
        rows[0] = header;
        for (int i = 1; i < rows.length; i++) {
            int current = 100 + seed * i % 97;
            int first = 50 + seed * i * 3 % 89;
            int second = 20 + seed * i * 7 % 71;
            int third = 10 + seed * i * 11 % 53;
            rows[i] = "Firm " + i + "," + current + "," + first + "," + second + "," + third + ","
                    + (current + first + second + third);
        }
        batch.csv(file, rows);
    }

    @Test
    void oneRangeIsNeverAnother() {
        debtors("Hollin.csv", "Customer,Current,1-30 days,31-60 days,61+ days,Total", 13);
        debtors("Oska.csv", "Customer,Not due,0-30,31-60,Over 60,Total", 17);
        debtors("Tarsk.csv", "Customer,0-30,31-60,61-90,Over 90,Total", 29);
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Customer").contains("Over 90", "Total");
        assertThat(made.columns().stream().filter(column -> column.startsWith("31-60")))
                .hasSize(1);
        assertThat(made.columns().stream().filter(column -> column.matches("61\\+ days|Over 60")))
                .hasSize(1);
        assertThat(made.columns().stream().filter(column -> column.matches("Current|Not due")))
                .hasSize(1);
        assertThat(made.lines()).hasSize(18);
        assertThat(made.outcome().questions()).extracting(q -> q.kind()).contains(Kinds.LINE_UP);
    }
}
