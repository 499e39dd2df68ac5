package cuvee.master;

import cuvee.value.Type;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/** What the columns of the master come to before it is shaped: counts, sums, and numbers that stand out. */
public final class MasterFigures {
    /** Numbers of rows that are left out, such as those of subtotals, make the last one larger than the count. */
    private static final double MOST_NUMBERS_A_ROW = 1.5;

    private final DuckDBConnection connection;
    private final MasterPlan plan;
    private @Nullable Set<Integer> rowNumbers;

    MasterFigures(DuckDBConnection connection, MasterPlan plan) {
        this.connection = connection;
        this.plan = plan;
    }

    /** How many values each column has from each table, rows that rules set aside included, by table number. */
    public Map<Integer, long[]> filledByTable() {
        return Sql.ask("counting values", () -> {
            StringBuilder sql = new StringBuilder("SELECT tbl");
            for (int i = 0; i < plan.columns().size(); i++) {
                sql.append(", count(m").append(i).append(")");
            }
            Map<Integer, long[]> filled = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(sql + " FROM master GROUP BY tbl")) {
                while (rows.next()) {
                    long[] counts = new long[plan.columns().size()];
                    for (int i = 0; i < counts.length; i++) {
                        counts[i] = rows.getLong(2 + i);
                    }
                    filled.put(rows.getInt(1), counts);
                }
            }
            return filled;
        });
    }

    /**
     * What a table came to.
     *
     * @param rows its rows in the master
     * @param sums of each column that can be added up; null for others, and where it holds no number
     * @param asideSums the same of the rows that rules set aside
     */
    public record Figures(long rows, List<@Nullable BigDecimal> sums, List<@Nullable BigDecimal> asideSums) {
        public static final Figures NONE = new Figures(0, List.of(), List.of());

        /** The sum of a column; nothing where it has no number. */
        public BigDecimal sum(int column) {
            return at(sums, column);
        }

        /** The sum of a column over the rows that rules set aside. */
        public BigDecimal asideSum(int column) {
            return at(asideSums, column);
        }

        private static BigDecimal at(List<@Nullable BigDecimal> sums, int column) {
            BigDecimal sum = column < sums.size() ? sums.get(column) : null;
            return sum == null ? BigDecimal.ZERO : sum;
        }
    }

    /** What each table came to before the master is shaped, by table number. */
    public Map<Integer, Figures> byTable() {
        return Sql.ask("adding up", () -> {
            StringBuilder sql = new StringBuilder("SELECT tbl, aside = 0, count(*)");
            for (int i = 0; i < plan.columns().size(); i++) {
                sql.append(plan.addsUp(i) ? ", CAST(sum(m" + i + ") AS VARCHAR)" : ", NULL");
            }
            Map<Integer, Figures> figures = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(sql + " FROM master GROUP BY 1, 2")) {
                while (rows.next()) {
                    List<@Nullable BigDecimal> sums = new ArrayList<>();
                    for (int i = 0; i < plan.columns().size(); i++) {
                        String sum = rows.getString(4 + i);
                        sums.add(sum == null ? null : new BigDecimal(sum));
                    }
                    Figures before = figures.getOrDefault(rows.getInt(1), Figures.NONE);
                    figures.put(
                            rows.getInt(1),
                            rows.getBoolean(2)
                                    ? new Figures(rows.getLong(3), sums, before.asideSums())
                                    : new Figures(before.rows(), before.sums(), sums));
                }
            }
            return figures;
        });
    }

    /**
     * Days of a table that lie outside a span.
     *
     * @param filled how many rows have a day at all
     * @param row the first row whose day lies outside
     */
    public record Outside(int table, long filled, long outside, int row, LocalDate first, LocalDate last) {}

    /** The first and the last day of a column in a table. */
    public record Days(int table, LocalDate first, LocalDate last) {
        /** True where a day lies outside a span. */
        public boolean leave(RowTest.Span span) {
            return first.isBefore(span.from()) || !last.isBefore(span.before());
        }
    }

    /** The days of a column in each table; tables without days are left out. */
    public List<Days> days(int column) {
        String day = "m" + column;
        return Sql.ask("comparing days", () -> {
            List<Days> days = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT tbl, CAST(min(" + day + ") AS DATE), CAST(max("
                            + day + ") AS DATE) FROM master WHERE aside = 0 AND " + day
                            + " IS NOT NULL GROUP BY tbl ORDER BY tbl")) {
                while (rows.next()) {
                    days.add(new Days(
                            rows.getInt(1), LocalDate.parse(rows.getString(2)), LocalDate.parse(rows.getString(3))));
                }
            }
            return days;
        });
    }

    /** For each table with a span, how many days of a column lie in it and how many do not; tables without days are left out. */
    public List<Outside> outside(int column, Map<Integer, RowTest.Span> spans) {
        String ends = spans.entrySet().stream()
                .map(entry ->
                        "(" + entry.getKey() + ", DATE '" + entry.getValue().from() + "', DATE '"
                                + entry.getValue().before() + "')")
                .collect(Collectors.joining(", "));
        String day = "m.m" + column;
        String out = " FILTER (WHERE " + day + " < s.start OR " + day + " >= s.before)";
        String sql = "SELECT m.tbl, count(" + day + "), count(" + day + ")" + out + ", min(m.row)" + out + ", CAST(min("
                + day + ")" + out + " AS DATE), CAST(max(" + day + ")" + out + " AS DATE) FROM master m JOIN (VALUES "
                + ends + ") s(tbl, start, before) ON m.tbl = s.tbl WHERE m.aside = 0 AND " + day
                + " IS NOT NULL GROUP BY m.tbl ORDER BY m.tbl";
        return Sql.ask("comparing days", () -> {
            List<Outside> found = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(sql)) {
                while (rows.next()) {
                    String first = rows.getString(5);
                    found.add(new Outside(
                            rows.getInt(1),
                            rows.getLong(2),
                            rows.getLong(3),
                            rows.getInt(4),
                            first == null ? LocalDate.EPOCH : LocalDate.parse(first),
                            first == null ? LocalDate.EPOCH : LocalDate.parse(rows.getString(6))));
                }
            }
            return found;
        });
    }

    /**
     * Rows that came from a sender for a month in one table.
     *
     * @param sender empty where the rows do not say
     * @param month empty where they do not say when
     */
    public record Came(String sender, Optional<YearMonth> month, int table, long rows) {}

    /** How many rows came from whom and for when, by a column of texts and a column of dates. */
    public List<Came> came(int sender, int period) {
        return Sql.ask("counting arrivals", () -> {
            List<Came> came = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(
                            "SELECT coalesce(sender, ''), strftime(month, '%Y-%m'),"
                                    + " tbl, n FROM (SELECT m" + sender + " AS sender, date_trunc('month', m" + period
                                    + ") AS month, tbl, count(*) AS n FROM master WHERE aside = 0 GROUP BY ALL) ORDER BY ALL")) {
                while (rows.next()) {
                    String month = rows.getString(2);
                    came.add(new Came(
                            rows.getString(1).strip(),
                            month == null || month.length() != 7
                                    ? Optional.empty()
                                    : Optional.of(YearMonth.parse(month)),
                            rows.getInt(3),
                            rows.getLong(4)));
                }
            }
            return came;
        });
    }

    /** What some number columns come to for a sender and a month, about as exact as a double; NaN for none. */
    public record SumsOfMonth(String sender, YearMonth month, List<Double> sums) {}

    /** What number columns come to for each sender and month; rows without a month are left out. */
    public List<SumsOfMonth> sumsOfMonths(int sender, int period, List<Integer> columns) {
        String sums = columns.stream()
                .map(column -> ", CAST(sum(m" + column + ") AS DOUBLE)")
                .collect(java.util.stream.Collectors.joining());
        String sql = "SELECT coalesce(m" + sender + ", ''), strftime(m" + period + ", '%Y-%m') AS month" + sums
                + " FROM master WHERE aside = 0 AND m" + period + " IS NOT NULL GROUP BY m" + sender + ", month"
                + " ORDER BY 1, 2";
        return Sql.ask("adding up months", () -> {
            List<SumsOfMonth> all = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(sql)) {
                while (rows.next()) {
                    List<Double> values = new ArrayList<>();
                    for (int i = 0; i < columns.size(); i++) {
                        double value = rows.getDouble(i + 3);
                        values.add(rows.wasNull() ? Double.NaN : value);
                    }
                    String month = rows.getString(2);
                    if (month.length() == 7) {
                        all.add(new SumsOfMonth(rows.getString(1).strip(), YearMonth.parse(month), values));
                    }
                }
            }
            return all;
        });
    }

    /** The sum of a column of numbers for each table of the master, by table number; a table without numbers has none. */
    public Map<Integer, BigDecimal> sumsByTable(int column) {
        return Sql.ask("adding up", () -> {
            Map<Integer, BigDecimal> sums = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT tbl, CAST(sum(m" + column
                            + ") AS VARCHAR) FROM master WHERE aside = 0 GROUP BY tbl")) {
                while (rows.next()) {
                    String sum = rows.getString(2);
                    if (sum != null) {
                        sums.put(rows.getInt(1), new BigDecimal(sum));
                    }
                }
            }
            return sums;
        });
    }

    /**
     * Numbers beside one and the same text.
     *
     * @param numbers how many rows hold one
     * @param below how many of them are below 0
     */
    public record Signed(long numbers, long below) {
        public static final Signed NONE = new Signed(0, 0);
    }

    /** How many numbers of a column stand beside each text of another, in small letters; empty for rows without a text. */
    public Map<String, Signed> signed(int number, int text) {
        return Sql.ask("counting signs", () -> {
            Map<String, Signed> signed = new HashMap<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT coalesce(lower(trim(m" + text
                            + ")), ''), count(m" + number + "), count(*) FILTER (m" + number
                            + " < 0) FROM master WHERE aside = 0 GROUP BY 1")) {
                while (rows.next()) {
                    signed.put(rows.getString(1), new Signed(rows.getLong(2), rows.getLong(3)));
                }
            }
            return signed;
        });
    }

    /** How many rows of a table hold a value in a column, texts of nothing but white space not among them. */
    public long filled(int table, int column) {
        String value = "m" + column;
        boolean text = plan.columns().get(column).type() == Type.TEXT;
        return Sql.ask("counting values", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT count(" + value + ") FROM master WHERE tbl = "
                            + table + (text ? " AND NOT " + Readings.isBlank(value) : ""))) {
                rows.next();
                return rows.getLong(1);
            }
        });
    }

    /**
     * The columns that only number the rows of each table that has them, from 1 on, each number once and hardly any left
     * out.
     */
    public Set<Integer> rowNumbers() {
        Set<Integer> known = rowNumbers;
        if (known == null) {
            known = findRowNumbers();
            rowNumbers = known;
        }
        return known;
    }

    private Set<Integer> findRowNumbers() {
        List<Integer> whole = IntStream.range(0, plan.columns().size())
                .filter(i -> plan.columns().get(i).type() == Type.WHOLE_NUMBER)
                .boxed()
                .toList();
        // Least and greatest of all columns first, which few pass and which cost little; then whether each number
        // stands once.
        return goingUpFromOne(whole).stream()
                .filter(i -> ofEachTable("m" + i, "count(DISTINCT m" + i + ") = count(m" + i + ")"))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Those of some columns that go from 1 to hardly more than their count in each table that has any. */
    private List<Integer> goingUpFromOne(List<Integer> columns) {
        if (columns.isEmpty()) {
            return List.of();
        }
        String ranges = columns.stream()
                .map(i -> "coalesce(bool_and(min" + i + " = 1 AND max" + i + " <= n" + i + " * " + MOST_NUMBERS_A_ROW
                        + ") FILTER (n" + i + " > 0), false)")
                .collect(Collectors.joining(", "));
        String figures = columns.stream()
                .map(i ->
                        "min(m" + i + ") AS min" + i + ", max(m" + i + ") AS max" + i + ", count(m" + i + ") AS n" + i)
                .collect(Collectors.joining(", "));
        return Sql.ask("looking for row numbers", () -> {
            List<Integer> found = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(
                            "SELECT " + ranges + " FROM (SELECT " + figures + " FROM master GROUP BY tbl)")) {
                row.next();
                for (int i = 0; i < columns.size(); i++) {
                    if (row.getBoolean(i + 1)) {
                        found.add(columns.get(i));
                    }
                }
            }
            return found;
        });
    }

    /** True where something holds of the values of a column in each table that has any, and there is one. */
    private boolean ofEachTable(String column, String condition) {
        return Sql.ask("looking for row numbers", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT coalesce(bool_and(so), false) FROM (SELECT "
                            + condition + " AS so FROM master WHERE " + column + " IS NOT NULL GROUP BY tbl)")) {
                return row.next() && row.getBoolean(1);
            }
        });
    }
}
