package cuvee.desktop;

import cuvee.master.ColumnFacts;
import cuvee.master.MasterPlan;
import cuvee.master.RowRule;
import cuvee.model.BoardGrid;
import cuvee.model.JobModel;
import cuvee.model.MasterGrid;
import cuvee.model.Scope;
import cuvee.model.ValuesGrid;
import cuvee.place.Says;
import cuvee.rework.Phrase;
import cuvee.rework.Tidying;
import cuvee.tell.LayoutFacts;
import cuvee.tell.Outcome;
import cuvee.value.Convention;
import cuvee.value.Spellings;
import cuvee.value.Spellings.Counted;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
    private static final double OTHERS_HEIGHT = 240;
    private static final int GROUPS_SHOWN = 8;
    private final JobModel model;
    private final Executor ui;
    private final Label title = new Label();
    private final Label figures = new Label();
    private final VBox alike = new VBox(4);
    private final VBox layouts = new VBox(4);
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
    private final ComboBox<MasterPlan.Spelling> spelling = new ComboBox<>();
    private final HBox spellings = new HBox(8);
    private static final List<YesNoWords> USUAL_WORDS =
            List.of(new YesNoWords("Yes", "No"), new YesNoWords("Y", "N"), YesNoWords.TRUE_FALSE);
    private final ComboBox<YesNoWords> yesNo = new ComboBox<>();
    private final HBox yesNoWritten = new HBox(8);
    /** The figures, the values, what can be done with those chosen, and what else there is to see. */
    private final VBox said;

    private final VBox held;
    private final VBox acts;
    private final ScrollPane others;
    private List<Pane> parts = List.of();
    private @Nullable ValuesGrid shown;
    private boolean filling;
    private String column = "";
    /** How wide they are beside a grid, as the edge was left. */
    private double wide = WIDTH;

    private Runnable onClose = () -> {};

    FactsPane(JobModel model, Executor ui, Supplier<Choosers> choosers) {
        this.model = model;
        this.ui = ui;
        setId("facts");
        getStyleClass().add("panel");
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
        spelling.setId("facts-spelling");
        spelling.getItems().setAll(MasterPlan.Spelling.values());
        spelling.setConverter(Choices.words(MasterPlan.Spelling::words));
        spelling.setMaxWidth(Double.MAX_VALUE);
        spelling.setAccessibleText("How all texts of this column are spelled");
        spelling.setOnAction(e -> {
            if (!filling && spelling.getValue() != null) {
                model.rules().decideSpelling(column, spelling.getValue());
            }
        });
        Label spelled = new Label("Spelling");
        spelled.setLabelFor(spelling);
        spelled.setMinWidth(Region.USE_PREF_SIZE);
        HBox.setHgrow(spelling, Priority.ALWAYS);
        spellings.getChildren().addAll(spelled, spelling);
        spellings.setAlignment(Pos.CENTER_LEFT);
        yesNo.setId("facts-yes-no");
        yesNo.setConverter(Choices.words(words -> words.yes() + " and " + words.no()));
        yesNo.setMaxWidth(Double.MAX_VALUE);
        yesNo.setAccessibleText("How yes and no are written where this column is delivered as text");
        yesNo.setOnAction(e -> {
            if (!filling && yesNo.getValue() != null) {
                model.rules().decideYesNoWords(column, yesNo.getValue());
            }
        });
        Label written = new Label("Delivered as");
        written.setLabelFor(yesNo);
        written.setMinWidth(Region.USE_PREF_SIZE);
        HBox.setHgrow(yesNo, Priority.ALWAYS);
        yesNoWritten.getChildren().addAll(written, yesNo);
        yesNoWritten.setAlignment(Pos.CENTER_LEFT);
        scope.setId("facts-scope");
        scope.setMaxWidth(Double.MAX_VALUE);
        scope.setConverter(Choices.words(Scope::words));
        scope.setAccessibleText("Where it is written so");
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
        FlowPane whole = new FlowPane(6, 6, blank, codes);
        said = new VBox(8, figures, spellings, yesNoWritten);
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
        values.setMinHeight(Math.min(LEAST_VALUES_HEIGHT, needed));
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
        alike.getChildren().clear();
        Pieces.show(alike, false);
        layouts.getChildren().clear();
        boolean own = data && outcome.proposal().hasCells(at);
        boolean written = own || data && outcome.proposal().isMade(at);
        boolean texts = own && grid.type() == Type.TEXT;
        Pieces.show(spellings, texts);
        Pieces.show(yesNoWritten, own && grid.type() == Type.YES_NO);
        filling = true;
        spelling.setValue(Tidying.of(outcome.job(), name));
        yesNo.getItems()
                .setAll(Stream.concat(Stream.of(grid.words()), USUAL_WORDS.stream())
                        .distinct()
                        .toList());
        yesNo.setValue(grid.words());
        filling = false;
        writing.setDisable(!written);
        codes.setDisable(!data);
        blank.setDisable(!written);
        values.setModel(grid);
        if (data) {
            tellLayouts(outcome, at, grid.type());
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
        tellAlike(found.alike());
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

    private void tellAlike(List<Spellings.Group> groups) {
        alike.getChildren().clear();
        Pieces.show(alike, !groups.isEmpty());
        if (groups.isEmpty()) {
            return;
        }
        Label head = new Label("Nearly the same");
        head.getStyleClass().add("section-title");
        alike.getChildren().add(head);
        if (groups.size() > 1) {
            Button all = new Button("Write all " + Says.number(groups.size()) + " as proposed");
            all.setId("facts-alike-all");
            all.setOnAction(e -> model.rules().writeAlike(column, groups));
            alike.getChildren().add(all);
        }
        int at = 0;
        for (Spellings.Group group : groups.subList(0, Math.min(GROUPS_SHOWN, groups.size()))) {
            Label others = new Label(group.others().stream()
                    .limit(4)
                    .map(other -> Says.quoted(other.text()) + " in " + Says.count(other.rows(), "row"))
                    .collect(Collectors.joining(", ")));
            others.setWrapText(true);
            Button one = new Button(
                    "Write “" + group.to().text() + "” for " + (group.others().size() == 1 ? "it" : "them"));
            one.setId("facts-alike-" + at++);
            one.setOnAction(e -> model.rules()
                    .writeValues(
                            column,
                            group.others().stream().map(Counted::text).toList(),
                            group.to().text()));
            alike.getChildren().addAll(others, one);
        }
        if (groups.size() > GROUPS_SHOWN) {
            alike.getChildren().add(new Label("and " + Says.number(groups.size() - GROUPS_SHOWN) + " more"));
        }
    }

    // ---- layouts ----

    private void tellLayouts(Outcome outcome, int at, Type type) {
        layouts.getChildren().clear();
        Label head = new Label("By layout");
        head.getStyleClass().add("section-title");
        layouts.getChildren().add(head);
        String kind = LayoutFacts.conventionOf(type);
        for (LayoutFacts each : LayoutFacts.of(outcome, at)) {
            layouts.getChildren()
                    .add(fits(
                            BoardGrid.layoutName(each.layout()) + ", "
                                    + Says.count(each.layout().tables().size(), "table"),
                            each,
                            type));
            if (!kind.isEmpty()) {
                layouts.getChildren().add(convention(each, each.layout().signature(), kind, type.isNumber()));
            }
            List<String> sources = each.layout().tables().stream()
                    .map(table -> table.source())
                    .distinct()
                    .toList();
            if (sources.size() > 1) {
                layouts.getChildren().add(bySource(outcome, at, each, sources, type));
            }
        }
    }

    private static Label fits(String which, LayoutFacts facts, Type type) {
        Label line = new Label(which + ": " + Says.number(facts.fits()) + " of " + Says.count(facts.filled(), "value")
                + " fit " + type.word());
        line.setWrapText(true);
        return line;
    }

    /** The same for one of a layout's files, which is chosen. */
    private VBox bySource(Outcome outcome, int at, LayoutFacts facts, List<String> sources, Type type) {
        ComboBox<String> which = new ComboBox<>();
        which.getItems().setAll(sources);
        which.setPromptText("one of its files");
        which.setAccessibleText("One file of this layout");
        which.setMaxWidth(Double.MAX_VALUE);
        VBox one = new VBox(4, which);
        String kind = LayoutFacts.conventionOf(type);
        which.setOnAction(e -> {
            one.getChildren().setAll(which);
            LayoutFacts.ofSource(outcome, at, facts.layout(), which.getValue()).ifPresent(found -> {
                one.getChildren().add(fits("In this file", found, type));
                if (!kind.isEmpty()) {
                    one.getChildren().add(convention(found, which.getValue(), kind, type.isNumber()));
                }
            });
        });
        return one;
    }

    private ComboBox<String> convention(LayoutFacts facts, String scope, String kind, boolean number) {
        List<String> words = number ? List.of("point", "comma") : List.of("day", "month");
        List<String> shownWords =
                number ? List.of("the point is decimal", "the comma is decimal") : List.of("day first", "month first");
        String found = facts.conventions().stream()
                .map(convention -> shownWords.get(first(convention, number) ? 0 : 1))
                .distinct()
                .collect(Collectors.joining(" and "));
        ComboBox<String> choice = new ComboBox<>();
        choice.setMaxWidth(Double.MAX_VALUE);
        choice.getItems().add("as found: " + found);
        choice.getItems().addAll(shownWords);
        choice.setAccessibleText("How the column is written there");
        choice.getSelectionModel().select(words.indexOf(facts.said()) + 1);
        choice.setOnAction(e -> {
            int at = choice.getSelectionModel().getSelectedIndex();
            model.board()
                    .decideConvention(kind, column, scope, at <= 0 ? "" : Objects.requireNonNull(words.get(at - 1)));
        });
        return choice;
    }

    private static boolean first(Convention convention, boolean number) {
        return number ? convention.mark() == Convention.Mark.POINT : convention.order() == Convention.Order.DAY_FIRST;
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
