package cuvee.desktop;

import cuvee.deliver.MasterFiles;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.refresh.Outcome;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Where the master is written: one card for each delivery. */
final class DeliverView extends VBox {
    private final JobModel model;
    private final Supplier<Choosers> choosers;
    private final VBox cards = new VBox(12);

    DeliverView(JobModel model, Supplier<Choosers> choosers) {
        this.model = model;
        this.choosers = choosers;
        setId("deliver");
        getStyleClass().add("page");
        setSpacing(16);
        Label says = new Label(
                "The master is written in one step: a file that is there is replaced as a whole or left as it was.");
        says.getStyleClass().add("view-says");
        says.setWrapText(true);
        Button add = new Button("Deliver to a file");
        add.setId("deliver-add");
        add.getStyleClass().add("chief");
        add.setOnAction(e -> addDelivery());
        getChildren().addAll(says, cards, add);
        model.jobProperty().addListener((o, before, now) -> show(now));
        model.outcomeProperty()
                .addListener((o, before, now) -> show(model.jobProperty().get()));
        model.messageProperty()
                .addListener((o, before, now) -> show(model.jobProperty().get()));
        show(model.jobProperty().get());
    }

    /** Chooses a file, adds it as a delivery and writes it. */
    void addDelivery() {
        Path proposed = model.file().resolveSibling(model.jobProperty().get().name() + " master.xlsx");
        choosers.get()
                .target("Deliver the master to", proposed, MasterFiles.endings().toArray(String[]::new))
                .ifPresent(target -> {
                    model.addDelivery(target);
                    model.jobProperty().get().deliveries().stream()
                            .reduce((a, b) -> b)
                            .ifPresent(model::deliver);
                });
    }

    private void show(Job job) {
        cards.getChildren().clear();
        if (job.deliveries().isEmpty()) {
            Label empty = new Label(
                    "No delivery yet. Choose a file: .xlsx for a workbook, .csv for text, .parquet or .jsonl for other programs.");
            empty.getStyleClass().add("hint");
            empty.setWrapText(true);
            cards.getChildren().add(empty);
        }
        job.deliveries().forEach(delivery -> cards.getChildren().add(card(delivery)));
    }

    private HBox card(Delivery delivery) {
        Path target = model.session().targetOf(delivery);
        Label name = new Label(target.getFileName().toString());
        name.getStyleClass().add("section-title");
        Label where = new Label(String.valueOf(target.getParent()));
        where.getStyleClass().add("place");
        Optional<Outcome> outcome = model.outcomeProperty().get();
        String would = outcome.map(made -> (Files.exists(target) ? "Replaces the file by " : "Writes a new file with ")
                        + Says.count(made.rows(), "row") + " and "
                        + Says.count(
                                made.plan().columns().size()
                                        + made.plan().tags().size(),
                                "column")
                        + ".")
                .orElse("Refresh first.");
        VBox words = new VBox(2, name, where, new Label(would));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Button write = new Button("Write now");
        write.setDisable(outcome.isEmpty());
        write.setOnAction(e -> model.deliver(delivery));
        Button drop = new Button("Take out of the job");
        drop.getStyleClass().add("plain");
        drop.setOnAction(e -> model.removeDelivery(delivery));
        HBox card = new HBox(12, words, space, drop, write);
        card.setAlignment(Pos.CENTER_LEFT);
        card.getStyleClass().add("card");
        return card;
    }
}
