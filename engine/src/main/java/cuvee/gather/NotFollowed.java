package cuvee.gather;

import cuvee.decision.Choices;
import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What a job says and cannot be followed: words that are not understood, and how sheets and layouts are read that are no
 * longer there. The evidence decides in their place, which is never left unsaid.
 */
public final class NotFollowed {
    private NotFollowed() {}

    /** A finding for each such decision. */
    public static List<Finding> findings(Job job, List<ReadSheet> sheets) {
        Set<String> there = new HashSet<>();
        sheets.forEach(sheet -> {
            there.add(sheet.subject());
            there.addAll(sheet.signatures());
        });
        List<Finding> findings = new ArrayList<>();
        for (Decision decision : job.settled()) {
            if (!Choices.of(decision, job.columns()).understood()) {
                findings.add(said(
                        decision,
                        "The job says " + Says.quoted(decision.answer()) + " about " + decision.subject() + " ("
                                + decision.kind() + "), which is not understood."));
            } else if (decision.kind().equals(Kinds.READING) && !there.contains(decision.subject())) {
                findings.add(said(
                        decision,
                        "The job says how " + decision.subject() + " is read, but there is no such sheet or layout."));
            }
        }
        return findings;
    }

    private static Finding said(Decision decision, String what) {
        return new Finding(
                Severity.WARNING,
                "not-followed",
                Where.JOB,
                what,
                "It is left to what the files show.",
                "Say it anew in Read or Collect, or take the decision " + decision.id() + " out of the job file.");
    }
}
