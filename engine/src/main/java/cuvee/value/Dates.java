package cuvee.value;

import cuvee.sheet.NumberFormats;
import cuvee.value.Convention.Order;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.YearMonth;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Dates and times as people type them. */
public final class Dates {
    private static final Pattern WORD_ENDS = Pattern.compile("[\\s,.\\-/]+");
    private static final Pattern ORDINAL = Pattern.compile("(?i)(st|nd|rd|th)$");
    private static final Pattern ZONE =
            Pattern.compile("(?<=[\\dmM]) ?(?:(?:UTC|GMT)(?<by>[+-]\\d{1,2})(?<and>:?\\d\\d)?"
                    + "|(?<full>[+-]\\d\\d)(?<more>:?\\d\\d)|Z|UTC|GMT)$");
    private static final int MINUTES_OF_AN_HOUR = 60;
    private static final Pattern DIGITS_OF_DAY = Pattern.compile("(19[5-9]|20\\d)\\d{5}");
    private static final Pattern HOUR = Pattern.compile("(?i)(\\d{1,2}) ?([ap])\\.?m\\.?");
    private static final Pattern SECONDS = Pattern.compile("\\d{2}(\\.\\d{1,9})?");

    private static final Map<String, Integer> MONTHS = Map.ofEntries(
            Map.entry("jan", 1),
            Map.entry("jän", 1),
            Map.entry("ene", 1),
            Map.entry("gen", 1),
            Map.entry("feb", 2),
            Map.entry("fév", 2),
            Map.entry("fev", 2),
            Map.entry("mar", 3),
            Map.entry("mär", 3),
            Map.entry("mrz", 3),
            Map.entry("maa", 3),
            Map.entry("apr", 4),
            Map.entry("avr", 4),
            Map.entry("abr", 4),
            Map.entry("may", 5),
            Map.entry("mai", 5),
            Map.entry("mei", 5),
            Map.entry("mag", 5),
            Map.entry("jun", 6),
            Map.entry("juin", 6),
            Map.entry("giu", 6),
            Map.entry("jul", 7),
            Map.entry("juil", 7),
            Map.entry("lug", 7),
            Map.entry("aug", 8),
            Map.entry("aoû", 8),
            Map.entry("ago", 8),
            Map.entry("sep", 9),
            Map.entry("set", 9),
            Map.entry("oct", 10),
            Map.entry("okt", 10),
            Map.entry("ott", 10),
            Map.entry("out", 10),
            Map.entry("nov", 11),
            Map.entry("dec", 12),
            Map.entry("dez", 12),
            Map.entry("déc", 12),
            Map.entry("dic", 12));

    /** A date is written in so many characters at most, and a day of the week in so many letters. */
    private static final int LONGEST = 40;

    private static final int LONGEST_WEEKDAY = 12;

    private Dates() {}

    /** A date or moment taken apart: three parts as written, the order they could be in, the time behind them. */
    private record Parts(
            int a, int b, int c, Shape shape, @Nullable LocalTime time) {}

    private enum Shape {
        YEAR_FIRST,
        SLASHED,
        POINTED,
        NAMED
    }

    /** The form of a date, moment or time of day; null for anything else. */
    static @Nullable Form form(char[] chars, int start, int end) {
        if (end - start == 10 && chars[start + 4] == '-' && isIsoDay(chars, start)) {
            return Form.YEAR_FIRST_DATE;
        }
        char first = chars[start];
        boolean letter = Character.isLetter(first);
        boolean hour = end - start == 3 && (chars[end - 1] | 0x20) == 'm';
        if (end - start < 4 && !hour || (!letter && (first < '0' || first > '9'))) {
            return null;
        }
        if (letter && !couldBeNamed(chars, start, end)) {
            return null;
        }
        Parts parts;
        if (!letter && isDayAlone(chars, start, end)) {
            parts = numericParts(chars, start, end, null);
        } else {
            String text = new String(chars, start, end - start);
            if (clock(text) != null) {
                return Form.CLOCK;
            }
            parts = parts(text);
        }
        if (parts == null) {
            return null;
        }
        if (parts.time() != null) {
            return parts.shape() == Shape.YEAR_FIRST ? Form.YEAR_FIRST_MOMENT : Form.OTHER_MOMENT;
        }
        return switch (parts.shape()) {
            case YEAR_FIRST -> Form.YEAR_FIRST_DATE;
            case NAMED -> Form.NAMED_DATE;
            case POINTED -> parts.b() > 12 ? Form.MONTH_FIRST_DATE : Form.POINTED_DATE;
            case SLASHED ->
                parts.a() > 12 ? Form.DAY_FIRST_DATE : parts.b() > 12 ? Form.MONTH_FIRST_DATE : Form.DAY_OR_MONTH_DATE;
        };
    }

    /** True for a moment at midnight, as the conversion reads it. */
    static boolean isMidnight(String moment) {
        Parts parts = parts(moment);
        return parts != null && LocalTime.MIDNIGHT.equals(parts.time());
    }

    /** The date or moment in ISO form; null where the text is none. */
    static @Nullable String iso(String text, Order order) {
        Parts parts = parts(text.strip());
        if (parts == null) {
            return null;
        }
        LocalDate date = date(parts, order);
        if (date == null) {
            return null;
        }
        LocalTime time = parts.time();
        return time == null ? date.toString() : NumberFormats.momentText(date.atTime(time));
    }

    /** The order that a moment's own numbers force, or null where they leave it open. */
    static @Nullable Order forcedOrder(String text) {
        Parts parts = parts(text.strip());
        if (parts == null || parts.shape() == Shape.YEAR_FIRST || parts.shape() == Shape.NAMED) {
            return null;
        }
        if (parts.b() > 12) {
            return Order.MONTH_FIRST;
        }
        return parts.a() > 12 || parts.shape() == Shape.POINTED ? Order.DAY_FIRST : null;
    }

    /** A time of day in ISO form; null where the text is none. */
    static @Nullable String clock(String text) {
        LocalTime time = time(text.strip());
        return time == null ? null : NumberFormats.timeText(time);
    }

    /** The day, in ISO form, whose year, month and day eight digits are; null where they are none between 1950 and 2099. */
    public static @Nullable String ofDigits(String digits) {
        if (!DIGITS_OF_DAY.matcher(digits).matches()) {
            return null;
        }
        int day = Integer.parseInt(digits);
        return exists(day / 10_000, day / 100 % 100, day % 100)
                ? digits.substring(0, 4) + "-" + digits.substring(4, 6) + "-" + digits.substring(6)
                : null;
    }

    /** True for a day that exists, as ISO has it: the way that programs write most. */
    private static boolean isIsoDay(char[] chars, int start) {
        int packed = 0;
        for (int i = start; i < start + 10; i++) {
            int digit = chars[i] - '0';
            if (i == start + 4 || i == start + 7) {
                if (chars[i] != '-') {
                    return false;
                }
            } else if (digit < 0 || digit > 9) {
                return false;
            } else {
                packed = packed * 10 + digit;
            }
        }
        return exists(packed / 10_000, packed / 100 % 100, packed % 100);
    }

    /** True for digits with points, dashes or slashes between them, the most common way by far. */
    private static boolean isDayAlone(char[] chars, int start, int end) {
        for (int i = start; i < end; i++) {
            char c = chars[i];
            if ((c < '0' || c > '9') && c != '-' && c != '/' && c != '.') {
                return false;
            }
        }
        return true;
    }

    /** True for what begins like the name of a month and ends with a digit. */
    static boolean couldBeNamed(char[] chars, int start, int end) {
        char last = chars[end - 1];
        return end - start > 3
                && end - start <= LONGEST
                && last >= '0'
                && last <= '9'
                && Character.isLetter(chars[start + 1])
                && (Character.isLetter(chars[start + 2]) && MONTHS.containsKey(key(new String(chars, start, 3)))
                        || behindWeekday(chars, start, end) > start);
    }

    /** Where what follows the name of a day of the week begins, as in {@code Mon, 2 Mar 2026}; the start where none stands. */
    private static int behindWeekday(char[] chars, int start, int end) {
        int at = start;
        while (at < end && Character.isLetter(chars[at])) {
            at++;
        }
        int word = at;
        while (at < end && (chars[at] == '.' || chars[at] == ',' || chars[at] == ' ')) {
            at++;
        }
        boolean apart = word > start + 1 && word - start <= LONGEST_WEEKDAY && at > word && at < end;
        return apart && DayNames.isDay(new String(chars, start, word - start)) ? at : start;
    }

    private static @Nullable LocalDate date(Parts parts, Order order) {
        try {
            return switch (parts.shape()) {
                case YEAR_FIRST -> LocalDate.of(parts.a(), parts.b(), parts.c());
                case NAMED -> LocalDate.of(parts.c(), parts.b(), parts.a());
                case SLASHED, POINTED ->
                    order == Order.DAY_FIRST
                            ? LocalDate.of(parts.c(), parts.b(), parts.a())
                            : LocalDate.of(parts.c(), parts.a(), parts.b());
            };
        } catch (DateTimeException noSuchDay) {
            return null;
        }
    }

    private static @Nullable Parts parts(String text) {
        Parts whole = dayAndTime(text);
        if (whole != null || text.isEmpty() || !Character.isLetter(text.charAt(0))) {
            return whole;
        }
        int behind = behindWeekday(text.toCharArray(), 0, text.length());
        return behind == 0 ? null : dayAndTime(text.substring(behind));
    }

    private static @Nullable Parts dayAndTime(String text) {
        int split = timeStart(text);
        LocalTime time = null;
        String day = text;
        if (split > 0) {
            String clock = text.substring(split + 1).strip();
            time = time(clock.substring(0, clock.length() - zone(clock)).strip());
            if (time == null) {
                return null;
            }
            day = text.substring(0, split).strip();
            if (day.endsWith(",")) {
                day = day.substring(0, day.length() - 1);
            }
        }
        char[] chars = day.toCharArray();
        Parts numeric = numericParts(chars, 0, chars.length, time);
        return numeric != null ? numeric : namedParts(day, time);
    }

    /** Where a time of day begins behind a date: at a T, or the last space before the first colon. */
    private static int timeStart(String text) {
        int colon = text.indexOf(':');
        if (colon < 0) {
            return -1;
        }
        int t = text.indexOf('T');
        if (t == 10 && t < colon) {
            return t;
        }
        return text.lastIndexOf(' ', colon);
    }

    private static @Nullable Parts numericParts(char[] chars, int start, int end, @Nullable LocalTime time) {
        int[] parts = new int[3];
        int[] digits = new int[3];
        char by = 0;
        int at = 0;
        for (int i = start; i < end; i++) {
            char c = chars[i];
            if (c >= '0' && c <= '9') {
                if (++digits[at] > 4) {
                    return null;
                }
                parts[at] = parts[at] * 10 + c - '0';
            } else if ((c == '-' || c == '/' || c == '.') && (by == 0 || c == by) && at < 2 && digits[at] > 0) {
                by = c;
                at++;
                // A space may follow the point: 3. 4. 2026.
                if (c == '.' && i + 1 < end && chars[i + 1] == ' ') {
                    i++;
                }
            } else {
                return null;
            }
        }
        if (at != 2 || digits[2] == 0) {
            return null;
        }
        if (digits[0] == 4) {
            boolean real = digits[1] <= 2 && digits[2] <= 2 && exists(parts[0], parts[1], parts[2]);
            return real ? new Parts(parts[0], parts[1], parts[2], Shape.YEAR_FIRST, time) : null;
        }
        if (digits[0] > 2 || digits[1] > 2 || (digits[2] != 4 && digits[2] != 2)) {
            return null;
        }
        int year = digits[2] == 4 ? parts[2] : wholeYear(parts[2]);
        boolean dayFirst = exists(year, parts[1], parts[0]);
        boolean monthFirst = exists(year, parts[0], parts[1]);
        if (!dayFirst && !monthFirst) {
            return null;
        }
        return new Parts(parts[0], parts[1], year, by == '.' ? Shape.POINTED : Shape.SLASHED, time);
    }

    private static boolean isDigits(String text, int least, int most) {
        boolean digits = text.length() >= least && text.length() <= most;
        for (int i = 0; digits && i < text.length(); i++) {
            digits = text.charAt(i) >= '0' && text.charAt(i) <= '9';
        }
        return digits;
    }

    /** 31 March 2026, 31. März 26, 31-Mar-2026, March 31, 2026. */
    private static @Nullable Parts namedParts(String day, @Nullable LocalTime time) {
        String[] words = WORD_ENDS.split(day, -1);
        if (words.length != 3) {
            return null;
        }
        boolean monthFirst = !words[0].isEmpty() && Character.isLetter(words[0].charAt(0));
        Integer month = month(monthFirst ? words[0] : words[1]);
        String dayText = ORDINAL.matcher(monthFirst ? words[1] : words[0]).replaceFirst("");
        if (month == null || !isDigits(dayText, 1, 2) || !isDigits(words[2], 2, 2) && !isDigits(words[2], 4, 4)) {
            return null;
        }
        int year = Integer.parseInt(words[2]);
        int whole = words[2].length() == 2 ? wholeYear(year) : year;
        int dayOfMonth = Integer.parseInt(dayText);
        return exists(whole, month, dayOfMonth) ? new Parts(dayOfMonth, month, whole, Shape.NAMED, time) : null;
    }

    /** The month of a name or its abbreviation in several languages; null where it is none. */
    private static @Nullable Integer month(String word) {
        if (word.length() < 3 || word.length() > 10 || !word.chars().allMatch(Character::isLetter)) {
            return null;
        }
        String lower = word.toLowerCase(Locale.ROOT);
        if (lower.startsWith("juin") || lower.startsWith("juil")) {
            return MONTHS.get(lower.substring(0, 4));
        }
        return MONTHS.get(key(lower));
    }

    private static String key(String word) {
        return word.substring(0, 3).toLowerCase(Locale.ROOT);
    }

    private static int wholeYear(int twoDigits) {
        return twoDigits < 70 ? 2000 + twoDigits : 1900 + twoDigits;
    }

    private static boolean exists(int year, int month, int day) {
        return month >= 1
                && month <= 12
                && day >= 1
                && year >= 1
                && (day <= 28 || day <= YearMonth.of(year, month).lengthOfMonth());
    }

    /** How many characters at the end of a time say its zone: Z, UTC, +02:00. */
    private static int zone(String clock) {
        Matcher zone = ZONE.matcher(clock);
        return zone.find() ? zone.end() - zone.start() : 0;
    }

    /** By how many minutes the zone that a moment names is ahead of UTC; empty where it names none. */
    static OptionalInt minutesAhead(String moment) {
        Matcher zone = ZONE.matcher(moment.strip());
        if (moment.indexOf(':') < 0 || !zone.find()) {
            return OptionalInt.empty();
        }
        String hours = zone.group("by") == null ? zone.group("full") : zone.group("by");
        String minutes = zone.group("by") == null ? zone.group("more") : zone.group("and");
        if (hours == null) {
            return OptionalInt.of(0);
        }
        int more = minutes == null ? 0 : Integer.parseInt(minutes.replace(":", ""));
        int ahead = Math.abs(Integer.parseInt(hours)) * MINUTES_OF_AN_HOUR + more;
        return OptionalInt.of(hours.startsWith("-") ? -ahead : ahead);
    }

    private static @Nullable LocalTime time(String text) {
        Matcher hours = HOUR.matcher(text);
        if (hours.matches()) {
            return time(hours.group(1) + ":00 " + hours.group(2) + "m");
        }
        int length = text.length();
        if (length < 4 || length > 15 || text.indexOf(':') < 1) {
            return null;
        }
        String lower = text.toLowerCase(Locale.ROOT);
        int shift = lower.endsWith("pm") ? 12 : 0;
        boolean halves = shift > 0 || lower.endsWith("am");
        String digits = halves ? lower.substring(0, length - 2).strip() : lower;
        String[] parts = digits.split(":", -1);
        if (parts.length < 2 || parts.length > 3 || !isDigits(parts[0], 1, 2) || !isDigits(parts[1], 2, 2)) {
            return null;
        }
        int hour = Integer.parseInt(parts[0]);
        if (halves) {
            if (hour < 1 || hour > 12) {
                return null;
            }
            hour = hour % 12 + shift;
        }
        String seconds = parts.length == 3 ? parts[2] : "00";
        if (!SECONDS.matcher(seconds).matches()) {
            return null;
        }
        try {
            return LocalTime.parse((hour < 10 ? "0" : "") + hour + ":" + parts[1] + ":" + seconds);
        } catch (DateTimeException noSuchTime) {
            return null;
        }
    }
}
