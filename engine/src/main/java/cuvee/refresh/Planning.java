package cuvee.refresh;

import cuvee.change.HeaderBookFile;
import cuvee.collect.Source;
import cuvee.detect.TableColumn;
import cuvee.earlier.ClosedPeriods;
import cuvee.earlier.RepeatedRows;
import cuvee.earlier.SentAgain;
import cuvee.earlier.YearToDate;
import cuvee.finding.Finding;
import cuvee.gather.SourceFacts;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.propose.CodeTables;
import cuvee.propose.Planner;
import cuvee.propose.Profiling;
import cuvee.propose.Proposal;
import cuvee.tag.Home;
import cuvee.value.Period;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * From the tables that were found to a proposal that its own rows bear out. What was sent again, stands in several tables
 * or came after its period was closed shows in the rows of a built master only; each time something is found, all is
 * proposed and built once more.
 */
final class Planning {
    /** So often rows are looked for that stand in other tables; each time tables go that stood in the way before. */
    private static final int MOST_LOOKS = 5;

    private final Workplace workplace;
    private final Store store;
    private final List<PlacedTable> placed;
    private final Map<PlacedTable, String> ruledOut;
    private final Map<String, Source> sources;
    private final Map<String, SourceFacts> facts;
    private final Map<String, Long> modified;
    private final CodeTables codes;
    private final Profiling profiling;

    /**
     * @param placed all tables of all sources, in their order
     * @param ruledOut tables that are set aside whatever the rows say, with the reason
     * @param sources the sources by their paths
     * @param facts what was read from them, by their paths
     * @param modified when they were changed last, in milliseconds since 1970, by their paths; those that are gone too
     * @param codes names for codes
     * @param profiling what stands under headers
     */
    Planning(
            Workplace workplace,
            Store store,
            List<PlacedTable> placed,
            Map<PlacedTable, String> ruledOut,
            Map<String, Source> sources,
            Map<String, SourceFacts> facts,
            Map<String, Long> modified,
            CodeTables codes,
            Profiling profiling) {
        this.workplace = workplace;
        this.store = store;
        this.placed = placed;
        this.ruledOut = new HashMap<>(ruledOut);
        this.sources = sources;
        this.facts = facts;
        this.modified = modified;
        this.codes = codes;
        this.profiling = profiling;
    }

    /** What the tables are proposed to become, before a row is looked at. */
    Proposal first(Job job) {
        return propose(job);
    }

    /** The master of a proposal is built; the proposal comes back as its rows leave it, with its master built. */
    Proposal settled(Proposal first, Job job, ClosedPeriods closed, List<Finding> findings) {
        store.build(first.plan());
        List<Decision> decided = new ArrayList<>(sentAgain(first));
        Proposal proposal = decided.isEmpty() ? first : built(job.withMoreAssumed(decided));
        // What is set aside may let in a table that was a double of it, so that it is looked again until nothing is
        // found.
        List<Decision> repeated = repeatedRows(proposal);
        for (int look = 1; !repeated.isEmpty() && look <= MOST_LOOKS; look++) {
            decided.addAll(repeated);
            proposal = built(job.withMoreAssumed(decided));
            repeated = repeatedRows(proposal);
        }
        Map<PlacedTable, String> late = closed.isEmpty() ? Map.of() : late(closed, proposal);
        if (!late.isEmpty()) {
            ruledOut.putAll(late);
            findings.addAll(ClosedPeriods.lateFindings(late));
            proposal = built(job.withMoreAssumed(decided));
        }
        return proposal;
    }

    private Proposal built(Job job) {
        Proposal proposal = propose(job);
        store.build(proposal.plan());
        return proposal;
    }

    private Proposal propose(Job job) {
        Map<PlacedTable, String> out = new HashMap<>(SentAgain.aside(job, placed));
        out.putAll(RepeatedRows.aside(job, placed));
        out.putAll(YearToDate.aside(job, placed));
        out.putAll(ruledOut);
        Planner.Surroundings around = new Planner.Surroundings(
                this::home,
                store.cells()::count,
                store.cells(),
                modified,
                codes,
                (table, row) -> store.rows().row(table.staged(), table.width(), row),
                HeaderBookFile.read(workplace.state()),
                profiling);
        return Planner.propose(job, placed, out, around);
    }

    private Home home(PlacedTable table) {
        Optional<Source> source = Optional.ofNullable(sources.get(table.source()));
        return new Home(
                table.source(),
                source.map(Source::place).orElse(""),
                table.sheet(),
                table.name(),
                titles(table),
                source.map(each -> Instant.ofEpochMilli(each.modified())
                                .atZone(ZoneOffset.UTC)
                                .toLocalDate()
                                .toString())
                        .orElse(""));
    }

    /** The titles of a table, and the day that stands over its column of names where others have a word for them. */
    private static List<String> titles(PlacedTable table) {
        List<String> titles = new ArrayList<>(table.table().titles());
        List<TableColumn> days = table.table().columns().stream()
                .filter(column -> Period.of(column.header())
                        .filter(period -> period.kind() == Period.Kind.DAY)
                        .flatMap(Period::first)
                        .isPresent())
                .toList();
        if (days.size() == 1 && Nature.of(days.get(0).evidence()) == Nature.WORDS) {
            titles.add(days.get(0).header());
        }
        return titles;
    }

    /** Looks for tables whose rows stand in others too, unless that was done since rows last changed, and none was found. */
    private List<Decision> repeatedRows(Proposal proposal) {
        if (store.isLookedAt(RepeatedRows.looked(proposal.job()))) {
            return List.of();
        }
        try (MasterReader reader = store.reader(proposal.plan())) {
            List<Decision> found = YearToDate.found(proposal.job(), proposal, reader);
            if (found.isEmpty()) {
                found = RepeatedRows.found(proposal.job(), proposal, reader);
            }
            if (found.isEmpty()) {
                store.putLookedAt(RepeatedRows.looked(proposal.job()));
            }
            return found;
        }
    }

    private Map<PlacedTable, String> late(ClosedPeriods closed, Proposal proposal) {
        try (MasterReader reader = store.reader(proposal.plan())) {
            return closed.late(proposal, reader, facts);
        }
    }

    private List<Decision> sentAgain(Proposal proposal) {
        try (MasterReader reader = store.reader(proposal.plan())) {
            return SentAgain.found(proposal.job(), proposal, reader, modified);
        }
    }
}
