package cuvee.master;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * Staged rows of one width. The cells of a row lie one behind the other as UTF-8, as its reader had them, so that most
 * rows are taken in at one stroke; columns are gathered when the batch is written.
 */
final class StageBatch {
    /** So many rows at most; a multiple of eight. */
    static final int MOST_ROWS = 15_360;

    private static final int MOST_BYTES = 8 << 20;
    /** So many places for cells at most, filled or not: where sheets are wide, their rows are fewer. */
    private static final int MOST_CELLS = 1 << 20;

    /** Room behind the last cell, so that eight bytes can be copied where fewer are wanted. */
    static final int SPARE = Long.BYTES;

    private static final int SHORT = 32;
    private static final VarHandle EIGHT = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);
    private static final VarHandle FOUR = MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);
    private static final int FIRST_ROWS = 64;
    /** There is no cell. */
    private static final byte NONE = 0;
    /** A cell without a mark. */
    private static final byte UNMARKED = 127;

    private final int columns;
    private int[] tables = new int[FIRST_ROWS];
    private int[] rows = new int[FIRST_ROWS];
    private byte[] marks;
    private int[] starts;
    private int[] ends;
    private byte[] bytes = new byte[1 << 16];
    private int count;
    private int length;

    StageBatch(int columns) {
        this.columns = columns;
        marks = new byte[FIRST_ROWS * columns];
        starts = new int[FIRST_ROWS * columns];
        ends = new int[FIRST_ROWS * columns];
    }

    int columns() {
        return columns;
    }

    int count() {
        return count;
    }

    int[] tables() {
        return tables;
    }

    int[] rows() {
        return rows;
    }

    boolean full() {
        return count >= MOST_ROWS || length >= MOST_BYTES || count * columns >= MOST_CELLS;
    }

    void clear() {
        count = 0;
        length = 0;
    }

    void add(int table, Row row) {
        if (count == tables.length) {
            tables = Arrays.copyOf(tables, count * 2);
            rows = Arrays.copyOf(rows, count * 2);
            marks = Arrays.copyOf(marks, count * 2 * columns);
            starts = Arrays.copyOf(starts, count * 2 * columns);
            ends = Arrays.copyOf(ends, count * 2 * columns);
        }
        tables[count] = table;
        rows[count] = row.number();
        int most = length + row.length() * 3 + SPARE;
        if (most > bytes.length) {
            bytes = Arrays.copyOf(bytes, Math.max(most, bytes.length * 2));
        }
        boolean ascii = row.putAscii(bytes, length);
        int moved = length - row.firstChar();
        int cell = count * columns;
        int width = row.width();
        for (int column = 0; column < width; column++, cell++) {
            if (row.kind(column) == CellKind.EMPTY) {
                marks[cell] = NONE;
            } else {
                marks[cell] = row.marked(column) ? (byte) row.kind(column).mark() : UNMARKED;
                if (ascii) {
                    starts[cell] = moved + row.start(column);
                    ends[cell] = moved + row.end(column);
                }
            }
        }
        Arrays.fill(marks, cell, (count + 1) * columns, NONE);
        if (ascii) {
            length += row.length();
        } else {
            putCells(row);
        }
        count++;
    }

    private void putCells(Row row) {
        int cell = count * columns;
        for (int column = 0; column < row.width(); column++, cell++) {
            if (marks[cell] != NONE) {
                starts[cell] = length;
                put(row.chars(), row.start(column), row.end(column));
                ends[cell] = length;
            }
        }
    }

    private void put(char[] chars, int from, int to) {
        for (int i = from; i < to; i++) {
            char c = chars[i];
            if (c < 0x80) {
                // The store's text ends at no character, but a zero byte is no text in any file.
                bytes[length++] = c == 0 ? (byte) ' ' : (byte) c;
            } else if (c < 0x800) {
                bytes[length++] = (byte) (0xC0 | c >> 6);
                bytes[length++] = (byte) (0x80 | c & 0x3F);
            } else if (Character.isHighSurrogate(c) && i + 1 < to && Character.isLowSurrogate(chars[i + 1])) {
                int point = Character.toCodePoint(c, chars[++i]);
                bytes[length++] = (byte) (0xF0 | point >> 18);
                bytes[length++] = (byte) (0x80 | point >> 12 & 0x3F);
                bytes[length++] = (byte) (0x80 | point >> 6 & 0x3F);
                bytes[length++] = (byte) (0x80 | point & 0x3F);
            } else {
                char whole = Character.isSurrogate(c) ? '\uFFFD' : c;
                bytes[length++] = (byte) (0xE0 | whole >> 12);
                bytes[length++] = (byte) (0x80 | whole >> 6 & 0x3F);
                bytes[length++] = (byte) (0x80 | whole & 0x3F);
            }
        }
    }

    // ---- a column ----

    /**
     * Tells which rows have a cell in a column, one bit for each row, the lowest first.
     *
     * @return how many have one
     */
    int present(int column, byte[] bits) {
        Arrays.fill(bits, 0, (count + 7) / 8, (byte) 0);
        int present = 0;
        for (int row = 0, cell = column; row < count; row++, cell += columns) {
            if (marks[cell] != NONE) {
                bits[row >> 3] |= (byte) (1 << (row & 7));
                present++;
            }
        }
        return present;
    }

    /** How many bytes a column's cells take, their marks included. */
    int length(int column) {
        int sum = 0;
        for (int row = 0, cell = column; row < count; row++, cell += columns) {
            sum += marks[cell] == NONE ? 0 : ends[cell] - starts[cell] + (marks[cell] == UNMARKED ? 0 : 1);
        }
        return sum;
    }

    /**
     * Puts a column's cells one behind the other, with the length of each in front, four bytes and the lowest first;
     * {@link #SPARE} more may be overwritten.
     *
     * @return where they end
     */
    int putWithLengths(int column, byte[] into, int from) {
        int at = from;
        for (int row = 0, cell = column; row < count; row++, cell += columns) {
            byte mark = marks[cell];
            if (mark != NONE) {
                int length = ends[cell] - starts[cell];
                FOUR.set(into, at, mark == UNMARKED ? length : length + 1);
                at += Integer.BYTES;
                if (mark != UNMARKED) {
                    into[at++] = mark;
                }
                copy(starts[cell], length, into, at);
                at += length;
            }
        }
        return at;
    }

    /** Copies a cell, and what comes behind it up to a multiple of eight bytes: most cells are few bytes. */
    private void copy(int from, int length, byte[] into, int at) {
        if (length <= SHORT) {
            for (int i = 0; i < length; i += Long.BYTES) {
                EIGHT.set(into, at + i, (long) EIGHT.get(bytes, from + i));
            }
        } else {
            System.arraycopy(bytes, from, into, at, length);
        }
    }

    /** Puts a column's cells one behind the other, and where each row's cell ends, behind a zero. */
    void put(int column, byte[] into, int[] offsets) {
        int at = 0;
        offsets[0] = 0;
        for (int row = 0, cell = column; row < count; row++, cell += columns) {
            byte mark = marks[cell];
            if (mark != NONE) {
                if (mark != UNMARKED) {
                    into[at++] = mark;
                }
                System.arraycopy(bytes, starts[cell], into, at, ends[cell] - starts[cell]);
                at += ends[cell] - starts[cell];
            }
            offsets[row + 1] = at;
        }
    }
}
