package cuvee.command;

import cuvee.tell.Outcome;

/** The exit statuses, as documented. */
final class Exit {
    static final int DONE = 0;
    static final int USAGE = 2;
    static final int LOOK = 3;
    static final int FAILED = 4;

    private Exit() {}

    static int of(Outcome outcome) {
        return outcome.failed() ? FAILED : outcome.needsALook() ? LOOK : DONE;
    }
}
