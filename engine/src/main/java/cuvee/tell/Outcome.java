package cuvee.tell;

import cuvee.check.Arrivals;
import cuvee.check.CheckResult;
import cuvee.check.Reconciled;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.gather.ReadSheet;
import cuvee.job.Job;
import cuvee.master.ColumnTotal;
import cuvee.master.MasterPlan;
import cuvee.master.Shaped;
import cuvee.master.Shaping;
import cuvee.propose.Proposal;
import cuvee.rework.RowRules;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a refresh came to.
 *
 * @param job the job with Cuvee's new assumptions
 * @param sheets every sheet of every source that could be read, in the order of the master
 * @param totals counts and sums of the master's columns
 * @param made what the records of each table came to, by table number
 * @param ruledOut for each rule about rows in force, how many it sets aside, by table number
 * @param shaped the master as it is shown and delivered, where rules about its shape say how
 * @param reconciled the sums of the sources against those of the master, before it is shaped
 * @param arrivals what came from whom for which month; empty where nothing comes month by month
 * @param findings those that are open
 * @param settled those of which the analyst says that they are so
 * @param checks what the analyst's own checks came to
 * @param sentences the decisions behind the master, as people read them
 * @param millis how long each stage took
 */
public record Outcome(
        Job job,
        Proposal proposal,
        List<SourceReport> sources,
        List<ReadSheet> sheets,
        List<Question> questions,
        List<Finding> findings,
        List<SettledFinding> settled,
        Changed changed,
        long rows,
        List<ColumnTotal> totals,
        Map<Integer, Made> made,
        List<Map<Integer, Long>> ruledOut,
        Optional<Shaped> shaped,
        Reconciled reconciled,
        Optional<Arrivals> arrivals,
        List<CheckResult> checks,
        List<Sentence> sentences,
        Map<String, Long> millis) {

    public Outcome {
        sources = List.copyOf(sources);
        sheets = List.copyOf(sheets);
        questions = List.copyOf(questions);
        findings = List.copyOf(findings);
        settled = List.copyOf(settled);
        totals = List.copyOf(totals);
        made = Map.copyOf(made);
        ruledOut = List.copyOf(ruledOut);
        checks = List.copyOf(checks);
        sentences = List.copyOf(sentences);
    }

    /**
     * What a table's records came to.
     *
     * @param rows its rows in the master
     * @param blanks rows that there would be but for blank cells
     */
    public record Made(long rows, long blanks) {}

    /** The columns of the master as it is shown and delivered; its rows are read by this plan. */
    public MasterPlan plan() {
        return shaped.map(Shaped::plan).orElse(proposal.plan());
    }

    /** The column of the master before it was shaped that a column of {@link #plan} comes from; below zero for none. */
    public int before(int column) {
        int at = column - plan().columns().size();
        return shaped.map(now -> at >= 0
                        ? at + proposal.plan().columns().size()
                        : now.from().get(column))
                .orElse(column);
    }

    /** How many rows the master has before it is shaped. */
    public long rowsBefore() {
        return shaped.map(Shaped::before).orElse(rows);
    }

    /** How many columns of a gathered master hold its keys, the number of the row included. */
    int keys() {
        Shaping shaping = proposal.plan().shaping();
        return shaping.gathering().map(gathering -> gathering.keys().size()).orElse(0)
                + (shaping.numbered().isEmpty() ? 0 : 1);
    }

    /** What is to be said of the columns of {@link #plan}, tags left out. */
    public List<Proposal.ColumnReport> columns() {
        if (shaped.isEmpty()) {
            return proposal.columns();
        }
        List<Proposal.ColumnReport> reports = new ArrayList<>();
        for (int i = 0; i < plan().columns().size(); i++) {
            MasterPlan.Column column = plan().columns().get(i);
            int at = before(i);
            boolean same = at >= 0
                    && at < proposal.columns().size()
                    && proposal.columns().get(at).name().equals(column.name());
            reports.add(
                    same && !shaped.get().isGathered()
                            ? proposal.columns().get(at)
                            : new Proposal.ColumnReport(
                                    column.name(),
                                    column.type(),
                                    column.currency(),
                                    "made by the rule about the shape of the master",
                                    totals.get(i).filled(),
                                    0,
                                    0));
        }
        return reports;
    }

    /** True where the analyst should look before relying on the master. */
    public boolean needsALook() {
        return !questions.isEmpty() || findings.stream().anyMatch(finding -> finding.atLeast(Severity.QUESTION));
    }

    /** True where a promise could not be kept: nothing is delivered from this master. */
    public boolean failed() {
        return findings.stream().anyMatch(finding -> finding.atLeast(Severity.FAILURE));
    }

    public long taken() {
        return sources.stream()
                .filter(source -> source.state() != SourceReport.State.SET_ASIDE)
                .count();
    }

    /** Records kept in the tables of the master; more rows where columns become rows. */
    public long kept() {
        return sources.stream().mapToLong(SourceReport::rows).sum();
    }

    /** The same with the job in sentences. */
    public Outcome withSentences(List<Sentence> said) {
        return new Outcome(
                job,
                proposal,
                sources,
                sheets,
                questions,
                findings,
                settled,
                changed,
                rows,
                totals,
                made,
                ruledOut,
                shaped,
                reconciled,
                arrivals,
                checks,
                said,
                millis);
    }

    /** The position among the rules in force of the one that a sentence states; below zero where it sets nothing aside. */
    public int ruleNumber(Sentence sentence) {
        return RowRules.of(job, proposal.plan()).stream()
                .filter(rule -> rule.decision().kind().equals(sentence.kind())
                        && rule.decision().subject().equals(sentence.subject()))
                .mapToInt(RowRules.Stated::number)
                .findFirst()
                .orElse(-1);
    }

    /** Rows of a table that rules set aside. */
    public long ruledOut(int table) {
        return ruledOut.stream().mapToLong(rule -> rule.getOrDefault(table, 0L)).sum();
    }

    /** Rows that rules set aside. */
    public long rowsRuledOut() {
        return ruledOut.stream()
                .flatMap(rule -> rule.values().stream())
                .mapToLong(Long::longValue)
                .sum();
    }

    /** Rows seen in the tables of the master, set-aside ones included. */
    public long seen() {
        return sources.stream().mapToLong(SourceReport::seen).sum();
    }
}
