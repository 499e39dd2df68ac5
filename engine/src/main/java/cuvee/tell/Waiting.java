package cuvee.tell;

import cuvee.collect.Source;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What has come to the places of a job, changed or gone there since its last refresh, by name, size and time; nothing of it
 * is read.
 *
 * @param stamps what the system says of each file that came or changed, by path
 */
public record Waiting(List<String> came, List<String> changed, List<String> gone, Map<String, Stamped> stamps) {
    public static final Waiting NOTHING = new Waiting(List.of(), List.of(), List.of(), Map.of());

    /** What the system says of a file. */
    public record Stamped(long size, long modified) {}

    public Waiting {
        came = List.copyOf(came);
        changed = List.copyOf(changed);
        gone = List.copyOf(gone);
        stamps = Map.copyOf(stamps);
    }

    /** What differs between the files that are there and those of the last refresh. */
    public static Waiting of(List<Source> there, Outcome outcome) {
        Map<String, SourceReport> known = new HashMap<>();
        outcome.sources().forEach(source -> known.put(source.path(), source));
        List<String> came = new ArrayList<>();
        List<String> changed = new ArrayList<>();
        Map<String, Stamped> stamps = new TreeMap<>();
        for (Source source : there) {
            SourceReport before = known.remove(source.path());
            boolean other =
                    before != null && (before.size() != source.size() || before.modified() != source.modified());
            if (source.taken() && (before == null || other)) {
                (before == null ? came : changed).add(source.path());
                stamps.put(source.path(), new Stamped(source.size(), source.modified()));
            }
        }
        List<String> gone = known.values().stream()
                .filter(source -> source.state() != SourceReport.State.GONE)
                .map(SourceReport::path)
                .sorted()
                .toList();
        return new Waiting(came, changed, gone, stamps);
    }

    public boolean isNothing() {
        return came.isEmpty() && changed.isEmpty() && gone.isEmpty();
    }

    /** It in a sentence that names some of the files; empty where nothing waits. */
    public String said() {
        List<String> counts = new ArrayList<>();
        if (!came.isEmpty()) {
            counts.add(Says.count(came.size(), "file") + " came");
        }
        if (!changed.isEmpty()) {
            counts.add(Says.count(changed.size(), "file") + " changed");
        }
        if (!gone.isEmpty()) {
            counts.add(Says.count(gone.size(), "file") + (gone.size() == 1 ? " is gone" : " are gone"));
        }
        List<String> all = new ArrayList<>(came);
        all.addAll(changed);
        all.addAll(gone);
        if (all.isEmpty()) {
            return "";
        }
        return Says.capital(Says.list(counts)) + ": " + Says.list(all) + ".";
    }
}
