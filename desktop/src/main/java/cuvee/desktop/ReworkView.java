package cuvee.desktop;

import cuvee.job.Decision;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.RuleRows;
import cuvee.master.SheetReader;
import cuvee.model.JobModel;
import cuvee.model.RuleWords;
import cuvee.place.Says;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import cuvee.tell.BeforeAndAfter;
import cuvee.tell.JobPage;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
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
    /** Sentences that are wider than this are hard to read. */
    private static final double WIDEST = 1136;

    private static final double TOUCHED = 320;
    private static final int ROWS_SHOWN = 5;
    private static final String HIDE = "Hide the rows";
    private static final int ASIDE_SHOWN = 12;
    private static final int COLUMNS_SHOWN = 9;
    private final JobModel model;
    private final Label says = Pieces.label("", "says");
    private final VBox page = new VBox(22);
    private Optional<NewRule.What> writing = Optional.empty();
    private final Set<String> open = new HashSet<>();
    private final Button asPage;
    private final Supplier<Choosers> choosers;
    private boolean paged;

    ReworkView(JobModel model, Supplier<Choosers> choosers) {
        this.model = model;
        this.choosers = choosers;
        setId("rework");
        says.setMinWidth(0);
        asPage = Pieces.button("As a page", "rework-page", () -> showPage(!paged));
        asPage.setTooltip(new Tooltip("The whole job in sentences, to read, print, copy or save"));
        HBox head = Pieces.row(
                12,
                says,
                Pieces.space(),
                Pieces.label("A rule can also start from what is selected in Master: Ctrl+R", "second"),
                asPage);
        head.getStyleClass().add("standing");
        page.getStyleClass().add("document");
        page.setMaxWidth(WIDEST);
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
        long inForce = sentences.stream().filter(Sentence::on).count();
        long aside = outcome.get().rowsRuledOut();
        says.setText(
                sentences.isEmpty()
                        ? "No rule is in force: the rows go into the master as the sheets have them."
                        : Says.count(inForce, "rule") + (inForce == 1 ? " is" : " are") + " in force"
                                + (sentences.size() > inForce
                                        ? ", " + Says.number(sentences.size() - inForce) + " resting"
                                        : "")
                                + (aside == 0
                                        ? "; no row is set aside."
                                        : "; " + Says.count(aside, "row") + (aside == 1 ? " is" : " are")
                                                + " set aside."));
        for (Sentence.Paragraph paragraph : Sentence.Paragraph.values()) {
            List<Sentence> about = sentences.stream()
                    .filter(sentence -> sentence.paragraph() == paragraph)
                    .toList();
            HBox starts = starts(outcome.get(), paragraph);
            if (!about.isEmpty() || !starts.getChildren().isEmpty()) {
                String[] words = paragraph.title().split(": ", 2);
                HBox title = Pieces.row(8, Pieces.label(words[0], "heading"));
                if (words.length > 1) {
                    title.getChildren().add(Pieces.label(words[1], "second"));
                }
                VBox block = new VBox(8, title);
                about.forEach(sentence -> block.getChildren().add(sentence(outcome.get(), sentence)));
                writing.filter(what -> paragraphOf(what) == paragraph)
                        .ifPresent(what -> block.getChildren().add(written(outcome.get(), what)));
                if (!starts.getChildren().isEmpty()) {
                    block.getChildren().add(starts);
                }
                page.getChildren().add(block);
            }
        }
        Node again = focused.isEmpty() ? null : lookup("#" + focused);
        if (again != null) {
            again.requestFocus();
        }
    }

    // ---- rules that are being written ----

    private static Sentence.Paragraph paragraphOf(NewRule.What what) {
        return what == NewRule.What.COLUMN ? Sentence.Paragraph.COLUMNS : Sentence.Paragraph.ROWS;
    }

    /** The rules that can be begun in a paragraph. */
    private HBox starts(Outcome outcome, Sentence.Paragraph paragraph) {
        HBox starts = Pieces.row(12);
        if (outcome.rowsBefore() + outcome.rowsRuledOut() == 0) {
            return starts;
        }
        for (NewRule.What what : NewRule.What.values()) {
            if (paragraphOf(what) == paragraph) {
                String words = what.words().toLowerCase(java.util.Locale.ROOT) + " …";
                String id = "write-" + what.name().toLowerCase(java.util.Locale.ROOT);
                starts.getChildren().add(Pieces.go(words, id, () -> write(Optional.of(what))));
            }
        }
        if (paragraph == Sentence.Paragraph.MASTER) {
            MenuButton order = Pieces.slot("write-order");
            order.setText("order the rows by …");
            outcome.plan()
                    .columns()
                    .forEach(column -> order.getItems()
                            .add(Pieces.item(
                                    column.name(), "", () -> model.rules().sortBy(column.name(), false))));
            starts.getChildren()
                    .addAll(
                            order,
                            Pieces.go(
                                    "number the rows",
                                    "write-number",
                                    () -> model.rules().numberRows()));
        }
        if (!starts.getChildren().isEmpty()) {
            starts.getChildren().add(0, Pieces.label("Write", "second"));
        }
        return starts;
    }

    private void write(Optional<NewRule.What> what) {
        writing = what;
        show(model.outcomeProperty().get());
        if (lookup("#new-rule") instanceof NewRule rule) {
            Platform.runLater(rule::focusWords);
        }
    }

    private NewRule written(Outcome outcome, NewRule.What what) {
        return new NewRule(
                model, outcome, what, () -> write(Optional.empty()), rows -> side("Rows that would go", rows, false));
    }

    private VBox sentence(Outcome outcome, Sentence sentence) {
        String id = Decision.idOf(sentence.kind(), sentence.subject());
        Button on = new Button(sentence.on() ? "in force" : "resting");
        on.setId("sentence-" + id);
        on.getStyleClass().addAll("slot", "in-force");
        on.setMinWidth(USE_PREF_SIZE);
        on.setAccessibleText(sentence.text() + (sentence.on() ? ", in force" : ", resting"));
        on.setTooltip(new Tooltip(sentence.on() ? "Press to let it rest" : "Press to put it in force"));
        on.setOnAction(e -> model.rules().decideSentence(sentence, !sentence.on()));
        Label text = Pieces.wrapped(sentence.text(), "sentence-words");
        text.setMinWidth(0);
        FlowPane words = new FlowPane(6, 4, text);
        words.setAlignment(Pos.CENTER_LEFT);
        words.setRowValignment(VPos.BASELINE);
        List<TextField> fields = new ArrayList<>();
        if (sentence.kind().equals(MadeColumns.KIND) && outcome.proposal().isMadeNamed(sentence.subject())) {
            words.getChildren()
                    .setAll(
                            Pieces.label("Make the column", "sentence-words"),
                            madeName(id, sentence),
                            Pieces.label("from", "sentence-words"));
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
        Label touched = Pieces.label(sentence.touched(), "second");
        touched.setMinWidth(0);
        touched.setMaxWidth(TOUCHED);
        HBox first = new HBox(14, words, touched, on);
        first.setAlignment(Pos.BASELINE_LEFT);
        Label why = Pieces.label(
                sentence.yours() ? "You decided." : "Assumed: " + sentence.reason() + ".",
                sentence.yours() ? "second" : "amber",
                "small");
        why.setMinWidth(0);
        why.setTooltip(new Tooltip(why.getText()));
        HBox hands = Pieces.row(12);
        hands.setMinWidth(USE_PREF_SIZE);
        HBox last = Pieces.row(14, why, hands);
        VBox card = new VBox(4, first, last);
        card.getStyleClass().add("sentence");
        if (!sentence.on()) {
            card.getStyleClass().add("resting");
        }
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
            Button earlier =
                    Pieces.go("Earlier", "earlier-" + id, () -> model.rules().moveSentence(sentence, -1));
            earlier.setTooltip(new Tooltip("Alt+Up"));
            Button later = Pieces.go("Later", "later-" + id, () -> model.rules().moveSentence(sentence, 1));
            later.setTooltip(new Tooltip("Alt+Down"));
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
            hands.getChildren()
                    .add(Pieces.go(
                            rule ? "Remove" : "Let Cuvee decide",
                            "undecide-" + id,
                            () -> model.rules().undecideSentence(sentence)));
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
        Runnable take = () -> model.board().renameColumn(sentence.subject(), field.getText());
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
            for (MasterLine line : lines) {
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
            for (MasterLine line : lines) {
                String place = sources.getOrDefault(line.table(), "") + ", " + line.row();
                Button one = Pieces.go(
                        place,
                        "put-back-" + line.table() + "-" + line.row(),
                        () -> model.rules().putBack(line));
                one.setTooltip(new Tooltip("Keeps this row whatever the rules say"));
                back.getChildren().add(one);
            }
            strip.getChildren().setAll(shown, back);
        });
        return strip;
    }

    /** A button that opens a strip of rows under a sentence, and closes it. */
    private void strip(VBox card, HBox hands, String id, String words, Supplier<VBox> strip) {
        Button look = Pieces.go(open.contains(id) ? HIDE : words, "look-" + id, () -> {});
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
        Node first = page.lookup(".in-force");
        Node start = first == null ? page.lookup(".go") : first;
        if (start != null) {
            start.requestFocus();
        }
    }

    private static VBox side(String title, List<List<String>> rows, boolean numbered) {
        Label head = Pieces.label(title, "second");
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
