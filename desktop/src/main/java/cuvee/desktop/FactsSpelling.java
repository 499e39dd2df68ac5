package cuvee.desktop;

import cuvee.master.MasterPlan;
import cuvee.model.JobModel;
import cuvee.value.YesNoWords;
import java.util.List;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How all texts of a column are spelled, or how its yes and no are written where it is delivered. */
final class FactsSpelling extends VBox {
    private static final List<YesNoWords> USUAL_WORDS =
            List.of(new YesNoWords("Yes", "No"), new YesNoWords("Y", "N"), YesNoWords.TRUE_FALSE);

    private final ComboBox<MasterPlan.Spelling> spelling = new ComboBox<>();
    private final ComboBox<YesNoWords> yesNo = new ComboBox<>();
    private final HBox spellings;
    private final HBox yesNoWritten;
    private boolean filling;
    private String column = "";

    FactsSpelling(JobModel model) {
        super(8);
        spelling.setId("facts-spelling");
        spelling.getItems().setAll(MasterPlan.Spelling.values());
        spelling.setConverter(Choices.words(MasterPlan.Spelling::words));
        spelling.setAccessibleText("How all texts of this column are spelled");
        spelling.setOnAction(e -> {
            if (!filling && spelling.getValue() != null) {
                model.rules().decideSpelling(column, spelling.getValue());
            }
        });
        yesNo.setId("facts-yes-no");
        yesNo.setConverter(Choices.words(words -> words.yes() + " and " + words.no()));
        yesNo.setAccessibleText("How yes and no are written where this column is delivered as text");
        yesNo.setOnAction(e -> {
            if (!filling && yesNo.getValue() != null) {
                model.rules().decideYesNoWords(column, yesNo.getValue());
            }
        });
        spellings = line("Spelling", spelling);
        yesNoWritten = line("Delivered as", yesNo);
        getChildren().addAll(spellings, yesNoWritten);
    }

    private static HBox line(String words, ComboBox<?> choice) {
        Label label = new Label(words);
        label.setLabelFor(choice);
        label.setMinWidth(Region.USE_PREF_SIZE);
        choice.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(choice, Priority.ALWAYS);
        HBox line = new HBox(8, label, choice);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    /** Shows how the texts of a column are spelled. */
    void ofTexts(String name, MasterPlan.Spelling now) {
        fill(name, spellings);
        filling = true;
        spelling.setValue(now);
        filling = false;
    }

    /** Shows how the yes and no of a column are written. */
    void ofYesNo(String name, YesNoWords now) {
        fill(name, yesNoWritten);
        filling = true;
        yesNo.getItems()
                .setAll(Stream.concat(Stream.of(now), USUAL_WORDS.stream())
                        .distinct()
                        .toList());
        yesNo.setValue(now);
        filling = false;
    }

    /** Has nothing to say of a column. */
    void ofNone() {
        fill("", this);
    }

    private void fill(String name, Node line) {
        column = name;
        Pieces.show(spellings, spellings.equals(line));
        Pieces.show(yesNoWritten, yesNoWritten.equals(line));
        Pieces.show(this, !equals(line));
    }
}
