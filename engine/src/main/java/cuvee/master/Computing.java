package cuvee.master;

import cuvee.value.Convention;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Formulas as expressions of the store. Sums, differences and products of decimals are exact; quotients are rounded to the
 * decimals that the formula has.
 */
final class Computing {
    private final MasterPlan plan;

    Computing(MasterPlan plan) {
        this.plan = plan;
    }

    /**
     * The statements that fill made columns, as many at once as do not need each other, in the rows of some tables or in all
     * where that says nothing.
     */
    List<String> statements(List<MasterPlan.Making> makings, String where) {
        List<String> statements = new ArrayList<>();
        List<String> sets = new ArrayList<>();
        Set<Integer> filled = new TreeSet<>();
        for (MasterPlan.Making making : makings) {
            Set<Integer> used = new TreeSet<>();
            uses(making.formula(), used);
            if (used.stream().anyMatch(filled::contains)) {
                statements.add("UPDATE master SET " + String.join(", ", sets) + where);
                sets.clear();
                filled.clear();
            }
            sets.add(set(making));
            filled.add(making.column());
        }
        if (!sets.isEmpty()) {
            statements.add("UPDATE master SET " + String.join(", ", sets) + where);
        }
        return statements;
    }

    private String set(MasterPlan.Making making) {
        MasterPlan.Column column = plan.columns().get(making.column());
        String value = sql(making.formula());
        if (making.formula().type() != column.type()) {
            value = column.type() == Type.TEXT
                    ? text(making.formula())
                    : "TRY_CAST(" + read(text(making.formula()), column.type()) + " AS " + column.sqlType() + ")";
        } else if (column.type() == Type.TEXT) {
            value = "nullif(" + value + ", '')";
        }
        if (!column.replaced().isEmpty()) {
            value = "nullif(coalesce(" + Readings.map(column.replaced()) + "[" + value + "], " + value + "), '')";
        }
        return "m" + making.column() + " = TRY(CAST(" + value + " AS " + column.sqlType() + "))";
    }

    /** All columns that a formula looks at, in their order. */
    static List<Integer> used(Formula formula) {
        Set<Integer> used = new TreeSet<>();
        uses(formula, used);
        return List.copyOf(used);
    }

    /** What a formula makes of a row, as a column that would hold it. */
    String made(Formula formula, MasterPlan.Column column) {
        String value = sql(formula);
        return "TRY(CAST(" + (column.type() == Type.TEXT ? "nullif(" + value + ", '')" : value) + " AS "
                + column.sqlType() + "))";
    }

    private static void uses(Formula formula, Set<Integer> columns) {
        if (formula instanceof Formula.Choice choice) {
            choice.cases().forEach(each -> {
                uses(each.value(), columns);
                each.where().forEach(condition -> columns.add(condition.column()));
            });
            choice.otherwise().ifPresent(other -> uses(other, columns));
        } else if (formula instanceof Formula.Joined joined) {
            joined.parts().forEach(part -> uses(part, columns));
        } else if (formula instanceof Formula.Arithmetic both) {
            uses(both.left(), columns);
            uses(both.right(), columns);
        } else if (formula instanceof Formula.Applied applied) {
            applied.to().forEach(each -> uses(each, columns));
        } else if (formula instanceof Formula.Column column) {
            columns.add(column.column());
        }
    }

    /** Holds in rows of which a formula says nothing though all that it needs is there. */
    String unanswered(MasterPlan.Making making) {
        Set<Integer> needed = new TreeSet<>();
        needs(making.formula(), needed);
        needed.remove(making.column());
        return "m" + making.column() + " IS NULL"
                + needed.stream()
                        .map(column -> " AND " + Marking.cell(column, plan) + " IS NOT NULL")
                        .collect(Collectors.joining());
    }

    /** The columns without which a formula has no value; those of choices may be blank. */
    private static void needs(Formula formula, Set<Integer> columns) {
        if (formula instanceof Formula.Column column) {
            columns.add(column.column());
        } else if (formula instanceof Formula.Arithmetic both) {
            needs(both.left(), columns);
            needs(both.right(), columns);
        } else if (formula instanceof Formula.Applied applied) {
            applied.to().forEach(each -> needs(each, columns));
        }
    }

    private String sql(Formula formula) {
        if (formula instanceof Formula.Column column) {
            String cell = Marking.cell(column.column(), plan);
            return column.type().isNumber() ? decimal(cell, column.decimals()) : cell;
        }
        if (formula instanceof Formula.Value value) {
            return literal(value);
        }
        if (formula instanceof Formula.Arithmetic both) {
            return arithmetic(both);
        }
        if (formula instanceof Formula.Joined joined) {
            return joined(joined);
        }
        if (formula instanceof Formula.Choice choice) {
            return choice(choice);
        }
        return applied((Formula.Applied) formula);
    }

    private static String decimal(String number, int decimals) {
        return "CAST(" + number + " AS DECIMAL(38," + decimals + "))";
    }

    private static String literal(Formula.Value value) {
        String text = Sql.literal(value.canonical());
        return switch (value.type()) {
            case TEXT -> text;
            case DATE -> "CAST(" + text + " AS DATE)";
            case YES_NO -> value.canonical();
            default -> decimal(text, value.decimals());
        };
    }

    private String arithmetic(Formula.Arithmetic both) {
        String left = sql(both.left());
        String right = sql(both.right());
        if (both.left().type().isMoment()) {
            String day = "CAST(" + left + " AS DATE)";
            String sign = both.sign() == Formula.Sign.PLUS ? " + " : " - ";
            return both.type() == Type.DATE
                    ? "(" + day + sign + "CAST(" + right + " AS INTEGER))"
                    : decimal("(" + day + sign + "CAST(" + right + " AS DATE))", 0);
        }
        return switch (both.sign()) {
            case PLUS -> "(" + left + " + " + right + ")";
            case MINUS -> "(" + left + " - " + right + ")";
            case TIMES -> decimal("(" + left + " * " + right + ")", both.decimals());
            case DIVIDED_BY ->
                decimal(
                        "round(CAST(" + left + " AS DOUBLE) / nullif(CAST(" + right + " AS DOUBLE), 0), "
                                + both.decimals() + ")",
                        both.decimals());
        };
    }

    private String joined(Formula.Joined joined) {
        List<String> filled = new ArrayList<>();
        List<String> parts = new ArrayList<>();
        for (Formula part : joined.parts()) {
            String text = text(part);
            parts.add("coalesce(" + text + ", '')");
            if (!(part instanceof Formula.Value)) {
                filled.add(text + " IS NOT NULL");
            }
        }
        String all = String.join(" || ", parts);
        return filled.isEmpty()
                ? "(" + all + ")"
                : "CASE WHEN " + String.join(" OR ", filled) + " THEN " + all + " END";
    }

    private String choice(Formula.Choice choice) {
        StringBuilder sql = new StringBuilder("CASE");
        for (Formula.Case each : choice.cases()) {
            String value = value(each.value(), choice.type(), choice.decimals());
            String holds = each.where().isEmpty()
                    ? value + " IS NOT NULL"
                    : "coalesce("
                            + each.where().stream()
                                    .map(condition -> "(" + Marking.condition(condition, plan) + ")")
                                    .collect(Collectors.joining(" AND "))
                            + ", false)";
            sql.append(" WHEN ").append(holds).append(" THEN ").append(value);
        }
        choice.otherwise()
                .ifPresent(other -> sql.append(" ELSE ").append(value(other, choice.type(), choice.decimals())));
        return sql.append(" END").toString();
    }

    /** A value as one of another type of the same family. */
    private String value(Formula formula, Type type, int decimals) {
        return type == Type.TEXT ? text(formula) : type.isNumber() ? decimal(sql(formula), decimals) : sql(formula);
    }

    /** A value as text, as people would write it. */
    private String text(Formula formula) {
        String value = sql(formula);
        return switch (formula.type()) {
            case TEXT -> value;
            case YES_NO -> "CASE WHEN " + value + " THEN 'yes' WHEN NOT " + value + " THEN 'no' END";
            case DATE_AND_TIME -> "CAST(" + value + " AS VARCHAR)";
            case DATE, TIME -> "CAST(" + value + " AS VARCHAR)";
            default -> MasterText.shortestNumber("CAST(" + value + " AS VARCHAR)");
        };
    }

    private static String read(String text, Type type) {
        return Readings.FUNCTION + "(" + text + ", " + Sql.literal(type.name()) + ", "
                + Sql.literal(Convention.DEFAULT.code()) + ")";
    }

    private String applied(Formula.Applied applied) {
        Formula first = applied.to().get(0);
        String of = first.type() == Type.TEXT ? sql(first) : "";
        return switch (applied.function()) {
            case YEAR, QUARTER, MONTH, WEEK, DAY, HOUR, MINUTE ->
                decimal(applied.function().name().toLowerCase(java.util.Locale.ROOT) + "(" + sql(first) + ")", 0);
            case WEEKDAY -> "dayname(" + sql(first) + ")";
            case START_OF_MONTH -> start("month", first);
            case START_OF_QUARTER -> start("quarter", first);
            case START_OF_YEAR -> start("year", first);
            case FIRST -> "left(" + text(first) + ", " + number(applied, 1) + ")";
            case LAST -> "right(" + text(first) + ", " + number(applied, 1) + ")";
            case PART ->
                "trim(string_split(" + text(first) + ", " + sql(applied.to().get(1)) + ")[" + number(applied, 2) + "])";
            case LAST_PART ->
                "trim(string_split(" + text(first) + ", " + sql(applied.to().get(1)) + ")[-1])";
            case LENGTH -> decimal("length(" + text(first) + ")", 0);
            case CAPITALS -> MasterPlan.Spelling.CAPITALS.of(of);
            case SMALL_LETTERS -> MasterPlan.Spelling.SMALL.of(of);
            case FIRST_CAPITALS -> MasterPlan.Spelling.FIRST_CAPITAL.of(of);
            case TIDY -> MasterPlan.Spelling.TIDY.of(of);
            case WITHOUT -> "replace(" + text(first) + ", " + sql(applied.to().get(1)) + ", '')";
            case REPLACED ->
                "replace(" + text(first) + ", " + sql(applied.to().get(1)) + ", "
                        + sql(applied.to().get(2)) + ")";
            case ROUNDED -> decimal("round(" + sql(first) + ", " + number(applied, 1) + ")", applied.decimals());
            case SIZE -> "abs(" + sql(first) + ")";
            case LARGER -> better(applied, ">=");
            case SMALLER -> better(applied, "<=");
            case NUMBER_IN ->
                decimal(
                        read(
                                "nullif(regexp_extract(" + text(first) + ", '[-−]?[0-9][0-9.,'' \u00a0]*'), '')",
                                Type.DECIMAL),
                        applied.decimals());
            case DATE_IN -> "CAST(" + read(text(first), Type.DATE) + " AS DATE)";
        };
    }

    /** One of two values where both are there. */
    private String better(Formula.Applied applied, String sign) {
        String left = value(applied.to().get(0), applied.type(), applied.decimals());
        String right = value(applied.to().get(1), applied.type(), applied.decimals());
        return "CASE WHEN " + left + " " + sign + " " + right + " THEN " + left + " WHEN " + right + " IS NOT NULL AND "
                + left + " IS NOT NULL THEN " + right + " END";
    }

    private String start(String of, Formula moment) {
        return "CAST(date_trunc('" + of + "', " + sql(moment) + ") AS DATE)";
    }

    private static String number(Formula.Applied applied, int at) {
        return ((Formula.Value) applied.to().get(at)).canonical();
    }
}
