package cuvee.value;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A stretch of time that a name, a title or a header speaks of: "2026-03", "March 26", "Q1 2026", "KW 12", "15.03.2026".
 *
 * @param year 0 where it is not said
 * @param number the month, quarter, half or week; 0 for a year
 * @param day the day of the month; 0 for anything but a day
 */
public record Period(Kind kind, int year, int number, int day) {
    /** The sorts of periods, with the name that a column of them gets. */
    public enum Kind {
        DAY("Date"),
        WEEK("Week"),
        MONTH("Month"),
        QUARTER("Quarter"),
        HALF("Half-year"),
        YEAR("Year"),
        /** A year that begins in one calendar year and ends in the next: 2025/26. */
        YEARS("Year");

        private final String column;

        Kind(String column) {
            this.column = column;
        }

        /** The name of a column of such periods. */
        public String column() {
            return column;
        }
    }

    /** A period found in a longer text, from a position to another. */
    public record Found(Period period, int from, int to) {
        /** True for a month that four digits alone say, which may as well be a number: {@code 1707}. */
        public boolean mayBeANumber() {
            return period.kind == Kind.MONTH && period.year != 0 && to - from == FOUR_DIGITS;
        }
    }

    private static final int FOUR_DIGITS = 4;

    private static final String SEPARATOR = "[-_. /',]{0,3}";
    private static final String NOT_IN_WORD = "(?<![\\p{L}\\p{N}])";
    private static final String NOT_IN_NUMBER = "(?<!\\p{N})";
    private static final String YEAR4 = "((?:19|20)\\d\\d)";
    private static final String YEAR_OF_ANY_LENGTH = "((?:19|20)\\d\\d|\\d\\d)";
    /** Before the year of accounts; its quarters are told by their text alone, so that it matters not where it begins. */
    private static final String FISCAL = "(?:(?i:fy) ?'?)?";

    /** {@code Q1a} is a question; {@code Q1A} may be what was actually sold in a quarter. */
    private static final String NO_QUESTION = "(?!\\p{Ll}(?!\\p{L}))";

    private static final String END = "(?!\\p{N})";
    private static final String WORD = "(\\p{L}{3,12})";
    /** Not before a word that is a month in another language, with the year of a month in digits: {@code Days out 2025-06}. */
    private static final String NO_COMMON_WORD = "(?!(?i:" + String.join("|", MonthNames.ALSO_WORDS)
            + ")\\P{L}{0,3}(?:19|20)\\d\\d[-_.](?:0[1-9]|1[0-2])(?!\\p{N}))";

    /**
     * Several months, days of a month or weeks, of which none is the one meant: {@code Jan-Mar 2026} speaks of 2026,
     * {@code 2-8 March 2026} of March.
     */
    private static final Pattern SEVERAL = Pattern.compile(MonthNames.SEVERAL.pattern()
            + "|(?<![\\p{L}\\p{N}])(?:(?<!\\d[-\u2013])\\d{1,2}" + MonthNames.TO
            + "\\d{1,2}(?=(?:st|nd|rd|th)?[-_. ]?(?:" + MonthNames.words()
            + ")(?!\\p{L}))|(?:w|wk|week|kw|cw|woche)[-_. ]?\\d{1,2}" + MonthNames.TO + "\\d{1,2}(?!\\d))");

    private static final int EARLIEST_SHORT_YEAR = 15;
    private static final int LATEST_SHORT_YEAR = 39;

    private static final int LONGEST_DAY = 30;
    private static final String WEEKDAY = "(?:\\p{L}{2,10}[.,]{0,2}\\s+)?";
    private static final Pattern DAY_AND_MONTH =
            Pattern.compile(WEEKDAY + "(\\d{1,2})(?:st|nd|rd|th|\\.)?[-\\s/]*(\\p{L}{3,12}\\.?)");
    private static final Pattern MONTH_AND_DAY =
            Pattern.compile(WEEKDAY + "(\\p{L}{3,12}\\.?)[-\\s/]*(\\d{1,2})(?:st|nd|rd|th)?");
    private static final Pattern POINTED_DAY = Pattern.compile(WEEKDAY + "(\\d{1,2})\\.\\s?(\\d{1,2})\\.");

    /** Headers and names come again and again. */
    private static final Map<String, Optional<Found>> FOUND = new ConcurrentHashMap<>();

    private static final int MOST_REMEMBERED = 20_000;
    private static final int LONGEST_REMEMBERED = 100;
    /** Beyond so many letters a text is prose. */
    private static final int LONGEST = 400;

    private static final int LONGEST_MONTH = 20;

    private interface Making {
        @Nullable
        Period make(MatchResult found, Convention.Order order);
    }

    private record Way(Pattern pattern, Making making) {}

    private static final List<Way> WAYS = List.of(
            way(
                    NOT_IN_NUMBER + YEAR4 + "([-_. /]?)(0[1-9]|1[0-2])\\2(0[1-9]|[12]\\d|3[01])" + END,
                    (m, order) -> date(number(m, 1), number(m, 3), number(m, 4))),
            way(
                    NOT_IN_NUMBER + "(\\d{1,2})([-_. /])(\\d{1,2})\\2" + YEAR_OF_ANY_LENGTH + END,
                    (m, order) -> either(number(m, 1), number(m, 3), wholeYear(m.group(4)), order)),
            way(
                    NOT_IN_NUMBER + "(0[1-9]|[12]\\d|3[01])(0[1-9]|1[0-2])" + YEAR4 + END,
                    (m, order) -> date(number(m, 3), number(m, 2), number(m, 1))),
            way(
                    NOT_IN_NUMBER + "(\\d{1,2})(?:st|nd|rd|th)?" + SEPARATOR + WORD + SEPARATOR + YEAR_OF_ANY_LENGTH
                            + END,
                    (m, order) -> named(m.group(2), wholeYear(m.group(3)), number(m, 1))),
            way(
                    NOT_IN_WORD + WORD + " (\\d{1,2})(?:st|nd|rd|th)?,? " + YEAR4 + END,
                    (m, order) -> named(m.group(1), number(m, 3), number(m, 2))),
            way(
                    NOT_IN_WORD + NO_COMMON_WORD + WORD + SEPARATOR + YEAR_OF_ANY_LENGTH + END,
                    (m, order) -> named(m.group(1), wholeYear(m.group(2)), 0)),
            way(
                    NOT_IN_NUMBER + YEAR4 + SEPARATOR + WORD + "(?!\\p{L})",
                    (m, order) -> named(m.group(2), number(m, 1), 0)),
            way(
                    NOT_IN_NUMBER + YEAR4 + SEPARATOR + "(?i:q|qtr|quarter|quartal)[-_. ]?([1-4])" + END,
                    (m, order) -> new Period(Kind.QUARTER, number(m, 1), number(m, 2), 0)),
            way(
                    NOT_IN_WORD + "(?i:q|qtr|quarter|quartal)[-_. ]?([1-4])" + NO_QUESTION + "(?:" + SEPARATOR + FISCAL
                            + YEAR_OF_ANY_LENGTH + ")?" + END,
                    (m, order) -> new Period(Kind.QUARTER, yearOrNone(m.group(2)), number(m, 1), 0)),
            way(
                    NOT_IN_WORD + "([1-4])\\.? ?(?i:quartal|quarter|qtr|q)(?!\\p{L})(?:" + SEPARATOR
                            + YEAR_OF_ANY_LENGTH + ")?" + END,
                    (m, order) -> new Period(Kind.QUARTER, yearOrNone(m.group(2)), number(m, 1), 0)),
            way(
                    NOT_IN_WORD + "[Hh]([12])(?:" + SEPARATOR + FISCAL + YEAR_OF_ANY_LENGTH + ")?" + END,
                    (m, order) -> new Period(Kind.HALF, yearOrNone(m.group(2)), number(m, 1), 0)),
            way(
                    NOT_IN_NUMBER + YEAR4 + SEPARATOR + "(?i:w|wk|week|kw|cw)[-_. ]?(0?[1-9]|[1-4]\\d|5[0-3])" + END,
                    (m, order) -> new Period(Kind.WEEK, number(m, 1), number(m, 2), 0)),
            way(
                    NOT_IN_WORD + "(?i:w|wk|week|kw|cw|woche)[-_. ]?(0?[1-9]|[1-4]\\d|5[0-3])(?:" + SEPARATOR + YEAR4
                            + ")?" + END,
                    (m, order) -> new Period(Kind.WEEK, yearOrNone(m.group(2)), number(m, 1), 0)),
            way(
                    NOT_IN_NUMBER + YEAR4 + "[-_. /]?(0[1-9]|1[0-2])" + END,
                    (m, order) -> new Period(Kind.MONTH, number(m, 1), number(m, 2), 0)),
            way(
                    NOT_IN_NUMBER + "(0?[1-9]|1[0-2])[-_. /]" + YEAR4 + END,
                    (m, order) -> new Period(Kind.MONTH, number(m, 2), number(m, 1), 0)),
            way(
                    NOT_IN_NUMBER + "(0[1-9]|1[0-2])" + YEAR4 + END,
                    (m, order) -> new Period(Kind.MONTH, number(m, 2), number(m, 1), 0)),
            way(NOT_IN_WORD + WORD + "(?![\\p{L}\\p{N}])", (m, order) -> alone(m.group(1))),
            way(
                    NOT_IN_NUMBER + YEAR4 + " ?[-/_\u2013] ?((?:20)?\\d\\d)" + END,
                    (m, order) -> years(number(m, 1), number(m, 2))),
            way(
                    NOT_IN_WORD + "(?i:fy) ?'?(\\d\\d) ?[-/]? ?(\\d\\d)" + END,
                    (m, order) -> years(wholeYear(m.group(1)), number(m, 2))),
            way(NOT_IN_NUMBER + YEAR4 + END, (m, order) -> new Period(Kind.YEAR, number(m, 1), 0, 0)),
            way(
                    NOT_IN_WORD + "(\\d\\d)(\\d\\d)(?![\\p{L}\\p{N}])",
                    (m, order) -> fourDigits(number(m, 1), number(m, 2))));

    private static final List<Way> WITHOUT_DIGITS =
            List.of(way(NOT_IN_WORD + WORD + "(?![\\p{L}\\p{N}])", (m, order) -> alone(m.group(1))));

    private static Way way(String pattern, Making making) {
        return new Way(Pattern.compile(pattern), making);
    }

    /**
     * The period that a text speaks of most exactly; empty where it speaks of none.
     *
     * @param order what comes first in dates that could be read in two ways
     */
    public static Optional<Found> in(String text, Convention.Order order) {
        if (text.length() > LONGEST_REMEMBERED) {
            return find(text.substring(0, Math.min(text.length(), LONGEST)), order);
        }
        if (FOUND.size() > MOST_REMEMBERED) {
            FOUND.clear();
        }
        return FOUND.computeIfAbsent(order.ordinal() + text, key -> find(text, order));
    }

    private static Optional<Found> find(String whole, Convention.Order order) {
        String text = withoutSeveral(whole);
        boolean digits = text.chars().anyMatch(Character::isDigit);
        for (Way way : digits ? WAYS : WITHOUT_DIGITS) {
            Matcher matcher = way.pattern().matcher(text);
            int at = 0;
            while (at <= text.length() && matcher.find(at)) {
                Period period = way.making().make(matcher, order);
                if (period != null) {
                    return Optional.of(new Found(period, matcher.start(), matcher.end()));
                }
                at = matcher.start() + 1;
            }
        }
        return Optional.empty();
    }

    /** A text of the same length in which what says several months, days or weeks says nothing. */
    private static String withoutSeveral(String text) {
        boolean letters = false;
        boolean joined = text.contains(" to ");
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            letters |= Character.isLetter(c);
            joined |= c == '-' || c == '\u2013' || c == '/' || c == '&';
        }
        return letters && joined
                ? SEVERAL.matcher(text)
                        .replaceAll(found -> "\u0002".repeat(found.group().length()))
                : text;
    }

    /** The period that a text is, when it says nothing else. */
    public static Optional<Period> of(String text) {
        String tidy = LooseText.tidy(text);
        return in(tidy, Convention.Order.DAY_FIRST)
                .filter(found -> found.from() == 0 && found.to() == tidy.length())
                .map(Found::period);
    }

    /** The first day of the month that a text is, where it says the year too and nothing else. */
    public static Optional<LocalDate> monthOf(String text) {
        if (text.length() > LONGEST_MONTH || text.chars().noneMatch(Character::isDigit)) {
            return Optional.empty();
        }
        return of(text).filter(period -> period.kind() == Kind.MONTH).flatMap(Period::first);
    }

    /**
     * The first day of the month that a text is.
     *
     * @param year the year of those that do not say it, as {@link MonthYear} has it; empty where they are no months then
     */
    public static Optional<LocalDate> monthOf(String text, String year) {
        return monthOf(text)
                .or(() -> year.isEmpty()
                        ? Optional.empty()
                        : bareMonth(text).flatMap(month -> MonthYear.of(year).map(all -> all.firstDayOf(month))));
    }

    /**
     * The day that a text names without a year: 5 Jan, Mon 5 Jan, Jan 5th, 05.01.
     *
     * @param year the year that it is of, as {@link MonthYear} has it
     */
    public static Optional<LocalDate> dayOf(String text, String year) {
        if (year.isEmpty() || text.length() > LONGEST_DAY) {
            return Optional.empty();
        }
        Matcher dayFirst = DAY_AND_MONTH.matcher(text);
        Matcher monthFirst = MONTH_AND_DAY.matcher(text);
        Matcher pointed = POINTED_DAY.matcher(text);
        Optional<Integer> month = Optional.empty();
        int day = 0;
        if (pointed.matches()) {
            month = Optional.of(Integer.parseInt(pointed.group(2)));
            day = Integer.parseInt(pointed.group(1));
        } else if (dayFirst.matches()) {
            month = bareMonth(dayFirst.group(2));
            day = Integer.parseInt(dayFirst.group(1));
        } else if (monthFirst.matches()) {
            month = bareMonth(monthFirst.group(1));
            day = Integer.parseInt(monthFirst.group(2));
        }
        if (month.isEmpty()) {
            return Optional.empty();
        }
        try {
            int of = MonthYear.of(year).orElseThrow().yearOf(month.get());
            return Optional.of(LocalDate.of(of, month.get(), day));
        } catch (DateTimeException noDay) {
            return Optional.empty();
        }
    }

    /** The month that a text names without a year, from 1: January, Jan. */
    public static Optional<Integer> bareMonth(String text) {
        return MonthNames.of(text.endsWith(".") ? text.substring(0, text.length() - 1) : text);
    }

    /** True for texts with a date in them that can only have its month first. */
    public static boolean monthFirst(String text) {
        Matcher matcher = WAYS.get(1).pattern().matcher(text);
        List<Boolean> found = new ArrayList<>();
        while (matcher.find()) {
            found.add(number(matcher, 1) <= 12 && number(matcher, 3) > 12);
        }
        return found.contains(true);
    }

    /** The value of a column for it: the day, the first day of a month, the year; empty where only its text says it. */
    public Optional<String> value() {
        return switch (kind) {
            case DAY -> Optional.of(first().orElseThrow().toString());
            case MONTH -> first().map(DateTimeFormatter.ISO_LOCAL_DATE::format);
            case YEAR -> Optional.of(String.valueOf(year));
            default -> Optional.empty();
        };
    }

    /** Its first day; empty where the year is not said, or for weeks. */
    public Optional<LocalDate> first() {
        if (year == 0) {
            return Optional.empty();
        }
        return switch (kind) {
            case DAY -> Optional.of(LocalDate.of(year, number, day));
            case MONTH -> Optional.of(LocalDate.of(year, number, 1));
            case QUARTER -> Optional.of(LocalDate.of(year, number * 3 - 2, 1));
            case HALF -> Optional.of(LocalDate.of(year, number * 6 - 5, 1));
            case YEAR -> Optional.of(LocalDate.of(year, 1, 1));
            case WEEK, YEARS -> Optional.empty();
        };
    }

    /** True for the first or the last day of a month, on which twelve months begin or end. */
    public boolean isAtAnEndOfItsMonth() {
        return kind == Kind.DAY
                && (day == 1 || day == YearMonth.of(year, number).lengthOfMonth());
    }

    /** True for a month of a year. */
    public boolean isMonth() {
        return kind == Kind.MONTH && year != 0;
    }

    /** True where a day lies in it, as far as it says. */
    public boolean holds(LocalDate date) {
        if (kind == Kind.YEARS) {
            return date.getYear() == year || date.getYear() == year + 1;
        }
        if (year != 0 && kind != Kind.WEEK && date.getYear() != year) {
            return false;
        }
        return switch (kind) {
            case DAY -> date.equals(LocalDate.of(year, number, day));
            case MONTH -> date.getMonthValue() == number;
            case QUARTER -> (date.getMonthValue() + 2) / 3 == number;
            case HALF -> (date.getMonthValue() + 5) / 6 == number;
            case WEEK ->
                date.get(java.time.temporal.IsoFields.WEEK_OF_WEEK_BASED_YEAR) == number
                        && (year == 0 || date.get(java.time.temporal.IsoFields.WEEK_BASED_YEAR) == year);
            case YEAR, YEARS -> true;
        };
    }

    /** True where another period says no more than this one, and nothing else: the month of a day, a week without its year. */
    public boolean says(Period less) {
        boolean sameWeek = kind == Kind.WEEK
                && less.kind == Kind.WEEK
                && number == less.number
                && (less.year == 0 || less.year == year);
        return sameWeek || first().map(less::holds).orElse(false);
    }

    private static int number(MatchResult found, int group) {
        return Integer.parseInt(found.group(group));
    }

    /** Two years of which the second follows the first; in two digits or four. */
    private static @Nullable Period years(int first, int second) {
        return second == first + 1 || second == (first + 1) % 100 ? new Period(Kind.YEARS, first, 0, 0) : null;
    }

    private static int wholeYear(String digits) {
        int year = Integer.parseInt(digits);
        return digits.length() == 4 ? year : year < 70 ? 2000 + year : 1900 + year;
    }

    private static int yearOrNone(@Nullable String digits) {
        return digits == null ? 0 : wholeYear(digits);
    }

    private static @Nullable Period date(int year, int month, int day) {
        try {
            LocalDate.of(year, month, day);
            return new Period(Kind.DAY, year, month, day);
        } catch (DateTimeException noSuchDay) {
            return null;
        }
    }

    private static @Nullable Period either(int a, int b, int year, Convention.Order order) {
        boolean dayFirst = order == Convention.Order.DAY_FIRST;
        Period asSaid = dayFirst ? date(year, b, a) : date(year, a, b);
        return asSaid != null ? asSaid : dayFirst ? date(year, a, b) : date(year, b, a);
    }

    private static @Nullable Period named(String word, int year, int day) {
        return MonthNames.of(word)
                .map(month -> day > 0 ? date(year, month, day) : new Period(Kind.MONTH, year, month, 0))
                .orElse(null);
    }

    private static @Nullable Period alone(String word) {
        return MonthNames.of(word)
                .filter(month -> MonthNames.clear(word))
                .map(month -> new Period(Kind.MONTH, 0, month, 0))
                .orElse(null);
    }

    /** Month and year in four digits, in the one order in which they can be read: 0326 or 2603. */
    private static @Nullable Period fourDigits(int first, int second) {
        boolean yearLast = first >= 1 && first <= 12 && isShortYear(second);
        boolean yearFirst = second >= 1 && second <= 12 && isShortYear(first);
        if (yearLast == yearFirst) {
            return null;
        }
        YearMonth month = yearLast ? YearMonth.of(2000 + second, first) : YearMonth.of(2000 + first, second);
        return new Period(Kind.MONTH, month.getYear(), month.getMonthValue(), 0);
    }

    private static boolean isShortYear(int digits) {
        return digits >= EARLIEST_SHORT_YEAR && digits <= LATEST_SHORT_YEAR;
    }
}
