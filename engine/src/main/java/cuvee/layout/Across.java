package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.detect.TableColumn;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Columns of a table that are members of one sequence running across, such as months, and should be rows.
 *
 * @param label what a column of the members is called: Month, Week
 * @param labels the members in order, as the column of them is to hold them
 * @param groups what is told of each member, with its columns in the order of the members (-1 where one is missing); one
 *     group without a name where the headers say nothing but the member
 * @param states what is said of each member, where that is no other value of it: {@code restated}, {@code forecast}; none
 *     where nothing is
 * @param totals columns among them that add others up
 * @param sure false where only other tables can tell that these are a sequence
 */
public record Across(
        String label,
        List<String> labels,
        List<String> states,
        Map<String, List<Integer>> groups,
        List<TotalColumn> totals,
        Sureness sure) {
    /** How far two sums that agree may be apart by rounding. */
    private static final double AGREEING = 0.06;

    /** How surely columns are a sequence. */
    public enum Sureness {
        SURE,
        /** They are numbered, which other columns can be too. */
        NUMBERED,
        /** Too few of them to tell without other tables. */
        FEW
    }

    /**
     * A column that adds up members.
     *
     * @param stated its numbers added up
     * @param added what the members come to
     */
    public record TotalColumn(TableColumn column, double stated, double added) {
        public boolean agrees() {
            return Math.abs(stated - added) <= 1e-6 * Math.abs(added) + AGREEING;
        }
    }

    public Across {
        labels = List.copyOf(labels);
        states = List.copyOf(states);
        groups = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(groups));
        totals = List.copyOf(totals);
    }

    /** The columns that run across, totals included. */
    public Set<Integer> columns() {
        Set<Integer> columns = new HashSet<>();
        groups.values().forEach(columns::addAll);
        totals.forEach(total -> columns.add(total.column().index()));
        return columns;
    }

    /** What a layout with such columns is called: the members left out, so that one more of them changes nothing. */
    String signature(FoundTable table) {
        Set<Integer> across = columns();
        List<String> keys = new ArrayList<>();
        table.columns().stream()
                .filter(column -> !across.contains(column.index()))
                .forEach(column -> keys.add(LooseText.key(column.header())));
        keys.add("across:" + LooseText.key(label));
        groups.keySet().forEach(group -> keys.add(LooseText.key(group)));
        return String.join("|", keys);
    }

    /** The same with columns that add others up. */
    Across with(List<TotalColumn> added) {
        return new Across(label, labels, states, groups, added, sure);
    }
}
