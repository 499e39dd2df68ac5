package cuvee.propose;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.job.Decision;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * What a step of the proposal has to say.
 *
 * @param questions what it asks
 * @param findings what it found
 * @param decisions what it assumes from now on
 */
record Said(List<Question> questions, List<Finding> findings, List<Decision> decisions) {
    static final Said NOTHING = new Said(List.of(), List.of(), List.of());

    Said {
        questions = List.copyOf(questions);
        findings = List.copyOf(findings);
        decisions = List.copyOf(decisions);
    }

    static Said of(List<Question> questions, List<Finding> findings) {
        return new Said(questions, findings, List.of());
    }

    static Said found(List<Finding> findings) {
        return new Said(List.of(), findings, List.of());
    }

    static Said asked(List<Question> questions) {
        return new Said(questions, List.of(), List.of());
    }

    /** Both, this first; of two decisions about the same the later one holds. */
    Said and(Said later) {
        Set<String> again = later.decisions.stream().map(Decision::id).collect(Collectors.toSet());
        List<Decision> decided = new ArrayList<>(decisions);
        decided.removeIf(decision -> !again.isEmpty() && again.contains(decision.id()));
        decided.addAll(later.decisions);
        return new Said(joined(questions, later.questions), joined(findings, later.findings), decided);
    }

    /** Without some of what it asks. */
    Said unasking(Predicate<Question> idle) {
        return new Said(questions.stream().filter(idle.negate()).toList(), findings, decisions);
    }

    /** All, in their order. */
    static Said all(List<Said> said) {
        Said all = NOTHING;
        for (Said each : said) {
            all = all.and(each);
        }
        return all;
    }

    private static <T> List<T> joined(List<T> first, List<T> second) {
        List<T> joined = new ArrayList<>(first);
        joined.addAll(second);
        return joined;
    }
}
