package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.model.FilesGrid.Filter;
import cuvee.tell.Outcome;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Every file that was met stands in the list, under its folder, with what became of it. */
class FilesGridTest extends OpenJob {
    private Outcome folders() throws Exception {
        write("data/north/c.csv", "Date,Port,Passengers\n2026-03-01,Oska,9\n2026-03-02,Oska,10\n");
        write("data/north/c copy.csv", "Date,Port,Passengers\n2026-03-01,Oska,9\n2026-03-02,Oska,10\n");
        write("data/north/notes.pdf", "no table");
        return refreshed();
    }

    private static FilesGrid grid(Outcome outcome, Filter filter) {
        return FilesGrid.of(outcome, filter, Optional.empty(), ZoneOffset.UTC);
    }

    private static List<String> column(FilesGrid grid, int column) {
        List<String> texts = new ArrayList<>();
        for (int row = 0; row < grid.rows(); row++) {
            texts.add(grid.text(row, column));
        }
        return texts;
    }

    @Test
    void filesStandUnderTheirFoldersWithWhatWasFound() throws Exception {
        FilesGrid grid = grid(folders(), Filter.ALL);
        assertThat(column(grid, 0)).hasSize(6).contains("a.csv", "b.csv", "c.csv", "c copy.csv", "notes.pdf");
        assertThat(column(grid, 0)).anyMatch(text -> text.startsWith("north"));
        int taken = column(grid, 0).indexOf("c.csv");
        assertThat(grid.text(taken, 1)).isEqualTo("taken");
        assertThat(grid.text(taken, 2)).isEqualTo("1 table, 2 rows");
        int copy = column(grid, 0).indexOf("c copy.csv");
        assertThat(grid.text(copy, 1)).isEqualTo("set aside");
        assertThat(grid.text(copy, 2)).contains("an exact copy of north/c.csv");
        assertThat(grid.tone(copy, 1)).isEqualTo(GridModel.Tone.MARKED);
        assertThat(grid.trail(copy, 2)).contains("an exact copy");
    }

    @Test
    void theFiltersCountWhatTheyShow() throws Exception {
        Outcome outcome = folders();
        for (Filter filter : Filter.values()) {
            FilesGrid shown = grid(outcome, filter);
            long files = column(shown, 0).stream()
                    .filter(text -> text.endsWith(".csv") || text.endsWith(".pdf"))
                    .count();
            assertThat(files).as(filter.words()).isEqualTo(FilesGrid.count(outcome, filter));
        }
        assertThat(FilesGrid.count(outcome, Filter.ASIDE)).isEqualTo(2);
        assertThat(FilesGrid.count(outcome, Filter.TAKEN)).isEqualTo(3);
    }

    @Test
    void aFileThatIsAskedAboutHasItsMark() throws Exception {
        write("data/a v2.csv", "Date,Port,Passengers\n2026-01-01,Hollin,5\n2026-01-02,Hollin,66\n");
        Outcome outcome = refreshed();
        FilesGrid asked = grid(outcome, Filter.ASKED);
        assertThat(asked.rows()).isEqualTo(1);
        assertThat(asked.question(0)).isPresent();
        assertThat(asked.mark(0, 0)).isEqualTo(GridModel.Mark.QUESTION);
    }
}
