package cuvee.command;

import cuvee.finding.CuveeException;
import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.JobFile;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "draft", description = "Look at folders or files, decide, and write a job.")
final class DraftCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(arity = "1..*", paramLabel = "PLACE", description = "A folder, with its inner folders, or a file.")
    private List<String> places = List.of();

    @Option(names = "--out", required = true, paramLabel = "FILE.cuvee")
    private String out = "";

    @Option(names = "--replace", description = "Replace a job of that name.")
    private boolean replace;

    @Option(names = "--json", description = "Print one JSON object.")
    private boolean json;

    DraftCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path file = machine.path(out);
        if (Files.exists(file) && !replace) {
            machine.err()
                    .println("The job " + out
                            + " is there already. Nothing was changed. Add --replace to draft it anew.");
            return Exit.USAGE;
        }
        JobFile.checkWritable(file);
        Job job = JobDraft.of(file, places.stream().map(machine::path).toList());
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), file)) {
            Outcome outcome = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            Optional<Job> replaced = replaced(file);
            JobFile.save(outcome.job(), file);
            replaced.ifPresent(before -> JobSession.forget(machine.workplace(), before.id(), file));
            session.conclude(outcome);
            JobRun.print(machine, outcome, json, List.of());
            return Exit.of(outcome);
        }
    }

    /** The job that is replaced; empty where there is none, or it cannot be read. */
    private static Optional<Job> replaced(Path file) {
        try {
            return Files.exists(file) ? Optional.of(JobFile.open(file)) : Optional.empty();
        } catch (CuveeException unreadable) {
            return Optional.empty();
        }
    }
}
