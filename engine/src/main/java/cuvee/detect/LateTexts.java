package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.ColumnCells;
import cuvee.sheet.PackedCell;
import cuvee.sheet.RowBlock;
import cuvee.value.ColumnTally;
import cuvee.value.Eight;
import cuvee.value.Form;
import cuvee.value.Forms;
import java.util.Arrays;

/**
 * The texts that the cells of a column have held lately, with what was seen in them, since most columns of large tables
 * hold few different ones. Codes that differ in their digits only are one text here.
 */
final class LateTexts {
    private static final Form[] FORMS = Form.values();
    private static final int PLACE_BITS = 9;
    private static final int PLACES = 1 << PLACE_BITS;
    private static final int SHORTEST = PackedCell.shape(CellKind.TEXT, 1);
    private static final int LONGEST = 40;
    /** Longer ones are more than their first and last eight characters, which are compared first. */
    private static final int KEYED = 16;

    /** What is known of a text takes so many numbers: its last eight characters, its first eight if longer, the rest. */
    private static final int PARTS = 4;

    private static final int LENGTH_MASK = 0xFF;
    private static final int FORM_SHIFT = 8;
    private static final long PARTLY = 1L << 16;

    private long[] known = new long[0];
    /** What is known of the texts that were met last, row by row. */
    private final long[] met = new long[RowBlock.ROWS];

    private char[][] texts = new char[0][];
    /** True once a text with digits in it was remembered without them. */
    private boolean anyByLetters;

    /** The last such text: what was remembered, where digits are in it, and what counts at all. */
    private int codeShape;

    private long codeTail;
    private long codeTailDigits;
    private long codeTailMask;
    private long codeHead;
    private long codeHeadDigits;
    private long codeHeadMask;
    private long codeRest;

    private boolean metPartly;

    /** Forgets whether it has met a text that names a total in part. */
    void begin() {
        metPartly = false;
    }

    /** True where a text that was met names a total in part, or another figure. */
    boolean metPartly() {
        return metPartly;
    }

    /**
     * Takes in the texts of a column that are known, from a row on.
     *
     * @return the first row whose cell holds anything else
     */
    int take(ColumnCells cells, int from, ColumnTally tally) {
        if (!cells.isNarrow() || known.length == 0) {
            return from;
        }
        int row = takeKnown(cells, anyByLetters ? takeCodes(cells, from) : from);
        tell(from, row, tally);
        return row;
    }

    /** Takes in codes that differ in their digits only from the one that was remembered last. */
    private int takeCodes(ColumnCells cells, int from) {
        int[] shapes = cells.shapes();
        long[] tails = cells.tails();
        long[] heads = cells.heads();
        int rows = cells.rows();
        int row = from;
        for (; row < rows; row++) {
            long tail = (tails[row] ^ codeTail) & codeTailMask;
            long head = (heads[row] ^ codeHead) & codeHeadMask;
            // What remains of a digit is its value, and nothing of any other character.
            long others =
                    tail & ~codeTailDigits | head & ~codeHeadDigits | Eight.notDigits(tail) | Eight.notDigits(head);
            if (shapes[row] != codeShape || others != 0) {
                break;
            }
            met[row] = codeRest;
        }
        return row;
    }

    private int takeKnown(ColumnCells cells, int from) {
        int[] shapes = cells.shapes();
        long[] tails = cells.tails();
        long[] heads = cells.heads();
        long[] words = known;
        int rows = cells.rows();
        boolean byLetters = anyByLetters;
        int row = from;
        for (; row < rows; row++) {
            int over = PackedCell.longerBy(shapes[row], SHORTEST);
            if (over < 0 || over >= LONGEST) {
                break;
            }
            int length = over + 1;
            long tail = tails[row];
            long head = 0;
            if (over >= Eight.LENGTH) {
                head = heads[row];
            } else {
                tail = Eight.last(tail, length);
            }
            if (byLetters && length <= KEYED && beginsWithLetter(tail, head, length)) {
                tail = Eight.withoutDigits(tail);
                head = Eight.withoutDigits(head);
            }
            int at = place(tail, head) * PARTS;
            long rest = words[at + 2];
            if ((words[at] ^ tail | words[at + 1] ^ head | rest & LENGTH_MASK ^ length) != 0
                    || length > KEYED && !isText(cells, row, texts[at / PARTS])) {
                break;
            }
            met[row] = rest;
        }
        return row;
    }

    private void tell(int from, int to, ColumnTally tally) {
        long ever = 0;
        long always = -1;
        for (int row = from; row < to; row++) {
            ever |= met[row];
            always &= met[row];
        }
        metPartly |= (ever & PARTLY) != 0;
        boolean alike = form(ever) == form(always);
        int row = from;
        while (row < to) {
            int form = form(met[row]);
            int end = alike ? to : row + 1;
            while (end < to && form(met[end]) == form) {
                end++;
            }
            tally.takeCalm(FORMS[form], end - row);
            row = end;
        }
    }

    private static int form(long rest) {
        return (int) rest >>> FORM_SHIFT & 0xFF;
    }

    private static boolean isText(ColumnCells cells, int row, char[] text) {
        long cell = cells.cell(row);
        return Arrays.equals(text, 0, text.length, cells.chars(), PackedCell.start(cell), PackedCell.end(cell));
    }

    /** Remembers a text of which nothing but its form and whether it names a total in part matters. */
    void remember(ColumnCells cells, int row, Form form, boolean namesPartly) {
        long cell = cells.cell(row);
        int length = PackedCell.length(cell);
        if (!cells.isNarrow() || length > LONGEST) {
            return;
        }
        boolean byLetters = false;
        int start = PackedCell.start(cell);
        int end = PackedCell.end(cell);
        long tail = Eight.last(cells.tails()[row], Math.min(length, Eight.LENGTH));
        long head = length > Eight.LENGTH ? cells.heads()[row] : 0;
        if (length <= KEYED && beginsWithLetter(tail, head, length)) {
            if (!Forms.goByLetters(cells.chars(), start, end)) {
                return;
            }
            tail = Eight.withoutDigits(tail);
            head = Eight.withoutDigits(head);
            byLetters = form == Form.WORDS_AND_DIGITS;
        }
        if (known.length == 0) {
            known = new long[PLACES * PARTS];
            texts = new char[PLACES][];
        }
        long rest = length | (long) form.ordinal() << FORM_SHIFT | (namesPartly ? PARTLY : 0);
        if (byLetters) {
            anyByLetters = true;
            codeShape = PackedCell.shape(cell);
            codeTail = tail;
            codeTailDigits = Eight.digits(tail);
            codeTailMask = Eight.last(-1, Math.min(length, Eight.LENGTH));
            codeHead = head;
            codeHeadDigits = Eight.digits(head);
            codeHeadMask = length > Eight.LENGTH ? -1 : 0;
            codeRest = rest;
        }
        int place = place(tail, head);
        texts[place] = length > KEYED ? Arrays.copyOfRange(cells.chars(), start, end) : null;
        int at = place * PARTS;
        known[at] = tail;
        known[at + 1] = head;
        known[at + 2] = rest;
    }

    private static boolean beginsWithLetter(long tail, long head, int length) {
        int first = length > Eight.LENGTH ? Eight.at(head, 0) : Eight.at(tail, Eight.LENGTH - length);
        int small = first | 0x20;
        return small >= 'a' && small <= 'z';
    }

    private static int place(long tail, long head) {
        long mixed = (tail ^ Long.rotateLeft(head, 29)) * 0x9E3779B97F4A7C15L;
        return (int) (mixed >>> Long.SIZE - PLACE_BITS);
    }
}
