package cuvee.deliver;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The rows as they will stand in the tab.
 *
 * @param first those that are written first
 * @param thenAll true where all rows of the master follow, which are never held in memory
 */
record TabRows(List<List<@Nullable String>> first, boolean thenAll, long added, long changed, long removed, long kept) {
    long count() {
        return first.size() + (thenAll ? added : 0);
    }
}
