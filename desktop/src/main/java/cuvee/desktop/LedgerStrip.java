package cuvee.desktop;

import cuvee.model.GridModel.Mark;
import cuvee.model.Ledger;
import cuvee.model.Stage;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * The table of contents and the reconciliation at once: a segment for each stage, all of one width so that nothing jumps,
 * with its live figure, its questions, and what is lost before the next.
 */
final class LedgerStrip extends HBox {
    private static final PseudoClass NARROW = PseudoClass.getPseudoClass("narrow");
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final double LEAST_ROOM = 1200;
    private boolean narrow;
    private final Map<Stage, Segment> segments = new EnumMap<>(Stage.class);

    /**
     * @param go goes to a stage
     * @param lost opens what was set aside on the way from a stage to the next
     */
    LedgerStrip(Consumer<Stage> go, Consumer<Stage> lost) {
        widthProperty().addListener((o, before, now) -> fit(now.doubleValue()));
        setId("ledger");
        getStyleClass().add("ledger");
        for (Stage stage : Stage.values()) {
            Segment segment = new Segment(stage, go, lost);
            segment.prefWidthProperty().bind(widthProperty().divide(Stage.values().length));
            segment.setMinWidth(0);
            if (stage == Stage.DELIVER) {
                segment.getStyleClass().add("last");
            }
            segments.put(stage, segment);
            getChildren().add(segment);
        }
    }

    /** With little room a loss shows its figure alone, a sum is shortened, and the numbers of the stages go. */
    private void fit(double room) {
        boolean now = room < LEAST_ROOM;
        if (now != narrow) {
            narrow = now;
            segments.values().forEach(segment -> segment.fit(now));
        }
    }

    void choose(Stage chosen) {
        segments.forEach((stage, segment) -> segment.pseudoClassStateChanged(CHOSEN, stage == chosen));
    }

    void show(Ledger.Segment shown) {
        Segment segment = segments.get(shown.stage());
        if (segment != null) {
            segment.show(shown);
        }
    }

    static String id(Stage stage) {
        return "stage-" + stage.title().toLowerCase(Locale.ROOT).replace(' ', '-');
    }

    /** One stage. It acts like a button, and holds another that leads to what was lost. */
    private static final class Segment extends VBox {
        private final Label figure = Pieces.label("–", "figure");
        private final HBox figureBox = new HBox(figure);
        private final Label unit = Pieces.label("", "unit");
        private final Label questions = Pieces.mark(Mark.QUESTION, "");
        private final Button loss;
        private final Label side = Pieces.label("", "side");
        private final Label number = Pieces.label("", "number");
        private boolean narrow;
        private Ledger.@Nullable Segment shown;

        Segment(Stage stage, Consumer<Stage> go, Consumer<Stage> lost) {
            super(1);
            setId(id(stage));
            getStyleClass().add("segment");
            setFocusTraversable(true);
            setAccessibleRole(AccessibleRole.BUTTON);
            figureBox.getStyleClass().add("figure-box");
            figureBox.setMaxHeight(USE_PREF_SIZE);
            figure.setMinWidth(USE_PREF_SIZE);
            loss = Pieces.button("", id(stage) + "-loss", () -> lost.accept(stage));
            loss.getStyleClass().setAll("button", "loss");
            number.setText(String.valueOf(stage.ordinal() + 1));
            unit.setMinWidth(USE_PREF_SIZE);
            questions.setMinWidth(USE_PREF_SIZE);
            HBox top = Pieces.row(5, figureBox, unit, questions, Pieces.space(), number);
            Label title = Pieces.label(stage.title(), "stage");
            title.setMinWidth(USE_PREF_SIZE);
            HBox bottom = Pieces.row(6, title, Pieces.space(), loss, side);
            bottom.setAlignment(Pos.BASELINE_LEFT);
            getChildren().addAll(top, bottom);
            Tooltip.install(this, new Tooltip(stage.title() + " (Alt+" + (stage.ordinal() + 1) + ")"));
            setOnMousePressed(e -> requestFocus());
            setOnMouseClicked(e -> go.accept(stage));
            setOnKeyPressed(e -> {
                if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                    go.accept(stage);
                    e.consume();
                }
            });
        }

        void fit(boolean little) {
            narrow = little;
            Pieces.show(number, !little);
            pseudoClassStateChanged(NARROW, little);
            Ledger.Segment now = shown;
            if (now != null) {
                show(now);
            }
        }

        void show(Ledger.Segment now) {
            shown = now;
            String words = narrow ? now.shortSide() : now.side();
            figure.setText(now.figure());
            unit.setText(now.unit());
            questions.setText("? " + now.questions());
            Pieces.show(questions, now.questions() > 0);
            boolean lossy = now.kind() == Ledger.Side.LOSS && !now.side().isEmpty();
            loss.setText(lossy ? words : "");
            Pieces.show(loss, lossy);
            side.setText(lossy ? "" : words);
            side.getStyleClass()
                    .setAll(
                            "label",
                            "side",
                            switch (now.kind()) {
                                case AGREES -> "moss";
                                case OPEN -> "amber";
                                case WRONG -> "brick";
                                case LOSS, PLAIN -> "plain-side";
                            });
            figureBox
                    .getStyleClass()
                    .setAll(
                            "figure-box",
                            switch (now.rule()) {
                                case NONE -> "no-rule";
                                case SINGLE -> "single";
                                case DOUBLE -> "double";
                            });
            setAccessibleText(now.spoken());
        }
    }
}
