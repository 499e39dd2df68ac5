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
     * True where the greatest of many values is so far above all others, and would be an ordinary one with its decimal mark
     * elsewhere, that the mark may have moved.
     *
     * @param greatest the two greatest, the greater first, without sign
     * @param middle the value that half exceed
     */
    public static boolean isFarAbove(double[] greatest, double middle, long count) {
        if (count < FEWEST_VALUES || greatest.length < 2 || greatest[1] <= 0 || middle <= 0) {
            return false;
        }
        boolean far = greatest[0] >= FAR * greatest[1];
        boolean ordinary = Arrays.stream(new double[] {10, 100, 1000})
                .map(moved -> greatest[0] / moved)
                .anyMatch(value -> value <= greatest[1] && value >= middle / FAR);
        return far && ordinary;
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
