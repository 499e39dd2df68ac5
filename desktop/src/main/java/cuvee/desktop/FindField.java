package cuvee.desktop;

import cuvee.model.Finder;
import cuvee.model.JobModel;
import java.util.function.Consumer;
import javafx.geometry.Bounds;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.stage.Popup;

/** Goes to whatever is called so: a stage, a column or one of its headers, a file, a sheet. */
final class FindField extends TextField {
    private static final double LINE = 28;
    private static final double WIDE = 420;
    private final JobModel model;
    private final Consumer<Finder.Found> go;
    private final ListView<Finder.Found> offered = new ListView<>();
    private final StackPane paper = new StackPane(offered);
    private final Popup popup = new Popup();

    FindField(JobModel model, Consumer<Finder.Found> go) {
        this.model = model;
        this.go = go;
        setId("find");
        setPromptText("Find a file, header, value, finding   Ctrl+K");
        setAccessibleText("Find a file, sheet, header, column, value, question, finding or stage");
        setPrefWidth(290);
        setMinWidth(120);
        offered.setId("found");
        offered.getStyleClass().add("offered");
        offered.setFixedCellSize(LINE);
        offered.setPrefWidth(WIDE);
        offered.setFocusTraversable(false);
        offered.setCellFactory(list -> new Line());
        offered.setOnMouseClicked(e -> take());
        popup.getContent().add(paper);
        popup.setAutoHide(true);
        popup.setHideOnEscape(false);
        textProperty().addListener((o, before, now) -> offer());
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        focusedProperty().addListener((o, before, now) -> {
            if (!now) {
                popup.hide();
            }
        });
    }

    /** A name with what it is at the right. */
    private static final class Line extends ListCell<Finder.Found> {
        @Override
        protected void updateItem(Finder.Found found, boolean empty) {
            super.updateItem(found, empty);
            setText(null);
            if (empty || found == null) {
                setGraphic(null);
                return;
            }
            Label name = Pieces.label(found.name());
            name.setMinWidth(0);
            Label what = Pieces.label(found.what(), "second", "small");
            what.setMinWidth(USE_PREF_SIZE);
            HBox line = Pieces.row(8, name, Pieces.space(), what);
            line.setMaxWidth(WIDE - 28);
            setGraphic(line);
        }
    }

    private void offer() {
        offered.getItems().setAll(Finder.of(model.outcomeProperty().get(), getText()));
        if (offered.getItems().isEmpty() || getScene() == null) {
            popup.hide();
            return;
        }
        offered.getSelectionModel().selectFirst();
        offered.setPrefHeight(offered.getItems().size() * LINE + 6);
        Pieces.dress(paper, this);
        Bounds below = localToScreen(getBoundsInLocal());
        popup.show(this, below.getMinX(), below.getMaxY() + 2);
    }

    private void key(KeyEvent e) {
        boolean handled = true;
        if (e.getCode() == KeyCode.ESCAPE) {
            clear();
            getParent().requestFocus();
        } else if (!popup.isShowing()) {
            handled = false;
        } else if (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP) {
            int by = e.getCode() == KeyCode.DOWN ? 1 : -1;
            int count = offered.getItems().size();
            offered.getSelectionModel()
                    .select(Math.floorMod(offered.getSelectionModel().getSelectedIndex() + by, count));
        } else if (e.getCode() == KeyCode.ENTER) {
            take();
        } else {
            handled = false;
        }
        if (handled) {
            e.consume();
        }
    }

    private void take() {
        Finder.Found found = offered.getSelectionModel().getSelectedItem();
        popup.hide();
        clear();
        if (found != null) {
            go.accept(found);
        }
    }
}
