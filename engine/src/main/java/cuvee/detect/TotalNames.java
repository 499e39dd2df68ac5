package cuvee.detect;

import java.util.List;

/**
 * What rows of a table are called that add up those above under names that say nothing of it, by loose key.
 *
 * @param told names of rows that are totals, as nothing but their arithmetic says
 * @param perhaps names of rows that could be totals as well, where too little speaks for it here: the totals of other
 *     tables may bear the name
 */
public record TotalNames(List<String> told, List<String> perhaps) {
    public static final TotalNames NONE = new TotalNames(List.of(), List.of());

    public TotalNames {
        told = List.copyOf(told);
        perhaps = List.copyOf(perhaps);
    }
}
