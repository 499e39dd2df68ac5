package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.place.Where;

/**
 * A found table with its place.
 *
 * @param id its own number
 * @param staged the number under which its sheet's rows are staged
 * @param width the width of the staging table that holds its rows
 */
public record PlacedTable(int id, int staged, int width, String source, String sheet, FoundTable table) {

    /** A table is told by its number alone, which is cheap to compare. */
    @Override
    public boolean equals(Object other) {
        return other instanceof PlacedTable that && id == that.id;
    }

    @Override
    public int hashCode() {
        return id;
    }

    public Where where() {
        return Where.sheet(source, sheet);
    }
}
