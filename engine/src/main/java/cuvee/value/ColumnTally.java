package cuvee.value;

import cuvee.sheet.CellKind;
import cuvee.sheet.RowBlock;
import java.util.Arrays;

/**
 * What the cells of one column in a block of rows hold: taken in run by run where they are plain numbers, dates or known
 * words, which are told eight characters at a time, else cell by cell. A reused buffer.
 */
public final class ColumnTally {
    private static final int TEXT = CellKind.TEXT.ordinal();
    private static final int NUMBER = CellKind.NUMBER.ordinal();
    private static final double[] POWERS = {1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7};
    private static final int YEAR_ZERO = 0x30303030;
    private static final int DIGITS = Form.DIGITS.ordinal();
    private static final int POINT = Form.POINT.ordinal();
    private static final int COMMA = Form.COMMA.ordinal();
    private static final int NUMBER_WHOLE = Form.NUMBER_WHOLE.ordinal();
    private static final int NUMBER_FRACTION = Form.NUMBER_FRACTION.ordinal();
    private static final long DASHES = 0x2D00002D00000000L;
    private static final long DASHES_ONLY = 0xFF0000FF00000000L;
    private static final long BOTH_HIGH_BITS = 0x8000008000000000L;
    /** The months with 31 days, as bits from 1. */
    private static final int LONG_MONTHS = 1 << 1 | 1 << 3 | 1 << 5 | 1 << 7 | 1 << 8 | 1 << 10 | 1 << 12;

    private static final boolean[] NUMBERS = new boolean[Form.FORMS.length];

    static {
        for (Form form : Form.FORMS) {
            NUMBERS[form.ordinal()] = form.isNumber();
        }
    }

    final byte[] forms = new byte[RowBlock.ROWS];
    final int[] counts = new int[Form.FORMS.length];
    /** The rows whose cells are to be looked at one by one as evidence. */
    final int[] looks = new int[RowBlock.ROWS];

    private final double[] values = new double[RowBlock.ROWS];
    int looked;
    int wholeDigits;
    int decimals;
    int belowZero;
    private int lookedWords;
    int calmDates;
    private int numbers;

    /** Empties it. */
    public void clear() {
        Arrays.fill(counts, 0);
        looked = 0;
        wholeDigits = 0;
        decimals = 0;
        belowZero = 0;
        lookedWords = 0;
        calmDates = 0;
        numbers = 0;
    }

    /** The forms of its cells, as {@link Form#bits}. */
    public long seen() {
        long seen = 0;
        for (int form = 0; form < counts.length; form++) {
            seen |= counts[form] > 0 ? 1L << form : 0;
        }
        return seen;
    }

    /** How many of its cells hold a number. */
    public int numbers() {
        return numbers;
    }

    /** The number in a cell, about; not a number for anything else. */
    public double value(int row) {
        return NUMBERS[forms[row]] ? values[row] : Double.NaN;
    }

    /** True where the cell of a row is blank. */
    public boolean blank(int row) {
        return forms[row] == Form.BLANK.ordinal();
    }

    /** Takes in a cell that was looked at: its form, and its size and number where a {@link Look} found them. */
    public void take(int row, Form form, int size, double value) {
        note(row, form);
        if (size != Look.NO_SIZE) {
            wholeDigits = Math.max(wholeDigits, Look.wholeDigits(size));
            decimals = Math.max(decimals, Look.decimals(size));
            belowZero += Look.belowZero(size) ? 1 : 0;
        } else if (form != Form.BLANK) {
            looks[looked++] = row;
            lookedWords += form == Form.WORDS || form == Form.WORDS_AND_DIGITS ? 1 : 0;
        }
        values[row] = value;
        numbers += Double.isNaN(value) ? 0 : 1;
    }

    /** Takes in a cell with words of which nothing but their number matters any more. */
    public void takeCalm(int row, Form form) {
        note(row, form);
    }

    /** How many cells hold words that are not to be looked at one by one. */
    int calmWords() {
        return counts[Form.WORDS.ordinal()] + counts[Form.WORDS_AND_DIGITS.ordinal()] - lookedWords;
    }

    private void note(int row, Form form) {
        int ordinal = form.ordinal();
        forms[row] = (byte) ordinal;
        counts[ordinal]++;
    }

    /**
     * Takes in plain numbers of at most eight characters from a row on.
     *
     * @return the first row whose cell is something else, or may be
     */
    public int takeNumbers(RowBlock block, int column, int from) {
        int wholes = 0;
        int points = 0;
        int commas = 0;
        int cells = 0;
        int fractions = 0;
        int digits = wholeDigits;
        int behind = decimals;
        int below = 0;
        int row = from;
        for (; row < block.rows(); row++) {
            int kind = block.kindOrdinal(column, row);
            int end = block.end(column, row);
            int length = end - block.start(column, row);
            if (length == 0 || length > Eight.LENGTH || kind != TEXT && kind != NUMBER) {
                break;
            }
            long chars = Eight.zeroLed(block.tail(end), length);
            long odd = Eight.notDigits(chars);
            int first = Eight.LENGTH - length;
            // The place of the first sign; behind the last where there is none.
            int at = Long.numberOfTrailingZeros(odd) >>> 3;
            boolean minus = at == first;
            if (minus) {
                if (length == 1 || Eight.at(chars, at) != '-') {
                    break;
                }
                chars ^= (long) ('-' ^ '0') << 8 * first;
                odd &= odd - 1;
                at = Long.numberOfTrailingZeros(odd) >>> 3;
                first++;
            }
            int whole = at - first;
            int form;
            double value;
            if (at == Eight.LENGTH) {
                if (kind == NUMBER) {
                    form = NUMBER_WHOLE;
                    cells++;
                } else if (whole == 1 || Eight.at(chars, first) != '0') {
                    form = DIGITS;
                    wholes++;
                } else {
                    break;
                }
                value = Eight.number(chars);
            } else {
                int mark = Eight.at(chars, at);
                int decimal = Eight.LENGTH - 1 - at;
                boolean mayGroup = decimal == 3 && whole <= 3 && Eight.at(chars, first) != '0';
                if ((odd & odd - 1) != 0 || whole == 0 || mayGroup && kind == TEXT) {
                    break;
                }
                if (mark == '.' && kind == TEXT) {
                    form = POINT;
                    points++;
                } else if (mark == ',' && kind == TEXT) {
                    form = COMMA;
                    commas++;
                } else if (mark == '.') {
                    form = NUMBER_FRACTION;
                    fractions++;
                } else {
                    break;
                }
                value = Eight.number(Eight.without(chars, at)) / POWERS[decimal];
                behind = Math.max(behind, decimal);
            }
            values[row] = minus ? -value : value;
            forms[row] = (byte) form;
            digits = Math.max(digits, whole);
            below += minus ? 1 : 0;
        }
        wholeDigits = digits;
        decimals = behind;
        belowZero += below;
        numbers += row - from;
        counts[DIGITS] += wholes;
        counts[POINT] += points;
        counts[COMMA] += commas;
        counts[NUMBER_WHOLE] += cells;
        counts[NUMBER_FRACTION] += fractions;
        return row;
    }

    /**
     * Takes in dates as ISO has them from a row on.
     *
     * @return the first row whose cell is something else, or may be
     */
    public int takeDates(RowBlock block, int column, int from) {
        int row = from;
        for (; row < block.rows(); row++) {
            int start = block.start(column, row);
            int end = block.end(column, row);
            if (end - start != 10 || block.kindOrdinal(column, row) != TEXT) {
                break;
            }
            long head = block.head(start);
            long tail = block.tail(end);
            boolean digits = Eight.notDigits(head) == BOTH_HIGH_BITS && Eight.notDigits(tail) >>> 48 == 0;
            if (!digits || (head & DASHES_ONLY) != DASHES || !isDay(head, tail)) {
                break;
            }
            forms[row] = (byte) Form.YEAR_FIRST_DATE.ordinal();
        }
        if (row > from) {
            counts[Form.YEAR_FIRST_DATE.ordinal()] += row - from;
            calmDates += row - from;
        }
        return row;
    }

    /** True for a day that exists, apart from the 29th of February, at which a closer look is taken. */
    private static boolean isDay(long head, long tail) {
        int month = Eight.at(head, 5) * 10 + Eight.at(head, 6) - '0' * 11;
        int day = Eight.at(tail, 6) * 10 + Eight.at(tail, 7) - '0' * 11;
        boolean inMonth = day <= 28 || month != 2 && (day <= 30 || day == 31 && (LONG_MONTHS >> month & 1) != 0);
        return month >= 1 && month <= 12 && day >= 1 && inMonth && (int) head != YEAR_ZERO;
    }
}
