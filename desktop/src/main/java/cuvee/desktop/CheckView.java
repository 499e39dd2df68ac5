package cuvee.desktop;

import cuvee.check.CheckResult;
import cuvee.check.Reconciled;
import cuvee.check.SourceChange;
import cuvee.detect.FoundTable;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.PlacedTable;
import cuvee.layout.StatedTotals;
import cuvee.model.CheckModel;
import cuvee.model.Fullness;
import cuvee.model.GridModel.Mark;
import cuvee.model.Grouping;
import cuvee.model.JobModel;
import cuvee.model.Reconciliation;
import cuvee.model.Weighing;
import cuvee.model.WhatChanged;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.tell.Account;
import cuvee.tell.LikeFindings;
import cuvee.tell.Outcome;
import cuvee.tell.Resting;
import cuvee.tell.SettledFinding;
import cuvee.tell.SourceReport;
import cuvee.tell.Verdict;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.geometry.HPos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Whether the master can be defended: the verdict with its equations, the reconciliation line by line, how full each column
 * is by source, what changed, and the findings, the gravest first. Every finding leads to its place.
 */
final class CheckView extends VBox {
    private static final double SIDE = 332;
    private static final int MOST_SHOWN = 100;
    /** So many places of like findings are listed at first. */
    private static final int FEW_PLACES = 3;

    private static final int FEW_SOURCES = 6;
    private final JobModel model;
    private final Supplier<Choosers> choosers;
    private final Consumer<Where> open;
    private final Consumer<String> facts;
    private final Label verdict = Pieces.wrapped("No refresh yet.", "verdict");
    private final Label mark = Pieces.label("?", "mark", "question");
    private final Label under = Pieces.wrapped("", "second");
    private final VBox equations = new VBox(6);
    private final HBox card;
    private final MenuButton by = Pieces.slot("check-by");
    private final MenuButton of = Pieces.slot("check-of");
    private final Label currency = Pieces.label("", "second");
    private final Label corrected = Pieces.wrapped("", "second");
    private final CheckModel checks;
    private final GridView tally = new GridView("reconciliation-grid");
    private final GridView fill = new GridView("fullness-grid");
    private final VBox changes = new VBox(0);
    private final VBox stated = new VBox(0);
    private final VBox own = new VBox(0);
    private final VBox findings = new VBox(0);
    private final VBox settled = new VBox(0);
    private final VBox beside = new VBox(16);
    private String grouped = "";
    private String weighed = "";
    private boolean allSources;

    /**
     * @param open opens a place in a source
     * @param facts opens the facts of a column
     */
    CheckView(JobModel model, Supplier<Choosers> choosers, Consumer<Where> open, Consumer<String> facts) {
        this.facts = facts;
        this.model = model;
        this.choosers = choosers;
        this.open = open;
        this.checks = new CheckModel(model);
        setId("check");
        verdict.setId("verdict");
        Button account = Pieces.go("The account to hand over ...", "account", this::account);
        VBox said = new VBox(2, Pieces.row(10, mark, verdict), under, account);
        HBox.setHgrow(verdict, Priority.ALWAYS);
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMinWidth(0);
        equations.setMinWidth(USE_PREF_SIZE);
        equations.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
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
        HBox head = Pieces.row(
                5,
                Pieces.label("Reconciliation", "heading"),
                Pieces.label("by", "second"),
                by,
                Pieces.label("of", "second"),
                of,
                currency);
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
        changes.setId("what-changed");
        stated.setId("stated-totals");
        own.setId("own-checks");
        findings.setId("findings");
        settled.setId("settled-findings");
        beside.getChildren().addAll(changes, stated, own, findings, settled);
        ScrollPane side = new ScrollPane(beside);
        side.setFitToWidth(true);
        side.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        side.getStyleClass().add("findings-side");
        Edge.of(side, HPos.LEFT, SIDE);
        HBox both = new HBox(left, side);
        VBox.setVgrow(both, Priority.ALWAYS);
        getChildren().addAll(card, both);
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        model.whatChangedProperty().addListener((o, before, now) -> {
            allSources = false;
            showChanges(now);
        });
        show(model.outcomeProperty().get());
        showChanges(model.whatChangedProperty().get());
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
            String column = weighed(made);
            Reconciliation reconciliation = new Reconciliation(made, chosen, column);
            tally.setModel(reconciliation);
            // No taller than its lines, so that the rest goes to the grid below.
            double high = 44 + reconciliation.rows() * GridGeometry.ROW + 46;
            tally.setPrefHeight(high);
            tally.setMaxHeight(high);
            fill.setModel(new Fullness(made, chosen));
            corrected.setText(Reconciliation.says(made));
            Pieces.show(corrected, !corrected.getText().isEmpty());
            showVerdict(made, reconciliation);
            Focus.kept(beside, tally, () -> {
                showStated(made);
                showOwn(made);
                showFindings(made);
                showSettled(made);
            });
        });
    }

    /** The column whose sums are compared: as it was chosen, else the one by which the master is weighed, else the first. */
    private String weighed(Outcome made) {
        List<Proposal.ColumnReport> columns = made.proposal().columns();
        List<String> added = IntStream.range(0, columns.size())
                .filter(i -> made.reconciled().sum(i).tables() > 0)
                .mapToObj(i -> columns.get(i).name())
                .toList();
        String column = Stream.of(
                        Optional.of(weighed),
                        Weighing.of(made).map(Weighing::column),
                        added.stream().findFirst())
                .flatMap(Optional::stream)
                .filter(added::contains)
                .findFirst()
                .orElse("");
        Pieces.show(of, !column.isEmpty());
        of.setText(column.isEmpty() ? "no number column" : column);
        of.getItems()
                .setAll(added.stream()
                        .map(name -> Pieces.item(name, "", () -> {
                            weighed = name;
                            show(model.outcomeProperty().get());
                        }))
                        .toList());
        currency.setText(columns.stream()
                .filter(each -> each.name().equals(column))
                .map(Proposal.ColumnReport::currency)
                .findFirst()
                .orElse(""));
        return column;
    }

    /** Writes the account of the master where the analyst says. */
    private void account() {
        Path proposed = model.file()
                .resolveSibling("Account of " + model.jobProperty().get().name() + ".html");
        Handing.over(model, choosers.get(), "Write the account to", proposed, "html", model.deliveries()::writeAccount);
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
        long lost = made.seen() - made.kept();
        under.setText(Says.count(made.taken(), "file") + " taken, "
                + Says.number(made.sources().size() - made.taken()) + " set aside; " + Says.count(lost, "line") + " of "
                + Says.number(made.seen()) + " set aside.");
        Resting resting = Resting.of(made);
        if (!resting.isNothing()) {
            under.setText(under.getText() + "\n" + resting.said());
        }
        equations.getChildren().setAll(equation("Lines", reconciliation.equation(), Verdict.closes(made)));
        int at = made.proposal().columns().stream()
                .map(Proposal.ColumnReport::name)
                .toList()
                .indexOf(of.getText());
        if (at >= 0) {
            Reconciled.Sum sum = made.reconciled().sum(at);
            equations
                    .getChildren()
                    .add(equation(
                            of.getText(),
                            Account.equation(
                                    sum, made.proposal().columns().get(at).type()),
                            sum.closes() && !made.failed()));
        }
    }

    private void mark(String sign, String style) {
        mark.setText(sign);
        mark.getStyleClass().setAll("label", "mark", style);
    }

    private static VBox equation(String of, String words, boolean closes) {
        VBox ruled = new VBox(Pieces.label(words, "bold"));
        ruled.getStyleClass().add(closes ? "double-rule" : "single-rule");
        ruled.setMaxWidth(USE_PREF_SIZE);
        VBox both = new VBox(0, Pieces.label(of, "second", "small"), ruled);
        both.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
        both.setMinWidth(USE_PREF_SIZE);
        return both;
    }

    /** What the files that came last changed, in half a minute: the whole, then source by source. */
    private void showChanges(WhatChanged changed) {
        changes.getChildren()
                .setAll(Pieces.row(
                        8, Pieces.label("What changed", "heading"), Pieces.label("since the last refresh", "second")));
        if (changed.lines().isEmpty()) {
            changes.getChildren()
                    .add(Pieces.wrapped("Nothing to compare yet: the next refresh says here what came.", "second"));
            return;
        }
        changed.lines().forEach(line -> changes.getChildren().add(figure(line.words(), line.figure())));
        List<SourceChange> sources = changed.sources();
        int shown = allSources ? Math.min(MOST_SHOWN, sources.size()) : Math.min(FEW_SOURCES, sources.size());
        for (int i = 0; i < shown; i++) {
            changes.getChildren().add(source(sources.get(i), i));
        }
        if (shown < sources.size() && !allSources) {
            changes.getChildren().add(Pieces.go("All " + Says.count(sources.size(), "source"), "changes-all", () -> {
                allSources = true;
                showChanges(changed);
            }));
        } else if (shown < sources.size()) {
            changes.getChildren()
                    .add(Pieces.wrapped(Says.number(sources.size() - shown) + " more stand in the account.", "second"));
        }
    }

    private VBox source(SourceChange source, int number) {
        VBox box = new VBox(0, Pieces.wrapped(source.said(), "second"));
        if (source.kind() == SourceChange.Kind.GONE) {
            box.getChildren().add(0, Pieces.label(source.path(), "medium"));
        } else {
            box.getChildren()
                    .add(
                            0,
                            Pieces.go(
                                    source.path(), "change-" + number, () -> open.accept(Where.source(source.path()))));
        }
        box.getStyleClass().add("side-line");
        return box;
    }

    private static HBox figure(String words, String figure) {
        Label said = Pieces.wrapped(words, "second");
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        said.setMinWidth(0);
        Label number = Pieces.label(figure);
        number.setMinWidth(USE_PREF_SIZE);
        HBox line = Pieces.row(8, said, number);
        line.getStyleClass().add("side-line");
        return line;
    }

    /** The totals that the files state themselves, against what their rows add up to. */
    private void showStated(Outcome made) {
        long all = 0;
        long agree = 0;
        for (SourceReport source : made.sources()) {
            for (PlacedTable table : source.tables()) {
                List<FoundTable.StatedTotal> sums = StatedTotals.sums(table.table());
                all += sums.size();
                agree += sums.stream().filter(FoundTable.StatedTotal::agrees).count();
            }
        }
        Pieces.show(stated, all > 0);
        String words = Says.number(agree) + " of " + Says.number(all) + " agree";
        HBox line = Pieces.row(
                8,
                Pieces.label("Totals the files state", "heading"),
                Pieces.space(),
                agree == all ? Pieces.label("ok", "mark", "agrees") : Pieces.label("!", "mark", "wrong"),
                Pieces.label(words));
        stated.getChildren().setAll(line);
    }

    /** The analyst's own checks, each with what it came to, and a line to write another. */
    private void showOwn(Outcome made) {
        List<CheckResult> all = made.checks();
        long pass = all.stream().filter(CheckResult::passes).count();
        HBox head = Pieces.row(8, Pieces.label("Your own checks", "heading"), Pieces.space());
        if (!all.isEmpty()) {
            head.getChildren()
                    .addAll(
                            pass == all.size()
                                    ? Pieces.label("ok", "mark", "agrees")
                                    : Pieces.label("!", "mark", "wrong"),
                            Pieces.label(Says.number(pass) + " of " + Says.number(all.size()) + " pass"));
        }
        own.getChildren().setAll(head);
        for (int i = 0; i < all.size(); i++) {
            own.getChildren().add(check(all.get(i), i));
        }
        RuleField field = new RuleField("own-check-words", "", checks.wording(made), checks::add);
        field.prompt(checks.wording(made).example());
        Label another =
                Pieces.label(all.isEmpty() ? "None yet. At each refresh check that" : "Check also that", "second");
        own.getChildren().addAll(another, field);
    }

    private VBox check(CheckResult result, int number) {
        Label words = Pieces.wrapped(result.words(), "medium");
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox first = Pieces.row(
                8,
                result.passes() ? Pieces.label("ok", "mark", "agrees") : Pieces.label("!", "mark", "wrong"),
                words,
                Pieces.go("Remove", "own-check-remove-" + number, () -> checks.remove(result.words())));
        first.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        VBox box = new VBox(2, first);
        if (!result.problem().isEmpty()) {
            box.getChildren().add(Pieces.wrapped("It cannot be made: " + result.problem() + ".", "second"));
        } else if (!result.first().isEmpty()) {
            Where where = result.first().get(0);
            box.getChildren().add(Pieces.label(Says.count(result.fails(), "row") + " not so; the first:", "second"));
            box.getChildren().add(Pieces.place(where.toString(), "own-check-" + number, () -> open.accept(where)));
        }
        result.details().forEach(detail -> box.getChildren().add(Pieces.wrapped(detail, "second")));
        box.getStyleClass().add("side-line");
        return box;
    }

    private void showFindings(Outcome made) {
        List<Finding> found = made.findings().stream()
                .filter(finding -> finding.atLeast(Severity.REMARK))
                // What a check of one's own came to stands beside its words.
                .filter(finding ->
                        !finding.kind().equals("own-check") && !finding.kind().equals("check-lost"))
                .sorted(Comparator.comparing(Finding::severity).reversed())
                .toList();
        List<LikeFindings> shown = LikeFindings.of(found);
        String sorts = shown.size() == found.size() ? "" : " of " + Says.count(shown.size(), "kind");
        findings.getChildren().clear();
        findings.getChildren()
                .add(Pieces.row(
                        8,
                        Pieces.label("Findings", "heading"),
                        Pieces.label(
                                shown.isEmpty() ? "none" : found.size() + sorts + ", the gravest first", "second")));
        if (shown.isEmpty()) {
            findings.getChildren()
                    .add(Pieces.wrapped("Nothing to see: every value fits and every tally closes.", "second"));
        }
        int number = 0;
        for (LikeFindings like : shown.subList(0, Math.min(MOST_SHOWN, shown.size()))) {
            findings.getChildren().add(finding(like, number++));
        }
        if (shown.size() > MOST_SHOWN) {
            findings.getChildren()
                    .add(Pieces.wrapped(
                            Says.number(shown.size() - MOST_SHOWN) + " more stand in the job as a page.", "second"));
        }
    }

    private VBox finding(LikeFindings like, int number) {
        Finding finding = like.first();
        boolean wrong = finding.atLeast(Severity.WARNING);
        boolean question = finding.severity() == Severity.QUESTION;
        Label what = Pieces.wrapped(finding.what(), "medium");
        HBox.setHgrow(what, Priority.ALWAYS);
        HBox first = Pieces.row(8, Pieces.mark(wrong ? Mark.WRONG : question ? Mark.QUESTION : Mark.FINDING, ""), what);
        first.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        VBox text = new VBox(2);
        text.getStyleClass().add("finding-text");
        VBox places = new VBox(2);
        list(places, like.places(), number, FEW_PLACES);
        text.getChildren().add(places);
        String rest = (finding.done() + " " + finding.canDo()).strip();
        if (!rest.isEmpty()) {
            text.getChildren().add(Pieces.wrapped(rest, "second"));
        }
        HBox acts = Pieces.row(16);
        checks.column(finding)
                .ifPresent(column -> acts.getChildren()
                        .add(Pieces.go("Facts of the column", "finding-facts-" + number, () -> facts.accept(column))));
        checks.late(finding)
                .ifPresent(closed -> acts.getChildren()
                        .add(Pieces.go(
                                "Close " + closed.value() + " again",
                                "close-again-" + number,
                                () -> checks.close(closed.column(), closed.value()))));
        model.files()
                .offeredList(finding)
                .ifPresent(list -> acts.getChildren()
                        .add(Pieces.go(
                                "Take it as a list of places",
                                "take-list-" + number,
                                () -> model.files().addList(list))));
        if (SettledFinding.canSettle(finding)) {
            acts.getChildren().add(settling(like.findings(), number));
        }
        text.getChildren().add(acts);
        VBox box = new VBox(2, first, text);
        box.getStyleClass().add("finding");
        return box;
    }

    /** Lists the places of like findings, each leading there; more than a few only where they are asked for. */
    private void list(VBox list, List<Where> places, int number, int most) {
        int shown = places.size() <= most + 1 ? places.size() : most;
        list.getChildren().clear();
        for (int i = 0; i < shown; i++) {
            Where where = places.get(i);
            String id = "finding-" + number + (i == 0 ? "" : "-" + i);
            list.getChildren().add(Pieces.place(where.toString(), id, () -> open.accept(where)));
        }
        if (shown < places.size()) {
            String more = Says.count(places.size() - shown, "more place");
            list.getChildren()
                    .add(Pieces.go(more, "finding-places-" + number, () -> list(list, places, number, places.size())));
        }
    }

    /** Says of like findings that they are so, with a note; the line to write it in stands where the words stood. */
    private HBox settling(List<Finding> like, int number) {
        HBox line = new HBox();
        String words = like.size() == 1 ? "That is so ..." : "All of them are so ...";
        line.getChildren().add(Pieces.go(words, "settle-finding-" + number, () -> {
            TextField note = new TextField();
            note.setId("settle-finding-" + number);
            note.setPromptText("why, in a few words; Enter settles it");
            HBox.setHgrow(note, Priority.ALWAYS);
            note.setOnAction(entered -> checks.accept(like, note.getText()));
            note.setOnKeyPressed(key -> {
                if (key.getCode() == KeyCode.ESCAPE) {
                    line.getChildren().setAll(settling(like, number).getChildren());
                    key.consume();
                }
            });
            line.getChildren().setAll(note);
            note.requestFocus();
        }));
        return line;
    }

    /** The findings of which the analyst says that they are so, each to be opened again. */
    private void showSettled(Outcome made) {
        List<SettledFinding> all = made.settled();
        settled.getChildren().clear();
        Pieces.show(settled, !all.isEmpty());
        settled.getChildren()
                .add(Pieces.row(
                        8,
                        Pieces.label("Settled", "heading"),
                        Pieces.label(all.size() + ", until a figure changes", "second")));
        for (int i = 0; i < Math.min(MOST_SHOWN, all.size()); i++) {
            SettledFinding each = all.get(i);
            VBox text = new VBox(2);
            text.getStyleClass().add("finding-text");
            if (!each.note().isEmpty()) {
                text.getChildren().add(Pieces.wrapped(each.note()));
            }
            text.getChildren()
                    .addAll(
                            Pieces.label(each.by(), "second"),
                            Pieces.go("Open again", "open-finding-" + i, () -> checks.open(each.finding())));
            Label what = Pieces.wrapped(each.finding().what(), "second");
            HBox.setHgrow(what, Priority.ALWAYS);
            HBox first = Pieces.row(8, Pieces.label("ok", "mark", "agrees"), what);
            first.setAlignment(javafx.geometry.Pos.TOP_LEFT);
            VBox box = new VBox(2, first, text);
            box.getStyleClass().add("finding");
            settled.getChildren().add(box);
        }
    }
}
