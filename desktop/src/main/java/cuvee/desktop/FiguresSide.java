package cuvee.desktop;

import cuvee.model.MasterGrid;
import cuvee.place.Says;
import java.util.Arrays;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** At the side of the master: the figures of the cells that are selected, column by column. */
final class FiguresSide extends VBox {
    private static final double WIDE = 216;
    /** A narrower view keeps its width for the rows. */
    private static final double LEAST_ROOM = 1100;

    private static final long MOST_ROWS = 2_000;
    private static final int MOST_COLUMNS = 3;

    FiguresSide() {
        super(10);
        setId("figures");
        getStyleClass().addAll("panel", "figures");
        setMinWidth(WIDE);
        setPrefWidth(WIDE);
        setMaxWidth(WIDE);
    }

    /** Shows itself where there is room for it; answers whether there is. */
    boolean fit(double room) {
        boolean roomy = room >= LEAST_ROOM;
        Pieces.show(this, roomy);
        return roomy;
    }

    /** Shows the figures of some columns from a row to another. */
    void show(MasterGrid grid, long[] rows, int[] columns) {
        getChildren().setAll(Pieces.label("Figures of the selection", "heading"));
        long count = rows[1] - rows[0] + 1;
        if (count < 2 || grid.rows() < 2) {
            getChildren()
                    .add(Pieces.wrapped(
                            "Select several cells of a column to see their sum, average, least and greatest.",
                            "second"));
            return;
        }
        getChildren().add(Pieces.label(Says.count(count, "row"), "second"));
        if (count > MOST_ROWS) {
            getChildren()
                    .add(Pieces.wrapped(
                            "Figures are shown for up to " + Says.number(MOST_ROWS)
                                    + " rows. Those of all rows stand in the last line.",
                            "second"));
            return;
        }
        for (int column : Arrays.copyOf(columns, Math.min(columns.length, MOST_COLUMNS))) {
            Optional<MasterGrid.Figures> figures = grid.figures(rows[0], rows[1], column);
            getChildren().add(Pieces.label(grid.title(column), "bold"));
            if (figures.isEmpty()) {
                getChildren().add(Pieces.label("reading …", "second"));
            } else {
                getChildren().add(table(figures.get()));
            }
        }
    }

    private static GridPane table(MasterGrid.Figures figures) {
        GridPane table = new GridPane();
        table.setHgap(8);
        table.setVgap(2);
        ColumnConstraints names = new ColumnConstraints();
        ColumnConstraints values = new ColumnConstraints();
        values.setHgrow(Priority.ALWAYS);
        values.setHalignment(HPos.RIGHT);
        table.getColumnConstraints().addAll(names, values);
        line(table, "Filled", Says.number(figures.filled()));
        line(table, "Sum", figures.sum());
        line(table, "Average", figures.average());
        line(table, "Least", figures.least());
        line(table, "Greatest", figures.greatest());
        return table;
    }

    private static void line(GridPane table, String name, String value) {
        if (!value.isEmpty()) {
            Label said = Pieces.label(value, "medium");
            said.setId("figure-" + name.toLowerCase(java.util.Locale.ROOT));
            table.addRow(table.getRowCount(), Pieces.label(name, "second"), said);
        }
    }
}
