package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Question;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.layout.PlacedTable;
import cuvee.master.Store;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import cuvee.testing.UglySheet;
import cuvee.testing.UglySheet.Trait;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Batches of workbooks about one subject, each dressed in its own way: every table is read right, or something is said
 * about it, and the questions stay few.
 */
class UglyBatchesTest {
    private static final List<Trait> DRESS = List.of(
            Trait.UNITS_BELOW,
            Trait.TITLES,
            Trait.BLANKS,
            Trait.REPEATS,
            Trait.TOTALS,
            Trait.NOTES,
            Trait.SECTIONS,
            Trait.SHIFTED);
    private static final int BATCHES = 24;

    @TempDir
    Path folder;

    private record Result(int tables, int wrong, int questions, List<String> notes) {}

    private Result batch(long seed) throws IOException {
        Random random = new Random(seed);
        Path data = Files.createDirectories(folder.resolve("b" + seed).resolve("data"));
        Map<String, UglySheet> truths = new TreeMap<>();
        int subject = random.nextInt(100);
        int files = 3 + random.nextInt(5);
        for (int f = 0; f < files; f++) {
            Set<Trait> traits = EnumSet.noneOf(Trait.class);
            DRESS.forEach(trait -> {
                if (random.nextInt(100) < 30) {
                    traits.add(trait);
                }
            });
            UglySheet sheet = UglySheet.about(subject, random.nextLong(), traits);
            String name = "file " + f + ".xlsx";
            Object[][] rows = sheet.rows().stream()
                    .map(row -> Stream.of(row)
                            .map(cell -> "".equals(cell) ? null : cell)
                            .toArray())
                    .toArray(Object[][]::new);
            Workbooks.workbook().sheet("Data", rows).save(data.resolve(name));
            truths.put(name, sheet);
        }
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        Job job = JobDraft.of(folder.resolve("b" + seed + ".cuvee"), List.of(data));
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            List<String> notes = new ArrayList<>();
            int wrong = 0;
            for (SourceReport source : outcome.sources()) {
                UglySheet truth = truths.get(source.path());
                List<PlacedTable> tables = new ArrayList<>(source.tables());
                tables.sort(Comparator.comparingInt(table -> table.table().firstRow()));
                Map<String, String> differences = truth.differences(
                        tables.stream().map(PlacedTable::table).toList());
                if (!differences.isEmpty()) {
                    wrong++;
                    notes.add(seed + " " + source.path() + " " + differences + "\n" + truth.text());
                }
            }
            outcome.questions().stream()
                    .map(Question::text)
                    .forEach(text -> notes.add("asked in " + seed + ": " + text));
            return new Result(truths.size(), wrong, outcome.questions().size(), notes);
        }
    }

    @Test
    void batchesAreReadRightWithFewQuestions() throws IOException {
        int tables = 0;
        int wrong = 0;
        int questions = 0;
        List<String> notes = new ArrayList<>();
        for (long seed = 1; seed <= BATCHES; seed++) {
            Result result = batch(seed);
            tables += result.tables();
            wrong += result.wrong();
            questions += result.questions();
            notes.addAll(result.notes());
        }
        assertThat(wrong).as(() -> "wrong: " + notes).isLessThanOrEqualTo(tables / 50);
        assertThat(questions).as(() -> "questions: " + notes).isLessThanOrEqualTo(tables / 10);
    }
}
