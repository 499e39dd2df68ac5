package cuvee.layout;

import java.util.List;
import java.util.OptionalInt;

/** Where the values of a column of a laid-out table come from. Columns count from 0. */
public sealed interface Origin {
    /** What to do for each origin. */
    interface Match<T> {
        T cell(Cell cell);

        T line(Line line);

        T label(Label label);

        T values(Values values);

        T told(Told told);

        T at(At at);
    }

    <T> T match(Match<T> match);

    /** The sheet's column that a value came from; empty where it came from no cell of its row. */
    OptionalInt column(int turned);

    /** The row that a value came from, where it is not that of its record; 0 where it is. */
    default int row() {
        return 0;
    }

    /**
     * One cell of a form, a sheet that holds one record.
     *
     * @param row its row, from 1
     */
    record At(int row, int index) implements Origin {
        @Override
        public <T> T match(Match<T> match) {
            return match.at(this);
        }

        @Override
        public OptionalInt column(int turned) {
            return OptionalInt.of(index);
        }
    }

    /** Which cells of a column stand for the one above them. */
    enum Carrying {
        NONE,
        /** Those that are blank. */
        BLANKS,
        /** Those with ditto marks; blank ones are blank. */
        MARKS
    }

    /**
     * The cells of one column of the sheet.
     *
     * @param carrying which cells stand for the one above them
     */
    record Cell(int index, Carrying carrying) implements Origin {
        public Cell(int index) {
            this(index, Carrying.NONE);
        }

        /** True where some cells stand for the one above them. */
        public boolean carried() {
            return carrying != Carrying.NONE;
        }

        @Override
        public <T> T match(Match<T> match) {
            return match.cell(this);
        }

        @Override
        public OptionalInt column(int turned) {
            return OptionalInt.of(index);
        }
    }

    /**
     * The section line above a record.
     *
     * @param level 1 for lines that head other lines, 2 for those right above records, {@link #BELOW} for those right below
     */
    record Line(int level) implements Origin {
        /** The level of a line that belongs to the record right above it. */
        public static final int BELOW = 3;

        @Override
        public <T> T match(Match<T> match) {
            return match.line(this);
        }

        @Override
        public OptionalInt column(int turned) {
            return OptionalInt.empty();
        }
    }

    /** What each of the columns that run across is called, or what else is said of it, once they are rows. */
    record Label(List<String> labels) implements Origin {
        public Label {
            labels = List.copyOf(labels);
        }

        @Override
        public <T> T match(Match<T> match) {
            return match.label(this);
        }

        @Override
        public OptionalInt column(int turned) {
            return OptionalInt.empty();
        }
    }

    /**
     * The columns that run across, in the order of their labels; -1 where one is missing.
     *
     * @param blanks true where blank cells become rows too
     */
    record Values(List<Integer> columns, boolean blanks) implements Origin {
        public Values {
            columns = List.copyOf(columns);
        }

        @Override
        public <T> T match(Match<T> match) {
            return match.values(this);
        }

        @Override
        public OptionalInt column(int turned) {
            int column = columns.get(turned);
            return column < 0 ? OptionalInt.empty() : OptionalInt.of(column);
        }
    }

    /** A text that is the same for all of a table's rows. */
    record Told(String text) implements Origin {
        @Override
        public <T> T match(Match<T> match) {
            return match.told(this);
        }

        @Override
        public OptionalInt column(int turned) {
            return OptionalInt.empty();
        }
    }
}
