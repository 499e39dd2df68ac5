package cuvee.model;

import cuvee.detect.FoundTable;
import cuvee.layout.PlacedTable;
import cuvee.master.SheetReader;
import cuvee.place.Where;
import cuvee.refresh.JobSession;
import cuvee.refresh.ReadSheet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;

/**
 * A sheet as its file has it, blank rows and all, with what each row was taken for. Pages are read on a thread of their
 * own and kept while they are near. Used on the interface thread. Whoever makes it closes it.
 */
public final class SheetGrid implements GridModel, AutoCloseable {
    private static final int PAGE_ROWS = 200;
    private static final int PAGES = 40;
    private final ReadSheet sheet;
    private final SheetReader reader;
    private final Executor ui;
    private final ExecutorService reading;
    private final Set<Integer> asked = new HashSet<>();
    private final Map<Integer, Map<Integer, List<String>>> pages = new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Integer, Map<Integer, List<String>>> eldest) {
            return size() > PAGES;
        }
    };
    private Brackets brackets;
    private Runnable listener = () -> {};
    private boolean closed;

    public SheetGrid(JobSession session, ReadSheet sheet, Executor ui) {
        this.sheet = sheet;
        this.reader = session.sheetReader();
        this.ui = ui;
        this.brackets =
                new Brackets(sheet.tables().stream().map(PlacedTable::table).toList());
        this.reading = Executors.newSingleThreadExecutor(run -> {
            Thread thread = new Thread(run, "cuvee-sheet");
            thread.setDaemon(true);
            return thread;
        });
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
        int page = (int) (row / PAGE_ROWS);
        Map<Integer, List<String>> lines = pages.get(page);
        if (lines == null) {
            ask(page);
            return null;
        }
        List<String> cells = lines.get((int) row + 1);
        return cells == null || column >= cells.size() ? "" : cells.get(column);
    }

    private void ask(int page) {
        if (closed || !asked.add(page)) {
            return;
        }
        reading.execute(() -> {
            Map<Integer, List<String>> lines = new HashMap<>();
            reader.page(sheet.staged(), page * PAGE_ROWS + 1, (page + 1) * PAGE_ROWS)
                    .forEach(line -> lines.put(line.row(), line.cells()));
            ui.execute(() -> {
                asked.remove(page);
                if (!closed) {
                    pages.put(page, lines);
                    listener.run();
                }
            });
        });
    }

    @Override
    public void onArrival(Runnable newListener) {
        listener = newListener;
    }

    @Override
    public void close() {
        closed = true;
        reading.execute(reader::close);
        reading.shutdown();
    }
}
