package cuvee.desktop;

import cuvee.master.MasterLine;
import cuvee.master.RowView;
import cuvee.model.Beside;
import cuvee.model.ColumnLook;
import cuvee.model.JobModel;
import cuvee.model.LaidGrid;
import cuvee.model.LookWords;
import cuvee.model.MasterGrid;
import cuvee.model.Message;
import cuvee.model.RowLook;
import cuvee.model.Weighing;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.tell.Outcome;
import cuvee.tell.Trail;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The master: every row, with the trail of the selected cell told to the trail bar. */
final class MasterView extends VBox {
    private static final double HEIGHT_BESIDE = 230;
    /** Below this width, with facts beside it, only what is needed most stands above the rows. */
    private static final double NARROW = 700;

    private static final String NONE = "no source";
    private final GridView grid = new GridView("master-grid");
    private final Label says = Pieces.label("", "says");
    private String rowsSaid = "";
    private String sumSaid = "";
    private final FiguresSide figures = new FiguresSide();
    private final GridView one = new GridView("source-grid");
    private final Label oneSays = new Label();
    private final VBox beside = new VBox(oneSays, one);
    private final ComboBox<String> sources = new ComboBox<>();
    private final MenuButton rule = new MenuButton("Rule from this");
    private final CorrectionBar correction;
    private final JobModel model;
    private final Executor ui;
    private final Consumer<String> trail;
    private final Consumer<Where> open;
    private final Runnable rules;
    private final FactsSide facts;
    private final Beside trails;
    private @Nullable MasterGrid shown;
    private @Nullable MasterGrid shownOfOne;
    private final LookBar lookBar = new LookBar(this::narrow, this::showAll, this::search, this::goToRow);
    private final SummaryView summary;
    private final VBox rowsFace;
    private final ColumnsMenu columns;
    private ColumnLook columnLook = ColumnLook.OF_THE_MASTER;
    private RowLook look = RowLook.ALL;
    private long asked;

    MasterView(
            JobModel model,
            Executor ui,
            Consumer<String> trail,
            Consumer<Where> open,
            FactsSide facts,
            Runnable rules) {
        this.model = model;
        this.ui = ui;
        this.trail = trail;
        this.open = open;
        this.rules = rules;
        this.facts = facts;
        this.trails = new Beside("cuvee-trail", ui, this::failed);
        setId("master");
        setMinWidth(0);
        correction = new CorrectionBar(model, this::closeCorrection);
        columns = new ColumnsMenu(model, this::chosenColumn);
        listenToGrids();
        offerSources();
        offerRule();
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        HBox.setHgrow(grid, Priority.ALWAYS);
        HBox both = new HBox(grid, figures);
        VBox.setVgrow(both, Priority.ALWAYS);
        rowsFace = new VBox(head(), lookBar, both);
        VBox.setVgrow(rowsFace, Priority.ALWAYS);
        rowsFace.addEventHandler(KeyEvent.KEY_PRESSED, this::lookKey);
        summary = new SummaryView(model, faces(true), this::showRowsOf, trail);
        VBox.setVgrow(summary, Priority.ALWAYS);
        Pieces.show(summary, false);
        getChildren().addAll(rowsFace, summary);
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        model.jobProperty().addListener((o, before, now) -> {
            if (!ColumnLook.of(now).equals(columnLook)) {
                lay();
            }
        });
        show(model.outcomeProperty().get());
    }

    private void listenToGrids() {
        grid.setEmptyWords("The master has no rows yet. Refresh, or look in Collect at why no file was taken.");
        grid.setOnSelect((row, column) -> selected(shown, row, of(grid, column)));
        grid.setOnHead((column, more) -> order(of(grid, column), more));
        grid.setOnOpen((row, column) -> opened(shown, row, of(grid, column)));
        grid.setOnWidth(this::widened);
        grid.setOnContextMenuRequested(e -> {
            int head = grid.headAt(e.getX(), e.getY());
            if (head >= 0) {
                grid.select(grid.selectedRow(), head);
            }
            rule.show();
        });
        one.setOnSelect((row, column) -> selected(shownOfOne, row, of(one, column)));
        one.setOnOpen((row, column) -> opened(shownOfOne, row, of(one, column)));
        one.setOnContextMenuRequested(e -> rule.show());
        VBox.setVgrow(grid, Priority.ALWAYS);
        VBox.setVgrow(one, Priority.ALWAYS);
    }

    /** A source whose rows are shown beside those of the master. */
    private void offerSources() {
        one.setPrefHeight(HEIGHT_BESIDE);
        beside.setMinHeight(HEIGHT_BESIDE);
        oneSays.getStyleClass().addAll("second", "beside-says");
        sources.setId("master-source");
        sources.setMinWidth(130);
        sources.setMaxWidth(260);
        sources.setOnAction(e -> showOne());
    }

    private void offerRule() {
        rule.setId("master-rule");
        rule.setMinWidth(Region.USE_PREF_SIZE);
        rule.setTooltip(new Tooltip("Keep or set aside rows by what is selected (Ctrl+R)"));
        rule.setOnShowing(e -> offerRules());
        rule.getItems().add(new MenuItem(""));
    }

    private void key(KeyEvent e) {
        if (e.getCode() == KeyCode.F4) {
            showFacts();
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.R) {
            rule.show();
        } else if (e.getCode() == KeyCode.C && !e.isShortcutDown() && !correction.isFocusWithin()) {
            correct();
        }
    }

    /** What stands above the rows, by the width there is: what is needed least goes first. */
    private HBox head() {
        Label show = Pieces.label("Beside it", "second");
        show.setLabelFor(sources);
        show.setMinWidth(Region.USE_PREF_SIZE);
        says.setMinWidth(Region.USE_PREF_SIZE);
        Label beyond = Pieces.label("", "second");
        beyond.setMinWidth(0);
        beyond.textProperty().bind(grid.beyondProperty());
        Button factsButton = Pieces.button("Column facts", "F4", "master-facts", this::showFacts);
        HBox head =
                Pieces.row(12, says, faces(false), beyond, Pieces.space(), show, sources, columns, rule, factsButton);
        head.getStyleClass().add("standing");
        widthProperty().addListener((o, before, now) -> {
            boolean roomy = figures.fit(now.doubleValue());
            boolean narrow = now.doubleValue() < NARROW;
            Pieces.show(beyond, roomy);
            Pieces.show(show, roomy);
            // Facts that take the room have a word of their own to close them.
            Pieces.show(factsButton, !narrow);
            Pieces.show(sources, !narrow || !NONE.equals(sources.getValue()));
            tellRows(roomy);
        });
        return head;
    }

    // ---- how the columns stand ----

    /** The column of the master that stands at a place of a grid. */
    private static int of(GridView grid, int place) {
        return grid.model() instanceof LaidGrid laid && laid.columns() > 0 ? laid.of(place) : place;
    }

    private int selectedColumn(GridView from) {
        return of(from, from.selectedColumn());
    }

    private static int[] selectedColumns(GridView from) {
        return from.model() instanceof LaidGrid laid && laid.columns() > 0
                ? laid.of(from.selectedColumns())
                : new int[0];
    }

    private Optional<ColumnsMenu.Chosen> chosenColumn() {
        MasterGrid now = shown;
        return now == null || now.columns() == 0
                ? Optional.empty()
                : Optional.of(new ColumnsMenu.Chosen(now.title(selectedColumn(grid)), LaidGrid.names(now)));
    }

    private void widened(int place, double width) {
        MasterGrid now = shown;
        if (now != null) {
            model.keepLook(ColumnLook.of(model.jobProperty().get())
                    .wide(now.title(of(grid, place)), (int) Math.round(width), LaidGrid.names(now)));
        }
    }

    /** Lays the columns as the job has them; the selected one stays selected. */
    private void lay() {
        columnLook = ColumnLook.of(model.jobProperty().get());
        lay(grid, shown);
        lay(one, shownOfOne);
    }

    private void lay(GridView in, @Nullable MasterGrid rows) {
        if (rows != null) {
            int before = in.selectedColumn();
            int selected = in.model() instanceof LaidGrid ? selectedColumn(in) : 0;
            LaidGrid laid = new LaidGrid(rows, columnLook);
            in.setModel(laid);
            int there = laid.placeOf(selected);
            int place = there >= 0 ? there : Math.min(before, laid.columns() - 1);
            if (place >= 0 && place != in.selectedColumn()) {
                in.select(in.selectedRow(), place);
            }
            columns.tell(columnLook.hidden(LaidGrid.names(rows)).size());
        }
    }

    /** The two faces of the stage, as words to choose between. */
    private HBox faces(boolean ofSummary) {
        HBox faces = Pieces.row(14);
        for (boolean each : new boolean[] {false, true}) {
            ToggleButton face = new ToggleButton(each ? "Summary" : "Rows");
            face.setId((ofSummary ? "summary-" : "rows-") + "face-" + (each ? "summary" : "rows"));
            face.getStyleClass().setAll("toggle-button", "face");
            face.setMinWidth(Region.USE_PREF_SIZE);
            face.setSelected(each == ofSummary);
            face.setOnAction(e -> {
                face.setSelected(each == ofSummary);
                showFace(each);
            });
            faces.getChildren().add(face);
        }
        return faces;
    }

    private void showFace(boolean ofSummary) {
        Pieces.show(rowsFace, !ofSummary);
        Pieces.show(summary, ofSummary);
        if (ofSummary) {
            summary.open();
            summary.grid().requestFocus();
        } else {
            grid.requestFocus();
        }
    }

    private void showRowsOf(String phrase) {
        showFace(false);
        look(RowLook.ALL.where(phrase));
    }

    GridView summaryGrid() {
        return summary.grid();
    }

    private void showFacts() {
        MasterGrid now = one.isFocused() ? shownOfOne : shown;
        if (now != null && now.columns() > 0) {
            int column = now.before(selectedColumn(one.isFocused() ? one : grid));
            if (column < 0 && !facts.isOpen()) {
                trail.accept(
                        "This column is made by the rule about the shape of the master; open the facts of another.");
            } else {
                facts.toggle(column);
            }
        }
    }

    GridView grid() {
        return grid;
    }

    GridView one() {
        return one;
    }

    private void show(Optional<Outcome> outcome) {
        if (outcome.isEmpty()) {
            return;
        }
        MasterGrid now = new MasterGrid(model.session(), outcome.get(), ui);
        if (look.isAll()) {
            showRows(outcome.get(), now);
        } else {
            now.close();
            look(look);
        }
        String chosen = Objects.requireNonNullElse(sources.getValue(), NONE);
        List<String> names = new ArrayList<>(List.of(NONE));
        outcome.get().proposal().plan().tables().forEach(table -> {
            if (!gathered(outcome.get()) && !names.contains(table.source())) {
                names.add(table.source());
            }
        });
        sources.getItems().setAll(names);
        sources.setValue(names.contains(chosen) ? chosen : NONE);
        showOne();
    }

    private static boolean gathered(Outcome outcome) {
        return outcome.proposal().plan().shaping().gathering().isPresent()
                && outcome.shaped().isPresent();
    }

    // ---- a look at some rows, in an order of their own ----

    private void showRows(Outcome outcome, MasterGrid now) {
        MasterGrid before = shown;
        shown = now;
        grid.setEmptyWords(
                outcome.rows() == 0
                        ? "The master has no rows yet. Refresh, or look in Collect at why no file was taken."
                        : "No row of the master meets this. Change the words above, or press Esc for all rows.");
        columnLook = ColumnLook.of(model.jobProperty().get());
        lay(grid, now);
        if (before != null) {
            before.close();
        }
        String of = look.where().isBlank() ? "" : Says.number(now.rows()) + " of ";
        rowsSaid = of + Says.count(outcome.rows(), "row");
        sumSaid = Weighing.of(outcome)
                .map(weighing -> ", " + weighing.column() + " " + now.sumBeside(weighing))
                .orElse("");
        tellRows(figures.isVisible());
        lookBar.show(look, new LookWords(model, outcome));
    }

    /** Says how many rows there are and, where there is room, what they come to, which stands below the rows as well. */
    private void tellRows(boolean roomy) {
        says.setText(rowsSaid.isEmpty() ? "" : rowsSaid + (roomy ? sumSaid : "") + ".");
    }

    private void narrow(String words) {
        look(look.where(words));
    }

    private void showAll() {
        look(RowLook.ALL);
        grid.requestFocus();
    }

    private void order(int column, boolean more) {
        MasterGrid now = shown;
        if (now != null && column < now.columns()) {
            look(look.turned(now.title(column), now.greatestFirst(column), more));
        }
    }

    private void lookKey(KeyEvent e) {
        boolean inGrid = grid.isFocused();
        MasterGrid now = shown;
        if (e.isShortcutDown() && e.getCode() == KeyCode.F) {
            if (e.isShiftDown()) {
                lookBar.focusWhere();
            } else {
                lookBar.focusFind();
            }
        } else if (e.isShortcutDown() && e.getCode() == KeyCode.G) {
            lookBar.focusRow();
        } else if (e.getCode() == KeyCode.F3) {
            search(lookBar.sought(), true);
        } else if (inGrid && now != null && e.isAltDown() && e.getCode() == KeyCode.DOWN) {
            look(look.by(now.title(selectedColumn(grid)), false));
        } else if (inGrid && now != null && e.isAltDown() && e.getCode() == KeyCode.UP) {
            look(look.by(now.title(selectedColumn(grid)), true));
        } else if (inGrid && !look.isAll() && e.getCode() == KeyCode.ESCAPE) {
            showAll();
        } else if (!inGrid || !columns.key(e)) {
            return;
        }
        e.consume();
    }

    /** Looks at the master so: what is shown stays until the rows are there. */
    private void look(RowLook now) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        look = now;
        if (outcome.isEmpty()) {
            return;
        }
        String problem = new LookWords(model, outcome.get()).problem(now.where());
        if (!problem.isEmpty()) {
            // Words that the master does not know any more narrow nothing down, and must not look as if they did.
            model.say("All rows are shown: “" + now.where() + "” cannot be asked any more. " + problem, true);
            lookBar.forget();
            look(now.where(""));
            return;
        }
        if (now.isAll()) {
            showRows(outcome.get(), new MasterGrid(model.session(), outcome.get(), ui));
            return;
        }
        trails.execute(() -> {
            RowView view = MasterGrid.view(model.session(), outcome.get(), now);
            ui.execute(() -> {
                if (now.equals(look) && outcome.equals(model.outcomeProperty().get())) {
                    showRows(outcome.get(), new MasterGrid(model.session(), outcome.get(), ui, now, view));
                } else {
                    view.close();
                }
            });
        });
    }

    private void failed(Message why) {
        lookBar.tellFound("");
        model.say(why.text(), true);
    }

    /** Goes to a row by its number among those shown, from 1. */
    private void goToRow(long number) {
        long rows = shown == null ? 0 : shown.rows();
        if (number < 1 || number > rows) {
            lookBar.tellFound("there are " + Says.count(rows, "row"));
            return;
        }
        lookBar.tellFound("");
        grid.requestFocus();
        grid.select(number - 1, grid.selectedColumn());
    }

    /** Looks for a text in the rows shown, from the first on. */
    void find(String text) {
        showFace(false);
        lookBar.seek(text);
        grid.select(0, grid.selectedColumn());
        search(text, false);
    }

    /** Goes to the next row that holds a text, from the selected one on; from the first again behind the last. */
    private void search(String text, boolean next) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (text.isBlank() || outcome.isEmpty() || shown == null) {
            return;
        }
        long from = grid.selectedRow() + (next ? 1 : 0);
        RowLook through = look;
        lookBar.tellFound("searching …");
        trails.execute(() -> {
            try (RowView view = MasterGrid.view(model.session(), outcome.get(), through)) {
                long holding = view.holding(text.strip());
                long ahead = holding == 0 ? -1 : view.find(text.strip(), from);
                long found = holding > 0 && ahead < 0 ? view.find(text.strip(), 0) : ahead;
                ui.execute(() -> {
                    lookBar.tellFound(found < 0 ? "in no row shown" : "in " + Says.count(holding, "row") + ", F3 next");
                    if (found >= 0 && through.equals(look)) {
                        grid.select(found, grid.selectedColumn());
                    }
                });
            }
        });
    }

    /** Shows the rows of one source beside those of all. */
    private void showOne() {
        MasterGrid before = shownOfOne;
        shownOfOne = null;
        String source = Objects.requireNonNullElse(sources.getValue(), NONE);
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (source.equals(NONE) || outcome.isEmpty()) {
            rowsFace.getChildren().remove(beside);
        } else {
            MasterGrid now = MasterGrid.ofSource(model.session(), outcome.get(), ui, source);
            shownOfOne = now;
            lay(one, now);
            oneSays.setText("Of these, " + Says.count(now.rows(), "row") + " from " + source + ":");
            if (!rowsFace.getChildren().contains(beside)) {
                rowsFace.getChildren().add(beside);
            }
        }
        if (before != null) {
            before.close();
        }
    }

    /** Rules that what is selected suggests. */
    private void offerRules() {
        MasterGrid now = one.isFocused() ? shownOfOne : shown;
        GridView from = one.isFocused() ? one : grid;
        rule.getItems()
                .setAll(
                        now == null || now.rows() == 0
                                ? List.of(new MenuItem("Select cells first"))
                                : new RuleOffers(model, now, from.selectedRows(), selectedColumns(from), rules)
                                        .items(this::correct));
    }

    /** Opens what corrects the selected cell, where it came from one. */
    private void correct() {
        MasterGrid now = one.isFocused() ? shownOfOne : shown;
        GridView from = one.isFocused() ? one : grid;
        Optional<Outcome> outcome = model.outcomeProperty().get();
        int column = selectedColumn(from);
        if (now == null || outcome.isEmpty() || now.rows() == 0) {
            return;
        }
        String value = now.text(from.selectedRow(), column);
        now.line(from.selectedRow())
                .ifPresent(line -> trails.execute(() -> {
                    Trail found = model.session().trail(outcome.get(), line, column);
                    ui.execute(() -> {
                        boolean cell = found.where().column() > 0
                                && column
                                        < outcome.get()
                                                .proposal()
                                                .plan()
                                                .columns()
                                                .size();
                        if (!cell) {
                            trail.accept(
                                    "This value stands in no single cell of its row, so there is none to correct.");
                            return;
                        }
                        if (!rowsFace.getChildren().contains(correction)) {
                            rowsFace.getChildren().add(correction);
                        }
                        correction.open(column, now.title(column), Objects.requireNonNullElse(value, ""), found);
                    });
                }));
    }

    private void closeCorrection() {
        rowsFace.getChildren().remove(correction);
        grid.requestFocus();
    }

    /** Tells the trail of the selected cell again. */
    void tellTrail() {
        selected(shown, grid.selectedRow(), selectedColumn(grid));
    }

    private void selected(@Nullable MasterGrid now, long row, int column) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (now != null && now.equals(shown)) {
            figures.show(now, grid.selectedRows(), selectedColumns(grid));
        }
        if (now == null || outcome.isEmpty() || now.rows() == 0) {
            trail.accept("");
            return;
        }
        Optional<MasterLine> line = now.line(row);
        if (line.isEmpty()) {
            return;
        }
        if (getScene() != null) {
            facts.follow(now.before(column));
        }
        long request = ++asked;
        String value = now.text(row, column);
        String title = now.title(column);
        if (column >= outcome.get().plan().columns().size()) {
            trails.execute(() -> {
                String where = model.session()
                        .trail(outcome.get(), line.get(), column)
                        .where()
                        .toString();
                ui.execute(() -> tell(request, where + ", tagged " + Says.quoted(title)));
            });
            return;
        }
        trails.execute(() -> {
            Trail found = model.session().trail(outcome.get(), line.get(), column);
            String said = say(found, title, value == null ? "" : value);
            ui.execute(() -> tell(request, said));
        });
    }

    /** Opens the sheet that a cell came from, at that cell. */
    private void opened(@Nullable MasterGrid now, long row, int column) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (now != null && outcome.isPresent()) {
            now.line(row)
                    .ifPresent(line -> trails.execute(() -> {
                        Where where = model.session()
                                .trail(outcome.get(), line, column)
                                .where();
                        ui.execute(() -> open.accept(where));
                    }));
        }
    }

    private void tell(long request, String said) {
        if (request == asked) {
            trail.accept(said);
        }
    }

    private static String say(Trail found, String title, String value) {
        StringBuilder said = new StringBuilder(found.where().toString());
        if (found.header().isEmpty()) {
            // A line that heads the row, a header that ran across or a tag.
            return found.raw().isEmpty()
                    ? said.append(": no column feeds ")
                            .append(Says.quoted(title))
                            .append(" there")
                            .toString()
                    : said.append(": text ")
                            .append(Says.quoted(found.raw()))
                            .append(", said of this row")
                            .toString();
        }
        said.append(", column ").append(Says.quoted(found.header())).append(": ");
        if (found.raw().isEmpty()) {
            return said.append("blank")
                    .append(found.corrected() == null ? "" : ", corrected by you to " + value)
                    .toString();
        }
        said.append("text ").append(Says.quoted(found.raw()));
        if (found.met() > 1) {
            return said.append("text ")
                    .append(Says.quoted(found.raw()))
                    .append(", the first of ")
                    .append(Says.count(found.met(), "cell"))
                    .append(" that met here")
                    .toString();
        }
        if (found.corrected() != null) {
            said.append(", corrected by you to ").append(value.isEmpty() ? "blank" : value);
        } else if (value.isEmpty()) {
            said.append(" does not fit the column's type");
        } else if (!value.equals(found.raw())) {
            said.append(" read as ").append(value);
        }
        return said.toString();
    }

    void close() {
        trails.stop();
        for (MasterGrid now : Arrays.asList(shown, shownOfOne)) {
            if (now != null) {
                now.close();
            }
        }
    }
}
