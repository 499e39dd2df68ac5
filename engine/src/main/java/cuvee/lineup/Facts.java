package cuvee.lineup;

import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What stands below a header in all tables that have it.
 *
 * @param words some of its values, where they are words
 * @param sum its numbers added up, approximately
 */
record Facts(Evidence evidence, Nature nature, Set<String> words, double sum) {
    private static final int FEW = 4;
    private static final Facts NONE = new Facts(new Evidence(), Nature.NOTHING, Set.of(), 0);

    /** The facts of every header, by its loose key. */
    static Map<String, Facts> of(List<Layout> layouts) {
        Map<String, Evidence> evidence = new HashMap<>();
        Map<String, Double> sums = new HashMap<>();
        for (Layout layout : layouts) {
            for (PlacedTable table : layout.tables()) {
                for (LaidColumn column : table.columns()) {
                    String key = LooseText.key(column.header());
                    evidence.computeIfAbsent(key, k -> new Evidence()).add(column.evidence());
                    sums.merge(key, column.sum(), Double::sum);
                }
            }
        }
        Map<String, Facts> facts = new HashMap<>();
        evidence.forEach((key, all) -> facts.put(key, of(all, sums.getOrDefault(key, 0.0))));
        return facts;
    }

    private static Facts of(Evidence evidence, double sum) {
        Set<String> words = new HashSet<>();
        evidence.oddities().keySet().forEach(word -> words.add(LooseText.key(word)));
        return new Facts(evidence, Nature.of(evidence), words, sum);
    }

    /** The facts of several headers taken together. */
    static Facts together(List<Facts> several) {
        if (several.size() == 1) {
            return several.get(0);
        }
        Evidence all = new Evidence();
        double sum = 0;
        for (Facts facts : several) {
            all.add(facts.evidence());
            sum += facts.sum();
        }
        return several.isEmpty() ? NONE : of(all, sum);
    }

    /** The share of the fewer values that both hold, from 0 to 1; 0 where there are too few to tell. */
    double shared(Facts other) {
        int fewer = Math.min(words.size(), other.words.size());
        if (nature != Nature.WORDS || other.nature != Nature.WORDS || fewer < 2) {
            return 0;
        }
        long both = words.stream().filter(other.words::contains).count();
        return both / (double) fewer;
    }

    /** How many different values both hold. */
    long sharedValues(Facts other) {
        return words.stream().filter(other.words::contains).count();
    }

    /** True where numbers are so much larger or smaller that they can hardly be of one column. */
    boolean otherScale(Facts other) {
        if (nature != Nature.NUMBERS || other.nature != Nature.NUMBERS || sum == 0 || other.sum == 0) {
            return false;
        }
        double ratio = Math.abs(sum / evidence.filled()) / Math.abs(other.sum / other.evidence.filled());
        return ratio > 30 || ratio < 1 / 30.0;
    }

    /** The same where both have more than a few values, so that it is no chance. */
    boolean surelyOfOtherScale(Facts other) {
        return evidence.filled() >= FEW && other.evidence.filled() >= FEW && otherScale(other);
    }

    boolean sameNature(Facts other) {
        return nature == other.nature || nature == Nature.NOTHING || other.nature == Nature.NOTHING;
    }
}
