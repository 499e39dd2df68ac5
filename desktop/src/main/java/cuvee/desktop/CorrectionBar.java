package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.tell.Trail;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** Says what one cell is to be read as, and why; the source is left alone. */
final class CorrectionBar extends VBox {
    private final JobModel model;
    private final Runnable closed;
    private final Label about = new Label();
    private final TextField to = new TextField();
    private final TextField why = new TextField();
    private final Label problem = new Label();
    private int column;
    private @Nullable Trail trail;

    CorrectionBar(JobModel model, Runnable closed) {
        super(4);
        this.model = model;
        this.closed = closed;
        setId("correction");
        getStyleClass().add("view-foot");
        about.setWrapText(true);
        to.setId("correction-to");
        to.setPrefColumnCount(16);
        why.setId("correction-why");
        why.setPrefColumnCount(24);
        Label read = new Label("Read it as");
        read.setLabelFor(to);
        Label because = new Label("because");
        because.setLabelFor(why);
        Button take = new Button("Correct it");
        take.setId("correction-take");
        take.setOnAction(e -> take());
        Button leave = new Button("Leave it");
        leave.getStyleClass().add("go");
        leave.setOnAction(e -> closed.run());
        to.setOnAction(e -> take());
        why.setOnAction(e -> take());
        problem.getStyleClass().add("failing");
        HBox hands = new HBox(6, take, leave);
        FlowPane line = new FlowPane(8, 6, read, to, because, why, hands, problem);
        line.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(about, line);
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                closed.run();
            }
        });
    }

    /** Opens it for a cell of the master. */
    void open(int masterColumn, String title, String value, Trail found) {
        column = masterColumn;
        trail = found;
        about.setText(Says.quoted(title) + " in " + found.where() + " says "
                + (found.raw().isEmpty() ? "nothing" : Says.quoted(found.raw()))
                + ". The file stays as it is; the correction holds for as long as the cell says so.");
        // The value as the master shows it, since the file may write numbers and dates in another way.
        to.setText(value.isEmpty() ? found.raw() : value);
        why.clear();
        problem.setText("");
        to.requestFocus();
        to.selectAll();
    }

    private void take() {
        Trail found = trail;
        if (found != null) {
            String against = model.rules().correct(column, found, to.getText(), why.getText());
            problem.setText(against);
            if (against.isEmpty()) {
                closed.run();
            }
        }
    }
}
