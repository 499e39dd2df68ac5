package cuvee.tell;

import cuvee.finding.Finding;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Findings that say the same of several places, but for the row of each: people read one sentence, which is true of all
 * its places. Those with other figures, and those of no place, stand by themselves.
 *
 * @param findings one at least, in the order in which they were found
 */
public record LikeFindings(List<Finding> findings) {
    private static final int PLACES_SAID = 3;

    public LikeFindings {
        findings = List.copyOf(findings);
    }

    /** Findings brought together, in the order of the first of each. */
    public static List<LikeFindings> of(List<Finding> findings) {
        Map<List<String>, List<Finding>> like = new LinkedHashMap<>();
        for (Finding finding : findings) {
            List<String> same = List.of(
                    finding.severity().word(),
                    finding.kind(),
                    withoutRow(finding.what(), finding.where()),
                    finding.done());
            like.computeIfAbsent(same, none -> new ArrayList<>()).add(finding);
        }
        return like.values().stream().map(LikeFindings::new).toList();
    }

    private static String withoutRow(String text, Where where) {
        return where.row() == 0
                ? text
                : text.replaceAll("\\brow " + where.row() + "\\b|\\bRow " + where.row() + "\\b", "row");
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
