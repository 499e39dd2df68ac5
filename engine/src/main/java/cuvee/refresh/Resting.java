package cuvee.refresh;

import cuvee.check.Reconciled;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.job.Names;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.LineUp;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How much of a master rests on answers that Cuvee assumed and nobody has confirmed: the rows of the tables that open
 * questions are about, and their amounts in the money column that fills the most rows.
 *
 * @param rows the rows of the master that such an answer could change
 * @param of all rows of the master before it is shaped
 * @param outside rows that are left out by such an answer
 * @param column the money column; empty where there is none
 */
public record Resting(long rows, long of, long outside, String column, BigDecimal amount, BigDecimal allAmount) {
    private static final Set<String> OF_LAYOUTS = Set.of(Kinds.CARRY_DOWN, Kinds.ACROSS, Kinds.SECTION_LINE);
    private static final String HEADER = " > ";

    /** What of a master rests so. */
    public static Resting of(Outcome outcome) {
        MasterPlan plan = outcome.proposal().plan();
        Map<Integer, PlacedTable> placed = new HashMap<>();
        outcome.proposal().layouts().forEach(layout -> layout.tables().forEach(table -> placed.put(table.id(), table)));
        Set<Integer> resting = new HashSet<>();
        long outside = 0;
        for (Question question : outcome.questions()) {
            Set<Integer> about = tables(question, outcome, plan, placed);
            resting.addAll(about);
            outside += about.isEmpty() && !question.where().equals(Where.JOB) ? question.stake() : 0;
        }
        Optional<Integer> money = money(outcome);
        BigDecimal amount = BigDecimal.ZERO;
        BigDecimal all = BigDecimal.ZERO;
        for (Reconciled.Line line : outcome.reconciled().lines()) {
            if (money.isPresent() && line.column() == money.get()) {
                all = all.add(line.master());
                amount = resting.contains(line.table()) ? amount.add(line.master()) : amount;
            }
        }
        long rows = resting.stream()
                .mapToLong(table -> {
                    Outcome.Made made = outcome.made().get(table);
                    return made == null ? 0 : made.rows() - outcome.ruledOut(table);
                })
                .sum();
        return new Resting(
                rows,
                outcome.rowsBefore(),
                outside,
                money.map(at -> plan.columns().get(at).name()).orElse(""),
                amount,
                all);
    }

    private static Set<Integer> tables(
            Question question, Outcome outcome, MasterPlan plan, Map<Integer, PlacedTable> placed) {
        Set<Integer> tables = new HashSet<>();
        String subject = question.subject();
        if (question.kind().equals(LineUp.KIND) || OF_LAYOUTS.contains(question.kind())) {
            int at = subject.lastIndexOf(HEADER);
            String layoutName = at < 0 ? subject : subject.substring(0, at);
            for (Layout layout : outcome.proposal().layouts()) {
                boolean about = question.kind().equals(LineUp.KIND)
                        ? layout.keys().contains(subject)
                        : layout.signature().equals(layoutName);
                if (about) {
                    layout.tables().forEach(table -> tables.add(table.id()));
                }
            }
            return tables;
        }
        String named = Names.splitTexts(subject).get(0);
        for (int i = 0; i < plan.columns().size(); i++) {
            if (plan.columns().get(i).name().equals(named)) {
                for (MasterPlan.Table table : plan.tables()) {
                    if (i < table.feeds().size() && table.feeds().get(i) != null) {
                        tables.add(table.id());
                    }
                }
                return tables;
            }
        }
        Where where = question.where();
        placed.forEach((id, table) -> {
            boolean here = table.source().equals(where.source())
                    && (where.sheet().isEmpty() || table.sheet().equals(where.sheet()));
            if (here && plan.tables().stream().anyMatch(each -> each.id() == id)) {
                tables.add(id);
            }
        });
        return tables;
    }

    /** The place of the money column that fills the most rows. */
    private static Optional<Integer> money(Outcome outcome) {
        List<Proposal.ColumnReport> columns = outcome.proposal().columns();
        int best = -1;
        for (int i = 0; i < columns.size(); i++) {
            boolean fuller =
                    best < 0 || columns.get(i).filled() > columns.get(best).filled();
            best = columns.get(i).type() == Type.MONEY && fuller ? i : best;
        }
        return best < 0 ? Optional.empty() : Optional.of(best);
    }

    public boolean isNothing() {
        return rows == 0 && outside == 0;
    }

    /** It in one sentence; empty where nothing rests so. */
    public String said() {
        if (isNothing()) {
            return "";
        }
        StringBuilder said = new StringBuilder();
        if (rows > 0) {
            said.append(Says.number(rows)).append(" of ").append(Says.count(of, "row"));
            said.append(" (").append(percent(rows, of)).append(')');
            if (!column.isEmpty() && allAmount.signum() != 0) {
                said.append(" and ")
                        .append(money(amount))
                        .append(" of ")
                        .append(money(allAmount))
                        .append(' ')
                        .append(column);
            }
            said.append(rows == 1 ? " rests" : " rest").append(" on answers that nobody has confirmed");
        }
        if (outside > 0) {
            said.append(rows > 0 ? "; " : "")
                    .append(Says.count(outside, "row"))
                    .append(outside == 1 ? " is" : " are")
                    .append(rows > 0 ? " left out by such answers" : " left out by answers that nobody has confirmed");
        }
        return said.append('.').toString();
    }

    private static String money(BigDecimal amount) {
        return String.format(Locale.ROOT, "%,.2f", amount);
    }

    private static String percent(long some, long all) {
        long percent = all == 0 ? 0 : Math.round(100.0 * some / all);
        return some > 0 && percent == 0 ? "below 1 %" : percent + " %";
    }
}
