package cuvee.detect;

import cuvee.detect.ColumnBands.Band;
import cuvee.sheet.CellRange;
import cuvee.sheet.Row;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Finds the tables of one sheet while its rows go by: holds the first rows back until it is clear what stands side by
 * side and which rows are the header, then tells each row for itself. Memory does not grow with the records.
 */
public final class TableFinder {
    /** So many rows are held back before a header is chosen. */
    public static final int HEAD_ROWS = 60;

    private final HeaderHints hints;
    private final Reading reading;
    private SheetClues clues;
    private final List<Row> head = new ArrayList<>();
    private final List<BandFinder> bands = new ArrayList<>();
    private final List<FoundTable> tables = new ArrayList<>();
    /** The band of a sheet without anything side by side, once a row has come to it. */
    private @Nullable BandFinder only;

    private int pendingBlanks;
    /** True where nothing but single words has stood side by side since the last gap. */
    private boolean titlesSinceGap;

    public TableFinder(HeaderHints hints) {
        this(hints, SheetClues.NONE, Reading.DEFAULT);
    }

    /**
     * A finder for one sheet.
     *
     * @param clues what the workbook says of the sheet
     * @param reading what has been decided about it
     */
    public TableFinder(HeaderHints hints, SheetClues clues, Reading reading) {
        this.hints = hints;
        this.clues = clues;
        this.reading = reading;
    }

    /** The next row of the sheet; blank ones may be left out. */
    public void row(Row row) {
        BandFinder band = only;
        if (band != null && band.gathers(row)) {
            return;
        }
        if (row.blank()) {
            pendingBlanks += row.blanksBefore() + 1;
            return;
        }
        int blanks = row.blanksBefore() + pendingBlanks;
        pendingBlanks = 0;
        take(row, blanks);
    }

    /** Cells joined into one, where the format tells only behind the last row. */
    public void merged(List<CellRange> cells) {
        clues = clues.withMerged(cells);
    }

    /** The tables found, once the last row has gone by; in the order of their first rows, then from the left. */
    public List<FoundTable> end() {
        while (!head.isEmpty() || !bands.isEmpty()) {
            if (bands.isEmpty()) {
                settle();
            }
            finish();
        }
        tables.sort(Comparator.comparingInt(FoundTable::firstRow).thenComparingInt(FoundTable::firstColumn));
        return withTitlesOfTheSheet(tables);
    }

    /**
     * What stands above the first table before its own title is said of the whole sheet: a table below that has titles of
     * its own, of fewer lines, or none, has these before it, and so has one beside it under a title of its own.
     */
    private static List<FoundTable> withTitlesOfTheSheet(List<FoundTable> tables) {
        if (tables.size() < 2) {
            return tables;
        }
        FoundTable first = tables.get(0);
        List<FoundTable> all = new ArrayList<>();
        for (FoundTable table : tables) {
            int more = first.titles().size() - table.titles().size();
            boolean below = table.firstRow() > first.lastRow();
            boolean beside = !below
                    && table.firstColumn() > first.firstColumn()
                    && !table.titles().isEmpty();
            if ((below || beside) && more > 0) {
                List<String> titles = new ArrayList<>(first.titles().subList(0, more));
                titles.addAll(table.titles());
                all.add(table.withTitles(titles));
            } else {
                all.add(table);
            }
        }
        return all;
    }

    private void take(Row row, int blanks) {
        if (bands.isEmpty()) {
            Row copy = row.copy();
            copy.afterBlanks(blanks);
            head.add(copy);
            if (head.size() >= HEAD_ROWS) {
                settle();
            }
        } else if (bands.size() == 1) {
            only = bands.get(0);
            List<Row> another = bands.get(0).row(row, blanks);
            if (!another.isEmpty()) {
                finish();
                begin(another);
            }
        } else if (crosses(row) && (blanks > 0 || titlesSinceGap)) {
            finish();
            take(row, blanks);
        } else {
            titlesSinceGap = (blanks > 0 || titlesSinceGap) && row.filled() == 1;
            bands.forEach(band -> band.part(row, blanks));
        }
    }

    /** True where a row fills the columns between tables that stand side by side. */
    private boolean crosses(Row row) {
        return row.filled() > 1
                && bands.stream()
                        .skip(1)
                        .anyMatch(band -> !row.blank(band.columns().from() - 1));
    }

    private void settle() {
        List<Row> rows = new ArrayList<>(head);
        head.clear();
        List<Band> columns = ColumnBands.of(rows, hints, clues);
        columns.forEach(band -> bands.add(new BandFinder(band, hints, clues, reading)));
        if (bands.size() == 1) {
            List<Row> another = bands.get(0).begin(rows);
            if (!another.isEmpty()) {
                finish();
                begin(another);
            }
            return;
        }
        int until = oneTableBelow(rows);
        titlesSinceGap = false;
        for (BandFinder band : bands) {
            band.beginPart(rows.subList(0, until));
        }
        if (until < rows.size()) {
            finish();
            begin(rows.subList(until, rows.size()));
        }
    }

    /** Where, behind a gap, a table begins that runs on over the columns between the bands; its titles come with it. */
    private int oneTableBelow(List<Row> rows) {
        int gap = rows.size();
        for (int i = 1; i < rows.size(); i++) {
            boolean apart = rows.get(i).blanksBefore() > 0;
            gap = apart ? i : gap;
            if (gap < rows.size() && crosses(rows.get(i))) {
                return gap;
            }
            gap = rows.get(i).filled() == 1 ? gap : rows.size();
        }
        return rows.size();
    }

    /** Ends the tables under way; rows that belong to none of them begin anew. */
    private void finish() {
        List<Row> rest = new ArrayList<>();
        for (BandFinder band : bands) {
            rest.addAll(band.end(tables));
        }
        bands.clear();
        only = null;
        begin(rest);
    }

    private void begin(List<Row> rows) {
        rows.forEach(row -> take(row, row.blanksBefore()));
    }
}
