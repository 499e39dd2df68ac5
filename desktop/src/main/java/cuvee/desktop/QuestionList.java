package cuvee.desktop;

import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.model.GridModel.Mark;
import cuvee.model.JobModel;
import cuvee.model.ListGrid;
import cuvee.model.Questions;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.tell.Card;
import cuvee.tell.Outcome;
import cuvee.tell.Stakes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * All open questions, the weightiest first, with the evidence and the answers of the chosen one beside them; below, what
 * is settled, each to be asked again. It lies over the stage, so that the figures of the strip are seen to move.
 */
final class QuestionList extends HBox {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final double EVIDENCE = 520;
    private final JobModel model;
    private final Consumer<Question> showInPlace;
    private final Runnable close;
    private final Label says = Pieces.label("", "says");
    private final VBox list = new VBox();
    private final List<VBox> rows = new ArrayList<>();
    private final Button all;
    private final Label settledSays = Pieces.label("", "heading");
    private final GridView settled = new GridView("settled-grid");
    private final VBox evidence = new VBox(10);
    private final List<Card> cards = new ArrayList<>();
    private int chosen;
    private @Nullable AnswerBox answers;

    /** True while there is something that has not been shown. */
    private boolean behind = true;

    QuestionList(JobModel model, Consumer<Question> showInPlace, Runnable close) {
        this.model = model;
        this.showInPlace = showInPlace;
        this.close = close;
        setId("questions");
        getStyleClass().add("question-list");
        setFocusTraversable(true);
        all = Pieces.button("Settle all as assumed", "A", "questions-settle-all", this::settleAll);
        settled.setOnOpen((row, column) -> askAgain(row));
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox.setVgrow(settled, Priority.SOMETIMES);
        settled.setMinHeight(110);
        settled.setPrefHeight(210);
        HBox head = Pieces.row(12, says);
        head.getStyleClass().addAll("standing", "inner");
        HBox hands = Pieces.row(
                12,
                all,
                Pieces.space(),
                Pieces.label(
                        "↑ ↓ question   1 2 3 answer   Enter settle   Ctrl+Enter show in place", "second", "small"));
        VBox left = new VBox(10, head, scroll, hands, settledSays, settled);
        left.setPadding(new javafx.geometry.Insets(4, 16, 12, 16));
        left.setMinWidth(0);
        HBox.setHgrow(left, Priority.ALWAYS);
        evidence.getStyleClass().add("evidence-side");
        evidence.setPrefWidth(EVIDENCE);
        evidence.setMinWidth(400);
        evidence.setMaxWidth(EVIDENCE);
        getChildren().addAll(left, evidence);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        model.outcomeProperty().addListener((o, before, now) -> {
            behind = true;
            if (getScene() != null) {
                catchUp();
            }
        });
        sceneProperty().addListener((o, before, now) -> {
            if (now != null) {
                catchUp();
            }
        });
    }

    /** Shows what there is now, where it has not been shown yet: nothing is made while nobody looks. */
    private void catchUp() {
        if (behind) {
            behind = false;
            show(model.outcomeProperty().get());
        }
    }

    GridView grid() {
        return settled;
    }

    private void show(Optional<Outcome> outcome) {
        boolean focused = getScene() != null && isWithin(getScene().getFocusOwner());
        String before = chosen < cards.size() ? cards.get(chosen).question().id() : "";
        cards.clear();
        rows.clear();
        list.getChildren().clear();
        outcome.ifPresent(this::showRows);
        chosen = Math.max(0, Math.min(chosen, cards.size() - 1));
        for (int at = 0; at < cards.size(); at++) {
            chosen = cards.get(at).question().id().equals(before) ? at : chosen;
        }
        says.setText(
                outcome.isEmpty()
                        ? "What Cuvee cannot settle from the files will be asked here."
                        : cards.isEmpty()
                                ? "No open question: everything could be settled from the files."
                                : Says.count(cards.size(), "question")
                                        + (cards.size() == 1 ? ". It" : ", the weightiest first. Each")
                                        + " has an answer in force already.");
        Pieces.show(all, !cards.isEmpty());
        all.setText(cards.size() == 1 ? "Settle it as assumed" : "Settle all " + cards.size() + " as assumed");
        outcome.ifPresent(made -> {
            ListGrid<Decision> decisions = Questions.settled(made);
            settled.setModel(decisions);
            boolean any = decisions.rows() > 0;
            settledSays.setText(
                    any
                            ? "Settled by you: " + Says.count(decisions.rows(), "decision")
                            : "Nothing is settled by you yet; what you settle stands here, and can be asked again.");
            settledSays.getStyleClass().setAll("label", any ? "heading" : "second");
            Pieces.show(settled, any);
        });
        choose(chosen);
        if (focused && isVisible()) {
            focusChosen();
        }
    }

    /** The questions about one column stand together, the weightiest of them where it belongs, and are settled together. */
    private void showRows(Outcome outcome) {
        Map<String, List<Card>> byColumn = new LinkedHashMap<>();
        for (Card card : Card.of(outcome)) {
            String column = Questions.column(outcome, card.question())
                    .orElse(card.question().id());
            byColumn.computeIfAbsent(column, any -> new ArrayList<>()).add(card);
        }
        byColumn.forEach((column, about) -> {
            if (about.size() > 1) {
                Button settle = Pieces.go(
                        "Settle these " + about.size() + " as assumed",
                        "settle-column-" + column,
                        () -> model.answers().settleAsAssumed(parts(about)));
                HBox head = Pieces.row(
                        8,
                        Pieces.label(column, "bold"),
                        Pieces.label(about.size() + " questions about this column", "second"),
                        Pieces.space(),
                        settle);
                head.getStyleClass().add("question-group");
                list.getChildren().add(head);
            }
            for (Card card : about) {
                cards.add(card);
                VBox row = row(outcome, cards.size() - 1);
                rows.add(row);
                list.getChildren().add(row);
            }
        });
    }

    private boolean isWithin(@Nullable Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == this) {
                return true;
            }
        }
        return false;
    }

    private VBox row(Outcome outcome, int at) {
        Question question = cards.get(at).question();
        Label title = Pieces.wrapped(Questions.title(outcome, question), "bold");
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        Stakes.Stake weight = Stakes.of(outcome).of(cards.get(at).parts());
        String amountSaid = weight.column().isEmpty() ? weight.said() : weight.amountSaid();
        Label amount = Pieces.label(amountSaid, "medium");
        amount.setMinWidth(USE_PREF_SIZE);
        HBox first = Pieces.row(10, Pieces.mark(Mark.QUESTION, ""), title, amount);
        Label assumed = Pieces.wrapped("Assumed: " + question.assumedText());
        HBox.setHgrow(assumed, Priority.ALWAYS);
        assumed.setMaxWidth(Double.MAX_VALUE);
        Label rowsSaid = Pieces.label(
                weight.column().isEmpty() ? "" : Questions.rows(weight) + " rest on it", "second", "small");
        rowsSaid.setMinWidth(USE_PREF_SIZE);
        Label place = Pieces.label(Questions.place(question), "second", "small");
        VBox row = new VBox(2, first, Pieces.row(10, assumed, rowsSaid), place);
        assumed.setPadding(new javafx.geometry.Insets(0, 0, 0, 30));
        place.setPadding(new javafx.geometry.Insets(0, 0, 0, 30));
        row.setId("question-" + question.id());
        row.getStyleClass().add("question-row");
        row.setFocusTraversable(true);
        row.setAccessibleRole(AccessibleRole.LIST_ITEM);
        row.setAccessibleText(title.getText() + ", " + weight.said() + ", " + assumed.getText());
        row.setOnMouseClicked(e -> {
            choose(at);
            focusChosen();
        });
        row.focusedProperty().addListener((o, was, now) -> {
            if (now && chosen != at) {
                choose(at);
            }
        });
        return row;
    }

    /** Chooses a question, and shows what is known of it. */
    private void choose(int at) {
        chosen = at;
        for (int i = 0; i < rows.size(); i++) {
            rows.get(i).pseudoClassStateChanged(CHOSEN, i == at);
        }
        Optional<Outcome> outcome = model.outcomeProperty().get();
        evidence.getChildren().clear();
        answers = null;
        if (outcome.isEmpty() || at < 0 || at >= cards.size()) {
            evidence.getChildren()
                    .add(Pieces.wrapped(
                            "What Cuvee assumed along the way stands in the job, each with its reason.", "second"));
            return;
        }
        Card card = cards.get(at);
        Question question = card.question();
        Button shut = Pieces.go("Close", "Ctrl+J", "questions-close", close);
        HBox head = Pieces.row(
                10, Pieces.mark(Mark.QUESTION, ""), Pieces.label((at + 1) + " of " + cards.size(), "second"));
        weighedBy(outcome.get())
                .ifPresent(word -> head.getChildren().addAll(Pieces.label("weighed by", "second"), word));
        head.getChildren().addAll(Pieces.space(), shut);
        Label title = Pieces.wrapped(Questions.title(outcome.get(), question), "large");
        Label stake = Pieces.wrapped(
                Stakes.of(outcome.get()).of(card.parts()).said() + " rest on it · " + Questions.place(question),
                "second");
        AnswerBox box = new AnswerBox(
                model,
                outcome.get(),
                question,
                (asked, answer) -> model.answers().settle(card, answer),
                Pieces.button("Show it in its place", "question-place", () -> showInPlace(card)));
        answers = box;
        evidence.getChildren().addAll(head, title, stake, box);
        if (card.parts().size() > 1) {
            evidence.getChildren().add(byThemselves(outcome.get(), card));
        }
    }

    /** The parts of a card, each of which opens where it stands. */
    private VBox byThemselves(Outcome outcome, Card card) {
        VBox parts = new VBox(4, Pieces.label("Or one by one, where it stands:", "second"));
        for (Question part : card.parts()) {
            parts.getChildren()
                    .add(Pieces.go(
                            Questions.title(outcome, part),
                            "question-part-" + part.subject(),
                            () -> showInPlace.accept(part)));
        }
        parts.getStyleClass().add("question-parts");
        return parts;
    }

    private void showInPlace(Card card) {
        showInPlace.accept(card.parts().get(0));
    }

    private static List<Question> parts(List<Card> cards) {
        return cards.stream().flatMap(card -> card.parts().stream()).toList();
    }

    /** Goes to a question of the list. */
    void go(Question question) {
        for (int at = 0; at < cards.size(); at++) {
            if (cards.get(at).parts().stream().anyMatch(part -> part.id().equals(question.id()))) {
                choose(at);
            }
        }
        focusChosen();
    }

    void focusChosen() {
        if (chosen < rows.size()) {
            rows.get(chosen).requestFocus();
        } else if (settled.isVisible()) {
            settled.requestFocus();
        } else {
            requestFocus();
        }
    }

    /** The column by which questions are weighed, to be changed; none where the master has no numbers. */
    private Optional<MenuButton> weighedBy(Outcome outcome) {
        List<String> numbers = outcome.proposal().columns().stream()
                .filter(column -> column.type().isNumber())
                .map(Proposal.ColumnReport::name)
                .toList();
        if (numbers.isEmpty()) {
            return Optional.empty();
        }
        MenuButton word = Pieces.slot("weighed-by");
        String now = Stakes.of(outcome).column();
        word.setText(now.isEmpty() ? "no column" : now);
        numbers.forEach(name ->
                word.getItems().add(Pieces.item(name, "", () -> model.answers().weighBy(name))));
        return Optional.of(word);
    }

    private void settleAll() {
        model.answers().settleAsAssumed(parts(cards));
    }

    private void askAgain(long row) {
        if (settled.model() instanceof ListGrid<?> list && list.item(row) instanceof Decision decision) {
            model.answers().askAgain(decision);
        }
    }

    private void key(KeyEvent e) {
        boolean onRow = e.getTarget() instanceof VBox row && rows.contains(row);
        if (e.getCode() == KeyCode.ESCAPE) {
            close.run();
            e.consume();
        } else if (e.getCode() == KeyCode.ENTER && e.isShortcutDown() && chosen < cards.size()) {
            showInPlace(cards.get(chosen));
            e.consume();
        } else if (onRow && answers != null) {
            rowKey(e, answers);
        }
    }

    private void rowKey(KeyEvent e, AnswerBox box) {
        if (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN) {
            int to = chosen + (e.getCode() == KeyCode.UP ? -1 : 1);
            choose(Math.max(0, Math.min(to, cards.size() - 1)));
            focusChosen();
        } else if (e.getCode() == KeyCode.ENTER) {
            box.settleSo();
        } else if (e.getCode().isDigitKey() && !e.isAltDown() && !e.isShortcutDown()) {
            int number = e.getCode().getName().charAt(0) - '0';
            box.choose(number);
        } else if (e.getCode() == KeyCode.A && !e.isAltDown() && !e.isShortcutDown()) {
            settleAll();
        } else {
            return;
        }
        e.consume();
    }
}
