package cuvee.command;

import cuvee.decision.Choices;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.gather.Reread;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.refresh.JobSession;
import cuvee.tell.Card;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "settle", description = "Answer a question, or all as assumed; the answers are kept in the job.")
final class SettleCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", arity = "0..1", paramLabel = "ID")
    private String id = "";

    @Parameters(index = "2", arity = "0..1", paramLabel = "ANSWER")
    private String answer = "";

    @Option(
            names = "--all-as-assumed",
            arity = "0..1",
            fallbackValue = "",
            paramLabel = "KIND",
            description = "Settle every open question, or those of a kind, with the answer in force.")
    private @Nullable String kind;

    SettleCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        String all = kind;
        if (all == null ? id.isEmpty() || answer.isEmpty() : !id.isEmpty()) {
            machine.err()
                    .println("Say which question and which answer, or --all-as-assumed. Nothing was changed. List the"
                            + " questions with: cuvee show " + file);
            return Exit.USAGE;
        }
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            Outcome outcome = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            if (all != null) {
                return settleAll(session, outcome, path, all);
            }
            List<Card> cards = new ArrayList<>(Card.of(outcome));
            outcome.questions().forEach(question -> cards.add(new Card(question, List.of(question))));
            Optional<Card> asked = cards.stream()
                    .filter(card -> card.question().id().equals(id))
                    .findFirst();
            if (asked.isEmpty()) {
                return again(outcome, path);
            }
            Question question = asked.get().question();
            Optional<Answer> chosen = question.answers().stream()
                    .filter(possible -> possible.id().equals(answer))
                    .findFirst();
            if (chosen.isEmpty()) {
                machine.err()
                        .println(Says.quoted(answer) + " is no answer to " + id
                                + ". Nothing was changed. The answers are "
                                + Says.list(question.answers().stream()
                                        .map(Answer::id)
                                        .toList()) + ".");
                return Exit.USAGE;
            }
            settle(session, outcome, path, asked.get().settled(answer, "the analyst's answer"));
            machine.out()
                    .println("Settled: " + question.text() + " " + chosen.get().text() + ".");
            return Exit.DONE;
        }
    }

    private static void settle(JobSession session, Outcome outcome, Path path, List<Decision> decisions) {
        Job settled = outcome.job();
        for (Decision decision : decisions) {
            settled = settled.withSettled(decision);
        }
        for (Decision decision : decisions) {
            session.remember(settled, decision);
        }
        JobFile.save(settled, path);
    }

    /** Settles the open questions of a kind, or all where none is given, with the answers in force. */
    private int settleAll(JobSession session, Outcome outcome, Path path, String wanted) {
        List<Question> questions = outcome.questions().stream()
                .filter(question -> wanted.isEmpty() || question.kind().equals(wanted))
                .toList();
        if (questions.isEmpty()) {
            machine.out()
                    .println("No open question" + (wanted.isEmpty() ? "" : " of the kind " + wanted)
                            + ". Nothing was changed.");
            return Exit.DONE;
        }
        settle(
                session,
                outcome,
                path,
                questions.stream()
                        .map(question -> new Decision(
                                question.kind(),
                                question.subject(),
                                question.assumed(),
                                "settled as assumed",
                                question.text()))
                        .toList());
        questions.forEach(
                question -> machine.out().println("Settled: " + question.text() + " " + question.assumedText() + "."));
        machine.out().println(Says.count(questions.size(), "question") + " settled as assumed.");
        return Exit.DONE;
    }

    /** A question that was answered before gets another answer. */
    private int again(Outcome outcome, Path path) {
        Optional<Decision> before = outcome.job().settled().stream()
                .filter(decision -> decision.id().equals(id))
                .findFirst();
        if (before.isEmpty()) {
            machine.err()
                    .println("There is no question " + id + " in " + file
                            + ". Nothing was changed. List the questions with: cuvee show " + file);
            return Exit.USAGE;
        }
        Decision decision = new Decision(
                before.get().kind(),
                before.get().subject(),
                answer,
                before.get().reason(),
                before.get().evidence());
        if (!Choices.of(decision, outcome.job().columns()).understood()) {
            machine.err()
                    .println(Says.quoted(answer) + " is no answer to " + id
                            + ". Nothing was changed. It was answered with "
                            + Says.quoted(before.get().answer()) + ".");
            return Exit.USAGE;
        }
        JobFile.save(outcome.job().withSettled(decision), path);
        machine.out()
                .println("Settled again: " + decision.kind() + " of " + Says.quoted(decision.subject()) + " is "
                        + answer + " instead of " + before.get().answer() + ".");
        return Exit.DONE;
    }
}
