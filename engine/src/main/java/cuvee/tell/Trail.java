package cuvee.tell;

import cuvee.place.Where;
import org.jspecify.annotations.Nullable;

/**
 * Where a master cell came from.
 *
 * @param header the header over the cell; empty where the source has no such column, or for a tag
 * @param raw the text as the source has it; empty where the cell is blank
 * @param corrected what a correction of the analyst reads instead; null where there is none
 * @param met how many cells met in the master's; this is the first of them
 */
public record Trail(
        Where where, String header, String raw, @Nullable String corrected, int met) {
    Trail(Where where, String header, String raw) {
        this(where, header, raw, null, 1);
    }

    Trail withMet(int cells) {
        return new Trail(where, header, raw, corrected, cells);
    }
}
