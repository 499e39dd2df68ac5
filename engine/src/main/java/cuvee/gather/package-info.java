/**
 * From sources to tables: reads the files that changed, keeps what was found in them, and settles with the batch and the
 * job how each sheet is read. What it finds are {@link cuvee.gather.SourceFacts}, from which everything else follows. It
 * must not know columns of the master.
 */
package cuvee.gather;
