package cuvee.master;

import cuvee.value.Type;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;

/** Rows of the master, before it is shaped, that stand in several of its tables. */
public final class SameRows {
    private final DuckDBConnection connection;
    /** Smaller numbers count things rather than name them. */
    private static final int LEAST_KEY = 100;
    /** So many rows that one table has twice are slips. */
    private static final int MOST_TWICE_IN_ONE = 2;

    private final MasterPlan plan;
    private final Supplier<Map<Integer, Long>> rowsByTable;

    SameRows(DuckDBConnection connection, MasterPlan plan, Supplier<Map<Integer, Long>> rowsByTable) {
        this.connection = connection;
        this.plan = plan;
        this.rowsByTable = rowsByTable;
    }

    /** Two tables of the master, the one with the smaller number first. */
    public record Pair(int table, int other) {
        public static Pair of(int one, int two) {
            return new Pair(Math.min(one, two), Math.max(one, two));
        }
    }

    /**
     * The share of the keys of the smaller of two tables that the other has too, for each two of some tables that have any
     * in common: above 0, up to 1.
     *
     * @param columns the columns that make up a key
     */
    public Map<Pair, Double> overlaps(Collection<Integer> tables, List<Integer> columns) {
        return Sql.ask("comparing tables", () -> {
            String keys = columns.stream().map(i -> "m" + i).collect(Collectors.joining(", "));
            String same = columns.stream()
                    .map(i -> "a.m" + i + " IS NOT DISTINCT FROM b.m" + i)
                    .collect(Collectors.joining(" AND "));
            String ids = tables.stream().map(String::valueOf).collect(Collectors.joining(", "));
            String sql = "WITH k AS (SELECT DISTINCT tbl, " + keys + " FROM master WHERE tbl IN (" + ids
                    + ")), n AS (SELECT tbl, count(*) AS n FROM k GROUP BY tbl)"
                    + " SELECT c.one, c.two, c.shared / least(x.n, y.n) FROM (SELECT a.tbl AS one, b.tbl AS two, count(*)"
                    + " AS shared FROM k a JOIN k b ON a.tbl < b.tbl AND " + same + " GROUP BY a.tbl, b.tbl) c"
                    + " JOIN n x ON x.tbl = c.one JOIN n y ON y.tbl = c.two";
            Map<Pair, Double> shares = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(sql)) {
                while (rows.next()) {
                    shares.put(Pair.of(rows.getInt(1), rows.getInt(2)), rows.getDouble(3));
                }
            }
            return shares;
        });
    }

    /**
     * How the keys of two sets of tables meet.
     *
     * @param unique true where each row of either has a key of its own, without a blank, that looks like one: words with
     *     a digit, numbers of three digits
     */
    public record Meeting(long earlier, long later, long both, boolean unique) {}

    /** How the keys of earlier tables and of later ones meet. */
    public Meeting meeting(Collection<Integer> earlier, Collection<Integer> later, List<Integer> columns) {
        String one = keysOf(earlier, columns);
        String two = keysOf(later, columns);
        return Sql.ask("comparing tables", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("WITH a AS (" + one + "), b AS (" + two
                            + ") SELECT (SELECT count(DISTINCT h) FROM a), (SELECT count(DISTINCT h) FROM b), (SELECT"
                            + " count(DISTINCT a.h) FROM a SEMI JOIN b ON a.h = b.h), (SELECT count(*) = count(DISTINCT"
                            + " h) AND bool_and(filled) FROM a) AND (SELECT count(*) = count(DISTINCT h) AND"
                            + " bool_and(filled) FROM b)")) {
                row.next();
                return new Meeting(row.getLong(1), row.getLong(2), row.getLong(3), row.getBoolean(4));
            }
        });
    }

    private String keysOf(Collection<Integer> tables, List<Integer> columns) {
        String filled = columns.stream().map(i -> likeKey("m.m" + i, i)).collect(Collectors.joining(" AND "));
        return "SELECT " + key("m", columns) + " AS h, " + filled + " AS filled FROM master m WHERE tbl IN ("
                + tables.stream().map(String::valueOf).collect(Collectors.joining(", ")) + ")";
    }

    /** Names of things, and counts of few, may stand once in each file by chance; numbers of orders have some digits. */
    private String likeKey(String value, int column) {
        return switch (plan.columns().get(column).type()) {
            case TEXT -> "coalesce(regexp_matches(" + value + ", '[0-9]'), false)";
            case WHOLE_NUMBER -> "coalesce(" + value + " >= " + LEAST_KEY + ", false)";
            default -> value + " IS NOT NULL";
        };
    }

    /** Stands for the rows that any of some tables has. */
    public static final int ANY_TABLE = -1;

    /** A table that looks as if its rows stood in others too. */
    public record Repeats(int table, long rows) {}

    /**
     * Tables most of whose first rows stand in another table too.
     *
     * @param columns those by which rows are the same
     * @param sample how many rows of each table are looked at
     * @param share how many of those have to be found elsewhere
     */
    public List<Repeats> repeats(List<Integer> columns, int sample, double share) {
        String limits = plan.tables().stream()
                .map(table ->
                        "(" + table.id() + ", " + table.runs().rowAt(Math.max(0, sampled(table, sample) - 1)) + ")")
                .collect(Collectors.joining(", "));
        String sql = "WITH s AS (SELECT m.tbl, " + key("m", columns) + " AS h FROM master m JOIN (VALUES " + limits
                + ") p(tbl, last) ON m.tbl = p.tbl AND m.row <= p.last),"
                + " f AS (SELECT s.tbl, s.h FROM s SEMI JOIN (SELECT tbl, " + key("m", columns)
                + " AS h FROM master m) o ON o.h = s.h AND o.tbl <> s.tbl)"
                + " SELECT a.tbl FROM (SELECT tbl, count(*) AS n FROM s GROUP BY tbl) a JOIN (SELECT tbl, count(*) AS n"
                + " FROM f GROUP BY tbl) b ON a.tbl = b.tbl WHERE b.n >= a.n * " + share;
        return Sql.ask("comparing rows", () -> {
            List<Repeats> repeats = new ArrayList<>();
            Map<Integer, Long> rows = rowsByTable.get();
            try (Statement statement = connection.createStatement();
                    ResultSet found = statement.executeQuery(sql)) {
                while (found.next()) {
                    repeats.add(new Repeats(found.getInt(1), rows.getOrDefault(found.getInt(1), 0L)));
                }
            }
            return repeats;
        });
    }

    private static int sampled(MasterPlan.Table table, int most) {
        return Math.min(most, table.kept());
    }

    /** How many rows of a table stand in each of others too, and in {@link #ANY_TABLE} of them. */
    public Map<Integer, Long> shared(int table, Collection<Integer> others, List<Integer> columns) {
        String ids = others.stream().map(String::valueOf).collect(Collectors.joining(", "));
        String own = "SELECT row, turned, " + key("m", columns) + " AS h FROM master m WHERE tbl = " + table;
        String there = "SELECT DISTINCT tbl, " + key("m", columns) + " AS h FROM master m WHERE tbl IN (" + ids + ")";
        return Sql.ask("comparing rows", () -> {
            Map<Integer, Long> shared = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("WITH a AS (" + own + "), b AS (" + there
                            + ") SELECT b.tbl, count(*) FROM a JOIN b ON a.h = b.h GROUP BY b.tbl UNION ALL SELECT "
                            + ANY_TABLE + ", count(*) FROM a SEMI JOIN b ON a.h = b.h")) {
                while (rows.next()) {
                    shared.put(rows.getInt(1), rows.getLong(2));
                }
            }
            return shared;
        });
    }

    /**
     * Rows of a table.
     *
     * @param row the first of them, in its sheet
     * @param amount what they come to, about as exact as a double
     */
    public record Some(int table, int row, double amount) {}

    /**
     * Rows of two tables, or of one, that have the same keys.
     *
     * @param rows how many each side has
     * @param alike how many of them are the same in all else, too
     */
    public record Twice(Some one, Some other, long rows, long alike) {
        /** The same, the other side first. */
        public Twice turnedRound() {
            Some first = other;
            Some second = one;
            return new Twice(first, second, rows, alike);
        }
    }

    /**
     * The rows of tables whose keys stand in another table too, for each two of these. Nothing where a key stands in several rows of one table, or where more than a share of all keys stand in several tables.
     * A row or two that one table has twice, the same throughout, are no such keys but what is looked for.
     *
     * @param keys the columns that make up a key; a single one has to look like one
     * @param all the columns by which rows are the same throughout
     * @param amount the column to add up; below zero for none
     */
    public List<Twice> twice(List<Integer> keys, List<Integer> all, int amount, double share) {
        boolean turned = plan.tables().stream().anyMatch(table -> table.turned() > 0);
        String rows = rowsWithKeys(keys, all, amount, turned);
        return Sql.ask("looking for rows that stand twice", () -> {
            try (Statement statement = connection.createStatement()) {
                // Mostly none does, which is told by the bare keys.
                return !turned && allDiffer(statement, keys) || !areSlips(statement, rows, keys.size() == 1, share)
                        ? List.of()
                        : pairs(statement, rows);
            }
        });
    }

    private boolean allDiffer(Statement statement, List<Integer> keys) throws SQLException {
        String filled = keys.size() == 1 ? " AND m" + keys.get(0) + " IS NOT NULL" : "";
        try (ResultSet row = statement.executeQuery(
                "SELECT count(*) = count(DISTINCT " + key("m", keys) + ") FROM master m WHERE aside = 0" + filled)) {
            row.next();
            return row.getBoolean(1);
        }
    }

    /** Each row of a source once, with its key, a hash of all that it says and its amount. */
    private String rowsWithKeys(List<Integer> keys, List<Integer> all, int amount, boolean turned) {
        String each = turned ? "any_value(%s)" : "%s";
        String sum = turned ? "sum(%s)" : "%s";
        String filled = keys.size() == 1 ? " AND " + likeKey("m.m" + keys.get(0), keys.get(0)) : "";
        return "SELECT tbl, row, " + each.formatted(key("m", keys)) + " AS h, " + each.formatted(key("m", all))
                + " AS w, "
                + (amount < 0 ? "0.0" : "coalesce(CAST(" + sum.formatted("m.m" + amount) + " AS DOUBLE), 0.0)")
                + " AS v FROM master m WHERE aside = 0" + filled + (turned ? " GROUP BY tbl, row" : "");
    }

    /** True where a few keys stand in several rows, though hardly any in several of one table. */
    private static boolean areSlips(Statement statement, String rows, boolean single, double share)
            throws SQLException {
        try (ResultSet row = statement.executeQuery("SELECT count(*), count(DISTINCT h) FROM (" + rows + ")")) {
            row.next();
            long again = row.getLong(1) - row.getLong(2);
            if (again == 0 || again > share * row.getLong(2)) {
                return false;
            }
        }
        try (ResultSet row = statement.executeQuery("SELECT count(*), count(DISTINCT hash(tbl, h)), count(DISTINCT"
                + " hash(tbl, h, w)) FROM (" + rows + ")")) {
            row.next();
            boolean same = single && row.getLong(2) == row.getLong(3);
            return row.getLong(1) - row.getLong(2) <= (same ? MOST_TWICE_IN_ONE : 0);
        }
    }

    private static List<Twice> pairs(Statement statement, String rows) throws SQLException {
        List<Twice> twice = new ArrayList<>();
        try (ResultSet row =
                statement.executeQuery("WITH k AS (" + rows + "), d AS (SELECT * FROM k WHERE h IN (SELECT h"
                        + " FROM k GROUP BY h HAVING count(*) > 1)) SELECT a.tbl, b.tbl, count(*), count(*) FILTER (a.w = b.w),"
                        + " min(a.row), sum(a.v), min(b.row), sum(b.v) FROM d a JOIN d b ON a.h = b.h AND (a.tbl, a.row) < (b.tbl, b.row) GROUP BY"
                        + " a.tbl, b.tbl")) {
            while (row.next()) {
                twice.add(new Twice(
                        new Some(row.getInt(1), row.getInt(5), row.getDouble(6)),
                        new Some(row.getInt(2), row.getInt(7), row.getDouble(8)),
                        row.getLong(3),
                        row.getLong(4)));
            }
        }
        return twice;
    }

    /** The months that the rows of a table reach from and to. */
    public record Months(int table, YearMonth first, YearMonth last) {}

    /** From which month to which the rows of each table reach, by a column of dates; tables without any are left out. */
    public List<Months> months(int column) {
        String month = "strftime(%s(m" + column + "), '%%Y-%%m')";
        String sql = "SELECT tbl, " + month.formatted("min") + ", " + month.formatted("max") + " FROM master WHERE m"
                + column + " IS NOT NULL GROUP BY tbl ORDER BY tbl";
        return Sql.ask("comparing months", () -> {
            List<Months> months = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(sql)) {
                while (rows.next()) {
                    months.add(new Months(
                            rows.getInt(1), YearMonth.parse(rows.getString(2)), YearMonth.parse(rows.getString(3))));
                }
            }
            return months;
        });
    }

    /** The sums of some number columns of a table, about as exact as a double, by the months of a column of dates. */
    public Map<YearMonth, List<Double>> sumsByMonth(int table, int column, List<Integer> numbers) {
        String sums =
                numbers.stream().map(i -> ", CAST(sum(m" + i + ") AS DOUBLE)").collect(Collectors.joining());
        String sql = "SELECT strftime(m" + column + ", '%Y-%m') AS month" + sums + " FROM master WHERE tbl = " + table
                + " AND m" + column + " IS NOT NULL GROUP BY month ORDER BY month";
        return Sql.ask("comparing months", () -> {
            Map<YearMonth, List<Double>> byMonth = new LinkedHashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(sql)) {
                while (rows.next()) {
                    List<Double> values = new ArrayList<>();
                    for (int i = 0; i < numbers.size(); i++) {
                        values.add(rows.getDouble(i + 2));
                    }
                    byMonth.put(YearMonth.parse(rows.getString(1)), values);
                }
            }
            return byMonth;
        });
    }

    /** What rows that are the same have in common: their values in some columns, white space at the ends of texts apart. */
    private String key(String alias, List<Integer> columns) {
        return columns.stream()
                .map(i -> {
                    String value = alias + ".m" + i;
                    return plan.columns().get(i).type() == Type.TEXT ? "trim(" + value + ")" : value;
                })
                .collect(Collectors.joining(", ", "hash(", ")"));
    }
}
