package cuvee.gather;

import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Map;

/**
 * Of what kinds values are, and how many of each. The fields of a form are of several kinds; a table has one kind in each
 * column.
 */
record ValueKinds(Map<Kind, Long> counts) {
    /** No kind is more than this share of values of several kinds. */
    private static final double MOST_OF_A_KIND = 0.8;

    /** What a value is, as far as tells the fields of a form apart. */
    enum Kind {
        WORDS,
        /** Words with digits in them, and numbers that begin with a nought. */
        CODES,
        NUMBERS,
        DATES,
        TIMES;

        /** True for two that one column might well hold. */
        boolean isLike(Kind other) {
            return this == other || isText() && other.isText();
        }

        private boolean isText() {
            return this == WORDS || this == CODES;
        }
    }

    ValueKinds {
        counts = Map.copyOf(counts);
    }

    /** Words for nothing say nothing of what else stands there. */
    static ValueKinds of(Evidence evidence) {
        long dates = Typing.fit(evidence, Type.DATE_AND_TIME);
        long numbers = Typing.fit(evidence, Type.DECIMAL);
        long times = Typing.fit(evidence, Type.TIME);
        long codes = evidence.count(Form.WORDS_AND_DIGITS, Form.ZERO_LED);
        long words = evidence.filled()
                - evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR)
                - dates
                - numbers
                - times
                - codes;
        Map<Kind, Long> counts = new EnumMap<>(Kind.class);
        counts.put(Kind.WORDS, Math.max(0, words));
        counts.put(Kind.CODES, codes);
        counts.put(Kind.NUMBERS, numbers);
        counts.put(Kind.DATES, dates);
        counts.put(Kind.TIMES, times);
        return new ValueKinds(counts);
    }

    static ValueKinds of(Collection<Kind> kinds) {
        Map<Kind, Long> counts = new EnumMap<>(Kind.class);
        kinds.forEach(kind -> counts.merge(kind, 1L, Long::sum));
        return new ValueKinds(counts);
    }

    /** The kind of most of them; words where there is none. */
    Kind most() {
        return counts.entrySet().stream()
                .filter(each -> each.getValue() > 0)
                .max(Map.Entry.<Kind, Long>comparingByValue()
                        .thenComparing(Map.Entry::getKey, Comparator.reverseOrder()))
                .map(Map.Entry::getKey)
                .orElse(Kind.WORDS);
    }

    boolean isOfTwo() {
        return counts.values().stream().filter(count -> count > 0).count() > 1;
    }

    /** True for enough of them, of which no kind is nearly all. */
    boolean isMixed() {
        long all = counts.values().stream().mapToLong(Long::longValue).sum();
        long most = counts.values().stream().mapToLong(Long::longValue).max().orElse(0);
        return all >= SmallSheet.FEWEST_FIELDS && most <= all * MOST_OF_A_KIND && most < all;
    }

    /** True where there are words, numbers and dates. */
    boolean areWordsNumbersAndDates() {
        return (has(Kind.WORDS) || has(Kind.CODES)) && has(Kind.NUMBERS) && has(Kind.DATES);
    }

    private boolean has(Kind kind) {
        return counts.getOrDefault(kind, 0L) > 0;
    }
}
