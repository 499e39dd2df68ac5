package cuvee.refresh;

import cuvee.place.Says;
import java.util.ArrayList;
import java.util.List;

/**
 * The difference from the last refresh.
 *
 * @param first true where there was no refresh before
 */
public record Changed(
        boolean first,
        List<String> filesNew,
        List<String> filesChanged,
        List<String> filesGone,
        List<String> columnsNew,
        List<String> columnsGone,
        long rowsBefore,
        long rowsNow) {

    public Changed {
        filesNew = List.copyOf(filesNew);
        filesChanged = List.copyOf(filesChanged);
        filesGone = List.copyOf(filesGone);
        columnsNew = List.copyOf(columnsNew);
        columnsGone = List.copyOf(columnsGone);
    }

    public boolean nothing() {
        return filesNew.isEmpty()
                && filesChanged.isEmpty()
                && filesGone.isEmpty()
                && columnsNew.isEmpty()
                && columnsGone.isEmpty()
                && rowsBefore == rowsNow;
    }

    /** One sentence for people. */
    public String sentence() {
        if (first) {
            return "First refresh: " + Says.count(rowsNow, "row") + ".";
        }
        if (nothing()) {
            return "Nothing has changed since the last refresh.";
        }
        List<String> parts = new ArrayList<>();
        add(parts, filesNew, "new");
        add(parts, filesChanged, "changed");
        add(parts, filesGone, "gone");
        if (!columnsNew.isEmpty()) {
            parts.add(Says.count(columnsNew.size(), "new column") + " (" + Says.list(columnsNew) + ")");
        }
        if (!columnsGone.isEmpty()) {
            parts.add(Says.count(columnsGone.size(), "column") + " gone (" + Says.list(columnsGone) + ")");
        }
        long difference = rowsNow - rowsBefore;
        parts.add(
                difference == 0
                        ? "as many rows as before"
                        : Says.count(Math.abs(difference), "row") + (difference > 0 ? " more" : " fewer"));
        return "Since the last refresh: " + String.join(", ", parts) + ".";
    }

    private static void add(List<String> parts, List<String> files, String how) {
        if (!files.isEmpty()) {
            parts.add(Says.count(files.size(), "file") + " " + how);
        }
    }
}
