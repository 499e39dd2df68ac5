package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import javafx.animation.PauseTransition;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;

/** Whether the facts of a column are open, and of which: they follow the column that is chosen on board or master. */
final class FactsSide {
    /** The hand that runs through columns is waited for, since each has its values counted. */
    private static final Duration REST = Duration.millis(150);

    private final JobModel model;
    private final FactsPane pane;
    private final Runnable placed;
    private final Runnable left;
    private final PauseTransition rest = new PauseTransition(REST);
    private boolean open;
    private int column;

    /**
     * @param placed puts the pane where it belongs now, or takes it away
     * @param left where the keys go once the facts are closed
     * @param step chooses a column so many places further on
     */
    FactsSide(JobModel model, FactsPane pane, Runnable placed, Runnable left, IntConsumer step) {
        this.model = model;
        this.pane = pane;
        this.placed = placed;
        this.left = left;
        rest.setOnFinished(e -> show(column));
        pane.setOnClose(this::leave);
        pane.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            boolean sideways = e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT;
            if (e.getCode() == KeyCode.F4) {
                leave();
                e.consume();
            } else if (e.isAltDown() && sideways) {
                step.accept(e.getCode() == KeyCode.RIGHT ? 1 : -1);
                e.consume();
            }
        });
        model.outcomeProperty().addListener((o, before, now) -> now.ifPresent(this::showAgain));
    }

    boolean isOpen() {
        return open;
    }

    /** Opens the facts of a column, or closes them where they are open already. */
    void toggle(int ofColumn) {
        if (open) {
            leave();
        } else {
            show(ofColumn);
        }
    }

    /** Goes on to the facts of another column once the hand rests on it, where facts are open. */
    void follow(int ofColumn) {
        if (open && ofColumn >= 0 && ofColumn != column) {
            column = ofColumn;
            rest.playFromStart();
        }
    }

    /** Opens the facts of a column by its name. */
    void show(String name) {
        model.outcomeProperty().get().ifPresent(made -> show(placeOf(name, made)));
    }

    private void show(int ofColumn) {
        rest.stop();
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (ofColumn < 0 || outcome.isEmpty()) {
            leave();
            return;
        }
        column = ofColumn;
        pane.show(outcome.get(), ofColumn);
        open = true;
        placed.run();
    }

    /** The facts of the column that is open, from a new outcome. */
    private void showAgain(Outcome outcome) {
        if (open) {
            show(placeOf(pane.column(), outcome));
        }
    }

    /** The place of a column among those of the board; below zero where there is none. */
    private static int placeOf(String name, Outcome outcome) {
        List<String> names = new ArrayList<>();
        outcome.proposal().plan().columns().forEach(each -> names.add(each.name()));
        outcome.proposal().plan().tags().forEach(tag -> names.add(tag.name()));
        return names.indexOf(name);
    }

    private void leave() {
        close();
        left.run();
    }

    void close() {
        rest.stop();
        pane.close();
        open = false;
        placed.run();
    }
}
