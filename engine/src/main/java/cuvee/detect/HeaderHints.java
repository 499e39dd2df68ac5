package cuvee.detect;

import cuvee.value.LooseText;
import java.util.Set;

/**
 * What a first look at a batch tells for the second one.
 *
 * @param looseKeys headers known from the other tables of the batch and from the job: a row of such words is a header here
 *     too
 * @param pointsPartThousands true where a point in the numbers of this sheet parts thousands wherever it could
 * @param totalNames what totals of the other tables are called that do not say so, by loose key
 */
public record HeaderHints(Set<String> looseKeys, boolean pointsPartThousands, Set<String> totalNames) {
    public static final HeaderHints NONE = new HeaderHints(Set.of());

    public HeaderHints {
        looseKeys = Set.copyOf(looseKeys);
        totalNames = Set.copyOf(totalNames);
    }

    public HeaderHints(Set<String> looseKeys) {
        this(looseKeys, false, Set.of());
    }

    /** The same headers for a sheet whose numbers may be read otherwise. */
    public HeaderHints withPointsPartingThousands(boolean parting) {
        return new HeaderHints(looseKeys, parting, totalNames);
    }

    /** The same headers for a sheet that may have totals called as those of others. */
    public HeaderHints withTotalNames(Set<String> names) {
        return new HeaderHints(looseKeys, pointsPartThousands, names);
    }

    boolean isEmpty() {
        return looseKeys.isEmpty();
    }

    boolean knows(String text) {
        return !looseKeys.isEmpty() && knowsKey(LooseText.key(text));
    }

    boolean knowsKey(String looseKey) {
        return looseKeys.contains(looseKey);
    }
}
