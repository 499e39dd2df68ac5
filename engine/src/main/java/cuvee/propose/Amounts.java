package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Which columns hold amounts of money, and of which currencies. Amounts of several are never one column unasked. */
final class Amounts {

    private static final String APART = "apart";
    private static final String AS_TEXT = "text";
    private final Job job;

    Amounts(Job job) {
        this.job = job;
    }

    /** A verdict about a column's type, by which numbers under a header that names a currency are amounts of money. */
    Typing.Verdict typed(Typing.Verdict verdict, DraftColumn column) {
        Set<String> named = ofHeaders(column);
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

    private static Set<String> ofHeaders(DraftColumn column) {
        Set<String> named = new LinkedHashSet<>();
        column.fed().forEach((table, fed) -> table.currency(fed).ifPresent(named::add));
        return named;
    }

    /** The currencies that headers and cells of a column name. */
    Set<String> currencies(DraftColumn column, Evidence held) {
        Set<String> currencies = ofHeaders(column);
        currencies.addAll(held.currencies().keySet());
        currencies.remove("");
        return currencies;
    }

    /**
     * True where amounts of several currencies are kept as amounts, with their currencies in a column beside them; false
     * where they stay text.
     */
    boolean keptApart(String name) {
        return !answer(name).equals(AS_TEXT);
    }

    private String answer(String name) {
        return job.decision(Kinds.CURRENCY, name).map(Decision::answer).orElse(APART);
    }

    /** How amounts of several currencies are kept is asked until it is settled. */
    Optional<Question> ask(String name, Evidence held, Set<String> currencies) {
        return job.isSettled(Kinds.CURRENCY, name)
                ? Optional.empty()
                : Optional.of(Question.of(
                        Kinds.CURRENCY,
                        name,
                        Where.JOB,
                        "The column " + Says.quoted(name) + " holds amounts of several currencies: "
                                + Says.list(List.copyOf(currencies)) + ". They cannot be added up. How are they kept?",
                        answer(name),
                        List.of(
                                new Answer(APART, "as amounts, with the currency of each in a column beside them"),
                                new Answer(AS_TEXT, "as text, each with its currency")),
                        held.filled()));
    }
}
