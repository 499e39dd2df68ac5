package cuvee.propose;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.master.ColumnTotal;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.rework.Correction;
import cuvee.rework.MadeColumns;
import cuvee.rework.Shapings;
import cuvee.tag.TagSource;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The whole master as Cuvee proposes it: the job with every decision made, and how the master is made.
 *
 * @param layouts the layouts of the master
 * @param lineUp for each header's loose key the column that it feeds
 * @param leftOut columns that the analyst leaves out, with the cells that they would fill
 * @param valueCells for each rule about values, by its subject, how many cells it touches
 * @param made columns that rules make from others
 * @param corrected the corrections of single cells
 * @param shaped rules about the shape of the master
 * @param outside tables that are not in the master, each with the reason
 */
public record Proposal(
        Job job,
        MasterPlan plan,
        List<Layout> layouts,
        Map<String, String> lineUp,
        Map<String, Long> leftOut,
        Map<PlacedTable, String> outside,
        List<ColumnReport> columns,
        List<TagReport> tags,
        Map<String, Long> valueCells,
        List<MadeColumns.Stated> made,
        List<Corrected> corrected,
        List<Shapings.Stated> shaped,
        List<Question> questions,
        List<Finding> findings) {

    public Proposal {
        layouts = List.copyOf(layouts);
        lineUp = Map.copyOf(lineUp);
        leftOut = Map.copyOf(leftOut);
        outside = Map.copyOf(outside);
        columns = List.copyOf(columns);
        tags = List.copyOf(tags);
        valueCells = Map.copyOf(valueCells);
        made = List.copyOf(made);
        corrected = List.copyOf(corrected);
        shaped = List.copyOf(shaped);
        questions = List.copyOf(questions);
        findings = List.copyOf(findings);
    }

    /** The proposal with more values that do not fit, by column. */
    public Proposal withMoreMisfits(Map<Integer, Long> more) {
        if (more.isEmpty()) {
            return this;
        }
        List<ColumnReport> reports = new ArrayList<>(columns);
        more.forEach((at, misfits) -> {
            ColumnReport report = reports.get(at);
            reports.set(
                    at,
                    new ColumnReport(
                            report.name(),
                            report.type(),
                            report.currency(),
                            Says.number(report.misfits() + misfits) + " of " + Says.count(report.filled(), "value")
                                    + " do not fit",
                            report.filled(),
                            report.misfits() + misfits,
                            report.layouts()));
        });
        return withColumns(reports);
    }

    /** The proposal with how many rows hold a value, where that is known only once the master is there. */
    public Proposal withFilled(List<ColumnTotal> totals) {
        List<ColumnReport> reports = new ArrayList<>(columns);
        for (int i = 0; i < reports.size(); i++) {
            if (isMade(i) || plan.isSpread(i)) {
                ColumnReport report = reports.get(i);
                reports.set(
                        i,
                        new ColumnReport(
                                report.name(),
                                report.type(),
                                report.currency(),
                                report.reason(),
                                totals.get(i).filled(),
                                report.misfits(),
                                report.layouts()));
            }
        }
        return withColumns(reports);
    }

    private Proposal withColumns(List<ColumnReport> reports) {
        return with(job, reports);
    }

    /** The same with another state of the job. */
    public Proposal withJob(Job said) {
        return with(said, columns);
    }

    private Proposal with(Job job, List<ColumnReport> reports) {
        return new Proposal(
                job,
                plan,
                layouts,
                lineUp,
                leftOut,
                outside,
                reports,
                tags,
                valueCells,
                made,
                corrected,
                shaped,
                questions,
                findings);
    }

    /** True for the name of a column that a rule makes from others. */
    public boolean isMadeNamed(String name) {
        return plan.columns().stream()
                .anyMatch(column -> column.part() == MasterPlan.Column.Part.MADE
                        && column.name().equals(name));
    }

    /** True for a column that a rule makes from others. */
    public boolean isMade(int column) {
        return plan.columns().get(column).part() == MasterPlan.Column.Part.MADE;
    }

    /** False for a column that says the currencies of the amounts beside it, with which it comes and goes, and for made ones. */
    public boolean hasCells(int column) {
        return plan.columns().get(column).part() == MasterPlan.Column.Part.VALUE;
    }

    /** True for a column that tags alone fill. */
    public boolean isTag(String column) {
        return !lineUp.containsValue(column)
                && tags.stream().anyMatch(tag -> tag.on() && tag.column().equals(column));
    }

    /**
     * A correction of a single cell.
     *
     * @param column the master's column that the cell feeds
     * @param problem why it is not in force though it is switched on; empty where it is
     */
    public record Corrected(Correction correction, String column, String problem) {
        public boolean inForce() {
            return correction.on() && problem.isEmpty();
        }
    }

    /**
     * Something that could be a tag, and whether it is one.
     *
     * @param column the name of its column; what it would be called where it is none
     * @param on true where it is a column of the master
     * @param reason why, in words
     * @param texts what it says of each source of which it says something
     */
    public record TagReport(TagSource source, String column, boolean on, String reason, Map<String, String> texts) {
        public TagReport {
            texts = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(texts));
        }
    }

    /**
     * A master column as proposed.
     *
     * @param currency that of its amounts, where all have the same; else empty
     * @param reason why it has its type
     * @param filled how many rows of the sources hold a value for it
     * @param misfits how many of them do not fit the type
     * @param layouts how many layouts have it
     */
    public record ColumnReport(
            String name, Type type, String currency, String reason, long filled, long misfits, int layouts) {

        /** Its type in words, with the currency where all its amounts have the same. */
        public String typeWords() {
            return currency.isEmpty() ? type.word() : type.word() + " " + currency;
        }
    }
}
