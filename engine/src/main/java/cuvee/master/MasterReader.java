package cuvee.master;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/**
 * Reads the master in its order: source, sheet, table, row. Values come as canonical text: plain shortest decimals, ISO
 * dates, {@code true} and {@code false}; null where there is none. Whoever opens it closes it.
 */
public final class MasterReader implements AutoCloseable {
    private static final int CHUNK_ROWS = 200_000;

    private final DuckDBConnection connection;
    private final MasterPlan plan;
    private final MasterFigures figures;
    private final String columns;
    /** The store's table that is read. */
    private final String master;
    /** Where a row came from. */
    private final String line;

    private final long[] starts;
    private final Map<Integer, MasterPart> parts;
    /** How many rows of each table no rule sets aside; empty where there are no rules. */
    private final Map<Integer, Long> kept;

    private final Map<Integer, Turned> turned = new HashMap<>();

    /** What else holds of the rows that are written; empty for all rows. */
    private final String only;

    MasterReader(DuckDBConnection connection, MasterPlan plan) {
        this(connection, plan, "");
    }

    /** @param only what holds of the rows that are written, in SQL; empty for all */
    MasterReader(DuckDBConnection connection, MasterPlan plan, String only) {
        this.only = only.isEmpty() ? "" : " AND " + only;
        this.connection = connection;
        this.plan = plan;
        this.figures = new MasterFigures(connection, plan);
        this.columns = MasterText.columnList(plan);
        this.master = plan.isShaped() ? "shown" : "master";
        this.line = plan.isShaped() ? "from_tbl, from_row, from_turned" : "tbl, row, turned";
        this.starts = new long[plan.tables().size() + 1];
        this.parts = plan.isShaped() ? Map.of() : Sql.ask("reading what is there", () -> MasterPart.in(connection));
        this.kept = plan.rules().isEmpty() ? Map.of() : countByTable(" WHERE aside = 0");
        for (int i = 0; i < plan.tables().size(); i++) {
            starts[i + 1] = starts[i] + rows(plan.tables().get(i));
        }
    }

    DuckDBConnection connection() {
        return connection;
    }

    /** How many rows of the master a table came to. */
    private long rows(MasterPlan.Table table) {
        if (!plan.rules().isEmpty()) {
            return kept.getOrDefault(table.id(), 0L);
        }
        MasterPart part = parts.get(table.id());
        return table.turned() > 0 && part != null ? part.made() : table.kept();
    }

    /** Receives rows one after the other; the array is reused. */
    public interface Receiver {
        void row(@Nullable String[] values);
    }

    public long rows() {
        return starts[starts.length - 1];
    }

    /** Rows of the master from a position on, at most so many. */
    public List<MasterLine> page(long from, int count) {
        return Sql.ask("reading rows", () -> {
            List<MasterLine> lines = new ArrayList<>(count);
            int at = tableAt(from);
            long position = from;
            while (lines.size() < count && at < plan.tables().size()) {
                long skip = position - starts[at];
                int before = lines.size();
                readPage(at, skip, count - before, lines);
                position += lines.size() - before;
                at++;
            }
            return lines;
        });
    }

    /** How many rows of the master come from a source. */
    public long rowsOf(String source) {
        if (plan.isShaped()) {
            return Sql.ask("counting", () -> {
                try (Statement statement = connection.createStatement();
                        ResultSet row = statement.executeQuery("SELECT count(*)" + ofSource(source))) {
                    row.next();
                    return row.getLong(1);
                }
            });
        }
        return Arrays.stream(tablesOf(source))
                .mapToLong(at -> starts[at + 1] - starts[at])
                .sum();
    }

    /** Rows that come from a source, in the order of the master: from a position among them on, at most so many. */
    public List<MasterLine> pageOf(String source, long from, int count) {
        if (plan.isShaped()) {
            return Sql.ask("reading rows", () -> {
                List<MasterLine> lines = new ArrayList<>();
                try (Statement statement = connection.createStatement();
                        ResultSet rows = statement.executeQuery("SELECT " + line + columns + ofSource(source)
                                + " ORDER BY row LIMIT " + count + " OFFSET " + from)) {
                    while (rows.next()) {
                        lines.add(line(rows));
                    }
                }
                return lines;
            });
        }
        int[] tables = tablesOf(source);
        return tables.length == 0
                ? List.of()
                : page(starts[tables[0]] + from, (int) Math.min(count, rowsOf(source) - from));
    }

    /** The rows of a shaped master that come from a source; rows that were gathered come from none. */
    private String ofSource(String source) {
        for (int i = 0; i < plan.tags().size(); i++) {
            if (plan.tags().get(i).kind() == MasterPlan.TagKind.SOURCE_FILE) {
                return " FROM shown WHERE t" + i + " = " + Sql.literal(source);
            }
        }
        return " FROM shown WHERE false";
    }

    /** The positions of a source's tables, which stand one behind the other. */
    private int[] tablesOf(String source) {
        return IntStream.range(0, plan.tables().size())
                .filter(at -> plan.tables().get(at).source().equals(source))
                .toArray();
    }

    /** The first rows of one table, at most so many. */
    public List<MasterLine> firstOf(int table, int count) {
        return Sql.ask("reading rows", () -> {
            List<MasterLine> lines = new ArrayList<>();
            for (int at = 0; at < plan.tables().size(); at++) {
                if (plan.tables().get(at).id() == table) {
                    readPage(at, 0, (int) Math.min(count, rows(plan.tables().get(at))), lines);
                }
            }
            return lines;
        });
    }

    private int tableAt(long position) {
        int low = 0;
        int high = plan.tables().size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (starts[middle + 1] <= position) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private void readPage(int at, long skip, int count, List<MasterLine> lines) throws SQLException {
        int most = lines.size() + count;
        MasterPlan.Table table = plan.tables().get(at);
        if (rows(table) == 0) {
            return;
        }
        Span span = span(table, skip, count);
        String sql =
                "SELECT " + line + columns + " FROM " + master + " WHERE " + span.where() + " ORDER BY row, turned";
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            long before = span.before();
            while (rows.next() && lines.size() < most) {
                if (before-- > 0) {
                    continue;
                }
                lines.add(line(rows));
            }
        }
    }

    /**
     * The sheet's rows that hold a stretch of a table's rows in the master.
     *
     * @param before how many rows of the master come from the first of them before the stretch begins
     */
    private record Span(int table, int firstRow, int lastRow, long before) {
        String where() {
            return "tbl = " + table + " AND row BETWEEN " + firstRow + " AND " + lastRow + " AND aside = 0";
        }
    }

    private Span span(MasterPlan.Table table, long skip, long count) {
        if (table.turned() == 0 && plan.rules().isEmpty()) {
            int last = table.rowAt(Math.min(skip + count, table.kept()) - 1);
            return new Span(table.id(), table.rowAt(skip), last, 0);
        }
        return turned.computeIfAbsent(table.id(), id -> Turned.read(connection, id))
                .span(table.id(), skip, count);
    }

    /** The records of a table that came to several rows each or to none: their row numbers, and the rows before each. */
    private static final class Turned {
        private final int[] rows;
        private final long[] before;

        private Turned(int[] rows, long[] before) {
            this.rows = rows;
            this.before = before;
        }

        static Turned read(DuckDBConnection connection, int table) {
            return Sql.ask("reading rows", () -> {
                int[] numbers = new int[1024];
                long[] before = new long[numbers.length + 1];
                int found = 0;
                try (Statement statement = connection.createStatement();
                        ResultSet rows = statement.executeQuery("SELECT row, count(*) FROM master WHERE tbl = " + table
                                + " AND aside = 0 GROUP BY row ORDER BY row")) {
                    while (rows.next()) {
                        if (found == numbers.length) {
                            numbers = Arrays.copyOf(numbers, found * 2);
                            before = Arrays.copyOf(before, found * 2 + 1);
                        }
                        numbers[found] = rows.getInt(1);
                        before[found + 1] = before[found] + rows.getLong(2);
                        found++;
                    }
                }
                numbers = Arrays.copyOf(numbers, found);
                before = Arrays.copyOf(before, found + 1);
                return new Turned(numbers, before);
            });
        }

        Span span(int table, long skip, long count) {
            int first = at(skip);
            int last = at(Math.min(skip + count, before[rows.length]) - 1);
            return new Span(table, rows[first], rows[last], skip - before[first]);
        }

        private int at(long position) {
            int found = Arrays.binarySearch(before, position);
            return found >= 0 ? found : -found - 2;
        }
    }

    /** Hands over every row in the order of the master. */
    public void each(Receiver receiver) {
        Sql.run("reading the master", () -> {
            @Nullable String[] values = new String[width()];
            for (Slice slice : slices()) {
                String sql = "SELECT m.tbl, m.row, m.turned" + columns + slice.from();
                try (Statement statement = connection.createStatement();
                        ResultSet rows = statement.executeQuery(sql)) {
                    while (rows.next()) {
                        for (int i = 0; i < values.length; i++) {
                            values[i] = value(rows, i);
                        }
                        receiver.row(values);
                    }
                }
            }
        });
    }

    /**
     * A stretch of the master small enough to be sorted in memory.
     *
     * @param from the end of a select that gives its rows in order
     */
    private record Slice(String from) {}

    /** The whole master as slices, in order: many small tables together, large ones in pieces. */
    private List<Slice> slices() {
        List<Slice> slices = new ArrayList<>();
        int from = 0;
        while (from < plan.tables().size()) {
            int to = from + 1;
            while (to < plan.tables().size() && starts[to + 1] - starts[from] <= CHUNK_ROWS) {
                to++;
            }
            if (to == from + 1) {
                addPieces(plan.tables().get(from), slices);
            } else {
                slices.add(new Slice(" FROM master m JOIN part p ON m.tbl = p.tbl WHERE p.ord >= " + from
                        + " AND p.ord < " + to + " AND m.aside = 0" + only + " ORDER BY p.ord, m.row, m.turned"));
            }
            from = to;
        }
        return slices;
    }

    private void addPieces(MasterPlan.Table table, List<Slice> slices) {
        long records = Math.max(1, CHUNK_ROWS / Math.max(1, table.turned()));
        for (long skip = 0; skip < table.kept(); skip += records) {
            int firstRow = table.rowAt(skip);
            int lastRow = table.rowAt(Math.min(skip + records, table.kept()) - 1);
            slices.add(new Slice(" FROM " + master + " m WHERE m.tbl = " + table.id() + " AND m.row BETWEEN " + firstRow
                    + " AND " + lastRow + " AND m.aside = 0" + only + " ORDER BY m.row, m.turned"));
        }
    }

    /**
     * Writes the rows as RFC 4180 has them, each ended by CRLF, behind what the stream holds already. The store composes
     * whole lines itself, since a call for each cell costs far more than the writing (docs/decisions.md).
     *
     * @param scratch a file for the store to write to; it is deleted
     */
    public void writeCsvRows(OutputStream out, Path scratch) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int i = 0; i < width(); i++) {
            line.append(i == 0 ? "" : " || ',' || ").append(MasterText.csvCell(plan, i));
        }
        for (Slice slice : slices()) {
            Sql.run("writing CSV", () -> {
                try (Statement statement = connection.createStatement()) {
                    statement.execute("COPY (SELECT " + line + " || chr(13)" + slice.from() + ") TO "
                            + Sql.literal(scratch.toString())
                            + " (FORMAT CSV, HEADER false, QUOTE '', ESCAPE '', DELIMITER "
                            + "'\u0007')");
                }
            });
            Files.copy(scratch, out);
            Files.delete(scratch);
        }
    }

    private int width() {
        return plan.columns().size() + plan.tags().size();
    }

    private @Nullable String value(ResultSet rows, int column) throws SQLException {
        return rows.getString(column + 4);
    }

    /** Counts and sums over the whole master, for the reconciliation. */
    public List<ColumnTotal> totals() {
        return Sql.ask("adding up", () -> {
            StringBuilder sql = new StringBuilder("SELECT count(*)");
            for (int i = 0; i < plan.columns().size(); i++) {
                sql.append(", count(m").append(i).append(")");
                sql.append(plan.addsUp(i) ? ", CAST(sum(m" + i + ") AS VARCHAR)" : ", NULL");
            }
            List<ColumnTotal> totals = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(sql + " FROM " + master + " WHERE aside = 0")) {
                row.next();
                for (int i = 0; i < plan.columns().size(); i++) {
                    String sum = row.getString(3 + i * 2);
                    totals.add(new ColumnTotal(
                            plan.columns().get(i).name(),
                            row.getLong(2 + i * 2),
                            sum == null ? null : MasterText.shortest(sum)));
                }
            }
            return totals;
        });
    }

    /** What the columns of the master come to, table by table and all in all. */
    public MasterFigures figures() {
        return figures;
    }

    /** Numbers that stand out beside the others. */
    public StandingOut standingOut() {
        return new StandingOut(connection);
    }

    /** Which rows stand in several tables. */
    public SameRows sameRows() {
        return new SameRows(connection, plan, this::rowsByTable);
    }

    /** What became of each table's records, by table number. */
    public Map<Integer, MasterPart> parts() {
        return parts;
    }

    /** How many rows each table has in the master, by table number. */
    public Map<Integer, Long> rowsByTable() {
        return countByTable("");
    }

    /** How many rows each rule sets aside, by its position among the rules and by table number. */
    public List<Map<Integer, Long>> setAside() {
        List<Map<Integer, Long>> byRule = new ArrayList<>();
        for (int rule = 1; rule <= plan.rules().size(); rule++) {
            byRule.add(countByTable(" WHERE aside = " + rule));
        }
        return byRule;
    }

    private MasterLine line(ResultSet rows) throws SQLException {
        return MasterLine.read(rows, width());
    }

    private Map<Integer, Long> countByTable(String where) {
        return Sql.ask("counting", () -> {
            Map<Integer, Long> rowsByTable = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows =
                            statement.executeQuery("SELECT tbl, count(*) FROM master" + where + " GROUP BY tbl")) {
                while (rows.next()) {
                    rowsByTable.put(rows.getInt(1), rows.getLong(2));
                }
            }
            return rowsByTable;
        });
    }

    /** Writes the master as Parquet, at the store's own speed. */
    public void writeParquet(Path file) {
        Sql.run("writing Parquet", () -> {
            StringBuilder select = new StringBuilder("SELECT ");
            for (int i = 0; i < plan.columns().size(); i++) {
                select.append("m")
                        .append(i)
                        .append(" AS ")
                        .append(Sql.name(plan.columns().get(i).name()))
                        .append(", ");
            }
            for (int i = 0; i < plan.tags().size(); i++) {
                select.append("t")
                        .append(i)
                        .append(" AS ")
                        .append(Sql.name(plan.tags().get(i).name()))
                        .append(", ");
            }
            select.setLength(select.length() - 2);
            try (Statement statement = connection.createStatement()) {
                statement.execute("COPY (" + select
                        + (plan.isShaped()
                                ? " FROM shown m WHERE true" + only + " ORDER BY m.row"
                                : " FROM master m JOIN part p ON m.tbl = p.tbl WHERE m.aside = 0" + only
                                        + " ORDER BY p.ord, m.row," + " m.turned")
                        + ") TO "
                        + Sql.literal(file.toString())
                        + " (FORMAT PARQUET, KV_METADATA {'Cuvee master': 'written by Cuvee'})");
            }
        });
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }
}
