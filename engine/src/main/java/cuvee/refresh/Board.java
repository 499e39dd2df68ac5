package cuvee.refresh;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.lineup.LineUp;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What the analyst does with columns and headers on the board: each answers the job as it is then. */
public final class Board {
    /** Decisions that leave a column out of the master; the subject is its name. */
    public static final String COLUMN = "column";

    public static final String LEFT_OUT = "left out";
    private static final String BY_HAND = "put so by you";
    private static final Set<String> ABOUT_COLUMNS =
            Set.of(ColumnTyping.TYPE, ColumnTyping.MARK, ColumnTyping.ORDER, COLUMN);

    private Board() {}

    /** Gives a column another name; what was decided about it goes with it. */
    public static Job rename(Job job, Map<String, String> lineUp, String name, String newName) {
        if (newName.isBlank() || newName.equals(name) || lineUp.containsValue(newName)) {
            return job;
        }
        List<String> columns = new ArrayList<>(job.columns());
        Collections.replaceAll(columns, name, newName);
        Job renamed = headers(job, lineUp, name, newName).withAssumed(columns, about(job.assumed(), name, newName));
        for (Decision decision : about(job.settled(), name, newName)) {
            renamed = renamed.withSettled(decision);
        }
        for (Decision tag : job.settled()) {
            renamed = tag.kind().equals(TagColumns.TAG) && tag.answer().equals(name)
                    ? renamed.withSettled(new Decision(tag.kind(), tag.subject(), newName, BY_HAND, ""))
                    : renamed;
        }
        for (Decision tag : job.assumed()) {
            renamed = tag.kind().equals(TagColumns.TAG)
                            && tag.answer().equals(name)
                            && !job.isSettled(tag.kind(), tag.subject())
                    ? renamed.withSettled(new Decision(tag.kind(), tag.subject(), newName, BY_HAND, ""))
                    : renamed;
        }
        return renamed;
    }

    private static List<Decision> about(List<Decision> decisions, String name, String newName) {
        return decisions.stream()
                .map(each ->
                        ABOUT_COLUMNS.contains(each.kind()) && each.subject().equals(name)
                                ? new Decision(each.kind(), newName, each.answer(), each.reason(), each.evidence())
                                : each)
                .toList();
    }

    /** All headers of a column feed another. */
    private static Job headers(Job job, Map<String, String> lineUp, String name, String other) {
        Job moved = job;
        for (Map.Entry<String, String> header : lineUp.entrySet()) {
            if (header.getValue().equals(name)) {
                moved = moved.withSettled(new Decision(LineUp.KIND, header.getKey(), other, BY_HAND, ""));
            }
        }
        return moved;
    }

    /** Puts a column so many places to the right, or to the left where that is negative. */
    public static Job move(Job job, String name, int by) {
        List<String> columns = new ArrayList<>(job.columns());
        int at = columns.indexOf(name);
        int to = Math.max(0, Math.min(columns.size() - 1, at + by));
        if (at < 0 || to == at) {
            return job;
        }
        columns.remove(at);
        columns.add(to, name);
        return job.withAssumed(columns, job.assumed());
    }

    /** Lets all headers of a column feed another one, which is then one with it. */
    public static Job unite(Job job, Map<String, String> lineUp, String name, String with) {
        List<String> columns = new ArrayList<>(job.columns());
        columns.remove(name);
        return headers(job, lineUp, name, with).withAssumed(columns, job.assumed());
    }

    /** Makes a header that feeds another column one of its own. */
    public static Job split(Job job, String key, String header) {
        return job.withSettled(new Decision(LineUp.KIND, key, header, BY_HAND, ""));
    }

    /** Leaves a column out of the master, or takes it in again. */
    public static Job leaveOut(Job job, String name, boolean out) {
        return out
                ? job.withSettled(new Decision(COLUMN, name, LEFT_OUT, BY_HAND, ""))
                : job.withoutSettled(COLUMN, name);
    }

    /** Decides a column's type. */
    public static Job type(Job job, String name, String word) {
        return job.withSettled(new Decision(ColumnTyping.TYPE, name, word, BY_HAND, ""));
    }
}
