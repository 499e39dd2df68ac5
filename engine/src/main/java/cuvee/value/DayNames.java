package cuvee.value;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** The names of the days of the week and their usual abbreviations in several languages. */
public final class DayNames {
    /** Their places in the week, from 1 for Monday. */
    private static final Map<String, Integer> DAYS = days();
    /** The first letters of the days of two weeks, in several languages. */
    private static final List<String> INITIALS = List.of(
            "mtwtfssmtwtfss", "mdmdfssmdmdfss", "lmmjvsdlmmjvsd", "lmmgvsdlmmgvsd", "lmxjvsdlmxjvsd", "mdwdvzzmdwdvzz");

    private static final int WEEK = 7;
    private static final int FEWEST_INITIALS = 5;

    private DayNames() {}

    private static Map<String, Integer> days() {
        Map<String, Integer> days = new HashMap<>();
        int day = 0;
        for (String line : Words.of("days.txt")) {
            day++;
            for (String word : Words.in(line)) {
                days.putIfAbsent(word, day);
            }
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
        return placeInWeek(text).isPresent();
    }

    /** The place of a day in the week by its name or its abbreviation, from 1 for Monday; empty for other words. */
    public static Optional<Integer> placeInWeek(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        return Optional.ofNullable(DAYS.get(word.endsWith(".") ? word.substring(0, word.length() - 1) : word));
    }
}
