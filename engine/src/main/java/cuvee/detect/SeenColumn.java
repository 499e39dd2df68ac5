package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.value.ColumnTally;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Look;
import cuvee.value.LooseText;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * One column of a table under way: what the cell or the block that was looked at holds, and what all records so far
 * have held.
 */
final class SeenColumn {
    /** Texts are remembered without their digits too, with 9 for every run of them. */
    private static final Pattern DIGITS = Pattern.compile("[0-9]+");

    private static final long BLANK = bits(Form.BLANK);
    private static final long COMMA = bits(Form.COMMA, Form.GROUPED_COMMA);
    private static final long POINT = bits(Form.POINT, Form.GROUPED_POINT);
    /** Numbers that are read by what the other numbers tell of the decimal mark. */
    private static final long OPEN = bits(
            Form.POINT_OR_GROUP,
            Form.COMMA_OR_GROUP,
            Form.LONG_DIGITS,
            Form.EXPONENT,
            Form.PERCENT_TEXT,
            Form.MONEY_TEXT);

    private static final long PLAIN =
            bits(Form.DIGITS, Form.POINT, Form.COMMA, Form.YEAR_FIRST_DATE, Form.NUMBER_WHOLE, Form.NUMBER_FRACTION);
    private static final long NO_TEXT = bits(Arrays.stream(Form.values())
            .filter(form -> form == Form.BLANK || form.isNumber())
            .toArray(Form[]::new));

    private final int column;
    private final Evidence evidence = new Evidence();
    private final LateTexts late = new LateTexts();
    private final Set<String> words = new HashSet<>();
    private final Set<String> codes = new HashSet<>();
    private long everSeen;
    private int longest;
    private boolean filledFirst;
    private boolean filledBefore;
    private int adjacent;

    private final Look look = new Look();
    private Form form = Form.BLANK;
    private int size;
    private double value;
    private boolean mayNameTotal;

    private final ColumnTally tally = new ColumnTally();
    private Habit habit = Habit.TEXTS;
    private boolean namesPartly;
    private long seen;

    SeenColumn(int column) {
        this.column = column;
    }

    private static long bits(Form... forms) {
        long bits = 0;
        for (Form form : forms) {
            bits |= 1L << form.ordinal();
        }
        return bits;
    }

    // ---- cell by cell ----

    /** Looks at the column's cell in the next row. */
    Form look(Row row) {
        CellKind kind = row.kind(column);
        int start = row.start(column);
        int end = row.end(column);
        Form plain = look.plain(kind, row.chars(), start, end);
        size = look.size();
        value = look.value();
        form = plain == null ? Forms.of(kind, row.chars(), start, end) : plain;
        mayNameTotal =
                (form == Form.WORDS || form == Form.WORDS_AND_DIGITS) && TotalWords.possible(row.chars(), start, end);
        return form;
    }

    /** The form of the cell that was looked at. */
    Form form() {
        return form;
    }

    /** True where the cell that was looked at holds words, and one that may name a total is among them. */
    boolean mayNameTotal() {
        return mayNameTotal;
    }

    /** The number in the cell that was looked at, or NaN; its decimal mark is the comma where that is said. */
    double value(Row row, boolean commas) {
        return size == Look.NO_SIZE
                ? RunningSums.value(row.kind(column), row.chars(), row.start(column), row.end(column), form, commas)
                : value;
    }

    /** True where the number that was looked at is read by what the others tell of the decimal mark. */
    boolean isOpen() {
        return size == Look.NO_SIZE && (OPEN & 1L << form.ordinal()) != 0;
    }

    /** Takes in the cell of a record that has been looked at; answers its length. */
    int keep(Row row) {
        int start = row.start(column);
        int end = row.end(column);
        evidence.add(row.chars(), start, end, form, size);
        everSeen |= 1L << form.ordinal();
        boolean now = form != Form.BLANK;
        if (now) {
            longest = Math.max(longest, end - start);
            adjacent += filledBefore ? 1 : 0;
        }
        filledBefore = now;
        return now ? end - start : 0;
    }

    /** Takes in that a record is too short to have the column. */
    void keepNothing() {
        filledBefore = false;
    }

    /** The first record has been taken in. */
    void first() {
        filledFirst = filledBefore;
    }

    /** Remembers the words of the cell that was looked at. */
    void remember(Row row) {
        if (form == Form.WORDS || form == Form.WORDS_AND_DIGITS) {
            String text = row.text(column);
            words.add(LooseText.key(text));
            if (form == Form.WORDS_AND_DIGITS) {
                codes.add(codeOf(text));
            }
        }
    }

    // ---- block by block ----

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
            tally.tookCalm(1);
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

    /** True where no cell of the block that was looked at is blank. */
    boolean full() {
        return (seen & BLANK) == 0;
    }

    /** True where every cell of the block that was looked at is digits and marks. */
    boolean digits() {
        return (seen & ~PLAIN) == 0;
    }

    boolean blank(int row) {
        return tally.blank(row);
    }

    /** True where every cell of the block that was looked at holds something other than a number. */
    boolean texts() {
        return (seen & NO_TEXT) == 0;
    }

    /** True where a text in the block that was looked at names a total in part, or another figure. */
    boolean namesPartly() {
        return namesPartly || late.metPartly();
    }

    /** True where the block that was looked at has numbers that are read by what the others tell of the decimal mark. */
    boolean open() {
        return (seen & OPEN) != 0;
    }

    /** True where the block that was looked at tells of a decimal mark that the column has not had so far. */
    boolean newMark() {
        long now = seen & ~everSeen;
        return (now & COMMA) != 0 && !hasComma() || (now & POINT) != 0 && !hasPoint();
    }

    /** What was seen in the block that was looked at. */
    ColumnTally tally() {
        return tally;
    }

    /** Takes in the block that was looked at, all its rows being records; answers how long its texts are together. */
    long keep(RowBlock block) {
        evidence.add(tally, block, column);
        everSeen |= seen;
        return full() ? keepFull(block) : keepGaps(block);
    }

    private long keepFull(RowBlock block) {
        long length = 0;
        for (int row = 0; row < block.rows(); row++) {
            int here = block.end(column, row) - block.start(column, row);
            longest = Math.max(longest, here);
            length += here;
        }
        adjacent += block.rows() - (filledBefore ? 0 : 1);
        filledBefore = true;
        return length;
    }

    private long keepGaps(RowBlock block) {
        long length = 0;
        for (int row = 0; row < block.rows(); row++) {
            boolean now = !tally.blank(row);
            if (now) {
                int here = block.end(column, row) - block.start(column, row);
                longest = Math.max(longest, here);
                length += here;
                adjacent += filledBefore ? 1 : 0;
            }
            filledBefore = now;
        }
        return length;
    }

    // ---- all records so far ----

    Evidence evidence() {
        return evidence;
    }

    /** True where a record has had a number with a decimal comma. */
    boolean hasComma() {
        return (everSeen & COMMA) != 0;
    }

    /** True where a record has had a number with a decimal point. */
    boolean hasPoint() {
        return (everSeen & POINT) != 0;
    }

    int longest() {
        return longest;
    }

    TableColumn.Gaps gaps() {
        return new TableColumn.Gaps(filledFirst, adjacent);
    }

    /** True where an earlier record holds the text. */
    boolean holds(String text) {
        return words.contains(LooseText.key(text));
    }

    /** True where an earlier record holds a code that differs in its digits only. */
    boolean holdsAlike(String text) {
        return codes.contains(codeOf(text));
    }

    private static String codeOf(String text) {
        return DIGITS.matcher(text.strip()).replaceAll("9");
    }
}
