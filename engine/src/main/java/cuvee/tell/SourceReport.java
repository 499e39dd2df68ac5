package cuvee.tell;

import cuvee.layout.PlacedTable;
import java.util.List;

/**
 * What became of one source.
 *
 * @param kind why it was set aside, as a stable word; empty where it was taken
 * @param reason why, in words; empty where it was taken
 * @param tables its tables that are in the master
 * @param outside its tables and sheets that are not, each with the reason
 */
public record SourceReport(
        String path,
        long size,
        long modified,
        State state,
        String kind,
        String reason,
        List<PlacedTable> tables,
        List<Outside> outside) {

    public SourceReport {
        tables = List.copyOf(tables);
        outside = List.copyOf(outside);
    }

    /** What became of a source. */
    public enum State {
        TAKEN("taken"),
        SET_ASIDE("set aside"),
        GONE("gone, its rows kept"),
        UNREADABLE("cannot be read, its rows kept");

        private final String word;

        State(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** A sheet, or a table of it, that is not in the master. */
    public record Outside(String sheet, java.util.Optional<PlacedTable> table, String reason) {}

    public long rows() {
        return tables.stream().mapToLong(table -> table.table().kept()).sum();
    }

    public long seen() {
        return tables.stream().mapToLong(table -> table.table().seen()).sum();
    }
}
