package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.value.LooseText;
import java.util.stream.Collectors;

/** What the layouts of tables are called, next month as today: the loose keys of their headers. */
public final class Signatures {
    private static final String LINES = "|+lines";
    private static final String BELOW = "|+below";

    private Signatures() {}

    /**
     * What the layout of a table is called before anything is decided about it. Members of a sequence that run across
     * are left out of it, so that a sheet with one more month is of the same layout.
     */
    public static String of(FoundTable table) {
        return RunsAcross.of(table)
                .filter(across -> across.sure() != Across.Sureness.FEW)
                .map(across -> turned(table, across))
                .orElseGet(() -> plain(table));
    }

    /** What the layout of a table is called when some of its columns become rows. */
    public static String turned(FoundTable table, Across across) {
        return across.signature(table) + lines(table);
    }

    /** What the layout of a table is called when its columns stay columns. */
    public static String plain(FoundTable table) {
        return table.columns().stream()
                        .map(column -> LooseText.key(column.header()))
                        .collect(Collectors.joining("|"))
                + lines(table);
    }

    private static String lines(FoundTable table) {
        return !table.below().isEmpty() ? BELOW : table.sections().isEmpty() ? "" : LINES;
    }
}
