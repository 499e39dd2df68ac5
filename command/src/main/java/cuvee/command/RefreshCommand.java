package cuvee.command;

import cuvee.deliver.MasterFiles;
import cuvee.deliver.TargetGuard;
import cuvee.finding.CuveeException;
import cuvee.finding.Question;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.refresh.Delivered;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "refresh", description = "Look at the places again, bring the master up to date and write it.")
final class RefreshCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(paramLabel = "FILE.cuvee")
    private String file = "";

    @Option(
            names = "--to",
            paramLabel = "FILE",
            description = "Write the master here: .csv .xlsx .jsonl .parquet .sqlite .sql")
    private List<String> targets = List.of();

    @Option(names = "--deliver", paramLabel = "NAME|all", description = "Run a delivery of the job, or all.")
    private List<String> deliveries = List.of();

    @Option(names = "--full", description = "Read every source again, changed or not.")
    private boolean full;

    @Option(
            names = "--replace",
            description = "Write also over files that are there already and that Cuvee did not write.")
    private boolean replace;

    @Option(
            names = "--beside",
            description =
                    "Where a file is open in another program, write-protected or not reached, write to a free name"
                            + " beside it.")
    private boolean beside;

    @Option(names = "--strict", description = "Deliver nothing while there are questions or warnings.")
    private boolean strict;

    @Option(
            names = "--try",
            description =
                    "Only show what the refresh would bring, and what the deliveries named would change: nothing is"
                            + " written, and nothing of it is kept.")
    private boolean trying;

    @Option(names = "--json", description = "Print one JSON object.")
    private boolean json;

    RefreshCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        List<Path> files = targets.stream().map(machine::path).toList();
        files.forEach(target -> early(() -> MasterFiles.check(target), beside));
        List<Delivery> chosen = chosen(job);
        if (chosen.size() < deliveries.size()) {
            machine.err()
                    .println("The job has no such delivery. Nothing was read. It has "
                            + Says.list(job.deliveries().stream()
                                    .map(Delivery::name)
                                    .toList()) + ".");
            return Exit.USAGE;
        }
        if (trying) {
            return tried(path, job, chosen);
        }
        JobFile.checkWritable(path);
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            // What can be refused is refused before everything is read.
            files.forEach(target -> session.guard(job).check(target, existing()));
            chosen.forEach(delivery -> early(() -> session.check(job, delivery, existing()), true));
            Reread mode = full ? Reread.EVERYTHING : Reread.CHANGED_ONLY;
            Outcome outcome = JobRun.look(machine, session, job, mode);
            if (!outcome.job().equals(job)) {
                JobFile.save(outcome.job(), path);
            }
            session.conclude(outcome);
            List<Map<String, String>> written = new ArrayList<>();
            boolean incomplete = false;
            boolean failed = false;
            String held = outcome.failed()
                    ? ": the master is incomplete"
                    : strict && outcome.needsALook() ? ": there are questions or warnings" : "";
            List<Delivery> all = new ArrayList<>(files.stream()
                    .map(target -> new Delivery("", target.toString()))
                    .toList());
            all.addAll(chosen);
            for (Delivery delivery : all) {
                String target = session.targetSaid(delivery);
                // A saved delivery runs unattended, so it never goes past an open question.
                List<Question> holding = delivery.name().isEmpty() ? List.of() : delivery.heldBy(outcome.questions());
                String why = held.isEmpty() && !holding.isEmpty() ? heldBy(delivery, holding) : held;
                if (!why.isEmpty()) {
                    written.add(entry(delivery.name(), target, "held", why));
                    continue;
                }
                try {
                    Done done = deliver(session, outcome, delivery, target);
                    incomplete |= done.incomplete();
                    written.add(done.entry());
                } catch (CuveeException refused) {
                    // One that cannot be written keeps no other back.
                    failed = true;
                    written.add(entry(
                            delivery.name(),
                            target,
                            "not written",
                            ": " + refused.finding().text()));
                }
            }
            JobRun.print(machine, outcome, json, written);
            return failed ? Exit.FAILED : incomplete && Exit.of(outcome) == Exit.DONE ? Exit.LOOK : Exit.of(outcome);
        }
    }

    private int tried(Path path, Job job, List<Delivery> chosen) {
        if (!targets.isEmpty()) {
            machine.err().println("--try writes nothing, so that --to has no place beside it. Nothing was read.");
            return Exit.USAGE;
        }
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path);
                JobSession trial = session.trial()) {
            Reread mode = full ? Reread.EVERYTHING : Reread.CHANGED_ONLY;
            Outcome outcome = JobRun.look(machine, trial, job, mode);
            List<Map<String, String>> would = new ArrayList<>();
            for (Delivery delivery : chosen) {
                would.add(entry(
                        delivery.name(),
                        trial.targetSaid(delivery),
                        "not written",
                        ": " + trial.look(outcome, delivery).replaceFirst("[.]$", "")));
            }
            JobRun.print(machine, outcome, json, would);
            if (!json) {
                machine.out().println("A trial: nothing was written, and nothing of it is kept.");
            }
            return Exit.of(outcome);
        }
    }

    private TargetGuard.Existing existing() {
        return replace ? TargetGuard.Existing.REPLACE : TargetGuard.Existing.KEEP;
    }

    private static String heldBy(Delivery delivery, List<Question> holding) {
        return ": settle " + (holding.size() == 1 ? "this question" : "these questions") + " first, or accept "
                + (holding.size() == 1 ? "it" : "them") + " by name with: cuvee accept FILE.cuvee \"" + delivery.name()
                + "\" " + holding.stream().map(Question::id).collect(Collectors.joining(" "));
    }

    private List<Delivery> chosen(Job job) {
        if (deliveries.contains("all")) {
            return job.deliveries();
        }
        return job.deliveries().stream()
                .filter(delivery -> deliveries.contains(delivery.name()))
                .toList();
    }

    /** Refuses what cannot be done before everything is read; what may pass by then is left for then. */
    private static void early(Runnable check, boolean mayPass) {
        try {
            check.run();
        } catch (CuveeException refused) {
            if (!mayPass || !MasterFiles.isForNow(refused)) {
                throw refused;
            }
        }
    }

    /**
     * What a delivery came to.
     *
     * @param incomplete true where somebody has to look at it
     */
    private record Done(Map<String, String> entry, boolean incomplete) {}

    /** Carries out a delivery; beside its target where that cannot be written for now, and that is asked for. */
    private Done deliver(JobSession session, Outcome outcome, Delivery delivery, String target) {
        try {
            Delivered delivered = session.deliver(outcome, delivery, existing());
            return new Done(entry(delivery.name(), target, "written", ", " + end(delivered)), delivered.incomplete());
        } catch (CuveeException refused) {
            Optional<Delivery> other =
                    beside && MasterFiles.isForNow(refused) ? session.beside(delivery) : Optional.empty();
            if (other.isEmpty()) {
                throw refused;
            }
            Delivered delivered = session.deliverBeside(outcome, delivery, other.get());
            String where = ", and written beside as " + session.targetSaid(other.get()) + ", " + end(delivered);
            return new Done(entry(delivery.name(), target, "not written", where), true);
        }
    }

    private static String end(Delivered delivered) {
        return delivered.said().replaceFirst("[.]$", "");
    }

    private static Map<String, String> entry(String name, String target, String state, String reason) {
        Map<String, String> entry = new LinkedHashMap<>();
        entry.put("name", name);
        entry.put("target", target);
        entry.put("state", state);
        entry.put("reason", reason);
        return entry;
    }
}
