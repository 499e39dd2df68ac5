package cuvee.tell;

import cuvee.finding.Finding;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Findings that say the same of several places, whatever the numbers in them: people read one sentence and its places.
 *
 * @param findings one at least, in the order in which they were found
 */
public record LikeFindings(List<Finding> findings) {
    private static final Pattern NUMBER = Pattern.compile("\\d[\\d.,]*");
    private static final int PLACES_SAID = 3;

    public LikeFindings {
        findings = List.copyOf(findings);
    }

    /** Findings brought together, in the order of the first of each. */
    public static List<LikeFindings> of(List<Finding> findings) {
        Map<List<String>, List<Finding>> like = new LinkedHashMap<>();
        for (Finding finding : findings) {
            List<String> same =
                    List.of(finding.severity().word(), finding.kind(), shape(finding.what()), shape(finding.done()));
            like.computeIfAbsent(same, none -> new ArrayList<>()).add(finding);
        }
        return like.values().stream().map(LikeFindings::new).toList();
    }

    private static String shape(String text) {
        return NUMBER.matcher(text).replaceAll("0");
    }

    public Finding first() {
        return findings.get(0);
    }

    /** The places of those that have one, each once. */
    public List<Where> places() {
        return findings.stream()
                .map(Finding::where)
                .filter(where -> !where.source().isEmpty())
                .distinct()
                .toList();
    }

    /** The first in words, and where it is so too. */
    public String text() {
        if (findings.size() == 1) {
            return first().text();
        }
        List<String> others = findings.subList(1, findings.size()).stream()
                .map(finding -> finding.where().toString())
                .toList();
        String more = others.size() > PLACES_SAID ? "; and " + Says.number(others.size() - PLACES_SAID) + " more" : "";
        return first().text() + " Likewise in " + Says.count(others.size(), "more place") + ": "
                + String.join("; ", others.subList(0, Math.min(PLACES_SAID, others.size()))) + more + ".";
    }
}
