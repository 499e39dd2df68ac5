package cuvee.refresh;

import cuvee.collect.Source;
import cuvee.deliver.BlankWorkbook;
import cuvee.deliver.Content;
import cuvee.deliver.MasterFiles;
import cuvee.deliver.PostgresTable;
import cuvee.deliver.PreparedWorkbook;
import cuvee.deliver.TargetGuard;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.deliver.TargetName;
import cuvee.deliver.WorkbookTab;
import cuvee.deliver.WrittenFiles;
import cuvee.finding.CuveeException;
import cuvee.gather.Gathering;
import cuvee.gather.ListedPlaces;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.master.ValueList;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Codes;
import cuvee.tell.Account;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import cuvee.value.Spellings;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/** Carries out the deliveries of a job, each by its form, and sees to it that they destroy nothing of others. */
final class Deliveries {
    private final Store store;
    private final String jobId;
    private final WrittenFiles written;
    private final Clock clock;
    private final Supplier<Path> jobFolder;
    private final Supplier<List<Source>> listed;

    /**
     * @param jobFolder the folder that the job's relative paths start from
     * @param listed the sources that were listed last
     */
    Deliveries(
            Store store,
            String jobId,
            WrittenFiles written,
            Clock clock,
            Supplier<Path> jobFolder,
            Supplier<List<Source>> listed) {
        this.store = store;
        this.jobId = jobId;
        this.written = written;
        this.clock = clock;
        this.jobFolder = jobFolder;
        this.listed = listed;
    }

    Path targetOf(Delivery delivery) {
        List<String> columns = delivery.form() instanceof Delivery.Each each ? each.columns() : List.of();
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
        return in(TargetName.on(delivery.target(), today, columns));
    }

    private Path in(String target) {
        return jobFolder.get().resolve(target).toAbsolutePath().normalize();
    }

    /** The folder that has to be there for a delivery; those below it that its name makes are made. */
    private Path standing(Delivery delivery) {
        return TargetName.standing(in(delivery.target()));
    }

    private static void makeFolder(Delivery delivery, Path file) {
        if (TargetName.namesFolder(delivery.target())) {
            try {
                Files.createDirectories(file.getParent());
            } catch (IOException failed) {
                throw CuveeException.failure(
                        "no-folder",
                        Where.JOB,
                        "The folder " + file.getParent() + " cannot be made: " + failed.getMessage(),
                        "Nothing was written; the master itself is kept.",
                        "Name another folder.");
            }
        }
    }

    /** Refuses what cannot be written, or would destroy something, before any work is done for it. */
    void check(Job job, Delivery delivery, Existing existing) {
        if (delivery.form() instanceof Delivery.Table) {
            PostgresTable.check(delivery.target());
            return;
        }
        Path target = targetOf(delivery);
        if (delivery.form() instanceof Delivery.Copies) {
            return;
        }
        refuseUnknown(delivery);
        if (delivery.form() instanceof Delivery.Picture) {
            SummaryPicture.check(target, standing(delivery));
            guard(job, delivery).check(target, existing);
            return;
        }
        MasterFiles.check(target, standing(delivery));
        if (delivery.form() instanceof Delivery.Tab tab) {
            checkTab(job, target, tab, existing);
        } else if (!(delivery.form() instanceof Delivery.Each)) {
            guard(job, delivery).check(target, existing);
        }
    }

    private static void refuseUnknown(Delivery delivery) {
        boolean each = delivery.form() instanceof Delivery.Each;
        List<String> columns = delivery.form() instanceof Delivery.Each form ? form.columns() : List.of();
        List<String> unknown = TargetName.unknown(delivery.target(), columns);
        if (!unknown.isEmpty()) {
            throw CuveeException.failure(
                    "unknown-word",
                    Where.JOB,
                    "In the name " + delivery.target() + ", {" + unknown.get(0) + "} stands for nothing"
                            + (each
                                    ? ": a file is written for each " + String.join(" and ", columns) + "."
                                    : ": the master is written as one file."),
                    "Nothing was written; the master itself is kept.",
                    "Name {date}, {month}, {last month} or {year}"
                            + (each ? ", or one of these columns." : ", or deliver a file for each value."));
        }
    }

    /** What carrying out a delivery would destroy of others, in words; empty where nothing. */
    Optional<String> loss(Job job, Delivery delivery) {
        boolean several = delivery.form() instanceof Delivery.Each || delivery.form() instanceof Delivery.Copies;
        if (delivery.form() instanceof Delivery.Table || several) {
            return Optional.empty();
        }
        Path target = targetOf(delivery);
        return delivery.form() instanceof Delivery.Tab tab
                ? tabLoss(target, tab)
                : guard(job, delivery).loss(target);
    }

    /** A tab that Cuvee has written is known by the workbook's name and its own. */
    private static Path tabOf(Path target, Delivery.Tab tab) {
        return target.resolveSibling(target.getFileName() + " / " + tab.said().replace('/', ' '));
    }

    private Optional<String> tabLoss(Path target, Delivery.Tab tab) {
        boolean ours = written.standing(target) == WrittenFiles.Standing.AS_WRITTEN
                || written.standing(tabOf(target, tab)) != WrittenFiles.Standing.NOT_OURS;
        boolean loses = tab.how() == Delivery.How.REPLACE || tab.how() == Delivery.How.MIRROR;
        if (!Files.isRegularFile(target) || !loses || ours || !WorkbookTab.stands(target, tab)) {
            return Optional.empty();
        }
        return Optional.of(
                tab.cell().isEmpty()
                        ? "the workbook has a tab " + Says.quoted(tab.tab())
                                + " already, and Cuvee did not write it; its rows would be replaced"
                        : "the tab " + Says.quoted(tab.tab()) + " has something in its cell " + tab.cell()
                                + " already, and Cuvee did not write it; it would be replaced");
    }

    private void checkTab(Job job, Path target, Delivery.Tab tab, Existing existing) {
        // Only the tab is written, so whether the rest of the workbook may be replaced does not matter.
        guard(job, List.of()).check(target, Existing.REPLACE);
        Optional<String> loss = tabLoss(target, tab);
        if (existing == Existing.KEEP && loss.isPresent()) {
            throw CuveeException.failure(
                    "target-not-ours",
                    Where.JOB,
                    "The master cannot be written to " + target + ": " + loss.get() + ".",
                    "Nothing was written; the master itself is kept.",
                    "Name another tab or cell; or say that its rows may be replaced (--replace on the command line).");
        }
    }

    /** What a delivery would do, in words, with nothing written. */
    String look(Outcome outcome, Delivery delivery) {
        try (MasterReader reader = store.reader(outcome.plan())) {
            Content content = content(outcome, reader);
            if (delivery.form() instanceof Delivery.Tab tab) {
                return WorkbookTab.look(content, targetOf(delivery), tab).said() + ".";
            }
            if (delivery.form() instanceof Delivery.Table table) {
                return PostgresTable.look(content, delivery.target(), table).said() + ".";
            }
        }
        if (delivery.form() instanceof Delivery.Copies copies) {
            return copies(outcome).look(copies);
        }
        if (delivery.form() instanceof Delivery.Picture picture) {
            return SummaryPicture.chart(store, outcome, picture).says() + ".";
        }
        if (delivery.form() instanceof Delivery.Each each) {
            return files(outcome, delivery, each).look(outcome.rows());
        }
        boolean there = Files.exists(targetOf(delivery));
        return (there ? "Replaces the file by " : "A new file with ") + rowsSaid(outcome.rows(), targetOf(delivery))
                + ".";
    }

    /** Carries out a delivery. */
    Delivered deliver(Outcome outcome, Delivery delivery, Existing existing) {
        check(outcome.job(), delivery, existing);
        Path target = targetOf(delivery);
        Delivery.Form form = delivery.form();
        if (form instanceof Delivery.Each each) {
            return each(outcome, delivery, each, existing);
        }
        if (form instanceof Delivery.Copies copies) {
            return copies(outcome).write(copies, target, guard(outcome.job(), List.of()), existing, this::register);
        }
        makeFolder(delivery, target);
        if (form instanceof Delivery.Picture picture) {
            long bytes = SummaryPicture.write(store, outcome, picture, target, this::register);
            return new Delivered(
                    bytes, "a picture of " + Says.quoted(picture.summary()) + ", " + Says.size(bytes) + ".", false);
        }
        try (MasterReader reader = store.reader(outcome.plan())) {
            Content content = content(outcome, reader);
            if (form instanceof Delivery.Prepared prepared) {
                PreparedWorkbook.Report report = PreparedWorkbook.fill(
                        reader, outcome.plan(), workbookOf(prepared), target, prepared, this::register);
                return new Delivered(report.bytes(), report.said(), report.incomplete());
            }
            if (form instanceof Delivery.Tab tab) {
                WorkbookTab.Report report =
                        WorkbookTab.write(content, target, tab, (whole, to) -> register(whole, whole(to, target, tab)));
                return new Delivered(report.bytes(), report.said() + ".", false);
            }
            if (form instanceof Delivery.Table table) {
                PostgresTable.Report report = PostgresTable.write(content, delivery.target(), table, existing);
                return new Delivered(0, report.said() + ".", false);
            }
            if (form instanceof Delivery.Text text) {
                long bytes = MasterFiles.writeText(content, text, target, this::register);
                return new Delivered(bytes, Says.count(outcome.rows(), "row") + ", " + Says.size(bytes) + ".", false);
            }
            boolean about = form instanceof Delivery.Whole whole && whole.about();
            long bytes = MasterFiles.write(
                    about ? content.with(Account.of(outcome).tab()) : content, target, this::register);
            return new Delivered(bytes, rowsSaid(outcome.rows(), target) + ", " + Says.size(bytes) + ".", false);
        }
    }

    /** So many rows, and on how many tabs they stand where one cannot hold them. */
    private static String rowsSaid(long rows, Path target) {
        int tabs = MasterFiles.tabs(target, rows);
        return Says.count(rows, "row") + (tabs > 1 ? " on " + tabs + " tabs" : "");
    }

    /**
     * The same delivery to a free name: beside a target that cannot be written for now, or beside the job where its folder
     * is not reached. Empty for what is no single file.
     */
    Optional<Delivery> beside(Delivery delivery) {
        boolean single = delivery.isToFile()
                && !(delivery.form() instanceof Delivery.Each || delivery.form() instanceof Delivery.Copies);
        if (!single) {
            return Optional.empty();
        }
        Path target = targetOf(delivery);
        Path folder = target.getParent();
        boolean reached = folder != null && Files.isDirectory(folder) && Files.isWritable(folder);
        Path free = MasterFiles.free(folder != null && reached ? folder : jobFolder.get(), target);
        return Optional.of(new Delivery(delivery.name(), free.toString(), delivery.form(), delivery.accepted()));
    }

    /** Carries out a delivery to a name beside its target; a tab goes into a copy of the workbook that is there. */
    Delivered deliverBeside(Outcome outcome, Delivery delivery, Delivery beside) {
        Path target = targetOf(delivery);
        Path copy = targetOf(beside);
        boolean intoCopy =
                delivery.form() instanceof Delivery.Tab && Files.isRegularFile(target) && !Files.exists(copy);
        if (!intoCopy) {
            return deliver(outcome, beside, Existing.KEEP);
        }
        MasterFiles.put(copy, this::register, file -> Files.copy(target, file, StandardCopyOption.REPLACE_EXISTING));
        boolean done = false;
        try {
            Delivered delivered = deliver(outcome, beside, Existing.REPLACE);
            done = true;
            return delivered;
        } finally {
            if (!done) {
                // A copy without the rows is of no use to anyone.
                MasterFiles.drop(copy);
            }
        }
    }

    /** A workbook that was made for its tab is Cuvee's as a whole; of one that was there only the tab is. */
    private static Path whole(Path to, Path target, Delivery.Tab tab) {
        return Files.exists(target) ? tabOf(to, tab) : to;
    }

    /** Writes something to a file, and remembers that the file is no source. */
    long write(Content content, Path target) {
        return MasterFiles.write(content, target, this::register);
    }

    private Content content(Outcome outcome, MasterReader reader) {
        return new Content(reader, outcome.plan(), Summaries.made(store, outcome));
    }

    private SourceCopies copies(Outcome outcome) {
        Set<String> taken = outcome.sources().stream()
                .filter(source -> source.state() == SourceReport.State.TAKEN)
                .map(SourceReport::path)
                .collect(Collectors.toSet());
        List<Source> sources = listed.get().stream()
                .filter(source -> taken.contains(source.path()))
                .toList();
        return new SourceCopies(store, outcome, sources, path -> Gathering.saidOf(outcome.job(), path));
    }

    // ---- a file for each value ----

    private EachFiles files(Outcome outcome, Delivery delivery, Delivery.Each each) {
        return EachFiles.of(
                store,
                outcome.plan(),
                targetOf(delivery),
                each,
                each.names().isEmpty() ? null : in(each.names()),
                List.copyOf(written.stillAsWritten(jobId, series(delivery, each))));
    }

    /** What the files of a delivery are known by; another delivery may have the same target for other columns. */
    private static String series(Delivery delivery, Delivery.Each each) {
        return delivery.target() + " for each " + each.said();
    }

    private Delivered each(Outcome outcome, Delivery delivery, Delivery.Each each, Existing existing) {
        EachFiles files = files(outcome, delivery, each);
        files.check(guard(outcome.job(), List.of()), existing, standing(delivery));
        long bytes = files.write(
                store,
                outcome.plan(),
                (content, file) -> written.enter(content, file, jobId, clock.instant(), series(delivery, each)),
                file -> makeFolder(delivery, file));
        return new Delivered(
                bytes,
                Says.count(files.files().size(), "file") + ", " + Says.count(outcome.rows(), "row") + ", "
                        + Says.size(bytes) + "." + files.afterwards(written),
                false);
    }

    // ---- a workbook to fill in ----

    /** Values of a column are a list to choose from where there are no more of them than this. */
    private static final int MOST_CHOICES = 40;

    void blank(Outcome outcome, Path target) {
        MasterPlan plan = outcome.proposal().plan();
        List<Integer> columns = new ArrayList<>();
        Map<Integer, List<String>> lists = new LinkedHashMap<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (!outcome.proposal().hasCells(i)) {
                continue;
            }
            columns.add(i);
            Type type = plan.columns().get(i).type();
            if (type == Type.YES_NO) {
                YesNoWords words = plan.columns().get(i).words().spoken();
                lists.put(i, List.of(words.yes(), words.no()));
            } else if (type == Type.TEXT) {
                choices(plan, i).ifPresent(values -> lists.put(columns.get(columns.size() - 1), values));
            }
        }
        try (MasterReader reader = store.reader(plan)) {
            List<MasterLine> first = outcome.rowsBefore() == 0 ? List.of() : reader.page(0, 1);
            BlankWorkbook.write(
                    plan, columns, lists, first.isEmpty() ? null : first.get(0).values(), target, this::register);
        }
    }

    private Optional<List<String>> choices(MasterPlan plan, int column) {
        try (ValueList values = store.values(plan, column)) {
            boolean few = values.size() > 1
                    && values.size() <= MOST_CHOICES
                    && values.facts().filled() > values.size() * 2;
            return few
                    ? Optional.of(values.page(0, MOST_CHOICES).stream()
                            .map(Spellings.Counted::text)
                            .filter(text -> !text.isBlank())
                            .sorted()
                            .toList())
                    : Optional.empty();
        }
    }

    // ---- what is ours ----

    void register(Path content, Path target) throws IOException {
        written.enter(content, target, jobId, clock.instant(), "");
    }

    private TargetGuard guard(Job job, Delivery delivery) {
        return guard(
                job,
                delivery.prepared()
                        .map(prepared -> List.of(workbookOf(prepared)))
                        .orElse(List.of()));
    }

    /** What keeps a master from being written over what is not ours; knows the sources that were listed last. */
    TargetGuard guard(Job job, List<Path> more) {
        List<Path> inputs = new ArrayList<>(more);
        listed.get().stream()
                .filter(source -> !source.asideKind().equals("own-file"))
                .forEach(source -> inputs.add(source.file()));
        inputs.addAll(read(job));
        List<Path> places = ListedPlaces.with(job, jobFolder.get(), List.of(), new ArrayList<>()).places().stream()
                .map(place -> jobFolder.get().resolve(place.path()))
                .toList();
        return new TargetGuard(inputs, places, written);
    }

    /** Files beside the sources that a job reads: workbooks to be filled, and tables of codes and of names. */
    Set<Path> read(Job job) {
        Set<Path> files = new LinkedHashSet<>();
        for (Delivery delivery : job.deliveries()) {
            delivery.prepared().ifPresent(prepared -> files.add(workbookOf(prepared)));
            if (delivery.form() instanceof Delivery.Each each && !each.names().isEmpty()) {
                files.add(in(each.names()));
            }
        }
        Codes.of(job).stream().filter(codes -> !codes.file().isEmpty()).forEach(codes -> files.add(in(codes.file())));
        return files;
    }

    private Path workbookOf(Delivery.Prepared prepared) {
        return jobFolder.get().resolve(prepared.workbook()).toAbsolutePath().normalize();
    }
}
