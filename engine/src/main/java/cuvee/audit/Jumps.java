package cuvee.audit;

import cuvee.check.Arrivals;
import cuvee.check.Audit;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.master.MasterFigures;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Months in which a sender's rows, or what they come to, are far from what they usually are: half of a file may be lost, or
 * an amount may be in another unit. It is said with care, as a remark, for what is true may be unusual.
 */
public final class Jumps {
    /** So few rows more or fewer say nothing. */
    private static final int FEWEST_ROWS = 10;

    private final Arrivals arrivals;
    private final MasterPlan plan;
    private final Map<Integer, String> sources = new HashMap<>();
    private final Set<Arrivals.Place> jumping = new HashSet<>();
    private final List<Finding> findings = new ArrayList<>();

    private Jumps(Arrivals arrivals, MasterPlan plan) {
        this.arrivals = arrivals;
        this.plan = plan;
        plan.tables().forEach(table -> sources.put(table.id(), table.source()));
    }

    /** The months that stand out among those of their sender. */
    public static List<Finding> of(Arrivals arrivals, MasterPlan plan, MasterFigures figures) {
        Jumps jumps = new Jumps(arrivals, plan);
        arrivals.senders().forEach(jumps::rows);
        jumps.sums(figures);
        return jumps.findings;
    }

    private void rows(String sender) {
        double[] rows = arrivals.months().stream()
                .mapToDouble(month -> arrivals.cell(sender, month)
                        .map(Arrivals.Cell::rows)
                        .map(Double::valueOf)
                        .orElse(Double.NaN))
                .toArray();
        for (Audit.Jump jump : Audit.jumps(rows)) {
            YearMonth month = arrivals.months().get(jump.month());
            if (Math.abs(jump.value() - jump.usual()) >= FEWEST_ROWS) {
                say(
                        sender,
                        month,
                        Says.quoted(sender) + " has " + Says.count((long) jump.value(), "row") + " for " + month
                                + "; its other months have about " + number(jump.usual()) + ".");
            }
        }
    }

    private void sums(MasterFigures figures) {
        int sender = at(arrivals.sender());
        int period = at(arrivals.period());
        List<Integer> columns = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (plan.addsUp(i) && plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE) {
                columns.add(i);
            }
        }
        if (sender < 0 || period < 0 || columns.isEmpty()) {
            return;
        }
        Map<String, double[][]> bySender = new HashMap<>();
        for (MasterFigures.SumsOfMonth of : figures.sumsOfMonths(sender, period, columns)) {
            int month = arrivals.months().indexOf(of.month());
            if (month >= 0) {
                double[][] own = bySender.computeIfAbsent(of.sender(), any -> nothing(columns.size()));
                for (int i = 0; i < columns.size(); i++) {
                    own[i][month] = of.sums().get(i);
                }
            }
        }
        for (String each : arrivals.senders()) {
            double[][] own = bySender.getOrDefault(each, nothing(columns.size()));
            for (int i = 0; i < columns.size(); i++) {
                sum(each, plan.columns().get(columns.get(i)).name(), own[i]);
            }
        }
    }

    private double[][] nothing(int columns) {
        double[][] none = new double[columns][arrivals.months().size()];
        for (double[] each : none) {
            Arrays.fill(each, Double.NaN);
        }
        return none;
    }

    private void sum(String sender, String column, double[] sums) {
        for (Audit.Jump jump : Audit.jumps(sums)) {
            YearMonth month = arrivals.months().get(jump.month());
            say(
                    sender,
                    month,
                    column + " of " + Says.quoted(sender) + " comes to " + number(jump.value()) + " for " + month
                            + "; its other months come to about " + number(jump.usual()) + ".");
        }
    }

    private int at(String column) {
        for (int i = 0; i < plan.columns().size(); i++) {
            if (plan.columns().get(i).name().equals(column)) {
                return i;
            }
        }
        return -1;
    }

    /** Says it once for a sender and a month: what follows from the first is not said again. */
    private void say(String sender, YearMonth month, String what) {
        if (jumping.add(new Arrivals.Place(sender, month))) {
            findings.add(new Finding(
                    Severity.REMARK,
                    "jump",
                    where(sender, month),
                    what,
                    "The rows are kept as they are.",
                    "Look at the file, or settle this where it is so."));
        }
    }

    private Where where(String sender, YearMonth month) {
        return arrivals.cell(sender, month)
                .flatMap(cell -> cell.tables().stream().findFirst())
                .map(table -> Where.source(sources.getOrDefault(table, "")))
                .orElse(Where.JOB);
    }

    private static String number(double value) {
        return Says.number(new BigDecimal(value).round(new MathContext(value < 1000 ? 3 : 4)));
    }
}
