package cuvee.lineup;

import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Which columns of a table are the product of two others: an amount is a price by a quantity, whatever they are called. */
public final class Products {
    private static final int FEW = 4;
    private static final int DIFFERENT = 3;
    private static final int MOST_COLUMNS = 40;
    /** Of ten rows that have all three, so many may differ: amounts are corrected by hand. */
    private static final int OF_TEN_DIFFER = 1;
    /** Amounts are rounded to a hundredth, or to a whole where they have no decimals and are not small. */
    private static final double HUNDREDTH = 0.0051;

    private static final double WHOLE = 0.51;
    private static final double SMALL = 50;

    private Products() {}

    /**
     * The columns that are products.
     *
     * @param columns the numbers of columns, row by row; {@code NaN} where there is none
     */
    public static BitSet of(List<double[]> columns) {
        BitSet products = new BitSet();
        if (columns.size() > MOST_COLUMNS) {
            return products;
        }
        for (int product = 0; product < columns.size(); product++) {
            if (isProduct(product, columns)) {
                products.set(product);
            }
        }
        return products;
    }

    private static boolean isProduct(int product, List<double[]> columns) {
        double[] amounts = columns.get(product);
        double tolerance = tolerance(amounts);
        for (int i = 0; i < columns.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (i != product && j != product && agree(columns.get(i), columns.get(j), amounts, tolerance)) {
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

    private static boolean agree(double[] one, double[] other, double[] amounts, double tolerance) {
        int telling = 0;
        int differ = 0;
        Set<Double> different = new HashSet<>();
        for (int row = 0; row < amounts.length; row++) {
            double factor = Math.abs(one[row]);
            double by = Math.abs(other[row]);
            // Nothing is told where a factor is nothing or one.
            if (Double.isNaN(amounts[row]) || !(factor > 0) || !(by > 0) || factor == 1 || by == 1) {
                continue;
            }
            telling++;
            if (Math.abs(one[row] * other[row] - amounts[row]) <= tolerance) {
                different.add(amounts[row]);
            } else if (++differ * 10 > amounts.length * OF_TEN_DIFFER) {
                return false;
            }
        }
        return telling >= FEW && differ * 10 <= telling * OF_TEN_DIFFER && different.size() >= DIFFERENT;
    }
}
