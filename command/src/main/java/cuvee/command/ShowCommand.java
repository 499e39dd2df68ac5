package cuvee.command;

import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.refresh.JobSession;
import cuvee.tell.JobPage;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "show",
        description = "Sources, layouts, line-up, types, questions and tally of a job; changes nothing.")
final class ShowCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(paramLabel = "FILE.cuvee")
    private String file = "";

    @Option(names = "--json", description = "Print one JSON object.")
    private boolean json;

    @Option(names = "--page", description = "Print the whole job as a page of sentences.")
    private boolean page;

    @Option(names = "--decisions", description = "Print every decision with its id, and whose it is.")
    private boolean decisions;

    ShowCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            Outcome outcome = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            if (decisions && !json) {
                OutcomeText.decisions(outcome, machine.out());
            } else if (page) {
                machine.out().print(JobPage.of(outcome).text());
            } else {
                JobRun.print(machine, outcome, json, List.of());
            }
            return Exit.of(outcome);
        }
    }
}
