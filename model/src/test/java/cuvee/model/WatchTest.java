package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What comes to the places of a job while it is open. */
class WatchTest extends OpenJob {
    @BeforeEach
    void lookedAt() throws Exception {
        Files.delete(folder.resolve("data/b.csv"));
        write("data/a.csv", "Port,Pax\nHollin,5\n");
        refreshed();
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
        write("data/b.csv", "Port,Pax\nTarsk,6\n");
        look();
        assertThat(told()).as("it may still be written").isEmpty();
        look();
        assertThat(told()).isEqualTo("1 file came: b.csv.");
        write("data/b.csv", "Port,Pax\nTarsk,6\nTarsk,7\n");
        look();
        look();
        assertThat(told()).isEqualTo("1 file came: b.csv.");
        refreshed();
        assertThat(told()).as("it has been taken in").isEmpty();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
    }

    @Test
    void whatChangedOrWentIsToldAndCanWait() throws Exception {
        write("data/a.csv", "Port,Pax\nHollin,5\nHollin,55\n");
        look();
        look();
        assertThat(told()).isEqualTo("1 file changed: a.csv.");
        model.watch().later();
        look();
        look();
        assertThat(told()).as("not told twice").isEmpty();
        Files.delete(folder.resolve("data/a.csv"));
        write("data/c.csv", "Port,Pax\nOska,1\n");
        look();
        look();
        assertThat(told()).isEqualTo("1 file came and 1 file is gone: c.csv and a.csv.");
    }

    @Test
    void whatComesIsTakenInByItselfWhereTheAnalystSaysSo() throws Exception {
        model.watch().byItselfProperty().set(true);
        write("data/b.csv", "Port,Pax\nTarsk,6\n");
        look();
        look();
        until(() -> model.workProperty().get().isEmpty()
                && model.outcomeProperty().get().orElseThrow().rows() == 2);
    }
}
