package cuvee.gather;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The list of files that a job has written, as former versions kept it; the register of written files follows it. */
public final class OwnFiles {
    private static final Logger LOG = LoggerFactory.getLogger(OwnFiles.class);
    private static final String LIST = "written.txt";

    private OwnFiles() {}

    /** The files that were delivered on this machine, and are no sources. */
    public static Set<Path> read(Path stateFolder) {
        Set<Path> files = new LinkedHashSet<>();
        Path list = stateFolder.resolve(LIST);
        if (Files.exists(list)) {
            try {
                Files.readAllLines(list, StandardCharsets.UTF_8).stream()
                        .filter(line -> !line.isBlank())
                        .forEach(line -> files.add(Path.of(line)));
            } catch (IOException unreadable) {
                LOG.warn(
                        "the list of written files cannot be read: {}",
                        unreadable.getClass().getSimpleName());
            }
        }
        return files;
    }
}
