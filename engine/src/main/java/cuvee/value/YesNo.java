package cuvee.value;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** The words by which people say yes and no, in several languages. */
final class YesNo {
    private static final Set<String> YES =
            Set.of("yes", "y", "ja", "j", "oui", "si", "s\u00ed", "sim", "tak", "true", "wahr", "vrai", "vero", "waar");
    private static final Set<String> NO = Set.of(
            "no",
            "n",
            "nein",
            "non",
            "n\u00e3o",
            "nie",
            "nee",
            "nej",
            "nei",
            "false",
            "falsch",
            "faux",
            "falso",
            "onwaar");
    private static final int LONGEST = 6;

    private YesNo() {}

    /** True for yes, false for no; empty for any other text. */
    static Optional<Boolean> of(String text) {
        if (text.length() > LONGEST) {
            return Optional.empty();
        }
        String word = text.toLowerCase(Locale.ROOT);
        return YES.contains(word) ? Optional.of(true) : NO.contains(word) ? Optional.of(false) : Optional.empty();
    }

    /** True where so many characters could say yes or no: a cheap first look. */
    static boolean possible(int length) {
        return length <= LONGEST;
    }
}
