package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Evidence;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Asks about columns whose numbers are all below 0 in some files and never in the others: added up they would cancel out. */
public final class Signs {

    /** The signs stay. */
    public static final String AS_THEY_ARE = ColumnChoice.Sign.AS_THEY_ARE.words();
    /** Numbers below nought are turned, where a source writes what others write above it. */
    public static final String TURN_BELOW = ColumnChoice.Sign.TURN_BELOW.words();

    static final String TURN_ABOVE = ColumnChoice.Sign.TURN_ABOVE.words();
    private static final int NUMBERS_THAT_TELL = 3;

    private Signs() {}

    /** The question about a column of numbers. */
    static Optional<Question> ask(Job job, DraftColumn of) {
        String column = of.name();
        Map<String, Evidence> bySource = new LinkedHashMap<>();
        of.fed()
                .forEach((table, fed) -> bySource.computeIfAbsent(table.source(), source -> new Evidence())
                        .add(fed.evidence()));
        List<String> below = new ArrayList<>();
        List<String> above = new ArrayList<>();
        for (Map.Entry<String, Evidence> source : bySource.entrySet()) {
            Evidence held = source.getValue();
            if (held.filled() < NUMBERS_THAT_TELL) {
                continue;
            }
            if (held.belowZero() > 0 && held.belowZero() < held.filled()) {
                return Optional.empty();
            }
            (held.belowZero() == 0 ? above : below).add(source.getKey());
        }
        if (below.isEmpty() || above.isEmpty() || job.isSettled(Kinds.SIGN, column)) {
            return Optional.empty();
        }
        boolean fewBelow = below.size() <= above.size();
        List<String> few = fewBelow ? below : above;
        return Optional.of(Question.of(
                Kinds.SIGN,
                column,
                Where.source(few.get(0)),
                "All numbers of " + Says.quoted(column) + " are below 0 in " + Says.count(below.size(), "file") + " ("
                        + Says.list(below.stream().limit(3).toList()) + "), and none is in the other "
                        + Says.count(above.size(), "file") + ". Added up they cancel out. Are they meant so?",
                AS_THEY_ARE,
                List.of(
                        new Answer(AS_THEY_ARE, "yes, they are as they should be"),
                        new Answer(TURN_BELOW, "no, turn the signs where all are below 0"),
                        new Answer(TURN_ABOVE, "no, turn the signs where all are above 0")),
                bySource.values().stream().mapToLong(Evidence::filled).sum()));
    }

    /** True where the numbers of a table's column are read with the other sign. */
    static boolean turned(Job job, String column, LaidColumn fed) {
        String answer = job.decision(Kinds.SIGN, column).map(Decision::answer).orElse(AS_THEY_ARE);
        long filled = fed.evidence().filled();
        long below = fed.evidence().belowZero();
        return answer.equals(TURN_BELOW) && filled > 0 && below == filled || answer.equals(TURN_ABOVE) && below == 0;
    }
}
