package cuvee.refresh;

import cuvee.audit.AuditFindings;
import cuvee.audit.Conservation;
import cuvee.audit.Jumps;
import cuvee.audit.RepeatedFigures;
import cuvee.audit.SendersAndMonths;
import cuvee.check.Arrivals;
import cuvee.check.Expected;
import cuvee.check.Reconciled;
import cuvee.earlier.ClosedPeriods;
import cuvee.earlier.RepeatedLists;
import cuvee.earlier.RowsTwice;
import cuvee.finding.Finding;
import cuvee.gather.SourceFacts;
import cuvee.job.Job;
import cuvee.master.ColumnTotal;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a built master shows when it is read from its first row to its last: how many rows each table gave, what its columns
 * hold, and whether that is what the sources say.
 *
 * @param proposal the proposal, with how full its columns are, what did not fit, and the periods that were closed
 * @param made rows and blanks by the numbers of their tables
 * @param rowsAside for each table how many rows each rule set aside
 * @param reconciled the sums of the sources beside those of the master
 */
record MasterLook(
        Proposal proposal,
        long rows,
        List<ColumnTotal> totals,
        Map<Integer, Outcome.Made> made,
        List<Map<Integer, Long>> rowsAside,
        Reconciled reconciled,
        Optional<Arrivals> arrivals) {

    /**
     * Looks at the master of a proposal.
     *
     * @param given the job as the analyst has it, with the places it names itself
     * @param expected the senders and periods that a list of the analyst names
     * @param today for what is due
     * @param findings gets what is to be said
     */
    static MasterLook of(
            Store store,
            Proof proof,
            Proposal proposal,
            Job given,
            ClosedPeriods closed,
            Map<String, SourceFacts> facts,
            Expected expected,
            LocalDate today,
            List<Finding> findings) {
        try (MasterReader reader = store.reader(proposal.plan())) {
            Conservation.closeTally(proposal.plan(), reader.rowsByTable(), reader.parts());
            List<ColumnTotal> totals = reader.totals();
            Conservation conserved = new Conservation(store, proposal.plan(), reader).check();
            findings.addAll(conserved.findings());
            Proposal looked = proposal.withFilled(totals).withMoreMisfits(conserved.unforeseen());
            Map<Integer, Outcome.Made> made = new HashMap<>();
            reader.parts().forEach((table, part) -> made.put(table, new Outcome.Made(part.made(), part.blanks())));
            Reconciled reconciled = proof.reconcile(looked, reader, findings);
            Optional<Arrivals> arrivals = SendersAndMonths.arrivals(looked, reader, totals, expected, today);
            findings.addAll(RepeatedFigures.findings(looked, reconciled));
            findings.addAll(AuditFindings.of(looked.plan(), reader));
            findings.addAll(RepeatedLists.findings(looked, reader));
            findings.addAll(RowsTwice.findings(looked, reader));
            arrivals.ifPresent(came -> findings.addAll(Jumps.of(came, proposal.plan(), reader.figures())));
            findings.addAll(closed.findings(looked, reader));
            Job recorded = closed.recorded(looked.job(), looked, reader, facts).withPlaces(given.places());
            return new MasterLook(
                    looked.withJob(recorded), reader.rows(), totals, made, reader.setAside(), reconciled, arrivals);
        }
    }
}
