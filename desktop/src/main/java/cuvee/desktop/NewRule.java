package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.model.RuleModel;
import cuvee.model.RuleWords;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.tell.Outcome;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/**
 * A rule that is being written, in the paragraph where it will stand: its words with completion, what it would do to rows
 * and sums before it is in force, and some of the rows that it would touch.
 */
final class NewRule extends VBox {
    private static final String PHRASE =
            "A column and what it says: is, over, contains, is blank and more, with “or” between values and commas between"
                    + " columns. Ctrl+Space offers them.";

    /** What a new rule does. */
    enum What {
        ASIDE("Set aside rows where", PHRASE),
        KEEP("Keep only rows where", PHRASE),
        COLUMN(
                "Make a column from",
                "Columns as they are called, numbers, texts in quotation marks, + - * /, and words such as “year of” or"
                        + " “then”. Ctrl+Space offers them, Shift+F1 opens the guide.");

        private final String words;
        private final String help;

        What(String words, String help) {
            this.words = words;
            this.help = help;
        }

        String words() {
            return words;
        }
    }

    private static final double NAME = 130;

    private final JobModel model;
    private final What what;
    private final RuleField field;
    private final TextField name = new TextField();
    private final Label effect = Pieces.wrapped("", "medium");
    private final VBox rows = new VBox();
    private final Button take;
    private final PauseTransition typing = new PauseTransition(Duration.millis(150));
    private final RuleWords words;
    private final Runnable drop;
    private final Function<List<List<String>>, Node> table;

    /**
     * @param table draws rows, the names of the columns first
     */
    NewRule(JobModel model, Outcome outcome, What what, Runnable drop, Function<List<List<String>>, Node> table) {
        super(6);
        this.model = model;
        this.what = what;
        this.drop = drop;
        this.table = table;
        setId("new-rule");
        getStyleClass().addAll("sentence", "writing");
        words = new RuleWords(outcome, what == What.COLUMN ? MadeColumns.KIND : RowRules.ROWS);
        field = new RuleField("new-rule-words", "", words, said -> {}, this::putInForce);
        take = Pieces.chief(Pieces.button("Put in force", "Enter", "new-rule-take", this::putInForce));
        take.setDisable(true);
        Button leave = Pieces.go("Drop it", "Esc", "new-rule-drop", drop);
        HBox line = Pieces.row(8);
        line.setAlignment(Pos.TOP_LEFT);
        if (what == What.COLUMN) {
            name.setId("new-rule-name");
            name.setPromptText("its name");
            name.setPrefWidth(NAME);
            name.setOnAction(e -> putInForce());
            line.getChildren()
                    .addAll(
                            Pieces.label("Make the column", "sentence-words"),
                            name,
                            Pieces.label("from", "sentence-words"));
        } else {
            line.getChildren().add(Pieces.label(what.words(), "sentence-words"));
        }
        line.getChildren().addAll(field, Pieces.space(), take, leave);
        effect.setId("new-rule-effect");
        getChildren().addAll(line, effect, rows);
        tell(what.help);
        typing.setOnFinished(e -> tryOut());
        field.textProperty().addListener((o, before, now) -> {
            take.setDisable(now.isBlank() || !words.problem(now.strip()).isEmpty());
            typing.playFromStart();
        });
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE && !field.isOffering()) {
                drop.run();
                e.consume();
            }
        });
    }

    void focusWords() {
        field.focusWords();
    }

    /** Says what the words would do, or what could be written while there are none. */
    private void tell(String said) {
        boolean help = said.equals(what.help);
        effect.getStyleClass().setAll("label", help ? "second" : "medium");
        effect.setText(said);
        Pieces.show(effect, !said.isEmpty());
    }

    private void tryOut() {
        String now = field.textProperty().get().strip();
        rows.getChildren().clear();
        if (now.isEmpty() || !words.problem(now).isEmpty()) {
            tell(now.isEmpty() ? what.help : "");
            return;
        }
        if (what == What.COLUMN) {
            model.rules().tryFormula(now, trial -> tried(now, trial));
        } else {
            model.rules().tryPhrase(now, what == What.KEEP, trial -> tried(now, trial));
        }
    }

    private void tried(String words, Optional<RuleModel.Trial> trial) {
        if (words.equals(field.textProperty().get().strip())) {
            tell(trial.map(RuleModel.Trial::words).orElse(""));
            trial.filter(found -> found.rows().size() > 1)
                    .ifPresent(found -> rows.getChildren().setAll(table.apply(found.rows())));
        }
    }

    private void putInForce() {
        String now = field.textProperty().get().strip();
        if (now.isEmpty() || !words.problem(now).isEmpty()) {
            return;
        }
        String called = name.getText();
        drop.run();
        switch (what) {
            case ASIDE -> model.rules().ruleByPhrase(now, false);
            case KEEP -> model.rules().ruleByPhrase(now, true);
            case COLUMN -> model.rules().makeColumn(called, now);
        }
    }
}
