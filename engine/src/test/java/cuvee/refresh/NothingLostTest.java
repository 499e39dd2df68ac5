package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.JobDraft;
import cuvee.tell.SourceReport;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Rows that were promised to be kept are kept, whatever becomes of files and caches; sources are never mixed up. */
class NothingLostTest {
    @TempDir
    Path folder;

    private Batch batch;

    @BeforeEach
    void sources() {
        batch = new Batch(folder)
                .csv("Hollin.csv", "Date,Vessel,Fare", "2026-01-01,MV Dunlin,5", "2026-01-02,MV Petrel,6")
                .csv("Tarsk.csv", "Date,Vessel,Fare", "2026-01-03,MV Dunlin,7", "", "2026-01-04,MV Petrel,8");
    }

    private void deleteCache() throws IOException {
        delete(folder.resolve("cache"));
    }

    private static void delete(Path there) throws IOException {
        try (var inside = Files.walk(there)) {
            for (Path each : inside.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(each);
            }
        }
    }

    @Test
    void rowsOfAFileThatIsGoneOutliveTheCache() throws IOException {
        List<String> whole = batch.refresh().lines();
        batch.delete("Tarsk.csv");
        Batch.Made gone = batch.refresh();
        assertThat(gone.lines()).isEqualTo(whole);
        batch.settle(gone.question("gone"), "keep");
        assertThat(batch.refresh().lines()).isEqualTo(whole);
        deleteCache();
        assertThat(batch.refresh().lines()).isEqualTo(whole);
        deleteCache();
        assertThat(batch.refresh().lines()).isEqualTo(whole);
        batch.settle(gone.question("gone"), "remove");
        assertThat(batch.refresh().lines()).hasSize(2);
        // The analyst thinks again.
        batch.settle(gone.question("gone"), "keep");
        assertThat(batch.refresh().lines()).isEqualTo(whole);
    }

    @Test
    void aFileThatWasReadableAndIsTornKeepsItsLastGoodRows() throws IOException {
        batch.sheet("March.xlsx", new Object[] {"Date", "Vessel", "Fare"}, new Object[] {"2026-03-01", "MV Dunlin", 9});
        List<String> whole = batch.refresh().lines();
        assertThat(whole).hasSize(5);
        byte[] good = Files.readAllBytes(batch.file("March.xlsx"));
        batch.tear("March.xlsx");
        Batch.Made torn = batch.refresh();
        assertThat(torn.lines()).isEqualTo(whole);
        assertThat(torn.question("unreadable").text()).contains("1 row is kept from the last time it could be read");
        assertThat(torn.outcome().sources()).anyMatch(source -> source.state() == SourceReport.State.UNREADABLE);
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(whole);
        deleteCache();
        assertThat(batch.refresh().lines()).isEqualTo(whole);
        // It is sent again, whole.
        Files.write(batch.file("March.xlsx"), good);
        Batch.Made mended = batch.refresh();
        assertThat(mended.lines()).isEqualTo(whole);
        assertThat(mended.outcome().questions()).isEmpty();
        // Or its rows are taken out.
        batch.tear("March.xlsx");
        batch.settle(batch.refresh().question("unreadable"), "remove");
        assertThat(batch.refresh().lines()).hasSize(4);
        batch.settle("unreadable", "March.xlsx", "keep");
        assertThat(batch.refresh().lines()).hasSize(5).anyMatch(line -> line.startsWith("2026-03-01|MV Dunlin|9"));
    }

    @Test
    void aTornFileUnderAnotherNameKeepsItsLastGoodRows() throws IOException {
        batch.sheet("March.xlsx", new Object[] {"Date", "Vessel", "Fare"}, new Object[] {"2026-03-01", "MV Dunlin", 9});
        batch.sheet("April.xlsx", new Object[] {"Date", "Vessel", "Fare"}, new Object[] {"2026-04-01", "MV Knot", 4});
        batch.refresh();
        batch.tear("March.xlsx");
        batch.refresh();
        batch.rename("March.xlsx", "March again.xlsx");
        Batch.Made renamed = batch.refresh();
        assertThat(renamed.lines()).hasSize(6).anyMatch(line -> line.startsWith("2026-03-01|MV Dunlin|9"));
        assertThat(renamed.question("unreadable").subject()).isEqualTo("March again.xlsx");
        // It changes places with one that can be read.
        batch.rename("April.xlsx", "now.xlsx");
        batch.rename("March again.xlsx", "April.xlsx");
        batch.rename("now.xlsx", "March again.xlsx");
        Batch.Made changed = batch.refresh();
        assertThat(changed.lines())
                .hasSize(6)
                .anyMatch(line -> line.startsWith("2026-03-01|MV Dunlin|9"))
                .anyMatch(line -> line.startsWith("2026-04-01|MV Knot|4"));
        // Half of it is copied: the rows count once.
        Files.copy(batch.file("April.xlsx"), batch.file("March.xlsx"));
        assertThat(batch.refresh().lines()).hasSize(6);
    }

    @Test
    void aPromiseThatCannotBeKeptIsAFailure() throws IOException {
        batch.refresh();
        batch.delete("Tarsk.csv");
        deleteCache();
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().failed()).isTrue();
        Finding lost = made.findings("rows-lost").get(0);
        assertThat(lost.severity()).isEqualTo(Severity.FAILURE);
        assertThat(lost.text()).contains("Tarsk.csv", "no longer there", "nothing is delivered");
        assertThat(batch.refresh().outcome().failed())
                .as("as long as it is waited for")
                .isTrue();
        batch.settle(made.question("gone"), "remove");
        assertThat(batch.refresh().outcome().failed()).isFalse();
    }

    @Test
    void aFileThatWasRenamedWhileTheCacheWasGoneIsNotLost() throws IOException {
        batch.refresh();
        Files.move(batch.file("Tarsk.csv"), batch.file("Tarsk January.csv"));
        deleteCache();
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().failed()).isFalse();
        assertThat(made.lines()).hasSize(4);
    }

    @Test
    void filesOfAPlaceThatWasTakenOutAreNotMissed() {
        Path other = Workbooks.text(folder.resolve("more/Eastray.csv"), "Date,Vessel,Fare\n2026-01-09,MV Dunlin,1\n");
        batch.job(JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data"), other.getParent())));
        assertThat(batch.refresh().lines()).hasSize(5);
        batch.job(batch.job().withPlaces(batch.job().places().subList(0, 1)));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(4);
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void aCacheThatCannotBeOpenedForAnotherReasonIsLeftAsItIs() throws IOException {
        batch.refresh();
        Path store = folder.resolve("cache").resolve(batch.job().id()).resolve("store.duckdb");
        Files.write(store, "torn".getBytes(StandardCharsets.UTF_8));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(4);
        assertThat(made.findings("cache-anew")).hasSize(1);
        assertThat(made.findings("cache-anew").get(0).text()).contains("it was damaged", "made anew from the sources");
    }

    @Test
    void twoPlacesWithFilesOfOneNameLoseNoRow() throws IOException {
        for (String place : List.of("a/returns", "b/returns", "c/returns")) {
            for (int month = 1; month <= 3; month++) {
                Workbooks.text(
                        folder.resolve(place).resolve("0" + month + ".csv"),
                        "Date,Vessel,Fare\n2026-0" + month + "-0" + (place.charAt(0) - 'a' + 1) + ",MV "
                                + place.charAt(0) + ",5\n");
            }
        }
        List<Path> places =
                List.of(folder.resolve("a/returns"), folder.resolve("b/returns"), folder.resolve("c/returns"));
        batch.job(JobDraft.of(folder.resolve("job.cuvee"), places));
        List<String> whole = batch.refresh().lines();
        assertThat(whole).hasSize(9).doesNotHaveDuplicates();
        // The names stay when another of the files that clashed is gone.
        Files.delete(folder.resolve("a/returns/02.csv"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).containsExactlyInAnyOrderElementsOf(whole);
        assertThat(made.question("gone").subject()).isEqualTo("02.csv");
        assertThat(made.outcome().sources().stream().map(SourceReport::path))
                .contains("returns/02.csv", "c/returns/02.csv");
    }

    @Test
    void aCorrectedFileOfTheSameSizeAndTimeIsSeen() throws IOException {
        Path file = batch.file("Hollin.csv");
        FileTime time = FileTime.from(java.time.Instant.parse("2026-01-31T10:00:00Z"));
        Files.setLastModifiedTime(file, time);
        Batch.Made before = batch.refresh();
        String text = Files.readString(file);
        Workbooks.text(file, text.replace("MV Dunlin,5", "MV Dunlin,9"));
        Files.setLastModifiedTime(file, time);
        Batch.Made after = batch.refresh();
        assertThat(before.lines()).anyMatch(line -> line.startsWith("2026-01-01|MV Dunlin|5"));
        assertThat(after.lines()).anyMatch(line -> line.startsWith("2026-01-01|MV Dunlin|9"));
        assertThat(after.outcome().changed().files().changed()).containsExactly("Hollin.csv");
        // Only its time has changed now: nothing has.
        Files.setLastModifiedTime(file, FileTime.from(java.time.Instant.parse("2026-02-28T10:00:00Z")));
        assertThat(batch.refresh().outcome().changed().nothing()).isTrue();
    }

    @Test
    void aCopiedJobHasAHistoryOfItsOwnAndAMovedOneKeepsIts() throws IOException {
        Workplace workplace = new Workplace(
                folder.resolve("cache"),
                folder.resolve("state"),
                java.time.Clock.systemUTC(),
                2,
                new cuvee.master.Store.Means(200, 2));
        Path first = folder.resolve("one/job.cuvee");
        Files.createDirectories(first.getParent());
        cuvee.job.Job job = JobDraft.of(first, List.of(folder.resolve("data")));
        cuvee.job.JobFile.save(job, first);
        assertThat(JobHome.of(workplace, job.id(), first)).isEqualTo(job.id());
        Path copy = folder.resolve("two/job.cuvee");
        Files.createDirectories(copy.getParent());
        Files.copy(first, copy);
        String copied = JobHome.of(workplace, job.id(), copy);
        assertThat(copied).startsWith(job.id() + "-").isNotEqualTo(job.id());
        assertThat(JobHome.of(workplace, job.id(), first)).isEqualTo(job.id());
        Path moved = folder.resolve("three.cuvee");
        Files.move(copy, moved);
        assertThat(JobHome.of(workplace, job.id(), moved)).isEqualTo(copied);
        Path movedFirst = folder.resolve("four.cuvee");
        Files.move(first, movedFirst);
        assertThat(JobHome.of(workplace, job.id(), movedFirst)).isEqualTo(job.id());
    }
}
