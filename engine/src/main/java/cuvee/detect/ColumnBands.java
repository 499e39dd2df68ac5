package cuvee.detect;

import cuvee.sheet.CellRange;
import cuvee.sheet.NamedRange;
import cuvee.sheet.Row;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Tells tables that stand side by side: blank columns part them, and something else says that both sides are tables of
 * their own: the same headers again, headers in different rows, a different number of records, headers known elsewhere.
 */
final class ColumnBands {
    private static final int ENOUGH_ROWS = 3;
    private static final int WIDE_GAP = 2;
    /** A small table beside a larger one has ended when so many more records of that follow. */
    private static final int LEAST_AFTER = 3;

    private final List<Row> rows;
    private final HeaderHints hints;
    private final SheetClues clues;

    private ColumnBands(List<Row> rows, HeaderHints hints, SheetClues clues) {
        this.rows = rows;
        this.hints = hints;
        this.clues = clues;
    }

    /** Columns from {@code from} up to, but without, {@code to}. */
    record Band(int from, int to) {
        static final Band ALL = new Band(0, Integer.MAX_VALUE);
    }

    /** The bands of the first rows of a sheet; one that holds all columns where nothing stands side by side. */
    static List<Band> of(List<Row> all, HeaderHints hints, SheetClues clues) {
        List<Row> rows = all.subList(LabelRows.above(all), all.size());
        for (int until = rows.size(); until >= ENOUGH_ROWS; until--) {
            if (until == rows.size() || rows.get(until).blanksBefore() > 0) {
                List<Integer> starts = new ColumnBands(rows.subList(0, until), hints, clues).starts();
                if (starts.size() > 1) {
                    return between(starts);
                }
            }
        }
        return List.of(Band.ALL);
    }

    private static List<Band> between(List<Integer> starts) {
        List<Band> bands = new ArrayList<>();
        for (int i = 0; i < starts.size(); i++) {
            bands.add(new Band(starts.get(i), i + 1 < starts.size() ? starts.get(i + 1) : Integer.MAX_VALUE));
        }
        return bands;
    }

    private List<Integer> starts() {
        List<Integer> starts = new ArrayList<>(List.of(0));
        int columns = rows.stream().mapToInt(Row::width).max().orElse(0);
        boolean[] used = new boolean[columns];
        for (Row row : rows) {
            if (row.filled() > 1) {
                for (int c = 0; c < row.width(); c++) {
                    used[c] |= !row.blank(c);
                }
            }
        }
        for (int c = 1; c < columns; c++) {
            if (used[c] && !used[c - 1]) {
                int from = starts.get(starts.size() - 1);
                if (named(from, c) || splits(part(from, c), part(c, nextGap(used, c)), gapBefore(used, c))) {
                    starts.add(c);
                }
            }
        }
        return starts;
    }

    private static int gapBefore(boolean[] used, int at) {
        int c = at;
        while (c > 0 && !used[c - 1]) {
            c--;
        }
        return at - c;
    }

    private static int nextGap(boolean[] used, int from) {
        int c = from;
        while (c < used.length && used[c]) {
            c++;
        }
        return c;
    }

    /** True where the workbook names tables on both sides. */
    private boolean named(int from, int at) {
        List<CellRange> tables = clues.named().stream()
                .filter(range -> range.kind() == NamedRange.Kind.TABLE)
                .map(NamedRange::range)
                .sorted(Comparator.comparingInt(CellRange::firstColumn))
                .toList();
        boolean left = tables.stream().anyMatch(range -> range.firstColumn() >= from && range.lastColumn() < at);
        return left && tables.stream().anyMatch(range -> range.firstColumn() >= at);
    }

    private List<Row> part(int from, int to) {
        List<Row> part = new ArrayList<>();
        int blanks = 0;
        for (Row row : rows) {
            Row cut = row.part(from, to);
            blanks += row.blanksBefore();
            if (cut.blank()) {
                blanks++;
            } else {
                cut.afterBlanks(blanks);
                part.add(cut);
                blanks = 0;
            }
        }
        return part;
    }

    private boolean splits(List<Row> left, List<Row> right, int gap) {
        Side a = side(left);
        Side b = side(right);
        if (a == null || b == null) {
            return false;
        }
        Set<String> shared = new HashSet<>(a.headers());
        shared.retainAll(b.headers());
        int fewer = Math.min(a.headers().size(), b.headers().size());
        // The same names again without anything to go by are groups of one table: 2025 and 2026 side by side.
        boolean groups = a.keyed() && !b.keyed() && a.headerRow() == b.headerRow();
        if (shared.size() >= 2 && shared.size() * 10 >= fewer * 6 && !groups) {
            return true;
        }
        // Nobody leaves several columns blank between those of one table and then uses a name again.
        if (gap >= WIDE_GAP && !shared.isEmpty() && a.keyed() && b.keyed()) {
            return true;
        }
        if (a.headerRow() != b.headerRow() && a.records() >= 2 && b.records() >= 2) {
            return true;
        }
        boolean titled =
                a.titleRow() > 0 && a.titleRow() == b.titleRow() && !a.title().equals(b.title());
        if (titled && b.keyed() && a.records() >= 2 && b.records() >= 2) {
            return true;
        }
        if (b.small() && a.records() - a.until(b.last()) >= Math.max(LEAST_AFTER, b.records())) {
            return true;
        }
        boolean whole = a.gapless() && b.gapless();
        boolean oneKnown = a.known() >= 0.6 && b.known() < 0.3 || b.known() >= 0.6 && a.known() < 0.3;
        return whole && a.records() != b.records() || oneKnown && a.records() != b.records();
    }

    /**
     * One side of a gap.
     *
     * @param known the share of its headers that are known from elsewhere
     * @param gapless true where its records follow each other without a blank row
     * @param title a lone word above its first header; empty where there is none
     * @param titleRow where that stands; 0 where there is none
     * @param keyed true where its first column holds words or dates, by which its records go
     * @param small true where its records follow the header at once, one after the other, and fill every column of it, as
     *     those of a legend do
     * @param rows the rows on which its records stand
     */
    private record Side(
            int headerRow,
            Set<String> headers,
            int records,
            double known,
            boolean gapless,
            String title,
            int titleRow,
            boolean keyed,
            boolean small,
            List<Integer> rows) {
        Side {
            rows = List.copyOf(rows);
        }

        int last() {
            return rows.isEmpty() ? headerRow : rows.get(rows.size() - 1);
        }

        /** How many records stand down to a row. */
        int until(int row) {
            return (int) rows.stream().filter(each -> each <= row).count();
        }
    }

    private @Nullable Side side(List<Row> part) {
        if (part.size() < 2) {
            return null;
        }
        HeaderChoice.Choice choice = new HeaderChoice(part, hints, clues).choose();
        if (!choice.found() || choice.bottom() + 1 >= part.size()) {
            return null;
        }
        Row header = part.get(choice.bottom());
        if (header.filled() < 2) {
            return null;
        }
        Set<String> names = new HashSet<>();
        int known = 0;
        for (int c = 0; c < header.width(); c++) {
            if (!header.blank(c)) {
                names.add(LooseText.key(header.text(c)));
                known += hints.knows(header.text(c)) ? 1 : 0;
            }
        }
        int first = firstFilled(header);
        int records = 0;
        int keys = 0;
        List<Integer> places = new ArrayList<>();
        boolean full = true;
        boolean gapless = true;
        boolean ended = false;
        for (Row row : part.subList(choice.bottom() + 1, part.size())) {
            ended |= row.blanksBefore() > 0;
            if (row.filled() * 2 >= header.filled()) {
                records++;
                places.add(row.number());
                full &= row.filled() == header.filled();
                gapless &= !ended;
                keys += !row.blank(first) && !Forms.of(row, first).isNumber() ? 1 : 0;
            }
        }
        Row above = choice.top() > 0 ? part.get(choice.top() - 1) : header;
        boolean titled = above.filled() == 1 && firstFilled(above) == first;
        return new Side(
                header.number(),
                names,
                records,
                known / (double) header.filled(),
                gapless,
                titled ? LooseText.key(above.text(first)) : "",
                titled ? above.number() : 0,
                keys * 2 > records,
                full && records >= 2 && places.get(places.size() - 1) == header.number() + records,
                places);
    }

    private static int firstFilled(Row row) {
        int column = 0;
        while (row.blank(column)) {
            column++;
        }
        return column;
    }
}
