package cuvee.command;

import cuvee.change.Deciding;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "undo", description = "Take one of your decisions back by its id; tells what that changed.")
final class UndoCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", paramLabel = "ID", description = "As show --decisions tells it.")
    private String id = "";

    UndoCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        return DecidedJob.decide(
                machine,
                file,
                "Taken back",
                outcome -> new Deciding(outcome, machine.workplace().signed()).undo(id));
    }
}
