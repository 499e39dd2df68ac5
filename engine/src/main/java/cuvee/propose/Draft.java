package cuvee.propose;

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

/**
 * The master while it is proposed. Nothing of it changes: each step makes another one of it, with what it says behind
 * what those before it said.
 *
 * @param tables all that were found, as their sheets have them, in the order of the master
 * @param outside those of them that are not in the master, each with the reason
 * @param laid those that can be in it, as they are laid out
 * @param replaced the keys of columns that there would be if tables were laid out otherwise
 * @param layouts the layouts of the master
 * @param columnOfHeader for each header's loose key the column that it feeds
 * @param names the columns that the job has from now on, in their order, those left out among them
 * @param leftOut columns that are left out, with the filled cells which that costs
 * @param columns the columns of the master
 * @param tags everything that could be a tag
 */
record Draft(
        List<PlacedTable> tables,
        Map<PlacedTable, String> outside,
        List<PlacedTable> laid,
        Set<String> replaced,
        List<Layout> layouts,
        Map<String, String> columnOfHeader,
        List<String> names,
        Map<String, Long> leftOut,
        List<DraftColumn> columns,
        List<Proposal.TagReport> tags,
        Said said) {

    /** One step of the proposal. */
    interface Step {
        Draft on(Draft draft);
    }

    Draft {
        tables = List.copyOf(tables);
        outside = Collections.unmodifiableMap(new LinkedHashMap<>(outside));
        laid = List.copyOf(laid);
        replaced = Set.copyOf(replaced);
        layouts = List.copyOf(layouts);
        columnOfHeader = Map.copyOf(columnOfHeader);
        names = List.copyOf(names);
        leftOut = Collections.unmodifiableMap(new LinkedHashMap<>(leftOut));
        columns = List.copyOf(columns);
        tags = List.copyOf(tags);
    }

    /** Before the first step: every table can be in the master, and the job assumes what it did. */
    static Draft of(List<PlacedTable> tables, List<Decision> assumed) {
        return new Draft(
                tables,
                Map.of(),
                tables,
                Set.of(),
                List.of(),
                Map.of(),
                List.of(),
                Map.of(),
                List.of(),
                List.of(),
                new Said(List.of(), List.of(), assumed));
    }

    /** The tables that are in the master, as they are laid out, by layouts. */
    List<PlacedTable> members() {
        return layouts.stream().flatMap(layout -> layout.tables().stream()).toList();
    }

    /** The same tables in the order of the master. */
    List<PlacedTable> membersInOrder() {
        Map<PlacedTable, PlacedTable> members = new HashMap<>();
        members().forEach(table -> members.put(table, table));
        List<PlacedTable> inOrder = new ArrayList<>();
        for (PlacedTable table : tables) {
            PlacedTable member = members.get(table);
            if (member != null) {
                inOrder.add(member);
            }
        }
        return inOrder;
    }

    /** With tables laid out for the master, and what their columns would be called otherwise. */
    Draft withLaid(List<PlacedTable> newLaid, Set<String> newReplaced, Said more) {
        return new Draft(
                tables,
                outside,
                newLaid,
                newReplaced,
                layouts,
                columnOfHeader,
                names,
                leftOut,
                columns,
                tags,
                said.and(more));
    }

    /** Without some of the tables that could be in the master. */
    Draft without(Map<PlacedTable, String> more, Said saidOfThem) {
        Map<PlacedTable, String> all = new LinkedHashMap<>(outside);
        all.putAll(more);
        List<PlacedTable> left =
                laid.stream().filter(table -> !more.containsKey(table)).toList();
        return new Draft(
                tables,
                all,
                left,
                replaced,
                layouts,
                columnOfHeader,
                names,
                leftOut,
                columns,
                tags,
                said.and(saidOfThem));
    }

    Draft withLayouts(List<Layout> newLayouts) {
        return new Draft(
                tables, outside, laid, replaced, newLayouts, columnOfHeader, names, leftOut, columns, tags, said);
    }

    /** With the columns that headers feed. */
    Draft withLineUp(
            Map<String, String> newColumnOfHeader,
            List<String> newNames,
            Map<String, Long> newLeftOut,
            List<DraftColumn> newColumns,
            Said more) {
        return new Draft(
                tables,
                outside,
                laid,
                replaced,
                layouts,
                newColumnOfHeader,
                newNames,
                newLeftOut,
                newColumns,
                tags,
                said.and(more));
    }

    Draft withColumns(List<DraftColumn> newColumns) {
        return new Draft(
                tables, outside, laid, replaced, layouts, columnOfHeader, names, leftOut, newColumns, tags, said);
    }

    Draft withTags(List<Proposal.TagReport> newTags) {
        return new Draft(
                tables, outside, laid, replaced, layouts, columnOfHeader, names, leftOut, columns, newTags, said);
    }

    Draft saying(Said more) {
        return new Draft(
                tables,
                outside,
                laid,
                replaced,
                layouts,
                columnOfHeader,
                names,
                leftOut,
                columns,
                tags,
                said.and(more));
    }
}
