package cuvee.command;

import cuvee.gather.Workplace;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;

/** Starts the command line on this machine; loads no toolkit. */
public final class Main {
    private Main() {}

    /** The machine as the process finds it. */
    public static Machine machine() {
        Workplace workplace = Workplace.of(
                System.getenv(),
                Path.of(System.getProperty("user.home")),
                Clock.system(ZoneId.systemDefault()),
                Runtime.getRuntime().availableProcessors());
        PrintStream out = new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
        PrintStream err = new PrintStream(new FileOutputStream(FileDescriptor.err), true, StandardCharsets.UTF_8);
        return new Machine(out, err, Path.of("").toAbsolutePath(), workplace);
    }

    public static void main(String[] arguments) {
        Machine machine = machine();
        LogFile.use(machine.workplace().state());
        int status = CommandLineMain.run(machine, List.of(arguments));
        machine.out().flush();
        machine.err().flush();
        if (Boolean.getBoolean("cuvee.ends.gently")) {
            System.exit(status);
        }
        // Nothing is left to do: waiting for libraries to say goodbye would only cost time.
        Runtime.getRuntime().halt(status);
    }
}
