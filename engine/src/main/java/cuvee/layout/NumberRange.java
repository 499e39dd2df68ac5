package cuvee.layout;

import cuvee.value.LooseText;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The range of numbers that a header states: {@code 31-60}, {@code 61-90 days}, {@code over 90}, {@code 61+}.
 *
 * @param from the least number of it
 * @param to the greatest; {@link Integer#MAX_VALUE} where it has no end
 * @param rest the loose key of what else the header says, but for words of time
 */
record NumberRange(int from, int to, String rest) {
    private static final String NUMBER = "(0|[1-9]\\d{0,3})";
    private static final String OF_TIME = "(?: ?(?:days?|weeks?|months?|years?|yrs?|tage|jahre|jours|ans))?";
    private static final String BEGIN = "(?<![\\p{L}\\p{N}./-])";
    private static final String END = "(?![\\p{L}\\p{N}%/-]|\\.\\d)";

    private static final Pattern BETWEEN = Pattern.compile(
            BEGIN + "(?:between )?" + NUMBER + "(?: ?[-\u2013] ?| to | and | bis )" + NUMBER + OF_TIME + END);
    private static final Pattern ABOVE = Pattern.compile(BEGIN
            + "(?:(?:over|above|more than|older than|greater than|beyond|über|mehr als|plus de|>) ?" + NUMBER + ")"
            + OF_TIME
            + END);
    private static final Pattern FROM = Pattern.compile(BEGIN + NUMBER + OF_TIME
            + "(?: ?\\+| (?:and|&|or) (?:over|above|more|older|up|beyond)| und mehr| et plus)" + OF_TIME + END);
    private static final Pattern BELOW =
            Pattern.compile(BEGIN + "(?:(?:under|below|less than|younger than|unter|weniger als|moins de|<) ?" + NUMBER
                    + ")" + OF_TIME + END);
    private static final Pattern UP_TO =
            Pattern.compile(BEGIN + "(?:up to|at most|bis|bis zu|≤|<=) ?" + NUMBER + OF_TIME + END);

    private static final int NO_END = Integer.MAX_VALUE;
    private static final int FIRST_YEAR = 1900;
    private static final int LAST_YEAR = 2100;
    /** Ranges that share so much of the wider one may be one, told differently. */
    private static final double MOST = 0.8;

    private static final Map<String, Optional<NumberRange>> KNOWN = new ConcurrentHashMap<>();
    private static final int MOST_KNOWN = 20_000;

    /** The range that a header states; empty where it states none, or years. */
    static Optional<NumberRange> of(String header) {
        boolean may = header.chars().anyMatch(Character::isDigit);
        if (!may) {
            return Optional.empty();
        }
        if (KNOWN.size() > MOST_KNOWN) {
            KNOWN.clear();
        }
        return KNOWN.computeIfAbsent(header, NumberRange::read);
    }

    private static Optional<NumberRange> read(String header) {
        String text = LooseText.tidy(header).toLowerCase(Locale.ROOT);
        Matcher between = BETWEEN.matcher(text);
        if (between.find()) {
            return range(text, between, number(between, 1), number(between, 2));
        }
        Matcher above = ABOVE.matcher(text);
        if (above.find()) {
            return range(text, above, number(above, 1) + 1, NO_END);
        }
        Matcher from = FROM.matcher(text);
        if (from.find()) {
            return range(text, from, number(from, 1), NO_END);
        }
        Matcher below = BELOW.matcher(text);
        if (below.find()) {
            return range(text, below, 0, number(below, 1) - 1);
        }
        Matcher upTo = UP_TO.matcher(text);
        return upTo.find() ? range(text, upTo, 0, number(upTo, 1)) : Optional.empty();
    }

    private static int number(Matcher matcher, int group) {
        return Integer.parseInt(matcher.group(group));
    }

    private static Optional<NumberRange> range(String text, Matcher found, int from, int to) {
        boolean years = from >= FIRST_YEAR && from <= LAST_YEAR;
        String rest = text.substring(0, found.start()) + " " + text.substring(found.end());
        return years || from >= to ? Optional.empty() : Optional.of(new NumberRange(from, to, LooseText.key(rest)));
    }

    /** True where two headers say the same range, told up to one number differently, and nothing else that differs. */
    static boolean same(String a, String b) {
        Optional<NumberRange> one = of(a);
        Optional<NumberRange> other = of(b);
        return one.isPresent()
                && other.isPresent()
                && one.get().isNearly(other.get())
                && one.get().rest().equals(other.get().rest());
    }

    /** True where one of two headers states a range, and the other has no digit. */
    static boolean ofOneOnly(String a, String b) {
        return of(a).isPresent() && b.chars().noneMatch(Character::isDigit)
                || of(b).isPresent() && a.chars().noneMatch(Character::isDigit);
    }

    /** True where two headers say ranges of which one is not the other. */
    static boolean differ(String a, String b) {
        Optional<NumberRange> one = of(a);
        Optional<NumberRange> other = of(b);
        return one.isPresent()
                && other.isPresent()
                && !one.get().isNearly(other.get())
                && !one.get().isMostOf(other.get());
    }

    private boolean isNearly(NumberRange other) {
        return Math.abs(from - other.from) <= 1 && Math.abs((long) to - other.to) <= 1;
    }

    private boolean isMostOf(NumberRange other) {
        int shared = Math.min(to, other.to) - Math.max(from, other.from);
        return to != NO_END && other.to != NO_END && shared >= MOST * Math.max(to - from, other.to - other.from);
    }
}
