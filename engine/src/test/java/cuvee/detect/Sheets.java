package cuvee.detect;

import cuvee.testing.Rows;
import java.util.List;

/** Finds tables in sheets that a test writes down row by row. */
final class Sheets {
    private Sheets() {}

    static List<FoundTable> tables(List<Object[]> rows) {
        TableFinder finder = new TableFinder(HeaderHints.NONE);
        for (int i = 0; i < rows.size(); i++) {
            finder.row(Rows.row(i + 1, rows.get(i)));
        }
        return finder.end();
    }

    /** The only table of a sheet, or its first. */
    static FoundTable table(Object[]... rows) {
        return tables(List.of(rows)).get(0);
    }
}
