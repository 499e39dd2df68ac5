package cuvee.value;

import java.util.List;
import java.util.Locale;

/** Marks that people write for the value above: {@code "}, {@code do.}, {@code ditto}. */
public final class Ditto {
    /** In small letters, without spaces. */
    public static final List<String> MARKS = List.of(
            "\"",
            "\"\"",
            "''",
            "\u2033",
            "\u3003",
            "\u201c",
            "\u201d",
            "\u201e",
            ",,",
            "-\"-",
            "-''-",
            "\u2013\"\u2013",
            "do.",
            "dto.",
            "ditto",
            "dito",
            "idem",
            "id.",
            "asabove",
            "sameasabove",
            "wieoben");

    private Ditto() {}

    public static boolean isMark(String text) {
        return text.length() <= 16 && MARKS.contains(text.replace(" ", "").toLowerCase(Locale.ROOT));
    }

    /** How many of some cells are such marks, as far as their texts are listed. */
    public static long marks(Evidence evidence) {
        return evidence.oddities().entrySet().stream()
                .filter(text -> isMark(text.getKey()))
                .mapToLong(text -> text.getValue())
                .sum();
    }

    /** The evidence of the cells that are no such marks. */
    public static Evidence without(Evidence evidence) {
        Evidence rest = evidence;
        for (var text : evidence.oddities().entrySet()) {
            if (isMark(text.getKey())) {
                rest = rest.replaced(text.getKey(), "", text.getValue());
            }
        }
        return rest;
    }
}
