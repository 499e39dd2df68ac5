package cuvee.earlier;

import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.gather.ReadingDecisions;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.SameRows;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.value.Convention;
import cuvee.value.Period;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Returns for the year to date: tables of one sender that begin with the same month and reach further from one to the
 * next, each holding the records of those before it again, some of them restated. The one that reaches furthest counts
 * for all its months, the others are set aside, and the analyst is asked once for each sender.
 */
public final class YearToDate {
    /**
     * Decisions about them. Those found have a sender and a table as their subject, and as their answer the table that
     * counts in its place; those of the analyst have the sender alone, and {@link #NEWEST} or {@link #ALL}.
     */

    /** Stands before what tags say of a sender; alone where they say nothing. */
    private static final String SENDER = "*";
    /** So many of the records of a table have to stand in the one that reaches further. */
    private static final double ENOUGH = 0.8;

    private static final int MOST_NAMED = 6;
    /** Sums that differ by less differ by rounding. */
    private static final double PENNY = 0.005;

    private final MasterPlan plan;
    private final SameRows rows;
    private final Map<Integer, PlacedTable> placed = new HashMap<>();
    private final Map<Integer, MasterPlan.Table> planned = new LinkedHashMap<>();

    private YearToDate(Proposal proposal, MasterReader reader) {
        this.plan = proposal.plan();
        this.rows = reader.sameRows();
        proposal.layouts().forEach(layout -> layout.tables().forEach(table -> placed.put(table.id(), table)));
        plan.tables().forEach(table -> planned.put(table.id(), table));
    }

    /** A table set aside for one that reaches further, as a decision says it. */
    private record Aside(String sender, String table, String newest) {
        static Optional<Aside> of(Decision decision) {
            List<String> parts = Names.splitTexts(decision.subject());
            return decision.kind().equals(Kinds.YEAR_TO_DATE) && parts.size() == 2
                    ? Optional.of(new Aside(parts.get(0), parts.get(1), decision.answer()))
                    : Optional.empty();
        }
    }

    private static String subject(PlacedTable table) {
        return ReadingDecisions.subject(table.source(), table.sheet());
    }

    /** What was found and is in force, by the table that is set aside. */
    private static Map<PlacedTable, Decision> inForce(Job job, List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySubject = new HashMap<>();
        tables.forEach(table -> bySubject
                .computeIfAbsent(subject(table), any -> new ArrayList<>())
                .add(table));
        Map<PlacedTable, Decision> found = new LinkedHashMap<>();
        for (Decision decision : job.assumed()) {
            Aside.of(decision)
                    .filter(aside -> bySubject.containsKey(aside.newest()) && !takesAll(job, aside.sender()))
                    .ifPresent(aside -> bySubject
                            .getOrDefault(aside.table(), List.of())
                            .forEach(table -> found.put(table, decision)));
        }
        return found;
    }

    private static boolean takesAll(Job job, String sender) {
        return job.isSettled(Kinds.YEAR_TO_DATE, sender)
                && job.decision(Kinds.YEAR_TO_DATE, sender)
                        .filter(decision -> decision.answer().equals(SourceChoice.ALL))
                        .isPresent();
    }

    /** The tables that are set aside for it, with the reason. */
    public static Map<PlacedTable, String> aside(Job job, List<PlacedTable> tables) {
        Map<PlacedTable, String> aside = new HashMap<>();
        inForce(job, tables).forEach((table, decision) -> aside.put(table, decision.reason()));
        return aside;
    }

    /** New decisions about tables of a master for each of which another holds all its months and more. */
    public static List<Decision> found(Job job, Proposal proposal, MasterReader reader) {
        return proposal.plan().tables().size() < 2 ? List.of() : new YearToDate(proposal, reader).find(job);
    }

    private List<Decision> find(Job job) {
        for (int column = 0; column < plan.columns().size(); column++) {
            if (plan.columns().get(column).part() == MasterPlan.Column.Part.VALUE
                    && plan.columns().get(column).type().hasDay()
                    && isOfRecords(column)) {
                List<Decision> found = find(job, column);
                if (!found.isEmpty()) {
                    return found;
                }
            }
        }
        return List.of();
    }

    /** True where the cells of records say a column's values, not what is told of a whole table. */
    private boolean isOfRecords(int column) {
        return plan.tables().stream().anyMatch(table -> isOfRecords(table, column));
    }

    private static boolean isOfRecords(MasterPlan.Table table, int column) {
        MasterPlan.Feed feed = table.feeds().get(column);
        return feed != null && !(feed.origin() instanceof Origin.Told);
    }

    private List<Decision> find(Job job, int when) {
        Map<Integer, SameRows.Months> months = new HashMap<>();
        rows.months(when).forEach(each -> months.put(each.table(), each));
        Map<List<String>, List<MasterPlan.Table>> groups = new LinkedHashMap<>();
        for (MasterPlan.Table table : plan.tables()) {
            SameRows.Months of = months.get(table.id());
            if (of != null && isOfRecords(table, when)) {
                groups.computeIfAbsent(List.of(sender(table), of.first().toString()), any -> new ArrayList<>())
                        .add(table);
            }
        }
        List<Decision> found = new ArrayList<>();
        groups.forEach((group, tables) -> {
            if (!takesAll(job, group.get(0))) {
                found.addAll(find(group.get(0), tables, when, months));
            }
        });
        return found;
    }

    private List<Decision> find(
            String sender, List<MasterPlan.Table> tables, int when, Map<Integer, SameRows.Months> months) {
        Comparator<MasterPlan.Table> reach = Comparator.comparing((MasterPlan.Table table) -> reach(months, table.id()))
                .thenComparing(MasterPlan.Table::kept)
                .thenComparing(MasterPlan.Table::id);
        List<MasterPlan.Table> ordered =
                tables.stream().sorted(reach.reversed()).toList();
        MasterPlan.Table newest = ordered.get(0);
        List<Integer> keys = keys(tables, when);
        if (ordered.stream().map(table -> reach(months, table.id())).distinct().count() < 2 || keys.isEmpty()) {
            return List.of();
        }
        Map<SameRows.Pair, Double> shared =
                rows.overlaps(tables.stream().map(MasterPlan.Table::id).toList(), keys);
        List<MasterPlan.Table> older = ordered.stream()
                .filter(table -> !source(table).equals(source(newest)) && isAlone(table))
                .filter(table -> reach(months, table.id()).isBefore(reach(months, newest.id())))
                .filter(table -> shared.getOrDefault(SameRows.Pair.of(table.id(), newest.id()), 0.0) >= ENOUGH)
                .toList();
        if (older.isEmpty()) {
            return List.of();
        }
        List<String> restated = restated(newest, older.get(0), when);
        List<Decision> decisions = new ArrayList<>();
        for (MasterPlan.Table table : older) {
            decisions.add(new Decision(
                    Kinds.YEAR_TO_DATE,
                    Names.joinTexts(List.of(sender, name(table))),
                    name(newest),
                    name(newest) + " holds its months too and reaches further, to " + month(reach(months, newest.id()))
                            + "; it counts",
                    table.id() == older.get(0).id() ? String.join("; ", restated) : ""));
        }
        return decisions;
    }

    private static YearMonth reach(Map<Integer, SameRows.Months> months, int table) {
        SameRows.Months of = months.get(table);
        return of == null ? YearMonth.of(1, 1) : of.last();
    }

    /** True where a sheet holds no other table, as what is decided is about the sheet. */
    private boolean isAlone(MasterPlan.Table table) {
        return plan.tables().stream()
                        .filter(each -> name(each).equals(name(table)))
                        .count()
                == 1;
    }

    private String source(MasterPlan.Table table) {
        PlacedTable own = placed.get(table.id());
        return own == null ? "" : own.source();
    }

    private String name(MasterPlan.Table table) {
        PlacedTable own = placed.get(table.id());
        return own == null ? "" : subject(own);
    }

    /** What tags say of who sent a table: all that is told of it and speaks of no period. */
    private String sender(MasterPlan.Table table) {
        StringBuilder sender = new StringBuilder(SENDER);
        for (int i = 0; i < plan.columns().size(); i++) {
            MasterPlan.Feed feed = table.feeds().get(i);
            if (plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE
                    && feed != null
                    && feed.origin() instanceof Origin.Told told
                    && !plan.columns().get(i).type().isMoment()
                    && Period.in(told.text(), Convention.Order.DAY_FIRST).isEmpty()) {
                sender.append(' ').append(told.text());
            }
        }
        return sender.toString();
    }

    /** The columns by which a record is the same in two tables: what cells say of it that is no number. */
    private List<Integer> keys(List<MasterPlan.Table> tables, int when) {
        List<Integer> keys = new ArrayList<>();
        boolean numbers = false;
        for (int i = 0; i < plan.columns().size(); i++) {
            int column = i;
            boolean value = plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE;
            if (value && tables.stream().allMatch(table -> isOfRecords(table, column))) {
                boolean number = plan.columns().get(i).type().isNumber();
                numbers |= number;
                if (!number || i == when) {
                    keys.add(i);
                }
            }
        }
        return numbers ? keys : List.of();
    }

    /** The months whose sums are others in the newest table than in the one before it, in words. */
    private List<String> restated(MasterPlan.Table newest, MasterPlan.Table before, int when) {
        List<Integer> numbers = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE
                    && plan.columns().get(i).type().isNumber()
                    && isOfRecords(newest, i)
                    && isOfRecords(before, i)) {
                numbers.add(i);
            }
        }
        Map<YearMonth, List<Double>> now = sums(newest, when, numbers);
        List<String> restated = new ArrayList<>();
        sums(before, when, numbers).forEach((month, sums) -> {
            List<Double> others = now.get(month);
            for (int i = 0; i < numbers.size(); i++) {
                double then = sums.get(i);
                double here = others == null ? 0 : others.get(i);
                if (Math.abs(then - here) >= PENNY) {
                    restated.add(month(month) + ", "
                            + plan.columns().get(numbers.get(i)).name() + " from " + amount(then) + " to "
                            + amount(here));
                }
            }
        });
        return restated;
    }

    private Map<YearMonth, List<Double>> sums(MasterPlan.Table table, int when, List<Integer> numbers) {
        return rows.sumsByMonth(table.id(), when, numbers);
    }

    private static String amount(double sum) {
        return Says.number(
                BigDecimal.valueOf(sum).setScale(2, RoundingMode.HALF_UP).stripTrailingZeros());
    }

    private static String month(YearMonth month) {
        return month.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " " + month.getYear();
    }

    /** The tables set aside for each sender, those that reach furthest last. */
    private static Map<String, List<Decision>> bySender(Job job, List<PlacedTable> tables) {
        Map<String, List<Decision>> bySender = new LinkedHashMap<>();
        new HashSet<>(inForce(job, tables).values())
                .stream()
                        .sorted(Comparator.comparing(Decision::subject))
                        .forEach(decision -> Aside.of(decision)
                                .ifPresent(aside -> bySender.computeIfAbsent(aside.sender(), s -> new ArrayList<>())
                                        .add(decision)));
        return bySender;
    }

    /** Asks about every sender that the analyst has not settled. */
    public static List<Question> questions(Job job, List<PlacedTable> tables) {
        Map<String, Long> rowsOf = new HashMap<>();
        tables.forEach(table ->
                rowsOf.merge(subject(table), (long) table.table().kept() * Math.max(1, table.turned()), Long::sum));
        List<Question> questions = new ArrayList<>();
        bySender(job, tables).forEach((sender, decisions) -> {
            if (job.isSettled(Kinds.YEAR_TO_DATE, sender)) {
                return;
            }
            List<Aside> aside = decisions.stream()
                    .flatMap(decision -> Aside.of(decision).stream())
                    .toList();
            Set<String> newest = new HashSet<>(aside.stream().map(Aside::newest).toList());
            long rows = aside.stream()
                    .mapToLong(each -> rowsOf.getOrDefault(each.table(), 0L))
                    .sum();
            String restated = restated(decisions);
            questions.add(Question.of(
                    Kinds.YEAR_TO_DATE,
                    sender,
                    Where.source(source(tables, newest)),
                    Says.list(aside.stream().map(Aside::table).toList())
                            + (aside.size() == 1 ? " holds" : " hold")
                            + " the year so far, and "
                            + Says.list(newest.stream().sorted().toList())
                            + (newest.size() == 1 ? " holds" : " hold")
                            + " the same months again and reaches further."
                            + (restated.isEmpty() ? "" : " Restated there: " + restated + ".")
                            + " Does the newest count for all its months?",
                    SourceChoice.YearToDate.NEWEST,
                    List.of(
                            new Answer(
                                    SourceChoice.YearToDate.NEWEST,
                                    "yes, as each month; the " + Says.count(rows, "row")
                                            + " of those before it would count twice"),
                            new Answer(SourceChoice.ALL, "no, they are different things; take them all")),
                    rows));
        });
        return questions;
    }

    private static String source(List<PlacedTable> tables, Set<String> newest) {
        return tables.stream()
                .filter(table -> newest.contains(subject(table)))
                .map(PlacedTable::source)
                .findFirst()
                .orElse("");
    }

    private static String restated(List<Decision> decisions) {
        List<String> all = decisions.stream()
                .filter(decision -> !decision.evidence().isEmpty())
                .flatMap(decision -> List.of(decision.evidence().split("; ")).stream())
                .toList();
        return all.size() <= MOST_NAMED
                ? String.join("; ", all)
                : String.join("; ", all.subList(0, MOST_NAMED)) + " and " + (all.size() - MOST_NAMED) + " more";
    }

    /** Says which months the newest returns restate, where that is settled and no question says it any more. */
    public static List<Finding> findings(Job job, List<PlacedTable> tables) {
        List<Finding> findings = new ArrayList<>();
        bySender(job, tables).forEach((sender, decisions) -> {
            String restated = restated(decisions);
            if (!restated.isEmpty()) {
                Set<String> newest = new HashSet<>();
                decisions.forEach(decision -> newest.add(decision.answer()));
                findings.add(new Finding(
                        Severity.REMARK,
                        "restated",
                        Where.source(source(tables, newest)),
                        "Months that earlier returns held too have other sums now: " + restated + ".",
                        "The newest return counts.",
                        ""));
            }
        });
        return findings;
    }
}
