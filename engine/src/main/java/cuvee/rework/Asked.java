package cuvee.rework;

import cuvee.master.RowRule;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What words ask of the rows of a master.
 *
 * @param conditions what has to hold of a row, all of it; none where the words are not understood
 * @param problem why they are not; empty where they are
 */
public record Asked(List<RowRule.Condition> conditions, String problem) {
    public Asked {
        conditions = List.copyOf(conditions);
    }

    /** Reads words such as {@code Port is Hollin or Tarsk, Passengers over 350}. */
    public static Asked of(String words, Known known) {
        Optional<Phrase> phrase = Phrase.read(words, known.names());
        if (phrase.isEmpty()) {
            return new Asked(List.of(), "its words name no column of the master, or nothing that can be asked of one");
        }
        List<RowRule.Condition> conditions = new ArrayList<>();
        for (Phrase.Clause clause : phrase.get().clauses()) {
            Optional<RowRule.Condition> condition = known.condition(clause);
            if (condition.isEmpty()) {
                return new Asked(List.of(), known.problem(clause));
            }
            conditions.add(condition.get());
        }
        return new Asked(conditions, "");
    }

    public boolean understood() {
        return problem.isEmpty();
    }
}
