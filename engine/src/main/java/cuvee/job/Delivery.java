package cuvee.job;

/**
 * Where the master is written.
 *
 * @param target a file whose ending says the form; relative to the job file where possible
 */
public record Delivery(String name, String target) {}
