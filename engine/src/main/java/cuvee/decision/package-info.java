/**
 * What decisions mean: each kind as a record with its subject and its answer as values, read from the words of a job and
 * written back to them. Whatever has to be known of every kind is asked of the record, so that a new kind cannot be
 * forgotten. It must not know the refresh.
 */
package cuvee.decision;
