package cuvee.master;

import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** Rules about rows as statements that mark in the master what they set aside. */
final class Marking {
    /** Decimals, and digits before them, that a number in a condition may have to be compared exactly. */
    private static final int MOST_DECIMALS = 6;

    private static final int MOST_DIGITS = 18;

    private Marking() {}

    /** The statement that marks the rows which a rule sets aside, among those that no earlier rule does. */
    static String statement(RowRule rule, int number, MasterPlan plan) {
        String set = "UPDATE master SET aside = " + number + " WHERE aside = 0 AND " + notPutBack(plan);
        if (rule instanceof RowRule.Meeting meeting) {
            return set + outside(meeting, plan);
        }
        RowRule.Equal equal = (RowRule.Equal) rule;
        List<String> keys = equal.columns().stream()
                .map(column -> key(cell(column, plan), type(column, plan)))
                .toList();
        String order = equal.stays() == RowRule.Equal.Stays.LAST ? " DESC" : "";
        String first = equal.stays() == RowRule.Equal.Stays.OF_THE_NEWEST_FILE
                        && !equal.newest().isEmpty()
                ? "list_position(["
                        + equal.newest().stream().map(String::valueOf).collect(Collectors.joining(", ")) + "], tbl), "
                : "";
        String filled = keys.stream().map(key -> key + " IS NOT NULL").collect(Collectors.joining(" OR "));
        if (!equal.within().isEmpty()) {
            String age = age(equal, plan);
            return set
                    + "(tbl, row, turned) IN (SELECT (m.tbl, m.row, m.turned) FROM (SELECT tbl, row, turned, " + age
                    + " AS age, min(" + age + ") OVER (PARTITION BY " + String.join(", ", keys)
                    + ") AS newest FROM master WHERE aside = 0 AND tbl IN (" + ids(equal.within()) + ") AND (" + filled
                    + ")) m WHERE m.age > m.newest)";
        }
        return set
                + "(tbl, row, turned) IN (SELECT (m.tbl, m.row, m.turned) FROM (SELECT tbl, row, turned, row_number() OVER"
                + " (PARTITION BY " + String.join(", ", keys) + " ORDER BY " + first + "ord" + order + ", row" + order
                + ", turned"
                + order + ") AS copy FROM master JOIN part USING (tbl) WHERE aside = 0 AND (" + filled
                + ")) m WHERE m.copy > 1)";
    }

    /** How many newer files there are than the one that a row is of; all tables of a file are as old. */
    private static String age(RowRule.Equal equal, MasterPlan plan) {
        Map<Integer, String> sources = new HashMap<>();
        plan.tables().forEach(table -> sources.put(table.id(), table.source()));
        Map<String, List<Integer>> bySource = new LinkedHashMap<>();
        equal.newest()
                .forEach(table -> bySource.computeIfAbsent(sources.getOrDefault(table, ""), source -> new ArrayList<>())
                        .add(table));
        StringBuilder age = new StringBuilder("CASE");
        int newer = 0;
        for (List<Integer> tables : bySource.values()) {
            age.append(" WHEN tbl IN (").append(ids(tables)).append(") THEN ").append(newer++);
        }
        return age.append(" END").toString();
    }

    private static String ids(List<Integer> tables) {
        return tables.stream().map(String::valueOf).collect(Collectors.joining(", "));
    }

    /** What holds of the rows that a rule would set aside among those in the master, put back ones left alone. */
    static String wouldSetAside(RowRule.Meeting rule, MasterPlan plan) {
        return "aside = 0 AND " + notPutBack(plan) + outside(rule, plan);
    }

    private static String outside(RowRule.Meeting rule, MasterPlan plan) {
        String all = rule.conditions().stream()
                .map(condition -> "(" + condition(condition, plan) + ")")
                .collect(Collectors.joining(" AND "));
        return (rule.keep() ? "NOT " : "") + "coalesce(" + all + ", false)";
    }

    /** Rows that the analyst put back, whatever rules say. */
    private static String notPutBack(MasterPlan plan) {
        StringBuilder rows = new StringBuilder();
        for (MasterPlan.Table table : plan.tables()) {
            if (!table.putBack().isEmpty()) {
                rows.append("NOT (tbl = ")
                        .append(table.id())
                        .append(" AND row IN (")
                        .append(table.putBack().stream()
                                .sorted()
                                .map(String::valueOf)
                                .collect(Collectors.joining(", ")))
                        .append(")) AND ");
            }
        }
        return rows.toString();
    }

    static String condition(RowRule.Condition condition, MasterPlan plan) {
        String cell = cell(condition.column(), plan);
        Type type = type(condition.column(), plan);
        String key = key(cell, type);
        return switch (condition.test()) {
            case BLANK -> key + " IS NULL";
            case FILLED -> key + " IS NOT NULL";
            case IS -> compared(condition, key, "=", plan);
            case IS_NOT -> key + " IS NULL OR NOT (" + compared(condition, key, "=", plan) + ")";
            case CONTAINS -> any(condition, value -> "contains(" + text(cell, type) + ", " + lower(value) + ")");
            case DOES_NOT_CONTAIN ->
                key + " IS NULL OR NOT ("
                        + any(condition, value -> "contains(" + text(cell, type) + ", " + lower(value) + ")") + ")";
            case BEGINS_WITH -> any(condition, value -> "starts_with(" + text(cell, type) + ", " + lower(value) + ")");
            case ENDS_WITH -> any(condition, value -> "suffix(" + text(cell, type) + ", " + lower(value) + ")");
            case OVER -> compared(condition, key, ">", plan);
            case UNDER -> compared(condition, key, "<", plan);
            case AT_LEAST -> compared(condition, key, ">=", plan);
            case AT_MOST -> compared(condition, key, "<=", plan);
        };
    }

    private static String any(RowRule.Condition condition, UnaryOperator<String> one) {
        return condition.values().stream().map(one).collect(Collectors.joining(" OR "));
    }

    static String cell(int column, MasterPlan plan) {
        int columns = plan.columns().size();
        return column < columns ? "m" + column : "t" + (column - columns);
    }

    static Type type(int column, MasterPlan plan) {
        return column < plan.columns().size() ? plan.columns().get(column).type() : Type.TEXT;
    }

    /** What is compared: texts without capitals and outer spaces, nothing where there is none. */
    static String key(String cell, Type type) {
        return type == Type.TEXT ? "nullif(lower(trim(" + cell + ")), '')" : cell;
    }

    private static String text(String cell, Type type) {
        return type == Type.TEXT ? "lower(" + cell + ")" : "lower(CAST(" + cell + " AS VARCHAR))";
    }

    private static String lower(String value) {
        return "lower(" + Sql.literal(value) + ")";
    }

    /** A value beside what it is compared with, for each value that a condition names. */
    private static String compared(RowRule.Condition condition, String key, String sign, MasterPlan plan) {
        Type type = type(condition.column(), plan);
        return any(condition, value -> {
            if (type == Type.TEXT) {
                return key + " " + sign + " lower(trim(" + Sql.literal(value) + "))";
            }
            String held = plan.columns().get(condition.column()).sqlType();
            if (!type.isNumber()) {
                return key + " " + sign + " CAST(" + Sql.literal(value) + " AS " + held + ")";
            }
            // Exact where both sides have room in one decimal of the store; numbers beyond that are compared roughly.
            BigDecimal number = new BigDecimal(value);
            boolean exact = !held.startsWith("DECIMAL(38")
                    && number.scale() <= MOST_DECIMALS
                    && number.precision() - number.scale() <= MOST_DIGITS;
            String as = exact ? "DECIMAL(38," + MOST_DECIMALS + ")" : "DOUBLE";
            return (exact ? key : "CAST(" + key + " AS DOUBLE)") + " " + sign + " CAST(" + Sql.literal(value) + " AS "
                    + as + ")";
        });
    }
}
