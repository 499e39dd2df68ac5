package cuvee.desktop;

import cuvee.master.Shaping.How;
import cuvee.rework.Known;
import cuvee.rework.Shapings;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;

/** The changeable words of sentences about the shape of the master: columns and calculations to choose from. */
final class ShapeWords {
    private static final String GREATEST = ", greatest first";
    private final String id;
    private final List<String> columns;
    private final List<String> words;
    private final Consumer<List<String>> taken;

    ShapeWords(String id, Outcome outcome, Sentence sentence, Consumer<List<String>> taken) {
        this.id = id;
        this.columns = Known.of(outcome.proposal().plan()).names();
        this.words = sentence.names();
        this.taken = taken;
    }

    static boolean has(Sentence sentence) {
        return sentence.kind().equals(Shapings.SORTED)
                || sentence.kind().equals(Shapings.TO_COLUMNS)
                        && sentence.names().size() >= 3;
    }

    /** The words of a sentence with what can be changed in it. */
    List<Node> nodes(Sentence sentence) {
        return sentence.kind().equals(Shapings.SORTED) ? orders() : gathering();
    }

    private List<Node> gathering() {
        return List.of(
                new Label("Make columns of the values of"),
                choice(0, columns),
                new Label("holding the"),
                choice(1, Arrays.stream(How.values()).map(How::word).toList()),
                new Label("of"),
                choice(2, columns),
                new Label("with one row for each"),
                keys());
    }

    private ComboBox<String> choice(int at, List<String> of) {
        ComboBox<String> choice = new ComboBox<>();
        choice.setId("shape-" + id + "-" + at);
        choice.getItems().setAll(of);
        choice.setValue(words.get(at));
        choice.setOnAction(e -> {
            List<String> changed = new ArrayList<>(words);
            changed.set(at, choice.getValue());
            taken.accept(changed);
        });
        return choice;
    }

    private MenuButton keys() {
        List<String> keys = words.subList(3, words.size());
        MenuButton button = new MenuButton(keys.isEmpty() ? "all rows" : String.join(", ", keys));
        button.setId("shape-" + id + "-keys");
        button.setMnemonicParsing(false);
        for (String column : columns) {
            CheckMenuItem item = new CheckMenuItem(column);
            item.setMnemonicParsing(false);
            item.setSelected(keys.contains(column));
            item.setOnAction(e -> {
                List<String> changed = new ArrayList<>(words.subList(0, 3));
                columns.stream()
                        .filter(each -> each.equals(column) ? item.isSelected() : keys.contains(each))
                        .forEach(changed::add);
                taken.accept(changed);
            });
            button.getItems().add(item);
        }
        return button;
    }

    private List<Node> orders() {
        List<Node> nodes = new ArrayList<>(List.of(new Label("Order the rows by")));
        for (int i = 0; i < words.size(); i++) {
            int at = i;
            String word = words.get(i);
            MenuButton button = new MenuButton(word);
            button.setId("shape-" + id + "-" + i);
            button.setMnemonicParsing(false);
            boolean greatest = word.endsWith(GREATEST);
            String plain = greatest ? word.substring(0, word.length() - GREATEST.length()) : word;
            button.getItems()
                    .add(item(
                            greatest ? "the least first" : "the greatest first",
                            changed -> changed.set(at, greatest ? plain : plain + GREATEST)));
            if (i > 0) {
                button.getItems().add(item("before " + words.get(i - 1), changed -> {
                    changed.remove(at);
                    changed.add(at - 1, word);
                }));
            }
            if (words.size() > 1) {
                button.getItems().add(item("not by it", changed -> changed.remove(at)));
            }
            nodes.add(button);
        }
        MenuButton more = new MenuButton("then by");
        more.setId("shape-" + id + "-more");
        for (String column : columns) {
            if (!words.contains(column) && !words.contains(column + GREATEST)) {
                more.getItems().add(item(column, changed -> changed.add(column)));
            }
        }
        nodes.add(more);
        return nodes;
    }

    private MenuItem item(String said, Consumer<List<String>> change) {
        MenuItem item = new MenuItem(said);
        item.setMnemonicParsing(false);
        item.setOnAction(e -> {
            List<String> changed = new ArrayList<>(words);
            change.accept(changed);
            taken.accept(changed);
        });
        return item;
    }
}
