package cuvee.detect;

import cuvee.value.ColumnTally;

/** What the records above a row come to, column by column. */
interface SumsAbove {
    /** The sum of all records. */
    double all(int column);

    /** The sum of those since the last total. */
    double sinceTotal(int column);

    int records();

    /** True where a number of a block could be what the rows above it come to, be these in the block or before it. */
    boolean mayReach(int column, ColumnTally tally, int rows);
}
