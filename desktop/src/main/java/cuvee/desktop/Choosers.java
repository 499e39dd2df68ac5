package cuvee.desktop;

import java.nio.file.Path;
import java.util.Optional;

/** The system's file choosers, behind an interface so that tests can choose. */
interface Choosers {
    Optional<Path> folder(String title);

    Optional<Path> job(String title);

    /** A file to read from. */
    Optional<Path> file(String title);

    /** A file to write to. */
    Optional<Path> target(String title, Path proposed, String... endings);

    /** Asks yes or no; the first is the safe answer. */
    Leaving leave(String jobName);

    /** Asks whether a file that Cuvee did not write may be written over; the words say what would be lost. */
    boolean replace(Path target, String loss);

    /** Asks whether a file that cannot be written for now is to be written to another name. */
    boolean beside(Path target, String why, Path other);

    /** What to do with a job that is not saved. */
    enum Leaving {
        STAY,
        SAVE,
        LEAVE
    }
}
