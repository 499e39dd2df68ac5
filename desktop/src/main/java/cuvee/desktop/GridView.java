package cuvee.desktop;

import cuvee.model.GridModel;
import cuvee.model.GridModel.Tone;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/**
 * A grid that draws only what is seen, so that it is as quick at the end of eight million rows as at the start. Rows are
 * counted in whole rows, not pixels, since a scroll bar over pixels would lose its grip at that size. Selection is one
 * cell with an optional range; everything works by keys.
 */
final class GridView extends Region {
    static final double ROW = 26;
    private static final double PAD = 8;
    private static final long MOST_COPIED = 100_000;
    private static final double LEAST_WIDTH = 40;
    private final Canvas canvas = new Canvas();
    private final ScrollBar down = new ScrollBar();
    private final ScrollBar across = new ScrollBar();
    private final ObjectProperty<Palette> palette = new SimpleObjectProperty<>(Palette.LIGHT);
    private final Font font = Font.font(Fonts.FAMILY, 13);
    private final Font small = Font.font(Fonts.FAMILY, 11.5);
    private final Font bold = Font.font(Fonts.SEMI_BOLD, 13);
    private @Nullable GridModel model;
    private double[] widths = new double[0];
    private double[] lefts = new double[1];
    private long row;
    private int column;
    private long anchorRow;
    private int anchorColumn;
    private final BracketMargin brackets = new BracketMargin();
    private final Carrying carrying = new Carrying();
    private final Tooltip hint = new Tooltip();
    private int resizing = -1;
    private double resizeFrom;
    private String emptyWords = "";
    private BiConsumer<Long, Integer> onSelect = (r, c) -> {};
    private BiConsumer<Long, Integer> onOpen = (r, c) -> {};

    GridView(String id) {
        setId(id);
        getStyleClass().add("grid-view");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        setAccessibleRoleDescription("table");
        down.setOrientation(Orientation.VERTICAL);
        down.setFocusTraversable(false);
        across.setFocusTraversable(false);
        getChildren().addAll(canvas, down, across);
        down.valueProperty().addListener((o, a, b) -> draw());
        across.valueProperty().addListener((o, a, b) -> draw());
        palette.addListener((o, a, b) -> draw());
        focusedProperty().addListener((o, a, b) -> draw());
        addEventHandler(ScrollEvent.SCROLL, this::scrolled);
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            resizing = -1;
            brackets.released();
            carrying.released();
            draw();
        });
        addEventHandler(MouseEvent.MOUSE_MOVED, this::moved);
        addEventHandler(MouseEvent.MOUSE_MOVED, this::hint);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    ObjectProperty<Palette> paletteProperty() {
        return palette;
    }

    /** Said where there are no rows. */
    void setEmptyWords(String words) {
        emptyWords = words;
        draw();
    }

    void setOnSelect(BiConsumer<Long, Integer> listener) {
        onSelect = listener;
    }

    /** Lets the mouse carry cells and column heads to other columns, instead of selecting several cells. */
    void setOnCarried(Carrying.Dropped listener) {
        carrying.setListener(listener);
    }

    /** Called for Enter or a double click on a cell. */
    void setOnOpen(BiConsumer<Long, Integer> listener) {
        onOpen = listener;
    }

    /** True where columns that were made wider or narrower by hand can stay so. */
    private static boolean sameColumns(GridModel one, GridModel other) {
        return one.columns() == other.columns()
                && IntStream.range(0, one.columns())
                        .allMatch(column -> one.title(column).equals(other.title(column)));
    }

    /** Shows another model; the selection stays where it was as far as there are such cells. */
    void setModel(GridModel newModel) {
        boolean sameColumns = model != null && sameColumns(model, newModel);
        model = newModel;
        newModel.onArrival(() -> {
            draw();
            onSelect.accept(row, column);
        });
        if (!sameColumns) {
            widths = new double[newModel.columns()];
            for (int i = 0; i < widths.length; i++) {
                widths[i] = newModel.width(i);
            }
            column = 0;
            anchorColumn = 0;
        }
        row = Math.max(0, Math.min(row, newModel.rows() - 1));
        anchorRow = Math.min(anchorRow, Math.max(0, newModel.rows() - 1));
        measure();
        requestLayout();
        draw();
        onSelect.accept(row, column);
    }

    @Nullable
    GridModel model() {
        return model;
    }

    long selectedRow() {
        return row;
    }

    int selectedColumn() {
        return column;
    }

    long firstVisibleRow() {
        return Math.round(down.getValue());
    }

    /** Goes to a cell and brings it into view. */
    void select(long newRow, int newColumn) {
        move(newRow, newColumn, false);
    }

    /** The last column takes what room is left. */
    private void stretch() {
        GridModel shown = model;
        if (shown != null && widths.length > 0 && shown.columns() == widths.length) {
            int last = widths.length - 1;
            double others = lefts[last];
            widths[last] = Math.max(shown.width(last), bodyWidth() - others);
            measure();
        }
    }

    private void measure() {
        lefts = new double[widths.length + 1];
        for (int i = 0; i < widths.length; i++) {
            lefts[i + 1] = lefts[i] + widths[i];
        }
    }

    private double labelWidth() {
        GridModel shown = model;
        if (shown == null || shown.rows() == 0) {
            return 0;
        }
        String widest = shown.rowLabel(shown.rows() - 1);
        return marginWidth() + (widest.isEmpty() ? 0 : Math.max(44, widest.length() * 7.6 + 20));
    }

    private double marginWidth() {
        GridModel shown = model;
        return shown != null && shown.rows() > 0 && shown.bracket(0).isPresent() ? BracketMargin.WIDTH : 0;
    }

    /** Called when the border between two brackets has been dragged. */
    void setOnBracket(BracketMargin.Moved listener) {
        brackets.setOnMoved(listener);
    }

    /** The first and the last selected column. */
    int[] selectedColumns() {
        return new int[] {Math.min(column, anchorColumn), Math.max(column, anchorColumn)};
    }

    /** The first and the last selected row. */
    long[] selectedRows() {
        return new long[] {Math.min(row, anchorRow), Math.max(row, anchorRow)};
    }

    private double headHeight() {
        GridModel shown = model;
        if (shown == null) {
            return ROW;
        }
        for (int i = 0; i < shown.columns(); i++) {
            if (!shown.subtitle(i).isEmpty()) {
                return 44;
            }
        }
        return 30;
    }

    private double bodyWidth() {
        return Math.max(0, getWidth() - down.prefWidth(-1) - labelWidth());
    }

    private int wholeRows() {
        double height = getHeight() - headHeight() - across.prefHeight(-1);
        return (int) Math.max(1, Math.floor(height / ROW));
    }

    @Override
    protected void layoutChildren() {
        double barWidth = down.prefWidth(-1);
        double barHeight = across.prefHeight(-1);
        canvas.setWidth(Math.max(1, getWidth() - barWidth));
        canvas.setHeight(Math.max(1, getHeight() - barHeight));
        down.resizeRelocate(
                getWidth() - barWidth, headHeight(), barWidth, Math.max(0, getHeight() - barHeight - headHeight()));
        across.resizeRelocate(labelWidth(), getHeight() - barHeight, bodyWidth(), barHeight);
        stretch();
        long rows = model == null ? 0 : model.rows();
        double most = Math.max(0, rows - wholeRows());
        down.setMax(most);
        down.setVisibleAmount(most == 0 ? 1 : Math.max(most / 20, Math.min(most, wholeRows())));
        down.setVisible(most > 0);
        down.setValue(Math.min(down.getValue(), most));
        double wide = Math.max(0, lefts[widths.length] - bodyWidth());
        across.setMax(wide);
        across.setVisibleAmount(wide == 0 ? 1 : wide * bodyWidth() / Math.max(1, lefts[widths.length]));
        across.setVisible(wide > 0);
        across.setValue(Math.min(across.getValue(), wide));
        draw();
    }

    // ---- drawing ----

    private void draw() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        Palette colours = palette.get();
        double width = canvas.getWidth();
        double height = canvas.getHeight();
        g.setFill(colours.surface());
        g.fillRect(0, 0, width, height);
        GridModel shown = model;
        if (shown == null || shown.rows() == 0) {
            g.setFont(font);
            g.setFill(colours.quiet());
            g.setTextAlign(TextAlignment.CENTER);
            g.setTextBaseline(VPos.CENTER);
            g.fillText(emptyWords, width / 2, height / 2, width - 40);
            return;
        }
        g.setTextBaseline(VPos.CENTER);
        long first = firstVisibleRow();
        int visible = wholeRows() + 1;
        for (int i = 0; i < visible && first + i < shown.rows(); i++) {
            drawRow(g, shown, colours, first + i, headHeight() + i * ROW);
        }
        if (marginWidth() > 0) {
            brackets.draw(g, shown, colours, first, visible, headHeight());
        }
        drawHead(g, shown, colours);
        drawSelection(g, shown, colours, first);
        int over = carrying.over();
        if (over >= 0) {
            int from = carrying.from();
            String text = carrying.row() < 0
                    ? shown.title(from)
                    : Objects.requireNonNullElse(shown.text(carrying.row(), from), "");
            double left = labelWidth() + lefts[over] - across.getValue();
            carrying.draw(g, colours, text, left, lefts[over + 1] - lefts[over], canvas.getHeight());
        }
    }

    private void drawRow(GraphicsContext g, GridModel shown, Palette colours, long at, double y) {
        double labels = labelWidth();
        Tone first = shown.columns() > 0 ? shown.tone(at, 0) : Tone.PLAIN;
        boolean heading = first == Tone.HEADING || first == Tone.HEADER;
        if (heading) {
            g.setFill(colours.heading());
            g.fillRect(0, y, canvas.getWidth(), ROW);
        }
        for (int c = firstColumn(); c < widths.length; c++) {
            double x = labels + lefts[c] - across.getValue();
            if (x > canvas.getWidth()) {
                break;
            }
            if (inRange(at, c)) {
                g.setFill(colours.selection());
                g.fillRect(x, y, widths[c], ROW);
            }
            drawCell(g, shown, colours, at, c, x, y);
        }
        if (labels > 0) {
            drawLabel(g, shown, colours, at, y, labels);
        }
        g.setStroke(colours.line());
        g.setLineWidth(1);
        g.strokeLine(0, y + ROW - 0.5, canvas.getWidth(), y + ROW - 0.5);
    }

    private void drawLabel(GraphicsContext g, GridModel shown, Palette colours, long at, double y, double labels) {
        g.setFill(colours.paper());
        g.fillRect(0, y, labels, ROW);
        g.setFont(small);
        g.setFill(colours.quiet());
        g.setTextAlign(TextAlignment.RIGHT);
        g.fillText(shown.rowLabel(at), labels - PAD, y + ROW / 2);
        g.setStroke(colours.line());
        g.setLineWidth(1);
        g.strokeLine(labels - 0.5, y, labels - 0.5, y + ROW);
    }

    private int firstColumn() {
        int first = 0;
        while (first < widths.length - 1 && lefts[first + 1] <= across.getValue()) {
            first++;
        }
        return first;
    }

    private void drawCell(GraphicsContext g, GridModel shown, Palette colours, long at, int c, double x, double y) {
        String text = shown.text(at, c);
        Tone tone = shown.tone(at, c);
        double inside = widths[c] - 2 * PAD;
        if (text == null) {
            g.setFill(colours.hatch());
            g.fillRect(x + PAD, y + ROW / 2 - 3, Math.min(inside, 60), 6);
            return;
        }
        if (tone == Tone.ABSENT) {
            hatch(g, colours, x, y, widths[c]);
            return;
        }
        if (text.isEmpty()) {
            return;
        }
        g.setFont(tone == Tone.HEADING || tone == Tone.HEADER || tone == Tone.MARKED ? bold : font);
        g.setFill(inkOf(tone, colours));
        boolean right = shown.numeric(c);
        g.setTextAlign(right ? TextAlignment.RIGHT : TextAlignment.LEFT);
        double room = tone == Tone.HEADING ? canvas.getWidth() - x - PAD : roomOf(shown, at, c, x) - 2 * PAD;
        String fitting = Fonts.fitting(text, g.getFont(), room);
        g.fillText(fitting, right ? x + widths[c] - PAD : x + PAD, y + ROW / 2);
    }

    /** The width a cell's text may take: on a sheet it runs on over blank neighbours. */
    private double roomOf(GridModel shown, long at, int c, double x) {
        double room = widths[c];
        if (shown.bracket(at).isPresent()) {
            for (int next = c + 1;
                    next < widths.length && x + room < canvas.getWidth() && "".equals(shown.text(at, next));
                    next++) {
                room += widths[next];
            }
        }
        return room;
    }

    private static Color inkOf(Tone tone, Palette colours) {
        return switch (tone) {
            case QUIET -> colours.quiet();
            case MARKED -> colours.marked();
            default -> colours.ink();
        };
    }

    private static void hatch(GraphicsContext g, Palette colours, double x, double y, double width) {
        g.save();
        g.beginPath();
        g.rect(x, y, width, ROW);
        g.clip();
        g.setStroke(colours.line());
        g.setLineWidth(1);
        for (double from = x - ROW; from < x + width; from += 8) {
            g.strokeLine(from, y + ROW, from + ROW, y);
        }
        g.restore();
    }

    private void drawHead(GraphicsContext g, GridModel shown, Palette colours) {
        double head = headHeight();
        double labels = labelWidth();
        g.setFill(colours.paper());
        g.fillRect(0, 0, canvas.getWidth(), head);
        for (int c = firstColumn(); c < widths.length; c++) {
            double x = labels + lefts[c] - across.getValue();
            if (x > canvas.getWidth()) {
                break;
            }
            boolean right = shown.numeric(c);
            boolean two = head > 40;
            double inside = widths[c] - 2 * PAD;
            g.setTextAlign(right ? TextAlignment.RIGHT : TextAlignment.LEFT);
            double tx = right ? x + widths[c] - PAD : x + PAD;
            g.setFont(bold);
            g.setFill(colours.ink());
            g.fillText(Fonts.fitting(shown.title(c), bold, inside), tx, two ? 14 : head / 2);
            if (two) {
                g.setFont(small);
                g.setFill(colours.quiet());
                g.fillText(Fonts.fitting(shown.subtitle(c), small, inside), tx, 31);
            }
            g.setStroke(colours.line());
            g.strokeLine(x + widths[c] - 0.5, 6, x + widths[c] - 0.5, head - 6);
        }
        g.setFill(colours.paper());
        g.fillRect(0, 0, labels, head);
        g.setStroke(colours.line());
        g.setLineWidth(1);
        g.strokeLine(0, head - 0.5, canvas.getWidth(), head - 0.5);
    }

    private void drawSelection(GraphicsContext g, GridModel shown, Palette colours, long first) {
        if (!isFocused() || row < first || widths.length == 0 || row >= shown.rows()) {
            return;
        }
        double y = headHeight() + (row - first) * ROW;
        double x = labelWidth() + lefts[column] - across.getValue();
        if (y + ROW > canvas.getHeight() + ROW || x + widths[column] < labelWidth()) {
            return;
        }
        g.save();
        g.beginPath();
        g.rect(labelWidth(), headHeight(), canvas.getWidth(), canvas.getHeight());
        g.clip();
        g.setStroke(colours.accent());
        g.setLineWidth(2);
        g.strokeRect(x + 1, y + 1, widths[column] - 2, ROW - 3);
        g.restore();
    }

    private boolean inRange(long r, int c) {
        return r >= Math.min(row, anchorRow)
                && r <= Math.max(row, anchorRow)
                && c >= Math.min(column, anchorColumn)
                && c <= Math.max(column, anchorColumn);
    }

    // ---- hands ----

    private void scrolled(ScrollEvent e) {
        if (e.isShiftDown() || Math.abs(e.getDeltaX()) > Math.abs(e.getDeltaY())) {
            double by = e.getDeltaX() == 0 ? e.getDeltaY() : e.getDeltaX();
            across.setValue(clamp(across.getValue() - by, across.getMax()));
        } else {
            double lines = e.getDeltaY() > 0 ? -3 : 3;
            down.setValue(clamp(Math.round(down.getValue()) + lines, down.getMax()));
        }
        e.consume();
    }

    private static double clamp(double value, double max) {
        return Math.max(0, Math.min(value, max));
    }

    /** The column whose head is under a place; below zero where none is. */
    int headAt(double x, double y) {
        return y <= headHeight() && x > labelWidth() && widths.length > 0 ? columnAt(x) : -1;
    }

    private int columnAt(double x) {
        double inside = x - labelWidth() + across.getValue();
        for (int c = 0; c < widths.length; c++) {
            if (inside < lefts[c + 1]) {
                return c;
            }
        }
        return widths.length - 1;
    }

    /** The column whose right border in the head is under the mouse; -1 where there is none. */
    private int borderAt(MouseEvent e) {
        if (e.getY() > headHeight()) {
            return -1;
        }
        for (int c = 0; c < widths.length; c++) {
            double border = labelWidth() + lefts[c + 1] - across.getValue();
            if (Math.abs(e.getX() - border) < 4) {
                return c;
            }
        }
        return -1;
    }

    /** Says in passing what more there is to say of the cell under the mouse. */
    private void hint(MouseEvent e) {
        GridModel shown = model;
        long under = shown == null || e.getY() < headHeight()
                ? -1
                : firstVisibleRow() + (long) Math.floor((e.getY() - headHeight()) / ROW);
        int at = columnAt(e.getX());
        String said = shown == null || under < 0 || under >= shown.rows() || at < 0 || at >= shown.columns()
                ? ""
                : shown.hint(under, at);
        if (said.equals(hint.getText())) {
            return;
        }
        hint.setText(said);
        hint.hide();
        if (said.isEmpty()) {
            Tooltip.uninstall(this, hint);
        } else {
            Tooltip.install(this, hint);
        }
    }

    private void moved(MouseEvent e) {
        boolean between = marginWidth() > 0 && brackets.borderAt(e, model, firstVisibleRow(), headHeight()) >= 0;
        setCursor(borderAt(e) >= 0 ? Cursor.H_RESIZE : between ? Cursor.V_RESIZE : Cursor.DEFAULT);
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        if (marginWidth() > 0 && brackets.pressed(e, model, firstVisibleRow(), headHeight())) {
            return;
        }
        resizing = borderAt(e);
        resizeFrom = e.getX();
        GridModel shown = model;
        if (resizing >= 0 || shown == null || shown.rows() == 0 || e.getX() > canvas.getWidth()) {
            return;
        }
        if (carrying.isWanted() && e.getY() <= headHeight()) {
            carrying.pressed(-1, columnAt(e.getX()), e.getX());
        }
        if (e.getY() > headHeight() && e.getY() < canvas.getHeight()) {
            long r = firstVisibleRow() + (long) Math.floor((e.getY() - headHeight()) / ROW);
            if (r < shown.rows()) {
                carrying.pressed(r, columnAt(e.getX()), e.getX());
                move(r, columnAt(e.getX()), e.isShiftDown());
                if (e.getClickCount() == 2) {
                    onOpen.accept(row, column);
                }
            }
        }
    }

    private void dragged(MouseEvent e) {
        GridModel shown = model;
        if (brackets.dragged(e, shown, firstVisibleRow(), headHeight())) {
            draw();
        } else if (resizing >= 0) {
            widths[resizing] = Math.max(LEAST_WIDTH, widths[resizing] + e.getX() - resizeFrom);
            resizeFrom = e.getX();
            measure();
            requestLayout();
            draw();
        } else if (carrying.isWanted()) {
            if (shown != null && carrying.dragged(columnAt(e.getX()), e.getX(), e.getY())) {
                draw();
            }
        } else if (shown != null && shown.rows() > 0 && e.getY() > headHeight()) {
            long r = firstVisibleRow() + (long) Math.floor((e.getY() - headHeight()) / ROW);
            move(Math.min(Math.max(0, r), shown.rows() - 1), columnAt(e.getX()), true);
        }
    }

    private void key(KeyEvent e) {
        GridModel shown = model;
        if (shown == null || shown.rows() == 0 || e.isAltDown()) {
            return;
        }
        boolean ctrl = e.isShortcutDown();
        boolean range = e.isShiftDown();
        long last = shown.rows() - 1;
        int right = widths.length - 1;
        switch (e.getCode()) {
            case UP -> move(ctrl ? 0 : row - 1, column, range);
            case DOWN -> move(ctrl ? last : row + 1, column, range);
            case LEFT -> move(row, ctrl ? 0 : column - 1, range);
            case RIGHT -> move(row, ctrl ? right : column + 1, range);
            case PAGE_UP -> move(row - wholeRows(), column, range);
            case PAGE_DOWN -> move(row + wholeRows(), column, range);
            case HOME -> move(ctrl ? 0 : row, 0, range);
            case END -> move(ctrl ? last : row, right, range);
            case ENTER -> onOpen.accept(row, column);
            case A -> {
                if (!ctrl) {
                    return;
                }
                anchorRow = 0;
                anchorColumn = 0;
                move(last, right, true);
            }
            case C -> {
                if (!ctrl) {
                    return;
                }
                copy(shown);
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void move(long toRow, int toColumn, boolean range) {
        GridModel shown = model;
        if (shown == null || shown.rows() == 0 || widths.length == 0) {
            return;
        }
        row = Math.max(0, Math.min(toRow, shown.rows() - 1));
        column = Math.max(0, Math.min(toColumn, widths.length - 1));
        if (!range) {
            anchorRow = row;
            anchorColumn = column;
        }
        if (getWidth() > 0) {
            reveal();
        }
        draw();
        notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
        onSelect.accept(row, column);
    }

    /** Scrolls so that the selected cell is seen. */
    private void reveal() {
        long first = firstVisibleRow();
        if (row < first) {
            down.setValue((double) row);
        } else if (row >= first + wholeRows()) {
            down.setValue(Math.min(down.getMax(), (double) (row - wholeRows() + 1)));
        }
        if (lefts[column] < across.getValue()) {
            across.setValue(lefts[column]);
        } else if (lefts[column + 1] > across.getValue() + bodyWidth()) {
            across.setValue(Math.min(across.getMax(), lefts[column + 1] - bodyWidth()));
        }
    }

    /** Puts the selected cells on the clipboard, parted by tabs, with the titles where more than one row is selected. */
    private void copy(GridModel shown) {
        long from = Math.min(row, anchorRow);
        long to = Math.min(Math.max(row, anchorRow), from + MOST_COPIED - 1);
        int left = Math.min(column, anchorColumn);
        int right = Math.max(column, anchorColumn);
        List<String> lines = new ArrayList<>();
        if (to > from) {
            List<String> titles = new ArrayList<>();
            for (int c = left; c <= right; c++) {
                titles.add(shown.title(c));
            }
            lines.add(String.join("\t", titles));
        }
        for (long r = from; r <= to; r++) {
            List<String> cells = new ArrayList<>();
            for (int c = left; c <= right; c++) {
                String text = shown.text(r, c);
                cells.add(text == null ? "" : text.replace('\t', ' ').replace('\n', ' '));
            }
            lines.add(String.join("\t", cells));
        }
        ClipboardContent content = new ClipboardContent();
        content.putString(String.join("\n", lines));
        Clipboard.getSystemClipboard().setContent(content);
    }

    @Override
    public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
        GridModel shown = model;
        if (shown == null) {
            return super.queryAccessibleAttribute(attribute, parameters);
        }
        return switch (attribute) {
            case ROW_COUNT -> (int) Math.min(Integer.MAX_VALUE, shown.rows());
            case COLUMN_COUNT -> shown.columns();
            case TEXT ->
                shown.rows() == 0
                        ? emptyWords
                        : shown.title(column) + ", row " + (row + 1) + ": " + shown.text(row, column);
            default -> super.queryAccessibleAttribute(attribute, parameters);
        };
    }
}
