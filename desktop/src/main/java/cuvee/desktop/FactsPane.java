package cuvee.desktop;

import cuvee.master.ColumnFacts;
import cuvee.master.RowRule;
import cuvee.model.JobModel;
import cuvee.model.MasterGrid;
import cuvee.model.Scope;
import cuvee.model.ValuesGrid;
import cuvee.place.Says;
import cuvee.rework.Phrase;
import cuvee.rework.Tidying;
import cuvee.tell.Outcome;
import cuvee.value.Spellings.Counted;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.geometry.Bounds;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;

/**
 * What a column holds, over all rows: its figures, its values with their counts, those that do not fit, those that look
 * like one, and how each layout writes it. Values are written otherwise from here.
 */
final class FactsPane extends VBox {
    private static final double WIDTH = 432;
    private static final double BAND_HEIGHT = 264;
    private static final double SAID_WIDTH = 264;
    private static final double ACTS_WIDTH = 304;
    private static final double VALUES_HEIGHT = 330;
    private static final double LEAST_VALUES_HEIGHT = 130;
    /** So much room a column of few values has for them, before what stands below it is seen. */
    private static final double FEW_VALUES_HEIGHT = 226;

    private static final double OTHERS_HEIGHT = 240;
    private final JobModel model;
    private final Executor ui;
    private final Label title = new Label();
    private final Label figures = new Label();
    private final FactsSpelling spelling;
    private final FactsAlike alike;
    private final FactsByLayout layouts;
    private final TextField search = new TextField();
    private final GridView values = new GridView("facts-values");
    private final Label chosen = new Label();
    private static final int MOST_IN_A_RULE = 12;
    private final TextField to = new TextField();
    private final Button write = new Button("Write it");
    private final ComboBox<Scope> scope = new ComboBox<>();
    private final Button blank = new Button("Take for blank");
    private final MenuButton codes = new MenuButton("Names for codes");
    private final HBox writing = new HBox(6, to, write);
    private final PauseTransition typing = new PauseTransition(Duration.millis(200));
    /** The figures, the values, what can be done with those chosen, and what else there is to see. */
    private final VBox said;

    private final VBox held;
    private final VBox acts;
    private final ScrollPane others;
    private List<Pane> parts = List.of();
    private @Nullable ValuesGrid shown;
    private String column = "";
    /** How wide they are beside a grid, as the edge was left. */
    private double wide = WIDTH;

    private Runnable onClose = () -> {};

    FactsPane(JobModel model, Executor ui, Supplier<Choosers> choosers) {
        this.model = model;
        this.ui = ui;
        spelling = new FactsSpelling(model);
        alike = new FactsAlike(model);
        layouts = new FactsByLayout(model);
        setId("facts");
        getStyleClass().add("panel");
        HBox head = head();
        makeValues();
        makeWriting();
        makeCodes(choosers);
        FlowPane whole = new FlowPane(6, 6, blank, codes);
        said = new VBox(8, figures, spelling);
        held = new VBox(8, search, values);
        acts = new VBox(8, chosen, writing, scope, whole);
        VBox more = new VBox(10, alike, layouts);
        more.getStyleClass().add("panel-part");
        others = new ScrollPane(more);
        others.setFitToWidth(true);
        others.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        others.setMinHeight(0);
        getChildren().add(head);
        lay(false);
        Edge.of(this, HPos.LEFT, WIDTH);
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                onClose.run();
                e.consume();
            }
        });
    }

    private HBox head() {
        title.setId("facts-title");
        title.getStyleClass().add("section-title");
        title.setMinWidth(0);
        Button closing = new Button("Close");
        closing.setId("facts-close");
        closing.getStyleClass().add("go");
        closing.setMinWidth(Region.USE_PREF_SIZE);
        closing.setOnAction(e -> onClose.run());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(8, title, space, closing);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("drawer-head");
        return head;
    }

    private void makeValues() {
        figures.setId("facts-figures");
        figures.setWrapText(true);
        figures.setMinHeight(Region.USE_PREF_SIZE);
        search.setId("facts-search");
        search.setPromptText("find a value");
        search.setAccessibleText("Find a value of this column");
        typing.setOnFinished(e -> Optional.ofNullable(shown).ifPresent(grid -> grid.search(search.getText())));
        search.textProperty().addListener((o, before, now) -> typing.playFromStart());
        values.setEmptyWords("No value.");
        values.setPrefHeight(VALUES_HEIGHT);
        values.setMinHeight(LEAST_VALUES_HEIGHT);
        values.setOnSelect((row, at) -> tellChosen());
        values.setOnOpen((row, at) -> to.requestFocus());
        values.setOnContextMenuRequested(e -> offerRules(e.getScreenX(), e.getScreenY()));
        values.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.isShortcutDown() && e.getCode() == KeyCode.R) {
                Bounds at = values.localToScreen(values.getBoundsInLocal());
                offerRules(at.getMinX() + 40, at.getMinY() + 40);
                e.consume();
            }
        });
        VBox.setVgrow(values, Priority.ALWAYS);
    }

    private void makeWriting() {
        chosen.setWrapText(true);
        chosen.getStyleClass().add("hint");
        to.setId("facts-to");
        to.setPromptText("write instead");
        to.setAccessibleText("What to write instead of the chosen values");
        to.setOnAction(e -> writeChosen(to.getText()));
        HBox.setHgrow(to, Priority.ALWAYS);
        write.setId("facts-write");
        write.setMinWidth(Region.USE_PREF_SIZE);
        write.setOnAction(e -> writeChosen(to.getText()));
        write.disableProperty().bind(to.textProperty().isEmpty());
        blank.setId("facts-blank");
        blank.setOnAction(e -> writeChosen(""));
        writing.setAlignment(Pos.CENTER_LEFT);
        scope.setId("facts-scope");
        scope.setMaxWidth(Double.MAX_VALUE);
        scope.setConverter(Choices.words(Scope::words));
        scope.setAccessibleText("Where it is written so");
    }

    private void makeCodes(Supplier<Choosers> choosers) {
        MenuItem fromFile = new MenuItem("from a table in a file");
        fromFile.setOnAction(e -> choosers.get()
                .file("The table with codes and names")
                .ifPresent(file -> model.rules().codesFromFile(column, file)));
        MenuItem pasted = new MenuItem("as copied: codes and names beside them");
        pasted.setOnAction(e -> model.rules()
                .codesPasted(
                        column,
                        Objects.requireNonNullElse(
                                Clipboard.getSystemClipboard().getString(), "")));
        codes.setId("facts-codes");
        codes.getItems().addAll(fromFile, pasted);
    }

    GridView grid() {
        return values;
    }

    /** What is done when the one who looks wants them gone. */
    void setOnClose(Runnable listener) {
        onClose = listener;
    }

    /** Lays it out as a band below what it tells of, its parts side by side, or as a side of one column. */
    void lay(boolean asBand) {
        if (getChildren().size() > 1 && asBand == getStyleClass().contains("band-panel")) {
            return;
        }
        getStyleClass().remove("band-panel");
        getChildren().remove(1, getChildren().size());
        // What holds the parts lets go of them before another takes them.
        parts.forEach(part -> part.getChildren().clear());
        if (getMaxWidth() < Double.MAX_VALUE && getMaxWidth() > 0) {
            wide = getMaxWidth();
        }
        if (asBand) {
            getStyleClass().add("band-panel");
            HBox row = new HBox(said, held, acts, others);
            said.setPrefWidth(SAID_WIDTH);
            acts.setPrefWidth(ACTS_WIDTH);
            List.of(said, held, acts).forEach(part -> part.getStyleClass().add("panel-part"));
            List.of(said, acts).forEach(part -> part.setMinWidth(Region.USE_PREF_SIZE));
            HBox.setHgrow(held, Priority.ALWAYS);
            HBox.setHgrow(others, Priority.ALWAYS);
            others.setPrefWidth(WIDTH);
            others.setMaxHeight(Double.MAX_VALUE);
            VBox.setVgrow(row, Priority.ALWAYS);
            parts = List.of(row);
            setMinSize(0, BAND_HEIGHT);
            setPrefSize(Region.USE_COMPUTED_SIZE, BAND_HEIGHT);
            setMaxSize(Double.MAX_VALUE, BAND_HEIGHT);
            getChildren().add(row);
        } else {
            VBox column = new VBox(8, said, held, acts);
            column.getStyleClass().add("panel-part");
            List.of(said, held, acts).forEach(part -> {
                part.getStyleClass().remove("panel-part");
                part.setMinWidth(0);
                part.setPrefWidth(Region.USE_COMPUTED_SIZE);
            });
            VBox.setVgrow(held, Priority.ALWAYS);
            parts = List.of(column);
            setMinSize(wide, 0);
            setPrefSize(wide, Region.USE_COMPUTED_SIZE);
            setMaxSize(wide, Double.MAX_VALUE);
            getChildren().addAll(column, others);
        }
        shareRoom();
    }

    /** A column of few values leaves the room that they do not need to what stands below them. */
    private void shareRoom() {
        double needed = shown == null ? VALUES_HEIGHT : values.headAndRows();
        boolean few = needed < VALUES_HEIGHT;
        values.setMinHeight(Math.min(few ? FEW_VALUES_HEIGHT : LEAST_VALUES_HEIGHT, needed));
        values.setPrefHeight(Math.min(VALUES_HEIGHT, needed));
        values.setMaxHeight(few ? needed : Double.MAX_VALUE);
        if (getChildren().contains(others)) {
            VBox.setVgrow(parts.get(0), few ? Priority.NEVER : Priority.ALWAYS);
            VBox.setVgrow(others, few ? Priority.ALWAYS : Priority.NEVER);
            others.setMaxHeight(few ? Double.MAX_VALUE : OTHERS_HEIGHT);
        }
    }

    /** Shows a column of the master, tags behind the others; an earlier search is kept where it is the same column. */
    void show(Outcome outcome, int at) {
        close();
        boolean data = at < outcome.proposal().columns().size();
        String name = data
                ? outcome.proposal().columns().get(at).name()
                : outcome.proposal()
                        .plan()
                        .tags()
                        .get(at - outcome.proposal().columns().size())
                        .name();
        if (!name.equals(column)) {
            search.setText("");
            to.setText("");
        }
        column = name;
        scope.getItems().setAll(Scope.of(outcome));
        scope.setValue(Scope.ALL);
        ValuesGrid grid = new ValuesGrid(model.session(), outcome, at, ui);
        shown = grid;
        title.setText(name + ": " + grid.type().word());
        figures.setText("Counting the values of all rows.");
        alike.tell(name, List.of());
        layouts.clear();
        boolean own = data && outcome.proposal().hasCells(at);
        boolean written = own || data && outcome.proposal().isMade(at);
        boolean texts = own && grid.type() == Type.TEXT;
        if (texts) {
            spelling.ofTexts(name, Tidying.of(outcome.job(), name));
        } else if (own && grid.type() == Type.YES_NO) {
            spelling.ofYesNo(name, grid.words());
        } else {
            spelling.ofNone();
        }
        writing.setDisable(!written);
        codes.setDisable(!data);
        blank.setDisable(!written);
        values.setModel(grid);
        if (data) {
            layouts.tell(outcome, at, name, grid.type());
        }
        grid.load(found -> counted(grid, found), why -> {
            if (shown == grid) {
                figures.setText(why);
            }
        });
    }

    private void counted(ValuesGrid grid, ValuesGrid.Found found) {
        if (shown != grid) {
            return;
        }
        figures.setText(words(found, grid.type()));
        values.setModel(grid);
        shareRoom();
        alike.tell(column, found.alike());
        tellChosen();
        if (!search.getText().isEmpty()) {
            grid.search(search.getText());
        }
    }

    /** The column that is shown; empty where none is. */
    String column() {
        return column;
    }

    private static String words(ValuesGrid.Found found, Type type) {
        ColumnFacts facts = found.facts();
        List<String> said = new ArrayList<>();
        said.add(
                facts.blank() == 0
                        ? "Filled in all " + Says.count(facts.rows(), "row") + "."
                        : "Filled in " + Says.number(facts.filled()) + " of " + Says.count(facts.rows(), "row")
                                + ", blank in " + Says.number(facts.blank()) + ".");
        said.add(Says.count(facts.different(), "different value") + ".");
        if (facts.least() != null && facts.greatest() != null && type != Type.YES_NO) {
            String between = type == Type.TEXT ? "From " : "Least ";
            said.add(between + quoted(facts.least(), type) + (type == Type.TEXT ? " to " : ", greatest ")
                    + quoted(facts.greatest(), type) + ".");
        }
        if (facts.sum() != null) {
            said.add("Sum " + MasterGrid.groupedNumber(facts.sum()) + ".");
        }
        if (facts.median() != null) {
            said.add("Median " + quoted(facts.median(), type) + ".");
        }
        long misfits = found.misfits().stream().mapToLong(Counted::rows).sum();
        if (misfits > 0) {
            said.add(Says.count(misfits, "value") + (misfits == 1 ? " does" : " do") + " not fit " + type.word()
                    + ", listed first.");
        }
        return String.join(" ", said);
    }

    private static String quoted(String value, Type type) {
        String words = MasterGrid.shownAs(value, type);
        return type == Type.TEXT ? Says.quoted(words.length() > 30 ? words.substring(0, 29) + "…" : words) : words;
    }

    // ---- values written otherwise ----

    private List<Counted> chosenValues() {
        ValuesGrid grid = shown;
        long[] rows = values.selectedRows();
        return grid == null || grid.rows() == 0 ? List.of() : grid.writable(rows[0], rows[1]);
    }

    private void tellChosen() {
        List<Counted> texts = chosenValues();
        ValuesGrid grid = shown;
        boolean fitting = grid != null && grid.type() != Type.TEXT && grid.rows() > 0;
        boolean none = texts.isEmpty();
        Pieces.show(writing, !none);
        Pieces.show(scope, !none);
        Pieces.show(blank, !none);
        if (none) {
            chosen.setText(fitting ? "Values that fit are kept as they are." : "");
            return;
        }
        long rows = texts.stream().mapToLong(Counted::rows).sum();
        chosen.setText("For "
                + (texts.size() == 1 ? Says.quoted(texts.get(0).text()) : Says.count(texts.size(), "chosen value"))
                + " in " + Says.count(rows, "row") + ":");
    }

    /** Rules about rows that the chosen values suggest. */
    private void offerRules(double x, double y) {
        ValuesGrid grid = shown;
        long[] rows = values.selectedRows();
        List<String> texts = grid == null || grid.rows() == 0 ? List.of() : grid.values(rows[0], rows[1]);
        if (texts.isEmpty() || texts.size() > MOST_IN_A_RULE) {
            return;
        }
        String phrase = Phrase.of(column, RowRule.Test.IS, texts).said();
        MenuItem aside = new MenuItem("Set aside rows where " + phrase);
        aside.setMnemonicParsing(false);
        aside.setOnAction(e -> model.rules().ruleByPhrase(phrase, false));
        MenuItem keep = new MenuItem("Keep only rows where " + phrase);
        keep.setMnemonicParsing(false);
        keep.setOnAction(e -> model.rules().ruleByPhrase(phrase, true));
        new ContextMenu(aside, keep).show(values, x, y);
    }

    private void writeChosen(String wanted) {
        List<String> texts = chosenValues().stream().map(Counted::text).toList();
        if (!texts.isEmpty()) {
            to.setText("");
            model.rules()
                    .writeValues(
                            column,
                            texts,
                            wanted,
                            scope.getValue() == null ? "" : scope.getValue().id());
        }
    }

    /** Gives back what is read from. */
    void close() {
        ValuesGrid grid = shown;
        shown = null;
        if (grid != null) {
            grid.close();
        }
    }
}
