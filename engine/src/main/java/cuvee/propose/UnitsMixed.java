package cuvee.propose;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.HeaderWords;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.LooseText;
import cuvee.value.Measures;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Tables whose numbers come in another unit than those of the other tables of their column: kilometres and metres under
 * “Distance”, as the header, the cells or a line above the table say.
 */
final class UnitsMixed {
    /** A word with a unit behind it: {@code Distance in km}, {@code Weight (t)}, {@code Duration: min}. */
    private static final Pattern OF_A_COLUMN = Pattern.compile(
            "([\\p{L}][\\p{L} .'-]{0,40}?)\\s*(?: in |[:=]|\\(|\\[)\\s*(\\p{L}{1,8}[²³]?)(?![\\p{L}\\p{N}])");

    private final WrittenEvidence seen;

    UnitsMixed(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** Tells of the tables whose numbers do not come in the unit of most rows. */
    void tell(String name, Map<PlacedTable, LaidColumn> fed, Map<PlacedTable, Meant> meant) {
        Map<String, List<PlacedTable>> byUnit = new LinkedHashMap<>();
        fed.forEach((table, column) -> unit(table, column, Optional.ofNullable(meant.get(table)))
                .filter(unit -> seen.said(name, table).isEmpty())
                .ifPresent(unit -> byUnit.computeIfAbsent(same(byUnit.keySet(), unit), any -> new ArrayList<>())
                        .add(table)));
        String usual = byUnit.keySet().stream()
                .max((a, b) ->
                        Long.compare(rows(byUnit.getOrDefault(a, List.of())), rows(byUnit.getOrDefault(b, List.of()))))
                .orElse("");
        byUnit.forEach((unit, tables) -> {
            if (Measures.areApart(unit, usual)) {
                seen.find(new Finding(
                        Severity.WARNING,
                        "units-mixed",
                        WrittenEvidence.where(tables),
                        "In the column " + Says.quoted(name) + ", the numbers of " + WrittenEvidence.files(tables)
                                + " ("
                                + Says.count(rows(tables), "row") + ") are " + Says.quoted(unit)
                                + ", as is said there, and those of others " + Says.quoted(usual) + ".",
                        "They are taken as they stand, and added up together.",
                        "Bring them to one unit by a rule in Rework, or ask for one unit."));
            }
        });
    }

    /** The spelling that stands for a unit among those that are known. */
    private static String same(Collection<String> known, String unit) {
        return known.stream()
                .filter(other -> Measures.areSame(other, unit))
                .findFirst()
                .orElse(unit);
    }

    private static long rows(List<PlacedTable> tables) {
        return tables.stream().mapToLong(table -> table.table().kept()).sum();
    }

    /** The unit of a column in a table: as its cells say it, its header, or a line above the table. */
    private static Optional<String> unit(PlacedTable table, LaidColumn column, Optional<Meant> meant) {
        return meant.map(Meant::unit)
                .filter(Measures::isOne)
                .or(() -> Optional.of(LooseText.unit(column.header())).filter(Measures::isOne))
                .or(() -> table.table().titles().stream()
                        .flatMap(line -> inLine(line, column.header()).stream())
                        .findFirst());
    }

    private static Optional<String> inLine(String line, String header) {
        Matcher pair = OF_A_COLUMN.matcher(line);
        while (pair.find()) {
            if (Measures.isOne(pair.group(2)) && HeaderWords.contained(pair.group(1), header)) {
                return Optional.of(pair.group(2));
            }
        }
        return Optional.empty();
    }
}
