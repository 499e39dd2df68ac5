package cuvee.detect;

import java.util.Locale;
import java.util.regex.Pattern;

/** The words by which people mark a line of totals, in several languages. */
final class TotalWords {
    private static final String WORD =
            "(grand |sub|sub-|sub |running )?(total|totals|sum|summe|gesamt|gesamtsumme|zwischensumme|insgesamt"
                    + "|somme|totale|totaal|subtotaal|suma|razem|celkem|totalt|yhteensä|összesen|итого|всего)";
    private static final Pattern EXACT = Pattern.compile(WORD + "( général| general| generale)?[:.]?");
    private static final Pattern LEADS = Pattern.compile(WORD + "[:.]?[ :\\-–].*");
    private static final Pattern ENDS = Pattern.compile(".*[ \\-–]" + WORD + "[:.]?");

    private TotalWords() {}

    /** How surely a text names a total. */
    enum Sureness {
        NO,
        /** A total word beside others: {@code Total North}, or a firm of that name. */
        PARTLY,
        /** Nothing but a total word. */
        WHOLLY
    }

    static Sureness of(String text) {
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
