package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.HeaderBook;
import cuvee.lineup.LineUp;
import cuvee.lineup.LiningUp;
import cuvee.lineup.Profile;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Lines the headers of the layouts up into the columns of the master, and feeds these from the tables. */
final class HeadersToColumns implements Draft.Step {
    private final Job job;
    private final HeaderBook book;
    private final Profiling profiling;

    /**
     * @param book headers settled in other jobs
     * @param profiling what stands under headers
     */
    HeadersToColumns(Job job, HeaderBook book, Profiling profiling) {
        this.job = job;
        this.book = book;
        this.profiling = profiling;
    }

    @Override
    public Draft on(Draft draft) {
        List<Layout> layouts = draft.layouts();
        ColumnOrder order = new ColumnOrder(job);
        List<String> moved = order.moved(layouts);
        // Where all tables have the same headers nothing is left to be lined up by what stands below them.
        Map<String, Profile> profiles = layouts.size() > 1 ? profiling.of(layouts) : Map.of();
        LineUp everything =
                LiningUp.of(layouts, withoutReplaced(draft.found().replaced(), layouts, moved), book, profiles);
        Map<String, String> columnOfHeader = new HashMap<>();
        everything
                .columnOfHeader()
                .forEach((key, at) ->
                        columnOfHeader.put(key, everything.columns().get(at).name()));
        NewColumns later = NewColumns.of(job, everything, layouts);
        List<Finding> findings = new ArrayList<>(
                notCompared(everything.columnOfHeader().size()).stream().toList());
        Map<String, Long> leftOut = leftOut(everything, layouts, later.held(), findings);
        LineUp lineUp = everything.without(leftOut.keySet());
        List<DraftColumn> columns = feed(draft.members(), lineUp, findings);
        List<String> names = order.placed(
                moved, everything.columns().stream().map(LineUp.Column::name).toList());
        Said said = later.said().and(new Said(lineUp.questions(), findings, lineUp.decisions()));
        return draft.with(new Draft.Lined(columnOfHeader, names, leftOut))
                .withColumns(columns)
                .saying(said);
    }

    /** What is to be said where there are so many headers that not each is compared with each. */
    static Optional<Finding> notCompared(int headers) {
        return headers <= LineUp.MOST_COMPARED
                ? Optional.empty()
                : Optional.of(new Finding(
                        Severity.WARNING,
                        "headers-not-compared",
                        Where.JOB,
                        "The tables have " + Says.number(headers) + " different headers, too many to compare each with"
                                + " each: those without a word that begins alike were not held against each other.",
                        "They are columns of their own.",
                        "Leave out files that do not belong to this master, or unite columns in Line up."));
    }

    /** The job without columns that are no more since tables are laid out otherwise. */
    private Job withoutReplaced(Set<String> replaced, List<Layout> layouts, List<String> moved) {
        Set<String> gone = new HashSet<>(replaced);
        Set<String> there = new HashSet<>();
        layouts.forEach(layout -> there.addAll(layout.keys()));
        gone.removeAll(there);
        // A column that headers of today are lined up with is one of today, whatever it is called.
        Stream.concat(job.assumed().stream(), job.settled().stream())
                .filter(decision -> decision.kind().equals(LineUp.KIND) && there.contains(decision.subject()))
                .forEach(decision -> gone.remove(LooseText.key(decision.answer())));
        return job.withAssumed(
                job.columns().stream()
                        .filter(name -> !gone.contains(LooseText.key(name)) && !moved.contains(name))
                        .toList(),
                job.assumed());
    }

    /** The columns that the analyst leaves out, and how many filled cells that costs. */
    private Map<String, Long> leftOut(LineUp lineUp, List<Layout> layouts, Set<String> held, List<Finding> findings) {
        Map<String, Long> leftOut = new LinkedHashMap<>();
        for (LineUp.Column column : lineUp.columns()) {
            boolean yours = job.isSettled(Kinds.COLUMN, column.name());
            if (ColumnChoice.isLeftOut(job, column.name()) || held.contains(column.name())) {
                long filled = NewColumns.filled(column, lineUp, layouts);
                leftOut.put(column.name(), filled);
                findings.add(new Finding(
                        Severity.REMARK,
                        "column-left-out",
                        Where.JOB,
                        "The column " + Says.quoted(column.name())
                                + (yours ? " is left out by you." : " is new, and new columns are held back."),
                        "Its " + Says.count(filled, "filled cell") + " are not in the master.",
                        "Put it back in Line up."));
            }
        }
        return leftOut;
    }

    /** The columns with what feeds them; of two headers of a table for one column the first does. */
    private static List<DraftColumn> feed(List<PlacedTable> tables, LineUp lineUp, List<Finding> findings) {
        List<Map<PlacedTable, LaidColumn>> fed = new ArrayList<>();
        lineUp.columns().forEach(column -> fed.add(new LinkedHashMap<>()));
        for (PlacedTable table : tables) {
            for (LaidColumn column : table.columns()) {
                int at = lineUp.columnOf(LooseText.key(column.header())).orElse(-1);
                if (at < 0) {
                    continue;
                }
                LaidColumn first = fed.get(at).putIfAbsent(table, column);
                if (first != null) {
                    findings.add(new Finding(
                            Severity.WARNING,
                            "two-headers",
                            table.where(),
                            "The headers " + Says.quoted(first.header()) + " and " + Says.quoted(column.header())
                                    + " both belong to the column "
                                    + Says.quoted(lineUp.columns().get(at).name()) + ".",
                            "The first is used; the second is left out of this table.",
                            "Settle one of the headers as a column of its own."));
                }
            }
        }
        List<DraftColumn> columns = new ArrayList<>();
        for (int at = 0; at < fed.size(); at++) {
            LineUp.Column column = lineUp.columns().get(at);
            columns.add(new DraftColumn(column.name(), column.layouts(), fed.get(at)));
        }
        return columns;
    }
}
