package cuvee.check;

import cuvee.master.EarlierRows;
import cuvee.place.Says;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * How a source stands against an earlier refresh.
 *
 * @param was its path then, where it has been renamed; else empty
 * @param sums the number columns whose sums moved
 * @param rows how its rows differ one by one, where that is known
 */
public record SourceChange(
        String path,
        Kind kind,
        String was,
        long rowsBefore,
        long rowsNow,
        List<Moved> sums,
        Optional<EarlierRows.Difference> rows) {
    private static final int MOST_NAMED = 3;

    public SourceChange {
        sums = List.copyOf(sums);
    }

    /** What became of a source. */
    public enum Kind {
        NEW("new"),
        CHANGED("changed"),
        /** The file holds something else, which cannot be read; its rows are those of the last time. */
        UNREADABLE("unreadable"),
        RENAMED("renamed"),
        GONE("gone"),
        /** The file is the same; decisions made other rows or numbers of it. */
        DECIDED("the same file, decided otherwise");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The sum of a column then and now. */
    public record Moved(String column, BigDecimal before, BigDecimal now) {
        public BigDecimal by() {
            return now.subtract(before);
        }
    }

    /**
     * The sources that are not what they were.
     *
     * @param held what the file of each source holds, by path; the same text for the same content
     * @param unreadable the sources that cannot be read now
     */
    public static List<SourceChange> between(
            Map<String, SourceFigures> before,
            Map<String, String> heldBefore,
            Map<String, SourceFigures> now,
            Map<String, String> held,
            Set<String> unreadable) {
        Map<String, String> renamed = renamed(heldBefore, held);
        TreeSet<String> paths = new TreeSet<>(now.keySet());
        paths.addAll(held.keySet());
        List<SourceChange> changes = new ArrayList<>();
        for (String path : paths) {
            String was = renamed.getOrDefault(path, path);
            boolean wasThere = heldBefore.containsKey(was);
            Kind kind;
            if (!was.equals(path)) {
                kind = Kind.RENAMED;
            } else if (!wasThere && !before.containsKey(path)) {
                kind = Kind.NEW;
            } else if (!held.containsKey(path)) {
                kind = wasThere ? Kind.GONE : Kind.DECIDED;
            } else if (held.get(path).equals(heldBefore.get(path))) {
                kind = Kind.DECIDED;
            } else {
                kind = unreadable.contains(path) ? Kind.UNREADABLE : Kind.CHANGED;
            }
            SourceFigures then = before.getOrDefault(was, SourceFigures.NONE);
            SourceFigures there = now.getOrDefault(path, SourceFigures.NONE);
            List<Moved> moved = moved(then, there);
            boolean other = kind != Kind.DECIDED || then.rows() != there.rows() || !moved.isEmpty();
            if (other) {
                changes.add(new SourceChange(
                        path, kind, was.equals(path) ? "" : was, then.rows(), there.rows(), moved, Optional.empty()));
            }
        }
        TreeSet<String> gone = new TreeSet<>(before.keySet());
        gone.addAll(heldBefore.keySet());
        gone.removeAll(paths);
        gone.removeAll(renamed.values());
        gone.forEach(path -> {
            SourceFigures then = before.getOrDefault(path, SourceFigures.NONE);
            changes.add(new SourceChange(
                    path, Kind.GONE, "", then.rows(), 0, moved(then, SourceFigures.NONE), Optional.empty()));
        });
        return changes;
    }

    /** True where its file is no more, or cannot be read, and rows of it are in the master all the same. */
    private boolean isKept() {
        return (kind == Kind.GONE || kind == Kind.UNREADABLE) && rowsNow > 0;
    }

    /** What became of it, in words: {@code changed, 2 rows more, Fare +49.5; 1 row changed (K1: Fare 5.5, now 55)}. */
    public String said() {
        List<String> parts = new ArrayList<>();
        parts.add(kind.words() + (was.isEmpty() ? "" : " from " + was));
        long more = rowsNow - rowsBefore;
        if (kind == Kind.NEW) {
            parts.add(Says.count(rowsNow, "row"));
        } else if (isKept()) {
            parts.add("its " + Says.count(rowsNow, "row") + " kept");
        } else if (more != 0) {
            parts.add(Says.count(Math.abs(more), "row") + (more > 0 ? " more" : " fewer"));
        }
        if (kind != Kind.NEW) {
            sums.forEach(sum -> parts.add(sum.column() + " " + signed(sum.by())));
        }
        return String.join(", ", parts)
                + rows.map(SourceChange::said)
                        .filter(words -> !words.isEmpty())
                        .map(words -> "; " + words)
                        .orElse("");
    }

    private static String said(EarlierRows.Difference rows) {
        List<String> parts = new ArrayList<>();
        if (rows.added() > 0) {
            parts.add(Says.count(rows.added(), "row") + " added");
        }
        if (rows.removed() > 0) {
            parts.add(Says.count(rows.removed(), "row") + " removed");
        }
        if (rows.changed() > 0) {
            List<String> named = rows.cells().stream()
                    .limit(MOST_NAMED)
                    .map(cell -> cell.key() + ": " + cell.column() + " " + filled(cell.before()) + ", now "
                            + filled(cell.now()))
                    .toList();
            parts.add(Says.count(rows.changed(), "row") + " changed (" + String.join("; ", named)
                    + (rows.cells().size() > MOST_NAMED ? "; ..." : "") + ")");
        }
        return String.join(", ", parts);
    }

    private static String filled(String text) {
        return text.isEmpty() ? "blank" : text;
    }

    /** A number with its sign. */
    public static String signed(BigDecimal by) {
        return (by.signum() < 0 ? "" : "+") + Says.number(by);
    }

    /** The same with how its rows differ. */
    public SourceChange with(EarlierRows.Difference difference) {
        return new SourceChange(path, kind, was, rowsBefore, rowsNow, sums, Optional.of(difference));
    }

    /**
     * New paths whose content stood under a path that is no more, with that path.
     *
     * @param before what the files held, by path; empty where that is not known
     */
    public static Map<String, String> renamed(Map<String, String> before, Map<String, String> now) {
        Map<String, String> gone = new TreeMap<>();
        before.forEach((path, held) -> {
            if (!now.containsKey(path) && !held.isEmpty()) {
                gone.putIfAbsent(held, path);
            }
        });
        Map<String, String> renamed = new TreeMap<>();
        now.forEach((path, held) -> {
            String was = before.containsKey(path) ? null : gone.remove(held);
            if (was != null) {
                renamed.put(path, was);
            }
        });
        return renamed;
    }

    private static List<Moved> moved(SourceFigures before, SourceFigures now) {
        TreeSet<String> columns = new TreeSet<>(before.sums().keySet());
        columns.addAll(now.sums().keySet());
        return columns.stream()
                .map(column -> new Moved(
                        column,
                        before.sums().getOrDefault(column, BigDecimal.ZERO),
                        now.sums().getOrDefault(column, BigDecimal.ZERO)))
                .filter(moved -> moved.by().signum() != 0)
                .toList();
    }
}
