package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.master.SourceCells;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.MadeColumns;
import cuvee.rework.Tidying;
import cuvee.value.Convention;
import cuvee.value.Conventions.Vote;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Type;
import cuvee.value.Typing;
import cuvee.value.YesNoWords;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

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

    /** What outline numbers and codes with points are called by: {@code 1.1, 1.10}. */
    private static final Pattern OUTLINE_WORD =
            Pattern.compile("(?i)(\\p{L}+ )?(code|ref\\.?|reference|clause|wbs|id|key|no\\.?|nr\\.?)");

    private final Job job;
    private final Amounts amounts;
    private final ValueCells cells;
    private final ConventionVotes votes;
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

    ColumnTyping(Job job, List<Layout> layouts, ValueCells cells, Homes homes, SourceCells sourceCells) {
        this.votes = new ConventionVotes(job, layouts, homes);
        this.written = new WrittenEvidence(job, sourceCells, homes, votes);
        this.writtenAs = new WrittenAs(written);
        this.amounts = new Amounts(job);
        this.cells = cells;
        this.job = job;
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
        Verdict found = verdict(column, read, all);
        Type before = job.decision(Kinds.TYPE, name)
                .flatMap(d -> Type.ofWord(d.answer()))
                .orElse(found.told().type());
        boolean widened = widened(name, before, found.told().type());
        Type decided = widened ? found.told().type() : before;
        Set<String> currencies = amounts.currencies(column, all);
        boolean mixed = decided.isNumber() && currencies.size() > 1;
        Type type = mixed && !amounts.keptApart(name) ? Type.TEXT : decided;
        long misfits = type == Type.TEXT ? all.count(Form.CELL_ERROR) : all.filled() - Typing.fit(all, type);
        boolean decideNow = widened || job.decision(Kinds.TYPE, name).isEmpty();
        List<Decision> decisions = new ArrayList<>(meanings.decisions());
        if (decideNow) {
            decisions.add(new Decision(
                    Kinds.TYPE, name, decided.word(), found.told().reason(), Says.count(all.filled(), "value")));
        }
        YesNoWords words = words(name, type, decideNow, all, decisions);
        MasterPlan.Spelling spelling = spelling(name, type, all, decisions);
        String currency = type == Type.MONEY && currencies.size() == 1
                ? currencies.iterator().next()
                : "";
        List<Question> questions = new ArrayList<>(meanings.questions());
        List<Finding> findings = new ArrayList<>(type == Type.TEXT ? List.of() : meanings.findings());
        if (mixed) {
            amounts.ask(name, all, currencies).ifPresent(questions::add);
        }
        say(column, read, all, found, type, misfits, questions, findings);
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
                        spelling,
                        words),
                mixed && type != Type.TEXT,
                new Proposal.ColumnReport(
                        name, type, currency, found.told().reason(), all.filled(), misfits, column.layouts()),
                new Said(questions, findings, decisions));
    }

    /**
     * What the values of a column tell of its type.
     *
     * @param kinds values of two kinds in different tables, where that is what makes it text
     * @param harmless true for tags, of which nothing is lost as text
     */
    private record Verdict(Typing.Verdict told, Optional<KindsApart> kinds, boolean harmless) {}

    private Verdict verdict(DraftColumn column, Read read, Evidence all) {
        // A tag that is text in one name and a number in another loses nothing as text.
        boolean tag = column.fed().values().stream().allMatch(fed -> fed.origin() instanceof Origin.Told);
        Typing.Verdict told = amounts.typed(Typing.decide(all, read.clear()), column);
        boolean words = told.type() == Type.TEXT && !tag;
        Optional<KindsApart> kinds = words && read.clear() ? KindsApart.in(read.heldBy()) : Optional.empty();
        if (kinds.isPresent()) {
            told = new Typing.Verdict(Type.TEXT, kinds.get().words(), 0, false);
        } else if (words && Typing.fit(all, Type.DATE_AND_TIME) * 2 >= all.filled()) {
            // Dates among which words stand: codes of digits and letters are one thing, days and words are two.
            told = new Typing.Verdict(Type.TEXT, told.reason(), 0, all.filled() == 0);
        } else if (told.type() == Type.DATE && CODE_WORD.matcher(column.name()).find() && all.hasShortYearsFarApart()) {
            told = new Typing.Verdict(
                    Type.TEXT, "its values could be dates of many years, but it is called like codes", 0, false);
        }
        boolean points = told.type() == Type.DECIMAL && all.count(Form.POINT) * 2 > all.filled();
        if (points && OUTLINE_WORD.matcher(column.name().strip()).matches()) {
            told = new Typing.Verdict(
                    Type.TEXT, "its values could be numbers with decimals, but it is called like codes", 0, false);
        }
        return new Verdict(told, kinds, tag);
    }

    /** Asks and says what is open about the values of a column. */
    private void say(
            DraftColumn column,
            Read read,
            Evidence all,
            Verdict found,
            Type type,
            long misfits,
            List<Question> questions,
            List<Finding> findings) {
        String name = column.name();
        questions.addAll(BlankSources.ask(job, column));
        TypeQuestions.severalUnits(name, type, all).ifPresent(findings::add);
        TypeQuestions.wordsForNothing(name, type, all).ifPresent(findings::add);
        if (type.isNumber()) {
            Signs.ask(job, column).ifPresent(questions::add);
            TypeQuestions.convention(job, read.openMarks(), name, Kinds.DECIMAL_MARK)
                    .ifPresent(questions::add);
        } else if (type.isMoment()) {
            TypeQuestions.convention(job, read.openOrders(), name, Kinds.DATE_ORDER)
                    .ifPresent(questions::add);
            zones(name, all).ifPresent(findings::add);
            byMonths(column, read).ifPresent(findings::add);
        }
        boolean open =
                !found.told().sure() || misfits > 0 && type != found.told().type();
        boolean harmless = found.harmless() && type == Type.TEXT;
        if (open && !harmless) {
            TypeQuestions.type(job, name, type, found.told(), found.kinds(), all, misfits)
                    .ifPresent(questions::add);
        }
        if (misfits > 0) {
            findings.add(TypeQuestions.misfits(name, type, misfits, all));
        }
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
        Map<PlacedTable, Meant> meanings = writtenAs.of(column);
        Evidence held = new Evidence();
        Map<PlacedTable, Evidence> heldBy = new LinkedHashMap<>();
        boolean clear = true;
        List<PlacedTable> openMarks = new ArrayList<>();
        List<PlacedTable> openOrders = new ArrayList<>();
        List<PlacedTable> byMonths = new ArrayList<>();
        Evidence written = column.held();
        Vote byPeriods = votes.byPeriods(column);
        for (Map.Entry<PlacedTable, LaidColumn> feed : column.fed().entrySet()) {
            PlacedTable table = feed.getKey();
            Evidence own = feed.getValue().evidence();
            Vote mark = votes.mark(name, table, own, written);
            Vote order = votes.order(name, table, own, written);
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
            Convention convention = votes.decided(name, mark, order);
            Meant meaning = meanings.getOrDefault(table, Meant.AS_WRITTEN);
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

    /** How texts are spelled: as is decided, else without the spaces around them that nobody sees. */
    private MasterPlan.Spelling spelling(String name, Type type, Evidence all, List<Decision> decisions) {
        Optional<String> spaced =
                type == Type.TEXT && job.decision(Kinds.SPELLING, name).isEmpty() ? all.spaced() : Optional.empty();
        if (spaced.isEmpty()) {
            return Tidying.of(job, name);
        }
        decisions.add(new Decision(
                Kinds.SPELLING,
                name,
                MasterPlan.Spelling.BARE.words(),
                Says.quoted(spaced.get()) + " has spaces around it, which nobody sees",
                Says.count(all.filled(), "value")));
        return MasterPlan.Spelling.BARE;
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
}
