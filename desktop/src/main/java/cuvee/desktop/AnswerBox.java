package cuvee.desktop;

import cuvee.finding.Question;
import cuvee.model.JobModel;
import cuvee.model.Questions;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import javafx.css.PseudoClass;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * A question with what was seen on both sides and its answers, the one in force chosen: in the list of questions and in the
 * slip at its subject. The number keys choose an answer, Enter settles it.
 */
final class AnswerBox extends VBox {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final double ROOM_FOR_VALUES = 118;
    private static final int MOST_SIDES = 4;
    private final Question question;
    private final BiConsumer<Question, String> settle;
    private final ToggleGroup group = new ToggleGroup();
    private final List<RadioButton> choices = new ArrayList<>();

    /**
     * @param acts what stands beside the act that settles it
     */
    AnswerBox(JobModel model, Outcome outcome, Question question, BiConsumer<Question, String> settle, Node... acts) {
        super(8);
        this.question = question;
        this.settle = settle;
        getStyleClass().add("answers");
        String body = Questions.body(outcome, question);
        if (!body.isEmpty()) {
            getChildren().add(Pieces.wrapped(body, "second"));
        }
        List<Questions.Seen> seen = Questions.seen(outcome, question);
        if (seen.size() > 1) {
            StackPane sides = new StackPane(sides(seen, "reading …"));
            sides.setAlignment(Pos.TOP_LEFT);
            getChildren().add(sides);
            if (seen.stream().limit(MOST_SIDES).anyMatch(side -> side.values().isEmpty())) {
                // Numbers are read from the sheets, which may take a moment.
                sides.setMinHeight(ROOM_FOR_VALUES);
                model.ask(
                        made -> Questions.seenInSheets(model.session(), made, question),
                        found -> sides.getChildren().setAll(sides(found, "no value")));
            }
        }
        int number = 1;
        for (Question.Answer answer : question.answers()) {
            getChildren().add(line(answer, number++));
        }
        HBox foot = Pieces.row(
                12, Pieces.chief(Pieces.button("Settle so", "Enter", "settle-" + question.id(), this::settleSo)));
        foot.getChildren().addAll(acts);
        getChildren().add(foot);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    }

    /** The values of both sides beside each other. */
    private static GridPane sides(List<Questions.Seen> seen, String none) {
        GridPane sides = new GridPane();
        sides.setHgap(16);
        sides.setVgap(2);
        int column = 0;
        int shown = Math.min(MOST_SIDES, seen.size());
        for (Questions.Seen side : seen.subList(0, shown)) {
            ColumnConstraints half = new ColumnConstraints();
            half.setPercentWidth(100.0 / shown);
            half.setHgrow(Priority.ALWAYS);
            half.setHalignment(HPos.LEFT);
            sides.getColumnConstraints().add(half);
            sides.add(Pieces.wrapped(side.title(), "second", "small"), column, 0);
            int row = 1;
            for (String value : side.values()) {
                sides.add(Pieces.label(value), column, row++);
            }
            if (side.values().isEmpty()) {
                sides.add(Pieces.label(none, "second"), column, row);
            }
            column++;
        }
        return sides;
    }

    private HBox line(Question.Answer answer, int number) {
        boolean assumed = answer.id().equals(question.assumed());
        RadioButton choice = new RadioButton();
        choice.setToggleGroup(group);
        choice.setUserData(answer.id());
        choice.setAccessibleText(answer.text() + (assumed ? ", in force, assumed" : ""));
        choices.add(choice);
        String text =
                Character.toUpperCase(answer.text().charAt(0)) + answer.text().substring(1);
        Label words = Pieces.wrapped(text, assumed ? "medium" : "answer-text");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        Label inForce = Pieces.label(assumed ? "assumed" : "", "amber", "small");
        inForce.setMinWidth(USE_PREF_SIZE);
        HBox line = Pieces.row(8, choice, words, inForce, Pieces.label(String.valueOf(number), "number"));
        line.setId("answer-" + question.id() + "-" + number);
        line.getStyleClass().add("answer");
        choice.selectedProperty().addListener((o, before, now) -> line.pseudoClassStateChanged(CHOSEN, now));
        line.setOnMouseClicked(e -> {
            choice.setSelected(true);
            choice.requestFocus();
        });
        choice.setSelected(assumed);
        return line;
    }

    /** Puts the keys where the answers are. */
    void focusAnswers() {
        choices.stream().filter(RadioButton::isSelected).findFirst().ifPresent(RadioButton::requestFocus);
    }

    /** Chooses an answer by its number, as the keys do. */
    void choose(int number) {
        if (number >= 1 && number <= choices.size()) {
            choices.get(number - 1).setSelected(true);
            choices.get(number - 1).requestFocus();
        }
    }

    void settleSo() {
        settle.accept(question, String.valueOf(group.getSelectedToggle().getUserData()));
    }

    private void key(KeyEvent e) {
        if (e.isShortcutDown() || e.isAltDown()) {
            return;
        }
        if (e.getCode().isDigitKey()) {
            choose(e.getCode().getName().charAt(0) - '0');
            e.consume();
        } else if (e.getCode() == KeyCode.ENTER && e.getTarget() instanceof RadioButton) {
            settleSo();
            e.consume();
        }
    }
}
