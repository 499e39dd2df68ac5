package cuvee.model;

import cuvee.place.Says;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import cuvee.tell.Verdict;

/** The account of a master in a few sentences, to be handed over with it. */
public final class About {
    private About() {}

    public static String words(Outcome outcome) {
        long files = outcome.taken();
        long aside = outcome.sources().size() - files;
        long lines = outcome.seen() - outcome.kept();
        long rules = outcome.sentences().stream().filter(Sentence::on).count();
        StringBuilder words = new StringBuilder();
        words.append(Says.count(outcome.rows(), "row"))
                .append(" from ")
                .append(Says.count(files, "file"))
                .append(" in ")
                .append(Says.count(outcome.proposal().layouts().size(), "layout"))
                .append(". ");
        if (aside > 0) {
            words.append(Says.count(aside, "file"))
                    .append(aside == 1 ? " is" : " are")
                    .append(" set aside, each with its reason. ");
        }
        words.append("Every line is accounted for: ")
                .append(Says.number(outcome.seen()))
                .append(" seen, ")
                .append(Says.number(outcome.kept()))
                .append(" kept, ")
                .append(Says.number(lines))
                .append(" set aside. ");
        Weighing.of(outcome)
                .ifPresent(weighing -> words.append(weighing.column())
                        .append(" comes to ")
                        .append(weighing.sum())
                        .append(weighing.currency().isEmpty() ? "" : " " + weighing.currency())
                        .append(". "));
        words.append(Says.count(rules, "rule"))
                .append(rules == 1 ? " is" : " are")
                .append(" in force. ");
        words.append(Verdict.of(outcome).sentence());
        return words.toString();
    }
}
