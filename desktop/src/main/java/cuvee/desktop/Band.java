package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.model.Message;
import cuvee.model.Work;
import cuvee.place.Says;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/**
 * The band under the strip: work with its counts and a way to stop it, or what came of the last act. It goes when it has
 * been read, so that nothing stands there which is so no longer.
 */
final class Band extends HBox {
    private final JobModel model;
    private final Label mark = Pieces.label("!", "mark", "wrong");
    private final Label words = Pieces.label("");
    private final ProgressBar bar = new ProgressBar(0);
    private final Button cancel;
    private final Button close;

    Band(JobModel model) {
        super(12);
        this.model = model;
        setId("work");
        getStyleClass().add("band");
        setAlignment(Pos.CENTER_LEFT);
        words.setId("work-words");
        words.setMinWidth(0);
        bar.setPrefWidth(180);
        bar.setMinWidth(80);
        cancel = Pieces.button("Stop", "Esc", "work-cancel", model::cancel);
        close = Pieces.go("Close", "work-close", () -> Pieces.show(this, false));
        close.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().addAll(mark, words, bar, Pieces.space(), cancel, close);
        model.workProperty().addListener((o, before, now) -> follow(now));
        model.messageProperty().addListener((o, before, now) -> tell(now));
        tell(model.messageProperty().get());
        follow(model.workProperty().get());
    }

    /** What was told of the stage that is left is told no more; what failed stays until it is read. */
    void leave() {
        if (model.workProperty().get().isEmpty()
                && model.messageProperty().get().kind() != Message.Kind.FAILURE) {
            Pieces.show(this, false);
        }
    }

    private void style(String... kind) {
        getStyleClass().setAll("band");
        getStyleClass().addAll(kind);
        boolean failed = getStyleClass().contains("failure");
        boolean done = getStyleClass().contains("done");
        mark.setText(failed ? "!" : "ok");
        mark.getStyleClass().setAll("label", "mark", failed ? "wrong" : "agrees");
        Pieces.show(mark, failed || done);
    }

    private void follow(Optional<Work<?>> work) {
        boolean busy = work.isPresent();
        Pieces.show(bar, busy);
        Pieces.show(cancel, busy);
        Pieces.show(close, !busy);
        if (work.isPresent()) {
            style("working");
            Pieces.show(this, true);
            words.setText("Beginning");
            bar.setProgress(-1);
            work.get().stateProperty().addListener((o, before, now) -> progress(now));
        }
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

    private void tell(Message message) {
        words.setText(message.text());
        switch (message.kind()) {
            case NEWS -> style();
            case DONE -> style("done");
            case FAILURE -> style("failure");
        }
        Pieces.show(
                this, !message.text().isEmpty() || model.workProperty().get().isPresent());
    }
}
