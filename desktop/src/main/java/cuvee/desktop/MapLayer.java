package cuvee.desktop;

import cuvee.model.Deed;
import cuvee.model.Stage;
import java.util.List;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The map of a stage: what can be done there and everywhere, each with its keys. F1 opens it, Esc or F1 folds it. */
final class MapLayer extends VBox {
    private final Button close;
    private final HBox both = new HBox(48);
    private final Label heading = Pieces.label("", "heading");

    MapLayer(Runnable fold) {
        super(16);
        setId("map");
        getStyleClass().add("map");
        close = Pieces.button("Fold the map", "F1", "map-close", fold);
        ScrollPane scroll = new ScrollPane(both);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(Pieces.row(12, heading, Pieces.space(), close), scroll);
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                fold.run();
                e.consume();
            }
        });
    }

    /** Shows that of a stage. */
    void show(Stage stage) {
        heading.setText("What can be done by keys, or by asking Find for it (Ctrl+K)");
        List<Deed> here = Deed.in(stage);
        VBox own = column("In " + stage.title(), here);
        if (here.isEmpty()) {
            own.getChildren()
                    .add(Pieces.wrapped(
                            "Nothing of its own: Tab goes through what stands here, Enter takes it.", "second"));
        }
        both.getChildren().setAll(own, column("Everywhere", Deed.everywhere()));
    }

    void takeKeys() {
        close.requestFocus();
    }

    private VBox column(String title, List<Deed> deeds) {
        GridPane grid = new GridPane();
        grid.setHgap(16);
        grid.setVgap(6);
        ColumnConstraints keys = new ColumnConstraints();
        keys.setMinWidth(110);
        grid.getColumnConstraints().add(keys);
        for (Deed deed : deeds) {
            Label pressed = Pieces.label(deed.keys(), "key");
            Label words = Pieces.wrapped(deed.words());
            grid.addRow(grid.getRowCount(), pressed, words);
        }
        VBox column = new VBox(10, Pieces.label(title, "bold"), grid);
        HBox.setHgrow(column, Priority.ALWAYS);
        column.setMinWidth(0);
        column.setPrefWidth(400);
        return column;
    }

    /** The keys of a deed as the window hears them. */
    static KeyCombination keys(Deed deed) {
        return KeyCombination.valueOf(deed.keys().replace("Ctrl", "Shortcut"));
    }

    /** Presses the keys of a deed, as if by hand, where the keys go now. */
    static void press(Deed deed, Node target) {
        List<String> parts = deed.parts();
        KeyCode code = KeyCode.getKeyCode(parts.get(parts.size() - 1));
        Event.fireEvent(
                target,
                new KeyEvent(
                        KeyEvent.KEY_PRESSED,
                        "",
                        "",
                        code,
                        parts.contains("Shift"),
                        parts.contains("Ctrl"),
                        parts.contains("Alt"),
                        false));
    }
}
