package cuvee.desktop;

import cuvee.model.LookWords;
import cuvee.model.RowLook;
import cuvee.model.Wording;
import java.util.List;
import java.util.OptionalLong;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Over the rows of the master: which of them are shown, the way back to all, and a search through them. */
final class LookBar extends HBox {
    private static final String FIND = "A text in any column   Ctrl+F";
    private static final String ROW = "The number of a row";

    private final HBox where = new HBox();
    private final Button all;
    private final TextField find = new TextField();
    private final Label found = Pieces.label("", "second");
    private final Consumer<String> narrowed;
    private RuleField field;
    /** True while the field asks for the number of a row. */
    private boolean asksRow;

    /** What a search is asked to do. */
    interface Search {
        /** @param next true to go on behind the selected row */
        void search(String text, boolean next);
    }

    /**
     * @param row is told the number of a row to go to, from 1
     */
    LookBar(Consumer<String> narrowed, Runnable shownAll, Search search, LongConsumer row) {
        super(8);
        this.narrowed = narrowed;
        setId("look");
        getStyleClass().add("look");
        all = Pieces.button("All rows", "Esc", "look-all", shownAll);
        Pieces.show(all, false);
        Label only = Pieces.label("Only where", "second");
        only.setMinWidth(Region.USE_PREF_SIZE);
        find.setId("master-find");
        find.setPromptText(FIND);
        find.setAccessibleText("Find a text in the rows shown");
        find.setPrefWidth(190);
        find.setMinWidth(120);
        find.setOnAction(e -> {
            if (asksRow) {
                number(find.getText()).ifPresentOrElse(row, () -> tellFound("no row's number"));
            } else {
                search.search(find.getText(), true);
            }
        });
        find.focusedProperty().addListener((o, before, now) -> {
            if (!now && asksRow) {
                askRow(false);
            }
        });
        find.textProperty().addListener((o, before, now) -> {
            if (now.isBlank()) {
                found.setText("");
            }
        });
        find.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE && !find.getText().isEmpty()) {
                find.clear();
                e.consume();
            }
        });
        Label finds = Pieces.label("Find", "second");
        finds.setLabelFor(find);
        finds.setMinWidth(Region.USE_PREF_SIZE);
        found.setMinWidth(Region.USE_PREF_SIZE);
        found.setId("master-found");
        where.setMinWidth(120);
        HBox.setHgrow(where, Priority.ALWAYS);
        where.setAlignment(Pos.CENTER_LEFT);
        setFillHeight(false);
        field = field("", new NoWords());
        setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(only, where, all, finds, find, found);
    }

    /** Offers nothing and finds nothing wrong: there is no master yet. */
    private static final class NoWords implements Wording {
        @Override
        public String problem(String words) {
            return "";
        }

        @Override
        public List<String> completions(String words, int place) {
            return List.of();
        }
    }

    private RuleField field(String words, Wording help) {
        RuleField made = new RuleField("master-where", words, help, narrowed);
        made.prompt(help.example());
        HBox.setHgrow(made, Priority.ALWAYS);
        where.getChildren().setAll(made);
        return made;
    }

    /** Shows a look at a master; the words are written with what that master holds. */
    void show(RowLook look, LookWords words) {
        if (!field.isFocusWithin()) {
            field = field(look.where(), words);
        }
        Pieces.show(all, !look.isAll());
    }

    /** Takes the words away, whoever is at them: they say nothing any more. */
    void forget() {
        field.setWords("");
    }

    void focusWhere() {
        field.focusWords();
    }

    /** Asks for the number of a row to go to. */
    void focusRow() {
        askRow(true);
        find.requestFocus();
    }

    private void askRow(boolean asks) {
        asksRow = asks;
        find.clear();
        find.setPromptText(asks ? ROW : FIND);
        find.setAccessibleText(asks ? ROW : "Find a text in the rows shown");
    }

    private static OptionalLong number(String text) {
        String digits = text.replaceAll("[\\s,.]", "");
        return digits.matches("\\d{1,18}") ? OptionalLong.of(Long.parseLong(digits)) : OptionalLong.empty();
    }

    void focusFind() {
        if (asksRow) {
            askRow(false);
        }
        find.requestFocus();
        find.selectAll();
    }

    /** Shows a text as the one that is looked for. */
    void seek(String text) {
        find.setText(text);
    }

    String sought() {
        return find.getText();
    }

    void tellFound(String words) {
        found.setText(words);
    }
}
