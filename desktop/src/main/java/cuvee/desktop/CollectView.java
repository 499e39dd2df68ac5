package cuvee.desktop;

import cuvee.job.Job;
import cuvee.job.Place;
import cuvee.model.Grids;
import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.refresh.Outcome;
import java.time.ZoneId;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Where the sources come from, and what became of each file. */
final class CollectView extends VBox {
    private final HBox places = new HBox(8);
    private final TableView files;

    CollectView(JobModel model, Supplier<Choosers> choosers, ZoneId zone) {
        setId("collect");
        files = new TableView(
                "files",
                model,
                CollectView::sentence,
                outcome -> Grids.files(outcome, zone),
                "No file was found. Add a folder, or drop one on the window.");
        VBox.setVgrow(files, Priority.ALWAYS);
        Button add = new Button("Add a folder");
        add.setId("collect-add");
        add.setOnAction(e -> choosers.get().folder("Add a folder").ifPresent(path -> model.addPlaces(List.of(path))));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(8, places, space, add);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("view-head");
        places.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(head, files);
        model.jobProperty().addListener((o, before, now) -> show(now));
        show(model.jobProperty().get());
    }

    GridView grid() {
        return files.grid();
    }

    private static String sentence(Outcome outcome) {
        long aside = outcome.sources().size() - outcome.taken();
        return Says.count(outcome.sources().size(), "file") + " found: " + Says.number(outcome.taken()) + " taken, "
                + Says.number(aside) + " set aside, each with its reason.";
    }

    private void show(Job job) {
        places.getChildren().clear();
        Label title = new Label(job.places().size() == 1 ? "Place" : "Places");
        title.getStyleClass().add("section-title");
        places.getChildren().add(title);
        for (Place place : job.places()) {
            Label chip = new Label(
                    place.path() + (place.subfolders() == Place.Subfolders.INCLUDED ? ", with inner folders" : ""));
            chip.getStyleClass().add("chip");
            places.getChildren().add(chip);
        }
    }
}
