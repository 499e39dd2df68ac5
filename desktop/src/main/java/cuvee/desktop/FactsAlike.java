package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.value.Spellings;
import cuvee.value.Spellings.Counted;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** Values that look like one written in several ways, each group with the spelling that is proposed for all of it. */
final class FactsAlike extends VBox {
    private static final int GROUPS_SHOWN = 8;
    private final JobModel model;

    FactsAlike(JobModel model) {
        super(4);
        this.model = model;
    }

    /** Tells of the groups of a column; none takes the whole of it away. */
    void tell(String column, List<Spellings.Group> groups) {
        getChildren().clear();
        Pieces.show(this, !groups.isEmpty());
        if (groups.isEmpty()) {
            return;
        }
        Label head = new Label("Nearly the same");
        head.getStyleClass().add("section-title");
        getChildren().add(head);
        if (groups.size() > 1) {
            Button all = new Button("Write all " + Says.number(groups.size()) + " as proposed");
            all.setId("facts-alike-all");
            all.setOnAction(e -> model.rules().writeAlike(column, groups));
            getChildren().add(all);
        }
        int at = 0;
        for (Spellings.Group group : groups.subList(0, Math.min(GROUPS_SHOWN, groups.size()))) {
            Label others = new Label(group.others().stream()
                    .limit(4)
                    .map(other -> Says.quoted(other.text()) + " in " + Says.count(other.rows(), "row"))
                    .collect(Collectors.joining(", ")));
            others.setWrapText(true);
            Button one = new Button(
                    "Write “" + group.to().text() + "” for " + (group.others().size() == 1 ? "it" : "them"));
            one.setId("facts-alike-" + at++);
            one.setOnAction(e -> model.rules()
                    .writeValues(
                            column,
                            group.others().stream().map(Counted::text).toList(),
                            group.to().text()));
            getChildren().addAll(others, one);
        }
        if (groups.size() > GROUPS_SHOWN) {
            getChildren().add(new Label("and " + Says.number(groups.size() - GROUPS_SHOWN) + " more"));
        }
    }
}
