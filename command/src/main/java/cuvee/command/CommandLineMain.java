package cuvee.command;

import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.finding.CuveeException;
import java.io.OutputStreamWriter;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command line's entry: parses, runs, and turns failures into messages and exit statuses. */
@Command(
        name = "cuvee",
        mixinStandardHelpOptions = true,
        version = "Cuvee 0.1",
        description = "Many workbooks, one master table.",
        synopsisSubcommandLabel = "COMMAND")
public final class CommandLineMain implements Runnable {
    private static final Logger LOG = LoggerFactory.getLogger(CommandLineMain.class);
    private final Machine machine;

    private CommandLineMain(Machine machine) {
        this.machine = machine;
    }

    @Override
    public void run() {
        CommandLine.usage(this, machine.out());
    }

    /** Runs a command line and answers its exit status. */
    public static int run(Machine machine, List<String> arguments) {
        CommandLine line = new CommandLine(new CommandLineMain(machine));
        line.addSubcommand(new PeekCommand(machine));
        line.addSubcommand(new DraftCommand(machine));
        line.addSubcommand(new ShowCommand(machine));
        line.addSubcommand(new AccountCommand(machine));
        line.addSubcommand(new SummaryCommand(machine));
        line.addSubcommand(new SenderCommand(machine));
        line.addSubcommand(new HistoryCommand(machine));
        line.addSubcommand(new DeliveryCommand(machine));
        line.addSubcommand(new SettleCommand(machine));
        line.addSubcommand(new DecideCommand(machine));
        line.addSubcommand(new ColumnCommand(machine));
        line.addSubcommand(new UndoCommand(machine));
        line.addSubcommand(new AcceptCommand(machine));
        line.addSubcommand(new RefreshCommand(machine));
        line.addSubcommand(new DemoCommand(machine));
        line.setOut(writer(machine.out()));
        line.setErr(writer(machine.err()));
        line.setExecutionExceptionHandler((failure, command, parsed) -> failed(machine, failure, arguments));
        try {
            return line.execute(arguments.toArray(String[]::new));
        } catch (OutOfMemoryError | StackOverflowError exhausted) {
            LOG.error("memory gave out", exhausted);
            machine.err()
                    .println(
                            "Cuvee's memory gave out. Nothing was delivered. The log in Cuvee's state folder says more;"
                                    + " fewer places in one job need less.");
            return Exit.FAILED;
        }
    }

    private static PrintWriter writer(PrintStream stream) {
        return new PrintWriter(new OutputStreamWriter(stream, StandardCharsets.UTF_8), true);
    }

    private static int failed(Machine machine, Exception failure, List<String> arguments) {
        if (failure instanceof CancellationException) {
            machine.err().println("Stopped. Nothing was changed.");
            return Exit.FAILED;
        }
        if (!(failure instanceof CuveeException known)) {
            LOG.error("unexpected failure", failure);
            machine.err()
                    .println("Something went wrong inside Cuvee: " + failure
                            + ". Nothing was delivered. The log in Cuvee's state folder says more.");
            return Exit.FAILED;
        }
        LOG.warn("failed: {}", known.finding().kind(), known);
        machine.err().println(known.getMessage());
        if (arguments.contains("--json")) {
            ObjectNode root = OutcomeJson.object();
            OutcomeJson.findings(root.putArray("findings"), List.of(known.finding()));
            machine.out().println(root);
        }
        return Exit.FAILED;
    }
}
