package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.place.Where;
import cuvee.sheet.CellRange;
import java.util.List;

/**
 * A found table with its place, laid out for the master.
 *
 * @param id its own number
 * @param staged the number under which its sheet's rows are staged
 * @param width the width of the staging table that holds its rows
 * @param merged the cells of its sheet that are joined into one
 * @param columns its columns as they go into the master; at first those of the sheet
 * @param signature what its layout is called
 * @param turned how many rows each of its records becomes; 0 where it stays one
 */
public record PlacedTable(
        int id,
        int staged,
        int width,
        String source,
        String sheet,
        List<CellRange> merged,
        FoundTable table,
        List<LaidColumn> columns,
        String signature,
        int turned) {

    public PlacedTable {
        merged = List.copyOf(merged);
        columns = List.copyOf(columns);
    }

    /** A table as its sheet has it. */
    public static PlacedTable of(
            int id, int staged, int width, String source, String sheet, List<CellRange> merged, FoundTable table) {
        List<LaidColumn> columns = table.columns().stream().map(LaidColumn::of).toList();
        return new PlacedTable(
                id, staged, width, source, sheet, merged, table, columns, Layout.plainSignature(table), 0);
    }

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

    /** The same table, laid out otherwise. */
    PlacedTable laid(List<LaidColumn> newColumns, String newSignature, int newTurned) {
        return new PlacedTable(id, staged, width, source, sheet, merged, table, newColumns, newSignature, newTurned);
    }
}
