package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.value.ColumnTally;
import java.util.Arrays;

/**
 * Adds up the number columns while records go by, so that a row can be told to be the sum of those above it. Sums are
 * approximate on purpose: they tell totals from records; what the master holds is added up exactly elsewhere.
 */
final class RunningSums implements SumsAbove {
    private Group sinceTotal = new Group();
    /** The rows before the last total, while no record has come since. */
    private Group before = new Group();

    /** All up to the last total. */
    private final Group earlier = new Group();

    /** What some records come to, column by column. */
    static final class Group {
        private double[] sums = new double[16];
        private int[] counts = new int[16];
        private double[] least = new double[16];
        private double[] most = new double[16];
        private int records;

        /** Takes in a row that its columns have looked at. */
        void add(Row row, TableColumns columns) {
            records++;
            for (int column = 0; column < row.width(); column++) {
                double value = columns.value(row, column);
                if (!Double.isNaN(value)) {
                    add(column, value);
                }
            }
        }

        private void add(int column, double value) {
            if (column >= sums.length) {
                room(column * 2);
            }
            boolean first = counts[column]++ == 0;
            if (first || value < least[column]) {
                least[column] = value;
            }
            if (first || value > most[column]) {
                most[column] = value;
            }
            sums[column] += value;
        }

        /** Takes in the numbers of a block of records, of which there are some. */
        private void add(int column, ColumnTally tally) {
            if (column >= sums.length) {
                room(column * 2);
            }
            boolean first = counts[column] == 0;
            least[column] = first ? tally.least() : Math.min(least[column], tally.least());
            most[column] = first ? tally.most() : Math.max(most[column], tally.most());
            sums[column] += tally.sum();
            counts[column] += tally.numbers();
        }

        /** Takes in what others come to. */
        private void add(Group others) {
            records += others.records;
            if (others.sums.length > sums.length) {
                room(others.sums.length);
            }
            for (int column = 0; column < others.sums.length; column++) {
                if (others.counts[column] > 0) {
                    boolean first = counts[column] <= 0;
                    least[column] = first ? others.least[column] : Math.min(least[column], others.least[column]);
                    most[column] = first ? others.most[column] : Math.max(most[column], others.most[column]);
                }
                sums[column] += others.sums[column];
                counts[column] += others.counts[column];
            }
        }

        private void room(int size) {
            sums = Arrays.copyOf(sums, size);
            counts = Arrays.copyOf(counts, size);
            least = Arrays.copyOf(least, size);
            most = Arrays.copyOf(most, size);
        }

        int records() {
            return records;
        }

        double sum(int column) {
            return column < sums.length ? sums[column] : 0;
        }

        /** The mean of a column; 0 where it holds no number. */
        double mean(int column) {
            return column < counts.length && counts[column] > 0 ? sums[column] / counts[column] : 0;
        }

        /** How far the greatest number of a column is above the least. */
        double spread(int column) {
            return column < counts.length && counts[column] > 0 ? most[column] - least[column] : 0;
        }

        /** True where a value lies between nothing and what some record has. */
        boolean reaches(double value, int column) {
            return column < counts.length
                    && counts[column] > 0
                    && value >= Math.min(0, least[column])
                    && value <= Math.max(0, most[column]);
        }

        /** True where a value is a figure of these records in a column, as far as it can be told from what is kept. */
        boolean agrees(TotalWords.Figure figure, double value, int column) {
            // Records are counted in any column, that of their names too.
            if (figure == TotalWords.Figure.COUNT && value == records) {
                return true;
            }
            if (column >= counts.length || counts[column] == 0) {
                return false;
            }
            return switch (figure) {
                case MEAN -> rounded(value, mean(column));
                case MOST -> rounded(value, most[column]);
                case LEAST -> rounded(value, least[column]);
                case MIDDLE -> value >= least[column] && value <= most[column];
                case COUNT -> value == counts[column];
                case SPREAD -> value >= 0 && value <= most[column] - least[column];
            };
        }

        /** True where a value is another one rounded, to as few as whole numbers. */
        private static boolean rounded(double value, double exact) {
            for (double unit : new double[] {1e-9, 1e-4, 1e-3, 0.01, 0.1, 1}) {
                boolean multiple = Math.abs(value / unit - Math.rint(value / unit)) < 1e-6;
                if (multiple && Math.abs(value - exact) <= unit * 0.5000001 + 1e-9 * Math.abs(exact)) {
                    return true;
                }
            }
            return Math.abs(value - exact) <= 1e-9 * Math.abs(exact);
        }
    }

    /** Takes in a record that its columns have looked at. */
    void add(Row row, TableColumns columns) {
        sinceTotal.add(row, columns);
    }

    /** Takes in a block of records that its columns have looked at. */
    void add(RowBlock block, TableColumns columns) {
        sinceTotal.records += block.rows();
        for (int column = 0; column < block.columns(); column++) {
            ColumnTally tally = columns.tally(column);
            if (tally.numbers() > 0) {
                sinceTotal.add(column, tally);
            }
        }
    }

    /** Takes a row out of the sums of all records again; the least and the most stay what they were. */
    void remove(Row row, TableColumns columns) {
        earlier.records--;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                if (column >= earlier.sums.length) {
                    earlier.room(column * 2);
                }
                earlier.sums[column] -= value;
                earlier.counts[column]--;
            }
        }
    }

    /** A total has gone by; the next one of its level adds up from here. */
    void restart() {
        if (sinceTotal.records > 0) {
            earlier.add(sinceTotal);
            before = sinceTotal;
            sinceTotal = new Group();
        }
    }

    /** True where a number of a block could be what the rows above it come to, be these in the block or before it. */
    @Override
    public boolean mayReach(int column, ColumnTally tally, int rows) {
        return mayReach(sinceTotal.sum(column), tally, rows) || mayReach(all(column), tally, rows);
    }

    private static boolean mayReach(double before, ColumnTally tally, int rows) {
        double lowest = before + rows * Math.min(0, tally.least());
        double highest = before + rows * Math.max(0, tally.most());
        double about = 1 + 1e-6 * Math.abs(before);
        return tally.most() >= lowest - about && tally.least() <= highest + about;
    }

    Group sinceTotal() {
        return sinceTotal;
    }

    Group all() {
        Group all = new Group();
        all.add(earlier);
        all.add(sinceTotal);
        return all;
    }

    /** The rows that a figure below a total may be about. */
    Group lastGroup() {
        return sinceTotal.records == 0 ? before : sinceTotal;
    }

    @Override
    public double all(int column) {
        return earlier.sum(column) + sinceTotal.sum(column);
    }

    @Override
    public double sinceTotal(int column) {
        return sinceTotal.sum(column);
    }

    int recordsSinceTotal() {
        return sinceTotal.records;
    }

    @Override
    public int records() {
        return earlier.records + sinceTotal.records;
    }
}
