package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.ColumnCells;
import cuvee.sheet.PackedCell;
import cuvee.sheet.RowBlock;
import cuvee.value.ColumnTally;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Look;
import java.util.Arrays;

/** One column of a block of rows: what its cells hold, as far as it tells whether the rows are records. */
final class BlockColumn {
    /** Numbers that are read by what the other numbers tell of the decimal mark. */
    static final long OPEN = Form.bits(
            Form.POINT_OR_GROUP,
            Form.COMMA_OR_GROUP,
            Form.LONG_DIGITS,
            Form.EXPONENT,
            Form.PERCENT_TEXT,
            Form.MONEY_TEXT);

    private static final long BLANK = Form.bits(Form.BLANK);
    private static final long PLAIN = Form.bits(
            Form.DIGITS, Form.POINT, Form.COMMA, Form.YEAR_FIRST_DATE, Form.NUMBER_WHOLE, Form.NUMBER_FRACTION);
    private static final long NO_TEXT = Form.bits(Arrays.stream(Form.values())
            .filter(form -> form == Form.BLANK || form.isNumber())
            .toArray(Form[]::new));

    private final Evidence evidence;
    private final ColumnTally tally = new ColumnTally();
    private final LateTexts late = new LateTexts();
    private final Look look = new Look();
    private Habit habit = Habit.TEXTS;
    private boolean namesPartly;
    private int longest;
    private int blankChars;
    private long seen;

    /**
     * For one of a table's columns.
     *
     * @param evidence what its records have held so far
     */
    BlockColumn(Evidence evidence) {
        this.evidence = evidence;
    }

    /** What the cells of a column mostly are, which is tried first. */
    private enum Habit {
        NUMBERS,
        DATES,
        TEXTS
    }

    /**
     * Looks at the column's cells in a block.
     *
     * @param cells the cells
     * @param commas whether the comma is the decimal mark of numbers that could be read either way
     * @return false where one names a total, so that the rows have to be told one by one
     */
    boolean look(ColumnCells cells, boolean commas) {
        tally.clear();
        late.begin();
        namesPartly = false;
        blankChars = 0;
        int row = 0;
        while (row < cells.rows()) {
            row = switch (habit) {
                case NUMBERS -> tally.takeNumbers(cells, row);
                case DATES -> tally.takeDates(cells, row);
                case TEXTS -> late.take(cells, row, tally);
            };
            if (row < cells.rows()) {
                if (!lookClosely(cells, row, commas)) {
                    return false;
                }
                row++;
            }
        }
        longest = blankChars == 0 ? cells.longest() : longestInk(cells);
        seen = tally.seen();
        return true;
    }

    private boolean lookClosely(ColumnCells cells, int row, boolean commas) {
        long cell = cells.cell(row);
        CellKind kind = PackedCell.kind(cell);
        char[] chars = cells.chars();
        int start = PackedCell.start(cell);
        int end = PackedCell.end(cell);
        Form plain = look.plain(kind, chars, start, end);
        Form here = plain == null ? Forms.of(kind, chars, start, end) : plain;
        boolean words = here == Form.WORDS || here == Form.WORDS_AND_DIGITS;
        boolean partly = false;
        if (words && TotalWords.possible(chars, start, end)) {
            String text = new String(chars, start, end - start);
            TotalWords.Sureness total = TotalWords.of(text);
            if (total == TotalWords.Sureness.WHOLLY) {
                return false;
            }
            partly = total == TotalWords.Sureness.PARTLY
                    || TotalWords.figure(text).isPresent();
            namesPartly |= partly;
        }
        if (evidence.isCalm(chars, start, end, here)) {
            tally.takeCalm(here, 1);
            late.remember(cells, row, here, partly);
        } else {
            boolean sized = look.size() != Look.NO_SIZE;
            double number = sized ? look.value() : CellNumber.of(kind, chars, start, end, here, commas);
            tally.take(row, here, look.size(), number);
        }
        if (here == Form.BLANK) {
            blankChars += end - start;
        } else {
            habit = here.isNumber() ? Habit.NUMBERS : here == Form.YEAR_FIRST_DATE ? Habit.DATES : Habit.TEXTS;
        }
        return true;
    }

    /** The number in one cell of the column in a block, or NaN. */
    double value(RowBlock block, int column, int row, boolean commas) {
        long cell = block.cell(column, row);
        CellKind kind = PackedCell.kind(cell);
        char[] chars = block.chars();
        int start = PackedCell.start(cell);
        int end = PackedCell.end(cell);
        Form plain = look.plain(kind, chars, start, end);
        return plain != null && look.size() != Look.NO_SIZE
                ? look.value()
                : CellNumber.of(
                        kind, chars, start, end, plain == null ? Forms.of(kind, chars, start, end) : plain, commas);
    }

    private int longestInk(ColumnCells cells) {
        int most = 0;
        for (int row = 0; row < cells.rows(); row++) {
            most = Math.max(most, tally.blank(row) ? 0 : PackedCell.length(cells.cell(row)));
        }
        return most;
    }

    /** How many characters the longest cell of the block has that is not blank. */
    int longest() {
        return longest;
    }

    /** How many characters the blank cells of the block have. */
    int blankChars() {
        return blankChars;
    }

    /** True where no cell of the block is blank. */
    boolean full() {
        return (seen & BLANK) == 0;
    }

    /** True where every cell of the block is digits and marks. */
    boolean digits() {
        return (seen & ~PLAIN) == 0;
    }

    /** True where the cell of a row is blank. */
    boolean blank(int row) {
        return tally.blank(row);
    }

    /** True where every cell of the block holds something other than a number. */
    boolean texts() {
        return (seen & NO_TEXT) == 0;
    }

    /** True where a text in the block names a total in part, or another figure. */
    boolean namesPartly() {
        return namesPartly || late.metPartly();
    }

    /** True where the block has numbers that are read by what the others tell of the decimal mark. */
    boolean open() {
        return (seen & OPEN) != 0;
    }

    /** The forms of its cells, as {@link Form#bits}. */
    long seen() {
        return seen;
    }

    /** What was seen in the block. */
    ColumnTally tally() {
        return tally;
    }
}
