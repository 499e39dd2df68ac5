package cuvee.master;

import cuvee.value.Type;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;

/** Brings the rows of the master into the shape in which they are shown and delivered, in a table of their own. */
final class Shaper {
    /** Values of more kinds than these are no columns. */
    static final int MOST_COLUMNS = 500;

    private static final String NO_LABEL = "(blank)";
    private final DuckDBConnection connection;
    private final MasterPlan plan;

    Shaper(DuckDBConnection connection, MasterPlan plan) {
        this.connection = connection;
        this.plan = plan;
    }

    /**
     * Makes the table.
     *
     * @param baseVersion changes with every change of the master
     */
    Shaped run(String baseVersion) throws SQLException {
        Shaping shaping = plan.shaping();
        List<MasterPlan.Column> columns = new ArrayList<>();
        List<String> selects = new ArrayList<>();
        List<Integer> from = new ArrayList<>();
        List<MasterPlan.Tag> tags = shaping.gathering().isPresent() ? List.of() : plan.tags();
        String rows;
        try (Statement statement = connection.createStatement()) {
            if (shaping.gathering().isPresent()) {
                Shaping.Gathering gathering = shaping.gathering().get();
                List<String> labels = labels(statement, gathering);
                if (labels.size() > MOST_COLUMNS) {
                    return Shaped.not(plan, labels.size());
                }
                gather(gathering, labels, columns, selects, from);
                rows = gathered(gathering, selects);
            } else {
                for (int i = 0; i < plan.columns().size(); i++) {
                    columns.add(plan.columns().get(i));
                    selects.add("m" + i);
                    from.add(i);
                }
                // A master of which all sources have gone has tags, and no column.
                rows = "SELECT m.tbl AS from_tbl, m.row AS from_row, m.turned AS from_turned,"
                        + " row_number() OVER (ORDER BY p.ord, m.row, m.turned) AS pos"
                        + (selects.isEmpty() ? "" : ", ") + list(selects, "c", "") + tagList()
                        + " FROM master m JOIN part p ON m.tbl = p.tbl WHERE m.aside = 0";
            }
            List<String> lost = new ArrayList<>();
            List<String> order = order(columns, tags, lost);
            StringBuilder all = new StringBuilder("SELECT 0 AS tbl, CAST(row_number() OVER (ORDER BY "
                    + String.join(", ", order) + ") AS INTEGER) AS row, 0 AS turned, 0 AS aside");
            int shift = 0;
            if (!shaping.numbered().isEmpty()) {
                all.append(", row_number() OVER (ORDER BY ")
                        .append(String.join(", ", order))
                        .append(") AS m0");
                columns.add(0, new MasterPlan.Column(free(shaping.numbered(), columns), Type.WHOLE_NUMBER, 12, 0));
                from.add(0, -1);
                shift = 1;
            }
            for (int i = 0; i < selects.size(); i++) {
                all.append(", c").append(i).append(" AS m").append(i + shift);
            }
            for (int i = 0; i < tags.size(); i++) {
                all.append(", t").append(i);
            }
            all.append(", from_tbl, from_row, from_turned FROM (").append(rows).append(") ORDER BY row");
            String sources = plan.tables().stream()
                    .map(table -> String.valueOf(table.id()))
                    .collect(Collectors.joining(" "));
            String made = MasterBuild.digest(baseVersion + "\n" + sources + "\n" + all);
            if (!made.equals(StoreNotes.get(connection, "shown"))) {
                statement.execute("CREATE OR REPLACE TABLE shown AS " + all);
                StoreNotes.put(connection, "shown", made);
            }
            long before = count(statement, "master WHERE aside = 0");
            long after = count(statement, "shown");
            return new Shaped(
                    new MasterPlan(columns, tags, List.of(whole(after))),
                    from,
                    before,
                    after,
                    lost,
                    "",
                    clashes(statement));
        }
    }

    /** A name that no column has: values that became columns may be called like the numbers of the rows. */
    private static String free(String wanted, List<MasterPlan.Column> columns) {
        Set<String> names = columns.stream().map(MasterPlan.Column::name).collect(Collectors.toSet());
        String name = wanted;
        for (int copy = 2; names.contains(name); copy++) {
            name = wanted + " (" + copy + ")";
        }
        return name;
    }

    /** All rows of the table as those of one. */
    static MasterPlan.Table whole(long rows) {
        int last = (int) rows;
        return new MasterPlan.Table(
                0,
                0,
                8,
                "",
                "",
                1,
                Math.max(1, last),
                new MasterPlan.Runs(new int[] {1}, new int[] {last}),
                false,
                0,
                List.of(),
                List.of(),
                List.of(),
                Set.of(),
                List.of());
    }

    private static long count(Statement statement, String of) throws SQLException {
        try (ResultSet row = statement.executeQuery("SELECT count(*) FROM " + of)) {
            row.next();
            return row.getLong(1);
        }
    }

    private static String list(List<String> selects, String name, String before) {
        List<String> named = new ArrayList<>();
        for (int i = 0; i < selects.size(); i++) {
            named.add(before + selects.get(i) + " AS " + name + i);
        }
        return String.join(", ", named);
    }

    private String tagList() {
        StringBuilder tags = new StringBuilder();
        for (int i = 0; i < plan.tags().size(); i++) {
            tags.append(", t").append(i);
        }
        return tags.toString();
    }

    // ---- values that become columns ----

    private String cell(int column) {
        return Marking.cell(column, plan);
    }

    private Type type(int column) {
        return column < plan.columns().size() ? plan.columns().get(column).type() : Type.TEXT;
    }

    /** What a value is called as a column. */
    private String label(int column) {
        return label(column, "");
    }

    String label(int column, String of) {
        String text = column < plan.columns().size()
                ? MasterText.canonical(of + cell(column), plan.columns().get(column))
                : of + cell(column);
        return "coalesce(nullif(trim(" + text + "), ''), " + Sql.literal(NO_LABEL) + ")";
    }

    /** The different labels in the order in which the master first has them, days and numbers in their own. */
    private List<String> labels(Statement statement, Shaping.Gathering gathering) throws SQLException {
        boolean own = type(gathering.label()) != Type.TEXT;
        List<String> labels = new ArrayList<>();
        try (ResultSet rows =
                statement.executeQuery("SELECT " + label(gathering.label()) + " AS label FROM master m JOIN part p ON"
                        + " m.tbl = p.tbl WHERE m.aside = 0 GROUP BY 1 ORDER BY "
                        + (own ? "min(" + cell(gathering.label()) + ")" : "min((p.ord, m.row, m.turned))") + " LIMIT "
                        + (MOST_COLUMNS + 1))) {
            while (rows.next()) {
                labels.add(rows.getString(1));
            }
        }
        return labels;
    }

    private void gather(
            Shaping.Gathering gathering,
            List<String> labels,
            List<MasterPlan.Column> columns,
            List<String> selects,
            List<Integer> from) {
        Set<String> names = new LinkedHashSet<>();
        for (int key : gathering.keys()) {
            columns.add(
                    key < plan.columns().size()
                            ? plan.columns().get(key)
                            : new MasterPlan.Column(
                                    plan.tags().get(key - plan.columns().size()).name(), Type.TEXT, 0, 0));
            names.add(columns.get(columns.size() - 1).name());
            selects.add(cell(key));
            from.add(key);
        }
        for (String label : labels) {
            String name = label;
            for (int copy = 2; !names.add(name); copy++) {
                name = label + " (" + copy + ")";
            }
            columns.add(held(gathering, name));
            selects.add(held(gathering) + " FILTER (WHERE label = " + Sql.literal(label) + ")");
            from.add(gathering.value());
        }
    }

    private MasterPlan.Column held(Shaping.Gathering gathering, String name) {
        MasterPlan.Column value = gathering.value() < plan.columns().size()
                ? plan.columns().get(gathering.value())
                : new MasterPlan.Column(name, Type.TEXT, 0, 0);
        return switch (gathering.how()) {
            case COUNT -> new MasterPlan.Column(name, Type.WHOLE_NUMBER, 18, 0);
            case AVERAGE -> new MasterPlan.Column(name, Type.DECIMAL, 28, 6);
            default ->
                new MasterPlan.Column(
                        name,
                        value.type(),
                        28,
                        value.decimals(),
                        Map.of(),
                        MasterPlan.Column.Part.VALUE,
                        value.currency(),
                        MasterPlan.Spelling.AS_WRITTEN,
                        value.words());
        };
    }

    private String held(Shaping.Gathering gathering) {
        String value = cell(gathering.value());
        return switch (gathering.how()) {
            case SUM -> "sum(" + value + ")";
            case AVERAGE -> "avg(" + value + ")";
            case COUNT -> "count(" + value + ")";
            case LEAST -> "min(" + value + ")";
            case GREATEST -> "max(" + value + ")";
            case FIRST -> "arg_min(" + value + ", pos)";
            case LAST -> "arg_max(" + value + ", pos)";
        };
    }

    private String gathered(Shaping.Gathering gathering, List<String> selects) {
        String keys = gathering.keys().stream().map(this::cell).collect(Collectors.joining(", "));
        List<String> typed = new ArrayList<>();
        int items = gathering.keys().size();
        for (int i = 0; i < selects.size(); i++) {
            String select = selects.get(i);
            typed.add(
                    i < items
                            ? select
                            : "CAST(" + select + " AS " + held(gathering, "").sqlType() + ")");
        }
        return "SELECT " + list(typed, "c", "") + ", arg_min(tbl, pos) AS from_tbl, arg_min(row, pos) AS from_row,"
                + " arg_min(turned, pos) AS from_turned, min(pos) AS pos FROM (SELECT m.*, " + label(gathering.label())
                + " AS label, row_number() OVER (ORDER BY p.ord, m.row, m.turned) AS pos FROM master m JOIN part p"
                + " ON m.tbl = p.tbl WHERE m.aside = 0)" + (keys.isEmpty() ? "" : " GROUP BY " + keys);
    }

    /** How many cells are made of several values though they hold the first or the last of them. */
    private long clashes(Statement statement) throws SQLException {
        Shaping.Gathering gathering = plan.shaping().gathering().orElse(null);
        boolean one =
                gathering != null && (gathering.how() == Shaping.How.FIRST || gathering.how() == Shaping.How.LAST);
        if (gathering == null || !one) {
            return 0;
        }
        String keys = gathering.keys().stream().map(key -> cell(key) + ", ").collect(Collectors.joining());
        return count(
                statement,
                "(SELECT 1 FROM master WHERE aside = 0 AND " + cell(gathering.value()) + " IS NOT NULL GROUP BY " + keys
                        + label(gathering.label()) + " HAVING count(*) > 1)");
    }

    // ---- order ----

    private List<String> order(List<MasterPlan.Column> columns, List<MasterPlan.Tag> tags, List<String> lost) {
        List<String> order = new ArrayList<>();
        List<String> names = new ArrayList<>();
        columns.forEach(column -> names.add(column.name()));
        tags.forEach(tag -> names.add(tag.name()));
        for (Shaping.Order each : plan.shaping().orders()) {
            int at = names.indexOf(each.column());
            if (at < 0) {
                lost.add(each.column());
                continue;
            }
            boolean text = at >= columns.size() || columns.get(at).type() == Type.TEXT;
            String cell = at < columns.size() ? "c" + at : "t" + (at - columns.size());
            order.add((text ? "lower(" + cell + ")" : cell) + (each.greatestFirst() ? " DESC" : "") + " NULLS LAST");
        }
        order.add("pos");
        return order;
    }
}
