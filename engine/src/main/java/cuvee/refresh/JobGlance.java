package cuvee.refresh;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.collect.Collector;
import cuvee.collect.Source;
import cuvee.deliver.WrittenFiles;
import cuvee.finding.CuveeException;
import cuvee.gather.ListedPlaces;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Private;
import cuvee.tell.Waiting;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A job at a glance: what its last refresh left, and what has come to its places since. Neither its cache nor any source is
 * opened for it; files are told apart by path, size and time.
 */
public final class JobGlance {
    private static final Logger LOG = LoggerFactory.getLogger(JobGlance.class);
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String FILE = "glance.json";

    private final Job job;
    private final Path jobFolder;
    private final Optional<Left> left;
    private final WrittenFiles written;

    /**
     * What the last refresh left.
     *
     * @param questions how many cards of questions were open
     * @param files every file that was listed, by its absolute path, those set aside too
     */
    public record Left(Instant when, long rows, long questions, Map<String, Waiting.Stamped> files) {
        public Left {
            files = Map.copyOf(files);
        }
    }

    private JobGlance(Job job, Path jobFolder, Optional<Left> left, WrittenFiles written) {
        this.written = written;
        this.job = job;
        this.jobFolder = jobFolder;
        this.left = left;
    }

    /**
     * Of a job file.
     *
     * @throws CuveeException where the file cannot be read
     */
    public static JobGlance of(Workplace workplace, Path file) {
        Path absolute = file.toAbsolutePath().normalize();
        Job job = JobFile.open(absolute);
        Path state = workplace.stateOf(JobHome.of(workplace, job.id(), absolute));
        return new JobGlance(
                job,
                Optional.ofNullable(absolute.getParent()).orElse(absolute),
                read(state.resolve(FILE)),
                new WrittenFiles(workplace.state()));
    }

    public Job job() {
        return job;
    }

    /** What the last refresh left; empty where there was none on this machine. */
    public Optional<Left> left() {
        return left;
    }

    /**
     * What has come, changed or gone since; nothing where there was no refresh yet.
     *
     * @throws CuveeException where a place cannot be looked at
     */
    public Waiting since() {
        if (left.isEmpty()) {
            return Waiting.NOTHING;
        }
        Map<String, Waiting.Stamped> before = new TreeMap<>(left.get().files());
        List<String> came = new ArrayList<>();
        List<String> changed = new ArrayList<>();
        Map<String, Waiting.Stamped> stamps = new TreeMap<>();
        Job looked = ListedPlaces.with(job, jobFolder, List.of(), new ArrayList<>());
        Set<Path> own = Set.copyOf(written.stillAsWritten(job.id()));
        for (Source source : new Collector(jobFolder, own).listed(looked.places())) {
            Waiting.Stamped now = new Waiting.Stamped(source.size(), source.modified());
            Waiting.Stamped then = before.remove(source.file().toString());
            if (source.taken() && !now.equals(then)) {
                (then == null ? came : changed).add(source.path());
                stamps.put(source.path(), now);
            }
        }
        return new Waiting(came, changed, List.copyOf(before.keySet()), stamps);
    }

    /** Keeps what a refresh left; where that fails the refresh still stands. */
    static void keep(Path state, Instant when, long rows, long questions, List<Source> listed) {
        ObjectNode node = JSON.createObjectNode();
        node.put("when", when.toString());
        node.put("rows", rows);
        node.put("questions", questions);
        ObjectNode files = node.putObject("files");
        listed.forEach(source ->
                files.putArray(source.file().toString()).add(source.size()).add(source.modified()));
        try {
            Private.folder(state);
            Path part = state.resolve(FILE + ".part");
            Files.writeString(part, node.toString(), StandardCharsets.UTF_8);
            Files.move(part, state.resolve(FILE), StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException failed) {
            LOG.warn("what a refresh left cannot be kept", failed);
        }
    }

    private static Optional<Left> read(Path file) {
        if (!Files.exists(file)) {
            return Optional.empty();
        }
        try {
            JsonNode node = JSON.readTree(Files.readString(file, StandardCharsets.UTF_8));
            Map<String, Waiting.Stamped> files = new TreeMap<>();
            node.path("files")
                    .properties()
                    .forEach(each -> files.put(
                            each.getKey(),
                            new Waiting.Stamped(
                                    each.getValue().path(0).asLong(),
                                    each.getValue().path(1).asLong())));
            return Optional.of(new Left(
                    Instant.parse(node.path("when").asText()),
                    node.path("rows").asLong(),
                    node.path("questions").asLong(),
                    files));
        } catch (IOException | DateTimeException torn) {
            LOG.warn("what the last refresh left cannot be read", torn);
            return Optional.empty();
        }
    }
}
