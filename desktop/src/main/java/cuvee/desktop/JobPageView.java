package cuvee.desktop;

import cuvee.model.JobModel;
import cuvee.tell.JobPage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.print.PageLayout;
import javafx.print.PrinterJob;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.transform.Scale;

/** The whole job as a page of sentences, with what can be done with it. */
final class JobPageView extends VBox {
    private static final double WIDE = 760;
    private final JobModel model;
    private final JobPage page;
    private final Supplier<Choosers> choosers;

    JobPageView(JobModel model, Supplier<Choosers> choosers, JobPage page) {
        super(12);
        this.model = model;
        this.choosers = choosers;
        this.page = page;
        setId("job-page");
        Button copy = new Button("Copy");
        copy.setId("page-copy");
        copy.setOnAction(e -> copy());
        Button save = new Button("Save as a file");
        save.setId("page-save");
        save.setOnAction(e -> save());
        Button print = new Button("Print");
        print.setId("page-print");
        print.setOnAction(e -> print());
        HBox hands = new HBox(8, copy, save, print);
        hands.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(hands, body());
    }

    private VBox body() {
        VBox body = new VBox(4);
        body.setMaxWidth(WIDE);
        body.getStyleClass().add("sentence");
        body.getChildren().addAll(line(page.title(), "job-name"), line(page.under(), "hint"));
        for (JobPage.Section section : page.sections()) {
            Label title = line(section.title(), "section-title");
            title.setStyle("-fx-padding: 12 0 2 0;");
            body.getChildren().add(title);
            section.sentences().forEach(sentence -> body.getChildren().add(line(sentence, "page-line")));
        }
        return body;
    }

    private static Label line(String text, String style) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.getStyleClass().add(style);
        return label;
    }

    private void copy() {
        ClipboardContent content = new ClipboardContent();
        content.putString(page.text());
        content.putHtml(page.html());
        Clipboard.getSystemClipboard().setContent(content);
        model.say("The page is on the clipboard.", false);
    }

    private void save() {
        Path proposed = model.file().resolveSibling(page.title() + ".html");
        choosers.get().target("Save the page as", proposed, "html", "txt").ifPresent(target -> {
            try {
                boolean plain = String.valueOf(target.getFileName()).endsWith(".txt");
                Files.writeString(target, plain ? page.text() : page.html());
                model.say("Written: " + target.getFileName() + ".", false);
            } catch (IOException failed) {
                model.say(
                        "The page cannot be written to " + target + ": " + failed.getMessage()
                                + ". Nothing was written; choose another place.",
                        true);
            }
        });
    }

    /** Prints page by page, as wide as the paper is. */
    private void print() {
        PrinterJob job = PrinterJob.createPrinterJob();
        if (job == null) {
            model.say("No printer is set up on this machine. Save the page as a file and print that.", true);
            return;
        }
        if (!job.showPrintDialog(getScene().getWindow())) {
            return;
        }
        PageLayout paper = job.getJobSettings().getPageLayout();
        double scale = paper.getPrintableWidth() / WIDE;
        boolean going = true;
        VBox sheet = new VBox(4);
        for (javafx.scene.Node line : body().getChildren().toArray(javafx.scene.Node[]::new)) {
            sheet.getChildren().add(line);
            fit(sheet);
            if (sheet.getHeight() * scale > paper.getPrintableHeight()
                    && sheet.getChildren().size() > 1) {
                sheet.getChildren().remove(line);
                going &= printed(job, paper, sheet, scale);
                sheet = new VBox(4, line);
            }
        }
        going &= printed(job, paper, sheet, scale);
        model.say(going && job.endJob() ? "Printed." : "The printer did not take the page.", !going);
    }

    private static void fit(VBox sheet) {
        sheet.setPrefWidth(WIDE);
        new javafx.scene.Scene(new javafx.scene.Group(sheet));
        sheet.applyCss();
        sheet.layout();
        sheet.autosize();
    }

    private static boolean printed(PrinterJob job, PageLayout paper, VBox sheet, double scale) {
        fit(sheet);
        sheet.getTransforms().setAll(new Scale(scale, scale));
        return job.printPage(paper, sheet);
    }
}
