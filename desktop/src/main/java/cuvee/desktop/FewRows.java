package cuvee.desktop;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** A handful of rows under a sentence, as they are and as they become. */
final class FewRows {
    private static final int COLUMNS_SHOWN = 9;

    private FewRows() {}

    /**
     * The rows under a title; the first holds the heads.
     *
     * @param numbered true where the first cell of each says where it stands
     */
    static VBox of(String title, List<List<String>> rows, boolean numbered) {
        Label head = Pieces.label(title, "second");
        GridPane grid = new GridPane();
        grid.getStyleClass().add("few-rows");
        for (int r = 0; r < rows.size(); r++) {
            List<String> cells = rows.get(r);
            for (int c = 0; c < Math.min(cells.size(), COLUMNS_SHOWN + (numbered ? 1 : 0)); c++) {
                Label cell = new Label(cells.get(c));
                cell.setMaxWidth(numbered && c == 0 ? 260 : 110);
                cell.getStyleClass().add(r == 0 ? "few-head" : numbered && c == 0 ? "few-number" : "few-cell");
                if (isNumber(cells.get(c))) {
                    cell.setMaxWidth(Double.MAX_VALUE);
                    cell.setAlignment(Pos.CENTER_RIGHT);
                }
                grid.add(cell, c, r);
            }
            if (cells.size() > COLUMNS_SHOWN + 1) {
                Label more = new Label(r == 0 ? "and " + (cells.size() - COLUMNS_SHOWN - 1) + " more" : "…");
                more.getStyleClass().add("few-number");
                grid.add(more, COLUMNS_SHOWN + 1, r);
            }
        }
        return new VBox(4, head, grid);
    }

    private static boolean isNumber(String text) {
        return !text.isEmpty() && text.chars().allMatch(c -> Character.isDigit(c) || "+-.,".indexOf(c) >= 0);
    }
}
