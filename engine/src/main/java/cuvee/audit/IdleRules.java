package cuvee.audit;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.propose.ValueCells;
import cuvee.rework.Codes;
import cuvee.rework.RowRules;
import cuvee.rework.ValueRule;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Rules in force that touch nothing, or leave no row: the data may have changed under them. */
public final class IdleRules {
    private IdleRules() {}

    /**
     * @param aside for each rule about rows in force, how many it sets aside, by table number
     * @param rows how many rows the master has
     */
    public static List<Finding> findings(Proposal proposal, List<Map<Integer, Long>> aside, long rows) {
        List<Finding> findings = new ArrayList<>();
        long all = 0;
        for (RowRules.Stated stated : RowRules.of(proposal.job(), proposal.plan())) {
            if (!stated.on() || stated.number() < 0 || stated.number() >= aside.size()) {
                continue;
            }
            long touched = aside.get(stated.number()).values().stream()
                    .mapToLong(Long::longValue)
                    .sum();
            all += touched;
            if (touched == 0 && stated.decision().kind().equals(RowRules.ROWS)) {
                findings.add(idle(
                        "rule “" + stated.verb() + " where " + stated.decision().subject() + "” sets no row aside"));
            }
        }
        for (ValueRule rule : ValueRule.of(proposal.job())) {
            if (rule.on() && proposal.valueCells().getOrDefault(rule.subject(), 1L) == 0) {
                findings.add(idle("rule that writes "
                        + Says.list(rule.texts().stream().map(Says::quoted).toList())
                        + " otherwise in the column " + Says.quoted(rule.column()) + " finds no such value"));
            }
        }
        for (Codes codes : Codes.of(proposal.job())) {
            if (codes.on() && proposal.valueCells().getOrDefault(ValueCells.CODED + codes.column(), 1L) == 0) {
                findings.add(idle("rule that writes names for codes in the column " + Says.quoted(codes.column())
                        + " finds none of its codes"));
            }
        }
        if (rows == 0 && all > 0) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "rule-leaves-nothing",
                    Where.JOB,
                    "The rules set all " + Says.count(all, "row") + " aside.",
                    "The master is empty.",
                    "Change or switch off a rule in Rework."));
        }
        return findings;
    }

    private static Finding idle(String what) {
        return new Finding(
                Severity.WARNING,
                "rule-idle",
                Where.JOB,
                "The " + what + ".",
                "It changes nothing in this master.",
                "Change it, switch it off or take it out in Rework if it is no longer needed.");
    }
}
