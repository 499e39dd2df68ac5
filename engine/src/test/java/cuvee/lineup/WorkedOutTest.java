package cuvee.lineup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A column that is worked out from others is told, whatever it is called. */
class WorkedOutTest {
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

    private static BitSet where(List<WorkedOut> known, Function<WorkedOut, Optional<Boolean>> asked) {
        BitSet set = new BitSet();
        for (int i = 0; i < known.size(); i++) {
            set.set(i, asked.apply(known.get(i)).orElse(false));
        }
        return set;
    }

    private static List<WorkedOut> known(List<double[]> columns) {
        return WorkedOut.of(
                IntStream.range(0, columns.size()).mapToObj(i -> "column " + i).toList(), columns);
    }

    private static BitSet products(List<double[]> columns) {
        return where(known(columns), WorkedOut::isProduct);
    }

    private static BitSet sums(double[]... columns) {
        return where(known(List.of(columns)), WorkedOut::isSum);
    }

    @Test
    void aTotalAddsUpTwoColumnsAnywhereOrAllBesideIt() {
        double[] hours = numbers(2, 3, 1.5, 4, 6);
        double[] labour = numbers(68, 102, 51, 136, 204);
        double[] parts = numbers(5.5, 12.25, NONE, 80, 41.1);
        double[] fee = numbers(1, 1, 1, 2, 2);
        assertThat(sums(labour, hours, parts, numbers(73.5, 114.25, 51, 216, 245.1)))
                .isEqualTo(set(3));
        assertThat(sums(hours, labour, parts, fee, numbers(74.5, 115.25, 52, 218, 247.1)))
                .isEqualTo(set(4));
        assertThat(sums(numbers(74.5, 115.25, 52, 218, 247.1), labour, parts, fee))
                .isEqualTo(set(0));
    }

    @Test
    void smallCountsAddUpByChance() {
        assertThat(sums(numbers(1, 2, 1, 3, 2), numbers(2, 1, 1, 1, 3), numbers(3, 3, 2, 4, 5)))
                .isEqualTo(set());
    }

    @Test
    void anAmountIsAPriceByAQuantityInRoundedMoneyToo() {
        assertThat(products(List.of(
                        numbers(13, 9, 11, 16, 12, 3),
                        numbers(13.45, 47.15, 43.55, 9, 80.165, 130.12),
                        numbers(45.03, 34.96, NONE, 338.91, NONE, NONE),
                        numbers(174.85, 424.35, 479.05, 144, 961.98, 390.36))))
                .isEqualTo(set(3));
    }

    @Test
    void aFactorKnowsWhatItIsMultipliedByAndWhatThatComesTo() {
        List<WorkedOut> known = WorkedOut.of(
                List.of("heat", "rate", "hours", "cost"),
                List.of(
                        numbers(13, 9, 11, 16, 12),
                        numbers(13.45, 47.15, 43.55, 9, 80.165),
                        numbers(3, 5, 2, 8, 4),
                        numbers(174.85, 424.35, 479.05, 144, 961.98)));
        assertThat(known.get(0).factors()).containsExactly(new WorkedOut.Factor("rate", "cost"));
        assertThat(known.get(1).factors()).containsExactly(new WorkedOut.Factor("heat", "cost"));
        assertThat(known.get(2).factors()).isEmpty();
        assertThat(known.get(3).factors()).isEmpty();
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
        assertThat(products(List.of(charges, days, rates))).isEqualTo(set(0));
        charges[8] = 99;
        charges[9] = 99;
        assertThat(products(List.of(charges, days, rates))).isEqualTo(set());
    }

    @Test
    void aFewRowsOrFactorsOfOneTellNothing() {
        assertThat(products(List.of(numbers(2, 3, 4), numbers(5, 6, 7), numbers(10, 18, 28))))
                .as("three rows")
                .isEqualTo(set());
        assertThat(products(List.of(numbers(1, 1, 1, 1, 1), numbers(5, 6, 7, 8, 9), numbers(5, 6, 7, 8, 9))))
                .as("a copy of a column beside ones")
                .isEqualTo(set());
        assertThat(products(List.of(numbers(0, 0, 0, 0, 0), numbers(5, 6, 7, 8, 9), numbers(0, 0, 0, 0, 0))))
                .as("nothing by anything")
                .isEqualTo(set());
    }
}
