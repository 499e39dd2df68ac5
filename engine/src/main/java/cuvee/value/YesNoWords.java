package cuvee.value;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The two words by which a column of yes and no is written in texts: those that all its sources use, else true and false.
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

    /** True where all of some texts are among the words by which people say yes and no. */
    public static boolean areAllThat(Collection<String> texts) {
        return texts.stream().allMatch(text -> YesNo.of(text).isPresent());
    }

    /**
     * The words that some texts say yes and no by; of several spellings of a word the one that most have. Empty where they
     * do not say both, or use several words for one of them: {@code Yes} here and {@code Y} there.
     *
     * @param counts how often each text occurs
     */
    static Optional<YesNoWords> shared(Map<String, Long> counts) {
        Map<String, Long> yes = new HashMap<>();
        Map<String, Long> no = new HashMap<>();
        counts.forEach((text, count) ->
                YesNo.of(text.strip()).ifPresent(said -> (said ? yes : no).merge(text.strip(), count, Long::sum)));
        return only(yes).flatMap(said -> only(no).map(other -> new YesNoWords(said, other)));
    }

    /** The most frequent of spellings of one word; empty where they are several words, or none. */
    private static Optional<String> only(Map<String, Long> counts) {
        long words = counts.keySet().stream()
                .map(word -> word.toLowerCase(Locale.ROOT))
                .distinct()
                .count();
        return words != 1
                ? Optional.empty()
                : counts.entrySet().stream()
                        .max(Map.Entry.<String, Long>comparingByValue()
                                .thenComparing(Map.Entry.comparingByKey(Comparator.reverseOrder())))
                        .map(Map.Entry::getKey);
    }
}
