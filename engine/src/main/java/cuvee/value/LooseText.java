package cuvee.value;

import java.text.Normalizer;
import java.util.Locale;

/** Texts that people take for the same: apart from case, spaces, punctuation and invisible characters. */
public final class LooseText {
    private LooseText() {}

    /**
     * What two headers must share to be loosely equal: letters and digits after NFKC and case folding, and the signs that
     * carry meaning (percent, number, currencies). Text of nothing but other signs stays as it is.
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
            if (Character.isLetterOrDigit(c) || isMark(c) || Character.getType(c) == Character.CURRENCY_SYMBOL) {
                key.append(c);
            }
        }
        return key.length() == 0 ? folded.strip() : key.toString();
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

    private static boolean isAscii(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) >= 128) {
                return false;
            }
        }
        return true;
    }
}
