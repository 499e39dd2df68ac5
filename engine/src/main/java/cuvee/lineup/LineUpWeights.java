package cuvee.lineup;

import cuvee.lineup.Profile.Kind;

/**
 * What each piece of evidence weighs when two columns are compared, in log-odds: positive speaks for one column. Tried on
 * made-up batches; fitted weights did no better on businesses that they had not seen.
 */
final class LineUpWeights {
    static final double BIAS = -1.2;
    static final double SAME_WORDS = 2.8;
    static final double LIKE_WORDS = 1.2;
    static final double CONTAINED = 1.0;
    static final double INITIALS = 1.0;
    static final double GENERAL_WORDS = -0.5;
    static final double NO_WORDS = -1.7;
    static final double LEFT_OVER = -0.5;
    static final double MODIFIER = -1.2;
    static final double UNITS_DIFFER = -0.6;
    static final double KIND = 3.9;
    /** From so many values on the kind of a column is told as surely as it can be. */
    static final double ENOUGH_VALUES = 6;
    /** So far a single value tells that words are no dates or numbers. */
    static final double TOLD_BY_ONE_VALUE = 0.6;

    /** Few values, none of them shared, and no word in common. */
    static final double FEW_AND_NONE_SHARED = -1.2;

    /** Many whole numbers only, many with decimals hardly without, and no word in common. */
    static final double COUNTED_AGAINST_MEASURED = -2.0;

    /** Codes that all have letters against plain numbers, and no word in common. */
    static final double LETTERS_AGAINST_NUMBERS = -2.0;

    /** One header speaks of money and the other of what is measured, or of other sorts of values, and no word in common. */
    static final double OTHER_SORT = -2.5;

    /** Each is worked out alike: the product of two columns of its tables, or the sum of others. */
    static final double BOTH_WORKED_OUT = 1.5;

    /** One is worked out so, the other is not though its tables have such a column, and no word in common. */
    static final double ONE_WORKED_OUT = -2.0;

    /** Multiplied by one column, both come to one column. */
    static final double SAME_FACTOR = 2.5;

    /** One has negative numbers, the other has none among many, and no word in common: money in is no amount with a sign. */
    static final double SIGNED_AGAINST_UNSIGNED = -3.0;

    /** Of two dates without a word in common, one speaks of what is still to come. */
    static final double TO_COME = -1.8;

    /** One is the lesser of two columns of its tables in every row, the other the greater of two. */
    static final double CROSSED = -4.0;

    /** One is called as a value of the other's tables. */
    static final double A_VALUE_BESIDE = -3.0;

    static final double SCALE = -1.5;
    static final double RANGE = -1.5;
    /** Scale and range together speak no louder than this against: senders differ in size. */
    static final double LEAST_SCALE_AND_RANGE = -4.0;

    static final double DECIMALS = -0.8;
    static final double SHARED_VALUES = 3.0;
    static final double RARE_VALUES = 1.9;
    static final double NO_VALUE_SHARED = -2.5;
    static final double PATTERN = 1.7;
    static final double UNIQUE_AGAINST_REPEATED = -2.5;
    static final double LENGTH = -2.5;
    static final double BLANKS = -1.5;
    static final double MONTH_SHARE = -3.0;
    static final double PRESENCE = 0.9;
    static final double FULL_COVER = 0.3;
    static final double PLACE = 0.8;
    static final double SAME_GAP = 0.3;
    /** Where as many columns stand in the gap on both sides: the first of them is the first. */
    static final double SAME_RANK = 0.45;

    static final double NO_DATA = -0.5;

    /** What a column of its own weighs against every other. */
    static final double ITS_OWN = -1.0;

    private LineUpWeights() {}

    /** How well two kinds of values go together. */
    static double together(Kind one, Kind other) {
        if (one == other) {
            return 1;
        }
        Kind low = one.ordinal() < other.ordinal() ? one : other;
        Kind high = low == one ? other : one;
        return switch (low) {
            case PERCENT ->
                switch (high) {
                    case MONEY -> -1.5;
                    case FRACTION -> 0.9;
                    case WHOLE -> -0.5;
                    case DECIMAL -> 0;
                    default -> -1;
                };
            case MONEY ->
                switch (high) {
                    case FRACTION -> 0.2;
                    case WHOLE -> 0.4;
                    case DECIMAL -> 0.8;
                    default -> -1;
                };
            case FRACTION ->
                switch (high) {
                    case WHOLE -> -0.3;
                    case DECIMAL -> 0.5;
                    default -> -1;
                };
            case WHOLE -> high == Kind.DECIMAL || high == Kind.CODE ? 0.3 : -1;
            case CODE -> high == Kind.WORD ? 0 : -0.2;
            case WORD -> 0.5;
            default -> -1;
        };
    }

    static double logistic(double z) {
        return 1 / (1 + Math.exp(-Math.max(-30, Math.min(30, z))));
    }
}
