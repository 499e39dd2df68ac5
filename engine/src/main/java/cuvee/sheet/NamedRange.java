package cuvee.sheet;

/**
 * A rectangle that the workbook itself names.
 *
 * @param totalRows how many rows at its end hold totals by its own account
 */
public record NamedRange(String name, Kind kind, CellRange range, int totalRows) {
    /** How the workbook came to name it. */
    public enum Kind {
        /** A table of its own, with a header row. */
        TABLE,
        /** Rows under a filter, the first of them the header. */
        FILTER,
        /** A name that somebody gave to cells. */
        NAME
    }
}
