package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class PagesTest {
    private final LinkedBlockingQueue<Runnable> ui = new LinkedBlockingQueue<>();
    private final List<Long> read = new CopyOnWriteArrayList<>();
    private final CountDownLatch given = new CountDownLatch(1);

    private Pages<String> pages() {
        return new Pages<>(
                "test-pages",
                number -> {
                    read.add(number);
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
            assertThat(read).containsExactly(1L);
            assertThat(told).hasValue(1);
        }
    }

    @Test
    void pagesFarAwayAreForgottenAndReadAgain() throws InterruptedException {
        try (Pages<String> pages = pages()) {
            for (int page = 0; page < 41; page++) {
                pages.holding((long) page * Pages.ROWS);
                arrive();
            }
            assertThat(pages.holding(40L * Pages.ROWS)).isPresent();
            assertThat(pages.holding(0)).as("the first of 41").isEmpty();
            arrive();
            assertThat(pages.holding(0)).contains("page 0");
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
}
