package cuvee.change;

import cuvee.finding.CuveeException;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What the analyst does with a column as a whole, over a job as it is now and what was proposed for it: each answers the
 * job as it is then, or refuses with a {@link CuveeException} that says why and what can be done.
 */
public final class Columns {
    private Columns() {}

    /** Gives a column another name; all that was decided about it goes with it. */
    public static Job rename(Job job, Proposal proposal, String name, String newName) {
        there(proposal, name);
        Set<String> names = new HashSet<>(proposal.leftOut().keySet());
        names.addAll(names(proposal));
        free(proposal, names.stream().filter(other -> !other.equals(name)).toList(), newName);
        return Board.rename(job, proposal.lineUp(), names, name, newName.strip());
    }

    /** Makes one column of two: all headers of the first feed the other. */
    public static Job unite(Job job, Proposal proposal, String name, String with) {
        for (String each : List.of(name, with)) {
            int at = there(proposal, each);
            if (!proposal.hasCells(at) || proposal.isTag(each)) {
                throw Refusal.of(
                        Says.quoted(each) + " is a tag or made; no header feeds it.",
                        "Unite columns that headers feed.");
            }
        }
        long both = proposal.layouts().stream()
                .filter(layout -> feeds(proposal, layout, name) && feeds(proposal, layout, with))
                .count();
        if (name.equals(with)) {
            throw Refusal.of(Says.quoted(name) + " is one column already.", "Name another one to unite it with.");
        }
        if (both > 0) {
            throw Refusal.of(
                    Says.quoted(name) + " and " + Says.quoted(with) + " stand beside each other in "
                            + Says.count(both, "layout") + ", so that they cannot be one column.",
                    "Let single headers feed the column with: cuvee decide FILE.cuvee line-up HEADER COLUMN");
        }
        return Board.unite(job, proposal.lineUp(), name, with);
    }

    /** Puts a column in front of another one, or last where {@code before} is empty. */
    public static Job place(Job job, Proposal proposal, String name, String before) {
        int from = there(proposal, name);
        int last = names(proposal).size() - 1;
        int to = before.isEmpty() ? last : there(proposal, before);
        return Board.move(job, names(proposal), name, to - from - (!before.isEmpty() && to > from ? 1 : 0));
    }

    /** Adds a column that no source has so far. */
    public static Job add(Job job, Proposal proposal, String name) {
        Set<String> names = new HashSet<>(proposal.leftOut().keySet());
        names.addAll(names(proposal));
        names.addAll(job.columns());
        free(proposal, List.copyOf(names), name);
        return Board.add(job, name.strip());
    }

    /** Refuses a name that says nothing, or that another column has. */
    private static void free(Proposal proposal, List<String> others, String wanted) {
        if (wanted.isBlank()) {
            throw Refusal.of("A column has to be called something.", "Give it a name.");
        }
        others.stream()
                .filter(other -> LooseText.key(other).equals(LooseText.key(wanted)))
                .findFirst()
                .ifPresent(other -> {
                    boolean out = proposal.leftOut().containsKey(other);
                    throw Refusal.of(
                            "Another column is called " + Says.quoted(other) + " already"
                                    + (out ? ", one that is left out." : "."),
                            out ? "Choose another name." : "Choose another name, or unite the two.");
                });
    }

    private static boolean feeds(Proposal proposal, Layout layout, String name) {
        return layout.keys().stream()
                .anyMatch(key -> name.equals(proposal.lineUp().get(key)));
    }

    private static List<String> names(Proposal proposal) {
        return new ArrayList<>(
                proposal.columns().stream().map(Proposal.ColumnReport::name).toList());
    }

    private static int there(Proposal proposal, String name) {
        int at = names(proposal).indexOf(name);
        if (at < 0) {
            throw Refusal.of(
                    "There is no column " + Says.quoted(name) + ".",
                    "The columns are " + String.join(", ", names(proposal)) + ".");
        }
        return at;
    }
}
