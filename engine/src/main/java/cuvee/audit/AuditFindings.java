package cuvee.audit;

import cuvee.check.Audit;
import cuvee.check.Audit.Relation;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.master.MasterFigures;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RowTest;
import cuvee.master.StandingOut;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/** What a sceptic sees in the numbers of a master, each with the cell to look at. */
public final class AuditFindings {
    private static final int SAMPLE = 2000;
    /** A relation that more rows than these break, in a hundred, is none. */
    private static final double MOST_BROKEN = 0.03;

    private static final int MOST_COLUMNS = 40;
    private static final int MOST_ROWS = 500;
    /** So few rows that break what all others keep are slips; more are a habit. */
    private static final int FEW = 5;
    /** So many files must have all their days in the period of their names before one that has not is pointed out. */
    private static final int FEWEST_FILES = 3;
    /** Where more files than these have days of another period, that is how they are made. */
    private static final double MOST_FILES = 0.25;
    /** So many places behind the mark are looked at: a mark that moves, moves by three at most. */
    private static final int PLACES = 4;
    /** Values are not looked at one by one in longer masters. */
    private static final long LONGEST = 3_000_000;
    /** Rows are not compared with those of the same text in longer masters. */
    private static final int MOST_ROWS_OF_KINDS = 100_000;
    /** Numbers at the end of texts are not looked at in longer masters. */
    private static final int MOST_ROWS_OF_CODES = 300_000;

    private final MasterPlan plan;
    private final MasterReader reader;
    private final List<Finding> findings = new ArrayList<>();
    private final Set<List<Integer>> said = new HashSet<>();

    private AuditFindings(MasterPlan plan, MasterReader reader) {
        this.plan = plan;
        this.reader = reader;
    }

    /** What there is to be said of the numbers of a master; nothing of very long ones. */
    public static List<Finding> of(MasterPlan plan, MasterReader reader) {
        AuditFindings audit = new AuditFindings(plan, reader);
        if (reader.rows() <= LONGEST) {
            audit.relations();
            audit.farAbove();
            audit.farAboveTheirKind();
            audit.oddDecimals();
            audit.missingNumbers();
            audit.otherPeriods();
            audit.findings.addAll(SignsByMark.in(plan, reader));
        }
        return audit.findings;
    }

    private void relations() {
        List<Integer> columns = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (plan.addsUp(i) && plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE) {
                columns.add(i);
            }
        }
        if (columns.size() < 2 || columns.size() > MOST_COLUMNS) {
            return;
        }
        int[] decimals = columns.stream().mapToInt(this::decimals).toArray();
        List<double[]> some = reader.standingOut().someNumbers(columns, SAMPLE);
        for (Relation relation : Audit.relations(some, decimals)) {
            broken(relation, columns);
        }
        for (Audit.Rate rate : Audit.rates(some, decimals)) {
            offRate(rate, columns);
        }
    }

    private void broken(Relation relation, List<Integer> columns) {
        int result = columns.get(relation.result());
        List<StandingOut.NumberAt> broken = reader.standingOut()
                .notFollowing(
                        relation.kind() == Audit.Kind.PRODUCT,
                        columns.get(relation.one()),
                        columns.get(relation.other()),
                        result,
                        relation.tolerance(),
                        MOST_ROWS);
        if (broken.isEmpty() || broken.size() > Math.max(2, reader.rows() * MOST_BROKEN)) {
            return;
        }
        StandingOut.NumberAt first = broken.get(0);
        String follows = name(columns.get(relation.one())) + " "
                + relation.kind().sign() + " " + name(columns.get(relation.other()));
        findings.add(new Finding(
                broken.size() <= FEW ? Severity.WARNING : Severity.REMARK,
                "does-not-follow",
                where(first, result),
                name(result) + " is " + follows + " in nearly all rows, but not in "
                        + Says.count(broken.size(), "row") + ": here it is " + number(first.value()) + ", and "
                        + number(first.expected()) + " would follow.",
                "The values are kept as they are.",
                "Look at the cell; correct it there, or ask the sender."));
    }

    /** Amounts of another size than what they are charged by, in nearly all rows at one rate. */
    private void offRate(Audit.Rate rate, List<Integer> columns) {
        int one = columns.get(rate.one());
        int result = columns.get(rate.result());
        for (StandingOut.NumberAt off : reader.standingOut().movedFromRate(one, result, rate.rate(), FEW)) {
            say(
                    "far-above",
                    off,
                    result,
                    name(result) + " is " + number(off.value()) + " here; by " + name(one)
                            + ", as in nearly all rows, it would be "
                            + number(BigDecimal.valueOf(off.expected())
                                    .setScale(plan.columns().get(result).decimals(), RoundingMode.HALF_UP)
                                    .doubleValue())
                            + ". A decimal mark may have moved.");
        }
    }

    /** Amounts of another size than those of the rows with the same text, such as a meter's other readings. */
    private void farAboveTheirKind() {
        List<Integer> amounts = amounts();
        if (amounts.isEmpty() || amounts.size() > MOST_COLUMNS || reader.rows() > MOST_ROWS_OF_KINDS) {
            return;
        }
        for (int kind : reader.standingOut().kinds(values(Type.TEXT))) {
            reader.standingOut().farAboveTheirKind(kind, amounts, FEW + 1).forEach((amount, far) -> {
                for (StandingOut.NumberAt each : far.size() > FEW ? List.<StandingOut.NumberAt>of() : far) {
                    say(
                            "far-above",
                            each,
                            amount,
                            name(amount) + " is " + number(each.value()) + " here; the rows with the same " + name(kind)
                                    + " have about " + number(each.expected()) + ". A decimal mark may have moved.");
                }
            });
        }
    }

    private List<Integer> amounts() {
        List<Integer> amounts = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            Type type = plan.columns().get(i).type();
            boolean amount = type == Type.MONEY || type == Type.DECIMAL || type == Type.WHOLE_NUMBER;
            if (amount && plan.addsUp(i) && plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE) {
                amounts.add(i);
            }
        }
        return amounts;
    }

    /** Numbers that run on by one but for a few that are missing: their rows may be lost. */
    private void missingNumbers() {
        List<Integer> whole = values(Type.WHOLE_NUMBER);
        List<Integer> named = new ArrayList<>(whole);
        named.addAll(reader.rows() > MOST_ROWS_OF_CODES ? List.of() : values(Type.TEXT));
        List<Integer> different = reader.standingOut().nearlyAllDifferent(named);
        for (int i : different) {
            missing(i, reader.standingOut().running(i, !whole.contains(i), false), "in no file");
        }
        for (int i : reader.figures().rowNumbers()) {
            if (!different.contains(i)) {
                missing(i, reader.standingOut().running(i, false, true), "missing in this table");
            }
        }
    }

    private List<Integer> values(Type type) {
        return IntStream.range(0, plan.columns().size())
                .filter(i -> plan.columns().get(i).type() == type
                        && plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE)
                .boxed()
                .toList();
    }

    private void missing(int column, StandingOut.Running running, String where) {
        long missing =
                running.gaps().stream().mapToLong(StandingOut.Gap::missing).sum();
        if (missing == 0
                || missing > Audit.mostMissing(running.different())
                || !Audit.isRunning(running.all(), running.different(), running.runningOn())) {
            return;
        }
        for (StandingOut.Gap gap : running.gaps()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "number-missing",
                    where(gap.at(), column),
                    name(column) + " runs on by one in " + Says.count(running.runningOn(), "row") + ", but between "
                            + gap.before() + " and " + gap.after() + " "
                            + (gap.missing() == 1 ? "one number is" : Says.number(gap.missing()) + " numbers are")
                            + " " + where + ". "
                            + (gap.missing() == 1 ? "Its row" : "Their rows") + " may have been lost.",
                    "The rows are taken as they are.",
                    "Ask the sender, or settle this where the number was never used."));
        }
    }

    private void say(String kind, StandingOut.NumberAt number, int column, String what) {
        if (said.add(List.of(number.table(), number.row(), number.turned(), column))) {
            findings.add(new Finding(
                    Severity.WARNING,
                    kind,
                    where(number, column),
                    what,
                    "The value is kept as it is.",
                    "Look at the cell; correct it there, or ask the sender."));
        }
    }

    private void farAbove() {
        List<Integer> amounts = amounts();
        Map<Integer, double[]> farthest = reader.standingOut().farthest(amounts, Audit.GREATEST);
        for (int i : amounts) {
            double[] values = farthest.getOrDefault(i, new double[0]);
            int apart = Audit.apart(values, decimals(i));
            if (apart == 0) {
                continue;
            }
            double[] spread = reader.standingOut().spread(i);
            double next = values[apart];
            for (StandingOut.NumberAt far : reader.standingOut().farthest(i, apart)) {
                if (Audit.isOrdinaryElsewhere(far.value(), next, spread[1], (long) spread[0])) {
                    say(
                            "far-above",
                            far,
                            i,
                            name(i) + " is " + number(far.value()) + " here; the next greatest of "
                                    + Says.count((long) spread[0], "value") + " is " + number(next)
                                    + ". A decimal mark may have moved.");
                }
            }
        }
    }

    /** Numbers with more digits behind the mark than all others of their column. */
    private void oddDecimals() {
        Map<Integer, Integer> most = new LinkedHashMap<>();
        amounts().stream().filter(i -> decimals(i) >= 2).forEach(i -> most.put(i, decimals(i)));
        reader.standingOut().digitsBehind(most, Audit.MOST_APART, PLACES).forEach((column, found) -> {
            long count = found[PLACES];
            Audit.oddDecimals(decimals(column), Arrays.copyOf(found, PLACES), count)
                    .ifPresent(odd -> reader.standingOut()
                            .withDigitsBeyond(column, odd.decimals(), odd.values())
                            .forEach(number -> say(
                                    "odd-decimals",
                                    number,
                                    column,
                                    name(column) + " is " + number(number.value()) + " here; the other "
                                            + Says.count(count - odd.values(), "value") + " have "
                                            + (odd.decimals() == 0
                                                    ? "no decimals"
                                                    : Says.count(odd.decimals(), "decimal") + " at most")
                                            + ". A decimal mark may have moved.")));
        });
    }

    private int decimals(int column) {
        MasterPlan.Column found = plan.columns().get(column);
        return found.type() == Type.WHOLE_NUMBER ? 0 : found.decimals();
    }

    /** Rows that slipped into the file of another month, where the days of nearly all files lie in what their names say. */
    private void otherPeriods() {
        Map<Integer, RowTest.Span> spans = new HashMap<>();
        plan.tables().forEach(table -> OwnChecks.span(table.source()).ifPresent(span -> spans.put(table.id(), span)));
        if (spans.size() < FEWEST_FILES) {
            return;
        }
        for (int i = 0; i < plan.columns().size(); i++) {
            MasterPlan.Column column = plan.columns().get(i);
            if (!column.type().hasDay() || column.part() != MasterPlan.Column.Part.VALUE) {
                continue;
            }
            int named = 0;
            Map<Integer, RowTest.Span> left = new HashMap<>();
            for (MasterFigures.Days days : reader.figures().days(i)) {
                RowTest.Span span = spans.get(days.table());
                named += span == null ? 0 : 1;
                if (span != null && days.leave(span)) {
                    left.put(days.table(), span);
                }
            }
            int whole = named - left.size();
            if (left.isEmpty() || whole < FEWEST_FILES || left.size() > named * MOST_FILES) {
                continue;
            }
            List<MasterFigures.Outside> some = reader.figures().outside(i, left);
            for (MasterFigures.Outside table : some) {
                if (table.outside() < table.filled()) {
                    slipped(table, i, whole);
                }
            }
        }
    }

    private void slipped(MasterFigures.Outside table, int column, int whole) {
        findings.add(new Finding(
                Severity.WARNING,
                "other-period",
                where(new StandingOut.NumberAt(table.table(), table.row(), -1, 0, 0), column),
                Says.number(table.outside()) + " of its " + Says.count(table.filled(), "row")
                        + (table.outside() == 1 ? " has " : " have ") + "another " + name(column)
                        + " than its file's name says: "
                        + (table.first().equals(table.last()) ? table.first() : table.first() + " to " + table.last())
                        + "; in " + Says.count(whole, "other file") + " none has.",
                "The rows are taken as they are.",
                "Look at the cell; the row may belong to another file, or its date be mistyped."));
    }

    private String name(int column) {
        return plan.columns().get(column).name();
    }

    private static String number(double value) {
        return Says.number(new BigDecimal(value).round(new MathContext(12)));
    }

    private Where where(StandingOut.NumberAt number, int column) {
        return plan.tables().stream()
                .filter(table -> table.id() == number.table())
                .findFirst()
                .map(table -> {
                    MasterPlan.Feed feed = table.feeds().get(column);
                    Where sheet = Where.sheet(table.source(), table.sheet());
                    int row = feed != null && feed.origin().row() > 0
                            ? feed.origin().row()
                            : number.row();
                    int at = feed == null
                            ? -1
                            : feed.origin().column(Math.max(0, number.turned())).orElse(-1);
                    return at < 0 ? sheet : sheet.cell(row, at + 1);
                })
                .orElse(Where.JOB);
    }
}
