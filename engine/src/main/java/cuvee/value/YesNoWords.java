package cuvee.value;

import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * The two words by which a column of yes and no is written in texts: those of its sources, or true and false.
 *
 * @param yes the word for yes
 * @param no the word for no
 */
public record YesNoWords(String yes, String no) {
    public static final YesNoWords TRUE_FALSE = new YesNoWords("true", "false");

    private static final YesNoWords YES_NO = new YesNoWords("yes", "no");

    /** It as people read it: true and false are yes and no. */
    public YesNoWords spoken() {
        return equals(TRUE_FALSE) ? YES_NO : this;
    }

    /** How a value is written that the master holds as {@code true} or {@code false}. */
    public String of(String value) {
        return value.equals("true") ? yes : no;
    }

    /** What a text says that is one of the words; empty for any other. */
    public Optional<Boolean> said(String text) {
        return text.equals(yes) ? Optional.of(true) : text.equals(no) ? Optional.of(false) : Optional.empty();
    }

    /**
     * The words that most of some texts use; the one for no is of the same style as that for yes where there is such a one,
     * so that “Y” does not stand beside “No”. Empty where the texts do not say both.
     *
     * @param counts how often each text occurs
     */
    static Optional<YesNoWords> most(Map<String, Long> counts) {
        Map<String, Long> yes = new HashMap<>();
        Map<String, Long> no = new HashMap<>();
        counts.forEach((text, count) ->
                YesNo.of(text.strip()).ifPresent(said -> (said ? yes : no).merge(text.strip(), count, Long::sum)));
        return most(yes, word -> true)
                .flatMap(said -> most(no, word -> style(word) == style(said))
                        .or(() -> most(no, word -> true))
                        .map(other -> new YesNoWords(said, other)));
    }

    private static Optional<String> most(Map<String, Long> counts, Predicate<String> wanted) {
        return counts.entrySet().stream()
                .filter(entry -> wanted.test(entry.getKey()))
                .max(Map.Entry.<String, Long>comparingByValue()
                        .thenComparing(Map.Entry.comparingByKey(Comparator.reverseOrder())))
                .map(Map.Entry::getKey);
    }

    private static int style(String word) {
        boolean letter = word.length() == 1;
        boolean capital = Character.isUpperCase(word.charAt(0));
        boolean capitals = capital && Character.isUpperCase(word.charAt(word.length() - 1));
        return (letter ? 4 : 0) + (capital ? 2 : 0) + (capitals ? 1 : 0);
    }
}
