package cuvee.propose;

import cuvee.detect.TableColumn;
import cuvee.layout.Across;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Tables that hold one record for each month, beside tables in which months run across: the only number of the ones is what
 * the others hold under their months, where all but the number and the month stands in these too, or is as many columns.
 */
final class RecordsOfMonths {
    private static final int FEWEST_SHARED = 2;

    private final IdentityHashMap<TableColumn, Set<String>> words = new IdentityHashMap<>();

    /** The headers of these numbers, each with how many tables have it. */
    Map<String, Integer> measures(List<PlacedTable> batch, Map<PlacedTable, Across> across) {
        Map<String, Integer> tables = new LinkedHashMap<>();
        for (PlacedTable table : batch) {
            if (!across.containsKey(table) && !table.table().isForm()) {
                across.entrySet().stream()
                        .filter(wide -> wide.getValue().groups().keySet().equals(Set.of("")))
                        .flatMap(wide -> measure(table, wide.getKey(), wide.getValue()).stream())
                        .findFirst()
                        .ifPresent(name -> tables.merge(name, 1, Integer::sum));
            }
        }
        return tables;
    }

    private Optional<String> measure(PlacedTable records, PlacedTable wide, Across block) {
        List<TableColumn> labels = wide.table().columns().stream()
                .filter(column -> !block.columns().contains(column.index()))
                .toList();
        List<TableColumn> others = records.table().columns().stream()
                .filter(column -> labels.stream().noneMatch(label -> isSame(label, column)))
                .toList();
        int same = records.table().columns().size() - others.size();
        List<TableColumn> numbers = others.stream()
                .filter(column -> column.named() && Nature.of(column.evidence()) == Nature.NUMBERS)
                .toList();
        // Beside the number stand the month and the labels that are called otherwise there.
        boolean alike = 2 * same >= labels.size() && same > 0 && others.size() == labels.size() - same + 2;
        return alike && numbers.size() == 1 ? Optional.of(numbers.get(0).header()) : Optional.empty();
    }

    /** True for columns with one header, and for those that hold the same words under two. */
    private boolean isSame(TableColumn one, TableColumn other) {
        return LooseText.key(one.header()).equals(LooseText.key(other.header())) || holdTheSame(one, other);
    }

    private boolean holdTheSame(TableColumn one, TableColumn other) {
        Set<String> here = words.computeIfAbsent(one, RecordsOfMonths::words);
        Set<String> there = words.computeIfAbsent(other, RecordsOfMonths::words);
        long both = here.stream().filter(there::contains).count();
        return both >= FEWEST_SHARED && 2 * both >= Math.min(here.size(), there.size());
    }

    private static Set<String> words(TableColumn column) {
        return column.evidence().oddities().keySet().stream()
                .filter(word -> !Forms.saysNothing(word))
                .map(LooseText::key)
                .collect(Collectors.toSet());
    }
}
