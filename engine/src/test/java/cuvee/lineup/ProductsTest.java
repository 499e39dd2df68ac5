package cuvee.lineup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A column that is the product of two others is told, whatever it is called. */
class ProductsTest {
    private static final double NONE = Double.NaN;

    private static double[] numbers(double... numbers) {
        return numbers;
    }

    private static BitSet set(int... places) {
        BitSet set = new BitSet();
        for (int place : places) {
            set.set(place);
        }
        return set;
    }

    @Test
    void anAmountIsAPriceByAQuantityInRoundedMoneyToo() {
        assertThat(Products.of(List.of(
                        numbers(13, 9, 11, 16, 12, 3),
                        numbers(13.45, 47.15, 43.55, 9, 80.165, 130.12),
                        numbers(45.03, 34.96, NONE, 338.91, NONE, NONE),
                        numbers(174.85, 424.35, 479.05, 144, 961.98, 390.36))))
                .isEqualTo(set(3));
    }

    @Test
    void anAmountThatWasCorrectedByHandIsForgivenAmongMany() {
        double[] days = new double[20];
        double[] rates = new double[20];
        double[] charges = new double[20];
        for (int row = 0; row < 20; row++) {
            days[row] = row + 2;
            rates[row] = 10.5 + row;
            charges[row] = days[row] * rates[row];
        }
        charges[7] = 99;
        assertThat(Products.of(List.of(charges, days, rates))).isEqualTo(set(0));
        charges[8] = 99;
        charges[9] = 99;
        assertThat(Products.of(List.of(charges, days, rates))).isEqualTo(set());
    }

    @Test
    void aFewRowsOrFactorsOfOneTellNothing() {
        assertThat(Products.of(List.of(numbers(2, 3, 4), numbers(5, 6, 7), numbers(10, 18, 28))))
                .as("three rows")
                .isEqualTo(set());
        assertThat(Products.of(List.of(numbers(1, 1, 1, 1, 1), numbers(5, 6, 7, 8, 9), numbers(5, 6, 7, 8, 9))))
                .as("a copy of a column beside ones")
                .isEqualTo(set());
        assertThat(Products.of(List.of(numbers(0, 0, 0, 0, 0), numbers(5, 6, 7, 8, 9), numbers(0, 0, 0, 0, 0))))
                .as("nothing by anything")
                .isEqualTo(set());
    }
}
