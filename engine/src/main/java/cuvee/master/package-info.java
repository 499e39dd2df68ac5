/**
 * The embedded store: staged cells as found, the typed master, and pages of it. The only package besides rework and the
 * database deliveries that speaks SQL. It must not know how anything was decided.
 */
package cuvee.master;
