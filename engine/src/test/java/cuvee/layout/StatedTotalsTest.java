package cuvee.layout;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.FoundTable;
import cuvee.detect.HeaderHints;
import cuvee.detect.TableFinder;
import cuvee.testing.Rows;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What stands in a row of totals below prices and shares is no wrong sum. */
class StatedTotalsTest {
    private static List<FoundTable.StatedTotal> sums(Object[]... rows) {
        TableFinder finder = new TableFinder(HeaderHints.NONE);
        for (int i = 0; i < rows.length; i++) {
            finder.row(Rows.row(i + 1, rows[i]));
        }
        return StatedTotals.sums(finder.end().get(0));
    }

    @Test
    void theAveragePriceOfAllIsNoSumOfPrices() {
        List<FoundTable.StatedTotal> sums = sums(
                new Object[] {"Route", "Passengers", "Average fare", "Load %"},
                new Object[] {"Hollin", 40, 12.5, "61 %"},
                new Object[] {"Tarsk", 30, 14.5, "72 %"},
                new Object[] {"Oska", 20, 9.0, "55 %"},
                new Object[] {"Total", 90, 12.39, "63 %"});
        assertThat(sums).extracting(FoundTable.StatedTotal::column).containsExactly(1);
    }

    @Test
    void aSumThatIsWrongIsOneStill() {
        List<FoundTable.StatedTotal> sums = sums(
                new Object[] {"Route", "Passengers", "Fare"},
                new Object[] {"Hollin", 40, 12.5},
                new Object[] {"Tarsk", 30, 14.5},
                new Object[] {"Oska", 20, 9.0},
                new Object[] {"Total", 90, 12.39});
        assertThat(sums).anyMatch(sum -> sum.column() == 2 && !sum.agrees());
    }
}
