package cuvee.desktop;

import java.util.List;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * A sheet of paper over the window that asks one thing and waits for the answer. What lies behind stays readable and takes
 * no keys. Esc is the harmless answer, which has the keys at first.
 */
final class AskSheet extends StackPane {
    private static final double WIDTH = 544;

    private final StackPane over;

    private AskSheet(StackPane over, String title, String body, List<String> acts, int harmless) {
        this.over = over;
        setId("ask");
        HBox hands = Pieces.row(8, Pieces.space());
        for (int act = 0; act < acts.size(); act++) {
            int chosen = act;
            Button button = Pieces.button(acts.get(act), "ask-" + act, () -> answer(chosen));
            button.setCancelButton(act == harmless);
            hands.getChildren().add(button);
        }
        VBox sheet = new VBox(12, Pieces.wrapped(title, "drop-title"), Pieces.wrapped(body), hands);
        sheet.getStyleClass().add("ask-sheet");
        sheet.setPrefWidth(WIDTH);
        sheet.setMaxSize(WIDTH, Region.USE_PREF_SIZE);
        setAlignment(sheet, Pos.CENTER);
        setMargin(sheet, new Insets(16));
        getChildren().add(sheet);
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                answer(harmless);
            }
            // Keys of the window are not for now.
            e.consume();
        });
    }

    /**
     * Asks, and waits; on the interface thread.
     *
     * @param over the pane that fills the window
     * @param harmless which of the acts changes nothing
     * @return which act was chosen
     */
    static int ask(StackPane over, String title, String body, List<String> acts, int harmless) {
        boolean asking = over.getChildren().stream().anyMatch(layer -> layer instanceof AskSheet);
        if (asking) {
            return harmless;
        }
        AskSheet sheet = new AskSheet(over, title, body, acts, harmless);
        @Nullable Node before = over.getScene() == null ? null : over.getScene().getFocusOwner();
        over.getChildren().forEach(layer -> layer.setDisable(true));
        over.getChildren().add(sheet);
        sheet.lookup("#ask-" + harmless).requestFocus();
        Object chosen = Platform.enterNestedEventLoop(sheet);
        over.getChildren().remove(sheet);
        over.getChildren().forEach(layer -> layer.setDisable(false));
        if (before != null) {
            before.requestFocus();
        }
        return chosen instanceof Integer act ? act : harmless;
    }

    private void answer(int act) {
        if (over.getChildren().contains(this) && !isDisabled()) {
            setDisable(true);
            Platform.exitNestedEventLoop(this, act);
        }
    }
}
