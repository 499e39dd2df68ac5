package cuvee.gather;

import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.job.Job;
import java.util.stream.Stream;

/** Whether the analyst wants the rows of a source taken out that is gone or can no longer be read. */
public final class Removed {
    private Removed() {}

    /** True where the rows of a source that is gone, or cannot be read, are to be taken out. */
    public static boolean is(Job job, String path) {
        return Stream.of(Kinds.GONE, Kinds.UNREADABLE).anyMatch(kind -> is(job, kind, path));
    }

    /** True where the rows of a source that is there and cannot be read are to be taken out. */
    static boolean asUnreadable(Job job, String path) {
        return is(job, Kinds.UNREADABLE, path);
    }

    private static boolean is(Job job, String kind, String path) {
        return job.decision(kind, path)
                .filter(decision -> decision.answer().equals(SourceChoice.REMOVE))
                .isPresent();
    }
}
