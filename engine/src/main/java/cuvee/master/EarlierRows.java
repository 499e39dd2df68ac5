package cuvee.master;

import cuvee.value.Type;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;

/**
 * The rows that some sources had in the master before it is made anew, kept so that they can be compared with those they
 * have then: by a key where one column tells all rows apart, else as a whole.
 */
public final class EarlierRows {
    /** What the master's columns were called, and their types, when it was last made. */
    private static final String NAMED = "named columns";

    private static final String NAMED_EARLIER = "named columns earlier";
    private static final String BETWEEN = "\u001f";
    /** More rows than these are not kept: where so much changed, cells say nothing. */
    private static final long MOST_ROWS = 2_000_000;

    private static final int MOST_SOURCES = 200;
    /** Several columns together are tried as a key for no more rows than these, and of no more columns. */
    private static final long MOST_TO_COMBINE = 100_000;

    private static final int MOST_TOGETHER = 6;
    /** So many rows that came and went are paired by how alike they are. */
    private static final long MOST_TO_PAIR = 500;

    /** So many values say which row is meant, where no key does. */
    private static final int MOST_SPELLED = 3;
    /** So many cells are named for a source. */
    private static final int MOST_CELLS = 200;

    private final DuckDBConnection connection;

    EarlierRows(DuckDBConnection connection) {
        this.connection = connection;
    }

    /**
     * How the rows of a source differ.
     *
     * @param key the column that tells its rows apart, or several; empty where none does, and rows are compared as a whole
     * @param changed rows with the same key and other values; without a key, those alike but for a column or few
     * @param cells the first of the changed cells
     */
    public record Difference(String key, long added, long removed, long changed, List<Cell> cells) {
        public Difference {
            cells = List.copyOf(cells);
        }
    }

    /** A value that is another than before; empty for blank. */
    public record Cell(String key, String column, String before, String now) {}

    /** A master column as it was, and its place now. */
    private record Shared(String name, int before, int now, Type type) {
        String then() {
            return "e.c" + before;
        }
    }

    /** Remembers what the columns of a master are called. */
    static void name(DuckDBConnection connection, MasterPlan plan) throws SQLException {
        StoreNotes.put(
                connection,
                NAMED,
                plan.columns().stream()
                        .map(column -> column.name() + BETWEEN + column.type().name())
                        .collect(Collectors.joining("\n")));
    }

    /**
     * Keeps the rows that tables have in the master now, by the path of their source, beside those kept before; those of a
     * source that has some already stay.
     */
    public void keep(Map<Integer, String> sources) {
        Sql.run("keeping rows to compare", () -> {
            try (Statement statement = connection.createStatement()) {
                String named = StoreNotes.get(connection, NAMED);
                String namedEarlier = StoreNotes.get(connection, NAMED_EARLIER);
                boolean more = !namedEarlier.isEmpty();
                if (sources.isEmpty() || named.isEmpty() || more && !named.equals(namedEarlier)) {
                    return;
                }
                List<String> columns = List.of(named.split("\n", -1));
                StringBuilder select = new StringBuilder("e.source");
                for (int i = 0; i < columns.size(); i++) {
                    Type type =
                            Type.valueOf(columns.get(i).substring(columns.get(i).indexOf(BETWEEN) + 1));
                    select.append(", ")
                            .append(text("m.m" + i, type))
                            .append(" AS c")
                            .append(i);
                }
                String tables = sources.entrySet().stream()
                        .map(each -> "(" + each.getKey() + ", " + Sql.literal(each.getValue()) + ")")
                        .collect(Collectors.joining(", "));
                statement.execute(
                        (more ? "INSERT INTO earlier " : "CREATE OR REPLACE TABLE earlier AS ") + "SELECT " + select
                                + " FROM master m JOIN (VALUES " + tables
                                + ") e(tbl, source) ON m.tbl = e.tbl WHERE m.aside = 0"
                                + (more ? " AND e.source NOT IN (SELECT source FROM earlier)" : "") + " LIMIT "
                                + (MOST_ROWS + 1));
                StoreNotes.put(connection, NAMED_EARLIER, named);
            }
        });
    }

    /** Forgets the rows that were kept: the master as it is now is what the next one is compared with. */
    public void forget() {
        Sql.run("forgetting rows that were compared", () -> {
            StoreNotes.put(connection, NAMED_EARLIER, "");
            try (Statement statement = connection.createStatement()) {
                statement.execute("DROP TABLE IF EXISTS earlier");
            }
        });
    }

    /**
     * Compares the rows that were kept with those in the master now.
     *
     * @param now the paths of sources by table number
     */
    public Map<String, Difference> differences(MasterPlan plan, Map<Integer, String> now) {
        return Sql.ask("comparing rows", () -> {
            Map<String, Difference> differences = new TreeMap<>();
            try (Statement statement = connection.createStatement()) {
                long kept = kept(statement);
                if (kept == 0 || kept > MOST_ROWS) {
                    return differences;
                }
                List<Shared> shared = shared(plan);
                Map<String, List<Integer>> tables = new LinkedHashMap<>();
                now.forEach((table, path) ->
                        tables.computeIfAbsent(path, any -> new ArrayList<>()).add(table));
                for (Map.Entry<String, List<Integer>> source : tables.entrySet()) {
                    if (differences.size() < MOST_SOURCES && !shared.isEmpty()) {
                        view(statement, source.getKey(), source.getValue(), shared);
                        differences.put(source.getKey(), difference(statement, shared));
                    }
                }
            }
            return differences;
        });
    }

    private long kept(Statement statement) throws SQLException {
        if (StoreNotes.get(connection, NAMED_EARLIER).isEmpty()) {
            return 0;
        }
        try (ResultSet rows = statement.executeQuery("SELECT count(*) FROM earlier")) {
            rows.next();
            return rows.getLong(1);
        }
    }

    /** The columns that the master has under the same name as then. */
    private List<Shared> shared(MasterPlan plan) throws SQLException {
        Map<String, Integer> before = new LinkedHashMap<>();
        for (String each : StoreNotes.get(connection, NAMED_EARLIER).split("\n", -1)) {
            before.put(each.substring(0, Math.max(0, each.indexOf(BETWEEN))), before.size());
        }
        List<Shared> shared = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            Integer then = before.get(plan.columns().get(i).name());
            if (then != null) {
                shared.add(new Shared(
                        plan.columns().get(i).name(),
                        then,
                        i,
                        plan.columns().get(i).type()));
            }
        }
        return shared;
    }

    /** The rows of one source then and now, as texts under the same names. */
    private static void view(Statement statement, String source, List<Integer> tables, List<Shared> shared)
            throws SQLException {
        StringBuilder then = new StringBuilder();
        StringBuilder now = new StringBuilder();
        for (int i = 0; i < shared.size(); i++) {
            String comma = i == 0 ? "" : ", ";
            then.append(comma).append(shared.get(i).then()).append(" AS x").append(i);
            now.append(comma)
                    .append(text("m.m" + shared.get(i).now(), shared.get(i).type()))
                    .append(" AS x")
                    .append(i);
        }
        String ids = tables.stream().map(String::valueOf).collect(Collectors.joining(", "));
        statement.execute("CREATE OR REPLACE TEMP TABLE rows_then AS SELECT " + then
                + " FROM earlier e WHERE e.source = " + Sql.literal(source));
        statement.execute("CREATE OR REPLACE TEMP TABLE rows_now AS SELECT " + now
                + " FROM master m WHERE m.aside = 0 AND m.tbl IN (" + ids + ")");
    }

    private static Difference difference(Statement statement, List<Shared> shared) throws SQLException {
        List<Integer> key = key(statement, shared);
        if (key.isEmpty()) {
            return asAWhole(statement, shared);
        }
        String using = " USING (" + columns(key) + ")";
        String spelled =
                "concat_ws(' \u00b7 ', " + key.stream().map(i -> "n.x" + i).collect(Collectors.joining(", ")) + ")";
        StringBuilder differs = new StringBuilder("false");
        StringBuilder cells = new StringBuilder();
        for (int i = 0; i < shared.size(); i++) {
            if (!key.contains(i)) {
                String other = "o.x" + i + " IS DISTINCT FROM n.x" + i;
                differs.append(" OR ").append(other);
                cells.append(cells.length() == 0 ? "" : " UNION ALL ")
                        .append("SELECT " + spelled + " AS k, " + i + " AS col, o.x" + i + " AS then_, n.x" + i
                                + " AS now_ FROM rows_then o JOIN rows_now n" + using + " WHERE " + other);
            }
        }
        List<Cell> changed = new ArrayList<>();
        if (cells.length() > 0) {
            try (ResultSet found = statement.executeQuery(
                    "SELECT k, col, then_, now_ FROM (" + cells + ") ORDER BY k, col LIMIT " + MOST_CELLS)) {
                while (found.next()) {
                    changed.add(new Cell(
                            found.getString(1),
                            shared.get(found.getInt(2)).name(),
                            filled(found, 3),
                            filled(found, 4)));
                }
            }
        }
        return new Difference(
                key.stream().map(i -> shared.get(i).name()).collect(Collectors.joining(", ")),
                count(statement, "rows_now n ANTI JOIN rows_then o" + using),
                count(statement, "rows_then o ANTI JOIN rows_now n" + using),
                count(statement, "rows_then o JOIN rows_now n" + using + " WHERE " + differs),
                changed);
    }

    /** Rows compared as a whole: one that went and one that came, alike but for a column or few, are one that changed. */
    private static Difference asAWhole(Statement statement, List<Shared> shared) throws SQLException {
        String came = "(SELECT * FROM rows_now EXCEPT ALL SELECT * FROM rows_then)";
        String went = "(SELECT * FROM rows_then EXCEPT ALL SELECT * FROM rows_now)";
        long added = count(statement, came);
        long removed = count(statement, went);
        List<Cell> cells = new ArrayList<>();
        long changed = 0;
        if (added <= MOST_TO_PAIR && removed <= MOST_TO_PAIR) {
            List<List<String>> now = rows(statement, came, shared.size());
            for (List<String> then : rows(statement, went, shared.size())) {
                List<String> like = now.stream()
                        .min(Comparator.comparingInt(row -> differing(then, row)))
                        .filter(row -> differing(then, row) <= Math.max(1, shared.size() / 4))
                        .orElse(List.of());
                if (!like.isEmpty()) {
                    now.remove(like);
                    changed++;
                    cells(then, like, shared, cells);
                }
            }
        }
        return new Difference("", added - changed, removed - changed, changed, cells);
    }

    private static List<List<String>> rows(Statement statement, String from, int columns) throws SQLException {
        List<List<String>> rows = new ArrayList<>();
        try (ResultSet found = statement.executeQuery("SELECT * FROM " + from + " ORDER BY ALL")) {
            while (found.next()) {
                List<String> row = new ArrayList<>();
                for (int i = 1; i <= columns; i++) {
                    row.add(filled(found, i));
                }
                rows.add(row);
            }
        }
        return rows;
    }

    private static int differing(List<String> one, List<String> other) {
        int differing = 0;
        for (int i = 0; i < one.size(); i++) {
            differing += one.get(i).equals(other.get(i)) ? 0 : 1;
        }
        return differing;
    }

    /** The cells in which two rows differ; the first of those that they share say which row it is. */
    private static void cells(List<String> then, List<String> now, List<Shared> shared, List<Cell> cells) {
        List<String> same = new ArrayList<>();
        for (int i = 0; i < then.size() && same.size() < MOST_SPELLED; i++) {
            if (then.get(i).equals(now.get(i)) && !then.get(i).isEmpty()) {
                same.add(then.get(i));
            }
        }
        for (int i = 0; i < then.size() && cells.size() < MOST_CELLS; i++) {
            if (!then.get(i).equals(now.get(i))) {
                cells.add(new Cell(String.join(" \u00b7 ", same), shared.get(i).name(), then.get(i), now.get(i)));
            }
        }
    }

    private static String columns(List<Integer> key) {
        return key.stream().map(i -> "x" + i).collect(Collectors.joining(", "));
    }

    private static String filled(ResultSet found, int column) throws SQLException {
        String text = found.getString(column);
        return text == null ? "" : text;
    }

    /**
     * The column that tells all rows apart, then and now, and of which most values are in both; amounts are none. Of equals,
     * the first text, else the first. Where there is none, the first two or three together that do. Empty where even those
     * have less than half of the rows of then.
     */
    private static List<Integer> key(Statement statement, List<Shared> shared) throws SQLException {
        List<Integer> candidates = new ArrayList<>();
        for (boolean texts : new boolean[] {true, false}) {
            for (int i = 0; i < shared.size(); i++) {
                Type type = shared.get(i).type();
                boolean amounts = type == Type.DECIMAL || type == Type.MONEY || type == Type.PERCENT;
                if (!amounts && (type == Type.TEXT) == texts) {
                    candidates.add(i);
                }
            }
        }
        List<List<Integer>> singles = new ArrayList<>();
        candidates.forEach(i -> singles.add(List.of(i)));
        List<Integer> key = best(statement, singles);
        if (!key.isEmpty() || count(statement, "rows_then") > MOST_TO_COMBINE) {
            return key;
        }
        List<Integer> some = candidates.stream()
                .filter(i ->
                        shared.get(i).type() != Type.YES_NO && shared.get(i).type() != Type.WHOLE_NUMBER)
                .sorted()
                .limit(MOST_TOGETHER)
                .toList();
        List<List<Integer>> pairs = new ArrayList<>();
        List<List<Integer>> triples = new ArrayList<>();
        for (int a = 0; a < some.size(); a++) {
            for (int b = a + 1; b < some.size(); b++) {
                pairs.add(List.of(some.get(a), some.get(b)));
                for (int c = b + 1; c < some.size(); c++) {
                    triples.add(List.of(some.get(a), some.get(b), some.get(c)));
                }
            }
        }
        List<Integer> two = best(statement, pairs);
        return two.isEmpty() ? best(statement, triples) : two;
    }

    private static List<Integer> best(Statement statement, List<List<Integer>> keys) throws SQLException {
        List<Integer> best = List.of();
        long most = Math.max(1, (count(statement, "rows_then") + 1) / 2) - 1;
        for (List<Integer> key : keys) {
            if (tells(statement, key)) {
                long both = count(statement, "rows_then o SEMI JOIN rows_now n USING (" + columns(key) + ")");
                if (both > most) {
                    most = both;
                    best = key;
                }
            }
        }
        return best;
    }

    /** True where columns are filled and together different in all rows. */
    private static boolean tells(Statement statement, List<Integer> key) throws SQLException {
        String filled = key.stream().map(i -> "x" + i + " IS NOT NULL").collect(Collectors.joining(" AND "));
        for (String rows : List.of("rows_then", "rows_now")) {
            try (ResultSet found = statement.executeQuery("SELECT count(*), count(DISTINCT CASE WHEN " + filled
                    + " THEN row(" + columns(key) + ") END) FROM " + rows)) {
                found.next();
                if (found.getLong(1) != found.getLong(2)) {
                    return false;
                }
            }
        }
        return true;
    }

    private static long count(Statement statement, String from) throws SQLException {
        try (ResultSet found = statement.executeQuery("SELECT count(*) FROM " + from)) {
            found.next();
            return found.getLong(1);
        }
    }

    /** A value as text, the same whatever width its column has. */
    private static String text(String cell, Type type) {
        String text = "CAST(" + cell + " AS VARCHAR)";
        return switch (type) {
            case TEXT -> cell;
            case DECIMAL, MONEY, PERCENT -> MasterText.shortestNumber(text);
            default -> text;
        };
    }
}
