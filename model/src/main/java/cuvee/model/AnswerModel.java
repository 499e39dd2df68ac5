package cuvee.model;

import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.decision.SheetRule;
import cuvee.detect.FoundTable;
import cuvee.detect.Reading;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.gather.ReadSheet;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.tell.Card;
import cuvee.tell.SettledFinding;
import java.util.List;
import java.util.function.Consumer;

/** What the analyst answers and decides: each is one act, and the master follows it. */
public final class AnswerModel {
    private final JobModel model;

    AnswerModel(JobModel model) {
        this.model = model;
    }

    /** Answers a question; the master follows. */
    public void settle(Question question, String answer) {
        settle(new Card(question, List.of(question)), answer);
    }

    /** Settles all that a card asks about, as one act. */
    public void settle(Card card, String answer) {
        Job next = model.now();
        List<Decision> decisions = card.settled(answer, "the analyst's answer");
        for (Decision decision : decisions) {
            next = next.withSettled(decision);
        }
        model.step(next);
        decisions.forEach(decision -> model.session().remember(model.now(), decision));
        model.refresh();
    }

    /** Settles all open questions with the answers in force, as one act. */
    public void settleAsAssumed(List<Question> questions) {
        Job next = model.now();
        for (Question question : questions) {
            next = next.withSettled(new Decision(
                    question.kind(), question.subject(), question.assumed(), "settled as assumed", question.text()));
        }
        model.step(next);
        for (Decision decision : model.now().settled()) {
            if (questions.stream().anyMatch(question -> question.id().equals(decision.id()))) {
                model.session().remember(model.now(), decision);
            }
        }
        model.refresh();
    }

    /** Weighs what is at stake by a column. */
    public void weighBy(String column) {
        Choice.Words words = new ColumnChoice.WeighedBy(column).words();
        decide(words.kind(), words.subject(), words.answer());
    }

    /** Asks a settled question again: what was decided is left to Cuvee. */
    public void askAgain(Decision decision) {
        model.step(Choices.takenBack(model.now(), decision.kind(), decision.subject()));
        model.refresh();
    }

    /** Decides how a sheet is read, or a layout where the subject is one; an empty reading leaves it to the evidence. */
    public void decideReading(String subject, Reading reading) {
        decide(Kinds.READING, subject, reading.words());
    }

    /** Keeps an answer of the analyst's, or with empty words leaves it to Cuvee again; the master follows. */
    void decide(String kind, String subject, String words) {
        Job now = model.now();
        model.step(
                words.isEmpty()
                        ? Choices.takenBack(now, kind, subject)
                        : now.withSettled(new Decision(kind, subject, words, JobModel.BY_HAND, "")));
        model.refresh();
    }

    /** Keeps an answer of the analyst's with who gave it and when. */
    void sign(Choice.Words words) {
        model.step(model.now()
                .withSettled(new Decision(
                        words.kind(),
                        words.subject(),
                        words.answer(),
                        JobModel.BY_HAND,
                        model.session().signed())));
        model.refresh();
    }

    /** Says of findings that they are so, all in one step. */
    void accept(List<Finding> findings, String note) {
        Job next = model.now();
        for (Finding finding : findings) {
            next = next.withSettled(
                    SettledFinding.decision(finding, note, model.session().signed()));
        }
        model.take(next);
    }

    /**
     * Says by a rule which sheets belong; empty words leave it to what they hold, or to what is said of all files.
     *
     * @param subject that of a {@link SheetScope}
     */
    public void decideSheetRule(String subject, String words) {
        decide(SheetRule.KIND, subject, words);
    }

    /** Tries a reading out: what would be found is told on the interface thread, and nothing is kept of it. */
    public void tryOut(ReadSheet sheet, Reading reading, Consumer<List<FoundTable>> told) {
        Job now = model.now();
        model.apart(() -> model.session().tryOut(now, sheet, reading), told);
    }
}
