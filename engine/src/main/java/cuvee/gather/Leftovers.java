package cuvee.gather;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What a run that was stopped by force leaves behind, to be removed by the next one that has the job to itself. */
public final class Leftovers {
    private static final Logger LOG = LoggerFactory.getLogger(Leftovers.class);

    private Leftovers() {}

    /** Where workbooks lie while they are unlocked; only the user can read the folder. */
    public static Path unlocked(Path cache) {
        return cache.resolve("unlocked");
    }

    /** Removes unlocked workbooks, what was tried, and a job file that was being saved. */
    public static void remove(Path cache, Path home) {
        TrialPlace.remove(cache);
        try {
            if (Files.isDirectory(unlocked(cache))) {
                try (Stream<Path> left = Files.list(unlocked(cache))) {
                    for (Path each : left.toList()) {
                        Files.deleteIfExists(each);
                    }
                }
            }
            Path name = home.getFileName();
            if (name != null && !Files.isDirectory(home)) {
                Files.deleteIfExists(home.resolveSibling(name + ".saving"));
            }
        } catch (IOException left) {
            LOG.warn("leftovers cannot be removed", left);
        }
    }
}
