package cuvee.lineup;

import cuvee.layout.HeaderWords;
import cuvee.layout.Layout;
import cuvee.layout.Nature;
import cuvee.place.Says;
import cuvee.value.LooseText;
import cuvee.value.Units;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Weighs headers against the columns that their layout lacks, by their words, their values and their place. */
final class HeaderPairs {
    /** Words so alike are the same. */
    private static final double SAME_WORDS = 0.78;
    /** Words so alike are the same where the values or the place say so too. */
    static final double LIKE_WORDS = 0.45;

    static final double SAME_VALUES = 0.6;
    private static final double SOME_VALUES = 0.3;
    private static final int ENOUGH_VALUES = 3;

    private final Feeding feeding;

    HeaderPairs(Feeding feeding) {
        this.feeding = feeding;
    }

    /** How sure it is that a header belongs to a column. */
    enum Sureness {
        SURE,
        LIKELY,
        NO
    }

    /**
     * A header beside a column that it could belong to.
     *
     * @param score the higher, the better
     */
    record Pair(String key, String name, double score, Sureness sure, String reason) {}

    /**
     * For each open header of a layout the column that suits it best, all of them together.
     *
     * @param lacking columns that the layout lacks
     * @param places true where the place between settled neighbours has a say
     */
    List<Pair> best(Layout layout, List<String> open, List<String> lacking, boolean places) {
        Spots spots = new Spots(layout);
        Pair[][] pairs = new Pair[open.size()][lacking.size()];
        double[][] scores = new double[open.size()][lacking.size()];
        for (int i = 0; i < open.size(); i++) {
            for (int j = 0; j < lacking.size(); j++) {
                pairs[i][j] = pair(layout, open.get(i), lacking.get(j), places, spots);
                scores[i][j] = pairs[i][j].score();
            }
        }
        wordsBeforePlaces(pairs, scores);
        onlyOnes(open, lacking, pairs, scores);
        int[] best = Assignment.best(scores);
        List<Pair> found = new ArrayList<>();
        for (int i = 0; i < open.size(); i++) {
            if (best[i] >= 0) {
                found.add(onValuesAlone(pairs, scores, i, best[i]));
            }
        }
        return found;
    }

    /** A header of a layout beside a column. */
    Pair pair(Layout layout, String key, String name, boolean places) {
        return pair(layout, key, name, places, new Spots(layout));
    }

    private Pair pair(Layout layout, String key, String name, boolean places, Spots spots) {
        String own = feeding.own(key);
        Facts here = feeding.factsOf(key);
        Facts there = feeding.factsOfColumn(name);
        if (!feeding.apart(key, name) || !here.sameNature(there) || HeaderWords.opposed(own, name)) {
            return new Pair(key, name, 0, Sureness.NO, "");
        }
        if (differInUnitOnly(name, own)) {
            return new Pair(
                    key, name, 9, Sureness.SURE, Says.quoted(own) + " is " + Says.quoted(name) + " but for its unit");
        }
        double words = feeding.words(own, name);
        double shared = here.shared(there);
        boolean spot = spots.same(key, name);
        boolean doubtful = unitsDiffer(own, name) || here.otherScale(there);
        double score = 3 * words + 2 * shared + (spot ? 0.8 : 0) - (doubtful ? 0.5 : 0);
        String like = Says.quoted(own) + " is like " + Says.quoted(name);
        if (words >= SAME_WORDS) {
            return new Pair(key, name, score, doubtful ? Sureness.LIKELY : Sureness.SURE, like);
        }
        HeaderWords.Compared compared = HeaderWords.compare(own, name);
        boolean parted = compared.modifier() || compared.leftOver() && otherKind(key, name);
        if (words >= LIKE_WORDS && !parted) {
            boolean said = (spot || shared >= SAME_VALUES) && !doubtful;
            return new Pair(
                    key,
                    name,
                    score,
                    said ? Sureness.SURE : Sureness.LIKELY,
                    like + (spot ? " and stands where others have it" : said ? " and holds the same values" : ""));
        }
        if (spot
                && places
                && !here.surelyOfOtherScale(there)
                && !HeaderWords.otherSort(own, name)
                && !otherKind(key, name)
                && !anotherIsMoney(layout, key, name)
                && !holdsThoseOfAnother(layout, key, name)
                && !(HeaderWords.differ(own, name) && sameTongue(layout, name))) {
            boolean said = shared >= SAME_VALUES && here.sharedValues(there) >= ENOUGH_VALUES;
            return new Pair(
                    key,
                    name,
                    score,
                    said ? Sureness.SURE : Sureness.LIKELY,
                    Says.quoted(own) + " stands where other layouts have " + Says.quoted(name) + ", and holds "
                            + (said ? "the same values" : "values of the same nature"));
        }
        boolean values = shared >= SAME_VALUES && here.sharedValues(there) >= ENOUGH_VALUES && words < LIKE_WORDS;
        return new Pair(
                key,
                name,
                values ? 2 * shared : 0,
                Sureness.NO,
                Says.quoted(own) + " holds the same values as " + Says.quoted(name));
    }

    /** True where one holds shares and the other none, or one whole numbers only and the other hardly any. */
    private boolean otherKind(String key, String name) {
        Profile own = feeding.profile(key);
        return own.filled > 0
                && feeding.keysOf(name).stream()
                        .map(feeding::profile)
                        .filter(other -> other.filled > 0)
                        .anyMatch(other -> own.countsOtherThan(other) || other.countsOtherThan(own));
    }

    /** True where a header holds no value of a column, but those of another that its layout lacks too. */
    private boolean holdsThoseOfAnother(Layout layout, String key, String name) {
        Facts here = feeding.factsOf(key);
        int at = feeding.layouts().indexOf(layout);
        return here.shared(feeding.factsOfColumn(name)) == 0
                && feeding.names().stream()
                        .filter(other -> !feeding.with(other).get(at)
                                && !feeding.with(other).isEmpty())
                        .anyMatch(other -> here.shared(feeding.factsOfColumn(other)) >= SAME_VALUES);
    }

    /** True where a column holds money and a header does not, but another header of its layout does. */
    private boolean anotherIsMoney(Layout layout, String key, String name) {
        return !feeding.profile(key).isMoney()
                && feeding.keysOf(name).stream()
                        .anyMatch(each -> feeding.profile(each).isMoney())
                && layout.keys().stream()
                        .anyMatch(other -> feeding.profile(other).isMoney() && feeding.apart(other, name));
    }

    /** True where a layout shares a header with the layout that has a column: there, other words are other things. */
    private boolean sameTongue(Layout layout, String name) {
        Set<String> keys = new HashSet<>(layout.keys());
        keys.retainAll(feeding.layouts().get(feeding.firstWith(name)).keys());
        return !keys.isEmpty();
    }

    /** True for {@code Fare} and {@code Fare (EUR)}. */
    private static boolean differInUnitOnly(String a, String b) {
        return !a.equals(b)
                && LooseText.unit(a).isEmpty() != LooseText.unit(b).isEmpty()
                && Units.isKnown(LooseText.unit(a) + LooseText.unit(b))
                && LooseText.keyWithoutUnit(a).equals(LooseText.keyWithoutUnit(b));
    }

    static boolean unitsDiffer(String a, String b) {
        String one = LooseText.key(LooseText.unit(a));
        String two = LooseText.key(LooseText.unit(b));
        return !one.isEmpty() && !two.isEmpty() && !one.equals(two);
    }

    /** Where the headers of a layout stand, and the columns that it lacks in the first layouts that have them. */
    private final class Spots {
        private final Layout layout;
        private final List<String> here;
        private final Map<Integer, List<String>> there = new HashMap<>();

        Spots(Layout layout) {
            this.layout = layout;
            this.here = names(layout);
        }

        private List<String> names(Layout of) {
            return of.keys().stream().map(feeding::name).toList();
        }

        /** True where the neighbours on at least one side are the same, and on no side known to be others. */
        boolean same(String key, String name) {
            List<String> others = there.computeIfAbsent(
                    feeding.firstWith(name), at -> names(feeding.layouts().get(at)));
            int at = layout.keys().indexOf(key);
            int otherAt = others.indexOf(name);
            int same = 0;
            for (int step : new int[] {-1, 1}) {
                String mine = neighbour(here, at + step);
                String its = neighbour(others, otherAt + step);
                if (mine.equals(its)) {
                    same++;
                } else if ((mine.isEmpty() || others.contains(mine)) && (its.isEmpty() || here.contains(its))) {
                    return false;
                }
            }
            return same > 0;
        }

        private static String neighbour(List<String> names, int at) {
            return at < 0 || at >= names.size() ? "" : names.get(at);
        }
    }

    /** Where a header shares a telling word with one column, or a column with one header, no other place is its own. */
    private void wordsBeforePlaces(Pair[][] pairs, double[][] scores) {
        boolean[][] share = new boolean[pairs.length][scores[0].length];
        for (int i = 0; i < pairs.length; i++) {
            for (int j = 0; j < scores[i].length; j++) {
                Pair pair = pairs[i][j];
                share[i][j] = feeding.factsOf(pair.key()).sameNature(feeding.factsOfColumn(pair.name()))
                        && feeding.apart(pair.key(), pair.name())
                        && HeaderWords.compare(feeding.own(pair.key()), pair.name())
                                .sharesTellingWord();
            }
        }
        for (int i = 0; i < pairs.length; i++) {
            for (int j = 0; j < scores[i].length; j++) {
                if (pairs[i][j].sure() == Sureness.LIKELY && !share[i][j] && sharesAnother(share, i, j)) {
                    Pair pair = pairs[i][j];
                    pairs[i][j] = new Pair(pair.key(), pair.name(), 0, Sureness.NO, pair.reason());
                    scores[i][j] = 0;
                }
            }
        }
    }

    private static boolean sharesAnother(boolean[][] share, int row, int column) {
        for (int j = 0; j < share[row].length; j++) {
            if (share[row][j]) {
                return true;
            }
        }
        for (boolean[] other : share) {
            if (other[column]) {
                return true;
            }
        }
        return false;
    }

    /**
     * A header whose words are among those of a column, or the reverse, is that column where each is the only one of its
     * nature that is left.
     */
    private void onlyOnes(List<String> open, List<String> lacking, Pair[][] pairs, double[][] scores) {
        for (int i = 0; i < open.size(); i++) {
            for (int j = 0; j < lacking.size(); j++) {
                String key = open.get(i);
                String name = lacking.get(j);
                String own = feeding.own(key);
                Nature nature = feeding.factsOf(key).nature();
                boolean contained = feeding.apart(key, name)
                        && HeaderWords.contained(own, name)
                        && feeding.factsOfColumn(name).nature() == nature
                        && !unitsDiffer(own, name)
                        && !feeding.factsOf(key).otherScale(feeding.factsOfColumn(name));
                if (contained && pairs[i][j].sure() != Sureness.SURE) {
                    boolean only = open.stream()
                                            .filter(other ->
                                                    feeding.factsOf(other).nature() == nature)
                                            .count()
                                    == 1
                            && lacking.stream()
                                            .filter(other ->
                                                    feeding.factsOfColumn(other).nature() == nature)
                                            .count()
                                    == 1;
                    double score = Math.max(scores[i][j], only ? 2.5 : 1.5);
                    scores[i][j] = score;
                    pairs[i][j] = new Pair(
                            key,
                            name,
                            score,
                            only ? Sureness.SURE : Sureness.LIKELY,
                            Says.quoted(own) + " says part of " + Says.quoted(name)
                                    + (only ? ", and no other column could be meant" : ""));
                }
            }
        }
    }

    /** Values alone settle it only where no other column, and no other header, shares them. */
    private static Pair onValuesAlone(Pair[][] pairs, double[][] scores, int row, int column) {
        Pair pair = pairs[row][column];
        if (pair.sure() != Sureness.NO || pair.score() < SAME_VALUES * 2) {
            return pair;
        }
        for (int j = 0; j < scores[row].length; j++) {
            if (j != column && scores[row][j] >= SOME_VALUES * 2) {
                return pair;
            }
        }
        for (int i = 0; i < scores.length; i++) {
            if (i != row && scores[i][column] >= SOME_VALUES * 2) {
                return pair;
            }
        }
        return new Pair(pair.key(), pair.name(), pair.score(), Sureness.SURE, pair.reason());
    }
}
