package cuvee.master;

import cuvee.value.Spellings;
import cuvee.value.Type;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/** The rows and values of the master, before it is shaped, that rules touch. Whoever opens it closes it. */
public final class RuleRows implements AutoCloseable {
    private final DuckDBConnection connection;
    private final MasterPlan plan;
    private final String columns;
    private final int width;

    RuleRows(DuckDBConnection connection, MasterPlan plan) {
        this.connection = connection;
        this.plan = plan;
        this.columns = MasterText.columnList(plan);
        this.width = plan.columns().size() + plan.tags().size();
    }

    private MasterLine line(ResultSet rows) throws SQLException {
        return MasterLine.read(rows, width);
    }

    /** The first rows that a rule sets aside, at most so many, in the order of the master. */
    public List<MasterLine> setAside(int rule, int count) {
        return Sql.ask("reading rows", () -> {
            List<MasterLine> lines = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT m.tbl, m.row, m.turned" + columns
                            + " FROM master m JOIN part p ON m.tbl = p.tbl WHERE m.aside = " + (rule + 1)
                            + " ORDER BY p.ord, m.row, m.turned LIMIT " + count)) {
                while (rows.next()) {
                    lines.add(line(rows));
                }
            }
            return lines;
        });
    }

    /**
     * What a rule that is not in force yet would do.
     *
     * @param rows how many rows of the master it would set aside
     * @param sum what a column of theirs adds up to; null where none was asked for or there is none
     * @param first the first of them
     */
    public record Would(long rows, @Nullable String sum, List<MasterLine> first) {}

    /**
     * Asks what a rule would set aside, beyond what those in force do.
     *
     * @param summed the column whose sum is wanted; below zero for none
     */
    public Would would(RowRule.Meeting rule, int summed, int count) {
        String where = " WHERE " + Marking.wouldSetAside(rule, plan);
        return Sql.ask("trying a rule", () -> {
            List<MasterLine> lines = new ArrayList<>();
            try (Statement statement = connection.createStatement()) {
                String sum = summed < 0 ? "NULL" : "CAST(sum(m" + summed + ") AS VARCHAR)";
                long rows;
                String summedUp;
                try (ResultSet counted = statement.executeQuery("SELECT count(*), " + sum + " FROM master" + where)) {
                    counted.next();
                    rows = counted.getLong(1);
                    summedUp = counted.getString(2);
                }
                try (ResultSet some = statement.executeQuery("SELECT m.tbl, m.row, m.turned" + columns
                        + " FROM (SELECT * FROM master" + where + ") m JOIN part p ON m.tbl = p.tbl"
                        + " ORDER BY p.ord, m.row, m.turned LIMIT " + count)) {
                    while (some.next()) {
                        lines.add(line(some));
                    }
                }
                return new Would(rows, summedUp, lines);
            }
        });
    }

    /**
     * What a formula would make, if a column were made by it.
     *
     * @param filled the rows of which it says something
     * @param all the rows that no rule sets aside
     * @param used the columns that it looks at, in their order
     * @param first for some rows the values of these columns, and last what it makes of them; {@code null} where there is none
     */
    public record Making(long filled, long all, List<Integer> used, List<List<@Nullable String>> first) {}

    /**
     * Tries a formula.
     *
     * @param column what would hold its values
     */
    public Making wouldMake(Formula formula, MasterPlan.Column column, int count) {
        List<Integer> used = Computing.used(formula);
        String made = new Computing(plan).made(formula, column);
        String cells = used.stream()
                .map(each -> "CAST(m." + Marking.cell(each, plan) + " AS VARCHAR), ")
                .collect(Collectors.joining());
        return Sql.ask("trying a formula", () -> {
            List<List<@Nullable String>> first = new ArrayList<>();
            try (Statement statement = connection.createStatement()) {
                long filled;
                long all;
                try (ResultSet counted =
                        statement.executeQuery("SELECT count(" + made + "), count(*) FROM master WHERE aside = 0")) {
                    counted.next();
                    filled = counted.getLong(1);
                    all = counted.getLong(2);
                }
                try (ResultSet some =
                        statement.executeQuery("SELECT " + cells + "CAST(m.result AS VARCHAR) FROM (SELECT *, "
                                + made + " AS result FROM master WHERE aside = 0) m JOIN part p ON m.tbl = p.tbl"
                                + " ORDER BY p.ord, m.row, m.turned LIMIT " + count)) {
                    while (some.next()) {
                        List<@Nullable String> row = new ArrayList<>();
                        for (int i = 1; i <= used.size() + 1; i++) {
                            row.add(some.getString(i));
                        }
                        first.add(row);
                    }
                }
                return new Making(filled, all, used, first);
            }
        });
    }

    /**
     * A row among those equal to it.
     *
     * @param stays true for the one that no rule sets aside
     */
    public record Equal(MasterLine line, boolean stays) {}

    /** The first rows that a rule about equal rows sets aside, each group behind the row of it that stays, at most so many. */
    public List<Equal> groups(int rule, int count) {
        List<Integer> keys = ((RowRule.Equal) plan.rules().get(rule)).columns();
        List<String> here = new ArrayList<>();
        List<String> same = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            String cell = Marking.cell(keys.get(i), plan);
            Type type = Marking.type(keys.get(i), plan);
            here.add(Marking.key(cell, type) + " AS k" + i);
            same.add(Marking.key("m." + cell, type) + " IS NOT DISTINCT FROM k.k" + i);
        }
        return Sql.ask("reading rows", () -> {
            List<Equal> rows = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet found = statement.executeQuery("SELECT m.tbl, m.row, m.turned" + columns
                            + ", m.aside FROM master m JOIN part p ON m.tbl = p.tbl JOIN (SELECT "
                            + String.join(", ", here) + ", min((tbl, row, turned)) AS first FROM master WHERE aside = "
                            + (rule + 1) + " GROUP BY ALL ORDER BY first LIMIT " + count + ") k ON "
                            + String.join(" AND ", same) + " WHERE m.aside IN (0, " + (rule + 1)
                            + ") ORDER BY k.first, m.aside, p.ord, m.row, m.turned LIMIT " + count)) {
                while (found.next()) {
                    rows.add(new Equal(line(found), found.getInt(width + 4) == 0));
                }
            }
            return rows;
        });
    }

    /**
     * The rows that met in a cell of a gathered master, in the order of this one, at most so many.
     *
     * @param first any row of this master with the keys of the cell's row
     * @param label the name of the cell's column
     */
    public List<MasterLine> gathered(MasterLine first, String label, int most) {
        Shaping.Gathering gathering = plan.shaping().gathering().orElseThrow();
        return Sql.ask("reading rows", () -> {
            String same = gathering.keys().stream()
                    .map(key -> Marking.cell(key, plan))
                    .map(key -> " AND m." + key + " IS NOT DISTINCT FROM k." + key)
                    .collect(Collectors.joining());
            List<MasterLine> lines = new ArrayList<>();
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT * FROM (SELECT tbl, row, turned" + columns
                            + ", ord, label, value FROM (SELECT m.*, p.ord, "
                            + new Shaper(connection, plan).label(gathering.label(), "m.") + " AS label, m."
                            + Marking.cell(gathering.value(), plan)
                            + " AS value FROM master m JOIN part p ON m.tbl = p.tbl"
                            + " JOIN master k ON k.tbl = " + first.table() + " AND k.row = " + first.row()
                            + " AND k.turned = " + (first.turned() + 1) + same + " WHERE m.aside = 0)) WHERE label = "
                            + Sql.literal(label) + " AND value IS NOT NULL ORDER BY ord, row, turned LIMIT " + most)) {
                while (rows.next()) {
                    lines.add(line(rows));
                }
            }
            return lines;
        });
    }

    /** Values of a column other than some texts, with how many rows hold each, the most frequent first. */
    public List<Spellings.Counted> others(int column, Collection<String> texts) {
        return Sql.ask("counting", () -> {
            List<Spellings.Counted> others = new ArrayList<>();
            String value = "CAST(m" + column + " AS VARCHAR)";
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT " + value
                            + ", count(*) AS n FROM master WHERE aside = 0"
                            + " AND trim(" + value + ") <> '' AND " + value + " NOT IN ("
                            + texts.stream().map(Sql::literal).collect(Collectors.joining(", ")) + ") GROUP BY 1"
                            + " ORDER BY n DESC, 1")) {
                while (rows.next()) {
                    others.add(new Spellings.Counted(rows.getString(1), rows.getLong(2)));
                }
            }
            return others;
        });
    }

    /** In how many rows a made column is blank though all that its formula needs is there. */
    public long unanswered(MasterPlan.Making making) {
        return count(" WHERE aside = 0 AND " + new Computing(plan).unanswered(making));
    }

    /** How many rows hold a value of a column, those that rules set aside included. */
    public long filled(int column) {
        return count(" WHERE m" + column + " IS NOT NULL");
    }

    private long count(String where) {
        return Sql.ask("counting", () -> {
            try (Statement statement = connection.createStatement();
                    ResultSet row = statement.executeQuery("SELECT count(*) FROM master" + where)) {
                row.next();
                return row.getLong(1);
            }
        });
    }

    @Override
    public void close() {
        Sql.run("closing", connection::close);
    }
}
