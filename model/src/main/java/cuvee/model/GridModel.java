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
        /** The words of a heading within the rows. */
        HEADING,
        /** The names of columns, where they stand among the rows. */
        HEADER
    }

    long rows();

    int columns();

    String title(int column);

    /** A second line under the title; may be empty. */
    String subtitle(int column);

    /** The width that suits a column, in pixels. */
    double width(int column);

    boolean numeric(int column);

    /** The text of a cell; null while it is on its way. */
    @org.jspecify.annotations.Nullable
    String text(long row, int column);

    default Tone tone(long row, int column) {
        return Tone.PLAIN;
    }

    /** What more there is to say of a cell when the mouse rests on it; empty for nothing. */
    default String hint(long row, int column) {
        return "";
    }

    /** The number shown in front of a row. */
    default String rowLabel(long row) {
        return Long.toString(row + 1);
    }

    /** What a row is, in a word, shown as a bracket beside all rows alike; none where a grid has no such margin. */
    default Optional<String> bracket(long row) {
        return Optional.empty();
    }

    /** Says what is to be done once cells that were on their way have come; on the interface thread. */
    default void onArrival(Runnable listener) {}
}
