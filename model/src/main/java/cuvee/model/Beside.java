package cuvee.model;

import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Work beside the window, one piece after the other on a thread of its own. Why a piece could not be done is told on the
 * interface thread. Once it is closed nobody waits for anything any more: what is still to be done ends without a word,
 * and what comes later is not begun.
 */
public final class Beside implements Executor, AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Beside.class);

    private final Executor ui;
    private final Consumer<Message> told;
    private final ExecutorService worker;
    private volatile boolean closed;

    /**
     * Starts nothing yet.
     *
     * @param thread the name of its thread
     * @param told hears why something could not be done
     */
    public Beside(String thread, Executor ui, Consumer<Message> told) {
        this.ui = ui;
        this.told = told;
        this.worker = Executors.newSingleThreadExecutor(run -> {
            Thread own = new Thread(run, thread);
            own.setDaemon(true);
            return own;
        });
    }

    @Override
    public void execute(Runnable work) {
        if (!closed) {
            worker.execute(() -> run(work));
        }
    }

    private void run(Runnable work) {
        try {
            work.run();
        } catch (CancellationException stopped) {
            LOG.debug("stopped", stopped);
        } catch (RuntimeException | Error failed) {
            if (closed) {
                LOG.warn("failed after it was closed", failed);
            } else {
                Message why = Message.failed("This", failed);
                ui.execute(() -> told.accept(why));
            }
        }
    }

    /** Ends after what is still to be done. */
    @Override
    public void close() {
        closed = true;
        worker.shutdown();
    }

    /** Ends at once: what is under way is interrupted, and what waits is not begun. */
    public void stop() {
        closed = true;
        worker.shutdownNow();
    }

    /** Waits until everything has come to an end after it was closed; true where it has in this time. */
    boolean awaitEnd(long millis) throws InterruptedException {
        return worker.awaitTermination(millis, TimeUnit.MILLISECONDS);
    }
}
