package cuvee.model;

import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.LineUp;
import cuvee.master.SheetReader;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The board of Line up: layouts down, the columns of the master across. A cell says how the layout spells the header that
 * feeds the column, and under it how that was told; a layout that is opened shows its tables, each with its first values.
 */
public final class BoardGrid implements GridModel {
    /** The columns before those of the master: the layout, and how many tables and rows it has. */
    public static final int BEFORE = 2;

    private static final String SAME = "=";
    private static final String ABSENT = "absent";
    private static final String ASSUMED = "assumed";
    private static final double NAME_WIDTH = 190;
    private static final double MOST_NAME_WIDTH = 340;
    /** A layout with more folders or files than these is called by the first. */
    private static final int MOST_NAMED = 3;
    /** Where the first record of a table is looked for. */
    private static final int MOST_LOOKED_AT = 60;

    /** Which columns the board shows. */
    public enum Filter {
        ALL("all columns"),
        TO_SEE("columns that need a look"),
        DIFFERENT("not spelled the same everywhere"),
        ABSENT("absent somewhere"),
        ASSUMED("assumed");

        private final String words;

        Filter(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * How a layout feeds a column.
     *
     * @param text the header as it is spelled, {@code =} where it is the column's name
     * @param how how that was told; empty where there is nothing to say
     */
    private record Cell(String text, String how, Tone tone, Optional<Question> question) {
        static Cell quiet(String text) {
            return new Cell(text, "", Tone.QUIET, Optional.empty());
        }
    }

    /**
     * A line of the board.
     *
     * @param table the table, where it is one of an opened layout
     */
    public record Line(Layout layout, Optional<PlacedTable> table) {}

    /**
     * A header on the board.
     *
     * @param key its loose key
     * @param own true where it would be called so by itself
     */
    public record Header(String key, String header, boolean own, List<String> samples) {
        public Header {
            samples = List.copyOf(samples);
        }
    }

    private final Outcome outcome;
    private final List<Integer> shown;
    private final List<Line> lines = new ArrayList<>();
    private final Map<String, List<Cell>> cells = new HashMap<>();
    private final Map<Integer, List<String>> firsts;
    private final double nameWidth;

    /**
     * @param shown the columns that are shown, by their position
     * @param open the signatures of the layouts that are opened
     * @param firsts the cells of the first record of tables, by table, as far as they are known
     * @param roomy true where there is room for the whole names of layouts
     */
    public BoardGrid(
            Outcome outcome, List<Integer> shown, Set<String> open, Map<Integer, List<String>> firsts, boolean roomy) {
        this.outcome = outcome;
        this.shown = List.copyOf(shown);
        this.firsts = Map.copyOf(firsts);
        for (Layout layout : outcome.proposal().layouts()) {
            lines.add(new Line(layout, Optional.empty()));
            cells.put(
                    layout.signature(),
                    shown.stream().map(column -> cell(outcome, layout, column)).toList());
            if (open.contains(layout.signature())) {
                layout.tables().forEach(table -> lines.add(new Line(layout, Optional.of(table))));
            }
        }
        int longest = outcome.proposal().layouts().stream()
                .mapToInt(layout -> layoutName(layout).length())
                .max()
                .orElse(0);
        this.nameWidth = roomy ? Math.max(NAME_WIDTH, Math.min(MOST_NAME_WIDTH, longest * 7.4 + 22)) : NAME_WIDTH;
    }

    public Line line(long row) {
        return lines.get((int) row);
    }

    /** The line at which a question about a header stands, and its column; empty where it stands nowhere on the board. */
    public Optional<int[]> placeOf(Question question) {
        for (int row = 0; row < lines.size(); row++) {
            for (int column = 0; column < shown.size() && lines.get(row).table().isEmpty(); column++) {
                Cell cell = cellAt(row, column + BEFORE);
                if (cell.question().filter(question::equals).isPresent()) {
                    return Optional.of(new int[] {row, column + BEFORE});
                }
            }
        }
        return Questions.column(outcome, question)
                .flatMap(name -> IntStream.range(0, shown.size())
                        .filter(at -> reportAt(at + BEFORE).name().equals(name))
                        .mapToObj(at -> new int[] {0, at + BEFORE})
                        .findFirst());
    }

    /** The open question at a cell, or at the head of its column. */
    public Optional<Question> question(long row, int column) {
        if (column < BEFORE) {
            return Optional.empty();
        }
        Optional<Question> own = line(row).table().isPresent()
                ? Optional.empty()
                : cellAt(row, column).question();
        return own.isPresent() ? own : headQuestion(column);
    }

    private Optional<Question> headQuestion(int column) {
        String name = reportAt(column).name();
        return outcome.questions().stream()
                .filter(question -> !question.kind().equals(LineUp.KIND))
                .filter(question ->
                        Questions.column(outcome, question).filter(name::equals).isPresent())
                .findFirst();
    }

    private Cell cellAt(long row, int column) {
        return cells.getOrDefault(line(row).layout().signature(), List.of()).get(column - BEFORE);
    }

    private Proposal.ColumnReport reportAt(int column) {
        return outcome.proposal().columns().get(shown.get(column - BEFORE));
    }

    // ---- the grid ----

    @Override
    public long rows() {
        return lines.size();
    }

    @Override
    public int columns() {
        return shown.size() + BEFORE;
    }

    @Override
    public int pinned() {
        return BEFORE;
    }

    @Override
    public boolean isTall(long row) {
        return line(row).table().isEmpty();
    }

    @Override
    public String title(int column) {
        return column == 0
                ? "Layout"
                : column == 1 ? "Tables" : reportAt(column).name();
    }

    @Override
    public String subtitle(int column) {
        if (column < BEFORE) {
            return column == 0 ? "Enter opens its tables" : "rows";
        }
        Proposal.ColumnReport report = reportAt(column);
        return report.typeWords() + ", " + MasterGrid.fullness(report.filled(), outcome.rowsBefore());
    }

    @Override
    public double width(int column) {
        return column == 0
                ? nameWidth
                : column == 1
                        ? 62
                        : Math.max(
                                126,
                                Math.max(
                                        title(column).length() * 7.8 + 26,
                                        subtitle(column).length() * 6.4 + 20));
    }

    @Override
    public boolean numeric(int column) {
        return column == 1;
    }

    @Override
    public String text(long row, int column) {
        Line line = line(row);
        if (line.table().isPresent()) {
            PlacedTable table = line.table().get();
            return column == 0
                    ? "   " + tableName(table)
                    : column == 1 ? Says.number(table.table().kept()) : first(line.layout(), table, column);
        }
        return column == 0
                ? layoutName(line.layout())
                : column == 1
                        ? Says.number(line.layout().tables().size())
                        : cellAt(row, column).text();
    }

    @Override
    public String second(long row, int column) {
        Layout layout = line(row).layout();
        return column == 0
                ? String.join(", ", layout.headers())
                : column == 1 ? Says.number(layout.rows()) : cellAt(row, column).how();
    }

    @Override
    public Tone tone(long row, int column) {
        if (line(row).table().isPresent()) {
            return column < BEFORE ? Tone.QUIET : Tone.PLAIN;
        }
        return column < BEFORE ? Tone.PLAIN : cellAt(row, column).tone();
    }

    @Override
    public Mark mark(long row, int column) {
        return column >= BEFORE
                        && line(row).table().isEmpty()
                        && cellAt(row, column).question().isPresent()
                ? Mark.QUESTION
                : Mark.NONE;
    }

    @Override
    public Mark headMark(int column) {
        return column >= BEFORE && headQuestion(column).isPresent() ? Mark.QUESTION : Mark.NONE;
    }

    @Override
    public String hint(long row, int column) {
        if (column < BEFORE) {
            return "";
        }
        return header(outcome, line(row).layout(), reportAt(column).name())
                .filter(header -> !header.samples().isEmpty())
                .map(header -> header.header() + ": "
                        + Says.list(header.samples().stream().map(Says::quoted).toList()))
                .orElse("");
    }

    @Override
    public String trail(long row, int column) {
        Line line = line(row);
        String of = line.table().map(BoardGrid::tableName).orElseGet(() -> text(row, 0));
        if (column < BEFORE) {
            return of + ": " + Says.list(line.layout().headers());
        }
        Optional<Header> header =
                header(outcome, line.layout(), reportAt(column).name());
        if (header.isEmpty()) {
            return of + ": no header feeds " + reportAt(column).name();
        }
        String how = line.table().isPresent() ? "" : cellAt(row, column).how();
        String values = hint(row, column);
        return of + ": " + Says.quoted(header.get().header()) + " feeds "
                + reportAt(column).name() + (how.isEmpty() ? "" : ", " + how)
                + (values.isEmpty()
                        ? ""
                        : "; " + values.substring(header.get().header().length() + 2));
    }

    @Override
    public String rowLabel(long row) {
        return "";
    }

    /** How many tables have a header, besides those of a line of the board. */
    public static long tablesWith(Outcome outcome, String key, Line line) {
        return outcome.proposal().layouts().stream()
                .filter(layout -> layout.keys().contains(key))
                .flatMap(layout -> layout.tables().stream())
                .filter(table -> line.table()
                        .map(own -> !own.equals(table))
                        .orElse(!line.layout().tables().contains(table)))
                .count();
    }

    /** A header by which a column is fed elsewhere, and which a layout lacks. */
    public static Optional<String> headerOf(Outcome outcome, String column, Layout lacking) {
        return outcome.proposal().layouts().stream()
                .flatMap(layout -> header(outcome, layout, column).stream())
                .filter(header -> !lacking.keys().contains(header.key()))
                .map(Header::header)
                .findFirst();
    }

    // ---- tables of a layout ----

    private static String tableName(PlacedTable table) {
        String file = table.source().substring(table.source().lastIndexOf('/') + 1);
        return file + (table.sheet().isEmpty() ? "" : ", " + table.sheet());
    }

    private String first(Layout layout, PlacedTable table, int column) {
        List<String> record = firsts.get(table.id());
        String name = reportAt(column).name();
        for (int at = 0; at < layout.keys().size() && record != null; at++) {
            if (name.equals(outcome.proposal().lineUp().get(layout.keys().get(at)))) {
                return at < record.size() ? record.get(at) : "";
            }
        }
        return "";
    }

    /**
     * The first record of each table of a layout as it is written, column by column of the layout; read from the store, so
     * not to be asked on the interface thread.
     */
    public static Map<Integer, List<String>> firstRecords(JobSession session, Outcome outcome, Layout layout) {
        Map<Integer, SheetReader.Staged> staged = new HashMap<>();
        outcome.sheets().forEach(sheet -> staged.put(sheet.staged().id(), sheet.staged()));
        Map<Integer, List<String>> firsts = new HashMap<>();
        try (SheetReader reader = session.sheetReader()) {
            for (PlacedTable table : layout.tables()) {
                SheetReader.Staged sheet = staged.get(table.staged());
                if (sheet != null) {
                    firsts.put(table.id(), firstRecord(reader, sheet, table));
                }
            }
        }
        return firsts;
    }

    private static List<String> firstRecord(SheetReader reader, SheetReader.Staged sheet, PlacedTable table) {
        List<SheetReader.Line> read = firstLines(reader, sheet, table);
        Optional<SheetReader.Line> record = records(read, table).stream().findFirst();
        List<String> values = new ArrayList<>();
        for (LaidColumn column : table.columns()) {
            int own = column.origin().row();
            Optional<SheetReader.Line> line = own == 0
                    ? record
                    : read.stream().filter(each -> each.row() == own).findFirst();
            int cell = column.origin().column(0).orElse(-1);
            values.add(line.map(SheetReader.Line::cells)
                    .filter(cells -> cell >= 0 && cell < cells.size())
                    .map(cells -> cells.get(cell))
                    .orElse(""));
        }
        return values;
    }

    private static List<SheetReader.Line> firstLines(SheetReader reader, SheetReader.Staged sheet, PlacedTable table) {
        int first = table.table().firstRow();
        return reader.page(sheet, first, first + MOST_LOOKED_AT);
    }

    private static List<SheetReader.Line> records(List<SheetReader.Line> lines, PlacedTable table) {
        Brackets brackets = new Brackets(List.of(table.table()));
        return lines.stream()
                .filter(line -> brackets.word(line.row()).equals(Brackets.RECORDS))
                .toList();
    }

    /** Some values of a column of a table as they are written, each once; read from the store. */
    static List<String> someValues(
            SheetReader reader, SheetReader.Staged sheet, PlacedTable table, LaidColumn column, int most) {
        int cell = column.origin().column(0).orElse(-1);
        return records(firstLines(reader, sheet, table), table).stream()
                .map(SheetReader.Line::cells)
                .filter(cells ->
                        cell >= 0 && cell < cells.size() && !cells.get(cell).isBlank())
                .map(cells -> cells.get(cell).strip())
                .distinct()
                .limit(most)
                .toList();
    }

    // ---- what a cell says ----

    /** The columns of the master that the board shows under a filter, by their position. */
    public static List<Integer> columns(Outcome outcome, Filter filter) {
        List<Integer> shown = new ArrayList<>();
        Proposal proposal = outcome.proposal();
        for (int at = 0; at < proposal.columns().size(); at++) {
            int column = at;
            String name = proposal.columns().get(at).name();
            boolean asked = outcome.questions().stream()
                    .anyMatch(question -> Questions.column(outcome, question)
                            .filter(name::equals)
                            .isPresent());
            boolean wanted = filter == Filter.ALL
                    || filter == Filter.TO_SEE && asked
                    || proposal.hasCells(at)
                            && !proposal.isTag(name)
                            && proposal.layouts().stream()
                                    .map(layout -> cell(outcome, layout, column))
                                    .anyMatch(cell -> matches(cell, filter));
            if (wanted) {
                shown.add(at);
            }
        }
        return shown;
    }

    private static boolean matches(Cell cell, Filter filter) {
        boolean absent = cell.tone() == Tone.ABSENT;
        return switch (filter) {
            case ALL -> true;
            case DIFFERENT -> !absent && !cell.text().equals(SAME);
            case ABSENT -> absent;
            case ASSUMED, TO_SEE -> cell.question().isPresent();
        };
    }

    private static Cell cell(Outcome outcome, Layout layout, int column) {
        Proposal proposal = outcome.proposal();
        String name = proposal.columns().get(column).name();
        if (proposal.isMade(column)) {
            return Cell.quiet("made");
        }
        if (!proposal.hasCells(column)) {
            return Cell.quiet("currency");
        }
        for (int at = 0; at < layout.keys().size(); at++) {
            String key = layout.keys().get(at);
            if (name.equals(proposal.lineUp().get(key))) {
                return fed(outcome, key, layout.headers().get(at), name);
            }
        }
        return proposal.isTag(name) ? Cell.quiet("tag") : new Cell(ABSENT, "", Tone.ABSENT, Optional.empty());
    }

    private static Cell fed(Outcome outcome, String key, String header, String name) {
        Optional<Question> question = outcome.questions().stream()
                .filter(each ->
                        each.kind().equals(LineUp.KIND) && each.subject().equals(key))
                .findFirst();
        if (question.isPresent()) {
            return new Cell(header, ASSUMED, Tone.PLAIN, question);
        }
        if (header.equals(name)) {
            return Cell.quiet(SAME);
        }
        if (outcome.job().isSettled(LineUp.KIND, key)) {
            return new Cell(header, "you decided", Tone.PLAIN, Optional.empty());
        }
        return LooseText.key(name).equals(key)
                ? Cell.quiet(header)
                : new Cell(header, told(outcome, key), Tone.PLAIN, Optional.empty());
    }

    /** How a header that is spelled otherwise came to its column, in two words of the reason that is kept in the job. */
    private static String told(Outcome outcome, String key) {
        String reason = outcome.job().assumed().stream()
                .filter(decision -> decision.kind().equals(LineUp.KIND)
                        && decision.subject().equals(key))
                .map(Decision::reason)
                .findFirst()
                .orElse("");
        for (Map.Entry<String, String> words : SHORT.entrySet()) {
            if (reason.contains(words.getKey())) {
                return words.getValue();
            }
        }
        return "similar";
    }

    private static final Map<String, String> SHORT = shortWords();

    private static Map<String, String> shortWords() {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("header book", "from your book");
        words.put("but for its unit", "other unit");
        words.put("the same words", "same words");
        words.put("first letters", "first letters");
        words.put("holds the same values", "same values");
        words.put("the same values", "same values");
        words.put("like in words", "like in words");
        words.put("is like", "means the same");
        words.put("stands where", "same place");
        words.put("says part of", "says part of it");
        words.put("one says part", "says part of it");
        words.put("values of one kind", "same kind");
        return words;
    }

    /** A layout as the people of its folders call it. */
    public static String layoutName(Layout layout) {
        Set<String> folders = new LinkedHashSet<>();
        layout.tables().forEach(table -> {
            int slash = table.source().indexOf('/');
            folders.add(slash < 0 ? table.source() : table.source().substring(0, slash));
        });
        List<String> names = List.copyOf(folders);
        return names.size() <= MOST_NAMED
                ? Says.list(names)
                : names.get(0) + " and " + Says.number(names.size() - 1) + " more";
    }

    /** The header that feeds a column in a layout, with some of its values. */
    public static Optional<Header> header(Outcome outcome, Layout layout, String name) {
        for (int i = 0; i < layout.keys().size(); i++) {
            String key = layout.keys().get(i);
            if (name.equals(outcome.proposal().lineUp().get(key))) {
                Set<String> samples = new LinkedHashSet<>();
                for (var table : layout.tables()) {
                    var evidence = table.columns().get(i).evidence();
                    samples.addAll(evidence.oddities().keySet());
                    samples.addAll(evidence.someDates());
                }
                return Optional.of(new Header(
                        key,
                        layout.headers().get(i),
                        LooseText.key(name).equals(key),
                        samples.stream().limit(5).toList()));
            }
        }
        return Optional.empty();
    }
}
