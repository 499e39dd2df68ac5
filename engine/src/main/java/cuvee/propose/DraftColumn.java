package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * A column of the master while it is proposed.
 *
 * @param layouts how many layouts have it
 * @param fed what feeds it in each table that has something for it, by layouts
 */
record DraftColumn(String name, int layouts, Map<PlacedTable, LaidColumn> fed) {
    DraftColumn {
        fed = Collections.unmodifiableMap(new LinkedHashMap<>(fed));
    }

    /** True for the column of that name, however it is spelled. */
    boolean isCalled(String other) {
        return LooseText.key(name).equals(LooseText.key(other));
    }

    /** What feeds it in a table; empty where nothing does. */
    Optional<LaidColumn> in(PlacedTable table) {
        return Optional.ofNullable(fed.get(table));
    }

    /** All that its cells hold. */
    Evidence held() {
        Evidence held = new Evidence();
        fed.values().forEach(column -> held.add(column.evidence()));
        return held;
    }

    /** The same with what else feeds it in tables that have nothing for it, in the order of the tables. */
    DraftColumn filledUp(List<PlacedTable> tables, Function<PlacedTable, Optional<LaidColumn>> more) {
        Map<PlacedTable, LaidColumn> all = new LinkedHashMap<>();
        tables.forEach(table -> in(table).or(() -> more.apply(table)).ifPresent(column -> all.put(table, column)));
        return new DraftColumn(name, layouts, all);
    }

    /** The same, fed by others in some of its tables. */
    DraftColumn with(Map<PlacedTable, LaidColumn> changed) {
        Map<PlacedTable, LaidColumn> all = new LinkedHashMap<>(fed);
        changed.forEach(all::replace);
        return new DraftColumn(name, layouts, all);
    }
}
