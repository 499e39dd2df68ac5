package cuvee.refresh;

import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.master.SourceCells;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import cuvee.value.Evidence;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;

/** The cells that rules about values touch, and what a column holds once they have. */
final class ValueCells {
    private final Job job;
    private final Map<PlacedTable, LaidColumn[]> feeds;
    private final Counting counting;
    private final CodeTables codes;
    private final Map<String, Long> touched = new LinkedHashMap<>();

    /** Before a column's name, the key of the cells that hold codes with names. */
    static final String CODED = "codes of ";

    /** Counts texts in the cells of tables. */
    interface Counting {
        Map<String, Long> count(
                Collection<SourceCells.Cells> cells, Collection<String> texts, MasterPlan.Spelling spelling);
    }

    ValueCells(Job job, Map<PlacedTable, LaidColumn[]> feeds, Counting counting, CodeTables codes) {
        this.job = job;
        this.feeds = feeds;
        this.counting = counting;
        this.codes = codes;
    }

    /** For each rule, by what it is about, how many cells it touches or would touch. */
    Map<String, Long> touched() {
        return touched;
    }

    /** For each text of a column that is replaced, what stands in its place: what single values are written as goes first. */
    Map<String, String> replacements(String column) {
        Map<String, String> replaced = new LinkedHashMap<>(codes.names(column));
        replaced.putAll(ValueRule.replacements(job, column));
        return replaced;
    }

    /** What a column holds once its texts have been replaced. */
    Evidence replaced(int index, String column, Evidence held) {
        List<ValueRule> rules = ValueRule.of(job).stream()
                .filter(rule -> rule.column().equals(column))
                .toList();
        Map<String, String> names =
                codes.loaded(column).map(CodeTables.Loaded::names).orElse(Map.of());
        if (rules.isEmpty() && names.isEmpty()) {
            return held;
        }
        Set<String> texts = new LinkedHashSet<>(names.keySet());
        rules.forEach(rule -> texts.addAll(rule.texts()));
        Map<String, Long> counts = counts(index, texts, Tidying.of(job, column));
        Evidence after = held;
        Map<String, String> written = codes.names(column);
        long coded = 0;
        for (Map.Entry<String, String> code : names.entrySet()) {
            long times = counts.getOrDefault(code.getKey(), 0L);
            coded += times;
            boolean other =
                    rules.stream().anyMatch(rule -> rule.on() && rule.texts().contains(code.getKey()));
            after = times > 0 && !other && written.containsKey(code.getKey())
                    ? after.replaced(code.getKey(), code.getValue(), times)
                    : after;
        }
        if (!names.isEmpty()) {
            touched.put(CODED + column, coded);
        }
        for (ValueRule rule : rules) {
            long cells = 0;
            for (String text : rule.texts()) {
                long times = counts.getOrDefault(text, 0L);
                cells += times;
                after = rule.on() && times > 0 ? after.replaced(text, rule.to(), times) : after;
            }
            touched.put(rule.subject(), cells);
        }
        return after;
    }

    private Map<String, Long> counts(int index, Set<String> texts, MasterPlan.Spelling spelling) {
        List<SourceCells.Cells> cells = new ArrayList<>();
        Map<String, Long> counts = new LinkedHashMap<>();
        feeds.forEach((table, fed) -> {
            LaidColumn column = fed[index];
            if (column == null) {
                return;
            }
            long rows = table.table().kept();
            if (column.origin() instanceof Origin.Told told) {
                counts.merge(told.text(), rows * Math.max(1, table.turned()), Long::sum);
            } else if (column.origin() instanceof Origin.Label label) {
                label.labels().forEach(text -> counts.merge(text, rows, Long::sum));
            }
            for (int turned = 0; turned < Math.max(1, table.turned()); turned++) {
                OptionalInt at = column.origin().column(turned);
                boolean once = column.origin() instanceof Origin.Values || turned == 0;
                if (at.isPresent() && once) {
                    cells.add(new SourceCells.Cells(
                            table.id(),
                            table.staged(),
                            table.width(),
                            table.table().firstRow(),
                            table.table().lastRow(),
                            !table.table().aside().isEmpty(),
                            at.getAsInt()));
                }
            }
        });
        if (!cells.isEmpty()) {
            counting.count(cells, texts, spelling).forEach((text, times) -> counts.merge(text, times, Long::sum));
        }
        return counts;
    }
}
