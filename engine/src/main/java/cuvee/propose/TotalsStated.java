package cuvee.propose;

import cuvee.detect.FoundTable;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.PlacedTable;
import cuvee.layout.StatedTotals;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.List;

/** Compares the totals that sheets state with the rows above them, and says where they differ. */
final class TotalsStated {
    private TotalsStated() {}

    static Draft on(Draft draft) {
        List<Finding> findings = new ArrayList<>();
        for (PlacedTable table : draft.membersInOrder()) {
            for (FoundTable.StatedTotal total : StatedTotals.sums(table.table())) {
                if (!total.agrees()) {
                    findings.add(differs(table, total));
                }
            }
        }
        return draft.saying(Said.found(findings));
    }

    private static Finding differs(PlacedTable table, FoundTable.StatedTotal total) {
        return new Finding(
                Severity.WARNING,
                "stated-total",
                table.where().cell(total.row(), total.column() + 1),
                "The total stated there is " + Says.number(total.stated()) + ", but the "
                        + Says.count(total.records(), "row") + " above add up to "
                        + Says.number(total.added())
                        + ", a difference of " + Says.number(total.stated() - total.added()) + ".",
                "The rows are kept as they are.",
                "Ask the sender which of the two is right.");
    }
}
