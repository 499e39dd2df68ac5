package cuvee.master;

import cuvee.value.Spellings;
import cuvee.value.Spellings.Counted;
import cuvee.value.Type;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.duckdb.DuckDBConnection;

/**
 * All the different values of a column of the master with how many rows hold each, the most frequent first. The list is
 * kept in the store, so that millions of values cost no memory. Used by one thread; whoever opens it closes it.
 */
public final class ValueList implements AutoCloseable {
    /** Beyond so many different values a column holds no categories, and near-equal spellings mean nothing. */
    private static final int MOST_SPELLINGS = 20_000;

    private final DuckDBConnection connection;
    private final Type type;
    private final ColumnFacts facts;
    private String found = "counted";
    private long size;

    ValueList(DuckDBConnection connection, MasterPlan plan, int column) {
        this.connection = connection;
        boolean tag = column >= plan.columns().size();
        String cell = tag ? "t" + (column - plan.columns().size()) : "m" + column;
        this.type = tag ? Type.TEXT : plan.columns().get(column).type();
        String text = tag ? cell : MasterText.canonical(cell, plan.columns().get(column));
        this.facts = Sql.ask("counting values", () -> {
            try (Statement statement = connection.createStatement()) {
                statement.execute("CREATE OR REPLACE TEMP TABLE counted AS SELECT " + text + " AS value, count(*) AS n"
                        + " FROM master WHERE aside = 0 AND " + cell + " IS NOT NULL GROUP BY " + cell
                        + " ORDER BY n DESC, " + cell);
                boolean number = type.isNumber();
                String median = number || type.isMoment() ? "quantile_disc(" + cell + ", 0.5)" : "NULL";
                try (ResultSet row = statement.executeQuery("SELECT count(*), count(" + cell + "), min(" + cell
                        + "), max(" + cell + "), " + (!tag && plan.addsUp(column) ? "sum(" + cell + ")" : "NULL") + ", "
                        + median
                        + ", (SELECT count(*) FROM counted) FROM master WHERE aside = 0")) {
                    row.next();
                    return new ColumnFacts(
                            row.getLong(1),
                            row.getLong(2),
                            row.getLong(7),
                            said(row, 3),
                            said(row, 4),
                            said(row, 5),
                            said(row, 6));
                }
            }
        });
        size = facts.different();
    }

    private String said(ResultSet row, int at) throws java.sql.SQLException {
        String text = row.getString(at);
        if (text == null) {
            return text;
        }
        return type.isNumber() ? MasterText.shortest(text) : type == Type.DATE_AND_TIME ? text.replace(' ', 'T') : text;
    }

    public ColumnFacts facts() {
        return facts;
    }

    /** How many different values there are, those that were searched for only. */
    public long size() {
        return size;
    }

    /** Narrows the list down to values that contain a text, capitals alike; an empty one stands for all. */
    public void search(String part) {
        Sql.run("searching values", () -> {
            try (Statement statement = connection.createStatement()) {
                if (part.isEmpty()) {
                    found = "counted";
                    size = facts.different();
                    return;
                }
                statement.execute("CREATE OR REPLACE TEMP TABLE matching AS SELECT value, n FROM counted"
                        + " WHERE contains(lower(value), " + Sql.literal(part.toLowerCase(Locale.ROOT))
                        + ") ORDER BY rowid");
                found = "matching";
                try (ResultSet row = statement.executeQuery("SELECT count(*) FROM matching")) {
                    row.next();
                    size = row.getLong(1);
                }
            }
        });
    }

    /** Values from a position on, at most so many. */
    public List<Counted> page(long from, int count) {
        return Sql.ask("reading values", () -> {
            List<Counted> page = new ArrayList<>(count);
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT value, n FROM " + found + " WHERE rowid >= " + from
                            + " AND rowid < " + (from + count) + " ORDER BY rowid")) {
                while (rows.next()) {
                    page.add(new Counted(rows.getString(1), rows.getLong(2)));
                }
            }
            return page;
        });
    }

    /** Values that look like one value spelled in several ways; none where the column holds no categories. */
    public List<Spellings.Group> nearlyAlike() {
        return type == Type.TEXT && facts.different() <= MOST_SPELLINGS
                ? alike(connection, "SELECT value, n FROM counted ORDER BY rowid")
                : List.of();
    }

    /** The same for a text column of which nothing else is asked. */
    static List<Spellings.Group> nearlyAlike(DuckDBConnection connection, int column) {
        String cell = "m" + column;
        return alike(
                connection,
                "SELECT " + cell + ", count(*) AS n FROM master WHERE aside = 0 AND " + cell + " IS NOT NULL GROUP BY "
                        + cell + " ORDER BY n DESC, " + cell + " LIMIT " + (MOST_SPELLINGS + 1));
    }

    private static List<Spellings.Group> alike(DuckDBConnection connection, String counted) {
        return Sql.ask("comparing values", () -> {
            List<Counted> all = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(counted)) {
                while (rows.next()) {
                    all.add(new Counted(rows.getString(1), rows.getLong(2)));
                }
            }
            return all.size() > MOST_SPELLINGS ? List.of() : Spellings.nearlyAlike(all);
        });
    }

    public boolean isClosed() {
        return Sql.ask("asking", connection::isClosed);
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }
}
