package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.master.MasterLine;
import cuvee.master.MasterReader;
import cuvee.tell.Outcome;
import cuvee.tell.Trail;
import java.util.List;
import org.junit.jupiter.api.Test;

/** An address below each name belongs to the name above it, not to the one below. */
class LinesBelowTest extends BatchTest {
    @Test
    void aLineBelowEachRecordIsWrittenBesideIt() {
        batch.sheet(
                "members.xlsx",
                row("Member", "Joined", "Fee"),
                row("Address"),
                row("Ada Moss", "2025-01-01", 10),
                row("1 Mill Lane, Tarsk"),
                row("Ben Hall", "2025-01-02", 20),
                row("2 Mill Lane, Tarsk"),
                row("Cleo Reed", "2025-01-03", 10),
                row("3 Quay Road, Hollin"));
        Batch.Made made = batch.refresh();
        assertThat(made.columns().subList(0, 4)).containsExactly("Member", "Joined", "Fee", "Address");
        assertThat(made.lines())
                .containsExactly(
                        "Ada Moss|2025-01-01|10|1 Mill Lane, Tarsk",
                        "Ben Hall|2025-01-02|20|2 Mill Lane, Tarsk",
                        "Cleo Reed|2025-01-03|10|3 Quay Road, Hollin");
        assertThat(made.findings("line-below")).hasSize(1);
        assertThat(made.findings("section")).isEmpty();
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader master = session.reader(outcome)) {
                List<MasterLine> page = master.page(1, 1);
                Trail trail = session.trail(outcome, page.get(0), 3);
                assertThat(trail.where().row()).as("the row of the address").isEqualTo(6);
                assertThat(trail.raw()).isEqualTo("2 Mill Lane, Tarsk");
            }
        }
    }

    @Test
    void linesOverSingleRecordsHeadThem() {
        batch.sheet(
                "stock.xlsx",
                row("Item", "Counted", "Qty"),
                row("Cold store"),
                row("Ice", "2025-01-01", 10),
                row("Dry store"),
                row("Rope", "2025-01-02", 20),
                row("Yard"),
                row("Chain", "2025-01-03", 10));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("Dry store|Rope|2025-01-02|20");
        assertThat(made.findings("line-below")).isEmpty();
    }
}
