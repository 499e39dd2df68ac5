/**
 * What Cuvee has to say about the data: findings, questions and the one exception type.
 * Messages and places are kept apart and joined for display only. It must not know who shows them.
 */
package cuvee.finding;
