package cuvee.desktop;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.model.Grids;
import cuvee.model.JobModel;
import cuvee.model.Ledger;
import cuvee.model.ListGrid;
import cuvee.model.Stage;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.refresh.Outcome;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The frame around an open job: its name and commands, the ledger strip, the stage's view, questions and trail. */
final class JobFrame extends BorderPane {
    private final JobModel model;
    private final LedgerStrip ledger = new LedgerStrip(this::go);
    private final StackPane view = new StackPane();
    private final Label trail = new Label();
    private final Map<Stage, Node> views = new EnumMap<>(Stage.class);
    private final MasterView master;
    private final DeliverView deliver;
    private final ReadView read;
    private final ReworkView rework;
    private final QuestionsDrawer drawer;
    private final FactsPane facts;
    private final java.util.List<GridView> grids;
    private Stage stage = Stage.COLLECT;

    /** What the window itself does for the frame. */
    interface Shell {
        void start();

        void newJob();

        void openJob();

        void save();

        void saveAs();

        void changeTheme();

        Palette palette();
    }

    JobFrame(JobModel model, Shell shell, Supplier<Choosers> choosers, Executor ui, ZoneId zone) {
        this.model = model;
        setId("frame");
        master = new MasterView(model, ui, this::showTrail, this::openSheet, this::showFacts, () -> go(Stage.REWORK));
        deliver = new DeliverView(model, choosers);
        drawer = new QuestionsDrawer(model::settle);
        facts = new FactsPane(model, ui, choosers, () -> showFacts(-1));
        CollectView collect = new CollectView(model, choosers, zone);
        read = new ReadView(model, ui);
        rework = new ReworkView(model, choosers);
        LineUpView lineUp = new LineUpView(model, this::showFacts);
        TableView check = new TableView(
                "findings",
                model,
                JobFrame::verdict,
                Grids::findings,
                "Nothing to see: every value fits and every tally closes.");
        TableView tally = new TableView(
                "reconciliation",
                model,
                Grids::reconciliationSays,
                Grids::reconciliation,
                "No source has been read yet.");
        check.grid().setOnOpen((row, column) -> openFinding(check, row));
        VBox checks = new VBox(check, tally);
        checks.setId("check");
        VBox.setVgrow(check, Priority.ALWAYS);
        VBox.setVgrow(tally, Priority.ALWAYS);
        views.put(Stage.COLLECT, collect);
        views.put(Stage.READ, read);
        views.put(Stage.LINE_UP, lineUp);
        views.put(Stage.REWORK, rework);
        views.put(Stage.CHECK, checks);
        views.put(Stage.MASTER, master);
        views.put(Stage.DELIVER, deliver);
        grids = List.of(
                collect.grid(),
                read.list(),
                read.sheet(),
                lineUp.grid(),
                check.grid(),
                tally.grid(),
                master.grid(),
                master.one(),
                facts.grid());
        usePalette(shell.palette());

        trail.setId("trail");
        trail.getStyleClass().add("trail");
        trail.setMaxWidth(Double.MAX_VALUE);
        setTop(new VBox(commands(shell), ledger, new WorkBar(model)));
        setCenter(view);
        setRight(drawer);
        setBottom(trail);
        model.outcomeProperty().addListener((o, before, now) -> {
            show();
            now.ifPresent(this::showFactsAgain);
        });
        model.jobProperty().addListener((o, before, now) -> show());
        show();
        go(Stage.COLLECT);
    }

    private void showTrail(String said) {
        trail.setText(stage == Stage.MASTER ? said : "");
    }

    /** Shows what a column holds in the place of the questions; a number below zero shows the questions again. */
    private void showFacts(int column) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (column < 0 || outcome.isEmpty()) {
            facts.close();
            setRight(drawer);
            focusGrid(views.get(stage));
        } else {
            facts.show(outcome.get(), column);
            setRight(facts);
        }
    }

    /** The facts of the column that is open, from a new outcome. */
    private void showFactsAgain(Outcome outcome) {
        if (getRight() == facts) {
            List<String> names = new ArrayList<>();
            outcome.proposal().plan().columns().forEach(column -> names.add(column.name()));
            outcome.proposal().plan().tags().forEach(tag -> names.add(tag.name()));
            showFacts(names.indexOf(facts.column()));
        }
    }

    /** Draws all grids, shown or not, in these colours. */
    void usePalette(Palette palette) {
        grids.forEach(grid -> grid.paletteProperty().set(palette));
    }

    private static String verdict(Outcome outcome) {
        long warnings = outcome.findings().stream()
                .filter(finding -> finding.atLeast(Severity.QUESTION))
                .count();
        if (!outcome.needsALook()) {
            return "Clean: nothing waits for an answer, and every tally closes.";
        }
        return "Look before you rely on it: " + Says.count(outcome.questions().size(), "open question") + ", "
                + Says.count(warnings, "warning") + ".";
    }

    private HBox commands(Shell shell) {
        Label name = new Label();
        name.setId("job-name");
        name.getStyleClass().add("job-name");
        name.textProperty().bind(model.titleProperty());
        name.setMinWidth(0);
        Button refresh = new Button("Refresh");
        refresh.setId("refresh");
        refresh.getStyleClass().add("chief");
        refresh.setTooltip(new Tooltip("Look at the places again (F5)"));
        refresh.setOnAction(e -> model.refresh());
        Button write = new Button("Deliver");
        write.setId("deliver-now");
        write.setTooltip(new Tooltip("Write the master to a file (Ctrl+D)"));
        write.setOnAction(e -> deliverNow());
        Button undo = command("Undo", "undo", "Ctrl+Z", model::undo);
        undo.disableProperty().bind(model.canUndoProperty().not());
        Button redo = command("Redo", "redo", "Ctrl+Y", model::redo);
        redo.disableProperty().bind(model.canRedoProperty().not());
        Button save = command("Save", "save", "Ctrl+S", shell::save);
        save.disableProperty().bind(model.unsavedProperty().not());
        MenuButton more = new MenuButton("More");
        more.setId("more");
        more.getItems()
                .addAll(
                        item("New job from a folder", "Shortcut+N", shell::newJob),
                        item("Open a job", "Shortcut+O", shell::openJob),
                        item("Save under another name", "Shortcut+Shift+S", shell::saveAs),
                        new SeparatorMenuItem(),
                        item("Fold or show the questions", "Shortcut+J", () -> drawer.setOpen(!drawer.isOpen())),
                        item("Light or dark", "Shortcut+L", shell::changeTheme),
                        new SeparatorMenuItem(),
                        item("Start screen", "Shortcut+W", shell::start));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox bar = new HBox(8, name, space, undo, redo, save, write, refresh, more);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("commands");
        return bar;
    }

    private static Button command(String text, String id, String keys, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.getStyleClass().add("plain");
        button.setTooltip(new Tooltip(text + " (" + keys + ")"));
        button.setOnAction(e -> action.run());
        return button;
    }

    private static MenuItem item(String text, String keys, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setAccelerator(KeyCombination.valueOf(keys));
        item.setOnAction(e -> action.run());
        return item;
    }

    /** Goes to a stage. */
    void go(Stage to) {
        stage = to;
        ledger.choose(to);
        Node shown = views.get(to);
        if (shown != null) {
            view.getChildren().setAll(shown);
        }
        trail.setText("");
        if (to == Stage.MASTER) {
            master.tellTrail();
        }
        if (to == Stage.REWORK) {
            rework.focusFirst();
        } else {
            focusGrid(shown);
        }
    }

    /** Opens a sheet in Read, at a cell. */
    void openSheet(Where where) {
        go(Stage.READ);
        read.go(where);
        read.sheet().requestFocus();
    }

    private void openFinding(TableView check, long row) {
        if (check.grid().model() instanceof ListGrid<?> list && list.item(row) instanceof Finding finding) {
            if (!finding.where().source().isEmpty()) {
                openSheet(finding.where());
            }
        }
    }

    Stage stage() {
        return stage;
    }

    private static void focusGrid(@org.jspecify.annotations.Nullable Node shown) {
        if (shown != null) {
            Node grid = shown.lookup(".grid-view");
            Node chief = grid == null ? shown.lookup(".chief") : grid;
            if (chief != null) {
                chief.requestFocus();
            }
        }
    }

    /** Writes all deliveries of the job; where it has none yet, asks for the first. */
    void deliverNow() {
        go(Stage.DELIVER);
        if (model.jobProperty().get().deliveries().isEmpty()) {
            deliver.addDelivery();
        } else {
            model.jobProperty().get().deliveries().stream().findFirst().ifPresent(model::deliver);
        }
    }

    private void show() {
        for (Stage each : Stage.values()) {
            ledger.show(Ledger.of(
                    each, model.jobProperty().get(), model.outcomeProperty().get()));
        }
        model.outcomeProperty().get().map(Outcome::questions).ifPresentOrElse(drawer::show, drawer::showWaiting);
    }

    void close() {
        master.close();
        read.close();
        facts.close();
    }
}
