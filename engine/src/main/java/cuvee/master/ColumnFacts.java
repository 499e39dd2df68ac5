package cuvee.master;

import org.jspecify.annotations.Nullable;

/**
 * What a column of the master holds, over all its rows. Values are canonical text.
 *
 * @param rows how many rows the master has
 * @param filled how many of them hold a value
 * @param different how many different values there are
 * @param least the least value, in the order of its type; null where there is none
 * @param greatest the greatest value
 * @param sum the exact sum of numbers; null for all else
 * @param median the middle value of numbers and dates: half of the filled rows hold no more
 */
public record ColumnFacts(
        long rows,
        long filled,
        long different,
        @Nullable String least,
        @Nullable String greatest,
        @Nullable String sum,
        @Nullable String median) {

    public long blank() {
        return rows - filled;
    }
}
