package cuvee.refresh;

import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.master.MasterPlan;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Known;
import cuvee.summary.NamedTable;
import cuvee.summary.Summary;
import cuvee.summary.SummaryTable;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;

/** The summaries that a job keeps by name, renewed with its master. */
public final class Summaries {
    private Summaries() {}

    /**
     * A summary by its name, and what it comes to.
     *
     * @param words what it sums up, as the job keeps it
     */
    public record Named(String name, String words) {
        /** The decision that keeps it in a job. */
        public Decision decision() {
            return new Decision(Kinds.SUMMARY, name, words, "", "");
        }
    }

    /** Those that a job keeps, in its order. */
    public static List<Named> of(Job job) {
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.SUMMARY) && decision.on())
                .map(decision -> new Named(decision.subject(), decision.wanted()))
                .toList();
    }

    /** Summaries whose words speak of what the master does not have. */
    static List<Finding> findings(Job job, MasterPlan plan) {
        List<Finding> findings = new ArrayList<>();
        for (Named named : of(job)) {
            SummaryWords.Read read = SummaryWords.read(named.words(), Known.of(plan));
            if (read.summary().isEmpty()) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "summary-lost",
                        Where.JOB,
                        "The summary " + Says.quoted(named.name()) + " cannot be made: " + read.problem() + ".",
                        "It is left out of what is delivered.",
                        "Change its words under Master, Summary, or remove it there."));
            }
        }
        return findings;
    }

    /** What a summary comes to over the master as it is shown and delivered. */
    static SummaryTable table(Store store, Outcome outcome, Summary summary) {
        MasterPlan plan = outcome.plan();
        return SummaryTable.of(summary, plan, outcome.rows(), asked -> store.grouped(plan, asked));
    }

    /** Those of the job of an outcome that can be made. */
    static List<NamedTable> made(Store store, Outcome outcome) {
        List<NamedTable> made = new ArrayList<>();
        Known known = Known.of(outcome.plan());
        for (Named named : of(outcome.job())) {
            SummaryWords.read(named.words(), known)
                    .summary()
                    .ifPresent(summary -> made.add(new NamedTable(named.name(), table(store, outcome, summary))));
        }
        return made;
    }
}
