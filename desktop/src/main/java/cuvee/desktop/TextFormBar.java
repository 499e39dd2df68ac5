package cuvee.desktop;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.model.JobModel;
import cuvee.refresh.Board;
import cuvee.refresh.JobSession;
import cuvee.refresh.ReadSheet;
import cuvee.sheet.Quoting;
import cuvee.sheet.ReadAs;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

/** How a text file is read: what parts, quotes and encodes its cells, which sign is decimal; for itself or for all. */
final class TextFormBar extends FlowPane {
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
    private static final List<String> QUOTES = Stream.concat(
                    Stream.of(AS_FOUND), Arrays.stream(Quoting.values()).map(Quoting::words))
            .toList();
    private static final List<String> SIGNS = List.of(AS_FOUND, "point", "comma");
    private final ComboBox<String> form = new ComboBox<>();
    private final ComboBox<String> quotes = new ComboBox<>();
    private final ComboBox<String> sign = new ComboBox<>();
    private final JobModel model;
    private Optional<String> file = Optional.empty();
    /** What was found in the file, of what nothing is said. */
    private String foundForm = "";

    private String foundQuotes = "";
    private String foundSign = "";
    private boolean filling;

    TextFormBar(JobModel model) {
        super(6, 6);
        this.model = model;
        setAlignment(Pos.CENTER_LEFT);
        form.setId("file-form");
        form.getItems().setAll(FORMS);
        form.setConverter(Choices.words(words -> orFound(words, foundForm)));
        form.setOnAction(e -> file.filter(path -> !filling).ifPresent(path -> model.decideTextForm(path, formWords())));
        quotes.setId("file-quotes");
        quotes.getItems().setAll(QUOTES);
        quotes.setConverter(Choices.words(words -> orFound(words, foundQuotes)));
        quotes.setOnAction(
                e -> file.filter(path -> !filling).ifPresent(path -> model.decideTextForm(path, formWords())));
        sign.setId("file-sign");
        sign.getItems().setAll(SIGNS);
        sign.setConverter(Choices.words(words -> orFound(words, foundSign)));
        sign.setOnAction(
                e -> file.filter(path -> !filling).ifPresent(path -> model.decideDecimalSign(path, signWords())));
        Button all = new Button("for all text files");
        all.setId("file-form-all");
        all.getStyleClass().add("plain");
        all.setTooltip(new Tooltip("Take all of this for every text file that nothing else is said of"));
        all.setOnAction(e -> {
            model.decideTextForm(JobSession.ALL_FILES, formWords());
            model.decideDecimalSign(JobSession.ALL_FILES, signWords());
        });
        getChildren()
                .addAll(labelled("Read as", form), labelled("quotes", quotes), labelled("decimal sign", sign), all);
    }

    private static HBox labelled(String text, ComboBox<String> choice) {
        Label label = new Label(text);
        label.setLabelFor(choice);
        HBox both = new HBox(6, label, choice);
        both.setAlignment(Pos.CENTER_LEFT);
        return both;
    }

    /** Shows how a text file is read; nothing where no text file is chosen. */
    void show(Optional<String> path, Job job) {
        setVisible(path.isPresent());
        setManaged(path.isPresent());
        file = path;
        filling = true;
        String said = path.flatMap(each -> said(job, each)).orElse("");
        String quoted = quotesIn(said);
        String rest = withoutQuotes(said);
        String found = path.flatMap(this::sheet).map(ReadSheet::form).orElse("");
        foundForm = rest.isEmpty() ? withoutQuotes(found) : "";
        foundQuotes = !quoted.isEmpty() ? "" : quotesIn(found).isEmpty() && !found.isEmpty() ? "none" : quotesIn(found);
        foundSign = path.flatMap(this::sheet).map(ReadSheet::decimalSign).orElse("");
        show(form, FORMS, rest);
        show(quotes, QUOTES, quoted);
        show(
                sign,
                SIGNS,
                path.flatMap(each ->
                                Board.decimalSign(job, each).or(() -> Board.decimalSign(job, JobSession.ALL_FILES)))
                        .orElse(""));
        filling = false;
    }

    /** The words of the first choice depend on the file, so that they are made anew. */
    private static void show(ComboBox<String> choice, List<String> choices, String said) {
        choice.getItems().setAll(choices);
        choice.setValue(said.isEmpty() ? AS_FOUND : said);
    }

    private static String orFound(String words, String found) {
        return words.equals(AS_FOUND) && !found.isEmpty() ? AS_FOUND + ": " + found : words;
    }

    private static String quotesIn(String words) {
        return ReadAs.of(words).flatMap(ReadAs::quoting).map(Quoting::words).orElse("");
    }

    private static String withoutQuotes(String words) {
        return ReadAs.of(words)
                .map(as ->
                        new ReadAs(as.separator(), as.charset(), Optional.empty(), List.of(), Optional.empty()).words())
                .orElse("");
    }

    private static Optional<String> said(Job job, String path) {
        return job.decision(JobSession.TEXT_FORM, path)
                .or(() -> job.decision(JobSession.TEXT_FORM, JobSession.ALL_FILES))
                .map(Decision::answer);
    }

    private Optional<ReadSheet> sheet(String path) {
        return model.outcomeProperty()
                .get()
                .flatMap(made -> made.sheets().stream()
                        .filter(sheet -> sheet.source().equals(path))
                        .findFirst());
    }

    private String formWords() {
        return Stream.of(form.getValue(), quotes.getValue())
                .filter(words -> words != null && !words.equals(AS_FOUND))
                .collect(Collectors.joining(", "));
    }

    private String signWords() {
        return AS_FOUND.equals(sign.getValue()) ? "" : Objects.requireNonNullElse(sign.getValue(), "");
    }
}
