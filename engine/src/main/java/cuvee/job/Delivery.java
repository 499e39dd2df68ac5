package cuvee.job;

import java.util.Optional;

/**
 * Where the master is written.
 *
 * @param target a file whose ending says the form; relative to the job file where possible
 * @param prepared the workbook of which a copy is filled by key; empty where the master is written as a table
 */
public record Delivery(String name, String target, Optional<Prepared> prepared) {
    /** A delivery of the master as a table. */
    public Delivery(String name, String target) {
        this(name, target, Optional.empty());
    }

    /**
     * A workbook that someone prepared, with keys down one column and items across one row.
     *
     * @param workbook its file, relative to the job file where possible
     * @param key the master's column whose values are the keys
     * @param item the master's column whose values are the items; empty where the names of columns are
     * @param value the master's column whose values go into the cells; empty with the former
     */
    public record Prepared(String workbook, String key, String item, String value) {
        public Prepared withWorkbook(String path) {
            return new Prepared(path, key, item, value);
        }
    }
}
