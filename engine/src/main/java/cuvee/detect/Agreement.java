package cuvee.detect;

/** When a sum that is stated is the sum of what was added up. */
final class Agreement {
    private Agreement() {}

    /** True where two sums are the same but for rounding of the addends. */
    static boolean of(double stated, double added, int addends) {
        return Math.abs(stated - added)
                <= 1e-9 * Math.abs(added) + 0.0051 * Math.max(1, Math.sqrt(addends)) * scale(stated, added);
    }

    /** Shares are rounded to thousandths, and so is what they come to; that may be stated as one. */
    private static double scale(double stated, double added) {
        double greater = Math.max(Math.abs(stated), Math.abs(added));
        return greater < 1 ? 0.001 : greater == 1 ? 0.3 : 1;
    }
}
