package cuvee.propose;

import cuvee.value.Convention;
import cuvee.value.Meaning;

/**
 * What numbers of a table stand for.
 *
 * @param unit what stands behind them
 * @param fits how many of them have it
 */
record Meant(Meaning meaning, String unit, long fits, int decimals) {
    static final Meant AS_WRITTEN = new Meant(Meaning.AS_WRITTEN, "", 0, 0);

    Convention of(Convention convention) {
        return convention.withMeaning(meaning).withUnit(unit);
    }
}
