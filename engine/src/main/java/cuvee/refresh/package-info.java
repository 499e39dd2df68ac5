/**
 * The run that ties the engine together: collect, gather, propose, bring the master in step, audit, tell what changed; with
 * the session that stays open over a job, its history and its deliveries. Its entry is {@link cuvee.refresh.JobSession}.
 */
package cuvee.refresh;
