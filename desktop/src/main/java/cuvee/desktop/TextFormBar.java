package cuvee.desktop;

import cuvee.change.Board;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.gather.ReadSheet;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.model.JobModel;
import cuvee.sheet.Quoting;
import cuvee.sheet.ReadAs;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

/** How a text file is read: what parts, quotes and encodes its cells, which sign is decimal; for itself or for all. */
final class TextFormBar extends FlowPane {
    private static final String AS_FOUND = "as found";
    private static final List<String> FORMS = List.of(
            AS_FOUND,
            "commas, UTF-8",
            "semicolons, UTF-8",
            "tabs, UTF-8",
            "upright bars, UTF-8",
            "fixed columns, UTF-8",
            "commas, windows-1252",
            "semicolons, windows-1252",
            "tabs, windows-1252",
            "fixed columns, windows-1252",
            "commas, UTF-16LE",
            "tabs, UTF-16LE",
            "commas, IBM850",
            "semicolons, IBM850");
    private static final List<String> QUOTES = Stream.concat(
                    Stream.of(AS_FOUND), Arrays.stream(Quoting.values()).map(Quoting::words))
            .toList();
    private static final List<String> SIGNS = List.of(AS_FOUND, "point", "comma");
    private final MenuButton form = Pieces.slot("file-form");
    private final MenuButton quotes = Pieces.slot("file-quotes");
    private final MenuButton sign = Pieces.slot("file-sign");
    private final JobModel model;
    private Optional<String> file = Optional.empty();
    /** What is said of the file; empty where it is left to what is found in it. */
    private String saidForm = "";

    private String saidQuotes = "";
    private String saidSign = "";

    TextFormBar(JobModel model) {
        super(5, 4);
        this.model = model;
        setAlignment(Pos.CENTER_LEFT);
        FORMS.forEach(words -> form.getItems().add(Pieces.item(words, "", () -> {
            saidForm = said(words);
            takeForm();
        })));
        QUOTES.forEach(words -> quotes.getItems().add(Pieces.item(words, "", () -> {
            saidQuotes = said(words);
            takeForm();
        })));
        SIGNS.forEach(words -> sign.getItems().add(Pieces.item(words, "", () -> {
            saidSign = said(words);
            file.ifPresent(path -> model.files().decideDecimalSign(path, saidSign));
        })));
        Button all = Pieces.go("Read all text files so", "file-form-all", () -> {
            model.files().decideTextForm(SourceChoice.ALL_FILES, formWords());
            model.files().decideDecimalSign(SourceChoice.ALL_FILES, saidSign);
        });
        all.setTooltip(new Tooltip("Take all of this for every text file that nothing else is said of"));
        getChildren()
                .addAll(
                        Pieces.label("It is read with"),
                        form,
                        Pieces.label(", quotes"),
                        quotes,
                        Pieces.label(", decimal"),
                        sign,
                        Pieces.label(".  "),
                        all);
    }

    private static String said(String words) {
        return words.equals(AS_FOUND) ? "" : words;
    }

    private void takeForm() {
        file.ifPresent(path -> model.files().decideTextForm(path, formWords()));
    }

    /** Shows how a text file is read; nothing where no text file is chosen. */
    void show(Optional<String> path, Job job) {
        Pieces.show(this, path.isPresent());
        file = path;
        String said = path.flatMap(each -> said(job, each)).orElse("");
        saidQuotes = quotesIn(said);
        saidForm = withoutQuotes(said);
        saidSign = path.flatMap(
                        each -> Board.decimalSign(job, each).or(() -> Board.decimalSign(job, SourceChoice.ALL_FILES)))
                .orElse("");
        String found = path.flatMap(this::sheet).map(ReadSheet::form).orElse("");
        form.setText(saidForm.isEmpty() ? withoutQuotes(found) : saidForm);
        quotes.setText(orNone(saidQuotes.isEmpty() ? quotesIn(found) : saidQuotes));
        sign.setText(orNone(
                saidSign.isEmpty()
                        ? path.flatMap(this::sheet).map(ReadSheet::decimalSign).orElse("")
                        : saidSign));
    }

    private static String orNone(String words) {
        return words.isEmpty() ? "none" : words;
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
        return job.decision(Kinds.TEXT_FORM, path)
                .or(() -> job.decision(Kinds.TEXT_FORM, SourceChoice.ALL_FILES))
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
        return Stream.of(saidForm, saidQuotes).filter(words -> !words.isEmpty()).collect(Collectors.joining(", "));
    }
}
