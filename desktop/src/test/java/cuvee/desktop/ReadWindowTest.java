package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** How a sheet was read, looked at and put right by keys. */
class ReadWindowTest extends InAWindow {
    private static final int LONG = 80;

    @BeforeEach
    void aLongFile() throws IOException {
        write(
                "data/a.csv",
                "Trip,Port,Passengers\n"
                        + IntStream.rangeClosed(1, LONG)
                                .mapToObj(trip -> trip + ",Hollin," + (trip * 7 % 40 + 1) + "\n")
                                .collect(Collectors.joining()));
        write("data/b.csv", "Trip,Port,Passengers\n901,Tarsk,4\n902,Tarsk,6\nfigures not final,,\n");
        newJob();
        goTo(KeyCode.DIGIT2);
        waitFor("the sheet", () -> grid("#read-sheet").model() != null);
    }

    private long rows() {
        return model().outcomeProperty().get().orElseThrow().rows();
    }

    private void choose(long line) {
        robot.interact(() -> {
            grid("#read-sheet").select(line, 0);
            grid("#read-sheet").requestFocus();
        });
    }

    @Test
    void theMiddleOfALongTableIsFoldedAndUnfolds() {
        long folded = grid("#read-sheet").model().rows();
        assertThat(folded).isLessThan(LONG);
        robot.interact(() -> this.<ToggleButton>find("#read-all-lines").fire());
        waitFor("all lines", () -> grid("#read-sheet").model().rows() > LONG);
        robot.interact(() -> this.<ToggleButton>find("#read-both-ends").fire());
        waitFor("both ends", () -> grid("#read-sheet").model().rows() == folded);
        GridView sheet = grid("#read-sheet");
        long fold = IntStream.range(0, (int) folded)
                .filter(line -> String.valueOf(sheet.model().text(line, 0)).contains("folded away"))
                .findFirst()
                .orElseThrow();
        choose(fold);
        robot.push(KeyCode.ENTER);
        waitFor("all lines again", () -> grid("#read-sheet").model().rows() > LONG);
    }

    @Test
    void rowsAreSaidToBeSomethingElseByKeysAndTheEffectIsSeenFirst() {
        choose(3);
        robot.push(KeyCode.N);
        waitFor("the effect", () -> words("#read-effect").contains("1 fewer than now"));
        robot.push(KeyCode.ESCAPE);
        waitFor("nothing proposed", () -> !find("#read-effect").getParent().isVisible());
        robot.push(KeyCode.L);
        waitFor("the end tried", () -> words("#read-effect").startsWith("3 rows would be kept"));
        robot.push(KeyCode.ENTER);
        waitFor("the master", () -> rows() == 5);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("all rows again", () -> rows() == LONG + 2);
    }

    @Test
    void aSheetIsLeftOutAndTakenInAgain() {
        robot.clickOn("#read-in-or-out");
        waitFor("the other file alone", () -> rows() == 2);
        idle();
        robot.clickOn("#read-in-or-out");
        waitFor("both files", () -> rows() == LONG + 2);
    }

    @Test
    void whatWasSetAsideIsGoneToFromTheStrip() {
        goTo(KeyCode.DIGIT6);
        assertThat(robot.lookup("#read").tryQuery()).isEmpty();
        robot.clickOn("#stage-read-loss");
        waitFor("the sheets", () -> robot.lookup("#read").tryQuery().isPresent());
        GridView list = grid("#read-list");
        assertThat(String.valueOf(list.model().text(list.selectedRow(), 0))).startsWith("a.csv");
    }
}
