package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.model.RuleWords;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.tell.Outcome;
import java.util.List;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
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
    /** What a new rule does. */
    enum What {
        ASIDE("Set aside rows where"),
        KEEP("Keep only rows where"),
        COLUMN("Make a column from");

        private final String words;

        What(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    private final JobModel model;
    private final What what;
    private final RuleField field;
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
        Button leave = Pieces.plain(Pieces.button("Drop it", "Esc", "new-rule-drop", drop));
        Label lead = Pieces.label(what.words(), "sentence-words");
        HBox line = Pieces.row(8, lead, field, Pieces.space(), take, leave);
        line.setAlignment(Pos.TOP_LEFT);
        effect.setId("new-rule-effect");
        getChildren().addAll(line, effect, rows);
        tell("");
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

    private void tell(String said) {
        effect.setText(said);
        Pieces.show(effect, !said.isEmpty());
    }

    private void tryOut() {
        String now = field.textProperty().get().strip();
        rows.getChildren().clear();
        if (now.isEmpty() || !words.problem(now).isEmpty() || what == What.COLUMN) {
            tell("");
            return;
        }
        model.rules().tryPhrase(now, what == What.KEEP, trial -> {
            if (!now.equals(field.textProperty().get().strip())) {
                return;
            }
            tell(trial.map(found -> found.words()).orElse(""));
            trial.filter(found -> found.rows().size() > 1)
                    .ifPresent(found -> rows.getChildren().setAll(table.apply(found.rows())));
        });
    }

    private void putInForce() {
        String now = field.textProperty().get().strip();
        if (now.isEmpty() || !words.problem(now).isEmpty()) {
            return;
        }
        drop.run();
        switch (what) {
            case ASIDE -> model.rules().ruleByPhrase(now, false);
            case KEEP -> model.rules().ruleByPhrase(now, true);
            case COLUMN -> model.rules().makeColumn(now);
        }
    }
}
