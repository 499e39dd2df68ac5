/**
 * What proves a master: its sums against those of the sources, and what has come, changed or is missing. Works on plans and
 * figures; it must not know how a job is refreshed or shown.
 */
@NullMarked
package cuvee.check;

import org.jspecify.annotations.NullMarked;
