package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.ReadingDecisions;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Which tables can be in the master: those that no rule and nobody leaves out, and that have records. */
final class TablesToTake implements Draft.Step {
    private final Job job;
    private final Map<PlacedTable, String> ruledOut;

    /**
     * @param ruledOut tables that something said before leaves out, with the reason
     */
    TablesToTake(Job job, Map<PlacedTable, String> ruledOut) {
        this.job = job;
        this.ruledOut = ruledOut;
    }

    @Override
    public Draft on(Draft draft) {
        Map<PlacedTable, String> outside = new LinkedHashMap<>();
        List<Finding> findings = new ArrayList<>();
        for (PlacedTable table : draft.tables()) {
            String ruled = ruledOut.get(table);
            if (ruled != null) {
                outside.put(table, ruled);
            } else if (leftOut(table)) {
                outside.put(table, "left out by you");
            } else if (table.table().kept() == 0) {
                outside.put(table, "it has a header and no records");
                findings.add(new Finding(
                        Severity.REMARK,
                        "no-records",
                        table.where(),
                        "It has a header and no records.",
                        "It adds no rows.",
                        ""));
            }
        }
        return draft.without(outside).saying(Said.found(findings));
    }

    private boolean leftOut(PlacedTable table) {
        String subject = ReadingDecisions.subject(table.source(), table.sheet());
        return job.isSettled(Kinds.SHEET, subject)
                && job.decision(Kinds.SHEET, subject)
                        .map(Decision::answer)
                        .filter(TableChoice.ASIDE::equals)
                        .isPresent();
    }
}
