package cuvee.refresh;

/**
 * What a delivery came to.
 *
 * @param bytes how long what was written is
 * @param said in words
 * @param incomplete true where something of the master found no cell of a prepared workbook
 */
public record Delivered(long bytes, String said, boolean incomplete) {}
