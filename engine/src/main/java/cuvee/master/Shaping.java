package cuvee.master;

import java.util.List;
import java.util.Optional;

/**
 * What is done with the rows of the master once all rules have set theirs aside: some columns' values become columns, the
 * rows are put in another order, they are numbered.
 *
 * @param numbered the name of the column that numbers the rows; empty for none
 */
public record Shaping(Optional<Gathering> gathering, List<Order> orders, String numbered) {
    public static final Shaping NONE = new Shaping(Optional.empty(), List.of(), "");

    public Shaping {
        orders = List.copyOf(orders);
    }

    /** What is made of several values that meet in one cell. */
    public enum How {
        SUM("sum"),
        AVERAGE("average"),
        COUNT("count"),
        LEAST("least"),
        GREATEST("greatest"),
        FIRST("first"),
        LAST("last");

        private final String word;

        How(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }

        /** True where the values must be numbers. */
        public boolean needsNumbers() {
            return this == SUM || this == AVERAGE;
        }
    }

    /**
     * The values of one column become columns, which hold those of another: one row for each combination of keys.
     *
     * @param label the master's column whose values become columns
     * @param value the master's column that they hold
     * @param keys the master's columns that stay, tags behind the others
     */
    public record Gathering(int label, How how, int value, List<Integer> keys) {
        public Gathering {
            keys = List.copyOf(keys);
        }
    }

    /** One thing that the rows are ordered by. */
    public record Order(String column, boolean greatestFirst) {}

    public boolean isNone() {
        return gathering.isEmpty() && orders.isEmpty() && numbered.isEmpty();
    }
}
