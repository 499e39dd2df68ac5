package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** The start screen's ledger tells what waits in each job without opening it. */
class JobsGridTest extends OpenJob {
    private Path saved() throws InterruptedException {
        refreshed();
        Path file = folder.resolve("Returns.cuvee");
        model.saveAs(file);
        idle();
        refreshed();
        model.save();
        idle();
        return file;
    }

    private List<RecentJobs.Entry> recent() {
        return new RecentJobs(workplace.state()).entries();
    }

    /** What stands in the first line, but for the time. */
    private List<String> line() throws InterruptedException {
        try (JobsGrid grid = new JobsGrid(recent(), workplace, ui::add, ZoneOffset.UTC)) {
            until(() -> !grid.text(0, 3).startsWith("looking"));
            assertThat(grid.text(0, 2)).matches("(\\d{4}-\\d\\d-\\d\\d \\d\\d:\\d\\d)?");
            return IntStream.of(0, 1, 3, 4)
                    .mapToObj(column -> grid.text(0, column))
                    .toList();
        }
    }

    @Test
    void whatCameSinceTheLastRefreshIsTold() throws Exception {
        saved();
        assertThat(line()).containsExactly("Returns", "3", "nothing new", "1");
        write("data/c.csv", "Date,Port,Passengers\n2026-03-01,Oska,9\n");
        assertThat(line()).contains("1 new file");
        write("data/b.csv", "Date,Port,Heads\n2026-02-01,Tarsk,7\n2026-02-02,Tarsk,8\n");
        assertThat(line()).contains("1 new file and more");
        Files.delete(folder.resolve("data/c.csv"));
        assertThat(line()).contains("1 file changed");
        write("data/notes.pdf", "no source");
        assertThat(line()).contains("1 file changed");
    }

    @Test
    void aMasterThatWasWrittenIntoTheFolderIsNothingNew() throws Exception {
        saved();
        model.session().deliver(model.outcomeProperty().get().orElseThrow(), folder.resolve("data/master.csv"));
        assertThat(line()).contains("nothing new");
    }

    @Test
    void aFolderThatIsNotThereAndAJobThatCannotBeReadAreTold() throws Exception {
        Path file = saved();
        Files.move(folder.resolve("data"), folder.resolve("moved"));
        assertThat(line()).contains("folder not reached");
        Files.writeString(file, "{ torn");
        assertThat(line()).containsExactly("Returns", "", "cannot be read", "");
    }

    @Test
    void openQuestionsAreCounted() throws Exception {
        write("data/a.csv", "Date,Port,Left\n2026-01-01,Hollin,2026-01-02\n2026-01-02,Hollin,2026-01-04\n");
        write("data/b.csv", "Date,Port,Left\n2026-02-01,Tarsk,morning\n2026-02-03,Tarsk,noon\n");
        saved();
        assertThat(line()).contains("1");
        try (JobsGrid grid = new JobsGrid(recent(), workplace, ui::add, ZoneOffset.UTC)) {
            until(() -> grid.mark(0, 4) == GridModel.Mark.QUESTION);
        }
    }

    @Test
    void aJobOnAFolderThatIsNotReachedKeepsNothingOfTheOthersBack() throws Exception {
        Path first = saved();
        model.saveAs(folder.resolve("Other.cuvee"));
        idle();
        Files.writeString(first, "{ torn");
        try (JobsGrid grid = new JobsGrid(recent(), workplace, ui::add, ZoneOffset.UTC)) {
            assertThat(grid.rows()).isEqualTo(2);
            until(() -> IntStream.range(0, 2).noneMatch(row -> grid.text(row, 3).startsWith("looking")));
            assertThat(IntStream.range(0, 2).mapToObj(row -> grid.text(row, 0) + ": " + grid.text(row, 3)))
                    .contains("Returns: cannot be read");
        }
    }

    @Test
    void aJobIsTakenOffTheListAndItsFileStays() throws Exception {
        Path file = saved();
        new RecentJobs(workplace.state()).forget(file);
        assertThat(recent()).isEmpty();
        assertThat(file).exists();
    }

    @Test
    void aJobThatWasNeverRefreshedHereSaysSo() throws IOException, InterruptedException {
        Path file = saved();
        Files.delete(workplace.stateOf(model.jobProperty().get().id()).resolve("glance.json"));
        assertThat(line()).containsExactly("Returns", "", "not refreshed here", "");
        assertThat(file).exists();
    }
}
