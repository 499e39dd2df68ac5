package cuvee.propose;

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
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;

/** The cells that rules about values touch, and what a column holds once they have. */
public final class ValueCells {
    private final Job job;
    private final List<PlacedTable> tables;
    private final Counting counting;
    private final CodeTables codes;
    private final Scopes scopes;
    private final List<ValueRule> rules;
    private final Map<Stretch, Map<String, String>> replacements = new HashMap<>();
    private final Map<String, Long> touched = new LinkedHashMap<>();

    /** What a table belongs to: its source, the signature of its layout, the name of its place. */
    interface Scopes {
        Set<String> of(PlacedTable table);
    }

    /** Before a column's name, the key of the cells that hold codes with names. */
    public static final String CODED = "codes of ";

    /** Counts texts in the cells of tables. */
    public interface Counting {
        Map<String, Long> count(
                Collection<SourceCells.Cells> cells, Collection<String> texts, MasterPlan.Spelling spelling);
    }

    /**
     * @param tables those of the master
     */
    ValueCells(Job job, List<PlacedTable> tables, Counting counting, CodeTables codes, Scopes scopes) {
        this.job = job;
        this.rules = ValueRule.of(job);
        this.tables = List.copyOf(tables);
        this.counting = counting;
        this.codes = codes;
        this.scopes = scopes;
    }

    /** For each rule, by what it is about, how many cells it touches or would touch. */
    Map<String, Long> touched() {
        return touched;
    }

    /** For each text of a column that is replaced everywhere, what stands in its place. */
    Map<String, String> replacements(String column) {
        return replacements(column, Set.of());
    }

    /** The same in a table: what single values are written as goes before names for codes. */
    Map<String, String> replacements(String column, PlacedTable table) {
        return replacements(column, scopes(column, table));
    }

    private Map<String, String> replacements(String column, Set<String> scopesThere) {
        return replacements.computeIfAbsent(new Stretch(column, scopesThere), key -> {
            Map<String, String> replaced = new LinkedHashMap<>(codes.names(column));
            replaced.putAll(ValueRule.replacements(rules, column, scopesThere));
            return Collections.unmodifiableMap(replaced);
        });
    }

    /** A column where some scopes hold. */
    private record Stretch(String column, Set<String> scopes) {}

    /** The scopes of rules about a column that hold in a table. */
    private Set<String> scopes(String column, PlacedTable table) {
        Set<String> there = new LinkedHashSet<>();
        for (ValueRule rule : rules) {
            if (rule.column().equals(column)
                    && !rule.scope().isEmpty()
                    && scopes.of(table).contains(rule.scope())) {
                there.add(rule.scope());
            }
        }
        return there;
    }

    /** What a column holds once its texts have been replaced. */
    Evidence replaced(DraftColumn of, Evidence held) {
        String column = of.name();
        List<ValueRule> about =
                rules.stream().filter(rule -> rule.column().equals(column)).toList();
        Map<String, String> names =
                codes.loaded(column).map(CodeTables.Loaded::names).orElse(Map.of());
        if (about.isEmpty() && names.isEmpty()) {
            return held;
        }
        Set<String> texts = new LinkedHashSet<>(names.keySet());
        about.forEach(rule -> texts.addAll(rule.texts()));
        Map<Set<String>, List<PlacedTable>> byScopes = new LinkedHashMap<>();
        boolean everywhere = about.stream().allMatch(rule -> rule.scope().isEmpty());
        for (PlacedTable table : tables) {
            byScopes.computeIfAbsent(everywhere ? Set.of() : scopes(column, table), key -> new ArrayList<>())
                    .add(table);
        }
        about.forEach(rule -> touched.put(rule.subject(), 0L));
        if (!names.isEmpty()) {
            touched.put(CODED + column, 0L);
        }
        Evidence after = held;
        for (Map.Entry<Set<String>, List<PlacedTable>> group : byScopes.entrySet()) {
            Map<String, Long> counts = counts(of, group.getValue(), texts, Tidying.of(job, column));
            for (Map.Entry<String, String> written :
                    replacements(column, group.getKey()).entrySet()) {
                long times = counts.getOrDefault(written.getKey(), 0L);
                after = times > 0 ? after.replaced(written.getKey(), written.getValue(), times) : after;
            }
            for (ValueRule rule : about) {
                boolean here = rule.scope().isEmpty() || group.getKey().contains(rule.scope());
                touched.merge(rule.subject(), here ? sum(counts, rule.texts()) : 0, Long::sum);
            }
            if (!names.isEmpty()) {
                touched.merge(CODED + column, sum(counts, names.keySet()), Long::sum);
            }
        }
        return after;
    }

    private static long sum(Map<String, Long> counts, Set<String> texts) {
        return texts.stream().mapToLong(text -> counts.getOrDefault(text, 0L)).sum();
    }

    private Map<String, Long> counts(
            DraftColumn of, List<PlacedTable> there, Set<String> texts, MasterPlan.Spelling spelling) {
        List<SourceCells.Cells> cells = new ArrayList<>();
        Map<String, Long> counts = new LinkedHashMap<>();
        for (PlacedTable table : there) {
            LaidColumn column = of.fed().get(table);
            if (column == null) {
                continue;
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
                int own = column.origin().row();
                if (at.isPresent() && once) {
                    cells.add(new SourceCells.Cells(
                            table.id(),
                            table.staged(),
                            table.width(),
                            own > 0 ? own : table.table().firstRow(),
                            own > 0 ? own : table.table().lastRow(),
                            own == 0 && !table.table().aside().isEmpty(),
                            at.getAsInt()));
                }
            }
        }
        if (!cells.isEmpty()) {
            counting.count(cells, texts, spelling).forEach((text, times) -> counts.merge(text, times, Long::sum));
        }
        return counts;
    }
}
