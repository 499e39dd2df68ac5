package cuvee.propose;

import cuvee.collect.Source;
import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.tag.Home;
import cuvee.tag.NameParts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Exact copies whose names speak of something else than the name of the file that is taken: sent by mistake, or rows of
 * their own that happen to be the same. They are left out, and asked about.
 */
public final class CopyQuestions {
    private CopyQuestions() {}

    /** The questions about exact copies whose names speak of something else. */
    public static List<Question> of(Job job, List<Source> sources) {
        Map<String, Integer> own = new HashMap<>();
        List<String> names = new ArrayList<>();
        for (Source source : sources) {
            if (source.taken() || !source.twin().isEmpty()) {
                names.add(Home.fileName(source.path()));
            }
            if (source.taken()) {
                own.merge(folder(source.path()), 1, Integer::sum);
            }
        }
        NameParts parts = NameParts.of(names);
        List<Question> questions = new ArrayList<>();
        for (Source source : sources) {
            String twin = source.twin();
            if (source.taken() || twin.isEmpty() || job.isSettled(Kinds.FILE, source.path())) {
                continue;
            }
            boolean otherName = !parts.same(Home.fileName(source.path()), Home.fileName(twin));
            // A folder of nothing but copies is somebody's safe copy of the other.
            boolean otherFolder = !folder(source.path()).equals(folder(twin)) && own.containsKey(folder(source.path()));
            if (otherName || otherFolder) {
                questions.add(question(job, source));
            }
        }
        return questions;
    }

    private static String folder(String path) {
        return path.substring(0, path.lastIndexOf('/') + 1);
    }

    private static Question question(Job job, Source source) {
        return Question.of(
                Kinds.FILE,
                source.path(),
                Where.source(source.path()),
                "It is an exact copy of " + source.twin() + ", but its name speaks of something else. "
                        + Says.quoted(source.path()) + " is left out meanwhile. Are its rows its own?",
                job.decision(Kinds.FILE, source.path()).map(Decision::answer).orElse(TableChoice.ASIDE),
                List.of(
                        new Answer(TableChoice.ASIDE, "no, it was sent or copied by mistake; leave it out"),
                        new Answer(TableChoice.TAKE, "yes, take its rows in as well")),
                1);
    }
}
