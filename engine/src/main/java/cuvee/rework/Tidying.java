package cuvee.rework;

import cuvee.job.Job;
import cuvee.master.MasterPlan.Spelling;
import java.util.Optional;

/** Rules about how all texts of a column are spelled: their spaces and capitals. */
public final class Tidying {
    /** Decisions about the spelling of a column; the subject is the column. */
    public static final String KIND = "spelling";

    private Tidying() {}

    /** How a column's texts are spelled; as written where nothing is said. */
    public static Spelling of(Job job, String column) {
        return job.decision(KIND, column)
                .flatMap(decision -> read(decision.answer()))
                .orElse(Spelling.AS_WRITTEN);
    }

    private static Optional<Spelling> read(String words) {
        for (Spelling spelling : Spelling.values()) {
            if (spelling.words().equals(words)) {
                return Optional.of(spelling);
            }
        }
        return Optional.empty();
    }
}
