package cuvee.model;

import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * How sources are put together in Check: by a tag, by their first folder, or each by itself.
 *
 * @param words what it is called, as in "by Port"
 * @param texts for each source what it is put under; a source that is not in it stands under its path
 */
public record Grouping(String words, Map<String, String> texts) {
    private static final int MOST_GROUPS = 60;
    /** Of a source of which a tag says nothing. */
    private static final String NONE = "none";

    public Grouping {
        texts = Map.copyOf(texts);
    }

    /** What a source is put under. */
    public String of(SourceReport source) {
        return texts.getOrDefault(source.path(), source.path());
    }

    /** All ways there are, the one that says most at a glance first. */
    public static List<Grouping> all(Outcome outcome) {
        List<Grouping> all = new ArrayList<>();
        for (Proposal.TagReport tag : outcome.proposal().tags()) {
            if (tag.on()) {
                Map<String, String> texts = new java.util.HashMap<>();
                outcome.sources()
                        .forEach(source -> texts.put(source.path(), tag.texts().getOrDefault(source.path(), NONE)));
                add(all, new Grouping(tag.column(), texts), outcome);
            }
        }
        Map<String, String> folders = new java.util.HashMap<>();
        for (SourceReport source : outcome.sources()) {
            int slash = source.path().indexOf('/');
            folders.put(
                    source.path(),
                    slash < 0 ? "the place itself" : source.path().substring(0, slash));
        }
        add(all, new Grouping("folder", folders), outcome);
        all.add(new Grouping("file", Map.of()));
        return all;
    }

    private static void add(List<Grouping> all, Grouping grouping, Outcome outcome) {
        Set<String> groups = new HashSet<>();
        outcome.sources().stream()
                .filter(source -> !source.tables().isEmpty())
                .forEach(source -> groups.add(grouping.of(source)));
        boolean known = all.stream().anyMatch(other -> other.texts().equals(grouping.texts()));
        if (groups.size() > 1 && groups.size() <= MOST_GROUPS && !known) {
            all.add(grouping);
        }
    }
}
