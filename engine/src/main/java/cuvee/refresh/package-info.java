/**
 * The run that ties the engine together: collect, read what changed, plan, bring the master in step, say what changed.
 * Its entry is {@link cuvee.refresh.JobSession}.
 */
package cuvee.refresh;
