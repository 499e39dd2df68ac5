/**
 * One reader for each file format, all giving the same stream of rows of raw cells.
 * Readers are push parsers: they hand one reused {@link cuvee.sheet.Row} after another to a visitor.
 * They must not know what a row means.
 */
package cuvee.sheet;
