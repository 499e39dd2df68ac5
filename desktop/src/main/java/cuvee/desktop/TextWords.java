package cuvee.desktop;

import cuvee.job.Delivery;
import java.util.function.Consumer;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.FlowPane;

/** How a text file is written, in words that can be changed. */
final class TextWords {
    /** How it is written where nothing is said. */
    static final Delivery.Text PLAIN = new Delivery.Text(Delivery.Separator.COMMA, false, false);

    private TextWords() {}

    static FlowPane of(Delivery.Text text, Consumer<Delivery.Form> change) {
        MenuButton separator = Pieces.slot("text-separator");
        separator.setText(text.separator().word());
        for (Delivery.Separator each : Delivery.Separator.values()) {
            separator
                    .getItems()
                    .add(Pieces.item(
                            each.word(),
                            "",
                            () -> change.accept(said(new Delivery.Text(each, text.decimalComma(), text.mark())))));
        }
        CheckBox comma = new CheckBox("decimals with a comma");
        comma.setId("text-decimal-comma");
        comma.setSelected(text.decimalComma());
        comma.setOnAction(
                e -> change.accept(said(new Delivery.Text(text.separator(), comma.isSelected(), text.mark()))));
        CheckBox mark = new CheckBox("marked as UTF-8 at its beginning");
        mark.setId("text-mark");
        mark.setSelected(text.mark());
        mark.setOnAction(
                e -> change.accept(said(new Delivery.Text(text.separator(), text.decimalComma(), mark.isSelected()))));
        return DeliveryWords.flow(new Label("Text, its cells parted by"), separator, comma, mark);
    }

    /** The usual way is written as any file is. */
    private static Delivery.Form said(Delivery.Text text) {
        return text.equals(PLAIN) ? new Delivery.Whole() : text;
    }
}
