package cuvee.layout;

import cuvee.value.Period;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Headers that are days without a year, one after the other: {@code 22/12, 23/12}, {@code Mon 22 Dec, Tue 23 Dec}. The titles
 * above may say the year; the days may go over its turn.
 *
 * @param days what each header stands for: the day, or its own text where no title says the year
 * @param dated true where the year is known
 */
record DaysAcross(List<String> days, boolean dated) {
    private static final Pattern NUMBERS =
            Pattern.compile("(?:\\p{L}{2,10}[.,]{0,2}\\s+)?(\\d{1,2})([/.-])(\\d{1,2})\\.?");
    private static final Pattern YEAR = Pattern.compile("(?<!\\d)((?:19|20)\\d\\d)(?!\\d)");
    /** A leap year, so that every day of a year is one of it. */
    private static final String ANY_YEAR = "2000";
    /** Days that are further apart are no run of days. */
    private static final int FURTHEST = 7;

    /** Longer headers say more than a day. */
    private static final int LONGEST = 24;

    private static final int DAYS_OF_A_YEAR = 365;

    private enum Order {
        DAY_FIRST,
        MONTH_FIRST
    }

    DaysAcross {
        days = List.copyOf(days);
    }

    /** The days that some headers are in their order; empty where one of them is none, or they are no run. */
    static Optional<DaysAcross> of(List<String> headers, List<String> titles) {
        for (Order order : Order.values()) {
            List<MonthDay> days = headers.stream()
                    .flatMap(header -> day(header, order).stream())
                    .toList();
            if (days.size() == headers.size() && goesUp(days)) {
                List<LocalDate> dated = dated(days, titles);
                return Optional.of(
                        dated.isEmpty()
                                ? new DaysAcross(headers, false)
                                : new DaysAcross(
                                        dated.stream().map(LocalDate::toString).toList(), true));
            }
        }
        return Optional.empty();
    }

    /** True where a header is a day without a year, as it stands. */
    static boolean isDay(String header) {
        boolean may = header.length() <= LONGEST && header.chars().anyMatch(Character::isDigit);
        return may
                && (day(header, Order.DAY_FIRST).isPresent()
                        || day(header, Order.MONTH_FIRST).isPresent());
    }

    private static Optional<MonthDay> day(String header, Order order) {
        Matcher numbers = NUMBERS.matcher(header.strip());
        if (!numbers.matches()) {
            return Period.dayOf(header.strip(), ANY_YEAR).map(MonthDay::from);
        }
        int first = Integer.parseInt(numbers.group(1));
        int second = Integer.parseInt(numbers.group(3));
        try {
            return Optional.of(order == Order.DAY_FIRST ? MonthDay.of(second, first) : MonthDay.of(first, second));
        } catch (DateTimeException noDay) {
            return Optional.empty();
        }
    }

    private static boolean goesUp(List<MonthDay> days) {
        for (int i = 1; i < days.size(); i++) {
            long step = ChronoUnit.DAYS.between(
                    days.get(i - 1).atYear(2001), days.get(i).atYear(2001));
            long ahead = step < 0 ? step + DAYS_OF_A_YEAR : step;
            if (ahead < 1 || ahead > FURTHEST) {
                return false;
            }
        }
        return true;
    }

    /** The days with the year that titles say; empty where they say none, or several that fit. */
    private static List<LocalDate> dated(List<MonthDay> days, List<String> titles) {
        TreeSet<Integer> years = new TreeSet<>();
        for (String title : titles) {
            Matcher year = YEAR.matcher(title);
            while (year.find()) {
                years.add(Integer.parseInt(year.group(1)));
            }
        }
        MonthDay first = days.get(0);
        boolean turns = days.get(days.size() - 1).isBefore(first);
        boolean two = years.size() == 2 && years.last() == years.first() + 1;
        if (!(years.size() == 1 || turns && two)) {
            return List.of();
        }
        // With one year over its turn, that is the year of the month which a title speaks of.
        boolean ofTheEnd = turns
                && years.size() == 1
                && titles.stream()
                        .flatMap(title -> Period.in(title, cuvee.value.Convention.Order.DAY_FIRST).stream())
                        .noneMatch(found -> found.period().number() == first.getMonthValue());
        int year = ofTheEnd ? years.first() - 1 : years.first();
        List<LocalDate> dated = new ArrayList<>();
        for (MonthDay day : days) {
            int own = day.isBefore(first) ? year + 1 : year;
            if (!day.isValidYear(own)) {
                return List.of();
            }
            dated.add(day.atYear(own));
        }
        return dated;
    }
}
