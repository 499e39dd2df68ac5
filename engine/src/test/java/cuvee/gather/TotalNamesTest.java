package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;

/** What totals are called in one table tells those of another in which too few rows stand above them. */
class TotalNamesTest extends BatchTest {
    @Test
    void aSingleLineAndItsTotalAreToldByTheFilesWithMoreLines() {
        batch.csv("a.csv", "Item,Weighed", "Glass,40", "Bottom line,40");
        batch.csv("b.csv", "Item,Weighed", "Paper,61", "Bottom line,62");
        Batch.Made alone = batch.refresh();
        assertThat(alone.outcome().rows())
                .as("nothing tells that it is a total")
                .isEqualTo(4);
        batch.csv("c.csv", "Item,Weighed", "Glass,420.25", "Paper,317.75", "Tins,88.50", "Bottom line,826.50");
        assertThat(batch.refresh().outcome().rows())
                .as("it is asked about where it can be no accident, in words that tell nothing")
                .isEqualTo(8);
        batch.csv(
                "d.csv",
                "Item,Weighed,Paid",
                "Glass,420.25,12.10",
                "Paper,317.75,9.80",
                "Tins,88.50,40.05",
                "Bottom line,826.50,61.95");
        Batch.Made told = batch.refresh();
        assertThat(told.lines())
                .noneMatch(line -> line.startsWith("Bottom line|40|") || line.startsWith("Bottom line|826.5"))
                .anyMatch(line -> line.startsWith("Bottom line|62|"));
        assertThat(told.lines()).hasSize(1 + 2 + 3 + 3);
        batch.csv("d.csv", "Item,Weighed,Paid", "Glass,420.25,12.10", "Paper,317.75,9.80", "Tins,88.50,40.05");
        assertThat(batch.refresh().lines()).as("what it told goes with it").hasSize(2 + 2 + 4 + 3);
    }
}
