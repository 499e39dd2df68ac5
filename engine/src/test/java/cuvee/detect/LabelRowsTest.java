package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.sheet.Row;
import cuvee.testing.Rows;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rows that say something in pairs. */
class LabelRowsTest {
    private static Row row(String cells) {
        Object[] parts = cells.split("\\|", -1);
        for (int i = 0; i < parts.length; i++) {
            parts[i] = parts[i].toString().strip();
        }
        return Rows.row(1, parts);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            value = {
                "Supplier: | Bolts & Co | | Date: | 3 May # true",
                "Prepared by: | Ida # true",
                "Date: | # false",
                "Name: | Town: | Phone: # false",
                "Item | Qty # false",
                "Remark | see: | below # false",
                "Total: | 5 | 6 # false",
                "Pots sold: | Cost | Pots sold: | Cost # false"
            })
    void aRowIsPairedWhereEachTextStandsBehindALabel(String cells, boolean paired) {
        assertThat(LabelRows.isPaired(row(cells))).isEqualTo(paired);
    }

    @Test
    void pairsOverAGapAreLabelsWhereWhatFollowsIsWider() {
        List<Row> rows = new ArrayList<>(List.of(row("Report | Monthly"), row("Currency | EUR")));
        Row header = row("Region | 2024 | 2025");
        header.afterBlanks(1);
        rows.add(header);
        rows.add(row("Hollin | 5 | 6"));
        assertThat(LabelRows.of(rows, 3)).containsExactly(0, 1);
        assertThat(LabelRows.of(rows, 2)).as("a table as narrow as they are").isEmpty();
        header.afterBlanks(0);
        assertThat(LabelRows.of(rows, 3)).as("without a gap").isEmpty();
    }
}
