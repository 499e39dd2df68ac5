package cuvee.command;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.check.SourceChange;
import cuvee.deliver.MasterFiles;
import cuvee.deliver.TargetGuard;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.refresh.JobHistory;
import cuvee.refresh.JobSession;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code cuvee history}: what has been done with a job, and how two refreshes of it differ. */
@Command(
        name = "history",
        description =
                "Every refresh that changed something and every delivery of a job; with --compare how the sources of"
                        + " two refreshes differ; with --master an earlier master.",
        mixinStandardHelpOptions = true)
final class HistoryCommand implements Callable<Integer> {
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT);
    private final Machine machine;

    @Parameters(paramLabel = "FILE.cuvee")
    private String file = "";

    @Option(
            names = "--compare",
            arity = "2",
            paramLabel = "NUMBER",
            description = "Two refreshes by their numbers, the earlier first.")
    private List<Integer> compared = List.of();

    @Option(
            names = "--master",
            paramLabel = "NUMBER",
            description = "The master of a refresh as it was, to be written with --to, or gone back to with --back.")
    private int number;

    @Option(
            names = "--to",
            paramLabel = "FILE",
            description = "Write that master here: .csv .xlsx .jsonl .parquet .sqlite .sql")
    private String target = "";

    @Option(names = "--replace", description = "Write also over a file that Cuvee did not write.")
    private boolean replace;

    @Option(
            names = "--back",
            description = "Bring back the decisions by which that master was made; cuvee undo takes it back.")
    private boolean back;

    @Option(names = "--json", description = "Print one JSON object.")
    private boolean json;

    HistoryCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            JobHistory history = session.history();
            if (number > 0) {
                return earlier(session, job, path);
            }
            return compared.isEmpty() ? list(history, kept(session)) : compare(history);
        }
    }

    private static Map<Integer, Long> kept(JobSession session) {
        Map<Integer, Long> kept = new HashMap<>();
        session.earlier().all().forEach(each -> kept.put(each.number(), each.bytes()));
        return kept;
    }

    private int earlier(JobSession session, Job job, Path path) {
        if (back == !target.isEmpty()) {
            machine.err()
                    .println("Say what is to be done with the master of refresh " + number
                            + ": --to FILE writes it, --back brings back its decisions. Nothing was done.");
            return Exit.USAGE;
        }
        if (back) {
            Job then = session.earlier().job(number);
            JobFile.save(then.withPlaces(job.places()).withDeliveries(job.deliveries()), path);
            machine.out()
                    .println("The decisions are those of refresh " + number
                            + " again; places and deliveries are as they were. cuvee undo takes it back.");
            return Exit.DONE;
        }
        Path file = machine.path(target);
        MasterFiles.check(file);
        long bytes = session.deliverEarlier(
                job, number, file, replace ? TargetGuard.Existing.REPLACE : TargetGuard.Existing.KEEP);
        machine.out()
                .println("The master of refresh " + number + " was written to " + file + ", " + Says.size(bytes) + ".");
        return Exit.DONE;
    }

    private int list(JobHistory history, Map<Integer, Long> kept) {
        ObjectNode root = new ObjectMapper().createObjectNode();
        ArrayNode all = root.putArray("history");
        for (JobHistory.Entry entry : history.entries()) {
            if (json) {
                all.addObject()
                        .put("number", entry.number())
                        .put("when", entry.when().toString())
                        .put("what", entry.what().word())
                        .put("about", entry.about())
                        .put("said", entry.said())
                        .put("rows", entry.rows())
                        .put("ms", entry.millis())
                        .put("masterBytes", kept.getOrDefault(entry.number(), 0L));
            } else {
                machine.out()
                        .println(entry.number() + "  "
                                + WHEN.format(entry.when().atZone(ZoneId.systemDefault())) + "  "
                                + entry.what().word() + (entry.about().isEmpty() ? "" : " " + entry.about()) + ": "
                                + entry.said()
                                + (kept.containsKey(entry.number())
                                        ? " Its master is kept, " + Says.size(kept.getOrDefault(entry.number(), 0L))
                                                + "."
                                        : ""));
            }
        }
        if (json) {
            machine.out().println(root);
        } else if (history.entries().isEmpty()) {
            machine.out().println("Nothing has been done with this job yet.");
        }
        return Exit.DONE;
    }

    private int compare(JobHistory history) {
        Optional<List<SourceChange>> changes = history.between(compared.get(0), compared.get(1));
        if (changes.isEmpty()) {
            machine.err()
                    .println("The figures of " + compared.get(0) + " or " + compared.get(1)
                            + " are not kept: name two refreshes as cuvee history lists them. Nothing was done.");
            return Exit.USAGE;
        }
        if (json) {
            ObjectNode root = new ObjectMapper().createObjectNode();
            ArrayNode sources = root.putArray("sources");
            for (SourceChange change : changes.get()) {
                ObjectNode node = sources.addObject()
                        .put("path", change.path())
                        .put("state", change.kind().words())
                        .put("was", change.was())
                        .put("rowsBefore", change.rowsBefore())
                        .put("rowsNow", change.rowsNow());
                ObjectNode sums = node.putObject("sums");
                change.sums()
                        .forEach(sum -> sums.putObject(sum.column())
                                .put("before", sum.before().toPlainString())
                                .put("now", sum.now().toPlainString()));
            }
            machine.out().println(root);
            return Exit.DONE;
        }
        machine.out()
                .println(
                        changes.get().isEmpty()
                                ? "No source differs."
                                : Says.count(changes.get().size(), "source") + " differ:");
        changes.get().forEach(change -> machine.out().println("  " + change.path() + ": " + change.said()));
        return Exit.DONE;
    }
}
