package cuvee.detect;

import cuvee.sheet.CellKind;
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
    private static final int PLACES = 512;
    private static final int PLACE_BITS = 9;
    private static final int TEXT = CellKind.TEXT.ordinal();
    private static final int LONGEST = 40;
    /** Longer ones are more than their first and last eight characters, which are compared first. */
    private static final int KEYED = 16;

    private long[] tails = new long[0];
    private long[] heads = new long[0];
    private int[] lengths = new int[0];
    private char[][] texts = new char[0][];
    private Form[] forms = new Form[0];
    private boolean[] partly = new boolean[0];
    /** True once a text with digits in it was remembered without them. */
    private boolean anyByLetters;

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
    int take(RowBlock block, int column, int from, ColumnTally tally) {
        if (!block.isNarrow() || tails.length == 0) {
            return from;
        }
        int row = from;
        for (; row < block.rows(); row++) {
            int start = block.start(column, row);
            int end = block.end(column, row);
            int length = end - start;
            if (length == 0 || length > LONGEST || block.kindOrdinal(column, row) != TEXT) {
                break;
            }
            long tail = Eight.last(block.tail(end), length);
            long head = length > Eight.LENGTH ? block.head(start) : 0;
            if (anyByLetters && length <= KEYED && beginsWithLetter(tail, head, length)) {
                tail = Eight.withoutDigits(tail);
                head = length > Eight.LENGTH ? Eight.withoutDigits(head) : 0;
            }
            int place = place(tail, head, length);
            boolean known = tails[place] == tail && heads[place] == head && lengths[place] == length;
            if (!known || length > KEYED && !Arrays.equals(texts[place], 0, length, block.chars(), start, end)) {
                break;
            }
            tally.takeCalm(row, forms[place]);
            metPartly |= partly[place];
        }
        return row;
    }

    /** Remembers a text of which nothing but its form and whether it names a total in part matters. */
    void remember(RowBlock block, int column, int row, Form form, boolean namesPartly) {
        int start = block.start(column, row);
        int end = block.end(column, row);
        int length = end - start;
        if (!block.isNarrow() || length > LONGEST) {
            return;
        }
        long tail = Eight.last(block.tail(end), length);
        long head = length > Eight.LENGTH ? block.head(start) : 0;
        if (length <= KEYED && beginsWithLetter(tail, head, length)) {
            if (!Forms.goByLetters(block.chars(), start, end)) {
                return;
            }
            tail = Eight.withoutDigits(tail);
            head = Eight.withoutDigits(head);
            anyByLetters |= form == Form.WORDS_AND_DIGITS;
        }
        if (tails.length == 0) {
            room();
        }
        int place = place(tail, head, length);
        tails[place] = tail;
        heads[place] = head;
        lengths[place] = length;
        texts[place] = length > KEYED ? Arrays.copyOfRange(block.chars(), start, end) : null;
        forms[place] = form;
        partly[place] = namesPartly;
    }

    private void room() {
        tails = new long[PLACES];
        heads = new long[PLACES];
        lengths = new int[PLACES];
        texts = new char[PLACES][];
        forms = new Form[PLACES];
        partly = new boolean[PLACES];
    }

    private static boolean beginsWithLetter(long tail, long head, int length) {
        int first = length > Eight.LENGTH ? Eight.at(head, 0) : Eight.at(tail, Eight.LENGTH - length);
        int small = first | 0x20;
        return small >= 'a' && small <= 'z';
    }

    private static int place(long tail, long head, int length) {
        long mixed = (tail ^ Long.rotateLeft(head, 29) ^ length) * 0x9E3779B97F4A7C15L;
        return (int) (mixed >>> Long.SIZE - PLACE_BITS);
    }
}
