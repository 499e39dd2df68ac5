package cuvee.sheet;

import java.util.List;
import java.util.Map;

/**
 * What people see of a sheet besides its cells.
 *
 * @param merged cells joined into one
 * @param hiddenRows how many rows with cells are hidden, by hand or by a filter
 * @param hiddenColumns how many columns are hidden
 * @param currencies for columns, from 0, the mark of the one currency that their numbers are shown with
 * @param cutRows in text whose columns only spaces set apart, the first rows where a cell reached into the next column
 * @param struckRows the first rows all of whose cells are struck through
 */
public record SheetSight(
        List<CellRange> merged,
        int hiddenRows,
        int hiddenColumns,
        Map<Integer, String> currencies,
        List<Integer> cutRows,
        List<Integer> struckRows) {
    public static final SheetSight PLAIN = new SheetSight(List.of(), 0, 0);

    public SheetSight(List<CellRange> merged, int hiddenRows, int hiddenColumns) {
        this(merged, hiddenRows, hiddenColumns, Map.of(), List.of(), List.of());
    }

    public SheetSight {
        merged = List.copyOf(merged);
        currencies = Map.copyOf(currencies);
        cutRows = List.copyOf(cutRows);
        struckRows = List.copyOf(struckRows);
    }
}
