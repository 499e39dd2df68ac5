package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.model.Stage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BackgroundFill;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.util.WaitForAsyncUtils;

/** In both themes all words of all stages can be read on what they stand on. */
class ThemeWindowTest extends InAWindow {
    @ParameterizedTest(name = "dark: {0}")
    @ValueSource(booleans = {false, true})
    void wordsStandOutFromWhatIsBehindThem(boolean dark) {
        newJob();
        if (dark) {
            robot.press(KeyCode.CONTROL).type(KeyCode.L).release(KeyCode.CONTROL);
            WaitForAsyncUtils.waitForFxEvents();
        }
        for (Stage stage : Stage.values()) {
            robot.clickOn("#" + LedgerStrip.id(stage));
            WaitForAsyncUtils.waitForFxEvents();
            assertThat(hardToRead()).as(stage.toString()).isEmpty();
        }
        robot.press(KeyCode.CONTROL).type(KeyCode.J).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(hardToRead()).as("the questions").isEmpty();
        robot.type(KeyCode.ESCAPE);
        robot.clickOn("#more");
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(robot.lookup(".menu-item .label").queryAll()).as("the menu").isNotEmpty();
        assertThat(hardToRead()).as("the menu").isEmpty();
        robot.type(KeyCode.ESCAPE);
    }

    private List<String> hardToRead() {
        List<String> found = new ArrayList<>();
        for (Node node : robot.lookup(each -> each instanceof Labeled).queryAll()) {
            Labeled words = (Labeled) node;
            boolean seen = words.getScene() != null
                    && isShown(words)
                    && !words.isDisabled()
                    && words.getText() != null
                    && !words.getText().isBlank();
            Optional<Color> behind = behind(node);
            if (seen && behind.isPresent() && colour(words) instanceof Color ink) {
                double contrast = Contrast.of(ink, behind.get());
                if (contrast < Contrast.TO_READ) {
                    found.add(words.getText() + ": " + ink + " on " + behind.get() + ", " + contrast);
                }
            }
        }
        return found;
    }

    private static Object colour(Labeled words) {
        return words.getChildrenUnmodifiable().stream()
                .filter(Text.class::isInstance)
                .map(text -> (Object) ((Text) text).getFill())
                .findFirst()
                .orElse(words.getTextFill());
    }

    private static boolean isShown(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (!at.isVisible()) {
                return false;
            }
        }
        return true;
    }

    /** The nearest colour behind a node that nothing shines through. */
    private static Optional<Color> behind(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at instanceof Region region && region.getBackground() != null) {
                List<BackgroundFill> fills = region.getBackground().getFills();
                if (!fills.isEmpty()
                        && fills.get(fills.size() - 1).getFill() instanceof Color colour
                        && colour.isOpaque()) {
                    return Optional.of(colour);
                }
            }
        }
        return Optional.empty();
    }
}
