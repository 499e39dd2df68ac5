package cuvee.refresh;

import cuvee.check.Reconciled;
import cuvee.check.SourceChange;
import cuvee.check.SourceFigures;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.Gathering;
import cuvee.gather.SourceFacts;
import cuvee.master.EarlierRows;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.tell.Changed;
import cuvee.tell.Outcome;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What a refresh proves of its master: sums against those of the sources, and rows against those before. */
final class Proof {
    private final Store store;

    Proof(Store store) {
        this.store = store;
    }

    /** Compares the sums of the sources with those of the master; one that nothing explains is a failure of Cuvee's own. */
    Reconciled reconcile(Proposal proposal, MasterReader reader, List<Finding> findings) {
        MasterPlan plan = proposal.plan();
        Reconciled reconciled = Reconciled.of(
                plan,
                proposal.layouts().stream()
                        .flatMap(layout -> layout.tables().stream())
                        .toList(),
                reader.figures().byTable(),
                (table, column) -> store.cells().sum(plan, table, column));
        Map<Integer, MasterPlan.Table> tables = new HashMap<>();
        plan.tables().forEach(table -> tables.put(table.id(), table));
        for (Reconciled.Line line : reconciled.open()) {
            MasterPlan.Table table = tables.get(line.table());
            findings.add(new Finding(
                    Severity.FAILURE,
                    "sum-not-conserved",
                    table == null ? Where.JOB : Where.sheet(table.source(), table.sheet()),
                    "The column "
                            + Says.quoted(plan.columns().get(line.column()).name()) + " comes to "
                            + line.source().toPlainString() + " in the source and to "
                            + line.master().add(line.aside()).toPlainString() + " in the master.",
                    "Nothing is delivered.",
                    "This is a fault in Cuvee, not in the file. Refresh with --full; if it happens again, the log says"
                            + " more."));
        }
        return reconciled;
    }

    /** Keeps the rows of sources that hold something else than before, until a refresh is concluded. */
    void keepEarlierRows(Map<String, SourceFacts> known, Gathering gathering) {
        Map<Integer, String> tables = new HashMap<>();
        known.forEach((path, before) -> {
            SourceFacts now = gathering.facts().get(path);
            boolean same = now != null && !gathering.replaced().contains(path)
                    || now != null && before.sum().equals(now.sum());
            if (!same) {
                before.placed().forEach(table -> tables.put(table.id(), path));
            }
        });
        if (!tables.isEmpty()) {
            store.earlierRows().keep(tables);
        }
    }

    /** How the rows of sources differ whose files changed. */
    Map<String, EarlierRows.Difference> differences(Changed changed, MasterPlan plan) {
        Set<String> paths = new HashSet<>();
        changed.sources().stream()
                .filter(source -> source.kind() == SourceChange.Kind.CHANGED)
                .forEach(source -> paths.add(source.path()));
        if (paths.isEmpty()) {
            return Map.of();
        }
        Map<Integer, String> tables = new HashMap<>();
        plan.tables().stream()
                .filter(table -> paths.contains(table.source()))
                .forEach(table -> tables.put(table.id(), table.source()));
        return store.earlierRows().differences(plan, tables);
    }

    /** Forgets them: the master as it is now is what the next one is compared with. */
    void forgetEarlierRows() {
        store.earlierRows().forget();
    }

    /** What each source came to, by path. */
    static Map<String, SourceFigures> figures(
            MasterPlan plan,
            Reconciled reconciled,
            Map<Integer, Outcome.Made> made,
            List<Map<Integer, Long>> ruledOut) {
        return SourceFigures.of(plan, reconciled, table -> {
            Outcome.Made came = made.get(table);
            long out = ruledOut.stream()
                    .mapToLong(byTable -> byTable.getOrDefault(table, 0L))
                    .sum();
            return (came == null ? 0 : came.rows()) - out;
        });
    }
}
