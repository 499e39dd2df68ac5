package cuvee.detect;

import java.util.Locale;
import java.util.regex.Pattern;

/** The words by which people mark a line of totals, in several languages. */
public final class TotalWords {
    private static final String WORD =
            "(grand |sub|sub-|sub |running )?(total|totals|sum|summe|gesamt|gesamtsumme|zwischensumme|insgesamt"
                    + "|somme|totale|totaal|subtotaal|suma|razem|celkem|totalt|yhteensä|összesen|итого|всего)";
    private static final Pattern EXACT = Pattern.compile(WORD + "( général| general| generale)?[:.]?");
    private static final Pattern LEADS = Pattern.compile(WORD + "[:.]?[ :\\-–].*");
    private static final Pattern ENDS = Pattern.compile(".*[ \\-–]" + WORD + "[:.]?");

    private TotalWords() {}

    private static final String STARTS = "to su gr ru ge zw in so ra ce yh ös ит вс";
    private static final boolean[] FIRST = firstLetters();

    /** How surely a text names a total. */
    public enum Sureness {
        NO,
        /** A total word beside others: {@code Total North}, or a firm of that name. */
        PARTLY,
        /** Nothing but a total word. */
        WHOLLY
    }

    /** True where some word of a text begins like a total word: a cheap first look, since most cells do not. */
    static boolean possible(char[] chars, int start, int end) {
        if (end - start < 3 || end - start > 60) {
            return false;
        }
        boolean wordStart = true;
        for (int i = start; i + 1 < end; i++) {
            char c = chars[i];
            boolean letter = c < 128 ? (c | 0x20) >= 'a' && (c | 0x20) <= 'z' : Character.isLetter(c);
            if (letter && wordStart && (c >= 128 || FIRST[c | 0x20]) && begins(c, chars[i + 1])) {
                return true;
            }
            wordStart = !letter;
        }
        return false;
    }

    private static boolean begins(char c, char next) {
        char first = Character.toLowerCase(c);
        char second = Character.toLowerCase(next);
        for (int s = 0; s < STARTS.length(); s += 3) {
            if (STARTS.charAt(s) == first && STARTS.charAt(s + 1) == second) {
                return true;
            }
        }
        return false;
    }

    private static boolean[] firstLetters() {
        boolean[] first = new boolean[128];
        for (int s = 0; s < STARTS.length(); s += 3) {
            if (STARTS.charAt(s) < 128) {
                first[STARTS.charAt(s)] = true;
            }
        }
        return first;
    }

    /** How surely a text names a total. */
    public static Sureness of(String text) {
        if (text.length() < 3 || text.length() > 60) {
            return Sureness.NO;
        }
        String lower = cuvee.value.LooseText.tidy(text).toLowerCase(Locale.ROOT);
        if (EXACT.matcher(lower).matches()) {
            return Sureness.WHOLLY;
        }
        return LEADS.matcher(lower).matches() || ENDS.matcher(lower).matches() ? Sureness.PARTLY : Sureness.NO;
    }
}
