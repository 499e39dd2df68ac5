package cuvee.layout;

import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Gathers layouts that share headers into families, the one with the most rows first. */
public final class Families {
    /** Layouts are related when they share this much of the shorter one's headers, and at least two. */
    private static final double SHARED = 0.5;

    private static final double LIKE = 0.7;
    private static final int MOST_COMPARED = 24;

    private Families() {}

    /** Layouts that belong into one master. */
    public record Family(List<Layout> layouts) {
        public Family {
            layouts = List.copyOf(layouts);
        }

        public long rows() {
            return layouts.stream().mapToLong(Layout::rows).sum();
        }

        public int tables() {
            return layouts.stream().mapToInt(layout -> layout.tables().size()).sum();
        }
    }

    public static List<Family> of(List<Layout> layouts) {
        List<List<Layout>> families = new ArrayList<>();
        for (Layout layout : layouts) {
            List<List<Layout>> related = families.stream()
                    .filter(family -> family.stream().anyMatch(member -> related(member, layout)))
                    .toList();
            List<Layout> joined = new ArrayList<>();
            for (List<Layout> family : related) {
                joined.addAll(family);
                families.remove(family);
            }
            joined.add(layout);
            families.add(joined);
        }
        return families.stream()
                .map(Family::new)
                .sorted(Comparator.comparingLong(Family::rows)
                        .thenComparingLong(Family::tables)
                        .reversed())
                .toList();
    }

    private static Set<String> bareKeys(Layout layout) {
        Set<String> keys = new HashSet<>();
        layout.headers().forEach(header -> keys.add(LooseText.keyWithoutUnit(header)));
        return keys;
    }

    static boolean related(Layout a, Layout b) {
        int shorter = Math.min(a.keys().size(), b.keys().size());
        return enough(bareKeys(a), bareKeys(b), shorter)
                || enough(meanings(a), meanings(b), shorter)
                || alike(a, b, shorter);
    }

    /** True where enough headers are alike by their words, however they are spelled. */
    private static boolean alike(Layout a, Layout b, int shorter) {
        if (a.keys().size() > MOST_COMPARED || b.keys().size() > MOST_COMPARED) {
            return false;
        }
        long like = a.headers().stream()
                .filter(header -> b.headers().stream().anyMatch(other -> HeaderWords.likeness(header, other) >= LIKE))
                .count();
        return like >= Math.min(2, shorter) && like >= shorter * SHARED;
    }

    private static boolean enough(Set<String> here, Set<String> there, int shorter) {
        Set<String> shared = new HashSet<>(here);
        shared.retainAll(there);
        return shared.size() >= Math.min(2, shorter) && shared.size() >= shorter * SHARED;
    }

    private static Set<String> meanings(Layout layout) {
        Set<String> meanings = new HashSet<>();
        layout.headers().forEach(header -> meanings.add(HeaderWords.meaningKey(header)));
        return meanings;
    }
}
