package cuvee.refresh;

import cuvee.collect.Source;
import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.gather.SourceFacts;
import cuvee.job.Job;
import cuvee.propose.Proposal;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Columns that a decision has emptied. They were fed at the last refresh, nothing feeds them now, and the files are the same:
 * a sheet is read otherwise, or a table is no longer taken. Columns that Cuvee itself had made of them go then; those that
 * are empty because a file is gone, or came otherwise, stay for the next month, and so do those that anything of the
 * analyst's goes by.
 */
final class Abandoned {
    private Abandoned() {}

    /**
     * The job without such columns; empty where there are none.
     *
     * @param listed what lies in the job's places now
     */
    static Optional<Job> without(
            Job job,
            Proposal proposed,
            Optional<LastRefresh> last,
            Map<String, SourceFacts> facts,
            List<Source> listed) {
        Set<String> leftOut = listed.stream()
                .filter(source -> !source.taken())
                .map(Source::path)
                .collect(Collectors.toSet());
        if (last.isEmpty() || last.get().fed().isEmpty() || !areThere(last.get(), facts, leftOut)) {
            return Optional.empty();
        }
        Set<String> fedNow = LastRefresh.fedBy(proposed.plan());
        List<String> left = job.columns().stream()
                .filter(name -> fedNow.contains(name) || !last.get().fed().contains(name) || isUsed(job, name))
                .toList();
        return left.size() == job.columns().size() ? Optional.empty() : Optional.of(job.withColumns(left));
    }

    /** True where every file of the last refresh holds what it held, or is left out. */
    private static boolean areThere(LastRefresh last, Map<String, SourceFacts> facts, Set<String> leftOut) {
        return last.files().entrySet().stream().allMatch(each -> {
            SourceFacts now = facts.get(each.getKey());
            return leftOut.contains(each.getKey())
                    || now != null && !now.sum().isEmpty() && now.sum().equals(last.sumOf(each.getKey()));
        });
    }

    /** True where the analyst has named the column, or something of his goes by it. */
    private static boolean isUsed(Job job, String column) {
        Set<String> names = new HashSet<>(job.columns());
        Choice.Renaming renaming = new Choice.Renaming(names, Set.of(), column, column + "\u0000");
        boolean decided = job.settled().stream().anyMatch(decision -> {
            Choice choice = Choices.of(decision, names);
            return !choice.renamed(renaming).words().equals(choice.words());
        });
        return decided
                || job.deliveries().stream()
                        .anyMatch(delivery ->
                                !delivery.renamed(column, column + "\u0000").equals(delivery));
    }
}
