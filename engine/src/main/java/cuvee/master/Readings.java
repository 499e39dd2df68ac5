package cuvee.master;

import cuvee.value.Convention;
import cuvee.value.Ditto;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Meaning;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * The SQL that reads a staged cell as a type. Where the evidence says that a column holds only forms that the store's own
 * casts understand, they are used; everything else goes through {@link cuvee.value.ValueReader}, registered in the store
 * as {@code cuvee_read}. A property test holds both ways to the same answers.
 */
final class Readings {
    /** The store's name for {@link cuvee.value.ValueReader#read}. */
    static final String FUNCTION = "cuvee_read";

    /** Asks the function for the currency beside an amount instead of a value of a type. */
    static final String CURRENCY = "CURRENCY";

    /** What {@link cuvee.sheet.Row#isSpace} takes for white space, as far as cells have it. */
    private static final String SPACES =
            "' ' || chr(9) || chr(10) || chr(13) || chr(160) || chr(8199) || chr(8203) || chr(8204)"
                    + " || chr(8205) || chr(8239) || chr(12288) || chr(65279)";

    private Readings() {}

    /** More texts than these are looked up rather than compared one after the other. */
    private static final int MOST_COMPARED = 24;

    /** What a staged cell comes to in a column: texts that the job replaces as those that stand for them. */
    static String expression(String cell, MasterPlan.Column column, MasterPlan.Feed feed) {
        if (column.part() == MasterPlan.Column.Part.CURRENCY) {
            String written = FUNCTION + "(" + cell + ", " + Sql.literal(CURRENCY) + ", "
                    + Sql.literal(feed.convention().code()) + ")";
            return feed.currency().isEmpty()
                    ? written
                    : "CASE WHEN NOT " + isBlank(cell) + " THEN coalesce(" + written + ", "
                            + Sql.literal(feed.currency()) + ") END";
        }
        String read = read(cell, column, feed);
        if (feed.replaced().isEmpty()) {
            return read;
        }
        String raw = raw(cell);
        // What the analyst chose was seen as it is spelled in the master.
        boolean spelled = column.type() == Type.TEXT
                && (column.spelling() != MasterPlan.Spelling.AS_WRITTEN
                        || feed.convention().meaning() == Meaning.CODES);
        StringBuilder replaced = new StringBuilder("CASE");
        Map<String, List<String>> byReplacement = new LinkedHashMap<>();
        feed.replaced()
                .forEach((text, to) -> byReplacement
                        .computeIfAbsent(to, key -> new ArrayList<>())
                        .add(Sql.literal(text)));
        if (byReplacement.size() <= MOST_COMPARED) {
            byReplacement.forEach((to, texts) -> replaced.append(" WHEN ")
                    .append(raw)
                    .append(" IN (")
                    .append(String.join(", ", texts))
                    .append(")")
                    .append(spelled ? " OR " + read + " IN (" + String.join(", ", texts) + ")" : "")
                    .append(" THEN ")
                    .append(replacement(Sql.literal(to), to.isEmpty(), column)));
        } else {
            String map = map(feed.replaced());
            replaced.append(" WHEN map_contains(")
                    .append(map)
                    .append(", ")
                    .append(raw)
                    .append(") THEN ")
                    .append(replacement("nullif(" + map + "[" + raw + "], '')", false, column));
            if (spelled) {
                replaced.append(
                        " WHEN map_contains(" + map + ", " + read + ") THEN nullif(" + map + "[" + read + "], '')");
            }
        }
        return replaced.append(" ELSE ").append(read).append(" END").toString();
    }

    /** Texts by texts. */
    static String map(Map<String, String> texts) {
        return texts.entrySet().stream()
                .map(entry -> Sql.literal(entry.getKey()) + ": " + Sql.literal(entry.getValue()))
                .collect(Collectors.joining(", ", "MAP {", "}"));
    }

    /** The text of a staged cell as people see it, without the mark of its kind. */
    static String raw(String cell) {
        return "CASE WHEN " + cell + " < chr(7) AND " + cell + " <> '' THEN substr(" + cell + ", 2) ELSE " + cell
                + " END";
    }

    private static String replacement(String text, boolean nothing, MasterPlan.Column column) {
        if (nothing) {
            return "NULL";
        }
        return column.type() == Type.TEXT
                ? text
                : "TRY_CAST(" + FUNCTION + "(" + text + ", "
                        + Sql.literal(column.type().name()) + ", " + Sql.literal(Convention.DEFAULT.code()) + ") AS "
                        + column.sqlType() + ")";
    }

    private static String read(String cell, MasterPlan.Column column, MasterPlan.Feed feed) {
        Evidence e = feed.evidence();
        String type = column.sqlType();
        boolean means = column.type() == Type.TEXT
                ? feed.convention().meaning() == Meaning.CODES
                : !feed.convention().isPlain();
        String plain = feed.corrected() || means
                ? general(cell, column.type(), feed.convention())
                : plain(cell, column.type(), feed.convention(), e);
        if (column.type() == Type.TEXT) {
            return column.spelling().of(plain);
        }
        return (feed.turned() ? "-" : "") + "TRY_CAST(" + plain + " AS " + type + ")";
    }

    /** True for staged cells that are empty or hold nothing but white space. */
    static String isBlank(String cell) {
        return "(" + cell + " IS NULL OR trim(" + cell + ", " + SPACES + ") = '')";
    }

    /** True where a cell holds a mark for the value above it. */
    static String isDitto(String cell) {
        return "(" + cell + " IS NOT NULL AND lower(replace(" + cell + ", ' ', '')) IN ("
                + Ditto.MARKS.stream().map(Sql::literal).collect(Collectors.joining(", ")) + "))";
    }

    /** True where an expression needs the registered function. */
    static boolean needsFunction(String expression) {
        return expression.contains(FUNCTION);
    }

    private static String plain(String cell, Type type, Convention convention, Evidence e) {
        switch (type) {
            case TEXT -> {
                if (e.only(Form.WORDS, Form.WORDS_AND_DIGITS, Form.NOTHING_WORD)) {
                    return cell;
                }
                return "CASE WHEN " + cell + " < chr(5) THEN CASE WHEN " + cell + " = '' THEN '' ELSE substr(" + cell
                        + ", 2) END WHEN " + cell + " < chr(6) THEN NULL WHEN " + cell + " < chr(7) THEN substr(" + cell
                        + ", 2) ELSE " + cell + " END";
            }
            case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT -> {
                // The store would round a fraction to a whole number without a word, so fractions never take that way.
                boolean whole = type == Type.WHOLE_NUMBER;
                if (whole
                        ? e.only(Form.NUMBER_WHOLE)
                        : e.only(Form.NUMBER_WHOLE, Form.NUMBER_FRACTION, Form.NUMBER_PERCENT)) {
                    return "substr(" + cell + ", 2)";
                }
                boolean plainPoints = whole
                        ? e.only(Form.DIGITS)
                        : e.only(Form.DIGITS, Form.POINT)
                                || convention.mark() == Convention.Mark.POINT
                                        && e.only(Form.DIGITS, Form.POINT, Form.POINT_OR_GROUP);
                if (plainPoints && e.plainSigns()) {
                    return cell;
                }
                boolean commas = !whole
                        && (e.only(Form.DIGITS, Form.COMMA, Form.GROUPED_COMMA)
                                || convention.mark() == Convention.Mark.COMMA
                                        && e.only(
                                                Form.DIGITS,
                                                Form.COMMA,
                                                Form.GROUPED_COMMA,
                                                Form.COMMA_OR_GROUP,
                                                Form.POINT_OR_GROUP));
                if (commas && e.plainSigns()) {
                    return "replace(replace(" + cell + ", '.', ''), ',', '.')";
                }
            }
            case DATE -> {
                if (e.only(Form.CELL_DATE)) {
                    return "substr(" + cell + ", 2)";
                }
                if (e.only(Form.YEAR_FIRST_DATE) && e.isoDates()) {
                    return cell;
                }
            }
            case DATE_AND_TIME -> {
                if (e.only(Form.CELL_MOMENT, Form.CELL_DATE)) {
                    return "substr(" + cell + ", 2)";
                }
            }
            case TIME, YES_NO -> {
                if (e.only(Form.CELL_CLOCK) || e.only(Form.CELL_TRUE_FALSE)) {
                    return "substr(" + cell + ", 2)";
                }
            }
        }
        return general(cell, type, convention);
    }

    /** Reads whatever a cell may hold. */
    private static String general(String cell, Type type, Convention convention) {
        return FUNCTION + "(" + cell + ", " + Sql.literal(type.name()) + ", " + Sql.literal(convention.code()) + ")";
    }
}
