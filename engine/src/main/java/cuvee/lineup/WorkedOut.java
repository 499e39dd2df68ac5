package cuvee.lineup;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;

/**
 * What columns of numbers are worked out from others of their tables, whatever they are called: an amount is a price by a
 * quantity, a total adds up its parts.
 *
 * @param products for each table that has products of two columns: whether this is one
 * @param sums for each table that has sums of other columns: whether this is one
 */
public record WorkedOut(List<Boolean> products, List<Boolean> sums) {
    /** Nothing is known. */
    static final WorkedOut UNKNOWN = new WorkedOut(List.of(), List.of());

    private static final int FEW = 4;
    private static final int DIFFERENT = 3;
    private static final int MOST_COLUMNS = 40;
    /** Smaller numbers add up to one another by chance. */
    private static final double SMALL_SUM = 10;
    /** Of ten rows that have all three, so many may differ: amounts are corrected by hand. */
    private static final int OF_TEN_DIFFER = 1;
    /** Amounts are rounded to a hundredth, or to a whole where they have no decimals and are not small. */
    private static final double HUNDREDTH = 0.0051;

    private static final double WHOLE = 0.51;
    private static final double SMALL = 50;

    public WorkedOut {
        products = List.copyOf(products);
        sums = List.copyOf(sums);
    }

    /**
     * What is known of each column of a table.
     *
     * @param columns the numbers of columns, row by row; {@code NaN} where there is none
     */
    public static List<WorkedOut> of(List<double[]> columns) {
        BitSet products = new BitSet();
        BitSet sums = new BitSet();
        for (int result = 0; result < columns.size() && columns.size() <= MOST_COLUMNS; result++) {
            products.set(result, isProduct(result, columns));
            sums.set(result, isSum(result, columns));
        }
        List<WorkedOut> all = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            all.add(new WorkedOut(
                    products.isEmpty() ? List.of() : List.of(products.get(i)),
                    sums.isEmpty() ? List.of() : List.of(sums.get(i))));
        }
        return all;
    }

    /** What is known of a column in the tables of both. */
    WorkedOut plus(WorkedOut other) {
        return new WorkedOut(both(products, other.products), both(sums, other.sums));
    }

    private static List<Boolean> both(List<Boolean> one, List<Boolean> other) {
        List<Boolean> both = new ArrayList<>(one);
        both.addAll(other);
        return both;
    }

    /** Whether it is the product of two columns in most tables; empty where none of them has products. */
    Optional<Boolean> isProduct() {
        return most(products);
    }

    /** Whether it adds up other columns in most tables; empty where none of them has such sums. */
    Optional<Boolean> isSum() {
        return most(sums);
    }

    private static Optional<Boolean> most(List<Boolean> tables) {
        long is = tables.stream().filter(Boolean::booleanValue).count();
        return tables.isEmpty() ? Optional.empty() : Optional.of(is * 2 > tables.size());
    }

    // ---- products ----

    private static boolean isProduct(int product, List<double[]> columns) {
        double[] amounts = columns.get(product);
        double tolerance = tolerance(amounts);
        for (int i = 0; i < columns.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (i != product && j != product && isProduct(columns.get(i), columns.get(j), amounts, tolerance)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static double tolerance(double[] amounts) {
        for (double amount : amounts) {
            if (!Double.isNaN(amount) && (amount != Math.rint(amount) || Math.abs(amount) < SMALL && amount != 0)) {
                return HUNDREDTH;
            }
        }
        return WHOLE;
    }

    private static boolean isProduct(double[] one, double[] other, double[] amounts, double tolerance) {
        // Nothing is told where a factor is nothing or one.
        return isWorkedOut(
                amounts,
                row -> Math.abs(one[row]) > 0
                        && Math.abs(other[row]) > 0
                        && Math.abs(one[row]) != 1
                        && Math.abs(other[row]) != 1,
                row -> Math.abs(one[row] * other[row] - amounts[row]) <= tolerance,
                DIFFERENT);
    }

    // ---- sums ----

    private static boolean isSum(int sum, List<double[]> columns) {
        double[] amounts = columns.get(sum);
        for (int i = 0; i < columns.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (i != sum && j != sum && addsUp(List.of(columns.get(i), columns.get(j)), amounts)) {
                    return true;
                }
            }
        }
        // More than two stand beside each other and beside their sum.
        for (int from = 0; from <= sum - DIFFERENT; from++) {
            if (addsUp(columns.subList(from, sum), amounts)) {
                return true;
            }
        }
        for (int to = columns.size(); to > sum + DIFFERENT; to--) {
            if (addsUp(columns.subList(sum + 1, to), amounts)) {
                return true;
            }
        }
        return false;
    }

    /** True where columns add up to amounts, where at least two of them have something. */
    private static boolean addsUp(List<double[]> parts, double[] amounts) {
        return isWorkedOut(
                amounts,
                row -> Math.abs(amounts[row]) >= SMALL_SUM
                        && parts.stream()
                                        .filter(part -> Math.abs(part[row]) > 0)
                                        .count()
                                > 1,
                row -> Math.abs(parts.stream()
                                        .mapToDouble(part -> Double.isNaN(part[row]) ? 0 : part[row])
                                        .sum()
                                - amounts[row])
                        <= HUNDREDTH,
                FEW);
    }

    /**
     * True where nearly all rows that tell agree, with several amounts.
     *
     * @param tells whether a row tells anything
     * @param agrees whether what it has is what is worked out
     * @param fewest different amounts
     */
    private static boolean isWorkedOut(double[] amounts, IntPredicate tells, IntPredicate agrees, int fewest) {
        int telling = 0;
        int differ = 0;
        Set<Double> different = new HashSet<>();
        for (int row = 0; row < amounts.length; row++) {
            if (Double.isNaN(amounts[row]) || !tells.test(row)) {
                continue;
            }
            telling++;
            if (agrees.test(row)) {
                different.add(amounts[row]);
            } else if (++differ * 10 > amounts.length * OF_TEN_DIFFER) {
                return false;
            }
        }
        return telling >= FEW && differ * 10 <= telling * OF_TEN_DIFFER && different.size() >= fewest;
    }
}
