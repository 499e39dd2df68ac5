package cuvee.demo;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** The true master and the true totals, made from the scenario before any port wrote it down. */
final class Truth {
    /** The true master's columns, the port first. */
    static final List<String> COLUMNS = List.of(
            "Port",
            "Sailing date",
            "Route",
            "Vessel",
            "Passengers",
            "Vehicles",
            "Freight tonnes",
            "Fare revenue",
            "Cancelled",
            "Remarks");

    private Truth() {}

    static void write(Scenario scenario, Path folder) {
        try {
            Files.createDirectories(folder);
            try (CsvWriter csv = writer(folder.resolve("master.csv"))) {
                csv.writeRecord(COLUMNS);
                scenario.upTo(Scenario.MONTHS + 1).forEach(sailing -> csv.writeRecord(row(sailing)));
            }
            try (CsvWriter csv = writer(folder.resolve("totals.csv"))) {
                csv.writeRecord("Port", "Month", "Rows", "Passengers", "Vehicles", "Freight tonnes", "Fare revenue");
                for (String port : Scenario.PORTS) {
                    for (int month = 1; month <= Scenario.MONTHS + 1; month++) {
                        csv.writeRecord(totals(port, month, scenario.of(port, month)));
                    }
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static CsvWriter writer(Path file) throws IOException {
        return CsvWriter.builder().lineDelimiter(LineDelimiter.CRLF).build(file);
    }

    static List<String> row(Sailing s) {
        return List.of(
                s.port(),
                s.date().toString(),
                s.route(),
                s.vessel(),
                String.valueOf(s.passengers()),
                String.valueOf(s.vehicles()),
                plain(s.freight()),
                plain(s.revenue()),
                s.cancelled() ? "true" : "false",
                s.remarks());
    }

    private static List<String> totals(String port, int month, List<Sailing> sailings) {
        return List.of(
                port,
                String.format(java.util.Locale.ROOT, "%d-%02d", Scenario.YEAR, month),
                String.valueOf(sailings.size()),
                String.valueOf(sailings.stream().mapToInt(Sailing::passengers).sum()),
                String.valueOf(sailings.stream().mapToInt(Sailing::vehicles).sum()),
                plain(sailings.stream().map(Sailing::freight).reduce(BigDecimal.ZERO, BigDecimal::add)),
                plain(sailings.stream().map(Sailing::revenue).reduce(BigDecimal.ZERO, BigDecimal::add)));
    }

    private static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }
}
