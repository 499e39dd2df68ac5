package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.model.SummaryGrid;
import cuvee.model.SummaryModel;
import cuvee.place.Says;
import cuvee.refresh.Summaries;
import cuvee.summary.Summary;
import cuvee.summary.SummaryTable;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The master summed up: a sentence whose words can be changed, its figures, and a chart of them. */
final class SummaryView extends VBox {
    private static final double SIDE = 208;
    private static final double HEAD = 44;
    private static final double LEAST_CHART = 120;
    private final JobModel model;
    private final SummaryModel summaries;
    private final Consumer<String> rows;
    private final Consumer<String> trail;
    private final Label says = Pieces.label("", "says");
    private final MenuButton kept = new MenuButton();
    private final FlowPane sentence = new FlowPane(0, 6);
    private final VBox written = new VBox();
    private final GridView grid = new GridView("summary-grid");
    private final VBox paper = new VBox(6);
    private final SummaryChart chart = new SummaryChart();
    private final Label chosen = Pieces.wrapped("", "heading");
    private final Label figure = Pieces.wrapped("", "second");
    private final Label notes = Pieces.wrapped("", "second");
    private final TextField name = new TextField();
    private @Nullable Summary summary;
    private @Nullable SummaryGrid shown;
    private long asked;

    /**
     * @param faces the two faces of the stage
     * @param rows shows the rows of the master that a phrase is true of
     * @param trail says what is chosen
     */
    SummaryView(JobModel model, Node faces, Consumer<String> rows, Consumer<String> trail) {
        this.model = model;
        this.summaries = new SummaryModel(model);
        this.rows = rows;
        this.trail = trail;
        setId("summary");
        kept.setId("summary-kept");
        kept.setMinWidth(Region.USE_PREF_SIZE);
        kept.setMnemonicParsing(false);
        says.setMinWidth(Region.USE_PREF_SIZE);
        Label beyond = Pieces.label("", "second");
        beyond.setMinWidth(0);
        beyond.textProperty().bind(grid.beyondProperty());
        HBox head = Pieces.row(12, says, faces, Pieces.space(), beyond, kept);
        head.setMinHeight(HEAD);
        head.getStyleClass().add("standing");
        sentence.setId("summary-sentence");
        paper.getChildren().addAll(sentence, written);
        paper.getStyleClass().addAll("paper", "summary-paper");
        VBox.setMargin(paper, new Insets(0, 16, 8, 16));
        grid.setEmptyWords("No row of the master is in this summary. Change what comes behind “only where”.");
        grid.setOnSelect((row, column) -> selected(row, column));
        grid.setOnOpen((row, column) -> openRows());
        HBox.setHgrow(grid, Priority.ALWAYS);
        HBox both = new HBox(grid, side());
        VBox.setVgrow(both, Priority.ALWAYS);
        chart.setMinHeight(LEAST_CHART);
        grid.paletteProperty().addListener((o, before, now) -> chart.usePalette(now));
        notes.setPadding(new Insets(4, 16, 6, 16));
        getChildren().addAll(head, paper, both, chart, notes);
        model.outcomeProperty().addListener((o, before, now) -> renew());
        model.jobProperty().addListener((o, before, now) -> tellKept());
    }

    GridView grid() {
        return grid;
    }

    private VBox side() {
        Button open = Pieces.button("Show its rows", "Enter", "summary-rows", this::openRows);
        name.setId("summary-name");
        name.setPromptText("its name");
        name.setAccessibleText("The name under which the summary is kept");
        name.setOnAction(e -> keep());
        Button keep = Pieces.button("Keep in the job", "summary-keep", this::keep);
        keep.setTooltip(new Tooltip("Kept ones are renewed by every refresh, and go as tabs into every workbook"));
        for (Button each : List.of(open, keep)) {
            each.setMaxWidth(Double.MAX_VALUE);
        }
        VBox side = new VBox(8, chosen, figure, open, Pieces.label("This summary", "bold"), name, keep);
        side.getStyleClass().addAll("panel", "figures");
        side.setMinWidth(SIDE);
        side.setPrefWidth(SIDE);
        side.setMaxWidth(SIDE);
        return side;
    }

    /** Sums up what was asked for last, or what is proposed at first. */
    void open() {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (outcome.isPresent() && summary == null) {
            List<Summaries.Named> all = summaries.kept();
            if (all.isEmpty()) {
                show(SummaryModel.proposed(outcome.get()), "");
            } else {
                showKept(all.get(0));
            }
        }
        tellKept();
    }

    private void renew() {
        Summary now = summary;
        if (now != null && isVisible()) {
            show(now, name.getText());
        } else {
            summary = null;
        }
    }

    private void showKept(Summaries.Named named) {
        model.outcomeProperty().get().ifPresent(outcome -> {
            var read = SummaryModel.read(outcome, named.words());
            read.summary().ifPresentOrElse(found -> show(found, named.name()), () -> {
                show(SummaryModel.proposed(outcome), "");
                notes.setText("The summary " + Says.quoted(named.name()) + " cannot be made: " + read.problem() + ".");
            });
        });
    }

    private void show(Summary now, String called) {
        Optional<Outcome> outcome = model.outcomeProperty().get();
        if (outcome.isEmpty()) {
            return;
        }
        String problem = SummaryModel.read(outcome.get(), now.said()).problem();
        if (!problem.isEmpty()) {
            show(SummaryModel.proposed(outcome.get()), "");
            model.say("The summary “" + now.said() + "” cannot be made any more: " + problem + ".", true);
            return;
        }
        summary = now;
        name.setText(called);
        says.setText(called.isEmpty() ? "Summary" : called);
        Focus.kept(paper, grid, () -> sentence(outcome.get(), now));
        long request = ++asked;
        notes.setText("Summing up …");
        summaries.make(now, table -> {
            if (request == asked) {
                shown(table);
            }
        });
    }

    private void shown(SummaryTable table) {
        SummaryGrid now = new SummaryGrid(table);
        shown = now;
        if (table.columns().size() > SummaryTable.MOST_COLUMNS) {
            notes.setText(
                    Says.number(table.columns().size())
                            + " columns are more than anyone can read; ask for a column for each of something with fewer values.");
        } else {
            notes.setText(notes(table));
        }
        boolean first = grid.model() == null;
        grid.setModel(now);
        if (first) {
            grid.select(0, table.keyTitles().size());
        }
        chart.show(table);
    }

    private static String notes(SummaryTable table) {
        List<String> notes = new ArrayList<>();
        if (table.otherRows() > 0) {
            notes.add(Says.count(table.otherRows(), "row") + " of the master are not in it.");
        }
        if (table.rounded()) {
            notes.add(
                    table.unmatched()
                            ? "Figures are rounded: as written, the lines do not add up to the last one. Copied and"
                                    + " delivered, they are exact."
                            : "Figures are rounded as written.");
        }
        return notes.isEmpty() ? "Every row of the master is in it." : String.join(" ", notes);
    }

    // ---- the sentence ----

    private void sentence(Outcome outcome, Summary now) {
        sentence.getChildren().setAll(new SummarySentence(outcome, now, this::change).words());
        RuleField field = new RuleField(
                "summary-words",
                now.said(),
                summaries.wording(outcome),
                said -> SummaryModel.read(outcome, said).summary().ifPresent(read -> show(read, name.getText())));
        field.prompt(SummaryModel.proposed(outcome).said());
        Label inWords = Pieces.label("In words", "second");
        inWords.setMinWidth(Region.USE_PREF_SIZE);
        HBox line = new HBox(8, inWords, field);
        line.setAlignment(Pos.BASELINE_LEFT);
        HBox.setHgrow(field, Priority.ALWAYS);
        written.getChildren().setAll(line);
    }

    private void change(Summary now) {
        show(now, name.getText());
    }

    // ---- figures ----

    private void selected(long row, int column) {
        SummaryGrid now = shown;
        if (now == null || now.rows() == 0) {
            chosen.setText("");
            figure.setText("");
            return;
        }
        String said = now.said(row, column);
        int parted = said.lastIndexOf(": ");
        chosen.setText(parted < 0 ? said : said.substring(0, parted));
        figure.setText(parted < 0 ? "" : said.substring(parted + 2));
        trail.accept(said);
    }

    private void openRows() {
        SummaryGrid now = shown;
        if (now != null && now.rows() > 0) {
            rows.accept(now.behind(grid.selectedRow(), grid.selectedColumn()));
        }
    }

    // ---- those of the job ----

    private void keep() {
        Summary now = summary;
        if (now == null) {
            return;
        }
        if (name.getText().isBlank()) {
            name.requestFocus();
            notes.setText("Give the summary a name first, then keep it.");
            return;
        }
        says.setText(name.getText().strip());
        summaries.keep(name.getText(), now);
    }

    private void tellKept() {
        List<Summaries.Named> all = summaries.kept();
        kept.setText(all.size() == 1 ? "1 summary in this job" : all.size() + " summaries in this job");
        Pieces.show(kept, !all.isEmpty());
        List<MenuItem> items = new ArrayList<>();
        all.forEach(named -> items.add(Pieces.item(named.name(), "", () -> showKept(named))));
        if (!all.isEmpty()) {
            items.add(Pieces.line());
            all.forEach(named -> items.add(Pieces.item(
                    "Take " + Says.quoted(named.name()) + " out of the job",
                    "",
                    () -> summaries.remove(named.name()))));
        }
        kept.getItems().setAll(items);
        kept.setAccessibleText(all.stream().map(Summaries.Named::name).collect(Collectors.joining(", ")));
    }
}
