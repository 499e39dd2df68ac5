package cuvee.refresh;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.change.JobMove;
import cuvee.check.SourceChange;
import cuvee.check.SourceFigures;
import cuvee.gather.SourceFacts;
import cuvee.job.Job;
import cuvee.job.Place;
import cuvee.layout.Origin;
import cuvee.master.MasterPlan;
import cuvee.propose.Proposal;
import cuvee.tell.Changed;
import cuvee.tell.SourceReport;
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
import java.util.TreeMap;
import java.util.TreeSet;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What the last refresh found, as kept in the job's history: one line of JSON for each refresh.
 *
 * @param files what each source of the master held, as {@code size#sum}; an older history has {@code size@time}
 * @param waited what each source held whose rows are kept though it is gone, or are missing until it comes back
 * @param homes the place of each source, where it is known
 * @param fed the columns that cells of some table fed; empty in an older history
 * @param figures what each source came to; those of the last refresh only are kept, and an older version kept none
 */
record LastRefresh(
        Map<String, String> files,
        Map<String, String> waited,
        Map<String, String> homes,
        List<String> columns,
        Set<String> fed,
        long rows,
        Optional<Map<String, SourceFigures>> figures) {
    private static final Logger LOG = LoggerFactory.getLogger(LastRefresh.class);
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String HISTORY = "history.jsonl";
    private static final String FIGURES = "figures.json";

    /** What a refresh found, to be kept. */
    static LastRefresh of(
            List<SourceReport> reports,
            Map<String, SourceFacts> known,
            MasterPlan plan,
            Proposal proposal,
            long rows,
            Map<String, SourceFigures> figures) {
        Map<String, String> files = new TreeMap<>();
        Map<String, String> waited = new TreeMap<>();
        Map<String, String> homes = new TreeMap<>();
        reports.stream()
                .filter(report -> report.state() != SourceReport.State.SET_ASIDE)
                .forEach(report -> {
                    SourceFacts facts = known.get(report.path());
                    boolean gone = report.state() == SourceReport.State.GONE;
                    (gone ? waited : files).put(report.path(), held(report.size(), facts == null ? "" : facts.sum()));
                    homes.put(report.path(), facts == null ? "" : facts.home());
                });
        return new LastRefresh(
                files,
                waited,
                homes,
                plan.columns().stream().map(MasterPlan.Column::name).toList(),
                fedBy(proposal.plan()),
                rows,
                Optional.of(figures));
    }

    /** What a source holds, as the history says it. */
    static String held(long size, String sum) {
        return size + "#" + sum;
    }

    /** The same, with sources that were there at an earlier refresh and whose rows are missing now. */
    LastRefresh waitingFor(List<String> missing, Optional<LastRefresh> earlier) {
        if (missing.isEmpty() || earlier.isEmpty()) {
            return this;
        }
        Map<String, String> newWaited = new TreeMap<>(waited);
        Map<String, String> newHomes = new TreeMap<>(homes);
        for (String path : missing) {
            newWaited.put(path, earlier.get().heldBy(path));
            newHomes.put(path, earlier.get().homes().getOrDefault(path, ""));
        }
        return new LastRefresh(files, newWaited, newHomes, columns, fed, rows, figures);
    }

    private String heldBy(String path) {
        return files.getOrDefault(path, waited.getOrDefault(path, ""));
    }

    /** The sources whose rows were in the master, or were waited for. */
    Set<String> sources() {
        Set<String> sources = new TreeSet<>(files.keySet());
        sources.addAll(waited.keySet());
        return sources;
    }

    /** The sum of what a source held; empty where the history does not say. */
    String sumOf(String path) {
        String held = heldBy(path);
        return held.contains("#") ? held.substring(held.indexOf('#') + 1) : "";
    }

    /** False for sources of a place that the job no longer has. */
    boolean homeIsIn(String path, Job job) {
        String home = homes.getOrDefault(path, "");
        return job.places().stream().map(Place::path).anyMatch(home::equals);
    }

    /** The same, said from another folder. */
    LastRefresh moved(JobMove move) {
        Map<String, String> newHomes = new LinkedHashMap<>();
        homes.forEach((path, home) -> newHomes.put(path, move.path(home)));
        return new LastRefresh(files, waited, newHomes, columns, fed, rows, figures);
    }

    static Optional<LastRefresh> read(Path stateFolder) {
        Path history = stateFolder.resolve(HISTORY);
        if (!Files.exists(history)) {
            return Optional.empty();
        }
        try {
            List<String> lines = Files.readAllLines(history, StandardCharsets.UTF_8);
            for (int i = lines.size() - 1; i >= 0; i--) {
                Optional<LastRefresh> parsed = lines.get(i).isBlank() ? Optional.empty() : parse(lines.get(i));
                if (parsed.isPresent()) {
                    return parsed.map(last -> last.withFigures(figures(stateFolder, last)));
                }
            }
        } catch (IOException unreadable) {
            LOG.warn("the history cannot be read", unreadable);
        }
        return Optional.empty();
    }

    private static Optional<LastRefresh> parse(String line) {
        try {
            JsonNode node = JSON.readTree(line);
            List<String> columns = new ArrayList<>();
            node.path("columns").forEach(column -> columns.add(column.asText()));
            Set<String> fed = new LinkedHashSet<>();
            node.path("fed").forEach(column -> fed.add(column.asText()));
            return Optional.of(new LastRefresh(
                    texts(node.path("files")),
                    texts(node.path("waited")),
                    texts(node.path("homes")),
                    columns,
                    fed,
                    node.path("rows").asLong(),
                    Optional.empty()));
        } catch (JsonProcessingException torn) {
            return Optional.empty();
        }
    }

    private LastRefresh withFigures(Optional<Map<String, SourceFigures>> kept) {
        return new LastRefresh(files, waited, homes, columns, fed, rows, kept);
    }

    /** The figures as they were kept, where they are those of this refresh. */
    private static Optional<Map<String, SourceFigures>> figures(Path stateFolder, LastRefresh last) {
        Path file = stateFolder.resolve(FIGURES);
        if (!Files.exists(file)) {
            return Optional.empty();
        }
        try {
            JsonNode node = JSON.readTree(Files.readString(file, StandardCharsets.UTF_8));
            Map<String, SourceFigures> figures = FiguresJson.read(node.path("sources"));
            boolean same = node.path("rows").asLong() == last.rows();
            return same ? Optional.of(figures) : Optional.empty();
        } catch (IOException | NumberFormatException torn) {
            LOG.warn("the figures of the last refresh cannot be read", torn);
            return Optional.empty();
        }
    }

    private void keepFigures(Path stateFolder) throws IOException {
        ObjectNode node = JSON.createObjectNode();
        node.put("rows", rows);
        FiguresJson.write(node.putObject("sources"), figures.orElse(Map.of()));
        Path part = stateFolder.resolve(FIGURES + ".part");
        Files.writeString(part, node.toString(), StandardCharsets.UTF_8);
        Files.move(part, stateFolder.resolve(FIGURES), StandardCopyOption.REPLACE_EXISTING);
    }

    private static Map<String, String> texts(JsonNode node) {
        Map<String, String> texts = new LinkedHashMap<>();
        node.properties().forEach(e -> texts.put(e.getKey(), e.getValue().asText()));
        return texts;
    }

    /** Adds this refresh to the history; where that fails the refresh still stands. */
    void append(Path stateFolder, Instant when) {
        ObjectNode node = JSON.createObjectNode();
        node.put("when", when.toString());
        node.put("rows", rows);
        columns.forEach(node.putArray("columns")::add);
        fed.forEach(node.putArray("fed")::add);
        ObjectNode list = node.putObject("files");
        files.forEach(list::put);
        ObjectNode gone = node.putObject("waited");
        waited.forEach(gone::put);
        ObjectNode places = node.putObject("homes");
        homes.forEach(places::put);
        try {
            Files.createDirectories(stateFolder);
            Files.writeString(
                    stateFolder.resolve(HISTORY),
                    node + "\n",
                    StandardCharsets.UTF_8,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
            keepFigures(stateFolder);
        } catch (IOException failed) {
            LOG.warn("the history cannot be written", failed);
        }
    }

    /**
     * The difference from an earlier refresh.
     *
     * @param unreadable the sources that cannot be read now
     */
    Changed since(Optional<LastRefresh> earlier, Set<String> unreadable) {
        if (earlier.isEmpty()) {
            Changed.Files all =
                    new Changed.Files(List.copyOf(files.keySet()), List.of(), List.of(), Map.of(), List.of());
            return new Changed(true, all, columns, List.of(), 0, rows, List.of());
        }
        LastRefresh before = earlier.get();
        return new Changed(
                false,
                filesSince(before, unreadable),
                columns.stream().filter(c -> !before.columns().contains(c)).toList(),
                before.columns().stream().filter(c -> !columns.contains(c)).toList(),
                before.rows(),
                rows,
                before.figures()
                        .flatMap(then ->
                                figures.map(now -> SourceChange.between(then, before.sums(), now, sums(), unreadable)))
                        .orElse(List.of()));
    }

    private Changed.Files filesSince(LastRefresh before, Set<String> unreadable) {
        Map<String, String> renamed = SourceChange.renamed(before.sums(), sums());
        List<String> added = new ArrayList<>();
        List<String> changed = new ArrayList<>();
        List<String> torn = new ArrayList<>();
        files.forEach((path, held) -> {
            String old = before.files().get(path);
            if (old != null && !old.equals(held) && !sizeOnly(old, held)) {
                (unreadable.contains(path) ? torn : changed).add(path);
            } else if (old == null && !renamed.containsKey(path)) {
                added.add(path);
            }
        });
        List<String> gone = before.files().keySet().stream()
                .filter(path -> !files.containsKey(path) && !renamed.containsValue(path))
                .toList();
        return new Changed.Files(added, changed, torn, renamed, gone);
    }

    /** What each source held, without its size. */
    Map<String, String> sums() {
        Map<String, String> sums = new LinkedHashMap<>();
        files.keySet().forEach(path -> sums.put(path, sumOf(path)));
        return sums;
    }

    /** True where an older history tells nothing but the size, and that is the same. */
    private static boolean sizeOnly(String old, String held) {
        int at = old.indexOf('@');
        return at >= 0 && held.startsWith(old.substring(0, at) + "#");
    }

    /** The columns that cells of some table feed. */
    static Set<String> fedBy(MasterPlan plan) {
        Set<String> fed = new LinkedHashSet<>();
        for (int at = 0; at < plan.columns().size(); at++) {
            int column = at;
            boolean any = plan.tables().stream()
                    .map(table -> table.feeds().get(column))
                    .anyMatch(feed -> feed != null && !(feed.origin() instanceof Origin.Told));
            if (any) {
                fed.add(plan.columns().get(at).name());
            }
        }
        return fed;
    }
}
