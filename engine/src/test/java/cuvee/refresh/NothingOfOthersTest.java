package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.decision.Kinds;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.CuveeException;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.JobDraft;
import cuvee.tell.Outcome;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Writing a master destroys nothing of others, and a master is never read as a source. */
class NothingOfOthersTest {
    @TempDir
    Path folder;

    private Batch batch;

    @BeforeEach
    void sources() {
        batch = new Batch(folder)
                .csv("Hollin.csv", "Date,Vessel,Fare", "2026-01-01,MV Dunlin,5", "2026-01-02,MV Petrel,6")
                .csv("Tarsk.csv", "Date,Vessel,Fare", "2026-01-03,MV Dunlin,7", "2026-01-04,MV Petrel,8");
    }

    private void write(Path target, Existing existing) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            batch.job(outcome.job());
            session.deliver(outcome, target, existing);
        }
    }

    private void assertRefused(Path target, Existing existing, String why) throws IOException {
        byte[] before = Files.readAllBytes(target);
        assertThatThrownBy(() -> write(target, existing))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining(why)
                .hasMessageContaining("Name another file");
        assertThat(target).hasBinaryContent(before);
        try (var beside = Files.list(target.toAbsolutePath().getParent())) {
            assertThat(beside.map(path -> path.getFileName().toString())).noneMatch(name -> name.contains(".writing"));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"KEEP", "REPLACE"})
    void aSourceIsNeverWrittenOver(Existing existing) throws IOException {
        String reads = "it is one of the files that this job reads";
        assertRefused(batch.file("Hollin.csv"), existing, reads);
        Path link = Files.createSymbolicLink(folder.resolve("link.csv"), batch.file("Tarsk.csv"));
        assertRefused(link, existing, reads);
        Path outside = Workbooks.text(folder.resolve("outside.csv"), "Date,Vessel,Fare\n2026-02-01,MV Dunlin,9\n");
        Files.createSymbolicLink(batch.file("linked.csv"), outside);
        assertRefused(outside, existing, reads);
    }

    @Test
    void whatLiesInAPlaceIsNotWrittenOverEvenWhereItIsNoSource() throws IOException {
        assertRefused(
                Workbooks.text(batch.file("notes.jsonl"), "{}"),
                Existing.REPLACE,
                "one of the files that this job reads");
    }

    @Test
    void aWorkbookOfOthersIsKeptAndWhatItHoldsIsNamed() throws IOException {
        Path board = folder.resolve("Board.xlsx");
        Workbooks.workbook()
                .sheet("Plan", new Object[][] {{"Plan"}})
                .sheet("Charts", new Object[][] {{"Chart"}})
                .save(board);
        assertRefused(board, Existing.KEEP, "Cuvee did not write it (");
        assertRefused(board, Existing.KEEP, "with the tabs “Plan” and “Charts”");
        write(board, Existing.REPLACE);
        write(board, Existing.KEEP);
        Files.write(board, new byte[] {1}, java.nio.file.StandardOpenOption.APPEND);
        assertRefused(board, Existing.KEEP, "the file there has been changed since Cuvee wrote it");
    }

    @ParameterizedTest
    @ValueSource(strings = {"master.csv", "master.xlsx"})
    void aMasterAmongItsSourcesCountsNoRowTwiceWhoeverReadsIt(String name) throws IOException {
        Path master = batch.file(name);
        write(master, Existing.KEEP);
        assertThat(batch.refresh().lines()).hasSize(4);
        assertThat(batch.refresh().outcome().questions()).isEmpty();
        // Another job over the same folder.
        batch.job(JobDraft.of(folder.resolve("other.cuvee"), List.of(folder.resolve("data"))));
        assertThat(batch.refresh().lines()).hasSize(4);
        // The state is gone, and the file bears another name.
        Files.delete(folder.resolve("state/written.jsonl"));
        Files.move(master, batch.file("zz " + name));
        batch.job(JobDraft.of(folder.resolve("third.cuvee"), List.of(folder.resolve("data"))));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(4);
        assertThat(made.question(Kinds.FILE).text()).contains("It is a master that Cuvee wrote");
        // The analyst has the last word.
        batch.settle(made.question(Kinds.FILE), "take");
        assertThat(batch.refresh().lines()).hasSize(8);
        batch.settle(made.question(Kinds.FILE), "aside");
        assertThat(batch.refresh().lines()).hasSize(4);
    }

    @Test
    void aFileOfSomebodyElsesAtThePlaceOfAnOldMasterIsRead() throws IOException {
        Path master = batch.file("master.csv");
        write(master, Existing.KEEP);
        Workbooks.text(master, "Date,Vessel,Fare\n2026-02-01,MV Dunlin,9\n");
        Files.setLastModifiedTime(master, FileTime.from(Instant.parse("2026-03-01T00:00:00Z")));
        assertThat(batch.refresh().lines()).hasSize(5);
    }

    @Test
    void aDeliveryWhoseTargetIsASourceTakesNoRowsAway() throws IOException {
        Delivery delivery = new Delivery("bad", "data/Hollin.csv");
        batch.job(batch.job().withDeliveries(List.of(delivery)));
        assertThat(batch.refresh().lines()).hasSize(4);
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThatThrownBy(() -> session.deliver(outcome, delivery, Existing.REPLACE))
                    .hasMessageContaining("one of the files that this job reads");
        }
    }
}
