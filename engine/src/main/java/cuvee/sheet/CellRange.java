package cuvee.sheet;

import cuvee.place.Where;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A rectangle of cells; rows count from 1, columns from 0, both ends belong to it. */
public record CellRange(int firstRow, int firstColumn, int lastRow, int lastColumn) {
    private static final Pattern REFERENCE =
            Pattern.compile("\\$?([A-Za-z]{1,3})\\$?(\\d{1,7})(?::\\$?([A-Za-z]{1,3})\\$?(\\d{1,7}))?");

    /** Reads {@code B4:F20} or {@code $B$4:$F$20}; empty where the text is none. */
    public static Optional<CellRange> of(String reference) {
        Matcher found = REFERENCE.matcher(reference.strip());
        if (!found.matches()) {
            return Optional.empty();
        }
        int row = Integer.parseInt(found.group(2));
        int column = columnOf(found.group(1));
        boolean one = found.group(3) == null;
        int otherRow = one ? row : Integer.parseInt(found.group(4));
        int otherColumn = one ? column : columnOf(found.group(3));
        return Optional.of(new CellRange(
                Math.min(row, otherRow),
                Math.min(column, otherColumn),
                Math.max(row, otherRow),
                Math.max(column, otherColumn)));
    }

    private static int columnOf(String letters) {
        int column = 0;
        for (char c : letters.toUpperCase(java.util.Locale.ROOT).toCharArray()) {
            column = column * 26 + c - 'A' + 1;
        }
        return column - 1;
    }

    public boolean holdsRow(int row) {
        return row >= firstRow && row <= lastRow;
    }

    public int columns() {
        return lastColumn - firstColumn + 1;
    }

    public int rows() {
        return lastRow - firstRow + 1;
    }

    /** For example {@code B4:F20}. */
    @Override
    public String toString() {
        return Where.columnLetters(firstColumn + 1) + firstRow + ":" + Where.columnLetters(lastColumn + 1) + lastRow;
    }
}
