package cuvee.propose;

import cuvee.finding.Question;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.HeaderBook;
import cuvee.master.MasterPlan;
import cuvee.master.SourceCells;
import cuvee.place.Says;
import cuvee.rework.MadeColumns;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/**
 * Proposes the whole master from what was found: a function of the job and the tables. What the job has decided holds;
 * what it has not is decided from the evidence of the batch and kept as assumed. Steps make the draft, one after the
 * other; then its columns are typed, and the plan is made of them.
 */
public final class Planner {

    private final Job job;
    private final Surroundings around;

    private Planner(Job job, Surroundings around) {
        this.job = job;
        this.around = around;
    }

    /**
     * Proposes a master from tables in the order of the master.
     *
     * @param ruledOut tables that the analyst's rule about sheets does not take, with the reason
     */
    public static Proposal propose(
            Job job, List<PlacedTable> tables, Map<PlacedTable, String> ruledOut, Surroundings around) {
        Planner planner = new Planner(job, around);
        Draft draft = Draft.of(tables, job.assumed());
        for (Draft.Step step : planner.steps(ruledOut)) {
            draft = step.on(draft);
        }
        return planner.proposal(draft);
    }

    /**
     * What is known around the tables.
     *
     * @param homes where they come from
     * @param counting counts texts in their cells
     * @param sourceCells looks through their cells
     * @param modified when each source was modified
     * @param codes names for codes
     * @param staged reads single cells
     * @param book headers settled in other jobs
     * @param profiling what stands under headers
     */
    public record Surroundings(
            Homes homes,
            ValueCells.Counting counting,
            SourceCells sourceCells,
            Map<String, Long> modified,
            CodeTables codes,
            Corrections.Staged staged,
            HeaderBook book,
            Profiling profiling) {}

    /** From tables to columns, in the order in which one needs what the others settle. */
    private List<Draft.Step> steps(Map<PlacedTable, String> ruledOut) {
        return List.of(
                new TablesToTake(job, ruledOut),
                new Layings(job),
                new HeadersOfOthers(),
                new HeadersSaid(job),
                new FamilyChoice(job, around.profiling()),
                Doubles.step(job, around.profiling()),
                Layings::withoutIdleQuestions,
                new HeadersToColumns(job, around.book(), around.profiling()),
                new LabelMonths(job, around.homes()),
                TagColumns.step(job, around.homes()),
                new ColumnOrder(job));
    }

    private Proposal proposal(Draft untyped) {
        Corrections corrections = Corrections.of(job, untyped, around.staged());
        Draft draft = corrections.on(untyped);
        ValueCells cells =
                new ValueCells(job, draft.members(), around.counting(), around.codes(), scopes(draft.layouts())::apply);
        ColumnTyping typing = new ColumnTyping(job, draft.layouts(), cells, around.homes(), around.sourceCells());
        List<ColumnTyping.Typed> columns = typed(draft, typing);
        draft = draft.saying(
                Said.all(columns.stream().map(ColumnTyping.Typed::said).toList()));
        for (Draft.Step step : List.<Draft.Step>of(new ReadingQuestions(job), ByPosition::on, TotalsStated::on)) {
            draft = step.on(draft);
        }
        DraftPlan plan = DraftPlan.of(job, draft, columns, typing, corrections, cells, around.modified());
        Said said = draft.said().and(plan.said());
        return new Proposal(
                job.withAssumed(draft.lined().names(), said.decisions()),
                plan.plan(),
                draft.layouts(),
                draft.lined().columnOfHeader(),
                draft.lined().leftOut(),
                draft.found().outside(),
                plan.reports(),
                draft.tags(),
                cells.touched(),
                plan.made(),
                corrections.reports(),
                plan.shaped(),
                said.questions().stream()
                        .sorted(Comparator.comparingLong(Question::stake).reversed())
                        .toList(),
                said.findings());
    }

    /** The columns with their types; beside one of amounts of several currencies stands one that holds these. */
    private List<ColumnTyping.Typed> typed(Draft draft, ColumnTyping typing) {
        Set<String> made = MadeColumns.names(job);
        List<ColumnTyping.Typed> columns = new ArrayList<>();
        for (DraftColumn column : draft.columns()) {
            if (made.contains(column.name()) && column.fed().isEmpty()) {
                columns.add(ColumnTyping.Typed.made(column));
                continue;
            }
            ColumnTyping.Typed typed = typing.type(column);
            columns.add(typed);
            if (typed.mixed()) {
                columns.add(currencyBeside(typed, draft.columns()));
            }
        }
        return columns;
    }

    /** The column that holds the currencies of another one's amounts. */
    private static ColumnTyping.Typed currencyBeside(ColumnTyping.Typed amounts, List<DraftColumn> all) {
        String name = amounts.of().name() + " currency";
        while (isNamed(name, all)) {
            name += " (2)";
        }
        return new ColumnTyping.Typed(
                amounts.of(),
                new MasterPlan.Column(name, Type.TEXT, 0, 0, Map.of(), MasterPlan.Column.Part.CURRENCY, ""),
                false,
                new Proposal.ColumnReport(
                        name,
                        Type.TEXT,
                        "",
                        "the amounts of " + Says.quoted(amounts.of().name()) + " are of several currencies",
                        amounts.report().filled(),
                        0,
                        amounts.of().layouts()),
                Said.NOTHING);
    }

    private static boolean isNamed(String name, List<DraftColumn> columns) {
        return columns.stream().anyMatch(column -> column.isCalled(name));
    }

    /** What each table belongs to, where something can be said of some of the sources. */
    private Function<PlacedTable, Set<String>> scopes(List<Layout> layouts) {
        Map<PlacedTable, String> signatures = new HashMap<>();
        layouts.forEach(layout -> layout.tables().forEach(table -> signatures.put(table, layout.signature())));
        return table -> Set.copyOf(List.of(
                table.source(),
                signatures.getOrDefault(table, ""),
                around.homes().of(table).place()));
    }
}
