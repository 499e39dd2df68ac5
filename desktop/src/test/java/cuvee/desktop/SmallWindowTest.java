package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.model.Stage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;

/** In the smallest window that there is, nothing that can be read or pressed lies outside of it. */
class SmallWindowTest extends InAWindow {
    private static final double WIDTH = 1024;
    private static final double HEIGHT = 700;

    @Test
    void everyStageFitsIntoIt() throws IOException {
        StringBuilder lines = new StringBuilder("Sailing date,Route,Fare revenue in EUR,Passengers,Vehicles,Freight\n");
        for (int i = 0; i < 400; i++) {
            lines.append("2026-01-")
                    .append(10 + i % 20)
                    .append(",Eastray to Hollin by way of Marsay,")
                    .append(1_204_500 + i * 37)
                    .append(".25,")
                    .append(40 + i)
                    .append(",12,7.5\n");
        }
        write("data/a.csv", lines.toString());
        write("data/b.csv", lines.toString().replace("2026-01", "2026-02").replace("Fare revenue in EUR", "Fares"));
        newJob();
        WaitForAsyncUtils.asyncFx(() -> {
            Window window = robot.window(0);
            window.setWidth(WIDTH);
            window.setHeight(HEIGHT);
        });
        WaitForAsyncUtils.waitForFxEvents();
        for (Stage stage : Stage.values()) {
            robot.clickOn("#" + LedgerStrip.id(stage));
            WaitForAsyncUtils.waitForFxEvents();
            assertThat(outside()).as(stage.toString()).isEmpty();
        }
        goTo(KeyCode.DIGIT6);
        robot.clickOn("#rows-face-summary");
        assertThat(outside()).as("the summary").isEmpty();
        robot.press(KeyCode.CONTROL).type(KeyCode.J).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(outside()).as("the questions").isEmpty();
    }

    /** What is seen and lies outside, but for what can be scrolled into view. */
    private List<String> outside() {
        List<String> outside = new ArrayList<>();
        for (Node node : robot.lookup(each -> each instanceof Labeled || each instanceof TextInputControl)
                .queryAll()) {
            Bounds bounds = node.localToScene(node.getLayoutBounds());
            if (isSeen(node)
                    && bounds.getWidth() > 1
                    && (bounds.getMinX() < -1
                            || bounds.getMaxX() > node.getScene().getWidth() + 1
                            || bounds.getMaxY() > node.getScene().getHeight() + 1)) {
                outside.add((node instanceof Labeled words ? words.getText() : node.getId()) + " " + bounds);
            }
        }
        return outside;
    }

    private static boolean isSeen(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (!at.isVisible()
                    || at instanceof ScrollPane
                    || at.getStyleClass().contains("scroll-pane")) {
                return false;
            }
        }
        return true;
    }
}
