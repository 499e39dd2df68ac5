package cuvee.tell;

import cuvee.check.SourceChange;
import cuvee.master.EarlierRows;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * The difference from the last refresh.
 *
 * @param first true where there was no refresh before
 * @param sources how rows and sums moved, source by source; empty also where nothing is known of the refresh before
 */
public record Changed(
        boolean first,
        List<String> filesNew,
        List<String> filesChanged,
        List<String> filesGone,
        List<String> columnsNew,
        List<String> columnsGone,
        long rowsBefore,
        long rowsNow,
        List<SourceChange> sources) {

    public Changed {
        filesNew = List.copyOf(filesNew);
        filesChanged = List.copyOf(filesChanged);
        filesGone = List.copyOf(filesGone);
        columnsNew = List.copyOf(columnsNew);
        columnsGone = List.copyOf(columnsGone);
        sources = List.copyOf(sources);
    }

    /** The same with how the rows of sources differ, by path. */
    public Changed withRows(Map<String, EarlierRows.Difference> differences) {
        return new Changed(
                first,
                filesNew,
                filesChanged,
                filesGone,
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
        return filesNew.isEmpty()
                && filesChanged.isEmpty()
                && filesGone.isEmpty()
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
        List<String> renamed = sources.stream()
                .filter(source -> source.kind() == SourceChange.Kind.RENAMED)
                .flatMap(source -> Stream.of(source.path(), source.was()))
                .toList();
        add(parts, without(filesNew, renamed), "new");
        add(parts, filesChanged, "changed");
        add(parts, without(filesGone, renamed), "gone");
        if (!renamed.isEmpty()) {
            parts.add(Says.count(renamed.size() / 2, "file") + " renamed");
        }
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

    private static List<String> without(List<String> files, List<String> others) {
        return files.stream().filter(file -> !others.contains(file)).toList();
    }

    private static void add(List<String> parts, List<String> files, String how) {
        if (!files.isEmpty()) {
            parts.add(Says.count(files.size(), "file") + " " + how);
        }
    }
}
