package cuvee.deliver;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.collect.Fingerprint;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The user's register of the files that Cuvee has written, whatever the job: one line of JSON a file, with its size and
 * fingerprint. A file is entered before it is moved to its place, so that a stop between the two leaves none unknown.
 */
public final class WrittenFiles {
    private static final Logger LOG = LoggerFactory.getLogger(WrittenFiles.class);
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String LIST = "written.jsonl";
    /** Beyond so many lines only the last about each file is kept. */
    private static final int MANY_LINES = 2000;

    private final Path list;

    /** The register in the user's state folder, which need not be there yet. */
    public WrittenFiles(Path state) {
        this.list = state.resolve(LIST);
    }

    /**
     * A file that was written.
     *
     * @param modified when it was written, in milliseconds since 1970, as the system says it
     * @param sum the SHA-256 of its content
     * @param job the id of the job whose master it holds
     * @param series what the file is one of, where a delivery writes several; empty for others
     */
    public record Entry(Path file, long size, long modified, String sum, String job, String when, String series) {}

    /** How a file that is there stands to the register. */
    public enum Standing {
        /** Its content is what Cuvee wrote there last. */
        AS_WRITTEN,
        /** Cuvee wrote there, and something else has changed the file since. */
        CHANGED_SINCE,
        /** Cuvee never wrote there. */
        NOT_OURS
    }

    /**
     * Enters a file that is about to be moved to its target.
     *
     * @param series what the file is one of, where a delivery writes several; empty for others
     * @throws IOException where the register cannot be written; the file must then not be moved
     */
    public synchronized void enter(Path content, Path target, String job, Instant when, String series)
            throws IOException {
        Files.createDirectories(parent());
        Entry entry = new Entry(
                real(target),
                Files.size(content),
                Files.getLastModifiedTime(content).toMillis(),
                Fingerprint.of(content),
                job,
                when.toString(),
                series);
        List<Entry> all = read();
        if (all.size() >= MANY_LINES) {
            Map<Path, Entry> last = new LinkedHashMap<>();
            all.forEach(each -> last.put(each.file(), each));
            StringBuilder text = new StringBuilder();
            last.values().forEach(each -> text.append(line(each)));
            Path beside = list.resolveSibling(LIST + ".saving");
            Files.writeString(beside, text, StandardCharsets.UTF_8);
            Files.move(beside, list, StandardCopyOption.REPLACE_EXISTING);
        }
        Files.writeString(
                list, line(entry), StandardCharsets.UTF_8, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    }

    private Path parent() {
        Path parent = list.getParent();
        return parent == null ? Path.of(".") : parent;
    }

    private static String line(Entry entry) {
        ObjectNode node = JSON.createObjectNode()
                .put("file", entry.file().toString())
                .put("size", entry.size())
                .put("modified", entry.modified())
                .put("sum", entry.sum())
                .put("job", entry.job())
                .put("when", entry.when());
        if (!entry.series().isEmpty()) {
            node.put("series", entry.series());
        }
        return node + "\n";
    }

    /** How a file that is there stands to the register. */
    public Standing standing(Path file) {
        Path real = real(file);
        Optional<Entry> last =
                read().stream().filter(entry -> entry.file().equals(real)).reduce((before, after) -> after);
        if (last.isEmpty()) {
            return Standing.NOT_OURS;
        }
        return holds(file, last.get()) ? Standing.AS_WRITTEN : Standing.CHANGED_SINCE;
    }

    /** The files of a job that are as it wrote them last, as far as size and time tell. */
    public Set<Path> stillAsWritten(String job) {
        return stillAsWritten(entry -> entry.job().equals(job));
    }

    /** The same of those that are one of a series. */
    public Set<Path> stillAsWritten(String job, String series) {
        return stillAsWritten(entry -> entry.job().equals(job) && entry.series().equals(series));
    }

    private Set<Path> stillAsWritten(Predicate<Entry> wanted) {
        Map<Path, Entry> last = new LinkedHashMap<>();
        read().forEach(entry -> last.put(entry.file(), entry));
        Set<Path> files = new LinkedHashSet<>();
        last.values().stream().filter(wanted).forEach(entry -> {
            try {
                Path file = entry.file();
                if (Files.size(file) == entry.size()
                        && Files.getLastModifiedTime(file).toMillis() == entry.modified()) {
                    files.add(file);
                }
            } catch (IOException gone) {
                LOG.debug("a file that was written is gone");
            }
        });
        return files;
    }

    /** The entry of a file with the same content, wherever it was written; empty where there is none. */
    public Optional<Entry> sameContent(Path file) {
        return sameContent(read(), file);
    }

    /** The same against entries that were read before. */
    public static Optional<Entry> sameContent(List<Entry> entries, Path file) {
        try {
            long size = Files.size(file);
            List<Entry> alike =
                    entries.stream().filter(entry -> entry.size() == size).toList();
            if (alike.isEmpty()) {
                return Optional.empty();
            }
            String sum = Fingerprint.of(file);
            return alike.stream().filter(entry -> entry.sum().equals(sum)).findFirst();
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }

    private static boolean holds(Path file, Entry entry) {
        try {
            return Files.size(file) == entry.size() && Fingerprint.of(file).equals(entry.sum());
        } catch (IOException unreadable) {
            return false;
        }
    }

    /** All entries, the oldest first; a line that cannot be read is left out. */
    public synchronized List<Entry> read() {
        List<Entry> entries = new ArrayList<>();
        if (!Files.exists(list)) {
            return entries;
        }
        try {
            for (String line : Files.readAllLines(list, StandardCharsets.UTF_8)) {
                parse(line).ifPresent(entries::add);
            }
        } catch (IOException unreadable) {
            LOG.warn("the register of written files cannot be read", unreadable);
        }
        return entries;
    }

    private static Optional<Entry> parse(String line) {
        try {
            JsonNode node = JSON.readTree(line);
            String file = node.path("file").asText("");
            return file.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Entry(
                            Path.of(file),
                            node.path("size").asLong(-1),
                            node.path("modified").asLong(-1),
                            node.path("sum").asText(""),
                            node.path("job").asText(""),
                            node.path("when").asText(""),
                            node.path("series").asText("")));
        } catch (JsonProcessingException | java.nio.file.InvalidPathException torn) {
            return Optional.empty();
        }
    }

    /** The path with links followed as far as it exists. */
    static Path real(Path path) {
        Path absolute = path.toAbsolutePath().normalize();
        try {
            return absolute.toRealPath();
        } catch (IOException notThere) {
            Path folder = absolute.getParent();
            Path name = absolute.getFileName();
            return folder == null || name == null ? absolute : real(folder).resolve(name);
        }
    }
}
