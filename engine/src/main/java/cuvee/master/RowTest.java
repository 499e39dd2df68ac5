package cuvee.master;

import cuvee.value.Type;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;

/** Something that every row of the master is to meet; the rows that do not are counted, and the first of them shown. */
public sealed interface RowTest {
    /**
     * All conditions hold of every row, or never hold together.
     *
     * @param blanksPass columns whose blanks meet it whatever the conditions say
     */
    record Holds(List<RowRule.Condition> conditions, boolean never, List<Integer> blanksPass) implements RowTest {
        public Holds {
            conditions = List.copyOf(conditions);
            blanksPass = List.copyOf(blanksPass);
        }
    }

    /** No two rows are equal in all of some columns; rows that are blank in one of them are left alone. */
    record Unique(List<Integer> columns) implements RowTest {
        public Unique {
            columns = List.copyOf(columns);
        }
    }

    /** A column of dates lies within what is said for each table, by its number; other tables are left alone. */
    record Within(int column, Map<Integer, Span> spans) implements RowTest {
        public Within {
            spans = Map.copyOf(spans);
        }
    }

    /** Days from one on, and before another. */
    record Span(LocalDate from, LocalDate before) {}

    /** How many rows do not meet a test, and the first of them. */
    record Fails(long rows, List<MasterLine> first) {
        public Fails {
            first = List.copyOf(first);
        }
    }

    /** Counts the rows that do not meet a test. */
    static Fails fails(DuckDBConnection connection, MasterPlan plan, RowTest test, int most) {
        String master = plan.isShaped() ? "shown" : "master";
        String line = plan.isShaped() ? "m.from_tbl, m.from_row, m.from_turned" : "m.tbl, m.row, m.turned";
        String order = plan.isShaped() ? "m.row" : "p.ord, m.row, m.turned";
        String part = plan.isShaped() ? "" : " JOIN part p ON m.tbl = p.tbl";
        String where = where(test, plan, master);
        int width = plan.columns().size() + plan.tags().size();
        return Sql.ask("checking rows", () -> {
            try (Statement statement = connection.createStatement()) {
                long rows;
                try (ResultSet row =
                        statement.executeQuery("SELECT count(*) FROM " + master + " WHERE aside = 0 AND " + where)) {
                    row.next();
                    rows = row.getLong(1);
                }
                List<MasterLine> first = new ArrayList<>();
                if (rows > 0) {
                    try (ResultSet found = statement.executeQuery("SELECT " + line + MasterText.columnList(plan)
                            + " FROM (SELECT * FROM " + master + " WHERE aside = 0 AND " + where + ") m" + part
                            + " ORDER BY " + order + " LIMIT " + most)) {
                        while (found.next()) {
                            first.add(MasterLine.read(found, width));
                        }
                    }
                }
                return new Fails(rows, first);
            }
        });
    }

    private static String where(RowTest test, MasterPlan plan, String master) {
        if (test instanceof Holds holds) {
            String all = holds.conditions().stream()
                    .map(condition -> "(" + Marking.condition(condition, plan) + ")")
                    .collect(Collectors.joining(" AND "));
            String filled = holds.blanksPass().stream()
                    .map(column -> " AND " + key(column, plan) + " IS NOT NULL")
                    .collect(Collectors.joining());
            return (holds.never() ? "" : "NOT ") + "coalesce(" + all + ", false)" + filled;
        }
        if (test instanceof Unique unique) {
            String keys =
                    unique.columns().stream().map(column -> key(column, plan)).collect(Collectors.joining(", "));
            String filled = unique.columns().stream()
                    .map(column -> " AND " + key(column, plan) + " IS NOT NULL")
                    .collect(Collectors.joining());
            return "(" + keys + ") IN (SELECT (" + keys + ") FROM " + master + " WHERE aside = 0" + filled
                    + " GROUP BY " + keys + " HAVING count(*) > 1)";
        }
        Within within = (Within) test;
        String cell = Marking.cell(within.column(), plan);
        String table = plan.isShaped() ? "from_tbl" : "tbl";
        return within.spans().isEmpty()
                ? "false"
                : within.spans().entrySet().stream()
                        .map(each -> "(" + table + " = " + each.getKey() + " AND (" + cell + " < DATE '"
                                + each.getValue().from() + "' OR " + cell + " >= DATE '"
                                + each.getValue().before() + "'))")
                        .collect(Collectors.joining(" OR ", "(", ")"));
    }

    private static String key(int column, MasterPlan plan) {
        Type type = Marking.type(column, plan);
        return Marking.key(Marking.cell(column, plan), type);
    }
}
