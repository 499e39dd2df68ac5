package cuvee.desktop;

import cuvee.layout.Layout;
import cuvee.model.Grids;
import cuvee.model.JobModel;
import cuvee.model.ListGrid;
import cuvee.place.Says;
import cuvee.refresh.NewColumns;
import cuvee.refresh.Outcome;
import cuvee.refresh.Proposal;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.IntConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * The board: layouts down, the master's columns across, in each cell the header as the layout spells it. What is done to
 * the chosen column or header stands below it and goes by keys too.
 */
final class LineUpView extends VBox {
    /** The columns of the grid before those of the master. */
    private static final int BEFORE = 2;

    private final JobModel model;
    private final GridView grid = new GridView("line-up-grid");
    private final Label says = new Label();
    private final IntConsumer showFacts;
    private final Label about = new Label();
    private final Label facts = new Label();
    private final TextField name = new TextField();
    private final ComboBox<String> type = new ComboBox<>();
    private final ComboBox<String> others = new ComboBox<>();
    private final Button unite = new Button("Unite");
    private final Button split = new Button("Make it a column of its own");
    private final Button earlier = new Button("To the left");
    private final Button later = new Button("To the right");
    private final Button out = new Button("Leave it out");
    private final FlowPane leftOut = new FlowPane(6, 6);
    private final FlowPane hands = new FlowPane(6, 6);
    private final ComboBox<Grids.BoardFilter> filter = new ComboBox<>();
    private final ComboBox<NewColumns.Policy> laterColumns = new ComboBox<>();
    private @Nullable ListGrid<Layout> layouts;
    private List<Integer> shown = List.of();
    private String adding = "";
    private String chosen = "";
    private boolean filling;

    LineUpView(JobModel model, IntConsumer showFacts) {
        this.model = model;
        this.showFacts = showFacts;
        setId("line-up");
        says.getStyleClass().add("view-says");
        says.setWrapText(true);
        grid.setEmptyWords("No layout has been found yet.");
        grid.setOnSelect((row, column) -> tell());
        grid.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        grid.setOnCarried(this::carried);
        VBox.setVgrow(grid, Priority.ALWAYS);
        getChildren().addAll(says, choices(), grid, foot());
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        show(model.outcomeProperty().get());
    }

    GridView grid() {
        return grid;
    }

    /** Which columns are shown, and what becomes of those that appear later. */
    private HBox choices() {
        filter.setId("board-filter");
        filter.getItems().setAll(Grids.BoardFilter.values());
        filter.setConverter(Choices.words(Grids.BoardFilter::words));
        filter.setValue(Grids.BoardFilter.ALL);
        filter.setOnAction(e -> show(model.outcomeProperty().get()));
        Label show = new Label("Show");
        show.setLabelFor(filter);
        laterColumns.setId("board-later");
        laterColumns.getItems().setAll(NewColumns.Policy.values());
        laterColumns.setConverter(Choices.words(NewColumns.Policy::words));
        laterColumns.setOnAction(e -> {
            if (!filling && laterColumns.getValue() != null) {
                model.decideNewColumns(laterColumns.getValue());
            }
        });
        Label policy = new Label("Columns that appear later:");
        policy.setLabelFor(laterColumns);
        Button add = new Button("Add a column");
        add.setId("board-add");
        add.getStyleClass().add("plain");
        add.setTooltip(new Tooltip("A column that no source has so far; name it with F2"));
        add.setOnAction(e -> adding = model.addColumn());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox choices = new HBox(8, show, filter, space, policy, laterColumns, add);
        choices.setAlignment(Pos.CENTER_LEFT);
        choices.getStyleClass().add("view-head");
        return choices;
    }

    private VBox foot() {
        about.setId("board-about");
        about.setWrapText(true);
        about.getStyleClass().add("section-title");
        facts.getStyleClass().add("hint");
        facts.setWrapText(true);
        name.setId("board-name");
        name.setPrefColumnCount(14);
        name.setTooltip(new Tooltip("Another name for the column (F2); Enter takes it"));
        name.setOnAction(e -> {
            model.renameColumn(chosen, name.getText());
            grid.requestFocus();
        });
        Label named = new Label("Name");
        named.setLabelFor(name);
        type.setId("board-type");
        for (Type each : Type.values()) {
            type.getItems().add(each.word());
        }
        type.setOnAction(e -> {
            if (!filling && !chosen.isEmpty()) {
                Type.ofWord(Objects.requireNonNullElse(type.getValue(), ""))
                        .ifPresent(wanted -> model.decideType(chosen, wanted));
            }
        });
        Label typed = new Label("Type");
        typed.setLabelFor(type);
        earlier.setId("board-left");
        earlier.getStyleClass().add("plain");
        earlier.setTooltip(new Tooltip("Ctrl+Left"));
        earlier.setOnAction(e -> move(-1));
        later.setId("board-right");
        later.getStyleClass().add("plain");
        later.setTooltip(new Tooltip("Ctrl+Right"));
        later.setOnAction(e -> move(1));
        out.setId("board-out");
        out.setOnAction(e -> model.leaveOutColumn(chosen, true));
        out.setTooltip(new Tooltip("Delete"));
        others.setId("board-others");
        others.setPromptText("another column");
        unite.setId("board-unite");
        unite.disableProperty().bind(others.valueProperty().isNull());
        unite.setOnAction(e -> model.uniteColumns(chosen, Objects.requireNonNullElse(others.getValue(), chosen)));
        Label with = new Label("Unite with");
        with.setLabelFor(others);
        split.setId("board-split");
        split.setOnAction(e -> header().ifPresent(header -> model.splitHeader(header.key(), header.header())));
        hands.setAlignment(Pos.CENTER_LEFT);
        HBox uniting = new HBox(6, with, others, unite);
        uniting.setAlignment(Pos.CENTER_LEFT);
        Button factsButton = new Button("Column facts");
        factsButton.setId("board-facts");
        factsButton.setTooltip(new Tooltip("What the column holds, over all rows (F4)"));
        factsButton.setOnAction(e -> showFacts.accept(at(grid.selectedColumn())));
        hands.getChildren().addAll(factsButton, named, name, typed, type, earlier, later, out, uniting, split);
        leftOut.setAlignment(Pos.CENTER_LEFT);
        VBox foot = new VBox(6, about, facts, hands, leftOut);
        foot.getStyleClass().add("view-foot");
        return foot;
    }

    private void key(KeyEvent event) {
        boolean handled = true;
        if (event.isShortcutDown() && event.getCode() == KeyCode.LEFT) {
            move(-1);
        } else if (event.isShortcutDown() && event.getCode() == KeyCode.RIGHT) {
            move(1);
        } else if (event.getCode() == KeyCode.F4 && column().isPresent()) {
            showFacts.accept(at(grid.selectedColumn()));
        } else if (event.getCode() == KeyCode.F2) {
            name.requestFocus();
            name.selectAll();
        } else if (event.getCode() == KeyCode.DELETE && hands.isVisible()) {
            model.leaveOutColumn(chosen, true);
        } else {
            handled = false;
        }
        if (handled) {
            event.consume();
        }
    }

    /** A column put on a column is one with it; a header put on a column feeds that one. */
    private void carried(long row, int from, int to) {
        Optional<Outcome> made = model.outcomeProperty().get();
        ListGrid<Layout> now = layouts;
        if (made.isEmpty() || now == null || from < BEFORE || to < BEFORE) {
            return;
        }
        List<Proposal.ColumnReport> columns = made.get().proposal().columns();
        String name = columns.get(at(from)).name();
        String target = columns.get(at(to)).name();
        Proposal proposal = made.get().proposal();
        boolean beside = !proposal.hasCells(at(from)) || !proposal.hasCells(at(to));
        if (beside || proposal.isTag(name) || proposal.isTag(target)) {
            return;
        }
        if (row < 0) {
            model.uniteColumns(name, target);
        } else {
            Grids.header(made.get(), now.item(row), name).ifPresent(header -> model.splitHeader(header.key(), target));
        }
    }

    private void move(int by) {
        int at = grid.selectedColumn();
        model.moveColumn(chosen, by);
        grid.select(grid.selectedRow(), at + by);
    }

    // ---- what is shown ----

    private void show(Optional<Outcome> outcome) {
        outcome.ifPresent(made -> {
            says.setText(
                    Says.count(made.proposal().layouts().size(), "layout")
                            + (made.proposal().layouts().size() == 1 ? " feeds " : " feed ")
                            + Says.count(made.proposal().columns().size(), "column")
                            + ". = is the same spelling, hatched is no such column. Drag a header or a column on a column to unite them.");
            long row = grid.selectedRow();
            int column = grid.selectedColumn();
            shown = Grids.boardColumns(made, filter.getValue());
            ListGrid<Layout> now = Grids.lineUp(made, shown);
            layouts = now;
            grid.setModel(now);
            if (row >= 0 && row < now.rows()) {
                grid.select(row, Math.min(column, now.columns() - 1));
            }
            filling = true;
            laterColumns.setValue(NewColumns.policy(made.job()));
            filling = false;
            showLeftOut(made);
            int added = columnNamed(made, adding);
            if (added >= 0) {
                adding = "";
                grid.select(Math.max(0, grid.selectedRow()), added);
                name.requestFocus();
                name.selectAll();
            }
            tell();
        });
    }

    /** The place on the board of a column; below zero where it is not shown. */
    private int columnNamed(Outcome made, String wanted) {
        for (int place = 0; place < shown.size(); place++) {
            if (made.proposal().columns().get(shown.get(place)).name().equals(wanted)) {
                return place + BEFORE;
            }
        }
        return -1;
    }

    private void showLeftOut(Outcome made) {
        leftOut.getChildren().clear();
        if (made.proposal().leftOut().isEmpty()) {
            return;
        }
        leftOut.getChildren().add(new Label("Left out:"));
        made.proposal().leftOut().forEach((column, filled) -> {
            Button back = new Button("Put back " + column + ", " + Says.count(filled, "filled cell"));
            back.getStyleClass().add("plain");
            back.setOnAction(e -> model.leaveOutColumn(column, false));
            leftOut.getChildren().add(back);
        });
    }

    /** The column of the master that the board shows at a place; below zero for none. */
    private int at(int boardColumn) {
        int place = boardColumn - BEFORE;
        return place >= 0 && place < shown.size() ? shown.get(place) : -1;
    }

    private Optional<Proposal.ColumnReport> column() {
        int at = at(grid.selectedColumn());
        return model.outcomeProperty()
                .get()
                .map(made -> made.proposal().columns())
                .filter(columns -> at >= 0 && at < columns.size())
                .map(columns -> columns.get(at));
    }

    private Optional<Grids.BoardHeader> header() {
        ListGrid<Layout> now = layouts;
        long row = grid.selectedRow();
        Optional<Outcome> made = model.outcomeProperty().get();
        return now == null || row < 0 || row >= now.rows() || made.isEmpty()
                ? Optional.empty()
                : column().flatMap(column -> Grids.header(made.get(), now.item(row), column.name()));
    }

    /** Says of the chosen column, and of the header in the chosen layout, what there is to say. */
    private void tell() {
        Optional<Proposal.ColumnReport> column = column();
        chosen = column.map(Proposal.ColumnReport::name).orElse("");
        boolean any = column.isPresent();
        Optional<Proposal> proposal = model.outcomeProperty().get().map(Outcome::proposal);
        boolean own = any
                && proposal.filter(made ->
                                made.hasCells(at(grid.selectedColumn())) || made.isMade(at(grid.selectedColumn())))
                        .isPresent();
        hands.setVisible(own);
        hands.setManaged(own);
        if (any && !own) {
            about.setText(column.get().name() + ": " + column.get().typeWords());
            facts.setText("It says the currency of each amount in the column before it: "
                    + column.get().reason() + ".");
            return;
        }
        if (!any) {
            about.setText("Choose a column to name it, type it, move it, unite it with another or leave it out.");
            facts.setText("");
            return;
        }
        Proposal.ColumnReport it = column.get();
        boolean byRule = proposal.orElseThrow().isMade(at(grid.selectedColumn()));
        boolean data = !byRule && !proposal.orElseThrow().isTag(it.name());
        about.setText(it.name() + ": " + it.typeWords() + ", "
                + Says.count(it.filled(), "filled cell")
                + (it.misfits() > 0 ? ", " + Says.number(it.misfits()) + " do not fit" : "")
                + (byRule ? "" : " in " + Says.count(it.layouts(), "layout"))
                + (data ? "" : byRule ? "; made by a rule, which stands in Rework" : "; filled by a tag"));
        Optional<Grids.BoardHeader> header = header();
        facts.setText(header.map(found -> "Here it is called " + Says.quoted(found.header())
                        + (found.samples().isEmpty()
                                ? "."
                                : ", with values such as "
                                        + Says.list(found.samples().stream()
                                                .map(Says::quoted)
                                                .toList())
                                        + "."))
                .orElse(
                        data
                                ? "This layout has no such column."
                                : byRule ? "Its formula is changed there." : it.reason() + "."));
        filling = true;
        name.setText(it.name());
        type.setValue(it.type().word());
        List<String> names = new ArrayList<>(model.jobProperty().get().columns());
        names.remove(it.name());
        others.getItems().setAll(data ? names : List.of());
        others.setDisable(!data);
        others.setValue(null);
        filling = false;
        out.setText("Leave it out, " + Says.count(it.filled(), "filled cell"));
        boolean ownName = header.map(Grids.BoardHeader::own).orElse(true);
        split.setVisible(!ownName);
        split.setManaged(!ownName);
    }
}
