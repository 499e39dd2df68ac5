package cuvee.master;

import cuvee.value.Type;
import cuvee.value.YesNoWords;

/** The values of the master as texts: in the store's language, and as files have them. */
public final class MasterText {
    private MasterText() {}

    /** A value as a cell of a CSV file: yes and no in the column's words, a blank as nothing. */
    static String csvCell(MasterPlan plan, int index) {
        boolean tag = index >= plan.columns().size();
        String cell = tag ? "m.t" + (index - plan.columns().size()) : "m.m" + index;
        Type type = tag ? Type.TEXT : plan.columns().get(index).type();
        if (type == Type.TEXT) {
            return "CASE WHEN " + cell + " IS NULL THEN '' WHEN " + cell + " = '' THEN '\"\"' WHEN contains(" + cell
                    + ", '\"') OR contains(" + cell + ", ',') OR contains(" + cell + ", chr(10)) OR contains(" + cell
                    + ", chr(13)) THEN '\"' || replace(" + cell + ", '\"', '\"\"') || '\"' ELSE " + cell + " END";
        }
        MasterPlan.Column column = plan.columns().get(index);
        YesNoWords words = column.words();
        String text = column.type() == Type.YES_NO
                ? inWords(cell, new YesNoWords(csv(words.yes()), csv(words.no())))
                : canonical(cell, column);
        return "coalesce(" + text + ", '')";
    }

    /** A value as a text that is looked for: as canonical text, yes and no in the words by which they are shown. */
    static String shown(String cell, MasterPlan.Column column) {
        return column.type() == Type.YES_NO ? inWords(cell, column.words().spoken()) : canonical(cell, column);
    }

    private static String inWords(String cell, YesNoWords words) {
        return "CASE WHEN " + cell + " THEN " + Sql.literal(words.yes()) + " WHEN NOT " + cell + " THEN "
                + Sql.literal(words.no()) + " END";
    }

    /** A word as a cell of a CSV file. */
    private static String csv(String word) {
        boolean plain = word.chars().noneMatch(c -> c == '"' || c == ',' || c == '\n' || c == '\r');
        return plain ? word : '"' + word.replace("\"", "\"\"") + '"';
    }

    /** A value as canonical text: plain shortest decimals, ISO dates. */
    static String canonical(String cell, MasterPlan.Column column) {
        String text = "CAST(" + cell + " AS VARCHAR)";
        return switch (column.type()) {
            case TEXT -> cell;
            case DATE_AND_TIME -> "replace(" + text + ", ' ', 'T')";
            case DECIMAL, MONEY, PERCENT -> shortestNumber(text);
            default -> text;
        };
    }

    /** The text of a decimal without the zeros that say nothing. */
    static String shortestNumber(String text) {
        return "CASE WHEN contains(" + text + ", '.') THEN rtrim(rtrim(" + text + ", '0'), '.') ELSE " + text + " END";
    }

    /** A decimal without the zeros that say nothing, as the master writes numbers. */
    public static String shortest(String decimal) {
        if (decimal.indexOf('.') < 0) {
            return decimal;
        }
        int end = decimal.length();
        while (decimal.charAt(end - 1) == '0') {
            end--;
        }
        if (decimal.charAt(end - 1) == '.') {
            end--;
        }
        String shortest = decimal.substring(0, end);
        return shortest.equals("-0") ? "0" : shortest;
    }

    /** All columns of the master and its tags as canonical texts, each behind a comma. */
    static String columnList(MasterPlan plan) {
        StringBuilder list = new StringBuilder();
        for (int i = 0; i < plan.columns().size(); i++) {
            list.append(", ").append(canonical("m" + i, plan.columns().get(i)));
        }
        for (int i = 0; i < plan.tags().size(); i++) {
            list.append(", t").append(i);
        }
        return list.toString();
    }
}
