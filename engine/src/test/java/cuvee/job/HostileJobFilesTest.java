package cuvee.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.testing.Workbooks;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A job file that nobody vouches for gives a message, and names no folder of others. */
class HostileJobFilesTest {
    @TempDir
    Path folder;

    private String text() {
        return JobFile.text(Job.of("returns-1", "Returns", List.of(Place.of("data"))));
    }

    private void assertSays(String text, String why) {
        Path file = Workbooks.text(folder.resolve("a.cuvee"), text);
        assertThatThrownBy(() -> JobFile.open(file))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("The job file")
                .hasMessageContaining(why)
                .hasMessageNotContaining("Exception");
    }

    @ParameterizedTest
    @CsvSource({"../../home", "..", "a/b", "Returns", "''", "a b"})
    void anIdIsSmallLettersDigitsAndHyphens(String id) {
        assertSays(text().replace("\"returns-1\"", "\"" + id + "\""), "its id holds more than small letters");
    }

    @Test
    void whatNoJobHoldsIsSaid() {
        assertSays(text().replace("\"data\"", "\"da\\u0000ta\""), "its field path is no path");
        assertSays(text() + text(), "something follows behind its end");
        assertSays("[".repeat(100_000), "it is nested deeper");
        assertSays(text().replaceFirst("\\{", "{\"x\": " + "9".repeat(10_000) + ","), "has longer numbers");
        assertSays(text().replace("\"columns\" : [ ]", "\"columns\" : 7"), "its field columns is not a list");
        assertSays(text().replace("\"settled\" : [ ]", "\"settled\" : [ 7 ]"), "its field kind is missing");
        assertSays("", "it does not begin like a job");
    }

    @Test
    void aFolderOrAnotherTextIsNoJob() {
        assertThatThrownBy(() -> JobFile.open(folder)).hasMessageContaining("cannot be read");
        Path file = folder.resolve("b.cuvee");
        assertThat(file).doesNotExist();
        assertThatThrownBy(() -> JobFile.open(file)).hasMessageContaining("There is no job file");
    }

    @Test
    void whatIsAcceptedByNameIsKeptWithItsDelivery() {
        Job job = Job.of("returns-1", "Returns", List.of(Place.of("data")))
                .withDeliveries(List.of(new Delivery("Board", "out.xlsx").accepting(List.of("q1", "q2"))));
        Path file = folder.resolve("c.cuvee");
        JobFile.save(job, file);
        assertThat(JobFile.open(file)).isEqualTo(job);
    }
}
