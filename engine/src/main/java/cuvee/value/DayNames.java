package cuvee.value;

import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/** The names of the days of the week and their usual abbreviations in several languages. */
public final class DayNames {
    private static final Set<String> DAYS = days();

    private DayNames() {}

    private static Set<String> days() {
        Set<String> days = new HashSet<>();
        for (String line : Words.of("days.txt")) {
            days.addAll(Words.in(line));
        }
        return days;
    }

    /** True for the name of a day of the week, or its abbreviation with or without a point. */
    public static boolean isDay(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        return DAYS.contains(word.endsWith(".") ? word.substring(0, word.length() - 1) : word);
    }
}
