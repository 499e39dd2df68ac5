package cuvee.model;

import cuvee.finding.CuveeException;
import cuvee.tell.Waiting;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;

/**
 * Watches the places of a job between refreshes. A file counts once it has settled: two looks in a row find it of the same
 * size and time. The analyst refreshes, or lets it happen.
 */
public final class Watch {
    /** A look takes at most this share of the time between two. */
    private static final long REST = 20;

    private static final long NANOS = 1_000_000_000;
    private final JobModel model;
    private final ReadOnlyObjectWrapper<Waiting> waiting = new ReadOnlyObjectWrapper<>(Waiting.NOTHING);
    private final BooleanProperty byItself = new SimpleBooleanProperty();
    private Waiting seen = Waiting.NOTHING;
    private Waiting passed = Waiting.NOTHING;
    private boolean looking;
    private long notBefore = System.nanoTime();

    Watch(JobModel model) {
        this.model = model;
        model.outcomeProperty().addListener((o, before, now) -> {
            seen = Waiting.NOTHING;
            passed = Waiting.NOTHING;
            waiting.set(Waiting.NOTHING);
        });
    }

    /** What waits for a refresh and has settled. */
    public ReadOnlyObjectProperty<Waiting> waitingProperty() {
        return waiting.getReadOnlyProperty();
    }

    /** True where what has settled is taken in without a word, as long as the job is open here. */
    public BooleanProperty byItselfProperty() {
        return byItself;
    }

    /** Says no more of what waits now; what comes after it is told again. */
    public void later() {
        passed = waiting.get();
        waiting.set(Waiting.NOTHING);
    }

    /** Looks at the places, unless work is under way or the last look took so long that it would be too much. */
    public void look() {
        boolean busy = looking || model.workProperty().get().isPresent() || System.nanoTime() < notBefore;
        model.outcomeProperty().get().filter(outcome -> !busy).ifPresent(outcome -> {
            looking = true;
            long from = System.nanoTime();
            model.apart(
                    () -> {
                        try {
                            return model.session().waiting(model.now(), outcome);
                        } catch (CuveeException away) {
                            // A place that cannot be reached is said by the next refresh.
                            return Waiting.NOTHING;
                        }
                    },
                    found -> {
                        looking = false;
                        notBefore = System.nanoTime() + Math.min(60 * NANOS, REST * (System.nanoTime() - from));
                        if (model.outcomeProperty()
                                .get()
                                .filter(outcome::equals)
                                .isPresent()) {
                            found(found);
                        }
                    });
        });
    }

    private void found(Waiting found) {
        boolean settled = found.equals(seen);
        seen = found;
        if (!settled || found.equals(passed)) {
            return;
        }
        waiting.set(found);
        if (byItself.get() && !found.isNothing()) {
            model.refresh();
        }
    }
}
