/**
 * What a batch is beside its own past: files sent again or for the year to date, rows that stand in several files, closed
 * periods, and rows kept of files that are gone. Everything here is asked with what it would do to rows and sums. It must
 * not know what a refresh says.
 */
package cuvee.earlier;
