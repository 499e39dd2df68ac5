package cuvee.value;

import cuvee.sheet.Row;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The words by which people say yes and no, in several languages. */
final class YesNo {
    private static final Set<String> YES = Set.of(
            "✓", "✔", "yes", "y", "ja", "j", "oui", "si", "s\u00ed", "sim", "tak", "true", "wahr", "vrai", "vero",
            "waar");
    private static final Set<String> NO = Set.of(
            "✗",
            "✘",
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
    private static final List<String> FIRST_LETTERS = firstLetters();

    private YesNo() {}

    /** True for yes, false for no; empty for any other text. */
    static Optional<Boolean> of(String text) {
        if (text.length() > LONGEST) {
            return Optional.empty();
        }
        String word = text.toLowerCase(Locale.ROOT);
        return YES.contains(word) ? Optional.of(true) : NO.contains(word) ? Optional.of(false) : Optional.empty();
    }

    /** True where a text could say yes or no, by its length and first letter: a look that makes no string. */
    static boolean possible(char[] chars, int start, int end) {
        int from = start;
        int to = end;
        while (from < to && Row.isSpace(chars[from])) {
            from++;
        }
        while (to > from && Row.isSpace(chars[to - 1])) {
            to--;
        }
        return from < to && to - from <= LONGEST && FIRST_LETTERS.get(to - from).indexOf(chars[from] | 0x20) >= 0;
    }

    /** The small first letters of the words of each length, signs changed like letters. */
    private static List<String> firstLetters() {
        List<String> letters = new ArrayList<>();
        for (int length = 0; length <= LONGEST; length++) {
            int wanted = length;
            letters.add(Stream.concat(YES.stream(), NO.stream())
                    .filter(word -> word.length() == wanted)
                    .map(word -> String.valueOf((char) (word.charAt(0) | 0x20)))
                    .distinct()
                    .collect(Collectors.joining()));
        }
        return letters;
    }
}
