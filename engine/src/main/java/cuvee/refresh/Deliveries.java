package cuvee.refresh;

import cuvee.collect.Source;
import cuvee.deliver.BlankWorkbook;
import cuvee.deliver.EachValue;
import cuvee.deliver.MasterFiles;
import cuvee.deliver.PostgresTable;
import cuvee.deliver.PreparedWorkbook;
import cuvee.deliver.TargetGuard;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.deliver.TargetName;
import cuvee.deliver.WorkbookTab;
import cuvee.deliver.WrittenFiles;
import cuvee.finding.CuveeException;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.master.Grouped;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.master.ValueList;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Codes;
import cuvee.rework.Known;
import cuvee.value.Spellings;
import cuvee.value.Type;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Carries out the deliveries of a job, each by its form, and sees to it that they destroy nothing of others. */
final class Deliveries {
    private static final int MOST_FILES = 2_000;
    private static final int NAMED = 5;

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
        String column = delivery.form() instanceof Delivery.Each each ? each.column() : "";
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
        return in(TargetName.on(delivery.target(), today, column));
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
            MasterFiles.Content content = content(outcome, reader);
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
            Map<Path, @Nullable String> files = files(outcome, targetOf(delivery), each);
            long there = files.keySet().stream().filter(Files::exists).count();
            return Says.count(files.size(), "file") + ", " + Says.number(there) + " of which there are already; "
                    + Says.count(outcome.rows(), "row") + "." + goneSaid(targetOf(delivery), each.column(), files);
        }
        boolean there = Files.exists(targetOf(delivery));
        return (there ? "Replaces the file by " : "A new file with ") + Says.count(outcome.rows(), "row") + ".";
    }

    /** Carries out a delivery. */
    JobSession.Delivered deliver(Outcome outcome, Delivery delivery, Existing existing) {
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
            return new JobSession.Delivered(
                    bytes, "a picture of " + Says.quoted(picture.summary()) + ", " + Says.size(bytes) + ".", false);
        }
        try (MasterReader reader = store.reader(outcome.plan())) {
            MasterFiles.Content content = content(outcome, reader);
            if (form instanceof Delivery.Prepared prepared) {
                PreparedWorkbook.Report report = PreparedWorkbook.fill(
                        reader, outcome.plan(), workbookOf(prepared), target, prepared, this::register);
                return new JobSession.Delivered(report.bytes(), report.said(), report.incomplete());
            }
            if (form instanceof Delivery.Tab tab) {
                WorkbookTab.Report report =
                        WorkbookTab.write(content, target, tab, (whole, to) -> register(whole, whole(to, target, tab)));
                return new JobSession.Delivered(report.bytes(), report.said() + ".", false);
            }
            if (form instanceof Delivery.Table table) {
                PostgresTable.Report report = PostgresTable.write(content, delivery.target(), table, existing);
                return new JobSession.Delivered(0, report.said() + ".", false);
            }
            if (form instanceof Delivery.Text text) {
                long bytes = MasterFiles.writeText(content, text, target, this::register);
                return new JobSession.Delivered(
                        bytes, Says.count(outcome.rows(), "row") + ", " + Says.size(bytes) + ".", false);
            }
            boolean about = form instanceof Delivery.Whole whole && whole.about();
            long bytes = MasterFiles.write(
                    about ? content.with(Account.of(outcome).tab()) : content, target, this::register);
            return new JobSession.Delivered(
                    bytes, Says.count(outcome.rows(), "row") + ", " + Says.size(bytes) + ".", false);
        }
    }

    /** A workbook that was made for its tab is Cuvee's as a whole; of one that was there only the tab is. */
    private static Path whole(Path to, Path target, Delivery.Tab tab) {
        return Files.exists(target) ? tabOf(to, tab) : to;
    }

    /** Writes something to a file, and remembers that the file is no source. */
    long write(MasterFiles.Content content, Path target) {
        return MasterFiles.write(content, target, this::register);
    }

    private MasterFiles.Content content(Outcome outcome, MasterReader reader) {
        return new MasterFiles.Content(reader, outcome.plan(), Summaries.made(store, outcome));
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

    private Map<Path, @Nullable String> files(Outcome outcome, Path target, Delivery.Each each) {
        MasterPlan plan = outcome.plan();
        int column = Known.of(plan).at(each.column());
        if (column < 0) {
            throw CuveeException.failure(
                    "no-column",
                    Where.JOB,
                    "There is no column " + Says.quoted(each.column()) + " to write a file for each value of.",
                    "Nothing was written; the master itself is kept.",
                    "Name another column of the master.");
        }
        Grouped.Asked asked = new Grouped.Asked(
                List.of(new Grouped.Value(Grouped.Measure.ROWS, 0)),
                List.of(new Grouped.Key(column, Grouped.Span.VALUE)),
                List.of(List.of(0)),
                List.of());
        Map<String, String> keys = new HashMap<>();
        List<@Nullable String> values = new ArrayList<>();
        for (Grouped.Group group : store.grouped(plan, asked).get(0)) {
            String said = group.said().get(0);
            String key = group.keys().get(0);
            values.add(said);
            if (said != null && key != null) {
                keys.put(said, key);
            }
        }
        if (values.size() > MOST_FILES) {
            throw CuveeException.failure(
                    "too-many-files",
                    Where.JOB,
                    each.column() + " has " + Says.number(values.size()) + " different values; a file for each would be"
                            + " more than " + Says.number(MOST_FILES) + ".",
                    "Nothing was written; the master itself is kept.",
                    "Name a column with fewer values.");
        }
        values.sort(Comparator.nullsLast(Comparator.naturalOrder()));
        Map<Path, @Nullable String> files = EachValue.files(target, each.column(), values);
        files.replaceAll((file, said) -> said == null ? null : keys.get(said));
        return files;
    }

    private JobSession.Delivered each(Outcome outcome, Delivery delivery, Delivery.Each each, Existing existing) {
        Path target = targetOf(delivery);
        Map<Path, @Nullable String> files = files(outcome, target, each);
        TargetGuard guard = guard(outcome.job(), List.of());
        files.keySet().forEach(file -> guard.check(file, existing));
        int column = Known.of(outcome.plan()).at(each.column());
        long bytes = 0;
        for (Map.Entry<Path, @Nullable String> file : files.entrySet()) {
            makeFolder(delivery, file.getKey());
            try (MasterReader reader = store.readerOf(outcome.plan(), column, file.getValue())) {
                bytes += MasterFiles.write(
                        new MasterFiles.Content(reader, outcome.plan(), List.of()), file.getKey(), this::register);
            }
        }
        return new JobSession.Delivered(
                bytes,
                Says.count(files.size(), "file") + ", " + Says.count(outcome.rows(), "row") + ", " + Says.size(bytes)
                        + "." + goneSaid(target, each.column(), files),
                false);
    }

    /** Files that an earlier delivery wrote for values that are gone: they are named, and stay. */
    private String goneSaid(Path target, String column, Map<Path, @Nullable String> files) {
        Path folder = TargetName.standing(target);
        List<String> gone = written.stillAsWritten(jobId).stream()
                .filter(file -> !files.containsKey(file))
                .filter(file -> EachValue.isOf(target, column, file))
                .map(file -> folder.relativize(file).toString())
                .toList();
        return gone.isEmpty()
                ? ""
                : " Of values that are gone, " + Says.count(gone.size(), "file") + " stayed: "
                        + Says.list(gone.stream().limit(NAMED).map(Says::quoted).toList()) + ".";
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
                lists.put(i, List.of("yes", "no"));
            } else if (type == Type.TEXT) {
                choices(plan, i).ifPresent(values -> lists.put(columns.get(columns.size() - 1), values));
            }
        }
        try (MasterReader reader = store.reader(plan)) {
            List<MasterReader.Line> first = outcome.rowsBefore() == 0 ? List.of() : reader.page(0, 1);
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
        written.enter(content, target, jobId, clock.instant());
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
        job.deliveries().forEach(delivery -> delivery.prepared().ifPresent(it -> inputs.add(workbookOf(it))));
        Codes.of(job).stream()
                .filter(codes -> !codes.file().isEmpty())
                .forEach(codes -> inputs.add(jobFolder.get().resolve(codes.file())));
        List<Path> places = ListedPlaces.with(job, jobFolder.get(), List.of(), new ArrayList<>()).places().stream()
                .map(place -> jobFolder.get().resolve(place.path()))
                .toList();
        return new TargetGuard(inputs, places, written);
    }

    Path workbookOf(Delivery.Prepared prepared) {
        return jobFolder.get().resolve(prepared.workbook()).toAbsolutePath().normalize();
    }
}
