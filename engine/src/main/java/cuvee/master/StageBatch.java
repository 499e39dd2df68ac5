package cuvee.master;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import java.util.Arrays;

/** Staged rows of one width, column by column, as UTF-8: what the store takes in fastest. */
final class StageBatch {
    /** The store's own unit of rows. */
    static final int MOST_ROWS = 122_880;

    private static final long MOST_BYTES = 24L << 20;
    private final int columns;
    private int[] tables = new int[256];
    private int[] rows = new int[256];
    private final Cells[] cells;
    private int count;
    private long bytes;

    StageBatch(int columns) {
        this.columns = columns;
        this.cells = new Cells[columns];
        Arrays.setAll(cells, i -> new Cells());
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

    Cells column(int column) {
        return cells[column];
    }

    boolean full() {
        return count >= MOST_ROWS || bytes >= MOST_BYTES;
    }

    void add(int table, Row row) {
        if (count == tables.length) {
            tables = Arrays.copyOf(tables, count * 2);
            rows = Arrays.copyOf(rows, count * 2);
        }
        tables[count] = table;
        rows[count] = row.number();
        for (int column = 0; column < columns; column++) {
            bytes += cells[column].add(count, row, column);
        }
        count++;
    }

    void clear() {
        count = 0;
        bytes = 0;
        for (Cells column : cells) {
            column.clear();
        }
    }

    /** The cells of one column: their bytes one after the other, where each ends, and which are there. */
    static final class Cells {
        private byte[] data = new byte[1024];
        private int[] ends = new int[257];
        private byte[] present = new byte[32];
        private int length;
        private int nulls;

        byte[] data() {
            return data;
        }

        /** Where each cell begins; one more for the end of the last. */
        int[] offsets() {
            return ends;
        }

        /** One bit for each row, lowest first: set where there is a cell. */
        byte[] present() {
            return present;
        }

        int length() {
            return length;
        }

        int nulls() {
            return nulls;
        }

        void clear() {
            length = 0;
            nulls = 0;
            Arrays.fill(present, (byte) 0);
        }

        int add(int index, Row row, int column) {
            if (index + 1 >= ends.length) {
                ends = Arrays.copyOf(ends, ends.length * 2);
                present = Arrays.copyOf(present, ends.length / 8 + 1);
            }
            int before = length;
            if (row.kind(column) == CellKind.EMPTY) {
                nulls++;
            } else {
                present[index >> 3] |= (byte) (1 << (index & 7));
                put(row, column);
            }
            ends[index + 1] = length;
            return length - before;
        }

        private void put(Row row, int column) {
            int from = row.start(column);
            int to = row.end(column);
            int most = length + (to - from) * 3 + 1;
            if (most > data.length) {
                data = Arrays.copyOf(data, Math.max(most, data.length * 2));
            }
            if (row.marked(column)) {
                data[length++] = (byte) row.kind(column).mark();
            }
            char[] chars = row.chars();
            for (int i = from; i < to; i++) {
                char c = chars[i];
                if (c < 0x80) {
                    // The store's text ends at no character, but a zero byte is no text in any file.
                    data[length++] = c == 0 ? (byte) ' ' : (byte) c;
                } else if (c < 0x800) {
                    data[length++] = (byte) (0xC0 | c >> 6);
                    data[length++] = (byte) (0x80 | c & 0x3F);
                } else if (Character.isHighSurrogate(c) && i + 1 < to && Character.isLowSurrogate(chars[i + 1])) {
                    int point = Character.toCodePoint(c, chars[++i]);
                    data[length++] = (byte) (0xF0 | point >> 18);
                    data[length++] = (byte) (0x80 | point >> 12 & 0x3F);
                    data[length++] = (byte) (0x80 | point >> 6 & 0x3F);
                    data[length++] = (byte) (0x80 | point & 0x3F);
                } else {
                    char whole = Character.isSurrogate(c) ? '\uFFFD' : c;
                    data[length++] = (byte) (0xE0 | whole >> 12);
                    data[length++] = (byte) (0x80 | whole >> 6 & 0x3F);
                    data[length++] = (byte) (0x80 | whole & 0x3F);
                }
            }
        }
    }
}
