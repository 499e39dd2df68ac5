package cuvee.model;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.concurrent.Executor;
import java.util.function.LongFunction;

/**
 * Pages of something too large for memory: each is read on a thread of its own when it is first asked for, and kept while
 * it is near. What was asked for last is read first, what has been passed by is not read at all, and the page that comes
 * next is read ahead. Used on the interface thread. Whoever makes it closes it.
 */
final class Pages<P> implements AutoCloseable {
    /** How many rows a page has. */
    static final int ROWS = 200;

    private static final int KEPT = 40;
    /** So many pages are waited for at once; a window shows two, or three. */
    private static final int MOST_WANTED = 6;

    private final long last;
    private final LongFunction<P> read;
    private final Runnable atEnd;
    private final Executor ui;
    private final Beside reading;
    private final Set<Long> asked = new HashSet<>();
    /** Those of the asked that nobody waits for yet. */
    private final Set<Long> ahead = new HashSet<>();
    /** Pages to be read, the next one first; used by both threads. */
    private final ConcurrentLinkedDeque<Long> wanted = new ConcurrentLinkedDeque<>();

    private long before;
    private final Map<Long, P> pages = new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, P> eldest) {
            return size() > KEPT;
        }
    };
    private Runnable listener = () -> {};
    private boolean closed;
    private String failure = "";

    /**
     * Makes no page yet.
     *
     * @param rows how many rows there are
     * @param read reads the page of a number, from 0
     * @param atEnd gives back what is read from, once nothing reads any more
     */
    Pages(String thread, long rows, LongFunction<P> read, Runnable atEnd, Executor ui) {
        this.last = (rows - 1) / ROWS;
        this.read = read;
        this.atEnd = atEnd;
        this.ui = ui;
        this.reading = new Beside(thread, ui, this::tell);
    }

    /** The page that holds a row, if it is there already; otherwise it is sent for. */
    Optional<P> holding(long row) {
        long number = row / ROWS;
        P page = pages.get(number);
        if (page == null && !closed) {
            if (asked.add(number)) {
                want(number);
            } else if (ahead.remove(number) && wanted.remove(number)) {
                wanted.addFirst(number);
                // The turn that it had may have gone by in between.
                reading.execute(this::readNext);
            }
        }
        return Optional.ofNullable(page);
    }

    private void want(long number) {
        wanted.addFirst(number);
        if (wanted.size() > MOST_WANTED) {
            Long passed = wanted.pollLast();
            if (passed != null && passed == number) {
                wanted.addFirst(number);
            } else if (passed != null) {
                asked.remove(passed);
                ahead.remove(passed);
            }
        }
        reading.execute(this::readNext);
    }

    private void readNext() {
        Long number = wanted.pollFirst();
        if (number != null) {
            P found = read.apply(number);
            ui.execute(() -> arrived(number, found));
        }
    }

    private void arrived(long number, P page) {
        asked.remove(number);
        if (!closed) {
            pages.put(number, page);
            if (!ahead.remove(number)) {
                readAhead(number);
            }
            listener.run();
        }
    }

    /** Sends for the page behind one that was waited for, or before it where the way goes back. */
    private void readAhead(long number) {
        long next = number < before ? number - 1 : number + 1;
        before = number;
        if (asked.isEmpty() && next >= 0 && next <= last && !pages.containsKey(next)) {
            asked.add(next);
            ahead.add(next);
            wanted.addLast(next);
            reading.execute(this::readNext);
        }
    }

    /** A page that cannot be read is not asked for again: whoever shows pages says why, and makes them anew. */
    private void tell(Message why) {
        failure = why.text();
        listener.run();
    }

    /** Why a page could not be read; empty where all could that were asked for. */
    String failure() {
        return failure;
    }

    /** Says what is to be done when a page has come; on the interface thread. */
    void onArrival(Runnable newListener) {
        listener = newListener;
    }

    @Override
    public void close() {
        if (closed) {
            return;
        }
        closed = true;
        reading.execute(atEnd);
        reading.close();
    }
}
