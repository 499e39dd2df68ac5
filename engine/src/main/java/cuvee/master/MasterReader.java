package cuvee.master;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
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
    private final String columns;
    private final long[] starts;

    MasterReader(DuckDBConnection connection, MasterPlan plan) {
        this.connection = connection;
        this.plan = plan;
        this.columns = columnList(plan);
        this.starts = new long[plan.tables().size() + 1];
        for (int i = 0; i < plan.tables().size(); i++) {
            starts[i + 1] = starts[i] + plan.tables().get(i).kept();
        }
    }

    /** A row of the master with where it came from. */
    public record Line(int table, int row, List<@Nullable String> values) {}

    /** Receives rows one after the other; the array is reused. */
    public interface Receiver {
        void row(@Nullable String[] values);
    }

    public long rows() {
        return starts[starts.length - 1];
    }

    /** Rows of the master from a position on, at most so many. */
    public List<Line> page(long from, int count) {
        return Sql.ask("reading rows", () -> {
            List<Line> lines = new ArrayList<>(count);
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

    private void readPage(int at, long skip, int count, List<Line> lines) throws SQLException {
        MasterPlan.Table table = plan.tables().get(at);
        if (table.kept() == 0) {
            return;
        }
        int firstRow = table.rowAt(skip);
        int lastRow = table.rowAt(Math.min(skip + count, table.kept()) - 1);
        String sql = "SELECT tbl, row" + columns + " FROM master WHERE tbl = " + table.id() + " AND row BETWEEN " + firstRow
                + " AND " + lastRow + " ORDER BY row";
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                List<@Nullable String> values = new ArrayList<>(width());
                for (int i = 0; i < width(); i++) {
                    values.add(value(rows, i));
                }
                lines.add(new Line(rows.getInt(1), rows.getInt(2), values));
            }
        }
    }

    /** Hands over every row in the order of the master. */
    public void each(Receiver receiver) {
        Sql.run("reading the master", () -> {
            @Nullable String[] values = new String[width()];
            int from = 0;
            while (from < plan.tables().size()) {
                int to = from + 1;
                while (to < plan.tables().size() && starts[to + 1] - starts[from] <= CHUNK_ROWS) {
                    to++;
                }
                if (to == from + 1) {
                    eachOfTable(plan.tables().get(from), receiver, values);
                } else {
                    eachOfTables(from, to, receiver, values);
                }
                from = to;
            }
        });
    }

    private void eachOfTables(int from, int to, Receiver receiver, @Nullable String[] values) throws SQLException {
        stream(
                "SELECT m.tbl, m.row" + columns + " FROM master m JOIN part p ON m.tbl = p.tbl AND m.row BETWEEN p.first AND p.last WHERE p.ord >= " + from
                        + " AND p.ord < " + to + " ORDER BY p.ord, m.row",
                receiver,
                values);
    }

    private void eachOfTable(MasterPlan.Table table, Receiver receiver, @Nullable String[] values) throws SQLException {
        for (long skip = 0; skip < table.kept(); skip += CHUNK_ROWS) {
            int firstRow = table.rowAt(skip);
            int lastRow = table.rowAt(Math.min(skip + CHUNK_ROWS, table.kept()) - 1);
            stream(
                    "SELECT m.tbl, m.row" + columns + " FROM master m WHERE tbl = " + table.id() + " AND row BETWEEN "
                            + firstRow + " AND " + lastRow + " ORDER BY row",
                    receiver,
                    values);
        }
    }

    private void stream(String sql, Receiver receiver, @Nullable String[] values) throws SQLException {
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

    private int width() {
        return plan.columns().size() + plan.tags().size();
    }

    private @Nullable String value(ResultSet rows, int column) throws SQLException {
        String text = rows.getString(column + 3);
        if (text == null || column >= plan.columns().size()) {
            return text;
        }
        return switch (plan.columns().get(column).type()) {
            case DECIMAL, MONEY, PERCENT -> shortest(text);
            default -> text;
        };
    }

    private static String shortest(String decimal) {
        if (decimal.indexOf('.') < 0) {
            return decimal;
        }
        int end = decimal.length();
        while (decimal.charAt(end - 1) == '0') {
            end--;
        }
        if (decimal.charAt(end - 1) == '.') {
            end--;
        }
        String shortest = decimal.substring(0, end);
        return shortest.equals("-0") ? "0" : shortest;
    }

    private static String columnList(MasterPlan plan) {
        StringBuilder list = new StringBuilder();
        for (int i = 0; i < plan.columns().size(); i++) {
            String column = "m" + i;
            list.append(", ")
                    .append(
                            switch (plan.columns().get(i).type()) {
                                case TEXT -> column;
                                case DATE_AND_TIME -> "replace(CAST(" + column + " AS VARCHAR), ' ', 'T')";
                                default -> "CAST(" + column + " AS VARCHAR)";
                            });
        }
        for (int i = 0; i < plan.tags().size(); i++) {
            list.append(", t").append(i);
        }
        return list.toString();
    }

    /** Counts and sums over the whole master, for the reconciliation. */
    public List<Total> totals() {
        return Sql.ask("adding up", () -> {
            StringBuilder sql = new StringBuilder("SELECT count(*)");
            for (int i = 0; i < plan.columns().size(); i++) {
                sql.append(", count(m").append(i).append(")");
                sql.append(plan.columns().get(i).type().isNumber() ? ", CAST(sum(m" + i + ") AS VARCHAR)" : ", NULL");
            }
            List<Total> totals = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(sql + " FROM master")) {
                row.next();
                for (int i = 0; i < plan.columns().size(); i++) {
                    String sum = row.getString(3 + i * 2);
                    totals.add(new Total(
                            plan.columns().get(i).name(), row.getLong(2 + i * 2), sum == null ? null : shortest(sum)));
                }
            }
            return totals;
        });
    }

    /** How many rows of a column hold a value, and their exact sum where it is a number. */
    public record Total(String column, long filled, @Nullable String sum) {}

    /** How many rows each table has in the master, by table number. */
    public java.util.Map<Integer, Long> rowsByTable() {
        return Sql.ask("counting", () -> {
            java.util.Map<Integer, Long> rowsByTable = new java.util.HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT tbl, count(*) FROM master GROUP BY tbl")) {
                while (rows.next()) {
                    rowsByTable.put(rows.getInt(1), rows.getLong(2));
                }
            }
            return rowsByTable;
        });
    }

    /** Writes the master as Parquet, at the store's own speed. */
    public void writeParquet(java.nio.file.Path file) {
        Sql.run("writing Parquet", () -> {
            StringBuilder select = new StringBuilder("SELECT ");
            for (int i = 0; i < plan.columns().size(); i++) {
                select.append("m").append(i).append(" AS ").append(Sql.name(plan.columns().get(i).name())).append(", ");
            }
            for (int i = 0; i < plan.tags().size(); i++) {
                select.append("t").append(i).append(" AS ").append(Sql.name(plan.tags().get(i).name())).append(", ");
            }
            select.setLength(select.length() - 2);
            try (Statement statement = connection.createStatement()) {
                statement.execute("COPY (" + select + " FROM master m JOIN part p ON m.tbl = p.tbl AND m.row BETWEEN p.first AND p.last ORDER BY p.ord, m.row) TO "
                        + Sql.literal(file.toString()) + " (FORMAT PARQUET)");
            }
        });
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }
}
