package cuvee.model;

import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.RowChoice;
import cuvee.decision.RowChoice.InView;
import cuvee.decision.RowChoice.InView.Placed;
import cuvee.decision.RowChoice.InView.Seen;
import cuvee.job.Job;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How the columns of the master stand in the window: their order, which stay in view, which are hidden, how wide they are.
 * The job keeps it; what is delivered does not follow it. A column that is not named stands behind the one before it in the
 * master.
 */
public record ColumnLook(List<Placed> placed) {
    public static final ColumnLook OF_THE_MASTER = new ColumnLook(List.of());

    public ColumnLook {
        placed = List.copyOf(placed);
    }

    /** That of a job. */
    public static ColumnLook of(Job job) {
        return job.decision(Kinds.IN_VIEW, RowChoice.ALL_ROWS)
                .map(decision -> Choices.of(decision, List.of()))
                .filter(InView.class::isInstance)
                .map(choice -> new ColumnLook(((InView) choice).columns()))
                .orElse(OF_THE_MASTER);
    }

    /** The columns of a master in the order of this look, hidden ones too. */
    private List<Placed> all(List<String> names) {
        Map<String, Placed> known = new LinkedHashMap<>();
        placed.stream().filter(each -> names.contains(each.column())).forEach(each -> known.put(each.column(), each));
        List<Placed> all = new ArrayList<>(known.values());
        for (int i = 0; i < names.size(); i++) {
            if (!known.containsKey(names.get(i))) {
                String before = i == 0 ? "" : names.get(i - 1);
                int at = IntStream.range(0, all.size())
                        .filter(j -> all.get(j).column().equals(before))
                        .findFirst()
                        .orElse(-1);
                all.add(at + 1, new Placed(names.get(i), Seen.SHOWN, 0));
            }
        }
        return all;
    }

    /** The columns that are seen, those that stay in view first, as places in the master. */
    int[] seen(List<String> names) {
        List<Placed> all = all(names);
        return IntStream.concat(places(all, names, Seen.KEPT), places(all, names, Seen.SHOWN))
                .toArray();
    }

    private static IntStream places(List<Placed> all, List<String> names, Seen seen) {
        return all.stream().filter(each -> each.seen() == seen).mapToInt(each -> names.indexOf(each.column()));
    }

    /** How many of the columns that are seen stay in view. */
    int kept(List<String> names) {
        return (int)
                all(names).stream().filter(each -> each.seen() == Seen.KEPT).count();
    }

    /** The width of a column that was said by hand. */
    Optional<Integer> width(String column) {
        return find(column).map(Placed::width).filter(width -> width > 0);
    }

    private Optional<Placed> find(String column) {
        return placed.stream().filter(each -> each.column().equals(column)).findFirst();
    }

    /** True where a column stays in view. */
    public boolean isKept(String column) {
        return find(column).filter(each -> each.seen() == Seen.KEPT).isPresent();
    }

    /** The columns that are hidden. */
    public List<String> hidden(List<String> names) {
        return all(names).stream()
                .filter(each -> each.seen() == Seen.HIDDEN)
                .map(Placed::column)
                .toList();
    }

    /** The same with a column shown, kept in view or hidden; the last one that is seen is not hidden. */
    public ColumnLook with(String column, Seen seen, List<String> names) {
        if (seen == Seen.HIDDEN && seen(names).length < 2) {
            return this;
        }
        return changed(column, names, each -> new Placed(each.column(), seen, each.width()));
    }

    /** The same with a column as wide as this. */
    public ColumnLook wide(String column, int width, List<String> names) {
        return changed(column, names, each -> new Placed(each.column(), each.seen(), width));
    }

    private ColumnLook changed(String column, List<String> names, java.util.function.UnaryOperator<Placed> change) {
        return new ColumnLook(all(names).stream()
                .map(each -> each.column().equals(column) ? change.apply(each) : each)
                .toList());
    }

    /** The same with a column one place before or behind, among those that are seen like it. */
    public ColumnLook moved(String column, boolean behind, List<String> names) {
        List<Placed> all = new ArrayList<>(all(names));
        Placed own = all.stream()
                .filter(each -> each.column().equals(column))
                .findFirst()
                .orElse(null);
        if (own == null) {
            return this;
        }
        int from = all.indexOf(own);
        int step = behind ? 1 : -1;
        int to = from + step;
        while (to >= 0 && to < all.size() && all.get(to).seen() != own.seen()) {
            to += step;
        }
        if (to < 0 || to >= all.size()) {
            return this;
        }
        all.remove(from);
        all.add(to, own);
        return new ColumnLook(all);
    }

    /** It as a decision says it. */
    InView choice() {
        return new InView(placed);
    }
}
