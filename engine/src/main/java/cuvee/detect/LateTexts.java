package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import java.util.Arrays;

/**
 * The texts that the cells of a column have held lately, with what was seen in them, since most columns of large tables
 * hold few different ones. A column that holds many is soon looked at without it. A reused buffer, valid until the next
 * look.
 */
final class LateTexts {
    private static final int PLACES = 512;
    private static final int LONGEST = 40;
    /** The first few are not worth remembering, as most tables are small. */
    private static final int FEW = 100;
    /** After so many looks it is told whether it is worth the while. */
    private static final int TRIED = 256;

    private char[][] texts = new char[0][];
    private Form[] forms = new Form[0];
    private boolean[] naming = new boolean[0];
    private int seen;
    private long looks;
    private long met;
    private boolean mayNameTotal;

    /** The form of a cell; what else was seen stands in {@link #mayNameTotal}. */
    Form look(Row row, int column) {
        int start = row.start(column);
        int length = row.end(column) - start;
        boolean isShort = row.kind(column) == CellKind.TEXT && length > 0 && length <= LONGEST;
        if (!isShort || !isWorthwhile()) {
            return closely(row, column);
        }
        char[] chars = row.chars();
        int place = place(chars, start, length);
        char[] text = texts[place];
        if (text != null && Arrays.equals(text, 0, text.length, chars, start, start + length)) {
            met++;
            mayNameTotal = naming[place];
            return forms[place];
        }
        Form form = closely(row, column);
        texts[place] = Arrays.copyOfRange(chars, start, start + length);
        forms[place] = form;
        naming[place] = mayNameTotal;
        return form;
    }

    /** True where enough texts come again. */
    private boolean isWorthwhile() {
        if (seen < FEW) {
            seen++;
            return false;
        }
        if (texts.length == 0) {
            texts = new char[PLACES][];
            forms = new Form[PLACES];
            naming = new boolean[PLACES];
        }
        if (looks >= TRIED && met < looks / 4) {
            return false;
        }
        looks++;
        return true;
    }

    /** True where the cell holds words, and one that may name a total is among them. */
    boolean mayNameTotal() {
        return mayNameTotal;
    }

    private Form closely(Row row, int column) {
        Form form = Forms.of(row, column);
        boolean words = form == Form.WORDS || form == Form.WORDS_AND_DIGITS;
        mayNameTotal = words && TotalWords.possible(row.chars(), row.start(column), row.end(column));
        return form;
    }

    /** Where a text of these characters is remembered: told from its length and some of them. */
    private static int place(char[] chars, int start, int length) {
        int last = start + length - 1;
        int middle = start + length / 2;
        int hash = length
                + chars[start] * 3
                + chars[middle] * 5
                + chars[Math.min(middle + 1, last)] * 11
                + chars[Math.max(last - 1, start)] * 37
                + chars[last] * 101;
        return (hash ^ hash >> 7) & PLACES - 1;
    }
}
