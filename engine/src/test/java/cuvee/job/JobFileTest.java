package cuvee.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.testing.Workbooks;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class JobFileTest {
    @TempDir
    Path folder;

    private static final Job JOB = new Job(
            "returns-1",
            "Returns",
            List.of(Place.of("data")
                    .withDepth(-1)
                    .withLabel("North")
                    .withNames(List.of("*.csv"), List.of("old", "draft*"))),
            List.of("Date", "Pax"),
            List.of(new Decision("type", "Pax", "Decimal", "the analyst's answer", "")),
            List.of(new Decision("type", "Date", "Date", "all 4 values fit", "4 values")),
            List.of(new Delivery("Board", "out/board.xlsx")),
            Map.of());

    @Test
    void whatIsSavedIsWhatIsOpened() {
        Path file = folder.resolve("a.cuvee");
        JobFile.save(JOB, file);
        assertThat(JobFile.open(file)).isEqualTo(JOB);
    }

    @Test
    void theVersionBeforeTheLastSaveIsKept() throws Exception {
        Path file = folder.resolve("a.cuvee");
        JobFile.save(JOB, file);
        JobFile.save(JOB.withName("Later"), file);
        assertThat(JobFile.open(file).name()).isEqualTo("Later");
        assertThat(JobFile.open(folder.resolve("a.cuvee.before")).name()).isEqualTo("Returns");
        try (var files = Files.list(folder)) {
            assertThat(files).hasSize(2);
        }
    }

    @Test
    void theAnalystsDecisionStandsBeforeCuveesOwn() {
        Job job = JOB.withSettled(new Decision("type", "Date", "Text", "the analyst's answer", ""));
        assertThat(job.decision("type", "Date").orElseThrow().answer()).isEqualTo("Text");
        assertThat(job.withSettled(new Decision("type", "Date", "Date", "", "")).settled())
                .hasSize(2);
    }

    @Test
    void fieldsOfANewerWriterAreKept() {
        Path file = Workbooks.text(
                folder.resolve("a.cuvee"), JobFile.text(JOB).replaceFirst("\\{", "{\"weather\": {\"wind\": 7},"));
        Job opened = JobFile.open(file);
        assertThat(opened.unknown()).containsEntry("weather", "{\"wind\":7}");
        assertThat(JobFile.text(opened)).contains("\"wind\" : 7");
    }

    @Test
    void aCorruptJobSaysWhereAndHowToGoBack() {
        Path file = Workbooks.text(folder.resolve("a.cuvee"), JobFile.text(JOB).substring(0, 100));
        assertThatThrownBy(() -> JobFile.open(file))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("The job file a.cuvee cannot be read: it is not whole JSON")
                .hasMessageContaining("a.cuvee.before");
        assertThatThrownBy(() -> JobFile.open(Workbooks.text(folder.resolve("b.cuvee"), "[]")))
                .hasMessageContaining("it does not begin like a job");
        assertThatThrownBy(() -> JobFile.open(Workbooks.text(folder.resolve("c.cuvee"), "{\"cuvee\": 1}")))
                .hasMessageContaining("its field id is missing");
    }

    @Test
    void aJobOfANewerVersionIsNotTouched() {
        Path file =
                Workbooks.text(folder.resolve("a.cuvee"), JobFile.text(JOB).replace("\"cuvee\" : 1", "\"cuvee\" : 99"));
        assertThatThrownBy(() -> JobFile.open(file))
                .hasMessageContaining("is of version 99")
                .hasMessageContaining("newer Cuvee");
    }

    @Test
    void aFolderThatIsNotThereKeepsTheJobFromBeingSaved() {
        assertThatThrownBy(() -> JobFile.save(JOB, folder.resolve("no/a.cuvee")))
                .hasMessageContaining("cannot be saved")
                .hasMessageContaining("the folder does not exist");
    }

    @Test
    void placesAreKeptRelativeToTheJob() {
        assertThat(JobDraft.of(folder.resolve("a.cuvee"), List.of(folder.resolve("data/x")))
                        .places())
                .containsExactly(Place.of("data/x"));
        assertThat(JobDraft.relative(folder, folder)).isEqualTo(".");
    }
}
