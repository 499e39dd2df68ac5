package cuvee.audit;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.Origin;
import cuvee.master.MasterPart;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Form;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Whether the values of each column are conserved: those read, as the reader counted them by their form, are those written
 * to the master plus those that did not fit. What did not fit is foretold from the forms; where that is not what came of
 * the conversion, the cells are counted one by one, and the true number is said. Where even that leaves a value missing it
 * is a failure of Cuvee's own.
 */
public final class Conservation {
    private final Store store;
    private final MasterPlan plan;
    private final MasterReader reader;
    private final Map<Integer, long[]> written;
    private final List<Finding> findings = new ArrayList<>();
    private final Map<Integer, Long> unforeseen = new HashMap<>();

    /** For the master that was just written from what the store holds. */
    public Conservation(Store store, MasterPlan plan, MasterReader reader) {
        this.store = store;
        this.plan = plan;
        this.reader = reader;
        this.written = reader.figures().filledByTable();
    }

    /** Looks at all columns that cells feed as they are. */
    public Conservation check() {
        for (MasterPlan.Table table : plan.tables()) {
            for (int i = 0; i < plan.columns().size(); i++) {
                MasterPlan.Feed feed = table.feeds().get(i);
                if (feed != null && isPlain(table, feed, i)) {
                    check(table, feed, i);
                }
            }
        }
        return this;
    }

    /** The count that must close: each table's records are in the master, each once. */
    public static void closeTally(MasterPlan plan, Map<Integer, Long> rowsInMaster, Map<Integer, MasterPart> parts) {
        Map<Integer, Long> expected = new HashMap<>();
        for (MasterPlan.Table table : plan.tables()) {
            expected.merge(table.id(), (long) table.kept(), Long::sum);
        }
        for (MasterPlan.Table table : plan.tables()) {
            MasterPart part = parts.get(table.id());
            long blanks = part == null ? 0 : part.blanks();
            long kept = expected.getOrDefault(table.id(), 0L) * Math.max(1, table.turned()) - blanks;
            long there = rowsInMaster.getOrDefault(table.id(), 0L);
            if (kept != there) {
                throw CuveeException.failure(
                        "tally",
                        Where.sheet(table.source(), table.sheet()),
                        "The tally does not close: " + Says.count(kept, "record") + " read, " + Says.count(there, "row")
                                + " in the master.",
                        "Nothing was delivered.",
                        "Refresh with --full; if it happens again it is a fault in Cuvee.");
            }
        }
    }

    /** What was found to be said. */
    public List<Finding> findings() {
        return findings;
    }

    /** Values that did not fit though their form had not shown it, by column. */
    public Map<Integer, Long> unforeseen() {
        return unforeseen;
    }

    /** True where each cell becomes one value, and no rule or correction has a say in it. */
    private boolean isPlain(MasterPlan.Table table, MasterPlan.Feed feed, int index) {
        boolean once = feed.origin() instanceof Origin.Values
                || (table.turned() == 0 && feed.origin() instanceof Origin.Cell cell && !cell.carried());
        return once
                && plan.columns().get(index).part() == MasterPlan.Column.Part.VALUE
                && feed.replaced().isEmpty()
                && !feed.corrected()
                && plan.makings().stream().noneMatch(making -> making.column() == index);
    }

    private void check(MasterPlan.Table table, MasterPlan.Feed feed, int index) {
        Type type = plan.columns().get(index).type();
        long read = feed.evidence().filled();
        long there = written.getOrDefault(table.id(), new long[plan.columns().size()])[index];
        long foretold =
                type == Type.TEXT ? feed.evidence().count(Form.CELL_ERROR) : read - Typing.fit(feed.evidence(), type);
        if (read == there + foretold) {
            return;
        }
        // Cells of nothing but white space count as blank, and stand in the master as they are.
        there = reader.figures().filled(table.id(), index);
        if (read == there + foretold) {
            return;
        }
        long unfit = store.cells().unfit(plan, table, index);
        Where where = Where.sheet(table.source(), table.sheet());
        String name = Says.quoted(plan.columns().get(index).name());
        if (read != there + unfit) {
            findings.add(new Finding(
                    Severity.FAILURE,
                    "not-conserved",
                    where,
                    "The values of the column " + name + " do not add up: " + Says.count(read, "value") + " read, "
                            + Says.number(there) + " written, " + Says.number(unfit) + " that did not fit.",
                    "Nothing is delivered.",
                    "This is a fault in Cuvee, not in the file. Refresh with --full; if it happens again, the log says"
                            + " more."));
        } else if (unfit > foretold) {
            unforeseen.merge(index, unfit - foretold, Long::sum);
            findings.add(new Finding(
                    Severity.WARNING,
                    "unfit-values",
                    where,
                    Says.count(unfit, "value") + " of the column " + name + (unfit == 1 ? " does" : " do")
                            + " not fit " + type.word() + ", though " + (unfit == 1 ? "it looks" : "they look")
                            + " as if.",
                    "They are blank in the master.",
                    "Look at them in the facts of the column, or choose another type."));
        }
    }
}
