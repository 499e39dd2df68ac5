package cuvee.value;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** The names of the days of the week and their usual abbreviations in several languages. */
public final class DayNames {
    /** Their places in the week, from 1 for Monday. */
    private static final Map<String, Integer> DAYS = days();
    /** The first letters of the days of a week, in several languages. */
    private static final List<String> INITIALS =
            List.of("mtwtfss", "mdmdfss", "lmmjvsd", "lmmgvsd", "lmxjvsd", "mdwdvzz");

    private static final int WEEK = 7;
    private static final int FEWEST_INITIALS = 5;

    /** So many days without work follow each other at most. */
    private static final int MOST_DAYS_OFF = 6;

    private static final int OVER_A_WEEKEND = 3;
    private static final int LAST_OF_A_MONTH = 31;
    /** Fewer small numbers than these go up so in a record too. */
    private static final int FEWEST_WORKING_DAYS = 8;

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

    /** True for days of a month that follow each other but for weekends and holidays: {@code 1 2 3 4 5 8 9 10 11 12 15}. */
    public static boolean areWorkingDays(List<Long> numbers) {
        int next = 0;
        int weekends = 0;
        for (int i = 1; i < numbers.size(); i++) {
            long step = numbers.get(i) - numbers.get(i - 1);
            if (step < 1 || step > MOST_DAYS_OFF + 1) {
                return false;
            }
            next += step == 1 ? 1 : 0;
            weekends += step == OVER_A_WEEKEND ? 1 : 0;
        }
        return numbers.size() >= FEWEST_WORKING_DAYS
                && numbers.get(0) >= 1
                && numbers.get(numbers.size() - 1) <= LAST_OF_A_MONTH
                && weekends > 0
                && next * 2 >= numbers.size();
    }

    /**
     * True for first letters of the days of the week, one after the other, {@code M T W T F}; those without work may be left
     * out.
     */
    public static boolean areInitials(List<String> letters) {
        if (letters.size() < FEWEST_INITIALS
                || letters.stream().anyMatch(letter -> letter.strip().length() != 1)) {
            return false;
        }
        String all =
                String.join("", letters.stream().map(String::strip).toList()).toLowerCase(Locale.ROOT);
        return IntStream.rangeClosed(FEWEST_INITIALS, WEEK).anyMatch(days -> goOnByWeeks(all, days));
    }

    /** True for the letters of some weeks of so many days. */
    private static boolean goOnByWeeks(String letters, int days) {
        for (int i = days; i < letters.length(); i++) {
            if (letters.charAt(i) != letters.charAt(i - days)) {
                return false;
            }
        }
        String first = letters.substring(0, Math.min(days, letters.length()));
        return INITIALS.stream()
                .map(week -> week.substring(0, days).repeat(2))
                .anyMatch(weeks -> weeks.contains(first));
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
