package cuvee.desktop;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.model.JobModel;
import cuvee.refresh.Board;
import cuvee.refresh.JobSession;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;

/** How a text file is read: what parts its cells and encodes it, and which sign is decimal; for itself or for all. */
final class TextFormBar extends HBox {
    private static final String AS_FOUND = "as found";
    private static final List<String> FORMS = List.of(
            AS_FOUND,
            "commas, UTF-8",
            "semicolons, UTF-8",
            "tabs, UTF-8",
            "upright bars, UTF-8",
            "commas, windows-1252",
            "semicolons, windows-1252",
            "tabs, windows-1252",
            "commas, UTF-16LE",
            "tabs, UTF-16LE",
            "commas, IBM850",
            "semicolons, IBM850");
    private static final List<String> SIGNS = List.of("", "point", "comma");
    private final ComboBox<String> form = new ComboBox<>();
    private final ComboBox<String> sign = new ComboBox<>();
    private final JobModel model;
    private Optional<String> file = Optional.empty();
    private String found = "";
    private boolean filling;

    TextFormBar(JobModel model) {
        super(6);
        this.model = model;
        setAlignment(Pos.CENTER_LEFT);
        Label formLabel = new Label("Read as");
        formLabel.setLabelFor(form);
        form.setId("file-form");
        form.getItems().setAll(FORMS);
        form.setOnAction(e -> file.filter(path -> !filling).ifPresent(path -> model.decideTextForm(path, formWords())));
        Label signLabel = new Label("decimal sign");
        signLabel.setLabelFor(sign);
        sign.setId("file-sign");
        sign.getItems().setAll(SIGNS);
        sign.setConverter(Choices.words(
                words -> !words.isEmpty() ? words : found.isEmpty() ? AS_FOUND : AS_FOUND + ": " + found));
        sign.setOnAction(
                e -> file.filter(path -> !filling).ifPresent(path -> model.decideDecimalSign(path, signWords())));
        Button all = new Button("for all text files");
        all.setId("file-form-all");
        all.getStyleClass().add("plain");
        all.setTooltip(new Tooltip("Take both for every text file that nothing else is said of"));
        all.setOnAction(e -> {
            model.decideTextForm(JobSession.ALL_FILES, formWords());
            model.decideDecimalSign(JobSession.ALL_FILES, signWords());
        });
        getChildren().addAll(formLabel, form, signLabel, sign, all);
    }

    /** Shows how a text file is read; nothing where no text file is chosen. */
    void show(Optional<String> path, Job job) {
        setVisible(path.isPresent());
        setManaged(path.isPresent());
        file = path;
        filling = true;
        found = path.flatMap(this::signFound).orElse("");
        form.setValue(path.flatMap(each -> said(job, each)).orElse(AS_FOUND));
        // The words of the first choice depend on the file.
        sign.getItems().setAll(SIGNS);
        sign.setValue(path.flatMap(
                        each -> Board.decimalSign(job, each).or(() -> Board.decimalSign(job, JobSession.ALL_FILES)))
                .orElse(""));
        filling = false;
    }

    private static Optional<String> said(Job job, String path) {
        return job.decision(JobSession.TEXT_FORM, path)
                .or(() -> job.decision(JobSession.TEXT_FORM, JobSession.ALL_FILES))
                .map(Decision::answer);
    }

    private Optional<String> signFound(String path) {
        return model.outcomeProperty()
                .get()
                .flatMap(made -> made.sheets().stream()
                        .filter(sheet -> sheet.source().equals(path))
                        .map(sheet -> sheet.decimalSign())
                        .findFirst());
    }

    private String formWords() {
        String words = Objects.requireNonNullElse(form.getValue(), AS_FOUND);
        return words.equals(AS_FOUND) ? "" : words;
    }

    private String signWords() {
        return Objects.requireNonNullElse(sign.getValue(), "");
    }
}
