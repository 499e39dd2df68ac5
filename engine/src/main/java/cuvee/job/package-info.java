/**
 * The saved job: places, decisions and deliveries as immutable records with their JSON form. It holds no data and no
 * behaviour beyond making a changed copy.
 */
package cuvee.job;
