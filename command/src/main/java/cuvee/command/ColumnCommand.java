package cuvee.command;

import cuvee.change.Columns;
import cuvee.job.Job;
import cuvee.propose.Proposal;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code cuvee column}: what is done with a column of the master as a whole. */
@Command(
        name = "column",
        description = "Name, unite, move or add a column of the master; what was decided about it goes with a new name."
                + " Tells what that changed.")
final class ColumnCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", paramLabel = "COLUMN")
    private String column = "";

    @ArgGroup(exclusive = true, multiplicity = "1")
    private Act act = new Act();

    /** What is done with it. */
    private static final class Act {
        @Option(names = "--name", paramLabel = "NAME", description = "Give it another name.")
        private @Nullable String name;

        @Option(names = "--unite", paramLabel = "OTHER", description = "Make it one with another column.")
        private @Nullable String unite;

        @Option(names = "--before", paramLabel = "OTHER", description = "Put it in front of another column.")
        private @Nullable String before;

        @Option(names = "--last", description = "Put it behind all others.")
        private boolean last;

        @Option(names = "--add", description = "Add it, a column that no source has so far.")
        private boolean add;
    }

    ColumnCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        return DecidedJob.decide(machine, file, "Done", outcome -> {
            Job job = outcome.job();
            Proposal proposal = outcome.proposal();
            if (act.name != null) {
                return Columns.rename(job, proposal, column, act.name);
            }
            if (act.unite != null) {
                return Columns.unite(job, proposal, column, act.unite);
            }
            if (act.add) {
                return Columns.add(job, proposal, column);
            }
            return Columns.place(job, proposal, column, act.last || act.before == null ? "" : act.before);
        });
    }
}
