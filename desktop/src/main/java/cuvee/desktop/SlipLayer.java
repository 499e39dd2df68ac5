package cuvee.desktop;

import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Polygon;
import org.jspecify.annotations.Nullable;

/**
 * Lies over a stage and holds its slip: a small paper pinned to a cell, opened below it, else above, never over it. Esc or
 * a press elsewhere folds it, and the keys go back to the cell.
 */
final class SlipLayer extends Pane {
    private static final double WIDE = 440;
    private static final double NIB = 8;
    private @Nullable Node anchor;
    private @Nullable VBox slip;

    SlipLayer() {
        setPickOnBounds(false);
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE && slip != null) {
                close();
                e.consume();
            }
        });
    }

    boolean isOpen() {
        return slip != null;
    }

    /** Pins a slip with a question to a place within a node. */
    void open(Node pinnedTo, Bounds place, Node... content) {
        pin(pinnedTo, place, "asking", content);
    }

    /** Pins a slip on which something is changed. */
    void openPlain(Node pinnedTo, Bounds place, Node... content) {
        pin(pinnedTo, place, "changing", content);
    }

    private void pin(Node pinnedTo, Bounds place, String kind, Node... content) {
        close();
        VBox paper = new VBox(8, content);
        paper.setId("slip");
        paper.getStyleClass().addAll("slip", kind);
        Bounds cell = sceneToLocal(pinnedTo.localToScene(place));
        double wide = Math.min(WIDE, Math.max(240, getWidth() - 16));
        paper.setMaxWidth(wide);
        paper.setPrefWidth(wide);
        paper.setMinWidth(wide);
        Polygon nib = new Polygon();
        nib.getStyleClass().addAll("slip-nib", kind);
        getChildren().setAll(paper, nib);
        paper.setMinHeight(Region.USE_PREF_SIZE);
        paper.applyCss();
        paper.layout();
        double high = paper.prefHeight(wide);
        boolean below = cell.getMaxY() + NIB + high <= getHeight() || cell.getMinY() - NIB - high < 0;
        double left = Math.max(8, Math.min(cell.getMinX(), getWidth() - wide - 8));
        double top = below ? cell.getMaxY() + NIB : cell.getMinY() - NIB - high;
        paper.resizeRelocate(left, top, wide, high);
        double at = Math.max(left + 10, Math.min(cell.getMinX() + 24, left + wide - 24));
        if (below) {
            nib.getPoints().setAll(at, cell.getMaxY(), at - NIB, top + 1, at + NIB, top + 1);
        } else {
            nib.getPoints().setAll(at, cell.getMinY(), at - NIB, top + high - 1, at + NIB, top + high - 1);
        }
        slip = paper;
        anchor = pinnedTo;
    }

    /** Folds the slip, and puts the keys where they were. */
    void close() {
        Node back = anchor;
        boolean was = slip != null;
        slip = null;
        anchor = null;
        getChildren().clear();
        if (was && back != null) {
            back.requestFocus();
        }
    }

    @Override
    protected void layoutChildren() {
        // The slip lies where it was pinned.
    }
}
