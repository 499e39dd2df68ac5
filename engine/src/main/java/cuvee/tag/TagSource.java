package cuvee.tag;

import cuvee.place.Says;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a tag is taken from.
 *
 * @param from the thing that says it
 * @param what which part of it: a number from 1, a label, a text; empty where there is but one
 */
public record TagSource(From from, String what) {
    private static final Set<From> NUMBERED = EnumSet.of(
            From.FOLDER,
            From.FOLDER_PERIOD,
            From.FILE_PART,
            From.SHEET_PART,
            From.TABLE_PART,
            From.TITLE_PART,
            From.LINE_CELL);

    /** Things that say something of all rows of a table. */
    public enum From {
        TITLE_LABEL("title cell"),
        /** The one labelled cell above each table that nothing else explains, whatever its label is. */
        ANY_LABEL("labelled title cell"),
        PLACE("place"),
        FOLDER("folder"),
        FOLDER_PERIOD("period in folder"),
        FILE_PERIOD("period in file name"),
        FILE_PART("file name part"),
        FILE_NAME("file name"),
        FILE_AFTER("file name after"),
        FILE_BEFORE("file name before"),
        SHEET_PERIOD("period in sheet name"),
        SHEET_PART("sheet name part"),
        SHEET_NAME("sheet name"),
        TABLE_PERIOD("period in table name"),
        TABLE_PART("table name part"),
        TABLE_NAME("table name"),
        TITLE_PERIOD("period in title"),
        TITLE_PART("title part"),
        /** A cell of the line right above each of several tables of a sheet, which tells them apart. */
        LINE_CELL("cell of line above"),
        /** The one cell right above each of several tables of a sheet, which tells them apart. */
        CAPTION("caption"),
        MODIFIED("modified"),
        FIXED("fixed text");

        private final String words;

        From(String words) {
            this.words = words;
        }
    }

    private static final List<String> LEVELS = List.of("first", "second", "third");

    public static TagSource of(From from) {
        return new TagSource(from, "");
    }

    /** It in words that {@link #read} understands: "folder 1", "title cell Port". */
    public String words() {
        return what.isEmpty() ? from.words : from.words + " " + what;
    }

    /** It as people say it in a sentence: "the name of the inner folder", "the period in the file's name". */
    public String said() {
        return switch (from) {
            case TITLE_LABEL -> "the cell labelled " + Says.quoted(what) + " above the table";
            case ANY_LABEL -> "the one labelled cell above the table, whatever its label";
            case PLACE -> "the name of its place";
            case FOLDER -> "the name of the " + level() + "inner folder";
            case FOLDER_PERIOD -> "the period in the name of the " + level() + "inner folder";
            case FILE_PERIOD -> "the period in the file's name";
            case FILE_PART -> "part " + what + " of the file's name";
            case FILE_NAME -> "the file's name";
            case FILE_AFTER -> "what follows " + Says.quoted(what) + " in the file's name";
            case FILE_BEFORE -> "what stands before " + Says.quoted(what) + " in the file's name";
            case SHEET_PERIOD -> "the period in the sheet's name";
            case SHEET_PART -> "part " + what + " of the sheet's name";
            case SHEET_NAME -> "the sheet's name";
            case TABLE_PERIOD -> "the period in the table's name";
            case TABLE_PART -> "part " + what + " of the table's name";
            case TABLE_NAME -> "the table's name";
            case TITLE_PERIOD -> "the period in the title";
            case TITLE_PART -> "part " + what + " of the title";
            case LINE_CELL -> "cell " + what + " of the line above the table";
            case CAPTION -> "the line right above the table";
            case MODIFIED -> "the day on which the file was changed";
            case FIXED -> "the text " + Says.quoted(what);
        };
    }

    /** Which of the inner folders; mostly there is one, so that the first needs no number. */
    private String level() {
        int level = index() + 1;
        return level == 1 ? "" : level <= LEVELS.size() ? LEVELS.get(level - 1) + " " : level + "th ";
    }

    /** Which part it is, from 0. */
    int index() {
        return Integer.parseInt(what) - 1;
    }

    /** What words say; empty where they say nothing of this kind. */
    public static Optional<TagSource> read(String words) {
        TagSource found = null;
        for (From from : From.values()) {
            boolean here = words.equals(from.words) || words.startsWith(from.words + " ");
            if (here
                    && (found == null
                            || from.words.length() > found.from().words.length())) {
                found = new TagSource(from, words.substring(from.words.length()).strip());
            }
        }
        return Optional.ofNullable(found)
                .filter(source ->
                        !NUMBERED.contains(source.from()) || source.what().matches("[1-9]\\d?"));
    }

    /** What a column of it is called, where nothing better is known. */
    public String name() {
        return switch (from) {
            case TITLE_LABEL -> what;
            case ANY_LABEL -> "Title cell";
            case PLACE -> "Place";
            // One folder below the place is the usual case, and needs no number.
            case FOLDER -> what.equals("1") ? "Folder" : "Folder " + what;
            case FILE_PART -> "File part " + what;
            case FILE_NAME -> "File name";
            case FILE_AFTER, FILE_BEFORE -> "File part";
            case SHEET_PART -> "Sheet part " + what;
            case SHEET_NAME -> "Sheet";
            case TABLE_PART -> "Table part " + what;
            case TABLE_NAME -> "Table";
            case TITLE_PART -> "Title part " + what;
            case LINE_CELL -> "Line above " + what;
            case CAPTION -> "Caption";
            case MODIFIED -> "Modified";
            case FIXED -> "Tag";
            case FOLDER_PERIOD, FILE_PERIOD, SHEET_PERIOD, TABLE_PERIOD, TITLE_PERIOD -> "Period";
        };
    }
}
