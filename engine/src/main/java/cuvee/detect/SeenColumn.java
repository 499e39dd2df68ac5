package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Look;
import cuvee.value.LooseText;
import java.util.HashSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One column of a table under way: what the cell or the block that was looked at holds, and what all records so far
 * have held.
 */
final class SeenColumn {
    private static final long COMMA = Form.bits(Form.COMMA, Form.GROUPED_COMMA, Form.SPACED_COMMA);
    /** Amounts and percents, whose numbers may tell of a decimal mark. */
    private static final long WITHIN = Form.bits(Form.MONEY_TEXT, Form.PERCENT_TEXT);

    /** What a column of numbers holds, blank cells among them. */
    private static final long NUMBERS = numbers() | Form.BLANK.bit();

    private static final long POINT = Form.bits(Form.POINT, Form.GROUPED_POINT, Form.SPACED_POINT);

    private final int column;
    private final Evidence evidence = new Evidence();
    /** What its first records held, as it stands there, by its loose keys and as codes without their digits. */
    private final Set<String> texts = new HashSet<>();

    private final Set<String> words = new HashSet<>();
    private final Set<String> codes = new HashSet<>();
    private long everSeen;
    /** What cells hold that come later, as far as they were looked at. */
    private long ahead;

    private int longest;
    private boolean filledFirst;
    private boolean filledBefore;
    private int adjacent;

    private final Look look = new Look();
    private Form form = Form.BLANK;
    private int size;
    private double value;
    private boolean mayNameTotal;
    private boolean codesOnly;

    private @Nullable BlockColumn block;

    private static long numbers() {
        long bits = 0;
        for (Form form : Form.values()) {
            bits |= form.isNumber() ? form.bit() : 0;
        }
        return bits;
    }

    SeenColumn(int column) {
        this.column = column;
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
        if (codesOnly && form != Form.BLANK) {
            form = Form.WORDS_AND_DIGITS;
            size = Look.NO_SIZE;
        }
        mayNameTotal =
                (form == Form.WORDS || form == Form.WORDS_AND_DIGITS) && TotalWords.possible(row.chars(), start, end);
        return form;
    }

    /** From here on its cells are codes, whatever they look like. */
    void holdsCodes() {
        codesOnly = true;
    }

    /** Looks at a cell of a row that comes later, which may tell the decimal mark of those before it. */
    void lookAhead(Row row) {
        ahead |= Forms.of(row, column).bit();
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
                ? CellNumber.of(row.kind(column), row.chars(), row.start(column), row.end(column), form, commas)
                : value;
    }

    /** True where the number that was looked at is read by what the others tell of the decimal mark. */
    boolean isOpen() {
        return size == Look.NO_SIZE && (BlockColumn.OPEN & form.bit()) != 0;
    }

    /** Takes in the cell of a record that has been looked at; answers its length. */
    int keep(Row row) {
        int start = row.start(column);
        int end = row.end(column);
        evidence.add(row.chars(), start, end, form, size);
        everSeen |= form.bit();
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
            if (texts.add(text)) {
                words.add(LooseText.key(text));
                if (form == Form.WORDS_AND_DIGITS) {
                    codes.add(LooseText.codePattern(text));
                }
            }
        }
    }

    // ---- block by block ----

    /** The column in a block of rows. */
    BlockColumn inBlock() {
        BlockColumn now = block;
        if (now == null) {
            now = new BlockColumn(evidence);
            block = now;
        }
        return now;
    }

    /** True where the block that was looked at tells of a decimal mark that the column has not had so far. */
    boolean newMark() {
        long now = inBlock().seen();
        boolean within = (now & WITHIN) != 0 && !hasComma() && !hasPoint();
        return within || (now & COMMA) != 0 && !hasComma() || (now & POINT) != 0 && !hasPoint();
    }

    /** Takes in the block that was looked at, all its rows being records. */
    void keep(RowBlock block) {
        BlockColumn cells = inBlock();
        evidence.add(cells.tally(), block, column);
        everSeen |= cells.seen();
        longest = Math.max(longest, cells.longest());
        if (cells.full()) {
            adjacent += block.rows() - (filledBefore ? 0 : 1);
            filledBefore = true;
        } else {
            keepGaps(block, cells);
        }
    }

    private void keepGaps(RowBlock block, BlockColumn cells) {
        for (int row = 0; row < block.rows(); row++) {
            boolean now = !cells.blank(row);
            adjacent += now && filledBefore ? 1 : 0;
            filledBefore = now;
        }
    }

    // ---- all records so far ----

    Evidence evidence() {
        return evidence;
    }

    /** True where a record has had a number with a decimal comma, an amount with its currency for one. */
    boolean hasComma() {
        return ((everSeen | ahead) & COMMA) != 0 || evidence.commaMarks() > 0;
    }

    /** True where a record has had a number with a decimal point, an amount with its currency for one. */
    boolean hasPoint() {
        return ((everSeen | ahead) & POINT) != 0 || evidence.pointMarks() > 0;
    }

    /** True where all records that held something held a number. */
    boolean isNumbersOnly() {
        return everSeen != 0 && (everSeen & ~NUMBERS) == 0;
    }

    int longest() {
        return longest;
    }

    TableColumn.Gaps gaps() {
        return new TableColumn.Gaps(filledFirst, adjacent, false);
    }

    /** True where an earlier record holds the text. */
    boolean holds(String text) {
        return words.contains(LooseText.key(text));
    }

    /** True where an earlier record holds a code that differs in its digits only. */
    boolean holdsAlike(String text) {
        return codes.contains(LooseText.codePattern(text));
    }
}
