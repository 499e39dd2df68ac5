package cuvee.model;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Something that can be done by keys: in one stage, or wherever one is. The map (F1) lists them, and Find does them by their
 * words.
 *
 * @param words what is done, as one would ask for it
 * @param keys the keys, parted by a plus: {@code Ctrl+Shift+H}
 * @param stage where; empty for everywhere
 * @param part the id of the button that the keys press, or of the line that they go into; empty where a view follows the
 *     keys by itself
 */
public record Deed(String words, String keys, Optional<Stage> stage, Optional<String> part) {
    private static final List<Deed> ALL = List.of(
            in(Stage.COLLECT, "Leave the chosen files out", "Delete"),
            in(Stage.COLLECT, "Put the chosen files back", "Insert"),
            in(Stage.COLLECT, "Move the chosen files up in the master", "Alt+Up"),
            in(Stage.COLLECT, "Move the chosen files down in the master", "Alt+Down"),
            in(Stage.COLLECT, "Close the chosen month, in Arrivals", "C"),
            in(Stage.COLLECT, "Nothing to report for the chosen month, in Arrivals", "N"),
            in(Stage.READ, "The chosen rows are the header", "H"),
            in(Stage.READ, "The chosen rows are records", "R"),
            in(Stage.READ, "The chosen rows are totals", "T"),
            in(Stage.READ, "The chosen rows are notes", "N"),
            in(Stage.READ, "Nothing below the chosen row belongs to the table", "L"),
            in(Stage.LINE_UP, "Rename the chosen column", "F2"),
            in(Stage.LINE_UP, "Column facts", "F4"),
            in(Stage.LINE_UP, "Move the chosen column to the left", "Ctrl+Left"),
            in(Stage.LINE_UP, "Move the chosen column to the right", "Ctrl+Right"),
            in(Stage.LINE_UP, "Leave the chosen column out", "Delete"),
            in(Stage.LINE_UP, "Take the chosen header, to put it on another column", "Ctrl+X"),
            in(Stage.LINE_UP, "Put the header that was taken on the chosen column", "Ctrl+V"),
            in(Stage.REWORK, "Move the chosen rule up", "Alt+Up"),
            in(Stage.REWORK, "Move the chosen rule down", "Alt+Down"),
            in(Stage.REWORK, "Write a rule that sets rows aside", "Ctrl+R", "write-aside"),
            in(Stage.REWORK, "Make a column by a formula", "Ctrl+M", "write-column"),
            in(Stage.REWORK, "Number the rows", "Ctrl+Shift+M", "write-number"),
            in(Stage.REWORK, "The whole job as a page", "Ctrl+P", "rework-page"),
            in(Stage.CHECK, "Write a check of your own", "Ctrl+R", "own-check-words"),
            in(Stage.CHECK, "Write the account to hand over", "Ctrl+E", "account"),
            in(Stage.MASTER, "Open the sheet at the chosen cell", "Enter"),
            in(Stage.MASTER, "Make a rule of what is selected", "Ctrl+R"),
            in(Stage.MASTER, "Correct the chosen cell", "C"),
            in(Stage.MASTER, "Column facts", "F4"),
            in(Stage.MASTER, "Show only some rows", "Ctrl+Shift+F"),
            in(Stage.MASTER, "Find a text in the rows", "Ctrl+F"),
            in(Stage.MASTER, "Find the text again", "F3"),
            in(Stage.MASTER, "Order the rows by the chosen column, the greatest first", "Alt+Up"),
            in(Stage.MASTER, "Order the rows by the chosen column, the least first", "Alt+Down"),
            in(Stage.MASTER, "Show all rows in the order of the master", "Esc"),
            in(Stage.MASTER, "Hide the chosen column", "Ctrl+H"),
            in(Stage.MASTER, "Keep the chosen column in view", "Ctrl+P"),
            in(Stage.MASTER, "Move the chosen column to the left in the window", "Alt+Left"),
            in(Stage.MASTER, "Move the chosen column to the right in the window", "Alt+Right"),
            in(Stage.MASTER, "Show all columns as in the master", "Ctrl+Shift+H"),
            in(Stage.MASTER, "Go to a row by its number", "Ctrl+G"),
            in(Stage.MASTER, "Copy what is selected", "Ctrl+C"),
            in(Stage.MASTER, "Copy what is selected without its heads", "Ctrl+Shift+C"),
            in(Stage.DELIVER, "Deliver to a file", "Insert", "deliver-add"),
            in(Stage.DELIVER, "Deliver to a tab of a workbook", "Shift+Insert", "deliver-tab"),
            in(Stage.DELIVER, "Write all that is ready", "Ctrl+Enter"),
            anywhere("Deliver", "Ctrl+D", "deliver-now"),
            anywhere("Refresh", "F5"),
            anywhere("Try a refresh first", "Shift+F5"),
            anywhere("Undo", "Ctrl+Z"),
            anywhere("Redo", "Ctrl+Y"),
            anywhere("Save the job", "Ctrl+S"),
            anywhere("Save the job under another name", "Ctrl+Shift+S"),
            anywhere("All questions", "Ctrl+J"),
            anywhere("Next question", "Alt+Page Down"),
            anywhere("Question before", "Alt+Page Up"),
            anywhere("Find by name", "Ctrl+K"),
            anywhere("Next part of the window", "F6"),
            anywhere("New job from a folder", "Ctrl+N"),
            anywhere("Open a job", "Ctrl+O"),
            anywhere("All jobs", "Ctrl+W"),
            anywhere("Light or dark", "Ctrl+L"),
            anywhere("Map of what can be done here", "F1"),
            anywhere("Guide: ten tasks with pictures", "Shift+F1"));

    private static Deed in(Stage stage, String words, String keys) {
        return new Deed(words, keys, Optional.of(stage), Optional.empty());
    }

    private static Deed in(Stage stage, String words, String keys, String part) {
        return new Deed(words, keys, Optional.of(stage), Optional.of(part));
    }

    private static Deed anywhere(String words, String keys) {
        return new Deed(words, keys, Optional.empty(), Optional.empty());
    }

    private static Deed anywhere(String words, String keys, String part) {
        return new Deed(words, keys, Optional.empty(), Optional.of(part));
    }

    /** All that can be done. */
    public static List<Deed> all() {
        return ALL;
    }

    /** What can be done in a stage alone. */
    public static List<Deed> in(Stage stage) {
        return ALL.stream()
                .filter(deed -> deed.stage().equals(Optional.of(stage)))
                .toList();
    }

    /** What can be done wherever one is. */
    public static List<Deed> everywhere() {
        return ALL.stream().filter(deed -> deed.stage().isEmpty()).toList();
    }

    /** True where each of some words begins one of its own, and they are more than two letters. */
    boolean isCalled(String asked) {
        String[] own = words.toLowerCase(Locale.ROOT).split("[ ,]+");
        return asked.strip().length() > 2
                && Arrays.stream(asked.strip().toLowerCase(Locale.ROOT).split("[ ,]+"))
                        .allMatch(word -> Arrays.stream(own).anyMatch(each -> each.startsWith(word)));
    }

    /** Its keys, one by one: those that are held, then the one that is pressed. */
    public List<String> parts() {
        return Arrays.asList(keys.split("\\+"));
    }
}
