package cuvee.earlier;

import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.ProofChoice.Closed;
import cuvee.detect.FoundTable;
import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.Gathering;
import cuvee.gather.SourceFacts;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.master.HeldRows;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Rows that the analyst has closed, month by month: a source that holds nothing else keeps the rows that it had then,
 * whatever becomes of the file; a source that comes later is set aside; and where the rows or sums differ from those of
 * then all the same, it is said. To close again is to accept what came.
 */
public final class ClosedPeriods implements Gathering.Closed {

    private static final String LATE = "closed-late";
    private static final int MOST_NAMED = 4;
    private final List<Entry> entries = new ArrayList<>();

    private record Entry(Decision decision, Closed closed) {}

    /** The periods that a job has closed. */
    public ClosedPeriods(Job job) {
        for (Decision decision : job.settled()) {
            if (decision.kind().equals(Kinds.CLOSED) && Choices.of(decision, Set.of()) instanceof Closed closed) {
                entries.add(new Entry(decision, closed));
            }
        }
    }

    // ---- sources ----

    @Override
    public boolean has(String path) {
        return sum(path).isPresent();
    }

    private Optional<String> sum(String path) {
        return entries.stream()
                .flatMap(entry -> entry.closed().held().stream())
                .flatMap(held -> Optional.ofNullable(held.sources().get(path)).stream())
                .filter(sum -> !sum.isEmpty())
                .findFirst();
    }

    @Override
    public boolean released(SourceFacts known) {
        return known.isHeldClosed()
                && sum(known.path()).filter(known.sum()::equals).isEmpty();
    }

    @Override
    public SourceFacts asClosed(@Nullable SourceFacts before, SourceFacts found) {
        Optional<Entry> entry = entries.stream()
                .filter(each -> each.closed()
                        .held()
                        .filter(held ->
                                !held.sources().getOrDefault(found.path(), "").isEmpty())
                        .isPresent())
                .findFirst();
        Optional<String> sum = sum(found.path());
        if (entry.isEmpty()
                || !found.readable()
                || sum.filter(found.sum()::equals).isPresent()) {
            return found;
        }
        String period = entry.get().closed().value();
        if (before == null
                || !before.hasTables()
                || sum.filter(before.sum()::equals).isEmpty()) {
            // That the rows differ from those of then is found once they are added up.
            return found;
        }
        return before.keptAsClosed(
                found,
                new Finding(
                        Severity.WARNING,
                        SourceFacts.CLOSED_CHANGED,
                        Where.source(found.path()),
                        Says.quoted(period) + " is closed, and the file has changed since: " + difference(before, found)
                                + ".",
                        "Its rows stay as they were when " + period + " was closed.",
                        "Close " + period + " again to take the change in, or ask the sender why it came."));
    }

    /** What differs between two states of a file: rows, and the sums of its number columns as it names them. */
    private static String difference(SourceFacts before, SourceFacts now) {
        List<String> said = new ArrayList<>();
        if (before.rows() != now.rows()) {
            said.add(Says.count(now.rows(), "row") + " instead of " + Says.number(before.rows()));
        }
        Map<String, Double> was = sums(before);
        Map<String, Double> is = sums(now);
        is.forEach((header, sum) -> {
            Double old = was.get(header);
            if (old != null && Math.abs(old - sum) > 1e-6 * Math.max(1, Math.abs(old)) && said.size() < MOST_NAMED) {
                said.add(Says.quoted(header) + " comes to " + Says.number(sum) + " instead of " + Says.number(old));
            }
        });
        return said.isEmpty() ? "as many rows and the same sums, but other content" : Says.list(said);
    }

    private static Map<String, Double> sums(SourceFacts facts) {
        Map<String, Double> sums = new LinkedHashMap<>();
        for (SourceFacts.SheetFacts sheet : facts.sheets()) {
            for (FoundTable table : sheet.tables()) {
                for (TableColumn column : table.columns()) {
                    if (Nature.of(column.evidence()) == Nature.NUMBERS) {
                        sums.merge(column.header(), column.sum(), Double::sum);
                    }
                }
            }
        }
        return sums;
    }

    // ---- rows ----

    /** True where no period is closed. */
    public boolean isEmpty() {
        return entries.isEmpty();
    }

    /** Tables of sources that came after their rows were closed, each with the reason why it waits. */
    public Map<PlacedTable, String> late(Proposal proposal, MasterReader reader, Map<String, SourceFacts> facts) {
        Map<PlacedTable, String> late = new LinkedHashMap<>();
        Map<Integer, PlacedTable> placed = new HashMap<>();
        proposal.layouts().forEach(layout -> layout.tables().forEach(table -> placed.put(table.id(), table)));
        for (Entry entry : entries) {
            entry.closed().held().ifPresent(held -> {
                HeldRows rows = rows(entry.closed(), proposal.plan(), reader);
                Set<String> whole = wholly(rows, proposal.plan(), reader);
                rows.byTable().keySet().stream()
                        .map(placed::get)
                        .filter(table ->
                                table != null && whole.contains(table.source()) && !isHeld(held, table.source(), facts))
                        .forEach(table -> late.put(
                                table,
                                "it came after " + Says.quoted(entry.closed().value()) + " was closed"));
            });
        }
        return late;
    }

    /** True for a source that was there when rows were closed, under the same name or with the same content. */
    private static boolean isHeld(Closed.Held held, String source, Map<String, SourceFacts> facts) {
        SourceFacts now = facts.get(source);
        return held.sources().containsKey(source)
                || now != null && held.sources().containsValue(now.sum());
    }

    /** What is said of tables whose rows came for a period that was closed before. */
    public static List<Finding> lateFindings(Map<PlacedTable, String> late) {
        Map<String, String> bySource = new TreeMap<>();
        Map<String, Long> rows = new HashMap<>();
        late.forEach((table, reason) -> {
            bySource.put(table.source(), reason);
            rows.merge(table.source(), (long) table.table().kept(), Long::sum);
        });
        List<Finding> findings = new ArrayList<>();
        bySource.forEach((source, reason) -> findings.add(new Finding(
                Severity.WARNING,
                LATE,
                Where.source(source),
                "The file holds " + Says.count(rows.getOrDefault(source, 0L), "row") + ", and " + reason + ".",
                "It is set aside.",
                "Close that again to take it in, or ask the sender why it came.")));
        return findings;
    }

    private static HeldRows rows(Closed closed, MasterPlan plan, MasterReader reader) {
        List<String> names =
                plan.columns().stream().map(MasterPlan.Column::name).toList();
        int column = names.indexOf(closed.column());
        return column < 0
                ? new HeldRows(Map.of(), Map.of())
                : HeldRows.of(reader, plan, column, closed.value(), numbers(plan));
    }

    private static List<Integer> numbers(MasterPlan plan) {
        return IntStream.range(0, plan.columns().size())
                .filter(i -> plan.columns().get(i).type().isNumber())
                .boxed()
                .toList();
    }

    /** The sources all of whose rows are among these. */
    private static Set<String> wholly(HeldRows rows, MasterPlan plan, MasterReader reader) {
        Map<Integer, Long> all = reader.rowsByTable();
        Map<String, Boolean> whole = new TreeMap<>();
        for (MasterPlan.Table table : plan.tables()) {
            boolean own = rows.byTable().getOrDefault(table.id(), 0L).equals(all.getOrDefault(table.id(), 0L));
            whole.merge(table.source(), own, (a, b) -> a && b);
        }
        whole.values().removeIf(each -> !each);
        return whole.keySet();
    }

    /** The job with what the rows are that were closed since the last refresh. */
    public Job recorded(Job job, Proposal proposal, MasterReader reader, Map<String, SourceFacts> facts) {
        Job recorded = job;
        for (Entry entry : entries) {
            if (entry.closed().held().isEmpty()) {
                HeldRows rows = rows(entry.closed(), proposal.plan(), reader);
                Map<String, String> sources = new TreeMap<>();
                Set<String> whole = wholly(rows, proposal.plan(), reader);
                for (MasterPlan.Table table : proposal.plan().tables()) {
                    SourceFacts found = facts.get(table.source());
                    if (rows.byTable().containsKey(table.id())) {
                        sources.put(table.source(), found != null && whole.contains(table.source()) ? found.sum() : "");
                    }
                }
                Closed closed = new Closed(
                        entry.closed().column(),
                        entry.closed().value(),
                        rows.rows() == 0
                                ? Optional.empty()
                                : Optional.of(new Closed.Held(rows.rows(), sums(rows, proposal.plan()), sources)));
                recorded = recorded.withSettled(closed.as(entry.decision()));
            }
        }
        return recorded;
    }

    private static Map<String, String> sums(HeldRows rows, MasterPlan plan) {
        Map<String, String> sums = new TreeMap<>();
        rows.sums().forEach((column, sum) -> sums.put(plan.columns().get(column).name(), plain(sum)));
        return sums;
    }

    private static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }

    /** What is closed and differs from what it was then, or is not there. */
    public List<Finding> findings(Proposal proposal, MasterReader reader) {
        List<Finding> findings = new ArrayList<>();
        for (Entry entry : entries) {
            Closed closed = entry.closed();
            HeldRows rows = rows(closed, proposal.plan(), reader);
            if (rows.rows() == 0) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "closed-none",
                        Where.JOB,
                        Says.quoted(closed.value()) + " of " + Says.quoted(closed.column())
                                + " is closed, and no row says it.",
                        "Nothing is held fast by it.",
                        "Close another value, or take it back in Check."));
            } else if (closed.held().isPresent()) {
                moved(closed, closed.held().get(), rows, proposal.plan()).ifPresent(findings::add);
            }
        }
        return findings;
    }

    private static Optional<Finding> moved(Closed closed, Closed.Held held, HeldRows rows, MasterPlan plan) {
        List<String> said = new ArrayList<>();
        if (held.rows() != rows.rows()) {
            said.add(Says.count(rows.rows(), "row") + " instead of " + Says.number(held.rows()));
        }
        Map<String, String> now = sums(rows, plan);
        held.sums().forEach((name, sum) -> {
            String is = now.get(name);
            if (is != null && !is.equals(sum) && said.size() < MOST_NAMED) {
                said.add(Says.quoted(name) + " comes to " + is + " instead of " + sum);
            }
        });
        return said.isEmpty()
                ? Optional.empty()
                : Optional.of(new Finding(
                        Severity.WARNING,
                        "closed-moved",
                        Where.JOB,
                        Says.quoted(closed.value()) + " is closed, and differs now: " + Says.list(said) + ".",
                        "The master holds it as it is now: files with other months too, and rules, are not held fast.",
                        "See what changed; close it again to accept it."));
    }
}
