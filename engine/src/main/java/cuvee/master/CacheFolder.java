package cuvee.master;

import cuvee.place.Private;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;

/** The folder of a job's cache. It bears a mark, and nothing is ever removed in a folder that does not. */
public final class CacheFolder {
    private static final String MARK = "cuvee-cache.txt";
    private static final String WORDS =
            "The cache of a job of Cuvee. It may be deleted at any time at no loss but time.\n";

    private CacheFolder() {}

    /**
     * Makes the folder, or takes one that is a cache already.
     *
     * @throws IOException where it cannot be made, or holds something else
     */
    static void claim(Path folder) throws IOException {
        if (Files.exists(folder) && !isCache(folder) && !isEmpty(folder)) {
            throw new FileSystemException(
                    folder.toString(), null, "there is a folder of that name that is not a cache of Cuvee");
        }
        Private.folder(folder);
        if (!Files.exists(folder.resolve(MARK))) {
            Files.writeString(folder.resolve(MARK), WORDS, StandardCharsets.UTF_8);
        }
    }

    /** True for a folder that bears the mark, or that a former version made. */
    private static boolean isCache(Path folder) {
        return Files.exists(folder.resolve(MARK)) || Files.exists(folder.resolve("store.duckdb"));
    }

    private static boolean isEmpty(Path folder) throws IOException {
        try (Stream<Path> inside = Files.list(folder)) {
            return inside.findAny().isEmpty();
        }
    }

    /** Removes a cache with all that is in it; a folder that does not bear the mark is left alone. */
    public static void remove(Path folder) throws IOException {
        if (Files.isDirectory(folder) && Files.exists(folder.resolve(MARK))) {
            try (Stream<Path> inside = Files.walk(folder)) {
                for (Path each : inside.sorted(Comparator.reverseOrder()).toList()) {
                    Files.deleteIfExists(each);
                }
            }
        }
    }
}
