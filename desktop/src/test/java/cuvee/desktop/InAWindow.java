package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.command.Machine;
import cuvee.gather.Workplace;
import cuvee.master.Store;
import cuvee.model.JobModel;
import cuvee.model.Tour;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** A real window over a small folder, and what a person does in it. */
abstract class InAWindow {
    @TempDir
    Path folder;

    final FxRobot robot = new FxRobot();
    CuveeApp app;
    final Chosen chosen = new Chosen();

    /** A person who has made up their mind. */
    static final class Chosen implements Choosers {
        /** What was said would be lost, and the answer. */
        String loss = "";

        boolean replace;
        Optional<Path> folder = Optional.empty();
        Optional<Path> target = Optional.empty();
        Leaving leaving = Leaving.LEAVE;
        int asked;

        @Override
        public Optional<Path> folder(String title) {
            return folder;
        }

        @Override
        public Optional<Path> job(String title) {
            return target;
        }

        @Override
        public Optional<Path> file(String title) {
            return target;
        }

        @Override
        public Optional<Path> target(String title, Path proposed, String... endings) {
            return target;
        }

        @Override
        public boolean replace(Path target, String said) {
            loss = said;
            return replace;
        }

        @Override
        public boolean beside(Path target, String why, Path other) {
            loss = why;
            return replace;
        }

        @Override
        public Leaving leave(String jobName) {
            asked++;
            return leaving;
        }
    }

    @BeforeEach
    void open() throws Exception {
        write("data/a.csv", "Date,Port,Passengers\n2026-01-01,Hollin,5\n2026-01-02,Hollin,6\n");
        write("data/b.csv", "Date,Port,Heads\n2026-02-01,Tarsk,1204\n");
        chosen.folder = Optional.of(folder.resolve("data"));
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        if (!firstRun()) {
            new Tour(workplace.state()).done();
        }
        Machine machine = new Machine(
                new PrintStream(PrintStream.nullOutputStream()),
                new PrintStream(PrintStream.nullOutputStream()),
                folder,
                workplace);
        FxToolkit.registerPrimaryStage();
        app = (CuveeApp) FxToolkit.setupApplication(() -> new CuveeApp(machine));
        app.use(chosen);
    }

    /** True where nobody has opened a job here before. */
    boolean firstRun() {
        return false;
    }

    @AfterEach
    void close() throws TimeoutException, InterruptedException {
        Optional<JobModel> model = app.model();
        FxToolkit.cleanupApplication(app);
        FxToolkit.hideStage();
        if (model.isPresent()) {
            assertThat(model.get().awaitClosed(20_000)).isTrue();
        }
    }

    void write(String name, String text) throws IOException {
        Path file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }

    void waitFor(String what, Callable<Boolean> so) {
        try {
            WaitForAsyncUtils.waitFor(
                    30, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(so).get());
        } catch (TimeoutException late) {
            throw new AssertionError("waited in vain for " + what, late);
        }
        WaitForAsyncUtils.waitForFxEvents();
    }

    JobModel model() {
        return app.model().orElseThrow();
    }

    void idle() {
        waitFor(
                "the refresh",
                () -> app.model().isPresent()
                        && model().workProperty().get().isEmpty()
                        && model().outcomeProperty().get().isPresent());
    }

    <T extends Node> T find(String id) {
        return robot.lookup(id).query();
    }

    String words(String id) {
        return this.<Label>find(id).getText();
    }

    void newJob() {
        robot.clickOn("#start-folder");
        idle();
    }

    List<String> columns() {
        return model().outcomeProperty().get().orElseThrow().proposal().columns().stream()
                .map(column -> column.name())
                .toList();
    }

    void goTo(KeyCode digit) {
        robot.press(KeyCode.ALT).type(digit).release(KeyCode.ALT);
        WaitForAsyncUtils.waitForFxEvents();
    }

    GridView grid(String id) {
        return find(id);
    }
}
