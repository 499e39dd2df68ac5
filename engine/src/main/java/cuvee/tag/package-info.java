/** Columns filled from where a row came from. It must not know the store. */
package cuvee.tag;
