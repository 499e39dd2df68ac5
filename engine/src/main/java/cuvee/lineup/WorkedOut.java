package cuvee.lineup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;

/**
 * What columns of numbers have to do with others of their tables, whatever they are called: an amount is a price by a
 * quantity, a total adds up its parts.
 *
 * @param products for each table that has products of two columns: whether this is one
 * @param sums for each table that has sums of other columns: whether this is one
 * @param factors what it is multiplied by, and what column holds what that comes to
 * @param below the columns that are somewhat less than it in every row, as a net amount is less than the gross, or days
 *     that are earlier
 * @param above the columns that are somewhat more, or later
 */
public record WorkedOut(
        List<Boolean> products, List<Boolean> sums, Set<Factor> factors, Set<String> below, Set<String> above) {
    /** Nothing is known. */
    static final WorkedOut UNKNOWN = new WorkedOut(List.of(), List.of(), Set.of(), Set.of(), Set.of());

    /** Other columns of a table by the keys of their headers: one by which another is multiplied, and their product. */
    record Factor(String by, String product) {}

    private static final int FEW = 4;
    private static final int DIFFERENT = 3;
    /** Of two columns of days that have nothing to do with each other so many are seldom in one order. */
    private static final int ENOUGH_DAYS = 6;

    private static final int MOST_COLUMNS = 40;
    /** Smaller numbers add up to one another by chance. */
    private static final double SMALL_SUM = 10;
    /** Of ten rows that have all three, so many may differ: amounts are corrected by hand. */
    private static final int OF_TEN_DIFFER = 1;
    /** Amounts are rounded to a hundredth, or to a whole where they have no decimals and are not small. */
    private static final double HUNDREDTH = 0.0051;

    private static final double WHOLE = 0.51;
    private static final double SMALL = 50;
    /** An amount with its tax or its freight is no more than so many times the one without. */
    private static final double SOMEWHAT = 2;

    public WorkedOut {
        products = List.copyOf(products);
        sums = List.copyOf(sums);
        factors = Set.copyOf(factors);
        below = Set.copyOf(below);
        above = Set.copyOf(above);
    }

    /**
     * What is known of each column of a table.
     *
     * @param keys of their headers
     * @param columns the numbers of columns, row by row; {@code NaN} where there is none
     */
    public static List<WorkedOut> of(List<String> keys, List<double[]> columns) {
        BitSet products = new BitSet();
        BitSet sums = new BitSet();
        Map<Integer, Set<Factor>> factors = new HashMap<>();
        for (int result = 0; result < columns.size() && columns.size() <= MOST_COLUMNS; result++) {
            sums.set(result, isSum(result, columns));
            for (int[] pair : factors(result, columns)) {
                products.set(result);
                String product = keys.get(result);
                add(factors, pair[0], new Factor(keys.get(pair[1]), product));
                add(factors, pair[1], new Factor(keys.get(pair[0]), product));
            }
        }
        List<WorkedOut> all = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            all.add(new WorkedOut(
                    products.isEmpty() ? List.of() : List.of(products.get(i)),
                    sums.isEmpty() ? List.of() : List.of(sums.get(i)),
                    factors.getOrDefault(i, Set.of()),
                    beside(keys, columns, i, true, WorkedOut::isSomewhatMore),
                    beside(keys, columns, i, false, WorkedOut::isSomewhatMore)));
        }
        return all;
    }

    /**
     * What is known of each column of dates of a table: which of two is never the later one.
     *
     * @param keys of their headers
     * @param columns days since one day, row by row; {@code NaN} where there is none
     */
    public static List<WorkedOut> ofDays(List<String> keys, List<double[]> columns) {
        List<WorkedOut> all = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            all.add(new WorkedOut(
                    List.of(),
                    List.of(),
                    Set.of(),
                    beside(keys, columns, i, true, WorkedOut::isLater),
                    beside(keys, columns, i, false, WorkedOut::isLater)));
        }
        return all;
    }

    /** The columns that are less than one in every row, or more. */
    private static Set<String> beside(
            List<String> keys,
            List<double[]> columns,
            int column,
            boolean less,
            BiPredicate<double[], double[]> isMore) {
        Set<String> beside = new HashSet<>();
        for (int i = 0; i < columns.size() && columns.size() <= MOST_COLUMNS; i++) {
            double[] lesser = columns.get(less ? i : column);
            double[] greater = columns.get(less ? column : i);
            if (i != column && isMore.test(greater, lesser)) {
                beside.add(keys.get(i));
            }
        }
        return beside;
    }

    /** True where no row has the later day first, and enough of them another day. */
    private static boolean isLater(double[] later, double[] earlier) {
        int more = 0;
        for (int row = 0; row < later.length; row++) {
            if (later[row] < earlier[row]) {
                return false;
            }
            more += later[row] > earlier[row] ? 1 : 0;
        }
        return more >= ENOUGH_DAYS;
    }

    private static boolean isSomewhatMore(double[] greater, double[] lesser) {
        int more = 0;
        for (int row = 0; row < greater.length; row++) {
            double one = Math.abs(greater[row]);
            double other = Math.abs(lesser[row]);
            if (one < other || one > other * SOMEWHAT) {
                return false;
            }
            more += one > other ? 1 : 0;
        }
        return more >= FEW;
    }

    private static void add(Map<Integer, Set<Factor>> factors, int column, Factor factor) {
        factors.computeIfAbsent(column, any -> new HashSet<>()).add(factor);
    }

    /** What is known of a column in all its tables. */
    static WorkedOut together(List<WorkedOut> parts) {
        return new WorkedOut(
                parts.stream().flatMap(part -> part.products.stream()).toList(),
                parts.stream().flatMap(part -> part.sums.stream()).toList(),
                parts.stream().flatMap(part -> part.factors.stream()).collect(Collectors.toSet()),
                parts.stream().flatMap(part -> part.below.stream()).collect(Collectors.toSet()),
                parts.stream().flatMap(part -> part.above.stream()).collect(Collectors.toSet()));
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

    /** The pairs of columns whose product a column is. */
    private static List<int[]> factors(int product, List<double[]> columns) {
        double[] amounts = columns.get(product);
        double tolerance = tolerance(amounts);
        List<int[]> pairs = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (i != product && j != product && isProduct(columns.get(i), columns.get(j), amounts, tolerance)) {
                    pairs.add(new int[] {i, j});
                }
            }
        }
        return pairs;
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
        Agreeing agreeing = new Agreeing(amounts.length);
        for (int row = 0; row < amounts.length && !agreeing.isRuledOut(); row++) {
            if (isFactor(one[row]) && isFactor(other[row]) && !Double.isNaN(amounts[row])) {
                agreeing.add(amounts[row], Math.abs(one[row] * other[row] - amounts[row]) <= tolerance);
            }
        }
        return agreeing.nearlyAll(DIFFERENT);
    }

    /** Nothing is told where a factor is nothing or one. */
    private static boolean isFactor(double number) {
        return Math.abs(number) > 0 && Math.abs(number) != 1;
    }

    // ---- sums ----

    private static boolean isSum(int sum, List<double[]> columns) {
        double[] amounts = columns.get(sum);
        for (int i = 0; i < columns.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (i != sum && j != sum && addsUp(amounts, columns.get(i), columns.get(j))) {
                    return true;
                }
            }
        }
        // More than two stand beside each other and beside their sum.
        double[][] all = columns.toArray(double[][]::new);
        for (int from = 0; from <= sum - DIFFERENT; from++) {
            if (addsUp(amounts, Arrays.copyOfRange(all, from, sum))) {
                return true;
            }
        }
        for (int to = all.length; to > sum + DIFFERENT; to--) {
            if (addsUp(amounts, Arrays.copyOfRange(all, sum + 1, to))) {
                return true;
            }
        }
        return false;
    }

    /** True where columns add up to amounts, where at least two of them have something. */
    private static boolean addsUp(double[] amounts, double[]... parts) {
        Agreeing agreeing = new Agreeing(amounts.length);
        for (int row = 0; row < amounts.length && !agreeing.isRuledOut(); row++) {
            int having = 0;
            double sum = 0;
            for (double[] part : parts) {
                if (Math.abs(part[row]) > 0) {
                    having++;
                    sum += part[row];
                }
            }
            if (having > 1 && Math.abs(amounts[row]) >= SMALL_SUM) {
                agreeing.add(amounts[row], Math.abs(sum - amounts[row]) <= HUNDREDTH);
            }
        }
        return agreeing.nearlyAll(FEW);
    }

    /** The rows that tell whether an amount is what is worked out. */
    private static final class Agreeing {
        private final int rows;
        private int telling;
        private int differ;
        private final Set<Double> different = new HashSet<>(0);

        Agreeing(int rows) {
            this.rows = rows;
        }

        void add(double amount, boolean agrees) {
            telling++;
            if (agrees) {
                different.add(amount);
            } else {
                differ++;
            }
        }

        /** True where so many differ that no others can outweigh them. */
        boolean isRuledOut() {
            return differ * 10 > rows * OF_TEN_DIFFER;
        }

        /** True where nearly all agree, with several amounts. */
        boolean nearlyAll(int fewest) {
            return telling >= FEW && differ * 10 <= telling * OF_TEN_DIFFER && different.size() >= fewest;
        }
    }
}
