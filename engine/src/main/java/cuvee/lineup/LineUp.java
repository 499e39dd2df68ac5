package cuvee.lineup;

import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Layout;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The line-up of a family of layouts.
 *
 * @param columns the master columns in order
 * @param columnOfHeader for each header's loose key the column that it feeds
 * @param questions headers that could belong to another column
 * @param decisions what was assumed now, to be kept in the job
 */
public record LineUp(
        List<Column> columns, Map<String, Integer> columnOfHeader, List<Question> questions, List<Decision> decisions) {
    /** The kind of the decisions and questions made here; their subject is a header's loose key. */
    public static final String KIND = "line-up";

    public LineUp {
        columns = List.copyOf(columns);
        columnOfHeader = Map.copyOf(columnOfHeader);
        questions = List.copyOf(questions);
        decisions = List.copyOf(decisions);
    }

    /**
     * A master column.
     *
     * @param layouts how many layouts have it
     */
    public record Column(String name, int layouts) {}

    /** Lines up: what the job has decided holds, the rest is decided from the headers and what stands below them. */
    public static LineUp of(List<Layout> layouts, Job job, HeaderBook book) {
        return of(layouts, job, book, Map.of());
    }

    /**
     * The same, with what stands in the columns.
     *
     * @param profiles of headers by their loose keys; with them all that words do not settle is settled for the batch as one
     */
    public static LineUp of(List<Layout> layouts, Job job, HeaderBook book, Map<String, Profile> profiles) {
        return new LiningUp(layouts, job, book, profiles).lineUp();
    }

    /** The same without some columns; the headers that feed them feed none. */
    public LineUp without(Set<String> names) {
        List<Column> left = columns.stream()
                .filter(column -> !names.contains(column.name()))
                .toList();
        Map<String, Integer> feeding = new HashMap<>();
        columnOfHeader.forEach((key, at) -> {
            int now = left.indexOf(columns.get(at));
            if (now >= 0) {
                feeding.put(key, now);
            }
        });
        return new LineUp(left, feeding, questions, decisions);
    }

    /** The column of a header, if it has one. */
    public Optional<Integer> columnOf(String headerKey) {
        return Optional.ofNullable(columnOfHeader.get(headerKey));
    }
}
