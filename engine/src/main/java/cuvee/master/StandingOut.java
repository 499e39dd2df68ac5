package cuvee.master;

import java.sql.Array;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.duckdb.DuckDBConnection;

/** Single numbers of the master, before it is shaped, that stand out beside the others of their column, row or kind. */
public final class StandingOut {
    /** A number with its decimal mark elsewhere is this close to what it would be, in shares of it. */
    private static final double MOVED = 0.02;
    /** Numbers of a kind are close where none is more than so many times the middle one, or less than that part of it. */
    private static final double CLOSE = 2;
    /** Rows of a kind, to say what is usual for it. */
    private static final int FEWEST_OF_KIND = 4;

    private static final int FEWEST_KINDS = 3;
    /** What an estimate of as many different values as rows comes to at least. */
    private static final double ABOUT_ALL = 0.8;

    private static final double NEARLY_ALL = 0.98;
    /** Numbers that are missing between two that run on; more at once are a new start. */
    private static final int MOST_MISSING_AT_ONCE = 3;

    private static final int MOST_GAPS = 50;

    private final DuckDBConnection connection;

    StandingOut(DuckDBConnection connection) {
        this.connection = connection;
    }

    /** The numbers of some rows, the same ones each time, in columns of numbers; what is blank is not a number. */
    public List<double[]> someNumbers(List<Integer> columns, int most) {
        return Sql.ask("looking at numbers", () -> {
            List<double[]> some = new ArrayList<>();
            String numbers =
                    columns.stream().map(i -> "CAST(m" + i + " AS DOUBLE)").collect(Collectors.joining(", "));
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT " + numbers
                            + " FROM (SELECT * FROM master WHERE aside = 0) USING SAMPLE reservoir(" + most
                            + " ROWS) REPEATABLE (7)")) {
                while (rows.next()) {
                    double[] row = new double[columns.size()];
                    for (int i = 0; i < row.length; i++) {
                        row[i] = rows.getDouble(i + 1);
                        row[i] = rows.wasNull() ? Double.NaN : row[i];
                    }
                    some.add(row);
                }
            }
            return some;
        });
    }

    /**
     * A number of the master, and where it came from.
     *
     * @param turned which of the columns that run across it came from, from 0; below 0 where none do
     */
    public record NumberAt(int table, int row, int turned, double value, double expected) {}

    /** Less than this share of a number may be due to the rounding of what it follows from. */
    private static final double ROUNDED = 0.005;

    /** Rows in which a column is not nearly the product, or the sum, of two others, though all three are there. */
    public List<NumberAt> notFollowing(boolean product, int one, int other, int result, double tolerance, int most) {
        String a = "CAST(m" + one + " AS DOUBLE)";
        String b = "CAST(m" + other + " AS DOUBLE)";
        String expected = product ? a + " * " + b : a + " + " + b;
        String c = "CAST(m" + result + " AS DOUBLE)";
        return numbers(
                c,
                expected,
                "WHERE aside = 0 AND " + c + " <> 0 AND abs(" + expected + " - " + c + ") > " + tolerance + " + "
                        + ROUNDED + " * abs(" + expected + ") ORDER BY tbl, row LIMIT " + most);
    }

    /** How far from 0 the numbers lie that are farthest, for each of some columns; all of them where there are fewer. */
    public Map<Integer, double[]> farthest(List<Integer> columns, int most) {
        if (columns.isEmpty()) {
            return Map.of();
        }
        String lists = columns.stream()
                .map(i -> "max(abs(CAST(m" + i + " AS DOUBLE)), " + most + ")")
                .collect(Collectors.joining(", "));
        return Sql.ask("looking at numbers", () -> {
            Map<Integer, double[]> farthest = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT " + lists + " FROM master WHERE aside = 0")) {
                row.next();
                for (int i = 0; i < columns.size(); i++) {
                    Array found = row.getArray(i + 1);
                    Object[] values = found == null ? new Object[0] : (Object[]) found.getArray();
                    farthest.put(
                            columns.get(i),
                            Arrays.stream(values)
                                    .mapToDouble(value -> ((Number) value).doubleValue())
                                    .toArray());
                }
            }
            return farthest;
        });
    }

    /** The numbers of a column that lie farthest from 0. */
    public List<NumberAt> farthest(int column, int most) {
        String value = "abs(CAST(m" + column + " AS DOUBLE))";
        return numbers(
                value,
                "0",
                "WHERE aside = 0 AND m" + column + " IS NOT NULL ORDER BY " + value + " DESC LIMIT " + most);
    }

    /**
     * How many numbers of each column have digits behind the mark beyond some place, for columns of which hardly any number
     * has as many digits as the one that has most. In others nothing stands out, and they are left after a few rows.
     *
     * @param most the digits behind the mark of the numbers that have most, by column
     * @param hardlyAny how many numbers may have digits at the last of these places
     * @param fewer how many places are looked at: one to so many fewer than those
     * @return by column; behind the counts of the places how many numbers there are
     */
    public Map<Integer, long[]> digitsBehind(Map<Integer, Integer> most, int hardlyAny, int fewer) {
        Map<Integer, Integer> few = new LinkedHashMap<>();
        most.forEach((column, decimals) -> {
            if (!haveDigitsBeyond(column, decimals - 1, hardlyAny)) {
                few.put(column, decimals);
            }
        });
        if (few.isEmpty()) {
            return Map.of();
        }
        String counts = few.entrySet().stream()
                .map(column -> IntStream.rangeClosed(1, fewer)
                                .mapToObj(less -> "count(*) FILTER (" + hasDigitsBeyond(column, less) + "), ")
                                .collect(Collectors.joining())
                        + "count(m" + column.getKey() + ")")
                .collect(Collectors.joining(", "));
        return Sql.ask("looking at decimals", () -> {
            Map<Integer, long[]> behind = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT " + counts + " FROM master WHERE aside = 0")) {
                row.next();
                int at = 1;
                for (int column : few.keySet()) {
                    long[] found = new long[fewer + 1];
                    for (int i = 0; i <= fewer; i++) {
                        found[i] = row.getLong(at++);
                    }
                    behind.put(column, found);
                }
            }
            return behind;
        });
    }

    /** True where more than so many numbers of a column have more digits behind the mark. */
    private boolean haveDigitsBeyond(int column, int decimals, int most) {
        return Sql.ask("looking at decimals", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet row =
                            statement.executeQuery("SELECT count(*) FROM (SELECT 1 FROM master WHERE aside = 0 AND "
                                    + hasDigitsBeyond(column, decimals) + " LIMIT " + (most + 1) + ")")) {
                row.next();
                return row.getLong(1) > most;
            }
        });
    }

    private static String hasDigitsBeyond(Map.Entry<Integer, Integer> column, int less) {
        return hasDigitsBeyond(column.getKey(), column.getValue() - less);
    }

    private static String hasDigitsBeyond(int column, int decimals) {
        return "m" + column + " <> round(m" + column + ", " + decimals + ")";
    }

    /** The numbers of a column with more digits behind the mark than so many. */
    public List<NumberAt> withDigitsBeyond(int column, int decimals, int most) {
        return numbers(
                number(column),
                "0",
                "WHERE aside = 0 AND " + hasDigitsBeyond(column, decimals) + " ORDER BY tbl, row LIMIT " + most);
    }

    private List<NumberAt> numbers(String value, String expected, String where) {
        return Sql.ask("looking at numbers", () -> {
            List<NumberAt> numbers = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(
                            "SELECT tbl, row, turned, " + value + ", " + expected + " FROM master " + where)) {
                while (rows.next()) {
                    numbers.add(new NumberAt(
                            rows.getInt(1), rows.getInt(2), rows.getInt(3) - 1, rows.getDouble(4), rows.getDouble(5)));
                }
            }
            return numbers;
        });
    }

    /** How many numbers a column holds, and the one that half of them exceed, without sign. */
    public double[] spread(int column) {
        String value = "abs(CAST(m" + column + " AS DOUBLE))";
        return Sql.ask("looking at numbers", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT count(m" + column + "), approx_quantile(" + value
                            + ", 0.5) FROM master WHERE aside = 0")) {
                rows.next();
                return new double[] {rows.getDouble(1), rows.getDouble(2)};
            }
        });
    }

    /**
     * Numbers of a column that are not a constant times another one, but would be with their decimal mark elsewhere.
     *
     * @param rate what the other column is multiplied with
     */
    public List<NumberAt> movedFromRate(int one, int result, double rate, int most) {
        String expected = "(" + number(one) + " * " + rate + ")";
        String share = "(" + number(result) + " / nullif(" + expected + ", 0))";
        String moved = DoubleStream.of(10, 100, 1000)
                .boxed()
                .flatMap(times -> Stream.of(times, 1 / times))
                .map(times -> "abs(" + share + " - " + times + ") < " + times * MOVED)
                .collect(Collectors.joining(" OR "));
        return numbers(number(result), expected, "WHERE aside = 0 AND (" + moved + ") ORDER BY tbl, row LIMIT " + most);
    }

    private static String number(int column) {
        return "CAST(m" + column + " AS DOUBLE)";
    }

    /** The columns of texts by which rows fall into kinds: there are several texts, and each stands in several rows. */
    public List<Integer> kinds(List<Integer> texts) {
        return byDifferent(texts, (rows, different) -> different >= FEWEST_KINDS && rows >= FEWEST_OF_KIND * different);
    }

    /** The columns whose values stand once, but for a few; found by estimates. */
    public List<Integer> nearlyAllDifferent(List<Integer> columns) {
        return byDifferent(columns, (rows, different) -> different >= rows * ABOUT_ALL);
    }

    private interface Different {
        boolean fit(long rows, long different);
    }

    /** The columns that fit by how many rows hold a value and about how many different ones there are. */
    private List<Integer> byDifferent(List<Integer> columns, Different different) {
        if (columns.isEmpty()) {
            return List.of();
        }
        String counts = columns.stream()
                .map(i -> "count(m" + i + "), approx_count_distinct(m" + i + ")")
                .collect(Collectors.joining(", "));
        return Sql.ask("counting different values", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT " + counts + " FROM master WHERE aside = 0")) {
                row.next();
                List<Integer> fitting = new ArrayList<>();
                for (int i = 0; i < columns.size(); i++) {
                    if (different.fit(row.getLong(1 + 2 * i), row.getLong(2 + 2 * i))) {
                        fitting.add(columns.get(i));
                    }
                }
                return fitting;
            }
        });
    }

    /**
     * Numbers that lie far above those of the rows with the same text, where nearly all numbers of the column lie close to
     * what is usual for their text; with their decimal mark elsewhere they would as well.
     *
     * @return by column; what is expected is the middle of the numbers with the same text
     */
    public Map<Integer, List<NumberAt>> farAboveTheirKind(int kind, List<Integer> amounts, int most) {
        Map<Integer, List<NumberAt>> found = new HashMap<>();
        for (int amount : steady(kind, amounts)) {
            String value = "abs(" + number(amount) + ")";
            String moved = DoubleStream.of(10, 100, 1000)
                    .mapToObj(times -> value + " / " + times + " BETWEEN mid / " + CLOSE + " AND mid * " + CLOSE)
                    .collect(Collectors.joining(" OR "));
            found.put(
                    amount,
                    numbers(
                            value,
                            "mid",
                            "JOIN " + middles(kind, List.of(amount)).replace("mid0", "mid") + " ON k = m" + kind
                                    + " WHERE aside = 0 AND (" + moved + ") ORDER BY tbl, row LIMIT " + most));
        }
        return found;
    }

    /** The columns whose numbers lie close to the middle one of their kind, but for a few. */
    private List<Integer> steady(int kind, List<Integer> amounts) {
        String counts = IntStream.range(0, amounts.size())
                .mapToObj(i -> {
                    String value = "abs(" + number(amounts.get(i)) + ")";
                    return "count(*) FILTER (" + value + " > 0), count(*) FILTER (" + value + " BETWEEN mid" + i + " / "
                            + CLOSE + " AND mid" + i + " * " + CLOSE + ")";
                })
                .collect(Collectors.joining(", "));
        return Sql.ask("comparing kinds of rows", () -> {
            List<Integer> steady = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT " + counts + " FROM master JOIN "
                            + middles(kind, amounts) + " ON k = m" + kind + " WHERE aside = 0")) {
                row.next();
                for (int i = 0; i < amounts.size(); i++) {
                    long all = row.getLong(1 + 2 * i);
                    if (all > 0 && row.getLong(2 + 2 * i) >= all * NEARLY_ALL) {
                        steady.add(amounts.get(i));
                    }
                }
            }
            return steady;
        });
    }

    private static String middles(int kind, List<Integer> amounts) {
        String middles = IntStream.range(0, amounts.size())
                .mapToObj(i -> {
                    String value = "abs(" + number(amounts.get(i)) + ")";
                    return ", median(" + value + ") FILTER (" + value + " > 0) AS mid" + i;
                })
                .collect(Collectors.joining());
        return "(SELECT m" + kind + " AS k" + middles + " FROM master WHERE aside = 0 AND m" + kind
                + " IS NOT NULL GROUP BY ALL HAVING count(*) >= " + FEWEST_OF_KIND + ")";
    }

    /**
     * Numbers that run on by one.
     *
     * @param all how many there are
     * @param different how many different ones
     * @param runningOn how many of them are the one before and one more
     * @param gaps where a few are missing, the row with the next one
     */
    public record Running(long all, long different, long runningOn, List<Gap> gaps) {}

    /** Numbers that are missing, and the row with the one behind them. */
    public record Gap(String before, String after, long missing, NumberAt at) {}

    /**
     * How the numbers of a column, or those at the end of its texts, run on; rows that rules set aside have theirs too.
     *
     * @param eachTable true where each table has numbers of its own
     */
    public Running running(int column, boolean text, boolean eachTable) {
        String words = text ? "regexp_extract(m" + column + ", '^(.*?)\\d{1,15}$', 1)" : "''";
        String number = text
                ? "TRY_CAST(regexp_extract(m" + column + ", '(\\d{1,15})$', 1) AS BIGINT)"
                : "TRY_CAST(m" + column + " AS BIGINT)";
        String numbers =
                "(SELECT count(*) AS n, any_value(CAST(m" + column + " AS VARCHAR)) AS said, any_value(tbl) AS tbl,"
                        + " min(row) AS row, any_value(turned) AS turned, " + words + " AS words, " + number + " AS v"
                        + (eachTable ? ", tbl AS part" : ", 0 AS part")
                        + " FROM master WHERE " + number + " IS NOT NULL GROUP BY words, v, part)";
        String steps = "(SELECT *, v - lag(v) OVER w AS step, lag(said) OVER w AS before FROM " + numbers
                + " WINDOW w AS (PARTITION BY words, part ORDER BY v))";
        String gap = "step BETWEEN 2 AND " + (MOST_MISSING_AT_ONCE + 1);
        return Sql.ask("looking at running numbers", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(
                            "SELECT sum(n) OVER (), count(*) OVER (), count(*) FILTER (step = 1) OVER (), before, said,"
                                    + " step, tbl, row, turned, v FROM " + steps + " QUALIFY " + gap
                                    + " OR row_number() OVER () = 1 ORDER BY part, v LIMIT " + MOST_GAPS)) {
                Running running = new Running(0, 0, 0, new ArrayList<>());
                while (rows.next()) {
                    running = new Running(rows.getLong(1), rows.getLong(2), rows.getLong(3), running.gaps());
                    long step = rows.getLong(6);
                    if (step > 1 && step <= MOST_MISSING_AT_ONCE + 1) {
                        running.gaps()
                                .add(new Gap(
                                        rows.getString(4),
                                        rows.getString(5),
                                        step - 1,
                                        new NumberAt(
                                                rows.getInt(7),
                                                rows.getInt(8),
                                                rows.getInt(9) - 1,
                                                rows.getDouble(10),
                                                rows.getDouble(10) - step + 1)));
                    }
                }
                return running;
            }
        });
    }
}
