package cuvee.detect;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a row of a sheet is, when it is not a record. */
public enum RowClass {
    TITLE("a title above the header"),
    HEADER("the header"),
    BLANK("blank"),
    REPEAT("the header repeated"),
    TOTAL("a total of other rows"),
    SECTION("a line that heads the rows below it"),
    /** Its cells stand in columns of their own for the rows below it. */
    HEAD("a row whose cells stand for the rows below it"),
    /** Belongs to the record right above it, and is written beside that. */
    BELOW("a line of the record above it"),
    NOTE("a note"),
    /** A row of a sheet that is one record: its label and value are part of that. */
    FIELD("a part of the one record that the sheet holds"),
    /** Outside of every table of the sheet. */
    OUTSIDE("outside of the table");

    private final String meaning;

    RowClass(String meaning) {
        this.meaning = meaning;
    }

    /** The reason for setting such a row aside, in words. */
    public String meaning() {
        return meaning;
    }

    /** The class of a stable name; empty where there is none. */
    public static Optional<RowClass> of(String word) {
        return Arrays.stream(values()).filter(each -> each.word().equals(word)).findFirst();
    }

    /** The stable name used in JSON. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
