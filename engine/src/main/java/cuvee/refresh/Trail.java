package cuvee.refresh;

import cuvee.place.Where;

/**
 * Where a master cell came from.
 *
 * @param header the header over the cell; empty where the source has no such column, or for a tag
 * @param raw the text as the source has it; empty where the cell is blank
 */
public record Trail(Where where, String header, String raw) {}
