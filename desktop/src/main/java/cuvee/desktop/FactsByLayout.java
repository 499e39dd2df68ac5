package cuvee.desktop;

import cuvee.model.BoardGrid;
import cuvee.model.JobModel;
import cuvee.place.Says;
import cuvee.tell.LayoutFacts;
import cuvee.tell.Outcome;
import cuvee.value.Convention;
import cuvee.value.Type;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** How each layout writes a column, and how many of its values fit; how it is read there can be said. */
final class FactsByLayout extends VBox {
    private final JobModel model;
    private String column = "";

    FactsByLayout(JobModel model) {
        super(4);
        this.model = model;
    }

    void clear() {
        getChildren().clear();
    }

    /** Tells of a column of the board; the earlier one is told of no more. */
    void tell(Outcome outcome, int at, String name, Type type) {
        column = name;
        clear();
        Label head = new Label("By layout");
        head.getStyleClass().add("section-title");
        getChildren().add(head);
        String kind = LayoutFacts.conventionOf(type);
        for (LayoutFacts each : LayoutFacts.of(outcome, at)) {
            getChildren()
                    .add(fits(
                            BoardGrid.layoutName(each.layout()) + ", "
                                    + Says.count(each.layout().tables().size(), "table"),
                            each,
                            type));
            if (!kind.isEmpty()) {
                getChildren().add(convention(each, each.layout().signature(), kind, type.isNumber()));
            }
            List<String> sources = each.layout().tables().stream()
                    .map(table -> table.source())
                    .distinct()
                    .toList();
            if (sources.size() > 1) {
                getChildren().add(bySource(outcome, at, each, sources, type));
            }
        }
    }

    private static Label fits(String which, LayoutFacts facts, Type type) {
        Label line = new Label(which + ": " + Says.number(facts.fits()) + " of " + Says.count(facts.filled(), "value")
                + " fit " + type.word());
        line.setWrapText(true);
        return line;
    }

    /** The same for one of a layout's files, which is chosen. */
    private VBox bySource(Outcome outcome, int at, LayoutFacts facts, List<String> sources, Type type) {
        ComboBox<String> which = new ComboBox<>();
        which.getItems().setAll(sources);
        which.setPromptText("one of its files");
        which.setAccessibleText("One file of this layout");
        which.setMaxWidth(Double.MAX_VALUE);
        VBox one = new VBox(4, which);
        String kind = LayoutFacts.conventionOf(type);
        which.setOnAction(e -> {
            one.getChildren().setAll(which);
            LayoutFacts.ofSource(outcome, at, facts.layout(), which.getValue()).ifPresent(found -> {
                one.getChildren().add(fits("In this file", found, type));
                if (!kind.isEmpty()) {
                    one.getChildren().add(convention(found, which.getValue(), kind, type.isNumber()));
                }
            });
        });
        return one;
    }

    private ComboBox<String> convention(LayoutFacts facts, String scope, String kind, boolean number) {
        List<String> words = number ? List.of("point", "comma") : List.of("day", "month");
        List<String> shownWords =
                number ? List.of("the point is decimal", "the comma is decimal") : List.of("day first", "month first");
        String found = facts.conventions().stream()
                .map(convention -> shownWords.get(first(convention, number) ? 0 : 1))
                .distinct()
                .collect(Collectors.joining(" and "));
        ComboBox<String> choice = new ComboBox<>();
        choice.setMaxWidth(Double.MAX_VALUE);
        choice.getItems().add("as found: " + found);
        choice.getItems().addAll(shownWords);
        choice.setAccessibleText("How the column is written there");
        choice.getSelectionModel().select(words.indexOf(facts.said()) + 1);
        choice.setOnAction(e -> {
            int at = choice.getSelectionModel().getSelectedIndex();
            model.board()
                    .decideConvention(kind, column, scope, at <= 0 ? "" : Objects.requireNonNull(words.get(at - 1)));
        });
        return choice;
    }

    private static boolean first(Convention convention, boolean number) {
        return number ? convention.mark() == Convention.Mark.POINT : convention.order() == Convention.Order.DAY_FIRST;
    }
}
