package cuvee.deliver;

import cuvee.job.Delivery.Prepared;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.place.Says;
import cuvee.value.LooseText;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What the master has for the cells of a prepared workbook: for each key and item a value.
 *
 * @param key the column whose values stand down
 * @param item the column whose values stand across; {@link PreparedSide#OF_NAMES} where names of columns do
 * @param columns by items, the columns that values come from; where values of one column stand across, all from one
 * @param keys the keys as they are compared, with how they are written
 * @param items the same of the items
 * @param values for each key the values by items
 * @param met the cells, by key and item, in which several rows met
 */
record PreparedValues(
        PreparedSide key,
        PreparedSide item,
        Map<String, PreparedSide> columns,
        Map<String, String> keys,
        Map<String, String> items,
        Map<String, Map<String, String>> values,
        Set<List<String>> met) {
    PreparedValues {
        columns = Map.copyOf(columns);
        keys = Collections.unmodifiableMap(new LinkedHashMap<>(keys));
        items = Collections.unmodifiableMap(new LinkedHashMap<>(items));
        values = Map.copyOf(values);
        met = Set.copyOf(met);
    }

    /**
     * Reads them from the master. Where several rows meet in a cell, numbers are added up; of others the first is taken.
     *
     * @throws cuvee.finding.CuveeException where the master lacks one of the columns
     */
    static PreparedValues of(MasterReader reader, MasterPlan plan, Prepared prepared, Path target) {
        PreparedSide key = need(plan, prepared.key(), target);
        boolean wide = prepared.item().isEmpty();
        PreparedSide item = wide ? PreparedSide.OF_NAMES : need(plan, prepared.item(), target);
        List<PreparedSide> valued = wide ? allBut(key, plan) : List.of(need(plan, prepared.value(), target));
        Map<String, PreparedSide> columns = new HashMap<>();
        Map<String, String> keys = new LinkedHashMap<>();
        Map<String, String> items = new LinkedHashMap<>();
        Map<String, Map<String, String>> values = new LinkedHashMap<>();
        Set<List<String>> met = new HashSet<>();
        reader.each(row -> {
            String keyed = row[key.at()];
            if (keyed == null || keyed.isBlank()) {
                return;
            }
            for (PreparedSide side : valued) {
                String value = row[side.at()];
                String named = wide ? plan.columns().get(side.at()).name() : row[item.at()];
                if (value == null || named == null || named.isBlank()) {
                    continue;
                }
                String itemKey = wide ? LooseText.key(named) : item.key(named);
                keys.putIfAbsent(key.key(keyed), keyed);
                items.putIfAbsent(itemKey, named);
                columns.putIfAbsent(itemKey, side);
                boolean added = side.type().isNumber() && !MasterPlan.isMixed(plan.columns(), side.at());
                Map<String, String> ofKey = values.computeIfAbsent(key.key(keyed), k -> new HashMap<>());
                if (ofKey.containsKey(itemKey)) {
                    met.add(List.of(key.key(keyed), itemKey));
                }
                ofKey.merge(itemKey, value, (before, more) -> added ? sum(before, more) : before);
            }
        });
        return new PreparedValues(key, item, columns, keys, items, values, met);
    }

    private static List<PreparedSide> allBut(PreparedSide key, MasterPlan plan) {
        List<PreparedSide> all = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (i != key.at()) {
                all.add(PreparedSide.of(plan, i));
            }
        }
        return all;
    }

    private static String sum(String one, String other) {
        return PreparedSide.plain(new BigDecimal(one).add(new BigDecimal(other)));
    }

    private static PreparedSide need(MasterPlan plan, String name, Path target) {
        return PreparedSide.named(plan, name)
                .orElseThrow(() -> MasterFiles.failure(
                        "no-column",
                        target,
                        "the master has no column " + Says.quoted(name),
                        "Choose the columns of the delivery again."));
    }

    /** The value for a cell. */
    Optional<String> at(String keyed, String named) {
        return Optional.ofNullable(values.getOrDefault(keyed, Map.of()).get(named));
    }

    /** The column that the values of an item come from. */
    PreparedSide of(String named) {
        return columns.getOrDefault(named, PreparedSide.OF_NAMES);
    }
}
