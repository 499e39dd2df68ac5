package cuvee.tell;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.detect.TotalWords;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.HeaderWords;
import cuvee.propose.Proposal;
import cuvee.value.Type;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * The column by which a master is weighed, so that it can be said how much is at stake: the one that the analyst names,
 * else the amounts of money that fill the most rows; of several that do, those that add others up, and prices last.
 */
public final class WeighingColumn {
    private WeighingColumn() {}

    /** Its place among the columns of a master; empty where nothing is named and no column holds money. */
    public static OptionalInt at(Job job, List<Proposal.ColumnReport> columns) {
        OptionalInt named =
                job.decision(Kinds.WEIGHED_BY, ColumnChoice.WeighedBy.SUBJECT).map(Decision::answer).stream()
                        .flatMapToInt(name -> IntStream.range(0, columns.size())
                                .filter(at -> columns.get(at).name().equals(name)
                                        && columns.get(at).type().isNumber()))
                        .findFirst();
        if (named.isPresent()) {
            return named;
        }
        return IntStream.range(0, columns.size())
                .filter(at -> columns.get(at).type() == Type.MONEY)
                .boxed()
                .min(Comparator.comparing((Integer at) ->
                                HeaderWords.isRate(columns.get(at).name()))
                        .thenComparing(at -> -columns.get(at).filled())
                        .thenComparing(at -> !isTotal(columns.get(at).name())))
                .map(OptionalInt::of)
                .orElseGet(OptionalInt::empty);
    }

    private static boolean isTotal(String name) {
        return TotalWords.of(name) != TotalWords.Sureness.NO;
    }
}
