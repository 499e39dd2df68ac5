package cuvee.propose;

import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * The master while it is proposed. Nothing of it changes: each step makes another one of it, with what it says behind
 * what those before it said.
 *
 * @param found the tables, and which of them are in the master
 * @param lined how their headers are lined up
 * @param columns the columns of the master
 * @param tags everything that could be a tag
 */
record Draft(Found found, Lined lined, List<DraftColumn> columns, List<Proposal.TagReport> tags, Said said) {

    /** One step of the proposal. */
    interface Step {
        Draft on(Draft draft);
    }

    /**
     * Tables on their way into the master.
     *
     * @param tables all of them, as their sheets have them, in the order of the master
     * @param outside those that are not in the master, each with the reason
     * @param laid those that can be in it, as they are laid out
     * @param replaced the keys of columns that there would be if tables were laid out otherwise
     * @param layouts the layouts of the master
     */
    record Found(
            List<PlacedTable> tables,
            Map<PlacedTable, String> outside,
            List<PlacedTable> laid,
            Set<String> replaced,
            List<Layout> layouts) {
        Found {
            tables = List.copyOf(tables);
            outside = Collections.unmodifiableMap(new LinkedHashMap<>(outside));
            laid = List.copyOf(laid);
            replaced = Set.copyOf(replaced);
            layouts = List.copyOf(layouts);
        }

        private Found without(Map<PlacedTable, String> more) {
            Map<PlacedTable, String> all = new LinkedHashMap<>(outside);
            all.putAll(more);
            List<PlacedTable> left =
                    laid.stream().filter(table -> !more.containsKey(table)).toList();
            return new Found(tables, all, left, replaced, layouts);
        }
    }

    /**
     * Headers as they are lined up.
     *
     * @param columnOfHeader for each header's loose key the column that it feeds
     * @param names the columns that the job has from now on, in their order, those left out among them
     * @param leftOut columns that are left out, with the filled cells which that costs
     */
    record Lined(Map<String, String> columnOfHeader, List<String> names, Map<String, Long> leftOut) {
        private static final Lined NONE = new Lined(Map.of(), List.of(), Map.of());

        Lined {
            columnOfHeader = Map.copyOf(columnOfHeader);
            names = List.copyOf(names);
            leftOut = Map.copyOf(leftOut);
        }
    }

    Draft {
        columns = List.copyOf(columns);
        tags = List.copyOf(tags);
    }

    /** Before the first step: every table can be in the master, and the job assumes what it did. */
    static Draft of(List<PlacedTable> tables, List<Decision> assumed) {
        return new Draft(
                new Found(tables, Map.of(), tables, Set.of(), List.of()),
                Lined.NONE,
                List.of(),
                List.of(),
                new Said(List.of(), List.of(), assumed));
    }

    List<PlacedTable> tables() {
        return found.tables();
    }

    List<PlacedTable> laid() {
        return found.laid();
    }

    List<Layout> layouts() {
        return found.layouts();
    }

    /** The tables that are in the master, as they are laid out, by layouts. */
    List<PlacedTable> members() {
        return layouts().stream().flatMap(layout -> layout.tables().stream()).toList();
    }

    /** The same tables in the order of the master. */
    List<PlacedTable> membersInOrder() {
        Map<PlacedTable, PlacedTable> members = new HashMap<>();
        members().forEach(table -> members.put(table, table));
        List<PlacedTable> inOrder = new ArrayList<>();
        for (PlacedTable table : tables()) {
            PlacedTable member = members.get(table);
            if (member != null) {
                inOrder.add(member);
            }
        }
        return inOrder;
    }

    /** With tables laid out for the master, and what their columns would be called otherwise. */
    Draft withLaid(List<PlacedTable> laid, Set<String> replaced) {
        return with(new Found(tables(), found.outside(), laid, replaced, layouts()));
    }

    /** With the tables laid out otherwise once more. */
    Draft withLaid(List<PlacedTable> laid) {
        return withLaid(laid, found.replaced());
    }

    /** Without some of the tables that could be in the master. */
    Draft without(Map<PlacedTable, String> more) {
        return with(found.without(more));
    }

    Draft withLayouts(List<Layout> layouts) {
        return with(new Found(tables(), found.outside(), laid(), found.replaced(), layouts));
    }

    private Draft with(Found now) {
        return new Draft(now, lined, columns, tags, said);
    }

    Draft with(Lined now) {
        return new Draft(found, now, columns, tags, said);
    }

    Draft withColumns(List<DraftColumn> now) {
        return new Draft(found, lined, now, tags, said);
    }

    Draft withTags(List<Proposal.TagReport> now) {
        return new Draft(found, lined, columns, now, said);
    }

    /** Without some of what was asked. */
    Draft unasking(Predicate<Question> idle) {
        return new Draft(found, lined, columns, tags, said.unasking(idle));
    }

    Draft saying(Said more) {
        return new Draft(found, lined, columns, tags, said.and(more));
    }
}
