package cuvee.desktop;

import cuvee.job.Decision;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RuleRows;
import cuvee.master.SheetReader;
import cuvee.model.JobModel;
import cuvee.model.RuleWords;
import cuvee.place.Says;
import cuvee.refresh.BeforeAndAfter;
import cuvee.refresh.JobPage;
import cuvee.refresh.Outcome;
import cuvee.refresh.Sentence;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * What happens to the rows between the sheets and the master, as a page of sentences: each can be switched on and off, its
 * names changed where they stand, and looked at before and after on real rows.
 */
final class ReworkView extends VBox {
    private static final int ROWS_SHOWN = 5;
    private static final String HIDE = "Hide the rows";
    private static final int ASIDE_SHOWN = 12;
    private static final int COLUMNS_SHOWN = 9;
    private final JobModel model;
    private final Label says = new Label();
    private final VBox page = new VBox(18);
    private final Set<String> open = new HashSet<>();
    private final Button asPage = new Button("As a page");
    private final Supplier<Choosers> choosers;
    private boolean paged;

    ReworkView(JobModel model, Supplier<Choosers> choosers) {
        this.model = model;
        this.choosers = choosers;
        setId("rework");
        says.getStyleClass().add("view-says");
        says.setMaxWidth(Double.MAX_VALUE);
        says.setMinWidth(0);
        HBox.setHgrow(says, Priority.ALWAYS);
        asPage.setId("rework-page");
        asPage.getStyleClass().add("plain");
        asPage.setMinWidth(USE_PREF_SIZE);
        asPage.setTooltip(new Tooltip("The whole job in sentences, to read, print, copy or save"));
        asPage.setOnAction(e -> showPage(!paged));
        HBox head = new HBox(8, says, asPage);
        head.setAlignment(Pos.CENTER_LEFT);
        HBox.setMargin(asPage, new Insets(0, 12, 0, 0));
        page.getStyleClass().add("document");
        ScrollPane scroll = new ScrollPane(page);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("places");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        show(model.outcomeProperty().get());
    }

    /** Shows the whole job as a page in the place of the sentences, or those again. */
    private void showPage(boolean wanted) {
        paged = wanted;
        asPage.setText(wanted ? "Back to the sentences" : "As a page");
        show(model.outcomeProperty().get());
    }

    private void show(Optional<Outcome> outcome) {
        if (paged && outcome.isPresent()) {
            says.setText("The whole job in sentences, as its last refresh has it.");
            page.getChildren().setAll(new JobPageView(model, choosers, JobPage.of(outcome.get())));
            return;
        }
        String focused = getScene() == null || getScene().getFocusOwner() == null
                ? ""
                : String.valueOf(getScene().getFocusOwner().getId());
        page.getChildren().clear();
        if (outcome.isEmpty()) {
            says.setText("What happens to the rows is written here once the files have been read.");
            return;
        }
        List<Sentence> sentences = outcome.get().sentences();
        says.setText(
                sentences.isEmpty()
                        ? "The rows go into the master as the sheets have them. A rule starts from what you select in Master, or from"
                                + " a value in a column's facts."
                        : "What happens to the rows between the sheets and the master. Switch a sentence off to see the"
                                + " master without it.");
        for (Sentence.Paragraph paragraph : Sentence.Paragraph.values()) {
            List<Sentence> about = sentences.stream()
                    .filter(sentence -> sentence.paragraph() == paragraph)
                    .toList();
            if (!about.isEmpty()) {
                Label title = new Label(paragraph.title());
                title.getStyleClass().add("section-title");
                VBox block = new VBox(10, title);
                about.forEach(sentence -> block.getChildren().add(sentence(outcome.get(), sentence)));
                page.getChildren().add(block);
            }
        }
        Node again = focused.isEmpty() ? null : lookup("#" + focused);
        if (again != null) {
            again.requestFocus();
        }
    }

    private VBox sentence(Outcome outcome, Sentence sentence) {
        String id = Decision.idOf(sentence.kind(), sentence.subject());
        CheckBox on = new CheckBox();
        on.setId("sentence-" + id);
        on.setSelected(sentence.on());
        on.setAccessibleText(sentence.text());
        on.setOnAction(e -> model.rules().decideSentence(sentence, on.isSelected()));
        Label text = new Label(sentence.text());
        text.setWrapText(true);
        text.setMinWidth(0);
        FlowPane words = new FlowPane(6, 4, text);
        words.setAlignment(Pos.CENTER_LEFT);
        words.setRowValignment(VPos.BASELINE);
        List<TextField> fields = new ArrayList<>();
        if (sentence.kind().equals(MadeColumns.KIND) && outcome.proposal().isMadeNamed(sentence.subject())) {
            words.getChildren().setAll(new Label("Make the column"), madeName(id, sentence), new Label("from"));
        }
        if (sentence.kind().equals(RowRules.EQUAL)) {
            ComboBox<String> stays = new ComboBox<>();
            stays.setId("stays-" + id);
            stays.getItems().setAll(RowRules.EQUAL_VERBS);
            stays.setValue(sentence.lead());
            stays.setDisable(!sentence.on());
            stays.setOnAction(e -> model.rules().decideEqual(sentence, stays.getValue()));
            String said = sentence.text();
            text.setText(said.substring(0, said.length() - sentence.lead().length() - 1));
            words.getChildren().add(stays);
        }
        if (RuleWords.has(sentence)) {
            RuleField field = new RuleField(
                    "name-" + id + "-0",
                    sentence.names().get(0),
                    new RuleWords(outcome, sentence),
                    said -> reword(sentence, said));
            field.setDisable(!sentence.on());
            words.getChildren().add(field);
        }
        if (ShapeWords.has(sentence)) {
            words.getChildren()
                    .setAll(new ShapeWords(
                                    id,
                                    outcome,
                                    sentence,
                                    chosen -> model.rules().nameSentence(sentence, chosen))
                            .nodes(sentence));
            words.setDisable(!sentence.on());
        }
        boolean names = !RuleWords.has(sentence) && !ShapeWords.has(sentence);
        for (String name : names ? sentence.names() : List.<String>of()) {
            TextField field = new TextField(name);
            field.setId("name-" + id + "-" + fields.size());
            field.setPrefColumnCount(Math.max(8, name.length()));
            field.setDisable(!sentence.on());
            fields.add(field);
            field.setOnAction(e -> rename(sentence, fields));
            field.focusedProperty().addListener((o, before, now) -> {
                if (!now) {
                    rename(sentence, fields);
                }
            });
        }
        words.getChildren().addAll(fields);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox first = new HBox(8, on, words);
        first.setAlignment(Pos.TOP_LEFT);
        Label touched = new Label(sentence.touched());
        touched.getStyleClass().add("hint");
        touched.setWrapText(true);
        Label why = new Label(sentence.yours() ? "Put so by you." : "Assumed: " + sentence.reason() + ".");
        why.getStyleClass().add(sentence.yours() ? "settled" : "hint");
        why.setWrapText(true);
        HBox hands = new HBox(6);
        HBox last = new HBox(10, why, hands);
        last.setAlignment(Pos.CENTER_LEFT);
        VBox card = new VBox(4, first, touched, last);
        card.getStyleClass().add("sentence");
        boolean aboutRows =
                sentence.kind().equals(RowRules.ROWS) || sentence.kind().equals(RowRules.EQUAL);
        String show = aboutRows ? "Show the rows set aside" : "Before and after";
        boolean cells = List.of(ValueRule.KIND, Codes.KIND, Correction.KIND).contains(sentence.kind());
        boolean shape =
                sentence.subject().equals(Shapings.ROWS) && outcome.shaped().isPresent();
        if (sentence.on() && (cells || shape)) {
            strip(
                    card,
                    hands,
                    id,
                    cells ? "Show some of the cells" : "Before and after",
                    () -> cells ? cellStrip(sentence) : shapeStrip());
        }
        if (!sentence.tables().isEmpty()) {
            strip(card, hands, id, show, () -> aboutRows ? asideStrip(outcome, sentence) : strip(outcome, sentence));
        }
        if (sentence.turns() && sentence.on()) {
            CheckBox blanks = new CheckBox("Blank cells are rows too");
            blanks.setId("blanks-" + id);
            blanks.setSelected(sentence.keepsBlanks());
            blanks.setOnAction(e -> model.rules().keepBlanks(sentence, blanks.isSelected()));
            hands.getChildren().add(blanks);
        }
        boolean several =
                outcome.sentences().stream().filter(ReworkView::movable).count() > 1;
        if (several && movable(sentence)) {
            Button earlier = new Button("Earlier");
            earlier.setTooltip(new Tooltip("Alt+Up"));
            earlier.getStyleClass().add("plain");
            earlier.setOnAction(e -> model.rules().moveSentence(sentence, -1));
            Button later = new Button("Later");
            later.setTooltip(new Tooltip("Alt+Down"));
            later.getStyleClass().add("plain");
            later.setOnAction(e -> model.rules().moveSentence(sentence, 1));
            hands.getChildren().addAll(earlier, later);
            card.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
                if (e.isAltDown() && (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN)) {
                    model.rules().moveSentence(sentence, e.getCode() == KeyCode.UP ? -1 : 1);
                    e.consume();
                }
            });
        }
        if (sentence.yours()) {
            boolean rule = aboutRows
                    || sentence.kind().equals(MadeColumns.KIND)
                    || sentence.kind().equals(Correction.KIND)
                    || sentence.kind().equals(Codes.KIND)
                    || sentence.subject().equals(Shapings.ROWS)
                    || sentence.kind().equals(RowRules.PUT_BACK)
                    || sentence.kind().equals(ValueRule.KIND)
                    || sentence.kind().equals(Tidying.KIND);
            Button undecide = new Button(rule ? "Remove" : "Let Cuvee decide");
            undecide.getStyleClass().add("plain");
            undecide.setOnAction(e -> model.rules().undecideSentence(sentence));
            hands.getChildren().add(undecide);
        }
        return card;
    }

    /** True for rules whose order counts, or is worth choosing. */
    private static boolean movable(Sentence sentence) {
        return List.of(RowRules.ROWS, RowRules.EQUAL, MadeColumns.KIND).contains(sentence.kind());
    }

    private TextField madeName(String id, Sentence sentence) {
        TextField field = new TextField(sentence.subject());
        field.setId("made-" + id);
        field.setPrefColumnCount(Math.max(8, sentence.subject().length()));
        field.setDisable(!sentence.on());
        Runnable take = () -> model.renameColumn(sentence.subject(), field.getText());
        field.setOnAction(e -> take.run());
        field.focusedProperty().addListener((o, before, now) -> {
            if (!now) {
                take.run();
            }
        });
        return field;
    }

    private void rename(Sentence sentence, List<TextField> fields) {
        model.rules()
                .nameSentence(
                        sentence,
                        fields.stream().map(field -> field.getText().strip()).toList());
    }

    private void reword(Sentence sentence, String words) {
        boolean shown = open.contains(Decision.idOf(sentence.kind(), sentence.subject()));
        if (shown && sentence.kind().equals(RowRules.ROWS)) {
            open.add(Decision.idOf(sentence.kind(), words));
        }
        model.rules().nameSentence(sentence, List.of(words));
    }

    // ---- rows set aside ----

    private VBox asideStrip(Outcome outcome, Sentence sentence) {
        VBox strip = new VBox(8);
        strip.getStyleClass().add("strip");
        MasterPlan plan = outcome.proposal().plan();
        Map<Integer, String> sources = new HashMap<>();
        plan.tables().forEach(table -> sources.put(table.id(), table.source()));
        if (sentence.kind().equals(RowRules.EQUAL)) {
            model.rules().groups(sentence, ASIDE_SHOWN, groups -> {
                List<List<String>> rows = new ArrayList<>();
                List<String> head = new ArrayList<>(List.of("File and row", "What becomes of it"));
                plan.columns().forEach(column -> head.add(column.name()));
                rows.add(head);
                for (RuleRows.Equal row : groups) {
                    List<String> cells = new ArrayList<>(List.of(
                            sources.getOrDefault(row.line().table(), "") + ", "
                                    + row.line().row(),
                            row.stays() ? "stays" : "set aside"));
                    for (int i = 0; i < plan.columns().size(); i++) {
                        String value = row.line().values().get(i);
                        cells.add(value == null ? "" : value);
                    }
                    rows.add(cells);
                }
                strip.getChildren().setAll(side("Equal rows, group by group", rows, true));
            });
            return strip;
        }
        model.rules().setAside(sentence, ASIDE_SHOWN, lines -> {
            List<List<String>> rows = new ArrayList<>();
            List<String> head = new ArrayList<>(List.of("File and row"));
            plan.columns().forEach(column -> head.add(column.name()));
            rows.add(head);
            for (MasterReader.Line line : lines) {
                List<String> cells =
                        new ArrayList<>(List.of(sources.getOrDefault(line.table(), "") + ", " + line.row()));
                for (int i = 0; i < plan.columns().size(); i++) {
                    String value = line.values().get(i);
                    cells.add(value == null ? "" : value);
                }
                rows.add(cells);
            }
            long all = outcome.ruledOut().get(outcome.ruleNumber(sentence)).values().stream()
                    .mapToLong(Long::longValue)
                    .sum();
            VBox shown = side(
                    all > lines.size()
                            ? "The first " + Says.number(lines.size()) + " of " + Says.count(all, "row") + " set aside"
                            : "Set aside",
                    rows,
                    true);
            FlowPane back = new FlowPane(6, 6, new Label("Put back:"));
            back.setAlignment(Pos.CENTER_LEFT);
            for (MasterReader.Line line : lines) {
                Button one = new Button(sources.getOrDefault(line.table(), "") + ", " + line.row());
                one.getStyleClass().add("plain");
                one.setTooltip(new Tooltip("Keeps this row whatever the rules say"));
                one.setOnAction(e -> model.rules().putBack(line));
                back.getChildren().add(one);
            }
            strip.getChildren().setAll(shown, back);
        });
        return strip;
    }

    /** A button that opens a strip of rows under a sentence, and closes it. */
    private void strip(VBox card, HBox hands, String id, String words, Supplier<VBox> strip) {
        Button look = new Button(open.contains(id) ? HIDE : words);
        look.setId("look-" + id);
        look.getStyleClass().add("plain");
        look.setOnAction(e -> {
            boolean shown = open.remove(id) || !open.add(id);
            look.setText(shown ? words : HIDE);
            card.getChildren().removeIf(node -> node.getStyleClass().contains("strip"));
            if (!shown) {
                card.getChildren().add(strip.get());
            }
        });
        hands.getChildren().add(look);
        if (open.contains(id)) {
            card.getChildren().add(strip.get());
        }
    }

    private VBox shapeStrip() {
        VBox strip = new VBox(12);
        strip.getStyleClass().add("strip");
        model.rules()
                .shapedRows(
                        ROWS_SHOWN,
                        both -> strip.getChildren()
                                .setAll(side("Before", both.get(0), false), side("In the master", both.get(1), false)));
        return strip;
    }

    // ---- cells that are read otherwise ----

    private VBox cellStrip(Sentence sentence) {
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
                                    : side("Before and after", rows, true));
        });
        return strip;
    }

    // ---- before and after ----

    private VBox strip(Outcome outcome, Sentence sentence) {
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
        both.getChildren().setAll(side("In the sheet", before, true), side("In the master", after, false));
    }

    private static boolean isNumber(String text) {
        return !text.isEmpty() && text.chars().allMatch(c -> Character.isDigit(c) || "+-.,".indexOf(c) >= 0);
    }

    /** Gives the first sentence the keys. */
    void focusFirst() {
        applyCss();
        layout();
        Node first = page.lookup(".check-box");
        if (first != null) {
            first.requestFocus();
        }
    }

    private static VBox side(String title, List<List<String>> rows, boolean numbered) {
        Label head = new Label(title);
        head.getStyleClass().add("hint");
        GridPane grid = new GridPane();
        grid.getStyleClass().add("few-rows");
        for (int r = 0; r < rows.size(); r++) {
            List<String> cells = rows.get(r);
            for (int c = 0; c < Math.min(cells.size(), COLUMNS_SHOWN + (numbered ? 1 : 0)); c++) {
                Label cell = new Label(cells.get(c));
                cell.setMaxWidth(numbered && c == 0 ? 260 : 110);
                cell.getStyleClass().add(r == 0 ? "few-head" : numbered && c == 0 ? "few-number" : "few-cell");
                if (isNumber(cells.get(c))) {
                    cell.setMaxWidth(Double.MAX_VALUE);
                    cell.setAlignment(Pos.CENTER_RIGHT);
                }
                grid.add(cell, c, r);
            }
            if (cells.size() > COLUMNS_SHOWN + 1) {
                Label more = new Label(r == 0 ? "and " + (cells.size() - COLUMNS_SHOWN - 1) + " more" : "…");
                more.getStyleClass().add("few-number");
                grid.add(more, COLUMNS_SHOWN + 1, r);
            }
        }
        return new VBox(4, head, grid);
    }
}
