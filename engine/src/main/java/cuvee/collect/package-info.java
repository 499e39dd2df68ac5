/**
 * From places to sources: walks folders, orders files as people do, and sets strangers aside with the reason. It reads
 * no table.
 */
package cuvee.collect;
