package cuvee.earlier;

import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.propose.Proposal;
import cuvee.value.Period;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The columns by which rows of several tables are the same.
 *
 * @param cells those that cells feed and that do not only number the rows, by their places in the plan
 * @param tags those that only names and titles of sources say
 * @param dated true where a date among the cells says when the records were
 */
record TellingColumns(List<Integer> cells, List<Integer> tags, boolean dated) {
    /** Days from the first of a period that its records lie within, or those of the year before it. */
    private static final long FURTHEST = 400;

    static TellingColumns of(Proposal proposal, Set<Integer> rowNumbers) {
        MasterPlan plan = proposal.plan();
        List<Integer> cells = new ArrayList<>();
        List<Integer> tags = new ArrayList<>();
        boolean dated = false;
        for (int i = 0; i < plan.columns().size(); i++) {
            int at = i;
            boolean value = plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE;
            boolean fed = value
                    && plan.tables().stream()
                            .map(table -> table.feeds().get(at))
                            .anyMatch(feed -> feed != null && !(feed.origin() instanceof Origin.Told));
            boolean told = value
                    && !fed
                    && plan.tables().stream().anyMatch(table -> table.feeds().get(at) != null);
            if (fed && !rowNumbers.contains(i)) {
                cells.add(i);
                dated |= plan.columns().get(i).type().hasDay() && goesWithPeriods(i, proposal);
            } else if (told) {
                tags.add(i);
            }
        }
        return new TellingColumns(cells, tags, dated);
    }

    /**
     * All that tell rows apart: where no date says when the records were, also what tags say, so that the same few numbers
     * of two months are not taken for one, nor who is on the staff at the end of each.
     */
    List<Integer> all() {
        List<Integer> all = new ArrayList<>(cells);
        if (!dated) {
            all.addAll(tags);
        }
        return all;
    }

    /**
     * True where a column of dates says when its records were, in tables that hold half of all rows or more: the dates of a
     * table do not lie far from the period that it is tagged with, where it is. Those of a list as it stands at the end of
     * each month do, such as when each one was hired.
     */
    private static boolean goesWithPeriods(int column, Proposal proposal) {
        MasterPlan plan = proposal.plan();
        Map<Integer, PlacedTable> placed = new HashMap<>();
        proposal.layouts().forEach(layout -> layout.tables().forEach(table -> placed.put(table.id(), table)));
        long all = 0;
        long going = 0;
        for (MasterPlan.Table table : plan.tables()) {
            PlacedTable own = placed.get(table.id());
            MasterPlan.Feed feed = table.feeds().get(column);
            if (own == null) {
                continue;
            }
            all += own.table().kept();
            if (feed != null
                    && !(feed.origin() instanceof Origin.Told)
                    && period(table)
                            .map(period -> isNear(own, feed.origin(), period))
                            .orElse(true)) {
                going += own.table().kept();
            }
        }
        return going * 2 >= all;
    }

    /** The first day of the period that a table is tagged with. */
    private static Optional<LocalDate> period(MasterPlan.Table table) {
        return table.feeds().stream()
                .filter(feed -> feed != null && feed.origin() instanceof Origin.Told)
                .flatMap(feed -> Period.of(((Origin.Told) feed.origin()).text()).flatMap(Period::first).stream())
                .findFirst();
    }

    private static boolean isNear(PlacedTable table, Origin origin, LocalDate period) {
        return table.columns().stream()
                .filter(column -> column.origin().equals(origin))
                .flatMap(column -> column.someDays().stream())
                .allMatch(day -> Math.abs(ChronoUnit.DAYS.between(period, day)) <= FURTHEST);
    }
}
