package cuvee.desktop;

import cuvee.collect.Source;
import cuvee.job.Job;
import cuvee.job.Place;
import cuvee.model.Grids;
import cuvee.model.JobModel;
import cuvee.model.ListGrid;
import cuvee.place.Says;
import cuvee.refresh.JobSession;
import cuvee.refresh.Outcome;
import cuvee.refresh.Proposal;
import cuvee.refresh.SourceReport;
import cuvee.tag.TagSource;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** Where the sources come from, and what became of each file; any of them can be put back or left out. */
final class CollectView extends HBox {
    private static final double PLACES = 276;
    private static final Map<String, TagSource.From> OTHER_TAGS = new LinkedHashMap<>();

    static {
        OTHER_TAGS.put("the whole file name", TagSource.From.FILE_NAME);
        OTHER_TAGS.put("the whole sheet name", TagSource.From.SHEET_NAME);
        OTHER_TAGS.put("the name behind a text", TagSource.From.FILE_AFTER);
        OTHER_TAGS.put("the name before a text", TagSource.From.FILE_BEFORE);
        OTHER_TAGS.put("the day it was changed", TagSource.From.MODIFIED);
        OTHER_TAGS.put("a text for all rows", TagSource.From.FIXED);
    }

    private final JobModel model;
    private final Supplier<Choosers> choosers;
    private final ZoneId zone;
    private final VBox places = new VBox(10);
    private final GridView files = new GridView("files-grid");
    private final Label says = new Label();
    private final Label about = new Label();
    private final Button take = new Button("Put back");
    private final Button aside = new Button("Leave out");
    private final Button undecide = new Button("Let Cuvee decide");
    private final Button earlier = new Button("Earlier");
    private final Button later = new Button("Later");
    private final Button byName = new Button("Order by name");
    private final FlowPane parts = new FlowPane(6, 6);
    private final HBox another = another();
    private final TextFormBar form;
    private final PasswordField password = new PasswordField();
    private final Button unlock = new Button("Try the password");
    private @Nullable ListGrid<Grids.FileLine> lines;

    CollectView(JobModel model, Supplier<Choosers> choosers, ZoneId zone) {
        this.model = model;
        this.form = new TextFormBar(model);
        this.choosers = choosers;
        this.zone = zone;
        setId("collect");
        Button add = new Button("Add a folder");
        add.setId("collect-add");
        add.setOnAction(e -> choosers.get().folder("Add a folder").ifPresent(path -> model.addPlaces(List.of(path))));
        ScrollPane scroll = new ScrollPane(places);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("places");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Label title = new Label("Places");
        title.getStyleClass().add("section-title");
        VBox left = new VBox(8, title, scroll, add);
        left.getStyleClass().add("places-side");
        left.setMinWidth(PLACES);
        left.setMaxWidth(PLACES);
        left.setPrefWidth(PLACES);

        files.setEmptyWords("The files are listed here once they have been looked at.");
        files.setOnSelect((row, column) -> tell());
        says.getStyleClass().add("view-says");
        VBox right = new VBox(says, files, foot());
        VBox.setVgrow(files, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        right.setMinWidth(0);
        getChildren().addAll(left, right);
        model.jobProperty().addListener((o, before, now) -> showPlaces(before, now));
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        showPlaces(null, model.jobProperty().get());
        show(model.outcomeProperty().get());
    }

    GridView grid() {
        return files;
    }

    private VBox foot() {
        about.setId("file-about");
        about.setWrapText(true);
        about.setMinHeight(USE_PREF_SIZE);
        take.setId("file-take");
        take.setOnAction(e -> model.decideFiles(paths(), true));
        aside.setId("file-aside");
        aside.setOnAction(e -> model.decideFiles(paths(), false));
        undecide.setId("file-undecide");
        undecide.getStyleClass().add("plain");
        undecide.setOnAction(e -> model.undecideFiles(paths()));
        form.setVisible(false);
        form.setManaged(false);
        for (javafx.scene.Node node : List.of(password, unlock)) {
            node.setVisible(false);
            node.setManaged(false);
        }
        password.setId("file-password");
        password.setPrefColumnCount(16);
        password.setPromptText("password, for this run only");
        password.setOnAction(e -> tryPassword());
        unlock.setOnAction(e -> tryPassword());
        earlier.setId("file-earlier");
        earlier.getStyleClass().add("plain");
        earlier.setOnAction(e -> model.moveFiles(paths(), false));
        later.setId("file-later");
        later.getStyleClass().add("plain");
        later.setOnAction(e -> model.moveFiles(paths(), true));
        byName.setId("file-by-name");
        byName.getStyleClass().add("plain");
        byName.setOnAction(e -> model.orderByName());
        FlowPane hands = new FlowPane(6, 6, aside, take, undecide, earlier, later, byName, password, unlock);
        hands.setAlignment(Pos.CENTER_LEFT);
        parts.setId("file-parts");
        parts.setAlignment(Pos.CENTER_LEFT);
        VBox foot = new VBox(6, about, parts, hands, form);
        foot.getStyleClass().add("view-foot");
        return foot;
    }

    private void tryPassword() {
        if (!password.getText().isEmpty()) {
            model.tryPassword(password.getText());
            password.clear();
        }
    }

    // ---- places ----

    private void showPlaces(@Nullable Job before, Job now) {
        if (before != null
                && before.places().equals(now.places())
                && !places.getChildren().isEmpty()) {
            return;
        }
        places.getChildren().clear();
        for (int i = 0; i < now.places().size(); i++) {
            places.getChildren().add(card(now.places(), i));
        }
    }

    private PlaceCard card(List<Place> all, int at) {
        return new PlaceCard(all.get(at), at + 1, all.size() > 1, new PlaceCard.Hands() {
            @Override
            public void tried(Place changed) {
                tryOut(all, at, changed);
            }

            @Override
            public void taken(Place changed) {
                model.changePlace(at, changed);
            }

            @Override
            public void pointedElsewhere() {
                choosers.get()
                        .folder("Use the job on another folder")
                        .ifPresent(path -> model.changePlace(at, model.placeAt(path, all.get(at))));
            }

            @Override
            public void removed() {
                model.removePlace(at);
            }
        });
    }

    /** Shows on the list of files what a changed place would come to. */
    private void tryOut(List<Place> all, int at, Place changed) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (changed.equals(all.get(at))) {
            show(outcome);
            return;
        }
        List<Place> tried = new ArrayList<>(all);
        tried.set(at, changed);
        outcome.ifPresent(made -> model.tryPlaces(tried, found -> {
            long taken = found.sources().stream().filter(Source::taken).count();
            says.setText("Tried out: of " + Says.count(found.sources().size(), "file") + " "
                    + Says.number(taken) + " would be taken, "
                    + Says.number(found.sources().size() - taken)
                    + " set aside.");
            setLines(Grids.filesTried(made, found, zone));
        }));
    }

    // ---- files ----

    private void show(Optional<Outcome> outcome) {
        outcome.ifPresent(made -> {
            long setAside = made.sources().size() - made.taken();
            says.setText(Says.count(made.sources().size(), "file") + " found: " + Says.number(made.taken()) + " taken, "
                    + Says.number(setAside) + " set aside, each with its reason.");
            files.setEmptyWords("No file was found. Add a folder, or drop one on the window.");
            setLines(Grids.files(made, zone));
        });
    }

    private void setLines(ListGrid<Grids.FileLine> now) {
        lines = now;
        files.setModel(now);
        tell();
    }

    private List<SourceReport> selected() {
        ListGrid<Grids.FileLine> now = lines;
        List<SourceReport> selected = new ArrayList<>();
        if (now != null) {
            long[] rows = files.selectedRows();
            for (long row = rows[0]; row <= rows[1] && row < now.rows(); row++) {
                now.item(row).source().ifPresent(selected::add);
            }
        }
        return selected;
    }

    private List<String> paths() {
        return selected().stream().map(SourceReport::path).toList();
    }

    private Optional<SourceReport> chosen() {
        List<SourceReport> selected = selected();
        return selected.size() == 1 ? Optional.of(selected.get(0)) : Optional.empty();
    }

    /** Says what can be done with the selected files. */
    private void tell() {
        List<SourceReport> selected = selected();
        Job job = model.jobProperty().get();
        boolean any = !selected.isEmpty();
        about.setText(
                selected.size() == 1
                        ? selected.get(0).path()
                                + (selected.get(0).reason().isEmpty()
                                        ? ""
                                        : ": " + selected.get(0).reason())
                        : any
                                ? Says.count(selected.size(), "file") + " selected"
                                : "Select a file to leave it out or put it back.");
        aside.setDisable(selected.stream().noneMatch(file -> file.state() == SourceReport.State.TAKEN));
        take.setDisable(selected.stream().noneMatch(file -> file.state() == SourceReport.State.SET_ASIDE));
        undecide.setDisable(selected.stream().noneMatch(file -> job.isSettled(JobSession.FILE, file.path())));
        earlier.setDisable(!any);
        later.setDisable(!any);
        showParts();
        boolean moved = job.isSettled(JobSession.ORDER, JobSession.ALL_FILES);
        byName.setVisible(moved);
        byName.setManaged(moved);
        form.show(chosen().map(SourceReport::path).filter(this::isText), job);
        boolean locked = selected.stream().anyMatch(file -> file.kind().equals("encrypted"));
        for (javafx.scene.Node node : List.of(password, unlock)) {
            node.setVisible(locked);
            node.setManaged(locked);
        }
    }

    /** A tag from something that Cuvee does not propose by itself. */
    private HBox another() {
        ComboBox<String> from = new ComboBox<>();
        from.setId("tag-from");
        OTHER_TAGS.keySet().forEach(from.getItems()::add);
        from.setPromptText("another tag");
        TextField what = new TextField();
        what.setId("tag-what");
        what.setPrefColumnCount(9);
        what.setPromptText("which text");
        Button add = new Button("Add");
        add.setId("tag-add");
        what.visibleProperty()
                .bind(Bindings.createBooleanBinding(() -> needsText(from.getValue()), from.valueProperty()));
        what.managedProperty().bind(what.visibleProperty());
        add.disableProperty()
                .bind(Bindings.createBooleanBinding(
                        () -> from.getValue() == null
                                || needsText(from.getValue()) && what.getText().isBlank(),
                        from.valueProperty(),
                        what.textProperty()));
        add.setOnAction(e -> {
            TagSource.From chosen = OTHER_TAGS.get(Objects.requireNonNullElse(from.getValue(), ""));
            if (chosen != null) {
                String text = needsText(from.getValue()) ? what.getText().strip() : "";
                TagSource source = new TagSource(chosen, text);
                model.decideTag(source, source.name());
            }
        });
        HBox line = new HBox(6, from, what, add);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private static boolean needsText(@Nullable String words) {
        TagSource.From from = OTHER_TAGS.get(Objects.requireNonNullElse(words, ""));
        return from == TagSource.From.FILE_AFTER || from == TagSource.From.FILE_BEFORE || from == TagSource.From.FIXED;
    }

    /** Shows what names, folders and titles say of the selected file, or of the first one; each can be made a tag. */
    private void showParts() {
        parts.getChildren().clear();
        Optional<Outcome> outcome = model.outcomeProperty().get();
        String path = chosen().map(SourceReport::path).orElse("");
        List<Proposal.TagReport> tags = outcome.map(made -> made.proposal().tags()).orElse(List.of()).stream()
                .filter(tag -> path.isEmpty() ? tag.on() : tag.texts().containsKey(path))
                .toList();
        if (outcome.isEmpty()) {
            return;
        }
        String lead = path.isEmpty() ? "Tags taken from:" : "Its name, folders and titles say:";
        parts.getChildren().add(new Label(tags.isEmpty() ? "No tag is taken from names or titles." : lead));
        for (Proposal.TagReport tag : tags) {
            String text = path.isEmpty() ? tag.source().said() : tag.texts().getOrDefault(path, "");
            ToggleButton chip = new ToggleButton(tag.on() ? text + " is " + tag.column() : text);
            chip.setId("tag-" + tag.source().words().replace(' ', '-'));
            chip.getStyleClass().setAll("tag-chip");
            chip.setSelected(tag.on());
            chip.setTooltip(new Tooltip(
                    tag.on()
                            ? "Pressed: " + tag.source().said() + " fills the column " + tag.column()
                                    + "; press to leave it out"
                            : "Press to make " + tag.source().said() + " a column: " + tag.column()));
            chip.setOnAction(e -> model.decideTag(tag.source(), chip.isSelected() ? tag.column() : ""));
            parts.getChildren().add(chip);
        }
        parts.getChildren().add(another);
    }

    private boolean isText(String path) {
        return model.outcomeProperty()
                .get()
                .map(outcome -> outcome.sheets().stream()
                        .anyMatch(sheet ->
                                sheet.source().equals(path) && !sheet.form().isEmpty()))
                .orElse(false);
    }
}
