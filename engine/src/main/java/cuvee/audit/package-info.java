/**
 * A sceptic's look at the finished master: numbers that do not follow from others, amounts of another size, days of another
 * month, numbers that are missing, values that do not fit, and the analyst's own checks. It says nothing that cannot be
 * looked at in a cell, and changes nothing. It must not know what came of it before.
 */
package cuvee.audit;
