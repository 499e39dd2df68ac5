package cuvee.desktop;

import cuvee.finding.Question;
import cuvee.model.Deed;
import cuvee.model.Finder;
import cuvee.model.JobModel;
import cuvee.model.Ledger;
import cuvee.model.Questions;
import cuvee.model.Stage;
import cuvee.model.Tour;
import cuvee.place.Where;
import cuvee.tell.Outcome;
import cuvee.tell.Stakes;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * The frame around an open job: title line, ledger strip, band, the stage's view with slips and the list of questions over
 * it, column facts at its side, and the foot line.
 */
final class JobFrame extends BorderPane {
    /** From this width on the facts of a column lie below the board. */
    static final double WIDE = 1600;

    private final JobModel model;
    private final LedgerStrip ledger = new LedgerStrip(this::go, this::goToLoss);
    private final StackPane view = new StackPane();
    private final SlipLayer slips = new SlipLayer();
    private final Band band;
    private final FootLine foot;
    private final Map<Stage, Node> views = new EnumMap<>(Stage.class);
    private final MasterView master;
    private final DeliverView deliver;
    private final ReadView read;
    private final CollectView collect;
    private final LineUpView lineUp;
    private final ReworkView rework;
    private final QuestionList questions;
    private final FactsPane facts;
    private final FactsSide factsSide;
    private final VBox bottom = new VBox();
    private final MapLayer map = new MapLayer(this::toggleMap);
    private final List<GridView> grids;
    private Stage stage = Stage.COLLECT;
    private @Nullable Question asked;

    /** What the window itself does for the frame. */
    interface Shell {
        void start();

        void newJob();

        void openJob();

        void save();

        void saveAs();

        void changeTheme();

        void guide();

        Palette palette();

        Tour tour();
    }

    /** A view in which questions stand at their subject. */
    interface HasQuestions {
        /** Goes to the cell at which a question stands; empty where this view has none. */
        Optional<Spot> spot(Question question);
    }

    /** A cell of a grid. */
    record Spot(GridView grid, long row, int column) {}

    private final Supplier<Choosers> choosers;

    JobFrame(JobModel model, Shell shell, Supplier<Choosers> choosers, Executor ui, ZoneId zone) {
        this.choosers = choosers;
        this.model = model;
        setId("frame");
        facts = new FactsPane(model, ui, choosers);
        factsSide = new FactsSide(model, facts, this::placeFacts, () -> focusGrid(views.get(stage)), this::stepColumn);
        master = new MasterView(model, ui, this::showTrail, this::openSheet, factsSide, () -> go(Stage.REWORK));
        deliver = new DeliverView(model, choosers, this::toggleQuestions);
        questions = new QuestionList(model, this::showInPlace, this::closeQuestions);
        collect = new CollectView(model, choosers, zone, slips, this::openSlip);
        read = new ReadView(model, ui, this::openSlip);
        rework = new ReworkView(model, choosers);
        lineUp = new LineUpView(model, factsSide, slips, this::openSlip);
        CheckView check = new CheckView(model, choosers, this::openSheet, this::openFacts);
        views.put(Stage.COLLECT, collect);
        views.put(Stage.READ, read);
        views.put(Stage.LINE_UP, lineUp);
        views.put(Stage.REWORK, rework);
        views.put(Stage.CHECK, check);
        views.put(Stage.MASTER, master);
        views.put(Stage.DELIVER, deliver);
        grids = new ArrayList<>(List.of(
                read.list(), read.sheet(), lineUp.grid(), master.grid(), master.one(), facts.grid(), questions.grid()));
        grids.add(master.summaryGrid());
        grids.add(deliver.grid());
        grids.addAll(collect.grids());
        grids.addAll(check.grids());
        usePalette(shell.palette());

        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        band = new Band(model);
        foot = new FootLine(model);
        WaitingBar waiting = new WaitingBar(model);
        setTop(new VBox(title(shell), ledger, new TourBand(model, shell.tour()), new TrialBar(model), band, waiting));
        // What changed stands first in Check, before anything is delivered.
        model.onFilesCame(() -> {
            if (!waiting.takesInByItself()) {
                enter(Stage.CHECK);
                focusGrid(views.get(stage));
            }
        });
        view.setMinSize(0, 0);
        setCenter(view);
        bottom.getChildren().add(foot);
        setBottom(bottom);
        widthProperty().addListener((o, before, now) -> placeFacts());
        model.outcomeProperty().addListener((o, before, now) -> show());
        model.jobProperty().addListener((o, before, now) -> show());
        // The band of a trial goes with the button that was pressed.
        model.tryingProperty().addListener((o, before, now) -> Platform.runLater(() -> focusGrid(views.get(stage))));
        sceneProperty().addListener((o, before, now) -> {
            if (now != null) {
                now.focusOwnerProperty().addListener((f, was, is) -> tellTrail(is));
            }
        });
        show();
        go(Stage.COLLECT);
    }

    private void showTrail(String said) {
        if (stage == Stage.MASTER) {
            foot.setTrail(said);
        }
    }

    /** Tells where what is chosen in a grid is from; Master asks for its cells by itself. */
    private void tellTrail(@Nullable Node focused) {
        foot.trailProperty().unbind();
        if (focused instanceof GridView grid && stage != Stage.MASTER) {
            foot.trailProperty().bind(grid.trailProperty());
        }
    }

    /** The board at a column, with the facts of it. */
    private void openFacts(String column) {
        go(Stage.LINE_UP);
        lineUp.goTo(column);
        factsSide.show(column);
    }

    /** Chooses a column of the board or the master so many places further on. */
    private void stepColumn(int by) {
        GridView grid = stage == Stage.MASTER ? master.grid() : lineUp.grid();
        grid.select(grid.selectedRow(), grid.selectedColumn() + by);
    }

    /** Puts the facts at the side; in a wide window below the board, which needs its width. */
    private void placeFacts() {
        boolean below = factsSide.isOpen() && stage == Stage.LINE_UP && getWidth() >= WIDE;
        boolean beside = factsSide.isOpen() && !below;
        if (below != bottom.getChildren().contains(facts) || beside != facts.equals(getRight())) {
            setRight(null);
            bottom.getChildren().remove(facts);
            facts.lay(below);
            if (below) {
                bottom.getChildren().add(0, facts);
            } else if (beside) {
                setRight(facts);
            }
        }
    }

    /** Draws all grids, shown or not, in these colours. */
    void usePalette(Palette palette) {
        grids.forEach(grid -> grid.paletteProperty().set(palette));
    }

    private TitleLine title(Shell shell) {
        return new TitleLine(
                model,
                shell,
                new TitleLine.Hands() {
                    @Override
                    public void questions() {
                        toggleQuestions();
                    }

                    @Override
                    public void deliver() {
                        deliverNow();
                    }

                    @Override
                    public void go(Finder.Found found) {
                        goTo(found);
                    }
                },
                Pieces.item("Save under another name", "Shortcut+Shift+S", shell::saveAs),
                Pieces.line(),
                Pieces.item("New job from a folder", "Shortcut+N", shell::newJob),
                Pieces.item("Open a job", "Shortcut+O", shell::openJob),
                Pieces.item("All jobs", "Shortcut+W", shell::start),
                Pieces.line(),
                Pieces.item("Try a refresh first", "Shift+F5", model::tryRefresh),
                Pieces.item("Questions", "Shortcut+J", this::toggleQuestions),
                Pieces.item("Next question", "Alt+Page Down", () -> nextQuestion(1)),
                Pieces.item("Question before", "Alt+Page Up", () -> nextQuestion(-1)),
                Pieces.line(),
                Pieces.item("A blank workbook for those who send ...", "", this::blankWorkbook),
                Pieces.item("Light or dark", "Shortcut+L", shell::changeTheme),
                Pieces.item("Map of what can be done here", "F1", this::toggleMap),
                Pieces.item("Guide: ten tasks with pictures", "Shift+F1", shell::guide));
    }

    private void blankWorkbook() {
        Handing.over(
                model,
                choosers.get(),
                "Write the blank workbook to",
                model.file().resolveSibling(model.jobProperty().get().name() + " form.xlsx"),
                "xlsx",
                model.deliveries()::writeBlank);
    }

    /** Goes to a stage. */
    void go(Stage to) {
        if (to != stage) {
            band.leave();
        }
        enter(to);
    }

    private void enter(Stage to) {
        slips.close();
        stage = to;
        if (to != Stage.LINE_UP && to != Stage.MASTER) {
            factsSide.close();
        }
        placeFacts();
        ledger.choose(to);
        Node shown = views.get(to);
        if (shown != null) {
            view.getChildren().setAll(shown, slips);
        }
        foot.trailProperty().unbind();
        foot.setTrail("");
        if (to == Stage.MASTER) {
            master.tellTrail();
        }
        if (to == Stage.LINE_UP) {
            lineUp.followFacts();
        }
        if (to == Stage.REWORK) {
            rework.focusFirst();
        } else {
            focusGrid(shown);
        }
    }

    /** Opens what was lost between a stage and the next. */
    private void goToLoss(Stage from) {
        go(from);
        switch (from) {
            case COLLECT -> collect.showAside();
            case READ -> read.showAside();
            default -> {}
        }
    }

    // ---- questions ----

    private boolean questionsShown() {
        return view.getChildren().contains(questions);
    }

    void toggleQuestions() {
        if (questionsShown()) {
            closeQuestions();
        } else {
            slips.close();
            factsSide.close();
            view.getChildren().setAll(questions);
            // What lies in a scroll pane can have the keys once that has its skin.
            questions.applyCss();
            questions.layout();
            questions.focusChosen();
        }
    }

    /** Shows what can be done here by keys, or folds it. */
    void toggleMap() {
        if (view.getChildren().contains(map)) {
            go(stage);
        } else {
            slips.close();
            map.show(stage);
            view.getChildren().setAll(map);
            map.takeKeys();
        }
    }

    private void closeQuestions() {
        go(stage);
    }

    /** Goes to the question after the one that was shown last, or before it, whichever stage it belongs to. */
    void nextQuestion(int by) {
        List<Question> open =
                model.outcomeProperty().get().map(Outcome::questions).orElse(List.of());
        if (open.isEmpty()) {
            model.say("No open question.", false);
            return;
        }
        Question last = asked;
        int at = -1;
        for (int i = 0; last != null && i < open.size(); i++) {
            at = open.get(i).id().equals(last.id()) ? i : at;
        }
        int next = at < 0 ? (by > 0 ? 0 : open.size() - 1) : Math.floorMod(at + by, open.size());
        showInPlace(open.get(next));
    }

    /** Goes to the cell at which a question stands, and opens its slip there; the list where it stands at none. */
    private void showInPlace(Question question) {
        asked = question;
        Stage there = Questions.stage(question);
        go(there);
        Optional<Spot> spot = views.get(there) instanceof HasQuestions has ? has.spot(question) : Optional.empty();
        if (spot.isEmpty()) {
            toggleQuestions();
            questions.go(question);
            return;
        }
        applyCss();
        layout();
        openSlip(question, spot.get());
    }

    private void openSlip(Question question, Spot spot) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        spot.grid().select(spot.row(), spot.column());
        outcome.ifPresent(made -> spot.grid().cell(spot.row(), spot.column()).ifPresent(place -> {
            asked = question;
            Label title = Pieces.wrapped(Questions.title(made, question), "heading");
            title.setMaxWidth(Double.MAX_VALUE);
            javafx.scene.layout.HBox.setHgrow(title, Priority.ALWAYS);
            Label stake = Pieces.label(Stakes.of(made).of(question).said(), "second");
            stake.setMinWidth(USE_PREF_SIZE);
            AnswerBox answers = new AnswerBox(
                    model,
                    made,
                    question,
                    (settled, answer) -> {
                        slips.close();
                        model.answers().settle(settled, answer);
                    },
                    Pieces.space(),
                    Pieces.label("Esc folds", "second", "small"));
            slips.open(
                    spot.grid(),
                    place,
                    Pieces.row(8, Pieces.mark(cuvee.model.GridModel.Mark.QUESTION, ""), title, stake),
                    answers);
            answers.focusAnswers();
        }));
    }

    /** Opens a sheet in Read, at a cell. */
    void openSheet(Where where) {
        go(Stage.READ);
        read.go(where);
        read.sheet().requestFocus();
    }

    Stage stage() {
        return stage;
    }

    private static void focusGrid(@Nullable Node shown) {
        if (shown != null) {
            // What lies in a scroll pane is found once that has its skin.
            shown.applyCss();
            Stream.of(".grid-view", ".chief")
                    .flatMap(what -> shown.lookupAll(what).stream())
                    .filter(JobFrame::isSeen)
                    .findFirst()
                    .ifPresent(Node::requestFocus);
        }
    }

    /** True for a part that stands in the window, with all that it stands in. */
    private static boolean isSeen(Node part) {
        for (Node each = part; each != null; each = each.getParent()) {
            if (!each.isVisible()) {
                return false;
            }
        }
        return true;
    }

    /** Goes to the deliveries, each to be written there; where the job has none yet, asks for the first. */
    void deliverNow() {
        go(Stage.DELIVER);
        if (model.jobProperty().get().deliveries().isEmpty()) {
            deliver.addDelivery();
        }
    }

    /** Presses the part of the window that keys stand for here, where no view has followed them. */
    private void key(KeyEvent e) {
        if (e.getTarget() instanceof TextInputControl && !e.isShortcutDown()) {
            return;
        }
        Stream.concat(Deed.in(stage).stream(), Deed.everywhere().stream())
                .filter(deed -> deed.part().isPresent() && MapLayer.keys(deed).match(e))
                .findFirst()
                .ifPresent(deed -> {
                    press(lookup("#" + deed.part().get()));
                    e.consume();
                });
    }

    private static void press(@Nullable Node part) {
        if (part instanceof ButtonBase button && isSeen(button)) {
            button.fire();
        } else if (part instanceof TextInputControl line && isSeen(line)) {
            line.requestFocus();
        }
    }

    /** Goes to what was found by its name. */
    private void goTo(Finder.Found found) {
        Optional<Deed> deed = found.deed();
        if (deed.isPresent()) {
            // Back to where the keys were before they went to Find, unless it is done in another stage.
            go(deed.get().stage().orElse(stage));
            Node target = getScene().getFocusOwner();
            MapLayer.press(deed.get(), target == null ? this : target);
            return;
        }
        if (found.stage() == Stage.READ) {
            openSheet(found.where());
            return;
        }
        go(found.stage());
        if (found.isInRows()) {
            master.find(found.name());
        } else if (!found.column().isEmpty()) {
            lineUp.goTo(found.column());
        } else if (found.stage() == Stage.COLLECT && !found.where().source().isEmpty()) {
            collect.goTo(found.where().source());
        }
    }

    void focusFind() {
        Node find = lookup("#find");
        if (find != null) {
            find.requestFocus();
        }
    }

    /** Puts the keys into the next of the window's parts, or the one before. */
    void nextPart(int by) {
        List<Node> parts = new ArrayList<>();
        for (String id : List.of("#find", "#" + LedgerStrip.id(stage))) {
            parts.add(lookup(id));
        }
        parts.add(view.getChildren().get(0).lookup(".grid-view"));
        parts.add(factsSide.isOpen() ? facts.lookup(".grid-view") : null);
        parts.add(lookup("#undo"));
        parts.removeIf(part -> part == null || !part.isVisible());
        int at = -1;
        for (int i = 0; i < parts.size(); i++) {
            at = parts.get(i).isFocused() ? i : at;
        }
        int next = at < 0 ? 2 : Math.floorMod(at + by, parts.size());
        parts.get(Math.min(next, parts.size() - 1)).requestFocus();
    }

    private void show() {
        for (Stage each : Stage.values()) {
            ledger.show(Ledger.of(
                    each, model.jobProperty().get(), model.outcomeProperty().get()));
        }
        slips.close();
    }

    void close() {
        master.close();
        read.close();
        factsSide.close();
    }
}
