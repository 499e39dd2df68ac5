package cuvee.tell;

import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.decision.ProofChoice;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A finding of which the analyst says that it is so. It stays settled while it says the same; as soon as a figure in it is
 * another it is a new finding, and open.
 *
 * @param note why it is so; empty where nothing was said
 * @param by who said it and when; empty where that was not kept
 */
public record SettledFinding(Finding finding, String note, String by) {
    /** What the findings of a refresh come to: those that are open, and those that are settled. */
    public record Parted(List<Finding> open, List<SettledFinding> settled) {}

    /** True for what can be settled: a failure cannot, and a question is settled by its answer. */
    public static boolean canSettle(Finding finding) {
        return finding.severity() == Severity.WARNING || finding.severity() == Severity.REMARK;
    }

    /**
     * The decision that a finding is so.
     *
     * @param note why; empty to say nothing
     * @param signed who says it, and when
     */
    public static Decision decision(Finding finding, String note, String signed) {
        Choice.Words words = new ProofChoice.Accepted(finding.id(), note.strip()).words();
        return new Decision(words.kind(), words.subject(), words.answer(), finding.text(), signed);
    }

    /** Parts findings by what a job says of them. */
    public static Parted part(List<Finding> findings, Job job) {
        Map<String, Decision> said = new HashMap<>();
        job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.FINDING))
                .forEach(decision -> said.put(decision.subject(), decision));
        List<Finding> open = new ArrayList<>();
        List<SettledFinding> settled = new ArrayList<>();
        for (Finding finding : findings) {
            Decision decision = canSettle(finding) ? said.get(finding.id()) : null;
            if (decision != null && Choices.of(decision, Set.of()) instanceof ProofChoice.Accepted accepted) {
                settled.add(new SettledFinding(finding, accepted.note(), decision.evidence()));
            } else {
                open.add(finding);
            }
        }
        return new Parted(open, settled);
    }

    /** It with what was said of it. */
    public String text() {
        return finding.text() + " It is so" + (by.isEmpty() ? "" : " (" + by + ")")
                + (note.isEmpty() ? "." : ": " + note);
    }
}
