package cuvee.lineup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Header spellings that the analyst has settled in other jobs. They are offered with their origin and never applied
 * unasked.
 */
public record HeaderBook(List<Entry> entries) {
    public static final HeaderBook EMPTY = new HeaderBook(List.of());

    public HeaderBook {
        entries = List.copyOf(entries);
    }

    /**
     * A header that was settled.
     *
     * @param key its loose key
     * @param column the name of the column that it belongs to
     * @param job the name of the job in which that was settled
     */
    public record Entry(String key, String column, String job) {}

    /** What was settled about a header, the latest first. */
    public Optional<Entry> of(String key) {
        for (int i = entries.size() - 1; i >= 0; i--) {
            if (entries.get(i).key().equals(key)) {
                return Optional.of(entries.get(i));
            }
        }
        return Optional.empty();
    }

    /** The book with one more entry, in place of an earlier one of the same header and job. */
    public HeaderBook with(Entry entry) {
        List<Entry> others = new ArrayList<>(entries);
        others.removeIf(old -> old.key().equals(entry.key()) && old.job().equals(entry.job()));
        others.add(entry);
        return new HeaderBook(others);
    }
}
