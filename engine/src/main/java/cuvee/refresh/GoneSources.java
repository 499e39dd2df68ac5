package cuvee.refresh;

import cuvee.collect.Source;
import cuvee.detect.FoundTable;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Files that were there at the last refresh and are no more. */
final class GoneSources {
    private static final String GONE = "gone";
    private static final String KEEP = "keep";
    private static final String REMOVE = "remove";

    private GoneSources() {}

    /** Sources whose rows are still there though they are not: kept until the analyst says otherwise. */
    static Map<String, SourceFacts> of(
            Job job,
            Map<String, SourceFacts> known,
            Map<String, SourceFacts> facts,
            List<Source> sources,
            List<Question> questions) {
        Map<String, SourceFacts> kept = new TreeMap<>();
        Set<String> listed = new HashSet<>();
        sources.forEach(source -> listed.add(source.path()));
        for (SourceFacts before : known.values()) {
            boolean hadRows =
                    before.sheets().stream().anyMatch(sheet -> !sheet.tables().isEmpty());
            if (listed.contains(before.path())
                    || !hadRows
                    || SentAgain.isAside(job, before.path())
                    || renamed(before, known, facts.values())) {
                continue;
            }
            String answer =
                    job.decision(GONE, before.path()).map(Decision::answer).orElse(KEEP);
            if (answer.equals(KEEP)) {
                kept.put(before.path(), before);
            }
            if (!job.isSettled(GONE, before.path())) {
                long rows = before.sheets().stream()
                        .flatMap(sheet -> sheet.tables().stream())
                        .mapToLong(FoundTable::kept)
                        .sum();
                questions.add(Question.of(
                        GONE,
                        before.path(),
                        Where.source(before.path()),
                        "The file is no longer there; its " + Says.count(rows, "row") + (rows == 1 ? " is" : " are")
                                + " kept from the last time it was read. Keep?",
                        KEEP,
                        List.of(
                                new Answer(KEEP, "keep its rows, the master stays incomplete"),
                                new Answer(REMOVE, "take its rows out")),
                        rows));
            }
        }
        return kept;
    }

    /** True where a source that is new holds just the same. */
    private static boolean renamed(SourceFacts before, Map<String, SourceFacts> known, Iterable<SourceFacts> now) {
        for (SourceFacts facts : now) {
            if (!known.containsKey(facts.path())
                    && facts.size() == before.size()
                    && FactsJson.content(facts).equals(FactsJson.content(before))) {
                return true;
            }
        }
        return false;
    }
}
