package cuvee.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A sceptic's look at the numbers of a master: columns that are the product or the sum of two others in nearly all rows, so
 * that the rows in which they are not can be pointed out; and values so far above all others that a decimal mark may have
 * moved. Works on samples and on figures; it never says that a number is wrong, only that it is worth a look.
 */
public final class Audit {
    /** A relation holds where it holds in so many of the rows that have all three numbers. */
    private static final double NEARLY_ALL = 0.94;

    /** Rates of single rows differ by rounding: by so much at most from the middle one, and as seldom from the true one. */
    private static final double CLOSE_RATE = 0.01;

    private static final double EXACT_RATE = 1e-4;
    private static final int FEWEST_ROWS = 20;
    private static final int FEWEST_DIFFERENT = 8;
    private static final int FEWEST_VALUES = 30;
    /** A value so many times the next one is far above all others. */
    private static final double FAR = 6;
    /** A value so many times the next one is, where those below follow each other closely. */
    private static final double NEAR = 2;
    /** It is not worth a word where it happens by chance in more than so many columns. */
    private static final double RARE = 1e-3;
    /** So many values that stand out are slips; more are of another kind. */
    public static final int MOST_APART = 3;
    /** So many of the greatest values that do not stand out say how closely they follow each other. */
    private static final int NEIGHBOURS = 15;

    private static final int FEWEST_NEIGHBOURS = 8;
    /** Smaller numbers, in units of their last digit, step too coarsely to tell. */
    private static final double COARSE = 20;

    /** The greatest values of a column that are looked at, to see whether some stand out. */
    public static final int GREATEST = MOST_APART + NEIGHBOURS + 1;

    private static final double[] MOVED = {10, 100, 1000};

    /** Numbers that name rows stand once, but for so few. */
    private static final double ONCE = 0.95;
    /** The others begin anew: those of another sender or year. */
    private static final double RUNNING_ON = 0.9;

    private static final int MANY_NUMBERS = 200;
    private static final int FEWEST_MONTHS = 6;
    private static final double LOW = 0.4;
    private static final double HIGH = 2.5;
    private static final double DEVIATIONS = 10;
    /** What makes of a median deviation the deviation of a normal distribution. */
    private static final double NORMAL = 1.4826;

    private static final double LEAST_SPREAD = 0.03;
    /** One month in so many may jump; a series with more of them is no steady one. */
    private static final int OFTEN = 5;

    private Audit() {}

    /** How a column follows from two others. */
    public enum Kind {
        PRODUCT("×"),
        SUM("+");

        private final String sign;

        Kind(String sign) {
            this.sign = sign;
        }

        public String sign() {
            return sign;
        }
    }

    /**
     * A column that follows from two others, all from 0.
     *
     * @param tolerance how far the result may be off, by the decimals that it is written with
     */
    public record Relation(Kind kind, int one, int other, int result, double tolerance) {
        boolean holds(double a, double b, double c) {
            double expected = kind == Kind.PRODUCT ? a * b : a + b;
            return Math.abs(expected - c) <= tolerance + 1e-9 * Math.abs(expected);
        }
    }

    /**
     * The relations between columns, from some rows; each result is explained once, by the relation that holds most often.
     *
     * @param rows the numbers of some rows; what is blank is not a number
     * @param decimals the digits behind the mark that each column is written with
     */
    public static List<Relation> relations(List<double[]> rows, int[] decimals) {
        List<Relation> found = new ArrayList<>();
        int columns = decimals.length;
        boolean[] varies = new boolean[columns];
        for (int i = 0; i < columns; i++) {
            varies[i] = different(rows, i) >= FEWEST_DIFFERENT;
        }
        for (int result = 0; result < columns; result++) {
            Relation best = null;
            double most = NEARLY_ALL;
            for (int one = 0; varies[result] && one < columns; one++) {
                for (int other = one + 1; other < columns; other++) {
                    if (one == result || other == result || !varies[one] || !varies[other]) {
                        continue;
                    }
                    for (Kind kind : Kind.values()) {
                        Relation relation =
                                new Relation(kind, one, other, result, 0.51 * Math.pow(10, -decimals[result]));
                        double share = share(rows, relation);
                        if (share >= most) {
                            most = Math.nextUp(share);
                            best = relation;
                        }
                    }
                }
            }
            Optional.ofNullable(best).ifPresent(found::add);
        }
        return found;
    }

    /**
     * A column that is a constant times another one, both from 0.
     *
     * @param rate the constant
     */
    public record Rate(int one, int result, double rate) {}

    /**
     * The columns that are a constant times one before them in nearly all rows, such as a charge for each unit; two columns
     * that are the same are not among them.
     *
     * @param rows as for {@link #relations}
     * @param decimals as for {@link #relations}
     */
    public static List<Rate> rates(List<double[]> rows, int[] decimals) {
        List<Rate> found = new ArrayList<>();
        for (int result = 1; result < decimals.length; result++) {
            for (int one = 0; one < result; one++) {
                Optional<Rate> rate = rate(rows, one, result, 0.51 * Math.pow(10, -decimals[result]));
                if (rate.isPresent()) {
                    found.add(rate.get());
                    break;
                }
            }
        }
        return found;
    }

    private static Optional<Rate> rate(List<double[]> rows, int one, int result, double tolerance) {
        List<double[]> both = rows.stream()
                .filter(row -> row[one] != 0 && row[result] != 0 && !Double.isNaN(row[one] + row[result]))
                .toList();
        if (both.size() < FEWEST_ROWS
                || !isAlike(both.subList(0, FEWEST_ROWS), one, result)
                || different(both, one) < FEWEST_DIFFERENT
                || different(both, result) < FEWEST_DIFFERENT) {
            return Optional.empty();
        }
        double middle = middleRate(both, one, result);
        double rate = both.stream()
                .filter(row -> Math.abs(row[result] / row[one] - middle) <= CLOSE_RATE * Math.abs(middle))
                .max(Comparator.comparingDouble(row -> Math.abs(row[one])))
                .map(row -> row[result] / row[one])
                .orElse(middle);
        long holds = both.stream()
                .filter(row ->
                        Math.abs(row[one] * rate - row[result]) <= tolerance + EXACT_RATE * Math.abs(row[result]))
                .count();
        boolean same = Math.abs(rate - 1) < EXACT_RATE;
        return same || holds < both.size() * NEARLY_ALL ? Optional.empty() : Optional.of(new Rate(one, result, rate));
    }

    /** True where the rates of most rows are nearly the same, which a few rows tell of most columns. */
    private static boolean isAlike(List<double[]> some, int one, int result) {
        double middle = middleRate(some, one, result);
        long close = some.stream()
                .filter(row -> Math.abs(row[result] / row[one] - middle) <= CLOSE_RATE * Math.abs(middle))
                .count();
        return close * 2 > some.size();
    }

    private static double middleRate(List<double[]> rows, int one, int result) {
        double[] rates = rows.stream()
                .mapToDouble(row -> row[result] / row[one])
                .sorted()
                .toArray();
        return rates[rates.length / 2];
    }

    private static long different(List<double[]> rows, int column) {
        return rows.stream()
                .mapToDouble(row -> row[column])
                .filter(value -> !Double.isNaN(value) && value != 0)
                .distinct()
                .count();
    }

    /** In what share of the rows that have all three numbers, the result not 0, a relation holds; 0 for few rows. */
    private static double share(List<double[]> rows, Relation relation) {
        int holds = 0;
        int all = 0;
        for (double[] row : rows) {
            double a = row[relation.one()];
            double b = row[relation.other()];
            double c = row[relation.result()];
            if (!Double.isNaN(a + b + c) && c != 0) {
                all++;
                holds += relation.holds(a, b, c) ? 1 : 0;
                if (all == FEWEST_ROWS && holds * 2 < all) {
                    return 0;
                }
            }
        }
        return all < FEWEST_ROWS ? 0 : (double) holds / all;
    }

    /**
     * How many of the greatest values stand apart from the others: the least of them is many times the next one, or so
     * many times as chance hardly explains, seen how closely the next ones follow each other. (The gaps of ordered values
     * of a long tail, in logarithms: Rényi, 1953; the tail's index from the greatest of them: Hill, 1975.)
     *
     * @param greatest the {@link #GREATEST} greatest, or all where there are fewer, the greatest first, without sign
     * @param decimals the digits behind the mark that the others are written with
     */
    public static int apart(double[] greatest, int decimals) {
        for (int apart = Math.min(MOST_APART, greatest.length - 1); apart > 0; apart--) {
            double next = greatest[apart];
            double times = next <= 0 ? 0 : greatest[apart - 1] / next;
            boolean near =
                    times >= NEAR && next * Math.pow(10, decimals) >= COARSE && chance(greatest, apart, times) < RARE;
            if (times >= FAR || near) {
                return apart;
            }
        }
        return 0;
    }

    /** How likely one of some values is so many times the next one, as the greatest of those below follow each other. */
    private static double chance(double[] greatest, int apart, double times) {
        int neighbours = Math.min(NEIGHBOURS, greatest.length - apart - 1);
        double least = neighbours < FEWEST_NEIGHBOURS ? 0 : greatest[apart + neighbours];
        double[] above = Arrays.copyOfRange(greatest, apart, apart + neighbours);
        if (least <= 0 || Arrays.stream(above).distinct().count() < FEWEST_NEIGHBOURS) {
            return 1;
        }
        double follow =
                Arrays.stream(above).map(value -> Math.log(value / least)).sum();
        return Math.pow(1 + apart * Math.log(times) / follow, -neighbours);
    }

    /**
     * True where a value that stands apart would be an ordinary one with its decimal mark elsewhere.
     *
     * @param next the greatest that does not stand apart
     * @param middle the value that half of all exceed
     */
    public static boolean isOrdinaryElsewhere(double value, double next, double middle, long count) {
        return count >= FEWEST_VALUES
                && middle > 0
                && Arrays.stream(MOVED)
                        .map(moved -> value / moved)
                        .anyMatch(elsewhere -> elsewhere <= next && elsewhere >= middle / FAR);
    }

    /** How many values have more digits behind the mark than nearly all others, and how many digits those have. */
    public record OddDecimals(int decimals, int values) {}

    /**
     * The values with more digits behind the mark than all others, by two at least or beyond two, but by no more than a
     * mark moves: they may be a number with its mark further to the left.
     *
     * @param most the digits behind the mark of the values that have most
     * @param more for 1 to 4 digits fewer than those, how many values have more digits than that
     * @param count how many values there are
     */
    public static Optional<OddDecimals> oddDecimals(int most, long[] more, long count) {
        for (int fewer = 2; fewer <= more.length && count >= FEWEST_VALUES; fewer++) {
            int usual = most - fewer + 1;
            boolean few = more[fewer - 2] > 0 && more[fewer - 2] <= MOST_APART;
            boolean usually = more[fewer - 1] * 2 >= count;
            if (few && usually && usual >= 0 && (usual >= 2 || fewer > 2)) {
                return Optional.of(new OddDecimals(usual, (int) more[fewer - 2]));
            }
        }
        return Optional.empty();
    }

    /**
     * True where the numbers of a column name its rows one after the other.
     *
     * @param all how many rows have a number
     * @param different how many different numbers there are
     * @param runningOn how many of them are the one before and one more
     */
    public static boolean isRunning(long all, long different, long runningOn) {
        return different >= FEWEST_VALUES && different >= all * ONCE && runningOn >= different * RUNNING_ON;
    }

    /** So many numbers among many may be missing as lost ones; where more are, numbers are left out for other reasons. */
    public static long mostMissing(long different) {
        return different < MANY_NUMBERS ? 1 : Math.min(3, different / MANY_NUMBERS + 1);
    }

    /** A month of a series whose figure is far from its others. */
    public record Jump(int month, double value, double usual) {}

    /**
     * The months in which a series is far from what it usually is: more than ten median deviations from its median, and
     * less than two fifths of it or more than two and a half times as much. Series of few months, and those that jump
     * often, say nothing; so does a last month that is low, which may not be over. (Median and MAD: Hampel, 1974.)
     *
     * @param figures for each month, in their order; what is missing is not a number
     */
    public static List<Jump> jumps(double[] figures) {
        double[] known = Arrays.stream(figures)
                .filter(figure -> !Double.isNaN(figure))
                .sorted()
                .toArray();
        double usual = known.length == 0 ? 0 : median(known);
        if (known.length < FEWEST_MONTHS || usual <= 0) {
            return List.of();
        }
        double[] off = Arrays.stream(known)
                .map(figure -> Math.abs(figure - usual))
                .sorted()
                .toArray();
        double spread = Math.max(NORMAL * median(off), LEAST_SPREAD * usual);
        List<Jump> jumps = new ArrayList<>();
        for (int month = 0; month < figures.length; month++) {
            double figure = figures[month];
            boolean low = figure < usual * LOW && month < figures.length - 1;
            if ((low || figure > usual * HIGH) && Math.abs(figure - usual) > DEVIATIONS * spread) {
                jumps.add(new Jump(month, figure, usual));
            }
        }
        return jumps.size() * OFTEN > known.length ? List.of() : jumps;
    }

    private static double median(double[] sorted) {
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }
}
