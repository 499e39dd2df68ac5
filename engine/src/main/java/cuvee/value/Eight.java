package cuvee.value;

/**
 * Eight characters of one byte each, packed into a long, the first in its lowest byte, and looked at all at once. The
 * ways are those known as SIMD within a register; see Lamport, "Multiple byte processing with full-word instructions",
 * Communications of the ACM 18(8), 1975.
 */
public final class Eight {
    /** How many characters there are. */
    public static final int LENGTH = 8;

    private static final long ZEROS = 0x3030303030303030L;
    private static final long LOW_BITS = 0x7F7F7F7F7F7F7F7FL;
    private static final long HIGH_BITS = 0x8080808080808080L;
    private static final long OVER_NINE = 0x7676767676767676L;

    private static final long[] BEFORE = new long[LENGTH];
    private static final long[] BEHIND = new long[LENGTH];

    static {
        for (int place = 0; place < LENGTH; place++) {
            BEFORE[place] = (1L << 8 * place) - 1;
            BEHIND[place] = ~(BEFORE[place] << 8 | 0xFF);
        }
    }

    private Eight() {}

    /** The high bit of each byte that is no digit. */
    static long notDigits(long chars) {
        long less = chars ^ ZEROS;
        return ((less & LOW_BITS) + OVER_NINE | less) & HIGH_BITS;
    }

    /** The same with 0 for every digit. */
    public static long withoutDigits(long chars) {
        long digits = ((~notDigits(chars) & HIGH_BITS) >>> 7) * 0xFF;
        return chars & ~digits | ZEROS & digits;
    }

    /** The number of eight digits. */
    static long number(long digits) {
        long pairs = (digits & 0x0F0F0F0F0F0F0F0FL) * (10 << 8 | 1) >>> 8;
        long fours = (pairs & 0x00FF00FF00FF00FFL) * (100 << 16 | 1) >>> 16;
        return (fours & 0x0000FFFF0000FFFFL) * (10_000L << 32 | 1) >>> 32;
    }

    /** So many of them at the end, at least one, and nothing before those. */
    public static long last(long chars, int length) {
        return chars & -1L << Long.SIZE - 8 * Math.min(length, LENGTH);
    }

    /** The same with zeros before so many characters at the end, of one to eight. */
    static long zeroLed(long chars, int length) {
        long own = -1L << Long.SIZE - 8 * length;
        return chars & own | ZEROS & ~own;
    }

    /** The character at a place, from 0. */
    public static int at(long chars, int place) {
        return (int) (chars >>> 8 * place) & 0xFF;
    }

    /** All without the one at a place, and a zero in front. */
    static long without(long chars, int place) {
        return chars & BEHIND[place] | (chars & BEFORE[place]) << 8 | '0';
    }
}
