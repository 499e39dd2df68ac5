package cuvee.model;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.LongFunction;

/**
 * Pages of something too large for memory: each is read on a thread of its own when it is first asked for, and kept while
 * it is near. Used on the interface thread. Whoever makes it closes it.
 */
final class Pages<P> implements AutoCloseable {
    /** How many rows a page has. */
    static final int ROWS = 200;

    private static final int KEPT = 40;
    private final LongFunction<P> read;
    private final Runnable atEnd;
    private final Executor ui;
    private final ExecutorService reading;
    private final Set<Long> asked = new HashSet<>();
    private final Map<Long, P> pages = new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, P> eldest) {
            return size() > KEPT;
        }
    };
    private Runnable listener = () -> {};
    private boolean closed;

    /**
     * Makes no page yet.
     *
     * @param read reads the page of a number, from 0
     * @param atEnd gives back what is read from, once nothing reads any more
     */
    Pages(String thread, LongFunction<P> read, Runnable atEnd, Executor ui) {
        this.read = read;
        this.atEnd = atEnd;
        this.ui = ui;
        this.reading = Executors.newSingleThreadExecutor(run -> {
            Thread own = new Thread(run, thread);
            own.setDaemon(true);
            return own;
        });
    }

    /** The page that holds a row, if it is there already; otherwise it is sent for. */
    Optional<P> holding(long row) {
        long number = row / ROWS;
        P page = pages.get(number);
        if (page == null && !closed && asked.add(number)) {
            reading.execute(() -> {
                P found = read.apply(number);
                ui.execute(() -> arrived(number, found));
            });
        }
        return Optional.ofNullable(page);
    }

    private void arrived(long number, P page) {
        asked.remove(number);
        if (!closed) {
            pages.put(number, page);
            listener.run();
        }
    }

    /** Says what is to be done when a page has come; on the interface thread. */
    void onArrival(Runnable newListener) {
        listener = newListener;
    }

    @Override
    public void close() {
        closed = true;
        reading.execute(atEnd);
        reading.shutdown();
    }
}
