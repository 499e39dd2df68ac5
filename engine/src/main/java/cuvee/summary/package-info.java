/**
 * Summaries of the master: what an analyst asks for in words, the figures it comes to, and which rows are behind each.
 */
@org.jspecify.annotations.NullMarked
package cuvee.summary;
