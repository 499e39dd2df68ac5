package cuvee.model;

import cuvee.detect.FoundTable;
import cuvee.gather.ReadSheet;
import cuvee.layout.PlacedTable;
import cuvee.master.SheetReader;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.refresh.JobSession;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A sheet as its file has it, blank rows and all, with what each row was taken for. Pages are read on a thread of their
 * own and kept while they are near. Used on the interface thread. Whoever makes it closes it.
 */
public final class SheetGrid implements GridModel, AutoCloseable {
    private final ReadSheet sheet;
    private final Pages<Map<Integer, List<String>>> pages;
    private Brackets brackets;
    private boolean bothEnds;
    private List<Stretch> stretches = List.of();
    private Runnable listener = () -> {};

    public SheetGrid(JobSession session, ReadSheet sheet, Executor ui) {
        this.sheet = sheet;
        this.brackets =
                new Brackets(sheet.tables().stream().map(PlacedTable::table).toList());
        fold();
        SheetReader reader = session.sheetReader();
        this.pages = new Pages<>("cuvee-sheet", sheet.lastRow(), page -> read(reader, page), reader::close, ui);
    }

    /** Records in a row that are more than these are folded in the middle when both ends are shown. */
    private static final int MOST_RECORDS = 30;

    private static final Pattern NUMBER = Pattern.compile("[-+(]?\\p{Sc}?\\s?\\d[\\d.,'\\u00A0 ]*\\s?[%)\\p{Sc}]?");
    private static final int SHOWN_FIRST = 12;
    private static final int SHOWN_LAST = 6;

    /**
     * Rows of the sheet as they are shown: each by itself, or all of them folded into one line.
     *
     * @param at the line of the first of them
     * @param first the first of them on the sheet, from 1
     */
    private record Stretch(long at, int first, int count, boolean folded) {
        long lines() {
            return folded ? 1 : count;
        }
    }

    /** Shows both ends of long tables, their middles folded, or all rows. */
    public void showBothEnds(boolean wanted) {
        bothEnds = wanted;
        fold();
        listener.run();
    }

    /** True where there is a table long enough for its middle to be folded. */
    public boolean isLong() {
        return sheet.tables().stream().map(PlacedTable::table).anyMatch(table -> table.kept() > MOST_RECORDS);
    }

    private void fold() {
        List<Stretch> found = new ArrayList<>();
        int first = 1;
        long at = 0;
        for (int[] run : bothEnds ? brackets.longRuns(MOST_RECORDS) : List.<int[]>of()) {
            int from = run[0] + SHOWN_FIRST;
            int to = run[1] - SHOWN_LAST;
            if (from > first) {
                found.add(new Stretch(at, first, from - first, false));
                at += from - first;
            }
            found.add(new Stretch(at++, from, to - from + 1, true));
            first = to + 1;
        }
        if (first <= sheet.lastRow()) {
            found.add(new Stretch(at, first, sheet.lastRow() - first + 1, false));
        }
        stretches = found;
    }

    private Stretch stretch(long line) {
        int low = 0;
        int high = stretches.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (stretches.get(middle).at() <= line) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return stretches.get(low);
    }

    /** The row of the sheet that a line shows, from 1; the first of those that are folded into it. */
    public int sheetRow(long line) {
        Stretch there = stretch(line);
        return there.folded() ? there.first() : (int) (there.first() + line - there.at());
    }

    /** The line that shows a row of the sheet, or into which it is folded. */
    public long lineOf(int sheetRow) {
        for (Stretch each : stretches) {
            if (sheetRow < each.first() + each.count()) {
                return each.folded() ? each.at() : each.at() + Math.max(0, sheetRow - each.first());
            }
        }
        return Math.max(0, rows() - 1);
    }

    /** True for a line into which rows are folded. */
    public boolean isFolded(long line) {
        return !stretches.isEmpty() && stretch(line).folded();
    }

    private Map<Integer, List<String>> read(SheetReader reader, long page) {
        Map<Integer, List<String>> lines = new HashMap<>();
        int first = (int) page * Pages.ROWS + 1;
        reader.page(sheet.staged(), first, first + Pages.ROWS - 1).forEach(line -> lines.put(line.row(), line.cells()));
        return lines;
    }

    public ReadSheet sheet() {
        return sheet;
    }

    /** Shows other brackets, as they would be under a reading that is tried out. */
    public void show(List<FoundTable> tables) {
        brackets = new Brackets(tables);
        fold();
        listener.run();
    }

    /** Shows the brackets as they are. */
    public void showAsRead() {
        show(sheet.tables().stream().map(PlacedTable::table).toList());
    }

    @Override
    public long rows() {
        return stretches.stream().mapToLong(Stretch::lines).sum();
    }

    @Override
    public int columns() {
        return sheet.columns();
    }

    @Override
    public String title(int column) {
        return Where.columnLetters(column + 1);
    }

    @Override
    public String subtitle(int column) {
        return "";
    }

    @Override
    public double width(int column) {
        return 124;
    }

    @Override
    public boolean numeric(int column) {
        return false;
    }

    @Override
    public Optional<String> bracket(long row) {
        return Optional.of(brackets.word(sheetRow(row)));
    }

    @Override
    public Tone tone(long row, int column) {
        if (isFolded(row)) {
            return Tone.HEADING;
        }
        return switch (brackets.word(sheetRow(row))) {
            case "header", "repeat" -> Tone.HEADER;
            case Brackets.RECORDS -> Tone.PLAIN;
            case Brackets.FIELDS -> brackets.isValue(sheetRow(row), column) ? Tone.PLAIN : Tone.HEADER;
            default -> Tone.QUIET;
        };
    }

    @Override
    public @Nullable String text(long row, int column) {
        if (isFolded(row)) {
            return column == 0
                    ? Says.count(stretch(row).count(), "record") + " folded away, all kept; Enter unfolds them"
                    : "";
        }
        int there = sheetRow(row);
        Optional<Map<Integer, List<String>>> lines = pages.holding(there - 1L);
        if (lines.isEmpty()) {
            return null;
        }
        List<String> cells = lines.get().get(there);
        return cells == null || column >= cells.size() ? "" : cells.get(column);
    }

    @Override
    public String trail(long row, int column) {
        if (isFolded(row)) {
            return "";
        }
        String text = text(row, column);
        Where place = Where.sheet(sheet.source(), sheet.name()).cell(sheetRow(row), column + 1);
        String bracket = brackets.word(sheetRow(row));
        return place + ", " + (bracket.equals(Brackets.RECORDS) ? "record" : bracket)
                + (text == null ? "" : text.isEmpty() ? ": blank" : ": " + Says.quoted(text));
    }

    @Override
    public long standsFor(long row) {
        return isFolded(row) ? stretch(row).count() : 1;
    }

    /** Numbers stand at the right, whatever is above them. */
    @Override
    public boolean isAtRight(long row, int column) {
        String text = text(row, column);
        return text != null && !isFolded(row) && NUMBER.matcher(text).matches();
    }

    @Override
    public String rowLabel(long row) {
        return isFolded(row) ? "" : Long.toString(sheetRow(row));
    }

    @Override
    public String failure() {
        return pages.failure();
    }

    @Override
    public void onArrival(Runnable newListener) {
        listener = newListener;
        pages.onArrival(newListener);
    }

    @Override
    public void close() {
        pages.close();
    }
}
