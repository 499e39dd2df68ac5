package cuvee.layout;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Sets of words of which none is ever another of its set, such as origin and destination. Found by the word, so that two
 * headers are compared in the sets that both have words of, and in no others.
 */
final class Opposites {
    private final Map<String, int[]> setsOf = new HashMap<>();

    /**
     * For sets of words that stand for a meaning, see {@link WordSense#meaning}.
     *
     * @param sets each with at least two words
     */
    Opposites(List<Set<String>> sets) {
        Map<String, List<Integer>> of = new HashMap<>();
        for (int set = 0; set < sets.size(); set++) {
            for (String word : sets.get(set)) {
                of.computeIfAbsent(word, any -> new ArrayList<>()).add(set);
            }
        }
        of.forEach((word, all) ->
                setsOf.put(word, all.stream().mapToInt(Integer::intValue).toArray()));
    }

    /** True where some set has words of both, and none that both have. */
    boolean tellApart(List<String> left, List<String> right) {
        Map<Integer, Set<String>> here = bySet(left);
        if (here.isEmpty()) {
            return false;
        }
        for (Map.Entry<Integer, Set<String>> there : bySet(right).entrySet()) {
            Set<String> own = here.get(there.getKey());
            if (own != null && own.stream().noneMatch(there.getValue()::contains)) {
                return true;
            }
        }
        return false;
    }

    private Map<Integer, Set<String>> bySet(List<String> words) {
        Map<Integer, Set<String>> bySet = Map.of();
        for (String word : words) {
            String meaning = WordSense.meaning(word);
            int[] sets = setsOf.get(meaning);
            if (sets != null) {
                bySet = bySet.isEmpty() ? new HashMap<>() : bySet;
                for (int set : sets) {
                    bySet.computeIfAbsent(set, any -> new HashSet<>()).add(meaning);
                }
            }
        }
        return bySet;
    }
}
