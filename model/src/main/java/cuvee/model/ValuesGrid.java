package cuvee.model;

import cuvee.master.ColumnFacts;
import cuvee.master.ValueList;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import cuvee.value.Spellings;
import cuvee.value.Spellings.Counted;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * The different values of a column of the master with how many rows hold each: those that do not fit its type first, then
 * the most frequent. They are counted on a thread of their own. Used on the interface thread; whoever makes it closes it.
 */
public final class ValuesGrid implements GridModel, AutoCloseable {
    private final JobSession session;
    private final Outcome outcome;
    private final int column;
    private final Executor ui;
    private final Beside worker;
    private @Nullable ValueList list;
    private @Nullable Pages<List<Counted>> pages;
    private List<Counted> misfits = List.of();
    private List<Counted> shownMisfits = List.of();
    private long size;
    private boolean closed;
    private Runnable arrival = () -> {};
    private Consumer<String> failed = why -> {};

    /**
     * What was found once all rows have been counted.
     *
     * @param misfits values that do not fit the column's type, as the sheets have them
     * @param alike values that look like one spelled in several ways
     */
    public record Found(ColumnFacts facts, List<Counted> misfits, List<Spellings.Group> alike) {
        public Found {
            misfits = List.copyOf(misfits);
            alike = List.copyOf(alike);
        }
    }

    public ValuesGrid(JobSession session, Outcome outcome, int column, Executor ui) {
        this.session = session;
        this.outcome = outcome;
        this.column = column;
        this.ui = ui;
        this.worker = new Beside("cuvee-values", ui, this::tell);
    }

    /**
     * Counts; told on the interface thread when that is done.
     *
     * @param newFailed told why it, or a search later on, could not be done
     */
    public void load(Consumer<Found> told, Consumer<String> newFailed) {
        failed = newFailed;
        worker.execute(() -> count(told));
    }

    private void tell(Message why) {
        failed.accept(why.text());
    }

    private void count(Consumer<Found> told) {
        ValueList counted = session.values(outcome, column);
        List<Counted> unfit =
                report().filter(it -> it.misfits() > 0).isPresent() ? session.misfitTexts(outcome, column) : List.of();
        Found found = new Found(counted.facts(), unfit, counted.nearlyAlike());
        ui.execute(() -> {
            if (closed) {
                counted.close();
                return;
            }
            list = counted;
            misfits = unfit;
            shownMisfits = unfit;
            show(counted, counted.size());
            told.accept(found);
        });
    }

    private void show(ValueList counted, long matching) {
        Pages<List<Counted>> before = pages;
        pages = new Pages<>("cuvee-value-pages", matching, page -> read(counted, page), () -> {}, ui);
        pages.onArrival(arrival);
        size = matching;
        if (before != null) {
            before.close();
        }
        arrival.run();
    }

    private static List<Counted> read(ValueList counted, long page) {
        synchronized (counted) {
            return counted.isClosed() ? List.of() : counted.page(page * Pages.ROWS, Pages.ROWS);
        }
    }

    /** Narrows the list down to values that contain a text. */
    public void search(String part) {
        ValueList counted = list;
        if (counted == null) {
            return;
        }
        worker.execute(() -> {
            long matching;
            synchronized (counted) {
                if (counted.isClosed()) {
                    return;
                }
                counted.search(part);
                matching = counted.size();
            }
            String lower = part.toLowerCase(Locale.ROOT);
            ui.execute(() -> {
                if (closed) {
                    return;
                }
                shownMisfits = misfits.stream()
                        .filter(value -> value.text().toLowerCase(Locale.ROOT).contains(lower))
                        .toList();
                show(counted, matching);
            });
        });
    }

    private Optional<Proposal.ColumnReport> report() {
        List<Proposal.ColumnReport> reports = outcome.proposal().columns();
        return column < reports.size() ? Optional.of(reports.get(column)) : Optional.empty();
    }

    /** The column's type; text for tags. */
    public Type type() {
        return report().map(Proposal.ColumnReport::type).orElse(Type.TEXT);
    }

    /** How yes and no are written in the column. */
    public YesNoWords words() {
        return MasterGrid.words(outcome, column);
    }

    /** The value in a row, if it is there already. */
    public Optional<Counted> value(long row) {
        if (row < shownMisfits.size()) {
            return row < 0 ? Optional.empty() : Optional.of(shownMisfits.get((int) row));
        }
        long at = row - shownMisfits.size();
        return pages == null
                ? Optional.empty()
                : pages.holding(at)
                        .filter(page -> at % Pages.ROWS < page.size())
                        .map(page -> page.get((int) (at % Pages.ROWS)));
    }

    /** True for a row whose value does not fit the column's type. */
    public boolean isMisfit(long row) {
        return row < shownMisfits.size();
    }

    /** The texts of some rows that can be written otherwise: all of a text column, else those that do not fit. */
    public List<Counted> writable(long first, long last) {
        List<Counted> texts = new ArrayList<>();
        for (long row = first; row <= last && row < rows(); row++) {
            if (type() == Type.TEXT || isMisfit(row)) {
                value(row).ifPresent(texts::add);
            }
        }
        return texts;
    }

    /** The values of some rows that the master holds, as a phrase about rows names them. */
    public List<String> values(long first, long last) {
        List<String> texts = new ArrayList<>();
        for (long row = first; row <= last && row < rows(); row++) {
            if (!isMisfit(row)) {
                value(row)
                        .map(Counted::text)
                        .map(text -> type() == Type.YES_NO ? MasterGrid.shownAs(text, type()) : text)
                        .ifPresent(texts::add);
            }
        }
        return texts;
    }

    @Override
    public long rows() {
        return shownMisfits.size() + size;
    }

    @Override
    public int columns() {
        return 2;
    }

    @Override
    public String title(int at) {
        return at == 0 ? "Value" : "Rows";
    }

    @Override
    public String subtitle(int at) {
        return "";
    }

    @Override
    public double width(int at) {
        return at == 0 ? 168 : 56;
    }

    @Override
    public boolean numeric(int at) {
        return at == 1;
    }

    @Override
    public @Nullable String text(long row, int at) {
        Optional<Counted> value = value(row);
        if (value.isEmpty()) {
            return null;
        }
        if (at == 1) {
            return Says.number(value.get().rows());
        }
        return isMisfit(row)
                ? value.get().text() + ", does not fit"
                : type() == Type.YES_NO
                        ? MasterGrid.words(outcome, column)
                                .spoken()
                                .of(value.get().text())
                        : MasterGrid.shownAs(value.get().text(), type());
    }

    @Override
    public Tone tone(long row, int at) {
        return isMisfit(row) ? Tone.MARKED : Tone.PLAIN;
    }

    @Override
    public String failure() {
        return pages == null ? "" : pages.failure();
    }

    @Override
    public void onArrival(Runnable listener) {
        arrival = listener;
        if (pages != null) {
            pages.onArrival(listener);
        }
    }

    @Override
    public void close() {
        closed = true;
        ValueList counted = list;
        if (pages != null) {
            pages.close();
        }
        if (counted != null) {
            worker.execute(() -> {
                synchronized (counted) {
                    counted.close();
                }
            });
        }
        worker.close();
    }
}
