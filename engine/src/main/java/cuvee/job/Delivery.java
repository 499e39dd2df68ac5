package cuvee.job;

import cuvee.finding.Question;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Where the master is written.
 *
 * @param target a file whose ending says the form; relative to the job file where possible
 * @param prepared the workbook of which a copy is filled by key; empty where the master is written as a table
 * @param accepted ids of questions that the analyst has accepted by name: open as they are, they do not hold this delivery
 */
public record Delivery(String name, String target, Optional<Prepared> prepared, List<String> accepted) {
    public Delivery {
        accepted = List.copyOf(accepted);
    }

    /** A delivery of the master as a table. */
    public Delivery(String name, String target) {
        this(name, target, Optional.empty());
    }

    public Delivery(String name, String target, Optional<Prepared> prepared) {
        this(name, target, prepared, List.of());
    }

    public Delivery withPrepared(Prepared newPrepared) {
        return new Delivery(name, target, Optional.of(newPrepared), accepted);
    }

    /** The same from the view of another folder. */
    public Delivery withPaths(UnaryOperator<String> moved) {
        return new Delivery(
                name, moved.apply(target), prepared.map(it -> it.withWorkbook(moved.apply(it.workbook()))), accepted);
    }

    /** The same with more questions accepted. */
    public Delivery accepting(Collection<String> questions) {
        Set<String> all = new LinkedHashSet<>(accepted);
        all.addAll(questions);
        return new Delivery(name, target, prepared, List.copyOf(all));
    }

    /** The questions that hold this delivery: those open that were not accepted, as any could change a number. */
    public List<Question> heldBy(List<Question> open) {
        return open.stream()
                .filter(question -> !accepted.contains(question.id()))
                .toList();
    }

    /**
     * A workbook that someone prepared, with keys down one column and items across one row.
     *
     * @param workbook its file, relative to the job file where possible
     * @param key the master's column whose values are the keys
     * @param item the master's column whose values are the items; empty where the names of columns are
     * @param value the master's column whose values go into the cells; empty with the former
     */
    public record Prepared(String workbook, String key, String item, String value) {
        public Prepared withWorkbook(String path) {
            return new Prepared(path, key, item, value);
        }
    }
}
