package cuvee.model;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.UnaryOperator;

/** Values that can be gone back to: the job is one immutable value, so its history is a list of jobs. */
final class History<T> {
    private static final int MOST = 200;
    private final Deque<T> before = new ArrayDeque<>();
    private final Deque<T> after = new ArrayDeque<>();
    private T now;

    History(T first) {
        now = first;
    }

    T now() {
        return now;
    }

    /** Takes a step that can be undone. */
    void step(T next) {
        before.push(now);
        if (before.size() > MOST) {
            before.removeLast();
        }
        after.clear();
        now = next;
    }

    /** Replaces the present value without a step: what Cuvee itself adds is no act of the analyst. */
    void amend(T same) {
        now = same;
    }

    /** Changes all values in the same way, those of before and after too. */
    void replaceAll(UnaryOperator<T> how) {
        List<T> earlier = before.stream().map(how).toList();
        List<T> later = after.stream().map(how).toList();
        before.clear();
        before.addAll(earlier);
        after.clear();
        after.addAll(later);
        now = how.apply(now);
    }

    boolean canUndo() {
        return !before.isEmpty();
    }

    boolean canRedo() {
        return !after.isEmpty();
    }

    void undo() {
        if (canUndo()) {
            after.push(now);
            now = before.pop();
        }
    }

    void redo() {
        if (canRedo()) {
            before.push(now);
            now = after.pop();
        }
    }
}
