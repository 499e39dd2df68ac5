package cuvee.command;

import cuvee.demo.DemoRun;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "demo", description = "The demo: Farsound Ferries, a made-up ferry line with every difficulty.")
final class DemoCommand implements Callable<Integer> {
    private final Machine machine;

    @Option(names = "--headless", description = "Run the whole demo without a window and print its account.")
    private boolean headless;

    @Option(
            names = "--into",
            paramLabel = "DIR",
            description = "Where to put the demo's files; a temporary folder otherwise.")
    private String into = "";

    DemoCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() throws IOException {
        if (!headless) {
            machine.err()
                    .println("The demo's window is opened by: cuvee demo. Without a window: cuvee demo --headless");
            return Exit.USAGE;
        }
        Path folder = into.isEmpty() ? DemoRun.temporaryFolder() : machine.path(into);
        DemoRun run = new DemoRun(machine.workplace(), DemoRun.material(), DemoRun.truth(), machine.out());
        return run.run(folder) ? Exit.LOOK : Exit.FAILED;
    }
}
