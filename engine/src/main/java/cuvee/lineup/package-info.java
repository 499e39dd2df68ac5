/**
 * Lines up the headers of all layouts as master columns: which header of which layout feeds which column, and what is in
 * doubt. It must not know the store.
 */
package cuvee.lineup;
