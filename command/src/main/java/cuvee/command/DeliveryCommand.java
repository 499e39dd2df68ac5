package cuvee.command;

import cuvee.deliver.MasterFiles;
import cuvee.deliver.PostgresTable;
import cuvee.deliver.TargetName;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.JobFile;
import cuvee.job.Names;
import cuvee.place.Says;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code cuvee delivery}: says what a delivery of a job writes and where, or what it would change. */
@Command(
        name = "delivery",
        description =
                "Keep in the job what a delivery writes and where, or tell what it would change; it is carried out"
                        + " by: cuvee refresh FILE.cuvee --deliver NAME.",
        mixinStandardHelpOptions = true)
final class DeliveryCommand implements Callable<Integer> {
    private final Machine machine;

    @Parameters(index = "0", paramLabel = "FILE.cuvee")
    private String file = "";

    @Parameters(index = "1", paramLabel = "NAME", description = "The delivery's name.")
    private String name = "";

    @Option(
            names = "--to",
            paramLabel = "TARGET",
            description = "A file (.csv .xlsx .jsonl .parquet .sqlite .sql), or postgresql://user@host:port/database.")
    private String target = "";

    @Option(names = "--tab", paramLabel = "TAB", description = "Only this tab of a workbook; all else of it stays.")
    private String tab = "";

    @Option(
            names = "--cell",
            paramLabel = "CELL",
            description = "The cell of the tab in which the header begins; all else of the tab stays.")
    private String cell = "";

    @Option(names = "--table", paramLabel = "TABLE", description = "The table of a database, with or without schema.")
    private String table = "";

    @Option(
            names = "--each",
            paramLabel = "COLUMN",
            description = "A file for each value of a column; said again, for those of several together.")
    private List<String> each = List.of();

    @Option(
            names = "--names",
            paramLabel = "FILE",
            description = "With --each: a file with a small table of values and what their files are called.")
    private String names = "";

    @Option(
            names = "--remove-gone",
            description = "With --each: files that it wrote for values that are gone are removed.")
    private boolean removeGone;

    @Option(
            names = "--how",
            paramLabel = "HOW",
            description = "What becomes of rows there: replace, add, new, match or mirror; the last three by --key.")
    private String how = Delivery.How.REPLACE.word();

    @Option(names = "--key", paramLabel = "COLUMN", description = "A column by which rows are matched.")
    private List<String> keys = List.of();

    @Option(
            names = "--copies",
            description = "Copies of all sources in the folder that --to names, changed by --header and --value.")
    private boolean copies;

    @Option(names = "--header", paramLabel = "OLD | NEW", description = "In copies: a header gets another name.")
    private List<String> headers = List.of();

    @Option(
            names = "--value",
            paramLabel = "COLUMN | OLD | NEW",
            description = "In copies: a value of a column is written otherwise.")
    private List<String> values = List.of();

    @Option(
            names = "--parted-by",
            paramLabel = "WHAT",
            description = "In a .csv: commas, semicolons or tabs part the cells.")
    private String partedBy = "";

    @Option(names = "--decimal-comma", description = "In a .csv: decimals have a comma.")
    private boolean decimalComma;

    @Option(
            names = "--utf8-mark",
            description = "In a .csv: it begins with the mark by which some programs know UTF-8.")
    private boolean mark;

    @Option(
            names = "--picture",
            paramLabel = "SUMMARY",
            description = "A picture, .png, of a summary that the job keeps under that name.")
    private String picture = "";

    @Option(names = "--about", description = "Write the account of the master into a tab of the workbook.")
    private boolean about;

    @Option(names = "--preview", description = "Tell what it would change; nothing is written.")
    private boolean preview;

    @Option(names = "--drop", description = "Take it out of the job; what it wrote stays.")
    private boolean drop;

    DeliveryCommand(Machine machine) {
        this.machine = machine;
    }

    @Override
    public Integer call() {
        Path path = machine.path(file);
        Job job = JobFile.open(path);
        Optional<Delivery> known = job.deliveries().stream()
                .filter(delivery -> delivery.name().equals(name))
                .findFirst();
        if (target.isEmpty() && known.isEmpty()) {
            return usage("The job has no delivery " + Says.quoted(name) + "; say where it goes by --to.");
        }
        if (drop) {
            JobFile.save(
                    job.withDeliveries(job.deliveries().stream()
                            .filter(delivery -> !delivery.name().equals(name))
                            .toList()),
                    path);
            machine.out().println(Says.quoted(name) + " is no delivery of the job any more.");
            return Exit.DONE;
        }
        Job now = job;
        Optional<Delivery> wanted = known;
        if (!target.isEmpty()) {
            Optional<Delivery.Form> form = form(path);
            if (form.isEmpty()) {
                return Exit.USAGE;
            }
            Delivery fresh = new Delivery(name, place(path, form.get()), form.get());
            List<Delivery> all = new ArrayList<>(job.deliveries());
            all.removeIf(delivery -> delivery.name().equals(name));
            all.add(fresh);
            now = job.withDeliveries(all);
            wanted = Optional.of(fresh);
        }
        if (!preview) {
            JobFile.save(now, path);
            machine.out().println(Says.quoted(name) + " is a delivery of the job.");
            return Exit.DONE;
        }
        try (JobSession session = JobSession.ofFile(machine.workplace(), job.id(), path)) {
            Outcome outcome = JobRun.look(machine, session, now, Reread.CHANGED_ONLY);
            machine.out().println(session.look(outcome, wanted.orElseThrow()));
            return Exit.of(outcome);
        }
    }

    private int usage(String why) {
        machine.err().println(why + " Nothing was changed.");
        return Exit.USAGE;
    }

    /** The changes that are made in copies; empty where they cannot be followed. */
    private Optional<Delivery.Form> copies() {
        List<Delivery.Change> changes = new ArrayList<>();
        for (String said : headers) {
            List<String> parts = Names.splitTexts(said);
            if (parts.size() != 2) {
                usage("A header is renamed by --header \"OLD | NEW\".");
                return Optional.empty();
            }
            changes.add(new Delivery.Change("", parts.get(0), parts.get(1)));
        }
        for (String said : values) {
            List<String> parts = Names.splitTexts(said);
            if (parts.size() != 3) {
                usage("A value is written otherwise by --value \"COLUMN | OLD | NEW\".");
                return Optional.empty();
            }
            changes.add(new Delivery.Change(parts.get(0), parts.get(1), parts.get(2)));
        }
        if (changes.isEmpty()) {
            usage("Say by --header or --value what is changed in the copies.");
            return Optional.empty();
        }
        return Optional.of(new Delivery.Copies(changes));
    }

    private Optional<Delivery.Form> form(Path job) {
        if (copies) {
            return copies();
        }
        if (!picture.isEmpty() && !target.toLowerCase(Locale.ROOT).endsWith(".png")) {
            usage("A picture's name ends in .png.");
            return Optional.empty();
        }
        if (!picture.isEmpty()) {
            return Optional.of(new Delivery.Picture(picture));
        }
        Optional<Delivery.How> wanted = Delivery.How.of(how);
        boolean database = target.startsWith(PostgresTable.ADDRESS);
        Optional<Delivery.Separator> separator = Delivery.Separator.of(partedBy.isEmpty() ? "commas" : partedBy);
        boolean asText = !partedBy.isEmpty() || decimalComma || mark;
        String problem = "";
        if (wanted.isEmpty()) {
            problem = Says.quoted(how) + " is none of "
                    + Arrays.stream(Delivery.How.values())
                            .map(Delivery.How::word)
                            .collect(Collectors.joining(", "))
                    + ".";
        } else if (wanted.get().isByKey() == keys.isEmpty()) {
            problem = keys.isEmpty()
                    ? "Say by --key how rows are matched."
                    : "Rows are matched by key with --how new, match or mirror only.";
        } else if (database == table.isEmpty()) {
            problem = database
                    ? "Say by --table which table is written."
                    : "A table is in a database: --to postgresql://…";
        } else if (database ? !tab.isEmpty() || !each.isEmpty() : !tab.isEmpty() && !each.isEmpty()) {
            problem = "Name one of --tab, --table and --each.";
        } else if (wanted.get() != Delivery.How.REPLACE && tab.isEmpty() && table.isEmpty()) {
            problem = "A whole file is always replaced; --how is for a tab or a table.";
        } else if (!cell.isEmpty() && tab.isEmpty()) {
            problem = "A cell is one of a tab: --tab.";
        } else if (about && !(target.toLowerCase(Locale.ROOT).endsWith(".xlsx") && tab.isEmpty() && each.isEmpty())) {
            problem = "An account of the master goes with a whole workbook, .xlsx, only.";
        }
        if (problem.isEmpty() && (removeGone || !names.isEmpty()) && each.isEmpty()) {
            problem = "--names and --remove-gone are said of --each only.";
        } else if (problem.isEmpty() && !names.isEmpty() && each.size() > 1) {
            problem = "--names goes with one --each: a table says what the files of one column's values are called.";
        }
        if (problem.isEmpty() && asText && separator.isEmpty()) {
            problem = Says.quoted(partedBy) + " is none of commas, semicolons and tabs.";
        } else if (problem.isEmpty()
                && asText
                && !(target.toLowerCase(Locale.ROOT).endsWith(".csv") && tab.isEmpty() && each.isEmpty())) {
            problem = "How text is written is said of a whole .csv only.";
        }
        if (!problem.isEmpty()) {
            usage(problem);
            return Optional.empty();
        }
        if (asText) {
            return Optional.of(new Delivery.Text(separator.orElseThrow(), decimalComma, mark));
        }
        return Optional.of(
                database
                        ? new Delivery.Table(table, wanted.get(), keys)
                        : !tab.isEmpty()
                                ? new Delivery.Tab(tab, cell.toUpperCase(Locale.ROOT), wanted.get(), keys)
                                : !each.isEmpty()
                                        ? new Delivery.Each(each, named(job), removeGone)
                                        : new Delivery.Whole(about));
    }

    /** The table of names as a job has it. */
    private String named(Path job) {
        return names.isEmpty() ? "" : JobDraft.relative(job.toAbsolutePath().getParent(), machine.path(names));
    }

    /** The target as a job has it. */
    private String place(Path job, Delivery.Form form) {
        if (form instanceof Delivery.Table) {
            PostgresTable.check(target);
            return target;
        }
        Path to = machine.path(target);
        if (!(form instanceof Delivery.Copies || form instanceof Delivery.Picture)) {
            MasterFiles.check(to, TargetName.standing(to));
        }
        return JobDraft.relative(job.toAbsolutePath().getParent(), to);
    }
}
