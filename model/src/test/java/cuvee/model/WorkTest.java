package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class WorkTest {
    private final ExecutorService worker = Executors.newSingleThreadExecutor();
    private final Deque<Runnable> ui = new ArrayDeque<>();

    @AfterEach
    void end() {
        worker.shutdownNow();
    }

    private synchronized void later(Runnable task) {
        ui.add(task);
    }

    private synchronized Runnable next() {
        return ui.poll();
    }

    private void finish() throws InterruptedException {
        worker.shutdown();
        assertThat(worker.awaitTermination(10, TimeUnit.SECONDS)).isTrue();
        for (Runnable task = next(); task != null; task = next()) {
            task.run();
        }
    }

    @Test
    void aResultArrivesOnTheInterfaceOnly() throws InterruptedException {
        List<Work.State<Integer>> ends = new ArrayList<>();
        Work<Integer> work = Work.start(reporting -> 42, worker, this::later, ends::add);
        assertThat(work.stateProperty().get()).isInstanceOf(Work.State.Waiting.class);
        finish();
        assertThat(work.stateProperty().get()).isEqualTo(new Work.State.Done<>(42));
        assertThat(ends).containsExactly(new Work.State.Done<>(42));
    }

    @Test
    void progressThatComesTooFastIsLeftOut() throws InterruptedException {
        List<Work.State<Integer>> seen = new ArrayList<>();
        Work<Integer> work = Work.start(
                reporting -> {
                    for (int i = 1; i <= 1000; i++) {
                        reporting.at("reading", i, 1000);
                    }
                    return 1;
                },
                worker,
                this::later,
                end -> {});
        work.stateProperty().addListener((o, before, now) -> seen.add(now));
        finish();
        assertThat(seen).hasSizeLessThan(10).last().isEqualTo(new Work.State.Done<>(1));
    }

    @Test
    void cancelledIsAStateOfItsOwn() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch goOn = new CountDownLatch(1);
        Work<Integer> work = Work.start(
                reporting -> {
                    begun.countDown();
                    goOn.await();
                    reporting.at("reading", 1, 2);
                    return 1;
                },
                worker,
                this::later,
                end -> {});
        begun.await();
        work.cancel();
        goOn.countDown();
        finish();
        assertThat(work.stateProperty().get()).isInstanceOf(Work.State.Cancelled.class);
    }

    @Test
    void whatFailsSaysWhy() throws InterruptedException {
        Work<Integer> work = Work.start(
                reporting -> {
                    throw new IllegalStateException("no");
                },
                worker,
                this::later,
                end -> {});
        finish();
        assertThat(((Work.State.Failed<Integer>) work.stateProperty().get()).why())
                .hasMessage("no");
    }

    @Test
    void historyGoesBackAndForthByTheNamesOfItsActs() {
        History<String> history = new History<>("a");
        history.step("b", "to b");
        history.amend("b!");
        history.step("c", "to c");
        assertThat(history.lastAct()).isEqualTo("to c");
        history.undo();
        assertThat(history.now()).isEqualTo("b!");
        assertThat(history.undoneAct()).isEqualTo("to c");
        assertThat(history.lastAct()).isEqualTo("to b");
        history.undo();
        assertThat(history.now()).isEqualTo("a");
        assertThat(history.canUndo()).isFalse();
        history.redo();
        assertThat(history.lastAct()).isEqualTo("to b");
        history.step("d", "to d");
        assertThat(history.canRedo()).isFalse();
        assertThat(history.undoneAct()).isEmpty();
        assertThat(history.now()).isEqualTo("d");
    }
}
