package cuvee.lineup;

import cuvee.layout.HeaderWords;
import cuvee.lineup.Profile.Coarse;
import cuvee.lineup.Profile.Kind;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Weighs two columns against each other by their words and by what stands in them, wherever in their tables they are. */
final class ColumnEvidence {
    private static final int ENOUGH = 3;
    private static final int ENOUGH_TO_RUN = 5;
    private static final double MOSTLY_RUNNING = 0.9;

    /**
     * What speaks for one column, in log-odds.
     *
     * @param words true where the words are telling enough for a union without a question
     * @param values the same of the values
     */
    record Weighed(double score, boolean words, boolean values) {
        /** Of columns that are never one. */
        static final Weighed NEVER = new Weighed(-8, false, false);
    }

    /** Headers that share so much and say the opposite are told apart by that alone. */
    private static final double TWINS = 0.5;

    private static final double[] NOTHING_SHARED = new double[3];

    private final Map<String, String> heads;
    private final Map<String, Integer> columnsHolding;
    /** How much the values of a column weigh together, the rare ones more. */
    private final Map<Profile, Double> weights = new HashMap<>();

    /**
     * @param heads how headers are spelled, by their keys
     * @param columnsHolding in how many columns of one table a text stands at most
     */
    ColumnEvidence(Map<String, String> heads, Map<String, Integer> columnsHolding) {
        this.heads = heads;
        this.columnsHolding = columnsHolding;
    }

    private boolean isToCome(Set<String> keys) {
        return keys.stream().anyMatch(key -> HeaderWords.isToCome(heads.getOrDefault(key, key)));
    }

    /**
     * What the headers of two columns have to do with each other.
     *
     * @param nearest those two that are most alike, compared
     * @param one the one of these, as it is spelled
     * @param other the other
     * @param otherSort true where two of them speak of values of other sorts
     */
    private record Nearest(HeaderWords.Compared nearest, String one, String other, boolean otherSort) {}

    /** The headers of two columns that are most alike; empty where the headers say that the columns are never one. */
    private Optional<Nearest> nearest(Set<String> keys, Set<String> otherKeys) {
        Nearest nearest = null;
        double most = -1;
        int opposed = 0;
        boolean otherSort = false;
        for (String k : keys) {
            for (String l : otherKeys) {
                String one = heads.getOrDefault(k, k);
                String other = heads.getOrDefault(l, l);
                HeaderWords.Compared compared = HeaderWords.compare(one, other);
                if (compared.opposed() && compared.like() >= TWINS) {
                    return Optional.empty();
                }
                opposed += compared.opposed() ? 1 : 0;
                otherSort |= HeaderWords.otherSort(one, other);
                double how = compared.like() + (compared.initials() ? 0.75 : 0) + (compared.contained() ? 0.2 : 0);
                if (how > most) {
                    most = how;
                    nearest = new Nearest(compared, one, other, false);
                }
            }
        }
        boolean sort = otherSort;
        return opposed * 2 >= keys.size() * otherKeys.size() && opposed > 0
                ? Optional.empty()
                : Optional.ofNullable(nearest)
                        .map(found -> new Nearest(found.nearest(), found.one(), found.other(), sort));
    }

    /** What speaks for and against columns being one, by their headers' keys and what stands in them. */
    Weighed weigh(Set<String> keys, Profile one, Set<String> otherKeys, Profile other) {
        Optional<Nearest> found = vetoed(one, other) ? Optional.empty() : nearest(keys, otherKeys);
        if (found.isEmpty()) {
            return Weighed.NEVER;
        }
        HeaderWords.Compared words = found.get().nearest();
        double score = LineUpWeights.BIAS + wordsScore(words);
        double[] shared = NOTHING_SHARED;
        if (one.filled > 0 && other.filled > 0) {
            score += kindsScore(words, one, other);
            if (words.nothing()) {
                score += withoutWords(one, other, found.get().otherSort(), isToCome(keys) != isToCome(otherKeys));
            }
            score += workedOutScore(words, one.workedOut.isProduct(), other.workedOut.isProduct());
            score += workedOutScore(words, one.workedOut.isSum(), other.workedOut.isSum());
            score += numbersScore(one, other);
            if (texts(one, other)) {
                shared = sharedValues(one, other);
                score += textsScore(one, other, shared);
            }
            score += uniqueness(one, other);
            score += LineUpWeights.BLANKS * Math.min(1, Math.abs(one.blankShare() - other.blankShare()) * 2);
            if (!one.monthShares.isEmpty() && !other.monthShares.isEmpty()) {
                score += LineUpWeights.MONTH_SHARE * Math.abs(one.monthShare() - other.monthShare());
            }
        } else {
            score += LineUpWeights.NO_DATA;
        }
        boolean byWords = !words.modifier()
                && !words.unitsDiffer()
                && (words.same()
                        || words.initials()
                        || words.like() >= 0.45
                        || words.contained() && words.like() >= 0.3);
        boolean byValues = !words.modifier()
                && (shared[0] >= 0.6 || shared[1] >= 0.35)
                && !(one.saysYesOrNo() && other.saysYesOrNo() && words.nothing());
        return new Weighed(score, byWords, byValues);
    }

    /** How much two columns show, at most 1: a handful of values shows little of what a column holds. */
    private static double enough(Profile one, Profile other) {
        double enough = Math.min(1, Math.min(one.filled, other.filled) / LineUpWeights.ENOUGH_VALUES);
        return plainWordsAgainstValues(one, other) || plainWordsAgainstValues(other, one)
                ? Math.max(enough, LineUpWeights.TOLD_BY_ONE_VALUE)
                : enough;
    }

    private double kindsScore(HeaderWords.Compared words, Profile one, Profile other) {
        double enough = enough(one, other);
        double score = LineUpWeights.KIND * kinds(one, other) * enough;
        return enough < 1 && words.nothing() && one.texts.keySet().stream().noneMatch(other.texts::containsKey)
                ? score + LineUpWeights.FEW_AND_NONE_SHARED * (1 - enough)
                : score;
    }

    /** What speaks against two columns whose headers have no word in common. */
    private static double withoutWords(Profile one, Profile other, boolean otherSort, boolean oneToCome) {
        double score = 0;
        if (one.surelyCountsOtherThan(other) || other.surelyCountsOtherThan(one)) {
            score += LineUpWeights.COUNTED_AGAINST_MEASURED;
        }
        if (isLetteredAgainstNumbers(one, other) || isLetteredAgainstNumbers(other, one)) {
            score += LineUpWeights.LETTERS_AGAINST_NUMBERS * enough(one, other);
        }
        if (one.isSignedUnlike(other) || other.isSignedUnlike(one)) {
            score += LineUpWeights.SIGNED_AGAINST_UNSIGNED;
        }
        if (otherSort) {
            score += LineUpWeights.OTHER_SORT;
        }
        if (one.kind() == Profile.Kind.DATE && oneToCome) {
            score += LineUpWeights.TO_COME;
        }
        return score;
    }

    private static boolean isLetteredAgainstNumbers(Profile codes, Profile numbers) {
        return codes.isLettered() && numbers.kind() == Kind.WHOLE;
    }

    /** True for words against dates or numbers: a single name is no day and no amount. */
    private static boolean plainWordsAgainstValues(Profile words, Profile values) {
        return words.kind() == Kind.WORD && (values.coarse() == Coarse.DATES || values.coarse() == Coarse.NUMBERS);
    }

    private static boolean vetoed(Profile one, Profile other) {
        boolean plain = plainWordsAgainstValues(one, other) || plainWordsAgainstValues(other, one);
        if (plain && Math.min(one.filled, other.filled) > 1) {
            return true;
        }
        if (one.filled >= ENOUGH && other.filled >= ENOUGH && one.coarse() != other.coarse()) {
            boolean code = one.kind() == Kind.CODE && other.kind() == Kind.WHOLE
                    || other.kind() == Kind.CODE && one.kind() == Kind.WHOLE;
            if (!code) {
                return true;
            }
        }
        return one.filled >= ENOUGH_TO_RUN
                && other.filled >= ENOUGH_TO_RUN
                && one.runningShare() > MOSTLY_RUNNING != other.runningShare() > MOSTLY_RUNNING;
    }

    private static double wordsScore(HeaderWords.Compared words) {
        return (words.same() ? LineUpWeights.SAME_WORDS : LineUpWeights.LIKE_WORDS * words.like())
                + (words.contained() ? LineUpWeights.CONTAINED : 0)
                + (words.initials() ? LineUpWeights.INITIALS : 0)
                + (words.general() ? LineUpWeights.GENERAL_WORDS : 0)
                + (words.nothing() ? LineUpWeights.NO_WORDS : 0)
                + (words.leftOver() ? LineUpWeights.LEFT_OVER : 0)
                + (words.modifier() ? LineUpWeights.MODIFIER : 0)
                + (words.unitsDiffer() ? LineUpWeights.UNITS_DIFFER : 0);
    }

    private static double kinds(Profile one, Profile other) {
        double sum = 0;
        for (Map.Entry<Kind, Integer> k : one.kinds.entrySet()) {
            for (Map.Entry<Kind, Integer> l : other.kinds.entrySet()) {
                sum += (double) k.getValue() * l.getValue() * LineUpWeights.together(k.getKey(), l.getKey());
            }
        }
        return sum / ((double) one.filled * other.filled);
    }

    private static boolean both(Optional<Boolean> one, Optional<Boolean> other) {
        return one.orElse(false) && other.orElse(false);
    }

    /** What it says that each of two is worked out from others of its tables, or only one of them. */
    private static double workedOutScore(HeaderWords.Compared words, Optional<Boolean> one, Optional<Boolean> other) {
        if (one.isEmpty() || other.isEmpty()) {
            return 0;
        }
        return both(one, other)
                ? LineUpWeights.BOTH_WORKED_OUT
                : !one.equals(other) && words.nothing() ? LineUpWeights.ONE_WORKED_OUT : 0;
    }

    private static double numbersScore(Profile one, Profile other) {
        if (one.coarse() != other.coarse()
                || one.coarse() != Coarse.NUMBERS
                || one.numbers.length == 0
                || other.numbers.length == 0) {
            return 0;
        }
        boolean unique =
                one.allDifferent() && other.allDifferent() && one.kind() == Kind.WHOLE && other.kind() == Kind.WHOLE;
        double[] a = one.sorted();
        double[] b = other.sorted();
        double medianA = one.median();
        double medianB = other.median();
        boolean percent = (one.kind() == Kind.PERCENT) != (other.kind() == Kind.PERCENT);
        if (percent && medianA > 0 && medianB > 0 && Math.max(medianA, medianB) / Math.min(medianA, medianB) > 15) {
            // Percent points beside fractions.
            if (medianA > medianB) {
                a = Arrays.stream(a).map(v -> v / 100).toArray();
                medianA /= 100;
            } else {
                b = Arrays.stream(b).map(v -> v / 100).toArray();
                medianB /= 100;
            }
        }
        double scale = medianA > 0 && medianB > 0 ? Math.min(3, Math.abs(Math.log10(medianA / medianB))) : 0;
        double sum = LineUpWeights.SCALE * scale;
        if (!unique) {
            int n = Math.min(60, a.length);
            int m = Math.min(60, b.length);
            double z = difference(a, b) * Math.sqrt((double) n * m / (n + m));
            sum += LineUpWeights.RANGE * Math.min(4, Math.max(0, z - 0.8));
        }
        sum = Math.max(sum, LineUpWeights.LEAST_SCALE_AND_RANGE);
        boolean decimals = one.kind() != Kind.PERCENT && other.kind() != Kind.PERCENT && !unique;
        return sum
                + (decimals
                        ? LineUpWeights.DECIMALS * Math.min(3, Math.abs(one.mostDecimals() - other.mostDecimals()))
                        : 0);
    }

    /** The greatest difference between two distributions in order (Kolmogorov and Smirnov). */
    private static double difference(double[] a, double[] b) {
        int i = 0;
        int j = 0;
        double most = 0;
        while (i < a.length && j < b.length) {
            double at = Math.min(a[i], b[j]);
            while (i < a.length && a[i] <= at) {
                i++;
            }
            while (j < b.length && b[j] <= at) {
                j++;
            }
            most = Math.max(most, Math.abs((double) i / a.length - (double) j / b.length));
        }
        return most;
    }

    /** True for columns whose values may be those of another one: texts, and whole numbers that may be codes. */
    static boolean mayShareValues(Profile column) {
        return column.coarse() == Coarse.TEXTS || column.kind() == Kind.WHOLE;
    }

    private static boolean texts(Profile one, Profile other) {
        boolean code = one.kind() == Kind.CODE && other.kind() == Kind.WHOLE
                || other.kind() == Kind.CODE && one.kind() == Kind.WHOLE;
        return code || one.coarse() == Coarse.TEXTS && other.coarse() == Coarse.TEXTS;
    }

    /** How much of the values both have, and the same for values that are rare; those of many columns count for little. */
    private double[] sharedValues(Profile one, Profile other) {
        double a = weights.computeIfAbsent(one, this::weight);
        double b = weights.computeIfAbsent(other, this::weight);
        boolean fewer = one.texts.size() <= other.texts.size();
        Map<String, Integer> longer = (fewer ? other : one).texts;
        double shared = 0;
        for (String text : (fewer ? one : other).texts.keySet()) {
            shared += longer.containsKey(text) ? rarity(text) : 0;
        }
        double share = shared / Math.max(1e-9, Math.min(a, b));
        return new double[] {share * Math.min(1, shared / 2), share * Math.min(1, shared / 5), shared};
    }

    private double weight(Profile column) {
        double weight = 0;
        for (String text : column.texts.keySet()) {
            weight += rarity(text);
        }
        return weight;
    }

    private double rarity(String text) {
        return 1.0 / columnsHolding.getOrDefault(text, 1);
    }

    private static double textsScore(Profile one, Profile other, double[] shared) {
        double score = LineUpWeights.SHARED_VALUES * shared[0] + LineUpWeights.RARE_VALUES * shared[1];
        boolean repeat = one.distinct() < 0.9 && other.distinct() < 0.9 && one.filled >= 4 && other.filled >= 4;
        if (shared[2] == 0 && repeat && !(one.kind() == Kind.CODE && other.kind() == Kind.CODE)) {
            score += LineUpWeights.NO_VALUE_SHARED;
        }
        if (one.kind() == Kind.CODE || other.kind() == Kind.CODE) {
            double overlap = 0;
            for (Map.Entry<String, Integer> pattern : one.patterns.entrySet()) {
                int there = other.patterns.getOrDefault(pattern.getKey(), 0);
                overlap += Math.min((double) pattern.getValue() / one.filled, (double) there / other.filled);
            }
            score += LineUpWeights.PATTERN * overlap;
        }
        double length = Math.abs(Math.log(Math.max(1, one.meanLength()) / Math.max(1, other.meanLength())));
        return score + LineUpWeights.LENGTH * Math.min(1.5, length);
    }

    private static double uniqueness(Profile one, Profile other) {
        boolean counts = one.coarse() != Coarse.DATES
                && !Set.of(Kind.PERCENT, Kind.MONEY, Kind.DECIMAL, Kind.FRACTION)
                        .contains(one.kind())
                && !Set.of(Kind.PERCENT, Kind.MONEY, Kind.DECIMAL, Kind.FRACTION, Kind.DATE)
                        .contains(other.kind());
        boolean against = one.allDifferent() && one.filled >= 8 && other.distinct() < 0.85
                || other.allDifferent() && other.filled >= 8 && one.distinct() < 0.85;
        return counts && against ? LineUpWeights.UNIQUE_AGAINST_REPEATED : 0;
    }

    /**
     * Why two columns are one, in words.
     *
     * @param sameFactor true where both are multiplied by one column to another one
     */
    String reason(Set<String> keys, Profile one, Set<String> otherKeys, Profile other, boolean sameFactor) {
        Optional<Nearest> found = nearest(keys, otherKeys);
        if (found.isEmpty()) {
            return "";
        }
        HeaderWords.Compared words = found.get().nearest();
        double shared = texts(one, other) && one.filled > 0 && other.filled > 0 ? sharedValues(one, other)[0] : 0;
        List<String> parts = new ArrayList<>();
        if (words.same()) {
            parts.add("the same words");
        } else if (words.initials()) {
            parts.add("one is made of the other's first letters");
        } else if (words.like() >= 0.45) {
            parts.add("like in words");
        } else if (words.contained()) {
            parts.add("one says part of the other");
        }
        if (shared >= 0.3) {
            parts.add("the same values");
        } else if (one.coarse() == other.coarse() && one.filled > 0 && other.filled > 0) {
            parts.add("values of one kind (" + one.said() + " and " + other.said() + ")");
        }
        if (both(one.workedOut.isProduct(), other.workedOut.isProduct())) {
            parts.add("each is the product of two other columns");
        }
        if (both(one.workedOut.isSum(), other.workedOut.isSum())) {
            parts.add("each adds up other columns");
        }
        if (sameFactor) {
            parts.add("each times the same column comes to the same column");
        }
        parts.add("no table has both");
        return Says.quoted(found.get().one()) + " and "
                + Says.quoted(found.get().other()) + ": " + String.join(", ", parts);
    }

    /** How strongly two headers stand for one column, from 0 to 1, whatever tables they share; for telling related tables. */
    double strength(String a, Profile one, String b, Profile other) {
        HeaderWords.Compared words = HeaderWords.compare(heads.getOrDefault(a, a), heads.getOrDefault(b, b));
        double strength = words.same() || words.initials()
                ? 1
                : words.like() >= 0.45 ? 0.8 : words.contained() && words.like() >= 0.3 ? 0.6 : 0;
        if (one.filled == 0 || other.filled == 0 || vetoed(one, other)) {
            return strength;
        }
        if (texts(one, other)) {
            double shared = sharedValues(one, other)[0];
            strength = shared >= 0.3 ? Math.max(strength, Math.min(1, 0.4 + 0.6 * shared)) : strength;
        }
        if (one.coarse() == Coarse.DATES && other.coarse() == Coarse.DATES) {
            return Math.max(strength, 0.25);
        }
        double overlap = 0;
        for (Map.Entry<String, Integer> pattern : one.patterns.entrySet()) {
            int there = other.patterns.getOrDefault(pattern.getKey(), 0);
            overlap += Math.min((double) pattern.getValue() / one.filled, (double) there / other.filled);
        }
        boolean codes =
                (one.kind() == Kind.CODE || other.kind() == Kind.CODE) && overlap >= 0.8 && uniqueness(one, other) == 0;
        boolean numbers = one.coarse() == Coarse.NUMBERS
                && other.coarse() == Coarse.NUMBERS
                && numbersScore(one, other) > -1.4
                && kinds(one, other) > 0.7;
        return codes || numbers ? Math.max(strength, 0.4) : strength;
    }
}
