package cuvee.refresh;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.tag.TagSource;
import cuvee.value.Type;
import java.util.List;
import java.util.Map;

/**
 * The whole master as Cuvee proposes it: the job with every decision made, and how the master is made.
 *
 * @param layouts the layouts of the master
 * @param lineUp for each header's loose key the column that it feeds
 * @param leftOut columns that the analyst leaves out, with the cells that they would fill
 * @param valueCells for each rule about values, by its subject, how many cells it touches
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
        questions = List.copyOf(questions);
        findings = List.copyOf(findings);
    }

    /** False for a column that only says the currencies of the amounts beside it, with which it comes and goes. */
    public boolean hasCells(int column) {
        return plan.columns().get(column).part() == MasterPlan.Column.Part.VALUE;
    }

    /** True for a column that tags alone fill. */
    public boolean isTag(String column) {
        return !lineUp.containsValue(column)
                && tags.stream().anyMatch(tag -> tag.on() && tag.column().equals(column));
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
