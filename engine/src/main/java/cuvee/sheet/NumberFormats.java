package cuvee.sheet;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What a workbook's number format says of a cell: a date, a percent, a code with leading zeros, or a plain number. */
public final class NumberFormats {
    private static final DateTimeFormatter WITH_SECONDS = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm:ss");
    private static final DateTimeFormatter WITH_MILLIS = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm:ss.SSS");
    private static final long DAY_MILLIS = 86_400_000L;
    private static final double DAY_SECONDS = 86_400;
    private static final Pattern MARKED = Pattern.compile("\\[\\$([^\\]-]+)(-[^\\]]*)?\\]");
    private static final Pattern QUOTED_CODE = Pattern.compile("\"\\s*([A-Z]{3}|[€$£¥])\\s*\"");
    private static final Pattern ELAPSED = Pattern.compile("(?i)\\[(h+|m+|s+)\\]");
    private static final Pattern SIGN = Pattern.compile("[€$£¥]");

    private NumberFormats() {}

    /** What a format makes of a number. */
    public enum Sense {
        PLAIN,
        DATE,
        /** Hours and minutes gone by, which may be more than a day has, such as {@code [h]:mm}. */
        ELAPSED,
        PERCENT,
        /** Shown with leading zeros, such as {@code 00000}. */
        CODE,
        /** Text format: the number stands for its digits. */
        TEXT
    }

    /** The system from which a workbook counts its days. */
    public enum DayCount {
        FROM_1900,
        FROM_1904
    }

    /** The sense of one of the formats that need no definition. */
    public static Sense ofBuiltIn(int id) {
        if (id == 46) {
            return Sense.ELAPSED;
        }
        if ((id >= 14 && id <= 22) || (id >= 27 && id <= 36) || (id >= 45 && id <= 47) || (id >= 50 && id <= 58)) {
            return Sense.DATE;
        }
        if (id == 9 || id == 10) {
            return Sense.PERCENT;
        }
        return id == 49 ? Sense.TEXT : Sense.PLAIN;
    }

    /** The sense of a format code such as {@code dd.mm.yyyy} or {@code #,##0.00 "EUR"}. */
    public static Sense ofCode(String code) {
        String bare = firstSection(code);
        boolean percent = false;
        boolean digits = false;
        boolean date = false;
        for (int i = 0; i < bare.length(); i++) {
            char c = Character.toLowerCase(bare.charAt(i));
            percent |= c == '%';
            digits |= c == '0' || c == '#' || c == '?';
            date |= c == 'd' || c == 'm' || c == 'y' || c == 'h' || c == 's';
        }
        if (date && !bare.toLowerCase(Locale.ROOT).startsWith("general")) {
            return ELAPSED.matcher(code).find() ? Sense.ELAPSED : Sense.DATE;
        }
        if (percent) {
            return Sense.PERCENT;
        }
        if (bare.equals("@")) {
            return Sense.TEXT;
        }
        return digits && bare.length() >= 2 && bare.chars().allMatch(c -> c == '0') ? Sense.CODE : Sense.PLAIN;
    }

    /**
     * The first section of a code without quoted text, escaped characters, colours, conditions and locales; elapsed times
     * such as {@code [h]} stay.
     */
    private static String firstSection(String code) {
        StringBuilder bare = new StringBuilder();
        for (int i = 0; i < code.length(); i++) {
            char c = code.charAt(i);
            if (c == ';') {
                break;
            } else if (c == '"') {
                int close = code.indexOf('"', i + 1);
                i = close < 0 ? code.length() : close;
            } else if (c == '\\' || c == '_' || c == '*') {
                i++;
            } else if (c == '[') {
                int close = code.indexOf(']', i);
                if (close < 0) {
                    break;
                }
                String inside = code.substring(i + 1, close).toLowerCase(Locale.ROOT);
                if (inside.matches("h+|m+|s+")) {
                    bare.append(inside);
                }
                i = close;
            } else {
                bare.append(c);
            }
        }
        return bare.toString();
    }

    /**
     * The mark of the currency that a format shows beside numbers, such as that of {@code #,##0.00 "EUR"}, {@code [$€-407]
     * #,##0} or {@code £0}; empty where it shows none.
     */
    static String currencyOf(String code) {
        Matcher marked = MARKED.matcher(code);
        if (marked.find()) {
            return marked.group(1).strip();
        }
        Matcher quoted = QUOTED_CODE.matcher(code);
        if (quoted.find()) {
            return quoted.group(1);
        }
        Matcher sign = SIGN.matcher(code);
        return sign.find() ? sign.group() : "";
    }

    /** The width in digits of a code format such as {@code 00000}. */
    static int codeWidth(String code) {
        return firstSection(code).length();
    }

    /**
     * A day number as ISO text: a date, a date and time, or a time of day where the day is 0.
     *
     * @return null where the number lies outside the years that dates can have
     */
    public static @Nullable String isoDate(double serial, DayCount count) {
        if (serial < 0 || serial >= 2_958_466) {
            return null;
        }
        long millis = Math.round(serial * DAY_MILLIS);
        long days = Math.floorDiv(millis, DAY_MILLIS);
        long rest = Math.floorMod(millis, DAY_MILLIS);
        // Day 0 of the 1904 system is a date of its own, the first of January; with a time it is that time of any day.
        if (days == 0 && (count == DayCount.FROM_1900 || rest > 0)) {
            return timeText(LocalTime.ofNanoOfDay(rest * 1_000_000));
        }
        // Day 60 of the 1900 system is a 29 February 1900 that never was; days before it count from one day later.
        LocalDateTime zero = count == DayCount.FROM_1904
                ? LocalDateTime.of(1904, 1, 1, 0, 0)
                : LocalDateTime.of(1899, 12, days < 60 ? 31 : 30, 0, 0);
        LocalDateTime moment = zero.plusDays(days).plusNanos(rest * 1_000_000);
        return rest == 0 ? moment.toLocalDate().toString() : momentText(moment);
    }

    /**
     * Hours, minutes and seconds gone by: {@code 08:45:00}, {@code 72:00:00}.
     *
     * @return null for numbers below 0, and those that are no time at all
     */
    static @Nullable String elapsed(double serial) {
        return serial < 0 || serial >= 2_958_466 ? null : elapsed(Duration.ofSeconds(Math.round(serial * DAY_SECONDS)));
    }

    /** The same of a duration. */
    static String elapsed(Duration gone) {
        return "%02d:%02d:%02d".formatted(gone.toHours(), gone.toMinutesPart(), gone.toSecondsPart());
    }

    /** A moment in the ISO form used throughout: seconds always, milliseconds where there are any. */
    public static String momentText(LocalDateTime moment) {
        return (moment.toLocalTime().toNanoOfDay() % 1_000_000_000 == 0 ? WITH_SECONDS : WITH_MILLIS).format(moment);
    }

    /** A time of day in the ISO form used throughout. */
    public static String timeText(LocalTime time) {
        return momentText(time.atDate(java.time.LocalDate.EPOCH)).substring(11);
    }
}
