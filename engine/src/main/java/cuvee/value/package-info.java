/**
 * Raw cells as typed values: the forms in which people write numbers and dates, the conventions that decide between
 * them, and the types of columns. It must not know tables or files.
 */
package cuvee.value;
