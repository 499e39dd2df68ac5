package cuvee.sheet;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.CharBuffer;
import java.nio.charset.CharsetEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Some rows that follow each other without a blank one between, kept for a moment so that they can be looked at column
 * by column. Like a row it is a reused buffer, its characters in one array; columns and rows count from 0 here.
 */
public final class RowBlock {
    /** So many rows fill a block: few enough for the nearest memory, enough to be worth a look at a column. */
    public static final int ROWS = 128;

    private static final CellKind[] KINDS = CellKind.values();
    /** Room at both ends, so that eight bytes can be taken anywhere. */
    private static final int PAD = 8;

    private static final VarHandle EIGHT = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    private final int columns;
    private final byte[] kinds;
    private final int[] starts;
    private final int[] ends;
    private final int[] widths = new int[ROWS];

    private char[] text = new char[0];
    private byte[] narrow = new byte[0];
    private boolean allNarrow;
    private final CharsetEncoder encoder = StandardCharsets.ISO_8859_1.newEncoder();
    private int used;
    private int rows;
    private int firstNumber;

    /** A block for rows of at most so many columns. */
    public RowBlock(int columns) {
        this.columns = columns;
        kinds = new byte[columns * ROWS];
        starts = new int[columns * ROWS];
        ends = new int[columns * ROWS];
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

    public boolean isFull() {
        return rows == ROWS;
    }

    /** The number of the first row in its sheet. */
    public int firstNumber() {
        return firstNumber;
    }

    /** The number of the row that would follow the last. */
    public int nextNumber() {
        return firstNumber + rows;
    }

    public void clear() {
        rows = 0;
        used = 0;
    }

    /** True for a row that follows the last, without a blank row between, where there is room for it. */
    public boolean takes(Row row) {
        return rows > 0
                && rows < ROWS
                && row.number() == firstNumber + rows
                && row.blanksBefore() == 0
                && row.width() <= columns
                && !row.blank();
    }

    /** Takes in the next row, which is no wider than the block. */
    public void add(Row row) {
        if (rows == 0) {
            firstNumber = row.number();
        }
        int length = row.length();
        if (used + length > text.length) {
            text = Arrays.copyOf(text, Math.max(used + length, text.length * 2));
        }
        System.arraycopy(row.chars(), 0, text, used, length);
        int width = row.width();
        row.putCells(kinds, starts, ends, rows, used);
        for (int at = width * ROWS + rows; at < kinds.length; at += ROWS) {
            kinds[at] = 0;
        }
        widths[rows] = width;
        used += length;
        rows++;
    }

    /** One more than the last column of a row that holds a cell. */
    public int width(int row) {
        return widths[row];
    }

    /** The array that holds all cells' characters; do not change it. */
    public char[] chars() {
        return text;
    }

    /** Prepares its characters to be taken eight at a time. */
    public void narrow() {
        if (narrow.length < used + 2 * PAD) {
            narrow = new byte[text.length + 2 * PAD];
        }
        CharBuffer from = CharBuffer.wrap(text, 0, used);
        ByteBuffer to = ByteBuffer.wrap(narrow, PAD, used);
        allNarrow = encoder.reset().encode(from, to, true).isUnderflow();
        for (int i = from.position(); i < used; i++) {
            narrow[PAD + i] = (byte) (text[i] > 0xFF ? 0 : text[i]);
        }
    }

    /** True where each character fits a byte; zero stands for those that do not. */
    public boolean isNarrow() {
        return allNarrow;
    }

    /** The first eight characters of a cell of at least so many, once {@link #narrow} has been called. */
    public long head(int start) {
        return (long) EIGHT.get(narrow, PAD + start);
    }

    /** The last eight characters of a cell, or as many as there are with what stands before it. */
    public long tail(int end) {
        return (long) EIGHT.get(narrow, PAD - 8 + end);
    }

    /** The ordinal of a cell's kind. */
    public int kindOrdinal(int column, int row) {
        return kinds[column * ROWS + row];
    }

    public CellKind kind(int column, int row) {
        return KINDS[kinds[column * ROWS + row]];
    }

    public int start(int column, int row) {
        return starts[column * ROWS + row];
    }

    public int end(int column, int row) {
        return ends[column * ROWS + row];
    }

    /** Its rows as they came, to be kept. */
    public List<Row> copies() {
        List<Row> copies = new ArrayList<>(rows);
        for (int r = 0; r < rows; r++) {
            Row copy = new Row();
            copy.begin(firstNumber + r, 0);
            for (int column = 0; column < widths[r]; column++) {
                if (kind(column, r) != CellKind.EMPTY) {
                    copy.set(column, kind(column, r), text, start(column, r), end(column, r));
                }
            }
            copies.add(copy);
        }
        return copies;
    }
}
