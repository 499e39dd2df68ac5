package cuvee.master;

import org.jspecify.annotations.Nullable;

/** How many rows of a column hold a value, and their exact sum where it is a number. */
public record ColumnTotal(
        String column, long filled, @Nullable String sum) {}
