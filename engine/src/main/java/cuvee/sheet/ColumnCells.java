package cuvee.sheet;

/**
 * The cells of one column of a block, side by side, each told from a few numbers: its shape, its last eight characters
 * and its first eight. A reused buffer; rows count from 0.
 */
public final class ColumnCells {
    private final int[] shapes = new int[RowBlock.ROWS];
    private final long[] tails = new long[RowBlock.ROWS];
    private final long[] heads = new long[RowBlock.ROWS];
    private RowBlock block = new RowBlock(0);
    private int column;
    private int rows;
    private int longest;

    /** Takes in a column of a block that has been prepared by {@link RowBlock#narrow}. */
    public void take(RowBlock from, int which) {
        block = from;
        column = which;
        rows = from.rows();
        longest = from.put(which, shapes, tails, heads);
    }

    /** How many characters the longest cell has. */
    public int longest() {
        return longest;
    }

    /** How many rows there are. */
    public int rows() {
        return rows;
    }

    /** The shape of each cell, as {@link PackedCell#shape}; do not change it. */
    public int[] shapes() {
        return shapes;
    }

    /** The last eight characters of each cell, or as many as there are with what stands before it. */
    public long[] tails() {
        return tails;
    }

    /** The first eight characters of each cell of at least so many. */
    public long[] heads() {
        return heads;
    }

    /** True where each character of the block fits a byte; zero stands for those that do not. */
    public boolean isNarrow() {
        return block.isNarrow();
    }

    /** A cell, as a {@link PackedCell}. */
    public long cell(int row) {
        return block.cell(column, row);
    }

    /** The array that holds all cells' characters; do not change it. */
    public char[] chars() {
        return block.chars();
    }
}
