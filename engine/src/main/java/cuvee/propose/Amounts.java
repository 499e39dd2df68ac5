package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Which columns hold amounts of money, and of which currencies. Amounts of several are never one column unasked. */
final class Amounts {

    private static final String APART = "apart";
    private static final String AS_TEXT = "text";
    private final Job job;
    private final Map<PlacedTable, LaidColumn[]> feeds;

    Amounts(Job job, Map<PlacedTable, LaidColumn[]> feeds) {
        this.job = job;
        this.feeds = feeds;
    }

    /** A verdict about a column's type, by which numbers under a header that names a currency are amounts of money. */
    Typing.Verdict typed(Typing.Verdict verdict, int index) {
        Set<String> named = ofHeaders(index);
        boolean number = verdict.type() == Type.DECIMAL || verdict.type() == Type.WHOLE_NUMBER;
        return number && !named.isEmpty()
                ? new Typing.Verdict(
                        Type.MONEY,
                        "its header or its cells are marked with " + Says.list(List.copyOf(named)) + "; "
                                + verdict.reason(),
                        verdict.misfits(),
                        verdict.sure())
                : verdict;
    }

    private Set<String> ofHeaders(int index) {
        Set<String> named = new LinkedHashSet<>();
        feeds.forEach((table, fed) -> {
            if (fed[index] != null) {
                table.currency(fed[index]).ifPresent(named::add);
            }
        });
        return named;
    }

    /** The currencies that headers and cells of a column name. */
    Set<String> currencies(int index, Evidence held) {
        Set<String> currencies = ofHeaders(index);
        currencies.addAll(held.currencies().keySet());
        currencies.remove("");
        return currencies;
    }

    /**
     * True where amounts of several currencies are kept as amounts, with their currencies in a column beside them; false
     * where they stay text. It is asked until it is settled.
     */
    boolean keptApart(String name, Evidence held, Set<String> currencies, List<Question> questions) {
        String answer = job.decision(Kinds.CURRENCY, name).map(Decision::answer).orElse(APART);
        if (!job.isSettled(Kinds.CURRENCY, name)) {
            questions.add(Question.of(
                    Kinds.CURRENCY,
                    name,
                    Where.JOB,
                    "The column " + Says.quoted(name) + " holds amounts of several currencies: "
                            + Says.list(List.copyOf(currencies)) + ". They cannot be added up. How are they kept?",
                    answer,
                    List.of(
                            new Answer(APART, "as amounts, with the currency of each in a column beside them"),
                            new Answer(AS_TEXT, "as text, each with its currency")),
                    held.filled()));
        }
        return !answer.equals(AS_TEXT);
    }
}
