package cuvee.desktop;

import cuvee.model.Finder;
import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.tell.Card;
import cuvee.tell.Outcome;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;

/** The job's name and whether it is saved, the open questions, and the acts for the job as a whole. */
final class TitleLine extends HBox {
    private final JobModel model;
    private final Label name = Pieces.label("", "job-name");
    private final Label saved = Pieces.label("saved", "second");
    private final HBox unsaved;
    private final Button questions;

    TitleLine(JobModel model, JobFrame.Shell shell, Hands hands, MenuItem... more) {
        super(8);
        this.model = model;
        getStyleClass().add("title-line");
        setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        name.setId("job-name");
        name.setMinWidth(0);
        Button save = Pieces.go("Save", "save", shell::save);
        save.setTooltip(new javafx.scene.control.Tooltip("Save the job (Ctrl+S)"));
        unsaved = Pieces.row(4, Pieces.label("changed ·", "second"), save);
        questions = Pieces.button("No question", "questions-open", hands::questions);
        questions.setTooltip(new javafx.scene.control.Tooltip("All open questions (Ctrl+J)"));
        FindField find = new FindField(model, hands::go);
        Button refresh = Pieces.button("Refresh", "F5", "refresh", model::refresh);
        Button deliver = Pieces.button("Deliver", "deliver-now", hands::deliver);
        deliver.setTooltip(new javafx.scene.control.Tooltip("Deliver (Ctrl+D)"));
        MenuButton job = new MenuButton("Job");
        job.setId("more");
        job.getItems().addAll(more);
        getChildren().addAll(name, saved, unsaved, Pieces.space(), find, questions, refresh, deliver, job);
        model.jobProperty().addListener((o, before, now) -> showJob());
        model.unsavedProperty().addListener((o, before, now) -> showJob());
        model.outcomeProperty().addListener((o, before, now) -> showQuestions(now));
        showJob();
        showQuestions(model.outcomeProperty().get());
    }

    /** What the frame does for the title line. */
    interface Hands {
        void questions();

        void deliver();

        void go(Finder.Found found);
    }

    private void showJob() {
        name.setText(model.jobProperty().get().name());
        boolean dirty = model.unsavedProperty().get();
        Pieces.show(unsaved, dirty);
        Pieces.show(saved, !dirty);
    }

    private void showQuestions(Optional<Outcome> outcome) {
        int open = outcome.map(made -> Card.of(made).size()).orElse(0);
        questions.setText(open == 0 ? "No question" : "?  " + Says.count(open, "question"));
        questions.getStyleClass().remove("ask");
        if (open > 0) {
            questions.getStyleClass().add("ask");
        }
    }
}
