package cuvee.model;

import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.tell.Outcome;
import cuvee.value.LooseText;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What headers and layouts are called where decisions about them are told: as the sources spell them, where they are known.
 *
 * @param headers the first spelling of each header by its loose key
 * @param layouts where the tables of each layout are, by its signature
 */
record Called(Map<String, String> headers, Map<String, String> layouts) {
    Called {
        headers = Map.copyOf(headers);
        layouts = Map.copyOf(layouts);
    }

    static Called in(Optional<Outcome> outcome) {
        Map<String, String> headers = new HashMap<>();
        Map<String, Integer> tables = new HashMap<>();
        Map<String, PlacedTable> first = new HashMap<>();
        outcome.stream()
                .flatMap(made -> made.sources().stream())
                .flatMap(source -> Stream.concat(
                        source.tables().stream(),
                        source.outside().stream().flatMap(outside -> outside.table().stream())))
                .forEach(table -> {
                    tables.merge(table.signature(), 1, Integer::sum);
                    first.putIfAbsent(table.signature(), table);
                    table.columns()
                            .forEach(column -> headers.putIfAbsent(LooseText.key(column.header()), column.header()));
                });
        Map<String, String> layouts = new HashMap<>();
        first.forEach((signature, table) -> {
            int count = tables.getOrDefault(signature, 1);
            layouts.put(signature, (count == 1 ? "" : Says.count(count, "table") + " as in ") + table.where());
        });
        return new Called(headers, layouts);
    }

    /** A header that a decision is about. */
    String header(String key) {
        return Says.quoted(headers.getOrDefault(LooseText.key(key), key));
    }

    /** The tables of a layout. */
    String layout(String signature) {
        return layouts.getOrDefault(signature, "a layout");
    }
}
