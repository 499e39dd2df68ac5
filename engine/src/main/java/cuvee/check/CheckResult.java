package cuvee.check;

import cuvee.place.Where;
import java.util.List;

/**
 * What a check of the analyst's own came to.
 *
 * @param words the check, as the job keeps it
 * @param fails how many rows, or lines of a summary, do not meet it
 * @param first the places of the first of them
 * @param details what is said of the first of them, such as a figure here and there
 * @param problem why it could not be made; empty where it was
 */
public record CheckResult(String words, long fails, List<Where> first, List<String> details, String problem) {
    public CheckResult {
        first = List.copyOf(first);
        details = List.copyOf(details);
    }

    public boolean passes() {
        return fails == 0 && problem.isEmpty();
    }
}
