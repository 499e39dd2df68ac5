package cuvee.detect;

import cuvee.sheet.CellKind;
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

    private final int column;
    private final Evidence evidence;
    private final ColumnTally tally = new ColumnTally();
    private final LateTexts late = new LateTexts();
    private final Look look = new Look();
    private Habit habit = Habit.TEXTS;
    private boolean namesPartly;
    private long seen;

    /**
     * For one of a table's columns.
     *
     * @param evidence what its records have held so far
     */
    BlockColumn(int column, Evidence evidence) {
        this.column = column;
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
     * @param commas whether the comma is the decimal mark of numbers that could be read either way
     * @return false where one names a total, so that the rows have to be told one by one
     */
    boolean look(RowBlock block, boolean commas) {
        tally.clear();
        late.begin();
        namesPartly = false;
        int row = 0;
        while (row < block.rows()) {
            row = switch (habit) {
                case NUMBERS -> tally.takeNumbers(block, column, row);
                case DATES -> tally.takeDates(block, column, row);
                case TEXTS -> late.take(block, column, row, tally);
            };
            if (row < block.rows()) {
                if (!lookClosely(block, row, commas)) {
                    return false;
                }
                row++;
            }
        }
        seen = tally.seen();
        return true;
    }

    private boolean lookClosely(RowBlock block, int row, boolean commas) {
        CellKind kind = block.kind(column, row);
        char[] chars = block.chars();
        int start = block.start(column, row);
        int end = block.end(column, row);
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
            tally.takeCalm(row, here);
            late.remember(block, column, row, here, partly);
        } else {
            boolean sized = look.size() != Look.NO_SIZE;
            double number = sized ? look.value() : RunningSums.value(kind, chars, start, end, here, commas);
            tally.take(row, here, look.size(), number);
        }
        if (here != Form.BLANK) {
            habit = here.isNumber() ? Habit.NUMBERS : here == Form.YEAR_FIRST_DATE ? Habit.DATES : Habit.TEXTS;
        }
        return true;
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
