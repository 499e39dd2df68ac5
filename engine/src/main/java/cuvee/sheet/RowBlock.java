package cuvee.sheet;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.CharBuffer;
import java.nio.charset.CharsetEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * Some rows that follow each other without a blank one between, kept for a moment so that they can be looked at column
 * by column. They stay where their reader put them, in the arrays of the one row that it uses again and again; columns
 * and rows count from 0 here.
 */
public final class RowBlock {
    /** So many rows fill a block: few enough for the nearest memory, enough to be worth a look at a column. */
    public static final int ROWS = 128;

    /** Rows with so many characters fill it too. */
    private static final int MANY_CHARS = 1 << 20;

    private static final Row NONE = new Row();

    private static final int EIGHT_CHARS = 8;
    /** Room at both ends, so that eight bytes can be taken anywhere. */
    private static final int PAD = EIGHT_CHARS;

    private static final VarHandle EIGHT = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    private final int columns;
    private final int[] widths = new int[ROWS];

    private Row keeper = NONE;
    private byte[] narrow = new byte[0];
    private boolean allNarrow;
    private final CharsetEncoder encoder = StandardCharsets.ISO_8859_1.newEncoder();
    private int rows;
    private int firstNumber;

    /** A block for rows of at most so many columns. */
    public RowBlock(int columns) {
        this.columns = columns;
    }

    /** How many columns its rows may have. */
    public int columns() {
        return columns;
    }

    /** How many rows it holds. */
    public int rows() {
        return rows;
    }

    public boolean isEmpty() {
        return rows == 0;
    }

    /** The number of the first row in its sheet. */
    public int firstNumber() {
        return firstNumber;
    }

    /** The number of the row that would follow the last. */
    public int nextNumber() {
        return firstNumber + rows;
    }

    /** Lets its rows go. */
    public void clear() {
        keeper.release(this);
        keeper = NONE;
        rows = 0;
    }

    /** True for a row that follows the last, without a blank row between, where there is room for it. */
    public boolean takes(Row row) {
        return row == keeper
                && rows < ROWS
                && row.number() == firstNumber + rows
                && row.blanksBefore() == 0
                && row.width() <= columns
                && row.keptChars() < MANY_CHARS
                && !row.blank();
    }

    /** Takes in a row that is no wider than the block: the first, or one that it {@link #takes}. */
    public void add(Row row) {
        if (rows == 0) {
            keeper = row;
            firstNumber = row.number();
        }
        row.keep(this, columns);
        widths[rows] = row.width();
        rows++;
    }

    /** One more than the last column of a row that holds a cell. */
    public int width(int row) {
        return widths[row];
    }

    /** The array that holds all cells' characters; do not change it. */
    public char[] chars() {
        return keeper.chars();
    }

    /** Prepares its characters to be taken eight at a time. */
    public void narrow() {
        if (!keeper.keepsFor(this)) {
            throw new IllegalStateException("The rows from " + firstNumber + " on are no longer there.");
        }
        int length = keeper.keptChars();
        char[] text = keeper.chars();
        if (narrow.length < length + 2 * PAD) {
            narrow = new byte[text.length + 2 * PAD];
        }
        CharBuffer from = CharBuffer.wrap(text, 0, length);
        ByteBuffer to = ByteBuffer.wrap(narrow, PAD, length);
        allNarrow = encoder.reset().encode(from, to, true).isUnderflow();
        for (int i = from.position(); i < length; i++) {
            narrow[PAD + i] = (byte) (text[i] > 0xFF ? 0 : text[i]);
        }
    }

    /** How many characters its cells have together. */
    public int length() {
        return keeper.keptChars();
    }

    /** True where each character fits a byte; zero stands for those that do not. */
    public boolean isNarrow() {
        return allNarrow;
    }

    /** Puts the cells of a column side by side, row by row; answers how many characters the longest has. */
    int put(int column, int[] shapes, long[] tails, long[] heads) {
        long[] cells = keeper.cells();
        byte[] bytes = narrow;
        int longest = 0;
        for (int row = 0, at = column; row < rows; row++, at += columns) {
            long cell = cells[at];
            int shape = PackedCell.shape(cell);
            shapes[row] = shape;
            longest = Math.max(longest, shape);
            tails[row] = (long) EIGHT.get(bytes, PAD - EIGHT_CHARS + PackedCell.end(cell));
        }
        int length = PackedCell.length(longest);
        if (length > EIGHT_CHARS) {
            for (int row = 0, at = column; row < rows; row++, at += columns) {
                heads[row] = (long) EIGHT.get(bytes, PAD + PackedCell.start(cells[at]));
            }
        }
        return length;
    }

    /** A cell, as a {@link PackedCell}. */
    public long cell(int column, int row) {
        return keeper.cells()[row * columns + column];
    }

    /** Its rows as they came, to be kept. */
    public List<Row> copies() {
        List<Row> copies = new ArrayList<>(rows);
        for (int r = 0; r < rows; r++) {
            Row copy = new Row();
            copy.begin(firstNumber + r, 0);
            for (int column = 0; column < widths[r]; column++) {
                long cell = cell(column, r);
                CellKind kind = PackedCell.kind(cell);
                if (kind != CellKind.EMPTY) {
                    copy.set(column, kind, chars(), PackedCell.start(cell), PackedCell.end(cell));
                }
            }
            copies.add(copy);
        }
        return copies;
    }
}
