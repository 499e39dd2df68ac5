package cuvee.command;

import cuvee.deliver.MasterFiles;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.refresh.JobSession;
import cuvee.refresh.Outcome;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "refresh", description = "Look at the places again, bring the master up to date and write it.")
final class RefreshCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(paramLabel = "FILE.cuvee")
    private String file = "";

    @Option(names = "--to", paramLabel = "FILE", description = "Write the master here: .csv .xlsx .jsonl .parquet")
    private List<String> targets = List.of();

    @Option(names = "--deliver", paramLabel = "NAME|all", description = "Run a delivery of the job, or all.")
    private List<String> deliveries = List.of();

    @Option(names = "--full", description = "Read every source again, changed or not.")
    private boolean full;

    @Option(names = "--strict", description = "Deliver nothing while there are questions or warnings.")
    private boolean strict;

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
        files.forEach(MasterFiles::check);
        List<Delivery> chosen = chosen(job);
        if (chosen.size() < deliveries.size()) {
            machine.err()
                    .println("The job has no such delivery. Nothing was read. It has "
                            + Says.list(job.deliveries().stream()
                                    .map(Delivery::name)
                                    .toList()) + ".");
            return Exit.USAGE;
        }
        try (JobSession session = JobSession.open(machine.workplace(), job.id(), JobRun.folderOf(path))) {
            JobSession.Mode mode = full ? JobSession.Mode.EVERYTHING : JobSession.Mode.CHANGED_ONLY;
            Outcome outcome = JobRun.look(machine, session, job, mode);
            if (!outcome.job().equals(job)) {
                JobFile.save(outcome.job(), path);
            }
            session.conclude(outcome);
            List<Map<String, String>> written = new ArrayList<>();
            boolean held = strict && outcome.needsALook();
            for (Path target : files) {
                written.add(
                        held
                                ? entry("", target, "held", ": there are questions or warnings")
                                : write(session, outcome, "", target));
            }
            for (Delivery delivery : chosen) {
                Path target = session.targetOf(delivery);
                // A saved delivery runs unattended, so it never goes past an open question.
                boolean waits = held || !outcome.questions().isEmpty();
                written.add(
                        waits
                                ? entry(delivery.name(), target, "held", ": settle the open questions first")
                                : deliver(session, outcome, delivery, target));
            }
            JobRun.print(machine, outcome, json, written);
            return Exit.of(outcome);
        }
    }

    private static Map<String, String> deliver(JobSession session, Outcome outcome, Delivery delivery, Path target) {
        return entry(
                delivery.name(),
                target,
                "written",
                ", " + session.deliver(outcome, delivery).said().replaceFirst("[.]$", ""));
    }

    private List<Delivery> chosen(Job job) {
        if (deliveries.contains("all")) {
            return job.deliveries();
        }
        return job.deliveries().stream()
                .filter(delivery -> deliveries.contains(delivery.name()))
                .toList();
    }

    private static Map<String, String> write(JobSession session, Outcome outcome, String name, Path target) {
        long bytes = session.deliver(outcome, target);
        return entry(name, target, "written", ", " + Says.count(outcome.rows(), "row") + ", " + Says.size(bytes));
    }

    private static Map<String, String> entry(String name, Path target, String state, String reason) {
        Map<String, String> entry = new LinkedHashMap<>();
        entry.put("name", name);
        entry.put("target", target.toString());
        entry.put("state", state);
        entry.put("reason", reason);
        return entry;
    }
}
