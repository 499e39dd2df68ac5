package cuvee.model;

import cuvee.master.MasterPlan;
import cuvee.master.RowView;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How the rows of the master are looked at; nothing of the master changes by it.
 *
 * @param where what has to hold of the rows that are shown, in words; empty where all are
 * @param order what they are ordered by, the first first; none for the order of the master
 */
public record RowLook(String where, List<By> order) {
    public static final RowLook ALL = new RowLook("", List.of());

    /** A column by its name, and whether its greatest values come first. */
    public record By(String column, boolean greatestFirst) {}

    public RowLook {
        order = List.copyOf(order);
    }

    public boolean isAll() {
        return equals(ALL);
    }

    public RowLook where(String words) {
        return new RowLook(words, order);
    }

    /**
     * The same, ordered by a column; one that is ordered by it already the other way round, and no more after that.
     *
     * @param greatestFirst how it is ordered at first
     * @param more true to keep what it is ordered by so far, in front of it
     */
    public RowLook turned(String column, boolean greatestFirst, boolean more) {
        int at = at(column);
        List<By> now = new ArrayList<>(more || at >= 0 && order.size() == 1 ? order : List.of());
        int there = IntStream.range(0, now.size())
                .filter(i -> now.get(i).column().equals(column))
                .findFirst()
                .orElse(-1);
        if (there < 0) {
            now.add(new By(column, greatestFirst));
        } else if (now.get(there).greatestFirst() == greatestFirst) {
            now.set(there, new By(column, !greatestFirst));
        } else {
            now.remove(there);
        }
        return new RowLook(where, now);
    }

    /** The same, ordered by a column alone. */
    public RowLook by(String column, boolean greatestFirst) {
        return new RowLook(where, List.of(new By(column, greatestFirst)));
    }

    /** The place of a column in the order; below zero where rows are not ordered by it. */
    public int at(String column) {
        return IntStream.range(0, order.size())
                .filter(i -> order.get(i).column().equals(column))
                .findFirst()
                .orElse(-1);
    }

    /** The order by the columns of a plan; columns that it does not have are left out. */
    List<RowView.By> orderOf(MasterPlan plan) {
        List<String> names = new ArrayList<>();
        plan.columns().forEach(column -> names.add(column.name()));
        plan.tags().forEach(tag -> names.add(tag.name()));
        return order.stream()
                .filter(by -> names.contains(by.column()))
                .map(by -> new RowView.By(names.indexOf(by.column()), by.greatestFirst()))
                .toList();
    }
}
