package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.StackPane;
import org.junit.jupiter.api.Test;

/** What has to be asked at once is asked on a sheet over the window; the harmless answer has the keys. */
class AskSheetTest extends InAWindow {
    private final AtomicReference<Object> answer = new AtomicReference<>();

    private SystemChoosers choosers() {
        StackPane root = find("#root");
        return new SystemChoosers(root.getScene().getWindow(), root);
    }

    private boolean asks(String words) {
        return robot.lookup("#ask .label").queryAllAs(Label.class).stream()
                .anyMatch(label -> label.getText().contains(words));
    }

    @Test
    void leavingAJobUnsavedIsAskedAndEscStays() {
        newJob();
        Platform.runLater(() -> answer.set(choosers().leave("Returns")));
        waitFor("the question", () -> asks("Save the job “Returns” first?"));
        assertThat(find("#ask-2").isFocused()).as("Stay").isTrue();
        robot.push(KeyCode.F5);
        assertThat(model().workProperty().get()).as("keys of the job wait").isEmpty();
        robot.push(KeyCode.ESCAPE);
        waitFor("the answer", () -> Choosers.Leaving.STAY.equals(answer.get()));
        assertThat(robot.lookup("#ask").tryQuery()).isEmpty();
        Platform.runLater(() -> answer.set(choosers().leave("Returns")));
        waitFor("the question again", () -> asks("not saved"));
        robot.clickOn("#ask-1");
        waitFor("the other answer", () -> Choosers.Leaving.LEAVE.equals(answer.get()));
        robot.push(KeyCode.F5);
        idle();
        assertThat(model().outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
    }

    @Test
    void writingOverWhatIsNotOursSaysWhatWouldBeLost() {
        Platform.runLater(() -> answer.set(choosers().replace(Path.of("Board.xlsx"), "it has 3 other tabs")));
        waitFor(
                "the question",
                () -> asks("Write over Board.xlsx?") && asks("It has 3 other tabs. All of it would be gone."));
        robot.push(KeyCode.ENTER);
        waitFor("no", () -> Boolean.FALSE.equals(answer.get()));
        Platform.runLater(() -> answer.set(choosers().replace(Path.of("Board.xlsx"), "it has 3 other tabs")));
        waitFor("the question", () -> asks("Write over Board.xlsx?"));
        robot.clickOn("#ask-0");
        waitFor("yes", () -> Boolean.TRUE.equals(answer.get()));
    }

    @Test
    void aJobThatCannotBeOpenedSaysWhyOverTheStartScreen() throws Exception {
        write("torn.cuvee", "{ \"cuvee\": 1,");
        Platform.runLater(() -> app.open(folder.resolve("torn.cuvee")));
        waitFor("why", () -> asks("The job cannot be opened.") && asks("it is not whole JSON"));
        robot.push(KeyCode.ESCAPE);
        waitFor("the start screen", () -> robot.lookup("#ask").tryQuery().isEmpty());
        robot.clickOn("#start-folder");
        idle();
    }
}
