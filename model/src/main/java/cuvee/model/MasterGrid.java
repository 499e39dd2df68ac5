package cuvee.model;

import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RowRule;
import cuvee.place.Says;
import cuvee.refresh.Board;
import cuvee.refresh.JobSession;
import cuvee.refresh.Outcome;
import cuvee.refresh.Proposal;
import cuvee.rework.Phrase;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import org.jspecify.annotations.Nullable;

/**
 * The master as a grid: pages are read on a thread of their own and kept while they are near; the rest is never in
 * memory. Used on the interface thread. Whoever makes it closes it.
 */
public final class MasterGrid implements GridModel, AutoCloseable {
    private static final int MOST_VALUES = 12;
    private final Outcome outcome;
    private final long rows;
    private final Pages<List<MasterReader.Line>> pages;

    /** All rows of the master. */
    public MasterGrid(JobSession session, Outcome outcome, Executor ui) {
        this.outcome = outcome;
        this.rows = outcome.rows();
        MasterReader reader = session.reader(outcome);
        this.pages = new Pages<>("cuvee-pages", page -> reader.page(page * Pages.ROWS, Pages.ROWS), reader::close, ui);
    }

    /** The rows that come from one source. */
    public MasterGrid(JobSession session, Outcome outcome, Executor ui, String source) {
        this.outcome = outcome;
        MasterReader reader = session.reader(outcome);
        this.rows = reader.rowsOf(source);
        this.pages = new Pages<>(
                "cuvee-pages", page -> reader.pageOf(source, page * Pages.ROWS, Pages.ROWS), reader::close, ui);
    }

    @Override
    public long rows() {
        return rows;
    }

    @Override
    public int columns() {
        return outcome.plan().columns().size() + outcome.plan().tags().size();
    }

    @Override
    public String title(int column) {
        MasterPlan plan = outcome.plan();
        return column < plan.columns().size()
                ? plan.columns().get(column).name()
                : plan.tags().get(column - plan.columns().size()).name();
    }

    @Override
    public String subtitle(int column) {
        List<Proposal.ColumnReport> reports = outcome.columns();
        if (column >= reports.size()) {
            return "tag";
        }
        Proposal.ColumnReport report = reports.get(column);
        return report.typeWords() + ", " + fullness(report.filled(), outcome.rows())
                + (report.misfits() > 0 ? ", " + Says.number(report.misfits()) + " do not fit" : "");
    }

    /** How full a column is, in words. */
    static String fullness(long filled, long rows) {
        if (rows == 0 || filled == 0) {
            return "empty";
        }
        if (filled >= rows) {
            return "full";
        }
        long percent = Math.min(99, Math.max(1, Math.round(100.0 * filled / rows)));
        return percent + " % filled";
    }

    @Override
    public double width(int column) {
        double byType = switch (type(column)) {
            case TEXT -> column >= outcome.columns().size() ? 210 : 160;
            case DATE_AND_TIME -> 160;
            case DATE -> 110;
            default -> 120;
        };
        return Math.max(
                byType, Math.max(title(column).length(), subtitle(column).length() * 0.88) * 7.4 + 24);
    }

    private Type type(int column) {
        List<Proposal.ColumnReport> reports = outcome.columns();
        return column < reports.size() ? reports.get(column).type() : Type.TEXT;
    }

    @Override
    public boolean numeric(int column) {
        return type(column).isNumber();
    }

    @Override
    public @Nullable String text(long row, int column) {
        Optional<MasterReader.Line> line = line(row);
        if (line.isEmpty()) {
            return null;
        }
        String value = line.get().values().get(column);
        return value == null ? "" : shownAs(value, type(column));
    }

    /** A value as people read it: numbers grouped, percents as such. */
    public static String shownAs(String value, Type type) {
        return switch (type) {
            case WHOLE_NUMBER, DECIMAL -> grouped(new BigDecimal(value));
            case MONEY ->
                grouped(new BigDecimal(value)
                        .setScale(Math.max(2, new BigDecimal(value).scale()), java.math.RoundingMode.UNNECESSARY));
            case PERCENT -> grouped(new BigDecimal(value).movePointRight(2).stripTrailingZeros()) + " %";
            case DATE_AND_TIME -> value.replace('T', ' ');
            case YES_NO -> value.equals("true") ? "yes" : "no";
            default -> value;
        };
    }

    /** A plain decimal with its thousands set apart. */
    public static String groupedNumber(String plain) {
        return grouped(new BigDecimal(plain));
    }

    private static String grouped(BigDecimal number) {
        String plain = number.toPlainString();
        int start = plain.startsWith("-") ? 1 : 0;
        int end = plain.indexOf('.') < 0 ? plain.length() : plain.indexOf('.');
        StringBuilder text = new StringBuilder(plain);
        for (int i = end - 3; i > start; i -= 3) {
            text.insert(i, ',');
        }
        return text.toString();
    }

    @Override
    public Tone tone(long row, int column) {
        return column >= outcome.columns().size() ? Tone.QUIET : Tone.PLAIN;
    }

    /**
     * What can be asked of rows by what is selected: phrases that {@link cuvee.rework.Phrase} reads, of the values of some
     * rows in a column; empty where the values are still on their way or there are too many of them.
     */
    public List<String> phrases(long first, long last, int column) {
        if (!isBefore(column)) {
            return List.of();
        }
        Set<String> values = new LinkedHashSet<>();
        boolean blank = false;
        for (long row = first; row <= last && values.size() <= MOST_VALUES; row++) {
            Optional<MasterReader.Line> line = line(row);
            if (line.isEmpty()) {
                return List.of();
            }
            String value = line.get().values().get(column);
            blank |= value == null || value.isBlank();
            if (value != null && !value.isBlank()) {
                values.add(type(column) == Type.YES_NO ? value.equals("true") ? "yes" : "no" : value.strip());
            }
        }
        List<String> phrases = new ArrayList<>();
        String name = title(column);
        if (!values.isEmpty() && values.size() <= MOST_VALUES) {
            List<String> asked = List.copyOf(values);
            phrases.add(Phrase.of(name, RowRule.Test.IS, asked).said());
            if (asked.size() == 1 && (type(column).isNumber() || type(column).isMoment())) {
                phrases.add(Phrase.of(name, RowRule.Test.OVER, asked).said());
                phrases.add(Phrase.of(name, RowRule.Test.UNDER, asked).said());
            }
        }
        if (blank) {
            phrases.add(Phrase.of(name, RowRule.Test.BLANK, List.of()).said());
        }
        return phrases;
    }

    /** The column of the master before it was shaped; below zero where a column comes from none. */
    public int before(int column) {
        return isBefore(column) ? outcome.before(column) : -1;
    }

    /** True for a column that the master has before it is shaped, too. */
    private boolean isBefore(int column) {
        int at = outcome.before(column);
        MasterPlan plan = outcome.proposal().plan();
        return at >= 0
                && title(column)
                        .equals(
                                at < plan.columns().size()
                                        ? plan.columns().get(at).name()
                                        : plan.tags()
                                                .get(at - plan.columns().size())
                                                .name());
    }

    /** True where columns are made of the values of others. */
    public boolean isGathered() {
        return outcome.proposal().plan().shaping().gathering().isPresent()
                && outcome.shaped().isPresent();
    }

    /**
     * What would become of the values of a column as columns that hold those of another: the columns that stay are those
     * that are no numbers.
     */
    public List<String> keysBeside(int label, int value) {
        List<String> keys = new ArrayList<>();
        for (int column = 0; column < outcome.columns().size(); column++) {
            boolean tag = outcome.proposal().isTag(title(column));
            if (column != label && column != value && !tag && !type(column).isNumber()) {
                keys.add(title(column));
            }
        }
        return keys;
    }

    /**
     * What a decision is about that carries values down to the blank cells below them, where a selected cell is blank and
     * stands in a column of its sheet.
     */
    public Optional<String> carriable(long row, int column) {
        int at = before(column);
        return line(row)
                .filter(line -> at >= 0 && !isGathered() && line.values().get(column) == null)
                .flatMap(line -> Board.carriable(outcome, line.table(), at));
    }

    /** True for a column of texts that cells feed. */
    public boolean isText(int column) {
        int at = before(column);
        return at >= 0
                && at < outcome.proposal().columns().size()
                && type(column) == Type.TEXT
                && outcome.proposal().hasCells(at);
    }

    /** Columns that could be made from some columns, going by what they hold in a row. */
    public List<MadeFrom> makings(long row, int first, int last) {
        List<MadeFrom.Selected> selected = new ArrayList<>();
        if (!isBefore(first) || !isBefore(last)) {
            return List.of();
        }
        Optional<MasterReader.Line> line = line(row);
        for (int column = first; column <= last; column++) {
            int at = column;
            String sample = line.map(found -> found.values().get(at)).orElse(null);
            selected.add(new MadeFrom.Selected(title(column), type(column), sample));
        }
        return MadeFrom.of(selected);
    }

    /** The row with where it came from, if it is there already; otherwise it is sent for. */
    public Optional<MasterReader.Line> line(long row) {
        return pages.holding(row)
                .filter(lines -> row % Pages.ROWS < lines.size())
                .map(lines -> lines.get((int) (row % Pages.ROWS)));
    }

    @Override
    public void onArrival(Runnable listener) {
        pages.onArrival(listener);
    }

    @Override
    public void close() {
        pages.close();
    }
}
