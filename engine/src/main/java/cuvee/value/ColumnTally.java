package cuvee.value;

import cuvee.sheet.CellKind;
import cuvee.sheet.ColumnCells;
import cuvee.sheet.PackedCell;
import cuvee.sheet.RowBlock;
import java.util.BitSet;

/**
 * What the cells of one column in a block of rows hold: taken in run by run where they are plain numbers, dates or known
 * words, which are told eight characters at a time, else cell by cell. A reused buffer.
 */
public final class ColumnTally {
    private static final double[] POWERS = {1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7};
    private static final int POINT = '.' ^ '0';
    private static final int COMMA = ',' ^ '0';
    private static final int MINUS = '-' ^ '0';
    private static final int DATE_SHAPE = PackedCell.shape(CellKind.TEXT, "2026-03-31".length());
    /** Where the digits of a date are: of the year in its first eight characters, the day in its last eight. */
    private static final long YEAR = 0x00000000FFFFFFFFL;
    /** Where the digits of the month are, once the dash before them is left out. */
    private static final long MONTH = 0x0000FFFF00000000L;

    private static final long DAY = 0xFFFF000000000000L;
    private static final long DASHES = 0x2D00002D00000000L;
    private static final long DASHES_ONLY = 0xFF0000FF00000000L;
    /** The months with 31 days, as bits from 1. */
    private static final int LONG_MONTHS = 1 << 1 | 1 << 3 | 1 << 5 | 1 << 7 | 1 << 8 | 1 << 10 | 1 << 12;

    final int[] counts = new int[Form.FORMS.length];
    private long seen;
    /** The rows whose cells are to be looked at one by one as evidence, and their forms. */
    final int[] looks = new int[RowBlock.ROWS];

    final Form[] lookForms = new Form[RowBlock.ROWS];
    int looked;
    /** The rows with dates that need no closer look. */
    final BitSet calmDates = new BitSet(RowBlock.ROWS);

    int wholeDigits;
    int decimals;
    int belowZero;

    private final BitSet blanks = new BitSet(RowBlock.ROWS);
    private int lookedWords;
    private int numbers;
    private double sum;
    private double least = Double.POSITIVE_INFINITY;
    private double most = Double.NEGATIVE_INFINITY;

    /** Empties it. */
    public void clear() {
        for (long left = seen; left != 0; left &= left - 1) {
            counts[Long.numberOfTrailingZeros(left)] = 0;
        }
        seen = 0;
        looked = 0;
        calmDates.clear();
        wholeDigits = 0;
        decimals = 0;
        belowZero = 0;
        blanks.clear();
        lookedWords = 0;
        numbers = 0;
        sum = 0;
        least = Double.POSITIVE_INFINITY;
        most = Double.NEGATIVE_INFINITY;
    }

    /** The forms of its cells, as {@link Form#bits}. */
    public long seen() {
        return seen;
    }

    /** How many of its cells hold a number that is known, at least about. */
    public int numbers() {
        return numbers;
    }

    /** What the numbers come to, about. */
    public double sum() {
        return sum;
    }

    /** The least of the numbers; infinite where there is none. */
    public double least() {
        return least;
    }

    /** The greatest of the numbers; infinite and below zero where there is none. */
    public double most() {
        return most;
    }

    /** True where the cell of a row is blank. */
    public boolean blank(int row) {
        return blanks.get(row);
    }

    // ---- cell by cell ----

    /** Takes in a cell that was looked at: its form, and its size and number where a {@link Look} found them. */
    public void take(int row, Form form, int size, double value) {
        note(form, 1);
        if (form == Form.BLANK) {
            blanks.set(row);
        } else if (size != Look.NO_SIZE) {
            wholeDigits = Math.max(wholeDigits, Look.wholeDigits(size));
            decimals = Math.max(decimals, Look.decimals(size));
            belowZero += Look.belowZero(size) ? 1 : 0;
        } else {
            looks[looked] = row;
            lookForms[looked++] = form;
            lookedWords += form == Form.WORDS || form == Form.WORDS_AND_DIGITS ? 1 : 0;
        }
        if (!Double.isNaN(value)) {
            add(1, value, value, value);
        }
    }

    /** Takes in some cells with words of one form, of which nothing but their number matters any more. */
    public void takeCalm(Form form, int cells) {
        note(form, cells);
    }

    private void note(Form form, int cells) {
        if (cells > 0) {
            counts[form.ordinal()] += cells;
            seen |= form.bit();
        }
    }

    private void add(int some, double theirSum, double theirLeast, double theirMost) {
        numbers += some;
        sum += theirSum;
        least = Math.min(least, theirLeast);
        most = Math.max(most, theirMost);
    }

    /** How many cells hold words that are not to be looked at one by one. */
    int calmWords() {
        return counts[Form.WORDS.ordinal()] + counts[Form.WORDS_AND_DIGITS.ordinal()] - lookedWords;
    }

    // ---- run by run ----

    /**
     * Takes in plain numbers of at most eight characters and of one kind from a row on.
     *
     * @return the first row whose cell is something else, or may be
     */
    public int takeNumbers(ColumnCells cells, int from) {
        int row = from;
        int before;
        do {
            before = row;
            row = takeAlike(cells, row);
        } while (row > before && row < cells.rows());
        return row;
    }

    /** Takes in numbers of one kind, with the same mark as the first, and no more decimals. */
    private int takeAlike(ColumnCells cells, int from) {
        int[] shapes = cells.shapes();
        long[] tails = cells.tails();
        int rows = cells.rows();
        boolean text = PackedCell.kind(shapes[from]) == CellKind.TEXT;
        int shortest = PackedCell.shape(text ? CellKind.TEXT : CellKind.NUMBER, 1);
        Mark mark = Mark.of(shapes[from], tails[from]);
        if (!mark.partsDecimals(text)) {
            return from;
        }
        long markBit = mark.bit();
        long markMask = mark.mask();
        long markValue = mark.value();
        long before = mark.before();
        long behind = mark.behind();
        int place = mark.place();
        boolean mayGroup = mayGroup(text, place);
        int below = 0;
        int wholes = 0;
        long pairs = 0;
        long low = Long.MAX_VALUE;
        long high = Long.MIN_VALUE;
        int row = from;
        for (; row < rows; row++) {
            int over = PackedCell.longerBy(shapes[row], shortest);
            if ((over & -Eight.LENGTH) != 0) {
                break;
            }
            int outside = 8 * (Eight.LENGTH - 1 - over);
            long led = Eight.values(tails[row]) >>> outside;
            long values = led << outside;
            long odd = Eight.notDigits(values);
            int minus = 0;
            int unmarked = 0;
            if (odd != markBit) {
                if ((led & 0xFF) == MINUS && over > 0) {
                    odd &= odd - 1;
                    led >>>= 8;
                    outside += 8;
                    values = led << outside;
                    minus = -1;
                }
                // Fewer decimals, or none: as if there were noughts behind.
                int own = Long.numberOfTrailingZeros(odd) >>> 3;
                int moved = 8 * (own - place);
                if (moved < 0 || moved > outside || (odd & odd - 1) != 0 || moved > 0 && mayGroup(text, own)) {
                    break;
                }
                values >>>= moved;
                outside -= moved;
                if (odd == 0) {
                    values |= markValue;
                    unmarked = 1;
                }
            }
            int lead = (int) led & 0xFF;
            if ((values & markMask) != markValue || lead > 9 || (lead == 0 ? outside < 8 * place - 8 : mayGroup)) {
                break;
            }
            long here = Eight.pairs(values & behind | (values & before) << 8);
            long order = (Long.reverseBytes(here) ^ minus) - minus;
            pairs += (here ^ minus) - minus;
            low = Math.min(low, order);
            high = Math.max(high, order);
            below -= minus;
            wholes += unmarked;
        }
        if (row > from) {
            wholes = markBit == 0 ? row - from : wholes;
            note(text ? Form.DIGITS : Form.NUMBER_WHOLE, wholes);
            note(mark.form(text), row - from - wholes);
            belowZero += below;
            add(row - from, Math.max(0, Eight.LENGTH - 1 - place), pairs, low, high);
        }
        return row;
    }

    /** True where a mark with three digits behind it could part thousands. */
    private static boolean mayGroup(boolean text, int place) {
        return text && place == Eight.LENGTH - 4;
    }

    private void add(int some, int behind, long pairs, long lowest, long highest) {
        double one = POWERS[behind];
        double low = inOrder(lowest) / one;
        double high = inOrder(highest) / one;
        decimals = Math.max(decimals, behind);
        double size = Math.max(-low, high);
        wholeDigits = Math.max(1, wholeDigits);
        while (wholeDigits < Eight.LENGTH && size >= POWERS[wholeDigits]) {
            wholeDigits++;
        }
        add(some, Eight.number(pairs) / one, low, high);
    }

    /** The number of some pairs of digits that were put in order. */
    private static double inOrder(long order) {
        long here = Long.reverseBytes(Math.abs(order));
        return order < 0 ? -Eight.number(here) : Eight.number(here);
    }

    /**
     * Takes in dates as ISO has them from a row on.
     *
     * @return the first row whose cell is something else, or may be
     */
    public int takeDates(ColumnCells cells, int from) {
        int[] shapes = cells.shapes();
        long[] heads = cells.heads();
        long[] tails = cells.tails();
        int rows = cells.rows();
        int row = from;
        for (; row < rows; row++) {
            long head = heads[row];
            long digits = Eight.values(head & YEAR | head >>> 8 & MONTH | tails[row] & DAY);
            if (shapes[row] != DATE_SHAPE
                    || (head & DASHES_ONLY) != DASHES
                    || Eight.notDigits(digits) != 0
                    || !isDay(Eight.pairs(digits))) {
                break;
            }
        }
        if (row > from) {
            note(Form.YEAR_FIRST_DATE, row - from);
            calmDates.set(from, row);
        }
        return row;
    }

    /** True for a day that exists, apart from the 29th of February, at which a closer look is taken. */
    private static boolean isDay(long pairs) {
        int month = (int) (pairs >>> 32) & 0xFF;
        int day = (int) (pairs >>> 48);
        boolean inMonth = day <= 28 || month != 2 && (day <= 30 || day == 31 && (LONG_MONTHS >> month & 1) != 0);
        return month >= 1 && month <= 12 && day >= 1 && inMonth && (int) pairs != 0;
    }

    /**
     * The decimal mark in numbers of eight characters, by their values, where it stands in all of them.
     *
     * @param bit its bit among those of what is no digit; 0 for numbers without one
     */
    private record Mark(long bit, long value) {
        /** That of a cell. */
        static Mark of(int shape, long tail) {
            int length = Math.max(1, Math.min(Eight.LENGTH, PackedCell.length(shape)));
            long values = Eight.last(Eight.values(tail), length);
            long odd = Eight.notDigits(values);
            odd = Eight.at(values, Eight.LENGTH - length) == MINUS ? odd & odd - 1 : odd;
            long first = odd & -odd;
            return new Mark(first, values & mask(first));
        }

        private static long mask(long bit) {
            return (bit >>> 7) * 0xFF;
        }

        /** Where it stands, from 0; behind the last character where there is none. */
        int place() {
            return Long.numberOfTrailingZeros(bit) >>> 3;
        }

        /** All bits of its character. */
        long mask() {
            return mask(bit);
        }

        /** All bits of the characters before it, which are to move up; none where there is none. */
        long before() {
            return bit == 0 ? 0 : (bit >>> 7) - 1;
        }

        /** All bits of the other characters. */
        long behind() {
            return ~before() ^ mask();
        }

        private int sign() {
            return bit == 0 ? 0 : Eight.at(value, place());
        }

        /** True for none, a point, or the comma of a text. */
        boolean partsDecimals(boolean text) {
            return bit == 0 || sign() == POINT || sign() == COMMA && text;
        }

        /** The form of numbers with it. */
        Form form(boolean text) {
            return !text ? Form.NUMBER_FRACTION : sign() == POINT ? Form.POINT : Form.COMMA;
        }
    }
}
