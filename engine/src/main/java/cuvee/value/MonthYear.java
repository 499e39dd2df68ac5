package cuvee.value;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Twelve months, which need not begin in January: 2025 is a calendar year, 2025-04 the year from April 2025 to March 2026.
 *
 * @param begins its first month
 */
public record MonthYear(YearMonth begins) {
    private static final Pattern WORDS = Pattern.compile("\\d{4}(-(0[1-9]|1[0-2]))?");

    public static MonthYear calendar(int year) {
        return new MonthYear(YearMonth.of(year, 1));
    }

    /**
     * The twelve months in which all of some days lie: their calendar year, else those that begin with the month of the
     * first of them. Empty where there are none, or where they lie further apart.
     */
    public static Optional<MonthYear> around(Collection<LocalDate> days) {
        if (days.isEmpty()) {
            return Optional.empty();
        }
        YearMonth first = YearMonth.from(Collections.min(days));
        YearMonth last = YearMonth.from(Collections.max(days));
        if (first.getYear() == last.getYear()) {
            return Optional.of(calendar(first.getYear()));
        }
        return first.plusYears(1).isAfter(last) ? Optional.of(new MonthYear(first)) : Optional.empty();
    }

    /** It, from its words; empty for other words. */
    public static Optional<MonthYear> of(String words) {
        return !WORDS.matcher(words).matches()
                ? Optional.empty()
                : Optional.of(new MonthYear(
                        words.length() == 4 ? YearMonth.of(Integer.parseInt(words), 1) : YearMonth.parse(words)));
    }

    /** The calendar year in which one of its months lies. */
    public int yearOf(int month) {
        return begins.getYear() + (month < begins.getMonthValue() ? 1 : 0);
    }

    public LocalDate firstDayOf(int month) {
        return LocalDate.of(yearOf(month), month, 1);
    }

    /** The first of months in their order, where that is behind January and they go on in the next year. */
    public static Optional<Integer> firstOf(List<Integer> months) {
        int back = 0;
        for (int i = 1; i < months.size(); i++) {
            back += months.get(i) < months.get(i - 1) ? 1 : 0;
        }
        boolean past = back == 1 && months.get(months.size() - 1) < months.get(0);
        return past ? Optional.of(months.get(0)) : Optional.empty();
    }

    /**
     * The one of the two years of a name such as 2025/26 in which months lie, in their order: where they go on past
     * December that which begins with the first of them; else December can only be of the first year, and January only of
     * the second. Empty where neither tells.
     */
    public static Optional<MonthYear> ofTwo(int firstYear, List<Integer> months) {
        Optional<Integer> first = firstOf(months);
        if (first.isPresent()) {
            return first.map(month -> new MonthYear(YearMonth.of(firstYear, month)));
        }
        boolean december = months.contains(12);
        boolean january = months.contains(1);
        return december == january ? Optional.empty() : Optional.of(calendar(december ? firstYear : firstYear + 1));
    }

    /** It as decisions have it. */
    public String words() {
        return begins.getMonthValue() == 1 ? String.valueOf(begins.getYear()) : begins.toString();
    }
}
