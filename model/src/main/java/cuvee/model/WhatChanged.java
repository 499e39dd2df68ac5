package cuvee.model;

import cuvee.check.SourceChange;
import cuvee.place.Says;
import cuvee.tell.Changed;
import cuvee.tell.Outcome;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What changed with the files that came last, to be read in half a minute: the files, the rows, how far each sum moved, and
 * then source by source.
 *
 * @param lines the whole, each a sentence with a figure; empty where there is nothing to compare with
 * @param sources the sources that are not what they were, those whose rows or sums moved before others
 */
public record WhatChanged(List<Line> lines, List<SourceChange> sources) {
    /** A sentence and its figure, which may be empty. */
    public record Line(String words, String figure) {}

    private static final int HUNDREDTHS = 2;

    public static final WhatChanged NOTHING = new WhatChanged(List.of(), List.of());

    public WhatChanged {
        lines = List.copyOf(lines);
        sources = List.copyOf(sources);
    }

    public static WhatChanged of(Outcome outcome) {
        Changed changed = outcome.changed();
        if (changed.first()) {
            return NOTHING;
        }
        List<Line> lines = new ArrayList<>();
        Map<SourceChange.Kind, Integer> kinds = new EnumMap<>(SourceChange.Kind.class);
        changed.sources().forEach(source -> kinds.merge(source.kind(), 1, Integer::sum));
        kinds.remove(SourceChange.Kind.DECIDED);
        List<String> files = new ArrayList<>();
        kinds.forEach((kind, count) -> files.add(Says.count(count, "file") + " " + kind.words()));
        long more = changed.rowsNow() - changed.rowsBefore();
        lines.add(new Line(
                files.isEmpty() ? "No file is another" : Says.list(files),
                more == 0
                        ? "as many rows"
                        : SourceChange.signed(BigDecimal.valueOf(more)) + (Math.abs(more) == 1 ? " row" : " rows")));
        if (!changed.columnsNew().isEmpty()) {
            lines.add(new Line("New columns: " + Says.list(changed.columnsNew()), ""));
        }
        if (!changed.columnsGone().isEmpty()) {
            lines.add(new Line("Columns gone: " + Says.list(changed.columnsGone()), ""));
        }
        long rows = changed.sources().stream()
                .flatMap(source -> source.rows().stream())
                .mapToLong(rowsOf -> rowsOf.changed())
                .sum();
        if (rows > 0) {
            lines.add(new Line("Rows changed in files that were there", Says.count(rows, "row")));
        }
        Map<String, Type> types = new HashMap<>();
        outcome.plan().columns().forEach(column -> types.put(column.name(), column.type()));
        moved(changed).forEach((column, by) -> lines.add(new Line(column, signed(by, types.get(column)))));
        List<SourceChange> sources = new ArrayList<>(changed.sources());
        sources.sort(java.util.Comparator.comparing(
                source -> source.kind() == SourceChange.Kind.NEW || source.kind() == SourceChange.Kind.RENAMED));
        return new WhatChanged(lines, sources);
    }

    /** How far a sum moved; money with its hundredths. */
    private static String signed(BigDecimal by, @Nullable Type type) {
        return type == Type.MONEY && by.stripTrailingZeros().scale() < HUNDREDTHS
                ? (by.signum() < 0 ? "" : "+") + Says.decimals(by.setScale(HUNDREDTHS, RoundingMode.UNNECESSARY))
                : SourceChange.signed(by);
    }

    /** By how much the sum of each column moved, those that did. */
    private static Map<String, BigDecimal> moved(Changed changed) {
        Map<String, BigDecimal> moved = new LinkedHashMap<>();
        changed.sources()
                .forEach(source -> source.sums().forEach(sum -> moved.merge(sum.column(), sum.by(), BigDecimal::add)));
        moved.values().removeIf(by -> by.signum() == 0);
        return moved;
    }
}
