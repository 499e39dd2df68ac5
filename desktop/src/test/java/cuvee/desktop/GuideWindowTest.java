package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.model.Tour;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** Whoever opens Cuvee for the first time is told the few things to know, and finds ten tasks with pictures. */
class GuideWindowTest extends InAWindow {
    @Override
    boolean firstRun() {
        return true;
    }

    private boolean open(String id) {
        return robot.lookup(id).tryQuery().filter(node -> node.isVisible()).isPresent();
    }

    private boolean page(String words) {
        return robot.lookup("#guide-page .label").queryAllAs(Label.class).stream()
                .anyMatch(label -> label.getText().contains(words));
    }

    @Test
    void everyTaskHasStepsAndAPicture() {
        List<GuidePages.Task> tasks = GuidePages.read();
        assertThat(tasks).hasSize(10).allSatisfy(task -> {
            assertThat(task.steps()).hasSizeBetween(3, 6).noneMatch(String::isBlank);
            assertThat(GuidePages.class.getResource(task.picture()))
                    .as(task.picture())
                    .isNotNull();
            assertThat(task.caption()).isNotBlank();
        });
        assertThat(tasks.get(0).title()).isEqualTo("1. Make a first master");
    }

    @Test
    void theTourIsToldOnceAndTheGuideLiesOverTheWindow() {
        robot.clickOn("#start-guide");
        waitFor("the guide", () -> page("Press \"Open the demo\" on the start screen"));
        robot.push(KeyCode.DOWN).push(KeyCode.DOWN);
        waitFor("the third task", () -> page("Go to Read (Alt+2)"));
        robot.push(KeyCode.ESCAPE);
        waitFor("the start screen again", () -> !open("#guide"));
        newJob();
        waitFor("the tour", () -> open("#tour") && words("#tour-words").equals(Tour.SENTENCES.get(0)));
        for (int i = 1; i < Tour.SENTENCES.size(); i++) {
            robot.clickOn("#tour-next");
            assertThat(words("#tour-words")).isEqualTo(Tour.SENTENCES.get(i));
        }
        robot.clickOn("#tour-next");
        assertThat(open("#tour")).isFalse();
        robot.push(KeyCode.SHIFT, KeyCode.F1);
        waitFor("the guide", () -> open("#guide"));
        robot.push(KeyCode.F5);
        assertThat(model().workProperty().get()).as("keys of the job wait").isEmpty();
        robot.push(KeyCode.SHIFT, KeyCode.F1);
        waitFor("the window again", () -> !open("#guide"));
        robot.push(KeyCode.F5);
        idle();
        assertThat(open("#tour")).as("told once").isFalse();
    }
}
