package cuvee.refresh;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.value.Type;
import java.util.List;
import java.util.Map;

/**
 * The whole master as Cuvee proposes it: the job with every decision made, and how the master is made.
 *
 * @param layouts the layouts of the master
 * @param outside tables that are not in the master, each with the reason
 */
public record Proposal(
        Job job,
        MasterPlan plan,
        List<Layout> layouts,
        Map<PlacedTable, String> outside,
        List<ColumnReport> columns,
        List<Question> questions,
        List<Finding> findings) {

    public Proposal {
        layouts = List.copyOf(layouts);
        outside = Map.copyOf(outside);
        columns = List.copyOf(columns);
        questions = List.copyOf(questions);
        findings = List.copyOf(findings);
    }

    /**
     * A master column as proposed.
     *
     * @param reason why it has its type
     * @param filled how many rows of the sources hold a value for it
     * @param misfits how many of them do not fit the type
     * @param layouts how many layouts have it
     */
    public record ColumnReport(String name, Type type, String reason, long filled, long misfits, int layouts) {}
}
