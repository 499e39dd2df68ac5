package cuvee.refresh;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.ProofChoice;
import cuvee.finding.CuveeException;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.master.KeptMaster;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.place.Private;
import cuvee.place.Where;
import cuvee.tell.Outcome;
import cuvee.value.Type;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The masters of the last refreshes as they were, with the decisions they were made by: to be looked at, delivered again,
 * gone back to. They lie in the job's state, each under the number that its refresh has in the {@link JobHistory}.
 */
public final class EarlierMasters {
    private static final Logger LOG = LoggerFactory.getLogger(EarlierMasters.class);
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String FOLDER = "masters";
    /** So many are kept where the analyst says nothing. */
    private static final int USUAL = 3;
    /** A longer master is kept only where the analyst says how many are: writing it takes its time. */
    private static final long LONGEST = 500_000;

    private final Path folder;

    EarlierMasters(Path stateFolder) {
        this.folder = stateFolder.resolve(FOLDER);
    }

    /**
     * A master that is kept.
     *
     * @param number that of its refresh in the history
     * @param bytes how much room it takes
     */
    public record Kept(int number, long bytes) {}

    /** Of how many refreshes a job keeps the master; empty where nobody has said. */
    public static Optional<Integer> wanted(Job job) {
        return job.decision(Kinds.KEPT_MASTERS, ProofChoice.KeptMasters.SUBJECT)
                .map(decision -> Choices.of(decision, job.columns()))
                .filter(ProofChoice.KeptMasters.class::isInstance)
                .map(choice -> ((ProofChoice.KeptMasters) choice).count());
    }

    /** How many are kept of a master of so many rows. */
    public static int count(Job job, long rows) {
        return wanted(job).orElse(rows <= LONGEST ? USUAL : 0);
    }

    /** All that are kept, the first first. */
    public List<Kept> all() {
        List<Kept> all = new ArrayList<>();
        if (!Files.isDirectory(folder)) {
            return all;
        }
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.toList()) {
                int number = number(file);
                if (number > 0 && file.equals(rowsOf(number))) {
                    all.add(new Kept(number, Files.size(file)));
                }
            }
        } catch (IOException unreadable) {
            LOG.warn("the masters of earlier refreshes cannot be listed", unreadable);
        }
        all.sort(Comparator.comparingInt(Kept::number));
        return all;
    }

    private static int number(Path file) {
        String name = String.valueOf(file.getFileName()).replaceFirst("[.].*", "");
        return name.matches("\\d{1,9}") ? Integer.parseInt(name) : 0;
    }

    private Path rowsOf(int number) {
        return folder.resolve(number + ".parquet");
    }

    private Path columnsOf(int number) {
        return folder.resolve(number + ".json");
    }

    private Path jobOf(int number) {
        return folder.resolve(number + ".cuvee");
    }

    /** Keeps the master of a refresh, and removes those that are no longer to be kept. */
    void keep(int number, Outcome outcome, MasterReader reader) {
        int count = count(outcome.job(), outcome.rows());
        try {
            if (count > 0) {
                Private.folder(folder);
                // The rows last: what has no rows is not there.
                JobFile.save(outcome.job(), jobOf(number));
                Files.writeString(columnsOf(number), columns(outcome.plan()), StandardCharsets.UTF_8);
                Path made = folder.resolve(number + ".making");
                reader.writeParquet(made);
                Files.move(made, rowsOf(number), StandardCopyOption.REPLACE_EXISTING);
            }
            keepOnly(count);
        } catch (IOException | CuveeException failed) {
            LOG.warn("the master of a refresh cannot be kept", failed);
        }
    }

    private void keepOnly(int count) throws IOException {
        if (!Files.isDirectory(folder)) {
            return;
        }
        List<Integer> kept = all().stream().map(Kept::number).toList();
        List<Integer> stay = kept.subList(Math.max(0, kept.size() - count), kept.size());
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.toList()) {
                if (!stay.contains(number(file))) {
                    Files.delete(file);
                }
            }
        }
    }

    private static String columns(MasterPlan plan) {
        ArrayNode all = JSON.createArrayNode();
        for (MasterPlan.Column column : plan.columns()) {
            all.addObject()
                    .put("name", column.name())
                    .put("type", column.type().word())
                    .put("whole", column.wholeDigits())
                    .put("decimals", column.decimals())
                    .put("part", column.part().name())
                    .put("currency", column.currency());
        }
        plan.tags()
                .forEach(tag -> all.addObject()
                        .put("name", tag.name())
                        .put("type", Type.TEXT.word())
                        .put("part", MasterPlan.Column.Part.VALUE.name()));
        ObjectNode root = JSON.createObjectNode();
        root.set("columns", all);
        return root.toString();
    }

    /** Opens one; whoever opens it closes it. */
    public KeptMaster open(int number) {
        try {
            List<MasterPlan.Column> columns = new ArrayList<>();
            JsonNode root = JSON.readTree(Files.readString(columnsOf(number), StandardCharsets.UTF_8));
            for (JsonNode node : root.path("columns")) {
                columns.add(new MasterPlan.Column(
                        node.path("name").asText(),
                        Type.ofWord(node.path("type").asText()).orElse(Type.TEXT),
                        node.path("whole").asInt(),
                        node.path("decimals").asInt(),
                        java.util.Map.of(),
                        MasterPlan.Column.Part.valueOf(node.path("part").asText("VALUE")),
                        node.path("currency").asText("")));
            }
            return KeptMaster.open(rowsOf(number), columns);
        } catch (IOException | IllegalArgumentException gone) {
            throw notKept(number, gone);
        }
    }

    /** The job by whose decisions a master was made. */
    public Job job(int number) {
        if (!Files.exists(jobOf(number))) {
            throw notKept(number, null);
        }
        return JobFile.open(jobOf(number));
    }

    private CuveeException notKept(int number, @org.jspecify.annotations.Nullable Exception why) {
        LOG.debug("an earlier master is not there", why);
        List<String> kept =
                all().stream().map(each -> String.valueOf(each.number())).toList();
        return CuveeException.failure(
                "master-not-kept",
                Where.JOB,
                "The master of refresh " + number + " is not kept.",
                "Nothing was done.",
                kept.isEmpty() ? "None is kept yet." : "Those of " + String.join(", ", kept) + " are.");
    }
}
