package cuvee.desktop;

import cuvee.decision.SheetRule;
import cuvee.gather.ReadSheet;
import cuvee.job.Decision;
import cuvee.model.Grids;
import cuvee.model.JobModel;
import cuvee.model.ListGrid;
import cuvee.model.SheetScope;
import cuvee.tell.Outcome;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Which sheets belong: left to what they hold, or said by a rule that is tried on its files before it is taken. */
final class SheetRuleBar extends VBox {
    private final TextField words = new TextField();
    private final Label effect = new Label();
    private final ComboBox<SheetScope> scope = new ComboBox<>();
    private final Button take = new Button("Take it");
    private final HBox hands = new HBox(8);
    private final JobModel model;
    private Consumer<Optional<ListGrid<Grids.ReadLine>>> trial = shown -> {};
    private boolean trying;
    private boolean offering;

    SheetRuleBar(JobModel model) {
        super(4);
        this.model = model;
        words.setId("read-rule");
        words.setPromptText("by what they hold");
        words.setTooltip(new Tooltip("For instance " + SheetRule.EXAMPLES));
        words.setOnAction(e -> take());
        words.textProperty().addListener((o, before, now) -> tell());
        Label label = new Label("Sheets");
        label.setLabelFor(words);
        label.setMinWidth(USE_PREF_SIZE);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox line = new HBox(8, label, words);
        line.setAlignment(Pos.CENTER_LEFT);
        scope.setId("read-rule-for");
        scope.setAccessibleText("What the rule about sheets is said of");
        scope.setConverter(Choices.words(SheetScope::words));
        scope.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(scope, Priority.ALWAYS);
        scope.valueProperty().addListener((o, before, now) -> {
            if (!offering) {
                show();
            }
        });
        take.setId("read-rule-take");
        take.setMinWidth(USE_PREF_SIZE);
        take.setOnAction(e -> take());
        Label of = new Label("of");
        of.setLabelFor(scope);
        of.setMinWidth(USE_PREF_SIZE);
        hands.getChildren().addAll(of, scope, take);
        hands.setAlignment(Pos.CENTER_LEFT);
        effect.setId("read-rule-effect");
        effect.getStyleClass().add("hint");
        effect.setWrapText(true);
        effect.setMinHeight(USE_PREF_SIZE);
        getChildren().addAll(line, hands, effect);
        getStyleClass().add("view-head");
        model.jobProperty().addListener((o, before, now) -> show());
        around(Optional.empty());
        show();
    }

    /** What to do with the finds of a rule in each file while it is tried out, and with nothing once it no longer is. */
    void setOnTrial(Consumer<Optional<ListGrid<Grids.ReadLine>>> show) {
        trial = show;
    }

    /** Offers what takes in the sheet that is shown; what was chosen stays chosen where it still is among that. */
    void around(Optional<ReadSheet> shown) {
        String before = chosen().subject();
        List<SheetScope> scopes = shown.flatMap(
                        sheet -> model.outcomeProperty().get().map(outcome -> SheetScope.around(outcome, sheet)))
                .orElse(List.of(SheetScope.ALL));
        offering = true;
        scope.getItems().setAll(scopes);
        scope.setValue(scopes.stream()
                .filter(each -> each.subject().equals(before))
                .findFirst()
                .orElse(SheetScope.ALL));
        offering = false;
        if (!chosen().subject().equals(before)) {
            show();
        }
        Pieces.show(hands, scopes.size() > 1);
    }

    private SheetScope chosen() {
        return scope.getValue() == null ? SheetScope.ALL : scope.getValue();
    }

    private String inForce() {
        return model.jobProperty()
                .get()
                .decision(SheetRule.KIND, chosen().subject())
                .map(Decision::answer)
                .orElse("");
    }

    private void show() {
        words.setText(inForce());
        tell();
    }

    private boolean canBeTaken() {
        String said = words.getText().strip();
        return !said.equals(inForce()) && (said.isEmpty() || SheetRule.of(said).isPresent());
    }

    private void take() {
        if (canBeTaken()) {
            model.answers().decideSheetRule(chosen().subject(), words.getText().strip());
        }
    }

    /** Says what the words would find, and offers to take them where they are a rule. */
    private void tell() {
        String said = words.getText().strip();
        Optional<Outcome> outcome = model.outcomeProperty().get();
        String found = said.isEmpty()
                ? ""
                : SheetRule.of(said)
                        .map(rule -> rule.effect(outcome.map(chosen()::files).orElse(List.of())))
                        .orElse("Write " + SheetRule.EXAMPLES + ".");
        effect.setText(found);
        Pieces.show(effect, !found.isEmpty());
        take.setDisable(!canBeTaken());
        Optional<ListGrid<Grids.ReadLine>> finds = canBeTaken()
                ? SheetRule.of(said).flatMap(rule -> outcome.map(made -> Grids.readUnder(made, rule, chosen())))
                : Optional.empty();
        if (trying || finds.isPresent()) {
            trying = finds.isPresent();
            trial.accept(finds);
        }
    }
}
