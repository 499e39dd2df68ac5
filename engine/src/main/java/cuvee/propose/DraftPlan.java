package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.finding.Finding;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Laying;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.tag.DefaultTags;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The plan that is made of a draft once its columns have types: from which cells each column is read and how, what rules
 * make of it, and what they leave out.
 *
 * @param reports the columns, made ones as they have become
 * @param made columns that rules make from others
 * @param shaped rules about the shape of the master
 */
record DraftPlan(
        MasterPlan plan,
        List<Proposal.ColumnReport> reports,
        List<MadeColumns.Stated> made,
        List<Shapings.Stated> shaped,
        Said said) {

    static DraftPlan of(
            Job job,
            Draft draft,
            List<ColumnTyping.Typed> typed,
            ColumnTyping typing,
            Corrections corrections,
            ValueCells cells,
            Map<String, Long> modified) {
        List<MasterPlan.Column> columns =
                typed.stream().map(ColumnTyping.Typed::column).toList();
        List<MasterPlan.Table> tables = new Tables(job, typed, columns, typing, corrections, cells).of(draft);
        List<String> names = columns.stream().map(MasterPlan.Column::name).toList();
        List<MasterPlan.Tag> tags = List.of(
                new MasterPlan.Tag(DefaultTags.fileName(names), MasterPlan.TagKind.SOURCE_FILE),
                new MasterPlan.Tag(DefaultTags.sheetName(names), MasterPlan.TagKind.SOURCE_SHEET));
        MadeColumns.Resolved made = MadeColumns.resolve(job, columns, tags, settledTypes(job), cells::replacements);
        List<Finding> findings = new ArrayList<>(MadeColumns.findings(made.stated()));
        MasterPlan unruled = new MasterPlan(made.columns(), tags, tables);
        List<RowRules.Stated> rules = RowRules.of(job, unruled, modified);
        findings.addAll(RowRules.findings(rules));
        Shapings.Resolved shaped = Shapings.of(job, unruled);
        findings.addAll(Shapings.findings(shaped.stated()));
        MasterPlan plan =
                new MasterPlan(made.columns(), tags, tables, made.makings(), RowRules.inForce(rules), shaped.shaping());
        return new DraftPlan(plan, reports(typed, plan), made.stated(), shaped.stated(), Said.found(findings));
    }

    private static Map<String, Type> settledTypes(Job job) {
        Map<String, Type> types = new HashMap<>();
        job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.TYPE))
                .forEach(decision ->
                        Type.ofWord(decision.answer()).ifPresent(type -> types.put(decision.subject(), type)));
        return types;
    }

    /** The columns as they are typed; made ones, which stand at the same places, have the types of what they are made from. */
    private static List<Proposal.ColumnReport> reports(List<ColumnTyping.Typed> typed, MasterPlan plan) {
        List<Proposal.ColumnReport> reports = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            MasterPlan.Column column = plan.columns().get(i);
            reports.add(
                    column.part() == MasterPlan.Column.Part.MADE
                            ? new Proposal.ColumnReport(
                                    column.name(), column.type(), column.currency(), "made by your rule", 0, 0, 0)
                            : typed.get(i).report());
        }
        return reports;
    }

    /** The tables of the plan. */
    private record Tables(
            Job job,
            List<ColumnTyping.Typed> typed,
            List<MasterPlan.Column> columns,
            ColumnTyping typing,
            Corrections corrections,
            ValueCells cells) {

        List<MasterPlan.Table> of(Draft draft) {
            return draft.membersInOrder().stream().map(this::planned).toList();
        }

        private MasterPlan.Table planned(PlacedTable table) {
            return new MasterPlan.Table(
                    table.id(),
                    table.staged(),
                    table.width(),
                    table.source(),
                    table.sheet(),
                    table.table().firstRow(),
                    table.table().lastRow(),
                    runs(table.table()),
                    !table.table().aside().isEmpty(),
                    table.turned(),
                    lines(table),
                    heads(table.table()),
                    corrections.in(table, columns),
                    RowRules.putBack(job, table.source(), table.sheet()),
                    feeds(table));
        }

        private List<MasterPlan.Feed> feeds(PlacedTable table) {
            List<MasterPlan.Feed> feeds = new ArrayList<>();
            for (ColumnTyping.Typed into : typed) {
                LaidColumn fed = into.of().fed().get(table);
                feeds.add(fed == null ? MasterPlan.Feed.ABSENT : feed(table, fed, into));
            }
            return feeds;
        }

        private MasterPlan.Feed feed(PlacedTable table, LaidColumn fed, ColumnTyping.Typed into) {
            MasterPlan.Column column = into.column();
            return new MasterPlan.Feed(
                    fed.origin(),
                    typing.convention(table, fed),
                    typing.evidence(fed),
                    table.currency(fed).orElse(""),
                    cells.replacements(column.name(), table),
                    column.type().isNumber() && Signs.turned(job, column.name(), fed),
                    corrections.touches(table, column.name()));
        }
    }

    private static List<MasterPlan.Line> lines(PlacedTable table) {
        if (table.columns().stream().noneMatch(column -> column.origin() instanceof Origin.Line)) {
            return List.of();
        }
        List<MasterPlan.Line> lines = new ArrayList<>();
        List<Integer> levels = Laying.levels(table.table());
        for (FoundTable.Aside line : table.table().sections()) {
            lines.add(new MasterPlan.Line(line.row(), levels.get(lines.size()), Laying.text(line)));
        }
        // Such a line is that of the record above it, as if it stood there.
        table.table()
                .below()
                .forEach(line -> lines.add(new MasterPlan.Line(line.row() - 1, Origin.Line.BELOW, line.text())));
        return lines;
    }

    private static List<Integer> heads(FoundTable table) {
        return table.aside().stream()
                .filter(row -> row.rowClass() == RowClass.HEAD)
                .map(FoundTable.Aside::row)
                .toList();
    }

    private static MasterPlan.Runs runs(FoundTable table) {
        int[] firsts = table.runs().stream().mapToInt(FoundTable.Run::first).toArray();
        int[] counts = table.runs().stream().mapToInt(FoundTable.Run::count).toArray();
        return new MasterPlan.Runs(Arrays.copyOf(firsts, firsts.length), counts);
    }
}
