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

    private Eight() {}

    /** The high bit of each byte that is no digit, by their values. */
    public static long notDigits(long values) {
        return ((values & LOW_BITS) + OVER_NINE | values) & HIGH_BITS;
    }

    /** The values of digits, from 0 to 9, and others for what is none. */
    static long values(long chars) {
        return chars ^ ZEROS;
    }

    /** All bits of each byte that is a digit. */
    public static long digits(long chars) {
        return ((~notDigits(values(chars)) & HIGH_BITS) >>> 7) * 0xFF;
    }

    /** The same with 0 for every digit. */
    public static long withoutDigits(long chars) {
        long digits = digits(chars);
        return chars & ~digits | ZEROS & digits;
    }

    /** The numbers of each two digits, by their values, in 16 bits each: such can be added up. */
    static long pairs(long values) {
        return values * (10 << 8 | 1) >>> 8 & 0x00FF00FF00FF00FFL;
    }

    /** The number of eight digits by their pairs, or the sum of up to 128 such numbers by the sum of theirs. */
    static long number(long pairs) {
        long left = pairs;
        long number = 0;
        for (int pair = 0; pair < LENGTH / 2; pair++) {
            short here = (short) left;
            number = number * 100 + here;
            left = left - here >> Short.SIZE;
        }
        return number;
    }

    /** So many of them at the end, one to eight, and nothing before those. */
    public static long last(long chars, int length) {
        return chars & -1L << Long.SIZE - 8 * length;
    }

    /** The character at a place, from 0. */
    public static int at(long chars, int place) {
        return (int) (chars >>> 8 * place) & 0xFF;
    }
}
