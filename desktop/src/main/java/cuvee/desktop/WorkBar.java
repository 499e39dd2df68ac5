package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.model.Work;
import cuvee.place.Says;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** One line under the ledger: what is being done, with counts and a way to stop it; else the last word to the analyst. */
final class WorkBar extends HBox {
    private final Label words = new Label();
    private final ProgressBar bar = new ProgressBar(0);
    private final Button cancel = new Button("Stop");

    WorkBar(JobModel model) {
        setId("work");
        getStyleClass().add("work-bar");
        setAlignment(Pos.CENTER_LEFT);
        setSpacing(12);
        words.setId("work-words");
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.SOMETIMES);
        bar.setPrefWidth(180);
        cancel.setId("work-cancel");
        cancel.setOnAction(e -> model.cancel());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        getChildren().addAll(words, bar, cancel, space);
        model.workProperty().addListener((o, before, now) -> follow(now));
        model.messageProperty().addListener((o, before, now) -> message(now));
        follow(model.workProperty().get());
        message(model.messageProperty().get());
    }

    private void follow(Optional<Work<?>> work) {
        boolean busy = work.isPresent();
        bar.setVisible(busy);
        bar.setManaged(busy);
        cancel.setVisible(busy);
        cancel.setManaged(busy);
        work.ifPresent(running -> {
            getStyleClass().remove("failure");
            words.setText("Beginning");
            bar.setProgress(-1);
            running.stateProperty().addListener((o, before, now) -> progress(now));
        });
    }

    private void progress(Work.State<?> state) {
        if (state instanceof Work.State.Running<?> running && !running.what().isEmpty()) {
            String what = Character.toUpperCase(running.what().charAt(0))
                    + running.what().substring(1);
            words.setText(
                    running.of() > 0
                            ? what + ": " + Says.number(running.done()) + " of " + Says.count(running.of(), "file")
                            : what);
            bar.setProgress(running.of() > 0 ? running.done() / (double) running.of() : -1);
        }
    }

    private void message(JobModel.Message message) {
        words.setText(message.text());
        getStyleClass().remove("failure");
        if (message.failure()) {
            getStyleClass().add("failure");
        }
    }
}
