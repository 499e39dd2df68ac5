package cuvee.desktop;

import cuvee.collect.Source;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.finding.Question;
import cuvee.job.Job;
import cuvee.job.Place;
import cuvee.model.FilesGrid;
import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.tag.TagSource;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.PasswordField;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * Where the sources come from, as a sentence, and what became of each file, as one grid. What a file's name, folders and
 * titles say can be tried as a column for all files at once before it is one.
 */
final class CollectView extends VBox implements JobFrame.HasQuestions {
    private static final Map<String, TagSource.From> OTHER_TAGS = new LinkedHashMap<>();

    static {
        OTHER_TAGS.put("the whole file name", TagSource.From.FILE_NAME);
        OTHER_TAGS.put("the whole sheet name", TagSource.From.SHEET_NAME);
        OTHER_TAGS.put("the day it was changed", TagSource.From.MODIFIED);
        OTHER_TAGS.put("the name behind this text:", TagSource.From.FILE_AFTER);
        OTHER_TAGS.put("the name before this text:", TagSource.From.FILE_BEFORE);
        OTHER_TAGS.put("this text for all rows:", TagSource.From.FIXED);
    }

    private final JobModel model;
    private final Supplier<Choosers> choosers;
    private final ZoneId zone;
    private final SlipLayer slips;
    private final BiConsumer<Question, JobFrame.Spot> openSlip;
    private final FlowPane places = new FlowPane(6, 4);
    private final GridView files = new GridView("files-grid");
    private final Label says = Pieces.label("", "says");
    private final Map<FilesGrid.Filter, ToggleButton> filters = new EnumMap<>(FilesGrid.Filter.class);
    private final ToggleGroup filterGroup = new ToggleGroup();
    private final Label about = Pieces.label("", "bold");
    private final Button take = Pieces.button("Put back", "file-take", () -> putBack(true));
    private final Button aside = Pieces.button("Leave out", "file-aside", () -> putBack(false));
    private final Button undecide;
    private final Button byName;
    private final HBox unlocking;
    private final FlowPane parts = new FlowPane(6, 6);
    private final HBox trialBand;
    private final Label trialWords = Pieces.label("");
    private final Button make;
    private final TextFormBar form;
    private final TextField what = new TextField();
    private final PasswordField password = new PasswordField();
    private final VBox fileFace;
    private final ArrivalsView arrivals;
    private FilesGrid.Filter filtered = FilesGrid.Filter.ALL;
    private Optional<Proposal.TagReport> trial = Optional.empty();
    private @Nullable FilesGrid lines;

    CollectView(
            JobModel model,
            Supplier<Choosers> choosers,
            ZoneId zone,
            SlipLayer slips,
            BiConsumer<Question, JobFrame.Spot> openSlip) {
        this.model = model;
        this.form = new TextFormBar(model);
        this.choosers = choosers;
        this.zone = zone;
        this.slips = slips;
        this.openSlip = openSlip;
        setId("collect");
        undecide = Pieces.go(
                "Let Cuvee decide", "file-undecide", () -> model.files().undecideFiles(paths()));
        byName = Pieces.go("Order by name", "file-by-name", model.files()::orderByName);
        password.setId("file-password");
        password.setPrefColumnCount(16);
        password.setPromptText("password, for this run only");
        password.setOnAction(e -> tryPassword());
        unlocking = Pieces.row(6, password, Pieces.button("Try the password", "file-unlock", this::tryPassword));
        make = Pieces.chief(Pieces.button("Make it a column", "tag-make", this::makeTag));
        trialBand = Pieces.row(
                12,
                trialWords,
                Pieces.space(),
                make,
                Pieces.button("Leave it", "tag-leave", () -> tryTag(Optional.empty())));
        files.setEmptyWords("The files are listed here once they have been looked at.");
        files.setOnSelect((row, column) -> tell());
        files.setOnOpen((row, column) -> marked(row));
        files.setOnMark((row, column) -> marked(row));
        files.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        VBox.setVgrow(files, Priority.ALWAYS);
        fileFace = new VBox(standing(), files, foot());
        VBox.setVgrow(fileFace, Priority.ALWAYS);
        arrivals = new ArrivalsView(model, choosers, this::goTo, faces(true));
        getChildren().addAll(placeLine(), fileFace, arrivals);
        showFace(false);
        model.jobProperty().addListener((o, before, now) -> showPlaces(before, now));
        model.outcomeProperty().addListener((o, before, now) -> {
            trial = Optional.empty();
            show(now);
        });
        showPlaces(null, model.jobProperty().get());
        show(model.outcomeProperty().get());
    }

    List<GridView> grids() {
        return List.of(files, arrivals.grid());
    }

    /** The two faces of the stage, as words to choose between. */
    private HBox faces(boolean ofArrivals) {
        HBox faces = Pieces.row(14);
        for (boolean each : new boolean[] {false, true}) {
            ToggleButton face = new ToggleButton(each ? "Arrivals" : "Files");
            face.setId((ofArrivals ? "arrivals-" : "files-") + "face-" + (each ? "arrivals" : "files"));
            face.getStyleClass().setAll("toggle-button", "face");
            face.setSelected(each == ofArrivals);
            face.setOnAction(e -> {
                face.setSelected(each == ofArrivals);
                showFace(each);
                (each ? arrivals.grid() : files).requestFocus();
            });
            faces.getChildren().add(face);
        }
        return faces;
    }

    private void showFace(boolean ofArrivals) {
        Pieces.show(fileFace, !ofArrivals);
        Pieces.show(arrivals, ofArrivals);
    }

    /** Shows the files that were set aside. */
    void showAside() {
        showFace(false);
        filter(FilesGrid.Filter.ASIDE);
        files.requestFocus();
    }

    /** Goes to a file by its path. */
    void goTo(String path) {
        showFace(false);
        filter(FilesGrid.Filter.ALL);
        FilesGrid now = lines;
        for (long row = 0; now != null && row < now.rows(); row++) {
            if (now.item(row).source().filter(file -> file.path().equals(path)).isPresent()) {
                files.select(row, 0);
                files.requestFocus();
                return;
            }
        }
    }

    @Override
    public Optional<JobFrame.Spot> spot(Question question) {
        showFace(false);
        filter(FilesGrid.Filter.ALL);
        FilesGrid now = lines;
        for (long row = 0; now != null && row < now.rows(); row++) {
            if (now.question(row).filter(question::equals).isPresent()) {
                return Optional.of(new JobFrame.Spot(files, row, 0));
            }
        }
        return Optional.empty();
    }

    private void marked(long row) {
        FilesGrid now = lines;
        if (now != null && row < now.rows()) {
            now.question(row).ifPresent(asked -> openSlip.accept(asked, new JobFrame.Spot(files, row, 0)));
        }
    }

    private HBox placeLine() {
        Button add = Pieces.go(
                "Add a place",
                "collect-add",
                () -> choosers.get()
                        .folder("Add a folder")
                        .ifPresent(path -> model.files().addPlaces(List.of(path))));
        places.setAlignment(Pos.CENTER_LEFT);
        places.setMinWidth(0);
        HBox.setHgrow(places, Priority.ALWAYS);
        Button list = Pieces.go(
                "Places from a table",
                "collect-list",
                () -> choosers.get()
                        .file("A workbook or text that lists folders")
                        .ifPresent(path -> model.files().addList(path)));
        list.setTooltip(
                new Tooltip("Folders with their labels, as a table lists them; it is read again at each refresh"));
        HBox line = Pieces.row(12, places, add, list);
        line.getStyleClass().add("place-line");
        return line;
    }

    private HBox standing() {
        HBox faces = Pieces.row(14);
        for (FilesGrid.Filter each : FilesGrid.Filter.values()) {
            ToggleButton face = new ToggleButton(each.words());
            face.setId("files-" + each.words().replace(' ', '-'));
            face.getStyleClass().setAll("toggle-button", "face");
            face.setToggleGroup(filterGroup);
            face.setSelected(each == filtered);
            face.setOnAction(e -> filter(each));
            filters.put(each, face);
            faces.getChildren().add(face);
        }
        HBox head = Pieces.row(12, says, faces(false), Pieces.space(), Pieces.label("Show", "second"), faces);
        says.setMinWidth(0);
        head.getStyleClass().add("standing");
        return head;
    }

    private void filter(FilesGrid.Filter wanted) {
        filtered = wanted;
        filters.forEach((each, face) -> face.setSelected(each == wanted));
        show(model.outcomeProperty().get());
    }

    private VBox foot() {
        about.setId("file-about");
        about.setMinWidth(0);
        Pieces.show(form, false);
        parts.setId("file-parts");
        parts.setAlignment(Pos.CENTER_LEFT);
        aside.setTooltip(new Tooltip("Delete"));
        take.setTooltip(new Tooltip("Insert"));
        Button earlier =
                Pieces.go("Earlier", "file-earlier", () -> model.files().moveFiles(paths(), false));
        earlier.setTooltip(new Tooltip("Put it before the file above it (Alt+Up)"));
        Button later = Pieces.go("Later", "file-later", () -> model.files().moveFiles(paths(), true));
        later.setTooltip(new Tooltip("Put it behind the file below it (Alt+Down)"));
        Button page = Pieces.go("A page for its sender ...", "file-sender", this::senderPage);
        HBox first =
                Pieces.row(12, about, Pieces.space(), unlocking, undecide, page, earlier, later, byName, take, aside);
        VBox foot = new VBox(7, first, parts, form, trialBand);
        foot.getStyleClass().add("view-foot");
        return foot;
    }

    private void key(KeyEvent e) {
        boolean handled = true;
        if (e.getCode() == KeyCode.DELETE) {
            putBack(false);
        } else if (e.getCode() == KeyCode.INSERT) {
            putBack(true);
        } else if (e.isAltDown() && e.getCode() == KeyCode.UP) {
            model.files().moveFiles(paths(), false);
        } else if (e.isAltDown() && e.getCode() == KeyCode.DOWN) {
            model.files().moveFiles(paths(), true);
        } else if (e.getCode() == KeyCode.ESCAPE && trial.isPresent()) {
            tryTag(Optional.empty());
        } else {
            handled = false;
        }
        if (handled) {
            e.consume();
        }
    }

    private void putBack(boolean in) {
        if (!paths().isEmpty()) {
            model.files().decideFiles(paths(), in);
        }
    }

    private void tryPassword() {
        if (!password.getText().isEmpty()) {
            model.files().tryPassword(password.getText());
            password.clear();
        }
    }

    // ---- places ----

    private void showPlaces(@Nullable Job before, Job now) {
        if (before != null
                && before.places().equals(now.places())
                && before.settled().equals(now.settled())
                && !places.getChildren().isEmpty()) {
            return;
        }
        places.getChildren().clear();
        for (int at = 0; at < now.places().size(); at++) {
            places.getChildren().addAll(sentence(now.places(), at));
        }
        for (SourceChoice.Listed list : model.files().lists()) {
            MenuButton word = Pieces.slot("place-list");
            word.setText(list.list());
            word.getItems()
                    .add(Pieces.item(
                            "Take places from this list no more",
                            "",
                            () -> model.files().removeList(list)));
            places.getChildren()
                    .addAll(
                            Pieces.label(
                                    now.places().isEmpty() ? "From the folders that" : "and from the folders that"),
                            word,
                            Pieces.label("lists under " + list.folder()
                                    + (list.label().isEmpty() ? "" : ", called by " + list.label())));
        }
    }

    /** A place as words of a sentence; a press on any of them opens what can be changed. */
    private List<Node> sentence(List<Place> all, int at) {
        Place place = all.get(at);
        boolean none = place.subfolders() == Place.Subfolders.LEFT_OUT;
        String inner = none
                ? "no inner folders"
                : place.depth() == 0 ? "all inner folders" : Says.count(place.depth(), "level") + " of inner folders";
        String names = place.only().isEmpty() ? "of any kind" : String.join(", ", place.only());
        List<Node> words = new ArrayList<>();
        words.add(Pieces.label(at == 0 ? "From" : "and from"));
        words.add(word(
                place.path() + (place.label().isEmpty() ? "" : " (" + place.label() + ")"),
                "place-" + (at + 1),
                all,
                at));
        words.add(Pieces.label("with"));
        words.add(word(inner, "place-inner-" + (at + 1), all, at));
        words.add(Pieces.label("and names"));
        words.add(word(names, "place-names-" + (at + 1), all, at));
        if (!place.without().isEmpty()) {
            words.add(Pieces.label("without"));
            words.add(word(String.join(", ", place.without()), "place-not-" + (at + 1), all, at));
        }
        return words;
    }

    private Button word(String text, String id, List<Place> all, int at) {
        Button word = new Button(text);
        word.setId(id);
        word.getStyleClass().add("slot");
        word.setTooltip(new Tooltip("Change which files belong"));
        word.setOnAction(e -> slips.openPlain(word, word.getBoundsInLocal(), card(all, at)));
        return word;
    }

    private PlaceCard card(List<Place> all, int at) {
        return new PlaceCard(all.get(at), at + 1, all.size() > 1, new PlaceCard.Hands() {
            @Override
            public void tried(Place changed) {
                tryOut(all, at, changed);
            }

            @Override
            public void taken(Place changed) {
                slips.close();
                model.files().changePlace(at, changed);
            }

            @Override
            public void pointedElsewhere() {
                choosers.get().folder("Use the job on another folder").ifPresent(path -> {
                    slips.close();
                    model.files().changePlace(at, model.files().placeAt(path, all.get(at)));
                });
            }

            @Override
            public void removed() {
                slips.close();
                model.files().removePlace(at);
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
        outcome.ifPresent(made -> model.files().tryPlaces(tried, found -> {
            long taken = found.sources().stream().filter(Source::taken).count();
            says.setText("Tried out: of " + Says.count(found.sources().size(), "file") + " "
                    + Says.number(taken) + " would be taken, "
                    + Says.number(found.sources().size() - taken)
                    + " set aside.");
            setLines(FilesGrid.tried(made, found, zone));
        }));
    }

    // ---- files ----

    private void show(Optional<Outcome> outcome) {
        outcome.ifPresent(made -> {
            long setAside = made.sources().size() - made.taken();
            says.setText(Says.count(made.taken(), "file") + " taken"
                    + (setAside == 0 ? "." : ", " + Says.number(setAside) + " set aside, each with its reason."));
            filters.forEach(
                    (each, face) -> face.setText(each.words() + " " + Says.number(FilesGrid.count(made, each))));
            files.setEmptyWords(
                    filtered == FilesGrid.Filter.ALL
                            ? "No file was found. Add a place, or drop a folder on the window."
                            : "No file here is " + filtered.words() + ".");
            setLines(FilesGrid.of(made, filtered, trial, zone));
        });
    }

    private void setLines(FilesGrid now) {
        lines = now;
        files.setModel(now);
        tell();
    }

    private List<SourceReport> selected() {
        FilesGrid now = lines;
        List<SourceReport> selected = new ArrayList<>();
        if (now != null) {
            long[] rows = files.selectedRows();
            for (long row = rows[0]; row <= rows[1] && row < now.rows(); row++) {
                now.item(row).source().ifPresent(selected::add);
            }
        }
        return selected;
    }

    /** Writes what was wrong in the chosen file, and what is asked of whoever sent it. */
    private void senderPage() {
        if (paths().isEmpty()) {
            model.say("Choose a file first; the page is about what was wrong in it.", false);
        } else {
            String source = paths().get(0);
            String name = source.substring(source.lastIndexOf('/') + 1);
            Handing.over(
                    model,
                    choosers.get(),
                    "Write the page to",
                    model.file().resolveSibling("About " + name + ".html"),
                    "html",
                    (target, existing) -> model.deliveries().writeSenderPage(source, target, existing));
        }
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
        about.setText(
                selected.size() == 1
                        ? selected.get(0).path()
                                + (selected.get(0).reason().isEmpty()
                                        ? ""
                                        : ": " + selected.get(0).reason())
                        : selected.isEmpty()
                                ? "Choose a file to leave it out, put it back, or make a part of its name a column."
                                : Says.count(selected.size(), "file") + " chosen");
        aside.setDisable(selected.stream().noneMatch(file -> file.state() == SourceReport.State.TAKEN));
        take.setDisable(selected.stream().noneMatch(file -> file.state() == SourceReport.State.SET_ASIDE));
        Pieces.show(undecide, selected.stream().anyMatch(file -> job.isSettled(Kinds.FILE, file.path())));
        Pieces.show(byName, job.isSettled(Kinds.ORDER, SourceChoice.ALL_FILES));
        Pieces.show(unlocking, selected.stream().anyMatch(file -> file.kind().equals("encrypted")));
        showParts();
        form.show(chosen().map(SourceReport::path).filter(this::isText), job);
    }

    // ---- tags ----

    /** Shows what names, folders and titles say of the chosen file, or which tags are taken; each can be tried. */
    private void showParts() {
        parts.getChildren().clear();
        Optional<Outcome> outcome = model.outcomeProperty().get();
        Pieces.show(trialBand, trial.isPresent());
        FilesGrid now = lines;
        trialWords.setText(now == null ? "" : now.trialWords());
        trial.ifPresent(tag -> make.setText("Make it the column " + tag.column()));
        if (outcome.isEmpty()) {
            return;
        }
        String path = chosen().map(SourceReport::path).orElse("");
        List<Proposal.TagReport> tags = outcome.get().proposal().tags().stream()
                .filter(tag -> path.isEmpty() ? tag.on() : tag.texts().containsKey(path))
                .toList();
        String lead = path.isEmpty() ? "Tags taken from:" : "Its name, folders and titles say:";
        parts.getChildren()
                .add(Pieces.label(tags.isEmpty() ? "No tag is taken from names or titles." : lead, "second"));
        for (Proposal.TagReport tag : tags) {
            String text = path.isEmpty() ? tag.source().said() : tag.texts().getOrDefault(path, "");
            parts.getChildren().add(chip(tag, text));
        }
        parts.getChildren().add(another());
    }

    private ToggleButton chip(Proposal.TagReport tag, String text) {
        ToggleButton chip = new ToggleButton(tag.on() ? text + " is " + tag.column() : text);
        chip.setId("tag-" + tag.source().words().replace(' ', '-'));
        chip.getStyleClass().setAll("tag-chip");
        chip.setSelected(tag.on() || trial.filter(tag::equals).isPresent());
        chip.setTooltip(new Tooltip(
                tag.on()
                        ? tag.source().said() + " fills the column " + tag.column() + "; press to leave it out"
                        : "Press to see " + tag.source().said() + " as a column of all files: " + tag.column()));
        chip.setOnAction(e -> {
            if (tag.on()) {
                model.board().decideTag(tag.source(), "");
            } else {
                tryTag(chip.isSelected() ? Optional.of(tag) : Optional.empty());
            }
        });
        return chip;
    }

    private void tryTag(Optional<Proposal.TagReport> tried) {
        trial = tried;
        long row = files.selectedRow();
        show(model.outcomeProperty().get());
        files.select(row, 0);
        files.requestFocus();
    }

    private void makeTag() {
        trial.ifPresent(tag -> {
            trial = Optional.empty();
            model.board().decideTag(tag.source(), tag.column());
        });
    }

    /** A tag from something that Cuvee does not propose by itself. */
    private HBox another() {
        MenuButton from = Pieces.slot("tag-from");
        from.setText("another tag");
        what.setId("tag-what");
        what.setPrefColumnCount(9);
        what.setPromptText("text");
        for (Map.Entry<String, TagSource.From> each : OTHER_TAGS.entrySet()) {
            from.getItems().add(Pieces.item(each.getKey(), "", () -> addTag(each.getValue())));
        }
        return Pieces.row(6, from, what);
    }

    private void addTag(TagSource.From from) {
        boolean needsText =
                from == TagSource.From.FILE_AFTER || from == TagSource.From.FILE_BEFORE || from == TagSource.From.FIXED;
        if (needsText && what.getText().isBlank()) {
            what.requestFocus();
            model.say("Write the text beside “another tag” first.", false);
            return;
        }
        TagSource source = new TagSource(from, needsText ? what.getText().strip() : "");
        model.board().decideTag(source, source.name());
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
