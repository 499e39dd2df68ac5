package cuvee.sheet;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/** Numbers of spreadsheets as text: at most 15 significant digits, as people see them (0.1+0.2 is 0.3), never with E. */
public final class NumberText {
    private static final MathContext SHOWN = new MathContext(15, RoundingMode.HALF_UP);

    private NumberText() {}

    /**
     * The shortest plain decimal of a number as a workbook stores it.
     *
     * @return the plain text, or the text itself where it is no number
     */
    public static String plain(String stored) {
        if (isShortPlain(stored)) {
            return stored;
        }
        try {
            return plain(new BigDecimal(stored.trim()));
        } catch (NumberFormatException noNumber) {
            return stored;
        }
    }

    public static String plain(BigDecimal number) {
        BigDecimal shown = number.round(SHOWN).stripTrailingZeros();
        if (shown.signum() == 0) {
            return "0";
        }
        return shown.precision() - shown.scale() > 400 ? shown.toString() : shown.toPlainString();
    }

    private static boolean isShortPlain(String stored) {
        int length = stored.length();
        if (length == 0 || length > 16) {
            return false;
        }
        int digits = 0;
        boolean point = false;
        for (int i = 0; i < length; i++) {
            char c = stored.charAt(i);
            if (c >= '0' && c <= '9') {
                digits++;
            } else if (c == '.' && !point && i > 0) {
                point = true;
            } else if (c != '-' || i > 0) {
                return false;
            }
        }
        char last = stored.charAt(length - 1);
        boolean trimmed = !point || (last != '0' && last != '.');
        char first = stored.charAt(0) == '-' && length > 1 ? stored.charAt(1) : stored.charAt(0);
        boolean zeroLed = first == '0' && digits > 1 && !stored.startsWith("0.") && !stored.startsWith("-0.");
        return digits > 0 && digits <= 15 && trimmed && !zeroLed && !stored.equals("-0") && first != '.';
    }
}
