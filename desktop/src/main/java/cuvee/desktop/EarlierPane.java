package cuvee.desktop;

import cuvee.model.EarlierModel;
import cuvee.model.JobModel;
import cuvee.model.KeptGrid;
import cuvee.place.Says;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The master of an earlier refresh, to be looked at, written again or gone back to. */
final class EarlierPane extends VBox {
    private final JobModel model;
    private final EarlierModel earlier;
    private final Supplier<Choosers> choosers;
    private final Runnable back;
    private final GridView grid = new GridView("earlier-grid");
    private final Label says = Pieces.label("", "heading");
    private @Nullable KeptGrid shown;
    private int number;

    EarlierPane(JobModel model, Supplier<Choosers> choosers, Runnable back) {
        super(0);
        this.model = model;
        this.earlier = model.earlier();
        this.choosers = choosers;
        this.back = back;
        setId("earlier");
        says.setMinWidth(0);
        HBox head = Pieces.row(
                12,
                says,
                Pieces.space(),
                Pieces.button("Write it to a file", "earlier-write", this::write),
                Pieces.button("Bring its decisions back", "earlier-back", this::bringBack),
                Pieces.go("Close", "earlier-close", this::close));
        head.getStyleClass().add("standing");
        VBox.setVgrow(grid, Priority.ALWAYS);
        getChildren().addAll(head, grid);
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                close();
                e.consume();
            }
        });
    }

    GridView grid() {
        return grid;
    }

    /**
     * Shows the master of a refresh.
     *
     * @param when as people say it
     */
    void show(int refresh, String when) {
        earlier.open(refresh, kept -> {
            release();
            number = refresh;
            shown = kept;
            grid.setModel(kept);
            says.setText("The master of " + when + " as it was: " + Says.count(kept.rows(), "row"));
            Platform.runLater(grid::requestFocus);
        });
    }

    private void release() {
        KeptGrid before = shown;
        shown = null;
        if (before != null) {
            before.close();
        }
    }

    void close() {
        release();
        back.run();
    }

    private void write() {
        Handing.over(
                model,
                choosers.get(),
                "Write the master of refresh " + number + " to",
                model.file()
                        .resolveSibling(String.format(
                                Locale.ROOT,
                                "%s refresh %d.xlsx",
                                model.jobProperty().get().name(),
                                number)),
                "xlsx",
                (target, existing) -> earlier.write(number, target, existing));
    }

    private void bringBack() {
        int then = number;
        close();
        earlier.bringBack(then);
    }
}
