/** Writes the master to files, each in one step: beside its target first, then moved over it. */
package cuvee.deliver;
