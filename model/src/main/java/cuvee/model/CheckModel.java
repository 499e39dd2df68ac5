package cuvee.model;

import cuvee.check.OwnCheck;
import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.ProofChoice;
import cuvee.decision.RowChoice;
import cuvee.finding.Finding;
import cuvee.job.Names;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Completing;
import cuvee.rework.Known;
import cuvee.tell.Outcome;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The checks of the analyst's own that a job keeps, and help to write them. */
public final class CheckModel {
    private static final int MOST_OFFERED = 10;
    private final JobModel model;

    public CheckModel(JobModel model) {
        this.model = model;
    }

    /** Has a check made at each refresh from now on. */
    public void add(String words) {
        model.answers().decide(Kinds.CHECK, words.strip(), RowChoice.Checked.WANTED);
    }

    /** Has it made no more. */
    public void remove(String words) {
        model.answers().decide(Kinds.CHECK, words, "");
    }

    /** Says of findings that they are so, and why; each is settled until a figure in it changes. */
    public void accept(List<Finding> findings, String note) {
        model.answers().accept(findings, note);
    }

    /** Lets a finding stand among the open ones again. */
    public void open(Finding finding) {
        model.answers().decide(Kinds.FINDING, finding.id(), "");
    }

    /** Closes the rows with a value of a column, or closes them again to accept what came since. */
    public void close(String column, String value) {
        ProofChoice.Closed closed = new ProofChoice.Closed(column, value, Optional.empty());
        model.answers().sign(closed.words());
    }

    /** Lets rows that were closed follow their files again. */
    public void reopen(String column, String value) {
        model.answers().decide(Kinds.CLOSED, Names.joinTexts(List.of(column, value)), "");
    }

    /** What was closed, where a finding says that something came or changed since. */
    public Optional<ProofChoice.Closed> late(Finding finding) {
        return finding.kind().startsWith("closed-")
                ? closed().stream()
                        .filter(closed -> finding.what().contains(Says.quoted(closed.value())))
                        .findFirst()
                : Optional.empty();
    }

    /** The column that a finding is about that names one and no place: the first that it names. */
    public Optional<String> column(Finding finding) {
        return finding.where().equals(Where.JOB)
                ? model.outcomeProperty().get().stream()
                        .flatMap(made -> made.plan().columns().stream())
                        .map(MasterPlan.Column::name)
                        .filter(name -> finding.what().contains(Says.quoted(name)))
                        .min(Comparator.comparingInt(name -> finding.what().indexOf(Says.quoted(name))))
                : Optional.empty();
    }

    /** What a job has closed: columns with values, each as it was said. */
    public List<ProofChoice.Closed> closed() {
        return model.now().settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.CLOSED))
                .map(decision -> Choices.of(decision, List.of()))
                .filter(ProofChoice.Closed.class::isInstance)
                .map(ProofChoice.Closed.class::cast)
                .toList();
    }

    /** Helps to write a check in words. */
    public Wording wording(Outcome outcome) {
        return new Words(outcome, new LookWords(model, outcome));
    }

    private record Words(Outcome outcome, LookWords phrases) implements Wording {
        @Override
        public String problem(String words) {
            if (words.isBlank()) {
                return "";
            }
            String problem = OwnCheck.read(words, Known.of(outcome.plan())).problem();
            return problem.isEmpty() ? "" : Says.capital(problem) + ".";
        }

        @Override
        public String example() {
            return "such as: "
                    + outcome.plan().columns().stream()
                            .findFirst()
                            .map(column -> column.name())
                            .orElse("Port")
                    + " is never blank";
        }

        @Override
        public List<String> completions(String words, int place) {
            for (String start : List.of(OwnCheck.ALWAYS, OwnCheck.NEVER)) {
                if (words.regionMatches(true, 0, start, 0, start.length()) && place > start.length()) {
                    return phrases.completions(words.substring(start.length()), place - start.length());
                }
            }
            List<String> found = Completing.of(words, place, OwnCheck.vocabulary(Known.of(outcome.plan())));
            return found.subList(0, Math.min(MOST_OFFERED, found.size()));
        }

        @Override
        public void onMore(Runnable listener) {
            phrases.onMore(listener);
        }
    }
}
