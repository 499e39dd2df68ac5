package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.Reading;
import cuvee.detect.RowClass;
import cuvee.gather.Progress;
import cuvee.gather.ReadSheet;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.Store;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Brackets beside a sheet, and what moving them by hand comes to. */
class ReadingEditTest {
    @TempDir
    Path folder;

    private final LinkedBlockingQueue<Runnable> ui = new LinkedBlockingQueue<>();
    private JobSession session;
    private Outcome outcome;
    private ReadSheet sheet;

    @BeforeEach
    void read() throws IOException {
        Files.createDirectories(folder.resolve("data"));
        Files.writeString(folder.resolve("data/a.csv"), """
                Farsound Ferries

                Port,Date,Pax
                Hollin,2026-01-01,4
                Tarsk,2026-01-02,5
                Oska,2026-01-03,6

                Total,,15
                """);
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        session = JobSession.open(workplace, job.id(), folder);
        outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
        sheet = outcome.sheets().get(0);
    }

    @AfterEach
    void close() {
        session.close();
    }

    private static String words(Optional<ReadingEdit> edit) {
        return edit.orElseThrow().reading().words();
    }

    @Test
    void eachRowHasAWordAndBlankOnesHaveNone() throws InterruptedException {
        try (SheetGrid grid = new SheetGrid(session, sheet, ui::add)) {
            List<String> brackets = new ArrayList<>();
            for (long row = 0; row < grid.rows(); row++) {
                brackets.add(grid.bracket(row).orElseThrow());
            }
            assertThat(brackets).containsExactly("title", "", "header", "records", "records", "records", "", "total");
            assertThat(grid.text(3, 0)).as("on its way").isNull();
            ui.poll(20, TimeUnit.SECONDS).run();
            assertThat(grid.text(3, 0)).isEqualTo("Hollin");
            assertThat(grid.text(1, 0)).isEmpty();
            assertThat(grid.title(27)).isEqualTo("AB");
            assertThat(grid.tone(2, 0)).isEqualTo(GridModel.Tone.HEADER);
            grid.show(session.tryOut(outcome.job(), sheet, Reading.DEFAULT.withLastRow(5)));
            assertThat(grid.bracket(5)).contains("outside");
            grid.showAsRead();
            assertThat(grid.bracket(5)).contains("records");
        }
    }

    @Test
    void aBorderThatIsDraggedGivesTheRowsToTheBracketThatGrows() {
        assertThat(words(ReadingEdit.border(sheet, 4, 5))).isEqualTo("header 3-4");
        assertThat(words(ReadingEdit.border(sheet, 8, 6))).isEqualTo("row 6 total; row 7 total");
        assertThat(words(ReadingEdit.border(sheet, 7, 8))).isEqualTo("row 7 record");
        assertThat(ReadingEdit.border(sheet, 4, 3))
                .as("a table keeps its header")
                .isEmpty();
    }

    @Test
    void aHeaderThatMovesCanMoveInItsWholeLayout() {
        ReadingEdit moved =
                ReadingEdit.rowsAre(sheet, 4, 4, Optional.of(RowClass.HEADER)).orElseThrow();
        assertThat(moved.reading().words()).isEqualTo("header 4");
        assertThat(moved.forLayout()).map(Reading::words).contains("header 1 lower");
        assertThat(ReadingEdit.rowsAre(sheet, 5, 5, Optional.empty())
                        .orElseThrow()
                        .forLayout())
                .isEmpty();
        assertThat(ReadingEdit.endsAt(sheet, 5).reading().words()).isEqualTo("last row 5");
    }

    @Test
    void theEffectIsSaidInRowsAndColumns() {
        assertThat(ReadingEdit.effect(sheet, session.tryOut(outcome.job(), sheet, Reading.DEFAULT.withLastRow(5))))
                .isEqualTo("2 rows would be kept, 1 fewer than now. Columns: “Port”, “Date” and “Pax”.");
        assertThat(ReadingEdit.effect(sheet, session.tryOut(outcome.job(), sheet, Reading.DEFAULT)))
                .isEqualTo("3 rows would be kept, as many as now. Columns: “Port”, “Date” and “Pax”.");
    }

    @Test
    void theOtherTablesOfASheetKeepTheirHeaders() throws IOException {
        Files.writeString(folder.resolve("data/two.csv"), """
                Port,Date,Pax
                Hollin,2026-01-01,4
                Tarsk,2026-01-02,5

                Depot,Fuel,Litres,Price
                Hollin,Diesel,500,1.2
                Tarsk,Diesel,700,1.3
                Oska,Diesel,800,1.4
                """);
        ReadSheet two = session.refresh(outcome.job(), Reread.CHANGED_ONLY, Progress.NONE).sheets().stream()
                .filter(each -> each.source().equals("two.csv"))
                .findFirst()
                .orElseThrow();
        assertThat(two.tables()).hasSize(2);
        ReadingEdit moved =
                ReadingEdit.rowsAre(two, 6, 6, Optional.of(RowClass.HEADER)).orElseThrow();
        assertThat(moved.reading().words()).isEqualTo("header 1; header 6");
        assertThat(moved.forLayout()).isEmpty();
        assertThat(session.tryOut(outcome.job(), two, moved.reading()))
                .extracting(cuvee.detect.FoundTable::headerRows, cuvee.detect.FoundTable::kept)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(List.of(1), 2),
                        org.assertj.core.groups.Tuple.tuple(List.of(6), 2));
    }
}
