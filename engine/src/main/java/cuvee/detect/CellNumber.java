package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.value.Convention;
import cuvee.value.Form;
import cuvee.value.Type;
import cuvee.value.ValueReader;

/** The number in a cell as near as sums need it: read without making a text wherever its form allows. */
final class CellNumber {
    private CellNumber() {}

    /** The number in a cell, or NaN; its decimal mark is the comma where that is said and it could be either. */
    static double of(CellKind kind, char[] chars, int start, int end, Form form, boolean commas) {
        return switch (form) {
            case NUMBER_WHOLE, NUMBER_FRACTION, NUMBER_PERCENT, DIGITS, POINT, GROUPED_POINT, SPACED, SPACED_POINT ->
                quick(chars, start, end, '.');
            case COMMA, GROUPED_COMMA, SPACED_COMMA -> quick(chars, start, end, ',');
            case POINT_OR_GROUP, COMMA_OR_GROUP -> quick(chars, start, end, commas ? ',' : '.');
            case LONG_DIGITS, EXPONENT, PERCENT_TEXT, MONEY_TEXT -> slow(kind, chars, start, end, commas);
            default -> Double.NaN;
        };
    }

    private static double slow(CellKind kind, char[] chars, int start, int end, boolean commas) {
        Convention.Mark mark = commas ? Convention.Mark.COMMA : Convention.Mark.POINT;
        String staged = kind.mark() + new String(chars, start, end - start);
        String read = ValueReader.read(staged, Type.DECIMAL, Convention.DEFAULT.withMark(mark));
        return read == null ? Double.NaN : Double.parseDouble(read);
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
