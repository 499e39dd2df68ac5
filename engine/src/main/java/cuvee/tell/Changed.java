package cuvee.tell;

import cuvee.check.SourceChange;
import cuvee.master.EarlierRows;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The difference from the last refresh.
 *
 * @param first true where there was no refresh before
 * @param files what became of the files
 * @param sources how rows and sums moved, source by source; empty also where nothing is known of the refresh before
 */
public record Changed(
        boolean first,
        Files files,
        List<String> columnsNew,
        List<String> columnsGone,
        long rowsBefore,
        long rowsNow,
        List<SourceChange> sources) {

    /**
     * What became of the files, each in one of these.
     *
     * @param unreadable those that hold something else now, which cannot be read; rows of the last time are kept
     * @param renamed new paths whose content stood under another that is no more, with that path
     */
    public record Files(
            List<String> added,
            List<String> changed,
            List<String> unreadable,
            Map<String, String> renamed,
            List<String> gone) {

        /** All are where they were and hold what they held. */
        public static final Files SAME = new Files(List.of(), List.of(), List.of(), Map.of(), List.of());

        public Files {
            added = List.copyOf(added);
            changed = List.copyOf(changed);
            unreadable = List.copyOf(unreadable);
            renamed = Collections.unmodifiableMap(new TreeMap<>(renamed));
            gone = List.copyOf(gone);
        }
    }

    public Changed {
        columnsNew = List.copyOf(columnsNew);
        columnsGone = List.copyOf(columnsGone);
        sources = List.copyOf(sources);
    }

    /** The same with how the rows of sources differ, by path. */
    public Changed withRows(Map<String, EarlierRows.Difference> differences) {
        return new Changed(
                first,
                files,
                columnsNew,
                columnsGone,
                rowsBefore,
                rowsNow,
                sources.stream()
                        .map(source -> {
                            EarlierRows.Difference difference = differences.get(source.path());
                            return difference == null ? source : source.with(difference);
                        })
                        .toList());
    }

    public boolean nothing() {
        return files.equals(Files.SAME)
                && columnsNew.isEmpty()
                && columnsGone.isEmpty()
                && rowsBefore == rowsNow
                && sources.isEmpty();
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
        add(parts, files.added(), "new");
        add(parts, files.changed(), "changed");
        add(parts, files.unreadable(), "unreadable");
        add(parts, files.gone(), "gone");
        add(parts, files.renamed().keySet(), "renamed");
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

    private static void add(List<String> parts, Collection<String> files, String how) {
        if (!files.isEmpty()) {
            parts.add(Says.count(files.size(), "file") + " " + how);
        }
    }
}
