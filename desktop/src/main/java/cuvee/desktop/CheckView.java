package cuvee.desktop;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.master.MasterReader;
import cuvee.model.Fullness;
import cuvee.model.GridModel.Mark;
import cuvee.model.Grouping;
import cuvee.model.JobModel;
import cuvee.model.Reconciliation;
import cuvee.model.Weighing;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.refresh.Outcome;
import cuvee.refresh.Proposal;
import cuvee.refresh.Verdict;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Whether the master can be defended: the verdict with its equations, the reconciliation line by line, how full each column
 * is by source, what changed, and the findings, the gravest first. Every finding leads to its place.
 */
final class CheckView extends VBox {
    private static final double SIDE = 320;
    private static final int MOST_SHOWN = 100;
    private final JobModel model;
    private final Consumer<Where> open;
    private final Label verdict = Pieces.wrapped("No refresh yet.", "verdict");
    private final Label mark = Pieces.label("?", "mark", "question");
    private final Label under = Pieces.wrapped("", "second");
    private final HBox equations = new HBox(28);
    private final HBox card;
    private final MenuButton by = Pieces.slot("check-by");
    private final Label corrected = Pieces.wrapped("", "second");
    private final GridView tally = new GridView("reconciliation-grid");
    private final GridView fill = new GridView("fullness-grid");
    private final VBox findings = new VBox(0);
    private String grouped = "";
    private Map<Integer, BigDecimal> sums = Map.of();

    CheckView(JobModel model, Consumer<Where> open) {
        this.model = model;
        this.open = open;
        setId("check");
        verdict.setId("verdict");
        VBox said = new VBox(2, Pieces.row(10, mark, verdict), under);
        HBox.setHgrow(verdict, Priority.ALWAYS);
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMinWidth(0);
        equations.setMinWidth(USE_PREF_SIZE);
        card = new HBox(24, said, equations);
        card.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        card.getStyleClass().add("verdict-card");
        tally.setEmptyWords("No source has been read yet.");
        fill.setEmptyWords("No source has been read yet.");
        VBox.setVgrow(tally, Priority.SOMETIMES);
        VBox.setVgrow(fill, Priority.ALWAYS);
        tally.setMinHeight(150);
        fill.setPrefHeight(190);
        fill.setMinHeight(110);
        HBox head = Pieces.row(5, Pieces.label("Reconciliation", "heading"), Pieces.label("by", "second"), by);
        head.getStyleClass().add("check-head");
        HBox fillHead = Pieces.row(
                8,
                Pieces.label("How full each column is", "heading"),
                Pieces.label("hatched: not there at all", "second"));
        fillHead.getStyleClass().add("check-head");
        VBox left = new VBox(head, corrected, tally, fillHead, fill);
        corrected.getStyleClass().add("check-note");
        left.setMinWidth(0);
        HBox.setHgrow(left, Priority.ALWAYS);
        findings.setId("findings");
        ScrollPane side = new ScrollPane(findings);
        side.setFitToWidth(true);
        side.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        side.getStyleClass().add("findings-side");
        side.setMinWidth(SIDE);
        side.setPrefWidth(SIDE);
        side.setMaxWidth(SIDE);
        HBox both = new HBox(left, side);
        VBox.setVgrow(both, Priority.ALWAYS);
        getChildren().addAll(card, both);
        model.outcomeProperty().addListener((o, before, now) -> {
            sums = Map.of();
            show(now);
            askForSums(now);
        });
        show(model.outcomeProperty().get());
        askForSums(model.outcomeProperty().get());
    }

    List<GridView> grids() {
        return List.of(tally, fill);
    }

    private void show(Optional<Outcome> outcome) {
        outcome.ifPresent(made -> {
            List<Grouping> ways = Grouping.all(made);
            Grouping chosen = ways.stream()
                    .filter(way -> way.words().equals(grouped))
                    .findFirst()
                    .orElse(ways.get(0));
            by.setText(chosen.words());
            by.getItems()
                    .setAll(ways.stream()
                            .map(way -> Pieces.item(way.words(), "", () -> {
                                grouped = way.words();
                                show(model.outcomeProperty().get());
                            }))
                            .toList());
            String weighed = Weighing.of(made)
                    .filter(weighing -> !sums.isEmpty() && made.shaped().isEmpty())
                    .map(Weighing::column)
                    .orElse("");
            Reconciliation reconciliation = new Reconciliation(made, chosen, weighed, sums);
            tally.setModel(reconciliation);
            // No taller than its lines, so that the rest goes to the grid below.
            double high = 44 + reconciliation.rows() * GridGeometry.ROW + 46;
            tally.setPrefHeight(high);
            tally.setMaxHeight(high);
            fill.setModel(new Fullness(made, chosen));
            corrected.setText(Reconciliation.says(made));
            Pieces.show(corrected, !corrected.getText().isEmpty());
            showVerdict(made, reconciliation);
            showFindings(made);
        });
    }

    /** The sums by source are worked out apart, so that all else stands at once. */
    private void askForSums(Optional<Outcome> outcome) {
        int weighed = outcome.flatMap(made -> Weighing.of(made)
                        .map(weighing -> made.proposal().columns().stream()
                                .map(Proposal.ColumnReport::name)
                                .toList()
                                .indexOf(weighing.column())))
                .orElse(-1);
        if (weighed >= 0) {
            model.ask(
                    made -> {
                        try (MasterReader reader = model.session().reader(made)) {
                            return reader.sumsByTable(weighed);
                        }
                    },
                    found -> {
                        if (model.outcomeProperty().get().equals(outcome)) {
                            sums = found;
                            show(outcome);
                        }
                    });
        }
    }

    private void showVerdict(Outcome made, Reconciliation reconciliation) {
        Verdict now = Verdict.of(made);
        verdict.setText(now.sentence());
        String kind = switch (now.kind()) {
            case CLEAN -> "clean";
            case NOT_FINAL -> "open";
            case WRONG -> "wrong";
        };
        card.getStyleClass().setAll("verdict-card", kind);
        switch (now.kind()) {
            case CLEAN -> mark("ok", "agrees");
            case NOT_FINAL -> mark("?", "question");
            case WRONG -> mark("!", "wrong");
        }
        under.setText(made.changed().sentence());
        equations.getChildren().setAll(equation("Lines", reconciliation.equation(), now));
        Weighing.of(made)
                .ifPresent(weighing -> equations
                        .getChildren()
                        .add(equation(weighing.column(), weighing.sum() + " " + weighing.currency(), now)));
    }

    private void mark(String sign, String style) {
        mark.setText(sign);
        mark.getStyleClass().setAll("label", "mark", style);
    }

    private static VBox equation(String of, String words, Verdict verdict) {
        Label figure = Pieces.label(words.strip(), "bold");
        VBox ruled = new VBox(figure);
        ruled.getStyleClass().add(verdict.kind() == Verdict.Kind.WRONG ? "single-rule" : "double-rule");
        ruled.setMaxWidth(USE_PREF_SIZE);
        VBox both = new VBox(0, Pieces.label(of, "second", "small"), ruled);
        both.setMinWidth(USE_PREF_SIZE);
        return both;
    }

    private void showFindings(Outcome made) {
        List<Finding> shown = made.findings().stream()
                .filter(finding -> finding.atLeast(Severity.REMARK))
                .sorted(Comparator.comparing(Finding::severity).reversed())
                .toList();
        findings.getChildren().clear();
        findings.getChildren()
                .add(Pieces.row(
                        8,
                        Pieces.label("Findings", "heading"),
                        Pieces.label(shown.isEmpty() ? "none" : shown.size() + ", the gravest first", "second")));
        if (shown.isEmpty()) {
            findings.getChildren()
                    .add(Pieces.wrapped("Nothing to see: every value fits and every tally closes.", "second"));
        }
        int number = 0;
        for (Finding finding : shown.subList(0, Math.min(MOST_SHOWN, shown.size()))) {
            findings.getChildren().add(finding(finding, number++));
        }
        if (shown.size() > MOST_SHOWN) {
            findings.getChildren()
                    .add(Pieces.wrapped(
                            Says.number(shown.size() - MOST_SHOWN) + " more stand in the job as a page.", "second"));
        }
    }

    private VBox finding(Finding finding, int number) {
        boolean wrong = finding.atLeast(Severity.WARNING);
        boolean question = finding.severity() == Severity.QUESTION;
        Label what = Pieces.wrapped(finding.what(), "medium");
        HBox.setHgrow(what, Priority.ALWAYS);
        HBox first = Pieces.row(8, Pieces.mark(wrong ? Mark.WRONG : question ? Mark.QUESTION : Mark.FINDING, ""), what);
        first.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        VBox text = new VBox(2);
        text.getStyleClass().add("finding-text");
        if (!finding.where().source().isEmpty()) {
            text.getChildren()
                    .add(Pieces.go(
                            finding.where().toString(), "finding-" + number, () -> open.accept(finding.where())));
        }
        String rest = (finding.done() + " " + finding.canDo()).strip();
        if (!rest.isEmpty()) {
            text.getChildren().add(Pieces.wrapped(rest, "second"));
        }
        VBox box = new VBox(2, first, text);
        box.getStyleClass().add("finding");
        return box;
    }
}
