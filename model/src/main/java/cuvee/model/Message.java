package cuvee.model;

import cuvee.finding.CuveeException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What the window tells about work: what came of it, or why it could not be done. */
public record Message(String text, Kind kind) {
    private static final Logger LOG = LoggerFactory.getLogger(Message.class);

    static final Message NONE = new Message("", Kind.NEWS);

    /** What it tells of. */
    public enum Kind {
        NEWS,
        /** Something was written. */
        DONE,
        /** Something could not be done. */
        FAILURE
    }

    static Message news(String text) {
        return new Message(text, Kind.NEWS);
    }

    static Message failure(String text) {
        return new Message(text, Kind.FAILURE);
    }

    /**
     * Why something could not be done. A fault that Cuvee does not know is its own, and goes to the log.
     *
     * @param what what was being done, as the beginning of a sentence
     */
    static Message failed(String what, Throwable why) {
        if (why instanceof CuveeException known) {
            return failure(known.finding().text());
        }
        LOG.error("{} failed", what, why);
        return failure(what + " failed inside Cuvee (" + why
                + "). Nothing was changed. The log in Cuvee's state folder says more.");
    }
}
