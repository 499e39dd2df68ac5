package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.detect.FoundTable;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.gather.ReadingDecisions;
import cuvee.gather.ReadingQuestions;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Families;
import cuvee.layout.LaidColumn;
import cuvee.layout.Laying;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.layout.StatedTotals;
import cuvee.lineup.HeaderBook;
import cuvee.lineup.LineUp;
import cuvee.lineup.LiningUp;
import cuvee.lineup.Profile;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.sheet.NumberText;
import cuvee.tag.DefaultTags;
import cuvee.tag.Home;
import cuvee.value.LooseText;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Proposes the whole master from what was found: a function of the job and the tables. What the job has decided holds;
 * what it has not is decided from the evidence of the batch and kept as assumed.
 */
public final class Planner {

    private final Job job;
    private final List<PlacedTable> tables;
    private final Map<PlacedTable, String> ruledOut;
    private final Surroundings around;
    private final List<Question> questions = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final List<Proposal.TagReport> tagReports = new ArrayList<>();
    private final Map<PlacedTable, String> outside = new LinkedHashMap<>();
    private final List<MadeColumns.Stated> made = new ArrayList<>();
    private final List<Shapings.Stated> shaped = new ArrayList<>();

    private Planner(Job job, List<PlacedTable> tables, Map<PlacedTable, String> ruledOut, Surroundings around) {
        this.job = job;
        this.tables = tables;
        this.ruledOut = ruledOut;
        this.around = around;
    }

    /**
     * Proposes a master from tables in the order of the master.
     *
     * @param ruledOut tables that the analyst's rule about sheets does not take, with the reason
     */
    public static Proposal propose(
            Job job, List<PlacedTable> tables, Map<PlacedTable, String> ruledOut, Surroundings around) {
        return new Planner(job, tables, ruledOut, around).propose();
    }

    /**
     * What is known around the tables.
     *
     * @param homes where they come from
     * @param counting counts texts in their cells
     * @param ranges looks through the numbers in their cells
     * @param modified when each source was modified
     * @param codes names for codes
     * @param staged reads single cells
     * @param book headers settled in other jobs
     * @param profiling what stands under headers
     */
    public record Surroundings(
            Homes homes,
            ValueCells.Counting counting,
            WrittenEvidence.Ranges ranges,
            Map<String, Long> modified,
            CodeTables codes,
            Corrections.Staged staged,
            HeaderBook book,
            Profiling profiling) {}

    private Proposal propose() {
        List<PlacedTable> withRecords = new ArrayList<>();
        for (PlacedTable table : tables) {
            String ruled = ruledOut.get(table);
            if (ruled != null) {
                outside.put(table, ruled);
            } else if (leftOut(table)) {
                outside.put(table, "left out by you");
            } else if (table.table().kept() == 0) {
                outside.put(table, "it has a header and no records");
                findings.add(new Finding(
                        Severity.REMARK,
                        "no-records",
                        table.where(),
                        "It has a header and no records.",
                        "It adds no rows.",
                        ""));
            } else {
                withRecords.add(table);
            }
        }
        List<Decision> assumed = new ArrayList<>(job.assumed());
        Layings layings = new Layings(job, assumed, questions, findings);
        List<PlacedTable> laid = layings.lay(withRecords);
        FamilyChoice family = new FamilyChoice(job, around.profiling(), assumed);
        List<Layout> members = family.choose(Families.of(Layout.of(laid)));
        questions.addAll(family.questions());
        outside.putAll(family.outside());
        List<Layout> layouts = withoutDoubles(laid, members, assumed);
        List<String> movedTags = movedTags(layouts);
        // Where all tables have the same headers nothing is left to be lined up by what stands below them.
        Map<String, Profile> profiles = layouts.size() > 1 ? around.profiling().of(layouts) : Map.of();
        LineUp everything =
                LiningUp.of(layouts, withoutReplaced(layings.replaced(), layouts, movedTags), around.book(), profiles);
        Map<String, String> columnOfHeader = new HashMap<>();
        everything
                .columnOfHeader()
                .forEach((key, at) ->
                        columnOfHeader.put(key, everything.columns().get(at).name()));
        NewColumns later = NewColumns.of(job, everything, layouts, assumed, questions, findings);
        Map<String, Long> leftOut = leftOut(everything, layouts, later.held());
        LineUp lineUp = everything.without(leftOut.keySet());
        questions.addAll(lineUp.questions());
        Map<PlacedTable, LaidColumn[]> feeds = feeds(layouts, lineUp);
        findings.addAll(new LabelMonths(job, around.homes()).date(lineUp.columns(), feeds));
        List<String> dataNames = placed(
                movedTags,
                everything.columns().stream().map(LineUp.Column::name).toList());
        List<LineUp.Column> all = inOrder(movedTags, withMade(withTags(lineUp, layouts, feeds, assumed), feeds), feeds);
        Corrections corrections =
                Corrections.of(job, all.stream().map(LineUp.Column::name).toList(), feeds, around.staged());
        findings.addAll(corrections.findings());
        ValueCells cells = new ValueCells(job, feeds, around.counting(), around.codes(), scopes(layouts)::apply);
        ColumnTyping typing =
                new ColumnTyping(job, layouts, feeds, cells, around.homes(), around.ranges(), questions, findings);
        List<MasterPlan.Column> columns = new ArrayList<>();
        List<Proposal.ColumnReport> reports = new ArrayList<>();
        assumed.addAll(lineUp.decisions());
        List<String> names = new ArrayList<>();
        List<Integer> from = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            LineUp.Column column = all.get(i);
            if (isMade(column.name(), i, feeds)) {
                names.add(column.name());
                columns.add(MadeColumns.unknown(column.name()));
                from.add(i);
                reports.add(new Proposal.ColumnReport(column.name(), Type.TEXT, "", "", 0, 0, 0));
                continue;
            }
            ColumnTyping.Typed typed = typing.type(i, column.name());
            names.add(column.name());
            columns.add(typed.column());
            from.add(i);
            reports.add(new Proposal.ColumnReport(
                    column.name(),
                    typed.column().type(),
                    typed.column().currency(),
                    typed.reason(),
                    typed.filled(),
                    typed.misfits(),
                    column.layouts()));
            typed.decisions().forEach(decision -> {
                assumed.removeIf(old -> old.id().equals(decision.id()));
                assumed.add(decision);
            });
            typed.finding().ifPresent(findings::add);
            if (typed.mixed()) {
                MasterPlan.Column beside = currencyBeside(column.name(), all);
                names.add(beside.name());
                columns.add(beside);
                from.add(i);
                reports.add(new Proposal.ColumnReport(
                        beside.name(),
                        beside.type(),
                        "",
                        "the amounts of " + Says.quoted(column.name()) + " are of several currencies",
                        typed.filled(),
                        0,
                        column.layouts()));
            }
        }
        if (from.size() > all.size()) {
            feeds.replaceAll((table, fed) -> from.stream().map(i -> fed[i]).toArray(LaidColumn[]::new));
        }
        ReadingQuestions reading = new ReadingQuestions(job, questions, findings);
        layouts.forEach(reading::ask);
        findings.addAll(ByPosition.findings(List.copyOf(feeds.keySet())));
        for (PlacedTable table : tables) {
            if (feeds.containsKey(table)) {
                statedTotals(table);
            }
        }
        MasterPlan plan = plan(columns, names, feeds, typing, corrections, cells);
        reportMade(plan, reports);
        Job decided = job.withAssumed(dataNames, assumed);
        questions.sort(Comparator.comparingLong(Question::stake).reversed());
        return new Proposal(
                decided,
                plan,
                layouts,
                columnOfHeader,
                leftOut,
                outside,
                reports,
                tagReports,
                cells.touched(),
                made,
                corrections.reports(),
                shaped,
                questions,
                findings);
    }

    /** The job without columns that are no more since tables are laid out otherwise. */
    private Job withoutReplaced(Set<String> replaced, List<Layout> layouts, List<String> movedTags) {
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
                        .filter(name -> !gone.contains(LooseText.key(name)) && !movedTags.contains(name))
                        .toList(),
                job.assumed());
    }

    /** Columns of tags, and made ones, that the analyst put among the job's columns, and that no header feeds. */
    private List<String> movedTags(List<Layout> layouts) {
        Set<String> fed = new HashSet<>();
        layouts.forEach(layout -> fed.addAll(layout.keys()));
        job.settled().stream()
                .filter(decision -> decision.kind().equals(LineUp.KIND))
                .forEach(decision -> fed.add(LooseText.key(decision.answer())));
        Set<String> guests = new HashSet<>(TagColumns.names(job));
        guests.addAll(MadeColumns.names(job));
        return job.columns().stream()
                .filter(name -> guests.contains(name) && !fed.contains(LooseText.key(name)))
                .toList();
    }

    /** Names with moved tags behind the column that they stand behind in the job. */
    private List<String> placed(List<String> movedTags, List<String> names) {
        List<String> placed = new ArrayList<>(names);
        placed.removeAll(movedTags);
        for (String tag : movedTags) {
            int at = 0;
            for (String before : job.columns().subList(0, job.columns().indexOf(tag))) {
                at = placed.contains(before) ? placed.indexOf(before) + 1 : at;
            }
            placed.add(at, tag);
        }
        return placed;
    }

    /** The columns with moved tags in their places; what feeds them is put in the same order. */
    private List<LineUp.Column> inOrder(
            List<String> movedTags, List<LineUp.Column> columns, Map<PlacedTable, LaidColumn[]> feeds) {
        List<String> names = columns.stream().map(LineUp.Column::name).toList();
        List<String> there = movedTags.stream().filter(names::contains).toList();
        if (there.isEmpty()) {
            return columns;
        }
        int[] from = placed(there, names).stream().mapToInt(names::indexOf).toArray();
        feeds.replaceAll(
                (table, fed) -> Arrays.stream(from).mapToObj(at -> fed[at]).toArray(LaidColumn[]::new));
        return Arrays.stream(from).mapToObj(columns::get).toList();
    }

    private boolean leftOut(PlacedTable table) {
        String subject = ReadingDecisions.subject(table.source(), table.sheet());
        return job.isSettled(Kinds.SHEET, subject)
                && job.decision(Kinds.SHEET, subject)
                        .map(Decision::answer)
                        .filter(TableChoice.ASIDE::equals)
                        .isPresent();
    }

    private List<Layout> withoutDoubles(List<PlacedTable> laid, List<Layout> layouts, List<Decision> assumed) {
        Set<PlacedTable> members = new HashSet<>();
        layouts.forEach(layout -> members.addAll(layout.tables()));
        List<PlacedTable> inOrder = tables.stream().filter(members::contains).toList();
        Doubles doubles = Doubles.among(inOrder, job, around.profiling());
        outside.putAll(doubles.outside());
        questions.addAll(doubles.questions());
        findings.addAll(doubles.findings());
        assumed.addAll(doubles.decisions());
        if (doubles.outside().isEmpty()) {
            return layouts;
        }
        // As they are laid out: doubles were looked for among the tables as their sheets have them.
        return Layout.of(laid.stream()
                .filter(table -> members.contains(table) && !doubles.outside().containsKey(table))
                .toList());
    }

    /** For each table the column that feeds each master column; null where there is none. */
    private Map<PlacedTable, LaidColumn[]> feeds(List<Layout> layouts, LineUp lineUp) {
        Map<PlacedTable, LaidColumn[]> feeds = new LinkedHashMap<>();
        for (Layout layout : layouts) {
            for (PlacedTable table : layout.tables()) {
                LaidColumn[] fed = new LaidColumn[lineUp.columns().size()];
                for (LaidColumn column : table.columns()) {
                    int at = lineUp.columnOf(LooseText.key(column.header())).orElse(-1);
                    if (at < 0) {
                        continue;
                    }
                    if (fed[at] == null) {
                        fed[at] = column;
                    } else {
                        findings.add(new Finding(
                                Severity.WARNING,
                                "two-headers",
                                table.where(),
                                "The headers " + Says.quoted(fed[at].header()) + " and " + Says.quoted(column.header())
                                        + " both belong to the column "
                                        + Says.quoted(lineUp.columns().get(at).name()) + ".",
                                "The first is used; the second is left out of this table.",
                                "Settle one of the headers as a column of its own."));
                    }
                }
                feeds.put(table, fed);
            }
        }
        return feeds;
    }

    /** The columns that the analyst leaves out, and how many filled cells that costs. */
    private Map<String, Long> leftOut(LineUp lineUp, List<Layout> layouts, Set<String> held) {
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

    /** The columns with those of tags behind them; a tag with the name of a column fills it where a table lacks it. */
    private List<LineUp.Column> withTags(
            LineUp lineUp, List<Layout> layouts, Map<PlacedTable, LaidColumn[]> feeds, List<Decision> assumed) {
        Map<PlacedTable, PlacedTable> laid = new HashMap<>();
        layouts.forEach(layout -> layout.tables().forEach(table -> laid.put(table, table)));
        Map<PlacedTable, Home> known = new LinkedHashMap<>();
        for (PlacedTable table : tables) {
            PlacedTable here = laid.get(table);
            if (here != null) {
                known.put(here, around.homes().of(here));
            }
        }
        List<LineUp.Column> columns = new ArrayList<>(lineUp.columns());
        TagColumns tags = TagColumns.of(job, assumed, findings, known);
        tagReports.addAll(tags.reports());
        for (TagColumns.Column tag : tags.columns()) {
            int at = columns.stream()
                    .map(column -> LooseText.key(column.name()))
                    .toList()
                    .indexOf(LooseText.key(tag.name()));
            if (at < 0) {
                at = columns.size();
                columns.add(new LineUp.Column(tag.name(), layouts.size()));
                feeds.replaceAll((table, fed) -> Arrays.copyOf(fed, fed.length + 1));
            }
            for (Map.Entry<PlacedTable, LaidColumn[]> feed : feeds.entrySet()) {
                if (feed.getValue()[at] == null) {
                    feed.getValue()[at] = tag.of(feed.getKey()).orElse(null);
                }
            }
        }
        return columns;
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

    /** The columns with those behind them that rules make and nothing else fills. */
    private List<LineUp.Column> withMade(List<LineUp.Column> columns, Map<PlacedTable, LaidColumn[]> feeds) {
        List<LineUp.Column> all = new ArrayList<>(columns);
        for (String name : MadeColumns.names(job)) {
            if (!isNamed(name, all)) {
                all.add(new LineUp.Column(name, 0));
                feeds.replaceAll((table, fed) -> Arrays.copyOf(fed, fed.length + 1));
            }
        }
        return all;
    }

    /** True for a column that a rule makes and that no cell feeds. */
    private boolean isMade(String name, int index, Map<PlacedTable, LaidColumn[]> feeds) {
        return MadeColumns.names(job).contains(name) && feeds.values().stream().allMatch(fed -> fed[index] == null);
    }

    private static void reportMade(MasterPlan plan, List<Proposal.ColumnReport> reports) {
        for (int i = 0; i < plan.columns().size(); i++) {
            MasterPlan.Column column = plan.columns().get(i);
            if (column.part() == MasterPlan.Column.Part.MADE) {
                reports.set(
                        i,
                        new Proposal.ColumnReport(
                                column.name(), column.type(), column.currency(), "made by your rule", 0, 0, 0));
            }
        }
    }

    /** The column that holds the currencies of another one's amounts. */
    private static MasterPlan.Column currencyBeside(String name, List<LineUp.Column> all) {
        String beside = name + " currency";
        while (isNamed(beside, all)) {
            beside += " (2)";
        }
        return new MasterPlan.Column(beside, Type.TEXT, 0, 0, Map.of(), MasterPlan.Column.Part.CURRENCY, "");
    }

    private static boolean isNamed(String name, List<LineUp.Column> columns) {
        return columns.stream().anyMatch(column -> LooseText.key(column.name()).equals(LooseText.key(name)));
    }

    private void statedTotals(PlacedTable table) {
        for (FoundTable.StatedTotal total : StatedTotals.sums(table.table())) {
            if (!total.agrees()) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "stated-total",
                        table.where().cell(total.row(), total.column() + 1),
                        "The total stated there is " + NumberText.plain(total.stated()) + ", but the "
                                + Says.count(total.records(), "row") + " above add up to "
                                + NumberText.plain(total.added())
                                + ", a difference of " + NumberText.plain(total.stated() - total.added()) + ".",
                        "The rows are kept as they are.",
                        "Ask the sender which of the two is right."));
            }
        }
    }

    private MasterPlan plan(
            List<MasterPlan.Column> columns,
            List<String> names,
            Map<PlacedTable, LaidColumn[]> feeds,
            ColumnTyping typing,
            Corrections corrections,
            ValueCells cells) {
        List<MasterPlan.Table> planned = new ArrayList<>();
        Map<PlacedTable, PlacedTable> laid = new HashMap<>();
        feeds.keySet().forEach(table -> laid.put(table, table));
        for (PlacedTable found : tables) {
            PlacedTable table = laid.getOrDefault(found, found);
            LaidColumn[] fed = feeds.get(table);
            if (fed == null) {
                continue;
            }
            List<MasterPlan.Feed> fromCells = new ArrayList<>();
            for (int i = 0; i < fed.length; i++) {
                LaidColumn column = fed[i];
                fromCells.add(
                        column == null
                                ? MasterPlan.Feed.ABSENT
                                : new MasterPlan.Feed(
                                        column.origin(),
                                        typing.convention(table, column),
                                        typing.evidence(column),
                                        table.currency(column).orElse(""),
                                        cells.replacements(names.get(i), table),
                                        columns.get(i).type().isNumber() && Signs.turned(job, names.get(i), column),
                                        corrections.touches(table, names.get(i))));
            }
            planned.add(new MasterPlan.Table(
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
                    corrections.in(table, columns),
                    RowRules.putBack(job, table.source(), table.sheet()),
                    fromCells));
        }
        List<MasterPlan.Tag> tags = List.of(
                new MasterPlan.Tag(DefaultTags.fileName(names), MasterPlan.TagKind.SOURCE_FILE),
                new MasterPlan.Tag(DefaultTags.sheetName(names), MasterPlan.TagKind.SOURCE_SHEET));
        Map<String, Type> types = new HashMap<>();
        job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.TYPE))
                .forEach(decision ->
                        Type.ofWord(decision.answer()).ifPresent(type -> types.put(decision.subject(), type)));
        MadeColumns.Resolved resolved = MadeColumns.resolve(job, columns, tags, types, cells::replacements);
        made.addAll(resolved.stated());
        findings.addAll(MadeColumns.findings(made));
        MasterPlan plan = new MasterPlan(resolved.columns(), tags, planned);
        List<RowRules.Stated> rules = RowRules.of(job, plan, around.modified());
        findings.addAll(RowRules.findings(rules));
        Shapings.Resolved shapings = Shapings.of(job, plan);
        shaped.addAll(shapings.stated());
        findings.addAll(Shapings.findings(shaped));
        return new MasterPlan(
                resolved.columns(), tags, planned, resolved.makings(), RowRules.inForce(rules), shapings.shaping());
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
        return lines;
    }

    private static MasterPlan.Runs runs(FoundTable table) {
        int[] firsts = table.runs().stream().mapToInt(FoundTable.Run::first).toArray();
        int[] counts = table.runs().stream().mapToInt(FoundTable.Run::count).toArray();
        return new MasterPlan.Runs(Arrays.copyOf(firsts, firsts.length), counts);
    }
}
