package cuvee.desktop;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/** A cell or a column head of a grid that the mouse carries to another column. */
final class Carrying {
    private static final double LEAST = 8;

    /** Told when something was put on another column; the row is -1 for a column's head. */
    interface Dropped {
        void dropped(long row, int from, int to);
    }

    private @Nullable Dropped listener;
    private long row = -1;
    private int from = -1;
    private int over = -1;
    private double startX;
    private double x;
    private double y;

    void setListener(Dropped told) {
        listener = told;
    }

    boolean isWanted() {
        return listener != null;
    }

    void pressed(long atRow, int column, double atX) {
        row = atRow;
        from = column;
        over = -1;
        startX = atX;
    }

    /** Follows the mouse; true while something is carried. */
    boolean dragged(int column, double atX, double atY) {
        if (listener == null || from < 0 || over < 0 && Math.abs(atX - startX) < LEAST) {
            return false;
        }
        over = column;
        x = atX;
        y = atY;
        return true;
    }

    /** Puts down what is carried on the column that is under the mouse now, however quickly it came there. */
    void released(int column) {
        Dropped told = listener;
        if (told != null && from >= 0 && over >= 0 && column >= 0 && column != from) {
            told.dropped(row, from, column);
        }
        from = -1;
        over = -1;
    }

    /** Draws what is carried and the column that it would be put on. */
    void draw(GraphicsContext g, Palette colours, String text, double left, double width, double height) {
        if (over < 0 || over == from) {
            return;
        }
        g.setStroke(colours.wine());
        g.setLineWidth(2);
        g.strokeRect(left + 1, 1, width - 2, height - 2);
        g.setFill(colours.wineWash());
        g.fillRoundRect(x + 10, y - 13, Math.min(220, Fonts.width(text, Fonts.TEXT) + 20), 26, 4, 4);
        g.setStroke(colours.wine());
        g.setLineWidth(1);
        g.strokeRoundRect(x + 10, y - 13, Math.min(220, Fonts.width(text, Fonts.TEXT) + 20), 26, 4, 4);
        g.setFont(Fonts.TEXT);
        g.setFill(colours.ink());
        g.setTextAlign(TextAlignment.LEFT);
        g.fillText(text, x + 20, y, 200);
    }

    int over() {
        return over;
    }

    long row() {
        return row;
    }

    int from() {
        return from;
    }
}
