package cuvee.tell;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Names;
import cuvee.layout.Layout;
import cuvee.lineup.LineUp;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What is asked at once: a single question, or all headers that were taken for one column.
 *
 * @param question the question as it is asked; where there are several parts, it is about all of them
 * @param parts the questions that it settles, each of which can be settled by itself too
 */
public record Card(Question question, List<Question> parts) {
    /** The answer that makes each header of a card a column of its own. */
    public static final String APART = "apart";

    private static final int MOST_FILES = 6;

    public Card {
        parts = List.copyOf(parts);
    }

    /** The open questions of an outcome, one card for each column whose headers are in doubt, the weightiest first. */
    public static List<Card> of(Outcome outcome) {
        Map<String, List<Question>> together = new LinkedHashMap<>();
        for (Question question : outcome.questions()) {
            boolean taken = question.kind().equals(LineUp.KIND) && !isOwn(question, question.assumed());
            // Questions in the same words are about several layouts or sources with the same answer.
            boolean scoped = question.kind().equals(Kinds.WRITTEN_AS);
            together.computeIfAbsent(
                            taken
                                    ? LineUp.KIND + question.assumed()
                                    : scoped ? Kinds.WRITTEN_AS + question.text() : question.id(),
                            any -> new ArrayList<>())
                    .add(question);
        }
        Stakes stakes = Stakes.of(outcome);
        record Weighed(Card card, Stakes.Stake stake) {}
        return together.values().stream()
                .map(parts -> together(outcome, parts))
                .map(card -> new Weighed(card, stakes.of(card.parts())))
                .sorted(Comparator.comparing(
                                (Weighed each) -> each.stake().amount().abs())
                        .thenComparing(each -> each.stake().rows())
                        .reversed())
                .map(Weighed::card)
                .toList();
    }

    private static boolean isOwn(Question question, String answer) {
        return LooseText.key(answer).equals(question.subject());
    }

    private static Card together(Outcome outcome, List<Question> parts) {
        Question first = parts.get(0);
        return parts.size() == 1
                ? new Card(first, parts)
                : first.kind().equals(LineUp.KIND) ? aboutAColumn(outcome, parts) : aboutSeveralScopes(parts);
    }

    private static Card aboutSeveralScopes(List<Question> parts) {
        Question first = parts.get(0);
        Question all = Question.of(
                first.kind(),
                Names.joinTexts(parts.stream().map(Question::subject).toList()),
                first.where(),
                first.text(),
                first.assumed(),
                first.answers(),
                parts.stream().mapToLong(Question::stake).sum());
        return new Card(all, parts);
    }

    private static Card aboutAColumn(Outcome outcome, List<Question> parts) {
        String column = parts.get(0).assumed();
        List<String> headers = parts.stream()
                .map(part -> Says.quoted(header(outcome, part.subject())) + in(outcome, part.subject()))
                .toList();
        boolean oneSource =
                parts.stream().map(part -> part.where().source()).distinct().count() == 1;
        Question all = Question.of(
                LineUp.KIND,
                Names.joinTexts(parts.stream().map(Question::subject).toList()),
                oneSource ? Where.source(parts.get(0).where().source()) : Where.JOB,
                "The headers " + Says.list(headers) + " are taken for the column " + Says.quoted(column)
                        + ", by their words, their place or their values. Are they all the same column?",
                column,
                List.of(
                        new Answer(column, "they are all the same as " + Says.quoted(column)),
                        new Answer(APART, "make each a column of its own")),
                parts.stream().mapToLong(Question::stake).sum());
        return new Card(all, parts);
    }

    private static String header(Outcome outcome, String key) {
        return outcome.proposal().layouts().stream()
                .filter(layout -> layout.keys().contains(key))
                .map(layout -> layout.headers().get(layout.keys().indexOf(key)))
                .findFirst()
                .orElse(key);
    }

    /** The files that have a header, in brackets. */
    private static String in(Outcome outcome, String key) {
        List<String> files = new ArrayList<>();
        for (Layout layout : outcome.proposal().layouts()) {
            if (layout.keys().contains(key)) {
                layout.tables().forEach(table -> {
                    if (!files.contains(table.source())) {
                        files.add(table.source());
                    }
                });
            }
        }
        return files.size() <= MOST_FILES
                ? " (" + String.join(", ", files) + ")"
                : " (" + String.join(", ", files.subList(0, MOST_FILES)) + " and "
                        + Says.count(files.size() - MOST_FILES, "more file") + ")";
    }

    /** The decisions that an answer to it comes to; {@code why} is kept as their reason. */
    public List<Decision> settled(String answer, String why) {
        return parts.stream()
                .map(part -> new Decision(
                        part.kind(),
                        part.subject(),
                        parts.size() > 1 && answer.equals(APART) ? own(part) : answer,
                        why,
                        part.text()))
                .toList();
    }

    private static String own(Question part) {
        return part.answers().stream()
                .map(Answer::id)
                .filter(answer -> isOwn(part, answer))
                .findFirst()
                .orElse(part.assumed());
    }
}
