package cuvee.refresh;

import cuvee.detect.FoundTable;
import cuvee.finding.Finding;
import java.util.List;

/**
 * What was found in a source when it was last read; kept in the store, so that an unchanged source is not read again.
 *
 * @param fingerprint the content's; empty where size and time were enough to tell it
 * @param sheets its sheets in file order; empty where it could not be read
 * @param problem why it could not be read; null-free: empty list or one finding
 */
record SourceFacts(
        String path, long size, long modified, String fingerprint, List<SheetFacts> sheets, List<Finding> problem) {

    SourceFacts {
        sheets = List.copyOf(sheets);
        problem = List.copyOf(problem);
    }

    /**
     * A sheet of a source.
     *
     * @param id its number in staging
     * @param width the width of the staging table that holds its rows
     * @param asideKind why its rows were not read, as a stable word; empty where they were
     */
    record SheetFacts(int id, int width, String name, String form, String asideKind, List<FoundTable> tables) {
        SheetFacts {
            tables = List.copyOf(tables);
        }
    }

    boolean readable() {
        return problem.isEmpty();
    }
}
