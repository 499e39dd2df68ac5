package cuvee.value;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** Texts that people take for the same: apart from case, spaces, punctuation and invisible characters. */
public final class LooseText {
    /** A letter with signs that make another of it: A*, B+. */
    private static final Pattern GRADE = Pattern.compile("\\p{L}[*+-]{1,2}");

    private LooseText() {}

    /**
     * What two headers must share to be loosely equal: letters and digits after NFKC and case folding, and the signs that
     * carry meaning (percent, number, currencies, those of grades). Text of nothing but other signs stays as it is.
     */
    public static String key(String text) {
        String folded = isAscii(text)
                ? text.toLowerCase(Locale.ROOT)
                : Normalizer.normalize(text, Normalizer.Form.NFKC)
                        .toUpperCase(Locale.ROOT)
                        .toLowerCase(Locale.ROOT);
        StringBuilder key = new StringBuilder(folded.length());
        for (int i = 0; i < folded.length(); i++) {
            char c = folded.charAt(i);
            if (isKept(c)) {
                key.append(c);
            }
        }
        if (key.length() == 1 && GRADE.matcher(folded.strip()).matches()) {
            return folded.strip();
        }
        return key.length() == 0 ? folded.strip() : key.toString();
    }

    /** The unit in brackets behind a header, as in {@code Fare (EUR)}: {@code EUR}; empty where there is none. */
    public static String unit(String header) {
        String tidy = tidy(header);
        int open = Math.max(tidy.lastIndexOf('('), tidy.lastIndexOf('['));
        boolean closed = tidy.endsWith(")") || tidy.endsWith("]");
        return closed && open > 0 ? tidy.substring(open + 1, tidy.length() - 1).strip() : "";
    }

    /** The key of a header without its unit; that of the whole where nothing would be left. */
    public static String keyWithoutUnit(String header) {
        String tidy = tidy(header);
        String bare =
                unit(tidy).isEmpty() ? tidy : tidy.substring(0, Math.max(tidy.lastIndexOf('('), tidy.lastIndexOf('[')));
        String key = key(bare);
        return key.isEmpty() ? key(tidy) : key;
    }

    /** What a code has in common with those that differ from it in their digits only: 9 for every run of digits. */
    public static String codePattern(String text) {
        String stripped = text.strip();
        StringBuilder pattern = new StringBuilder(stripped.length());
        boolean digits = false;
        for (int i = 0; i < stripped.length(); i++) {
            char c = stripped.charAt(i);
            boolean digit = c >= '0' && c <= '9';
            if (!digit || !digits) {
                pattern.append(digit ? '9' : c);
            }
            digits = digit;
        }
        return pattern.toString();
    }

    /** The text with every run of white space as one space, and none at the ends. */
    public static String tidy(String text) {
        StringBuilder tidy = new StringBuilder(text.length());
        boolean space = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (cuvee.sheet.Row.isSpace(c)) {
                space = tidy.length() > 0;
            } else {
                if (space) {
                    tidy.append(' ');
                }
                tidy.append(c);
                space = false;
            }
        }
        return tidy.toString();
    }

    private static boolean isMark(char c) {
        return c == '%' || c == '#' || Character.getType(c) == Character.NON_SPACING_MARK;
    }

    private static boolean isKept(char c) {
        if (c < 128) {
            return c >= 'a' && c <= 'z' || c >= '0' && c <= '9' || c == '%' || c == '#' || c == '$';
        }
        return Character.isLetterOrDigit(c) || isMark(c) || Character.getType(c) == Character.CURRENCY_SYMBOL;
    }

    private static boolean isAscii(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) >= 128) {
                return false;
            }
        }
        return true;
    }
}
