/**
 * From rows of cells to tables: which rows are titles, headers, records, totals, repeats and notes, and why. It works on
 * a stream of rows and the headers known from elsewhere; it must not know files, jobs or the store.
 */
package cuvee.detect;
