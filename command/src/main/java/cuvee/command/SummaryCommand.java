package cuvee.command;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import cuvee.finding.CuveeException;
import cuvee.gather.Reread;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.refresh.JobSession;
import cuvee.refresh.Summaries;
import cuvee.rework.Known;
import cuvee.summary.NamedTable;
import cuvee.summary.SummaryTable;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code cuvee summary}: sums up a job's master, as words say or as the job keeps it. */
@Command(
        name = "summary",
        description = "Sums up a job's master: \"total Fare: a line for each Port, a column for each month of Sailing"
                + " date, only where Cancelled is no\". Without words those that the job keeps.",
        mixinStandardHelpOptions = true)
final class SummaryCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", arity = "0..1", paramLabel = "WORDS")
    private String words = "";

    @Option(names = "--save", paramLabel = "NAME", description = "Keep it in the job under this name.")
    private String save = "";

    @Option(names = "--json", description = "Print one JSON object.")
    private boolean json;

    SummaryCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        if (!save.isEmpty() && words.isBlank()) {
            throw CuveeException.failure(
                    "no-words",
                    Where.JOB,
                    "There are no words to keep under " + Says.quoted(save) + ".",
                    "Nothing was done.",
                    "Give the words of the summary behind the job.");
        }
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            Outcome outcome = JobRun.look(machine, session, job, Reread.CHANGED_ONLY);
            List<NamedTable> tables = new ArrayList<>();
            for (Summaries.Named named : wanted(outcome.job())) {
                SummaryWords.Read read = SummaryWords.read(named.words(), Known.of(outcome.plan()));
                tables.add(new NamedTable(
                        named.name(),
                        session.summary(
                                outcome,
                                read.summary().orElseThrow(() -> notUnderstood(named.words(), read.problem())))));
            }
            if (!save.isEmpty()) {
                JobFile.save(job.withSettled(new Summaries.Named(save, words.strip()).decision()), path);
            }
            if (json) {
                machine.out().println(json(tables));
            } else {
                tables.forEach(table -> print(table, machine.out()));
            }
            return Exit.of(outcome);
        }
    }

    private List<Summaries.Named> wanted(Job job) {
        if (!words.isBlank()) {
            return List.of(new Summaries.Named(save, words));
        }
        List<Summaries.Named> kept = Summaries.of(job);
        if (kept.isEmpty()) {
            throw CuveeException.failure(
                    "no-summary",
                    Where.JOB,
                    "The job keeps no summary.",
                    "Nothing was summed up.",
                    "Give its words behind the job: \"total Fare: a line for each Port\".");
        }
        return kept;
    }

    private static CuveeException notUnderstood(String words, String problem) {
        return CuveeException.failure(
                "summary-lost",
                Where.JOB,
                "The summary " + Says.quoted(words) + " cannot be made: " + problem + ".",
                "Nothing was summed up or kept.",
                "Change its words.");
    }

    private static ObjectNode json(List<NamedTable> tables) {
        ObjectNode root = new ObjectMapper().createObjectNode();
        ArrayNode all = root.putArray("summaries");
        for (NamedTable named : tables) {
            SummaryTable table = named.table();
            ObjectNode node = all.addObject()
                    .put("name", named.name())
                    .put("words", table.summary().said())
                    .put("rows", table.rows())
                    .put("otherRows", table.otherRows())
                    .put("rounded", table.rounded());
            table.keyTitles().forEach(node.putArray("keys")::add);
            ArrayNode columns = node.putArray("columns");
            table.columns().forEach(column -> columns.add(column.title()));
            ArrayNode lines = node.putArray("lines");
            for (SummaryTable.Line line : table.lines()) {
                ObjectNode each = lines.addObject().put("total", line.total());
                ArrayNode keys = each.putArray("keys");
                for (@Nullable String key : line.keys()) {
                    keys.add(key);
                }
                ArrayNode values = each.putArray("values");
                for (@Nullable String value : line.values()) {
                    values.add(value);
                }
                line.written().forEach(each.putArray("written")::add);
            }
        }
        return root;
    }

    /** Figures in columns, numbers under each other. */
    private static void print(NamedTable named, PrintStream out) {
        SummaryTable table = named.table();
        if (!named.name().isEmpty()) {
            out.println(named.name());
        }
        out.println(Says.capital(table.summary().said()) + ".");
        int keys = table.keyTitles().size();
        List<List<String>> rows = new ArrayList<>();
        List<String> head = new ArrayList<>(table.keyTitles());
        table.columns().forEach(column -> head.add(column.title()));
        rows.add(head);
        for (SummaryTable.Line line : table.lines()) {
            List<String> row = new ArrayList<>();
            for (int i = 0; i < keys; i++) {
                row.add(line.key(i));
            }
            row.addAll(line.written());
            rows.add(row);
        }
        int[] widths = new int[head.size()];
        rows.forEach(row -> {
            for (int i = 0; i < widths.length; i++) {
                widths[i] = Math.max(widths[i], row.get(i).length());
            }
        });
        for (List<String> row : rows) {
            StringBuilder line = new StringBuilder();
            for (int i = 0; i < widths.length; i++) {
                String gap = " ".repeat(widths[i] - row.get(i).length());
                line.append(i == 0 ? "  " : "   ").append(i < keys ? row.get(i) + gap : gap + row.get(i));
            }
            out.println(line.toString().stripTrailing());
        }
        out.println("  " + Says.count(table.rows(), "row")
                + (table.otherRows() == 0 ? "" : "; " + Says.number(table.otherRows()) + " others are not in it")
                + (table.unmatched() ? "; rounded figures may not add up" : "") + ".");
    }
}
