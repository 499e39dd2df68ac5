package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.job.Decision;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.tell.SettledFinding;
import cuvee.tell.SourceReport;
import cuvee.testing.Workbooks;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Places that stand in a table, read again at each refresh. */
class ListedPlacesTest extends BatchTest {
    @BeforeEach
    void threePorts() {
        batch.job(batch.job().withPlaces(List.of()));
        for (String port : List.of("hollin", "tarsk", "oska")) {
            Workbooks.text(
                    folder.resolve("returns/" + port + "/a.csv"), "Vessel,Pax\nMV Skua," + port.length() + "1\n");
        }
        list("hollin;Hollin quay", "tarsk;Tarsk");
    }

    private Path list(String... lines) {
        return Workbooks.text(folder.resolve("returns/ports.csv"), "Folder;Port\n" + String.join("\n", lines) + "\n");
    }

    private void take() {
        Decision decision = ListedPlaces.from(folder.resolve("returns/ports.csv"), folder);
        assertThat(decision.answer()).isEqualTo("Folder | Port");
        batch.job(batch.job().withSettled(decision));
    }

    @Test
    void theFoldersOfAListAreReadUnderTheirLabelsAndTheJobKeepsTheListAlone() {
        take();
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).containsExactlyInAnyOrder("MV Skua|61|Hollin quay", "MV Skua|51|Tarsk");
        assertThat(batch.job().places()).isEmpty();
        assertThat(made.findings("not-listed"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).contains("1 folder", "oska"));
    }

    @Test
    void whatIsPutIntoTheListLaterComesByItself() {
        take();
        batch.refresh();
        list("hollin;Hollin quay", "tarsk;Tarsk", "oska;Oska");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(3);
        assertThat(made.findings("not-listed")).isEmpty();
        assertThat(made.outcome().changed().files().added()).hasSize(1);
    }

    @Test
    void aFolderThatIsListedAndNotThereIsSaid() {
        list("hollin;Hollin quay", "tarsk;Tarsk", "ryde;Ryde");
        take();
        assertThat(batch.refresh().outcome().findings())
                .anyMatch(finding -> finding.text().contains("ryde"));
    }

    @Test
    void aListThatIsGoneLosesNoRows() throws Exception {
        take();
        List<String> before = batch.refresh().lines();
        Files.delete(folder.resolve("returns/ports.csv"));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(2);
        assertThat(made.lines())
                .allMatch(line -> before.stream().anyMatch(each -> each.startsWith(line.substring(0, 10))));
        assertThat(made.findings("list-unreadable")).hasSize(1);
    }

    @Test
    void theListItselfIsNoSource() {
        take();
        Path all = folder.resolve("returns");
        batch.job(batch.job().withPlaces(List.of(cuvee.job.Place.of("returns"))));
        assertThat(all).isDirectory();
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().sources())
                .filteredOn(source -> source.path().endsWith("ports.csv"))
                .singleElement()
                .satisfies(source -> assertThat(source.reason()).isEqualTo("a file of this job, and no source"));
    }

    @Test
    void aTableThatListsNoFoldersIsRefused() {
        Path other = Workbooks.text(folder.resolve("other.csv"), "Name;Phone\nAda;017\nBo;018\n");
        assertThatThrownBy(() -> ListedPlaces.from(other, folder))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("names folders");
    }

    @Test
    void aFileOfTheBatchThatListsFoldersIsOfferedAsAListOfPlaces() {
        batch.job(batch.job().withPlaces(List.of(cuvee.job.Place.of("returns"))));
        list("hollin;Hollin quay", "tarsk;Tarsk", "oska;Oska");
        Batch.Made made = batch.refresh();
        assertThat(made.findings(ListedPlaces.OFFER)).singleElement().satisfies(finding -> {
            assertThat(finding.text())
                    .contains("ports.csv: It looks like a list of folders: 3 of its 3 rows")
                    .contains("places-from “returns/ports.csv” “Folder”");
            assertThat(SettledFinding.canSettle(finding)).isTrue();
        });
        take();
        Batch.Made taken = batch.refresh();
        assertThat(taken.findings(ListedPlaces.OFFER)).isEmpty();
        assertThat(taken.outcome().sources())
                .filteredOn(source -> source.path().equals("ports.csv"))
                .allMatch(source -> source.state() == SourceReport.State.SET_ASIDE);
    }

    @Test
    void namesThatAreNoFoldersAreNoList() {
        batch.job(batch.job().withPlaces(List.of(cuvee.job.Place.of("returns"))));
        list("north;Hollin quay", "south;Tarsk", "hollin;Oska");
        assertThat(batch.refresh().findings(ListedPlaces.OFFER)).isEmpty();
    }
}
