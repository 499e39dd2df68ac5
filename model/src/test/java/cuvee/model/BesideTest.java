package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class BesideTest {
    private final LinkedBlockingQueue<Runnable> ui = new LinkedBlockingQueue<>();
    private final List<Message> told = Collections.synchronizedList(new ArrayList<>());
    private final List<Throwable> unheard = Collections.synchronizedList(new ArrayList<>());
    private Thread.UncaughtExceptionHandler before;

    @BeforeEach
    void hear() {
        before = Thread.getDefaultUncaughtExceptionHandler();
        Thread.setDefaultUncaughtExceptionHandler((thread, fault) -> unheard.add(fault));
    }

    @AfterEach
    void noFaultIsUnheard() {
        Thread.setDefaultUncaughtExceptionHandler(before);
        assertThat(unheard).isEmpty();
    }

    private Beside beside() {
        return new Beside("test-beside", ui::add, told::add);
    }

    @Test
    void whatCannotBeDoneIsToldAndTheNextIsDone() throws InterruptedException {
        CountDownLatch done = new CountDownLatch(1);
        try (Beside beside = beside()) {
            beside.execute(() -> {
                throw new IllegalStateException("the page is torn");
            });
            beside.execute(done::countDown);
            assertThat(done.await(20, TimeUnit.SECONDS)).isTrue();
            ui.take().run();
        }
        assertThat(told).singleElement().satisfies(message -> {
            assertThat(message.kind()).isEqualTo(Message.Kind.FAILURE);
            assertThat(message.text()).contains("the page is torn").contains("Nothing was changed");
        });
    }

    /** A question to the store that is interrupted ends so; it had come up at whoever did something next. */
    @Test
    void whatIsInterruptedWhenItIsStoppedEndsWithoutAWord() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        Beside beside = beside();
        beside.execute(() -> {
            begun.countDown();
            try {
                new CountDownLatch(1).await();
            } catch (InterruptedException interrupted) {
                throw new CancellationException();
            }
        });
        beside.execute(() -> told.add(Message.news("begun though it was stopped")));
        assertThat(begun.await(20, TimeUnit.SECONDS)).isTrue();
        beside.stop();
        assertThat(beside.awaitEnd(20_000)).isTrue();
        assertThat(told).isEmpty();
        assertThat(ui).isEmpty();
    }

    @Test
    void onceItIsClosedWhatWasAskedForIsDoneAndNothingMoreIsBegun() throws InterruptedException {
        List<String> done = Collections.synchronizedList(new ArrayList<>());
        Beside beside = beside();
        beside.execute(() -> done.add("asked before"));
        beside.close();
        beside.execute(() -> done.add("asked after"));
        assertThat(beside.awaitEnd(20_000)).isTrue();
        assertThat(done).containsExactly("asked before");
    }
}
