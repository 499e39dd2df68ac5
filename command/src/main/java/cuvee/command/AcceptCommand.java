package cuvee.command;

import cuvee.finding.Question;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.refresh.JobSession;
import cuvee.tell.Card;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "accept",
        description = "Let a delivery go past open questions, each named; they stay open, and the job keeps that.")
final class AcceptCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", paramLabel = "NAME", description = "The delivery's name.")
    private String name = "";

    @Parameters(index = "2..*", arity = "1..*", paramLabel = "ID", description = "Ids of open questions.")
    private List<String> ids = List.of();

    AcceptCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        List<String> names = job.deliveries().stream().map(Delivery::name).toList();
        if (!names.contains(name)) {
            machine.err()
                    .println("The job has no delivery " + Says.quoted(name) + ". Nothing was changed. It has "
                            + Says.list(names) + ".");
            return Exit.USAGE;
        }
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            Outcome outcome = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            Map<String, List<String>> open = new HashMap<>();
            outcome.questions().forEach(question -> open.put(question.id(), List.of(question.id())));
            Card.of(outcome)
                    .forEach(card -> open.put(
                            card.question().id(),
                            card.parts().stream().map(Question::id).toList()));
            List<String> unknown =
                    ids.stream().filter(id -> !open.containsKey(id)).toList();
            if (!unknown.isEmpty()) {
                machine.err()
                        .println("There is no open question " + Says.list(unknown) + " in " + file
                                + ". Nothing was changed. List the questions with: cuvee show " + file);
                return Exit.USAGE;
            }
            List<String> accepted = ids.stream()
                    .flatMap(id -> open.getOrDefault(id, List.of()).stream())
                    .distinct()
                    .toList();
            List<Delivery> deliveries = new ArrayList<>(outcome.job().deliveries());
            deliveries.replaceAll(delivery -> delivery.name().equals(name) ? delivery.accepting(accepted) : delivery);
            JobFile.save(outcome.job().withDeliveries(deliveries), path);
            machine.out()
                    .println(
                            "Accepted for " + Says.quoted(name) + ": " + Says.count(accepted.size(), "question") + ".");
            return Exit.DONE;
        }
    }
}
