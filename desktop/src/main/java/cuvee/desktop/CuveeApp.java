package cuvee.desktop;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import cuvee.command.Machine;
import cuvee.command.Main;
import cuvee.demo.DemoRun;
import cuvee.finding.CuveeException;
import cuvee.model.JobModel;
import cuvee.model.JobsGrid;
import cuvee.model.RecentJobs;
import cuvee.model.Stage;
import cuvee.model.Tour;
import cuvee.model.WindowSize;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.StackPane;
import javafx.stage.Screen;
import org.jspecify.annotations.Nullable;

/** The window. It wires the services; all else is in the views and the models. */
public final class CuveeApp extends Application {
    private final Machine machine;
    private final StackPane root = new StackPane();
    private @Nullable Choosers choosers;
    private javafx.stage.@Nullable Stage window;
    private @Nullable JobModel model;
    private @Nullable JobFrame frame;
    private @Nullable StartView start;
    private @Nullable JobsGrid jobs;
    private boolean dark;

    /** On the machine as the process finds it. */
    public CuveeApp() {
        this(Main.machine());
    }

    CuveeApp(Machine machine) {
        this.machine = machine;
    }

    @Override
    public void start(javafx.stage.Stage stage) {
        window = stage;
        choosers = new SystemChoosers(stage, root);
        Fonts.load();
        root.getStyleClass().add("cuvee");
        root.setId("root");
        Scene scene = new Scene(root, 1280, 800);
        applyTheme(scene);
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        scene.setOnDragOver(this::dragOver);
        scene.setOnDragDropped(this::dropped);
        stage.setScene(scene);
        stage.setTitle("Cuvee");
        stage.getIcons().add(new Image(String.valueOf(CuveeApp.class.getResource("cuvee.png"))));
        fitScreen(stage);
        stage.setOnCloseRequest(e -> {
            if (!leave()) {
                e.consume();
            }
        });
        showStart();
        stage.show();
        begin(getParameters() == null ? List.of() : getParameters().getRaw());
    }

    /** As large as it was left, else as the screen allows up to what is comfortable; never larger than the screen. */
    private void fitScreen(javafx.stage.Stage stage) {
        Rectangle2D screen = Screen.getPrimary().getVisualBounds();
        stage.setMinWidth(Math.min(1024, screen.getWidth()));
        stage.setMinHeight(Math.min(700, screen.getHeight()));
        WindowSize.Size left = sizes().read().orElse(new WindowSize.Size(1600, 1000));
        double width = Math.max(stage.getMinWidth(), Math.min(left.width(), screen.getWidth()));
        double height = Math.max(stage.getMinHeight(), Math.min(left.height(), screen.getHeight()));
        stage.setWidth(width);
        stage.setHeight(height);
        stage.setX(screen.getMinX() + (screen.getWidth() - width) / 2);
        stage.setY(screen.getMinY() + (screen.getHeight() - height) / 2);
    }

    private WindowSize sizes() {
        return new WindowSize(machine.workplace().state());
    }

    void begin(List<String> arguments) {
        if (arguments.isEmpty()) {
            return;
        }
        switch (arguments.get(0)) {
            case "open" -> {
                drop(arguments.stream().skip(1).map(machine.folder()::resolve).toList());
            }
            case "demo" -> {
                int into = arguments.indexOf("--into");
                Path folder = into >= 0 && into + 1 < arguments.size()
                        ? machine.folder().resolve(arguments.get(into + 1)).toAbsolutePath()
                        : DemoRun.temporaryFolder();
                demo(folder);
            }
            default -> {}
        }
    }

    // ---- what the tests may reach ----

    void use(Choosers other) {
        choosers = other;
    }

    Optional<JobModel> model() {
        return Optional.ofNullable(model);
    }

    Optional<JobFrame> frame() {
        return Optional.ofNullable(frame);
    }

    // ---- jobs ----

    void showStart() {
        if (!leave()) {
            return;
        }
        closeJob();
        JobsGrid ledger =
                new JobsGrid(recent().entries(), machine.workplace(), Platform::runLater, ZoneId.systemDefault());
        StartView shown = new StartView(new Doors(), ledger, Palette.of(dark));
        start = shown;
        jobs = ledger;
        root.getChildren().setAll(shown);
        Platform.runLater(shown::focusFirst);
        title("Cuvee");
    }

    private RecentJobs recent() {
        return new RecentJobs(machine.workplace().state());
    }

    private void newJob() {
        chooser().folder("Choose the folder with the workbooks").ifPresent(folder -> draft(List.of(folder)));
    }

    private void openJob() {
        chooser().job("Open a job").ifPresent(this::open);
    }

    /** A new job over dropped or chosen folders and files. */
    void draft(List<Path> places) {
        take(() -> JobModel.draft(machine.workplace(), Platform::runLater, places));
    }

    void open(Path file) {
        take(() -> JobModel.open(machine.workplace(), Platform::runLater, file));
    }

    void demo(Path folder) {
        take(() -> {
            Path file = DemoRun.layOut(DemoRun.material(), folder);
            if (!Files.exists(file)) {
                DemoRun.draft(file);
            }
            return JobModel.open(machine.workplace(), Platform::runLater, file);
        });
    }

    /** Makes a job. */
    private interface Making {
        JobModel make();
    }

    private void take(Making making) {
        if (!leave()) {
            return;
        }
        closeJob();
        try {
            JobModel made = making.make();
            model = made;
            JobFrame shown = frameOf(made);
            frame = shown;
            root.getChildren().setAll(shown);
            if (Boolean.getBoolean("cuvee.trial")) {
                // The build runs the window once up to its first master, to learn which classes it loads.
                made.outcomeProperty().addListener((o, before, now) -> Platform.runLater(Platform::exit));
            }
            made.titleProperty().addListener((o, before, now) -> title(now + " - Cuvee"));
            title(made.titleProperty().get() + " - Cuvee");
            shown.go(Stage.COLLECT);
            made.refresh();
        } catch (CuveeException failed) {
            showStart();
            Platform.runLater(() -> AskSheet.ask(
                    root, "The job cannot be opened.", failed.finding().text(), List.of("Back"), 0));
        }
    }

    private JobFrame frameOf(JobModel made) {
        return new JobFrame(made, new Doors(), this::chooser, Platform::runLater, ZoneId.systemDefault());
    }

    /** What the views may ask of the window. */
    private final class Doors implements StartView.Doors, JobFrame.Shell {
        @Override
        public void start() {
            showStart();
        }

        @Override
        public void newJob() {
            CuveeApp.this.newJob();
        }

        @Override
        public void openJob() {
            CuveeApp.this.openJob();
        }

        @Override
        public void demo() {
            CuveeApp.this.demo(DemoRun.temporaryFolder());
        }

        @Override
        public void open(RecentJobs.Entry job) {
            CuveeApp.this.open(job.file());
        }

        @Override
        public void forget(RecentJobs.Entry job) {
            recent().forget(job.file());
            showStart();
        }

        @Override
        public void save() {
            CuveeApp.this.save();
        }

        @Override
        public void saveAs() {
            CuveeApp.this.saveAs();
        }

        @Override
        public void changeTheme() {
            CuveeApp.this.changeTheme();
        }

        @Override
        public Palette palette() {
            return Palette.of(dark);
        }

        @Override
        public void guide() {
            toggleGuide();
        }

        @Override
        public Tour tour() {
            return new Tour(machine.workplace().state());
        }
    }

    private Choosers chooser() {
        return Objects.requireNonNull(choosers);
    }

    private boolean save() {
        JobModel open = model;
        if (open == null) {
            return true;
        }
        if (open.hasFile()) {
            open.save();
            return !open.unsavedProperty().get();
        }
        return saveAs();
    }

    private boolean saveAs() {
        JobModel open = model;
        if (open == null) {
            return true;
        }
        Optional<Path> target = chooser().target("Save the job as", open.file(), "cuvee");
        target.ifPresent(open::saveAs);
        return target.isPresent() && !open.unsavedProperty().get();
    }

    /** True where the open job may be left: it is saved, or the analyst said so. */
    private boolean leave() {
        JobModel open = model;
        boolean nothingDecided = open != null
                && !open.canUndoProperty().get()
                && open.jobProperty().get().settled().isEmpty()
                && !open.hasFile();
        if (open == null || !open.unsavedProperty().get() || nothingDecided || onlyAssumed(open)) {
            return true;
        }
        return switch (chooser().leave(open.jobProperty().get().name())) {
            case STAY -> false;
            case LEAVE -> true;
            case SAVE -> save();
        };
    }

    /** What Cuvee itself added can be found again, so leaving it unsaved loses nothing of the analyst's. */
    private static boolean onlyAssumed(JobModel open) {
        return open.hasFile() && !open.canUndoProperty().get();
    }

    private void closeJob() {
        JobsGrid ledger = jobs;
        jobs = null;
        start = null;
        if (ledger != null) {
            ledger.close();
        }
        JobFrame shown = frame;
        JobModel open = model;
        frame = null;
        model = null;
        if (shown != null) {
            shown.close();
        }
        if (open != null) {
            open.close();
        }
    }

    private void title(String text) {
        javafx.stage.Stage shown = window;
        if (shown != null) {
            shown.setTitle(text);
        }
    }

    // ---- look ----

    private void changeTheme() {
        dark = !dark;
        applyTheme(root.getScene());
        JobFrame shown = frame;
        if (shown != null) {
            shown.usePalette(Palette.of(dark));
        }
        StartView begun = start;
        if (begun != null) {
            begun.usePalette(Palette.of(dark));
        }
    }

    private void applyTheme(Scene scene) {
        Application.setUserAgentStylesheet(
                dark ? new PrimerDark().getUserAgentStylesheet() : new PrimerLight().getUserAgentStylesheet());
        scene.getStylesheets().setAll(StyleSheet.of(dark));
        root.getStyleClass().remove("dark");
        if (dark) {
            root.getStyleClass().add("dark");
        }
    }

    // ---- hands ----

    private void key(KeyEvent e) {
        if (covers(AskSheet.class)) {
            return;
        }
        if (matches(e, "Shift+F1")) {
            toggleGuide();
            e.consume();
            return;
        }
        if (covers(GuideLayer.class)) {
            return;
        }
        JobFrame shown = frame;
        JobModel open = model;
        if (shown == null || open == null) {
            keyAtStart(e);
            return;
        }
        if (e.isAltDown() && e.getCode().isDigitKey()) {
            int at = e.getCode().getName().charAt(0) - '1';
            if (at >= 0 && at < Stage.values().length) {
                shown.go(Stage.values()[at]);
                e.consume();
            }
        } else if (e.getCode() == KeyCode.F5) {
            if (e.isShiftDown()) {
                open.tryRefresh();
            } else {
                open.refresh();
            }
            e.consume();
        } else if (e.getCode() == KeyCode.ESCAPE && open.workProperty().get().isPresent()) {
            open.cancel();
            e.consume();
        } else if (matches(e, "Shortcut+S")) {
            save();
            e.consume();
        } else if (matches(e, "Shortcut+K")) {
            shown.focusFind();
            e.consume();
        } else if (e.getCode() == KeyCode.F6) {
            shown.nextPart(e.isShiftDown() ? -1 : 1);
            e.consume();
        } else if (matches(e, "Shortcut+Z")) {
            open.undo();
            e.consume();
        } else if (matches(e, "Shortcut+Y") || matches(e, "Shortcut+Shift+Z")) {
            open.redo();
            e.consume();
        }
    }

    /** Lays the guide over the window, or folds it. */
    private void toggleGuide() {
        boolean open = root.getChildren().removeIf(layer -> layer instanceof GuideLayer);
        if (open) {
            root.getChildren().get(0).setDisable(false);
            JobFrame shown = frame;
            if (shown != null) {
                shown.go(shown.stage());
            }
        } else {
            GuideLayer guide = new GuideLayer(Palette.of(dark), this::toggleGuide);
            root.getChildren().get(0).setDisable(true);
            root.getChildren().add(guide);
            guide.takeKeys();
        }
    }

    private boolean covers(Class<?> layer) {
        return root.getChildren().stream().anyMatch(layer::isInstance);
    }

    private void keyAtStart(KeyEvent e) {
        if (matches(e, "Shortcut+O")) {
            openJob();
            e.consume();
        } else if (matches(e, "Shortcut+L")) {
            changeTheme();
            e.consume();
        }
    }

    private static boolean matches(KeyEvent e, String keys) {
        return KeyCombination.valueOf(keys).match(e);
    }

    private void dragOver(DragEvent e) {
        if (e.getDragboard().hasFiles()) {
            e.acceptTransferModes(TransferMode.COPY, TransferMode.LINK);
        }
        e.consume();
    }

    private void dropped(DragEvent e) {
        List<Path> paths = e.getDragboard().hasFiles()
                ? e.getDragboard().getFiles().stream().map(File::toPath).toList()
                : List.of();
        e.setDropCompleted(!paths.isEmpty());
        e.consume();
        drop(paths);
    }

    /** A job that is dropped is opened; folders and files become a new job, or more places of the open one. */
    void drop(List<Path> paths) {
        if (paths.isEmpty()) {
            return;
        }
        JobModel open = model;
        Path first = paths.get(0);
        if (first.toString().toLowerCase(Locale.ROOT).endsWith(".cuvee")) {
            open(first);
        } else if (open == null) {
            draft(paths);
        } else {
            open.files().addPlaces(paths);
        }
    }

    @Override
    public void stop() {
        javafx.stage.Stage shown = window;
        if (shown != null && shown.getWidth() > 0) {
            sizes().write(new WindowSize.Size(shown.getWidth(), shown.getHeight()));
        }
        closeJob();
    }
}
