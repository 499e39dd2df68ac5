package cuvee.detect;

import cuvee.place.Where;
import cuvee.value.Evidence;
import java.util.regex.Pattern;

/**
 * A column of a found table.
 *
 * @param index the sheet's column, from 0
 * @param header the header as spelled, white space tidied; made up from the column's letters where there is none
 * @param named false where the header was made up
 * @param sum its numbers added up, approximately; 0 where it holds none
 * @param row the row in which its one value stands, where the sheet is a form; 0 for the cells of records
 * @param gaps how its filled cells and its blank ones follow each other
 */
public record TableColumn(int index, String header, boolean named, Evidence evidence, double sum, Gaps gaps, int row) {
    private static final Pattern UNNAMED = Pattern.compile("Column [A-Z]{1,3}( \\(\\d+\\))?");

    /** A column of a table. */
    public TableColumn(int index, String header, boolean named, Evidence evidence, double sum, Gaps gaps) {
        this(index, header, named, evidence, sum, gaps, 0);
    }

    /** What a column without a header is called, by its letters. */
    static String unnamed(int index) {
        return "Column " + Where.columnLetters(index + 1);
    }

    /** True for a name made up from a column's letters. */
    public static boolean isUnnamed(String header) {
        return UNNAMED.matcher(header).matches();
    }

    /** The same, where its cells are those of rows that stand for the ones below them. */
    TableColumn ofHeads() {
        return new TableColumn(
                index, header, named, evidence, sum, new Gaps(gaps.firstFilled(), gaps.adjacent(), true), row);
    }

    /**
     * How filled and blank cells follow each other from record to record.
     *
     * @param firstFilled true where the first record holds a value
     * @param adjacent how often a filled cell stands right below another
     * @param ofHeads true where its cells are those of rows that stand for the ones below them
     */
    public record Gaps(boolean firstFilled, int adjacent, boolean ofHeads) {}
}
