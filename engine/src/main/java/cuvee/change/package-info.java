/**
 * What the analyst does to a job, for window and command line alike: answers, columns, rules and places as a new state of
 * the job. Each refuses what would not do what it says. It must not refresh.
 */
package cuvee.change;
