package cuvee.desktop;

import cuvee.master.Grouped.Span;
import cuvee.model.SummaryModel;
import cuvee.place.Says;
import cuvee.summary.Summary;
import cuvee.summary.Summary.By;
import cuvee.summary.Summary.Figure;
import cuvee.summary.Summary.Kind;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.Region;

/** A summary as a sentence, each of whose words can be changed where it stands. */
final class SummarySentence {
    private static final int MOST_DECIMALS = 4;
    private final Outcome outcome;
    private final Summary now;
    private final Consumer<Summary> change;

    /**
     * @param change takes the summary as it is to be
     */
    SummarySentence(Outcome outcome, Summary now, Consumer<Summary> change) {
        this.outcome = outcome;
        this.now = now;
        this.change = change;
    }

    /** The sentence, word by word. */
    List<Node> words() {
        List<Node> words = new ArrayList<>();
        parted(words, now.figures().size(), this::figure);
        words.add(word(" "));
        words.add(moreFigures());
        words.add(word(": a line for each "));
        parted(words, now.lines().size(), this::line);
        if (!now.lines().isEmpty()) {
            words.add(word(" "));
        }
        words.add(moreLines());
        if (now.against().isEmpty()) {
            words.add(word(", a column for each "));
            words.add(column());
        }
        words.add(word("; in "));
        words.add(unit());
        words.add(word(" with "));
        words.add(decimals());
        words.add(word(", "));
        words.add(totals());
        words.add(word(", "));
        words.add(order());
        words.add(word(", "));
        words.add(drawn());
        return words;
    }

    private static void parted(List<Node> words, int count, Function<Integer, Node> each) {
        for (int i = 0; i < count; i++) {
            if (i > 0) {
                words.add(word(" and "));
            }
            words.add(each.apply(i));
        }
    }

    private static Label word(String text) {
        Label word = Pieces.label(text, "sentence-word");
        word.setMinWidth(Region.USE_PREF_SIZE);
        return word;
    }

    /** A word that any of some values can stand in for. */
    private <T> MenuButton slot(
            String id, String text, List<T> values, Function<T, String> said, Function<T, Summary> changed) {
        MenuButton slot = Pieces.slot(id);
        slot.setText(text);
        values.forEach(value ->
                slot.getItems().add(Pieces.item(said.apply(value), "", () -> change.accept(changed.apply(value)))));
        return slot;
    }

    // ---- what is summed up ----

    private MenuButton figure(int at) {
        MenuButton slot = Pieces.slot("summary-figure-" + at);
        slot.setText(now.figures().get(at).said());
        slot.setOnShowing(e -> slot.getItems().setAll(figures(at)));
        slot.getItems().add(new MenuItem(""));
        return slot;
    }

    private List<MenuItem> figures(int at) {
        List<MenuItem> items = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            List<Figure> figures = SummaryModel.figures(outcome, kind);
            if (kind == Kind.NUMBER_OF_ROWS) {
                items.add(Pieces.item(kind.words(), "", () -> change.accept(with(at, figures.get(0)))));
                continue;
            }
            Menu menu = new Menu(kind.words());
            menu.setMnemonicParsing(false);
            figures.forEach(each ->
                    menu.getItems().add(Pieces.item(each.column(), "", () -> change.accept(with(at, each)))));
            items.add(menu);
        }
        if (now.figures().size() > 1) {
            items.add(Pieces.line());
            items.add(Pieces.item("Without " + now.figures().get(at).said(), "", () -> {
                List<Figure> left = new ArrayList<>(now.figures());
                left.remove(at);
                change.accept(now.withFigures(left));
            }));
        }
        return items;
    }

    /** The summary with a figure at a place, or one more behind the last. */
    private Summary with(int at, Figure figure) {
        List<Figure> figures = new ArrayList<>(now.figures());
        if (at < figures.size()) {
            figures.set(at, figure);
        } else {
            figures.add(figure);
        }
        return now.withFigures(figures);
    }

    private MenuButton moreFigures() {
        List<Figure> more = new ArrayList<>(List.of(new Figure(Kind.NUMBER_OF_ROWS, "")));
        more.addAll(SummaryModel.figures(outcome, Kind.TOTAL));
        return slot(
                "summary-figure-more",
                "and …",
                more,
                each -> each.kind() == Kind.NUMBER_OF_ROWS ? each.kind().words() : each.said(),
                each -> with(now.figures().size(), each));
    }

    // ---- by what ----

    private static String said(By by) {
        return by.span() == Span.VALUE ? by.column() : by.said();
    }

    private MenuButton line(int at) {
        MenuButton slot = slot(
                "summary-line-" + at,
                said(now.lines().get(at)),
                SummaryModel.keys(outcome),
                SummarySentence::said,
                by -> {
                    List<By> lines = new ArrayList<>(now.lines());
                    lines.set(at, by);
                    return now.withLines(lines);
                });
        slot.getItems().add(Pieces.line());
        slot.getItems().add(Pieces.item("Without " + said(now.lines().get(at)), "", () -> {
            List<By> lines = new ArrayList<>(now.lines());
            lines.remove(at);
            change.accept(now.withLines(lines));
        }));
        return slot;
    }

    private MenuButton moreLines() {
        return slot(
                "summary-line-more",
                now.lines().isEmpty() ? "nothing" : "and …",
                SummaryModel.keys(outcome),
                SummarySentence::said,
                by -> {
                    List<By> lines = new ArrayList<>(now.lines());
                    lines.add(by);
                    return now.withLines(lines);
                });
    }

    private MenuButton column() {
        List<Optional<By>> values = new ArrayList<>(List.of(Optional.empty()));
        SummaryModel.keys(outcome).forEach(by -> values.add(Optional.of(by)));
        Function<Optional<By>, String> said =
                by -> by.map(SummarySentence::said).orElse("nothing");
        return slot("summary-column", said.apply(now.columns()), values, said, now::withColumns);
    }

    // ---- how it is shown ----

    private MenuButton unit() {
        Function<Summary.Unit, String> said = unit -> unit == Summary.Unit.ONE ? "full figures" : unit.words();
        return slot(
                "summary-unit",
                said.apply(now.shown().unit()),
                Arrays.asList(Summary.Unit.values()),
                said,
                unit -> now.withShown(now.shown().with(unit)));
    }

    private MenuButton decimals() {
        Function<Integer, String> said = count -> count < 0 ? "the column’s decimals" : Says.count(count, "decimal");
        return slot(
                "summary-decimals",
                said.apply(now.shown().decimals()),
                IntStream.rangeClosed(-1, MOST_DECIMALS).boxed().toList(),
                said,
                count -> now.withShown(now.shown().withDecimals(count)));
    }

    private MenuButton totals() {
        Function<Boolean, String> said = totals -> totals ? "with totals" : "without totals";
        return slot(
                "summary-totals",
                said.apply(now.shown().totals()),
                List.of(true, false),
                said,
                totals -> now.withShown(now.shown().withTotals(totals)));
    }

    private MenuButton order() {
        Function<Summary.Order, String> said =
                order -> order == Summary.Order.BY_NAME ? "lines by name" : order.words();
        return slot(
                "summary-order",
                said.apply(now.shown().order()),
                Arrays.asList(Summary.Order.values()),
                said,
                order -> now.withShown(now.shown().with(order)));
    }

    private MenuButton drawn() {
        Function<Summary.Drawn, String> said =
                drawn -> drawn == Summary.Drawn.AS_FITS ? "drawn as fits best" : drawn.words();
        return slot(
                "summary-drawn",
                said.apply(now.shown().drawn()),
                Arrays.asList(Summary.Drawn.values()),
                said,
                drawn -> now.withShown(now.shown().with(drawn)));
    }
}
