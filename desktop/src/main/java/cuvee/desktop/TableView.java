package cuvee.desktop;

import cuvee.model.GridModel;
import cuvee.model.JobModel;
import cuvee.refresh.Outcome;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A view that is one grid over the outcome, with a sentence above it that says what it shows. */
final class TableView extends VBox {
    private final GridView grid;
    private final Label says = new Label();

    TableView(
            String id,
            JobModel model,
            Function<Outcome, String> sentence,
            Function<Outcome, GridModel> content,
            String emptyWords,
            Node... tools) {
        setId(id);
        grid = new GridView(id + "-grid");
        grid.setEmptyWords(emptyWords);
        says.getStyleClass().add("view-says");
        says.setWrapText(true);
        VBox.setVgrow(grid, Priority.ALWAYS);
        getChildren().add(says);
        getChildren().addAll(tools);
        getChildren().add(grid);
        model.outcomeProperty().addListener((o, before, now) -> show(now, sentence, content));
        show(model.outcomeProperty().get(), sentence, content);
    }

    GridView grid() {
        return grid;
    }

    private void show(
            Optional<Outcome> outcome, Function<Outcome, String> sentence, Function<Outcome, GridModel> content) {
        outcome.ifPresent(made -> {
            says.setText(sentence.apply(made));
            grid.setModel(content.apply(made));
        });
    }
}
