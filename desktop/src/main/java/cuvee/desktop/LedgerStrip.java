package cuvee.desktop;

import cuvee.model.Ledger;
import cuvee.model.Stage;
import cuvee.place.Says;
import java.util.EnumMap;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The table of contents and the reconciliation at once: a segment for each stage with its live figure. */
final class LedgerStrip extends HBox {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private final Map<Stage, Button> segments = new EnumMap<>(Stage.class);
    private final Map<Stage, Label> figures = new EnumMap<>(Stage.class);
    private final Map<Stage, Label> losses = new EnumMap<>(Stage.class);
    private final Map<Stage, Label> counts = new EnumMap<>(Stage.class);

    LedgerStrip(Consumer<Stage> go) {
        setId("ledger");
        getStyleClass().add("ledger");
        int key = 1;
        for (Stage stage : Stage.values()) {
            Label figure = new Label("–");
            figure.getStyleClass().add("figure");
            Label count = new Label();
            count.getStyleClass().add("to-see");
            count.setVisible(false);
            count.setManaged(false);
            HBox top = new HBox(8, figure, count);
            top.setAlignment(Pos.CENTER_LEFT);
            Label title = new Label(stage.title());
            title.getStyleClass().add("stage");
            Label loss = new Label();
            loss.getStyleClass().add("loss");
            HBox bottom = new HBox(10, title, loss);
            bottom.setAlignment(Pos.BASELINE_LEFT);
            Button segment = new Button();
            segment.setId(
                    "stage-" + stage.title().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
            segment.setGraphic(new VBox(1, top, bottom));
            segment.getStyleClass().setAll("segment");
            segment.setMinWidth(0);
            segment.setMaxWidth(Double.MAX_VALUE);
            segment.setAlignment(Pos.CENTER_LEFT);
            segment.setTooltip(new Tooltip(stage.title() + " (Alt+" + key++ + ")"));
            segment.setOnAction(e -> go.accept(stage));
            HBox.setHgrow(segment, Priority.ALWAYS);
            segments.put(stage, segment);
            figures.put(stage, figure);
            losses.put(stage, loss);
            counts.put(stage, count);
            getChildren().add(segment);
        }
    }

    void choose(Stage chosen) {
        segments.forEach((stage, segment) -> segment.pseudoClassStateChanged(CHOSEN, stage == chosen));
    }

    void show(Ledger.Segment segment) {
        set(figures.get(segment.stage()), segment.figure());
        set(losses.get(segment.stage()), segment.loss());
        Label count = counts.get(segment.stage());
        if (count != null) {
            boolean any = segment.toSee() > 0;
            count.setText(Says.count(segment.toSee(), "question"));
            count.setVisible(any);
            count.setManaged(any);
        }
        Button button = segments.get(segment.stage());
        if (button != null) {
            button.setAccessibleText(segment.stage().title() + ": " + segment.figure() + " " + segment.loss());
        }
    }

    private static void set(@org.jspecify.annotations.Nullable Label label, String text) {
        if (label != null) {
            label.setText(text);
        }
    }
}
