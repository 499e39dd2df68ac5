package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.ValueReader;
import java.util.Arrays;

/**
 * Adds up the number columns while records go by, so that a row can be told to be the sum of those above it. Sums are
 * approximate on purpose: they tell totals from records; what the master holds is added up exactly elsewhere.
 */
final class RunningSums {
    private double[] sinceTotal = new double[16];
    private double[] all = new double[16];
    private int recordsSinceTotal;
    private int records;

    /** Takes in a record that its columns have looked at. */
    void add(Row row, TableColumns columns) {
        recordsSinceTotal++;
        records++;
        if (row.width() > all.length) {
            sinceTotal = Arrays.copyOf(sinceTotal, row.width() * 2);
            all = Arrays.copyOf(all, row.width() * 2);
        }
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                sinceTotal[column] += value;
                all[column] += value;
            }
        }
    }

    /** A total has gone by; the next one of its level adds up from here. */
    void restart() {
        Arrays.fill(sinceTotal, 0);
        recordsSinceTotal = 0;
    }

    double sinceTotal(int column) {
        return column < sinceTotal.length ? sinceTotal[column] : 0;
    }

    double all(int column) {
        return column < all.length ? all[column] : 0;
    }

    int recordsSinceTotal() {
        return recordsSinceTotal;
    }

    int records() {
        return records;
    }

    /** True where two sums are the same but for rounding of the addends. */
    static boolean close(double stated, double added, int addends) {
        return Math.abs(stated - added)
                <= 1e-9 * Math.abs(added) + 0.0051 * Math.max(1, Math.sqrt(addends)) * scale(added);
    }

    private static double scale(double added) {
        return Math.abs(added) < 1 ? 0.001 : 1;
    }

    /** The number in a cell, or NaN. */
    static double value(Row row, int column, Form form, Evidence[] evidence) {
        return switch (form) {
            case NUMBER_WHOLE, NUMBER_FRACTION, NUMBER_PERCENT, DIGITS, POINT, GROUPED_POINT, SPACED, SPACED_POINT ->
                quick(row.chars(), row.start(column), row.end(column), '.');
            case COMMA, GROUPED_COMMA, SPACED_COMMA -> quick(row.chars(), row.start(column), row.end(column), ',');
            case POINT_OR_GROUP, COMMA_OR_GROUP ->
                quick(row.chars(), row.start(column), row.end(column), commas(evidence, column) ? ',' : '.');
            case LONG_DIGITS, EXPONENT, PERCENT_TEXT, MONEY_TEXT -> slow(row, column, evidence);
            default -> Double.NaN;
        };
    }

    private static double slow(Row row, int column, Evidence[] evidence) {
        Convention.Mark mark = commas(evidence, column) ? Convention.Mark.COMMA : Convention.Mark.POINT;
        String read = ValueReader.read(row.staged(column), cuvee.value.Type.DECIMAL, Convention.DEFAULT.withMark(mark));
        return read == null ? Double.NaN : Double.parseDouble(read);
    }

    /** True where the comma is the decimal mark: by the column's own values, else by those of the others. */
    private static boolean commas(Evidence[] evidence, int column) {
        if (column < evidence.length) {
            Evidence own = evidence[column];
            if (own.count(Form.COMMA, Form.GROUPED_COMMA) > 0) {
                return true;
            }
            if (own.count(Form.POINT, Form.GROUPED_POINT) > 0) {
                return false;
            }
        }
        for (Evidence other : evidence) {
            if (other.count(Form.COMMA, Form.GROUPED_COMMA) > 0) {
                return true;
            }
        }
        return false;
    }

    private static double quick(char[] chars, int start, int end, char mark) {
        long digits = 0;
        int scale = -1;
        boolean negative = false;
        for (int i = start; i < end; i++) {
            char c = chars[i];
            if (c >= '0' && c <= '9') {
                digits = digits * 10 + c - '0';
                scale += scale >= 0 ? 1 : 0;
            } else if (c == mark) {
                scale = 0;
            } else if (c == '-' || c == '(' || c == '\u2212') {
                negative = true;
            }
        }
        double value = scale > 0 ? digits / POWERS[Math.min(scale, POWERS.length - 1)] : digits;
        return negative ? -value : value;
    }

    private static final double[] POWERS = powers();

    private static double[] powers() {
        double[] powers = new double[19];
        powers[0] = 1;
        for (int i = 1; i < powers.length; i++) {
            powers[i] = powers[i - 1] * 10;
        }
        return powers;
    }
}
