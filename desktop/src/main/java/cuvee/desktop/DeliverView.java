package cuvee.desktop;

import cuvee.deliver.TargetGuard;
import cuvee.finding.Question;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.model.About;
import cuvee.model.DeliveryModel;
import cuvee.model.GridModel.Mark;
import cuvee.model.JobModel;
import cuvee.model.Questions;
import cuvee.model.Weighing;
import cuvee.place.Says;
import cuvee.refresh.EarlierMasters;
import cuvee.refresh.JobHistory;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.event.ActionEvent;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Where the master is written: one card for each delivery. */
final class DeliverView extends VBox {
    /** So many questions are named on a card. */
    private static final int NAMED = 4;

    private static final double ABOUT = 344;
    private static final int DONE_SHOWN = 8;
    private static final double WIDE = 380;
    /** Of how many refreshes masters may be kept, in words. */
    private static final Map<Integer, String> KEPT = new TreeMap<>(
            Map.of(0, "none", 1, "the last", 3, "the last 3", 6, "the last 6", 12, "the last 12", 24, "the last 24"));

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);

    private final JobModel model;
    private final Supplier<Choosers> choosers;
    /** Deliveries that are written once the one before them is. */
    private final Deque<Delivery> waiting = new ArrayDeque<>();
    /** What was said that deliveries would change, since the last refresh. */
    private final Map<Delivery, String> previews = new HashMap<>();

    private final Runnable questions;
    private final Label says = Pieces.label("", "says");
    private final Button all;
    private final DeliveryWays ways;
    private final DeliveryWords sentence;
    private final VBox cards = new VBox(12);
    private final Label about = Pieces.wrapped("");
    private final VBox done = new VBox(0);
    private final ScrollPane page;
    private final EarlierPane earlier;

    DeliverView(JobModel model, Supplier<Choosers> choosers, Runnable questions) {
        this.model = model;
        this.choosers = choosers;
        this.questions = questions;
        setId("deliver");
        all = Pieces.button("Write all that is ready", "deliver-all", this::writeAll);
        all.setTooltip(new Tooltip("All deliveries that wait for no question (Ctrl+Enter)"));
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.isShortcutDown() && e.getCode() == KeyCode.ENTER) {
                writeAll();
                e.consume();
            }
        });
        HBox head = Pieces.row(12, says, Pieces.space(), all);
        head.getStyleClass().add("standing");
        ways = new DeliveryWays(model, choosers, this::write);
        sentence = new DeliveryWords(model, choosers, this::change);
        VBox another = new VBox(
                8,
                ways,
                Pieces.wrapped(
                        "A file's ending says its form: .xlsx workbook, .csv text, .parquet, .jsonl, .sqlite, .sql script."
                                + " Kept summaries go into workbooks as tabs. In a name, {date}, {month}, {last month}"
                                + " and {year} stand for the day on which it is written; where a file is written for each value,"
                                + " a column's name in braces stands for its value.",
                        "second"));
        another.getStyleClass().add("new-delivery");
        VBox left = new VBox(14, cards, another);
        left.getStyleClass().add("page");
        ScrollPane scroll = new ScrollPane(left);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setMinWidth(0);
        page = scroll;
        earlier = new EarlierPane(model, choosers, () -> showEarlier(false));
        StackPane middle = new StackPane(page, earlier);
        middle.setMinWidth(0);
        HBox.setHgrow(middle, Priority.ALWAYS);
        showEarlier(false);
        VBox right = new VBox(
                10,
                Pieces.row(
                        8,
                        Pieces.label("About this master", "heading"),
                        Pieces.space(),
                        Pieces.go("Copy", "about-copy", this::copyAbout)),
                about,
                Pieces.wrapped(
                        "A master is written in one step. A file that Cuvee did not write is kept unless you say"
                                + " otherwise. What was written is not taken back by Undo.",
                        "second"),
                done);
        right.getStyleClass().addAll("panel", "about-side");
        Edge.of(right, HPos.LEFT, ABOUT);
        about.setId("about");
        done.setId("done");
        HBox both = new HBox(middle, right);
        VBox.setVgrow(both, Priority.ALWAYS);
        getChildren().addAll(head, both);
        model.jobProperty().addListener((o, before, now) -> show(now));
        model.outcomeProperty().addListener((o, before, now) -> {
            previews.clear();
            show(model.jobProperty().get());
        });
        model.messageProperty()
                .addListener((o, before, now) -> show(model.jobProperty().get()));
        show(model.jobProperty().get());
    }

    /** The grid in which an earlier master is shown. */
    GridView grid() {
        return earlier.grid();
    }

    /** Chooses a file, adds it as a delivery and writes it. */
    void addDelivery() {
        ways.addFile();
    }

    private void showEarlier(boolean shown) {
        Pieces.show(earlier, shown);
        Pieces.show(page, !shown);
    }

    private void copyAbout() {
        ClipboardContent content = new ClipboardContent();
        content.putString(about.getText());
        Clipboard.getSystemClipboard().setContent(content);
        model.say("The account of this master is on the clipboard.", false);
    }

    private boolean isReady(Delivery delivery) {
        return model.outcomeProperty().get().filter(made -> !made.failed()).isPresent()
                && model.deliveries().holding(delivery).isEmpty();
    }

    /** Writes every delivery that nothing holds, one after the other. */
    private void writeAll() {
        model.jobProperty().get().deliveries().stream().filter(this::isReady).forEach(waiting::add);
        writeNext();
    }

    private void writeNext() {
        Delivery next = waiting.poll();
        if (next != null) {
            write(next);
        }
    }

    /** Writes a delivery; where that would destroy something of others, only when the analyst says so. */
    private void write(Delivery delivery) {
        Optional<String> loss = model.deliveries().holding(delivery).isEmpty()
                ? model.deliveries().loss(delivery)
                : Optional.empty();
        if (loss.isEmpty()) {
            model.deliveries().write(delivery, TargetGuard.Existing.KEEP, this::beside);
        } else if (choosers.get().replace(model.session().targetOf(delivery), loss.get())) {
            model.deliveries().write(delivery, TargetGuard.Existing.REPLACE, this::beside);
        }
    }

    /** Offers a name beside a file that cannot be written for now. */
    private void beside(DeliveryModel.Held held) {
        JobSession session = model.session();
        if (choosers.get().beside(session.targetOf(held.delivery()), held.why(), session.targetOf(held.beside()))) {
            model.deliveries().writeBeside(held);
        }
    }

    private void change(Delivery delivery, Delivery.Form form) {
        if (!form.equals(delivery.form())) {
            previews.remove(delivery);
            model.deliveries().change(Optional.of(delivery), delivery.withForm(form));
        }
    }

    /** Asks what a delivery would change, and says it on its card. */
    private void preview(Delivery delivery) {
        previews.put(delivery, "Looking …");
        show(model.jobProperty().get());
        model.deliveries().preview(delivery, said -> {
            previews.put(delivery, said);
            show(model.jobProperty().get());
        });
    }

    private void show(Job job) {
        long ready = job.deliveries().stream().filter(this::isReady).count();
        long held = job.deliveries().size() - ready;
        says.setText(
                job.deliveries().isEmpty()
                        ? "No delivery yet."
                        : (job.deliveries().size() == 1
                                        ? "1 delivery"
                                        : Says.number(job.deliveries().size()) + " deliveries")
                                + ": " + Says.number(ready) + " ready"
                                + (held == 0 ? "." : ", " + Says.number(held) + " held."));
        Pieces.show(all, ready > 1);
        showDone();
        Optional<Outcome> outcome = model.outcomeProperty().get();
        about.setText(outcome.map(About::words).orElse("Nothing has been read yet."));
        Runnable focusAgain = focusAgain();
        cards.getChildren().clear();
        job.deliveries()
                .forEach(delivery -> cards.getChildren()
                        .add(card(delivery, cards.getChildren().isEmpty())));
        focusAgain.run();
        // One act at a time is the next one.
        ways.setChief(job.deliveries().isEmpty());
        if (!waiting.isEmpty() && model.workProperty().get().isEmpty()) {
            Platform.runLater(this::writeNext);
        }
    }

    /** Puts the focus where it was once the cards have been made anew; on whatever stands there now. */
    private Runnable focusAgain() {
        Node owner = getScene() == null ? null : getScene().getFocusOwner();
        for (int i = 0; owner != null && i < cards.getChildren().size(); i++) {
            Node card = cards.getChildren().get(i);
            for (Node at = owner; at != null; at = at.getParent()) {
                if (at.equals(card)) {
                    int place = i;
                    String id = owner.getId();
                    return () -> {
                        if (place < cards.getChildren().size() && id != null) {
                            Stream.of(id, "deliver-write", "deliver-settle")
                                    .map(each -> cards.getChildren().get(place).lookup("#" + each))
                                    .filter(same -> same != null && !same.isDisabled())
                                    .findFirst()
                                    .ifPresent(Node::requestFocus);
                        }
                    };
                }
            }
        }
        return () -> {};
    }

    /** What was done with the job, the last first. */
    private void showDone() {
        List<JobHistory.Entry> entries = new ArrayList<>(model.history());
        Collections.reverse(entries);
        Set<Integer> kept =
                model.earlier().kept().stream().map(EarlierMasters.Kept::number).collect(Collectors.toSet());
        done.getChildren()
                .setAll(Pieces.row(
                        8,
                        Pieces.label("What has been done", "heading"),
                        Pieces.label(
                                entries.isEmpty()
                                        ? "nothing yet"
                                        : (entries.size() == 1 ? "1 entry" : Says.number(entries.size()) + " entries"),
                                "second")));
        for (JobHistory.Entry entry : entries.subList(0, Math.min(DONE_SHOWN, entries.size()))) {
            String file = entry.about().substring(entry.about().lastIndexOf('/') + 1);
            Label what = Pieces.label(entry.what().word() + (file.isEmpty() ? "" : " " + file), "medium");
            what.setMinWidth(0);
            Label when = Pieces.label(WHEN.format(entry.when().atZone(ZoneId.systemDefault())), "second", "small");
            when.setMinWidth(Region.USE_PREF_SIZE);
            VBox line = new VBox(
                    0, Pieces.row(8, what, Pieces.space(), when), Pieces.wrapped(entry.said(), "second", "small"));
            if (kept.contains(entry.number())) {
                line.getChildren()
                        .add(Pieces.go(
                                "Look at its master, " + Says.count(entry.rows(), "row"),
                                "earlier-" + entry.number(),
                                () -> {
                                    showEarlier(true);
                                    earlier.show(
                                            entry.number(),
                                            WHEN.format(entry.when().atZone(ZoneId.systemDefault())));
                                }));
            }
            line.getStyleClass().add("side-line");
            done.getChildren().add(line);
        }
        done.getChildren().add(keptMasters());
    }

    /** Of how many refreshes the master is kept, to be changed. */
    private Node keptMasters() {
        MenuButton word = Pieces.slot("kept-masters");
        int now = model.earlier().count();
        word.setText(KEPT.getOrDefault(now, "the last " + Says.number(now)));
        KEPT.forEach((count, words) ->
                word.getItems().add(Pieces.item(words, "", () -> model.earlier().keep(count))));
        long bytes = model.earlier().kept().stream()
                .mapToLong(EarlierMasters.Kept::bytes)
                .sum();
        FlowPane sentence = new FlowPane(
                4,
                4,
                Pieces.label("Masters kept as they were:", "second"),
                word,
                Pieces.label(bytes == 0 ? "" : Says.size(bytes), "second"));
        sentence.setAlignment(Pos.CENTER_LEFT);
        sentence.getStyleClass().add("side-line");
        return sentence;
    }

    /** A delivery; the act of the first one is the next act. */
    private VBox card(Delivery delivery, boolean first) {
        Path target = model.session().targetOf(delivery);
        Optional<Outcome> outcome = model.outcomeProperty().get();
        List<Question> holding = model.deliveries().holding(delivery);
        Label state = isReady(delivery)
                ? Pieces.label("ok ready", "mark", "agrees")
                : Pieces.mark(
                        holding.isEmpty() ? Mark.WRONG : Mark.QUESTION,
                        holding.isEmpty()
                                ? "held: the master is incomplete"
                                : "held by " + Says.count(holding.size(), "question"));
        state.setMinWidth(Region.USE_PREF_SIZE);
        HBox head = Pieces.row(8, Pieces.label(title(delivery, target), "heading"));
        if (delivery.isToFile()) {
            head.getChildren().add(where(delivery, target));
        }
        head.getChildren().addAll(Pieces.space(), state);
        VBox card = new VBox(8, head);
        if (outcome.isPresent() && !(delivery.form() instanceof Delivery.Whole)) {
            card.getChildren().add(sentence.of(delivery, outcome.get()));
        } else {
            card.getChildren().add(Pieces.wrapped(would(target, outcome)));
            if (delivery.form() instanceof Delivery.Whole whole
                    && String.valueOf(target).endsWith(".xlsx")) {
                CheckBox about = new CheckBox("with the account of the master in a tab of its own");
                about.setId("deliver-about");
                about.setSelected(whole.about());
                about.setOnAction(e -> change(delivery, new Delivery.Whole(about.isSelected())));
                card.getChildren().add(about);
            }
            if (delivery.form() instanceof Delivery.Whole
                    && String.valueOf(target).endsWith(".csv")) {
                card.getChildren().add(TextWords.of(TextWords.PLAIN, form -> change(delivery, form)));
            }
        }
        String previewed = previews.get(delivery);
        if (previewed != null) {
            card.getChildren().add(Pieces.wrapped(previewed, "bold"));
        }
        holding.stream()
                .limit(NAMED)
                .forEach(question -> card.getChildren()
                        .add(Pieces.wrapped(Questions.title(outcome.orElseThrow(), question), "second")));
        if (holding.size() > NAMED) {
            card.getChildren().add(Pieces.label("and " + Says.number(holding.size() - NAMED) + " more", "second"));
        }
        card.getChildren().add(hands(delivery, holding, outcome, first));
        card.getStyleClass().add("card");
        return card;
    }

    /** Where it is written: its folder, which turns into a field with the whole name when it is pressed. */
    private Button where(Delivery delivery, Path target) {
        Button where = Pieces.place("in " + target.getParent(), "deliver-where", () -> {});
        where.setMinWidth(0);
        where.setTooltip(new Tooltip("Write it elsewhere, or under another name"));
        where.setOnAction(pressed -> {
            TextField field = DeliveryWords.field("deliver-target", delivery.target(), WIDE);
            HBox.setHgrow(field, Priority.ALWAYS);
            HBox head = (HBox) where.getParent();
            head.getChildren().set(head.getChildren().indexOf(where), field);
            field.setOnAction(e -> {
                String wanted = field.getText().strip();
                int at = head.getChildren().indexOf(field);
                if (at >= 0) {
                    // First, as the field says it once more when it loses the focus.
                    head.getChildren().set(at, where);
                    if (!wanted.isEmpty() && !wanted.equals(delivery.target())) {
                        model.deliveries().moveTo(delivery, wanted);
                    }
                }
            });
            field.setOnKeyPressed(key -> {
                if (key.getCode() == KeyCode.ESCAPE) {
                    field.setText(delivery.target());
                    field.fireEvent(new ActionEvent());
                    where.requestFocus();
                    key.consume();
                }
            });
            field.requestFocus();
            field.selectAll();
        });
        return where;
    }

    private static String title(Delivery delivery, Path target) {
        if (delivery.form() instanceof Delivery.Table table) {
            return "Table " + table.table();
        }
        String file = String.valueOf(target.getFileName());
        if (delivery.form() instanceof Delivery.Copies) {
            return "Copies of the sources in " + file;
        }
        if (delivery.form() instanceof Delivery.Picture picture) {
            return file + ", picture of " + picture.summary();
        }
        return delivery.form() instanceof Delivery.Tab tab
                ? file + ", tab " + tab.said()
                : delivery.form() instanceof Delivery.Each each ? file + ", for each " + each.said() : file;
    }

    private HBox hands(Delivery delivery, List<Question> holding, Optional<Outcome> outcome, boolean first) {
        Button write = Pieces.button("Write now", "deliver-write", () -> write(delivery));
        write.setDisable(outcome.isEmpty() || !holding.isEmpty());
        HBox hands = Pieces.row(8);
        Button settle = Pieces.button("Settle the questions", "deliver-settle", questions);
        if (first) {
            Pieces.chief(holding.isEmpty() ? write : settle);
        }
        if (!holding.isEmpty()) {
            Button accept = Pieces.button(
                    holding.size() == 1 ? "Accept it by name" : "Accept these by name",
                    "deliver-accept",
                    () -> model.deliveries().accept(delivery));
            accept.setTooltip(new Tooltip("They stay open, and this delivery no longer waits for them"));
            hands.getChildren().addAll(settle, accept);
        }
        if (!(delivery.form() instanceof Delivery.Whole || delivery.form() instanceof Delivery.Prepared)) {
            Button look = Pieces.button("Preview changes", "deliver-preview", () -> preview(delivery));
            look.setDisable(outcome.isEmpty());
            hands.getChildren().add(look);
        }
        hands.getChildren()
                .addAll(
                        write,
                        Pieces.space(),
                        Pieces.go(
                                "Take out of the job",
                                "deliver-drop",
                                () -> model.deliveries().remove(delivery)));
        return hands;
    }

    private static String would(Path target, Optional<Outcome> outcome) {
        return outcome.map(made -> (Files.exists(target) ? "Replaces the file by " : "Writes a new file with ")
                        + Says.count(made.rows(), "row") + " and "
                        + Says.count(
                                made.plan().columns().size()
                                        + made.plan().tags().size(),
                                "column")
                        + Weighing.of(made)
                                .map(weighing -> ", " + weighing.column() + " " + weighing.sum())
                                .orElse("")
                        + ".")
                .orElse("Refresh first.");
    }
}
