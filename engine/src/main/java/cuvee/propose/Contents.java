package cuvee.propose;

import cuvee.layout.PlacedTable;
import java.util.List;

/** What stands in the cells of tables. */
interface Contents {
    /** True where two tables hold the same rows, in whatever order. */
    boolean sameRows(PlacedTable one, PlacedTable other);

    /** The cells of each of a table's columns, of so many records at most. */
    List<List<String>> columns(PlacedTable table, int most);
}
