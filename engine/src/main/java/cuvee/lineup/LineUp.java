package cuvee.lineup;

import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.Layout.Nature;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import cuvee.value.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The line-up of a family of layouts.
 *
 * @param columns the master columns in order
 * @param columnOfHeader for each header's loose key the column that it feeds
 * @param questions headers that could belong to another column
 * @param decisions what was assumed now, to be kept in the job
 */
public record LineUp(
        List<Column> columns, Map<String, Integer> columnOfHeader, List<Question> questions, List<Decision> decisions) {
    /** The kind of the decisions and questions made here; their subject is a header's loose key. */
    public static final String KIND = "line-up";

    public LineUp {
        columns = List.copyOf(columns);
        columnOfHeader = Map.copyOf(columnOfHeader);
        questions = List.copyOf(questions);
        decisions = List.copyOf(decisions);
    }

    /**
     * A master column.
     *
     * @param layouts how many layouts have it
     */
    public record Column(String name, int layouts) {}

    /** Lines up: what the job has decided holds, the rest is decided from the headers. */
    public static LineUp of(List<Layout> layouts, Job job) {
        List<Layout> bySize = layouts.stream()
                .sorted(Comparator.comparingLong(Layout::rows).reversed())
                .toList();
        Map<String, String> spelling = clearestSpellings(layouts);
        Map<String, String> nameOfKey = new LinkedHashMap<>();
        Map<String, String> nameByLooseName = new HashMap<>();
        job.columns().forEach(name -> nameByLooseName.put(LooseText.key(name), name));
        Map<String, String> ownNames = new LinkedHashMap<>();
        for (String key : spelling.keySet()) {
            String own = nameByLooseName.getOrDefault(key, spelling.getOrDefault(key, key));
            ownNames.put(key, own);
            nameOfKey.put(key, job.decision(KIND, key).map(Decision::answer).orElse(own));
        }
        List<Decision> decisions = assume(bySize, nameOfKey, job);
        List<String> order = order(bySize, nameOfKey, job);
        Map<String, Integer> columnOfHeader = new HashMap<>();
        nameOfKey.forEach((key, name) -> columnOfHeader.put(key, order.indexOf(name)));
        List<Column> columns = new ArrayList<>();
        for (String name : order) {
            int having = (int) layouts.stream()
                    .filter(layout -> has(layout, name, nameOfKey))
                    .count();
            columns.add(new Column(name, having));
        }
        List<Question> questions = new ArrayList<>(questions(bySize, order, nameOfKey, job));
        for (Question question : questions) {
            // Kept apart is a decision too: next month it is not taken up again by itself.
            if (job.decision(KIND, question.subject()).isEmpty()) {
                decisions.add(new Decision(
                        KIND,
                        question.subject(),
                        question.assumed(),
                        "nothing says that it is another column",
                        question.text()));
            }
        }
        questions.addAll(assumedQuestions(bySize, nameOfKey, ownNames, job));
        return new LineUp(columns, columnOfHeader, questions, decisions);
    }

    /**
     * Headers that stand where another layout has a column of the same nature, between the same neighbours, when that is
     * the only column it could be: taken for the same, and asked about.
     */
    private static List<Decision> assume(List<Layout> bySize, Map<String, String> nameOfKey, Job job) {
        Map<String, Decision> decisions = new LinkedHashMap<>();
        boolean more = true;
        // One header that finds its column can be the neighbour by which the next is found.
        while (more) {
            more = false;
            for (Layout layout : bySize) {
                for (String key : layout.keys()) {
                    if (job.decision(KIND, key).isEmpty() && !decisions.containsKey(key)) {
                        Optional<Decision> found = assume(layout, key, bySize, nameOfKey);
                        if (found.isPresent()) {
                            decisions.put(key, found.get());
                            nameOfKey.put(key, found.get().answer());
                            more = true;
                        }
                    }
                }
            }
        }
        return new ArrayList<>(decisions.values());
    }

    private static Optional<Decision> assume(
            Layout layout, String key, List<Layout> bySize, Map<String, String> nameOfKey) {
        String own = nameOfKey.getOrDefault(key, key);
        Optional<Decision> unit = sameButForUnit(layout, key, own, bySize, nameOfKey);
        if (unit.isPresent()) {
            return unit;
        }
        List<String> candidates = new LinkedHashSet<>(nameOfKey.values())
                .stream()
                        .filter(name -> !has(layout, name, nameOfKey))
                        .filter(name -> couldBe(name, own, bySize, nameOfKey))
                        .filter(name -> sameSpot(layout, key, name, bySize, nameOfKey))
                        .toList();
        if (candidates.size() != 1) {
            return Optional.empty();
        }
        String name = candidates.get(0);
        return Optional.of(new Decision(
                KIND,
                key,
                name,
                Says.quoted(own) + " stands where other layouts have " + Says.quoted(name)
                        + ", and holds values of the same nature",
                Says.count(layout.rows(), "row")));
    }

    /** A name that another layout has without the unit, or with it, is the same column; two units are never. */
    private static Optional<Decision> sameButForUnit(
            Layout layout, String key, String own, List<Layout> bySize, Map<String, String> nameOfKey) {
        return new LinkedHashSet<>(nameOfKey.values())
                .stream()
                        .filter(name -> differInUnitOnly(name, own))
                        .filter(name -> !has(layout, name, nameOfKey) && couldBe(name, own, bySize, nameOfKey))
                        .findFirst()
                        .map(name -> new Decision(
                                KIND,
                                key,
                                name,
                                Says.quoted(own) + " is " + Says.quoted(name) + " but for its unit",
                                Says.count(layout.rows(), "row")));
    }

    /** True for {@code Fare} and {@code Fare (EUR)}. */
    static boolean differInUnitOnly(String a, String b) {
        return !a.equals(b)
                && LooseText.unit(a).isEmpty() != LooseText.unit(b).isEmpty()
                && Units.isKnown(LooseText.unit(a) + LooseText.unit(b))
                && LooseText.keyWithoutUnit(a).equals(LooseText.keyWithoutUnit(b));
    }

    private static boolean couldBe(String name, String own, List<Layout> bySize, Map<String, String> nameOfKey) {
        return firstWith(name, bySize, nameOfKey) < firstWith(own, bySize, nameOfKey)
                && apart(name, own, bySize, nameOfKey)
                && sameNature(name, own, bySize, nameOfKey);
    }

    /** True where the neighbours on at least one side are the same, and on no side known to be others. */
    private static boolean sameSpot(
            Layout layout, String key, String name, List<Layout> bySize, Map<String, String> nameOfKey) {
        Layout other = bySize.get(firstWith(name, bySize, nameOfKey));
        List<String> here =
                layout.keys().stream().map(k -> nameOfKey.getOrDefault(k, k)).toList();
        List<String> there =
                other.keys().stream().map(k -> nameOfKey.getOrDefault(k, k)).toList();
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

    /** What was taken for the same without being told is asked about. */
    private static List<Question> assumedQuestions(
            List<Layout> bySize, Map<String, String> nameOfKey, Map<String, String> ownNames, Job job) {
        List<Question> questions = new ArrayList<>();
        Set<String> asked = new HashSet<>();
        for (Layout layout : bySize) {
            for (int i = 0; i < layout.keys().size(); i++) {
                String key = layout.keys().get(i);
                String name = nameOfKey.getOrDefault(key, key);
                String own = ownNames.getOrDefault(key, key);
                if (name.equals(own) || job.isSettled(KIND, key) || differInUnitOnly(name, own) || !asked.add(key)) {
                    continue;
                }
                questions.add(Question.of(
                        KIND,
                        key,
                        headerPlace(layout, i),
                        "The header " + Says.quoted(layout.headers().get(i)) + " in "
                                + Says.count(layout.tables().size(), "table") + " stands where others have "
                                + Says.quoted(name) + ", with values of the same nature. Is it the same column?",
                        name,
                        List.of(
                                new Answer(name, "it is the same as " + Says.quoted(name)),
                                new Answer(own, "make it a column of its own")),
                        layout.rows()));
            }
        }
        return questions;
    }

    private static Where headerPlace(Layout layout, int index) {
        var table = layout.tables().get(0);
        int row = table.table().headerRows().stream().reduce((a, b) -> b).orElse(0);
        return table.columns().get(index).origin().column(0).stream()
                .mapToObj(column -> table.where().cell(row, column + 1))
                .findFirst()
                .orElse(table.where().row(row));
    }

    private static boolean has(Layout layout, String name, Map<String, String> nameOfKey) {
        return layout.keys().stream().anyMatch(key -> name.equals(nameOfKey.get(key)));
    }

    /** The spelling that most tables use; among equals the first. */
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
                spellings.entrySet().stream()
                        .max(Map.Entry.comparingByValue())
                        .orElseThrow()
                        .getKey()));
        return clearest;
    }

    /**
     * The columns as the job has them; for a first draft as the largest layout has them, those of other layouts after
     * their neighbours. Columns new to the job come at the end.
     */
    private static List<String> order(List<Layout> bySize, Map<String, String> nameOfKey, Job job) {
        boolean first = job.columns().isEmpty();
        List<String> order = new ArrayList<>(job.columns());
        // A header that now feeds another column leaves no empty column of its own name behind.
        order.removeIf(name -> !nameOfKey.containsValue(name)
                && job.decision(KIND, LooseText.key(name)).isPresent());
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

    /**
     * A header that only some layouts have, in a layout that lacks a column of others, may be that column under another
     * name. Unless something says so it stays a column of its own, which loses nothing, and is asked about.
     */
    private static List<Question> questions(
            List<Layout> bySize, List<String> order, Map<String, String> nameOfKey, Job job) {
        Map<String, Question> questions = new LinkedHashMap<>();
        for (Layout layout : bySize) {
            Set<String> here = new HashSet<>();
            layout.keys().forEach(key -> here.add(nameOfKey.getOrDefault(key, key)));
            List<String> missing =
                    order.stream().filter(name -> !here.contains(name)).toList();
            for (int i = 0; i < layout.keys().size(); i++) {
                String key = layout.keys().get(i);
                String own = nameOfKey.getOrDefault(key, key);
                boolean everywhere = bySize.stream().allMatch(other -> has(other, own, nameOfKey));
                if (everywhere || job.isSettled(KIND, key) || questions.containsKey(key)) {
                    continue;
                }
                List<String> candidates = missing.stream()
                        .filter(name -> couldBe(name, own, bySize, nameOfKey))
                        .sorted(Comparator.comparingDouble((String name) -> -likeness(own, name)))
                        .limit(6)
                        .toList();
                if (!candidates.isEmpty()) {
                    questions.put(key, question(layout, i, key, own, candidates));
                }
            }
        }
        return new ArrayList<>(questions.values());
    }

    private static boolean sameNature(String a, String b, List<Layout> layouts, Map<String, String> nameOfKey) {
        return nature(a, layouts, nameOfKey) == nature(b, layouts, nameOfKey);
    }

    private static Nature nature(String name, List<Layout> layouts, Map<String, String> nameOfKey) {
        Evidence all = new Evidence();
        for (Layout layout : layouts) {
            for (var table : layout.tables()) {
                for (var column : table.columns()) {
                    if (name.equals(nameOfKey.get(LooseText.key(column.header())))) {
                        all.add(column.evidence());
                    }
                }
            }
        }
        return Nature.of(all);
    }

    /** True where no layout has both. */
    private static boolean apart(String a, String b, List<Layout> layouts, Map<String, String> nameOfKey) {
        return layouts.stream().noneMatch(layout -> has(layout, a, nameOfKey) && has(layout, b, nameOfKey));
    }

    private static int firstWith(String name, List<Layout> layouts, Map<String, String> nameOfKey) {
        for (int i = 0; i < layouts.size(); i++) {
            if (has(layouts.get(i), name, nameOfKey)) {
                return i;
            }
        }
        return layouts.size();
    }

    private static Question question(Layout layout, int index, String key, String own, List<String> candidates) {
        Where where = headerPlace(layout, index);
        List<Answer> answers = new ArrayList<>();
        answers.add(new Answer(own, "keep it as a column of its own"));
        candidates.forEach(name -> answers.add(new Answer(name, "it is the same as " + Says.quoted(name))));
        return Question.of(
                KIND,
                key,
                where,
                "The header " + Says.quoted(layout.headers().get(index)) + " occurs in "
                        + Says.count(layout.tables().size(), "table") + " that "
                        + (layout.tables().size() == 1 ? "lacks " : "lack ")
                        + Says.list(candidates.stream().map(Says::quoted).toList())
                        + ". Is it the same column?",
                own,
                answers,
                layout.rows());
    }

    /** How alike two names are, from 0 to 1: the share of letter pairs that they have in common (Dice, 1945). */
    static double likeness(String a, String b) {
        Set<String> left = pairs(LooseText.key(a));
        Set<String> right = pairs(LooseText.key(b));
        Set<String> both = new HashSet<>(left);
        both.retainAll(right);
        return left.isEmpty() || right.isEmpty() ? 0 : 2.0 * both.size() / (left.size() + right.size());
    }

    private static Set<String> pairs(String text) {
        Set<String> pairs = new HashSet<>();
        for (int i = 0; i + 1 < text.length(); i++) {
            pairs.add(text.substring(i, i + 2));
        }
        return pairs;
    }

    /** The column of a header, if it has one. */
    public Optional<Integer> columnOf(String headerKey) {
        return Optional.ofNullable(columnOfHeader.get(headerKey));
    }
}
