package cuvee.model;

import cuvee.rework.Completing;
import cuvee.rework.FormulaReader;
import cuvee.rework.Known;
import cuvee.rework.MadeColumns;
import cuvee.rework.Phrase;
import cuvee.rework.RowRules;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import java.util.List;
import java.util.Optional;

/** Helps to write the words of a rule where they stand: what is wrong with them, and what may come next. */
public final class RuleWords implements Wording {
    private static final int MOST_OFFERED = 8;
    private final String kind;
    private final Known known;

    /** Helps with the words of one sentence. */
    public RuleWords(Outcome outcome, Sentence sentence) {
        this.kind = sentence.kind();
        this.known = Known.of(outcome.proposal().plan());
    }

    /** Helps with the words of a rule of a kind that is only being written. */
    public RuleWords(Outcome outcome, String kind) {
        this.kind = kind;
        this.known = Known.of(outcome.proposal().plan());
    }

    /** True for sentences whose changeable words are more than names. */
    public static boolean has(Sentence sentence) {
        return sentence.kind().equals(MadeColumns.KIND) || sentence.kind().equals(RowRules.ROWS);
    }

    @Override
    public String problem(String words) {
        if (kind.equals(MadeColumns.KIND)) {
            FormulaReader.Read read = FormulaReader.read(words, known);
            if (read.problem().isEmpty()) {
                return "";
            }
            String there = words.substring(Math.min(read.at(), words.length()));
            return (there.isBlank() ? "At the end: " : "At “" + shortened(there) + "”: ") + read.problem() + ".";
        }
        Optional<Phrase> phrase = Phrase.read(words, known.names());
        return phrase.isPresent()
                ? phrase.get().clauses().stream()
                        .filter(clause -> known.condition(clause).isEmpty())
                        .findFirst()
                        .map(clause -> known.problem(clause) + ".")
                        .orElse("")
                : "It names no column, or nothing that can be asked of one: a column, then “is”, “over”, “contains”, “is blank”.";
    }

    private static String shortened(String text) {
        return text.length() <= 24 ? text : text.substring(0, 24) + "…";
    }

    @Override
    public List<String> completions(String words, int place) {
        List<String> vocabulary = kind.equals(MadeColumns.KIND) ? FormulaReader.vocabulary(known) : known.vocabulary();
        List<String> found = Completing.of(words, place, vocabulary);
        return found.subList(0, Math.min(MOST_OFFERED, found.size()));
    }
}
