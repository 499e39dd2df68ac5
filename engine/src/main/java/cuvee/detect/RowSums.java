package cuvee.detect;

import cuvee.sheet.Row;

/** What the numbers of a row are of the rows above it: their sums, or no more than they reach. */
final class RowSums {
    /** Fewer records than these add up by chance. */
    private static final int ENOUGH = 3;
    /** So many sums that agree are no accident. */
    private static final int SEVERAL = 2;
    /** The numbers of a single column add up by chance where there are fewer. */
    private static final int MANY = 8;

    private static final double MANY_DIGITS = 1000;
    /** What rounding to cents leaves. */
    private static final double ROUNDED = 0.0051;

    /** More decimals are what a program made of fewer. */
    private static final int MOST_DECIMALS = 2;

    private final TableColumns columns;
    private final RunningSums sums;
    /** What the totals of groups state, added up; a total of all may add up these. */
    private final RunningSums.Group groups = new RunningSums.Group();

    RowSums(TableColumns columns, RunningSums sums) {
        this.columns = columns;
        this.sums = sums;
    }

    /** Takes in what the total of a group states. */
    void group(Row row) {
        groups.add(row, columns);
    }

    /** True where what is no sum in a row is not beyond the numbers above it, as a rate or an average of all is not. */
    boolean othersAreNotBeyond(Row row) {
        RunningSums.Group all = sums.all();
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value) && !agrees(value, column) && !all.reaches(value, column)) {
                return false;
            }
        }
        return true;
    }

    /** The greatest of a row's numbers, without its sign. */
    double greatestNumber(Row row) {
        double greatest = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            greatest = Double.isNaN(value) ? greatest : Math.max(greatest, Math.abs(value));
        }
        return greatest;
    }

    /** The least of a row's numbers that say something, without its sign. */
    double leastNumber(Row row) {
        double least = Double.MAX_VALUE;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            least = Double.isNaN(value) || value == 0 ? least : Math.min(least, Math.abs(value));
        }
        return least;
    }

    /**
     * How many sums of the same precision there could have been below the greatest sum of a row: 4,999 for 49.99, and 5 for
     * 5,000 among whole numbers. So rarely it is the sum by accident.
     */
    double couldHaveBeen(Row row) {
        double most = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = Math.abs(columns.value(row, column));
            if (!Double.isNaN(value) && agrees(columns.value(row, column), column)) {
                int decimals = Math.min(columns.decimals(column), MOST_DECIMALS);
                double units = Math.rint(value * Math.pow(10, decimals));
                while (decimals == 0 && units >= 10 && units % 10 == 0) {
                    units /= 10;
                }
                most = Math.max(most, units);
            }
        }
        return most;
    }

    boolean allAgreeWithAll(Row row) {
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value) && !Agreement.of(value, sums.all(column), sums.records())) {
                return false;
            }
        }
        return true;
    }

    /** True where several sums agree, or one of many digits does over many records: a total without any word. */
    boolean isNoAccident(Row row) {
        int numbers = numbersThatSay(row);
        boolean large = false;
        for (int column = 0; column < row.width(); column++) {
            large |= Math.abs(columns.value(row, column)) >= MANY_DIGITS;
        }
        return numbers >= SEVERAL && sums.records() >= ENOUGH || numbers == 1 && large && sums.records() >= MANY;
    }

    /** How many numbers of a row are not 0: nothing added up is nothing, and says nothing. */
    int numbersThatSay(Row row) {
        int numbers = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            numbers += Double.isNaN(value) || value == 0 ? 0 : 1;
        }
        return numbers;
    }

    boolean allAgree(Row row) {
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value) && !agrees(value, column)) {
                return false;
            }
        }
        return true;
    }

    /** True where several sums agree and few do not: a total with a wrong sum in it. */
    boolean mostAgree(Row row) {
        int agreeing = agreeing(row);
        return agreeing >= SEVERAL && agreeing * 3 >= numbersThatSay(row) * 2;
    }

    /** True where each number of a row is the sum of those above it or, as of prices and rates, their mean; one is a sum. */
    boolean areSumsAndMeans(Row row) {
        int added = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value) && value != 0) {
                boolean sum = agrees(value, column);
                if (!sum
                        && !isMean(value, sums.all().mean(column))
                        && !isMean(value, sums.sinceTotal().mean(column))) {
                    return false;
                }
                added += sum ? 1 : 0;
            }
        }
        return added > 0;
    }

    /** True where each number of a row is the mean of all above it, between others from which it differs by more than chance. */
    boolean areMeans(Row row) {
        RunningSums.Group all = sums.all();
        int means = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                if (columns.decimals(column) == 0 || all.spread(column) < 1 || !isMean(value, all.mean(column))) {
                    return false;
                }
                means++;
            }
        }
        return means > 0;
    }

    private static boolean isMean(double value, double mean) {
        return Math.abs(value - mean) <= ROUNDED * Math.max(1, Math.abs(value) / MANY_DIGITS);
    }

    /** True where each number of a row is the sum of all records, or their mean. */
    boolean areSumsAndMeansOfAll(Row row) {
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            boolean sum = Agreement.of(value, sums.all(column), sums.records());
            if (!Double.isNaN(value) && !sum && !isMean(value, sums.all().mean(column))) {
                return false;
            }
        }
        return true;
    }

    /** How many numbers of a row that say something are sums of those above. */
    int agreeing(Row row) {
        int agreeing = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            agreeing += !Double.isNaN(value) && value != 0 && agrees(value, column) ? 1 : 0;
        }
        return agreeing;
    }

    /** How many numbers of a row add up several of those above, rather than to repeat the only one there is. */
    int adding(Row row) {
        RunningSums.Group all = sums.all();
        int adding = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value) && agrees(value, column)) {
                RunningSums.Group added = isOfLastGroup(value, column) ? sums.sinceTotal() : all;
                adding += added.reaches(value, column) ? 0 : 1;
            }
        }
        return adding;
    }

    private boolean isOfLastGroup(double value, int column) {
        return sums.recordsSinceTotal() > 0
                && Agreement.of(value, sums.sinceTotal().sum(column), sums.recordsSinceTotal());
    }

    boolean agrees(double value, int column) {
        return Agreement.of(value, sums.sinceTotal().sum(column), sums.recordsSinceTotal())
                || Agreement.of(value, sums.all(column), sums.records())
                || sums.recordsSinceTotal() == 0
                        && groups.records() > 1
                        && Agreement.of(value, groups.sum(column), groups.records());
    }
}
