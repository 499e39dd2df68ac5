package cuvee.deliver;

import cuvee.master.MasterPlan;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What PostgreSQL is told of a master: names, types, and rows as its COPY takes them. */
final class PostgresWords {
    /** Names are cut by the server behind so many bytes, which would make two columns one. */
    static final int LONGEST_NAME = 63;

    private PostgresWords() {}

    static String name(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }

    /** A table's name with its schema, each part in quotation marks. */
    static String table(String table) {
        int dot = table.indexOf('.');
        return dot < 0 ? name(table) : name(table.substring(0, dot)) + "." + name(table.substring(dot + 1));
    }

    static String type(MasterPlan plan, int column) {
        if (column >= plan.columns().size()) {
            return "text";
        }
        MasterPlan.Column of = plan.columns().get(column);
        return switch (of.type()) {
            case WHOLE_NUMBER -> of.wholeDigits() <= 18 ? "bigint" : "numeric";
            case DECIMAL, MONEY, PERCENT -> "numeric";
            case DATE -> "date";
            case DATE_AND_TIME -> "timestamp";
            case TIME -> "time";
            case YES_NO -> "boolean";
            case TEXT -> "text";
        };
    }

    /** The columns of a table as it is made. */
    static String columns(MasterPlan plan) {
        String[] names = Columns.names(plan);
        List<String> columns = new ArrayList<>();
        for (int i = 0; i < names.length; i++) {
            columns.add(name(names[i]) + " " + type(plan, i));
        }
        return String.join(", ", columns);
    }

    /** A row as COPY takes it in its text form: cells parted by tabs, nothing as \N. */
    static void row(@Nullable String[] values, Type[] types, StringBuilder into) {
        for (int i = 0; i < values.length; i++) {
            if (i > 0) {
                into.append('\t');
            }
            String value = values[i];
            if (value == null) {
                into.append("\\N");
            } else if (types[i] == Type.TEXT) {
                text(value, into);
            } else {
                into.append(value);
            }
        }
        into.append('\n');
    }

    private static void text(String value, StringBuilder into) {
        for (int i = 0; i < value.length(); i++) {
            char c = value.charAt(i);
            switch (c) {
                case '\\' -> into.append("\\\\");
                case '\t' -> into.append("\\t");
                case '\n' -> into.append("\\n");
                case '\r' -> into.append("\\r");
                default -> into.append(c);
            }
        }
    }
}
