package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.value.Convention;
import cuvee.value.Conventions;
import cuvee.value.Conventions.Vote;
import cuvee.value.Evidence;
import cuvee.value.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * How numbers and dates are written that can be read in two ways: as the analyst says, else by the votes of the column, of
 * its table, of its layout and of the whole batch, the nearest that has one.
 */
final class ConventionVotes {
    private static final Map<String, String> FIRST = Map.of(Kinds.DECIMAL_MARK, "point", Kinds.DATE_ORDER, "day");

    private final Job job;
    private final Homes homes;
    private final boolean somethingSaid;
    private final Map<PlacedTable, Layout> layoutOf = new HashMap<>();
    private final Map<PlacedTable, Votes> byTable = new HashMap<>();
    private final Map<Layout, Votes> byLayout = new HashMap<>();
    private final Votes batch = new Votes();

    /** How many columns vote for each of two ways. */
    private static final class Votes {
        private final Evidence sum = new Evidence();
        private final List<Evidence> columns = new ArrayList<>();

        void add(Evidence evidence) {
            sum.add(evidence);
            columns.add(evidence);
        }

        /** What columns make likely; OPEN where none does, or some this and some that. */
        Vote likely(Function<Evidence, Vote> asking) {
            Set<Vote> votes = columns.stream().map(asking).collect(Collectors.toSet());
            votes.remove(Vote.OPEN);
            return votes.size() == 1 ? votes.iterator().next() : Vote.OPEN;
        }

        Vote of(Function<Evidence, Vote> asking) {
            return asking.apply(sum);
        }
    }

    ConventionVotes(Job job, List<Layout> layouts, Homes homes) {
        this.job = job;
        this.homes = homes;
        this.somethingSaid = job.settled().stream().anyMatch(each -> FIRST.containsKey(each.kind()));
        for (Layout layout : layouts) {
            Votes ofLayout = byLayout.computeIfAbsent(layout, l -> new Votes());
            for (PlacedTable table : layout.tables()) {
                layoutOf.put(table, layout);
                Votes ofTable = byTable.computeIfAbsent(table, t -> new Votes());
                for (LaidColumn column : table.columns()) {
                    ofTable.add(column.evidence());
                    ofLayout.add(column.evidence());
                    batch.add(column.evidence());
                }
            }
        }
    }

    /** Which mark is decimal in a column of a table. */
    Vote mark(String name, PlacedTable table, Evidence own, Evidence column) {
        return said(Kinds.DECIMAL_MARK, name, table).orElseGet(() -> {
            // What a column shows by itself comes before what the other columns of its table use as a decimal mark.
            Vote itself = Conventions.mark(own) == Vote.OPEN ? Conventions.markByThousands(own, column) : Vote.OPEN;
            return itself == Vote.OPEN
                    ? resolve(own, column, table, Conventions::mark, Conventions::markByGroups)
                    : itself;
        });
    }

    /** What comes first in the dates of a column of a table. */
    Vote order(String name, PlacedTable table, Evidence own, Evidence column) {
        return said(Kinds.DATE_ORDER, name, table)
                .orElseGet(() -> resolve(own, column, table, Conventions::order, e -> Vote.OPEN));
    }

    /** What two votes come to; where they are open, what the job says of the column. */
    Convention decided(String name, Vote mark, Vote order) {
        return new Convention(decidedMark(name, mark), decidedOrder(name, order));
    }

    /**
     * The order of day and month by which the dates of tables lie in the months or quarters that the names of their files
     * say, where only one does and no two tables differ.
     */
    Vote byPeriods(DraftColumn column) {
        Set<Vote> votes = new HashSet<>();
        column.fed().forEach((table, fed) -> {
            Evidence own = fed.evidence();
            if (Conventions.order(own) == Vote.OPEN) {
                boolean dayFirst = isWithinPeriod(table, own.someDays(Convention.Order.DAY_FIRST));
                boolean monthFirst = isWithinPeriod(table, own.someDays(Convention.Order.MONTH_FIRST));
                if (dayFirst != monthFirst) {
                    votes.add(dayFirst ? Vote.FIRST : Vote.SECOND);
                }
            }
        });
        return votes.size() == 1 ? votes.iterator().next() : Vote.OPEN;
    }

    private boolean isWithinPeriod(PlacedTable table, List<LocalDate> days) {
        return new HashSet<>(days).size() > 1
                && homes.periods(table).stream()
                        .filter(period -> period.kind() != Period.Kind.DAY && period.kind() != Period.Kind.YEAR)
                        .anyMatch(period -> days.stream().allMatch(period::holds));
    }

    /**
     * The vote of the column itself, else of the nearest surroundings that have one. What the column or its table only
     * makes likely comes before what others say who may write otherwise.
     */
    private Vote resolve(
            Evidence own,
            Evidence column,
            PlacedTable table,
            Function<Evidence, Vote> asking,
            Function<Evidence, Vote> likely) {
        Vote vote = asking.apply(own);
        if (vote != Vote.OPEN) {
            return vote;
        }
        Votes ofTable = byTable.getOrDefault(table, batch);
        Layout layout = layoutOf.get(table);
        Votes ofLayout = layout == null ? batch : byLayout.getOrDefault(layout, batch);
        List<Vote> wider = List.of(
                ofTable.of(asking),
                likely.apply(own),
                ofTable.likely(likely),
                ofLayout.of(asking),
                asking.apply(column),
                batch.of(asking));
        return wider.stream()
                .filter(next -> next == Vote.FIRST || next == Vote.SECOND)
                .findFirst()
                .orElse(Vote.OPEN);
    }

    /**
     * What the analyst says of the column in a table's source, its layout or its place, the nearest first; else of all
     * columns there, or in all files.
     */
    private Optional<Vote> said(String kind, String name, PlacedTable table) {
        if (!somethingSaid) {
            return Optional.empty();
        }
        List<String> scopes = scopes(table);
        List<String> subjects = new ArrayList<>();
        scopes.forEach(scope -> subjects.add(ColumnChoice.Scoped.words(name, scope)));
        scopes.forEach(scope -> subjects.add(ColumnChoice.Scoped.words(ColumnChoice.ALL_COLUMNS, scope)));
        subjects.add(ColumnChoice.ALL_COLUMNS);
        return subjects.stream()
                .map(subject -> job.decision(kind, subject))
                .flatMap(Optional::stream)
                .findFirst()
                .map(decision -> decision.answer().equals(FIRST.get(kind)) ? Vote.FIRST : Vote.SECOND);
    }

    /** What a table belongs to, the nearest first: its source, its layout, its place. */
    List<String> scopes(PlacedTable table) {
        Layout layout = layoutOf.get(table);
        List<String> scopes = new ArrayList<>(List.of(table.source()));
        if (layout != null) {
            scopes.add(layout.signature());
        }
        scopes.add(homes.of(table).place());
        return scopes;
    }

    /** The scopes that hold some tables: their layouts, where all tables of these are among them, else their sources. */
    List<String> scopesOf(Collection<PlacedTable> tables) {
        Set<PlacedTable> all = new HashSet<>(tables);
        return tables.stream()
                .map(table -> {
                    Layout layout = layoutOf.get(table);
                    return layout != null && all.containsAll(layout.tables()) ? layout.signature() : table.source();
                })
                .distinct()
                .toList();
    }

    private Convention.Mark decidedMark(String name, Vote vote) {
        if (vote != Vote.OPEN) {
            return Conventions.markOf(vote);
        }
        return job.decision(Kinds.DECIMAL_MARK, name)
                        .map(Decision::answer)
                        .orElse("point")
                        .equals("comma")
                ? Convention.Mark.COMMA
                : Convention.Mark.POINT;
    }

    private Convention.Order decidedOrder(String name, Vote vote) {
        if (vote != Vote.OPEN) {
            return Conventions.orderOf(vote);
        }
        return job.decision(Kinds.DATE_ORDER, name)
                        .map(Decision::answer)
                        .orElse("day")
                        .equals("month")
                ? Convention.Order.MONTH_FIRST
                : Convention.Order.DAY_FIRST;
    }
}
