package cuvee.command;

import cuvee.check.SourceChange;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.tell.Account;
import cuvee.tell.Card;
import cuvee.tell.LikeFindings;
import cuvee.tell.Outcome;
import cuvee.tell.Resting;
import cuvee.tell.Sentence;
import cuvee.tell.SourceReport;
import cuvee.tell.Stakes;
import java.io.PrintStream;
import java.util.List;

/** An outcome as people read it. */
final class OutcomeText {
    private static final int MOST_FINDINGS = 30;

    private OutcomeText() {}

    static void print(Outcome outcome, PrintStream out) {
        long aside = outcome.sources().size() - outcome.taken();
        out.println(outcome.job().name() + ": " + Says.count(outcome.rows(), "row") + " from "
                + Says.count(outcome.taken(), "file") + (aside > 0 ? ", " + Says.number(aside) + " set aside" : ""));
        out.println(outcome.changed().sentence());
        List<SourceChange> moved = outcome.changed().sources();
        moved.stream().limit(MOST_FINDINGS).forEach(source -> out.println("  " + source.path() + ": " + source.said()));
        if (moved.size() > MOST_FINDINGS) {
            out.println("  and " + Says.number(moved.size() - MOST_FINDINGS) + " more; --json lists them all");
        }
        out.println();
        out.println("Columns");
        for (Proposal.ColumnReport column : outcome.columns()) {
            out.println("  " + column.name() + ": " + column.typeWords() + ", "
                    + Says.count(column.filled(), "value")
                    + (column.misfits() > 0 ? ", " + Says.number(column.misfits()) + " do not fit" : ""));
        }
        changes(outcome, out);
        reconciliation(outcome, out);
        out.println();
        out.println("Files");
        for (SourceReport source : outcome.sources()) {
            String found = source.tables().isEmpty()
                    ? source.reason()
                    : Says.count(source.rows(), "row") + " in "
                            + Says.count(source.tables().size(), "table") + ", "
                            + Says.number(source.seen() - source.rows()) + " set aside";
            out.println("  " + source.path() + ": " + source.state().word() + ", " + found);
        }
        questions(outcome, out);
        Resting resting = Resting.of(outcome);
        if (!resting.isNothing()) {
            out.println("  " + resting.said());
        }
        findings(outcome, out);
    }

    /** Every decision with its id, yours first. */
    static void decisions(Outcome outcome, PrintStream out) {
        outcome.job().settled().forEach(decision -> out.println(line(decision, "you")));
        outcome.job().assumed().stream()
                .filter(decision -> !outcome.job().isSettled(decision.kind(), decision.subject()))
                .forEach(decision -> out.println(line(decision, "Cuvee")));
    }

    private static String line(Decision decision, String by) {
        return decision.id() + "  " + by + ": " + decision.kind() + " of " + Says.quoted(decision.subject()) + ": "
                + decision.answer() + (decision.reason().isEmpty() ? "" : " (" + decision.reason() + ")");
    }

    /** What happens to the rows between the sheets and the master. */
    private static void changes(Outcome outcome, PrintStream out) {
        List<Sentence> inForce =
                outcome.sentences().stream().filter(Sentence::on).toList();
        if (inForce.isEmpty()) {
            return;
        }
        out.println();
        out.println("Changes");
        for (Sentence sentence : inForce) {
            out.println("  " + sentence.said() + " (" + sentence.touched() + ")");
        }
    }

    /** The sums of the sources against those of the master. */
    private static void reconciliation(Outcome outcome, PrintStream out) {
        List<String> lines = Account.equations(outcome);
        if (!lines.isEmpty()) {
            out.println();
            out.println("Sums");
            lines.forEach(line -> out.println("  " + line));
        }
    }

    private static void questions(Outcome outcome, PrintStream out) {
        if (outcome.questions().isEmpty()) {
            return;
        }
        out.println();
        out.println("Questions");
        Stakes stakes = Stakes.of(outcome);
        for (Card card : Card.of(outcome)) {
            Question question = card.question();
            boolean several = card.parts().size() > 1;
            String where = several ? "" : question.where() + ": ";
            out.println("  " + question.id() + "  " + where + question.text());
            out.println("      " + stakes.of(card.parts()).said() + " at stake");
            for (Question.Answer answer : question.answers()) {
                boolean assumed = answer.id().equals(question.assumed());
                out.println("      " + (assumed ? "assumed  " : "         ") + answer.id() + ": " + answer.text());
            }
            if (several) {
                out.println("      or each by itself:");
                card.parts()
                        .forEach(part -> out.println("      " + part.id() + "  " + part.where() + ": " + part.text()));
            }
        }
    }

    private static void findings(Outcome outcome, PrintStream out) {
        List<LikeFindings> shown = LikeFindings.of(outcome.findings().stream()
                .filter(finding -> finding.atLeast(Severity.REMARK))
                .toList());
        if (shown.isEmpty()) {
            return;
        }
        out.println();
        out.println("Findings");
        for (LikeFindings like : shown.subList(0, Math.min(MOST_FINDINGS, shown.size()))) {
            out.println(
                    "  " + like.first().id() + "  " + like.first().severity().word() + ": " + like.text());
        }
        if (shown.size() > MOST_FINDINGS) {
            out.println("  and " + Says.number(shown.size() - MOST_FINDINGS) + " more; --json lists them all");
        }
    }
}
