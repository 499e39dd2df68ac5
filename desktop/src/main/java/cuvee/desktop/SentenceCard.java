package cuvee.desktop;

import cuvee.decision.Kinds;
import cuvee.job.Decision;
import cuvee.model.JobModel;
import cuvee.model.RuleWords;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A sentence of Rework: its words with what can be changed in them, whether it is in force, and what it does. */
final class SentenceCard extends VBox {
    private static final double TOUCHED = 320;
    private static final String HIDE = "Hide the rows";

    private final JobModel model;
    private final Outcome outcome;
    private final Sentence sentence;
    private final String id;
    private final Set<String> open;
    private final HBox hands = Pieces.row(12);

    /**
     * @param open the ids of the sentences whose strips of rows are open
     */
    SentenceCard(JobModel model, Outcome outcome, Sentence sentence, Set<String> open) {
        super(4);
        this.model = model;
        this.outcome = outcome;
        this.sentence = sentence;
        this.id = Decision.idOf(sentence.kind(), sentence.subject());
        this.open = open;
        getStyleClass().add("sentence");
        if (!sentence.on()) {
            getStyleClass().add("resting");
        }
        hands.setMinWidth(USE_PREF_SIZE);
        getChildren().addAll(first(), Pieces.row(14, why(), hands));
        addStrips();
        addBlanks();
        addMoves();
        addUndecide();
    }

    // ---- the sentence ----

    private HBox first() {
        FlowPane words = words();
        HBox.setHgrow(words, Priority.ALWAYS);
        Label touched = Pieces.label(sentence.touched(), "second");
        touched.setMinWidth(0);
        touched.setMaxWidth(TOUCHED);
        HBox first = new HBox(14, words, touched, inForce());
        first.setAlignment(Pos.BASELINE_LEFT);
        return first;
    }

    private Button inForce() {
        Button on = new Button(sentence.on() ? "in force" : "resting");
        on.setId("sentence-" + id);
        on.getStyleClass().addAll("slot", "in-force");
        on.setMinWidth(USE_PREF_SIZE);
        on.setAccessibleText(sentence.text() + (sentence.on() ? ", in force" : ", resting"));
        on.setTooltip(new Tooltip(sentence.on() ? "Press to let it rest" : "Press to put it in force"));
        on.setOnAction(e -> model.rules().decideSentence(sentence, !sentence.on()));
        return on;
    }

    /** The words of the sentence, with fields where something in them can be changed. */
    private FlowPane words() {
        FlowPane words = new FlowPane(6, 4);
        words.setAlignment(Pos.CENTER_LEFT);
        words.setRowValignment(VPos.BASELINE);
        if (ShapeWords.has(sentence)) {
            words.getChildren()
                    .setAll(new ShapeWords(
                                    id,
                                    outcome,
                                    sentence,
                                    chosen -> model.rules().nameSentence(sentence, chosen))
                            .nodes(sentence));
            words.setDisable(!sentence.on());
            return words;
        }
        words.getChildren().addAll(said());
        if (sentence.kind().equals(RowRules.EQUAL)) {
            words.getChildren().add(stays());
        }
        if (RuleWords.has(sentence)) {
            RuleField field = new RuleField(
                    "name-" + id + "-0", sentence.names().get(0), new RuleWords(outcome, sentence), this::reword);
            field.setDisable(!sentence.on());
            words.getChildren().add(field);
        } else {
            words.getChildren().addAll(nameFields());
        }
        return words;
    }

    private List<Node> said() {
        if (sentence.kind().equals(MadeColumns.KIND) && outcome.proposal().isMadeNamed(sentence.subject())) {
            return List.of(
                    Pieces.label("Make the column", "sentence-words"),
                    madeName(),
                    Pieces.label("from", "sentence-words"));
        }
        String text = sentence.text();
        Label said = Pieces.wrapped(
                sentence.kind().equals(RowRules.EQUAL)
                        ? text.substring(0, text.length() - sentence.lead().length() - 1)
                        : text,
                "sentence-words");
        said.setMinWidth(0);
        return List.of(said);
    }

    private ComboBox<String> stays() {
        ComboBox<String> stays = new ComboBox<>();
        stays.setId("stays-" + id);
        stays.getItems().setAll(RowRules.EQUAL_VERBS);
        stays.setValue(sentence.lead());
        stays.setDisable(!sentence.on());
        stays.setOnAction(e -> model.rules().decideEqual(sentence, stays.getValue()));
        return stays;
    }

    private TextField madeName() {
        TextField field = field("made-" + id, sentence.subject());
        onLeft(field, () -> model.board().renameColumn(sentence.subject(), field.getText()));
        return field;
    }

    private List<TextField> nameFields() {
        List<TextField> fields = new ArrayList<>();
        for (String name : sentence.names()) {
            TextField field = field("name-" + id + "-" + fields.size(), name);
            fields.add(field);
            onLeft(field, () -> rename(fields));
        }
        return fields;
    }

    private TextField field(String fieldId, String text) {
        TextField field = new TextField(text);
        field.setId(fieldId);
        field.setPrefColumnCount(Math.max(8, text.length()));
        field.setDisable(!sentence.on());
        return field;
    }

    /** Takes what is written once Enter is pressed or the keys go elsewhere. */
    private static void onLeft(TextField field, Runnable take) {
        field.setOnAction(e -> take.run());
        field.focusedProperty().addListener((o, before, now) -> {
            if (!now) {
                take.run();
            }
        });
    }

    private void rename(List<TextField> fields) {
        model.rules()
                .nameSentence(
                        sentence,
                        fields.stream().map(field -> field.getText().strip()).toList());
    }

    private void reword(String words) {
        if (open.contains(id) && sentence.kind().equals(RowRules.ROWS)) {
            open.add(Decision.idOf(sentence.kind(), words));
        }
        model.rules().nameSentence(sentence, List.of(words));
    }

    private Label why() {
        Label why = Pieces.label(
                sentence.yours() ? "You decided." : "Assumed: " + sentence.reason() + ".",
                sentence.yours() ? "second" : "amber",
                "small");
        why.setMinWidth(0);
        why.setTooltip(new Tooltip(why.getText()));
        return why;
    }

    // ---- what can be done with it ----

    private void addStrips() {
        RuleStrips strips = new RuleStrips(model, outcome, sentence);
        boolean cells = List.of(ValueRule.KIND, Codes.KIND, Correction.KIND).contains(sentence.kind());
        boolean shape =
                sentence.subject().equals(Shapings.ROWS) && outcome.shaped().isPresent();
        if (sentence.on() && cells) {
            strip("Show some of the cells", strips::cells);
        } else if (sentence.on() && shape) {
            strip("Before and after", strips::shape);
        }
        if (!sentence.tables().isEmpty()) {
            strip(
                    aboutRows() ? "Show the rows set aside" : "Before and after",
                    aboutRows() ? strips::aside : strips::layOut);
        }
    }

    private boolean aboutRows() {
        return sentence.kind().equals(RowRules.ROWS) || sentence.kind().equals(RowRules.EQUAL);
    }

    /** A button that opens a strip of rows under the sentence, and closes it. */
    private void strip(String words, Supplier<VBox> strip) {
        Button look = Pieces.go(open.contains(id) ? HIDE : words, "look-" + id, () -> {});
        look.setOnAction(e -> {
            boolean shown = open.remove(id) || !open.add(id);
            look.setText(shown ? words : HIDE);
            getChildren().removeIf(node -> node.getStyleClass().contains("strip"));
            if (!shown) {
                getChildren().add(strip.get());
            }
        });
        hands.getChildren().add(look);
        if (open.contains(id)) {
            getChildren().add(strip.get());
        }
    }

    private void addBlanks() {
        if (sentence.turns() && sentence.on()) {
            CheckBox blanks = new CheckBox("Blank cells are rows too");
            blanks.setId("blanks-" + id);
            blanks.setSelected(sentence.keepsBlanks());
            blanks.setOnAction(e -> model.rules().keepBlanks(sentence, blanks.isSelected()));
            hands.getChildren().add(blanks);
        }
    }

    private void addMoves() {
        boolean several =
                outcome.sentences().stream().filter(SentenceCard::movable).count() > 1;
        if (!several || !movable(sentence)) {
            return;
        }
        Button earlier =
                Pieces.go("Earlier", "earlier-" + id, () -> model.rules().moveSentence(sentence, -1));
        earlier.setTooltip(new Tooltip("Alt+Up"));
        Button later = Pieces.go("Later", "later-" + id, () -> model.rules().moveSentence(sentence, 1));
        later.setTooltip(new Tooltip("Alt+Down"));
        hands.getChildren().addAll(earlier, later);
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.isAltDown() && (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN)) {
                model.rules().moveSentence(sentence, e.getCode() == KeyCode.UP ? -1 : 1);
                e.consume();
            }
        });
    }

    /** True for rules whose order counts, or is worth choosing. */
    private static boolean movable(Sentence sentence) {
        return List.of(RowRules.ROWS, RowRules.EQUAL, MadeColumns.KIND).contains(sentence.kind());
    }

    private void addUndecide() {
        if (sentence.yours()) {
            hands.getChildren()
                    .add(Pieces.go(
                            isRule() ? "Remove" : "Let Cuvee decide",
                            "undecide-" + id,
                            () -> model.rules().undecideSentence(sentence)));
        }
    }

    /** True for what would not be there unless the analyst had written it. */
    private boolean isRule() {
        return aboutRows()
                || sentence.subject().equals(Shapings.ROWS)
                || List.of(
                                Kinds.HEADER,
                                MadeColumns.KIND,
                                Correction.KIND,
                                Codes.KIND,
                                RowRules.PUT_BACK,
                                ValueRule.KIND,
                                Tidying.KIND)
                        .contains(sentence.kind());
    }
}
