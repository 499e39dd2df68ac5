package cuvee.master;

import cuvee.value.Type;
import java.util.List;
import java.util.stream.Collectors;

/** A rule that sets rows of the master aside; they stay in the store, marked with the rule, and can be looked at. */
public sealed interface RowRule {

    /** What a condition asks of a value. */
    enum Test {
        IS,
        IS_NOT,
        CONTAINS,
        DOES_NOT_CONTAIN,
        BEGINS_WITH,
        ENDS_WITH,
        OVER,
        UNDER,
        AT_LEAST,
        AT_MOST,
        BLANK,
        FILLED
    }

    /**
     * Something that holds of a row or does not. Texts are compared without regard to capitals and outer spaces; a blank
     * value meets {@link Test#IS_NOT}, {@link Test#DOES_NOT_CONTAIN} and {@link Test#BLANK} only.
     *
     * @param column the master's column, tags behind the others
     * @param values canonical texts; with several, one of them must be met, or none of them where the test denies
     */
    record Condition(int column, Test test, List<String> values) {
        public Condition {
            values = List.copyOf(values);
        }
    }

    /**
     * Rows that meet all conditions are kept or set aside.
     *
     * @param keep true where all other rows are set aside
     */
    record Meeting(List<Condition> conditions, boolean keep) implements RowRule {
        public Meeting {
            conditions = List.copyOf(conditions);
        }
    }

    /**
     * Of rows that are equal in some columns one stays; rows that are blank in all of them are left alone.
     *
     * @param last true where the last of them stays, in the order of the master
     */
    record Equal(List<Integer> columns, boolean last) implements RowRule {
        public Equal {
            columns = List.copyOf(columns);
        }
    }

    /** The statement that marks the rows which a rule sets aside, among those that no earlier rule does. */
    static String marking(RowRule rule, int number, MasterPlan plan) {
        String set = "UPDATE master SET aside = " + number + " WHERE aside = 0 AND ";
        if (rule instanceof Meeting meeting) {
            String all = meeting.conditions().stream()
                    .map(condition -> "(" + condition(condition, plan) + ")")
                    .collect(Collectors.joining(" AND "));
            return set + (meeting.keep() ? "NOT " : "") + "coalesce(" + all + ", false)";
        }
        Equal equal = (Equal) rule;
        List<String> keys = equal.columns().stream()
                .map(column -> key(cell(column, plan), type(column, plan)))
                .toList();
        String order = equal.last() ? " DESC" : "";
        String filled = keys.stream().map(key -> key + " IS NOT NULL").collect(Collectors.joining(" OR "));
        return set
                + "(tbl, row, turned) IN (SELECT (m.tbl, m.row, m.turned) FROM (SELECT tbl, row, turned, row_number() OVER"
                + " (PARTITION BY " + String.join(", ", keys) + " ORDER BY ord" + order + ", row" + order + ", turned"
                + order + ") AS copy FROM master JOIN part USING (tbl) WHERE aside = 0 AND (" + filled
                + ")) m WHERE m.copy > 1)";
    }

    private static String condition(Condition condition, MasterPlan plan) {
        String cell = cell(condition.column(), plan);
        Type type = type(condition.column(), plan);
        String key = key(cell, type);
        return switch (condition.test()) {
            case BLANK -> key + " IS NULL";
            case FILLED -> key + " IS NOT NULL";
            case IS -> any(condition, value -> key + " = " + value(value, type, condition.column(), plan));
            case IS_NOT ->
                key + " IS NULL OR NOT ("
                        + any(condition, value -> key + " = " + value(value, type, condition.column(), plan)) + ")";
            case CONTAINS -> any(condition, value -> "contains(" + text(cell, type) + ", " + lower(value) + ")");
            case DOES_NOT_CONTAIN ->
                key + " IS NULL OR NOT ("
                        + any(condition, value -> "contains(" + text(cell, type) + ", " + lower(value) + ")") + ")";
            case BEGINS_WITH -> any(condition, value -> "starts_with(" + text(cell, type) + ", " + lower(value) + ")");
            case ENDS_WITH -> any(condition, value -> "suffix(" + text(cell, type) + ", " + lower(value) + ")");
            case OVER -> any(condition, value -> key + " > " + value(value, type, condition.column(), plan));
            case UNDER -> any(condition, value -> key + " < " + value(value, type, condition.column(), plan));
            case AT_LEAST -> any(condition, value -> key + " >= " + value(value, type, condition.column(), plan));
            case AT_MOST -> any(condition, value -> key + " <= " + value(value, type, condition.column(), plan));
        };
    }

    private static String any(Condition condition, java.util.function.UnaryOperator<String> one) {
        return condition.values().stream().map(one).collect(Collectors.joining(" OR "));
    }

    private static String cell(int column, MasterPlan plan) {
        int columns = plan.columns().size();
        return column < columns ? "m" + column : "t" + (column - columns);
    }

    private static Type type(int column, MasterPlan plan) {
        return column < plan.columns().size() ? plan.columns().get(column).type() : Type.TEXT;
    }

    /** What is compared: texts without capitals and outer spaces, nothing where there is none. */
    private static String key(String cell, Type type) {
        return type == Type.TEXT ? "nullif(lower(trim(" + cell + ")), '')" : cell;
    }

    private static String text(String cell, Type type) {
        return type == Type.TEXT ? "lower(" + cell + ")" : "lower(CAST(" + cell + " AS VARCHAR))";
    }

    private static String lower(String value) {
        return "lower(" + Sql.literal(value) + ")";
    }

    private static String value(String value, Type type, int column, MasterPlan plan) {
        return type == Type.TEXT
                ? "lower(trim(" + Sql.literal(value) + "))"
                : "CAST(" + Sql.literal(value) + " AS "
                        + (type.isNumber()
                                ? "DECIMAL(38,6)"
                                : plan.columns().get(column).sqlType()) + ")";
    }
}
