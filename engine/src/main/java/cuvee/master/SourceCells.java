package cuvee.master;

import cuvee.place.Where;
import cuvee.sheet.CellKind;
import cuvee.value.Convention;
import cuvee.value.Meaning;
import cuvee.value.Spellings;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;

/** Staged cells that feed the master: how often texts stand in them, and those that do not fit their column's type. */
public final class SourceCells {
    private static final Set<Meaning> DATED = Set.of(Meaning.MONTHS, Meaning.DATES, Meaning.DIGITS_OF_DAYS);

    /** So many different texts of one table that do not fit are told apart. */
    private static final int MOST_TEXTS = 1000;

    private final DuckDBConnection connection;
    private final Registering registering;

    /** Makes the reading of values known to the store, where that has not been done. */
    interface Registering {
        void register() throws SQLException;
    }

    SourceCells(DuckDBConnection connection, Registering registering) {
        this.connection = connection;
        this.registering = registering;
    }

    /**
     * The numbers that cells hold under a convention; of names of months only how many there are.
     *
     * @param fits how many cells hold one
     * @param decimals the most digits behind the mark
     */
    public record Range(long fits, double least, double greatest, int decimals) {}

    /** The numbers that the cells of tables hold under a convention, by table; those without any are left out. */
    public Map<Integer, Range> ranges(Collection<Cells> cells, Convention convention) {
        return Sql.ask("looking at numbers", () -> {
            registering.register();
            Map<Integer, Range> ranges = new HashMap<>();
            Type type = DATED.contains(convention.meaning()) ? Type.DATE : Type.DECIMAL;
            try (Statement statement = connection.createStatement()) {
                for (List<Cells> group : alike(cells)) {
                    String read = Readings.FUNCTION + "(cell, " + Sql.literal(type.name()) + ", "
                            + Sql.literal(convention.code()) + ")";
                    try (ResultSet rows = statement.executeQuery(
                            "SELECT tbl, count(v), min(TRY_CAST(v AS DOUBLE)), max(TRY_CAST(v AS DOUBLE)),"
                                    + " max(length(string_split(v, '.')[2])) FROM (SELECT tbl, " + read + " AS v"
                                    + " FROM " + records(group) + ") WHERE v IS NOT NULL GROUP BY tbl")) {
                        while (rows.next()) {
                            ranges.put(
                                    rows.getInt(1),
                                    new Range(rows.getLong(2), rows.getDouble(3), rows.getDouble(4), rows.getInt(5)));
                        }
                    }
                }
            }
            return ranges;
        });
    }

    /** The median of the sizes of the numbers in the cells of tables, be they above or below zero, by table. */
    public Map<Integer, Double> typical(Collection<Cells> cells) {
        return Sql.ask("looking at sizes", () -> {
            registering.register();
            Map<Integer, Double> typical = new HashMap<>();
            try (Statement statement = connection.createStatement()) {
                for (List<Cells> group : alike(cells)) {
                    String read = Readings.FUNCTION + "(cell, " + Sql.literal(Type.DECIMAL.name()) + ", "
                            + Sql.literal(Convention.DEFAULT.code()) + ")";
                    try (ResultSet rows =
                            statement.executeQuery("SELECT tbl, median(abs(v)) FROM (SELECT tbl, TRY_CAST("
                                    + read + " AS DOUBLE) AS v FROM " + records(group)
                                    + ") WHERE v IS NOT NULL GROUP BY tbl")) {
                        while (rows.next()) {
                            typical.put(rows.getInt(1), rows.getDouble(2));
                        }
                    }
                }
            }
            return typical;
        });
    }

    /**
     * How long values are that are digits only.
     *
     * @param shortest the fewest digits that one has, in characters
     * @param longest the most
     * @param shortestZeroLed the fewest of one with a leading zero; 0 where there is none
     * @param longestZeroLed the most of one with a leading zero; 0 where there is none
     * @param example the first of the shortest
     */
    public record Digits(int shortest, int longest, int shortestZeroLed, int longestZeroLed, String example) {}

    /** How long those values are in the cells of tables, by table; those without any are left out. */
    public Map<Integer, Digits> digits(Collection<Cells> cells) {
        return Sql.ask("looking at digits", () -> {
            Map<Integer, Digits> digits = new HashMap<>();
            try (Statement statement = connection.createStatement()) {
                for (List<Cells> group : alike(cells)) {
                    try (ResultSet rows = statement.executeQuery("SELECT tbl, min(length(v)), max(length(v)),"
                            + " coalesce(min(length(v)) FILTER (v[1] = '0'), 0),"
                            + " coalesce(max(length(v)) FILTER (v[1] = '0'), 0), arg_min(v, (length(v), v))"
                            + " FROM (SELECT tbl, trim(" + Readings.raw("cell") + ") AS v FROM "
                            + records(group) + ") WHERE regexp_full_match(v, '[0-9]{2,}|[1-9]') GROUP BY tbl")) {
                        while (rows.next()) {
                            digits.put(
                                    rows.getInt(1),
                                    new Digits(
                                            rows.getInt(2),
                                            rows.getInt(3),
                                            rows.getInt(4),
                                            rows.getInt(5),
                                            rows.getString(6)));
                        }
                    }
                }
            }
            return digits;
        });
    }

    /** The exact sum of the cells of a table that feed a column, each read once more as the column reads it; what does not fit its type is left out. */
    public BigDecimal sum(MasterPlan plan, MasterPlan.Table table, int index) {
        MasterPlan.Feed fed = table.feeds().get(index);
        if (fed == null) {
            return BigDecimal.ZERO;
        }
        return Sql.ask("adding up once more", () -> {
            registering.register();
            BigDecimal sum = BigDecimal.ZERO;
            try (Statement statement = connection.createStatement()) {
                for (Cell cell : cells(table, fed, index)) {
                    String read = Readings.FUNCTION + "(s.c" + cell.column() + ", "
                            + Sql.literal(plan.columns().get(index).type().name()) + ", "
                            + Sql.literal(fed.convention().code()) + ")";
                    String rows = cell.row() > 0
                            ? "s.row = " + cell.row()
                            : "s.row BETWEEN " + table.firstRow() + " AND " + table.lastRow()
                                    + (table.hasAside()
                                            ? " AND NOT EXISTS (FROM aside a WHERE a.tbl = " + table.id()
                                                    + " AND a.row = s.row)"
                                            : "");
                    try (ResultSet added = statement.executeQuery("SELECT CAST(sum(TRY_CAST(" + read
                            + " AS DECIMAL(38," + plan.columns().get(index).scale() + "))) AS VARCHAR) FROM "
                            + Staging.of(table.width()) + " s WHERE s.tbl = " + table.staged() + " AND " + rows)) {
                        added.next();
                        String found = added.getString(1);
                        sum = found == null ? sum : sum.add(new BigDecimal(found));
                    }
                }
            }
            return fed.turned() ? sum.negate() : sum;
        });
    }

    /** Cells that one statement can look through. */
    private static Collection<List<Cells>> alike(Collection<Cells> cells) {
        Map<List<Object>, List<Cells>> groups = new LinkedHashMap<>();
        cells.forEach(each -> groups.computeIfAbsent(List.of(each.width(), each.hasAside()), key -> new ArrayList<>())
                .add(each));
        return groups.values();
    }

    /** The cell of a record that is looked at, which stands in another column of each table. */
    private static String cell(List<Cells> group) {
        SortedSet<Integer> columns = group.stream().map(Cells::column).collect(Collectors.toCollection(TreeSet::new));
        return columns.size() == 1
                ? "s.c" + columns.first()
                : columns.stream()
                        .map(column -> " WHEN " + column + " THEN s.c" + column)
                        .collect(Collectors.joining("", "CASE p.col", " END"));
    }

    /** The {@code cell} of each record of tables, with the number of its table as {@code tbl}. */
    private static String records(List<Cells> group) {
        Cells first = group.get(0);
        String tables = group.stream()
                .map(each -> "(" + each.table() + ", " + each.staged() + ", " + each.firstRow() + ", " + each.lastRow()
                        + ", " + each.column() + ")")
                .collect(Collectors.joining(", "));
        return "(SELECT p.tbl, " + cell(group) + " AS cell FROM " + Staging.of(first.width()) + " s JOIN (VALUES "
                + tables
                + ") p(tbl, staged, first, last, col) ON s.tbl = p.staged AND s.row BETWEEN p.first AND p.last"
                + (first.hasAside() ? " AND NOT EXISTS (FROM aside a WHERE a.tbl = p.tbl AND a.row = s.row)" : "")
                + ")";
    }

    /**
     * Cells of one table in which texts can be counted.
     *
     * @param column the sheet's column, from 0
     */
    public record Cells(int table, int staged, int width, int firstRow, int lastRow, boolean hasAside, int column) {}

    /**
     * How many records of tables hold each of some texts, as people see them; texts that none holds are left out.
     *
     * @param spelling how the texts of the column are spelled; a cell counts for what it says, else for what it is then
     */
    public Map<String, Long> count(Collection<Cells> cells, Collection<String> texts, MasterPlan.Spelling spelling) {
        String wanted = texts.stream().map(Sql::literal).collect(Collectors.joining(", "));
        return Sql.ask("counting values", () -> {
            Map<String, Long> counts = new LinkedHashMap<>();
            try (Statement statement = connection.createStatement()) {
                for (List<Cells> group : alike(cells)) {
                    String raw = Readings.raw("cell");
                    String said = spelling == MasterPlan.Spelling.AS_WRITTEN
                            ? raw
                            : "CASE WHEN " + raw + " IN (" + wanted + ") THEN " + raw + " ELSE " + spelling.of(raw)
                                    + " END";
                    try (ResultSet rows = statement.executeQuery("SELECT " + said + ", count(*) FROM " + records(group)
                            + " WHERE " + said + " IN (" + wanted + ") GROUP BY 1")) {
                        while (rows.next()) {
                            counts.merge(rows.getString(1), rows.getLong(2), Long::sum);
                        }
                    }
                }
            }
            return counts;
        });
    }

    /** Cells of some tables that feed a master column and hold one of some texts, the first in the order of the master. */
    public List<Misfit> holding(
            MasterPlan plan, int index, Collection<String> texts, Predicate<MasterPlan.Table> in, int most) {
        if (texts.isEmpty()) {
            return List.of();
        }
        String wanted = texts.stream().map(Sql::literal).collect(Collectors.joining(", "));
        return Sql.ask("looking for values", () -> {
            List<Misfit> cells = new ArrayList<>();
            try (Statement statement = connection.createStatement()) {
                for (MasterPlan.Table table : plan.tables()) {
                    MasterPlan.Feed fed = in.test(table) ? table.feeds().get(index) : null;
                    for (int turned = 0; fed != null && turned < Math.max(1, table.turned()); turned++) {
                        int column = fed.origin().column(turned).orElse(-1);
                        if (column < 0 || cells.size() >= most) {
                            break;
                        }
                        int own = fed.origin().row();
                        try (ResultSet rows = statement.executeQuery("SELECT s.row, s.c" + column + " FROM "
                                + Staging.of(table.width()) + " s WHERE s.tbl = " + table.staged()
                                + " AND s.row BETWEEN " + (own > 0 ? own : table.firstRow()) + " AND "
                                + (own > 0 ? own : table.lastRow()) + " AND "
                                + Readings.raw("s.c" + column) + " IN (" + wanted + ")"
                                + (table.hasAside() && own == 0
                                        ? " AND NOT EXISTS (FROM aside a WHERE a.tbl = " + table.id()
                                                + " AND a.row = s.row)"
                                        : "")
                                + " ORDER BY s.row LIMIT "
                                + (most - cells.size()))) {
                            while (rows.next()) {
                                cells.add(new Misfit(table, rows.getInt(1), column, rows.getString(2)));
                            }
                        }
                    }
                }
            }
            return cells;
        });
    }

    /** Values of a master column that could not be read as its type, the first of them in the order of the master. */
    public List<Misfit> misfits(MasterPlan plan, int index, int most) {
        return Sql.ask("listing values that do not fit", () -> {
            List<Misfit> misfits = new ArrayList<>();
            try (Statement statement = connection.createStatement()) {
                for (MasterPlan.Table table : plan.tables()) {
                    for (Cell cell : unfitting(plan, table, index)) {
                        if (misfits.size() < most) {
                            misfits(statement, table, cell, most, misfits);
                        }
                    }
                }
            }
            return misfits;
        });
    }

    /** The different texts that do not fit a column's type, with how many rows hold each, the most frequent first. */
    public List<Spellings.Counted> misfitTexts(MasterPlan plan, int index) {
        return Sql.ask("counting values that do not fit", () -> {
            Map<String, Long> counts = new HashMap<>();
            try (Statement statement = connection.createStatement()) {
                for (MasterPlan.Table table : plan.tables()) {
                    for (Cell cell : unfitting(plan, table, index)) {
                        try (ResultSet rows = statement.executeQuery("SELECT s.c" + cell.column() + ", count(*) AS n"
                                + unfit(table, cell) + " GROUP BY 1 ORDER BY n DESC LIMIT " + MOST_TEXTS)) {
                            while (rows.next()) {
                                counts.merge(CellKind.textOf(rows.getString(1)), rows.getLong(2), Long::sum);
                            }
                        }
                    }
                }
            }
            return counts.entrySet().stream()
                    .map(entry -> new Spellings.Counted(entry.getKey(), entry.getValue()))
                    .sorted(Comparator.comparingLong(Spellings.Counted::rows)
                            .reversed()
                            .thenComparing(Spellings.Counted::text))
                    .toList();
        });
    }

    /** How many values of a table did not fit a column's type, counted cell by cell. */
    public long unfit(MasterPlan plan, MasterPlan.Table table, int index) {
        MasterPlan.Feed fed = table.feeds().get(index);
        if (fed == null) {
            return 0;
        }
        return Sql.ask("counting values that do not fit", () -> {
            long unfit = 0;
            try (Statement statement = connection.createStatement()) {
                for (Cell cell : cells(table, fed, index)) {
                    try (ResultSet count = statement.executeQuery("SELECT count(*)" + unfit(table, cell))) {
                        count.next();
                        unfit += count.getLong(1);
                    }
                }
            }
            return unfit;
        });
    }

    /** The cells of a table that feed a column and may hold something that does not fit it. */
    private static List<Cell> unfitting(MasterPlan plan, MasterPlan.Table table, int index) {
        MasterPlan.Feed fed = table.feeds().get(index);
        boolean currency = plan.columns().get(index).part() == MasterPlan.Column.Part.CURRENCY;
        return fed == null
                        || currency
                        || mayAllFit(fed, plan.columns().get(index).type())
                ? List.of()
                : cells(table, fed, index);
    }

    private static List<Cell> cells(MasterPlan.Table table, MasterPlan.Feed fed, int index) {
        List<Cell> cells = new ArrayList<>();
        List<String> blanked = fed.replaced().entrySet().stream()
                .filter(entry -> entry.getValue().isEmpty())
                .map(Map.Entry::getKey)
                .toList();
        for (int turned = 0; turned < Math.max(1, table.turned()); turned++) {
            OptionalInt column = fed.origin().column(turned);
            int mark = table.turned() == 0 ? 0 : turned + 1;
            column.ifPresent(at -> cells.add(new Cell(fed.origin().row(), at, mark, "m" + index, blanked)));
        }
        return cells;
    }

    /** A cell of each record: the row where it is not that of the record, the sheet's column, which of the record's rows it went to, and the master's column. */
    private record Cell(int row, int column, int turned, String master, List<String> blanked) {}

    /** Texts that the job takes for nothing are blank on purpose. */
    private static String blanked(List<String> texts, String cell) {
        return texts.isEmpty()
                ? ""
                : " AND " + Readings.raw(cell) + " NOT IN ("
                        + texts.stream().map(Sql::literal).collect(Collectors.joining(", ")) + ")";
    }

    private static void misfits(Statement statement, MasterPlan.Table table, Cell cell, int most, List<Misfit> misfits)
            throws SQLException {
        try (ResultSet rows = statement.executeQuery("SELECT s.row, s.c" + cell.column() + unfit(table, cell)
                + " ORDER BY s.row LIMIT " + (most - misfits.size()))) {
            while (rows.next()) {
                misfits.add(new Misfit(table, rows.getInt(1), cell.column(), rows.getString(2)));
            }
        }
    }

    /** Staged cells {@code s} of a table's records that are filled while the master has nothing. */
    private static String unfit(MasterPlan.Table table, Cell cell) {
        String raw = "s.c" + cell.column();
        return " FROM " + Staging.of(table.width()) + " s JOIN master m ON m.tbl = " + table.id()
                + (cell.row() > 0 ? " AND s.row = " + cell.row() : " AND m.row = s.row") + " AND m.turned = "
                + cell.turned() + " WHERE s.tbl = " + table.staged() + " AND m."
                + cell.master() + " IS NULL AND NOT " + Readings.isBlank(raw) + blanked(cell.blanked(), raw)
                + corrected(table, cell);
    }

    /** Cells that the job corrects are read otherwise on purpose. */
    private static String corrected(MasterPlan.Table table, Cell cell) {
        String rows = table.corrected().stream()
                .filter(each -> each.column() == cell.column())
                .map(each -> String.valueOf(each.row()))
                .collect(Collectors.joining(", "));
        return rows.isEmpty() ? "" : " AND s.row NOT IN (" + rows + ")";
    }

    private static boolean mayAllFit(MasterPlan.Feed feed, Type type) {
        return cuvee.value.Typing.fit(feed.evidence(), type) >= feed.evidence().filled();
    }

    /** A cell of a source that is worth a look, such as one whose value did not fit: where it stands and what it says. */
    public record Misfit(MasterPlan.Table table, int row, int column, String staged) {
        public String text() {
            return CellKind.textOf(staged);
        }

        public Where where() {
            return Where.sheet(table.source(), table.sheet()).cell(row, column + 1);
        }
    }
}
