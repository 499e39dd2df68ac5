package cuvee.refresh;

import cuvee.audit.DatesInParts;
import cuvee.audit.ExpectedList;
import cuvee.audit.IdleRules;
import cuvee.audit.MasterFindings;
import cuvee.audit.OwnChecks;
import cuvee.audit.SendersAndMonths;
import cuvee.audit.SwappedColumns;
import cuvee.check.CheckResult;
import cuvee.check.SourceFigures;
import cuvee.collect.Collector;
import cuvee.collect.Source;
import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.deliver.MasterFiles;
import cuvee.deliver.WrittenFiles;
import cuvee.earlier.ClosedPeriods;
import cuvee.earlier.KeptSources;
import cuvee.earlier.RepeatedRows;
import cuvee.earlier.SentAgain;
import cuvee.earlier.YearToDate;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.gather.FactsJson;
import cuvee.gather.FormSheets;
import cuvee.gather.Gathering;
import cuvee.gather.ListedPlaces;
import cuvee.gather.LostDigits;
import cuvee.gather.NotFollowed;
import cuvee.gather.OwnMasters;
import cuvee.gather.Progress;
import cuvee.gather.ReadSheet;
import cuvee.gather.Removed;
import cuvee.gather.Reread;
import cuvee.gather.SheetRules;
import cuvee.gather.SourceFacts;
import cuvee.gather.TextFormQuestion;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.master.ColumnTotal;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.Shaped;
import cuvee.master.Store;
import cuvee.place.Where;
import cuvee.propose.CodeTables;
import cuvee.propose.CopyQuestions;
import cuvee.propose.Profiling;
import cuvee.propose.Proposal;
import cuvee.tell.Changed;
import cuvee.tell.Outcome;
import cuvee.tell.Reports;
import cuvee.tell.Sentences;
import cuvee.tell.SettledFinding;
import cuvee.tell.SourceReport;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
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
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One refresh of a job, stage by stage: the places are listed, what changed is read, a master is proposed and made, and
 * what came of it is looked at. Used once.
 */
final class Refresh {
    private static final Logger LOG = LoggerFactory.getLogger(Refresh.class);

    /**
     * What a session has of its job.
     *
     * @param state the folder of the job's history
     * @param known what is known of each source by its path; brought up to date
     * @param nextId the number of the next sheet or table of the store
     * @param profiling what stands under headers, as far as it was looked at
     */
    record Around(
            Workplace workplace,
            Path jobFolder,
            Path state,
            Gathering.Keys keys,
            Store store,
            Map<String, SourceFacts> known,
            AtomicInteger nextId,
            Profiling profiling,
            Proof proof,
            WrittenFiles written) {}

    private final Around around;
    private final Store store;
    private final Map<String, SourceFacts> known;
    private final Function<Job, Collector.Collected> listing;
    private final Function<Delivery, Path> targetOf;
    private final Reread mode;
    private final Progress progress;
    private final Stopwatch watch = new Stopwatch();
    private final List<Finding> findings = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();

    /**
     * @param listing lists the files of a job's places
     * @param targetOf where a delivery is written
     */
    Refresh(
            Around around,
            Function<Job, Collector.Collected> listing,
            Function<Delivery, Path> targetOf,
            Reread mode,
            Progress progress) {
        this.around = around;
        this.store = around.store();
        this.known = around.known();
        this.listing = listing;
        this.targetOf = targetOf;
        this.mode = mode;
        this.progress = progress;
    }

    /** Times the stages of a run. */
    private static final class Stopwatch {
        private final Map<String, Long> millis = new LinkedHashMap<>();
        private long last = System.nanoTime();

        void lap(String stage) {
            long now = System.nanoTime();
            millis.merge(stage, (now - last) / 1_000_000, Long::sum);
            last = now;
        }
    }

    /**
     * The job as it is asked for, with what lies in its places.
     *
     * @param given the job before tables that list places had their say
     */
    private record Listed(Job given, Job asked, Collector.Collected collected) {}

    /**
     * What was read.
     *
     * @param facts of the sources that are there
     * @param gone of those that are not, and whose rows stay
     * @param replaced the paths of those that were read anew
     * @param inOrder both, in the order of their rows in the master
     */
    private record Read(
            Job given,
            Job job,
            List<Source> sources,
            Map<String, SourceFacts> facts,
            Map<String, SourceFacts> gone,
            Set<String> replaced,
            List<SourceFacts> inOrder,
            KeptSources kept,
            OwnMasters own,
            ClosedPeriods closed,
            Optional<LastRefresh> last) {}

    /** A first proposal, and what it was made from. */
    private record Planned(
            Read read,
            Job job,
            List<PlacedTable> placed,
            SheetRules rules,
            CodeTables codes,
            Planning planning,
            Proposal proposed) {}

    /** The master as it was made. */
    private record Made(Planned planned, MasterLook look, List<SourceReport> reports, List<ReadSheet> sheets) {
        Proposal proposal() {
            return look.proposal();
        }
    }

    /** What comes of refreshing a job. */
    Outcome of(Job given) {
        return outcome(make(plan(read(list(given)))));
    }

    // ---- listing and reading ----

    private Listed list(Job given) {
        progress.at(Progress.Stage.COLLECTING, 0, 0);
        Set<String> homes =
                known.values().stream().map(SourceFacts::home).collect(Collectors.toCollection(TreeSet::new));
        Job everywhere = ListedPlaces.with(given, around.jobFolder(), homes, findings);
        Collector.Collected collected = listing.apply(everywhere);
        findings.addAll(collected.findings());
        if (!store.madeAnew().isEmpty() && known.isEmpty()) {
            findings.add(new Finding(
                    Severity.REMARK,
                    "cache-anew",
                    Where.JOB,
                    "The cache of this job could not be used: " + store.madeAnew() + ".",
                    "It was made anew from the sources.",
                    ""));
        }
        watch.lap("collect");
        return new Listed(given, withNames(Choices.inNewWords(everywhere), collected.names()), collected);
    }

    /** The job with names for sources that another source's path would clash with. */
    private static Job withNames(Job job, Map<String, String> names) {
        if (names.isEmpty()) {
            return job;
        }
        List<Decision> more = new ArrayList<>();
        new TreeMap<>(names)
                .forEach((key, name) -> more.add(
                        new Decision(Kinds.SOURCE_NAME, key, name, "another place holds a file of the same path", "")));
        return job.withMoreAssumed(more);
    }

    private Read read(Listed listed) {
        Job asked = listed.asked();
        List<Source> sources = listed.collected().sources();
        KeptSources kept = new KeptSources(around.state(), store, around.nextId());
        Set<String> withRows = known.values().stream()
                .filter(facts -> facts.readable() || facts.hasTables())
                .map(SourceFacts::path)
                .collect(Collectors.toSet());
        known.putAll(kept.missingFrom(withRows, path -> !Removed.is(asked, path)));
        OwnMasters own = new OwnMasters(around.written(), asked);
        ClosedPeriods closed = new ClosedPeriods(asked);
        asked.deliveries().forEach(delivery -> MasterFiles.removeLeftovers(targetOf.apply(delivery)));
        Gathering gathering =
                new Gathering(around.workplace(), store, around.nextId(), known, around.keys(), own, closed);
        gathering.gather(asked, sources, mode, progress);
        watch.lap("read");
        around.proof().keepEarlierRows(known, gathering);

        progress.at(Progress.Stage.PLANNING, 0, 0);
        Map<String, SourceFacts> facts = gathering.facts();
        Job job = gathering.replaced().isEmpty() ? asked : RepeatedRows.forgotten(asked);
        GoneSources goneSources = new GoneSources(job, questions, findings);
        Map<String, SourceFacts> gone = goneSources.gone(known, facts, sources);
        goneSources.unreadable(facts.values());
        Optional<LastRefresh> last = LastRefresh.read(around.state());
        goneSources.lost(last, facts, gone, sources);
        List<SourceFacts> inOrder = new ArrayList<>();
        sources.forEach(source -> Optional.ofNullable(facts.get(source.path())).ifPresent(inOrder::add));
        inOrder.addAll(gone.values());
        return new Read(
                listed.given(), job, sources, facts, gone, gathering.replaced(), inOrder, kept, own, closed, last);
    }

    // ---- planning ----

    private Planned plan(Read read) {
        Map<String, Long> modified = new HashMap<>();
        read.inOrder().forEach(source -> modified.put(source.path(), source.modified()));
        Map<String, Source> sources = byPath(read.sources());
        List<PlacedTable> placed = read.inOrder().stream()
                .flatMap(source -> source.placed().stream())
                .toList();
        Job job = read.job();
        SheetRules rules = SheetRules.of(job, read.sources());
        Map<PlacedTable, String> ruledOut = rules.ruledOut(read.inOrder(), findings);
        Map<PlacedTable, String> masters = read.own().amongTables(placed, store);
        ruledOut.putAll(masters);
        questions.addAll(OwnMasters.questions(job, read.facts(), masters));
        CodeTables codes = CodeTables.of(job, around.jobFolder(), findings);
        Planning planning = new Planning(
                around.workplace(),
                store,
                placed,
                ruledOut,
                sources,
                read.facts(),
                modified,
                codes,
                around.profiling());
        Proposal proposed = planning.first(job);
        Optional<Job> tidied = Abandoned.without(job, proposed, read.last(), read.facts(), read.sources());
        if (tidied.isPresent()) {
            job = tidied.get();
            proposed = planning.first(job);
        }
        watch.lap("plan");
        return new Planned(read, job, placed, rules, codes, planning, proposed);
    }

    private static Map<String, Source> byPath(List<Source> sources) {
        Map<String, Source> byPath = new HashMap<>();
        sources.forEach(source -> byPath.put(source.path(), source));
        return byPath;
    }

    // ---- making ----

    private Made make(Planned planned) {
        progress.at(Progress.Stage.MAKING, 0, 0);
        Read read = planned.read();
        Job job = planned.job();
        Proposal proposal = planned.planning().settled(planned.proposed(), job, read.closed(), findings);
        sayWhatRepeats(proposal.job(), planned.placed());
        keepFacts(read);
        List<SourceReport> reports = Reports.of(read.sources(), read.facts(), read.gone(), proposal, findings);
        questions.addAll(proposal.questions());
        TextFormQuestion.of(job, read.inOrder()).ifPresent(questions::add);
        questions.addAll(TextFormQuestion.aboutQuotes(job, read.inOrder()));
        questions.addAll(CopyQuestions.of(job, read.sources()));
        findings.addAll(proposal.findings());
        findings.addAll(
                ListedPlaces.offers(job, proposal.outside().keySet(), byPath(read.sources()), around.jobFolder()));
        if (proposal.plan().tables().isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "no-rows",
                    Where.JOB,
                    "No table with records was found in any source.",
                    "The master is empty.",
                    "Look at the reasons given for each file."));
        }
        List<ReadSheet> sheets = ReadSheet.of(read.inOrder(), planned.rules()::place, proposal.outside());
        findings.addAll(NotFollowed.findings(job, sheets));
        MasterLook look = MasterLook.of(
                store,
                around.proof(),
                proposal,
                read.given(),
                read.closed(),
                read.facts(),
                ExpectedList.read(read.given(), around.jobFolder(), findings),
                LocalDate.ofInstant(around.workplace().clock().instant(), ZoneId.systemDefault()),
                findings);
        return new Made(planned, look, reports, sheets);
    }

    private void sayWhatRepeats(Job job, List<PlacedTable> placed) {
        questions.addAll(SentAgain.questions(job, placed));
        questions.addAll(YearToDate.questions(job, placed));
        findings.addAll(YearToDate.findings(job, placed));
        questions.addAll(RepeatedRows.questions(job, placed));
        findings.addAll(RepeatedRows.findings(job, placed));
    }

    private static Set<String> unreadable(List<SourceReport> reports) {
        return reports.stream()
                .filter(report -> report.state() == SourceReport.State.UNREADABLE)
                .map(SourceReport::path)
                .collect(Collectors.toSet());
    }

    private void keepFacts(Read read) {
        Map<String, SourceFacts> facts = read.facts();
        Map<String, String> changed = new LinkedHashMap<>();
        for (String path : read.replaced()) {
            SourceFacts found = facts.get(path);
            if (found != null) {
                changed.put(path, FactsJson.write(found));
            }
        }
        List<String> forgotten = known.keySet().stream()
                .filter(path -> !facts.containsKey(path) && !read.gone().containsKey(path))
                .toList();
        boolean hadOthers = !known.isEmpty();
        store.putFacts(changed, forgotten);
        forgotten.forEach(known::remove);
        facts.forEach(known::put);
        boolean unreadable = facts.values().stream().anyMatch(source -> !source.readable() && !source.isKept());
        if ((hadOthers && !read.replaced().isEmpty()) || !forgotten.isEmpty() || unreadable) {
            Set<Integer> sheets = new HashSet<>();
            Set<Integer> tables = new HashSet<>();
            known.values().forEach(source -> {
                source.sheets().forEach(sheet -> sheets.add(sheet.id()));
                source.placed().forEach(table -> tables.add(table.id()));
            });
            store.keepOnly(sheets, tables);
        }
    }

    // ---- what came of it ----

    private Outcome outcome(Made made) {
        Proposal proposal = made.proposal();
        MasterLook look = made.look();
        Read read = made.planned().read();
        long rows = look.rows();
        List<ColumnTotal> totals = look.totals();
        Optional<Shaped> shaped = store.shape(proposal.plan());
        read.kept().keep(new ClosedPeriods(proposal.job()), made.planned().job(), read.facts(), read.gone(), findings);
        sayOfTheMaster(made, shaped);
        shaped = shaped.filter(it -> it.problem().isEmpty());
        if (shaped.isPresent()) {
            try (MasterReader reader = store.reader(shaped.get().plan())) {
                rows = reader.rows();
                totals = reader.totals();
            }
        }
        MasterPlan plan = shaped.map(Shaped::plan).orElse(proposal.plan());
        List<CheckResult> checks =
                new OwnChecks(store, plan, proposal.plan(), rows, around.jobFolder()).results(proposal.job());
        findings.addAll(OwnChecks.findings(checks));
        Map<String, SourceFigures> figures =
                Proof.figures(proposal.plan(), look.reconciled(), look.made(), look.rowsAside());
        Changed changed = LastRefresh.of(made.reports(), known, plan, proposal, rows, figures)
                .since(read.last(), unreadable(made.reports()));
        changed = changed.withRows(around.proof().differences(changed, proposal.plan()));
        watch.lap("make");
        LOG.info("refreshed: {} sources, {} rows, {} questions", made.reports().size(), rows, questions.size());
        SettledFinding.Parted parted = SettledFinding.part(findings, proposal.job());
        Outcome outcome = new Outcome(
                proposal.job(),
                proposal,
                made.reports(),
                made.sheets(),
                questions,
                parted.open(),
                parted.settled(),
                changed,
                rows,
                totals,
                look.made(),
                look.rowsAside(),
                shaped,
                look.reconciled(),
                look.arrivals(),
                checks,
                List.of(),
                watch.millis);
        return outcome.withSentences(Sentences.of(outcome));
    }

    private void sayOfTheMaster(Made made, Optional<Shaped> shaped) {
        Proposal proposal = made.proposal();
        MasterLook look = made.look();
        findings.addAll(new MasterFindings(store, proposal).all(made.planned().codes(), shaped));
        findings.addAll(
                Summaries.findings(proposal.job(), shaped.map(Shaped::plan).orElse(proposal.plan())));
        look.arrivals().ifPresent(found -> findings.addAll(SendersAndMonths.findings(found)));
        findings.addAll(IdleRules.findings(proposal, look.rowsAside(), look.rows()));
        List<PlacedTable> taken = proposal.layouts().stream()
                .flatMap(layout -> layout.tables().stream())
                .toList();
        findings.addAll(FormSheets.findings(taken, store));
        findings.addAll(LostDigits.findings(taken, store));
        findings.addAll(DatesInParts.findings(proposal.plan()));
        findings.addAll(SwappedColumns.findings(proposal.plan()));
    }
}
