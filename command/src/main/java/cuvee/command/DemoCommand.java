package cuvee.command;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "demo", description = "The demo: Farsound Ferries, a made-up ferry line with every difficulty.")
final class DemoCommand implements Callable<Integer> {
    private final Machine machine;

    @Option(names = "--headless", description = "Run the whole demo without a window and print its account.")
    private boolean headless;

    @Option(names = "--into", paramLabel = "DIR", description = "Where to put the demo's files; a temporary folder otherwise.")
    private String into = "";

    DemoCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        machine.out().println("demo " + headless + into);
        return Exit.DONE;
    }
}
