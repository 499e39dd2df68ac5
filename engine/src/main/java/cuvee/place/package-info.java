/**
 * Where things are: sources, sheets, rows and cells, and how a person would name them.
 * Nothing here reads a file; it must not know what is found at a place.
 */
package cuvee.place;
