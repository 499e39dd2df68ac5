package cuvee.value;

import cuvee.sheet.CellKind;
import org.jspecify.annotations.Nullable;

/**
 * A look at one cell after the other: its form and, for plain numbers, how large they are, in one pass over the
 * characters, since most cells of large tables are such. A reused buffer, valid until the next look.
 */
public final class Look {
    /** The size of what is no plain number. */
    public static final int NO_SIZE = -1;

    /** So many digits are added up without running over. */
    private static final int MOST_DIGITS = 18;

    private static final double[] POWERS = {
        1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9, 1e10, 1e11, 1e12, 1e13, 1e14, 1e15, 1e16, 1e17, 1e18
    };

    private int size = NO_SIZE;
    private double value = Double.NaN;

    /**
     * The form of a blank cell or a plain number; null for anything else. What else was seen stands in {@link #size} and
     * {@link #value}.
     */
    public @Nullable Form plain(CellKind kind, char[] chars, int start, int end) {
        size = NO_SIZE;
        value = Double.NaN;
        return switch (kind) {
            case EMPTY -> Form.BLANK;
            case TEXT -> plain(chars, start, end, false);
            case NUMBER -> plain(chars, start, end, true);
            default -> null;
        };
    }

    /** How large a plain number is, to be unpacked by the others; {@link #NO_SIZE} for anything else. */
    public int size() {
        return size;
    }

    /** The plain number, about; not a number for anything else. */
    public double value() {
        return value;
    }

    static int wholeDigits(int size) {
        return size >> 8;
    }

    static int decimals(int size) {
        return size >> 1 & 0x7F;
    }

    static boolean belowZero(int size) {
        return (size & 1) != 0;
    }

    /** Digits with at most a minus in front and a mark that can only be decimal; null for anything else. */
    private @Nullable Form plain(char[] chars, int from, int end, boolean cell) {
        boolean below = from < end && chars[from] == '-';
        int start = below ? from + 1 : from;
        if (end - start > MOST_DIGITS) {
            return null;
        }
        int mark = end;
        long digits = 0;
        for (int i = start; i < end; i++) {
            int digit = chars[i] - '0';
            if (digit >= 0 && digit <= 9) {
                digits = digits * 10 + digit;
            } else if (mark == end && i > start && (chars[i] == '.' || chars[i] == ',' && !cell)) {
                mark = i;
            } else {
                return null;
            }
        }
        int whole = mark - start;
        if (whole == 0) {
            return null;
        }
        int decimals = mark == end ? 0 : end - mark - 1;
        Form form =
                cell ? mark == end ? Form.NUMBER_WHOLE : Form.NUMBER_FRACTION : Forms.ofPlain(chars, start, mark, end);
        if (form == Form.ZERO_LED || form == Form.POINT_OR_GROUP || form == Form.COMMA_OR_GROUP) {
            return form;
        }
        size = whole << 8 | decimals << 1 | (below ? 1 : 0);
        double plain = decimals == 0 ? digits : digits / POWERS[decimals];
        value = below ? -plain : plain;
        return form;
    }
}
