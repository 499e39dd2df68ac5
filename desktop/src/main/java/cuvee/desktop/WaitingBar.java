package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.model.Watch;
import cuvee.tell.Waiting;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.util.Duration;

/** Says what came to the places of the job since the last refresh, while the window is open. */
final class WaitingBar extends HBox {
    private static final Duration BETWEEN = Duration.seconds(3);
    private final Label words = Pieces.label("");

    private final ReadOnlyBooleanProperty takesIn;

    WaitingBar(JobModel model) {
        super(12);
        Watch watch = model.watch();
        setId("waiting");
        getStyleClass().add("band");
        setAlignment(Pos.CENTER_LEFT);
        words.setId("waiting-words");
        words.setMinWidth(0);
        CheckBox byItself = new CheckBox("Take in by itself what comes");
        byItself.setId("waiting-by-itself");
        byItself.setTooltip(new Tooltip("As long as this window is open; what it changed is told each time"));
        byItself.selectedProperty().bindBidirectional(watch.byItselfProperty());
        byItself.setOnAction(chosen -> {
            if (byItself.isSelected()) {
                model.refresh();
            }
        });
        byItself.setMinWidth(USE_PREF_SIZE);
        takesIn = byItself.selectedProperty();
        getChildren()
                .addAll(
                        words,
                        Pieces.space(),
                        byItself,
                        Pieces.button("Refresh", "F5", "waiting-refresh", model::refresh),
                        Pieces.go("Later", "waiting-later", watch::later));
        watch.waitingProperty().addListener((o, before, now) -> show(now));
        show(watch.waitingProperty().get());
        Timeline looks = new Timeline();
        looks.getKeyFrames().add(new KeyFrame(BETWEEN, due -> {
            if (model.isClosed()) {
                looks.stop();
            } else {
                watch.look();
            }
        }));
        looks.setCycleCount(Animation.INDEFINITE);
        sceneProperty().addListener((o, before, now) -> {
            if (now == null) {
                looks.stop();
            } else {
                looks.play();
            }
        });
    }

    private void show(Waiting waiting) {
        words.setText(waiting.said());
        Pieces.show(this, !waiting.isNothing());
    }

    /** True where files are taken in as they come, without being asked for. */
    boolean takesInByItself() {
        return takesIn.get();
    }
}
