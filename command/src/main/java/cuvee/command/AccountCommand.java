package cuvee.command;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.refresh.JobSession;
import cuvee.tell.Account;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code cuvee account}: the account of a master, to be handed over with it. */
@Command(
        name = "account",
        description = "The account of a job's master: sources, lines and sums that add up, rules, findings;"
                + " changes nothing in the job.",
        mixinStandardHelpOptions = true)
final class AccountCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(paramLabel = "FILE.cuvee")
    private String file = "";

    @Option(names = "--to", paramLabel = "FILE.html", description = "Write it here as a page; else it is printed.")
    private String to = "";

    @Option(
            names = "--replace",
            description = "Write also over a file that is there already and that Cuvee did not write.")
    private boolean replace;

    AccountCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        Existing existing = replace ? Existing.REPLACE : Existing.KEEP;
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            if (!to.isEmpty()) {
                session.guard(job).check(machine.path(to), existing);
            }
            Outcome outcome = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            if (to.isEmpty()) {
                machine.out().print(Account.of(outcome).text());
            } else {
                session.writeAccount(outcome, machine.path(to), existing);
                machine.out().println(machine.path(to) + ": written.");
            }
            return Exit.of(outcome);
        }
    }
}
