package cuvee.desktop;

import cuvee.deliver.MasterFiles;
import cuvee.deliver.TargetGuard;
import cuvee.finding.Question;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.refresh.Outcome;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Where the master is written: one card for each delivery. */
final class DeliverView extends VBox {
    /** Stands for the names of columns as items. */
    private static final String COLUMN_NAMES = "the names of columns";

    /** So many questions are named on a card. */
    private static final int NAMED = 4;

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
                "The master is written in one step. A file that Cuvee did not write is kept unless you say otherwise.");
        says.getStyleClass().add("view-says");
        says.setWrapText(true);
        Button add = new Button("Deliver to a file");
        add.setId("deliver-add");
        add.getStyleClass().add("chief");
        add.setOnAction(e -> addDelivery());
        Button prepare = new Button("Fill a prepared workbook");
        prepare.setId("deliver-prepared");
        prepare.setTooltip(new Tooltip("Keys stand down one column, items across one row; a copy of it is filled"));
        prepare.setOnAction(e -> addPrepared());
        HBox hands = new HBox(8, add, prepare);
        getChildren().addAll(says, cards, hands);
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
                            .ifPresent(this::write);
                });
    }

    /** Writes a delivery; where that would destroy something of others, only when the analyst says so. */
    private void write(Delivery delivery) {
        Optional<String> loss = model.holding(delivery).isEmpty() ? model.loss(delivery) : Optional.empty();
        if (loss.isEmpty()) {
            model.deliver(delivery);
        } else if (choosers.get().replace(model.session().targetOf(delivery), loss.get())) {
            model.deliver(delivery, TargetGuard.Existing.REPLACE);
        }
    }

    /** Chooses a prepared workbook and where the filled copy goes, and writes it. */
    private void addPrepared() {
        choosers.get()
                .file("The prepared workbook")
                .ifPresent(workbook -> choosers.get()
                        .target(
                                "The filled copy",
                                model.file()
                                        .resolveSibling(
                                                model.jobProperty().get().name() + " filled.xlsx"),
                                "xlsx")
                        .ifPresent(target -> model.addPrepared(workbook, target, this::write)));
    }

    /** By which columns a prepared workbook is filled, to be chosen. */
    private FlowPane filling(Delivery delivery, Delivery.Prepared prepared, Outcome made) {
        List<String> names = new ArrayList<>();
        made.plan().columns().forEach(column -> names.add(column.name()));
        made.plan().tags().forEach(tag -> names.add(tag.name()));
        List<String> items = new ArrayList<>(names);
        items.add(0, COLUMN_NAMES);
        ComboBox<String> key = choice("prepared-key", names, prepared.key());
        ComboBox<String> item =
                choice("prepared-item", items, prepared.item().isEmpty() ? COLUMN_NAMES : prepared.item());
        ComboBox<String> value = choice("prepared-value", names, prepared.value());
        Label holding = new Label("holding");
        boolean wide = prepared.item().isEmpty();
        for (Control each : List.of(holding, value)) {
            each.setVisible(!wide);
            each.setManaged(!wide);
        }
        Runnable take = () -> {
            boolean names0 = COLUMN_NAMES.equals(item.getValue());
            String held = value.getValue() == null || value.getValue().isEmpty() ? names.get(0) : value.getValue();
            model.changePrepared(
                    delivery,
                    new Delivery.Prepared(
                            prepared.workbook(),
                            Objects.requireNonNullElse(key.getValue(), prepared.key()),
                            names0 ? "" : Objects.requireNonNullElse(item.getValue(), ""),
                            names0 ? "" : held));
        };
        List.of(key, item, value).forEach(each -> each.setOnAction(e -> take.run()));
        FlowPane words = new FlowPane(
                6,
                4,
                new Label("Fills a copy of " + prepared.workbook() + ": down it"),
                key,
                new Label("across it"),
                item,
                holding,
                value);
        words.setAlignment(Pos.CENTER_LEFT);
        return words;
    }

    private static ComboBox<String> choice(String id, List<String> of, String chosen) {
        ComboBox<String> choice = new ComboBox<>();
        choice.setId(id);
        choice.getItems().setAll(of);
        choice.setValue(chosen);
        return choice;
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

    /** Which questions hold a delivery, by name, and the way past them. */
    private VBox held(Delivery delivery, List<Question> holding) {
        Label why =
                new Label("? Held by " + Says.count(holding.size(), "open question") + " that could change a number:");
        why.getStyleClass().add("held");
        VBox held = new VBox(2, why);
        holding.stream().limit(NAMED).forEach(question -> {
            Label named = new Label(question.where() + ": " + question.text());
            named.setWrapText(true);
            held.getChildren().add(named);
        });
        if (holding.size() > NAMED) {
            held.getChildren().add(new Label("and " + Says.number(holding.size() - NAMED) + " more"));
        }
        Button accept = new Button(holding.size() == 1 ? "Accept it by name" : "Accept these by name");
        accept.setId("deliver-accept");
        accept.setTooltip(new Tooltip("They stay open, and this delivery no longer waits for them"));
        accept.setOnAction(e -> model.accept(delivery));
        held.getChildren().add(accept);
        return held;
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
        VBox words = new VBox(2, name, where);
        if (delivery.prepared().isPresent() && outcome.isPresent()) {
            words.getChildren().add(filling(delivery, delivery.prepared().get(), outcome.get()));
        } else {
            words.getChildren().add(new Label(would));
        }
        List<Question> holding = model.holding(delivery);
        if (!holding.isEmpty()) {
            words.getChildren().add(held(delivery, holding));
        }
        HBox.setHgrow(words, Priority.SOMETIMES);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Button write = new Button("Write now");
        write.setId("deliver-write");
        write.setDisable(outcome.isEmpty() || !holding.isEmpty());
        write.setOnAction(e -> write(delivery));
        Button drop = new Button("Take out of the job");
        drop.getStyleClass().add("plain");
        drop.setOnAction(e -> model.removeDelivery(delivery));
        for (Button button : List.of(drop, write)) {
            button.setMinWidth(Region.USE_PREF_SIZE);
        }
        words.setMinWidth(0);
        HBox card = new HBox(12, words, space, drop, write);
        card.setAlignment(Pos.CENTER_LEFT);
        card.getStyleClass().add("card");
        return card;
    }
}
