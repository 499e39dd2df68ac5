package cuvee.sheet;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/** Numbers of spreadsheets as text: at most 15 significant digits, as people see them (0.1+0.2 is 0.3), never with E. */
public final class NumberText {
    private static final MathContext SHOWN = new MathContext(15, RoundingMode.HALF_UP);

    private static final int SHORT = 16;

    private NumberText() {}

    /**
     * The shortest plain decimal of a number as a workbook stores it.
     *
     * @return the plain text, or the text itself where it is no number
     */
    public static String plain(String stored) {
        if (isShortPlain(stored) || stored.length() > ReadLimits.NUMBER_LENGTH) {
            return stored;
        }
        try {
            return plain(new BigDecimal(stored.trim()));
        } catch (NumberFormatException noNumber) {
            return stored;
        }
    }

    /** The plain decimal of a number that was worked out, rounded to six digits behind the mark. */
    public static String plain(double number) {
        return plain(new BigDecimal(number).setScale(6, RoundingMode.HALF_UP));
    }

    public static String plain(BigDecimal number) {
        BigDecimal shown = number.round(SHOWN).stripTrailingZeros();
        if (shown.signum() == 0) {
            return "0";
        }
        boolean absurd = Math.abs((long) shown.precision() - shown.scale()) > ReadLimits.NUMBER_LENGTH;
        return absurd ? shown.toString() : shown.toPlainString();
    }

    private static boolean isShortPlain(String stored) {
        return stored.length() <= SHORT && plainLength(stored.toCharArray(), stored.length()) == stored.length();
    }

    /**
     * How many of a number's first characters are what {@link #plain} would write; all of them for most numbers, fewer
     * for one as 12.50.
     *
     * @return -1 where it has to be looked at more closely
     */
    static int plainLength(char[] stored, int length) {
        if (length == 0 || length > SHORT) {
            return -1;
        }
        int start = stored[0] == '-' ? 1 : 0;
        int point = -1;
        for (int i = start; i < length; i++) {
            char c = stored[i];
            if (c == '.' && point < 0 && i > start) {
                point = i;
            } else if (c < '0' || c > '9') {
                return -1;
            }
        }
        int end = length;
        if (point >= 0) {
            while (stored[end - 1] == '0') {
                end--;
            }
            end = end - 1 == point ? point : end;
        }
        int whole = (point < 0 ? end : point) - start;
        int digits = end - start - (point < 0 || end == point ? 0 : 1);
        boolean zeroLed = whole > 1 && stored[start] == '0';
        boolean minusZero = start == 1 && digits == 1 && stored[1] == '0';
        return whole > 0 && digits <= 15 && !zeroLed && !minusZero ? end : -1;
    }
}
