package cuvee.lineup;

import cuvee.value.Dates;
import cuvee.value.YesNoWords;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.DoubleSummaryStatistics;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import java.util.regex.Pattern;

/**
 * What stands in a column, as finely as it can be told from a sample of its cells: kinds of values, numbers, texts and
 * their patterns. Profiles of one column in several tables are put together; what is told within a table, such as the share
 * of different values, is kept for each.
 */
public final class Profile {
    /** Numbers with more decimals are counted with those. */
    static final int MOST_DECIMALS = 10;

    static final int MOST_NUMBERS = 400;
    static final double GREATEST_FRACTION = 1.2;
    private static final double HUNDRED = 100;
    /** Numbers of things that were numbered one after the other lie at most so many times apart. */
    private static final double MOST_BETWEEN_RANGES = 1.25;

    /** Points of one table are at most so many times as great, or as small, as those of another. */
    private static final double FAR_OFF = 5;

    static final int FEW = 4;
    private static final int MANY = 10;
    private static final double NEARLY_ALL = 0.9;
    private static final double MOSTLY = 0.6;
    private static final double SIGNED = 0.15;
    private static final double HARDLY = 0.02;
    private static final Pattern PLAIN_NUMBER = Pattern.compile("-?\\d+(\\.\\d+)?");
    /** Stands for letters in the pattern of a code. */
    static final String LETTER = "a";

    /** Kinds of values, finer than numbers, dates and words. */
    enum Kind {
        DATE,
        PERCENT,
        MONEY,
        FRACTION,
        WHOLE,
        DECIMAL,
        CODE,
        WORD,
        FREE
    }

    /** Kinds put together: values of one kind are never those of another. */
    enum Coarse {
        DATES,
        NUMBERS,
        TEXTS,
        NOTHING
    }

    final int cells;
    final int filled;
    final Map<Kind, Integer> kinds;
    final double[] numbers;
    final Map<String, Integer> texts;
    final Map<String, Integer> patterns;
    final int[] decimals;
    /** Different values, and values, each counted within its table. */
    final int different;

    final int counted;
    final List<Double> running;
    final List<Double> monthShares;
    /** What it is worked out from in its tables. */
    final WorkedOut workedOut;

    private final Kind kind;
    private final long belowZero;
    /** Worked out once they are asked for. */
    private double[] sorted = new double[0];

    private double median = Double.NaN;
    private double meanLength = Double.NaN;

    Profile(
            int cells,
            int filled,
            Map<Kind, Integer> kinds,
            double[] numbers,
            Map<String, Integer> texts,
            Map<String, Integer> patterns,
            int[] decimals,
            int different,
            int counted,
            List<Double> running,
            List<Double> monthShares,
            WorkedOut workedOut) {
        this.cells = cells;
        this.filled = filled;
        this.kinds = kinds;
        this.numbers = numbers;
        this.texts = texts;
        this.patterns = patterns;
        this.decimals = decimals;
        this.different = different;
        this.counted = counted;
        this.running = running;
        this.monthShares = monthShares;
        this.workedOut = workedOut;
        this.kind = most(this.kinds);
        this.belowZero = Arrays.stream(numbers).filter(number -> number < 0).count();
    }

    /** True for codes nearly all of which have letters. */
    boolean isLettered() {
        int codes = kinds.getOrDefault(Kind.CODE, 0);
        int lettered = patterns.entrySet().stream()
                .filter(pattern -> pattern.getKey().contains(LETTER))
                .mapToInt(Map.Entry::getValue)
                .sum();
        return codes >= filled * NEARLY_ALL && lettered >= filled * NEARLY_ALL;
    }

    /** Days from 1950 to 2099, as they are counted from 1899. */
    private static final double FIRST_DAY = 18_264;

    private static final double THOUSAND = 1000;
    private static final int THOUSAND_PLACES = 3;

    private static final double LAST_DAY = 73_050;
    /** From 1899, where days are counted from in workbooks, to 1970. */
    private static final double DAYS_BEFORE_1970 = 25_569;

    /** True where the values are days. */
    public boolean holdsDays() {
        return coarse() == Coarse.DATES;
    }

    /** The first and the last of the days that the values are, in days since 1970; empty where they are none. */
    public Optional<double[]> days() {
        return holdsDays() && numbers.length > 0
                ? Optional.of(new double[] {
                    Arrays.stream(numbers).min().orElseThrow(),
                    Arrays.stream(numbers).max().orElseThrow()
                })
                : Optional.empty();
    }

    /**
     * The same column with its whole numbers taken for days counted from 1899, which have lost their format; empty where
     * some could not be, or lie outside a stretch of days.
     *
     * @param first in days since 1970
     * @param last in days since 1970
     */
    public Optional<Profile> countedDays(double first, double last) {
        boolean whole = filled > 0 && kinds.getOrDefault(Kind.WHOLE, 0) == filled && numbers.length > 0;
        boolean within = whole
                && Arrays.stream(numbers)
                        .allMatch(number -> number >= FIRST_DAY
                                && number <= LAST_DAY
                                && number - DAYS_BEFORE_1970 >= first
                                && number - DAYS_BEFORE_1970 <= last);
        if (!within) {
            return Optional.empty();
        }
        return Optional.of(
                asDays(text -> LocalDate.ofEpochDay(new BigDecimal(text).longValue() - (long) DAYS_BEFORE_1970)));
    }

    /** The same column with its whole numbers taken for days in digits, {@code 20260105}; itself where some are none. */
    public Profile daysInDigits() {
        boolean whole = filled > 0 && kinds.getOrDefault(Kind.WHOLE, 0) == filled;
        boolean days = whole && texts.keySet().stream().allMatch(text -> Dates.ofDigits(text) != null);
        return days ? asDays(text -> LocalDate.parse(text, DateTimeFormatter.BASIC_ISO_DATE)) : this;
    }

    private Profile asDays(Function<String, LocalDate> day) {
        Map<String, Integer> days = new HashMap<>();
        Map<String, Integer> months = new HashMap<>();
        texts.forEach((text, count) -> {
            String iso = day.apply(text).toString();
            days.merge(iso, count, Integer::sum);
            months.merge(iso.substring(0, 7), count, Integer::sum);
        });
        double most = months.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        return new Profile(
                cells,
                filled,
                new EnumMap<>(Map.of(Kind.DATE, filled)),
                days.keySet().stream()
                        .mapToDouble(iso -> LocalDate.parse(iso).toEpochDay())
                        .toArray(),
                days,
                Map.of(Kind.DATE.name(), filled),
                new int[decimals.length],
                different,
                counted,
                running,
                filled >= FEW ? List.of(most / filled) : List.of(),
                WorkedOut.UNKNOWN);
    }

    /** True where nearly all values are shares of something, said as percent or as fractions of 1. */
    public boolean holdsShares() {
        int shares = kinds.getOrDefault(Kind.PERCENT, 0) + kinds.getOrDefault(Kind.FRACTION, 0);
        return filled > 0 && shares >= filled * NEARLY_ALL;
    }

    /** True for plain numbers about a hundred times as great as some shares, none of them far above a hundred. */
    public boolean arePointsOf(Profile shares) {
        double times = shares.median() > 0 ? median() / shares.median() : 0;
        return filled > 1
                && numbers.length > 0
                && all(Kind.WHOLE, Kind.DECIMAL)
                && times >= HUNDRED / FAR_OFF
                && times <= HUNDRED * FAR_OFF
                && Arrays.stream(numbers).allMatch(number -> number >= 0 && number <= HUNDRED * GREATEST_FRACTION);
    }

    /** The same column with its numbers taken for thousands, as its header or a line above its table says. */
    public Profile thousands() {
        if (!holdsNumbers()) {
            return this;
        }
        int[] places = new int[decimals.length];
        for (int i = 0; i < decimals.length; i++) {
            places[Math.max(i - THOUSAND_PLACES, 0)] += decimals[i];
        }
        return new Profile(
                cells,
                filled,
                kinds,
                Arrays.stream(numbers).map(number -> number * THOUSAND).toArray(),
                texts,
                patterns,
                places,
                different,
                counted,
                running,
                monthShares,
                workedOut);
    }

    /** The same column with its plain numbers taken for percent points, as its header says: 12.5 stands for an eighth. */
    public Profile percentPoints() {
        if (!all(Kind.WHOLE, Kind.DECIMAL)) {
            return this;
        }
        Map<String, Integer> shares = new HashMap<>();
        texts.forEach((text, count) -> shares.merge(
                PLAIN_NUMBER.matcher(text).matches()
                        ? new BigDecimal(text)
                                .movePointLeft(2)
                                .stripTrailingZeros()
                                .toPlainString()
                        : text,
                count,
                Integer::sum));
        int[] places = new int[decimals.length];
        for (int i = 0; i < decimals.length; i++) {
            places[Math.min(i + 2, decimals.length - 1)] += decimals[i];
        }
        return new Profile(
                cells,
                filled,
                new EnumMap<>(Map.of(Kind.PERCENT, filled)),
                Arrays.stream(numbers).map(number -> number / 100).toArray(),
                shares,
                Map.of(Kind.PERCENT.name(), filled),
                places,
                different,
                counted,
                running,
                monthShares,
                workedOut);
    }

    /** The same, told what it is worked out from. */
    public Profile workedOut(WorkedOut known) {
        return new Profile(
                cells,
                filled,
                kinds,
                numbers,
                texts,
                patterns,
                decimals,
                different,
                counted,
                running,
                monthShares,
                known);
    }

    /** True where its values are numbers. */
    public boolean holdsNumbers() {
        return coarse() == Coarse.NUMBERS;
    }

    /** A profile of no cells. */
    static final Profile NONE = new Profile(
            0,
            0,
            Map.of(),
            new double[0],
            Map.of(),
            Map.of(),
            new int[MOST_DECIMALS],
            0,
            0,
            List.of(0.0),
            List.of(),
            WorkedOut.UNKNOWN);

    /** Both put together. */
    public Profile plus(Profile other) {
        return of(List.of(this, other));
    }

    /** A column's profiles in several tables, put together in their order. */
    public static Profile of(List<Profile> parts) {
        if (parts.size() == 1) {
            return parts.get(0);
        }
        Profile first = parts.get(0);
        Map<Kind, Integer> kinds = new EnumMap<>(Kind.class);
        kinds.putAll(first.kinds);
        Map<String, Integer> texts = new HashMap<>(first.texts);
        Map<String, Integer> patterns = new HashMap<>(first.patterns);
        int[] decimals = first.decimals.clone();
        List<Double> running = new ArrayList<>(first.running);
        List<Double> shares = new ArrayList<>(first.monthShares);
        double[] numbers = first.numbers;
        for (Profile part : parts.subList(1, parts.size())) {
            part.kinds.forEach((kind, count) -> kinds.merge(kind, count, Integer::sum));
            part.texts.forEach((text, count) -> texts.merge(text, count, Integer::sum));
            part.patterns.forEach((pattern, count) -> patterns.merge(pattern, count, Integer::sum));
            Arrays.setAll(decimals, i -> decimals[i] + part.decimals[i]);
            running.addAll(part.running);
            shares.addAll(part.monthShares);
            numbers = together(numbers, part.numbers);
        }
        return new Profile(
                sum(parts, part -> part.cells),
                sum(parts, part -> part.filled),
                kinds,
                numbers,
                texts,
                patterns,
                decimals,
                sum(parts, part -> part.different),
                sum(parts, part -> part.counted),
                running,
                shares,
                WorkedOut.together(parts.stream().map(part -> part.workedOut).toList()));
    }

    private static int sum(List<Profile> parts, ToIntFunction<Profile> of) {
        return parts.stream().mapToInt(of).sum();
    }

    /** Numbers of both, as many of each as they have, so that a long table does not hide a short one. */
    private static double[] together(double[] one, double[] other) {
        double[] all = new double[one.length + other.length];
        System.arraycopy(one, 0, all, 0, one.length);
        System.arraycopy(other, 0, all, one.length, other.length);
        if (all.length <= MOST_NUMBERS * 2) {
            return all;
        }
        double[] some = new double[MOST_NUMBERS * 2];
        Arrays.setAll(some, i -> all[(int) ((long) i * all.length / some.length)]);
        return some;
    }

    /** The kind of most values; empty profiles are of none, which is words. */
    Kind kind() {
        return kind;
    }

    private static Kind most(Map<Kind, Integer> kinds) {
        return kinds.entrySet().stream()
                .max(Map.Entry.<Kind, Integer>comparingByValue()
                        .thenComparing(entry -> -entry.getKey().ordinal()))
                .map(Map.Entry::getKey)
                .orElse(Kind.WORD);
    }

    /** True where all its values say yes or no. */
    boolean saysYesOrNo() {
        return filled > 0 && YesNoWords.areAllThat(texts.keySet());
    }

    /** True where its values are shares and the other's are not, or whole numbers and the other's hardly ever. */
    boolean countsOtherThan(Profile other) {
        boolean share = kind() == Kind.PERCENT || kind() == Kind.FRACTION;
        boolean enough = filled >= FEW && other.filled >= FEW;
        return share && (other.kind() == Kind.WHOLE || other.kind() == Kind.MONEY)
                || enough && all(Kind.WHOLE) && other.all(Kind.DECIMAL, Kind.MONEY);
    }

    /** The same of whole numbers, where both have more than a few; a measurement may come out whole now and then. */
    boolean surelyCountsOtherThan(Profile other) {
        boolean measured = other.kinds.getOrDefault(Kind.DECIMAL, 0) >= other.filled * MOSTLY;
        return filled >= MANY && other.filled >= MANY && all(Kind.WHOLE) && measured;
    }

    /** True where all its numbers lie where shares do, as small prices may too. */
    boolean couldBeShares() {
        return numbers.length > 0
                && Arrays.stream(numbers).allMatch(number -> number >= 0 && number <= GREATEST_FRACTION)
                && !all(Kind.WHOLE);
    }

    /** True where a fair share of its numbers is below zero, and none of the other's, which can hardly be by chance. */
    boolean isSignedUnlike(Profile other) {
        double below = belowZero / Math.max(1.0, numbers.length);
        return belowZero > 0
                && coarse() == Coarse.NUMBERS
                && other.coarse() == Coarse.NUMBERS
                && below >= SIGNED
                && other.belowZero == 0
                && Math.pow(1 - below, other.numbers.length) <= HARDLY;
    }

    /** True where its numbers are amounts of money, as they are marked. */
    boolean isMoney() {
        return kind() == Kind.MONEY;
    }

    /** True for whole numbers of three digits and more: smaller ones are counts that happen to differ. */
    boolean mayNumberThings() {
        return kind() == Kind.WHOLE && Arrays.stream(numbers).allMatch(number -> number >= HUNDRED);
    }

    /**
     * True for codes, or numbers that name things, which are made like others: of the same letters and digits; or numbers
     * of as many digits as each other, in about the same range.
     */
    boolean numbersThingsLike(Profile other) {
        if (kind() == Kind.CODE && other.kind() == Kind.CODE) {
            return patterns.keySet().equals(other.patterns.keySet());
        }
        if (!mayNumberThings() || !other.mayNumberThings()) {
            return false;
        }
        DoubleSummaryStatistics both =
                Arrays.stream(together(numbers, other.numbers)).summaryStatistics();
        double times = median() / other.median();
        return both.getMin() >= THOUSAND
                && Math.floor(Math.log10(both.getMin())) == Math.floor(Math.log10(both.getMax()))
                && times < MOST_BETWEEN_RANGES
                && times > 1 / MOST_BETWEEN_RANGES;
    }

    private boolean all(Kind... some) {
        int count = Arrays.stream(some)
                .mapToInt(kind -> kinds.getOrDefault(kind, 0))
                .sum();
        return count >= filled * NEARLY_ALL;
    }

    Coarse coarse() {
        if (filled == 0) {
            return Coarse.NOTHING;
        }
        return switch (kind()) {
            case DATE -> Coarse.DATES;
            case PERCENT, MONEY, FRACTION, WHOLE, DECIMAL -> Coarse.NUMBERS;
            case CODE, WORD, FREE -> Coarse.TEXTS;
        };
    }

    /** The share of different values within a table. */
    double distinct() {
        return (double) different / Math.max(1, counted);
    }

    boolean allDifferent() {
        return filled >= FEW && distinct() >= 0.999;
    }

    /** The share of its tables in which it numbers the rows. */
    double runningShare() {
        return running.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    double monthShare() {
        return monthShares.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    /** The most decimals that a tenth of the numbers have. */
    int mostDecimals() {
        int all = Arrays.stream(decimals).sum();
        for (int i = decimals.length - 1; i > 0; i--) {
            if (decimals[i] >= Math.max(1, all * 0.1)) {
                return i;
            }
        }
        return 0;
    }

    /** Its numbers, the least first; not to be changed. */
    double[] sorted() {
        if (sorted.length == 0) {
            sorted = numbers.clone();
            Arrays.sort(sorted);
        }
        return sorted;
    }

    double median() {
        if (Double.isNaN(median)) {
            double[] sizes = Arrays.stream(numbers).map(Math::abs).sorted().toArray();
            median = sizes.length == 0 ? 0 : sizes[sizes.length / 2];
        }
        return median;
    }

    double meanLength() {
        if (Double.isNaN(meanLength)) {
            meanLength = lengths();
        }
        return meanLength;
    }

    private double lengths() {
        long all = 0;
        for (Map.Entry<String, Integer> text : texts.entrySet()) {
            all += (long) text.getKey().length() * text.getValue();
        }
        return (double) all / Math.max(1, filled);
    }

    double blankShare() {
        return 1 - (double) filled / Math.max(1, cells);
    }

    /** In a few words: {@code money, 8 to 1,400}, or some of its values. */
    String said() {
        if (filled == 0) {
            return "no values";
        }
        if (coarse() == Coarse.NUMBERS && numbers.length > 0) {
            double[] sorted = Arrays.stream(numbers).sorted().toArray();
            return plain(sorted[0]) + " to " + plain(sorted[sorted.length - 1]);
        }
        if (coarse() == Coarse.DATES && numbers.length > 0) {
            double[] sorted = Arrays.stream(numbers).sorted().toArray();
            return LocalDate.ofEpochDay((long) sorted[0]) + " to "
                    + LocalDate.ofEpochDay((long) sorted[sorted.length - 1]);
        }
        return String.join(
                ", ",
                texts.entrySet().stream()
                        .sorted(Map.Entry.<String, Integer>comparingByValue()
                                .reversed()
                                .thenComparing(Map.Entry.comparingByKey()))
                        .limit(3)
                        .map(entry -> "“" + entry.getKey() + "”")
                        .toList());
    }

    private static String plain(double number) {
        return new BigDecimal(number)
                .setScale(2, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
