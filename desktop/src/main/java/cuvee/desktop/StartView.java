package cuvee.desktop;

import cuvee.model.JobsGrid;
import cuvee.model.RecentJobs;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The start screen: a new job from a folder, the ledger of the jobs opened last, and the demo. */
final class StartView extends VBox {
    private static final double LEFT = 424;
    private static final double RIGHT = 660;
    private static final double GAP = 72;
    private static final double HEAD = 44;
    private static final double ROW = 44;
    /** The heading of the ledger stands beside the claim. */
    private static final double BESIDE_CLAIM = 64;

    private final GridView ledger = new GridView("start-jobs");
    private final JobsGrid jobs;

    /** What can be begun here. */
    interface Doors {
        void newJob();

        void openJob();

        void demo();

        void guide();

        void open(RecentJobs.Entry job);

        void forget(RecentJobs.Entry job);
    }

    StartView(Doors doors, JobsGrid jobs, Palette palette) {
        this.jobs = jobs;
        setId("start");
        getStyleClass().add("start");
        setAlignment(Pos.CENTER);
        setSpacing(28);
        ledger.paletteProperty().set(palette);
        ledger.setModel(jobs);
        ledger.setOnOpen((row, column) -> withJob(row, doors::open));
        ledger.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.DELETE) {
                withJob(ledger.selectedRow(), doors::forget);
                e.consume();
            }
        });
        HBox upper = new HBox(GAP, begin(doors), ledger());
        upper.setAlignment(Pos.BOTTOM_CENTER);
        Region line = new Region();
        line.getStyleClass().add("start-line");
        HBox lower = new HBox(GAP, demo(doors), promise());
        for (HBox band : List.of(upper, lower)) {
            band.setMaxWidth(LEFT + GAP + RIGHT);
        }
        line.setMaxWidth(LEFT + GAP + RIGHT);
        Label foot = Pieces.label("Nothing leaves this computer.", "second", "small");
        Label keys = Pieces.label("Light or dark: Ctrl+L", "second", "small");
        HBox last = new HBox(foot, Pieces.space(), keys);
        last.setMaxWidth(LEFT + GAP + RIGHT);
        getChildren().addAll(upper, line, lower, last);
    }

    /** Puts the keys where they are wanted most: on the ledger, where there are jobs. */
    void focusFirst() {
        if (jobs.rows() > 0) {
            ledger.requestFocus();
        }
    }

    void usePalette(Palette palette) {
        ledger.paletteProperty().set(palette);
    }

    private void withJob(long row, Consumer<RecentJobs.Entry> act) {
        if (row >= 0 && row < jobs.rows()) {
            act.accept(jobs.job(row));
        }
    }

    private static VBox begin(Doors doors) {
        Label name = new Label("Cuvee");
        name.getStyleClass().add("wordmark");
        Label claim = Pieces.wrapped("Many workbooks, one master table that you can defend.", "claim");
        claim.setMaxWidth(320);
        Button folder = Pieces.chief(Pieces.button("Choose a folder", "start-folder", doors::newJob));
        folder.setDefaultButton(true);
        Label drop = Pieces.label("Drop a folder of workbooks here", "drop-title");
        Label hint = Pieces.wrapped(
                "Cuvee looks at every file, proposes the whole master at once, and asks only what it cannot settle. Your"
                        + " files are never changed.",
                "second");
        VBox well = new VBox(
                12,
                drop,
                hint,
                Pieces.row(8, folder, Pieces.button("Open a job", "Ctrl+O", "start-open", doors::openJob)),
                Pieces.label("Takes .xlsx, .xlsm, .xls, .ods, .csv, .tsv and .txt", "second", "small"));
        well.getStyleClass().add("drop-well");
        VBox begin = new VBox(8, name, claim, Pieces.label("", "small"), well);
        fix(begin, LEFT);
        return begin;
    }

    private VBox ledger() {
        Label title = Pieces.label("Your jobs", "heading");
        boolean any = jobs.rows() > 0;
        Label keys = Pieces.label(any ? "Enter opens, Delete takes it off this list" : "", "second", "small");
        HBox head = new HBox(title, Pieces.space(), keys);
        head.setAlignment(Pos.BASELINE_LEFT);
        double height = HEAD + ROW * Math.max(1, jobs.rows()) + 2;
        ledger.setMinHeight(height);
        ledger.setPrefHeight(height);
        ledger.setMaxHeight(height);
        ledger.setEmptyWords("No job has been opened yet. Choose a folder, or look at the demo first.");
        VBox box = new VBox(12, head, ledger);
        box.setPadding(new Insets(BESIDE_CLAIM, 0, 0, 0));
        fix(box, RIGHT);
        return box;
    }

    private static VBox demo(Doors doors) {
        VBox demo = new VBox(
                8,
                Pieces.label("See it work first", "heading"),
                Pieces.wrapped(
                        "Farsound Ferries, a made-up ferry line: six ports, 48 returns, six habits of writing them, and six"
                                + " files more for October.",
                        "second"),
                Pieces.row(
                        12,
                        Pieces.button("Open the demo", "start-demo", doors::demo),
                        Pieces.go("Ten tasks, with pictures", "start-guide", doors::guide)));
        fix(demo, LEFT);
        return demo;
    }

    private static VBox promise() {
        VBox one = new VBox(
                8,
                Pieces.label("One table, one row a record"),
                Pieces.label("Every number traced to its cell"),
                Pieces.label("A short list of questions, weightiest first"));
        VBox two = new VBox(
                8,
                Pieces.label("A reason for every file and line set aside"),
                Pieces.label("Sums that agree with your sources, proven"),
                Pieces.label("Next month with one key"));
        HBox both = new HBox(40, one, two);
        HBox.setHgrow(two, Priority.ALWAYS);
        VBox promise = new VBox(8, Pieces.label("What you will have in a minute", "heading"), both);
        fix(promise, RIGHT);
        return promise;
    }

    private static void fix(Region box, double width) {
        box.setMinWidth(0);
        box.setPrefWidth(width);
        box.setMaxWidth(width);
    }
}
