package cuvee.demo;

import cuvee.place.Says;
import cuvee.value.LooseText;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Compares the written master with the truth, port by port: rows as a multiset, values as text. */
final class Account {
    private final Map<String, List<Map<String, String>>> truth = new HashMap<>();
    private final Map<String, List<Map<String, String>>> found = new HashMap<>();

    Account(Path truthFile, Path master) throws IOException {
        read(truthFile, row -> row.getOrDefault("port", ""), truth);
        read(master, row -> row.getOrDefault("sourcefile", "").replaceFirst("/.*", ""), found);
    }

    private interface PortOf {
        String of(Map<String, String> row);
    }

    private static void read(Path file, PortOf portOf, Map<String, List<Map<String, String>>> into) throws IOException {
        try (CsvReader<NamedCsvRecord> csv = CsvReader.builder().ofNamedCsvRecord(file)) {
            for (NamedCsvRecord record : csv) {
                Map<String, String> row = new HashMap<>();
                record.getFieldsAsMap().forEach((name, value) -> row.put(LooseText.key(name), value));
                into.computeIfAbsent(portOf.of(row), port -> new ArrayList<>()).add(row);
            }
        }
    }

    /**
     * How a port's rows compare.
     *
     * @param wrong columns whose values differ as a whole
     */
    record Port(int rows, int trueRows, List<String> wrong) {
        boolean exact() {
            return rows == trueRows && wrong.isEmpty();
        }

        String sentence() {
            if (exact()) {
                return "exact, " + Says.count(rows, "row") + ".";
            }
            if (rows == 0) {
                return "none of its " + Says.count(trueRows, "row") + " is in the master.";
            }
            return Says.number(rows) + " of " + Says.count(trueRows, "row") + " are there"
                    + (wrong.isEmpty() ? "" : "; not as in the truth: " + Says.list(wrong)) + ".";
        }
    }

    Port port(String port) {
        List<Map<String, String>> should = truth.getOrDefault(port, List.of());
        List<Map<String, String>> is = found.getOrDefault(port, List.of());
        List<String> columns = Truth.COLUMNS.subList(1, Truth.COLUMNS.size());
        if (rows(should, columns).equals(rows(is, columns))) {
            return new Port(is.size(), should.size(), List.of());
        }
        List<String> wrong = new ArrayList<>();
        for (String column : columns) {
            boolean all = rows(should, List.of(column))
                    .keySet()
                    .containsAll(rows(is, List.of(column)).keySet());
            if (!all
                    || is.size() == should.size()
                            && !rows(should, List.of(column)).equals(rows(is, List.of(column)))) {
                wrong.add(column);
            }
        }
        return new Port(is.size(), should.size(), wrong.isEmpty() && is.size() == should.size() ? columns : wrong);
    }

    private static Map<List<String>, Integer> rows(List<Map<String, String>> rows, List<String> columns) {
        Map<List<String>, Integer> counts = new HashMap<>();
        for (Map<String, String> row : rows) {
            List<String> values = columns.stream()
                    .map(column -> row.getOrDefault(LooseText.key(column), ""))
                    .toList();
            counts.merge(values, 1, Integer::sum);
        }
        return counts;
    }
}
