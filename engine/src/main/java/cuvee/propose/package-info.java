/**
 * From tables to the plan of a master: what belongs together, which tables stand twice, how columns line up, what they are
 * called and which type they have, and what rows are tagged with. Each step takes a {@link cuvee.propose.Draft} and makes
 * another one with what it has to say; the result is a {@link cuvee.propose.Proposal} with the questions that were not
 * settled. It must not know what the master was before.
 */
package cuvee.propose;
