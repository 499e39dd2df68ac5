package cuvee.rework;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.master.MasterPlan;
import cuvee.master.RowRule;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

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
    public static final String KEEP_NEWEST = "keep that of the newest file";

    /** Decisions that keep a row whatever rules say; the subject is its source, sheet and row. */
    public static final String PUT_BACK = "put-back";

    /** What can be done with equal rows. */
    public static final List<String> EQUAL_VERBS = List.of(KEEP_FIRST, KEEP_LAST, KEEP_NEWEST);

    private static final String BY_HAND = "put so by you";

    private RowRules() {}

    /**
     * A rule as the job has it.
     *
     * @param number its position among the rules that are in force; below zero where it is not
     * @param problem why it cannot be followed; empty where it can
     */
    public record Stated(Decision decision, Optional<RowRule> rule, int number, String problem) {
        public boolean on() {
            return decision.on();
        }

        /** What it does when it is on. */
        public String verb() {
            return decision.wanted();
        }
    }

    public static boolean understood(Decision decision) {
        String verb = decision.wanted();
        return decision.kind().equals(ROWS) ? verb.equals(KEEP) || verb.equals(ASIDE) : EQUAL_VERBS.contains(verb);
    }

    /** The rules of a job over the columns of a plan. */
    public static List<Stated> of(Job job, MasterPlan plan) {
        return of(job, plan, Map.of());
    }

    /**
     * The same.
     *
     * @param modified when each source was modified, which says which of equal rows is the newest
     */
    public static List<Stated> of(Job job, MasterPlan plan, Map<String, Long> modified) {
        Known known = Known.of(plan);
        List<Stated> stated = new ArrayList<>();
        int number = 0;
        for (Decision decision : Amendments.decisions(job)) {
            Optional<RowRule> rule = Amendments.rule(decision, plan, known, modified);
            if (rule.isPresent()) {
                stated.add(new Stated(decision, rule, number++, ""));
            }
        }
        for (Decision decision : job.settled()) {
            boolean ours = decision.kind().equals(ROWS) || decision.kind().equals(EQUAL);
            if (ours && understood(decision)) {
                Stated read = decision.kind().equals(ROWS)
                        ? byPhrase(decision, known)
                        : equal(decision, known, newest(plan, modified));
                boolean inForce = read.on() && read.rule().isPresent();
                stated.add(new Stated(decision, read.rule(), inForce ? number++ : -1, read.problem()));
            }
        }
        return stated;
    }

    /** The rules in force. */
    public static List<RowRule> inForce(List<Stated> rules) {
        return rules.stream()
                .filter(rule -> rule.number() >= 0)
                .flatMap(rule -> rule.rule().stream())
                .toList();
    }

    /** Rules that have lost their ground. */
    public static List<Finding> findings(List<Stated> rules) {
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

    private static Stated byPhrase(Decision decision, Known known) {
        Asked asked = Asked.of(decision.subject(), known);
        if (!asked.understood()) {
            return lost(decision, asked.problem());
        }
        boolean keep = decision.answer().equals(KEEP);
        return new Stated(decision, Optional.of(new RowRule.Meeting(asked.conditions(), keep)), -1, "");
    }

    private static List<Integer> newest(MasterPlan plan, Map<String, Long> modified) {
        return plan.tables().stream()
                .sorted(Comparator.comparingLong(
                        (MasterPlan.Table table) -> -modified.getOrDefault(table.source(), 0L)))
                .map(MasterPlan.Table::id)
                .toList();
    }

    private static Stated equal(Decision decision, Known known, List<Integer> newest) {
        List<Integer> columns = new ArrayList<>();
        for (String name : Names.splitTexts(decision.subject())) {
            int column = known.at(name);
            if (column < 0) {
                return lost(decision, "there is no column " + Says.quoted(name));
            }
            columns.add(column);
        }
        RowRule.Equal.Stays stays = switch (decision.answer()) {
            case KEEP_LAST -> RowRule.Equal.Stays.LAST;
            case KEEP_NEWEST -> RowRule.Equal.Stays.OF_THE_NEWEST_FILE;
            default -> RowRule.Equal.Stays.FIRST;
        };
        return new Stated(decision, Optional.of(new RowRule.Equal(columns, stays, newest)), -1, "");
    }

    private static Stated lost(Decision decision, String problem) {
        return new Stated(decision, Optional.empty(), -1, problem);
    }

    // ---- what the analyst does ----

    /** The job with a rule that keeps or sets aside the rows of which a phrase holds, behind the others. */
    public static Job byPhrase(Job job, String phrase, boolean keep) {
        return job.withoutSettled(ROWS, phrase)
                .withSettled(new Decision(ROWS, phrase, keep ? KEEP : ASIDE, BY_HAND, ""));
    }

    /** The job with a rule by which one of rows that are equal in some columns stays. */
    public static Job equal(Job job, List<String> columns, String verb) {
        String subject = Names.joinTexts(columns);
        return job.withoutSettled(EQUAL, subject).withSettled(new Decision(EQUAL, subject, verb, BY_HAND, ""));
    }

    /** The job that keeps a row whatever rules say. */
    public static Job putBack(Job job, String source, String sheet, int row) {
        String subject = Names.joinTexts(List.of(source, sheet, String.valueOf(row)));
        return job.withSettled(new Decision(PUT_BACK, subject, KEEP, BY_HAND, ""));
    }

    /** The row that a decision keeps whatever rules say; empty where it names none. */
    public static Optional<Where> row(Decision decision) {
        List<String> subject = Names.splitTexts(decision.subject());
        return subject.size() == 3 && subject.get(2).matches("\\d{1,9}")
                ? Optional.of(Where.sheet(subject.get(0), subject.get(1)).row(Integer.parseInt(subject.get(2))))
                : Optional.empty();
    }

    /** The rows of a sheet that are kept whatever rules say. */
    public static Set<Integer> putBack(Job job, String source, String sheet) {
        return job.settled().stream()
                .filter(decision ->
                        decision.kind().equals(PUT_BACK) && decision.answer().equals(KEEP))
                .flatMap(decision -> row(decision).stream())
                .filter(row -> row.source().equals(source) && row.sheet().equals(sheet))
                .map(Where::row)
                .collect(Collectors.toSet());
    }

    /** The job with a rule so many places later among those of its kinds, or earlier where that is negative. */
    public static Job moved(Job job, String kind, String subject, int by) {
        Set<String> kinds = kind.equals(ROWS) || kind.equals(EQUAL) ? Set.of(ROWS, EQUAL) : Set.of(kind);
        List<Decision> all = new ArrayList<>(job.settled());
        List<Integer> places = IntStream.range(0, all.size())
                .filter(at -> kinds.contains(all.get(at).kind()))
                .boxed()
                .toList();
        for (int i = 0; i < places.size(); i++) {
            Decision one = all.get(places.get(i));
            int other = i + by;
            if (one.kind().equals(kind) && one.subject().equals(subject) && other >= 0 && other < places.size()) {
                Collections.swap(all, places.get(i), places.get(other));
                return job.withSettled(all);
            }
        }
        return job;
    }

    /** The job with other words for a rule, in its place among the others. */
    public static Job reworded(Job job, String kind, String subject, String newSubject) {
        return job.withSettled(job.settled().stream()
                .map(each -> each.kind().equals(kind) && each.subject().equals(subject)
                        ? new Decision(kind, newSubject, each.answer(), each.reason(), each.evidence())
                        : each)
                .toList());
    }
}
