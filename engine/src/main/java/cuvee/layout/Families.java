package cuvee.layout;

import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Collections;
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
    /** Of more layouts only headers are compared that have words with the same beginning. */
    private static final int MANY = 100;

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
        Headers[] headers = layouts.stream().map(Headers::of).toArray(Headers[]::new);
        boolean many = layouts.size() > MANY;
        List<List<Integer>> families = new ArrayList<>();
        for (int i = 0; i < headers.length; i++) {
            Headers own = headers[i];
            List<List<Integer>> related = families.stream()
                    .filter(family -> family.stream().anyMatch(member -> related(headers[member], own, many)))
                    .toList();
            List<Integer> joined = new ArrayList<>();
            for (List<Integer> family : related) {
                joined.addAll(family);
                families.remove(family);
            }
            joined.add(i);
            families.add(joined);
        }
        return families.stream()
                .map(family -> new Family(family.stream().map(layouts::get).toList()))
                .sorted(Comparator.comparingLong(Family::rows)
                        .thenComparingLong(Family::tables)
                        .reversed())
                .toList();
    }

    /**
     * What layouts are compared by.
     *
     * @param keys the keys of its headers without units
     * @param meanings what its headers mean
     * @param words of each header, how its words begin; for a first look where there are many layouts
     */
    private record Headers(
            List<String> headers, int count, Set<String> keys, Set<String> meanings, List<Set<String>> words) {
        static Headers of(Layout layout) {
            Set<String> keys = new HashSet<>();
            Set<String> meanings = new HashSet<>();
            layout.headers().forEach(header -> {
                keys.add(LooseText.keyWithoutUnit(header));
                meanings.add(HeaderWords.meaningKey(header));
            });
            return new Headers(
                    layout.headers(),
                    layout.keys().size(),
                    keys,
                    meanings,
                    layout.keys().size() > MOST_COMPARED
                            ? List.of()
                            : layout.headers().stream()
                                    .map(HeaderWords::beginnings)
                                    .toList());
        }
    }

    static boolean related(Layout a, Layout b) {
        return related(Headers.of(a), Headers.of(b), false);
    }

    private static boolean related(Headers a, Headers b, boolean many) {
        int shorter = Math.min(a.count(), b.count());
        return enough(a.keys(), b.keys(), shorter)
                || enough(a.meanings(), b.meanings(), shorter)
                || alike(a, b, shorter, many);
    }

    /** True where enough headers are alike by their words, however they are spelled. */
    private static boolean alike(Headers a, Headers b, int shorter, boolean many) {
        if (a.count() > MOST_COMPARED || b.count() > MOST_COMPARED) {
            return false;
        }
        double least = Math.max(Math.min(2, shorter), shorter * SHARED);
        int like = 0;
        for (int i = 0; i < a.headers().size() && like + a.headers().size() - i >= least; i++) {
            for (int j = 0; j < b.headers().size(); j++) {
                if ((!many || !Collections.disjoint(a.words().get(i), b.words().get(j)))
                        && HeaderWords.likeness(a.headers().get(i), b.headers().get(j)) >= LIKE) {
                    like++;
                    break;
                }
            }
        }
        return like >= least;
    }

    private static boolean enough(Set<String> here, Set<String> there, int shorter) {
        long shared = here.stream().filter(there::contains).count();
        return shared >= Math.min(2, shorter) && shared >= shorter * SHARED;
    }
}
