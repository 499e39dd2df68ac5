package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.tell.Outcome;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Folders as people send them: titles, repeated headers, blank lines, totals and notes around the records, columns in any
 * order, three formats and two conventions. Whatever is put around the records, they are the master; and a master that
 * is written and drafted again is the same.
 */
class UglyFoldersTest {
    private static final List<String> COLUMNS = List.of("Date", "Port", "Vessel", "Pax", "Fare", "Remarks");

    @TempDir
    Path folder;

    private record Sailing(LocalDate date, String port, String vessel, int pax, double fare, String remarks) {
        Object value(String column) {
            return switch (column) {
                case "Date" -> date;
                case "Port" -> port;
                case "Vessel" -> vessel;
                case "Pax" -> pax;
                case "Fare" -> fare;
                default -> remarks.isEmpty() ? null : remarks;
            };
        }

        String line() {
            String plain =
                    java.math.BigDecimal.valueOf(fare).stripTrailingZeros().toPlainString();
            return date + "|" + port + "|" + vessel + "|" + pax + "|" + plain + "|" + remarks;
        }
    }

    private static List<Sailing> sailings(Random random, int count) {
        List<Sailing> sailings = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            sailings.add(new Sailing(
                    LocalDate.of(2026, 1, 1).plusDays(random.nextInt(300)),
                    List.of("Hollin", "Tarsk", "Norhaven").get(random.nextInt(3)),
                    "MV " + (char) ('A' + random.nextInt(5)),
                    1 + random.nextInt(900),
                    (1 + random.nextInt(900_000)) / 100.0,
                    List.of("", "", "fog", "late, low water").get(random.nextInt(4))));
        }
        return sailings;
    }

    /** The rows of one file with everything that people put around records. */
    private static List<Object[]> dressed(Random random, List<Sailing> sailings, List<String> order) {
        List<Object[]> rows = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            rows.add(random.nextBoolean() ? new Object[] {"Farsound Ferries, monthly return"} : new Object[] {});
        }
        Object[] header = order.stream()
                .map(name -> random.nextInt(3) == 0 ? name.toUpperCase(Locale.ROOT) + " " : name)
                .toArray();
        rows.add(header);
        for (int i = 0; i < sailings.size(); i++) {
            Sailing sailing = sailings.get(i);
            if (i > 0 && i % 25 == 0 && random.nextBoolean()) {
                rows.add(header);
            }
            if (i > 2 && random.nextInt(30) == 0) {
                rows.add(new Object[] {});
            }
            rows.add(order.stream().map(sailing::value).toArray());
        }
        if (sailings.size() > 3 && random.nextInt(3) == 0) {
            Object[] total = new Object[order.size()];
            total[order.indexOf("Port")] = "Total";
            total[order.indexOf("Pax")] =
                    sailings.stream().mapToInt(Sailing::pax).sum();
            total[order.indexOf("Fare")] =
                    Math.round(sailings.stream().mapToDouble(Sailing::fare).sum() * 100) / 100.0;
            rows.add(total);
        }
        if (random.nextInt(3) == 0) {
            rows.add(new Object[] {});
            rows.add(new Object[] {"Source: the harbour office, preliminary figures"});
        }
        return rows;
    }

    private void write(Random random, String name, List<Object[]> rows) {
        switch (random.nextInt(3)) {
            case 0 ->
                Workbooks.workbook()
                        .sheet("Data", rows.toArray(Object[][]::new))
                        .save(folder.resolve("data").resolve(name + ".xlsx"));
            case 1 ->
                Workbooks.text(folder.resolve("data").resolve(name + ".csv"), text(rows, ";", random.nextBoolean()));
            default -> Workbooks.text(folder.resolve("data").resolve(name + ".txt"), text(rows, "\t", false));
        }
    }

    private static String text(List<Object[]> rows, String by, boolean continental) {
        StringBuilder text = new StringBuilder();
        for (Object[] row : rows) {
            List<String> cells = new ArrayList<>();
            for (Object cell : row) {
                if (cell instanceof LocalDate date && continental) {
                    cells.add(String.format(
                            Locale.ROOT, "%02d.%02d.%d", date.getDayOfMonth(), date.getMonthValue(), date.getYear()));
                } else if (cell instanceof Double number && continental) {
                    cells.add(String.format(Locale.GERMANY, "%,.2f", number));
                } else {
                    cells.add(cell == null ? "" : cell.toString());
                }
            }
            text.append(String.join(by, cells)).append('\n');
        }
        return text.toString();
    }

    private Workplace workplace() {
        return new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
    }

    private static List<String> lines(JobSession session, Outcome outcome) {
        List<String> names = outcome.proposal().columns().stream()
                .map(column -> cuvee.value.LooseText.key(column.name()))
                .toList();
        List<String> lines = new ArrayList<>();
        try (MasterReader reader = session.reader(outcome)) {
            reader.each(values -> {
                List<String> cells = new ArrayList<>();
                for (String column : COLUMNS) {
                    int at = names.indexOf(cuvee.value.LooseText.key(column));
                    cells.add(at < 0 || values[at] == null ? "" : values[at]);
                }
                lines.add(String.join("|", cells));
            });
        }
        return lines;
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void theRecordsAreTheMasterAndTheMasterIsStable(long seed) throws IOException {
        Random random = new Random(seed);
        Files.createDirectory(folder.resolve("data"));
        List<String> truth = new ArrayList<>();
        for (int f = 0; f < 2 + random.nextInt(4); f++) {
            List<Sailing> sailings = sailings(random, 2 + random.nextInt(60));
            sailings.forEach(sailing -> truth.add(sailing.line()));
            List<String> order = new ArrayList<>(COLUMNS);
            if (random.nextBoolean()) {
                Collections.shuffle(order, random);
            }
            write(random, "file " + f, dressed(random, sailings, order));
        }
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        List<String> first;
        try (JobSession session = JobSession.open(workplace(), job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            first = lines(session, outcome);
            assertThat(first).as("the master of seed " + seed).containsExactlyInAnyOrderElementsOf(truth);
            outcome.sources().forEach(source -> assertThat(source.seen()).isGreaterThanOrEqualTo(source.rows()));
            Files.createDirectory(folder.resolve("written"));
            session.deliver(outcome, folder.resolve("written/master.csv"));
        }
        for (String form : List.of("master.csv")) {
            Job again = JobDraft.of(
                    folder.resolve("again.cuvee"),
                    List.of(folder.resolve("written").resolve(form)));
            try (JobSession session = JobSession.open(workplace(), again.id(), folder)) {
                Outcome outcome = session.refresh(again, Reread.CHANGED_ONLY, Progress.NONE);
                assertThat(lines(session, outcome)).as("written and read again").isEqualTo(first);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23})
    void factsAreKeptAsTheyWere(long seed) throws IOException {
        Random random = new Random(seed);
        Files.createDirectory(folder.resolve("data"));
        write(random, "a", dressed(random, sailings(random, 40), COLUMNS));
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        Outcome before;
        try (JobSession session = JobSession.open(workplace(), job.id(), folder)) {
            before = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
        }
        try (JobSession session = JobSession.open(workplace(), job.id(), folder)) {
            Outcome after = session.refresh(before.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(after.job()).isEqualTo(before.job());
            assertThat(after.rows()).isEqualTo(before.rows());
            assertThat(after.totals()).isEqualTo(before.totals());
            assertThat(after.sources().get(0).tables().get(0).table().setAside())
                    .isEqualTo(before.sources().get(0).tables().get(0).table().setAside());
        }
    }
}
