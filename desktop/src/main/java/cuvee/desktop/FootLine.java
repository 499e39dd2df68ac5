package cuvee.desktop;

import cuvee.model.JobModel;
import javafx.beans.property.StringProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;

/** The last line of the window: where what is chosen comes from, and the last act by its name, with the way back. */
final class FootLine extends HBox {
    private final Label trailWord = Pieces.label("Trail", "second");
    private final Label trail = Pieces.label("");
    private final Label last = Pieces.label("", "second");
    private final Button undo;
    private final Button redo;
    private final Label undoKeys = Pieces.label("Ctrl+Z", "second", "small");
    private final JobModel model;

    FootLine(JobModel model) {
        super(8);
        this.model = model;
        getStyleClass().add("foot-line");
        setAlignment(Pos.CENTER_LEFT);
        trail.setId("trail");
        trail.setMinWidth(0);
        trailWord.visibleProperty().bind(trail.textProperty().isNotEmpty());
        last.setId("last-act");
        last.setMinWidth(0);
        trailWord.setMinWidth(USE_PREF_SIZE);
        undoKeys.setMinWidth(USE_PREF_SIZE);
        undo = Pieces.go("Undo", "undo", model::undo);
        redo = Pieces.go("Redo", "redo", model::redo);
        undo.setTooltip(new Tooltip("Take it back (Ctrl+Z)"));
        redo.setTooltip(new Tooltip("Do it again (Ctrl+Y)"));
        getChildren().addAll(trailWord, trail, Pieces.space(), last, undo, undoKeys, redo);
        model.lastActProperty().addListener((o, before, now) -> showActs());
        model.undoneActProperty().addListener((o, before, now) -> showActs());
        showActs();
    }

    void setTrail(String said) {
        trail.setText(said);
    }

    StringProperty trailProperty() {
        return trail.textProperty();
    }

    private void showActs() {
        String act = model.lastActProperty().get();
        String undone = model.undoneActProperty().get();
        last.setText(
                !undone.isEmpty() ? "Taken back: " + undone : act.isEmpty() ? "Nothing decided yet" : "Last: " + act);
        Pieces.show(undo, !act.isEmpty());
        Pieces.show(undoKeys, !act.isEmpty());
        Pieces.show(redo, !undone.isEmpty());
    }
}
