package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.place.Says;
import cuvee.sheet.Row;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Rows that say how many records stand above them, and are none: {@code 3 persons} below a group, {@code TRL} and {@code 13}
 * as the last line of a program's export.
 */
final class CountRows {
    /** How many of something there are: {@code 3 persons}, {@code Persons: 3}. */
    private static final Pattern COUNTED =
            Pattern.compile("(\\d{1,6}) \\p{L}[\\p{L} ]{0,30}|\\p{L}[\\p{L} ]{0,30}[:=] ?(\\d{1,6})");

    private static final Pattern COUNT = Pattern.compile("\\d{1,9}");

    private static final int SEVERAL_COLUMNS = 3;
    /** Fewer records than these are counted by chance. */
    private static final int ENOUGH = 3;
    /** A program counts its header and its last line with the records, or does not. */
    private static final int OWN_LINES = 2;

    private final TableColumns columns;
    private final RunningSums sums;
    private final List<Doubt> doubts;
    /** How many records had gone by when a line last headed some. */
    private int recordsAtLine;

    CountRows(TableColumns columns, RunningSums sums, List<Doubt> doubts) {
        this.columns = columns;
        this.sums = sums;
        this.doubts = doubts;
    }

    /** Takes in that a line heads the records to come. */
    void headed() {
        recordsAtLine = sums.records();
    }

    /** True for a row that has been looked at and counts those above it. */
    boolean isOne(Row row, RowWords said) {
        return said.numbers() == 0 && said.texts() == 1 && saysCount(row)
                || said.texts() == 1 && said.numbers() > 0 && endsExport(row);
    }

    /** True for a line such as {@code 3 persons} below as many records since the last line or total. */
    private boolean saysCount(Row row) {
        int count = Math.min(sums.recordsSinceTotal(), sums.records() - recordsAtLine);
        Matcher said = COUNTED.matcher(row.text(row.firstFilled()).strip());
        if (count == 0 || columns.names().size() < SEVERAL_COLUMNS || !said.matches()) {
            return false;
        }
        String number = said.group(1) == null ? said.group(2) : said.group(1);
        return Integer.parseInt(number) == count;
    }

    /**
     * True for a word that no record has, before the count of all records where these hold words, and perhaps what one of
     * their columns comes to; all else is blank.
     */
    private boolean endsExport(Row row) {
        int label = row.firstFilled();
        int width = columns.names().size();
        boolean sparse = columns.filled() <= Math.max(2, width / 2);
        if (!sparse
                || width < SEVERAL_COLUMNS
                || sums.records() < ENOUGH
                || sums.recordsSinceTotal() == 0
                || columns.form(label).isNumber()
                || columns.holds(label, row.text(label))) {
            return false;
        }
        boolean counted = false;
        for (int column = label + 1; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            if (isCount(row, column)) {
                counted = true;
            } else if (!isSumOfAny(columns.value(row, column))) {
                return false;
            }
        }
        if (counted) {
            doubts.add(new Doubt(
                    "count-row",
                    row.number(),
                    "Row " + row.number() + " says "
                            + Says.quoted(row.text(label).strip())
                            + " and how many rows stand above it, where these hold something else; it is set aside with"
                            + " the totals.",
                    1));
        }
        return counted;
    }

    private boolean isCount(Row row, int column) {
        String text = row.text(column).strip();
        if (!COUNT.matcher(text).matches() || sums.all(column) != 0) {
            return false;
        }
        long over = Long.parseLong(text) - sums.records();
        return over >= 0 && over <= OWN_LINES;
    }

    private boolean isSumOfAny(double value) {
        for (int column = 0; column < columns.names().size(); column++) {
            if (Agreement.of(value, sums.all(column), sums.records())) {
                return true;
            }
        }
        return false;
    }
}
