package cuvee.lineup;

import cuvee.detect.TableColumn;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Job;
import cuvee.layout.HeaderWords;
import cuvee.layout.Layout;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/** What is asked of a line-up: headers that were taken for a column without being sure, and others that could be one. */
final class LineUpQuestions {
    /** Headers that stay apart are asked about where another column is at least so likely. */
    private static final double WORTH_ASKING = 0.05;

    private static final double SOME_WORDS = 0.2;
    private static final int MOST_ANSWERS = 6;

    private final Feeding feeding;
    private final HeaderPairs pairs;
    private final Job job;
    private final HeaderBook book;
    private final Map<String, List<JointLineUp.Candidate>> candidates;

    /**
     * @param candidates what else a header could be, where the batch was lined up as one
     */
    LineUpQuestions(Feeding feeding, Job job, HeaderBook book, Map<String, List<JointLineUp.Candidate>> candidates) {
        this.feeding = feeding;
        this.pairs = new HeaderPairs(feeding);
        this.job = job;
        this.book = book;
        this.candidates = candidates;
    }

    /**
     * What was taken for the same without being sure of it.
     *
     * @param silent true for a header that was given its column for the batch as one, so that nothing need be asked
     * @param along the headers that were taken for its column with a header, itself among them
     */
    List<Question> assumed(Predicate<String> silent, Function<String, Set<String>> along) {
        List<Question> questions = new ArrayList<>();
        Set<String> asked = new HashSet<>();
        for (Layout layout : feeding.layouts()) {
            for (int i = 0; i < layout.keys().size(); i++) {
                String key = layout.keys().get(i);
                String name = feeding.name(key);
                String own = feeding.own(key);
                if (name.equals(own)
                        || job.isSettled(LineUp.KIND, key)
                        || !asked.add(key)
                        || silent.test(key)
                        || isSureAgain(layout, key, name, along.apply(key))) {
                    continue;
                }
                List<Answer> answers = new ArrayList<>();
                answers.add(new Answer(name, "it is the same as " + Says.quoted(name)));
                answers.add(new Answer(own, "make it a column of its own"));
                likely(layout, key).stream()
                        .filter(other ->
                                answers.stream().noneMatch(answer -> answer.id().equals(other)))
                        .forEach(other -> answers.add(new Answer(other, "it is the same as " + Says.quoted(other))));
                offered(key, answers);
                questions.add(Question.of(
                        LineUp.KIND,
                        key,
                        headerPlace(layout, i),
                        "The header " + Says.quoted(layout.headers().get(i)) + " in "
                                + Says.count(tables(key), "table") + " "
                                + (feeding.words(own, name) >= HeaderPairs.LIKE_WORDS
                                        ? "is like " + Says.quoted(name)
                                        : "stands where others have " + Says.quoted(name))
                                + ", with values of the same nature"
                                + (HeaderPairs.unitsDiffer(own, name) ? ", but names another unit" : "")
                                + ". Is it the same column?",
                        name,
                        answers,
                        feeding.in(List.of(key), Layout::rows)));
            }
        }
        return questions;
    }

    /** Other columns that a layout lacks and that one of its headers could be, the likeliest first. */
    private List<String> likely(Layout layout, String key) {
        Set<String> here = new HashSet<>();
        layout.keys().forEach(other -> here.add(feeding.name(other)));
        return candidates.getOrDefault(key, List.of()).stream()
                .filter(candidate -> candidate.likelihood() >= WORTH_ASKING)
                .map(candidate -> feeding.name(candidate.key()))
                .filter(name -> !here.contains(name))
                .distinct()
                .limit(MOST_ANSWERS)
                .toList();
    }

    /**
     * True where a header that was given a column would be given it again without a doubt; those that were given it in the
     * same step bear each other out in nothing.
     */
    private boolean isSureAgain(Layout layout, String key, String name, Set<String> along) {
        String own = feeding.own(key);
        along.forEach(each -> feeding.feed(each, feeding.own(each)));
        HeaderPairs.Pair pair = feeding.firstWith(name) < 0 ? null : pairs.pair(layout, key, name, true);
        // Values that settled it then, when no other header shared them, still do.
        boolean values =
                pair != null && pair.sure() == HeaderPairs.Sureness.NO && pair.score() >= HeaderPairs.SAME_VALUES * 2;
        along.forEach(each -> feeding.feed(each, name));
        boolean only = pair != null && HeaderWords.contained(own, name) && onlyOne(layout, key);
        return pair != null && (pair.sure() == HeaderPairs.Sureness.SURE || values || only);
    }

    /** True where a layout has one column of a header's nature only. */
    private boolean onlyOne(Layout layout, String key) {
        Nature nature = feeding.factsOf(key).nature();
        return layout.keys().stream()
                        .filter(other -> feeding.factsOf(other).nature() == nature)
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
            } else if (feeding.all().containsValue(entry.column())) {
                answers.add(new Answer(entry.column(), "it is the same as " + Says.quoted(entry.column()) + origin));
            }
        });
    }

    /**
     * A header that only some layouts have, in a layout that lacks a column of others, may be that column under another
     * name. Unless something says so it stays a column of its own, which loses nothing, and is asked about.
     */
    List<Question> open(List<String> order) {
        Map<String, Question> questions = new LinkedHashMap<>();
        for (Layout layout : feeding.layouts()) {
            Set<String> here = new HashSet<>();
            layout.keys().forEach(key -> here.add(feeding.name(key)));
            List<String> missing =
                    order.stream().filter(name -> !here.contains(name)).toList();
            for (int i = 0; i < layout.keys().size(); i++) {
                String key = layout.keys().get(i);
                String own = feeding.name(key);
                boolean everywhere =
                        feeding.with(own).cardinality() == feeding.layouts().size();
                boolean given = !own.equals(feeding.own(key));
                if (everywhere || given || job.isSettled(LineUp.KIND, key) || questions.containsKey(key)) {
                    continue;
                }
                List<String> possible = feeding.profiles().isEmpty() || !feeding.tellsEnough(key)
                        ? missing.stream()
                                .filter(name -> couldBe(name, key, own))
                                .sorted(Comparator.comparingDouble((String name) -> -feeding.words(own, name)))
                                .limit(MOST_ANSWERS)
                                .toList()
                        : likely(layout, key);
                if (!possible.isEmpty()) {
                    questions.put(key, question(layout, i, key, own, possible));
                }
            }
        }
        return new ArrayList<>(questions.values());
    }

    private boolean couldBe(String name, String key, String own) {
        int first = feeding.firstWith(name);
        return first >= 0
                && first < feeding.firstWith(own)
                && !TableColumn.isUnnamed(own)
                && !TableColumn.isUnnamed(name)
                && feeding.apart(key, name)
                && feeding.factsOf(key).sameNature(feeding.factsOfColumn(name))
                && !HeaderWords.opposed(own, name)
                && (feeding.words(own, name) >= SOME_WORDS
                        || !feeding.factsOf(key).otherScale(feeding.factsOfColumn(name)));
    }

    private Question question(Layout layout, int index, String key, String own, List<String> candidates) {
        List<Answer> answers = new ArrayList<>();
        answers.add(new Answer(own, "keep it as a column of its own"));
        candidates.forEach(name -> answers.add(new Answer(name, "it is the same as " + Says.quoted(name))));
        offered(key, answers);
        return Question.of(
                LineUp.KIND,
                key,
                headerPlace(layout, index),
                "The header " + Says.quoted(layout.headers().get(index)) + " occurs in "
                        + Says.count(tables(key), "table") + " that "
                        + (tables(key) == 1 ? "lacks " : "lack ")
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

    /** An answer holds for every table that has the header. */
    private long tables(String key) {
        return feeding.in(List.of(key), layout -> layout.tables().size());
    }
}
