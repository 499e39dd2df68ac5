package cuvee.model;

import cuvee.detect.FoundTable;
import cuvee.detect.Reading;
import cuvee.detect.RowClass;
import cuvee.gather.ReadSheet;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import java.util.List;
import java.util.Optional;

/**
 * A change of how a sheet is read, made by the analyst's hand: for the sheet itself, or for every table of its layout
 * where that has a meaning.
 *
 * @param reading how the sheet would be read
 * @param forLayout the same said of its layout; empty where it can only be said of this sheet
 */
public record ReadingEdit(Reading reading, Optional<Reading> forLayout) {

    /** Rows of a sheet, counted from 1, taken for something else: empty for records. */
    public static Optional<ReadingEdit> rowsAre(ReadSheet sheet, int first, int last, Optional<RowClass> what) {
        if (what.isPresent() && what.get() == RowClass.HEADER) {
            return header(sheet, first, last);
        }
        Reading reading = sheet.reading().withRows(first, last, what);
        if (reading.headerRows().stream().anyMatch(row -> row >= first && row <= last)) {
            return Optional.empty();
        }
        return Optional.of(new ReadingEdit(reading, Optional.empty()));
    }

    private static Optional<ReadingEdit> header(ReadSheet sheet, int first, int last) {
        Reading reading = sheet.reading().withoutHeaders().withHeader(first, last);
        // The other tables of the sheet keep the headers they have.
        for (PlacedTable other : sheet.tables()) {
            List<Integer> header = other.table().headerRows();
            boolean here =
                    first >= other.table().firstRow() && first <= other.table().lastRow();
            if (!here && !header.isEmpty()) {
                reading = reading.withHeader(header.get(0), header.get(header.size() - 1));
            }
        }
        boolean one = sheet.tables().size() == 1 && sheet.reading().equals(Reading.DEFAULT);
        Optional<Reading> shifted = one
                ? Optional.of(sheet.tables().get(0).table().headerRows())
                        .filter(header -> !header.isEmpty())
                        .map(header -> last - header.get(header.size() - 1))
                        .filter(by -> by != 0 && Math.abs(by) < 20)
                        .map(by -> Reading.DEFAULT.withShift(by))
                : Optional.empty();
        return Optional.of(new ReadingEdit(reading, shifted));
    }

    /** A sheet that was taken for a form is read as a table. */
    public static ReadingEdit asTable(ReadSheet sheet) {
        return new ReadingEdit(
                sheet.reading().withForm(Reading.Form.NO), Optional.of(Reading.DEFAULT.withForm(Reading.Form.NO)));
    }

    /** A sheet is read as a form with one record, whatever it was taken for; where it has a table, all of its layout. */
    public static ReadingEdit asForm(ReadSheet sheet) {
        return new ReadingEdit(
                Reading.DEFAULT.withForm(Reading.Form.YES),
                sheet.tables().isEmpty() ? Optional.empty() : Optional.of(Reading.DEFAULT.withForm(Reading.Form.YES)));
    }

    /** Everything below a row is outside of the table. */
    public static ReadingEdit endsAt(ReadSheet sheet, int lastRow) {
        return new ReadingEdit(sheet.reading().withLastRow(lastRow), Optional.empty());
    }

    /** The border above a row of a sheet, counted from 1, dragged so that it stands above another. */
    public static Optional<ReadingEdit> border(ReadSheet sheet, int border, int target) {
        Brackets brackets =
                new Brackets(sheet.tables().stream().map(PlacedTable::table).toList());
        boolean down = target > border;
        String grows = brackets.word(down ? border - 1 : border);
        int first = down ? border : target;
        int last = down ? target - 1 : border - 1;
        if (grows.equals("header")) {
            return headerOf(sheet, down ? border - 1 : border)
                    .flatMap(header -> header(sheet, Math.min(first, header[0]), Math.max(last, header[1])));
        }
        Optional<int[]> header = headerOf(sheet, first).or(() -> headerOf(sheet, last));
        if (header.isPresent()) {
            int top = Math.max(header.get()[0], down ? last + 1 : header.get()[0]);
            int bottom = Math.min(header.get()[1], down ? header.get()[1] : first - 1);
            return top > bottom ? Optional.empty() : header(sheet, top, bottom);
        }
        if (grows.isEmpty()) {
            return Optional.empty();
        }
        return rowsAre(sheet, first, last, RowClass.of(grows));
    }

    /** The header that a row belongs to: its first and last row. */
    private static Optional<int[]> headerOf(ReadSheet sheet, int row) {
        return sheet.tables().stream()
                .map(placed -> placed.table().headerRows())
                .filter(rows -> rows.contains(row))
                .findFirst()
                .map(rows -> new int[] {rows.get(0), rows.get(rows.size() - 1)});
    }

    /** What a reading would change, in words. */
    public static String effect(ReadSheet sheet, List<FoundTable> found) {
        long before = sheet.tables().stream().mapToLong(t -> t.table().kept()).sum();
        long after = found.stream().mapToLong(FoundTable::kept).sum();
        String tables = found.size() == sheet.tables().size()
                ? ""
                : " in " + Says.count(found.size(), "table") + " instead of "
                        + Says.number(sheet.tables().size());
        String change = after == before
                ? "as many as now"
                : Says.number(Math.abs(after - before)) + (after > before ? " more than now" : " fewer than now");
        String headers = found.isEmpty() || found.get(0).headerRows().isEmpty()
                ? ""
                : ". Columns: "
                        + Says.list(found.get(0).columns().stream()
                                .map(column -> Says.quoted(column.header()))
                                .toList());
        return Says.count(after, "row") + " would be kept" + tables + ", " + change + headers + ".";
    }
}
