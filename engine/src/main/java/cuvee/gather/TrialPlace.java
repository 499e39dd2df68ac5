package cuvee.gather;

import cuvee.master.Store;
import cuvee.place.Private;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Where a refresh is tried: a copy of all that is kept of a job, in its cache, so that nothing of the trial is left when it
 * is thrown away.
 */
public final class TrialPlace {
    private static final Logger LOG = LoggerFactory.getLogger(TrialPlace.class);
    private static final String FOLDER = "trial";

    private TrialPlace() {}

    private static Path folder(Path cache) {
        return cache.resolve(FOLDER);
    }

    /** Copies a job's cache and state. */
    public static Workplace of(Workplace workplace, Store store, String cacheName, Path state, String jobId)
            throws IOException {
        Path folder = folder(workplace.cacheOf(cacheName));
        remove(workplace.cacheOf(cacheName));
        Private.folder(folder);
        Workplace trial = new Workplace(
                folder.resolve("cache"),
                folder.resolve("state"),
                workplace.clock(),
                workplace.readers(),
                workplace.means());
        Files.createDirectories(trial.cache());
        // What lies in folders there are earlier masters and rows that the store has too: a trial has no use for them.
        copyFiles(workplace.state(), trial.state());
        copyFiles(state, trial.stateOf(jobId));
        store.copyTo(trial.cacheOf(jobId));
        return trial;
    }

    private static void copyFiles(Path from, Path to) throws IOException {
        Files.createDirectories(to);
        if (Files.isDirectory(from)) {
            try (Stream<Path> files = Files.list(from)) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    Files.copy(file, to.resolve(file.getFileName()));
                }
            }
        }
    }

    /** Removes what is left of a trial. */
    public static void remove(Path cache) {
        Path folder = folder(cache);
        if (!Files.isDirectory(folder)) {
            return;
        }
        try (Stream<Path> inside = Files.walk(folder)) {
            for (Path each : inside.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(each);
            }
        } catch (IOException left) {
            LOG.warn("what is left of a trial cannot be removed", left);
        }
    }
}
