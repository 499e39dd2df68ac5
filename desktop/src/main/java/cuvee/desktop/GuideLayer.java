package cuvee.desktop;

import cuvee.model.GridModel;
import cuvee.model.ListGrid;
import java.util.List;
import java.util.Objects;
import javafx.beans.binding.Bindings;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The guide over the window: ten tasks to choose from, each with its steps and a picture. */
final class GuideLayer extends BorderPane {
    private static final double LIST = 340;
    private static final double WIDEST = 860;
    private static final double STEP = 24;

    private final List<GuidePages.Task> tasks = GuidePages.read();
    private final GridView list = new GridView("guide-tasks");
    private final VBox page = new VBox(10);
    private final ScrollPane scroll = new ScrollPane(page);

    GuideLayer(Palette palette, Runnable fold) {
        setId("guide");
        getStyleClass().add("map");
        HBox head = Pieces.row(
                12,
                Pieces.label("Guide: ten tasks, on the demo", "heading"),
                Pieces.space(),
                Pieces.button("Fold the guide", "Esc", "guide-close", fold));
        list.paletteProperty().set(palette);
        list.setModel(new ListGrid<>(
                tasks,
                List.of(ListGrid.Column.of("Task", LIST - 16, GuidePages.Task::title)),
                (task, column) -> GridModel.Tone.PLAIN));
        list.setMinWidth(LIST);
        list.setPrefWidth(LIST);
        list.setMaxWidth(LIST);
        list.setOnSelect((row, column) -> show(tasks.get(row.intValue())));
        page.getStyleClass().add("guide-page");
        page.setId("guide-page");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        HBox both = new HBox(24, list, scroll);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        setTop(head);
        setCenter(both);
        BorderPane.setMargin(both, new Insets(12, 0, 0, 0));
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                fold.run();
                e.consume();
            }
        });
        show(tasks.get(0));
    }

    void takeKeys() {
        list.requestFocus();
    }

    private void show(GuidePages.Task task) {
        page.getChildren().setAll(Pieces.label(task.title(), "drop-title"));
        int number = 1;
        for (String step : task.steps()) {
            HBox line = new HBox(8, number(number++), Pieces.wrapped(step));
            page.getChildren().add(line);
        }
        if (!task.picture().isEmpty()) {
            ImageView picture = new ImageView(
                    new Image(Objects.requireNonNull(GuideLayer.class.getResource(task.picture()), task.picture())
                            .toExternalForm()));
            picture.setPreserveRatio(true);
            picture.setSmooth(true);
            picture.setAccessibleText(task.caption());
            picture.fitWidthProperty()
                    .bind(Bindings.min(WIDEST, scroll.widthProperty().subtract(40)));
            page.getChildren().addAll(picture, Pieces.wrapped(task.caption(), "second", "small"));
        }
        scroll.setVvalue(0);
    }

    private static Label number(int step) {
        Label label = Pieces.label(step + ".", "second");
        label.setMinWidth(STEP);
        return label;
    }
}
