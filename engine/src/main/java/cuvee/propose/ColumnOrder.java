package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.rework.MadeColumns;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Puts the columns that rules make behind the others, and columns of tags and made ones where the analyst moved them: behind
 * the column that they stand behind in the job.
 */
final class ColumnOrder implements Draft.Step {
    private final Job job;

    ColumnOrder(Job job) {
        this.job = job;
    }

    @Override
    public Draft on(Draft draft) {
        List<DraftColumn> columns = new ArrayList<>(draft.columns());
        for (String name : MadeColumns.names(job)) {
            if (columns.stream().noneMatch(column -> column.isCalled(name))) {
                columns.add(new DraftColumn(name, 0, Map.of()));
            }
        }
        List<String> names = columns.stream().map(DraftColumn::name).toList();
        List<String> moved =
                moved(draft.layouts()).stream().filter(names::contains).toList();
        if (moved.isEmpty()) {
            return draft.withColumns(columns);
        }
        Map<String, DraftColumn> byName = columns.stream()
                .collect(Collectors.toMap(DraftColumn::name, Function.identity(), (first, second) -> first));
        return draft.withColumns(placed(moved, names).stream().map(byName::get).toList());
    }

    /** Columns of tags, and made ones, that the analyst put among the job's columns, and that no header feeds. */
    List<String> moved(List<Layout> layouts) {
        Set<String> fed = new HashSet<>();
        layouts.forEach(layout -> fed.addAll(layout.keys()));
        job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.LINE_UP))
                .forEach(decision -> fed.add(LooseText.key(decision.answer())));
        Set<String> guests = new HashSet<>(TagColumns.names(job));
        guests.addAll(MadeColumns.names(job));
        return job.columns().stream()
                .filter(name -> guests.contains(name) && !fed.contains(LooseText.key(name)))
                .toList();
    }

    /** Names with the moved ones behind the column that they stand behind in the job. */
    List<String> placed(List<String> moved, List<String> names) {
        List<String> placed = new ArrayList<>(names);
        placed.removeAll(moved);
        for (String each : moved) {
            int at = 0;
            for (String before : job.columns().subList(0, job.columns().indexOf(each))) {
                at = placed.contains(before) ? placed.indexOf(before) + 1 : at;
            }
            placed.add(at, each);
        }
        return placed;
    }
}
