package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.MadeColumns;
import cuvee.rework.Tidying;
import cuvee.value.Convention;
import cuvee.value.Conventions;
import cuvee.value.Conventions.Vote;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Period;
import cuvee.value.Type;
import cuvee.value.Typing;
import cuvee.value.YesNoWords;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Types the master's columns from all values of all tables, and finds the conventions of each table's columns: from the
 * column itself, else from the table's others, else from the layout, else from the whole batch. What nothing settles is a
 * question.
 */
public final class ColumnTyping {

    /** What codes are called by, some of which look like dates: {@code 03-11-07}. */
    private static final Pattern CODE_WORD = Pattern.compile(
            "(?i)(?<!\\p{L})(bin|sku|code|ref|reference|part|article|lot|batch"
                    + "|location|shelf|rack|slot|position|model|id|key|no|nr|number|nummer|artikel|lagerplatz|platz|charge)(?!\\p{L})");

    private static final Map<String, String> FIRST = Map.of(Kinds.DECIMAL_MARK, "point", Kinds.DATE_ORDER, "day");
    private final Job job;
    private final Map<PlacedTable, Layout> layoutOf = new HashMap<>();
    private final Amounts amounts;
    private final boolean somethingSaid;
    private final ValueCells cells;
    private final Homes homes;
    private final Map<PlacedTable, Votes> byTable = new HashMap<>();
    private final Map<Layout, Votes> byLayout = new HashMap<>();
    private final Votes batch = new Votes();
    private final Map<Evidence, Convention> settled = new HashMap<>();
    private final Map<Evidence, Evidence> meant = new HashMap<>();
    private final WrittenEvidence written;
    private final WrittenAs writtenAs;

    /**
     * A column's type with all that is to be said of it.
     *
     * @param of what it was before it had a type
     * @param mixed true where its amounts are of several currencies, which a column beside it holds
     */
    record Typed(DraftColumn of, MasterPlan.Column column, boolean mixed, Proposal.ColumnReport report, Said said) {
        /** A column that a rule makes, of which nothing is known yet. */
        static Typed made(DraftColumn column) {
            return new Typed(
                    column,
                    MadeColumns.unknown(column.name()),
                    false,
                    new Proposal.ColumnReport(column.name(), Type.TEXT, "", "", 0, 0, 0),
                    Said.NOTHING);
        }
    }

    /** How many columns vote for each of two ways. */
    private static final class Votes {
        private final Evidence sum = new Evidence();
        private final List<Evidence> columns = new ArrayList<>();

        void add(Evidence evidence) {
            sum.add(evidence);
            columns.add(evidence);
        }

        /** What columns make likely; OPEN where none does, or some this and some that. */
        Vote likely(Function<Evidence, Vote> asking) {
            Set<Vote> votes = columns.stream().map(asking).collect(Collectors.toSet());
            votes.remove(Vote.OPEN);
            return votes.size() == 1 ? votes.iterator().next() : Vote.OPEN;
        }

        Vote of(Function<Evidence, Vote> asking) {
            return asking.apply(sum);
        }
    }

    ColumnTyping(Job job, List<Layout> layouts, ValueCells cells, Homes homes, WrittenEvidence.Ranges ranges) {
        this.written = new WrittenEvidence(job, ranges, homes, this::scopes);
        this.writtenAs = new WrittenAs(written);
        this.amounts = new Amounts(job);
        this.somethingSaid = job.settled().stream().anyMatch(each -> FIRST.containsKey(each.kind()));
        this.cells = cells;
        this.homes = homes;
        this.job = job;
        for (Layout layout : layouts) {
            Votes ofLayout = byLayout.computeIfAbsent(layout, l -> new Votes());
            for (PlacedTable table : layout.tables()) {
                layoutOf.put(table, layout);
                Votes ofTable = byTable.computeIfAbsent(table, t -> new Votes());
                for (LaidColumn column : table.columns()) {
                    ofTable.add(column.evidence());
                    ofLayout.add(column.evidence());
                    batch.add(column.evidence());
                }
            }
        }
    }

    /** The convention by which a table's column is read; known once its master column is typed. */
    Convention convention(PlacedTable table, LaidColumn column) {
        return settled.getOrDefault(column.evidence(), Convention.DEFAULT);
    }

    /** What a column holds once it is known what its numbers stand for. */
    Evidence evidence(LaidColumn column) {
        return meant.getOrDefault(column.evidence(), column.evidence());
    }

    Typed type(DraftColumn column) {
        String name = column.name();
        Read read = read(column);
        Said meanings = written.takeSaid();
        Evidence all = cells.replaced(column, read.held());
        boolean told = column.fed().values().stream().allMatch(fed -> fed.origin() instanceof Origin.Told);
        Typing.Verdict verdict = amounts.typed(Typing.decide(all, read.clear()), column);
        Optional<KindsApart> kinds = verdict.type() == Type.TEXT && verdict.sure() && !told
                ? KindsApart.in(read.heldBy())
                : Optional.empty();
        if (kinds.isPresent()) {
            verdict = new Typing.Verdict(Type.TEXT, kinds.get().words(), 0, false);
        } else if (verdict.type() == Type.TEXT && !told && Typing.fit(all, Type.DATE_AND_TIME) * 2 >= all.filled()) {
            // Dates among which words stand: codes of digits and letters are one thing, days and words are two.
            verdict = new Typing.Verdict(Type.TEXT, verdict.reason(), 0, all.filled() == 0);
        } else if (verdict.type() == Type.DATE && CODE_WORD.matcher(name).find() && all.hasShortYearsFarApart()) {
            verdict = new Typing.Verdict(
                    Type.TEXT, "its values could be dates of many years, but it is called like codes", 0, false);
        }
        Type before = job.decision(Kinds.TYPE, name)
                .flatMap(d -> Type.ofWord(d.answer()))
                .orElse(verdict.type());
        boolean widened = widened(name, before, verdict.type());
        Type decided = widened ? verdict.type() : before;
        Set<String> currencies = amounts.currencies(column, all);
        boolean mixed = decided.isNumber() && currencies.size() > 1;
        Type type = mixed && !amounts.keptApart(name) ? Type.TEXT : decided;
        long misfits = type == Type.TEXT ? all.count(Form.CELL_ERROR) : all.filled() - Typing.fit(all, type);
        List<Question> questions = new ArrayList<>(meanings.questions());
        List<Finding> findings = new ArrayList<>(type == Type.TEXT ? List.of() : meanings.findings());
        if (mixed) {
            amounts.ask(name, all, currencies).ifPresent(questions::add);
        }
        questions.addAll(BlankSources.ask(job, column));
        if (type.isNumber()) {
            Signs.ask(job, column).ifPresent(questions::add);
            convention(read.openMarks(), name, Kinds.DECIMAL_MARK).ifPresent(questions::add);
        } else if (type.isMoment()) {
            convention(read.openOrders(), name, Kinds.DATE_ORDER).ifPresent(questions::add);
            zones(name, all).ifPresent(findings::add);
            byMonths(column, read).ifPresent(findings::add);
        }
        // A tag that is text in one name and a number in another loses nothing as text.
        boolean harmless = told && type == Type.TEXT;
        if (!harmless && (!verdict.sure() || (misfits > 0 && type != verdict.type()))) {
            typeQuestion(name, type, verdict, kinds, all, misfits).ifPresent(questions::add);
        }
        if (misfits > 0) {
            findings.add(misfitFinding(name, type, misfits, all));
        }
        boolean decideNow = widened || job.decision(Kinds.TYPE, name).isEmpty();
        List<Decision> decisions = new ArrayList<>();
        if (decideNow) {
            decisions.add(new Decision(
                    Kinds.TYPE, name, decided.word(), verdict.reason(), Says.count(all.filled(), "value")));
        }
        YesNoWords words = words(name, type, decideNow, all, decisions);
        String currency = type == Type.MONEY && currencies.size() == 1
                ? currencies.iterator().next()
                : "";
        return new Typed(
                column,
                new MasterPlan.Column(
                        name,
                        type,
                        all.wholeDigits(),
                        all.decimals(),
                        Map.of(),
                        MasterPlan.Column.Part.VALUE,
                        currency,
                        Tidying.of(job, name),
                        words),
                mixed && type != Type.TEXT,
                new Proposal.ColumnReport(
                        name, type, currency, verdict.reason(), all.filled(), misfits, column.layouts()),
                new Said(questions, findings, decisions));
    }

    /**
     * What the cells of a column hold as they are read.
     *
     * @param clear false where values contradict each other about how they are written
     * @param openMarks tables whose decimal mark nothing settles
     * @param openOrders tables whose order of day and month nothing settles
     * @param byMonths tables whose order of day and month the months settle that their names say
     */
    private record Read(
            Evidence held,
            Map<PlacedTable, Evidence> heldBy,
            boolean clear,
            List<PlacedTable> openMarks,
            List<PlacedTable> openOrders,
            List<PlacedTable> byMonths) {}

    private Read read(DraftColumn column) {
        String name = column.name();
        Map<PlacedTable, WrittenAs.Meant> meanings = writtenAs.of(column);
        Evidence held = new Evidence();
        Map<PlacedTable, Evidence> heldBy = new LinkedHashMap<>();
        boolean clear = true;
        List<PlacedTable> openMarks = new ArrayList<>();
        List<PlacedTable> openOrders = new ArrayList<>();
        List<PlacedTable> byMonths = new ArrayList<>();
        Evidence written = column.held();
        Vote byPeriods = byPeriods(column);
        for (Map.Entry<PlacedTable, LaidColumn> feed : column.fed().entrySet()) {
            PlacedTable table = feed.getKey();
            Evidence own = feed.getValue().evidence();
            Vote mark = said(Kinds.DECIMAL_MARK, name, table)
                    .orElseGet(() -> resolve(own, written, table, Conventions::mark, Conventions::markByGroups));
            Vote order = said(Kinds.DATE_ORDER, name, table)
                    .orElseGet(() -> resolve(own, written, table, Conventions::order, e -> Vote.OPEN));
            if (order == Vote.OPEN && byPeriods != Vote.OPEN) {
                order = byPeriods;
                byMonths.add(table);
            }
            clear &= mark != Vote.CONTRADICTION && order != Vote.CONTRADICTION;
            if (mark == Vote.OPEN) {
                openMarks.add(table);
            }
            if (order == Vote.OPEN) {
                openOrders.add(table);
            }
            Convention convention = new Convention(decidedMark(name, mark), decidedOrder(name, order));
            WrittenAs.Meant meaning = meanings.getOrDefault(table, WrittenAs.Meant.AS_WRITTEN);
            convention = meaning.of(convention);
            Evidence meantSo = own.under(convention.mark()).meant(convention, meaning.fits(), meaning.decimals());
            settled.put(own, convention);
            if (!convention.isPlain()) {
                meant.put(own, meantSo);
            }
            held.add(meantSo);
            heldBy.put(table, meantSo);
        }
        return new Read(held, heldBy, clear, openMarks, openOrders, byMonths);
    }

    /**
     * The order of day and month by which the dates of tables lie in the months or quarters that the names of their files
     * say, where only one does and no two tables differ.
     */
    private Vote byPeriods(DraftColumn column) {
        Set<Vote> votes = new HashSet<>();
        column.fed().forEach((table, fed) -> {
            Evidence own = fed.evidence();
            if (Conventions.order(own) == Vote.OPEN) {
                boolean dayFirst = isWithinPeriod(table, own.someDays(Convention.Order.DAY_FIRST));
                boolean monthFirst = isWithinPeriod(table, own.someDays(Convention.Order.MONTH_FIRST));
                if (dayFirst != monthFirst) {
                    votes.add(dayFirst ? Vote.FIRST : Vote.SECOND);
                }
            }
        });
        return votes.size() == 1 ? votes.iterator().next() : Vote.OPEN;
    }

    private boolean isWithinPeriod(PlacedTable table, List<LocalDate> days) {
        return new HashSet<>(days).size() > 1
                && homes.periods(table).stream()
                        .filter(period -> period.kind() != Period.Kind.DAY && period.kind() != Period.Kind.YEAR)
                        .anyMatch(period -> days.stream().allMatch(period::holds));
    }

    /**
     * True where an assumed type gives way to what the values are. Nothing kept so far changes when whole numbers become
     * decimals, so an assumption may grow that way; and what was assumed from numbers that mean something else falls with
     * that.
     */
    private boolean widened(String name, Type before, Type now) {
        boolean assumed = before != now && !job.isSettled(Kinds.TYPE, name);
        return assumed && (widens(before, now) || written.isSettled(name));
    }

    /**
     * How yes and no are written: as all sources do it when the column is typed, and so from then on. A column that an
     * earlier version typed had true and false, and keeps them.
     */
    private YesNoWords words(String name, Type type, boolean first, Evidence all, List<Decision> decisions) {
        if (type != Type.YES_NO) {
            return YesNoWords.TRUE_FALSE;
        }
        Optional<YesNoWords> decided = ColumnChoice.YesNoWritten.of(job, name);
        if (decided.isPresent() || !first && !job.isSettled(Kinds.TYPE, name)) {
            return decided.orElse(YesNoWords.TRUE_FALSE);
        }
        YesNoWords words = all.yesNoWording();
        decisions.add(new ColumnChoice.YesNoWritten(name, words)
                .decision(
                        words.equals(YesNoWords.TRUE_FALSE)
                                ? "its sources write them in several ways"
                                : "as its sources write them",
                        Says.count(all.filled(), "value")));
        return words;
    }

    private static Optional<Finding> byMonths(DraftColumn column, Read read) {
        return read.byMonths().isEmpty()
                ? Optional.empty()
                : Optional.of(new Finding(
                        Severity.REMARK,
                        "date-order-by-month",
                        read.byMonths().get(0).where(),
                        "In the column " + Says.quoted(column.name())
                                + ", dates such as 03/04/2026 can be read in two ways in "
                                + Says.count(read.byMonths().size(), "table")
                                + "; in one of them they lie in the months that the names of their files say.",
                        "They are read so.",
                        "Say in the column's facts what comes first, where that is wrong."));
    }

    private static Optional<Finding> zones(String name, Evidence all) {
        return all.hasSeveralZones()
                ? Optional.of(new Finding(
                        Severity.WARNING,
                        "time-zones",
                        Where.JOB,
                        "The times of the column " + Says.quoted(name)
                                + " are written for several time zones, or only some of them name theirs.",
                        "Each stands in the master as it is written, without its zone.",
                        "Ask for times of one zone where their order matters."))
                : Optional.empty();
    }

    private static boolean widens(Type from, Type to) {
        return from == Type.WHOLE_NUMBER && to == Type.DECIMAL;
    }

    /**
     * The vote of the column itself, else of the nearest surroundings that have one. What the column or its table only
     * makes likely comes before what others say who may write otherwise.
     */
    private Vote resolve(
            Evidence own,
            Evidence column,
            PlacedTable table,
            Function<Evidence, Vote> asking,
            Function<Evidence, Vote> likely) {
        Vote vote = asking.apply(own);
        if (vote != Vote.OPEN) {
            return vote;
        }
        Votes ofTable = byTable.getOrDefault(table, batch);
        Layout layout = layoutOf.get(table);
        Votes ofLayout = layout == null ? batch : byLayout.getOrDefault(layout, batch);
        List<Vote> wider = List.of(
                ofTable.of(asking),
                likely.apply(own),
                ofTable.likely(likely),
                ofLayout.of(asking),
                asking.apply(column),
                batch.of(asking));
        return wider.stream()
                .filter(next -> next == Vote.FIRST || next == Vote.SECOND)
                .findFirst()
                .orElse(Vote.OPEN);
    }

    /**
     * What the analyst says of the column in a table's source, its layout or its place, the nearest first; else of all
     * columns there, or in all files.
     */
    private Optional<Vote> said(String kind, String name, PlacedTable table) {
        if (!somethingSaid) {
            return Optional.empty();
        }
        List<String> scopes = scopes(table);
        List<String> subjects = new ArrayList<>();
        scopes.forEach(scope -> subjects.add(ColumnChoice.Scoped.words(name, scope)));
        scopes.forEach(scope -> subjects.add(ColumnChoice.Scoped.words(ColumnChoice.ALL_COLUMNS, scope)));
        subjects.add(ColumnChoice.ALL_COLUMNS);
        return subjects.stream()
                .map(subject -> job.decision(kind, subject))
                .flatMap(Optional::stream)
                .findFirst()
                .map(decision -> decision.answer().equals(FIRST.get(kind)) ? Vote.FIRST : Vote.SECOND);
    }

    /** What a table belongs to, the nearest first: its source, its layout, its place. */
    private List<String> scopes(PlacedTable table) {
        Layout layout = layoutOf.get(table);
        List<String> scopes = new ArrayList<>(List.of(table.source()));
        if (layout != null) {
            scopes.add(layout.signature());
        }
        scopes.add(homes.of(table).place());
        return scopes;
    }

    private Convention.Mark decidedMark(String name, Vote vote) {
        if (vote != Vote.OPEN) {
            return Conventions.markOf(vote);
        }
        return job.decision(Kinds.DECIMAL_MARK, name)
                        .map(Decision::answer)
                        .orElse("point")
                        .equals("comma")
                ? Convention.Mark.COMMA
                : Convention.Mark.POINT;
    }

    private Convention.Order decidedOrder(String name, Vote vote) {
        if (vote != Vote.OPEN) {
            return Conventions.orderOf(vote);
        }
        return job.decision(Kinds.DATE_ORDER, name)
                        .map(Decision::answer)
                        .orElse("day")
                        .equals("month")
                ? Convention.Order.MONTH_FIRST
                : Convention.Order.DAY_FIRST;
    }

    private Optional<Question> convention(List<PlacedTable> open, String name, String kind) {
        if (open.isEmpty() || job.isSettled(kind, name)) {
            return Optional.empty();
        }
        boolean mark = kind.equals(Kinds.DECIMAL_MARK);
        Where where = open.get(0).where();
        String text = mark
                ? "In the column " + Says.quoted(name) + ", numbers such as 1.204 or 1,204 can be read in two ways in "
                        + Says.count(open.size(), "table") + ", and no value decides. Which mark is decimal?"
                : "In the column " + Says.quoted(name) + ", dates such as 03/04/2026 can be read in two ways in "
                        + Says.count(open.size(), "table") + ", and no value decides. What comes first?";
        List<Answer> answers = mark
                ? List.of(
                        new Answer("point", "the point is decimal, the comma groups"),
                        new Answer("comma", "the comma is decimal, the point groups"))
                : List.of(new Answer("day", "the day comes first"), new Answer("month", "the month comes first"));
        String assumed = job.decision(kind, name).map(Decision::answer).orElse(mark ? "point" : "day");
        long stake = open.stream().mapToLong(table -> table.table().kept()).sum();
        return Optional.of(Question.of(kind, name, where, text, assumed, answers, stake));
    }

    private Optional<Question> typeQuestion(
            String name, Type type, Typing.Verdict verdict, Optional<KindsApart> kinds, Evidence all, long misfits) {
        if (job.isSettled(Kinds.TYPE, name)) {
            return Optional.empty();
        }
        Set<Type> types = new LinkedHashSet<>(List.of(type, verdict.type(), Type.TEXT));
        kinds.map(KindsApart::type).ifPresent(types::add);
        for (Type other : Type.values()) {
            if (Typing.fit(all, other) * 2 > all.filled()) {
                types.add(other);
            }
        }
        List<Answer> answers = types.stream()
                .map(t -> new Answer(
                        t.word(),
                        t.word() + ": " + Says.number(Typing.fit(all, t)) + " of " + Says.count(all.filled(), "value")
                                + " fit"))
                .toList();
        String text = misfits > 0
                ? "Which type is the column " + Says.quoted(name) + "? As " + type.word() + ", "
                        + Says.count(misfits, "value") + (misfits == 1 ? " does" : " do") + " not fit: " + examples(all)
                        + "."
                : "Which type is the column " + Says.quoted(name) + "? As " + type.word() + ": " + verdict.reason()
                        + ".";
        long rows = Math.max(kinds.map(KindsApart::misfits).orElse(1L), misfits);
        return Optional.of(Question.of(Kinds.TYPE, name, Where.JOB, text, type.word(), answers, rows));
    }

    private static String examples(Evidence all) {
        List<String> examples =
                all.oddities().keySet().stream().map(Says::quoted).toList();
        return examples.isEmpty() ? "see the list of values" : Says.list(examples);
    }

    private static Finding misfitFinding(String name, Type type, long misfits, Evidence all) {
        String what = Says.count(misfits, "value") + " of the column " + Says.quoted(name)
                + (misfits == 1 ? " does" : " do") + " not fit " + type.word()
                + (all.oddities().isEmpty() ? "." : ", such as " + examples(all) + ".");
        return new Finding(
                Severity.WARNING,
                "misfit",
                Where.JOB,
                what,
                "They are blank in the master; the first fifty are listed with their cells.",
                "Say in its column facts what is to stand in their place, correct them in the sources, or make the column "
                        + Type.TEXT.word() + ".");
    }
}
