package cuvee.layout;

import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.Typing;

/** What a column mostly holds. */
public enum Nature {
    DATES,
    NUMBERS,
    WORDS,
    NOTHING;

    /** The nature that the evidence of a column shows. */
    public static Nature of(Evidence evidence) {
        if (evidence.filled() == 0) {
            return NOTHING;
        }
        long half = evidence.filled() / 2;
        if (Typing.fit(evidence, Type.DATE_AND_TIME) > half) {
            return DATES;
        }
        return Typing.fit(evidence, Type.DECIMAL) > half ? NUMBERS : WORDS;
    }
}
