package cuvee.sheet;

import java.util.Arrays;

/**
 * One row of raw cells: a reused buffer, valid only during the call that hands it over. Columns count from 0, row
 * numbers from 1. The characters of all cells lie in one array, so that reading allocates nothing for a cell.
 */
public final class Row {
    private static final CellKind[] KINDS = CellKind.values();
    private char[] text = new char[1024];
    private int used;
    private byte[] kinds = new byte[32];
    private int[] starts = new int[32];
    private int[] ends = new int[32];
    private int width;
    private int number;
    private int blanksBefore;

    /** Empties the row and gives it its number and how many blank rows stand between it and the one before. */
    public void begin(int rowNumber, int blanks) {
        blanksBefore = blanks;
        Arrays.fill(kinds, 0, width, (byte) 0);
        width = 0;
        used = 0;
        number = rowNumber;
    }

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
        return column < width ? KINDS[kinds[column]] : CellKind.EMPTY;
    }

    /** The array that holds all cells' characters; do not change it. */
    public char[] chars() {
        return text;
    }

    public int start(int column) {
        return starts[column];
    }

    public int end(int column) {
        return ends[column];
    }

    public String text(int column) {
        return kind(column) == CellKind.EMPTY ? "" : new String(text, starts[column], ends[column] - starts[column]);
    }

    /** True where the cell is empty or holds nothing but white space. */
    public boolean blank(int column) {
        if (column >= width || kinds[column] == 0) {
            return true;
        }
        for (int i = starts[column]; i < ends[column]; i++) {
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
        place(column, kind, length);
        System.arraycopy(from, start, text, starts[column], length);
    }

    public void set(int column, CellKind kind, CharSequence value) {
        int length = value.length();
        place(column, kind, length);
        if (value instanceof String string) {
            string.getChars(0, length, text, starts[column]);
        } else {
            for (int i = 0; i < length; i++) {
                text[starts[column] + i] = value.charAt(i);
            }
        }
    }

    /** A copy that may be kept. */
    public Row copy() {
        Row copy = new Row();
        copy.number = number;
        copy.blanksBefore = blanksBefore;
        copy.width = width;
        copy.used = used;
        copy.text = Arrays.copyOf(text, used);
        copy.kinds = Arrays.copyOf(kinds, width);
        copy.starts = Arrays.copyOf(starts, width);
        copy.ends = Arrays.copyOf(ends, width);
        return copy;
    }

    /** A copy of some of its columns, which keep their numbers. */
    public Row part(int from, int to) {
        Row part = new Row();
        part.begin(number, blanksBefore);
        for (int column = from; column < Math.min(to, width); column++) {
            if (kinds[column] != 0) {
                part.set(column, kind(column), text, starts[column], ends[column]);
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

    /** How many characters the cells have together. */
    public int length() {
        return used;
    }

    /**
     * Writes the characters of all cells as bytes, as they lie in {@link #chars}.
     *
     * @return false where they are not all ASCII other than zero, so that what was written is of no use
     */
    public boolean putAscii(byte[] into, int at) {
        int all = 0;
        for (int i = 0; i < used; i++) {
            int c = text[i];
            all |= c | c - 1;
            into[at + i] = (byte) c;
        }
        return all >>> 7 == 0;
    }

    /** Writes where the cells lie into the place of one row of a block; the characters have moved by so many. */
    void putCells(byte[] intoKinds, int[] intoStarts, int[] intoEnds, int at, int moved) {
        for (int column = 0; column < width; column++) {
            int place = at + column * RowBlock.ROWS;
            intoKinds[place] = kinds[column];
            intoStarts[place] = starts[column] + moved;
            intoEnds[place] = ends[column] + moved;
        }
    }

    /** True where the staged form bears a mark. */
    public boolean marked(int column) {
        return kinds[column] != CellKind.TEXT.ordinal()
                || (ends[column] > starts[column] && CellKind.isMark(text[starts[column]]));
    }

    /** White space as people see it, non-breaking and zero-width kinds and the byte order mark included. */
    public static boolean isSpace(char c) {
        return c <= ' ' || c >= 0xA0 && isWideSpace(c);
    }

    private static boolean isWideSpace(char c) {
        return c == 0xA0 || c == 0x2007 || c == 0x202F || (c >= 0x200B && c <= 0x200D) || c == 0xFEFF || c == 0x3000;
    }

    private void place(int column, CellKind kind, int length) {
        if (column >= kinds.length) {
            int size = Math.max(column + 1, kinds.length * 2);
            kinds = Arrays.copyOf(kinds, size);
            starts = Arrays.copyOf(starts, size);
            ends = Arrays.copyOf(ends, size);
        }
        if (used + length > text.length) {
            text = Arrays.copyOf(text, Math.max(used + length, text.length * 2));
        }
        kinds[column] = (byte) kind.ordinal();
        starts[column] = used;
        ends[column] = used + length;
        used += length;
        width = Math.max(width, column + 1);
    }
}
