package cuvee.command;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code cuvee sender}: a page for whoever sent a file, or a blank workbook for all who send. */
@Command(
        name = "sender",
        description =
                "A page for whoever sent a source, or the sources of a folder: what was wrong there and what is asked"
                        + " of them; with --blank a workbook to fill in. Changes nothing in the job.",
        mixinStandardHelpOptions = true)
final class SenderCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", arity = "0..1", paramLabel = "SOURCE", description = "A source's path, or a folder's.")
    private String source = "";

    @Option(names = "--to", paramLabel = "FILE.html", description = "Write the page here; else it is printed.")
    private String to = "";

    @Option(
            names = "--blank",
            paramLabel = "FILE.xlsx",
            description = "Write a workbook with the master's headers, types, lists and an example row.")
    private String blank = "";

    @Option(
            names = "--replace",
            description = "Write also over a file that is there already and that Cuvee did not write.")
    private boolean replace;

    SenderCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        if (source.isEmpty() == blank.isEmpty()) {
            machine.err().println("Name a source, or a file for --blank. Nothing was done.");
            return Exit.USAGE;
        }
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        Existing existing = replace ? Existing.REPLACE : Existing.KEEP;
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            Outcome outcome = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            if (!blank.isEmpty()) {
                session.writeBlank(outcome, machine.path(blank), existing);
                machine.out().println(machine.path(blank) + ": written.");
            } else if (to.isEmpty()) {
                machine.out().print(session.senderPage(outcome, source).text());
            } else {
                session.writeSenderPage(outcome, source, machine.path(to), existing);
                machine.out().println(machine.path(to) + ": written.");
            }
            return Exit.of(outcome);
        }
    }
}
