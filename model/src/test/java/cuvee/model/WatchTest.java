package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.master.Store;
import cuvee.refresh.Workplace;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What comes to the places of a job while it is open. */
class WatchTest {
    @TempDir
    Path folder;

    private final LinkedBlockingQueue<Runnable> ui = new LinkedBlockingQueue<>();
    private JobModel model;

    @BeforeEach
    void openJob() throws Exception {
        write("a.csv", "Port,Pax\nHollin,5\n");
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        model = JobModel.draft(workplace, ui::add, List.of(folder.resolve("data")));
        model.refresh();
        until(() -> model.workProperty().get().isEmpty());
    }

    @AfterEach
    void closeJob() throws InterruptedException {
        model.close();
        assertThat(model.awaitClosed(20_000)).isTrue();
    }

    private void write(String name, String text) throws IOException {
        Path file = folder.resolve("data").resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }

    private void until(BooleanSupplier so) throws InterruptedException {
        while (!so.getAsBoolean()) {
            Runnable task = ui.poll(20, TimeUnit.SECONDS);
            assertThat(task).as("something still to come").isNotNull();
            task.run();
        }
    }

    /** Looks until a look has been answered. */
    private void look() throws InterruptedException {
        Runnable answer = null;
        while (answer == null) {
            model.watch().look();
            answer = ui.poll(200, TimeUnit.MILLISECONDS);
        }
        answer.run();
    }

    private String told() {
        return model.watch().waitingProperty().get().said();
    }

    @Test
    void aFileIsToldOnceItHasSettled() throws Exception {
        write("b.csv", "Port,Pax\nTarsk,6\n");
        look();
        assertThat(told()).as("it may still be written").isEmpty();
        look();
        assertThat(told()).isEqualTo("1 file came: b.csv.");
        write("b.csv", "Port,Pax\nTarsk,6\nTarsk,7\n");
        look();
        look();
        assertThat(told()).isEqualTo("1 file came: b.csv.");
        model.refresh();
        until(() -> model.workProperty().get().isEmpty());
        assertThat(told()).as("it has been taken in").isEmpty();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
    }

    @Test
    void whatChangedOrWentIsToldAndCanWait() throws Exception {
        write("a.csv", "Port,Pax\nHollin,5\nHollin,55\n");
        look();
        look();
        assertThat(told()).isEqualTo("1 file changed: a.csv.");
        model.watch().later();
        look();
        look();
        assertThat(told()).as("not told twice").isEmpty();
        Files.delete(folder.resolve("data/a.csv"));
        write("c.csv", "Port,Pax\nOska,1\n");
        look();
        look();
        assertThat(told()).isEqualTo("1 file came and 1 file is gone: c.csv and a.csv.");
    }

    @Test
    void whatComesIsTakenInByItselfWhereTheAnalystSaysSo() throws Exception {
        model.watch().byItselfProperty().set(true);
        write("b.csv", "Port,Pax\nTarsk,6\n");
        look();
        look();
        until(() -> model.workProperty().get().isEmpty()
                && model.outcomeProperty().get().orElseThrow().rows() == 2);
    }
}
