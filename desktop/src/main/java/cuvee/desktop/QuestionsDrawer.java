package cuvee.desktop;

import cuvee.finding.Question;
import cuvee.place.Says;
import java.util.List;
import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The questions that Cuvee could not settle, the weightiest first, each with the answer that is in force meanwhile. */
final class QuestionsDrawer extends VBox {
    private static final double OPEN = 312;
    private static final double FOLDED = 40;
    private final VBox list = new VBox(0);
    private final Label title = new Label("Questions");
    private final Button fold = new Button("Fold");
    private final ScrollPane scroll = new ScrollPane(list);
    private final BiConsumer<Question, String> settle;
    private boolean open = true;
    private int asked;

    QuestionsDrawer(BiConsumer<Question, String> settle) {
        this.settle = settle;
        setId("questions");
        getStyleClass().add("drawer");
        title.getStyleClass().add("section-title");
        fold.setId("questions-fold");
        fold.getStyleClass().add("plain");
        fold.setOnAction(e -> setOpen(!open));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(8, title, space, fold);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("drawer-head");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        setOpen(true);
    }

    boolean isOpen() {
        return open;
    }

    void setOpen(boolean wanted) {
        open = wanted;
        setMinWidth(wanted ? OPEN : FOLDED);
        setPrefWidth(wanted ? OPEN : FOLDED);
        setMaxWidth(wanted ? OPEN : FOLDED);
        scroll.setVisible(wanted);
        scroll.setManaged(wanted);
        title.setVisible(wanted);
        title.setManaged(wanted);
        fold.setText(wanted ? "Fold" : asked > 0 ? String.valueOf(asked) : "?");
        fold.setAccessibleText(wanted ? "Fold the questions away" : "Show the questions");
    }

    /** Before anything has been read there is nothing to say of questions. */
    void showWaiting() {
        asked = 0;
        title.setText("Questions");
        list.getChildren().clear();
        Label waiting = new Label("What Cuvee cannot settle from the files will be asked here.");
        waiting.setWrapText(true);
        waiting.getStyleClass().addAll("hint", "question");
        list.getChildren().add(waiting);
        setOpen(open);
    }

    void show(List<Question> questions) {
        asked = questions.size();
        title.setText(questions.isEmpty() ? "No open question" : Says.count(questions.size(), "question"));
        list.getChildren().clear();
        if (questions.isEmpty()) {
            Label calm = new Label(
                    "Everything could be settled from the files. What was assumed along the way stands in the job.");
            calm.setWrapText(true);
            calm.getStyleClass().addAll("hint", "question");
            list.getChildren().add(calm);
        }
        questions.forEach(question -> list.getChildren().add(card(question)));
        setOpen(open);
    }

    private VBox card(Question question) {
        Label where = new Label(question.where().toString());
        where.getStyleClass().add("place");
        where.setWrapText(true);
        Label text = new Label(question.text());
        text.setWrapText(true);
        VBox card = new VBox(6, where, text);
        card.getStyleClass().add("question");
        ToggleGroup group = new ToggleGroup();
        for (Question.Answer answer : question.answers()) {
            boolean assumed = answer.id().equals(question.assumed());
            RadioButton choice = new RadioButton(answer.text() + (assumed ? " (assumed)" : ""));
            choice.setWrapText(true);
            choice.setToggleGroup(group);
            choice.setSelected(assumed);
            choice.setUserData(answer.id());
            card.getChildren().add(choice);
        }
        Button take = new Button("Settle so");
        take.setId("settle-" + question.id());
        take.setOnAction(e ->
                settle.accept(question, String.valueOf(group.getSelectedToggle().getUserData())));
        card.getChildren().add(take);
        return card;
    }
}
