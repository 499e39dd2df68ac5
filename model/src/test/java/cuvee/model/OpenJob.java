package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.gather.Workplace;
import cuvee.master.Store;
import cuvee.tell.Outcome;
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
import org.junit.jupiter.api.io.TempDir;

/** A job over two files in a folder of its own, open as in the window; what is told to the interface waits in a queue. */
abstract class OpenJob {
    @TempDir
    Path folder;

    final LinkedBlockingQueue<Runnable> ui = new LinkedBlockingQueue<>();
    Workplace workplace;
    JobModel model;

    @BeforeEach
    void open() throws IOException {
        workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        write("data/a.csv", "Date,Port,Passengers\n2026-01-01,Hollin,5\n2026-01-02,Hollin,6\n");
        write("data/b.csv", "Date,Port,Heads\n2026-02-01,Tarsk,7\n");
        model = JobModel.draft(workplace, ui::add, List.of(folder.resolve("data")));
    }

    @AfterEach
    void close() throws InterruptedException {
        model.close();
        assertThat(model.awaitClosed(20_000)).isTrue();
    }

    void write(String name, String text) throws IOException {
        Path file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }

    /** Runs what waits for the interface until something is so. */
    void until(BooleanSupplier so) throws InterruptedException {
        while (!so.getAsBoolean()) {
            Runnable task = ui.poll(20, TimeUnit.SECONDS);
            assertThat(task).as("something still to come").isNotNull();
            task.run();
        }
    }

    void idle() throws InterruptedException {
        until(() -> model.workProperty().get().isEmpty());
    }

    Outcome refreshed() throws InterruptedException {
        model.refresh();
        idle();
        return model.outcomeProperty().get().orElseThrow();
    }

    /** The names of the master's columns, in order. */
    List<String> columns() {
        return model.outcomeProperty().get().orElseThrow().proposal().columns().stream()
                .map(column -> column.name())
                .toList();
    }
}
