package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.propose.NewColumns;
import java.io.IOException;
import javafx.geometry.Bounds;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;

/** The board of Line up: what it shows, what stands beside it, and what becomes of columns. */
class BoardWindowTest extends InAWindow {
    @BeforeEach
    void aJob() throws IOException {
        write("data/Hollin, Tarsk and Oska returns/c.csv", "Date,Port,Passengers,Crew\n2026-03-01,Oska,7,2\n");
        newJob();
        goTo(KeyCode.DIGIT3);
    }

    private void wide(double width) {
        robot.interact(() -> find("#frame").getScene().getWindow().setWidth(width));
        WaitForAsyncUtils.waitForFxEvents();
    }

    private double leftOf(String id) {
        return find(id).localToScene(find(id).getBoundsInLocal()).getMinX();
    }

    private double topOf(String id) {
        return find(id).localToScene(find(id).getBoundsInLocal()).getMinY();
    }

    @Test
    void theFactsLieBesideTheBoardAndBelowItInAWideWindow() {
        wide(1280);
        robot.push(KeyCode.RIGHT).push(KeyCode.RIGHT).push(KeyCode.F4);
        waitFor("the facts", () -> words("#facts-title").startsWith("Date"));
        assertThat(leftOf("#facts")).isGreaterThan(800);
        wide(1700);
        waitFor("the facts below", () -> leftOf("#facts") < 10);
        assertThat(topOf("#facts")).isGreaterThan(topOf("#line-up-grid"));
        assertThat(topOf("#undo")).as("the foot stays the last").isGreaterThan(topOf("#facts"));
        goTo(KeyCode.DIGIT6);
        waitFor("the facts beside the master", () -> leftOf("#facts") > 1000);
        goTo(KeyCode.DIGIT3);
        waitFor("below again", () -> leftOf("#facts") < 10);
        robot.interact(() -> this.<Button>find("#facts-close").fire());
        assertThat(robot.lookup("#facts").tryQuery()).isEmpty();
        waitFor("the keys on the board", () -> grid("#line-up-grid").isFocused());
    }

    @Test
    void theFactsFollowTheChosenColumnWhichStaysInView() {
        wide(1280);
        GridView board = grid("#line-up-grid");
        robot.push(KeyCode.END);
        int last = board.selectedColumn();
        robot.push(KeyCode.F4);
        waitFor(
                "the facts",
                () -> words("#facts-title").startsWith(board.model().title(last)));
        waitFor("the chosen cell in view", () -> board.cell(0, last).isPresent());
        robot.push(KeyCode.LEFT);
        waitFor(
                "the facts of the column before",
                () -> words("#facts-title").startsWith(board.model().title(last - 1)));
        robot.interact(() -> find("#facts-search").requestFocus());
        robot.push(KeyCode.ALT, KeyCode.RIGHT);
        waitFor(
                "the next one again",
                () -> words("#facts-title").startsWith(board.model().title(last)));
        goTo(KeyCode.DIGIT6);
        waitFor(
                "the column chosen in the master",
                () -> words("#facts-title")
                        .startsWith(grid("#master-grid").model().title(0)));
        robot.push(KeyCode.F4);
        waitFor("no facts", () -> robot.lookup("#facts").tryQuery().isEmpty());
        waitFor("the keys on the master", () -> grid("#master-grid").isFocused());
    }

    @Test
    void theFactsAreMadeWiderByTheirEdge() {
        wide(1280);
        robot.push(KeyCode.RIGHT).push(KeyCode.RIGHT).push(KeyCode.F4);
        waitFor("the facts", () -> words("#facts-title").startsWith("Date"));
        Bounds at = find("#facts").localToScreen(find("#facts").getBoundsInLocal());
        robot.drag(at.getMinX() + 2, at.getMinY() + 200).dropTo(at.getMinX() - 98, at.getMinY() + 200);
        waitFor("wider facts", () -> leftOf("#facts") < at.getMinX() - 80);
        robot.drag(at.getMinX() - 98, at.getMinY() + 200).dropTo(at.getMaxX() - 10, at.getMinY() + 200);
        waitFor("facts that are narrow but no less than can be read", () -> leftOf("#facts") > at.getMinX() + 80);
        assertThat(find("#facts").getBoundsInLocal().getWidth()).isGreaterThanOrEqualTo(320);
    }

    @Test
    void aPressOnAHeadChoosesTheColumnWhichF2Renames() {
        GridView board = grid("#line-up-grid");
        Bounds cell = board.cell(0, 3).orElseThrow();
        String before = board.model().title(3);
        robot.clickOn(board.localToScreen(cell.getCenterX(), 10));
        robot.push(KeyCode.F2).push(KeyCode.CONTROL, KeyCode.A).write("Quay").push(KeyCode.ENTER);
        waitFor("the new name", () -> board.model().title(3).equals("Quay"));
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("the name as it was", () -> board.model().title(3).equals(before));
    }

    @Test
    void namesOfLayoutsAreWholeInAWideWindow() {
        wide(1280);
        double narrow = grid("#line-up-grid").model().width(0);
        wide(1700);
        waitFor("room for names", () -> grid("#line-up-grid").model().width(0) > narrow);
        wide(1280);
        waitFor("as before", () -> grid("#line-up-grid").model().width(0) == narrow);
    }

    @Test
    void columnsThatSomeLayoutsLackAreShownAloneAndAllAgain() {
        GridView board = grid("#line-up-grid");
        int all = board.model().columns();
        robot.clickOn("#board-filter");
        robot.clickOn("absent somewhere");
        waitFor("fewer columns", () -> board.model().columns() < all);
        assertThat(board.model().title(2)).isEqualTo("Crew");
        robot.clickOn("#board-filter");
        robot.clickOn("all columns");
        waitFor("all again", () -> board.model().columns() == all);
    }

    @Test
    void whatBecomesOfColumnsThatComeLaterIsSaidAndTakenBack() {
        String before = NewColumns.policy(model().jobProperty().get()).words();
        NewColumns.Policy other = NewColumns.Policy.values()[NewColumns.Policy.values().length - 1];
        robot.clickOn("#board-later");
        robot.clickOn(other.words());
        waitFor("the word", () -> NewColumns.policy(model().jobProperty().get()) == other);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(
                "the way back",
                () -> NewColumns.policy(model().jobProperty().get()).words().equals(before));
    }
}
