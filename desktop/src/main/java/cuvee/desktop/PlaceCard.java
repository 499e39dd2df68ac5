package cuvee.desktop;

import cuvee.collect.NamePattern;
import cuvee.job.Place;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One place: its label, how deep it goes, and which names belong to it. What is typed is tried before it is taken. */
final class PlaceCard extends VBox {
    private static final List<String> DEPTHS =
            List.of("all inner folders", "no inner folders", "1 level of them", "2 levels of them");
    private final Place place;
    private final TextField label = new TextField();
    private final ComboBox<String> depth = new ComboBox<>();
    private final TextField only = new TextField();
    private final TextField without = new TextField();
    private final Button take = new Button("Take it");
    private final Button leave = new Button("Leave it");
    private final HBox decide = new HBox(6);
    private final Consumer<Place> tried;

    /** What can be done with a place. */
    interface Hands {
        void tried(Place changed);

        void taken(Place changed);

        void removed();

        void pointedElsewhere();
    }

    PlaceCard(Place place, int number, boolean removable, Hands hands) {
        this.place = place;
        this.tried = hands::tried;
        getStyleClass().add("place-card");
        Label path = new Label(place.path());
        path.getStyleClass().addAll("section-title", "place");
        path.setWrapText(true);
        getChildren().add(path);
        GridPane fields = new GridPane();
        fields.setHgap(8);
        fields.setVgap(6);
        field(fields, 0, "Label", label, "place-label-" + number, "for instance North");
        Label inner = new Label("Folders");
        depth.setId("place-depth-" + number);
        depth.getItems().setAll(DEPTHS);
        depth.setMaxWidth(Double.MAX_VALUE);
        inner.setLabelFor(depth);
        fields.addRow(1, inner, depth);
        field(fields, 2, "Only", only, "place-only-" + number, "names, such as *.xlsx");
        field(fields, 3, "Without", without, "place-without-" + number, "names, such as draft, old*");
        GridPane.setHgrow(depth, Priority.ALWAYS);
        getChildren().add(fields);
        take.setId("place-take-" + number);
        take.getStyleClass().add("chief");
        take.setOnAction(e -> hands.taken(changed()));
        leave.getStyleClass().add("go");
        leave.setOnAction(e -> {
            fill();
            tell();
        });
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        decide.setAlignment(Pos.CENTER_LEFT);
        decide.getChildren().addAll(take, leave);
        Button elsewhere = new Button("Point elsewhere");
        elsewhere.setId("place-elsewhere-" + number);
        elsewhere.getStyleClass().add("go");
        elsewhere.setTooltip(new Tooltip("Use the same job on another folder, year or client"));
        elsewhere.setOnAction(e -> hands.pointedElsewhere());
        HBox foot = new HBox(6, elsewhere, space);
        if (removable) {
            Button remove = new Button("Take out");
            remove.getStyleClass().add("go");
            remove.setOnAction(e -> hands.removed());
            foot.getChildren().add(remove);
        }
        getChildren().addAll(decide, foot);
        fill();
        for (TextField each : List.of(label, only, without)) {
            each.textProperty().addListener((o, before, now) -> tell());
            each.setOnAction(e -> {
                if (!changed().equals(place)) {
                    hands.taken(changed());
                }
            });
        }
        depth.valueProperty().addListener((o, before, now) -> tell());
        show();
    }

    private static void field(GridPane fields, int row, String name, TextField field, String id, String prompt) {
        Label label = new Label(name);
        label.setLabelFor(field);
        field.setId(id);
        field.setPromptText(prompt);
        GridPane.setHgrow(field, Priority.ALWAYS);
        fields.addRow(row, label, field);
    }

    private void fill() {
        label.setText(place.label());
        boolean none = place.subfolders() == Place.Subfolders.LEFT_OUT;
        depth.setValue(DEPTHS.get(none ? 1 : place.depth() == 0 ? 0 : Math.min(3, place.depth() + 1)));
        only.setText(String.join(", ", place.only()));
        without.setText(String.join(", ", place.without()));
    }

    private Place changed() {
        int chosen = DEPTHS.indexOf(Objects.requireNonNullElse(depth.getValue(), DEPTHS.get(0)));
        int levels = chosen == 0 ? 0 : chosen == 1 ? -1 : chosen - 1;
        return place.withLabel(label.getText().strip())
                .withDepth(levels)
                .withNames(NamePattern.listOf(only.getText()), NamePattern.listOf(without.getText()));
    }

    private void tell() {
        show();
        tried.accept(changed());
    }

    private void show() {
        boolean changes = !changed().equals(place);
        Pieces.show(decide, changes);
    }
}
