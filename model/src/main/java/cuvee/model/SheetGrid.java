package cuvee.model;

import cuvee.detect.FoundTable;
import cuvee.layout.PlacedTable;
import cuvee.master.SheetReader;
import cuvee.place.Where;
import cuvee.refresh.JobSession;
import cuvee.refresh.ReadSheet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import org.jspecify.annotations.Nullable;

/**
 * A sheet as its file has it, blank rows and all, with what each row was taken for. Pages are read on a thread of their
 * own and kept while they are near. Used on the interface thread. Whoever makes it closes it.
 */
public final class SheetGrid implements GridModel, AutoCloseable {
    private final ReadSheet sheet;
    private final Pages<Map<Integer, List<String>>> pages;
    private Brackets brackets;
    private Runnable listener = () -> {};

    public SheetGrid(JobSession session, ReadSheet sheet, Executor ui) {
        this.sheet = sheet;
        this.brackets =
                new Brackets(sheet.tables().stream().map(PlacedTable::table).toList());
        SheetReader reader = session.sheetReader();
        this.pages = new Pages<>("cuvee-sheet", page -> read(reader, page), reader::close, ui);
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
        listener.run();
    }

    /** Shows the brackets as they are. */
    public void showAsRead() {
        show(sheet.tables().stream().map(PlacedTable::table).toList());
    }

    @Override
    public long rows() {
        return sheet.lastRow();
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
        return 136;
    }

    @Override
    public boolean numeric(int column) {
        return false;
    }

    @Override
    public Optional<String> bracket(long row) {
        return Optional.of(brackets.word((int) row + 1));
    }

    @Override
    public Tone tone(long row, int column) {
        return switch (brackets.word((int) row + 1)) {
            case "header", "repeat" -> Tone.HEADER;
            case Brackets.RECORDS -> Tone.PLAIN;
            default -> Tone.QUIET;
        };
    }

    @Override
    public @Nullable String text(long row, int column) {
        Optional<Map<Integer, List<String>>> lines = pages.holding(row);
        if (lines.isEmpty()) {
            return null;
        }
        List<String> cells = lines.get().get((int) row + 1);
        return cells == null || column >= cells.size() ? "" : cells.get(column);
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
