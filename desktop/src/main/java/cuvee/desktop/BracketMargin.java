package cuvee.desktop;

import cuvee.model.GridModel;
import cuvee.place.Says;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/**
 * The margin beside a sheet in which a bracket for each stretch of rows says what they were taken for. The border between
 * two brackets can be dragged.
 */
final class BracketMargin {
    static final double WIDTH = 112;
    private static final double LINE = WIDTH - 12;
    private static final double TICK = 6;
    private static final double REACH = 6;
    private static final long LEAST_COUNTED = 2;
    private static final long MOST_COUNTED = 10_000;
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

    void draw(GraphicsContext g, GridModel shown, Palette colours, GridGeometry at) {
        g.setFill(colours.paper());
        g.fillRect(0, at.head(), WIDTH, at.bottom() - at.head());
        double y = at.head();
        for (long row = at.first(); row < shown.rows() && y < at.bottom(); row++) {
            String word = word(shown, row);
            if (!word.isEmpty()) {
                bracket(g, shown, colours, row, row == at.first(), y, word);
            }
            y += GridGeometry.height(shown, row);
        }
        if (border >= 0) {
            double line = at.top(shown, target);
            g.setStroke(colours.wine());
            g.setLineWidth(2);
            g.strokeLine(0, line, at.width(), line);
        }
    }

    private void bracket(
            GraphicsContext g, GridModel shown, Palette colours, long row, boolean top, double y, String word) {
        boolean begins = !word.equals(word(shown, row - 1));
        boolean ends = !word.equals(word(shown, row + 1));
        boolean chief = word.equals("records") || word.equals("fields") || word.equals("header");
        g.setStroke(chief ? colours.wine() : colours.edge());
        g.setLineWidth(2);
        double from = begins ? y + 4 : y;
        double to = ends ? y + GridGeometry.ROW - 4 : y + GridGeometry.ROW;
        g.strokeLine(LINE, from, LINE, to);
        if (begins) {
            g.strokeLine(LINE, from, LINE + TICK, from);
        }
        if (ends) {
            g.strokeLine(LINE, to, LINE + TICK, to);
        }
        if (begins || top) {
            long count = stretch(shown, row, word);
            g.setFont(chief ? Fonts.BOLD_SMALL : Fonts.SMALL);
            g.setFill(chief ? colours.wine() : colours.second());
            g.setTextAlign(TextAlignment.RIGHT);
            g.fillText(
                    count < LEAST_COUNTED ? word : word + " " + Says.number(count), LINE - 6, y + GridGeometry.ROW / 2);
        }
    }

    /** How many rows in a row are the same; counted only as far as a person would. */
    private static long stretch(GridModel shown, long row, String word) {
        long from = row;
        while (from > 0 && row - from < MOST_COUNTED && word(shown, from - 1).equals(word)) {
            from--;
        }
        long count = 0;
        for (long at = from;
                at < shown.rows() && at - row < MOST_COUNTED && word(shown, at).equals(word);
                at++) {
            count += shown.standsFor(at);
        }
        return count;
    }

    private static String word(GridModel shown, long row) {
        return row < 0 || row >= shown.rows() ? "" : shown.bracket(row).orElse("");
    }

    /** The row above which the border under the mouse lies; -1 where there is none. */
    long borderAt(MouseEvent e, @Nullable GridModel shown, GridGeometry at) {
        if (shown == null || e.getX() > WIDTH || e.getY() <= at.head()) {
            return -1;
        }
        double steps = (e.getY() - at.head()) / GridGeometry.ROW;
        long row = at.first() + Math.round(steps);
        boolean near = Math.abs(steps - Math.round(steps)) * GridGeometry.ROW <= REACH;
        return near && row > 0 && row < shown.rows() && !word(shown, row).equals(word(shown, row - 1)) ? row : -1;
    }

    boolean pressed(MouseEvent e, @Nullable GridModel shown, GridGeometry at) {
        border = borderAt(e, shown, at);
        target = border;
        return border >= 0;
    }

    /** True while a border is being dragged. */
    boolean dragged(MouseEvent e, @Nullable GridModel shown, GridGeometry at) {
        if (border < 0 || shown == null) {
            return false;
        }
        long row = at.first() + Math.round((e.getY() - at.head()) / GridGeometry.ROW);
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
