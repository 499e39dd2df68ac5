package cuvee.value;

import java.util.Comparator;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The names of the months and their usual abbreviations in several languages. */
public final class MonthNames {
    /** Abbreviations that are common words elsewhere: months only beside a year. */
    static final Set<String> ALSO_WORDS = Set.of("out", "set", "ago", "gen", "lug", "mag", "ott", "lis", "maj");

    private static final Map<String, Integer> MONTHS = months();

    /** What stands between the first and the last of several months, days or weeks. */
    static final String TO = "(?: ?[-\u2013/&] ?| to )";

    /** The first and the last of several months, each a group: {@code Jan-Mar}. */
    public static final Pattern SEVERAL =
            Pattern.compile("(?i)(?<![\\p{L}\\p{N}])(" + words() + ")\\.?" + TO + "(" + words() + ")(?!\\p{L})");

    private MonthNames() {}

    private static Map<String, Integer> months() {
        Map<String, Integer> months = new HashMap<>();
        int month = 0;
        for (String line : Words.of("months.txt")) {
            month++;
            for (String name : Words.in(line)) {
                months.put(name, month);
            }
        }
        return months;
    }

    /** The month of a name or abbreviation, from 1; empty where it is none. */
    public static Optional<Integer> of(String word) {
        return Optional.ofNullable(MONTHS.get(word.toLowerCase(Locale.ROOT)));
    }

    /** Those that are no common words, the longest first, with {@code |} between them. */
    static String words() {
        return MONTHS.keySet().stream()
                .filter(MonthNames::clear)
                .sorted(Comparator.comparingInt(String::length).reversed().thenComparing(Comparator.naturalOrder()))
                .map(Pattern::quote)
                .collect(Collectors.joining("|"));
    }

    /** True where a month's name can be meant without a year beside it. */
    static boolean clear(String word) {
        return !ALSO_WORDS.contains(word.toLowerCase(Locale.ROOT));
    }
}
