package cuvee.finding;

import java.util.Locale;

/** How much a finding matters, from least to most. */
public enum Severity {
    /** Known strangers: a lock file left out, an exact copy. */
    NOTICE,
    /** Worth knowing; changes nothing. */
    REMARK,
    /** Could change the master; an answer is assumed. */
    QUESTION,
    /** Something is missing or did not fit. */
    WARNING,
    /** The work could not be done. */
    FAILURE;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
