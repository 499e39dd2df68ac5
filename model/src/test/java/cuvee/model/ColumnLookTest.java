package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.RowChoice.InView.Seen;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** How the columns of the master stand in the window. */
class ColumnLookTest {
    private static final List<String> NAMES = List.of("Date", "Port", "Vessel", "Pax", "Fare");

    private static List<String> seen(ColumnLook look, List<String> names) {
        return IntStream.of(look.seen(names)).mapToObj(names::get).toList();
    }

    @Test
    void nothingSaidIsTheMasterItself() {
        assertThat(seen(ColumnLook.OF_THE_MASTER, NAMES)).isEqualTo(NAMES);
        assertThat(ColumnLook.OF_THE_MASTER.kept(NAMES)).isZero();
    }

    @Test
    void aHiddenColumnIsNotSeenUntilItIsShownAgain() {
        ColumnLook hidden = ColumnLook.OF_THE_MASTER.with("Port", Seen.HIDDEN, NAMES);
        assertThat(seen(hidden, NAMES)).containsExactly("Date", "Vessel", "Pax", "Fare");
        assertThat(hidden.hidden(NAMES)).containsExactly("Port");
        assertThat(seen(hidden.with("Port", Seen.SHOWN, NAMES), NAMES)).isEqualTo(NAMES);
    }

    @Test
    void theLastColumnThatIsSeenIsNotHidden() {
        ColumnLook one = new ColumnLook(List.of()).with("Date", Seen.HIDDEN, List.of("Date", "Port"));
        assertThat(one.with("Port", Seen.HIDDEN, List.of("Date", "Port"))).isEqualTo(one);
    }

    @Test
    void whatStaysInViewStandsFirstAndTheOthersKeepTheirOrder() {
        ColumnLook kept = ColumnLook.OF_THE_MASTER.with("Pax", Seen.KEPT, NAMES);
        assertThat(seen(kept, NAMES)).containsExactly("Pax", "Date", "Port", "Vessel", "Fare");
        assertThat(kept.kept(NAMES)).isEqualTo(1);
        assertThat(seen(kept.with("Pax", Seen.SHOWN, NAMES), NAMES)).isEqualTo(NAMES);
    }

    @Test
    void aColumnMovesOverHiddenOnesAndNotBeyondTheEdge() {
        ColumnLook hidden = ColumnLook.OF_THE_MASTER.with("Vessel", Seen.HIDDEN, NAMES);
        ColumnLook moved = hidden.moved("Port", true, NAMES);
        assertThat(seen(moved, NAMES)).containsExactly("Date", "Pax", "Port", "Fare");
        assertThat(moved.moved("Date", false, NAMES)).isEqualTo(moved);
    }

    @Test
    void aNewColumnStandsBehindTheOneBeforeItInTheMaster() {
        ColumnLook look = ColumnLook.OF_THE_MASTER.moved("Pax", false, NAMES);
        List<String> more = List.of("Date", "Port", "Vessel", "Pax", "Crew", "Fare");
        assertThat(seen(look, more)).containsExactly("Date", "Port", "Pax", "Crew", "Vessel", "Fare");
        assertThat(seen(look, List.of("Port", "Pax")))
                .as("columns that are gone")
                .containsExactly("Port", "Pax");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void whateverIsDoneEachColumnIsSeenOnceOrHiddenAndTheJobKeepsIt(long seed) {
        Random random = new Random(seed);
        ColumnLook look = ColumnLook.OF_THE_MASTER;
        Job job = JobDraft.of(Path.of("/tmp/a.cuvee"), List.of(Path.of("/tmp/data")));
        for (int i = 0; i < 40; i++) {
            String column = NAMES.get(random.nextInt(NAMES.size()));
            look = switch (random.nextInt(3)) {
                case 0 -> look.with(column, Seen.values()[random.nextInt(3)], NAMES);
                case 1 -> look.moved(column, random.nextBoolean(), NAMES);
                default -> look.wide(column, 40 + random.nextInt(300), NAMES);
            };
            List<String> all = new ArrayList<>(seen(look, NAMES));
            all.addAll(look.hidden(NAMES));
            assertThat(all).containsExactlyInAnyOrderElementsOf(NAMES);
            var words = look.choice().words();
            Job kept = job.withSettled(new Decision(words.kind(), words.subject(), words.answer(), "", ""));
            assertThat(look.placed().isEmpty() ? look : ColumnLook.of(kept)).isEqualTo(look);
        }
    }
}
