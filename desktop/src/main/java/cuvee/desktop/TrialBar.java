package cuvee.desktop;

import cuvee.model.JobModel;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** Says that what is shown is a refresh on trial, and asks whether it is to be kept. */
final class TrialBar extends HBox {
    TrialBar(JobModel model) {
        super(12);
        setId("trial");
        getStyleClass().addAll("band", "trial-band");
        setAlignment(Pos.CENTER_LEFT);
        Label words = Pieces.label(
                "Check says what it brings. Nothing of it is kept, and nothing delivered, until you keep it.");
        words.setId("trial-words");
        words.setMinWidth(0);
        getChildren()
                .addAll(
                        Pieces.label("A refresh on trial", "bold"),
                        words,
                        Pieces.space(),
                        Pieces.button("Keep it", "trial-keep", model::keepTrial),
                        Pieces.button("Throw it away", "trial-throw", model::throwTrialAway));
        model.tryingProperty().addListener((o, before, now) -> Pieces.show(this, now));
        Pieces.show(this, model.tryingProperty().get());
    }
}
