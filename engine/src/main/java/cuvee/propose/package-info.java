/**
 * From tables to the plan of a master: what belongs together, which tables stand twice, how columns line up, what they are
 * called and which type they have, and what rows are tagged with. Its result is a {@link cuvee.propose.Proposal} with the
 * questions that it could not settle. It must not know what the master was before.
 */
package cuvee.propose;
