package cuvee.tell;

import cuvee.finding.Question;
import cuvee.place.Says;
import cuvee.place.Where;
import java.math.BigDecimal;
import java.util.HashSet;
import java.util.Set;

/**
 * How much of a master rests on answers that Cuvee assumed and nobody has confirmed: the rows of the tables that open
 * questions are about, and their amounts in the column by which it is weighed.
 *
 * @param rows the rows of the master that such an answer could change
 * @param of all rows of the master before it is shaped
 * @param outside rows that are left out by such an answer
 * @param column the weighing column; empty where there is none
 */
public record Resting(long rows, long of, long outside, String column, BigDecimal amount, BigDecimal allAmount) {
    /** What of a master rests so. */
    public static Resting of(Outcome outcome) {
        Stakes stakes = Stakes.of(outcome);
        Set<Integer> resting = new HashSet<>();
        long outside = 0;
        for (Question question : outcome.questions()) {
            Set<Integer> about = stakes.tables(question);
            resting.addAll(about);
            outside += about.isEmpty() && !question.where().equals(Where.JOB) ? question.stake() : 0;
        }
        return new Resting(
                stakes.rows(resting),
                outcome.rowsBefore(),
                outside,
                stakes.column(),
                stakes.amount(resting),
                stakes.all());
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
                        .append(Stakes.Stake.said(amount))
                        .append(" of ")
                        .append(Stakes.Stake.said(allAmount))
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

    private static String percent(long some, long all) {
        long percent = all == 0 ? 0 : Math.round(100.0 * some / all);
        return some > 0 && percent == 0 ? "below 1 %" : percent + " %";
    }
}
