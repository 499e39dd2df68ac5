package cuvee.sheet;

import java.util.List;

/**
 * What people see of a sheet besides its cells.
 *
 * @param merged cells joined into one
 * @param hiddenRows how many rows with cells are hidden, by hand or by a filter
 * @param hiddenColumns how many columns are hidden
 */
public record SheetSight(List<CellRange> merged, int hiddenRows, int hiddenColumns) {
    public static final SheetSight PLAIN = new SheetSight(List.of(), 0, 0);

    public SheetSight {
        merged = List.copyOf(merged);
    }
}
