package cuvee.change;

import cuvee.job.Job;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RowRule;
import cuvee.master.RuleRows;
import cuvee.master.Store;
import cuvee.place.Where;
import cuvee.propose.CodeTables;
import cuvee.rework.Asked;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.FormulaReader;
import cuvee.rework.Known;
import cuvee.rework.MadeColumns;
import cuvee.rework.ValueRule;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** Looks at what rules do to real rows and cells. */
public final class RuleLooks {
    private final Store store;
    private final Path jobFolder;

    /** For the rows that the store holds; tables beside the job are looked for in its folder. */
    public RuleLooks(Store store, Path jobFolder) {
        this.store = store;
        this.jobFolder = jobFolder;
    }

    /** The first rows that a rule about rows sets aside, by its position among those in force. */
    public List<MasterLine> setAside(Outcome outcome, int rule, int count) {
        try (RuleRows rows = store.ruleRows(outcome.proposal().plan())) {
            return rows.setAside(rule, count);
        }
    }

    /**
     * What a rule about rows would set aside if it were put in force; empty where its words say nothing yet.
     *
     * @param summed the column whose sum is wanted; below zero for none
     */
    public Optional<RuleRows.Would> would(Outcome outcome, String phrase, boolean keep, int summed, int count) {
        MasterPlan plan = outcome.proposal().plan();
        Asked asked = Asked.of(phrase, Known.of(plan));
        if (!asked.understood()) {
            return Optional.empty();
        }
        try (RuleRows rows = store.ruleRows(plan)) {
            return Optional.of(rows.would(new RowRule.Meeting(asked.conditions(), keep), summed, count));
        }
    }

    /** What a formula would make and of what type; empty where its words say nothing yet. */
    public Optional<Map.Entry<MasterPlan.Column, RuleRows.Making>> wouldMake(Outcome outcome, String words, int count) {
        MasterPlan plan = outcome.proposal().plan();
        Known known = Known.of(plan);
        return FormulaReader.read(words, known).formula().map(formula -> {
            MasterPlan.Column column = MadeColumns.column("", formula, known);
            try (RuleRows rows = store.ruleRows(plan)) {
                return Map.entry(column, rows.wouldMake(formula, column, count));
            }
        });
    }

    /** The first groups of rows that a rule about equal rows finds, by its position among those in force. */
    public List<RuleRows.Equal> groups(Outcome outcome, int rule, int count) {
        try (RuleRows rows = store.ruleRows(outcome.proposal().plan())) {
            return rows.groups(rule, count);
        }
    }

    /** The first rows of the master before and after it is shaped, with the names of its columns above each. */
    public List<List<List<String>>> shapedRows(Outcome outcome, int rows) {
        List<List<List<String>>> both = new ArrayList<>();
        for (MasterPlan plan : List.of(outcome.proposal().plan(), outcome.plan())) {
            List<List<String>> lines = new ArrayList<>();
            lines.add(plan.columns().stream().map(MasterPlan.Column::name).toList());
            try (MasterReader reader = store.reader(plan)) {
                reader.page(0, rows)
                        .forEach(line -> lines.add(
                                line.values().subList(0, plan.columns().size()).stream()
                                        .map(value -> value == null ? "" : value)
                                        .toList()));
            }
            both.add(lines);
        }
        return both;
    }

    /**
     * A cell before and after a rule about values.
     *
     * @param before what the cell says
     * @param after what it is read as; empty for blank
     */
    public record CellChange(Where where, String before, String after) {}

    /** Some of the cells that a rule about values, codes or a single cell touches. */
    public List<CellChange> changes(Outcome outcome, Sentence sentence, int most) {
        Job job = outcome.job();
        List<CellChange> changes = new ArrayList<>();
        Correction.of(job).stream()
                .filter(each -> sentence.kind().equals(Correction.KIND)
                        && each.subject().equals(sentence.subject()))
                .forEach(each -> changes.add(new CellChange(each.where(), each.from(), each.to())));
        for (ValueRule rule : ValueRule.of(job)) {
            if (sentence.kind().equals(ValueRule.KIND) && rule.subject().equals(sentence.subject())) {
                Map<String, String> to = new HashMap<>();
                rule.texts().forEach(text -> to.put(text, rule.to()));
                changes.addAll(changes(outcome, rule.column(), to, rule.scope(), most));
            }
        }
        if (sentence.kind().equals(Codes.KIND)) {
            CodeTables.of(job, jobFolder, new ArrayList<>())
                    .loaded(sentence.subject())
                    .ifPresent(
                            loaded -> changes.addAll(changes(outcome, sentence.subject(), loaded.names(), "", most)));
        }
        return changes;
    }

    private List<CellChange> changes(Outcome outcome, String column, Map<String, String> to, String scope, int most) {
        Set<Integer> ofLayout = new HashSet<>();
        outcome.proposal().layouts().stream()
                .filter(layout -> layout.signature().equals(scope))
                .forEach(layout -> layout.tables().forEach(table -> ofLayout.add(table.id())));
        Set<String> sources = new HashSet<>();
        outcome.sources().forEach(source -> sources.add(source.path()));
        boolean oneSource = sources.contains(scope);
        Predicate<MasterPlan.Table> in =
                table -> oneSource ? table.source().equals(scope) : ofLayout.isEmpty() || ofLayout.contains(table.id());
        MasterPlan plan = outcome.proposal().plan();
        int at = plan.columns().stream().map(MasterPlan.Column::name).toList().indexOf(column);
        return at < 0
                ? List.of()
                : store.cells().holding(plan, at, to.keySet(), in, most).stream()
                        .map(cell ->
                                new CellChange(cell.where(), cell.text(), to.getOrDefault(cell.text(), cell.text())))
                        .toList();
    }
}
