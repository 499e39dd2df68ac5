package cuvee.place;

/**
 * A spot in the sources, from a whole source down to one cell, worded as a person would say it.
 *
 * @param source the source's path relative to its place, with {@code /}; empty for the job as a whole
 * @param sheet the sheet's name; empty for text files and whole sources
 * @param row the sheet's row or the file's line, from 1; 0 where no row is meant
 * @param column the column, from 1; 0 where no column is meant
 */
public record Where(String source, String sheet, int row, int column) {

    /** The job as a whole. */
    public static final Where JOB = new Where("", "", 0, 0);

    public static Where source(String source) {
        return new Where(source, "", 0, 0);
    }

    public static Where sheet(String source, String sheet) {
        return new Where(source, sheet, 0, 0);
    }

    public Where row(int newRow) {
        return new Where(source, sheet, newRow, 0);
    }

    public Where cell(int newRow, int newColumn) {
        return new Where(source, sheet, newRow, newColumn);
    }

    /** For example {@code Hollin/hollin-0326.csv, line 118} or {@code north.xlsx, sheet March, cell B12}. */
    @Override
    public String toString() {
        if (source.isEmpty()) {
            return "the job";
        }
        StringBuilder said = new StringBuilder(source);
        if (!sheet.isEmpty()) {
            said.append(", sheet ").append(sheet);
        }
        if (row > 0 && sheet.isEmpty()) {
            said.append(", line ").append(row);
        } else if (row > 0 && column > 0) {
            said.append(", cell ").append(columnLetters(column)).append(row);
        } else if (row > 0) {
            said.append(", row ").append(row);
        }
        return said.toString();
    }

    /** The letters a sheet gives to a column: 1 is A, 27 is AA. */
    public static String columnLetters(int column) {
        StringBuilder letters = new StringBuilder();
        for (int rest = column; rest > 0; rest = (rest - 1) / 26) {
            letters.append((char) ('A' + (rest - 1) % 26));
        }
        return letters.reverse().toString();
    }
}
