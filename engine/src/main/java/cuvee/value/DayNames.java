package cuvee.value;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** The names of the days of the week and their usual abbreviations in several languages. */
public final class DayNames {
    private static final Set<String> DAYS = days();
    /** The first letters of the days of two weeks, in several languages. */
    private static final List<String> INITIALS = List.of(
            "mtwtfssmtwtfss", "mdmdfssmdmdfss", "lmmjvsdlmmjvsd", "lmmgvsdlmmgvsd", "lmxjvsdlmxjvsd", "mdwdvzzmdwdvzz");

    private static final int WEEK = 7;
    private static final int FEWEST_INITIALS = 5;

    private DayNames() {}

    private static Set<String> days() {
        Set<String> days = new HashSet<>();
        for (String line : Words.of("days.txt")) {
            days.addAll(Words.in(line));
        }
        return days;
    }

    /** True for first letters of the days of the week, one after the other: {@code M T W T F}. */
    public static boolean areInitials(List<String> letters) {
        if (letters.size() < FEWEST_INITIALS
                || letters.stream().anyMatch(letter -> letter.strip().length() != 1)) {
            return false;
        }
        String all =
                String.join("", letters.stream().map(String::strip).toList()).toLowerCase(Locale.ROOT);
        String week = all.substring(0, Math.min(WEEK, all.length()));
        for (int i = WEEK; i < all.length(); i++) {
            if (all.charAt(i) != all.charAt(i - WEEK)) {
                return false;
            }
        }
        return INITIALS.stream().anyMatch(days -> days.contains(week));
    }

    /** True for the name of a day of the week, or its abbreviation with or without a point. */
    public static boolean isDay(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        return DAYS.contains(word.endsWith(".") ? word.substring(0, word.length() - 1) : word);
    }
}
