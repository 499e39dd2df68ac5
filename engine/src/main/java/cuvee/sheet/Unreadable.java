package cuvee.sheet;

import cuvee.finding.CuveeException;
import cuvee.place.Where;

/** The reasons for which a file cannot be read, each worded in one place. */
final class Unreadable {
    private static final String ASIDE = "The file is set aside; the others go on.";

    /** The kind of the finding about a text file whose quotes do not match. */
    static final String TORN_QUOTES = "torn-quotes";

    private Unreadable() {}

    static CuveeException broken(Where where, String reason) {
        return because("broken", where, "The file cannot be read: " + reason + ".", "Ask the sender for it again.");
    }

    /** What went wrong is Cuvee's own doing. */
    static CuveeException ownFault(Where where) {
        return because(
                "own-fault",
                where,
                "Cuvee could not look at the file, by a fault of its own.",
                "Nothing is wrong with the file as far as is known; cuvee.log in Cuvee's state folder says more.");
    }

    /** An honest file of a kind that is not read. */
    static CuveeException otherFormat(Where where, String what) {
        return because(
                "other-format",
                where,
                "The file is " + what + ", which Cuvee does not read.",
                "Save it as .xlsx or .csv beside it, or leave it out.");
    }

    /** A text file whose quotes do not match. */
    static CuveeException torn(Where where, String reason) {
        return because(
                TORN_QUOTES,
                where,
                "The file cannot be read: " + reason + ".",
                "Where its quotes are text like any other, read it with no quotes; else ask the sender for it again.");
    }

    static CuveeException encrypted(Where where) {
        return because(
                "encrypted",
                where,
                "The workbook is locked with a password.",
                "Give its password for this run, or save a copy without one beside it.");
    }

    static CuveeException wrongPassword(Where where) {
        return because(
                "encrypted",
                where,
                "The workbook is locked, and the password given does not open it.",
                "Give another password, or save a copy without one beside it.");
    }

    static CuveeException notATable(Where where, String holds) {
        return because(
                "not-a-table",
                where,
                "The file holds " + holds + ", not what its name says.",
                "Ask the sender for it again.");
    }

    static CuveeException limit(Where where, String what) {
        return because(
                "limit", where, what, "If the file is to be trusted, split it or save the needed sheet by itself.");
    }

    static CuveeException noAccess(Where where, String reason) {
        return because(
                "no-access",
                where,
                "The file cannot be opened: " + reason + ".",
                "Check that it exists and that you may read it.");
    }

    private static CuveeException because(String kind, Where where, String what, String canDo) {
        return CuveeException.failure(kind, where, what, ASIDE, canDo);
    }
}
