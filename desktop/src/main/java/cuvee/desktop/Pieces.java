package cuvee.desktop;

import cuvee.model.GridModel.Mark;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The small pieces that all views are made of: buttons that name their act, words that act, marks. */
final class Pieces {
    private Pieces() {}

    /** A label with classes of the style sheet. */
    static Label label(String text, String... styles) {
        Label label = new Label(text);
        label.getStyleClass().addAll(styles);
        return label;
    }

    /** A label that takes as many lines as it needs. */
    static Label wrapped(String text, String... styles) {
        Label label = label(text, styles);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    /** A button that names its act. */
    static Button button(String text, String id, Runnable act) {
        Button button = new Button(text);
        button.setId(id);
        // Names of files are shown as they are, underscores included.
        button.setMnemonicParsing(false);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(e -> act.run());
        return button;
    }

    /** A button with the keys that do the same. */
    static Button button(String text, String keys, String id, Runnable act) {
        Button button = button(text, id, act);
        button.setGraphic(label(keys, "key"));
        button.setContentDisplay(javafx.scene.control.ContentDisplay.RIGHT);
        button.setGraphicTextGap(8);
        button.setTooltip(new Tooltip(text + " (" + keys + ")"));
        return button;
    }

    /** The one next act. */
    static Button chief(Button button) {
        button.getStyleClass().add("chief");
        return button;
    }

    /** Words that lead somewhere. */
    static Button go(String text, String id, Runnable act) {
        Button button = button(text, id, act);
        button.getStyleClass().add("go");
        return button;
    }

    /** Words that act, with the keys that do the same. */
    static Button go(String text, String keys, String id, Runnable act) {
        Button button = button(text, keys, id, act);
        button.getStyleClass().add("go");
        return button;
    }

    /** The name of a place that leads there; it is cut where there is no room for all of it. */
    static Button place(String text, String id, Runnable act) {
        Button button = go(text, id, act);
        button.setMinWidth(0);
        return button;
    }

    /** A word of a sentence that can be changed where it stands. */
    static MenuButton slot(String id) {
        MenuButton slot = new MenuButton();
        slot.setId(id);
        slot.getStyleClass().add("slot");
        slot.setMnemonicParsing(false);
        slot.setMinWidth(Region.USE_PREF_SIZE);
        return slot;
    }

    static MenuItem item(String text, String keys, Runnable act) {
        MenuItem item = new MenuItem(text);
        item.setMnemonicParsing(false);
        if (!keys.isEmpty()) {
            item.setAccelerator(KeyCombination.valueOf(keys));
        }
        item.setOnAction(e -> act.run());
        return item;
    }

    static MenuItem line() {
        return new SeparatorMenuItem();
    }

    /** A sign with a word behind it. */
    static Label mark(Mark mark, String words) {
        String sign = mark.sign() + (words.isEmpty() ? "" : " " + words);
        return label(
                sign,
                "mark",
                switch (mark) {
                    case QUESTION -> "question";
                    case WRONG -> "wrong";
                    case FINDING, NONE -> "finding";
                });
    }

    static HBox row(double gap, Node... nodes) {
        HBox row = new HBox(gap, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** Takes what room is left. */
    static Region space() {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        return space;
    }

    /** Gives what stands in a window of its own, such as an offer below a field, the look of the window it belongs to. */
    static void dress(Parent content, Node owner) {
        if (owner.getScene() != null) {
            content.getStylesheets().setAll(owner.getScene().getStylesheets());
            boolean dark = owner.getScene().getRoot().getStyleClass().contains("dark");
            content.getStyleClass().removeAll("cuvee", "dark");
            content.getStyleClass().add("cuvee");
            if (dark) {
                content.getStyleClass().add("dark");
            }
        }
    }

    /** Shows a node, or hides it; what had the keys in it gives them to the grid nearest by. */
    static void show(Node node, boolean shown) {
        if (!shown && node.isVisible()) {
            Focus.leave(node);
        }
        node.setVisible(shown);
        node.setManaged(shown);
    }
}
