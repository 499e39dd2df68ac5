package cuvee.refresh;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.LinkedHashSet;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The files that a job has written, so that a master delivered into its own folder is never read as a source. */
final class OwnFiles {
    private static final Logger LOG = LoggerFactory.getLogger(OwnFiles.class);
    private static final String LIST = "written.txt";

    private OwnFiles() {}

    static Set<Path> read(Path stateFolder) {
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

    static void add(Path stateFolder, Path file) {
        Path absolute = file.toAbsolutePath().normalize();
        if (read(stateFolder).contains(absolute)) {
            return;
        }
        try {
            Files.createDirectories(stateFolder);
            Files.writeString(
                    stateFolder.resolve(LIST),
                    absolute + "\n",
                    StandardCharsets.UTF_8,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
        } catch (IOException failed) {
            LOG.warn(
                    "the list of written files cannot be written: {}",
                    failed.getClass().getSimpleName());
        }
    }
}
