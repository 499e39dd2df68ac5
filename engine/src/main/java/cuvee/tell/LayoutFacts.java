package cuvee.tell;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.job.Decision;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a layout, or one of its sources, holds for a column of the master.
 *
 * @param filled how many of its cells hold a value
 * @param fits how many of those fit the column's type
 * @param conventions how its numbers and dates are read; several where its tables differ
 * @param said what the analyst says of how it is read: "point", "comma", "day" or "month"; empty for nothing
 */
public record LayoutFacts(Layout layout, long filled, long fits, Set<Convention> conventions, String said) {
    public LayoutFacts {
        conventions = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(conventions));
    }

    /** The kind of the decision about how values of a type are read; empty where there is but one way. */
    public static String conventionOf(Type type) {
        return type.isNumber() ? Kinds.DECIMAL_MARK : type.isMoment() ? Kinds.DATE_ORDER : "";
    }

    /** What each layout that has a column holds for it; values that rules replace count as they are written. */
    public static List<LayoutFacts> of(Outcome outcome, int column) {
        List<LayoutFacts> facts = new ArrayList<>();
        for (Layout layout : outcome.proposal().layouts()) {
            of(outcome, column, layout, layout.tables(), layout.signature()).ifPresent(facts::add);
        }
        return facts;
    }

    /** What the tables of one source hold for a column; empty where none of them has it. */
    public static Optional<LayoutFacts> ofSource(Outcome outcome, int column, Layout layout, String source) {
        return of(
                outcome,
                column,
                layout,
                layout.tables().stream()
                        .filter(table -> table.source().equals(source))
                        .toList(),
                source);
    }

    private static Optional<LayoutFacts> of(
            Outcome outcome, int column, Layout layout, List<PlacedTable> placed, String scope) {
        MasterPlan plan = outcome.proposal().plan();
        MasterPlan.Column master = plan.columns().get(column);
        Set<Integer> ids = new HashSet<>();
        placed.forEach(table -> ids.add(table.id()));
        Evidence all = new Evidence();
        Set<Convention> conventions = new LinkedHashSet<>();
        for (MasterPlan.Table table : plan.tables()) {
            MasterPlan.Feed feed = ids.contains(table.id()) ? table.feeds().get(column) : null;
            if (feed != null) {
                all.add(feed.evidence().under(feed.convention().mark()));
                conventions.add(feed.convention());
            }
        }
        String said = outcome.job()
                .decision(conventionOf(master.type()), ColumnChoice.Scoped.words(master.name(), scope))
                .map(Decision::answer)
                .orElse("");
        return conventions.isEmpty()
                ? Optional.empty()
                : Optional.of(new LayoutFacts(layout, all.filled(), Typing.fit(all, master.type()), conventions, said));
    }
}
