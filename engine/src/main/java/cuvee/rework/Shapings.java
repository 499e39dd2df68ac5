package cuvee.rework;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.master.MasterPlan;
import cuvee.master.Shaping;
import cuvee.master.Shaping.How;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Rules about the master as a whole: values that become columns, the order of the rows, their numbers. One of each. */
public final class Shapings {
    /** Decisions by which the values of one column become columns. */
    public static final String TO_COLUMNS = "to-columns";
    /** Decisions about the order of the rows. */
    public static final String SORTED = "sorted";
    /** Decisions that number the rows; the answer is the column's name. */
    public static final String NUMBERED = "numbered";

    /** The subject of all of them. */
    public static final String ROWS = "rows";

    private static final String GREATEST = ", greatest first";
    private static final String BY_HAND = "put so by you";

    private Shapings() {}

    /**
     * A rule as the job has it.
     *
     * @param words the parts of its answer
     * @param problem why it cannot be followed; empty where it can
     */
    public record Stated(Decision decision, boolean on, List<String> words, String problem) {
        public Stated {
            words = List.copyOf(words);
        }
    }

    /** What the rules of a job come to over a master. */
    public record Resolved(Shaping shaping, List<Stated> stated) {}

    /** The rules of a job over the columns of a plan. */
    public static Resolved of(Job job, MasterPlan plan) {
        Known known = Known.of(plan);
        List<Stated> stated = new ArrayList<>();
        Optional<Shaping.Gathering> gathering = Optional.empty();
        List<Shaping.Order> orders = new ArrayList<>();
        String numbered = "";
        for (String kind : List.of(TO_COLUMNS, SORTED, NUMBERED)) {
            Optional<Decision> decision = job.isSettled(kind, ROWS) ? job.decision(kind, ROWS) : Optional.empty();
            if (decision.isEmpty()) {
                continue;
            }
            boolean on = decision.get().on();
            List<String> words = Names.splitTexts(decision.get().wanted());
            String problem = "";
            if (kind.equals(TO_COLUMNS)) {
                problem = problem(words, known);
                if (on && problem.isEmpty()) {
                    gathering = Optional.of(gathering(words, known));
                }
            } else if (kind.equals(SORTED) && on) {
                words.forEach(word -> orders.add(order(word)));
            } else if (kind.equals(NUMBERED) && on) {
                boolean taken = known.names().contains(words.get(0));
                problem = taken ? "there is a column of that name" : "";
                numbered = taken ? "" : words.get(0);
            }
            stated.add(new Stated(decision.get(), on, words, problem));
        }
        return new Resolved(new Shaping(gathering, orders, numbered), stated);
    }

    /** The answer that switches a rule off. */
    public static String off(List<String> words) {
        return Decision.off(Names.joinTexts(words));
    }

    private static Shaping.Order order(String word) {
        boolean greatest = word.endsWith(GREATEST);
        return new Shaping.Order(greatest ? word.substring(0, word.length() - GREATEST.length()) : word, greatest);
    }

    private static Optional<How> how(String word) {
        for (How how : How.values()) {
            if (how.word().equals(word)) {
                return Optional.of(how);
            }
        }
        return Optional.empty();
    }

    private static String problem(List<String> words, Known known) {
        if (words.size() < 3) {
            return "it names no columns";
        }
        Optional<How> how = how(words.get(1));
        if (how.isEmpty()) {
            return Says.quoted(words.get(1)) + " is nothing that can be made of several values";
        }
        List<String> names = new ArrayList<>(words);
        names.remove(1);
        Optional<String> missing =
                names.stream().filter(name -> known.at(name) < 0).findFirst();
        if (missing.isPresent()) {
            return "there is no column " + Says.quoted(missing.get());
        }
        if (how.get().needsNumbers() && known.isMixed(known.at(words.get(2)))) {
            return Says.quoted(words.get(2)) + " holds amounts of several currencies, which are not added up";
        }
        boolean numbers = known.type(known.at(words.get(2))).isNumber();
        return how.get().needsNumbers() && !numbers
                ? "a " + how.get().word() + " needs numbers, and " + Says.quoted(words.get(2)) + " is "
                        + known.type(known.at(words.get(2))).word()
                : "";
    }

    private static Shaping.Gathering gathering(List<String> words, Known known) {
        return new Shaping.Gathering(
                known.at(words.get(0)),
                how(words.get(1)).orElseThrow(),
                known.at(words.get(2)),
                words.subList(3, words.size()).stream().map(known::at).toList());
    }

    /** Rules that have lost their ground. */
    public static List<Finding> findings(List<Stated> stated) {
        return stated.stream()
                .filter(each -> each.on() && !each.problem().isEmpty())
                .map(each -> new Finding(
                        Severity.WARNING,
                        "rule-lost",
                        Where.JOB,
                        "The rule about the shape of the master (" + String.join(", ", each.words())
                                + ") cannot be followed: " + each.problem() + ".",
                        "The rows stay as they are.",
                        "Change it in Rework, or switch it off."))
                .toList();
    }

    // ---- what the analyst does ----

    /** The job whose master has the values of a column as columns, which hold those of another. */
    public static Job toColumns(Job job, String label, How how, String value, List<String> keys) {
        List<String> words = new ArrayList<>(List.of(label, how.word(), value));
        words.addAll(keys);
        return job.withSettled(new Decision(TO_COLUMNS, ROWS, Names.joinTexts(words), BY_HAND, ""));
    }

    /** The job whose master is ordered by a column first, and then as it was. */
    public static Job sortedBy(Job job, String column, boolean greatestFirst) {
        List<String> words = new ArrayList<>();
        words.add(column + (greatestFirst ? GREATEST : ""));
        job.decision(SORTED, ROWS)
                .filter(Decision::on)
                .ifPresent(decision -> Names.splitTexts(decision.answer()).stream()
                        .filter(word -> !order(word).column().equals(column))
                        .forEach(words::add));
        return job.withSettled(new Decision(SORTED, ROWS, Names.joinTexts(words), BY_HAND, ""));
    }

    /** The job whose master numbers its rows in a column. */
    public static Job numbered(Job job, String name) {
        return job.withSettled(new Decision(NUMBERED, ROWS, Names.joinTexts(List.of(name)), BY_HAND, ""));
    }
}
