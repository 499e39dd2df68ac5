package cuvee.command;

import cuvee.gather.Workplace;
import java.io.PrintStream;
import java.nio.file.Path;

/**
 * Where a command runs.
 *
 * @param out for the answer
 * @param err for people: progress, findings
 * @param folder the folder that relative paths start from
 */
public record Machine(PrintStream out, PrintStream err, Path folder, Workplace workplace) {
    Path path(String given) {
        return folder.resolve(given).toAbsolutePath().normalize();
    }
}
