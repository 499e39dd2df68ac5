package cuvee.check;

import cuvee.master.MasterPlan;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToLongFunction;

/**
 * What a source came to in the master before it is shaped.
 *
 * @param sums of its number columns by their names; those without a number have none
 */
public record SourceFigures(long rows, Map<String, BigDecimal> sums) {
    public static final SourceFigures NONE = new SourceFigures(0, Map.of());

    public SourceFigures {
        sums = Map.copyOf(sums);
    }

    /**
     * The figures of all sources by their paths.
     *
     * @param rows how many rows of the master a table has, by its number
     */
    public static Map<String, SourceFigures> of(MasterPlan plan, Reconciled reconciled, ToLongFunction<Integer> rows) {
        Map<Integer, Map<String, BigDecimal>> sums = new LinkedHashMap<>();
        reconciled
                .lines()
                .forEach(line -> sums.computeIfAbsent(line.table(), any -> new LinkedHashMap<>())
                        .put(plan.columns().get(line.column()).name(), line.master()));
        Map<String, SourceFigures> figures = new TreeMap<>();
        plan.tables()
                .forEach(table -> figures.merge(
                        table.source(),
                        new SourceFigures(rows.applyAsLong(table.id()), sums.getOrDefault(table.id(), Map.of())),
                        SourceFigures::plus));
        return figures;
    }

    private SourceFigures plus(SourceFigures other) {
        Map<String, BigDecimal> all = new LinkedHashMap<>(sums);
        other.sums.forEach((column, sum) -> all.merge(column, sum, BigDecimal::add));
        return new SourceFigures(rows + other.rows, all);
    }
}
