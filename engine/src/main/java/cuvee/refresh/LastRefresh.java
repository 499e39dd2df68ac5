package cuvee.refresh;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What the last refresh found, as kept in the job's history: one line of JSON for each refresh.
 *
 * @param files each source's size and time of change, as {@code size@time}
 */
record LastRefresh(Map<String, String> files, List<String> columns, long rows) {
    private static final Logger LOG = LoggerFactory.getLogger(LastRefresh.class);
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String HISTORY = "history.jsonl";

    static Optional<LastRefresh> read(Path stateFolder) {
        Path history = stateFolder.resolve(HISTORY);
        if (!Files.exists(history)) {
            return Optional.empty();
        }
        try {
            List<String> lines = Files.readAllLines(history, StandardCharsets.UTF_8);
            for (int i = lines.size() - 1; i >= 0; i--) {
                if (!lines.get(i).isBlank()) {
                    return parse(lines.get(i));
                }
            }
        } catch (IOException unreadable) {
            LOG.warn("the history cannot be read: {}", unreadable.getClass().getSimpleName());
        }
        return Optional.empty();
    }

    private static Optional<LastRefresh> parse(String line) {
        try {
            JsonNode node = JSON.readTree(line);
            Map<String, String> files = new LinkedHashMap<>();
            node.path("files")
                    .properties()
                    .forEach(e -> files.put(e.getKey(), e.getValue().asText()));
            List<String> columns = new ArrayList<>();
            node.path("columns").forEach(column -> columns.add(column.asText()));
            return Optional.of(new LastRefresh(files, columns, node.path("rows").asLong()));
        } catch (JsonProcessingException torn) {
            return Optional.empty();
        }
    }

    /** Adds this refresh to the history; where that fails the refresh still stands. */
    void append(Path stateFolder, Instant when) {
        ObjectNode node = JSON.createObjectNode();
        node.put("when", when.toString());
        node.put("rows", rows);
        columns.forEach(node.putArray("columns")::add);
        ObjectNode list = node.putObject("files");
        files.forEach(list::put);
        try {
            Files.createDirectories(stateFolder);
            Files.writeString(
                    stateFolder.resolve(HISTORY),
                    node + "\n",
                    StandardCharsets.UTF_8,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
        } catch (IOException failed) {
            LOG.warn("the history cannot be written: {}", failed.getClass().getSimpleName());
        }
    }

    /** The difference from an earlier refresh. */
    Changed since(Optional<LastRefresh> earlier) {
        if (earlier.isEmpty()) {
            return new Changed(true, List.copyOf(files.keySet()), List.of(), List.of(), columns, List.of(), 0, rows);
        }
        LastRefresh before = earlier.get();
        List<String> added = new ArrayList<>();
        List<String> changed = new ArrayList<>();
        files.forEach((path, stamp) -> {
            String old = before.files().get(path);
            if (old == null) {
                added.add(path);
            } else if (!old.equals(stamp)) {
                changed.add(path);
            }
        });
        List<String> gone = before.files().keySet().stream()
                .filter(path -> !files.containsKey(path))
                .toList();
        return new Changed(
                false,
                added,
                changed,
                gone,
                columns.stream().filter(c -> !before.columns().contains(c)).toList(),
                before.columns().stream().filter(c -> !columns.contains(c)).toList(),
                before.rows(),
                rows);
    }
}
