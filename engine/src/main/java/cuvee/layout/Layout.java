package cuvee.layout;

import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Tables with the same headers in the same order.
 *
 * @param signature the headers' loose keys, joined; the same next month
 * @param keys the headers' loose keys in order
 * @param headers the headers as the first table spells them
 */
public record Layout(String signature, List<String> keys, List<String> headers, List<PlacedTable> tables) {
    public Layout {
        keys = List.copyOf(keys);
        headers = List.copyOf(headers);
        tables = List.copyOf(tables);
    }

    /** A layout is told by its headers alone. */
    @Override
    public boolean equals(Object other) {
        return other instanceof Layout that && signature.equals(that.signature);
    }

    @Override
    public int hashCode() {
        return signature.hashCode();
    }

    public long rows() {
        return tables.stream().mapToLong(table -> table.table().kept()).sum();
    }

    /** The natures of the columns in order: two layouts in other words, or languages, can be of one shape. */
    public List<Nature> shape() {
        List<Nature> shape = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            Evidence all = new Evidence();
            for (PlacedTable table : tables) {
                all.add(table.columns().get(i).evidence());
            }
            shape.add(Nature.of(all));
        }
        return shape;
    }

    /** Gathers tables into layouts, in the order in which they are met. */
    public static List<Layout> of(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySignature = new LinkedHashMap<>();
        for (PlacedTable table : tables) {
            bySignature
                    .computeIfAbsent(table.signature(), signature -> new ArrayList<>())
                    .add(table);
        }
        List<Layout> layouts = new ArrayList<>();
        bySignature.forEach((signature, same) -> layouts.add(new Layout(
                signature,
                keys(same.get(0)),
                same.get(0).columns().stream().map(LaidColumn::header).toList(),
                same)));
        return layouts;
    }

    private static List<String> keys(PlacedTable table) {
        return table.columns().stream()
                .map(column -> LooseText.key(column.header()))
                .toList();
    }
}
