package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.detect.TableColumn;
import cuvee.value.Form;
import java.util.List;

/**
 * The totals that a sheet states for its columns. Not all that stands in a row of totals is meant as a sum: below prices and
 * shares there stands the average price, or the share of all.
 */
public final class StatedTotals {
    /** What is said of a rate is no sum of it where the sum is so many times more. */
    private static final double FAR_LESS = 1.5;

    private static final double ROUNDED = 0.005;
    private static final double MOSTLY = 0.8;

    private StatedTotals() {}

    /** Those that are meant as sums. */
    public static List<StatedTotal> sums(FoundTable table) {
        return table.totals().stream()
                .filter(total -> total.agrees()
                        || total.records() < 2
                        || Math.abs(total.stated()) * FAR_LESS > Math.abs(total.added()) && !isRounded(total)
                        || table.columns().stream()
                                .noneMatch(column -> column.index() == total.column() && isRate(column)))
                .toList();
    }

    /** Averages that were rounded before they were added up come to nearly what all come to. */
    private static boolean isRounded(StatedTotal total) {
        return Math.abs(total.stated() - total.added()) <= Math.abs(total.added()) * ROUNDED;
    }

    private static boolean isRate(TableColumn column) {
        return HeaderWords.isRate(column.header())
                || column.header().indexOf('/') > 0
                || column.evidence().count(Form.NUMBER_PERCENT, Form.PERCENT_TEXT)
                        >= column.evidence().filled() * MOSTLY;
    }
}
