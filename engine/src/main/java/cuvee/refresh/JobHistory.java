package cuvee.refresh;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.check.SourceChange;
import cuvee.check.SourceFigures;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What has been done with a job: each refresh that changed something and each delivery, one line of JSON in the job's state.
 * Of the last refreshes the figures of every source are kept too, so that any two of them can be compared.
 */
public final class JobHistory {
    private static final Logger LOG = LoggerFactory.getLogger(JobHistory.class);
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String LIST = "done.jsonl";
    private static final String FIGURES = "figures";
    /** Of so many refreshes the figures are kept. */
    private static final int KEPT = 50;

    private final Path folder;

    JobHistory(Path stateFolder) {
        this.folder = stateFolder;
    }

    /** What was done. */
    public enum What {
        REFRESHED("refreshed"),
        WRITTEN("written");

        private final String word;

        What(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /**
     * One thing that was done.
     *
     * @param number its place in the list, from 1
     * @param about what it was done to: a delivery's target, or nothing for a refresh
     * @param said what came of it
     * @param rows how many rows the master had
     */
    public record Entry(int number, Instant when, What what, String about, String said, long rows, long millis) {}

    /** All that was done, the first first. */
    public List<Entry> entries() {
        Path list = folder.resolve(LIST);
        List<Entry> entries = new ArrayList<>();
        if (!Files.exists(list)) {
            return entries;
        }
        try {
            for (String line : Files.readAllLines(list, StandardCharsets.UTF_8)) {
                parse(line, entries.size() + 1).ifPresent(entries::add);
            }
        } catch (IOException unreadable) {
            LOG.warn("what has been done cannot be read", unreadable);
        }
        return entries;
    }

    private static Optional<Entry> parse(String line, int number) {
        try {
            JsonNode node = JSON.readTree(line);
            return node == null || !node.has("when")
                    ? Optional.empty()
                    : Optional.of(new Entry(
                            number,
                            Instant.parse(node.path("when").asText()),
                            What.valueOf(node.path("what").asText()),
                            node.path("about").asText(""),
                            node.path("said").asText(""),
                            node.path("rows").asLong(),
                            node.path("millis").asLong()));
        } catch (JsonProcessingException | IllegalArgumentException | DateTimeException torn) {
            return Optional.empty();
        }
    }

    /** Adds a refresh, with the figures of its sources; answers its number. */
    int refreshed(Outcome outcome, Map<String, SourceFigures> figures, Map<String, String> held, Instant when) {
        long millis =
                outcome.millis().values().stream().mapToLong(Long::longValue).sum();
        int number = entries().size() + 1;
        add(new Entry(number, when, What.REFRESHED, "", outcome.changed().sentence(), outcome.rows(), millis));
        keep(number, figures, held);
        return number;
    }

    /** Adds a delivery. */
    void delivered(String target, String said, long rows, Instant when, long millis) {
        add(new Entry(0, when, What.WRITTEN, target, said, rows, millis));
    }

    private void add(Entry entry) {
        ObjectNode node = JSON.createObjectNode()
                .put("when", entry.when().toString())
                .put("what", entry.what().name())
                .put("about", entry.about())
                .put("said", entry.said())
                .put("rows", entry.rows())
                .put("millis", entry.millis());
        try {
            Files.createDirectories(folder);
            Files.writeString(
                    folder.resolve(LIST),
                    node + "\n",
                    StandardCharsets.UTF_8,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
        } catch (IOException failed) {
            LOG.warn("what has been done cannot be kept", failed);
        }
    }

    private Path figuresOf(int number) {
        return folder.resolve(FIGURES).resolve(number + ".json");
    }

    private void keep(int number, Map<String, SourceFigures> figures, Map<String, String> held) {
        ObjectNode node = JSON.createObjectNode();
        held.forEach(node.putObject("held")::put);
        FiguresJson.write(node.putObject("sources"), figures);
        try {
            Files.createDirectories(folder.resolve(FIGURES));
            Files.writeString(figuresOf(number), node.toString(), StandardCharsets.UTF_8);
            try (Stream<Path> all = Files.list(folder.resolve(FIGURES))) {
                List<Path> old = all.sorted(Comparator.comparingInt((Path file) -> -number(file)))
                        .skip(KEPT)
                        .toList();
                for (Path file : old) {
                    Files.delete(file);
                }
            }
        } catch (IOException failed) {
            LOG.warn("the figures of a refresh cannot be kept", failed);
        }
    }

    private static int number(Path file) {
        String name = String.valueOf(file.getFileName()).replace(".json", "");
        return name.matches("\\d{1,9}") ? Integer.parseInt(name) : 0;
    }

    /** What of a refresh is needed to compare it. */
    private record Figures(Map<String, SourceFigures> sources, Map<String, String> held) {}

    private Optional<Figures> figures(int number) {
        if (!Files.exists(figuresOf(number))) {
            return Optional.empty();
        }
        try {
            JsonNode node = JSON.readTree(Files.readString(figuresOf(number), StandardCharsets.UTF_8));
            Map<String, String> held = new LinkedHashMap<>();
            node.path("held")
                    .properties()
                    .forEach(each -> held.put(each.getKey(), each.getValue().asText()));
            return Optional.of(new Figures(FiguresJson.read(node.path("sources")), held));
        } catch (IOException | NumberFormatException torn) {
            LOG.warn("the figures of a refresh cannot be read", torn);
            return Optional.empty();
        }
    }

    /** How the sources of one refresh stand against those of another, by their numbers; empty where figures are not kept. */
    public Optional<List<SourceChange>> between(int earlier, int later) {
        return figures(earlier)
                .flatMap(then -> figures(later)
                        .map(now -> SourceChange.between(
                                then.sources(), then.held(), now.sources(), now.held(), Set.of())));
    }
}
