package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.SheetRule;
import cuvee.gather.Progress;
import cuvee.gather.ReadSheet;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.Place;
import cuvee.master.Store;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a rule about sheets can be said of, and what it finds there while it is tried out. */
class SheetScopeTest {
    @TempDir
    Path folder;

    private JobSession session;
    private Job job;

    @BeforeEach
    void open() throws IOException {
        write("ports/north/late/a.csv", "Port,Pax\nHollin,5\nOska,6\n");
        write("ports/north/b.csv", "Port,Pax\nTarsk,7\nFenn,9\n");
        write("depots/c.csv", "Port,Pax,Crew\nLorne,7,1\nSkerry,9,2\n");
        job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("ports")));
        job = job.withPlaces(
                List.of(job.places().get(0), Place.of(folder.resolve("depots").toString())));
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        session = JobSession.open(workplace, job.id(), folder);
    }

    @AfterEach
    void close() {
        session.close();
    }

    private void write(String name, String text) throws IOException {
        Path file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }

    private Outcome refreshed(Job wanted) {
        return session.refresh(wanted, Reread.CHANGED_ONLY, Progress.NONE);
    }

    private static ReadSheet sheet(Outcome outcome, String source) {
        return outcome.sheets().stream()
                .filter(each -> each.source().equals(source))
                .findFirst()
                .orElseThrow();
    }

    private static List<String> column(GridModel grid, int column) {
        List<String> texts = new ArrayList<>();
        for (long row = 0; row < grid.rows(); row++) {
            texts.add(grid.text(row, column));
        }
        return texts;
    }

    @Test
    void reachesFromAllFilesDownToTheOneThatIsShown() {
        Outcome outcome = refreshed(job);
        List<SheetScope> scopes = SheetScope.around(outcome, sheet(outcome, "north/late/a.csv"));
        assertThat(scopes)
                .extracting(SheetScope::words)
                .containsExactly(
                        "all files",
                        "the place ports",
                        "the folder north/",
                        "the folder north/late/",
                        "sheets with these headers",
                        "this file");
        assertThat(scopes)
                .extracting(scope -> scope.files(outcome).size())
                .as("the files of each")
                .containsExactly(3, 2, 2, 1, 2, 1);
    }

    @Test
    void everySubjectIsOneThatTheEngineFollows() {
        Outcome outcome = refreshed(job);
        for (SheetScope scope : SheetScope.around(outcome, sheet(outcome, "north/late/a.csv"))) {
            Outcome ruled =
                    refreshed(job.withSettled(new Decision(SheetRule.KIND, scope.subject(), "sheet 2", "", "")));
            long left = outcome.rows() - 2L * scope.files(outcome).size();
            assertThat(ruled.rows()).as(scope.words()).isEqualTo(left);
        }
    }

    @Test
    void aRuleThatIsTriedOutSaysOfEachFileWhatItFinds() {
        Outcome outcome = refreshed(job);
        SheetRule second = SheetRule.of("sheet 2").orElseThrow();
        ListGrid<Grids.ReadLine> none = Grids.readUnder(outcome, second, SheetScope.ALL);
        assertThat(column(none, 0)).containsExactly("b.csv", "a.csv", "c.csv");
        assertThat(column(none, 1)).containsOnly("not found");
        assertThat(none.tone(0, 1)).isEqualTo(GridModel.Tone.MARKED);
        SheetScope place = SheetScope.around(outcome, sheet(outcome, "c.csv")).get(1);
        ListGrid<Grids.ReadLine> found =
                Grids.readUnder(outcome, SheetRule.of("last sheet").orElseThrow(), place);
        assertThat(column(found, 0)).containsExactly("c.csv");
        assertThat(column(found, 1)).containsExactly("found");
        assertThat(found.item(0).sheet()).map(ReadSheet::source).contains("c.csv");
    }
}
