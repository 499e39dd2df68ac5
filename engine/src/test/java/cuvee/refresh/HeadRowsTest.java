package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.RowClass;
import cuvee.gather.Progress;
import cuvee.gather.ReadingDecisions;
import cuvee.gather.Reread;
import cuvee.master.MasterReader;
import cuvee.tell.Outcome;
import org.junit.jupiter.api.Test;

/** Orders above their items: each order is said of its items. */
class HeadRowsTest extends BatchTest {
    private void orders() {
        batch.csv(
                "Orders 2026-01.csv",
                "Order,Date,Customer,Item,Qty,Price",
                "SO-1,2026-01-02,Hall,,,",
                ",,,Rope,2,5.50",
                ",,,Buoy,3,7.25",
                "SO-2,2026-01-03,,,,",
                ",,,Pump,1,49.00",
                "SO-3,2026-01-03,Moss,,,",
                ",,,Rope,9,5.50");
    }

    @Test
    void whatAnOrderSaysIsSaidOfEachOfItsItems() {
        orders();
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly(
                        "SO-1|2026-01-02|Hall|Rope|2|5.5",
                        "SO-1|2026-01-02|Hall|Buoy|3|7.25",
                        "SO-2|2026-01-03||Pump|1|49",
                        "SO-3|2026-01-03|Moss|Rope|9|5.5");
        assertThat(made.outcome().sentences())
                .filteredOn(sentence -> sentence.text().startsWith("Carry “Order”"))
                .singleElement()
                .satisfies(sentence -> assertThat(sentence.touched()).isEqualTo("4 blank cells filled in 1 table"));
        assertThat(made.findings("head-row").get(0).what()).contains("3 rows fill other columns");
        assertThat(made.outcome().sources().get(0).tables().get(0).table().setAside())
                .containsEntry(RowClass.HEAD, 3);
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void amountsOfHeadsThatStandInSeveralRowsAreTold() {
        batch.csv(
                "Orders.csv",
                "Order,Customer,Order total,Item,Qty,Value",
                "SO-1,Hall,32.75,,,",
                ",,,Rope,2,11.00",
                ",,,Buoy,3,21.75",
                "SO-2,Moss,49.50,,,",
                ",,,Pump,1,49.50");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(3).contains("SO-1|Hall|32.75|Buoy|3|21.75");
        assertThat(made.findings("repeated-figures").get(0).text())
                .contains("“Order total” stands in rows above those", "adds up to 115 in the master, and to 82.25");
        assertThat(made.outcome().failed()).isFalse();
    }

    @Test
    void aValueLeadsToTheRowThatSaysIt() {
        orders();
        batch.refresh();
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                assertThat(session.trail(outcome, reader.page(1, 1).get(0), 0)
                                .where()
                                .toString())
                        .contains("line 2");
                assertThat(session.trail(outcome, reader.page(2, 1).get(0), 2)
                                .where()
                                .toString())
                        .as("what SO-2 leaves blank is not said by SO-1")
                        .doesNotContain("line 2");
            }
        }
    }

    @Test
    void aRowThatIsSaidToBeARecordLeavesAllAsTheyStand() {
        orders();
        batch.refresh();
        batch.settle("reading", ReadingDecisions.subject("Orders 2026-01.csv", ""), "row 2 record");
        assertThat(batch.refresh().lines()).hasSize(7).contains("SO-1|2026-01-02|Hall|||");
    }

    @Test
    void rowsThatShareAColumnAreRecordsOfTwoSorts() {
        batch.csv(
                "Log.csv",
                "Day,Sold,Price,Bought,Cost",
                "2026-01-02,Rope,5.50,,",
                "2026-01-02,,,Buoy,7.25",
                "2026-01-03,Pump,49.00,,",
                "2026-01-03,,,Rope,4.00");
        assertThat(batch.refresh().lines()).hasSize(4);
    }

    @Test
    void ordersWithoutItemsAndItemsWithoutAnOrderAreRecords() {
        batch.csv("Orders.csv", "Order,Customer,Item,Qty", "SO-1,Hall,,", "SO-2,Moss,,", ",,Rope,2", ",,Buoy,3");
        assertThat(batch.refresh().lines()).hasSize(4);
    }
}
