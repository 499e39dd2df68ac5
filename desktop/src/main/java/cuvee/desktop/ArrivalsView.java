package cuvee.desktop;

import cuvee.check.Arrivals;
import cuvee.check.Arrivals.State;
import cuvee.model.ArrivalsGrid;
import cuvee.model.CheckModel;
import cuvee.model.GridModel;
import cuvee.model.JobModel;
import cuvee.model.ListGrid;
import cuvee.place.Says;
import cuvee.tell.Outcome;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** What came from whom for which month, and what is missing; a cell leads to its files. */
final class ArrivalsView extends VBox {
    private static final int MOST_FILES = 6;
    /** What the grid needs above its lines and below them. */
    private static final double HEAD = 44;

    private static final double LAST = 46;
    private final JobModel model;
    private final Consumer<String> openFile;
    private final GridView grid = new GridView("arrivals-grid");
    private final Label says = Pieces.label("", "says");
    private final Label expected = Pieces.label("", "second");
    private final Label about = Pieces.label("", "bold");
    private final FlowPane files = new FlowPane(12, 2);
    private final Button nil = Pieces.button("Nothing to report", "N", "arrival-nil", () -> decide(true));
    private final Button expect = Pieces.button("Expect it again", "arrival-expect", () -> decide(false));
    private final Button close = Pieces.button("Close the month", "C", "arrival-close", this::closeOrOpen);
    private final Button list;
    private final Button unlist = Pieces.go("Without the list", "arrivals-unlist", this::unlist);
    private final CheckModel checks;
    private @Nullable ArrivalsGrid cells;

    ArrivalsView(JobModel model, Supplier<Choosers> choosers, Consumer<String> openFile, HBox faces) {
        this.model = model;
        this.openFile = openFile;
        this.checks = new CheckModel(model);
        setId("arrivals");
        says.setMinWidth(0);
        list = Pieces.go(
                "Expected from a table",
                "arrivals-list",
                () -> choosers.get()
                        .file("A workbook or text that lists who is expected")
                        .ifPresent(path -> model.files().addExpected(path)));
        list.setTooltip(
                new Tooltip(
                        "Senders, with their first and last month and the days they have behind a month, as a table lists them"));
        HBox head = Pieces.row(12, says, faces, Pieces.space(), expected, list, unlist);
        head.getStyleClass().add("standing");
        grid.setEmptyWords("Nothing comes month by month here: no column says who sends and another for when."
                + " Take a tag from names or folders, and set a date column.");
        grid.setOnSelect((row, column) -> tell());
        grid.setOnOpen((row, column) -> open(row, column));
        grid.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.N && !nil.isDisabled() && nil.isVisible()) {
                decide(true);
                e.consume();
            } else if (e.getCode() == KeyCode.C && !e.isShortcutDown() && close.isVisible()) {
                closeOrOpen();
                e.consume();
            }
        });
        VBox.setVgrow(grid, Priority.SOMETIMES);
        VBox.setVgrow(this, Priority.ALWAYS);
        Region rest = new Region();
        VBox.setVgrow(rest, Priority.ALWAYS);
        about.setId("arrival-about");
        files.setAlignment(Pos.CENTER_LEFT);
        files.setMinWidth(0);
        HBox.setHgrow(files, Priority.ALWAYS);
        nil.setTooltip(new Tooltip("The sender has nothing for this month; it is no longer missed"));
        close.setTooltip(new Tooltip(
                "A closed month keeps its rows; what comes or changes later waits until you close it again"));
        VBox foot = new VBox(6, Pieces.row(12, about, Pieces.space(), expect, nil, close), files);
        foot.getStyleClass().add("view-foot");
        getChildren().addAll(head, grid, foot, rest);
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        show(model.outcomeProperty().get());
    }

    GridView grid() {
        return grid;
    }

    private void show(Optional<Outcome> outcome) {
        Optional<Arrivals> found = outcome.flatMap(Outcome::arrivals);
        long row = grid.selectedRow();
        int column = grid.selectedColumn();
        cells = found.map(arrivals -> new ArrivalsGrid(outcome.orElseThrow(), arrivals, closed(arrivals)))
                .orElse(null);
        ArrivalsGrid now = cells;
        says.setText(now == null ? "Nothing is expected month by month." : now.says());
        Optional<String> kept = model.files().expectedList();
        expected.setText(found.map(arrivals -> kept.map(path -> "Expected: as " + path + " lists them.")
                        .orElse("Expected: each " + arrivals.sender() + ", each month of " + arrivals.period() + "."))
                .orElse(""));
        Pieces.show(list, found.isPresent() && kept.isEmpty());
        Pieces.show(unlist, kept.isPresent());
        if (now == null) {
            grid.setModel(new ListGrid<String>(List.of(), List.of(), (item, at) -> GridModel.Tone.PLAIN));
        } else {
            grid.setModel(now);
            // No taller than its lines, so that the last one stands right below them.
            double lines = 0;
            for (long each = 0; each < now.rows(); each++) {
                lines += now.isTall(each) ? GridGeometry.TALL : GridGeometry.ROW;
            }
            double high = HEAD + lines + LAST;
            grid.setPrefHeight(high);
            grid.setMaxHeight(high);
            if (row >= 0 && row < now.rows() && column < now.columns()) {
                grid.select(row, column);
            }
        }
        tell();
    }

    private void open(long row, int column) {
        ArrivalsGrid now = cells;
        if (now != null) {
            now.files(row, column).stream().findFirst().ifPresent(openFile);
        }
    }

    private void unlist() {
        model.files().removeExpected();
    }

    private Optional<Arrivals.Place> chosen() {
        ArrivalsGrid now = cells;
        return now == null ? Optional.empty() : now.place(grid.selectedRow(), grid.selectedColumn());
    }

    private Set<YearMonth> closed(Arrivals arrivals) {
        Set<YearMonth> months = new HashSet<>();
        checks.closed().stream()
                .filter(closed -> closed.column().equals(arrivals.period()))
                .forEach(closed -> months.addAll(arrivals.months().stream()
                        .filter(month -> month.toString().equals(closed.value()))
                        .toList()));
        return months;
    }

    private Optional<YearMonth> month() {
        ArrivalsGrid now = cells;
        return now == null ? Optional.empty() : now.monthOf(grid.selectedColumn());
    }

    /** Closes the month of the chosen cell, or opens it again. */
    private void closeOrOpen() {
        ArrivalsGrid now = cells;
        if (now != null) {
            month().ifPresent(month -> {
                if (now.isClosed(month)) {
                    checks.reopen(now.period(), month.toString());
                } else {
                    checks.close(now.period(), month.toString());
                }
            });
        }
    }

    private void decide(boolean nothing) {
        chosen().ifPresent(place -> model.files().decideNil(place, nothing));
    }

    /** Says what the chosen cell came from. */
    private void tell() {
        ArrivalsGrid now = cells;
        Optional<Arrivals.Place> place = chosen();
        Optional<State> state = now == null ? Optional.empty() : now.state(grid.selectedRow(), grid.selectedColumn());
        List<String> from = now == null ? List.of() : now.files(grid.selectedRow(), grid.selectedColumn());
        about.setText(place.map(chosen -> chosen.sender() + ", "
                        + chosen.month().getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " "
                        + chosen.month().getYear() + ": "
                        + state.map(how -> said(how, from.size(), due(chosen))).orElse(""))
                .orElse("Choose a cell to see its files."));
        files.getChildren().clear();
        for (int i = 0; i < Math.min(MOST_FILES, from.size()); i++) {
            String path = from.get(i);
            files.getChildren().add(Pieces.place(path, "arrival-file-" + i, () -> openFile.accept(path)));
        }
        if (from.size() > MOST_FILES) {
            files.getChildren().add(Pieces.label(Says.number(from.size() - MOST_FILES) + " more", "second"));
        }
        boolean open = state.filter(how -> how == State.MISSING || how == State.NOT_YET)
                .isPresent();
        Pieces.show(nil, open);
        Optional<YearMonth> month = month();
        Pieces.show(close, month.isPresent());
        month.ifPresent(each -> close.setText((now != null && now.isClosed(each) ? "Open " : "Close ")
                + each.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " " + each.getYear()
                + (now != null && now.isClosed(each) ? " again" : "")));
        Pieces.show(expect, state.filter(State.NIL::equals).isPresent());
    }

    /** By when the rows of a place are due; empty where no list says it. */
    private String due(Arrivals.Place place) {
        return model.outcomeProperty()
                .get()
                .flatMap(Outcome::arrivals)
                .flatMap(arrivals -> arrivals.due(place))
                .map(day -> "due by " + day)
                .orElse("");
    }

    private static String said(State state, int files, String due) {
        return switch (state) {
            case CAME -> "from " + Says.count(files, "file") + ".";
            case MISSING ->
                due.isEmpty() ? "nothing came, though it is expected." : "nothing came; it was " + due + ".";
            case NOT_YET -> "nothing has come yet" + (due.isEmpty() ? "." : "; it is " + due + ".");
            case NIL -> "nothing to report, as you say.";
            case NOT_EXPECTED -> "not expected.";
        };
    }
}
