package cuvee.model;

import cuvee.change.Board;
import cuvee.master.ColumnTotal;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RowRule;
import cuvee.master.RowView;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.refresh.JobSession;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.rework.Phrase;
import cuvee.tell.Outcome;
import cuvee.tell.Verdict;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;

/**
 * The master as a grid: pages are read on a thread of their own and kept while they are near; the rest is never in
 * memory. Used on the interface thread. Whoever makes it closes it.
 */
public final class MasterGrid implements GridModel, AutoCloseable {
    private static final int MOST_VALUES = 12;
    private static final int MOST_DECIMALS = 6;
    /** More values of a page than these are not looked up in their sheets. */
    private static final int MOST_MISFITS = 200;

    private final Outcome outcome;
    private final long rows;
    private final Pages<Page> pages;
    /** How many decimals the values of a column that were seen so far have; shown for all of them. */
    private final int[] decimals;

    /** For each table of the master and each of its columns, whether the table feeds it. */
    private final Map<Integer, boolean[]> fed = new HashMap<>();

    private final boolean closes;
    /** What stands in the last line; none where there is no such line. */
    private final List<ColumnTotal> totals;

    private final RowLook look;

    /**
     * Some rows, and the texts of their cells that do not fit their column.
     *
     * @param misfits by the row's place on the page and the column
     */
    private record Page(List<MasterLine> lines, Map<Cell, String> misfits) {}

    private record Cell(int line, int column) {}

    /** All rows of the master. */
    public MasterGrid(JobSession session, Outcome outcome, Executor ui) {
        this(
                session,
                outcome,
                ui,
                new Shown(outcome.rows(), outcome.totals(), Verdict.closes(outcome) && !outcome.failed(), RowLook.ALL),
                session.reader(outcome),
                (reader, page) -> reader.page(page * Pages.ROWS, Pages.ROWS));
    }

    /** The rows of a look; the grid closes the view. */
    public MasterGrid(JobSession session, Outcome outcome, Executor ui, RowLook look, RowView view) {
        this(
                session,
                outcome,
                ui,
                new Shown(view.rows(), view.totals(), false, look),
                view,
                (rows, page) -> rows.page(page * Pages.ROWS, Pages.ROWS));
    }

    /**
     * Which rows are shown.
     *
     * @param totals what stands in the last line; none where there is no such line
     * @param closes true where these figures are those of the reconciliation, and close
     */
    private record Shown(long rows, List<ColumnTotal> totals, boolean closes, RowLook look) {}

    /** Opens a look at the master; not to be called on the interface thread. */
    public static RowView view(JobSession session, Outcome outcome, RowLook look) {
        Asked asked =
                look.where().isBlank() ? new Asked(List.of(), "") : Asked.of(look.where(), Known.of(outcome.plan()));
        return session.view(outcome, asked.conditions(), look.orderOf(outcome.plan()));
    }

    private <S extends AutoCloseable> MasterGrid(
            JobSession session,
            Outcome outcome,
            Executor ui,
            Shown shown,
            S from,
            BiFunction<S, Long, List<MasterLine>> read) {
        this.outcome = outcome;
        this.rows = shown.rows();
        this.totals = shown.totals();
        this.closes = shown.closes();
        this.look = shown.look();
        this.decimals = firstDecimals(outcome);
        outcome.proposal().plan().tables().forEach(table -> {
            boolean[] feeds = new boolean[table.feeds().size()];
            for (int i = 0; i < feeds.length; i++) {
                feeds[i] = table.feeds().get(i) != null;
            }
            fed.put(table.id(), feeds);
        });
        this.pages = new Pages<>(
                "cuvee-pages",
                rows,
                page -> {
                    List<MasterLine> lines = read.apply(from, page);
                    return new Page(lines, misfits(session, lines));
                },
                () -> close(from),
                ui);
    }

    private static void close(AutoCloseable from) {
        try {
            from.close();
        } catch (Exception failed) {
            throw new IllegalStateException("closing what a grid reads from", failed);
        }
    }

    private static int[] firstDecimals(Outcome outcome) {
        int[] decimals = new int[outcome.totals().size()];
        for (int i = 0; i < decimals.length; i++) {
            String sum = outcome.totals().get(i).sum();
            decimals[i] = sum == null ? 0 : Math.min(MOST_DECIMALS, scale(sum));
        }
        return decimals;
    }

    private static int scale(String number) {
        int point = number.indexOf('.');
        return point < 0 ? 0 : number.length() - point - 1;
    }

    /** What the sheets hold where the master has nothing because it does not fit; not to be asked on the interface thread. */
    private Map<Cell, String> misfits(JobSession session, List<MasterLine> lines) {
        Map<Cell, String> misfits = new HashMap<>();
        int asked = 0;
        for (int column = 0; column < outcome.columns().size(); column++) {
            if (outcome.columns().get(column).misfits() == 0) {
                continue;
            }
            for (int at = 0; at < lines.size() && asked < MOST_MISFITS; at++) {
                MasterLine line = lines.get(at);
                if (line.values().get(column) == null && isFed(line, column)) {
                    asked++;
                    String raw = session.trail(outcome, line, column).raw();
                    if (!raw.isBlank()) {
                        misfits.put(new Cell(at, column), raw.strip());
                    }
                }
            }
        }
        return misfits;
    }

    private boolean isFed(MasterLine line, int column) {
        int before = outcome.before(column);
        boolean[] feeds = fed.get(line.table());
        return feeds == null || before < 0 || before >= feeds.length || feeds[before] || !isBefore(column);
    }

    /** The rows that come from one source. */
    public static MasterGrid ofSource(JobSession session, Outcome outcome, Executor ui, String source) {
        long rows;
        try (MasterReader reader = session.reader(outcome)) {
            rows = reader.rowsOf(source);
        }
        return new MasterGrid(
                session,
                outcome,
                ui,
                new Shown(rows, List.of(), false, RowLook.ALL),
                session.reader(outcome),
                (reader, page) -> reader.pageOf(source, page * Pages.ROWS, Pages.ROWS));
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
            return look.at(title(column)) >= 0 ? orderWords(column) : "tag";
        }
        Proposal.ColumnReport report = reports.get(column);
        if (look.at(title(column)) >= 0) {
            return orderWords(column);
        }
        return report.typeWords() + ", " + fullness(report.filled(), outcome.rows())
                + (report.misfits() > 0 ? ", " + Says.number(report.misfits()) + " do not fit" : "");
    }

    /** How rows are ordered by a column, in words; empty where they are not. */
    public String orderWords(int column) {
        int at = look.at(title(column));
        if (at < 0) {
            return "";
        }
        boolean greatest = look.order().get(at).greatestFirst();
        String words = type(column).isMoment()
                ? greatest ? "latest first" : "earliest first"
                : type(column) == Type.TEXT
                        ? greatest ? "Z to A" : "A to Z"
                        : type(column) == Type.YES_NO
                                ? greatest ? "yes first" : "no first"
                                : greatest ? "greatest first" : "least first";
        return look.order().size() > 1 ? (at + 1) + ": " + words : words;
    }

    /** The sum of the column by which the master is weighed over the rows shown, beside that of all where these are fewer. */
    public String sumBeside(Weighing weighing) {
        String currency = weighing.currency().isEmpty() ? "" : " " + weighing.currency();
        String sum = totals.stream()
                .filter(total -> total.column().equals(weighing.column()))
                .map(ColumnTotal::sum)
                .filter(Objects::nonNull)
                .map(here -> shownAs(here, Type.MONEY))
                .findFirst()
                .orElse("0");
        return (look.where().isBlank() ? weighing.sum() : sum + " of " + weighing.sum()) + currency;
    }

    /** True where the greatest values of a column are what one looks for first. */
    public boolean greatestFirst(int column) {
        return numeric(column);
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
            case TEXT -> column >= outcome.columns().size() ? 200 : 150;
            case DATE_AND_TIME -> 150;
            case DATE -> 96;
            case YES_NO -> 80;
            default -> 84;
        };
        double head =
                Math.max(title(column).length() * 7.4 + 24, subtitle(column).length() * 6.1 + 18);
        return Math.max(byType, Math.max(head, total(column).length() * 7.9 + 18));
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
        Optional<MasterLine> line = line(row);
        if (line.isEmpty()) {
            return null;
        }
        String value = line.get().values().get(column);
        if (value == null) {
            return misfit(row, column).orElse("");
        }
        return switch (type(column)) {
            case DECIMAL -> withDecimals(value, column);
            case YES_NO -> words(outcome, column).spoken().of(value);
            default -> shownAs(value, type(column));
        };
    }

    /** How yes and no are written in a column. */
    static YesNoWords words(Outcome outcome, int column) {
        List<MasterPlan.Column> columns = outcome.plan().columns();
        return column < columns.size() ? columns.get(column).words() : YesNoWords.TRUE_FALSE;
    }

    /** A number with as many decimals as any other of its column that was seen, so that they stand under each other. */
    private String withDecimals(String value, int column) {
        decimals[column] = Math.max(decimals[column], Math.min(MOST_DECIMALS, scale(value)));
        BigDecimal number = new BigDecimal(value);
        return grouped(number.scale() >= decimals[column] ? number : number.setScale(decimals[column]));
    }

    private Optional<String> misfit(long row, int column) {
        return pages.holding(row)
                .flatMap(page -> Optional.ofNullable(page.misfits().get(new Cell((int) (row % Pages.ROWS), column))));
    }

    /** The sum of a column, or how many rows there are under the first one. */
    @Override
    public String total(int column) {
        if (totals.isEmpty()) {
            return "";
        }
        if (column == 0 && !numeric(0)) {
            return Says.count(rows, "row");
        }
        if (column >= outcome.columns().size() || !numeric(column)) {
            return "";
        }
        String sum = totals.get(column).sum();
        return sum == null
                ? NOT_SUMMED
                : type(column) == Type.DECIMAL ? withDecimals(sum, column) : shownAs(sum, type(column));
    }

    /** Stands in the last line under numbers that mean nothing when they are added up. */
    public static final String NOT_SUMMED = "not summed";

    @Override
    public boolean isClosed(int column) {
        return closes && !total(column).isEmpty() && !total(column).equals(NOT_SUMMED);
    }

    /**
     * Figures of some cells of a column.
     *
     * @param sum what the numbers come to; empty where it is no column of numbers that add up
     */
    public record Figures(long filled, String sum, String average, String least, String greatest) {}

    /** The figures of the cells from a row to another; empty where some of them are not there yet. */
    public Optional<Figures> figures(long first, long last, int column) {
        List<BigDecimal> numbers = new ArrayList<>();
        long filled = 0;
        for (long row = first; row <= last; row++) {
            Optional<MasterLine> line = line(row);
            if (line.isEmpty()) {
                return Optional.empty();
            }
            String value = line.get().values().get(column);
            filled += value == null ? 0 : 1;
            if (value != null && numeric(column)) {
                numbers.add(new BigDecimal(value));
            }
        }
        if (numbers.isEmpty()) {
            return Optional.of(new Figures(filled, "", "", "", ""));
        }
        BigDecimal sum = numbers.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal average = sum.divide(BigDecimal.valueOf(numbers.size()), MathContext.DECIMAL64);
        int scale = Math.max(2, decimals[column]);
        return Optional.of(new Figures(
                filled,
                column < outcome.totals().size() && outcome.totals().get(column).sum() != null
                        ? shownAs(sum.toPlainString(), type(column))
                        : "",
                type(column) == Type.PERCENT
                        ? shownAs(average.setScale(4, RoundingMode.HALF_UP).toPlainString(), Type.PERCENT)
                        : grouped(average.setScale(scale, RoundingMode.HALF_UP)),
                shownAs(Collections.min(numbers).toPlainString(), type(column)),
                shownAs(Collections.max(numbers).toPlainString(), type(column))));
    }

    /** A value as people read it: numbers grouped, percents as such. */
    public static String shownAs(String value, Type type) {
        return switch (type) {
            case WHOLE_NUMBER, DECIMAL -> grouped(new BigDecimal(value));
            case MONEY ->
                grouped(new BigDecimal(value)
                        .setScale(Math.max(2, new BigDecimal(value).scale()), RoundingMode.UNNECESSARY));
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
        if (column >= outcome.columns().size()) {
            return Tone.QUIET;
        }
        Optional<MasterLine> line = line(row);
        if (line.isEmpty() || line.get().values().get(column) != null) {
            return Tone.PLAIN;
        }
        return !isFed(line.get(), column) ? Tone.ABSENT : misfit(row, column).isPresent() ? Tone.QUOTED : Tone.PLAIN;
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
            Optional<MasterLine> line = line(row);
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
    public List<MadeFrom> makings(long row, int... columns) {
        List<MadeFrom.Selected> selected = new ArrayList<>();
        if (!Arrays.stream(columns).allMatch(this::isBefore)) {
            return List.of();
        }
        Optional<MasterLine> line = line(row);
        for (int column : columns) {
            String sample = line.map(found -> found.values().get(column)).orElse(null);
            selected.add(new MadeFrom.Selected(title(column), type(column), sample));
        }
        return MadeFrom.of(selected);
    }

    /** The row with where it came from, if it is there already; otherwise it is sent for. */
    public Optional<MasterLine> line(long row) {
        return pages.holding(row)
                .map(Page::lines)
                .filter(lines -> row % Pages.ROWS < lines.size())
                .map(lines -> lines.get((int) (row % Pages.ROWS)));
    }

    @Override
    public String failure() {
        return pages.failure();
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
