package cuvee.lineup;

import cuvee.finding.Question;
import cuvee.job.Decision;
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
    /** Of more different headers only those are compared that have words with the same beginning. */
    public static final int MOST_COMPARED = 1200;

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
