package cuvee.rework;

import cuvee.master.Formula;
import cuvee.master.MasterPlan;
import cuvee.master.RowRule;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The columns that rules can speak of, tags behind the others. */
public final class Known {
    private final List<MasterPlan.Column> columns;
    private final List<String> all = new ArrayList<>();
    private final List<String> names;

    /**
     * Columns, and the names of the tags behind them.
     *
     * @param hidden columns that nothing is known of as yet
     */
    Known(List<MasterPlan.Column> columns, List<MasterPlan.Tag> tags, Set<String> hidden) {
        this.columns = List.copyOf(columns);
        columns.forEach(column -> all.add(column.name()));
        tags.forEach(tag -> all.add(tag.name()));
        names = all.stream().filter(name -> !hidden.contains(name)).toList();
    }

    /** The columns of a plan, those that are made included. */
    public static Known of(MasterPlan plan) {
        return new Known(plan.columns(), plan.tags(), Set.of());
    }

    /** The place of a column; below zero where there is none. */
    public int at(String name) {
        return names.contains(name) ? all.indexOf(name) : -1;
    }

    public List<String> names() {
        return names;
    }

    /** True for a column of numbers whose sum means something. */
    public boolean addsUp(String name) {
        int column = at(name);
        return column >= 0 && column < columns.size() && type(column).isNumber() && !isMixed(column);
    }

    /** True for a column of dates, with or without a time. */
    public boolean isDate(String name) {
        int column = at(name);
        return column >= 0 && (type(column) == Type.DATE || type(column) == Type.DATE_AND_TIME);
    }

    Type type(int column) {
        return column < columns.size() ? columns.get(column).type() : Type.TEXT;
    }

    Formula column(String name) {
        int at = all.indexOf(name);
        int decimals =
                at < columns.size() && type(at).isNumber() ? columns.get(at).scale() : 0;
        return new Formula.Column(at, type(at), Math.min(Formula.MOST_DECIMALS, decimals));
    }

    /** The currency of a column's amounts; empty where nothing says it, or a column beside says that of each. */
    String currency(int column) {
        return column < columns.size() && type(column) == Type.MONEY
                ? columns.get(column).currency()
                : "";
    }

    /** True for a column with amounts of several currencies, which are never added up. */
    boolean isMixed(int column) {
        return MasterPlan.isMixed(columns, column);
    }

    /** Columns and words that phrases are made of. */
    public List<String> vocabulary() {
        List<String> vocabulary = new ArrayList<>(names());
        vocabulary.addAll(Phrase.allWords());
        return vocabulary;
    }

    /** What a clause asks, as the store can; empty where a value in it is none of the column's type. */
    public Optional<RowRule.Condition> condition(Phrase.Clause clause) {
        int column = all.indexOf(clause.column());
        Type type = type(column);
        boolean asText = type == Type.TEXT || ofText(clause.test());
        List<String> values = new ArrayList<>();
        for (String value : clause.values()) {
            String read = asText ? value : read(value, type);
            if (read == null) {
                return Optional.empty();
            }
            values.add(read);
        }
        return Optional.of(new RowRule.Condition(column, clause.test(), values));
    }

    /** Why a clause asks nothing that the store can answer. */
    public String problem(Phrase.Clause clause) {
        Type type = type(all.indexOf(clause.column()));
        return clause.values().stream()
                .filter(value -> read(value, type) == null)
                .findFirst()
                .map(value -> Says.quoted(value) + " is no " + type.word() + ", as " + clause.column() + " is")
                .orElse("");
    }

    /** A value as a type has it; what whole numbers are compared with may have decimals. */
    private static @Nullable String read(String value, Type type) {
        String read = ValueReader.read(value, type, Convention.DEFAULT);
        return read == null && type == Type.WHOLE_NUMBER
                ? ValueReader.read(value, Type.DECIMAL, Convention.DEFAULT)
                : read;
    }

    private static boolean ofText(RowRule.Test test) {
        return switch (test) {
            case CONTAINS, DOES_NOT_CONTAIN, BEGINS_WITH, ENDS_WITH -> true;
            default -> false;
        };
    }
}
