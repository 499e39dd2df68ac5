/** The analyst's rules as the job states them in words, and what they ask of the store. It must not know the refresh. */
package cuvee.rework;
