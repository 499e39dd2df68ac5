package cuvee.detect;

import cuvee.value.LooseText;
import java.util.Set;

/** Headers known from the other tables of the batch and from the job: a row of such words is a header here too. */
public record HeaderHints(Set<String> looseKeys) {
    public static final HeaderHints NONE = new HeaderHints(Set.of());

    public HeaderHints {
        looseKeys = Set.copyOf(looseKeys);
    }

    boolean isEmpty() {
        return looseKeys.isEmpty();
    }

    boolean knows(String text) {
        return !looseKeys.isEmpty() && knowsKey(LooseText.key(text));
    }

    boolean knowsKey(String looseKey) {
        return looseKeys.contains(looseKey);
    }
}
