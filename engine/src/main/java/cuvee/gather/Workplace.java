package cuvee.gather;

import cuvee.master.Store;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;

/**
 * The machine as the engine sees it.
 *
 * @param cache where caches lie; it may be deleted at any time at no loss but time
 * @param state where histories lie
 * @param readers how many sources are read at once
 */
public record Workplace(Path cache, Path state, Clock clock, int readers, Store.Means means) {

    /** The folders that the environment names, else those usual for the user. */
    public static Workplace of(Map<String, String> environment, Path home, Clock clock, int processors) {
        Path cache = folder(environment, "CUVEE_CACHE", "XDG_CACHE_HOME", home.resolve(".cache"));
        Path state = folder(
                environment,
                "CUVEE_STATE",
                "XDG_STATE_HOME",
                home.resolve(".local").resolve("state"));
        int workers = Math.max(1, Math.min(processors, 8));
        return new Workplace(
                cache, state, clock, workers, new Store.Means(Store.Means.DEFAULT.memoryMegabytes(), workers));
    }

    private static Path folder(Map<String, String> environment, String own, String usual, Path otherwise) {
        String named = environment.getOrDefault(own, "");
        if (!named.isBlank()) {
            return Path.of(named);
        }
        String base = environment.getOrDefault(usual, "");
        return (base.isBlank() ? otherwise : Path.of(base)).resolve("cuvee");
    }

    /** Who says something today, as it is kept beside what was said. */
    public String signed() {
        return System.getProperty("user.name", "") + ", " + LocalDate.now(clock);
    }

    /** The folder that holds what was read for a job; it can be deleted at any time. */
    public Path cacheOf(String jobId) {
        return cache.resolve(jobId);
    }

    /** Where a job's history lies. */
    public Path stateOf(String jobId) {
        return state.resolve(jobId);
    }
}
