package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.sheet.Row;
import java.util.List;

/**
 * Rows that add up the records above them under a text that these have themselves: {@code Hull | | 145} below the trips of
 * Hull, where every trip has a date and a vessel.
 */
final class GroupTotals {
    /** So many sums that agree are no accident. */
    private static final int SEVERAL = 2;

    private static final int ENOUGH = 3;
    private static final double SOME_DIGITS = 100;
    private static final double MANY_DIGITS = 1000;

    private final TableColumns columns;
    private final RunningSums sums;
    private final RowSums rowSums;
    private final List<Doubt> doubts;
    /** The row of the first such total; 0 where none has gone by. */
    private int first;

    GroupTotals(TableColumns columns, RunningSums sums, RowSums rowSums, List<Doubt> doubts) {
        this.columns = columns;
        this.sums = sums;
        this.rowSums = rowSums;
        this.doubts = doubts;
    }

    /** True where a row that names no total is one of a group; what only looks like one is told. */
    boolean isOne(Row row) {
        boolean adds = rowSums.areSumsAndMeans(row);
        int numbers = rowSums.numbersThatSay(row);
        // Most records add up nothing, which is told quickly.
        if (numbers == 0 || !adds && first == 0 || !saysWhatRecordsSay(row)) {
            return false;
        }
        int blank = columns.fullKeysBlankIn(row);
        if (blank == 0) {
            // As many words as a record has: told by several exact sums.
            return adds
                    && sums.recordsSinceTotal() > 1
                    && rowSums.adding(row) >= SEVERAL
                    && rowSums.couldHaveBeen(row) >= MANY_DIGITS;
        }
        if (sums.recordsSinceTotal() == 0 || !adds) {
            if (first > 0) {
                doubts.add(new Doubt(
                        "total-word",
                        row.number(),
                        "Row " + row.number() + " is filled as the total of a group in row " + first
                                + " is, but does not add up the rows above it; it is kept as a record.",
                        1));
            }
            return false;
        }
        boolean total = sums.recordsSinceTotal() == 1 ? isOfOne(row, numbers, blank) : isOfSeveral(row, numbers, blank);
        if (total && first == 0) {
            first = row.number();
        }
        return total;
    }

    /** True where the only record of a group comes once more with less, as no record does. */
    private boolean isOfOne(Row row, int numbers, int blank) {
        // What a record leaves out is the category that it goes by; a total leaves out the rest.
        if (first == 0 && blank == 1 && columns.keyColumns() > 1 && columns.isFirstKeyBlankIn(row)) {
            return false;
        }
        boolean total = first > 0
                || blank > 1
                || blank == columns.keyColumns()
                || numbers >= SEVERAL
                || rowSums.couldHaveBeen(row) >= MANY_DIGITS;
        if (total && first == 0) {
            doubts.add(new Doubt(
                    "group-of-one",
                    row.number(),
                    "Row " + row.number()
                            + " has the numbers of the row above it once more, and less beside them; it is"
                            + " set aside with the totals.",
                    1));
        }
        return total;
    }

    private boolean isOfSeveral(Row row, int numbers, int blank) {
        if (first > 0) {
            return true;
        }
        int adding = rowSums.adding(row);
        boolean several = numbers >= SEVERAL && adding > 0;
        boolean one = adding == 1
                && (sums.recordsSinceTotal() >= ENOUGH || blank > 1 || rowSums.couldHaveBeen(row) >= SOME_DIGITS);
        return several || one;
    }

    /** True where each text of a row stands in a record above it, in the same column. */
    private boolean saysWhatRecordsSay(Row row) {
        int texts = 0;
        for (int column = 0; column < row.width(); column++) {
            if (!row.blank(column) && !columns.form(column).isNumber()) {
                if (!columns.holds(column, row.text(column))) {
                    return false;
                }
                texts++;
            }
        }
        return texts > 0 || columns.keyColumns() > 0;
    }
}
