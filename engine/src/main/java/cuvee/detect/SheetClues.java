package cuvee.detect;

import cuvee.sheet.CellRange;
import cuvee.sheet.NamedRange;
import cuvee.sheet.Row;
import java.util.List;
import java.util.Map;

/**
 * What a workbook says of a sheet besides its cells: the rectangles it names, and cells joined into one. The latter are
 * known only behind the last row of some formats.
 *
 * @param currencies for columns, from 0, the mark of the one currency that their numbers are shown with
 */
public record SheetClues(List<NamedRange> named, List<CellRange> merged, Map<Integer, String> currencies) {
    public static final SheetClues NONE = new SheetClues(List.of(), List.of());

    public SheetClues(List<NamedRange> named, List<CellRange> merged) {
        this(named, merged, Map.of());
    }

    public SheetClues {
        named = List.copyOf(named);
        merged = List.copyOf(merged);
        currencies = Map.copyOf(currencies);
    }

    public SheetClues withMerged(List<CellRange> cells) {
        return new SheetClues(named, cells, currencies);
    }

    /** True where the workbook itself says that a table's header is in this row. */
    boolean headerRow(int row) {
        return named.stream()
                .anyMatch(range ->
                        range.kind() != NamedRange.Kind.NAME && range.range().firstRow() == row);
    }

    /** True where the workbook itself says that this row holds totals. */
    boolean totalRow(int row) {
        return !named.isEmpty()
                && named.stream()
                        .anyMatch(range -> range.range().holdsRow(row)
                                && row > range.range().lastRow() - range.totalRows());
    }

    /** True where a cell of a row is joined over some columns of the row below, but not over all. */
    boolean partlyMerged(int row, Row upper, Row lower) {
        if (merged.isEmpty()) {
            return false;
        }
        if (filled(upper) == 1
                && merged.stream()
                        .anyMatch(range -> range.firstRow() == row
                                && range.columns() > 1
                                && range.firstColumn() <= lower.firstFilled())) {
            // A lone text joined over the first columns is a title, however many of them it spans.
            return false;
        }
        int first = Math.min(upper.firstFilled(), lower.firstFilled());
        int last = Math.max(upper.width(), lower.width()) - 1;
        return merged.stream()
                .filter(range -> range.firstRow() == row && range.columns() > 1)
                .anyMatch(range -> range.firstColumn() > first || range.lastColumn() < last);
    }

    /** True where most cells of a row are joined with the blank ones below them in the next: both belong to one header. */
    boolean joinedDown(Row upper, Row lower) {
        long joined = merged.stream()
                .filter(range -> range.firstRow() == upper.number() && range.lastRow() == lower.number())
                .count();
        return joined >= 2 && joined * 2 >= filled(upper);
    }

    /** The last column of the joined cell that begins in a cell; the column itself where it is not joined. */
    int spanEnd(int row, int column) {
        return merged.stream()
                .filter(range -> range.holdsRow(row) && range.firstColumn() == column)
                .mapToInt(CellRange::lastColumn)
                .max()
                .orElse(column);
    }

    boolean joinedAcross(int row) {
        return merged.stream().anyMatch(range -> range.holdsRow(row) && range.columns() > 1);
    }

    private static int filled(Row row) {
        int filled = 0;
        for (int c = 0; c < row.width(); c++) {
            filled += row.blank(c) ? 0 : 1;
        }
        return filled;
    }
}
