package cuvee.desktop;

import cuvee.model.Wording;
import cuvee.rework.Completing;
import java.util.List;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.StringProperty;
import javafx.geometry.Bounds;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;

/**
 * A field for the words of a rule: what may come next is offered below it, what is wrong is said under it, and words that
 * say nothing are not taken.
 */
final class RuleField extends VBox {
    private static final double LINE = 26;
    private static final int WIDE = 460;
    private final TextField field = new TextField();
    private final Label problem = new Label();
    private final ListView<String> offered = new ListView<>();
    private final StackPane paper = new StackPane(offered);
    private final Popup popup = new Popup();
    private final Wording help;
    private String before;
    private final Consumer<String> taken;
    private boolean patient;

    RuleField(String id, String words, Wording help, Consumer<String> taken) {
        this(id, words, help, taken, () -> {});
    }

    /**
     * @param taken told of words that say something, on Enter and when the field is left
     * @param entered told of Enter, whatever the words say
     */
    RuleField(String id, String words, Wording help, Consumer<String> taken, Runnable entered) {
        super(2);
        this.help = help;
        this.before = words;
        this.taken = taken;
        field.setId(id);
        field.setText(words);
        field.setPrefWidth(WIDE);
        field.setMinWidth(0);
        problem.setId(id + "-problem");
        problem.getStyleClass().add("failing");
        problem.setWrapText(true);
        problem.setMaxWidth(WIDE);
        getChildren().add(field);
        offered.getStyleClass().add("offered");
        offered.setFixedCellSize(LINE);
        offered.setPrefWidth(240);
        offered.setFocusTraversable(false);
        offered.setOnMouseClicked(e -> complete());
        popup.getContent().add(paper);
        popup.setAutoHide(true);
        popup.setHideOnEscape(false);
        field.textProperty().addListener((o, was, now) -> {
            if (patient) {
                getChildren().remove(problem);
            } else {
                tellProblem();
            }
            if (field.isFocused()) {
                // The caret follows once the text has changed.
                Platform.runLater(() -> offer(false));
            }
        });
        help.onMore(() -> offer(false));
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        field.setOnAction(e -> {
            take();
            entered.run();
        });
        field.focusedProperty().addListener((o, was, now) -> {
            if (!now) {
                popup.hide();
                take();
            }
        });
    }

    StringProperty textProperty() {
        return field.textProperty();
    }

    /** Shows other words, which are taken as they are. */
    void setWords(String words) {
        before = words;
        field.setText(words);
    }

    /** Says what could be written, while nothing is; what is wrong is said once one is done writing. */
    void prompt(String words) {
        patient = true;
        field.setPromptText(words);
        field.setMaxWidth(Double.MAX_VALUE);
    }

    /** True while words are offered, which Esc then puts away. */
    boolean isOffering() {
        return popup.isShowing();
    }

    void focusWords() {
        field.requestFocus();
    }

    private void tellProblem() {
        String said = field.getText().isBlank() && before.isEmpty()
                ? ""
                : help.problem(field.getText().strip());
        problem.setText(said);
        getChildren().remove(problem);
        if (!said.isEmpty()) {
            getChildren().add(problem);
        }
    }

    private void take() {
        String words = field.getText().strip();
        tellProblem();
        if (!words.equals(before) && help.problem(words).isEmpty()) {
            before = words;
            taken.accept(words);
        }
    }

    private void key(KeyEvent event) {
        boolean handled = true;
        if (event.isShortcutDown() && event.getCode() == KeyCode.SPACE) {
            offer(true);
        } else if (!popup.isShowing()) {
            handled = event.getCode() == KeyCode.ESCAPE && !field.getText().equals(before);
            if (handled) {
                field.setText(before);
            }
        } else if (event.getCode() == KeyCode.DOWN || event.getCode() == KeyCode.UP) {
            int by = event.getCode() == KeyCode.DOWN ? 1 : -1;
            int count = offered.getItems().size();
            offered.getSelectionModel()
                    .select(Math.floorMod(offered.getSelectionModel().getSelectedIndex() + by, count));
        } else if (event.getCode() == KeyCode.ENTER || event.getCode() == KeyCode.TAB) {
            complete();
        } else if (event.getCode() == KeyCode.ESCAPE) {
            popup.hide();
        } else {
            handled = false;
        }
        if (handled) {
            event.consume();
        }
    }

    /** Offers what may come next; a word that is whole already is left alone, unless one asks. */
    private void offer(boolean asked) {
        String words = field.getText();
        int place = field.getCaretPosition();
        List<String> found = help.completions(words, place);
        boolean whole = !asked
                && found.stream()
                        .anyMatch(each ->
                                Completing.completed(words, place, each).strip().equals(words.strip()));
        if (found.isEmpty() || whole || field.getScene() == null || !field.isFocused()) {
            popup.hide();
            return;
        }
        offered.getItems().setAll(found);
        offered.getSelectionModel().selectFirst();
        offered.setPrefHeight(found.size() * LINE + 6);
        Pieces.dress(paper, field);
        Bounds below = field.localToScreen(field.getBoundsInLocal());
        popup.show(field, below.getMinX(), below.getMaxY());
    }

    private void complete() {
        String whole = offered.getSelectionModel().getSelectedItem();
        if (whole != null) {
            String words = field.getText();
            int place = field.getCaretPosition();
            int behind = Completing.behind(words, place, whole);
            field.setText(Completing.completed(words, place, whole));
            field.positionCaret(behind);
        }
        popup.hide();
    }
}
