package cuvee.change;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.place.Where;

/** What is not done, since it would not do what it says. */
final class Refusal {
    private Refusal() {}

    static CuveeException of(String what, String whatCanBeDone) {
        return new CuveeException(
                new Finding(Severity.FAILURE, "no-decision", Where.JOB, what, "Nothing was changed.", whatCanBeDone));
    }
}
