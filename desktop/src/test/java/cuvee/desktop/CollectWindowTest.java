package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Places and files, by mouse and by keys. */
class CollectWindowTest extends InAWindow {
    @BeforeEach
    void aJob() {
        newJob();
    }

    private long rows() {
        return model().outcomeProperty().get().orElseThrow().rows();
    }

    private String file(int row) {
        return String.valueOf(grid("#files-grid").model().text(row, 0));
    }

    private void toTheFile(int row) {
        robot.interact(() -> {
            grid("#files-grid").select(row, 0);
            grid("#files-grid").requestFocus();
        });
    }

    @Test
    void filesAreLeftOutPutBackAndMovedByKeys() {
        toTheFile(0);
        robot.push(KeyCode.DELETE);
        waitFor("the file left out", () -> rows() == 1);
        idle();
        robot.push(KeyCode.INSERT);
        waitFor("the file put back", () -> rows() == 3);
        idle();
        robot.push(KeyCode.ALT, KeyCode.DOWN);
        waitFor("the file behind the other", () -> file(0).equals("b.csv"));
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("the order as it was", () -> file(0).equals("a.csv"));
    }

    @Test
    void whatOneSaidOfAFileIsLeftToCuveeAgain() {
        toTheFile(1);
        robot.push(KeyCode.DELETE);
        waitFor("the file left out", () -> rows() == 2);
        idle();
        robot.interact(() -> this.<Button>find("#file-undecide").fire());
        waitFor("the file taken as before", () -> rows() == 3);
        assertThat(model().jobProperty().get().settled()).isEmpty();
    }

    @Test
    void aSecondPlaceIsAddedCalledAndTakenOut() throws IOException {
        write("north/c.csv", "Date,Port,Passengers\n2026-03-01,Marsay,9\n2026-03-02,Marsay,4\n");
        chosen.folder = Optional.of(folder.resolve("north"));
        robot.interact(() -> this.<Button>find("#collect-add").fire());
        waitFor("its rows", () -> rows() == 5);
        idle();
        robot.interact(() -> this.<Button>find("#place-2").fire());
        waitFor("its card", () -> robot.lookup("#place-label-2").tryQuery().isPresent());
        robot.interact(() -> {
            TextField label = find("#place-label-2");
            label.setText("North");
        });
        robot.interact(() -> this.<Button>find("#place-take-2").fire());
        waitFor(
                "the label",
                () -> model().jobProperty().get().places().get(1).label().equals("North"));
        idle();
        robot.interact(() -> this.<Button>find("#place-2").fire());
        waitFor("its card", () -> robot.lookup("Take out").tryQuery().isPresent());
        robot.clickOn("Take out");
        waitFor("one place", () -> rows() == 3);
    }

    @Test
    void theSameJobIsUsedOnAnotherFolder() throws IOException {
        write("later/c.csv", "Date,Port,Passengers\n2027-03-01,Marsay,9\n");
        chosen.folder = Optional.of(folder.resolve("later"));
        robot.interact(() -> this.<Button>find("#place-1").fire());
        waitFor("its card", () -> robot.lookup("#place-elsewhere-1").tryQuery().isPresent());
        robot.interact(() -> this.<Button>find("#place-elsewhere-1").fire());
        waitFor("its rows alone", () -> file(0).equals("c.csv"));
    }

    @Test
    void placesComeFromATableAndAreTakenOutAgain() throws IOException {
        write("north/c.csv", "Date,Port,Passengers\n2026-03-01,Marsay,9\n2026-03-02,Marsay,4\n");
        write("ports.csv", "Folder,Port\nnorth,Marsay\n");
        chosen.target = Optional.of(folder.resolve("ports.csv"));
        robot.interact(() -> this.<Button>find("#collect-list").fire());
        waitFor("its rows", () -> rows() == 5);
        idle();
        MenuButton list = find("#place-list");
        assertThat(list.getText()).isEqualTo("ports.csv");
        robot.interact(() -> list.getItems().get(0).fire());
        waitFor("the rows of the folder alone", () -> rows() == 3);
    }

    @Test
    void aFileIsFoundByItsName() throws IOException {
        goTo(KeyCode.DIGIT6);
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("b.csv");
        waitFor("it offered", () -> robot.lookup("b.csv").tryQuery().isPresent());
        robot.push(KeyCode.ENTER);
        waitFor("the files", () -> grid("#files-grid").isFocused());
        assertThat(file((int) grid("#files-grid").selectedRow())).isEqualTo("b.csv");
    }
}
