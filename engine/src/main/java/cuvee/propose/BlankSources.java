package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Sources that leave a column blank in all their rows while nearly all rows of the others fill it, which is asked about. */
final class BlankSources {

    private static final String AS_IT_IS = "so";
    private static final String WAITING = "waiting";
    private static final int ROWS_THAT_TELL = 3;
    private static final int SOURCES_THAT_TELL = 3;
    private static final double NEARLY_ALL = 0.95;

    private BlankSources() {}

    /** How many rows a source has, and how many of them fill a column. */
    private record Filling(long rows, long filled) {
        Filling and(Filling other) {
            return new Filling(rows + other.rows, filled + other.filled);
        }

        boolean blank() {
            return filled == 0 && rows >= ROWS_THAT_TELL;
        }
    }

    /** A question for each source that leaves a column blank. */
    static List<Question> ask(Job job, DraftColumn of) {
        String column = of.name();
        Map<String, Filling> bySource = new LinkedHashMap<>();
        of.fed().forEach((table, fed) -> {
            long rows = (long) table.table().kept() * Math.max(1, table.turned());
            Filling filling = new Filling(rows, fed.evidence().filled());
            bySource.merge(table.source(), filling, Filling::and);
        });
        List<Map.Entry<String, Filling>> blank = bySource.entrySet().stream()
                .filter(entry -> entry.getValue().blank())
                .toList();
        boolean othersFill = bySource.values().stream()
                .allMatch(filling -> filling.blank() || filling.filled() >= filling.rows() * NEARLY_ALL);
        int others = bySource.size() - blank.size();
        if (blank.isEmpty() || !othersFill || others < Math.max(SOURCES_THAT_TELL, blank.size() * 2)) {
            return List.of();
        }
        List<Question> questions = new ArrayList<>();
        for (Map.Entry<String, Filling> each : blank) {
            String subject = ColumnChoice.Scoped.words(column, each.getKey());
            boolean settled = job.decision(Kinds.BLANK_SOURCE, subject)
                    .map(Decision::answer)
                    .filter(AS_IT_IS::equals)
                    .isPresent();
            if (!settled) {
                questions.add(
                        question(column, each.getKey(), subject, each.getValue().rows()));
            }
        }
        return questions;
    }

    private static Question question(String column, String source, String subject, long rows) {
        return Question.of(
                Kinds.BLANK_SOURCE,
                subject,
                Where.source(source),
                "The column " + Says.quoted(column) + " is blank in all " + Says.count(rows, "row") + " of " + source
                        + ", while the other files fill it. Is that so?",
                AS_IT_IS,
                List.of(
                        new Answer(AS_IT_IS, "yes, it is blank there; do not ask again"),
                        new Answer(WAITING, "no, the sender has to fill it; keep asking")),
                rows);
    }
}
