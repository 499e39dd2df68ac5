package cuvee.model;

import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * One piece of work away from the interface thread. Its state is set on the interface executor only; progress that comes
 * faster than it is shown is left out.
 */
public final class Work<T> {
    /** Where the work stands. */
    public sealed interface State<T> {
        /** Not begun. */
        record Waiting<T>() implements State<T> {}

        /** Under way, so many of so many; {@code of} is 0 where that is not known. */
        record Running<T>(String what, long done, long of) implements State<T> {}

        /** Done. */
        record Done<T>(T result) implements State<T> {}

        /** It could not be done. */
        record Failed<T>(Throwable why) implements State<T> {}

        /** Stopped at the analyst's wish, without harm. */
        record Cancelled<T>() implements State<T> {}
    }

    /** The work itself. */
    public interface Task<T> {
        T run(Reporting reporting) throws Exception;
    }

    /** Hears of progress from the working thread; throws {@link CancellationException} once the work is cancelled. */
    public interface Reporting {
        void at(String what, long done, long of);
    }

    private final ReadOnlyObjectWrapper<State<T>> state = new ReadOnlyObjectWrapper<>(new State.Waiting<>());
    private final AtomicBoolean cancelled = new AtomicBoolean();
    private final AtomicReference<State.Running<T>> pending = new AtomicReference<>();
    private final Executor ui;

    private Work(Executor ui) {
        this.ui = ui;
    }

    /** Starts a task on a worker; its end is told to the listener on the interface executor. */
    public static <T> Work<T> start(Task<T> task, Executor worker, Executor ui, Consumer<State<T>> atEnd) {
        Work<T> work = new Work<>(ui);
        worker.execute(() -> work.run(task, atEnd));
        return work;
    }

    private void run(Task<T> task, Consumer<State<T>> atEnd) {
        State<T> end;
        try {
            report("", 0, 0);
            end = new State.Done<>(task.run(this::report));
        } catch (CancellationException stopped) {
            end = new State.Cancelled<>();
        } catch (Throwable failed) {
            // Whatever it was, the end is told: work that never ends would keep the analyst from all else.
            end = cancelled.get() ? new State.Cancelled<>() : new State.Failed<>(failed);
        }
        State<T> last = end;
        ui.execute(() -> {
            state.set(last);
            atEnd.accept(last);
        });
    }

    private void report(String what, long done, long of) {
        if (cancelled.get()) {
            throw new CancellationException();
        }
        if (pending.getAndSet(new State.Running<>(what, done, of)) == null) {
            ui.execute(() -> {
                State.Running<T> newest = pending.getAndSet(null);
                if (newest != null && !ended()) {
                    state.set(newest);
                }
            });
        }
    }

    private boolean ended() {
        return !(state.get() instanceof State.Waiting<T>) && !(state.get() instanceof State.Running<T>);
    }

    /** Asks the work to stop; its state tells when it has. */
    public void cancel() {
        // Work that still waits for its turn hears of it as soon as it begins: its end is always told.
        cancelled.set(true);
    }

    public ReadOnlyObjectProperty<State<T>> stateProperty() {
        return state.getReadOnlyProperty();
    }
}
