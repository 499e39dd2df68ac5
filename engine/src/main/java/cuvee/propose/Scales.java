package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Units;
import java.util.DoubleSummaryStatistics;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Tables whose numbers are in thousands while others of their column are not: by the unit in the header, by a line above
 * the table, and by how much smaller their numbers are.
 */
final class Scales {
    /** Numbers so many times smaller bear out that they are in thousands. */
    private static final double LEAST = 100;

    private static final double MOST = 10_000;
    /** Numbers so many times smaller may be in thousands though nothing says so. */
    private static final double CLOSE_LEAST = 500;

    private static final double CLOSE_MOST = 2_000;
    private static final int ENOUGH = 8;
    /** Numbers that are no amounts of money are compared where at least so many other tables have them of one size. */
    private static final int FEWEST_ALIKE = 3;

    /** Means of numbers of one size are at most so many times apart. */
    private static final double MOST_APART = 10;

    private static final Form[] NUMBERS =
            java.util.Arrays.stream(Form.values()).filter(Form::isNumber).toArray(Form[]::new);

    /** What speaks for numbers in thousands. */
    enum Speaks {
        /** A header, or a line that the numbers bear out. */
        SURELY,
        /** A header or a line that the numbers do not bear out. */
        WORDS_ONLY,
        /** Nothing but the numbers. */
        NUMBERS_ONLY
    }

    private Scales() {}

    /** The tables among those of a column whose numbers look as if they were in thousands. */
    static Map<PlacedTable, Speaks> thousands(Map<PlacedTable, LaidColumn> fed, boolean money) {
        Map<PlacedTable, LaidColumn> saying = new LinkedHashMap<>();
        Map<PlacedTable, LaidColumn> others = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            if (numbers(column) > 0) {
                (saysThousands(table, column) ? saying : others).put(table, column);
            }
        });
        double usual = mean(others.values());
        Map<PlacedTable, Speaks> found = new LinkedHashMap<>();
        if (others.isEmpty() || usual == 0) {
            return found;
        }
        saying.forEach((table, column) -> {
            double times = usual / mean(List.of(column));
            // A line above a table speaks of its amounts; counts below it may be as few as they say.
            if (money || Units.isInThousands(column.header())) {
                found.put(table, times >= LEAST && times <= MOST ? Speaks.SURELY : Speaks.WORDS_ONLY);
            } else if (times >= CLOSE_LEAST && times <= CLOSE_MOST) {
                found.put(table, Speaks.WORDS_ONLY);
            }
        });
        if (saying.isEmpty() && (money || others.size() > FEWEST_ALIKE)) {
            double sum = others.values().stream()
                    .mapToDouble(column -> Math.abs(column.sum()))
                    .sum();
            long count = others.values().stream().mapToLong(Scales::numbers).sum();
            others.forEach((table, column) -> {
                long rest = count - numbers(column);
                double usualOfRest = rest == 0 ? 0 : (sum - Math.abs(column.sum())) / rest;
                double times = usualOfRest / mean(List.of(column));
                if (numbers(column) >= ENOUGH
                        && times >= CLOSE_LEAST
                        && times <= CLOSE_MOST
                        && (money || areAlike(others, table))) {
                    found.put(table, Speaks.NUMBERS_ONLY);
                }
            });
        }
        return found;
    }

    /** True where the numbers of all tables but one are of one size, so that what is far from it stands out. */
    private static boolean areAlike(Map<PlacedTable, LaidColumn> columns, PlacedTable but) {
        DoubleSummaryStatistics means = columns.entrySet().stream()
                .filter(each -> !each.getKey().equals(but))
                .mapToDouble(each -> mean(List.of(each.getValue())))
                .summaryStatistics();
        return means.getMax() <= means.getMin() * MOST_APART;
    }

    /** True where a header, or a line above its table, says that its numbers are thousands. */
    static boolean saysThousands(PlacedTable table, LaidColumn column) {
        return Units.isInThousands(column.header())
                || table.table().titles().stream().anyMatch(Units::saysInThousands);
    }

    private static long numbers(LaidColumn column) {
        Evidence evidence = column.evidence();
        return evidence.count(NUMBERS);
    }

    /** The mean of the numbers of some columns, apart from their signs; 0 where there are none. */
    private static double mean(Iterable<LaidColumn> columns) {
        double sum = 0;
        long numbers = 0;
        for (LaidColumn column : columns) {
            sum += Math.abs(column.sum());
            numbers += numbers(column);
        }
        return numbers == 0 ? 0 : sum / numbers;
    }
}
