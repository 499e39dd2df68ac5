package cuvee.refresh;

import cuvee.audit.ExpectedList;
import cuvee.change.HeaderBookFile;
import cuvee.change.JobMove;
import cuvee.change.RuleLooks;
import cuvee.check.SourceFigures;
import cuvee.collect.Collector;
import cuvee.collect.Source;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.decision.TableChoice;
import cuvee.deliver.Content;
import cuvee.deliver.MasterFiles;
import cuvee.deliver.PreparedWorkbook;
import cuvee.deliver.TargetGuard;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.deliver.WrittenFiles;
import cuvee.detect.FoundTable;
import cuvee.detect.Reading;
import cuvee.finding.CuveeException;
import cuvee.gather.FactsJson;
import cuvee.gather.Gathering;
import cuvee.gather.Leftovers;
import cuvee.gather.ListedPlaces;
import cuvee.gather.OwnFiles;
import cuvee.gather.Progress;
import cuvee.gather.ReadSheet;
import cuvee.gather.Reread;
import cuvee.gather.SecondLook;
import cuvee.gather.SheetRules;
import cuvee.gather.SourceFacts;
import cuvee.gather.TrialPlace;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.lineup.HeaderBook;
import cuvee.lineup.LineUp;
import cuvee.master.CacheFolder;
import cuvee.master.KeptMaster;
import cuvee.master.MasterLine;
import cuvee.master.MasterReader;
import cuvee.master.RowRule;
import cuvee.master.RowView;
import cuvee.master.SheetReader;
import cuvee.master.SourceCells;
import cuvee.master.StagedRows;
import cuvee.master.Store;
import cuvee.master.ValueList;
import cuvee.place.Where;
import cuvee.propose.Profiling;
import cuvee.summary.Summary;
import cuvee.summary.SummaryTable;
import cuvee.tell.Account;
import cuvee.tell.BeforeAndAfter;
import cuvee.tell.Card;
import cuvee.tell.Outcome;
import cuvee.tell.SenderPage;
import cuvee.tell.Trail;
import cuvee.tell.Trails;
import cuvee.tell.Waiting;
import cuvee.value.LooseText;
import cuvee.value.Spellings;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One job at work: its store is open, and {@link #refresh} brings the master in step with the sources. Not for use by
 * several threads at once, apart from the readers it hands out. Whoever opens it closes it.
 */
public final class JobSession implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(JobSession.class);

    /** So many cells that do not fit are looked through for those of one sender. */
    private static final int MOST_MISFITS = 5_000;

    private final Workplace workplace;
    private volatile Path jobFolder;
    private final Store store;
    private final List<String> passwords = new CopyOnWriteArrayList<>();
    private final Map<String, SourceFacts> known = new TreeMap<>();
    private final AtomicInteger nextId = new AtomicInteger(1);
    private final String jobId;
    /** Under which name the job's history lies; that of the cache stays as long as the session lasts. */
    private volatile String homeName;

    private final String cacheName;
    private final Profiling profiling;
    private final Trails trails;
    private final Proof proof;
    private final WrittenFiles written;
    private final Deliveries deliveries;
    private volatile List<Source> listed = List.of();
    private volatile Path home;
    /** What is done when the session ends. */
    private final Runnable afterwards;

    private final boolean trial;

    private JobSession(
            Workplace workplace, String jobId, Path jobFolder, Path home, boolean trial, Runnable afterwards) {
        this.workplace = workplace;
        this.jobFolder = jobFolder;
        this.jobId = jobId;
        this.home = home;
        this.trial = trial;
        this.afterwards = afterwards;
        this.homeName = JobHome.of(workplace, jobId, home);
        this.cacheName = homeName;
        this.written = new WrittenFiles(workplace.state());
        this.store = Store.open(workplace.cacheOf(homeName), workplace.means());
        Leftovers.remove(workplace.cacheOf(homeName), home);
        known.putAll(FactsJson.readAll(store.facts()));
        int most = known.values().stream()
                .flatMap(source -> source.sheets().stream())
                .mapToInt(
                        sheet -> sheet.firstTable() + Math.max(1, sheet.tables().size()))
                .max()
                .orElse(0);
        nextId.set(Math.max(most, store.nextTable()));
        profiling = new Profiling(this::firstRecords);
        trails = new Trails(store, known);
        proof = new Proof(store);
        deliveries = new Deliveries(store, jobId, written, workplace.clock(), () -> this.jobFolder, () -> listed);
    }

    private Map<Integer, List<List<@Nullable String>>> firstRecords(List<PlacedTable> tables, int most) {
        return store.rows()
                .firstRecords(tables.stream().map(JobSession::stretch).toList(), most);
    }

    private static StagedRows.Stretch stretch(PlacedTable placed) {
        FoundTable table = placed.table();
        boolean hasAside = table.kept() <= table.lastRow() - table.firstRow();
        return new StagedRows.Stretch(
                placed.id(), placed.staged(), placed.width(), table.firstRow(), table.lastRow(), hasAside);
    }

    /**
     * Opens a job's store.
     *
     * @param jobFolder the folder that the job's relative paths start from
     */
    public static JobSession open(Workplace workplace, String jobId, Path jobFolder) {
        return new JobSession(workplace, jobId, jobFolder, jobFolder, false, () -> {});
    }

    /** Opens the store of a job that is, or is to be, saved in a file. */
    public static JobSession ofFile(Workplace workplace, String jobId, Path jobFile) {
        return new JobSession(workplace, jobId, folderOf(jobFile), jobFile, false, () -> {});
    }

    /**
     * A session over a copy of all that is kept of the job, in which a refresh can be tried: nothing is delivered by it, and
     * nothing of it is left when it is closed. It is closed before this one.
     */
    public JobSession trial() {
        Path cache = workplace.cacheOf(cacheName);
        try {
            Workplace apart = TrialPlace.of(workplace, store, cacheName, state(), jobId);
            return new JobSession(apart, jobId, jobFolder, home, true, () -> TrialPlace.remove(cache));
        } catch (IOException failed) {
            LOG.warn("a trial cannot be begun", failed);
            TrialPlace.remove(cache);
            throw CuveeException.failure(
                    "no-trial",
                    Where.JOB,
                    "A refresh cannot be tried: what is kept of the job cannot be copied in " + cache + ".",
                    "Nothing was read.",
                    "Free space there, or refresh; what changed is told before anything is delivered.");
        }
    }

    /** Removes the cache of a job that another one has replaced; its history stays. */
    public static void forget(Workplace workplace, String jobId, Path jobFile) {
        try {
            CacheFolder.remove(workplace.cacheOf(JobHome.of(workplace, jobId, jobFile)));
        } catch (IOException left) {
            LOG.warn("the cache of a job that was replaced is left", left);
        }
    }

    private static Path folderOf(Path jobFile) {
        Path file = jobFile.toAbsolutePath().normalize();
        Path folder = file.getParent();
        return folder == null ? file : folder;
    }

    /** The job is saved elsewhere now: paths, history and deliveries go from there. */
    public void moveTo(Path jobFile) {
        JobMove move = new JobMove(jobFolder, folderOf(jobFile));
        homeName = JobHome.of(workplace, jobId, jobFile);
        jobFolder = move.to();
        home = jobFile;
        if (!move.from().equals(move.to())) {
            Map<String, String> moved = new LinkedHashMap<>();
            known.replaceAll((path, facts) -> facts.withHome(move.path(facts.home())));
            known.forEach((path, facts) -> moved.put(path, FactsJson.write(facts)));
            store.putFacts(moved, List.of());
            LastRefresh.read(state())
                    .ifPresent(last ->
                            last.moved(move).append(state(), workplace.clock().instant()));
        }
    }

    private Path state() {
        return workplace.stateOf(homeName);
    }

    /**
     * Looks at the places again and brings the master in step.
     *
     * @throws CuveeException where nothing can be made
     * @throws CancellationException where the progress said so; the master is then what it was
     */
    public Outcome refresh(Job given, Reread mode, Progress progress) {
        return new Refresh(
                        new Refresh.Around(
                                workplace,
                                jobFolder,
                                state(),
                                new Gathering.Keys(passwords, Leftovers.unlocked(workplace.cacheOf(cacheName))),
                                store,
                                known,
                                nextId,
                                profiling,
                                proof,
                                written),
                        this::list,
                        this::targetOf,
                        mode,
                        progress)
                .of(given);
    }

    /** Who says something today, as it is kept beside what was said. */
    public String signed() {
        return workplace.signed();
    }

    /**
     * Lists the files of a job's places and says of each whether it is taken.
     *
     * @throws CuveeException where none of the places can be looked at
     */
    public Collector.Collected collect(Job job) {
        return collectIn(ListedPlaces.with(job, jobFolder, homes(), new ArrayList<>()));
    }

    /** The places that what is known came from. */
    private Set<String> homes() {
        return known.values().stream().map(SourceFacts::home).collect(Collectors.toCollection(TreeSet::new));
    }

    /** Lists the files for a refresh, which those who ask for them later are told of. */
    private Collector.Collected list(Job job) {
        Collector.Collected collected = collectIn(job);
        listed = collected.sources();
        return collected;
    }

    private Collector.Collected collectIn(Job job) {
        Set<Path> own = new HashSet<>(ListedPlaces.files(job, jobFolder));
        own.addAll(deliveries.read(job));
        ExpectedList.file(job, jobFolder).ifPresent(own::add);
        own.addAll(written.stillAsWritten(jobId));
        own.addAll(OwnFiles.read(state()));
        Map<String, String> names = new HashMap<>();
        job.assumed().stream()
                .filter(decision -> decision.kind().equals(Kinds.SOURCE_NAME))
                .forEach(decision -> names.put(decision.subject(), decision.answer()));
        Map<String, Collector.KnownSum> sums = new HashMap<>();
        known.forEach((path, facts) -> sums.put(path, new Collector.KnownSum(facts.stamp(), facts.sum())));
        Collector.Collected found =
                new Collector(jobFolder, own, path -> fileDecision(job, path), names, sums).collect(job.places());
        return job.decision(Kinds.ORDER, SourceChoice.ALL_FILES)
                .map(decision -> found.inOrder(decision.answer().lines().toList()))
                .orElse(found);
    }

    /**
     * What came to a job's places, changed or went since a refresh.
     *
     * @throws CuveeException where none of the places can be looked at
     */
    public Waiting waiting(Job job, Outcome outcome) {
        return Waiting.of(collect(job).sources(), outcome);
    }

    private static Optional<Boolean> fileDecision(Job job, String path) {
        return job.decision(Kinds.FILE, path).map(decision -> decision.answer().equals(TableChoice.TAKE));
    }

    /** Where a source lies; empty where it was not there at the last refresh. */
    public Optional<Path> fileOf(String source) {
        return listed.stream()
                .filter(each -> each.path().equals(source))
                .map(Source::file)
                .findFirst();
    }

    /** Reads sheets as they were staged; whoever asks for one closes it. */
    public SheetReader sheetReader() {
        return store.sheetReader();
    }

    /** What became of the first rows of a table of the master; empty where it is not in it. */
    public Optional<BeforeAndAfter> beforeAndAfter(Outcome outcome, int table, int rows) {
        return trails.beforeAndAfter(outcome, table, rows);
    }

    /** The trail of a cell of the master: its line and its column, tags behind the others. */
    public Trail trail(Outcome outcome, MasterLine line, int column) {
        return trails.trail(outcome, line, column);
    }

    /** What would be found in a sheet under a reading; nothing is kept of it, and no file is read. */
    public List<FoundTable> tryOut(Job job, ReadSheet sheet, Reading reading) {
        SourceFacts facts = known.get(sheet.source());
        if (facts == null) {
            return List.of();
        }
        SecondLook look = new SecondLook(store, job, new SheetRules(job, path -> ""), nextId, known.values());
        return facts.sheets().stream()
                .filter(each -> each.name().equals(sheet.name()))
                .findFirst()
                .map(each -> look.tryOut(each, reading))
                .orElse(List.of());
    }

    /** Keeps what the analyst settled about a header in the header book, to be offered in other jobs. */
    public void remember(Job job, Decision decision) {
        if (decision.kind().equals(LineUp.KIND)
                && !LooseText.key(decision.answer()).equals(decision.subject())) {
            HeaderBookFile.add(
                    workplace.state(), new HeaderBook.Entry(decision.subject(), decision.answer(), job.name()));
        }
    }

    /** Lets a password be tried on locked workbooks as long as this session lasts; it is kept in memory only. */
    public void tryPassword(String password) {
        passwords.add(0, password);
    }

    /** Where a delivery is written. */
    public Path targetOf(Delivery delivery) {
        return deliveries.targetOf(delivery);
    }

    /** Where a delivery is written, in words: a file, or a table and the address of its database. */
    public String targetSaid(Delivery delivery) {
        return delivery.form() instanceof Delivery.Table table
                ? table.table() + " in " + delivery.target()
                : targetOf(delivery).toString();
    }

    /** What has been done with the job. */
    public JobHistory history() {
        return new JobHistory(state());
    }

    /** The masters of the last refreshes, as they were. */
    public EarlierMasters earlier() {
        return new EarlierMasters(state());
    }

    /** Writes the master of an earlier refresh to a file, and remembers that the file is no source. */
    public long deliverEarlier(Job job, int number, Path target, Existing existing) {
        refuseInTrial();
        guard(job).check(target, existing);
        try (KeptMaster kept = earlier().open(number);
                MasterReader reader = kept.reader()) {
            return deliveries.write(new Content(reader, kept.plan(), List.of()), target);
        }
    }

    private void refuseInTrial() {
        if (trial) {
            throw CuveeException.failure(
                    "trial",
                    Where.JOB,
                    "This is a trial.",
                    "Nothing was written.",
                    "Keep the trial, or throw it away, and deliver then.");
        }
    }

    /** Makes an outcome the one that the next refresh is compared with. */
    public void conclude(Outcome outcome) {
        proof.forgetEarlierRows();
        Instant now = workplace.clock().instant();
        JobGlance.keep(state(), now, outcome.rows(), Card.of(outcome).size(), listed);
        if (outcome.changed().first() || !outcome.changed().nothing()) {
            Map<String, SourceFigures> figures =
                    Proof.figures(outcome.proposal().plan(), outcome.reconciled(), outcome.made(), outcome.ruledOut());
            LastRefresh last = LastRefresh.of(
                    outcome.sources(), known, outcome.plan(), outcome.proposal(), outcome.rows(), figures);
            List<String> missing = outcome.findings().stream()
                    .filter(finding -> finding.kind().equals(GoneSources.LOST))
                    .map(finding -> finding.where().source())
                    .toList();
            last.waitingFor(missing, LastRefresh.read(state())).append(state(), now);
            int number = history().refreshed(outcome, figures, last.sums(), now);
            try (MasterReader reader = reader(outcome)) {
                earlier().keep(number, outcome, reader);
            }
        }
    }

    /** Carries out a delivery, writing over no file that is not as Cuvee left it. */
    public Delivered deliver(Outcome outcome, Delivery delivery) {
        return deliver(outcome, delivery, Existing.KEEP);
    }

    /**
     * Carries out a delivery.
     *
     * @param existing what becomes of a file, a tab or rows that are there already and that Cuvee did not write
     */
    public Delivered deliver(Outcome outcome, Delivery delivery, Existing existing) {
        return delivered(outcome, delivery, () -> deliveries.deliver(outcome, delivery, existing));
    }

    /**
     * The same delivery to a free name beside a target that cannot be written for now; empty for what is no single file.
     */
    public Optional<Delivery> beside(Delivery delivery) {
        return deliveries.beside(delivery);
    }

    /** Carries out a delivery to a name beside its target, which is not touched. */
    public Delivered deliverBeside(Outcome outcome, Delivery delivery, Delivery beside) {
        return delivered(outcome, beside, () -> deliveries.deliverBeside(outcome, delivery, beside));
    }

    private Delivered delivered(Outcome outcome, Delivery delivery, Supplier<Delivered> delivering) {
        refuseInTrial();
        long start = System.nanoTime();
        Delivered done = delivering.get();
        history()
                .delivered(
                        targetSaid(delivery),
                        done.said(),
                        outcome.rows(),
                        workplace.clock().instant(),
                        (System.nanoTime() - start) / 1_000_000);
        return done;
    }

    /** What a delivery would do, in words, with nothing written. */
    public String look(Outcome outcome, Delivery delivery) {
        return deliveries.look(outcome, delivery);
    }

    /** Refuses a delivery that cannot be carried out, or would destroy something, before any work is done for it. */
    public void check(Job job, Delivery delivery, Existing existing) {
        deliveries.check(job, delivery, existing);
    }

    /** What carrying out a delivery would destroy of others, in words; empty where nothing. */
    public Optional<String> loss(Job job, Delivery delivery) {
        return deliveries.loss(job, delivery);
    }

    /** Writes the account of an outcome as a page, and remembers that the file is no source. */
    public void writeAccount(Outcome outcome, Path target, Existing existing) {
        guard(outcome.job()).check(target, existing);
        MasterFiles.writeText(Account.of(outcome).html(), target, deliveries::register);
    }

    /** The page for whoever sent a source, or the sources of a folder. */
    public Account senderPage(Outcome outcome, String source) {
        return SenderPage.of(outcome, source, column -> misfits(outcome, column, MOST_MISFITS));
    }

    /** Writes the page for a sender, and remembers that the file is no source. */
    public void writeSenderPage(Outcome outcome, String source, Path target, Existing existing) {
        guard(outcome.job()).check(target, existing);
        MasterFiles.writeText(senderPage(outcome, source).html(), target, deliveries::register);
    }

    /** Writes a workbook for senders to fill in, with the master's headers; the file is remembered as no source. */
    public void writeBlank(Outcome outcome, Path target, Existing existing) {
        guard(outcome.job()).check(target, existing);
        deliveries.blank(outcome, target);
    }

    /** What keeps a master from being written over what is not ours; knows the sources that were listed last. */
    public TargetGuard guard(Job job) {
        return deliveries.guard(job, List.of());
    }

    /** By which columns a prepared workbook is to be filled; empty where nothing of the master stands in it. */
    public Optional<Delivery.Prepared> prepared(Outcome outcome, Path workbook) {
        try (MasterReader reader = reader(outcome)) {
            return PreparedWorkbook.guess(reader, outcome.plan(), workbook);
        }
    }

    /** Writes the master of an outcome to a file that is not there, or that Cuvee wrote. */
    public long deliver(Outcome outcome, Path target) {
        return deliver(outcome, target, Existing.KEEP);
    }

    /** Writes the master of an outcome to a file, and remembers that the file is no source. */
    public long deliver(Outcome outcome, Path target, Existing existing) {
        return deliver(outcome, new Delivery("", target.toAbsolutePath().toString()), existing)
                .bytes();
    }

    // ---- the master ----

    /** A reader of the master as it was made for an outcome. */
    public MasterReader reader(Outcome outcome) {
        return store.reader(outcome.plan());
    }

    /** Some rows of the master in an order of their own, as it was made for an outcome; whoever asks for it closes it. */
    public RowView view(Outcome outcome, List<RowRule.Condition> conditions, List<RowView.By> order) {
        return store.view(
                outcome.plan(), conditions, order, Optional.of(new RowView.Counted(outcome.rows(), outcome.totals())));
    }

    /** What a summary of the master comes to. */
    public SummaryTable summary(Outcome outcome, Summary summary) {
        return Summaries.table(store, outcome, summary);
    }

    /** Values of a column that did not fit its type, at most so many. */
    public List<SourceCells.Misfit> misfits(Outcome outcome, int column, int most) {
        return store.cells().misfits(outcome.proposal().plan(), column, most);
    }

    /** A look at what rules do to rows and cells. */
    public RuleLooks looks() {
        return new RuleLooks(store, jobFolder);
    }

    /** The different values of a column of the master, tags behind the others; whoever asks for it closes it. */
    public ValueList values(Outcome outcome, int column) {
        return store.values(outcome.proposal().plan(), column);
    }

    /** The different texts that do not fit a column's type, with how many rows hold each. */
    public List<Spellings.Counted> misfitTexts(Outcome outcome, int column) {
        return store.cells().misfitTexts(outcome.proposal().plan(), column);
    }

    @Override
    public void close() {
        store.close();
        afterwards.run();
    }
}
