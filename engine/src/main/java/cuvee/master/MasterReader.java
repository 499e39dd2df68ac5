package cuvee.master;

import cuvee.value.Type;
import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/**
 * Reads the master in its order: source, sheet, table, row. Values come as canonical text: plain shortest decimals, ISO
 * dates, {@code true} and {@code false}; null where there is none. Whoever opens it closes it.
 */
public final class MasterReader implements AutoCloseable {
    private static final int CHUNK_ROWS = 200_000;
    /** Numbers of rows that are left out, such as those of subtotals, make the last one larger than the count. */
    private static final double MOST_NUMBERS_A_ROW = 1.5;

    private final DuckDBConnection connection;
    private final MasterPlan plan;
    private final String columns;
    /** The store's table that is read. */
    private final String master;
    /** Where a row came from. */
    private final String line;

    private final long[] starts;
    private final Map<Integer, Store.Part> parts;
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
        this.columns = columnList(plan);
        this.master = plan.isShaped() ? "shown" : "master";
        this.line = plan.isShaped() ? "from_tbl, from_row, from_turned" : "tbl, row, turned";
        this.starts = new long[plan.tables().size() + 1];
        this.parts = plan.isShaped() ? Map.of() : Sql.ask("reading what is there", () -> Store.parts(connection));
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
        Store.Part part = parts.get(table.id());
        return table.turned() > 0 && part != null ? part.made() : table.kept();
    }

    /**
     * A row of the master with where it came from.
     *
     * @param turned which of the columns that run across it came from, from 0; -1 where none do
     */
    public record Line(int table, int row, int turned, List<@Nullable String> values) {}

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
    public List<Line> pageOf(String source, long from, int count) {
        if (plan.isShaped()) {
            return Sql.ask("reading rows", () -> {
                List<Line> lines = new ArrayList<>();
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
    public List<Line> firstOf(int table, int count) {
        return Sql.ask("reading rows", () -> {
            List<Line> lines = new ArrayList<>();
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

    private void readPage(int at, long skip, int count, List<Line> lines) throws SQLException {
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
            line.append(i == 0 ? "" : " || ',' || ").append(csvCell(i));
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

    private String csvCell(int index) {
        boolean tag = index >= plan.columns().size();
        String cell = tag ? "m.t" + (index - plan.columns().size()) : "m.m" + index;
        Type type = tag ? Type.TEXT : plan.columns().get(index).type();
        if (type == Type.TEXT) {
            return "CASE WHEN " + cell + " IS NULL THEN '' WHEN " + cell + " = '' THEN '\"\"' WHEN contains(" + cell
                    + ", '\"') OR contains(" + cell + ", ',') OR contains(" + cell + ", chr(10)) OR contains(" + cell
                    + ", chr(13)) THEN '\"' || replace(" + cell + ", '\"', '\"\"') || '\"' ELSE " + cell + " END";
        }
        return "coalesce(" + canonical(cell, plan.columns().get(index)) + ", '')";
    }

    /** A value as canonical text: plain shortest decimals, ISO dates. */
    static String canonical(String cell, MasterPlan.Column column) {
        String text = "CAST(" + cell + " AS VARCHAR)";
        return switch (column.type()) {
            case TEXT -> cell;
            case DATE_AND_TIME -> "replace(" + text + ", ' ', 'T')";
            case DECIMAL, MONEY, PERCENT -> shortestNumber(text);
            default -> text;
        };
    }

    /** The text of a decimal without the zeros that say nothing. */
    static String shortestNumber(String text) {
        return "CASE WHEN contains(" + text + ", '.') THEN rtrim(rtrim(" + text + ", '0'), '.') ELSE " + text + " END";
    }

    private int width() {
        return plan.columns().size() + plan.tags().size();
    }

    private @Nullable String value(ResultSet rows, int column) throws SQLException {
        return rows.getString(column + 4);
    }

    /** A decimal without the zeros that say nothing, as the master writes numbers. */
    public static String shortest(String decimal) {
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

    static String columnList(MasterPlan plan) {
        StringBuilder list = new StringBuilder();
        for (int i = 0; i < plan.columns().size(); i++) {
            list.append(", ").append(canonical("m" + i, plan.columns().get(i)));
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
                sql.append(plan.addsUp(i) ? ", CAST(sum(m" + i + ") AS VARCHAR)" : ", NULL");
            }
            List<Total> totals = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(sql + " FROM " + master + " WHERE aside = 0")) {
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
    public Map<Integer, Figures> figures() {
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

    /** The two numbers of a column that lie farthest from 0, the farthest first. */
    public List<NumberAt> greatest(int column) {
        String value = "abs(CAST(m" + column + " AS DOUBLE))";
        return numbers(
                value, "0", "WHERE aside = 0 AND m" + column + " IS NOT NULL ORDER BY " + value + " DESC LIMIT 2");
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

    /** How many rows of a column hold a value, and their exact sum where it is a number. */
    public record Total(
            String column, long filled, @Nullable String sum) {}

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
     * The columns that only number the rows of each table that has them, from 1 on, each number once and hardly any left
     * out.
     */
    public Set<Integer> rowNumbers() {
        Set<Integer> found = new HashSet<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (plan.columns().get(i).type() == Type.WHOLE_NUMBER && numbersRows("m" + i)) {
                found.add(i);
            }
        }
        return found;
    }

    /** Least and greatest first, which few columns pass and which cost little; then whether each number stands once. */
    private boolean numbersRows(String column) {
        String range =
                "min(" + column + ") = 1 AND max(" + column + ") <= count(" + column + ") * " + MOST_NUMBERS_A_ROW;
        return ofEachTable(column, range)
                && ofEachTable(column, "count(DISTINCT " + column + ") = count(" + column + ")");
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
            Map<Integer, Long> rows = rowsByTable();
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

    /** What rows that are the same have in common: their values in some columns, white space at the ends of texts apart. */
    private String key(String alias, List<Integer> columns) {
        return columns.stream()
                .map(i -> {
                    String value = alias + ".m" + i;
                    return plan.columns().get(i).type() == Type.TEXT ? "trim(" + value + ")" : value;
                })
                .collect(Collectors.joining(", ", "hash(", ")"));
    }

    /** What became of each table's records, by table number. */
    public Map<Integer, Store.Part> parts() {
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

    private Line line(ResultSet rows) throws SQLException {
        return line(rows, width());
    }

    /** A row of so many values, behind where it came from. */
    static Line line(ResultSet rows, int width) throws SQLException {
        List<@Nullable String> values = new ArrayList<>(width);
        for (int i = 0; i < width; i++) {
            values.add(rows.getString(i + 4));
        }
        return new Line(rows.getInt(1), rows.getInt(2), rows.getInt(3) - 1, values);
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
