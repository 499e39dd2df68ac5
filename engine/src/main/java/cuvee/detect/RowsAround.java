package cuvee.detect;

import cuvee.value.Form;
import cuvee.value.LooseText;
import java.util.List;
import java.util.function.Predicate;

/** What stands in the rows around one of the first rows of a sheet, and whether it is one of them. */
final class RowsAround {
    /** So many rows above and below are looked at. */
    static final int NEAR = 20;

    private final List<HeadRow> rows;

    RowsAround(List<HeadRow> rows) {
        this.rows = rows;
    }

    /**
     * True for a row that is itself a record: it holds numbers or dates that are no years, in columns of such,
     * and nothing else in any; or a code among codes that are made like it.
     */
    boolean isRecord(int index) {
        HeadRow row = rows.get(index);
        int alike = 0;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            if (row.form(column).isDate() || row.isValue(column) && !row.isYear(column)) {
                if (!isAmongItsKind(index, column)) {
                    return false;
                }
                alike++;
            } else if (valuesBelow(index, column)) {
                return false;
            } else {
                alike += isAmongCodes(index, column) ? 1 : 0;
            }
        }
        return alike > 0;
    }

    /** True where most of the other cells of a column hold what one does: dates, or numbers and other values. */
    private boolean isAmongItsKind(int index, int column) {
        boolean date = rows.get(index).form(column).isDate();
        return isMostAround(
                index, column, row -> row.isValue(column) && row.form(column).isDate() == date);
    }

    /** True where most of the other cells of a column differ from a code in their digits only. */
    private boolean isAmongCodes(int index, int column) {
        HeadRow code = rows.get(index);
        if (code.form(column) != Form.WORDS_AND_DIGITS) {
            return false;
        }
        String pattern = LooseText.codePattern(code.text(column));
        return pattern.indexOf(' ') < 0
                && isMostAround(
                        index,
                        column,
                        row -> LooseText.codePattern(row.text(column)).equals(pattern)
                                && !row.hasKey(column, code.key(column)));
    }

    /** True for most of the cells of a column near a row, of which there are some, in rows nearly as wide. */
    private boolean isMostAround(int index, int column, Predicate<HeadRow> holds) {
        int filled = 0;
        int held = 0;
        for (int at = Math.max(0, index - NEAR); at < Math.min(rows.size(), index + 1 + NEAR); at++) {
            HeadRow other = rows.get(at);
            if (at != index
                    && !other.blank(column)
                    && other.filled() * 2 > rows.get(index).filled()) {
                filled++;
                held += holds.test(other) ? 1 : 0;
            }
        }
        return held * 2 > filled;
    }

    /** True where something stands below a cell in its column. */
    boolean filledBelow(int index, int column) {
        for (int below = index + 1; below < Math.min(rows.size(), index + 1 + NEAR); below++) {
            if (!rows.get(below).blank(column)) {
                return true;
            }
        }
        return false;
    }

    /** True where most of what stands below a cell in its column are values. */
    boolean valuesBelow(int index, int column) {
        int values = 0;
        int filled = 0;
        for (int below = index + 1; below < Math.min(rows.size(), index + 1 + NEAR); below++) {
            HeadRow other = rows.get(below);
            filled += other.blank(column) || other.form(column) == Form.NOTHING_WORD ? 0 : 1;
            values += other.isValue(column) ? 1 : 0;
        }
        return filled > 0 && values * 2 > filled;
    }
}
