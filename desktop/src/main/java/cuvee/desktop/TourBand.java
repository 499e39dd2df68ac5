package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.model.Tour;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** The tour of a first run: one sentence after the other in a band under the strip, as soon as there is a master to look at. */
final class TourBand extends HBox {
    private final Tour tour;
    private final Label words = Pieces.label("");
    private final Label count = Pieces.label("", "second");
    private final Button next = Pieces.button("Next", "tour-next", this::next);
    private int at = -1;

    TourBand(JobModel model, Tour tour) {
        super(12);
        this.tour = tour;
        setId("tour");
        getStyleClass().addAll("band", "tour-band");
        setAlignment(Pos.CENTER_LEFT);
        words.setId("tour-words");
        words.setMinWidth(0);
        count.setMinWidth(USE_PREF_SIZE);
        getChildren()
                .addAll(words, Pieces.space(), count, next, Pieces.go("Leave the tour", "tour-leave", this::leave));
        Pieces.show(this, false);
        model.outcomeProperty().addListener((o, before, now) -> {
            if (now.isPresent() && at < 0 && !tour.isDone()) {
                show(0);
            }
        });
    }

    private void show(int sentence) {
        at = sentence;
        boolean last = sentence == Tour.SENTENCES.size() - 1;
        words.setText(Tour.SENTENCES.get(sentence));
        count.setText(sentence + 1 + " of " + Tour.SENTENCES.size());
        next.setText(last ? "Done" : "Next");
        Pieces.show(this, true);
    }

    private void next() {
        if (at + 1 < Tour.SENTENCES.size()) {
            show(at + 1);
        } else {
            leave();
        }
    }

    private void leave() {
        tour.done();
        Pieces.show(this, false);
    }
}
