package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class PagesTest {
    private final LinkedBlockingQueue<Runnable> ui = new LinkedBlockingQueue<>();
    private final List<Long> read = Collections.synchronizedList(new ArrayList<>());
    private final CountDownLatch given = new CountDownLatch(1);

    private final Semaphore gate = new Semaphore(Integer.MAX_VALUE);

    private Pages<String> pages() {
        return pages(100L * Pages.ROWS);
    }

    private Pages<String> pages(long rows) {
        return new Pages<>(
                "test-pages",
                rows,
                number -> {
                    read.add(number);
                    gate.acquireUninterruptibly();
                    return "page " + number;
                },
                given::countDown,
                ui::add);
    }

    private void arrive() throws InterruptedException {
        Runnable arrival = ui.poll(20, TimeUnit.SECONDS);
        assertThat(arrival).isNotNull();
        arrival.run();
    }

    @Test
    void aPageIsSentForOnceAndToldWhenItHasCome() throws InterruptedException {
        AtomicInteger told = new AtomicInteger();
        try (Pages<String> pages = pages()) {
            pages.onArrival(told::incrementAndGet);
            assertThat(pages.holding(399)).isEmpty();
            assertThat(pages.holding(200)).isEmpty();
            arrive();
            assertThat(pages.holding(200)).contains("page 1");
            assertThat(read).startsWith(1L).doesNotContain(0L, 3L);
            assertThat(told).hasValue(1);
        }
    }

    @Test
    void pagesFarAwayAreForgottenAndReadAgain() throws InterruptedException {
        try (Pages<String> pages = pages()) {
            for (int page = 0; page < 41; page++) {
                wait(pages, page);
            }
            assertThat(pages.holding(40L * Pages.ROWS)).isPresent();
            assertThat(pages.holding(0)).as("the first of 41").isEmpty();
            wait(pages, 0);
            assertThat(pages.holding(0)).contains("page 0");
        }
    }

    private void wait(Pages<String> pages, long page) throws InterruptedException {
        while (pages.holding(page * Pages.ROWS).isEmpty()) {
            arrive();
        }
    }

    @Test
    void thePageThatComesNextIsThereBeforeItIsAskedFor() throws InterruptedException {
        try (Pages<String> pages = pages(3L * Pages.ROWS)) {
            wait(pages, 1);
            arrive();
            assertThat(pages.holding(2L * Pages.ROWS)).as("on the way down").contains("page 2");
            assertThat(ui.poll(100, TimeUnit.MILLISECONDS)).as("and no further").isNull();
        }
        try (Pages<String> pages = pages(9L * Pages.ROWS)) {
            wait(pages, 8);
            wait(pages, 4);
            arrive();
            assertThat(pages.holding(3L * Pages.ROWS)).as("on the way up").contains("page 3");
        }
    }

    @Test
    void aPageThatIsAskedForWhileItIsReadAheadAlwaysComes() throws InterruptedException {
        int many = 20_000;
        try (Pages<String> pages = pages((long) many * Pages.ROWS)) {
            for (long page = 0; page < many; page++) {
                wait(pages, page);
            }
            assertThat(pages.holding((many - 1L) * Pages.ROWS)).contains("page " + (many - 1));
        }
    }

    @Test
    void whereOneArrivesIsReadFirstAndWhatWasPassedByIsNot() throws InterruptedException {
        gate.drainPermits();
        try (Pages<String> pages = pages()) {
            for (long page = 0; page < 60; page++) {
                pages.holding(page * Pages.ROWS);
            }
            gate.release(Integer.MAX_VALUE);
            wait(pages, 59);
            assertThat(read).as("far from all that was passed").hasSizeLessThan(10);
            assertThat(read.indexOf(59L)).isLessThanOrEqualTo(1);
            wait(pages, 20);
            assertThat(pages.holding(20L * Pages.ROWS))
                    .as("what was passed by can be asked for again")
                    .contains("page 20");
        }
    }

    @Test
    void onceClosedNothingIsReadAndWhatWasReadFromIsGivenBack() throws InterruptedException {
        Pages<String> pages = pages();
        pages.close();
        assertThat(given.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(pages.holding(0)).isEmpty();
        assertThat(read).isEmpty();
    }

    @Test
    void aPageThatCannotBeReadIsSaidAndNotAskedForForEver() throws InterruptedException {
        AtomicInteger asked = new AtomicInteger();
        AtomicInteger told = new AtomicInteger();
        Pages<String> pages = new Pages<>(
                "test-pages",
                1000,
                number -> {
                    asked.incrementAndGet();
                    throw new IllegalStateException("the disk is gone");
                },
                given::countDown,
                ui::add);
        try (pages) {
            pages.onArrival(told::incrementAndGet);
            assertThat(pages.holding(0)).isEmpty();
            arrive();
            assertThat(told).hasValue(1);
            assertThat(pages.failure()).contains("the disk is gone");
            assertThat(pages.holding(0)).isEmpty();
        }
        assertThat(given.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(asked).hasValue(1);
    }
}
