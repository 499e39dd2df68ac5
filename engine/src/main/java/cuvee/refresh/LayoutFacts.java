package cuvee.refresh;

import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a layout holds for a column of the master.
 *
 * @param filled how many of its cells hold a value
 * @param fits how many of those fit the column's type
 * @param conventions how its numbers and dates are read; several where its tables differ
 * @param said what the analyst says of how this layout is read: "point", "comma", "day" or "month"; empty for nothing
 */
public record LayoutFacts(Layout layout, long filled, long fits, Set<Convention> conventions, String said) {
    public LayoutFacts {
        conventions = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(conventions));
    }

    /** The kind of the decision about how values of a type are read; empty where there is but one way. */
    public static String conventionOf(Type type) {
        return type.isNumber() ? ColumnTyping.MARK : type.isMoment() ? ColumnTyping.ORDER : "";
    }

    /** What each layout that has a column holds for it; values that rules replace count as they are written. */
    public static List<LayoutFacts> of(Outcome outcome, int column) {
        Job job = outcome.job();
        MasterPlan plan = outcome.proposal().plan();
        Map<Integer, MasterPlan.Table> tables = new HashMap<>();
        plan.tables().forEach(table -> tables.put(table.id(), table));
        MasterPlan.Column master = plan.columns().get(column);
        List<LayoutFacts> facts = new ArrayList<>();
        for (Layout layout : outcome.proposal().layouts()) {
            Evidence all = new Evidence();
            Set<Convention> conventions = new LinkedHashSet<>();
            boolean has = false;
            for (PlacedTable placed : layout.tables()) {
                MasterPlan.Table table = tables.get(placed.id());
                MasterPlan.Feed feed = table == null ? null : table.feeds().get(column);
                if (feed != null) {
                    all.add(feed.evidence().under(feed.convention().mark()));
                    conventions.add(feed.convention());
                    has = true;
                }
            }
            if (has) {
                String said = job.decision(
                                conventionOf(master.type()), ColumnTyping.scoped(master.name(), layout.signature()))
                        .map(decision -> decision.answer())
                        .orElse("");
                facts.add(new LayoutFacts(layout, all.filled(), Typing.fit(all, master.type()), conventions, said));
            }
        }
        return facts;
    }
}
