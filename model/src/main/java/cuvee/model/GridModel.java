package cuvee.model;

import java.util.Optional;

/**
 * What a grid shows: any number of rows and columns, each cell as text. A cell may not be there yet; the grid draws a
 * placeholder and is told when it has come.
 */
public interface GridModel {
    /** How a cell is to be drawn. */
    enum Tone {
        PLAIN,
        /** Of less weight: the same as elsewhere, or a place. */
        QUIET,
        /** Deserves a look. */
        MARKED,
        /** There is nothing here, as told from a blank. */
        ABSENT,
        /** A value as its source writes it, which does not fit the column. */
        QUOTED,
        /** Would be so if it were taken: shown on trial. */
        TRIAL,
        /** Words that lead somewhere when they are opened. */
        LINK,
        /** The words of a heading within the rows. */
        HEADING,
        /** The names of columns, where they stand among the rows. */
        HEADER
    }

    /** A sign beside a cell or in a column's head. */
    enum Mark {
        NONE(""),
        QUESTION("?"),
        WRONG("!"),
        FINDING("i");

        private final String sign;

        Mark(String sign) {
            this.sign = sign;
        }

        public String sign() {
            return sign;
        }
    }

    long rows();

    int columns();

    String title(int column);

    /** A second line under the title; may be empty. */
    String subtitle(int column);

    /** The width that suits a column, in pixels. */
    double width(int column);

    /** True where the analyst has said how wide a column is to be. */
    default boolean isWidthSet(int column) {
        return false;
    }

    boolean numeric(int column);

    /** The text of a cell; null while it is on its way. */
    @org.jspecify.annotations.Nullable
    String text(long row, int column);

    /** How many of the first columns stay where they are when the others are scrolled. */
    default int pinned() {
        return 0;
    }

    /** True for a row of two lines. */
    default boolean isTall(long row) {
        return false;
    }

    /** What stands under a cell's text in a row of two lines. */
    default String second(long row, int column) {
        return "";
    }

    /** How many rows of what is shown a line stands for: more than one where they are folded into it. */
    default long standsFor(long row) {
        return 1;
    }

    /** True for a cell whose text stands at the right, as numbers do. */
    default boolean isAtRight(long row, int column) {
        return numeric(column);
    }

    /** True for a row whose texts run on over blank cells beside them, as on a sheet. */
    default boolean runsOn(long row) {
        return bracket(row).isPresent();
    }

    default Tone tone(long row, int column) {
        return Tone.PLAIN;
    }

    default Mark mark(long row, int column) {
        return Mark.NONE;
    }

    default Mark headMark(int column) {
        return Mark.NONE;
    }

    /** What stands in the last line, which stays in view; nothing anywhere where there is no such line. */
    default String total(int column) {
        return "";
    }

    /** True where a figure of the last line closes, which a double rule says. */
    default boolean isClosed(int column) {
        return false;
    }

    /** What more there is to say of a cell when the mouse rests on it; empty for nothing. */
    default String hint(long row, int column) {
        return "";
    }

    /** Where a cell is from, and all of its text, which the grid may cut; empty for a blank one. */
    default String trail(long row, int column) {
        String text = text(row, column);
        if (text == null || text.isBlank()) {
            return "";
        }
        String beside = hint(row, column);
        return (title(column).isEmpty() ? "" : title(column) + ": ")
                + text
                + (beside.isEmpty() || beside.equals(text) ? "" : "; " + beside.replace("\n", ", "));
    }

    /** The number shown in front of a row. */
    default String rowLabel(long row) {
        return Long.toString(row + 1);
    }

    /** What a row is, in a word, shown as a bracket beside all rows alike; none where a grid has no such margin. */
    default Optional<String> bracket(long row) {
        return Optional.empty();
    }

    /** Why cells that are on their way will not come; empty while nothing stands against it. */
    default String failure() {
        return "";
    }

    /** Says what is to be done once cells that were on their way have come; on the interface thread. */
    default void onArrival(Runnable listener) {}
}
