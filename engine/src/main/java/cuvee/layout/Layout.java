package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Tables with the same headers in the same order.
 *
 * @param signature the headers' loose keys, joined; the same next month
 * @param keys the headers' loose keys in order
 * @param headers the headers as the first table spells them
 */
public record Layout(String signature, List<String> keys, List<String> headers, List<PlacedTable> tables) {
    private static final String LINES = "|+lines";

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

    /** What a column mostly holds. */
    public enum Nature {
        DATES,
        NUMBERS,
        WORDS,
        NOTHING;

        /** The nature that the evidence of a column shows. */
        public static Nature of(Evidence evidence) {
            if (evidence.filled() == 0) {
                return NOTHING;
            }
            long half = evidence.filled() / 2;
            if (Typing.fit(evidence, Type.DATE_AND_TIME) > half) {
                return DATES;
            }
            return Typing.fit(evidence, Type.DECIMAL) > half ? NUMBERS : WORDS;
        }
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

    /**
     * What the layout of a table is called before anything is decided about it. Members of a sequence that run across
     * are left out of it, so that a sheet with one more month is of the same layout.
     */
    public static String signatureOf(FoundTable table) {
        return Across.of(table)
                .filter(across -> across.sure() != Across.Sureness.FEW)
                .map(across -> turnedSignature(table, across))
                .orElseGet(() -> plainSignature(table));
    }

    /** What the layout of a table is called when some of its columns become rows. */
    public static String turnedSignature(FoundTable table, Across across) {
        return across.signature(table) + lines(table);
    }

    /** What the layout of a table is called when its columns stay columns. */
    static String plainSignature(FoundTable table) {
        return table.columns().stream()
                        .map(column -> LooseText.key(column.header()))
                        .collect(Collectors.joining("|"))
                + lines(table);
    }

    private static String lines(FoundTable table) {
        return table.sections().isEmpty() ? "" : LINES;
    }

    private static List<String> keys(PlacedTable table) {
        return table.columns().stream()
                .map(column -> LooseText.key(column.header()))
                .toList();
    }
}
