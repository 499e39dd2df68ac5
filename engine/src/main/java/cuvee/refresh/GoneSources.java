package cuvee.refresh;

import cuvee.collect.Source;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.earlier.SentAgain;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.gather.OwnMasters;
import cuvee.gather.SourceFacts;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Place;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.SheetFiles;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Sources that were there at the last refresh and are gone, or can no longer be read. Their rows are kept until the
 * analyst says otherwise; where that promise cannot be kept, it is a failure.
 */
final class GoneSources {

    /** The kind of what is said of sources whose rows are missing. */
    static final String LOST = "rows-lost";

    private final Job job;
    private final List<Question> questions;
    private final List<Finding> findings;

    GoneSources(Job job, List<Question> questions, List<Finding> findings) {
        this.job = job;
        this.questions = questions;
        this.findings = findings;
    }

    /** Sources whose rows are still known though their files are no more: kept until the analyst says otherwise. */
    Map<String, SourceFacts> gone(
            Map<String, SourceFacts> known, Map<String, SourceFacts> facts, List<Source> sources) {
        Map<String, SourceFacts> kept = new TreeMap<>();
        Set<String> listed = new HashSet<>();
        sources.forEach(source -> listed.add(source.path()));
        for (SourceFacts before : known.values()) {
            if (listed.contains(before.path())
                    || !before.hasTables()
                    || !inAPlace(before)
                    || SentAgain.isAside(job, before.path())
                    || renamed(before.sum(), known.keySet(), facts.values())) {
                continue;
            }
            String answer = answer(Kinds.GONE, before.path());
            if (answer.equals(SourceChoice.KEEP)) {
                kept.put(before.path(), before);
            }
            ask(
                    Kinds.GONE,
                    before.path(),
                    "The file is no longer there; its " + rows(before.rows()) + " kept from the last time it was read."
                            + " Keep?",
                    before.rows());
        }
        return kept;
    }

    /** Asks about sources that are there and cannot be read, and whose rows of the last time stand for them. */
    void unreadable(Collection<SourceFacts> facts) {
        for (SourceFacts found : facts) {
            if (found.isKept() && !found.isHeldClosed()) {
                ask(
                        Kinds.UNREADABLE,
                        found.path(),
                        found.problem().get(0).what() + " Its " + rows(found.rows())
                                + " kept from the last time it could be read. Keep?",
                        found.rows());
            }
        }
    }

    /**
     * Sources that had rows in the last master, and whose rows are nowhere now: neither can their files be read, nor were
     * they kept. The job's history tells.
     */
    void lost(
            Optional<LastRefresh> last,
            Map<String, SourceFacts> facts,
            Map<String, SourceFacts> gone,
            List<Source> sources) {
        if (last.isEmpty()) {
            return;
        }
        Set<String> listed = new HashSet<>();
        sources.forEach(source -> listed.add(source.path()));
        for (String path : last.get().sources()) {
            SourceFacts found = facts.get(path);
            boolean unreadable = found != null
                    && !found.readable()
                    && !found.hasTables()
                    && !isOwn(found)
                    && !isReadOtherwise(found, last.get().sumOf(path));
            boolean missing = found == null && !listed.contains(path) && !gone.containsKey(path);
            String kind = unreadable ? Kinds.UNREADABLE : Kinds.GONE;
            if ((!unreadable && !missing)
                    || !last.get().homeIsIn(path, job)
                    || SentAgain.isAside(job, path)
                    || answer(kind, path).equals(SourceChoice.REMOVE)
                    || renamed(last.get().sumOf(path), last.get().sources(), facts.values())) {
                continue;
            }
            findings.add(new Finding(
                    Severity.FAILURE,
                    LOST,
                    Where.source(path),
                    "Its rows are in the last master and cannot be found now: the file "
                            + (missing ? "is no longer there" : "cannot be read")
                            + ", and the cache that held what was read of it is gone too.",
                    "The master is incomplete; nothing is delivered.",
                    "Bring the file back, or say that its rows are to be taken out."));
            ask(
                    kind,
                    path,
                    "The rows of this file were in the last master and cannot be kept, as nothing that was read of it is"
                            + " left. Wait for the file?",
                    1);
        }
    }

    /** True for a text file that holds what it held, and that is torn only in the way in which it is to be read now. */
    private static boolean isReadOtherwise(SourceFacts found, String sumBefore) {
        return found.sum().equals(sumBefore)
                && found.problem().stream().anyMatch(problem -> problem.kind().equals(SheetFiles.TORN_QUOTES));
    }

    private static boolean isOwn(SourceFacts found) {
        return found.problem().stream().anyMatch(problem -> problem.kind().equals(OwnMasters.KIND));
    }

    private String answer(String kind, String path) {
        return job.decision(kind, path).map(Decision::answer).orElse(SourceChoice.KEEP);
    }

    private void ask(String kind, String path, String text, long rows) {
        if (!job.isSettled(kind, path)) {
            questions.add(Question.of(
                    kind,
                    path,
                    Where.source(path),
                    text,
                    answer(kind, path),
                    List.of(
                            new Answer(SourceChoice.KEEP, "keep its rows, the master stays incomplete"),
                            new Answer(SourceChoice.REMOVE, "take its rows out")),
                    rows));
        }
    }

    private static String rows(long rows) {
        return Says.count(rows, "row") + (rows == 1 ? " is" : " are");
    }

    /** False for files of a place that the analyst has taken out of the job. */
    private boolean inAPlace(SourceFacts before) {
        return before.home().isEmpty() || job.places().stream().map(Place::path).anyMatch(before.home()::equals);
    }

    /** True where a source that is new holds just the same. */
    private static boolean renamed(String sum, Set<String> known, Iterable<SourceFacts> now) {
        for (SourceFacts facts : now) {
            if (!sum.isEmpty() && !known.contains(facts.path()) && facts.sum().equals(sum)) {
                return true;
            }
        }
        return false;
    }
}
