package cuvee.sheet;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * One row of raw cells: a reused buffer, valid only during the call that hands it over. Columns count from 0, row
 * numbers from 1. The characters of all cells lie in one array, so that reading allocates nothing for a cell.
 */
public final class Row {
    private char[] text;
    private int firstChar;
    private int used;
    /** Each as a {@link PackedCell}, from the first to the width; what lies behind is of earlier rows. */
    private long[] cells;

    private int firstCell;
    private int width;
    private int number;
    private int blanksBefore;

    /** The block whose rows lie before this one, in the same arrays, with so many characters and places for cells. */
    private @Nullable RowBlock keptFor;

    private int keptChars;
    private int keptCells;

    /** A row to be filled. */
    public Row() {
        this(new char[1024], new long[32]);
    }

    private Row(char[] text, long[] cells) {
        this.text = text;
        this.cells = cells;
    }

    /** Empties the row and gives it its number and how many blank rows stand between it and the one before. */
    public void begin(int rowNumber, int blanks) {
        blanksBefore = blanks;
        width = 0;
        firstCell = keptCells;
        firstChar = keptChars;
        used = keptChars;
        number = rowNumber;
    }

    // ---- rows that are kept ----

    /**
     * Keeps the row where it lies, so that the next one comes behind it.
     *
     * @param block the block that it is kept for, which is not full
     * @param columns how many places for cells each of the block's rows has
     */
    void keep(RowBlock block, int columns) {
        if (keptFor != block) {
            System.arraycopy(text, firstChar, text, 0, used - firstChar);
            for (int column = 0; column < width; column++) {
                cells[column] = PackedCell.moved(cells[firstCell + column], -firstChar);
            }
            used -= firstChar;
            firstChar = 0;
            firstCell = 0;
            keptFor = block;
        }
        keptChars = used;
        keptCells = firstCell + columns;
        if (keptCells > cells.length) {
            cells = Arrays.copyOf(cells, Math.max(keptCells, cells.length * 2));
        }
        for (int at = firstCell + width; at < keptCells; at++) {
            cells[at] = 0;
        }
    }

    /** Keeps the rows of a block no longer. */
    void release(RowBlock block) {
        if (keptFor == block) {
            keptFor = null;
            keptChars = 0;
            keptCells = 0;
        }
    }

    /** True while the rows of a block are kept. */
    boolean keepsFor(RowBlock block) {
        return keptFor == block;
    }

    /** The array with the cells of all rows that are kept, and of this one. */
    long[] cells() {
        return cells;
    }

    /** How many characters the rows have that are kept. */
    int keptChars() {
        return keptChars;
    }

    // ---- this row ----

    public int number() {
        return number;
    }

    /** How many blank rows, handed over as nothing, stand between this row and the one before. */
    public int blanksBefore() {
        return blanksBefore;
    }

    /** Says how many blank rows stand before this one, where the reader could not know. */
    public void afterBlanks(int blanks) {
        blanksBefore = blanks;
    }

    /** One more than the last column that holds a cell. */
    public int width() {
        return width;
    }

    public CellKind kind(int column) {
        return column < width ? PackedCell.kind(cells[firstCell + column]) : CellKind.EMPTY;
    }

    /** The array that holds all cells' characters; do not change it. */
    public char[] chars() {
        return text;
    }

    public int start(int column) {
        return PackedCell.start(cells[firstCell + column]);
    }

    public int end(int column) {
        return PackedCell.end(cells[firstCell + column]);
    }

    public String text(int column) {
        return kind(column) == CellKind.EMPTY
                ? ""
                : new String(text, start(column), PackedCell.length(cells[firstCell + column]));
    }

    /** The place of the first cell that holds something; the width where none does. */
    public int firstFilled() {
        int column = 0;
        while (column < width() && blank(column)) {
            column++;
        }
        return column;
    }

    /** True where the cell is empty or holds nothing but white space. */
    public boolean blank(int column) {
        if (kind(column) == CellKind.EMPTY) {
            return true;
        }
        int end = end(column);
        for (int i = start(column); i < end; i++) {
            if (!isSpace(text[i])) {
                return false;
            }
        }
        return true;
    }

    /** True where every cell is blank. */
    public boolean blank() {
        for (int column = 0; column < width; column++) {
            if (!blank(column)) {
                return false;
            }
        }
        return true;
    }

    /** How many cells are not blank. */
    public int filled() {
        int filled = 0;
        for (int column = 0; column < width; column++) {
            if (!blank(column)) {
                filled++;
            }
        }
        return filled;
    }

    public void set(int column, CellKind kind, char[] from, int start, int end) {
        int length = end - start;
        int at = place(column, kind, length);
        System.arraycopy(from, start, text, at, length);
    }

    public void set(int column, CellKind kind, CharSequence value) {
        int length = value.length();
        int at = place(column, kind, length);
        if (value instanceof String string) {
            string.getChars(0, length, text, at);
        } else {
            for (int i = 0; i < length; i++) {
                text[at + i] = value.charAt(i);
            }
        }
    }

    /** A copy that may be kept. */
    public Row copy() {
        Row copy = new Row(Arrays.copyOfRange(text, firstChar, used), new long[width]);
        copy.number = number;
        copy.blanksBefore = blanksBefore;
        copy.width = width;
        copy.used = length();
        for (int column = 0; column < width; column++) {
            copy.cells[column] = PackedCell.moved(cells[firstCell + column], -firstChar);
        }
        return copy;
    }

    /** A copy of some of its columns, which keep their numbers. */
    public Row part(int from, int to) {
        Row part = new Row();
        part.begin(number, blanksBefore);
        for (int column = from; column < Math.min(to, width); column++) {
            if (kind(column) != CellKind.EMPTY) {
                part.set(column, kind(column), text, start(column), end(column));
            }
        }
        return part;
    }

    /** The cell as it is staged: its text with the mark of its kind. */
    public String staged(int column) {
        String plain = text(column);
        CellKind kind = kind(column);
        if (kind == CellKind.TEXT && (plain.isEmpty() || !CellKind.isMark(plain.charAt(0)))) {
            return plain;
        }
        return kind.mark() + plain;
    }

    /** Where the characters of all cells begin in {@link #chars}. */
    public int firstChar() {
        return firstChar;
    }

    /** How many characters the cells have together. */
    public int length() {
        return used - firstChar;
    }

    /**
     * Writes the characters of all cells as bytes, as they lie in {@link #chars}.
     *
     * @return false where they are not all ASCII other than zero, so that what was written is of no use
     */
    public boolean putAscii(byte[] into, int at) {
        int all = 0;
        int length = length();
        for (int i = 0; i < length; i++) {
            int c = text[firstChar + i];
            all |= c | c - 1;
            into[at + i] = (byte) c;
        }
        return all >>> 7 == 0;
    }

    /** True where the staged form bears a mark. */
    public boolean marked(int column) {
        return kind(column) != CellKind.TEXT || (end(column) > start(column) && CellKind.isMark(text[start(column)]));
    }

    /** White space as people see it, non-breaking and zero-width kinds and the byte order mark included. */
    public static boolean isSpace(char c) {
        return c <= ' ' || c >= 0xA0 && isWideSpace(c);
    }

    private static boolean isWideSpace(char c) {
        return c == 0xA0 || c == 0x2007 || c == 0x202F || (c >= 0x200B && c <= 0x200D) || c == 0xFEFF || c == 0x3000;
    }

    /** Makes room for the characters of a cell; answers where they belong. */
    private int place(int column, CellKind kind, int length) {
        int place = firstCell + column;
        if (place >= cells.length) {
            cells = Arrays.copyOf(cells, Math.max(place + 1, cells.length * 2));
        }
        if (used + length > text.length) {
            text = Arrays.copyOf(text, Math.max(used + length, text.length * 2));
        }
        if (column >= width) {
            for (int gap = firstCell + width; gap < place; gap++) {
                cells[gap] = 0;
            }
            width = column + 1;
        }
        int start = used;
        used += length;
        cells[place] = PackedCell.of(kind, used, length);
        return start;
    }
}
