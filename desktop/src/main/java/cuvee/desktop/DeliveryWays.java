package cuvee.desktop;

import cuvee.deliver.MasterFiles;
import cuvee.deliver.PostgresTable;
import cuvee.job.Delivery;
import cuvee.model.JobModel;
import cuvee.model.SummaryModel;
import cuvee.refresh.Summaries;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

/** The ways in which a master can be delivered, each a button that begins a delivery. */
final class DeliveryWays extends FlowPane {
    private final JobModel model;
    private final Supplier<Choosers> choosers;
    private final Consumer<Delivery> write;
    private final Button file = Pieces.button("a file", "deliver-add", this::addFile);

    /**
     * @param write writes a delivery that needs nothing more to be said
     */
    DeliveryWays(JobModel model, Supplier<Choosers> choosers, Consumer<Delivery> write) {
        super(10, 8);
        this.model = model;
        this.choosers = choosers;
        this.write = write;
        Button prepare = Pieces.button("fill a prepared workbook", "deliver-prepared", this::addPrepared);
        prepare.setTooltip(new Tooltip("Keys stand down one column, items across one row; a copy of it is filled"));
        setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        Pieces.label("Deliver the master to", "bold"),
                        file,
                        Pieces.button("a tab of a workbook", "deliver-tab", this::addTab),
                        Pieces.button("a file for each value", "deliver-each", this::addEach),
                        Pieces.button("a table of a database", "deliver-table", this::addTable),
                        Pieces.label("or", "second"),
                        prepare,
                        Pieces.button("draw a picture of a summary", "deliver-picture", this::addPicture),
                        Pieces.button("change copies of the sources", "deliver-copies", this::addCopies));
    }

    /** Makes a file the next act, or no more than one of the ways. */
    void setChief(boolean chief) {
        file.getStyleClass().remove("chief");
        if (chief) {
            Pieces.chief(file);
        }
    }

    /** Chooses a file, adds it as a delivery and writes it. */
    void addFile() {
        Path proposed = model.file().resolveSibling(model.jobProperty().get().name() + " master.xlsx");
        choosers.get()
                .target("Deliver the master to", proposed, MasterFiles.endings().toArray(String[]::new))
                .ifPresent(target -> {
                    model.deliveries().add(target);
                    model.jobProperty().get().deliveries().stream()
                            .reduce((a, b) -> b)
                            .ifPresent(write);
                });
    }

    /** Chooses a workbook, of which a tab is to be written; what becomes of its rows is said on the card. */
    private void addTab() {
        choosers.get()
                .target(
                        "The workbook that the tab is in, or is to be",
                        model.file().resolveSibling(model.jobProperty().get().name() + ".xlsx"),
                        "xlsx")
                .ifPresent(target -> model.deliveries()
                        .change(
                                Optional.empty(),
                                model.deliveries()
                                        .to(target, new Delivery.Tab("Master", Delivery.How.REPLACE, List.of()))));
    }

    /** Chooses the folder for copies of the sources; what is changed in them is said on the card. */
    private void addCopies() {
        choosers.get()
                .folder("The folder for the changed copies")
                .ifPresent(folder -> model.deliveries()
                        .change(Optional.empty(), model.deliveries().to(folder, new Delivery.Copies(List.of()))));
    }

    private void addEach() {
        Optional<Outcome> made = model.outcomeProperty().get();
        if (made.isEmpty() || made.get().plan().columns().isEmpty()) {
            return;
        }
        choosers.get()
                .target(
                        "What each file's name begins with",
                        model.file().resolveSibling(model.jobProperty().get().name() + ".xlsx"),
                        MasterFiles.endings().toArray(String[]::new))
                .ifPresent(target -> model.deliveries()
                        .change(
                                Optional.empty(),
                                model.deliveries().to(target, new Delivery.Each(SummaryModel.tellsApart(made.get())))));
    }

    private void addPicture() {
        List<Summaries.Named> kept = model.outcomeProperty()
                .get()
                .map(made -> Summaries.of(made.job()))
                .orElse(List.of());
        if (kept.isEmpty()) {
            model.say("The job keeps no summary yet. Make one under Master, Summary, and keep it there.", false);
            return;
        }
        String first = kept.get(0).name();
        choosers.get()
                .target("The picture", model.file().resolveSibling(first.replace('/', ' ') + ".png"), "png")
                .ifPresent(target -> model.deliveries()
                        .change(Optional.empty(), model.deliveries().to(target, new Delivery.Picture(first))));
    }

    private void addTable() {
        model.deliveries()
                .change(
                        Optional.empty(),
                        new Delivery(
                                "master in a database",
                                PostgresTable.ADDRESS + "user@localhost:5432/database",
                                new Delivery.Table("master", Delivery.How.REPLACE, List.of())));
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
                        .ifPresent(target -> model.deliveries().addPrepared(workbook, target, write)));
    }
}
