package cuvee.refresh;

import cuvee.collect.Fingerprint;
import cuvee.gather.Workplace;
import cuvee.job.JobFile;
import cuvee.place.Private;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Under which name a job's cache and history lie. It is the job's id, until the job is copied: a copy that lies elsewhere
 * has a cache and a history of its own from then on, while a job that was moved keeps its own. Each history says in a file
 * where its job lies.
 */
final class JobHome {
    private static final Logger LOG = LoggerFactory.getLogger(JobHome.class);
    private static final String HOME = "home.txt";

    private JobHome() {}

    /**
     * The name for a job.
     *
     * @param home its file, or its folder where it has no file yet
     */
    static String of(Workplace workplace, String id, Path home) {
        Path absolute = home.toAbsolutePath().normalize();
        Path plain = workplace.stateOf(id);
        try {
            Optional<Path> there = home(plain);
            if (there.isEmpty() || there.get().equals(absolute)) {
                return claim(workplace, id, absolute);
            }
            List<Path> copies = copies(workplace, id);
            for (Path copy : copies) {
                if (home(copy).filter(absolute::equals).isPresent()) {
                    return claim(workplace, String.valueOf(copy.getFileName()), absolute);
                }
            }
            if (!holdsJob(there.get(), id)) {
                return claim(workplace, id, absolute);
            }
            for (Path copy : copies) {
                if (home(copy).filter(where -> !holdsJob(where, id)).isPresent()) {
                    return claim(workplace, String.valueOf(copy.getFileName()), absolute);
                }
            }
            String name = id + "-" + Fingerprint.ofText(absolute.toString()).substring(0, 8);
            copy(plain, workplace.stateOf(name));
            return claim(workplace, name, absolute);
        } catch (IOException failed) {
            LOG.warn("where the job lies cannot be kept", failed);
            return id;
        }
    }

    private static String claim(Workplace workplace, String name, Path home) throws IOException {
        Path state = workplace.stateOf(name);
        Private.folder(state);
        if (home(state).filter(home::equals).isEmpty()) {
            Files.writeString(state.resolve(HOME), home + "\n", StandardCharsets.UTF_8);
        }
        return name;
    }

    private static Optional<Path> home(Path state) throws IOException {
        Path file = state.resolve(HOME);
        return Files.exists(file)
                ? Optional.of(
                        Path.of(Files.readString(file, StandardCharsets.UTF_8).strip()))
                : Optional.empty();
    }

    /** Whether a job of this id still lies where a history says. */
    private static boolean holdsJob(Path home, String id) {
        if (Files.isDirectory(home)) {
            return true;
        }
        try {
            return Files.isRegularFile(home) && JobFile.open(home).id().equals(id);
        } catch (cuvee.finding.CuveeException none) {
            return false;
        }
    }

    private static List<Path> copies(Workplace workplace, String id) throws IOException {
        try (Stream<Path> all = Files.list(workplace.state())) {
            return all.filter(each -> String.valueOf(each.getFileName()).matches(id + "-[0-9a-f]{8}"))
                    .filter(each -> Files.exists(each.resolve(HOME)))
                    .sorted()
                    .toList();
        }
    }

    private static void copy(Path from, Path to) throws IOException {
        Private.folder(to);
        try (Stream<Path> all = Files.walk(from)) {
            for (Path each : all.toList()) {
                Path target = to.resolve(from.relativize(each).toString());
                if (Files.isDirectory(each)) {
                    Files.createDirectories(target);
                } else {
                    Files.copy(each, target, StandardCopyOption.REPLACE_EXISTING);
                }
            }
        }
    }
}
