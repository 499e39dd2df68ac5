package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.LineUp;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What becomes of columns that appear once a job has its columns: they are taken in, which is said; or they wait until the
 * analyst has answered; or they are left out, which is said.
 */
public final class NewColumns {

    /** What can become of columns that appear later. */
    public enum Policy {
        TAKE_IN("take in and say so"),
        ASK("hold and ask"),
        LEAVE_OUT("leave out");

        private final String words;

        Policy(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        static Optional<Policy> ofWords(String words) {
            for (Policy policy : values()) {
                if (policy.words.equals(words)) {
                    return Optional.of(policy);
                }
            }
            return Optional.empty();
        }
    }

    private final Set<String> held;
    private final Said said;

    private NewColumns(Set<String> held, Said said) {
        this.held = held;
        this.said = said;
    }

    /** What a job does with columns that appear later. */
    public static Policy policy(Job job) {
        return job.decision(Kinds.NEW_COLUMNS, ColumnChoice.ALL_COLUMNS)
                .flatMap(it -> Policy.ofWords(it.answer()))
                .orElse(Policy.TAKE_IN);
    }

    static NewColumns of(Job job, LineUp lineUp, List<Layout> layouts) {
        Set<String> held = new HashSet<>();
        List<Question> questions = new ArrayList<>();
        List<Finding> findings = new ArrayList<>();
        List<Decision> assumed = new ArrayList<>();
        Policy policy = policy(job);
        for (LineUp.Column column : lineUp.columns()) {
            String name = column.name();
            boolean fresh = !job.columns().isEmpty() && !job.columns().contains(name);
            Optional<Decision> decision = job.decision(Kinds.COLUMN, name);
            if (fresh && decision.isEmpty()) {
                if (policy == Policy.TAKE_IN) {
                    findings.add(takenIn(name, lineUp, layouts));
                } else {
                    held.add(name);
                    assumed.add(new Decision(
                            Kinds.COLUMN, name, ColumnChoice.LEFT_OUT, "it is new, and new columns are held back", ""));
                }
            }
            boolean waits = held.contains(name)
                    || decision.filter(it -> it.answer().equals(ColumnChoice.LEFT_OUT))
                            .isPresent();
            if (policy == Policy.ASK && waits && !job.isSettled(Kinds.COLUMN, name)) {
                questions.add(question(column, lineUp, layouts));
            }
        }
        return new NewColumns(held, new Said(questions, findings, assumed));
    }

    /** The columns that are held back from now on. */
    Set<String> held() {
        return held;
    }

    Said said() {
        return said;
    }

    private static Finding takenIn(String name, LineUp lineUp, List<Layout> layouts) {
        List<PlacedTable> having = having(name, lineUp, layouts);
        return new Finding(
                Severity.REMARK,
                "new-column",
                having.isEmpty() ? Where.JOB : having.get(0).where(),
                "The column " + Says.quoted(name) + " is new: " + Says.count(having.size(), "table")
                        + (having.size() == 1 ? " has it." : " have it."),
                "It is the last of the columns; rows of other tables are blank there.",
                "Unite it with another column in Line up, or leave it out there.");
    }

    private static Question question(LineUp.Column column, LineUp lineUp, List<Layout> layouts) {
        List<PlacedTable> having = having(column.name(), lineUp, layouts);
        return Question.of(
                Kinds.COLUMN,
                column.name(),
                having.isEmpty() ? Where.JOB : having.get(0).where(),
                "The column " + Says.quoted(column.name()) + " is new, in " + Says.count(having.size(), "table")
                        + ". Should it be in the master?",
                ColumnChoice.LEFT_OUT,
                List.of(
                        new Answer(ColumnChoice.LEFT_OUT, "no, leave it out"),
                        new Answer(ColumnChoice.TAKEN_IN, "yes, take it in")),
                filled(column, lineUp, layouts));
    }

    private static List<PlacedTable> having(String name, LineUp lineUp, List<Layout> layouts) {
        return layouts.stream()
                .flatMap(layout -> layout.tables().stream())
                .filter(table -> table.columns().stream().anyMatch(laid -> feeds(laid, name, lineUp)))
                .toList();
    }

    private static boolean feeds(LaidColumn laid, String name, LineUp lineUp) {
        return lineUp.columnOf(LooseText.key(laid.header()))
                .filter(at -> lineUp.columns().get(at).name().equals(name))
                .isPresent();
    }

    /** How many cells of the sources hold something for a column. */
    static long filled(LineUp.Column column, LineUp lineUp, List<Layout> layouts) {
        return layouts.stream()
                .flatMap(layout -> layout.tables().stream())
                .flatMap(table -> table.columns().stream())
                .filter(laid -> feeds(laid, column.name(), lineUp))
                .mapToLong(laid -> laid.evidence().filled())
                .sum();
    }
}
