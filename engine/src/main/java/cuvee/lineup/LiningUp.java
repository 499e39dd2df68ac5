package cuvee.lineup;

import cuvee.detect.TableColumn;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.HeaderWords;
import cuvee.layout.Layout;
import cuvee.layout.Layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.lineup.LineUp.Column;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.LooseText;
import cuvee.value.Units;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToLongFunction;
import java.util.regex.Pattern;

/**
 * Lines up the headers of layouts, the largest first: each open header of a layout is weighed against each column that
 * the layout lacks, by its words, by the values below it and by its place between settled neighbours, and all are given
 * their columns at once. What is sure is assumed, what is likely is assumed and asked about, the rest stays apart.
 */
final class LiningUp {
    /** Words of their own, as in {@code Trays back} beside {@code Traysback}. */
    private static final Pattern APART = Pattern.compile("\\p{L}[\\s_.-]+\\p{L}");

    private static final Pattern COLON = Pattern.compile("\\s*[:：]+$");
    private static final String KIND = LineUp.KIND;
    /** Words so alike are the same. */
    private static final double SAME_WORDS = 0.78;
    /** Words so alike are the same where the values or the place say so too. */
    private static final double LIKE_WORDS = 0.45;

    /** Unions of the batch as one are at least so sure; below that headers stay apart. */
    private static final double LEAST_LIKELY = 0.5;
    /** Headers that stay apart are asked about where another column is at least so likely. */
    private static final double WORTH_ASKING = 0.05;
    /** How the evidence of a decision begins that needs no question. */
    private static final String SURE_MARK = "sure";

    private static final double SOME_WORDS = 0.2;
    private static final double SAME_VALUES = 0.6;
    private static final double SOME_VALUES = 0.3;
    private static final int ENOUGH_VALUES = 3;
    private static final int MOST_ANSWERS = 6;

    private final List<Layout> bySize;
    private final Job job;
    private final HeaderBook book;
    private final Map<String, Facts> facts;
    private static final BitSet NONE = new BitSet();
    private final Map<String, String> spelling;
    private final Map<String, String> ownNames = new LinkedHashMap<>();
    private final Map<String, String> nameOfKey = new LinkedHashMap<>();
    private final Map<String, Decision> decisions = new LinkedHashMap<>();
    private final Map<String, Decision> before = new HashMap<>();
    private final Set<String> columns = new LinkedHashSet<>();
    private final Map<String, Facts> factsByName = new HashMap<>();
    private final Map<String, Double> likeness = new HashMap<>();
    /** For each header the layouts that have it, by their place among {@link #bySize}. */
    private final Map<String, BitSet> layoutsOfKey = new HashMap<>();
    /** The same for each column, and the headers that feed it. */
    private final Map<String, BitSet> layoutsOfName = new HashMap<>();

    private final Map<String, Set<String>> keysOfName = new HashMap<>();
    /** What stands under headers, by their keys; empty where that is not known. */
    private final Map<String, Profile> profiles;
    /** What else a header could be, where the batch was lined up as one. */
    private Map<String, List<JointLineUp.Candidate>> candidates = Map.of();

    /** How sure it is that a header belongs to a column. */
    private enum Sureness {
        SURE,
        LIKELY,
        NO
    }

    /**
     * A header beside a column that it could belong to.
     *
     * @param score the higher, the better
     */
    private record Pair(String key, String name, double score, Sureness sure, String reason) {}

    LiningUp(List<Layout> layouts, Job job, HeaderBook book, Map<String, Profile> profiles) {
        this.profiles = profiles;
        this.job = job;
        this.book = book;
        this.bySize = layouts.stream()
                .sorted(Comparator.comparingLong(Layout::rows).reversed())
                .toList();
        job.assumed().stream()
                .filter(each -> each.kind().equals(KIND))
                .forEach(each -> before.put(each.subject(), each));
        job.settled().stream()
                .filter(each -> each.kind().equals(KIND))
                .forEach(each -> before.put(each.subject(), each));
        this.facts = Facts.of(layouts);
        this.spelling = clearestSpellings(layouts);
        for (int i = 0; i < bySize.size(); i++) {
            for (String key : bySize.get(i).keys()) {
                layoutsOfKey.computeIfAbsent(key, each -> new BitSet()).set(i);
            }
        }
    }

    LineUp lineUp() {
        Map<String, String> nameByLooseName = new HashMap<>();
        job.columns().forEach(name -> nameByLooseName.put(LooseText.key(name), name));
        for (String key : spelling.keySet()) {
            String own = nameByLooseName.getOrDefault(key, spelling.getOrDefault(key, key));
            ownNames.put(key, own);
            feed(key, decided(key).map(Decision::answer).orElse(own));
        }
        // What stands in the same place is weighed only once words and values have had their say everywhere.
        assignAll(false);
        assignAll(true);
        if (!profiles.isEmpty()) {
            lineUpAsOne();
        }
        nameOfKey.values().forEach(columns::add);
        List<Question> questions = new ArrayList<>(assumedQuestions());
        List<String> order = order();
        questions.addAll(0, openQuestions(order));
        for (Question question : questions) {
            // Kept apart is a decision too: next month it is not taken up again by itself.
            if (decided(question.subject()).isEmpty() && !decisions.containsKey(question.subject())) {
                decisions.put(
                        question.subject(),
                        new Decision(
                                KIND,
                                question.subject(),
                                question.assumed(),
                                "nothing says that it is another column",
                                question.text()));
            }
        }
        Map<String, Integer> columnOfHeader = new HashMap<>();
        nameOfKey.forEach((key, name) -> columnOfHeader.put(key, order.indexOf(name)));
        List<Column> made = new ArrayList<>();
        for (String name : order) {
            int having = with(name).cardinality();
            made.add(new Column(name, having));
        }
        return new LineUp(made, columnOfHeader, questions, new ArrayList<>(decisions.values()));
    }

    private String name(String key) {
        return nameOfKey.getOrDefault(key, key);
    }

    /** What the job has decided about a header. */
    private Optional<Decision> decided(String key) {
        return Optional.ofNullable(before.get(key));
    }

    /** Lets a header feed a column. */
    private void feed(String key, String name) {
        String before = nameOfKey.put(key, name);
        if (before != null) {
            keysOfName.getOrDefault(before, new HashSet<>()).remove(key);
            known(before);
        }
        keysOfName.computeIfAbsent(name, each -> new LinkedHashSet<>()).add(key);
        known(name);
    }

    private void known(String name) {
        BitSet with = new BitSet();
        keysOfName.getOrDefault(name, Set.of()).forEach(key -> with.or(layoutsOfKey.getOrDefault(key, NONE)));
        layoutsOfName.put(name, with);
        factsByName.remove(name);
    }

    /** The layouts that have a column, by their place among {@link #bySize}. */
    private BitSet with(String name) {
        return layoutsOfName.getOrDefault(name, NONE);
    }

    // ---- headers and columns ----

    private void assignAll(boolean places) {
        for (int i = 1; i < bySize.size(); i++) {
            assign(i, places);
        }
    }

    /** Gives the open headers of a layout their columns; one that is found can be the neighbour of the next. */
    private void assign(int at, boolean places) {
        Layout layout = bySize.get(at);
        boolean more = true;
        while (more) {
            List<String> open = layout.keys().stream()
                    .filter(key -> decided(key).isEmpty()
                            && !decisions.containsKey(key)
                            && !job.columns().contains(name(key))
                            && firstWith(name(key)) == at)
                    .distinct()
                    .toList();
            List<String> lacking = new LinkedHashSet<>(nameOfKey.values())
                    .stream()
                            .filter(name -> !with(name).get(at) && firstWith(name) >= 0 && firstWith(name) < at)
                            .toList();
            more = !open.isEmpty() && !lacking.isEmpty() && assign(layout, open, lacking, places);
        }
    }

    private boolean assign(Layout layout, List<String> open, List<String> lacking, boolean places) {
        Pair[][] pairs = new Pair[open.size()][lacking.size()];
        double[][] scores = new double[open.size()][lacking.size()];
        for (int i = 0; i < open.size(); i++) {
            for (int j = 0; j < lacking.size(); j++) {
                pairs[i][j] = pair(layout, open.get(i), lacking.get(j), places);
                scores[i][j] = pairs[i][j].score();
            }
        }
        wordsBeforePlaces(pairs, scores);
        onlyOnes(open, lacking, pairs, scores);
        int[] best = Assignment.best(scores);
        boolean any = false;
        for (int i = 0; i < open.size(); i++) {
            if (best[i] >= 0) {
                Pair pair = onValuesAlone(pairs, scores, i, best[i]);
                boolean later = pair.sure() == Sureness.LIKELY && tellsEnough(pair.key()) && tellsEnough(pair.name());
                if (pair.sure() != Sureness.NO && !later) {
                    feed(pair.key(), pair.name());
                    decisions.put(
                            pair.key(),
                            new Decision(
                                    KIND, pair.key(), pair.name(), pair.reason(), Says.count(layout.rows(), "row")));
                    any = true;
                }
            }
        }
        return any;
    }

    /** Where a header shares a telling word with one column, or a column with one header, no other place is its own. */
    private void wordsBeforePlaces(Pair[][] pairs, double[][] scores) {
        boolean[][] share = new boolean[pairs.length][scores[0].length];
        for (int i = 0; i < pairs.length; i++) {
            for (int j = 0; j < scores[i].length; j++) {
                Pair pair = pairs[i][j];
                share[i][j] = factsOf(pair.key()).sameNature(factsOfColumn(pair.name()))
                        && apart(pair.key(), pair.name())
                        && HeaderWords.compare(ownNames.getOrDefault(pair.key(), pair.key()), pair.name())
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
                String own = ownNames.getOrDefault(key, key);
                Nature nature = factsOf(key).nature();
                boolean contained = apart(key, name)
                        && HeaderWords.contained(own, name)
                        && factsOfColumn(name).nature() == nature
                        && !unitsDiffer(own, name)
                        && !factsOf(key).otherScale(factsOfColumn(name));
                if (contained && pairs[i][j].sure() != Sureness.SURE) {
                    boolean only = open.stream()
                                            .filter(other -> factsOf(other).nature() == nature)
                                            .count()
                                    == 1
                            && lacking.stream()
                                            .filter(other ->
                                                    factsOfColumn(other).nature() == nature)
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

    /** What words did not settle is weighed for the whole batch at once, the surest first. */
    private void lineUpAsOne() {
        Set<String> fixed = new HashSet<>();
        nameOfKey.forEach((key, name) -> {
            if (decided(key).isPresent() || job.columns().contains(name)) {
                fixed.add(key);
            }
        });
        JointLineUp joint = new JointLineUp(
                bySize.stream()
                        .map(layout -> new JointLineUp.Unit(layout.tables().size(), layout.keys()))
                        .toList(),
                profiles,
                spelling,
                List.copyOf(keysOfName.values()).stream()
                        .filter(keys -> !keys.isEmpty())
                        .toList(),
                fixed,
                List.of());
        List<JointLineUp.Union> unions = joint.unite(LEAST_LIKELY);
        unions.forEach(union -> unite(union, fixed));
        candidates = joint.candidates();
        unions.stream().filter(union -> union.sureness() < LEAST_LIKELY).forEach(this::part);
    }

    /** Parts again what a look at the whole does not bear out; it is asked about. */
    private void part(JointLineUp.Union union) {
        String first = union.part().get(0);
        String own = ownNames.getOrDefault(first, first);
        if (union.part().stream().anyMatch(key -> decided(key).isPresent())) {
            return;
        }
        for (String key : union.part()) {
            feed(key, own);
            decisions.remove(key);
            candidates
                    .computeIfAbsent(key, k -> new ArrayList<>())
                    .add(0, new JointLineUp.Candidate(union.rest().get(0), union.sureness()));
        }
    }

    /** True where so many values stand in a column that they can be weighed. */
    private boolean tellsEnough(String keyOrName) {
        Set<String> keys = keysOfName.getOrDefault(keyOrName, Set.of(keyOrName));
        return keys.stream()
                        .mapToInt(key -> profiles.getOrDefault(key, Profile.NONE).filled)
                        .sum()
                >= LineUpWeights.ENOUGH_VALUES;
    }

    /** Lets the headers of the lesser part of a union feed the column of the greater one. */
    private void unite(JointLineUp.Union union, Set<String> fixed) {
        boolean partIsKept = union.part().stream().anyMatch(fixed::contains)
                || union.rest().stream().noneMatch(fixed::contains) && outweighs(union.part(), union.rest());
        List<String> moved = partIsKept ? union.rest() : union.part();
        String name = name((partIsKept ? union.part() : union.rest()).get(0));
        for (String key : moved) {
            feed(key, name);
            decisions.put(
                    key,
                    new Decision(
                            KIND,
                            key,
                            name,
                            union.reason(),
                            (union.silent() ? SURE_MARK : "likely") + ", "
                                    + Says.number(Math.round(union.sureness() * 100)) + " in 100"));
        }
    }

    /** True where more tables have one of some headers than one of others; among equals, where they have more rows. */
    private boolean outweighs(List<String> keys, List<String> others) {
        long tables = in(keys, layout -> layout.tables().size());
        long otherTables = in(others, layout -> layout.tables().size());
        return tables != otherTables ? tables > otherTables : in(keys, Layout::rows) > in(others, Layout::rows);
    }

    private long in(List<String> keys, ToLongFunction<Layout> counted) {
        BitSet with = new BitSet();
        keys.forEach(key -> with.or(layoutsOfKey.getOrDefault(key, NONE)));
        return with.stream()
                .mapToLong(at -> counted.applyAsLong(bySize.get(at)))
                .sum();
    }

    /** True where a header was given its column for the batch as one, and nothing need be asked. */
    private boolean silently(String key) {
        Decision made = decisions.getOrDefault(key, before.get(key));
        return made != null && made.evidence().startsWith(SURE_MARK);
    }

    private Facts factsOf(String key) {
        return facts.getOrDefault(key, Facts.together(List.of()));
    }

    private Facts factsOfColumn(String name) {
        return factsByName.computeIfAbsent(
                name,
                column -> Facts.together(keysOfName.getOrDefault(column, Set.of()).stream()
                        .map(this::factsOf)
                        .toList()));
    }

    private double likeness(String a, String b) {
        return likeness.computeIfAbsent(a + '\n' + b, both -> HeaderWords.likeness(a, b));
    }

    /** The spelling among a column's headers that is most like another header. */
    private double words(String own, String name) {
        double most = likeness(own, name);
        for (String key : keysOfName.getOrDefault(name, Set.of())) {
            if (!own.equals(spelling.get(key))) {
                most = Math.max(most, likeness(own, spelling.getOrDefault(key, name)));
            }
        }
        return most;
    }

    private Pair pair(Layout layout, String key, String name, boolean places) {
        String own = ownNames.getOrDefault(key, key);
        Facts here = factsOf(key);
        Facts there = factsOfColumn(name);
        if (!apart(key, name) || !here.sameNature(there) || HeaderWords.opposed(own, name)) {
            return new Pair(key, name, 0, Sureness.NO, "");
        }
        if (differInUnitOnly(name, own)) {
            return new Pair(
                    key, name, 9, Sureness.SURE, Says.quoted(own) + " is " + Says.quoted(name) + " but for its unit");
        }
        double words = words(own, name);
        double shared = here.shared(there);
        boolean spot = sameSpot(layout, key, name);
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
        Profile own = profiles.getOrDefault(key, Profile.NONE);
        return own.filled > 0
                && keysOfName.getOrDefault(name, Set.of()).stream()
                        .map(each -> profiles.getOrDefault(each, Profile.NONE))
                        .filter(other -> other.filled > 0)
                        .anyMatch(other -> own.countsOtherThan(other) || other.countsOtherThan(own));
    }

    /** True where a header holds no value of a column, but those of another that its layout lacks too. */
    private boolean holdsThoseOfAnother(Layout layout, String key, String name) {
        Facts here = factsOf(key);
        int at = bySize.indexOf(layout);
        return here.shared(factsOfColumn(name)) == 0
                && keysOfName.keySet().stream()
                        .filter(other -> !with(other).get(at) && !with(other).isEmpty())
                        .anyMatch(other -> here.shared(factsOfColumn(other)) >= SAME_VALUES);
    }

    /** True where a column holds money and a header does not, but another header of its layout does. */
    private boolean anotherIsMoney(Layout layout, String key, String name) {
        return !profiles.getOrDefault(key, Profile.NONE).isMoney()
                && keysOfName.getOrDefault(name, Set.of()).stream()
                        .anyMatch(each ->
                                profiles.getOrDefault(each, Profile.NONE).isMoney())
                && layout.keys().stream()
                        .anyMatch(other ->
                                profiles.getOrDefault(other, Profile.NONE).isMoney() && apart(other, name));
    }

    /** True where a layout shares a header with the layout that has a column: there, other words are other things. */
    private boolean sameTongue(Layout layout, String name) {
        Set<String> keys = new HashSet<>(layout.keys());
        keys.retainAll(bySize.get(firstWith(name)).keys());
        return !keys.isEmpty();
    }

    /** True for {@code Fare} and {@code Fare (EUR)}. */
    private static boolean differInUnitOnly(String a, String b) {
        return !a.equals(b)
                && LooseText.unit(a).isEmpty() != LooseText.unit(b).isEmpty()
                && Units.isKnown(LooseText.unit(a) + LooseText.unit(b))
                && LooseText.keyWithoutUnit(a).equals(LooseText.keyWithoutUnit(b));
    }

    private static boolean unitsDiffer(String a, String b) {
        String one = LooseText.key(LooseText.unit(a));
        String two = LooseText.key(LooseText.unit(b));
        return !one.isEmpty() && !two.isEmpty() && !one.equals(two);
    }

    /** True where no layout has both a header and a column. */
    private boolean apart(String key, String name) {
        return !layoutsOfKey.getOrDefault(key, NONE).intersects(with(name));
    }

    /** The largest layout that has a column; -1 where none has. */
    private int firstWith(String name) {
        return with(name).nextSetBit(0);
    }

    /** True where the neighbours on at least one side are the same, and on no side known to be others. */
    private boolean sameSpot(Layout layout, String key, String name) {
        Layout other = bySize.get(firstWith(name));
        List<String> here = layout.keys().stream().map(this::name).toList();
        List<String> there = other.keys().stream().map(this::name).toList();
        int at = layout.keys().indexOf(key);
        int otherAt = there.indexOf(name);
        int same = 0;
        for (int step : new int[] {-1, 1}) {
            String mine = neighbour(here, at + step);
            String its = neighbour(there, otherAt + step);
            if (mine.equals(its)) {
                same++;
            } else if ((mine.isEmpty() || there.contains(mine)) && (its.isEmpty() || here.contains(its))) {
                return false;
            }
        }
        return same > 0;
    }

    private static String neighbour(List<String> names, int at) {
        return at < 0 || at >= names.size() ? "" : names.get(at);
    }

    // ---- questions ----

    /** What was taken for the same without being sure of it is asked about. */
    private List<Question> assumedQuestions() {
        List<Question> questions = new ArrayList<>();
        Set<String> asked = new HashSet<>();
        for (Layout layout : bySize) {
            for (int i = 0; i < layout.keys().size(); i++) {
                String key = layout.keys().get(i);
                String name = name(key);
                String own = ownNames.getOrDefault(key, key);
                if (name.equals(own)
                        || job.isSettled(KIND, key)
                        || !asked.add(key)
                        || silently(key)
                        || sure(layout, key, name)) {
                    continue;
                }
                List<Answer> answers = new ArrayList<>();
                answers.add(new Answer(name, "it is the same as " + Says.quoted(name)));
                answers.add(new Answer(own, "make it a column of its own"));
                couldBe(layout, key).stream()
                        .filter(other ->
                                answers.stream().noneMatch(answer -> answer.id().equals(other)))
                        .forEach(other -> answers.add(new Answer(other, "it is the same as " + Says.quoted(other))));
                offered(key, answers);
                questions.add(Question.of(
                        KIND,
                        key,
                        headerPlace(layout, i),
                        "The header " + Says.quoted(layout.headers().get(i)) + " in "
                                + Says.count(layout.tables().size(), "table") + " "
                                + (words(own, name) >= LIKE_WORDS
                                        ? "is like " + Says.quoted(name)
                                        : "stands where others have " + Says.quoted(name))
                                + ", with values of the same nature"
                                + (unitsDiffer(own, name) ? ", but names another unit" : "")
                                + ". Is it the same column?",
                        name,
                        answers,
                        layout.rows()));
            }
        }
        return questions;
    }

    /** Other columns that a layout lacks and that one of its headers could be, the likeliest first. */
    private List<String> couldBe(Layout layout, String key) {
        Set<String> here = new HashSet<>();
        layout.keys().forEach(other -> here.add(name(other)));
        return candidates.getOrDefault(key, List.of()).stream()
                .filter(candidate -> candidate.likelihood() >= WORTH_ASKING)
                .map(candidate -> name(candidate.key()))
                .filter(name -> !here.contains(name))
                .distinct()
                .limit(MOST_ANSWERS)
                .toList();
    }

    /** True where a header that was given a column would be given it again without a doubt. */
    private boolean sure(Layout layout, String key, String name) {
        String own = ownNames.getOrDefault(key, key);
        feed(key, own);
        Pair pair = firstWith(name) < 0 ? null : pair(layout, key, name, true);
        // Values that settled it then, when no other header shared them, still do.
        boolean values = pair != null && pair.sure() == Sureness.NO && pair.score() >= SAME_VALUES * 2;
        feed(key, name);
        boolean only = pair != null && HeaderWords.contained(own, name) && onlyOne(layout, key);
        return pair != null && (pair.sure() == Sureness.SURE || values || only);
    }

    /** True where a layout has one column of a header's nature only. */
    private boolean onlyOne(Layout layout, String key) {
        Nature nature = factsOf(key).nature();
        return layout.keys().stream()
                        .filter(other -> factsOf(other).nature() == nature)
                        .count()
                == 1;
    }

    /** What the analyst settled about a header in another job, with its origin. */
    private void offered(String key, List<Answer> answers) {
        book.of(key).filter(entry -> !entry.job().equals(job.name())).ifPresent(entry -> {
            Optional<Answer> same = answers.stream()
                    .filter(answer -> LooseText.key(answer.id()).equals(LooseText.key(entry.column())))
                    .findFirst();
            String origin = ", as you settled in " + Says.quoted(entry.job());
            if (same.isPresent()) {
                answers.set(
                        answers.indexOf(same.get()),
                        new Answer(same.get().id(), same.get().text() + origin));
            } else if (columns.contains(entry.column())) {
                answers.add(new Answer(entry.column(), "it is the same as " + Says.quoted(entry.column()) + origin));
            }
        });
    }

    /**
     * A header that only some layouts have, in a layout that lacks a column of others, may be that column under another
     * name. Unless something says so it stays a column of its own, which loses nothing, and is asked about.
     */
    private List<Question> openQuestions(List<String> order) {
        Map<String, Question> questions = new LinkedHashMap<>();
        for (Layout layout : bySize) {
            Set<String> here = new HashSet<>();
            layout.keys().forEach(key -> here.add(name(key)));
            List<String> missing =
                    order.stream().filter(name -> !here.contains(name)).toList();
            for (int i = 0; i < layout.keys().size(); i++) {
                String key = layout.keys().get(i);
                String own = name(key);
                boolean everywhere = with(own).cardinality() == bySize.size();
                boolean given = !own.equals(ownNames.getOrDefault(key, key));
                if (everywhere || given || job.isSettled(KIND, key) || questions.containsKey(key)) {
                    continue;
                }
                List<String> possible = profiles.isEmpty() || !tellsEnough(key)
                        ? missing.stream()
                                .filter(name -> couldBe(name, key, own))
                                .sorted(Comparator.comparingDouble((String name) -> -words(own, name)))
                                .limit(MOST_ANSWERS)
                                .toList()
                        : couldBe(layout, key);
                if (!possible.isEmpty()) {
                    questions.put(key, question(layout, i, key, own, possible));
                }
            }
        }
        return new ArrayList<>(questions.values());
    }

    private boolean couldBe(String name, String key, String own) {
        int first = firstWith(name);
        return first >= 0
                && first < firstWith(own)
                && !TableColumn.isUnnamed(own)
                && !TableColumn.isUnnamed(name)
                && apart(key, name)
                && factsOf(key).sameNature(factsOfColumn(name))
                && !HeaderWords.opposed(own, name)
                && (words(own, name) >= SOME_WORDS || !factsOf(key).otherScale(factsOfColumn(name)));
    }

    private Question question(Layout layout, int index, String key, String own, List<String> candidates) {
        List<Answer> answers = new ArrayList<>();
        answers.add(new Answer(own, "keep it as a column of its own"));
        candidates.forEach(name -> answers.add(new Answer(name, "it is the same as " + Says.quoted(name))));
        offered(key, answers);
        return Question.of(
                KIND,
                key,
                headerPlace(layout, index),
                "The header " + Says.quoted(layout.headers().get(index)) + " occurs in "
                        + Says.count(layout.tables().size(), "table") + " that "
                        + (layout.tables().size() == 1 ? "lacks " : "lack ")
                        + Says.list(candidates.stream().map(Says::quoted).toList())
                        + ". Is it the same column?",
                own,
                answers,
                layout.rows());
    }

    private static Where headerPlace(Layout layout, int index) {
        PlacedTable table = layout.tables().get(0);
        int row = table.table().headerRows().stream().reduce((a, b) -> b).orElse(0);
        return table.columns().get(index).origin().column(0).stream()
                .mapToObj(column -> table.where().cell(row, column + 1))
                .findFirst()
                .orElse(table.where().row(row));
    }

    // ---- names and order ----

    /** The spelling that most tables use, one in words of their own counting double; among equals the first. */
    private static Map<String, String> clearestSpellings(List<Layout> layouts) {
        Map<String, Map<String, Integer>> counts = new LinkedHashMap<>();
        for (Layout layout : layouts) {
            for (var table : layout.tables()) {
                for (var column : table.columns()) {
                    counts.computeIfAbsent(LooseText.key(column.header()), key -> new LinkedHashMap<>())
                            .merge(column.header(), 1, Integer::sum);
                }
            }
        }
        Map<String, String> clearest = new LinkedHashMap<>();
        counts.forEach((key, spellings) -> clearest.put(
                key,
                withoutColon(spellings.entrySet().stream()
                        .max(Comparator.comparingInt(
                                each -> APART.matcher(each.getKey()).find() ? each.getValue() * 2 : each.getValue()))
                        .orElseThrow()
                        .getKey())));
        return clearest;
    }

    /** A colon behind a header points to the values below it and is no part of the name. */
    private static String withoutColon(String header) {
        String bare = COLON.matcher(header).replaceFirst("");
        return bare.isEmpty() ? header : bare;
    }

    /**
     * The columns as the job has them; for a first draft as the largest layout has them, those of other layouts after
     * their neighbours. Columns new to the job come at the end.
     */
    private List<String> order() {
        boolean first = job.columns().isEmpty();
        List<String> order = new ArrayList<>(job.columns());
        // A header that now feeds another column leaves no empty column of its own name behind.
        order.removeIf(name ->
                !nameOfKey.containsValue(name) && decided(LooseText.key(name)).isPresent());
        for (Layout layout : bySize) {
            int after = -1;
            for (String key : layout.keys()) {
                String name = nameOfKey.getOrDefault(key, key);
                int at = order.indexOf(name);
                if (at < 0) {
                    at = first ? after + 1 : order.size();
                    order.add(at, name);
                }
                after = at;
            }
        }
        return order;
    }
}
