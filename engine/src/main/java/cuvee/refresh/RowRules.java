package cuvee.refresh;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.master.MasterPlan;
import cuvee.master.RowRule;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Convention;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The analyst's rules about rows, in the order in which they were made: rows are kept or set aside by a phrase, and of rows
 * that are equal in some columns one stays.
 */
public final class RowRules {
    /** Decisions by a phrase; the phrase is the subject. */
    public static final String ROWS = "rows";
    /** Decisions about rows that are equal in some columns; those are the subject. */
    public static final String EQUAL = "equal-rows";

    public static final String KEEP = "keep";
    public static final String ASIDE = "set aside";
    public static final String KEEP_FIRST = "keep the first";
    public static final String KEEP_LAST = "keep the last";
    private static final String OFF = "not now: ";
    private static final String BY_HAND = "put so by you";

    private RowRules() {}

    /**
     * A rule as the job has it.
     *
     * @param number its position among the rules that are in force; below zero where it is not
     * @param problem why it cannot be followed; empty where it can
     */
    record Stated(Decision decision, Optional<RowRule> rule, int number, String problem) {
        boolean on() {
            return !decision.answer().startsWith(OFF);
        }

        /** What it does when it is on. */
        String verb() {
            return on() ? decision.answer() : decision.answer().substring(OFF.length());
        }
    }

    static boolean understood(Decision decision) {
        String verb = decision.answer().startsWith(OFF) ? decision.answer().substring(OFF.length()) : decision.answer();
        return decision.kind().equals(ROWS)
                ? verb.equals(KEEP) || verb.equals(ASIDE)
                : verb.equals(KEEP_FIRST) || verb.equals(KEEP_LAST);
    }

    static String off(String verb) {
        return OFF + verb;
    }

    /** The rules of a job over the columns of a plan. */
    static List<Stated> of(Job job, MasterPlan plan) {
        List<Stated> stated = new ArrayList<>();
        int number = 0;
        for (Decision decision : job.settled()) {
            boolean ours = decision.kind().equals(ROWS) || decision.kind().equals(EQUAL);
            if (ours && understood(decision)) {
                Stated read = decision.kind().equals(ROWS) ? byPhrase(decision, plan) : equal(decision, plan);
                boolean inForce = read.on() && read.rule().isPresent();
                stated.add(new Stated(decision, read.rule(), inForce ? number++ : -1, read.problem()));
            }
        }
        return stated;
    }

    /** The rules in force. */
    static List<RowRule> inForce(List<Stated> rules) {
        return rules.stream()
                .filter(rule -> rule.number() >= 0)
                .flatMap(rule -> rule.rule().stream())
                .toList();
    }

    /** Rules that have lost their ground. */
    static List<Finding> findings(List<Stated> rules) {
        return rules.stream()
                .filter(rule -> rule.on() && !rule.problem().isEmpty())
                .map(rule -> new Finding(
                        Severity.WARNING,
                        "rule-lost",
                        Where.JOB,
                        "The rule "
                                + Says.quoted(
                                        rule.verb() + " " + rule.decision().subject()) + " cannot be followed: "
                                + rule.problem() + ".",
                        "It sets no row aside.",
                        "Change its words in Rework, or switch it off."))
                .toList();
    }

    private static Stated byPhrase(Decision decision, MasterPlan plan) {
        Optional<Phrase> phrase = Phrase.read(decision.subject(), names(plan));
        if (phrase.isEmpty()) {
            return lost(decision, "its words name no column of the master, or nothing that can be asked of one");
        }
        List<RowRule.Condition> conditions = new ArrayList<>();
        for (Phrase.Clause clause : phrase.get().clauses()) {
            int column = names(plan).indexOf(clause.column());
            Type type =
                    column < plan.columns().size() ? plan.columns().get(column).type() : Type.TEXT;
            boolean asText = type == Type.TEXT || ofText(clause.test());
            List<String> values = new ArrayList<>();
            for (String value : clause.values()) {
                String read = asText ? value : read(value, type);
                if (read == null) {
                    return lost(
                            decision, Says.quoted(value) + " is no " + type.word() + ", as " + clause.column() + " is");
                }
                values.add(read);
            }
            conditions.add(new RowRule.Condition(column, clause.test(), values));
        }
        boolean keep = decision.answer().equals(KEEP);
        return new Stated(decision, Optional.of(new RowRule.Meeting(conditions, keep)), -1, "");
    }

    /** A value as a type has it; what whole numbers are compared with may have decimals. */
    private static @Nullable String read(String value, Type type) {
        String read = ValueReader.read(value, type, Convention.DEFAULT);
        return read == null && type == Type.WHOLE_NUMBER
                ? ValueReader.read(value, Type.DECIMAL, Convention.DEFAULT)
                : read;
    }

    private static boolean ofText(RowRule.Test test) {
        return switch (test) {
            case CONTAINS, DOES_NOT_CONTAIN, BEGINS_WITH, ENDS_WITH -> true;
            default -> false;
        };
    }

    private static Stated equal(Decision decision, MasterPlan plan) {
        List<Integer> columns = new ArrayList<>();
        for (String name : Names.split(decision.subject())) {
            int column = names(plan).indexOf(name);
            if (column < 0) {
                return lost(decision, "there is no column " + Says.quoted(name));
            }
            columns.add(column);
        }
        boolean last = decision.answer().equals(KEEP_LAST);
        return new Stated(decision, Optional.of(new RowRule.Equal(columns, last)), -1, "");
    }

    private static Stated lost(Decision decision, String problem) {
        return new Stated(decision, Optional.empty(), -1, problem);
    }

    private static List<String> names(MasterPlan plan) {
        List<String> names = new ArrayList<>();
        plan.columns().forEach(column -> names.add(column.name()));
        plan.tags().forEach(tag -> names.add(tag.name()));
        return names;
    }

    /** The position among the rules in force of the one that a sentence states; below zero where it sets nothing aside. */
    public static int number(Outcome outcome, Sentence sentence) {
        return of(outcome.job(), outcome.proposal().plan()).stream()
                .filter(rule -> rule.decision().kind().equals(sentence.kind())
                        && rule.decision().subject().equals(sentence.subject()))
                .mapToInt(Stated::number)
                .findFirst()
                .orElse(-1);
    }

    // ---- what the analyst does ----

    /** The job with a rule that keeps or sets aside the rows of which a phrase holds, behind the others. */
    public static Job byPhrase(Job job, String phrase, boolean keep) {
        return job.withoutSettled(ROWS, phrase)
                .withSettled(new Decision(ROWS, phrase, keep ? KEEP : ASIDE, BY_HAND, ""));
    }

    /** The job with a rule by which one of rows that are equal in some columns stays. */
    public static Job equal(Job job, List<String> columns, boolean last) {
        String subject = Names.join(columns);
        return job.withoutSettled(EQUAL, subject)
                .withSettled(new Decision(EQUAL, subject, last ? KEEP_LAST : KEEP_FIRST, BY_HAND, ""));
    }

    /** The job with other words for a rule, in its place among the others. */
    public static Job reworded(Job job, String kind, String subject, String newSubject) {
        return job.withSettled(job.settled().stream()
                .map(each -> each.kind().equals(kind) && each.subject().equals(subject)
                        ? new Decision(kind, newSubject, each.answer(), each.reason(), each.evidence())
                        : each)
                .toList());
    }

    /** The rules follow a column that is called otherwise now. */
    static Job renamed(Job job, List<String> columns, String name, String newName) {
        Job next = job;
        for (Decision decision : job.settled()) {
            if (decision.kind().equals(ROWS)) {
                Optional<Phrase> phrase = Phrase.read(decision.subject(), columns);
                next = phrase.isEmpty()
                        ? next
                        : reworded(
                                next,
                                ROWS,
                                decision.subject(),
                                phrase.get().renamed(name, newName).said());
            } else if (decision.kind().equals(EQUAL)) {
                List<String> names = new ArrayList<>(Names.split(decision.subject()));
                names.replaceAll(each -> each.equals(name) ? newName : each);
                next = reworded(next, EQUAL, decision.subject(), Names.join(names));
            }
        }
        return next;
    }
}
