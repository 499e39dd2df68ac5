package cuvee.audit;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;

class SignsByMarkTest extends BatchTest {
    @Test
    void amountsWithASignDoNotGoTogetherWithThoseThatAWordTells() {
        signed();
        batch.csv(
                "Tarsk 2026-01.csv",
                "Date,Description,Amount,Dr/Cr,Balance",
                "02/01/2026,Rent,500.00,DR,1500.00",
                "05/01/2026,Refund,70.25,CR,1570.25",
                "09/01/2026,Fuel,44.10,DR,1526.15",
                "13/01/2026,Sales,910.00,CR,2436.15");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("signs-by-mark")).singleElement().satisfies(finding -> {
            assertThat(finding.text()).contains("4 rows", "“Dr/Cr”", "“Amount”");
            assertThat(finding.canDo()).contains("0 - Amount where Dr/Cr is DR, else Amount");
        });
        batch.settle(Kinds.MADE, "Amount", "0 - Amount where Dr/Cr is DR, else Amount");
        Batch.Made alike = batch.refresh();
        assertThat(alike.lines())
                .anyMatch(line -> line.contains("Fuel|-44.1"))
                .anyMatch(line -> line.contains("Sales|910"));
        assertThat(alike.findings("signs-by-mark")).isEmpty();
    }

    @Test
    void wordsBesideNumbersThatHaveTheirSignSayNothingNew() {
        signed();
        batch.csv(
                "Tarsk 2026-01.csv",
                "Date,Description,Amount,Dr/Cr,Balance",
                "02/01/2026,Rent,-500.00,DR,1500.00",
                "05/01/2026,Refund,70.25,CR,1570.25",
                "09/01/2026,Fuel,-44.10,DR,1526.15");
        assertThat(batch.refresh().findings("signs-by-mark")).isEmpty();
    }

    private void signed() {
        batch.csv(
                "Hollin 2026-01.csv",
                "Date,Description,Amount,Balance",
                "03/01/2026,Rent,-450.00,-1550.00",
                "06/01/2026,Sales,120.50,1670.50",
                "10/01/2026,Fuel,-61.00,1609.50");
    }
}
