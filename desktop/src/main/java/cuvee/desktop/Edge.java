package cuvee.desktop;

import javafx.geometry.HPos;
import javafx.scene.Cursor;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/** The edge of a side panel, by which it is made wider or narrower. */
final class Edge {
    /** The least and the most that a side panel takes. */
    private static final double LEAST = 320;

    private static final double MOST = 640;
    /** What is left to the grid beside it, however small the window. */
    private static final double LEFT_TO_OTHERS = 440;

    private static final double REACH = 5;
    private final Region panel;
    private final HPos side;
    private double pressedAt = Double.NaN;
    private double before;

    private Edge(Region panel, HPos side) {
        this.panel = panel;
        this.side = side;
    }

    /**
     * Gives a panel its width and lets it be dragged wider and narrower.
     *
     * @param side the edge that is dragged, the one towards the grid
     */
    static void of(Region panel, HPos side, double width) {
        setWidth(panel, width);
        Edge edge = new Edge(panel, side);
        panel.addEventFilter(MouseEvent.MOUSE_MOVED, e -> panel.setCursor(edge.isAt(e) ? Cursor.H_RESIZE : null));
        panel.addEventFilter(MouseEvent.MOUSE_PRESSED, edge::pressed);
        panel.addEventFilter(MouseEvent.MOUSE_DRAGGED, edge::dragged);
        panel.addEventFilter(MouseEvent.MOUSE_RELEASED, edge::released);
    }

    private static void setWidth(Region panel, double width) {
        panel.setMinWidth(width);
        panel.setPrefWidth(width);
        panel.setMaxWidth(width);
    }

    /** A panel that has as much width as it likes lies below, and its edge is none. */
    private boolean isAt(MouseEvent e) {
        double x = panel.sceneToLocal(e.getSceneX(), e.getSceneY()).getX();
        double from = side == HPos.LEFT ? x : panel.getWidth() - x;
        return panel.getMaxWidth() < Double.MAX_VALUE && from <= REACH;
    }

    private void pressed(MouseEvent e) {
        if (isAt(e)) {
            pressedAt = e.getSceneX();
            before = panel.getWidth();
            e.consume();
        }
    }

    private void dragged(MouseEvent e) {
        if (!Double.isNaN(pressedAt)) {
            double by = side == HPos.LEFT ? pressedAt - e.getSceneX() : e.getSceneX() - pressedAt;
            double most = Math.min(MOST, panel.getScene().getWidth() - LEFT_TO_OTHERS);
            setWidth(panel, Math.max(LEAST, Math.min(most, before + by)));
            e.consume();
        }
    }

    private void released(MouseEvent e) {
        if (!Double.isNaN(pressedAt)) {
            pressedAt = Double.NaN;
            e.consume();
        }
    }
}
