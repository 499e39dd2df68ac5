package cuvee.master;

import cuvee.value.Type;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/**
 * The rows of the master that meet some conditions, in an order of their own: a look at the master that changes nothing of
 * it. The first rows are there at once; to reach the others the store orders all of them, when the first is asked for, and
 * keeps no more than where each of them stands. Used by one thread at a time; whoever opens it closes it. It holds for the
 * master as it was made last.
 */
public final class RowView implements AutoCloseable {
    /** Up to so many different texts of a column are ordered first, and the rows by their places. */
    private static final int MOST_RANKED = 200_000;

    private final DuckDBConnection connection;
    private final MasterPlan plan;
    private final List<By> order;
    private final String master;
    private final String line;
    private final String where;
    private final String columns;
    private final int width;
    private final List<ColumnTotal> totals;
    private final long rows;
    private boolean ordered;

    /**
     * What rows are ordered by; what is blank comes last either way.
     *
     * @param column the master's column, tags behind the others
     * @param greatestFirst the greatest number, the latest date, the last text from A to Z first
     */
    public record By(int column, boolean greatestFirst) {}

    /** How many rows there are, and what their columns add up to. */
    public record Counted(long rows, List<ColumnTotal> totals) {
        public Counted {
            totals = List.copyOf(totals);
        }
    }

    /**
     * A look at some rows.
     *
     * @param all how many rows the master has and what they add up to, where that is known: what is looked at without
     *     conditions is not counted anew
     */
    RowView(
            DuckDBConnection connection,
            MasterPlan plan,
            List<RowRule.Condition> conditions,
            List<By> order,
            Optional<Counted> all) {
        this.connection = connection;
        this.plan = plan;
        this.order = List.copyOf(order);
        this.master = plan.isShaped() ? "shown" : "master";
        this.line = plan.isShaped() ? "m.from_tbl, m.from_row, m.from_turned" : "m.tbl, m.row, m.turned";
        this.columns = MasterText.columnList(plan);
        this.width = plan.columns().size() + plan.tags().size();
        this.where = " WHERE aside = 0"
                + conditions.stream()
                        .map(condition -> " AND coalesce(" + Marking.condition(condition, plan) + ", false)")
                        .collect(Collectors.joining());
        boolean known = conditions.isEmpty() && all.isPresent();
        this.totals = new ArrayList<>(known ? all.get().totals() : List.of());
        this.rows = known ? all.get().rows() : countAndAdd(totals);
    }

    private long countAndAdd(List<ColumnTotal> all) {
        StringBuilder sql = new StringBuilder("SELECT count(*)");
        for (int i = 0; i < plan.columns().size(); i++) {
            sql.append(", count(m").append(i).append(")");
            sql.append(plan.addsUp(i) ? ", CAST(sum(m" + i + ") AS VARCHAR)" : ", NULL");
        }
        return Sql.ask("adding up", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(sql + " FROM " + master + where)) {
                row.next();
                for (int i = 0; i < plan.columns().size(); i++) {
                    String sum = row.getString(3 + i * 2);
                    all.add(new ColumnTotal(
                            plan.columns().get(i).name(),
                            row.getLong(2 + i * 2),
                            sum == null ? null : MasterText.shortest(sum)));
                }
                return row.getLong(1);
            }
        });
    }

    /** How many rows meet the conditions. */
    public long rows() {
        return rows;
    }

    /** How many of these rows hold a value of each column, and their sum where it is a number that adds up. */
    public List<ColumnTotal> totals() {
        return List.copyOf(totals);
    }

    /** Rows from a position on, at most so many. */
    public List<MasterLine> page(long from, int count) {
        return Sql.ask("ordering rows", () -> {
            try (Statement statement = connection.createStatement()) {
                if (from == 0 && !ordered) {
                    // Where they stand comes first: to write all values of all rows would cost far more than their
                    // order.
                    statement.execute(
                            "CREATE OR REPLACE TEMP TABLE first_in_view AS " + standing(statement) + " LIMIT " + count);
                    return page(statement, "first_in_view", 0, count);
                }
                orderAll(statement);
                return page(statement, "in_view", from, count);
            }
        });
    }

    /** The position of the first row from one on in which a text stands in some column, capitals alike; below 0 for none. */
    public long find(String text, long from) {
        return Sql.ask("searching", () -> {
            try (Statement statement = connection.createStatement()) {
                orderAll(statement);
                try (ResultSet row =
                        statement.executeQuery("SELECT min(v.rowid) FROM in_view v JOIN (SELECT rowid AS r FROM "
                                + master + " WHERE " + holds(text) + ") m ON m.r = v.r WHERE v.rowid >= " + from)) {
                    row.next();
                    long found = row.getLong(1);
                    return row.wasNull() ? -1L : found;
                }
            }
        });
    }

    /** In how many of these rows a text stands in some column, capitals alike. */
    public long holding(String text) {
        return Sql.ask("searching", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery(
                            "SELECT count(*) FROM " + master + where + " AND (" + holds(text) + ")")) {
                row.next();
                return row.getLong(1);
            }
        });
    }

    private String holds(String text) {
        String part = Sql.literal(text.toLowerCase(Locale.ROOT));
        List<String> each = new ArrayList<>();
        for (int i = 0; i < width; i++) {
            String cell = Marking.cell(i, plan);
            String said = i < plan.columns().size()
                    ? MasterText.shown(cell, plan.columns().get(i))
                    : cell;
            each.add("contains(lower(" + said + "), " + part + ")");
        }
        return "coalesce(" + String.join(", false) OR coalesce(", each) + ", false)";
    }

    private List<MasterLine> lines(Statement statement, String sql) throws SQLException {
        List<MasterLine> lines = new ArrayList<>();
        try (ResultSet found = statement.executeQuery(sql)) {
            while (found.next()) {
                lines.add(MasterLine.read(found, width));
            }
        }
        return lines;
    }

    /** Where the rows stand in the store, in their order. */
    private String standing(Statement statement) throws SQLException {
        return "SELECT m.r FROM (SELECT rowid AS r, * FROM " + master + where + ") m" + part() + ranks(statement)
                + " ORDER BY " + orderBy(statement);
    }

    private void orderAll(Statement statement) throws SQLException {
        if (!ordered) {
            statement.execute("CREATE OR REPLACE TEMP TABLE in_view AS " + standing(statement));
            ordered = true;
        }
    }

    private List<MasterLine> page(Statement statement, String of, long from, int count) throws SQLException {
        return lines(
                statement,
                "SELECT " + line + columns + " FROM (SELECT r, rowid AS n FROM " + of + " WHERE rowid >= " + from
                        + " AND rowid < " + (from + count) + ") v JOIN " + master + " m ON m.rowid = v.r ORDER BY n");
    }

    private String part() {
        return plan.isShaped() ? "" : " JOIN part p ON m.tbl = p.tbl";
    }

    // ---- the order of texts ----

    /** Whether the texts of each column of the order are ranked; found out when it is first asked for. */
    private @Nullable List<Boolean> ranked;

    private List<Boolean> ranked(Statement statement) throws SQLException {
        List<Boolean> known = ranked;
        if (known == null) {
            known = new ArrayList<>();
            for (int i = 0; i < order.size(); i++) {
                known.add(rank(statement, i));
            }
            ranked = known;
        }
        return known;
    }

    /** Orders the different texts of a column, where there are not too many; the same text then costs a number. */
    private boolean rank(Statement statement, int at) throws SQLException {
        int column = order.get(at).column();
        if (Marking.type(column, plan) != Type.TEXT) {
            return false;
        }
        String cell = Marking.cell(column, plan);
        try (ResultSet row = statement.executeQuery("SELECT approx_count_distinct(" + cell + ") FROM " + master)) {
            row.next();
            if (row.getLong(1) > MOST_RANKED) {
                return false;
            }
        }
        statement.execute("CREATE OR REPLACE TEMP TABLE ranked" + at
                + " AS SELECT text, row_number() OVER (ORDER BY lower(trim(text)), text) AS n FROM (SELECT DISTINCT "
                + cell + " AS text FROM " + master + " WHERE " + filled(cell) + ")");
        return true;
    }

    private static String filled(String cell) {
        return "trim(" + cell + ") <> ''";
    }

    private String ranks(Statement statement) throws SQLException {
        List<Boolean> known = ranked(statement);
        StringBuilder joins = new StringBuilder();
        for (int i = 0; i < order.size(); i++) {
            if (known.get(i)) {
                joins.append(" LEFT JOIN ranked" + i + " ON ranked" + i + ".text = m."
                        + Marking.cell(order.get(i).column(), plan));
            }
        }
        return joins.toString();
    }

    private String orderBy(Statement statement) throws SQLException {
        List<Boolean> known = ranked(statement);
        List<String> by = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            String cell = "m." + Marking.cell(order.get(i).column(), plan);
            boolean text = Marking.type(order.get(i).column(), plan) == Type.TEXT;
            String direction = (order.get(i).greatestFirst() ? " DESC" : " ASC") + " NULLS LAST";
            if (known.get(i)) {
                by.add("ranked" + i + ".n" + direction);
            } else if (text) {
                by.add("nullif(lower(trim(" + cell + ")), '')" + direction);
                by.add(cell + direction);
            } else {
                by.add(cell + direction);
            }
        }
        by.addAll(plan.isShaped() ? List.of("m.row") : List.of("p.ord", "m.row", "m.turned"));
        return String.join(", ", by);
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }
}
