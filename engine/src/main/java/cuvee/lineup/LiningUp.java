package cuvee.lineup;

import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.HeaderWords;
import cuvee.layout.Layout;
import cuvee.lineup.LineUp.Column;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.LooseText;
import cuvee.value.Period;
import cuvee.value.Units;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Lines up the headers of layouts, the largest first: each open header of a layout is weighed against each column that
 * the layout lacks, by its words, by the values below it and by its place between settled neighbours, and all are given
 * their columns at once. What is sure is assumed, what is likely is assumed and asked about, the rest stays apart.
 */
public final class LiningUp {
    private static final String KIND = LineUp.KIND;
    /** Unions of the batch as one are at least so sure; below that headers stay apart. */
    private static final double LEAST_LIKELY = 0.5;
    /** In log-odds: no place outweighs so much. */
    private static final double CLEARLY_AGAINST = -4;
    /** Fewer values than these speak against nothing. */
    private static final int FEWEST_VALUES = 3;

    /** How the evidence of a decision begins that needs no question. */
    private static final String SURE_MARK = "sure";

    private final Feeding feeding;
    private final HeaderPairs pairs;
    private final Job job;
    private final HeaderBook book;
    private final Map<String, Decision> decisions = new LinkedHashMap<>();
    private final Map<String, Decision> before = new HashMap<>();
    private final Map<String, Set<String>> beginnings = new HashMap<>();
    /** What else a header could be, where the batch was lined up as one. */
    private Map<String, List<JointLineUp.Candidate>> candidates = Map.of();

    LiningUp(List<Layout> layouts, Job job, HeaderBook book, Map<String, Profile> profiles) {
        this.feeding = new Feeding(layouts, profiles);
        this.pairs = new HeaderPairs(feeding);
        this.job = job;
        this.book = book;
        job.assumed().stream()
                .filter(each -> each.kind().equals(KIND))
                .forEach(each -> before.put(each.subject(), each));
        job.settled().stream()
                .filter(each -> each.kind().equals(KIND))
                .forEach(each -> before.put(each.subject(), each));
    }

    /** Lines up: what the job has decided holds, the rest is decided from the headers and what stands below them. */
    public static LineUp of(List<Layout> layouts, Job job, HeaderBook book) {
        return of(layouts, job, book, Map.of());
    }

    /**
     * The same, with what stands in the columns.
     *
     * @param profiles of headers by their loose keys; with them all that words do not settle is settled for the batch as one
     */
    public static LineUp of(List<Layout> layouts, Job job, HeaderBook book, Map<String, Profile> profiles) {
        return new LiningUp(layouts, job, book, profiles).lineUp();
    }

    /** What is lined up in a look at each layout by itself. */
    private enum Pass {
        /** What words and values say. */
        WORDS,
        /** What stands in the same place too, once words and values have had their say everywhere. */
        PLACES,
        /** Where too few values stand to be weighed with the batch: what words or places make likely. */
        WHAT_IS_LEFT
    }

    LineUp lineUp() {
        Map<String, String> nameByLooseName = new HashMap<>();
        job.columns().forEach(name -> nameByLooseName.put(LooseText.key(name), name));
        for (String key : feeding.spellings().keySet()) {
            String own = nameByLooseName.getOrDefault(key, feeding.spellings().getOrDefault(key, key));
            feeding.setOwn(key, own);
            feeding.feed(key, decided(key).map(Decision::answer).orElse(own));
        }
        assignAll(Pass.WORDS);
        assignAll(Pass.PLACES);
        if (!feeding.profiles().isEmpty()) {
            lineUpAsOne();
            assignAll(Pass.WHAT_IS_LEFT);
        }
        nameClearly();
        nameWithoutWhatDiffers();
        LineUpQuestions asking = new LineUpQuestions(feeding, job, book, candidates);
        List<Question> questions = new ArrayList<>(asking.assumed(this::silently, this::along));
        List<String> order = order();
        questions.addAll(0, asking.open(order));
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
        feeding.all().forEach((key, name) -> columnOfHeader.put(key, order.indexOf(name)));
        List<Column> made = new ArrayList<>();
        for (String name : order) {
            int having = feeding.with(name).cardinality();
            made.add(new Column(name, having));
        }
        return new LineUp(made, columnOfHeader, questions, new ArrayList<>(decisions.values()));
    }

    /** What the job has decided about a header. */
    private Optional<Decision> decided(String key) {
        return Optional.ofNullable(before.get(key));
    }

    private void assignAll(Pass pass) {
        for (int i = 1; i < feeding.layouts().size(); i++) {
            assign(i, pass);
        }
    }

    /** Gives the open headers of a layout their columns; one that is found can be the neighbour of the next. */
    private void assign(int at, Pass pass) {
        Layout layout = feeding.layouts().get(at);
        boolean more = true;
        while (more) {
            List<String> open = layout.keys().stream()
                    .filter(key -> decided(key).isEmpty()
                            && !decisions.containsKey(key)
                            && !job.columns().contains(feeding.name(key))
                            && feeding.firstWith(feeding.name(key)) == at)
                    .distinct()
                    .toList();
            List<String> lacking = new LinkedHashSet<>(feeding.all().values())
                    .stream()
                            .filter(name -> !feeding.with(name).get(at)
                                    && feeding.firstWith(name) >= 0
                                    && feeding.firstWith(name) < at)
                            .toList();
            List<String> near = lacking.size() <= LineUp.MOST_COMPARED ? lacking : withWordsAlike(open, lacking);
            more = !open.isEmpty() && !near.isEmpty() && assign(layout, open, near, pass);
        }
    }

    /** The columns that have a word with the same beginning as one of some headers. */
    private List<String> withWordsAlike(List<String> open, List<String> columns) {
        Set<String> wanted = new HashSet<>();
        open.forEach(key -> wanted.addAll(beginnings(feeding.own(key))));
        return columns.stream()
                .filter(name -> !Collections.disjoint(beginnings(name), wanted)
                        || feeding.keysOf(name).stream()
                                .anyMatch(key -> !Collections.disjoint(beginnings(feeding.own(key)), wanted)))
                .toList();
    }

    private Set<String> beginnings(String header) {
        return beginnings.computeIfAbsent(header, HeaderWords::beginnings);
    }

    private boolean assign(Layout layout, List<String> open, List<String> lacking, Pass pass) {
        boolean any = false;
        for (HeaderPairs.Pair pair : pairs.best(layout, open, lacking, pass != Pass.WORDS)) {
            boolean likely = pair.sure() == HeaderPairs.Sureness.LIKELY;
            // Headers that are one column with it already come along.
            List<String> together = List.copyOf(feeding.keysOf(feeding.name(pair.key())));
            boolean free = together.stream()
                    .allMatch(key ->
                            feeding.apart(key, pair.name()) && decided(key).isEmpty());
            if (pair.sure() != HeaderPairs.Sureness.NO && free && !(likely && isForValuesToSay(pair, pass))) {
                for (String key : together) {
                    feeding.feed(key, pair.name());
                    decisions.put(
                            key, new Decision(KIND, key, pair.name(), pair.reason(), Says.count(layout.rows(), "row")));
                }
                any = true;
            }
        }
        return any;
    }

    /** True for a likely pair that is weighed with the whole batch, or that this weighing can well have refused. */
    private boolean isForValuesToSay(HeaderPairs.Pair pair, Pass pass) {
        if (pass == Pass.WHAT_IS_LEFT) {
            return feeding.tellsEnough(pair.key()) && feeding.tellsEnough(pair.name()) || speaksAgainst(pair);
        }
        return feeding.values(pair.key()) > 0 && feeding.values(pair.name()) > 0;
    }

    /** True where what stands in a header's tables speaks clearly against a column that its words or its place say. */
    private boolean speaksAgainst(HeaderPairs.Pair pair) {
        Set<String> others = Set.copyOf(feeding.keysOf(pair.name()));
        Profile here = feeding.profile(pair.key());
        Profile there = others.stream().map(feeding::profile).reduce(Profile.NONE, Profile::plus);
        if (Math.min(here.filled, there.filled) < FEWEST_VALUES) {
            return false;
        }
        return new ColumnEvidence(feeding.spellings(), Map.of())
                        .weigh(Set.of(pair.key()), here, others, there)
                        .score()
                < CLEARLY_AGAINST;
    }

    /** What words did not settle is weighed for the whole batch at once, the surest first. */
    private void lineUpAsOne() {
        Set<String> fixed = new HashSet<>();
        feeding.all().forEach((key, name) -> {
            if (decided(key).isPresent() || job.columns().contains(name)) {
                fixed.add(key);
            }
        });
        JointLineUp joint = new JointLineUp(
                feeding.layouts().stream()
                        .map(layout -> new JointLineUp.Unit(layout.tables().size(), layout.keys()))
                        .toList(),
                feeding.profiles(),
                feeding.spellings(),
                feeding.groups(),
                fixed,
                feeding.ofOneSheet());
        List<JointLineUp.Union> unions = joint.unite(LEAST_LIKELY).unions();
        unions.forEach(union -> unite(union, fixed));
        candidates = joint.candidates();
        unions.stream().filter(union -> union.sureness() < LEAST_LIKELY).forEach(this::part);
    }

    /** Parts again what a look at the whole does not bear out; it is asked about. */
    private void part(JointLineUp.Union union) {
        String first = union.part().get(0);
        String own = feeding.own(first);
        if (union.part().stream().anyMatch(key -> decided(key).isPresent())) {
            return;
        }
        for (String key : union.part()) {
            feeding.feed(key, own);
            decisions.remove(key);
            candidates
                    .computeIfAbsent(key, k -> new ArrayList<>())
                    .add(0, new JointLineUp.Candidate(union.rest().get(0), union.sureness()));
        }
    }

    /** Lets the headers of the lesser part of a union feed the column of the greater one. */
    private void unite(JointLineUp.Union union, Set<String> fixed) {
        boolean partIsKept = union.part().stream().anyMatch(fixed::contains)
                || union.rest().stream().noneMatch(fixed::contains) && feeding.outweighs(union.part(), union.rest());
        List<String> moved = partIsKept ? union.rest() : union.part();
        String name = feeding.name((partIsKept ? union.part() : union.rest()).get(0));
        for (String key : moved) {
            feeding.feed(key, name);
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

    /** Columns that are new are called as most of their tables call them, and not as the largest does. */
    private void nameClearly() {
        for (String name : List.copyOf(new LinkedHashSet<>(feeding.all().values()))) {
            Set<String> keys = Set.copyOf(feeding.keysOf(name));
            boolean known = job.columns().contains(name)
                    || keys.stream().anyMatch(key -> decided(key).isPresent());
            Optional<String> clearest = known ? Optional.empty() : feeding.clearest(name);
            if (clearest.isEmpty() || feeding.own(clearest.get()).equals(name)) {
                continue;
            }
            String clear = feeding.own(clearest.get());
            // What was decided of the clear header is now decided of the one that the column was called by.
            Optional<Decision> turned = Optional.ofNullable(decisions.remove(clearest.get()));
            for (String key : keys) {
                feeding.feed(key, clear);
                Optional<Decision> made =
                        feeding.own(key).equals(name) ? turned : Optional.ofNullable(decisions.get(key));
                made.ifPresent(decision ->
                        decisions.put(key, new Decision(KIND, key, clear, decision.reason(), decision.evidence())));
            }
        }
    }

    /**
     * A new column whose headers name several currencies, or several periods, is called without any: each amount has its
     * currency beside it, and the tags say the period. Nor is one called by what stands over it in one file only.
     */
    private void nameWithoutWhatDiffers() {
        for (String name : List.copyOf(new LinkedHashSet<>(feeding.all().values()))) {
            Set<String> keys = Set.copyOf(feeding.keysOf(name));
            boolean known = job.columns().contains(name)
                    || keys.stream().anyMatch(key -> decided(key).isPresent());
            if (known || keys.size() < 2) {
                continue;
            }
            if (differ(keys, header -> Units.currency(header).stream())) {
                rename(
                        name,
                        Units.withoutCurrency(name),
                        "its headers name several currencies, which stand beside the amounts");
            } else if (Units.isInThousands(name)
                    && differ(keys, header -> Stream.of(String.valueOf(Units.isInThousands(header))))) {
                feeding.clearestOf(keys.stream()
                                .filter(key -> !Units.isInThousands(feeding.own(key)))
                                .toList())
                        .ifPresent(key -> rename(name, feeding.own(key), "its numbers are read in full"));
            } else if (differ(keys, LiningUp::periods)
                    && !differ(keys, header -> Stream.of(LooseText.key(withoutPeriod(header))))) {
                rename(name, withoutPeriod(name), "its headers name several periods");
            } else if (differ(keys, header -> Stream.of(LooseText.key(withoutOwnPart(header))))
                    && !differ(keys, header -> Stream.of(LooseText.key(HeaderWords.ownPart(header))))
                    && isCalledOnlyHere(name)) {
                rename(name, HeaderWords.ownPart(name), "other words stand over it in each file");
            }
        }
    }

    /** What heads several columns, of a header that has such a part. */
    private static String withoutOwnPart(String header) {
        return header.substring(0, header.length() - HeaderWords.ownPart(header).length());
    }

    /** True where no other column has a header with the same own part. */
    private boolean isCalledOnlyHere(String name) {
        String own = LooseText.key(HeaderWords.ownPart(name));
        return feeding.all().entrySet().stream()
                .filter(fed -> !fed.getValue().equals(name))
                .noneMatch(fed -> LooseText.key(HeaderWords.ownPart(feeding.own(fed.getKey())))
                        .equals(own));
    }

    private boolean differ(Set<String> keys, Function<String, Stream<String>> said) {
        return keys.stream()
                        .flatMap(key -> said.apply(feeding.own(key)))
                        .distinct()
                        .count()
                > 1;
    }

    private static Stream<String> periods(String header) {
        return Period.in(header, Convention.Order.DAY_FIRST).stream()
                .map(found -> header.substring(found.from(), found.to()));
    }

    /** A header without the period that it names; itself where nothing else is left. */
    private static String withoutPeriod(String header) {
        return Period.in(header, Convention.Order.DAY_FIRST)
                .map(found -> LooseText.tidy((header.substring(0, found.from()).strip() + " "
                                + header.substring(found.to()).strip())
                        .replaceAll("[-_/]+ | [-_/]+", " ")))
                .filter(bare -> !LooseText.key(bare).isEmpty())
                .orElse(header);
    }

    /** Calls a column otherwise, where no other is called so. */
    private void rename(String name, String bare, String reason) {
        boolean free = feeding.all().values().stream()
                .noneMatch(other -> !other.equals(name) && LooseText.key(other).equals(LooseText.key(bare)));
        if (bare.equals(name) || !free) {
            return;
        }
        for (String key : Set.copyOf(feeding.keysOf(name))) {
            feeding.feed(key, bare);
            Decision made = decisions.get(key);
            decisions.put(
                    key,
                    made == null
                            ? new Decision(KIND, key, bare, reason, SURE_MARK)
                            : new Decision(KIND, key, bare, made.reason(), made.evidence()));
        }
    }

    /** True where a header was given its column for the batch as one, and nothing need be asked. */
    private boolean silently(String key) {
        Decision made = decisions.getOrDefault(key, before.get(key));
        return made != null && made.evidence().startsWith(SURE_MARK);
    }

    /** The headers that were taken for a column with one, by one look at the batch; only it where none were. */
    private Set<String> along(String key) {
        Decision made = decisions.getOrDefault(key, before.get(key));
        Set<String> along = new HashSet<>(Set.of(key));
        for (String other : feeding.keysOf(feeding.name(key))) {
            Decision its = decisions.getOrDefault(other, before.get(other));
            if (made != null
                    && its != null
                    && its.reason().equals(made.reason())
                    && its.evidence().equals(made.evidence())) {
                along.add(other);
            }
        }
        return along;
    }

    /**
     * The columns as the job has them; for a first draft as the largest layout has them, those of other layouts after
     * their neighbours. Columns new to the job come at the end.
     */
    private List<String> order() {
        boolean first = job.columns().isEmpty();
        List<String> order = new ArrayList<>(job.columns());
        // A header that now feeds another column leaves no empty column of its own name behind.
        order.removeIf(name -> !feeding.all().containsValue(name)
                && decided(LooseText.key(name)).isPresent());
        for (Layout layout : feeding.layouts()) {
            int after = -1;
            for (String key : layout.keys()) {
                String name = feeding.name(key);
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
