package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.place.Where;

/**
 * A found table with its place.
 *
 * @param id its number in staging
 * @param width the width of the staging table that holds its rows
 */
public record PlacedTable(int id, int width, String source, String sheet, FoundTable table) {

    /** A table is told by its place in staging alone, which is cheap to compare. */
    @Override
    public boolean equals(Object other) {
        return other instanceof PlacedTable that && id == that.id && table.firstRow() == that.table.firstRow();
    }

    @Override
    public int hashCode() {
        return id * 31 + table.firstRow();
    }

    public Where where() {
        return Where.sheet(source, sheet);
    }
}
