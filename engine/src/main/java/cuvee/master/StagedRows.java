package cuvee.master;

import cuvee.layout.Origin;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/** Rows as they were staged, a few at a time: for looking at them, not for making the master. */
public final class StagedRows {
    private final DuckDBConnection connection;
    /** Of its own for single rows, which are asked for while the store is at work. */
    private @Nullable DuckDBConnection looking;

    StagedRows(DuckDBConnection connection) {
        this.connection = connection;
    }

    void close() {
        if (looking != null) {
            Sql.run("closing", looking::close);
        }
    }

    private synchronized DuckDBConnection looking() throws SQLException {
        if (looking == null) {
            looking = connection.duplicate();
        }
        return looking;
    }

    /** The number of the row at or above another that holds a value in a column; the row itself where none does. */
    public synchronized int filled(int table, int width, int row, Origin.Cell column, int firstRow) {
        return Sql.ask("reading a row", () -> {
            String cell = "c" + column.index();
            String standsForAbove =
                    column.carrying() == Origin.Carrying.MARKS ? Readings.isDitto(cell) : Readings.isBlank(cell);
            try (Statement statement = looking().createStatement();
                    ResultSet found =
                            statement.executeQuery("SELECT max(row) FROM " + Staging.of(width) + " WHERE tbl = "
                                    + table + " AND row BETWEEN " + firstRow + " AND " + row + " AND NOT "
                                    + standsForAbove)) {
                found.next();
                int filled = found.getInt(1);
                return filled == 0 ? row : filled;
            }
        });
    }

    /** A row as it was staged: cells with the marks of their kinds, null where there is none. */
    public synchronized List<@Nullable String> row(int table, int width, int row) {
        return Sql.ask("reading a row", () -> {
            try (Statement statement = looking().createStatement();
                    ResultSet found = statement.executeQuery(
                            "SELECT * FROM " + Staging.of(width) + " WHERE tbl = " + table + " AND row = " + row)) {
                return found.next() ? cells(found, width) : new ArrayList<>();
            }
        });
    }

    /**
     * Where the records of a table stand among staged rows.
     *
     * @param table its number
     * @param staged the number of its sheet
     * @param hasAside true where some rows between the first and the last are set aside
     */
    public record Stretch(int table, int staged, int width, int firstRow, int lastRow, boolean hasAside) {
        private boolean isShort(int most) {
            return lastRow - firstRow < most * 4L;
        }
    }

    /**
     * The first records of tables as they were staged, by the tables' numbers; rows that are set aside are left out.
     *
     * @param most so many of each
     */
    public Map<Integer, List<List<@Nullable String>>> firstRecords(List<Stretch> tables, int most) {
        // Short tables are read together, since each statement costs more than their rows.
        Map<List<Object>, List<Stretch>> together = new LinkedHashMap<>();
        tables.forEach(each -> together.computeIfAbsent(
                        each.isShort(most) ? List.of(each.width(), each.hasAside()) : List.of(each),
                        any -> new ArrayList<>())
                .add(each));
        Map<Integer, List<List<@Nullable String>>> records = new HashMap<>();
        tables.forEach(each -> records.put(each.table(), new ArrayList<>()));
        together.values().forEach(group -> Sql.run("reading rows", () -> firstRecords(group, most, records)));
        return records;
    }

    private void firstRecords(List<Stretch> group, int most, Map<Integer, List<List<@Nullable String>>> records)
            throws SQLException {
        Stretch first = group.get(0);
        String stretches = group.stream()
                .map(each -> "(" + each.table() + ", " + each.staged() + ", " + each.firstRow() + ", " + each.lastRow()
                        + ")")
                .collect(Collectors.joining(", "));
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("SELECT s.*, p.part FROM " + Staging.of(first.width())
                        + " s JOIN (VALUES " + stretches + ") p(part, staged, first, last)"
                        + " ON s.tbl = p.staged AND s.row BETWEEN p.first AND p.last"
                        + (first.hasAside()
                                ? " AND NOT EXISTS (FROM aside a WHERE a.tbl = p.part AND a.row = s.row)"
                                : "")
                        + " ORDER BY p.part, s.row" + (group.size() == 1 ? " LIMIT " + most : ""))) {
            while (rows.next()) {
                List<List<@Nullable String>> of = records.get(rows.getInt(first.width() + 3));
                if (of != null && of.size() < most) {
                    of.add(cells(rows, first.width()));
                }
            }
        }
    }

    private static List<@Nullable String> cells(ResultSet row, int width) throws SQLException {
        List<@Nullable String> cells = new ArrayList<>(width);
        for (int i = 0; i < width; i++) {
            cells.add(row.getString(i + 3));
        }
        return cells;
    }

    /** The different texts in a column of a sheet between two rows, at most so many; numbers and blanks left out. */
    public List<String> values(int sheet, int width, int column, int firstRow, int lastRow, int most) {
        return Sql.ask("reading values", () -> {
            List<String> values = new ArrayList<>();
            String cell = "c" + column;
            try (Statement statement = connection.createStatement();
                    ResultSet found = statement.executeQuery("SELECT DISTINCT " + cell + " FROM " + Staging.of(width)
                            + " WHERE tbl = " + sheet + " AND row BETWEEN " + firstRow + " AND " + lastRow + " AND NOT "
                            + Readings.isBlank(cell) + " LIMIT " + most)) {
                while (found.next()) {
                    values.add(found.getString(1));
                }
            }
            return values;
        });
    }
}
