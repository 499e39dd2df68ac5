package cuvee.desktop;

import cuvee.model.GridModel;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.geometry.Dimension2D;
import javafx.geometry.Orientation;
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
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import org.jspecify.annotations.Nullable;

/**
 * A grid that draws only what is seen, so that it is as quick at the end of eight million rows as at the start. Rows are
 * counted in whole rows, not pixels, since a scroll bar over pixels would lose its grip at that size. Selection is one
 * cell with an optional range; everything works by keys.
 */
final class GridView extends Region {
    static final double ROW = GridGeometry.ROW;
    private static final long MOST_COPIED = 100_000;
    private static final int MOST_NAMED = 3;
    private static final int MOST_MEASURED = 200;
    private final Canvas canvas = new Canvas();
    private final ScrollBar down = new ScrollBar();
    private final ScrollBar across = new ScrollBar();
    private final ObjectProperty<Palette> palette = new SimpleObjectProperty<>(Palette.LIGHT);
    private final GridGeometry at = new GridGeometry();
    private final ReadOnlyStringWrapper beyond = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper trail = new ReadOnlyStringWrapper("");
    private @Nullable GridModel model;
    private long row;
    private int column;
    private long anchorRow;
    private int anchorColumn;
    private final BracketMargin brackets = new BracketMargin();
    private final Carrying carrying = new Carrying();
    private final Tooltip hint = new Tooltip();
    private int resizing = -1;
    private double resizeFrom;
    /** The room at the last layout: in less of it the chosen cell is kept in view. */
    private Dimension2D laid = new Dimension2D(0, 0);
    /** How wide each column has to be for its texts, once they are there. */
    private double[] needed = new double[0];

    private int widened = -1;
    private String emptyWords = "";
    private BiConsumer<Long, Integer> onSelect = (r, c) -> {};
    private BiConsumer<Long, Integer> onOpen = (r, c) -> {};
    private BiConsumer<Long, Integer> onMark = (r, c) -> {};
    private BiConsumer<Integer, Double> onWidth = (column, width) -> {};
    private HeadPressed onHead = (column, more) -> {};

    /** Told of a press on the head of a column. */
    interface HeadPressed {
        /** @param more true where Shift is held */
        void pressed(int column, boolean more);
    }

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
            boolean sized = resizing >= 0;
            resizing = -1;
            if (widened >= 0) {
                onWidth.accept(widened, at.width(widened));
                widened = -1;
            }
            brackets.released();
            boolean carried = carrying.over() >= 0;
            carrying.released(e.getX() > at.labels() && e.getX() <= at.width() ? at.columnAt(e.getX()) : -1);
            draw();
            if (!carried && !sized && e.isStillSincePress() && e.getClickCount() == 1) {
                pressedMark(e);
            }
        });
        addEventHandler(MouseEvent.MOUSE_MOVED, this::moved);
        addEventHandler(MouseEvent.MOUSE_MOVED, this::hint);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    ObjectProperty<Palette> paletteProperty() {
        return palette;
    }

    /** Where the selected cell is from, and all of its text. */
    ReadOnlyStringProperty trailProperty() {
        return trail.getReadOnlyProperty();
    }

    private void selected() {
        GridModel shown = model;
        boolean there = shown != null && row >= 0 && row < shown.rows() && column < at.columns();
        trail.set(there && shown != null ? shown.trail(row, column) : "");
        onSelect.accept(row, column);
    }

    /** The columns that lie beyond the right edge, in words; empty where all are seen. */
    ReadOnlyStringProperty beyondProperty() {
        return beyond.getReadOnlyProperty();
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

    /** Called for a press on a mark, in a cell or in the head of its column. */
    void setOnMark(BiConsumer<Long, Integer> listener) {
        onMark = listener;
    }

    /** Called for a press on the head of a column, unless it is on a mark there. */
    void setOnHead(HeadPressed listener) {
        onHead = listener;
    }

    /** Called with a column and its width once that was changed by hand. */
    void setOnWidth(BiConsumer<Integer, Double> listener) {
        onWidth = listener;
    }

    /** Called for Enter or a double click on a cell. */
    void setOnOpen(BiConsumer<Long, Integer> listener) {
        onOpen = listener;
    }

    /** Called when the border between two brackets has been dragged. */
    void setOnBracket(BracketMargin.Moved listener) {
        brackets.setOnMoved(listener);
    }

    /** True where columns that were made wider or narrower by hand can stay so. */
    private static boolean sameColumns(GridModel one, GridModel other) {
        return one.columns() == other.columns()
                && IntStream.range(0, one.columns())
                        .allMatch(column -> one.title(column).equals(other.title(column)));
    }

    /** Gives every column the width that its model wants, whatever it was made since. */
    void forgetWidths() {
        if (model != null) {
            at.setColumns(model, false);
            draw();
        }
    }

    /** Shows another model; the selection stays where it was as far as there are such cells. */
    void setModel(GridModel newModel) {
        boolean sameColumns = model != null && sameColumns(model, newModel);
        model = newModel;
        needed = new double[0];
        newModel.onArrival(() -> {
            if (needed.length == 0) {
                requestLayout();
            }
            draw();
            selected();
        });
        at.setColumns(newModel, sameColumns);
        if (!sameColumns) {
            column = 0;
            anchorColumn = 0;
        }
        row = Math.max(0, Math.min(row, newModel.rows() - 1));
        anchorRow = Math.min(anchorRow, Math.max(0, newModel.rows() - 1));
        requestLayout();
        draw();
        selected();
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

    /** Where a cell is drawn, within this node; empty where it is scrolled out of view. */
    java.util.Optional<Bounds> cell(long ofRow, int ofColumn) {
        GridModel shown = model;
        if (shown == null || ofRow < at.first() || ofRow >= shown.rows() || ofColumn >= at.columns() || ofColumn < 0) {
            return java.util.Optional.empty();
        }
        double top = at.top(shown, ofRow);
        double left = Math.max(at.left(ofColumn), ofColumn < at.pinned() ? 0 : at.pinnedEnd());
        double right = Math.min(at.left(ofColumn) + at.width(ofColumn), at.width());
        return top >= at.bottom() || right <= left
                ? java.util.Optional.empty()
                : java.util.Optional.of(new BoundingBox(left, top, right - left, GridGeometry.height(shown, ofRow)));
    }

    /** The height that head, all rows and a bar below them take, for a grid of plain rows. */
    double headAndRows() {
        GridModel shown = model;
        return shown == null
                ? GridGeometry.ROW
                : headHeight(shown) + shown.rows() * GridGeometry.ROW + across.prefHeight(-1);
    }

    /** The first and the last selected column. */
    int[] selectedColumns() {
        return new int[] {Math.min(column, anchorColumn), Math.max(column, anchorColumn)};
    }

    /** The first and the last selected row. */
    long[] selectedRows() {
        return new long[] {Math.min(row, anchorRow), Math.max(row, anchorRow)};
    }

    // ---- room ----

    private static double labelWidth(GridModel shown) {
        if (shown.rows() == 0) {
            return 0;
        }
        String widest = shown.rowLabel(shown.rows() - 1);
        double margin = hasMargin(shown) ? BracketMargin.WIDTH : 0;
        return margin + (widest.isEmpty() ? 0 : Math.max(44, widest.length() * 7.6 + 20));
    }

    private static boolean hasMargin(@Nullable GridModel shown) {
        return shown != null && shown.rows() > 0 && shown.bracket(0).isPresent();
    }

    private static double headHeight(GridModel shown) {
        return IntStream.range(0, shown.columns())
                        .allMatch(column -> shown.subtitle(column).isEmpty())
                ? 28
                : 44;
    }

    private static double footHeight(GridModel shown) {
        return IntStream.range(0, shown.columns())
                        .allMatch(column -> shown.total(column).isEmpty())
                ? 0
                : 30;
    }

    @Override
    protected void layoutChildren() {
        GridModel shown = model;
        boolean narrowed = (getWidth() < laid.getWidth() || getHeight() < laid.getHeight())
                && cell(row, column).isPresent();
        laid = new Dimension2D(getWidth(), getHeight());
        double barWidth = down.prefWidth(-1);
        double barHeight = across.prefHeight(-1);
        boolean wide = false;
        for (int attempt = 0; attempt < 2; attempt++) {
            double height = Math.max(1, getHeight() - (wide ? barHeight : 0));
            at.setRoom(
                    Math.max(1, getWidth() - barWidth),
                    height,
                    shown == null ? 0 : labelWidth(shown),
                    shown == null ? GridGeometry.ROW : headHeight(shown),
                    shown == null ? 0 : footHeight(shown));
            if (shown != null) {
                at.stretch(shown, ofColumn -> needed(shown, ofColumn));
            }
            wide = at.mostScroll() > 0;
        }
        canvas.setWidth(at.width());
        canvas.setHeight(at.height());
        down.resizeRelocate(getWidth() - barWidth, at.head(), barWidth, Math.max(0, at.height() - at.head()));
        across.resizeRelocate(
                at.pinnedEnd(), getHeight() - barHeight, Math.max(0, at.width() - at.pinnedEnd()), barHeight);
        long rows = shown == null ? 0 : shown.rows();
        double most = shown == null || rows == 0 ? 0 : at.firstEndingAt(shown, rows - 1);
        double seen = shown == null ? 1 : at.wholeFrom(shown, (long) Math.min(down.getValue(), most));
        down.setMax(most);
        down.setVisibleAmount(most == 0 ? 1 : Math.max(most / 20, Math.min(most, seen)));
        down.setVisible(most > 0);
        down.setValue(Math.min(down.getValue(), most));
        across.setMax(at.mostScroll());
        across.setVisibleAmount(wide ? at.mostScroll() * at.shareSeen() : 1);
        across.setVisible(wide);
        across.setValue(Math.min(across.getValue(), at.mostScroll()));
        if (narrowed && shown != null) {
            reveal(shown);
        }
        draw();
    }

    private void draw() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        Palette colours = palette.get();
        GridModel shown = model;
        at.setScroll(across.getValue(), firstVisibleRow());
        if (shown == null || shown.rows() == 0 || !shown.failure().isEmpty()) {
            GridPainter.empty(g, colours, at, wordsInstead(shown));
            beyond.set("");
            return;
        }
        new GridPainter(g, shown, colours, at, this::inRange).paint();
        if (hasMargin(shown)) {
            brackets.draw(g, shown, colours, at);
        }
        drawSelection(g, colours);
        int over = carrying.over();
        if (over >= 0) {
            int from = carrying.from();
            String text = carrying.row() < 0
                    ? shown.title(from)
                    : Objects.requireNonNullElse(shown.text(carrying.row(), from), "");
            carrying.draw(g, colours, text, at.left(over), at.width(over), at.height());
        }
        beyond.set(beyondWords(shown));
    }

    /** What stands where rows would: why they cannot be read, or why there are none. */
    private String wordsInstead(@Nullable GridModel shown) {
        return shown == null || shown.failure().isEmpty() ? emptyWords : shown.failure();
    }

    private String beyondWords(GridModel shown) {
        List<String> names = new ArrayList<>();
        for (int c = at.pinned(); c < at.columns(); c++) {
            if (at.isBeyond(c)) {
                names.add(shown.title(c));
            }
        }
        return names.isEmpty()
                ? ""
                : names.size() + " more: "
                        + String.join(", ", names.subList(0, Math.min(MOST_NAMED, names.size())))
                        + (names.size() > MOST_NAMED ? " …" : "");
    }

    private void drawSelection(GraphicsContext g, Palette colours) {
        if (!isFocused()) {
            return;
        }
        cell(row, column).ifPresent(box -> {
            double high = Math.min(box.getHeight(), at.bottom() - box.getMinY()) - 3;
            g.setStroke(colours.wine());
            g.setLineWidth(2);
            g.strokeRect(box.getMinX() + 1, box.getMinY() + 1, box.getWidth() - 2, Math.max(1, high));
        });
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
        return y <= at.head() && x > at.labels() && at.columns() > 0 ? at.columnAt(x) : -1;
    }

    /** The row under a height; below zero where none is. */
    private long rowAt(double y) {
        GridModel shown = model;
        if (shown == null || y <= at.head() || y >= at.bottom()) {
            return -1;
        }
        long under = at.rowAt(shown, y);
        return under < shown.rows() ? under : -1;
    }

    private int borderAt(MouseEvent e) {
        return e.getY() > at.head() ? -1 : at.borderAt(e.getX());
    }

    /** Says in passing what more there is to say of the cell under the mouse. */
    private void hint(MouseEvent e) {
        GridModel shown = model;
        long under = rowAt(e.getY());
        int over = at.columnAt(e.getX());
        String said = shown == null || under < 0 || over < 0 ? "" : shown.hint(under, over);
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
        boolean between = hasMargin(model) && brackets.borderAt(e, model, at) >= 0;
        setCursor(borderAt(e) >= 0 ? Cursor.H_RESIZE : between ? Cursor.V_RESIZE : Cursor.DEFAULT);
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        if (hasMargin(model) && brackets.pressed(e, model, at)) {
            return;
        }
        resizing = borderAt(e);
        resizeFrom = e.getX();
        GridModel shown = model;
        if (shown == null || shown.rows() == 0 || e.getX() > at.width()) {
            return;
        }
        if (resizing >= 0) {
            if (e.getClickCount() == 2) {
                at.setWidth(resizing, widest(shown, resizing, false));
                widened = resizing;
                requestLayout();
            }
            return;
        }
        if (carrying.isWanted() && e.getY() <= at.head()) {
            carrying.pressed(-1, at.columnAt(e.getX()), e.getX());
        }
        long under = rowAt(e.getY());
        if (under >= 0) {
            carrying.pressed(under, at.columnAt(e.getX()), e.getX());
            move(under, at.columnAt(e.getX()), e.isShiftDown());
            if (e.getClickCount() == 2) {
                onOpen.accept(row, column);
            }
        }
    }

    private void pressedMark(MouseEvent e) {
        GridModel shown = model;
        if (shown == null || shown.rows() == 0 || e.getX() > at.width() || e.getX() <= at.labels()) {
            return;
        }
        int over = at.columnAt(e.getX());
        long under = rowAt(e.getY());
        if (under >= 0 && shown.mark(under, over) != GridModel.Mark.NONE) {
            onMark.accept(under, over);
        } else if (e.getY() <= at.head() && shown.headMark(over) != GridModel.Mark.NONE) {
            onMark.accept(at.first(), over);
        } else if (e.getY() <= at.head() && over >= 0 && e.getButton() == MouseButton.PRIMARY) {
            onHead.pressed(over, e.isShiftDown());
        }
    }

    /** How wide a column has to be for the texts of the first rows; 0 while they are still to come. */
    private double needed(GridModel shown, int ofColumn) {
        if (needed.length != shown.columns()) {
            if (shown.rows() == 0
                    || IntStream.range(0, shown.columns()).allMatch(each -> shown.text(0, each) == null)) {
                return 0;
            }
            needed = IntStream.range(0, shown.columns())
                    .mapToDouble(each -> widest(shown, each, true))
                    .toArray();
        }
        return needed[ofColumn];
    }

    /**
     * How wide a column has to be for all that is seen of it, and some more.
     *
     * @param cutOnly true where texts do not count that go on over blank cells beside them
     */
    private double widest(GridModel shown, int ofColumn, boolean cutOnly) {
        double most = Fonts.width(shown.title(ofColumn), Fonts.BOLD);
        for (long r = at.first(); r < Math.min(shown.rows(), at.first() + MOST_MEASURED); r++) {
            String text = shown.text(r, ofColumn);
            String beside = ofColumn + 1 < shown.columns() ? shown.text(r, ofColumn + 1) : " ";
            if (cutOnly && shown.runsOn(r) && (beside == null || beside.isEmpty())) {
                continue;
            }
            most = Math.max(most, text == null ? 0 : Fonts.width(text, Fonts.BOLD));
        }
        return most + 28;
    }

    private void dragged(MouseEvent e) {
        GridModel shown = model;
        if (brackets.dragged(e, shown, at)) {
            draw();
        } else if (resizing >= 0) {
            at.widen(resizing, e.getX() - resizeFrom);
            widened = resizing;
            resizeFrom = e.getX();
            requestLayout();
            draw();
        } else if (carrying.isWanted()) {
            if (shown != null && carrying.dragged(at.columnAt(e.getX()), e.getX(), e.getY())) {
                draw();
            }
        } else if (shown != null && shown.rows() > 0 && e.getY() > at.head()) {
            long under = at.rowAt(shown, Math.min(e.getY(), at.bottom()));
            move(Math.min(Math.max(0, under), shown.rows() - 1), at.columnAt(e.getX()), true);
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
        int right = at.columns() - 1;
        switch (e.getCode()) {
            case UP -> move(ctrl ? 0 : row - 1, column, range);
            case DOWN -> move(ctrl ? last : row + 1, column, range);
            case LEFT -> move(row, ctrl ? 0 : column - 1, range);
            case RIGHT -> move(row, ctrl ? right : column + 1, range);
            case PAGE_UP -> move(row - at.wholeFrom(shown, at.firstEndingAt(shown, row)), column, range);
            case PAGE_DOWN -> move(row + at.wholeFrom(shown, row), column, range);
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
                copy(shown, !e.isShiftDown());
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void move(long toRow, int toColumn, boolean range) {
        GridModel shown = model;
        if (shown == null || shown.rows() == 0 || at.columns() == 0) {
            return;
        }
        row = Math.max(0, Math.min(toRow, shown.rows() - 1));
        column = Math.max(0, Math.min(toColumn, at.columns() - 1));
        if (!range) {
            anchorRow = row;
            anchorColumn = column;
        }
        if (getWidth() > 0) {
            reveal(shown);
        }
        draw();
        notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
        selected();
    }

    /** Scrolls so that the selected cell is seen. */
    private void reveal(GridModel shown) {
        long first = firstVisibleRow();
        if (row < first) {
            down.setValue((double) row);
        } else if (row >= first + at.wholeFrom(shown, first)) {
            down.setValue(Math.min(down.getMax(), (double) at.firstEndingAt(shown, row)));
        }
        across.setValue(clamp(at.revealing(column), across.getMax()));
    }

    /**
     * Puts the selected cells on the clipboard, parted by tabs.
     *
     * @param heads true to have the titles above them where more than one row is selected
     */
    private void copy(GridModel shown, boolean heads) {
        long from = Math.min(row, anchorRow);
        long to = Math.min(Math.max(row, anchorRow), from + MOST_COPIED - 1);
        int left = Math.min(column, anchorColumn);
        int right = Math.max(column, anchorColumn);
        List<String> lines = new ArrayList<>();
        if (heads && to > from) {
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

    /** A cell as it is read out: its column, its row, what stands in it and what is said of it. */
    private String spoken(GridModel shown) {
        String second = shown.isTall(row) ? shown.second(row, column) : "";
        String mark = switch (shown.mark(row, column)) {
            case NONE -> "";
            case QUESTION -> ", a question";
            case WRONG -> ", something is wrong";
            case FINDING -> ", a finding";
        };
        return shown.title(column) + ", row " + (row + 1) + ": " + shown.text(row, column)
                + (second.isEmpty() ? "" : ", " + second) + mark;
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
            case TEXT -> shown.rows() == 0 || !shown.failure().isEmpty() ? wordsInstead(shown) : spoken(shown);
            default -> super.queryAccessibleAttribute(attribute, parameters);
        };
    }
}
