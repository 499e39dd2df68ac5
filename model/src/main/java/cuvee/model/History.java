package cuvee.model;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.UnaryOperator;

/** Values that can be gone back to, by name: the job is one immutable value, so its history is a list of jobs. */
final class History<T> {
    private static final int MOST = 200;

    /** A value, and the name of the act that lies between it and the present one. */
    private record Step<T>(T value, String act) {
        Step<T> changed(UnaryOperator<T> how) {
            return new Step<>(how.apply(value), act);
        }
    }

    private final Deque<Step<T>> before = new ArrayDeque<>();
    private final Deque<Step<T>> after = new ArrayDeque<>();
    private T now;

    History(T first) {
        now = first;
    }

    /** The same values and acts, which go their own way from here. */
    History<T> copy() {
        History<T> copy = new History<>(now);
        copy.before.addAll(before);
        copy.after.addAll(after);
        return copy;
    }

    T now() {
        return now;
    }

    /** Takes a step that can be undone by its name. */
    void step(T next, String act) {
        before.push(new Step<>(now, act));
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
        List<Step<T>> earlier = before.stream().map(step -> step.changed(how)).toList();
        List<Step<T>> later = after.stream().map(step -> step.changed(how)).toList();
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

    /** The name of the last act; empty where there is none to take back. */
    String lastAct() {
        Step<T> last = before.peek();
        return last == null ? "" : last.act();
    }

    /** The name of the act that was taken back last; empty where there is none to do again. */
    String undoneAct() {
        Step<T> undone = after.peek();
        return undone == null ? "" : undone.act();
    }

    void undo() {
        if (canUndo()) {
            Step<T> last = before.pop();
            after.push(new Step<>(now, last.act()));
            now = last.value();
        }
    }

    void redo() {
        if (canRedo()) {
            Step<T> undone = after.pop();
            before.push(new Step<>(now, undone.act()));
            now = undone.value();
        }
    }
}
