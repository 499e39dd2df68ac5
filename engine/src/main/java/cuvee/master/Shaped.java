package cuvee.master;

import java.util.List;

/**
 * The master as it is shown and delivered, where that is another than it was made.
 *
 * @param plan its columns; its rows are read by it
 * @param from for each of its columns the one of the master that it comes from; below zero for none
 * @param before how many rows it was made of
 * @param rows how many it has
 * @param lost columns that the rows were to be ordered by and that are not there
 * @param problem why the rows are shown as they are; empty where they are shaped
 * @param clashes cells in which several values met and one was taken
 */
public record Shaped(
        MasterPlan plan, List<Integer> from, long before, long rows, List<String> lost, String problem, long clashes) {
    public Shaped {
        from = List.copyOf(from);
        lost = List.copyOf(lost);
    }

    /** True where rows were gathered, so that one may be made of several. */
    public boolean isGathered() {
        return before != rows || plan.tags().isEmpty();
    }

    /** Nothing shaped, since too many columns would come of it. */
    static Shaped not(MasterPlan plan, long columns) {
        return new Shaped(
                plan, List.of(), 0, 0, List.of(), "there would be more than " + (columns - 1) + " columns", 0);
    }
}
