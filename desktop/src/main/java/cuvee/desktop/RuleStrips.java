package cuvee.desktop;

import cuvee.layout.PlacedTable;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.RuleRows;
import cuvee.master.SheetReader;
import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.rework.RowRules;
import cuvee.tell.BeforeAndAfter;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The strips of rows that can be opened under a sentence: what it does, on rows of the sources. */
final class RuleStrips {
    private static final int ROWS_SHOWN = 5;
    private static final int ASIDE_SHOWN = 12;

    private final JobModel model;
    private final Outcome outcome;
    private final Sentence sentence;

    RuleStrips(JobModel model, Outcome outcome, Sentence sentence) {
        this.model = model;
        this.outcome = outcome;
        this.sentence = sentence;
    }

    /** The rows that a sentence sets aside. */
    VBox aside() {
        VBox strip = new VBox(8);
        strip.getStyleClass().add("strip");
        if (sentence.kind().equals(RowRules.EQUAL)) {
            model.rules()
                    .groups(
                            sentence,
                            ASIDE_SHOWN,
                            groups -> strip.getChildren()
                                    .setAll(FewRows.of("Equal rows, group by group", equalRows(groups), true)));
        } else {
            model.rules()
                    .setAside(
                            sentence,
                            ASIDE_SHOWN,
                            lines -> strip.getChildren().setAll(setAside(lines), putBack(lines)));
        }
        return strip;
    }

    private List<List<String>> equalRows(List<RuleRows.Equal> groups) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(head("File and row", "What becomes of it"));
        for (RuleRows.Equal row : groups) {
            rows.add(cells(row.line(), place(row.line()), row.stays() ? "stays" : "set aside"));
        }
        return rows;
    }

    private VBox setAside(List<MasterLine> lines) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(head("File and row"));
        lines.forEach(line -> rows.add(cells(line, place(line))));
        long all = outcome.ruledOut().get(outcome.ruleNumber(sentence)).values().stream()
                .mapToLong(Long::longValue)
                .sum();
        return FewRows.of(
                all > lines.size()
                        ? "The first " + Says.number(lines.size()) + " of " + Says.count(all, "row") + " set aside"
                        : "Set aside",
                rows,
                true);
    }

    private FlowPane putBack(List<MasterLine> lines) {
        FlowPane back = new FlowPane(6, 6, new Label("Put back:"));
        back.setAlignment(Pos.CENTER_LEFT);
        for (MasterLine line : lines) {
            Button one = Pieces.go(
                    place(line),
                    "put-back-" + line.table() + "-" + line.row(),
                    () -> model.rules().putBack(line));
            one.setTooltip(new Tooltip("Keeps this row whatever the rules say"));
            back.getChildren().add(one);
        }
        return back;
    }

    /** A row's file and number in it. */
    private String place(MasterLine line) {
        return outcome.proposal().plan().tables().stream()
                        .filter(table -> table.id() == line.table())
                        .map(MasterPlan.Table::source)
                        .findFirst()
                        .orElse("")
                + ", " + line.row();
    }

    /** The names of the columns behind some words. */
    private List<String> head(String... before) {
        List<String> head = new ArrayList<>(List.of(before));
        outcome.proposal().plan().columns().forEach(column -> head.add(column.name()));
        return head;
    }

    /** The values of a row behind some words. */
    private List<String> cells(MasterLine line, String... before) {
        List<String> cells = new ArrayList<>(List.of(before));
        for (int i = 0; i < outcome.proposal().plan().columns().size(); i++) {
            String value = line.values().get(i);
            cells.add(value == null ? "" : value);
        }
        return cells;
    }

    /** Rows before and after what is done with the master as a whole. */
    VBox shape() {
        VBox strip = new VBox(12);
        strip.getStyleClass().add("strip");
        model.rules()
                .shapedRows(
                        ROWS_SHOWN,
                        both -> strip.getChildren()
                                .setAll(
                                        FewRows.of("Before", both.get(0), false),
                                        FewRows.of("In the master", both.get(1), false)));
        return strip;
    }

    /** Some of the cells that a sentence reads otherwise. */
    VBox cells() {
        VBox strip = new VBox(8);
        strip.getStyleClass().add("strip");
        model.rules().changes(sentence, ASIDE_SHOWN, changes -> {
            List<List<String>> rows = new ArrayList<>();
            rows.add(List.of("Cell", "In the sheet", "In the master"));
            changes.forEach(change -> rows.add(List.of(change.where().toString(), change.before(), change.after())));
            strip.getChildren()
                    .setAll(
                            changes.isEmpty()
                                    ? new Label("No cell says so now.")
                                    : FewRows.of("Before and after", rows, true));
        });
        return strip;
    }

    /** Rows of a table before and after it is laid out. */
    VBox layOut() {
        List<PlacedTable> tables = outcome.proposal().layouts().stream()
                .flatMap(layout -> layout.tables().stream())
                .filter(table -> sentence.tables().contains(table.id()))
                .toList();
        ComboBox<String> which = new ComboBox<>();
        tables.forEach(table -> which.getItems().add(table.where().toString()));
        which.getSelectionModel().selectFirst();
        which.setMaxWidth(420);
        Label label = new Label("Shown for");
        label.setLabelFor(which);
        HBox choice = new HBox(8, label, which);
        choice.setAlignment(Pos.CENTER_LEFT);
        VBox both = new VBox(12);
        VBox strip = new VBox(8, choice, both);
        strip.getStyleClass().add("strip");
        Runnable load = () -> {
            int at = which.getSelectionModel().getSelectedIndex();
            if (at >= 0) {
                model.rules().beforeAndAfter(tables.get(at).id(), ROWS_SHOWN, found -> fill(both, found));
            }
        };
        which.setOnAction(e -> load.run());
        load.run();
        return strip;
    }

    private static void fill(VBox both, BeforeAndAfter found) {
        List<List<String>> before = new ArrayList<>();
        for (SheetReader.Line line : found.before()) {
            List<String> cells = new ArrayList<>(List.of(String.valueOf(line.row())));
            cells.addAll(line.cells());
            before.add(cells);
        }
        List<List<String>> after = new ArrayList<>();
        after.add(found.columns());
        after.addAll(found.after());
        both.getChildren().setAll(FewRows.of("In the sheet", before, true), FewRows.of("In the master", after, false));
    }
}
