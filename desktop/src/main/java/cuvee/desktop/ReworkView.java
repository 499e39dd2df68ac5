package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.tell.JobPage;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * What happens to the rows between the sheets and the master, as a page of sentences: each can be switched on and off, its
 * names changed where they stand, and looked at before and after on real rows.
 */
final class ReworkView extends VBox {
    /** Sentences that are wider than this are hard to read. */
    private static final double WIDEST = 1136;

    private final JobModel model;
    private final Label says = Pieces.label("", "says");
    private final VBox page = new VBox(22);
    private Optional<NewRule.What> writing = Optional.empty();
    private final Set<String> open = new HashSet<>();
    private final Button asPage;
    private final Supplier<Choosers> choosers;
    private boolean paged;

    ReworkView(JobModel model, Supplier<Choosers> choosers) {
        this.model = model;
        this.choosers = choosers;
        setId("rework");
        says.setMinWidth(0);
        asPage = Pieces.button("As a page", "rework-page", () -> showPage(!paged));
        asPage.setTooltip(new Tooltip("The whole job in sentences, to read, print, copy or save"));
        HBox head = Pieces.row(
                12,
                says,
                Pieces.space(),
                Pieces.label("A rule can also start from what is selected in Master: Ctrl+R", "second"),
                asPage);
        head.getStyleClass().add("standing");
        page.getStyleClass().add("document");
        page.setMaxWidth(WIDEST);
        ScrollPane scroll = new ScrollPane(page);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("places");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        model.outcomeProperty().addListener((o, before, now) -> show(now));
        show(model.outcomeProperty().get());
    }

    /** Shows the whole job as a page in the place of the sentences, or those again. */
    private void showPage(boolean wanted) {
        paged = wanted;
        asPage.setText(wanted ? "Back to the sentences" : "As a page");
        show(model.outcomeProperty().get());
    }

    private void show(Optional<Outcome> outcome) {
        if (paged && outcome.isPresent()) {
            says.setText("The whole job in sentences, as its last refresh has it.");
            page.getChildren().setAll(new JobPageView(model, choosers, JobPage.of(outcome.get())));
            return;
        }
        String focused = getScene() == null || getScene().getFocusOwner() == null
                ? ""
                : String.valueOf(getScene().getFocusOwner().getId());
        page.getChildren().clear();
        if (outcome.isEmpty()) {
            says.setText("What happens to the rows is written here once the files have been read.");
            return;
        }
        List<Sentence> sentences = outcome.get().sentences();
        long inForce = sentences.stream().filter(Sentence::on).count();
        long aside = outcome.get().rowsRuledOut();
        says.setText(
                sentences.isEmpty()
                        ? "No rule is in force: the rows go into the master as the sheets have them."
                        : Says.count(inForce, "rule") + (inForce == 1 ? " is" : " are") + " in force"
                                + (sentences.size() > inForce
                                        ? ", " + Says.number(sentences.size() - inForce) + " resting"
                                        : "")
                                + (aside == 0
                                        ? "; no row is set aside."
                                        : "; " + Says.count(aside, "row") + (aside == 1 ? " is" : " are")
                                                + " set aside."));
        for (Sentence.Paragraph paragraph : Sentence.Paragraph.values()) {
            List<Sentence> about = sentences.stream()
                    .filter(sentence -> sentence.paragraph() == paragraph)
                    .toList();
            HBox starts = starts(outcome.get(), paragraph);
            if (!about.isEmpty() || !starts.getChildren().isEmpty()) {
                String[] words = paragraph.title().split(": ", 2);
                HBox title = Pieces.row(8, Pieces.label(words[0], "heading"));
                if (words.length > 1) {
                    title.getChildren().add(Pieces.label(words[1], "second"));
                }
                VBox block = new VBox(8, title);
                about.forEach(
                        sentence -> block.getChildren().add(new SentenceCard(model, outcome.get(), sentence, open)));
                writing.filter(what -> paragraphOf(what) == paragraph)
                        .ifPresent(what -> block.getChildren().add(written(outcome.get(), what)));
                if (!starts.getChildren().isEmpty()) {
                    block.getChildren().add(starts);
                }
                page.getChildren().add(block);
            }
        }
        Node again = focused.isEmpty() ? null : lookup("#" + focused);
        if (again != null) {
            again.requestFocus();
        }
    }

    // ---- rules that are being written ----

    private static Sentence.Paragraph paragraphOf(NewRule.What what) {
        return what == NewRule.What.COLUMN ? Sentence.Paragraph.COLUMNS : Sentence.Paragraph.ROWS;
    }

    /** The rules that can be begun in a paragraph. */
    private HBox starts(Outcome outcome, Sentence.Paragraph paragraph) {
        HBox starts = Pieces.row(12);
        if (outcome.rowsBefore() + outcome.rowsRuledOut() == 0) {
            return starts;
        }
        for (NewRule.What what : NewRule.What.values()) {
            if (paragraphOf(what) == paragraph) {
                String words = what.words().toLowerCase(java.util.Locale.ROOT) + " …";
                starts.getChildren().add(Pieces.go(words, startId(what), () -> write(Optional.of(what))));
            }
        }
        if (paragraph == Sentence.Paragraph.MASTER) {
            MenuButton order = Pieces.slot("write-order");
            order.setText("order the rows by …");
            outcome.plan()
                    .columns()
                    .forEach(column -> order.getItems()
                            .add(Pieces.item(
                                    column.name(), "", () -> model.rules().sortBy(column.name(), false))));
            starts.getChildren()
                    .addAll(
                            order,
                            Pieces.go(
                                    "number the rows",
                                    "write-number",
                                    () -> model.rules().numberRows()));
        }
        if (!starts.getChildren().isEmpty()) {
            starts.getChildren().add(0, Pieces.label("Write", "second"));
        }
        return starts;
    }

    private void write(Optional<NewRule.What> what) {
        writing = what;
        show(model.outcomeProperty().get());
        if (lookup("#new-rule") instanceof NewRule rule) {
            Platform.runLater(rule::focusWords);
        }
    }

    /** Lets the keys stay where a rule was begun. */
    private void focusStart(NewRule.What what) {
        Node start = lookup("#" + startId(what));
        if (start != null) {
            start.requestFocus();
        }
    }

    private static String startId(NewRule.What what) {
        return "write-" + what.name().toLowerCase(java.util.Locale.ROOT);
    }

    private NewRule written(Outcome outcome, NewRule.What what) {
        return new NewRule(
                model,
                outcome,
                what,
                () -> {
                    write(Optional.empty());
                    focusStart(what);
                },
                rows -> FewRows.of(what == NewRule.What.COLUMN ? "The first rows" : "Rows that would go", rows, false));
    }

    /** Gives the first sentence the keys. */
    void focusFirst() {
        applyCss();
        layout();
        Node first = page.lookup(".in-force");
        Node start = first == null ? page.lookup(".go") : first;
        if (start != null) {
            start.requestFocus();
        }
    }
}
