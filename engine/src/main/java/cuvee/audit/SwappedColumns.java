package cuvee.audit;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.Origin;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Tables in which two columns hold what all others hold under each other's header: whole numbers under the one of amounts
 * with decimals and these under the one of whole numbers, or the words of one under the other.
 */
public final class SwappedColumns {
    private static final int FEWEST_VALUES = 5;
    private static final int FEWEST_OTHER_TABLES = 2;
    private static final int FEWEST_WORDS = 2;
    private static final double NEARLY_ALL = 0.98;
    private static final double WELL_BELOW = 0.6;
    private static final double MOST = 0.6;

    private static final Form[] WHOLE = {Form.NUMBER_WHOLE, Form.DIGITS, Form.SPACED};
    private static final Form[] FRACTIONS = {
        Form.NUMBER_FRACTION,
        Form.POINT,
        Form.COMMA,
        Form.GROUPED_POINT,
        Form.GROUPED_COMMA,
        Form.SPACED_POINT,
        Form.SPACED_COMMA
    };

    private final MasterPlan plan;
    /** By column: what all tables hold of it. */
    private final Map<Integer, Held> all = new HashMap<>();
    /** By a table's number and column: what the table holds of it. */
    private final Map<Integer, Map<Integer, Held>> byTable = new HashMap<>();

    /**
     * What stands in a column.
     *
     * @param words how many tables hold each of its words, as far as words are kept
     */
    private record Held(long tables, long values, long whole, long fractions, Map<String, Integer> words) {
        static Held of(Evidence evidence) {
            Map<String, Integer> words = evidence.oddities().keySet().stream()
                    .collect(Collectors.toMap(LooseText::key, text -> 1, (a, b) -> 1));
            words.remove("");
            return new Held(
                    1,
                    evidence.filled() - evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR),
                    evidence.count(WHOLE),
                    evidence.count(FRACTIONS),
                    words);
        }

        static Held of(List<Held> tables) {
            Map<String, Integer> words = new HashMap<>();
            tables.forEach(held -> held.words.forEach((word, times) -> words.merge(word, times, Integer::sum)));
            return new Held(
                    tables.size(),
                    tables.stream().mapToLong(Held::values).sum(),
                    tables.stream().mapToLong(Held::whole).sum(),
                    tables.stream().mapToLong(Held::fractions).sum(),
                    words);
        }

        Others without(Held table) {
            return new Others(
                    new Held(
                            tables - table.tables,
                            values - table.values,
                            whole - table.whole,
                            fractions - table.fractions,
                            Map.of()),
                    word -> words.getOrDefault(word, 0) > table.words.getOrDefault(word, 0));
        }

        boolean counts() {
            return values > 0 && whole >= values * NEARLY_ALL;
        }

        boolean measures() {
            return values > 0 && whole + fractions >= values * NEARLY_ALL && whole <= values * WELL_BELOW;
        }
    }

    /**
     * What stands in a column of all tables but one.
     *
     * @param held all but its words
     * @param knows which words they hold
     */
    private record Others(Held held, Predicate<String> knows) {
        boolean counts() {
            return held.counts();
        }

        boolean measures() {
            return held.measures();
        }

        boolean areEnough() {
            return held.tables() >= FEWEST_OTHER_TABLES;
        }

        /** True where most of some words are among theirs. */
        boolean holdMostOf(Set<String> words) {
            return words.size() >= FEWEST_WORDS && words.stream().filter(knows).count() >= words.size() * MOST;
        }
    }

    private SwappedColumns(MasterPlan plan) {
        this.plan = plan;
        Map<Integer, List<Held>> held = new HashMap<>();
        for (MasterPlan.Table table : plan.tables()) {
            Map<Integer, Held> cells = cells(table);
            byTable.put(table.id(), cells);
            cells.forEach((column, cell) ->
                    held.computeIfAbsent(column, any -> new ArrayList<>()).add(cell));
        }
        held.forEach((column, cells) -> all.put(column, Held.of(cells)));
    }

    /** A warning for each pair of columns of a table whose headers may have changed places. */
    public static List<Finding> findings(MasterPlan plan) {
        SwappedColumns columns = new SwappedColumns(plan);
        List<Finding> findings = new ArrayList<>();
        for (MasterPlan.Table table : plan.tables()) {
            Map<Integer, Held> here = columns.byTable.getOrDefault(table.id(), new HashMap<>());
            here.values().removeIf(held -> held.values() < FEWEST_VALUES);
            for (int one : new TreeSet<>(here.keySet())) {
                columns.partner(one, here).ifPresent(other -> findings.add(columns.finding(table, one, other)));
            }
        }
        return findings;
    }

    private Map<Integer, Held> cells(MasterPlan.Table table) {
        Map<Integer, Held> cells = new HashMap<>();
        for (int column = 0; column < plan.columns().size(); column++) {
            MasterPlan.Feed feed = table.feeds().get(column);
            if (feed != null && feed.origin() instanceof Origin.Cell) {
                cells.put(column, Held.of(feed.evidence()));
            }
        }
        return cells;
    }

    /** The later column of a table with which one has changed places. */
    private Optional<Integer> partner(int one, Map<Integer, Held> here) {
        Held held = here.getOrDefault(one, Held.of(new Evidence()));
        Others others = others(one, held);
        boolean unlike = others.counts() && held.measures()
                || others.measures() && held.counts()
                || isOfOtherWords(held, others);
        return unlike && others.areEnough()
                ? here.entrySet().stream()
                        .filter(each -> each.getKey() > one)
                        .filter(each -> {
                            Held its = each.getValue();
                            Others itsOthers = others(each.getKey(), its);
                            return itsOthers.areEnough()
                                    && (areNumbersOf(held, others, its, itsOthers)
                                            || areWordsOf(held, others, its, itsOthers));
                        })
                        .map(Map.Entry::getKey)
                        .min(Integer::compare)
                : Optional.empty();
    }

    private Others others(int column, Held table) {
        return all.getOrDefault(column, table).without(table);
    }

    private static boolean areNumbersOf(Held held, Others others, Held its, Others itsOthers) {
        return others.counts() && held.measures() && itsOthers.measures() && its.counts()
                || others.measures() && held.counts() && itsOthers.counts() && its.measures();
    }

    private static boolean areWordsOf(Held held, Others others, Held its, Others itsOthers) {
        return isOfOtherWords(held, others)
                && isOfOtherWords(its, itsOthers)
                && itsOthers.holdMostOf(held.words().keySet())
                && others.holdMostOf(its.words().keySet());
    }

    private static boolean isOfOtherWords(Held held, Others others) {
        return held.words().size() >= FEWEST_WORDS
                && held.words().keySet().stream().noneMatch(others.knows());
    }

    private Finding finding(MasterPlan.Table table, int one, int other) {
        String name = Says.quoted(plan.columns().get(one).name());
        String its = Says.quoted(plan.columns().get(other).name());
        return new Finding(
                Severity.WARNING,
                "swapped",
                Where.sheet(table.source(), table.sheet()),
                "Under " + name + " stands what the others hold under " + its + ", and under " + its
                        + " what they hold under " + name + ".",
                "Each is taken as its header says.",
                "Where the headers have changed places, line them up the other way round, or ask the sender.");
    }
}
