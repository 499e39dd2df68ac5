package cuvee.audit;

import cuvee.check.Reconciled;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.HeaderWords;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Figures that stand beside columns which became rows, such as the overtime of a month beside its weeks: each is repeated
 * in several rows, so that the column adds up to more than the sources say.
 */
public final class RepeatedFigures {
    private RepeatedFigures() {}

    /** The figures that are repeated, with what they add up to. */
    public static List<Finding> findings(Proposal proposal, Reconciled reconciled) {
        List<Finding> findings = new ArrayList<>();
        MasterPlan plan = proposal.plan();
        for (int i = 0; i < plan.columns().size(); i++) {
            int column = i;
            Reconciled.Sum sum = reconciled.sum(i);
            boolean repeated = reconciled.ofColumn(i).values().stream()
                    .anyMatch(line -> line.change() == Reconciled.Change.REPEATED
                            && line.changed().signum() != 0);
            if (repeated && isFigure(plan, proposal, i)) {
                String name = Says.quoted(plan.columns().get(i).name());
                findings.add(new Finding(
                        Severity.WARNING,
                        "repeated-figures",
                        Where.JOB,
                        "The column " + name
                                + (plan.tables().stream().anyMatch(table -> table.isOfHeads(column))
                                        ? " stands in rows above those that it is said of"
                                        : " stands beside columns that became rows")
                                + ", so that each of its values is in several rows: it adds up to " + said(sum.master())
                                + " in the master, and to "
                                + said(sum.source()) + " in the sources.",
                        "Every row says it.",
                        "Do not add it up over these rows, or leave the column out."));
            }
        }
        return findings;
    }

    private static String said(BigDecimal sum) {
        return Says.number(sum.stripTrailingZeros());
    }

    /**
     * True for what is likely to be added up: amounts, measures, and whole numbers to the right of what became rows, where
     * totals stand. A year, a number or a rate before them says of what the others are.
     */
    private static boolean isFigure(MasterPlan plan, Proposal proposal, int column) {
        Type type = plan.columns().get(column).type();
        if (type == Type.PERCENT
                || HeaderWords.isRate(plan.columns().get(column).name())) {
            return false;
        }
        boolean ofHeads = type == Type.DECIMAL && plan.tables().stream().anyMatch(table -> table.isOfHeads(column));
        return type == Type.MONEY
                || ofHeads
                || plan.tables().stream()
                        .filter(table -> table.repeats(column))
                        .flatMap(table -> proposal.layouts().stream()
                                .flatMap(layout -> layout.tables().stream())
                                .filter(placed -> placed.id() == table.id()))
                        .anyMatch(placed -> isRightOfValues(placed, plan, column));
    }

    private static boolean isRightOfValues(PlacedTable placed, MasterPlan plan, int column) {
        Optional<MasterPlan.Feed> feed = plan.tables().stream()
                .filter(table -> table.id() == placed.id())
                .findFirst()
                .flatMap(table -> Optional.ofNullable(table.feeds().get(column)));
        int first = placed.columns().stream()
                .map(LaidColumn::origin)
                .filter(Origin.Values.class::isInstance)
                .flatMap(origin -> ((Origin.Values) origin).columns().stream())
                .filter(at -> at >= 0)
                .mapToInt(Integer::intValue)
                .min()
                .orElse(Integer.MAX_VALUE);
        return feed.map(MasterPlan.Feed::origin)
                .filter(Origin.Cell.class::isInstance)
                .filter(origin -> ((Origin.Cell) origin).index() > first)
                .isPresent();
    }
}
