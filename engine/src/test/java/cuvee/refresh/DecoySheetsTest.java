package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Question;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Workbooks hold more than returns: instructions, lists, summaries, copies, hidden sheets. None of it gets into the master. */
class DecoySheetsTest {
    private static final Object[] HEADER = {"Date", "Port", "Vessel", "Passengers", "Fare"};

    @TempDir
    Path folder;

    private static Object[][] records(Random random, int count, String port, List<String> truth) {
        Object[][] rows = new Object[count][];
        for (int i = 0; i < count; i++) {
            LocalDate date = LocalDate.of(2026, 1, 1).plusDays(random.nextInt(300));
            int pax = 1 + random.nextInt(400);
            double fare = (1 + random.nextInt(90_000)) / 100.0;
            String vessel = "MV " + (char) ('A' + random.nextInt(6));
            rows[i] = new Object[] {date, port, vessel, pax, fare};
            truth.add(date + "|" + port + "|" + vessel + "|" + pax + "|"
                    + java.math.BigDecimal.valueOf(fare).stripTrailingZeros().toPlainString());
        }
        return rows;
    }

    private static Object[][] sheet(Random random, Object[][] records) {
        List<Object[]> rows = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            rows.add(new Object[] {"Farsound Ferries, return " + i});
        }
        rows.add(HEADER);
        rows.addAll(List.of(records));
        return rows.toArray(Object[][]::new);
    }

    private static void decoys(Random random, Workbooks workbook, Map<String, Object[][]> returns) {
        if (random.nextBoolean()) {
            workbook.sheet(
                    "Read me",
                    new Object[] {"How to fill in this workbook"},
                    new Object[] {"1. Fill in a line for each sailing."},
                    new Object[] {"2. Do not change the headers."},
                    new Object[] {"3. Send it by the fifth of the month."});
        }
        if (random.nextBoolean()) {
            workbook.sheet(
                    "Lists",
                    new Object[] {"Vessel", "Seats"},
                    new Object[] {"MV A", 120},
                    new Object[] {"MV B", 90},
                    new Object[] {"MV C", 200});
        }
        if (random.nextBoolean() && returns.size() > 1) {
            List<Object[]> summary = new ArrayList<>();
            summary.add(new Object[] {"Port", "Passengers", "Fare"});
            returns.forEach((port, rows) -> {
                int pax = 0;
                double fare = 0;
                for (Object[] row : rows) {
                    pax += (int) row[3];
                    fare += (double) row[4];
                }
                summary.add(new Object[] {port, pax, Math.round(fare * 100) / 100.0});
            });
            workbook.sheet("Summary", summary.toArray(Object[][]::new));
        }
        if (random.nextBoolean()) {
            workbook.sheet("Old", sheet(random, returns.values().iterator().next()));
            workbook.hidden("Old");
        }
    }

    private Workplace workplace() {
        return new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
    }

    private static List<String> lines(JobSession session, Outcome outcome) {
        List<String> lines = new ArrayList<>();
        try (MasterReader reader = session.reader(outcome)) {
            reader.each(values -> lines.add(String.join("|", List.of(values).subList(0, 5))));
        }
        return lines;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void onlyTheReturnsAreInTheMaster(long seed) throws IOException {
        Random random = new Random(seed);
        Files.createDirectory(folder.resolve("data"));
        List<String> truth = new ArrayList<>();
        int tables = 0;
        for (int f = 0; f < 4 + random.nextInt(4); f++) {
            Workbooks workbook = Workbooks.workbook();
            Map<String, Object[][]> returns = new LinkedHashMap<>();
            for (String port : List.of("Hollin", "Tarsk", "Marsay").subList(0, 1 + random.nextInt(3))) {
                returns.put(port, records(random, 3 + random.nextInt(40), port, truth));
            }
            returns.forEach((port, rows) -> workbook.sheet(port, sheet(random, rows)));
            tables += returns.size();
            decoys(random, workbook, returns);
            workbook.save(folder.resolve("data/return " + f + ".xlsx"));
        }
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        try (JobSession session = JobSession.open(workplace(), job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(lines(session, outcome)).containsExactlyInAnyOrderElementsOf(truth);
            assertThat(outcome.questions())
                    .as(() -> String.valueOf(outcome.questions()))
                    .hasSizeLessThanOrEqualTo(1 + tables / 10);
        }
    }

    @Test
    void aSheetThatHoldsTheSameRecordsCountsOnceAndIsAskedAbout() throws IOException {
        Files.createDirectory(folder.resolve("data"));
        List<String> truth = new ArrayList<>();
        Random random = new Random(5);
        Object[][] march = sheet(random, records(random, 12, "Hollin", truth));
        Workbooks.workbook().sheet("March", march).sheet("March (2)", march).save(folder.resolve("data/march.xlsx"));
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        try (JobSession session = JobSession.open(workplace(), job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(outcome.rows()).isEqualTo(12);
            Question question = outcome.questions().get(0);
            assertThat(question.kind()).isEqualTo(Kinds.SHEET);
            assertThat(question.where()).hasToString("march.xlsx, sheet March (2)");
            Job settled = outcome.job()
                    .withSettled(new Decision(question.kind(), question.subject(), TableChoice.TAKE, "", ""));
            Outcome both = session.refresh(settled, Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(both.rows()).isEqualTo(24);
            assertThat(both.questions()).isEmpty();
        }
    }

    @Test
    void aSummaryOfTheOtherSheetsIsLeftOut() throws IOException {
        Files.createDirectory(folder.resolve("data"));
        List<String> truth = new ArrayList<>();
        Random random = new Random(6);
        Map<String, Object[][]> returns = new LinkedHashMap<>();
        returns.put("Hollin", records(random, 9, "Hollin", truth));
        returns.put("Tarsk", records(random, 7, "Tarsk", truth));
        Workbooks workbook = Workbooks.workbook();
        returns.forEach((port, rows) -> workbook.sheet(port, sheet(random, rows)));
        double fares = truth.stream()
                .mapToDouble(line -> Double.parseDouble(line.substring(line.lastIndexOf('|') + 1)))
                .sum();
        workbook.sheet("All ports", new Object[] {"Port", "Fare"}, new Object[] {"all", Math.round(fares * 100) / 100.0
                })
                .save(folder.resolve("data/q1.xlsx"));
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        try (JobSession session = JobSession.open(workplace(), job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(lines(session, outcome)).containsExactlyElementsOf(truth);
            assertThat(outcome.questions()).extracting(Question::kind).containsExactly(Kinds.SHEET);
            assertThat(outcome.sources().get(0).outside())
                    .extracting(SourceReport.Outside::reason)
                    .containsExactly("it adds up the other tables of its workbook");
        }
    }
}
