package cuvee.desktop;

import cuvee.model.GridModel;
import java.util.Arrays;
import java.util.function.IntToDoubleFunction;

/**
 * Where the rows and columns of a grid lie on its canvas. Rows are counted in whole rows from the first visible one, so
 * that nothing depends on how many there are; columns that are pinned stay before those that are scrolled.
 */
final class GridGeometry {
    static final double ROW = 26;
    static final double TALL = 44;
    private static final double LEAST_WIDTH = 40;
    /** So much wider than its model wants does no column become by itself. */
    private static final double MOST_MORE = 320;

    private double[] widths = new double[0];
    private boolean[] byHand = new boolean[0];
    private double[] lefts = new double[1];
    private int pinned;
    private double width;
    private double height;
    private double labels;
    private double head;
    private double foot;
    private double scroll;
    private long first;

    void setColumns(GridModel model, boolean keepWidths) {
        pinned = Math.min(model.pinned(), model.columns());
        if (!keepWidths || widths.length != model.columns()) {
            widths = new double[model.columns()];
            byHand = new boolean[model.columns()];
            for (int i = 0; i < widths.length; i++) {
                widths[i] = model.width(i);
            }
        }
        measure();
    }

    /** The room there is: the canvas, and what of it the row labels, the head and the foot take. */
    void setRoom(double newWidth, double newHeight, double labelWidth, double headHeight, double footHeight) {
        width = newWidth;
        height = newHeight;
        labels = labelWidth;
        head = headHeight;
        foot = footHeight;
    }

    void setScroll(double across, long firstRow) {
        scroll = across;
        first = firstRow;
    }

    private void measure() {
        lefts = new double[widths.length + 1];
        for (int i = 0; i < widths.length; i++) {
            lefts[i + 1] = lefts[i] + widths[i];
        }
    }

    /**
     * Room that is left goes to columns whose texts are cut, then to the last one, unless that holds numbers, which belong
     * beside the others. Widths that somebody has set stay.
     *
     * @param needed how wide a column has to be for all its texts
     */
    void stretch(GridModel model, IntToDoubleFunction needed) {
        int last = widths.length - 1;
        if (last < 0 || model.columns() != widths.length) {
            return;
        }
        for (int i = 0; i <= last; i++) {
            widths[i] = byHand[i] ? widths[i] : model.width(i);
        }
        double spare = body() - Arrays.stream(widths).sum();
        if (spare > 0) {
            double[] more = new double[widths.length];
            for (int i = 0; i < last; i++) {
                boolean set = byHand[i] || model.isWidthSet(i);
                more[i] = set ? 0 : Math.max(0, Math.min(MOST_MORE, needed.applyAsDouble(i) - widths[i]));
            }
            double share = Math.min(1, spare / Math.max(1, Arrays.stream(more).sum()));
            for (int i = 0; i < last; i++) {
                widths[i] += Math.floor(more[i] * share);
            }
        }
        measure();
        if (!byHand[last] && !model.numeric(last)) {
            widths[last] = Math.max(widths[last], body() - lefts[last]);
            measure();
        }
    }

    void widen(int column, double by) {
        setWidth(column, widths[column] + by);
    }

    void setWidth(int column, double wanted) {
        widths[column] = Math.max(LEAST_WIDTH, wanted);
        byHand[column] = true;
        measure();
    }

    int columns() {
        return widths.length;
    }

    int pinned() {
        return pinned;
    }

    double head() {
        return head;
    }

    double labels() {
        return labels;
    }

    double width() {
        return width;
    }

    double height() {
        return height;
    }

    /** Where the rows end and the last line begins. */
    double bottom() {
        return height - foot;
    }

    double body() {
        return Math.max(0, width - labels);
    }

    double width(int column) {
        return widths[column];
    }

    /** Where a column begins on the canvas; a scrolled one may begin under the pinned ones. */
    double left(int column) {
        return labels + lefts[column] - (column < pinned ? 0 : scroll);
    }

    /** Where the pinned columns end, and those that are scrolled begin to be seen. */
    double pinnedEnd() {
        return labels + lefts[pinned];
    }

    /** How far the columns can be scrolled. */
    double mostScroll() {
        return Math.max(0, lefts[widths.length] - body());
    }

    /** The share of the columns that is seen at once. */
    double shareSeen() {
        double moving = lefts[widths.length] - lefts[pinned];
        return moving <= 0 ? 1 : Math.min(1, (body() - lefts[pinned]) / moving);
    }

    /** The scroll at which a column is seen as a whole. */
    double revealing(int column) {
        if (column < pinned) {
            return scroll;
        }
        double before = lefts[column] - lefts[pinned];
        if (before < scroll) {
            return before;
        }
        double room = body();
        return lefts[column + 1] - scroll > room ? Math.min(lefts[column + 1] - room, before) : scroll;
    }

    /** The first scrolled column of which anything is seen. */
    int firstScrolled() {
        int column = pinned;
        while (column < widths.length - 1 && left(column + 1) <= pinnedEnd()) {
            column++;
        }
        return column;
    }

    /** True where some of a column lies beyond the right edge. */
    boolean isBeyond(int column) {
        return left(column) + widths[column] > width + 1;
    }

    int columnAt(double x) {
        for (int column = 0; column < pinned; column++) {
            if (x < left(column + 1 < pinned ? column + 1 : column) + (column + 1 < pinned ? 0 : widths[column])) {
                return column;
            }
        }
        for (int column = pinned; column < widths.length; column++) {
            if (x < left(column) + widths[column]) {
                return column;
            }
        }
        return widths.length - 1;
    }

    /** The column whose right border is near; below zero where none is. */
    int borderAt(double x) {
        for (int column = 0; column < widths.length; column++) {
            double border = left(column) + widths[column];
            boolean seen = column < pinned || border > pinnedEnd();
            if (seen && Math.abs(x - border) < 4) {
                return column;
            }
        }
        return -1;
    }

    // ---- rows ----

    long first() {
        return first;
    }

    static double height(GridModel model, long row) {
        return model.isTall(row) ? TALL : ROW;
    }

    /** The row under a height; it may lie behind the last one. */
    long rowAt(GridModel model, double y) {
        double at = head;
        long row = first;
        while (row < model.rows() && at + height(model, row) <= y) {
            at += height(model, row);
            row++;
        }
        return row < model.rows() ? row : row + (long) Math.floor((y - at) / ROW);
    }

    /** Where a row that is not above the first visible one begins. */
    double top(GridModel model, long row) {
        double at = head;
        for (long before = first; before < row && at < height; before++) {
            at += height(model, before);
        }
        return at;
    }

    /** How many rows, from one downwards, are seen as a whole; at least one. */
    long wholeFrom(GridModel model, long row) {
        double room = bottom() - head;
        long count = 0;
        while (row + count < model.rows() && room >= height(model, row + count)) {
            room -= height(model, row + count);
            count++;
        }
        return Math.max(1, count);
    }

    /** The first visible row at which a row is the last that is seen as a whole. */
    long firstEndingAt(GridModel model, long row) {
        double room = bottom() - head;
        long at = row + 1;
        while (at > 0 && room >= height(model, at - 1)) {
            room -= height(model, at - 1);
            at--;
        }
        return Math.min(at, Math.max(0, row));
    }
}
