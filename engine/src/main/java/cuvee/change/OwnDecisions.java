package cuvee.change;

import cuvee.decision.Choices;
import cuvee.job.Decision;
import cuvee.job.Job;
import java.util.List;

/** What the analyst says of one source alone, so that it can be seen where one looks for it. */
public final class OwnDecisions {
    private OwnDecisions() {}

    /** The decisions about a source, those that take it or leave it out not among them. */
    public static List<Decision> of(Job job, String source) {
        return job.settled().stream()
                .filter(decision -> Choices.of(decision, job.columns()).isAbout(source))
                .toList();
    }
}
