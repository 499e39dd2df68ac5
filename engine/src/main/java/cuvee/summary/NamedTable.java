package cuvee.summary;

/** A summary by the name under which a job keeps it, and its figures. */
public record NamedTable(String name, SummaryTable table) {}
