package cuvee.desktop;

import cuvee.model.GridModel;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/**
 * The margin beside a sheet in which a bracket for each stretch of rows says what they were taken for. The border between
 * two brackets can be dragged.
 */
final class BracketMargin {
    static final double WIDTH = 88;
    private static final double LINE = WIDTH - 12;
    private static final double TICK = 5;
    private static final double REACH = 6;
    private final Font small = Font.font(Fonts.FAMILY, 11.5);
    private final Font bold = Font.font(Fonts.SEMI_BOLD, 11.5);
    private Moved onMoved = (border, target) -> {};
    private long border = -1;
    private long target = -1;

    /** Hears that the border above a row was dragged so that it now stands above another. */
    interface Moved {
        void moved(long border, long target);
    }

    void setOnMoved(Moved listener) {
        onMoved = listener;
    }

    void draw(GraphicsContext g, GridModel shown, Palette colours, long first, int visible, double head) {
        g.setFill(colours.paper());
        g.fillRect(0, head, WIDTH, visible * GridView.ROW);
        for (int i = 0; i < visible && first + i < shown.rows(); i++) {
            String word = word(shown, first + i);
            if (!word.isEmpty()) {
                bracket(g, shown, colours, first + i, i == 0, head + i * GridView.ROW, word);
            }
        }
        if (border >= 0) {
            double y = head + (target - first) * GridView.ROW;
            g.setStroke(colours.accent());
            g.setLineWidth(2);
            g.strokeLine(0, y, g.getCanvas().getWidth(), y);
        }
    }

    private void bracket(
            GraphicsContext g, GridModel shown, Palette colours, long row, boolean top, double y, String word) {
        boolean begins = !word.equals(word(shown, row - 1));
        boolean ends = !word.equals(word(shown, row + 1));
        boolean chief = word.equals("records") || word.equals("header");
        g.setStroke(chief ? colours.accent() : colours.quiet());
        g.setLineWidth(chief ? 2 : 1);
        double from = begins ? y + 4 : y;
        double to = ends ? y + GridView.ROW - 4 : y + GridView.ROW;
        g.strokeLine(LINE, from, LINE, to);
        if (begins) {
            g.strokeLine(LINE, from, LINE + TICK, from);
        }
        if (ends) {
            g.strokeLine(LINE, to, LINE + TICK, to);
        }
        if (begins || top) {
            g.setFont(chief ? bold : small);
            g.setFill(chief ? colours.accent() : colours.quiet());
            g.setTextAlign(TextAlignment.RIGHT);
            g.fillText(word, LINE - 6, y + GridView.ROW / 2);
        }
    }

    private static String word(GridModel shown, long row) {
        return row < 0 || row >= shown.rows() ? "" : shown.bracket(row).orElse("");
    }

    /** The row above which the border under the mouse lies; -1 where there is none. */
    long borderAt(MouseEvent e, @Nullable GridModel shown, long first, double head) {
        if (shown == null || e.getX() > WIDTH || e.getY() <= head) {
            return -1;
        }
        double at = (e.getY() - head) / GridView.ROW;
        long row = first + Math.round(at);
        boolean near = Math.abs(at - Math.round(at)) * GridView.ROW <= REACH;
        return near && row > 0 && row < shown.rows() && !word(shown, row).equals(word(shown, row - 1)) ? row : -1;
    }

    boolean pressed(MouseEvent e, @Nullable GridModel shown, long first, double head) {
        border = borderAt(e, shown, first, head);
        target = border;
        return border >= 0;
    }

    /** True while a border is being dragged. */
    boolean dragged(MouseEvent e, @Nullable GridModel shown, long first, double head) {
        if (border < 0 || shown == null) {
            return false;
        }
        long row = first + Math.round((e.getY() - head) / GridView.ROW);
        target = Math.max(0, Math.min(row, shown.rows()));
        return true;
    }

    void released() {
        long from = border;
        long to = target;
        border = -1;
        target = -1;
        if (from >= 0 && to != from) {
            onMoved.moved(from, to);
        }
    }
}
