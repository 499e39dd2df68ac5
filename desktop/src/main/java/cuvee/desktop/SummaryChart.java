package cuvee.desktop;

import cuvee.chart.Chart;
import cuvee.chart.ChartLook;
import cuvee.chart.ChartPicture;
import cuvee.summary.SummaryTable;
import java.awt.image.BufferedImage;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;

/** The chart of a summary, drawn anew for the room and the theme. What it is stands over it in words. */
final class SummaryChart extends VBox {
    private static final int LEAST = 40;
    private static final int HEAD = 26;
    private static final int USUAL = 190;
    private static final double COPY_SCALE = 2;
    private static final int COPY_WIDTH = 960;
    private static final int COPY_HEIGHT = 480;

    private final Label says = Pieces.label("", "second");
    private final ImageView picture = new ImageView();
    private final Pane room = new Pane(picture);
    private Optional<Chart> chart = Optional.empty();
    private Palette palette = Palette.LIGHT;

    SummaryChart() {
        super(2);
        setId("summary-chart");
        getStyleClass().add("summary-chart");
        room.setMinSize(0, 0);
        VBox.setVgrow(room, Priority.ALWAYS);
        getChildren()
                .addAll(
                        Pieces.row(
                                8, says, Pieces.space(), Pieces.go("Copy as a picture", "summary-picture", this::copy)),
                        room);
        room.widthProperty().addListener((o, before, now) -> draw());
        room.heightProperty().addListener((o, before, now) -> draw());
    }

    void usePalette(Palette other) {
        palette = other;
        draw();
    }

    void show(SummaryTable table) {
        chart = Chart.of(table);
        Pieces.show(this, chart.isPresent());
        chart.ifPresent(drawn -> {
            says.setText(drawn.says());
            picture.setAccessibleText(drawn.says());
            setPrefHeight(HEAD + ChartPicture.height(drawn, USUAL));
        });
        draw();
    }

    Optional<Chart> chart() {
        return chart;
    }

    private void draw() {
        int width = (int) room.getWidth();
        int height = (int) room.getHeight();
        if (chart.isEmpty() || width < LEAST || height < LEAST) {
            return;
        }
        double scale = getScene() == null ? 1 : getScene().getWindow().getOutputScaleX();
        picture.setImage(image(ChartPicture.of(chart.get(), look(), width, height, scale)));
        picture.setFitWidth(width);
        picture.setFitHeight(height);
    }

    private ChartLook look() {
        return new ChartLook(
                awt(palette.paper()),
                awt(palette.ink()),
                awt(palette.second()),
                awt(palette.colour("line")),
                awt(palette.colour("slate")));
    }

    private static java.awt.Color awt(Color colour) {
        return new java.awt.Color((float) colour.getRed(), (float) colour.getGreen(), (float) colour.getBlue());
    }

    private static Image image(BufferedImage drawn) {
        int width = drawn.getWidth();
        int height = drawn.getHeight();
        WritableImage image = new WritableImage(width, height);
        int[] pixels = drawn.getRGB(0, 0, width, height, null, 0, width);
        image.getPixelWriter().setPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
        return image;
    }

    /** Puts the chart on the clipboard as a picture for print. */
    void copy() {
        chart.ifPresent(drawn -> {
            ClipboardContent content = new ClipboardContent();
            content.putImage(image(ChartPicture.of(
                    drawn, ChartLook.PAPER, COPY_WIDTH, ChartPicture.height(drawn, COPY_HEIGHT), COPY_SCALE)));
            Clipboard.getSystemClipboard().setContent(content);
        });
    }
}
