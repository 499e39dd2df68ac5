package cuvee.change;

import cuvee.check.OwnCheck;
import cuvee.decision.Choice;
import cuvee.decision.ColumnChoice;
import cuvee.decision.RowChoice;
import cuvee.rework.Asked;
import cuvee.rework.FormulaReader;
import cuvee.rework.Known;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;

/** Whether the words of a choice that is put in force can be followed: phrases, formulas, checks, summaries. */
final class ChoiceWords {
    private ChoiceWords() {}

    /** Why the words of a choice say nothing of the master's columns; empty where they do, or it has no words. */
    static String problem(Choice choice, Outcome outcome) {
        Known rows = Known.of(outcome.proposal().plan());
        Known shaped = Known.of(outcome.plan());
        if (choice instanceof RowChoice.ByPhrase rule && rule.on()) {
            return Asked.of(rule.phrase(), rows).problem();
        }
        if (choice instanceof ColumnChoice.Made made && made.on()) {
            return FormulaReader.read(made.formula(), rows).problem();
        }
        if (choice instanceof RowChoice.Checked check && check.on()) {
            return OwnCheck.read(check.said(), shaped).problem();
        }
        if (choice instanceof RowChoice.Summarised summary && summary.on()) {
            return SummaryWords.read(summary.said(), shaped).problem();
        }
        return "";
    }
}
