package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Families;
import cuvee.layout.Families.Family;
import cuvee.layout.Layout;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.lineup.Belonging;
import cuvee.place.Says;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Which of the families of layouts the job is about, and which layouts of others belong to it all the same: by the columns
 * that the job has, at first by what the tables themselves say of each other.
 */
final class FamilyChoice implements Draft.Step {
    /** From so likely on a layout is taken in; asked about unless it is sure. */
    private static final double BELONGS = 0.5;

    private static final double BELONGS_SURELY = 0.95;
    /** Below this a layout is left out without a question, unless it is a sizeable part of the master. */
    private static final double BELONGS_HARDLY = 0.02;

    /** Below this a layout is asked about though it shares headers with the family. */
    private static final double HOLDS_OTHERS = 0.1;

    private static final long SIZEABLE = 5;
    /** The same of a layout that was left out before. */
    private static final long SIZEABLE_BY_NOW = 4;

    /** How the evidence of a decision begins that needs no question. */
    private static final String SURE_MARK = "sure";
    /** How it begins for layouts that the master began with. */
    private static final String BEGUN_MARK = "begun with";

    private static final int TELLING_COLUMNS = 6;
    /** Why a layout is left out. */
    private static final String TOO_FEW = "it shares too few headers with the other tables";

    private static final String OTHER_RECORDS =
            "it shares headers with the other tables and holds none of their records";

    private static final String BESIDE =
            "it stands on a sheet of its own beside those of the others, and holds other things";

    private final Job job;
    private final Profiling profiling;
    private final List<Decision> assumed = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();
    private final Map<PlacedTable, String> outside = new LinkedHashMap<>();
    private final Map<String, List<Nature>> shapes = new HashMap<>();

    FamilyChoice(Job job, Profiling profiling) {
        this.job = job;
        this.profiling = profiling;
    }

    @Override
    public Draft on(Draft draft) {
        List<Layout> members = choose(Families.of(Layout.of(draft.laid())));
        return draft.withLayouts(members).without(outside).saying(new Said(questions, List.of(), assumed));
    }

    /** The family that the job is about: the one that shares most with its columns, at first the one with most rows. */
    private List<Layout> choose(List<Family> families) {
        if (families.isEmpty()) {
            return List.of();
        }
        Set<String> known = new HashSet<>();
        job.columns().forEach(name -> known.add(LooseText.key(name)));
        Family main = known.isEmpty()
                ? families.get(0)
                : families.stream()
                        .max(Comparator.comparingLong(this::begun)
                                .thenComparingInt((Family family) -> shared(family, known)))
                        .orElse(families.get(0));
        List<Layout> beside = SheetsBeside.in(main.layouts());
        List<Layout> sharing = main.layouts();
        if (families.size() == 1
                && beside.isEmpty()
                && sharing.stream().noneMatch(layout -> sharesLittle(layout, sharing, Set.of()))) {
            return sharing;
        }
        List<Layout> all =
                families.stream().flatMap(family -> family.layouts().stream()).toList();
        Optional<Belonging> belonging = belonging(all);
        Set<String> core = new HashSet<>();
        main.layouts().forEach(layout -> core.add(layout.signature()));
        boolean first = known.isEmpty();
        if (belonging.isPresent() && first) {
            // The tables themselves say which of them are of one master, before any has a name for it.
            core.clear();
            core.addAll(belonging.get().core());
            main = families.stream()
                    .max(Comparator.comparingLong(family -> family.layouts().stream()
                            .filter(layout -> core.contains(layout.signature()))
                            .mapToLong(Layout::rows)
                            .sum()))
                    .orElse(main);
        }
        all.stream()
                .filter(layout -> job.decision(Kinds.ANOTHER_JOB, layout.signature())
                        .filter(decision -> decision.answer().equals(TableChoice.TAKE))
                        .isPresent())
                .forEach(layout -> core.add(layout.signature()));
        List<Layout> members = members(all, main, belonging, core);
        if (first) {
            remember(main, members);
        }
        return members;
    }

    /**
     * Keeps which layouts the master began with: once others are settled, and columns are called as those have it, they are
     * not asked about for that.
     */
    private void remember(Family main, List<Layout> members) {
        main.layouts().stream()
                .filter(layout -> members.contains(layout)
                        && job.decision(Kinds.ANOTHER_JOB, layout.signature()).isEmpty()
                        && assumed.stream()
                                .noneMatch(decision -> decision.subject().equals(layout.signature())))
                .forEach(layout -> assumed.add(new Decision(
                        Kinds.ANOTHER_JOB,
                        layout.signature(),
                        TableChoice.TAKE,
                        "most of what the master began with has its headers",
                        BEGUN_MARK + ", " + Says.count(layout.rows(), "row"))));
    }

    /** The rows of a family that the master began with. */
    private long begun(Family family) {
        return family.layouts().stream()
                .filter(layout -> saysSurely(layout, BEGUN_MARK))
                .mapToLong(Layout::rows)
                .sum();
    }

    private List<Layout> members(List<Layout> all, Family main, Optional<Belonging> belonging, Set<String> core) {
        List<Layout> beside = SheetsBeside.in(main.layouts());
        List<Layout> layouts = new ArrayList<>(main.layouts());
        layouts.removeAll(beside);
        layouts.removeAll(holdingOthers(layouts, belonging, core));
        Family rest = new Family(List.copyOf(layouts));
        for (Layout layout : all) {
            if (beside.contains(layout)) {
                anotherJob(layout, rest, BELONGS_HARDLY, BESIDE, layouts);
            } else if (!rest.layouts().contains(layout)) {
                double likelihood = belonging
                        .map(judge -> judge.likelihood(layout.signature(), core))
                        // Where nobody judges, a layout is asked about as one in doubt, never left out without a word.
                        .orElse(BELONGS_HARDLY);
                boolean shares = main.layouts().contains(layout);
                anotherJob(layout, rest, likelihood, shares ? OTHER_RECORDS : TOO_FEW, layouts);
            }
        }
        return layouts;
    }

    /**
     * Those layouts of a family that share headers with the others and hold none of their records, as was decided or by all
     * that their columns hold: of those that do not fit the smallest goes first, since the others may fit without it.
     */
    private Set<Layout> holdingOthers(List<Layout> family, Optional<Belonging> belonging, Set<String> core) {
        Set<Layout> out = family.stream()
                .filter(layout -> job.decision(Kinds.ANOTHER_JOB, layout.signature())
                        .filter(decision -> decision.answer().equals(TableChoice.ASIDE))
                        .isPresent())
                .collect(Collectors.toCollection(HashSet::new));
        if (belonging.isEmpty()) {
            return out;
        }
        Set<String> left = new HashSet<>(core);
        out.forEach(layout -> left.remove(layout.signature()));
        Optional<Layout> next;
        do {
            next = family.stream()
                    .filter(layout -> !out.contains(layout)
                            && job.decision(Kinds.ANOTHER_JOB, layout.signature())
                                    .isEmpty()
                            && sharesLittle(layout, family, out)
                            && belonging.get().likelihood(layout.signature(), left) < HOLDS_OTHERS)
                    .min(Comparator.comparingInt(
                                    (Layout layout) -> layout.tables().size())
                            .thenComparingLong(Layout::rows)
                            .thenComparing(Layout::signature));
            next.ifPresent(layout -> {
                out.add(layout);
                left.remove(layout.signature());
            });
        } while (next.isPresent() && out.size() + 1 < family.size());
        return out;
    }

    /** True for a layout with headers of its own that has fewer than half of what the others usually have. */
    private static boolean sharesLittle(Layout layout, List<Layout> family, Set<Layout> out) {
        List<Layout> others = family.stream()
                .filter(other -> !other.equals(layout) && !out.contains(other))
                .toList();
        Set<String> known = new HashSet<>();
        others.forEach(other -> known.addAll(other.keys()));
        long shared = layout.keys().stream().filter(known::contains).count();
        int[] widths = others.stream()
                .mapToInt(other -> other.headers().size())
                .sorted()
                .toArray();
        return widths.length > 0 && shared < layout.keys().size() && shared * 2 < widths[widths.length / 2];
    }

    /** The judge of which layouts are of one master; none where they are too many to be weighed each against each. */
    private Optional<Belonging> belonging(List<Layout> all) {
        if (!Belonging.isPossible(all.size())) {
            return Optional.empty();
        }
        Map<String, String> heads = new HashMap<>();
        List<Belonging.Candidate> candidates = new ArrayList<>();
        for (Layout layout : all) {
            for (int i = 0; i < layout.keys().size(); i++) {
                heads.putIfAbsent(layout.keys().get(i), layout.headers().get(i));
            }
            candidates.add(new Belonging.Candidate(
                    layout.signature(),
                    layout.keys(),
                    layout.rows(),
                    layout.tables().stream().map(PlacedTable::source).toList(),
                    layout.tables().stream().map(PlacedTable::sheet).toList(),
                    layout.tables().get(0).table().isForm() ? layout.shape() : List.of()));
        }
        return Optional.of(profiling.belonging(all, candidates, heads));
    }

    private static int shared(Family family, Set<String> known) {
        Set<String> keys = new HashSet<>();
        family.layouts().forEach(layout -> keys.addAll(layout.keys()));
        keys.retainAll(known);
        return keys.size();
    }

    /** True for many columns of several natures, one after the other as in a layout of the family. */
    private boolean sameShape(Layout layout, Family main) {
        List<Nature> shape = shape(layout);
        boolean telling = shape.size() >= TELLING_COLUMNS && new HashSet<>(shape).size() >= 3;
        return telling
                && main.layouts().stream().anyMatch(member -> shape(member).equals(shape));
    }

    private List<Nature> shape(Layout layout) {
        return shapes.computeIfAbsent(layout.signature(), any -> layout.shape());
    }

    /** Lists of two columns and handfuls of cells are set aside with a reason but without a question. */
    private static boolean worthAsking(Layout layout, Family main) {
        long usual = main.rows() / Math.max(1, main.tables());
        return layout.headers().size() >= 3 && layout.rows() * 20 >= usual;
    }

    private void anotherJob(Layout layout, Family main, double likelihood, String otherwise, List<Layout> layouts) {
        boolean likely = likelihood >= BELONGS;
        boolean sameShape = sameShape(layout, main) || likely;
        boolean take = job.decision(Kinds.ANOTHER_JOB, layout.signature())
                .map(Decision::answer)
                .orElse(sameShape ? TableChoice.TAKE : TableChoice.ASIDE)
                .equals(TableChoice.TAKE);
        if (job.decision(Kinds.ANOTHER_JOB, layout.signature()).isEmpty()) {
            assumed.add(new Decision(
                    Kinds.ANOTHER_JOB,
                    layout.signature(),
                    take ? TableChoice.TAKE : TableChoice.ASIDE,
                    likely
                            ? "its columns hold what those of the other tables hold, and its file is named like theirs"
                            : sameShape
                                    ? "its columns hold the same natures of values in the same order as those of the"
                                            + " master"
                                    : otherwise,
                    (likelihood >= BELONGS_SURELY ? SURE_MARK + ", " : "") + Says.count(layout.rows(), "row")));
        }
        if (take) {
            layouts.add(layout);
        } else {
            layout.tables().forEach(table -> outside.put(table, otherwise));
        }
        boolean surely = take && (saysSurely(layout, SURE_MARK) || saysSurely(layout, BEGUN_MARK));
        // A few rows more or less of the master change nothing for what was left out before.
        boolean leftOut = job.decision(Kinds.ANOTHER_JOB, layout.signature()).isPresent() && !take;
        boolean strange =
                likelihood < BELONGS_HARDLY && layout.rows() * (leftOut ? SIZEABLE_BY_NOW : SIZEABLE) < main.rows();
        boolean list = likelihood < BELONGS && isListBeside(layout, main);
        // What the headers speak for and the records against is asked about, however short it is.
        boolean doubted = otherwise.equals(BESIDE) || otherwise.equals(OTHER_RECORDS);
        boolean surelyNot = !take && (strange || list) && !otherwise.equals(OTHER_RECORDS);
        boolean open = !job.isSettled(Kinds.ANOTHER_JOB, layout.signature()) && !surely && !surelyNot;
        if (open && (take || doubted || worthAsking(layout, main))) {
            PlacedTable first = layout.tables().get(0);
            String which = Says.count(layout.tables().size(), "table") + " with "
                    + Says.count(layout.rows(), "row") + " and the headers "
                    + Says.list(layout.headers().stream().map(Says::quoted).toList());
            boolean one = layout.tables().size() == 1;
            String others = " the other " + Says.count(main.tables(), "table");
            String why = switch (otherwise) {
                case BESIDE ->
                    (one ? " stands" : " stand") + " on sheets beside" + others + " and " + (one ? "holds" : "hold")
                            + " other things";
                case OTHER_RECORDS ->
                    (one ? " shares" : " share") + " headers with" + others + " and " + (one ? "holds" : "hold")
                            + " none of their records";
                default ->
                    (one ? " has" : " have") + " little in common with" + others
                            + (likely
                                    ? " by name, but its columns hold what theirs hold"
                                    : sameShape ? " by name, but the same kinds of values in the same order" : "");
            };
            questions.add(Question.of(
                    Kinds.ANOTHER_JOB,
                    layout.signature(),
                    first.where(),
                    which + why + (one ? ". Does it" : ". Do they") + " belong to this master?",
                    take ? TableChoice.TAKE : TableChoice.ASIDE,
                    List.of(
                            new Answer(TableChoice.ASIDE, "no, it belongs to another job; leave it out"),
                            new Answer(TableChoice.TAKE, "yes, take its rows in")),
                    layout.rows()));
        }
    }

    /** True for a list of words in files that have tables of the master too, all of which hold numbers or dates. */
    private static boolean isListBeside(Layout layout, Family main) {
        Set<String> sources = main.layouts().stream()
                .flatMap(member -> member.tables().stream())
                .map(PlacedTable::source)
                .collect(Collectors.toSet());
        return !holdsValues(layout)
                && layout.rows() < main.rows()
                && layout.tables().stream().allMatch(table -> sources.contains(table.source()))
                && main.layouts().stream().allMatch(FamilyChoice::holdsValues);
    }

    private static boolean holdsValues(Layout layout) {
        List<Nature> shape = layout.shape();
        return shape.contains(Nature.NUMBERS) || shape.contains(Nature.DATES);
    }

    /** True where a layout was taken in without a doubt, now or in a former look, as the mark before its evidence says. */
    private boolean saysSurely(Layout layout, String mark) {
        return Stream.concat(job.assumed().stream(), assumed.stream())
                .anyMatch(decision -> decision.kind().equals(Kinds.ANOTHER_JOB)
                        && decision.subject().equals(layout.signature())
                        && decision.evidence().startsWith(mark));
    }
}
