package cuvee.desktop;

import cuvee.job.Delivery;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;

/** The words of a delivery that writes changed copies of the sources. */
final class CopiesWords {
    private static final String A_HEADER = "the header";

    private CopiesWords() {}

    /** The changes that are made in copies, each to be taken out, and another one to be added. */
    static FlowPane of(Delivery.Copies copies, List<String> names, Consumer<Delivery.Form> change) {
        FlowPane words = DeliveryWords.flow(new Label("Copies of all sources, in which"));
        for (int i = 0; i < copies.changes().size(); i++) {
            Delivery.Change made = copies.changes().get(i);
            int at = i;
            Button remove = Pieces.go("Remove", "copies-remove-" + i, () -> {
                List<Delivery.Change> left = new ArrayList<>(copies.changes());
                left.remove(at);
                change.accept(new Delivery.Copies(left));
            });
            words.getChildren().add(Pieces.row(6, Pieces.label(made.said(), "bold"), remove));
        }
        List<String> where = new ArrayList<>(List.of(A_HEADER));
        where.addAll(names);
        ComboBox<String> column = DeliveryWords.choice("copies-column", where, A_HEADER);
        TextField from = DeliveryWords.field("copies-from", "", 120);
        from.setPromptText("as it is written");
        // What becomes of it is said in the next field.
        from.setOnAction(e -> {});
        TextField to = DeliveryWords.field("copies-to", "", 120);
        to.setOnAction(e -> {
            String chosen = Objects.requireNonNullElse(column.getValue(), A_HEADER);
            String before = from.getText().strip();
            String after = to.getText().strip();
            if (!before.isEmpty() && !after.isEmpty()) {
                // A field that goes with its card is left once more, and must not add it twice.
                from.clear();
                to.clear();
                List<Delivery.Change> all = new ArrayList<>(copies.changes());
                all.add(new Delivery.Change(chosen.equals(A_HEADER) ? "" : chosen, before, after));
                change.accept(new Delivery.Copies(all));
            }
        });
        words.getChildren()
                .addAll(
                        new Label(copies.changes().isEmpty() ? "" : "and"),
                        column,
                        from,
                        new Label("becomes"),
                        to,
                        Pieces.label("Enter adds it. The sources themselves are never touched.", "second"));
        return words;
    }
}
