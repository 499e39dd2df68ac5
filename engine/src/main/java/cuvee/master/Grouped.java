package cuvee.master;

import cuvee.finding.CuveeException;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.duckdb.DuckDBConnection;
import org.jspecify.annotations.Nullable;

/**
 * Figures over the rows of the master, group by group: each group of each set of keys is reckoned from its own rows, so that
 * the average of all is no average of averages.
 */
public final class Grouped {
    /** More groups than this are held in no memory. */
    private static final int MOST_GROUPS = 200_000;

    private Grouped() {}

    /** What is reckoned over the rows of a group. */
    public enum Measure {
        SUM,
        ROWS,
        FILLED,
        DIFFERENT,
        AVERAGE,
        MEDIAN,
        LEAST,
        GREATEST
    }

    /**
     * A figure that is asked for.
     *
     * @param column the master's column, tags behind the others; any for {@link Measure#ROWS}
     */
    public record Value(Measure measure, int column) {}

    /** What of a value tells groups apart. */
    public enum Span {
        VALUE,
        DAY,
        WEEK,
        MONTH,
        QUARTER,
        YEAR
    }

    /** A column whose values, or the days, weeks, months, quarters or years of whose dates, tell groups apart. */
    public record Key(int column, Span span) {}

    /**
     * What is asked for.
     *
     * @param sets which of the keys, by their places, tell groups apart; one list of groups for each
     */
    public record Asked(
            List<Value> values, List<Key> keys, List<List<Integer>> sets, List<RowRule.Condition> conditions) {
        public Asked {
            values = List.copyOf(values);
            keys = List.copyOf(keys);
            sets = sets.stream().map(List::copyOf).toList();
            conditions = List.copyOf(conditions);
        }
    }

    /**
     * A group and its figures.
     *
     * @param keys what tells it apart, for each key of its set: canonical text, null for blank; texts in small letters, as
     *     they are compared
     * @param said the same as it is written, of several spellings the first from A to Z
     * @param rows how many rows it has
     * @param values its figures in the order asked for: canonical text, null where there is none
     */
    public record Group(
            List<@Nullable String> keys, List<@Nullable String> said, long rows, List<@Nullable String> values) {}

    /** The groups of each set, in no order. */
    static List<List<Group>> of(DuckDBConnection connection, MasterPlan plan, Asked asked) {
        return Sql.ask("summing up", () -> {
            List<List<Group>> sets = new ArrayList<>();
            try (Statement statement = connection.createStatement()) {
                for (List<Integer> set : asked.sets()) {
                    sets.add(groups(statement, plan, asked, set));
                }
            }
            return sets;
        });
    }

    private static List<Group> groups(Statement statement, MasterPlan plan, Asked asked, List<Integer> set)
            throws SQLException {
        List<String> select = new ArrayList<>();
        set.forEach(at -> select.add(key(asked.keys().get(at), plan)));
        set.forEach(at -> select.add(said(asked.keys().get(at), plan)));
        select.add("count(*)");
        for (Value value : asked.values()) {
            select.add(value(value, plan));
        }
        String groups = set.isEmpty()
                ? ""
                : " GROUP BY "
                        + java.util.stream.IntStream.rangeClosed(1, set.size())
                                .mapToObj(String::valueOf)
                                .collect(Collectors.joining(", "));
        String where = asked.conditions().stream()
                .map(condition -> " AND coalesce(" + Marking.condition(condition, plan) + ", false)")
                .collect(Collectors.joining());
        List<Group> found = new ArrayList<>();
        try (ResultSet rows = statement.executeQuery("SELECT " + String.join(", ", select) + " FROM "
                + (plan.isShaped() ? "shown" : "master") + " WHERE aside = 0" + where + groups)) {
            while (rows.next()) {
                List<@Nullable String> keys = new ArrayList<>();
                for (int i = 0; i < set.size(); i++) {
                    keys.add(rows.getString(i + 1));
                }
                List<@Nullable String> said = new ArrayList<>();
                for (int i = 0; i < set.size(); i++) {
                    said.add(rows.getString(set.size() + i + 1));
                }
                List<@Nullable String> values = new ArrayList<>();
                for (int i = 0; i < asked.values().size(); i++) {
                    values.add(plain(
                            rows.getString(2 * set.size() + 2 + i),
                            asked.values().get(i),
                            plan));
                }
                found.add(new Group(keys, said, rows.getLong(2 * set.size() + 1), values));
                if (found.size() > MOST_GROUPS) {
                    throw CuveeException.failure(
                            "too-many-groups",
                            Where.JOB,
                            "There are more than " + Says.number(MOST_GROUPS) + " groups, more than anyone can read.",
                            "Nothing was summed up or written.",
                            "Ask for something with fewer different values, or narrow the rows down.");
                }
            }
        }
        return found;
    }

    private static @Nullable String plain(@Nullable String figure, Value value, MasterPlan plan) {
        if (figure == null) {
            return null;
        }
        boolean number = switch (value.measure()) {
            case ROWS, FILLED, DIFFERENT, SUM, AVERAGE, MEDIAN -> true;
            case LEAST, GREATEST -> Marking.type(value.column(), plan).isNumber();
        };
        if (number) {
            BigDecimal exact = new BigDecimal(figure).stripTrailingZeros();
            return (exact.scale() < 0 ? exact.setScale(0) : exact).toPlainString();
        }
        return Marking.type(value.column(), plan) == Type.DATE_AND_TIME ? figure.replace(' ', 'T') : figure;
    }

    private static String key(Key key, MasterPlan plan) {
        String cell = Marking.cell(key.column(), plan);
        return switch (key.span()) {
            case DAY -> "strftime(" + cell + ", '%Y-%m-%d')";
            case WEEK -> "strftime(" + cell + ", '%G-W%V')";
            case MONTH -> "strftime(" + cell + ", '%Y-%m')";
            case QUARTER -> "year(" + cell + ") || ' Q' || quarter(" + cell + ")";
            case YEAR -> "CAST(year(" + cell + ") AS VARCHAR)";
            case VALUE ->
                switch (Marking.type(key.column(), plan)) {
                    case TEXT -> Marking.key(cell, Type.TEXT);
                    case YES_NO -> "CASE WHEN " + cell + " THEN 'yes' WHEN NOT " + cell + " THEN 'no' END";
                    default -> MasterText.canonical(cell, plan.columns().get(key.column()));
                };
        };
    }

    /** What a group's key is written as. */
    private static String said(Key key, MasterPlan plan) {
        String cell = Marking.cell(key.column(), plan);
        Type type = Marking.type(key.column(), plan);
        boolean text = key.span() == Span.VALUE && type == Type.TEXT;
        if (key.span() == Span.VALUE && type == Type.YES_NO) {
            return "min(" + MasterText.shown(cell, plan.columns().get(key.column())) + ")";
        }
        return text ? "nullif(min(trim(" + cell + ")), '')" : "min(" + key(key, plan) + ")";
    }

    /** What is true of the rows that hold given values, or none, in columns; the values as groups have them. */
    static String holds(MasterPlan plan, List<Integer> columns, List<@Nullable String> values) {
        List<String> tests = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            String value = values.get(i);
            tests.add(key(new Key(columns.get(i), Span.VALUE), plan) + " IS NOT DISTINCT FROM "
                    + (value == null ? "NULL" : Sql.literal(value)));
        }
        return String.join(" AND ", tests);
    }

    private static String value(Value value, MasterPlan plan) {
        if (value.measure() == Measure.ROWS) {
            return "count(*)";
        }
        String cell = Marking.cell(value.column(), plan);
        Type type = Marking.type(value.column(), plan);
        String filled = Marking.key(cell, type);
        return switch (value.measure()) {
            case ROWS -> "count(*)";
            case SUM -> "CAST(sum(" + cell + ") AS VARCHAR)";
            case FILLED -> "count(" + filled + ")";
            case DIFFERENT -> "count(DISTINCT " + filled + ")";
            // A sum of decimals is exact; the quotient keeps what a decimal of its size can.
            case AVERAGE ->
                "CAST(CAST(sum(" + cell + ") AS DOUBLE) / nullif(count(" + cell + "), 0) AS DECIMAL(38,10))";
            case MEDIAN -> "CAST(quantile_cont(" + halves(value.column(), cell, plan) + ", 0.5) AS VARCHAR)";
            case LEAST -> "CAST(min(" + cell + ") AS VARCHAR)";
            case GREATEST -> "CAST(max(" + cell + ") AS VARCHAR)";
        };
    }

    /** A number with one more decimal, which the middle between two of them may need. */
    private static String halves(int column, String cell, MasterPlan plan) {
        MasterPlan.Column of = plan.columns().get(column);
        int scale = of.scale() + 1;
        boolean small = of.wholeDigits() + scale <= 18;
        return "CAST(" + cell + " AS DECIMAL(" + (small ? 18 : 38) + "," + scale + "))";
    }
}
