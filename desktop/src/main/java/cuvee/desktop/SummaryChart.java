package cuvee.desktop;

import cuvee.summary.SummaryTable;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.chart.BarChart;
import javafx.scene.chart.CategoryAxis;
import javafx.scene.chart.LineChart;
import javafx.scene.chart.NumberAxis;
import javafx.scene.chart.XYChart;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * A chart of a summary, by the toolkit's own charts: a line for each of a few lines where its columns are spans of dates, all
 * on one scale from zero; else bars for the lines. What it is stands over it in words.
 */
final class SummaryChart extends VBox {
    private static final int MOST_LINES = 8;
    private static final int MOST_BARS = 40;
    private final Label says = Pieces.label("", "second");
    private final HBox charts = new HBox(16);

    SummaryChart() {
        super(2);
        setId("summary-chart");
        getStyleClass().add("summary-chart");
        VBox.setVgrow(charts, Priority.ALWAYS);
        getChildren()
                .addAll(
                        Pieces.row(
                                8, says, Pieces.space(), Pieces.go("Copy as a picture", "summary-picture", this::copy)),
                        charts);
    }

    void show(SummaryTable table) {
        charts.getChildren().clear();
        List<SummaryTable.Line> lines = table.lines().stream()
                .filter(line -> table.lines().size() == 1 || !line.total())
                .toList();
        List<Integer> columns = new ArrayList<>();
        for (int i = 0; i < table.columns().size(); i++) {
            SummaryTable.Column column = table.columns().get(i);
            boolean first = column.figure().equals(table.summary().figures().get(0));
            if (first
                    && column.type().isNumber()
                    && (table.summary().columns().isEmpty() || column.key().isPresent())) {
                columns.add(i);
            }
        }
        boolean across = table.summary().columns().isPresent() && columns.size() > 1;
        boolean drawn = !columns.isEmpty() && lines.size() > (across ? 0 : 1);
        Pieces.show(this, drawn && (across ? lines.size() <= MOST_LINES : lines.size() <= MOST_BARS));
        if (!isVisible()) {
            return;
        }
        String figure = table.summary().figures().get(0).said();
        if (across) {
            says.setText("Drawn as a line for each " + String.join(" and ", table.keyTitles()) + ", " + figure
                    + ", all on one scale from zero");
            double most = most(lines, columns);
            double least = least(lines, columns);
            for (int i = 0; i < lines.size(); i++) {
                charts.getChildren().add(line(table, lines.get(i), columns, least, most, i == 0));
            }
        } else {
            says.setText("Drawn as bars, " + figure + ", from zero");
            charts.getChildren().add(bars(table, lines, columns));
        }
    }

    private static double number(@Nullable String value) {
        return value == null ? 0 : new BigDecimal(value).doubleValue();
    }

    private static double most(List<SummaryTable.Line> lines, List<Integer> columns) {
        return lines.stream()
                .flatMapToDouble(line -> columns.stream()
                        .mapToDouble(column -> number(line.values().get(column))))
                .max()
                .orElse(1);
    }

    private static double least(List<SummaryTable.Line> lines, List<Integer> columns) {
        return Math.min(
                0,
                lines.stream()
                        .flatMapToDouble(line -> columns.stream()
                                .mapToDouble(column -> number(line.values().get(column))))
                        .min()
                        .orElse(0));
    }

    private static VBox line(
            SummaryTable table,
            SummaryTable.Line line,
            List<Integer> columns,
            double least,
            double most,
            boolean labelled) {
        CategoryAxis across = new CategoryAxis();
        across.setTickLabelsVisible(false);
        across.setTickMarkVisible(false);
        double step = step(most - least);
        NumberAxis up = new NumberAxis(Math.floor(least / step) * step, Math.ceil(most / step) * step, step);
        up.setMinorTickVisible(false);
        up.setTickLabelsVisible(labelled);
        LineChart<String, Number> chart = new LineChart<>(across, up);
        chart.setLegendVisible(false);
        chart.setAnimated(false);
        chart.setCreateSymbols(false);
        chart.setVerticalGridLinesVisible(false);
        XYChart.Series<String, Number> series = new XYChart.Series<>();
        int greatest = -1;
        for (int column : columns) {
            String value = line.values().get(column);
            if (value != null) {
                series.getData()
                        .add(new XYChart.Data<>(
                                table.columns().get(column).key().orElse(""), number(value)));
                greatest = greatest < 0 || number(value) > number(line.values().get(greatest)) ? column : greatest;
            }
        }
        chart.getData().add(series);
        String at = greatest < 0
                ? ""
                : line.written().get(greatest) + " in "
                        + table.columns().get(greatest).key().orElse("");
        List<String> keys = new ArrayList<>();
        for (int i = 0; i < table.keyTitles().size(); i++) {
            keys.add(line.key(i));
        }
        Optional<String> first = table.columns().get(columns.get(0)).key();
        Optional<String> last =
                table.columns().get(columns.get(columns.size() - 1)).key();
        HBox ends = Pieces.row(
                4,
                Pieces.label(first.orElse(""), "second", "small"),
                Pieces.space(),
                Pieces.label(last.orElse(""), "second", "small"));
        VBox one = new VBox(
                Pieces.label(keys.isEmpty() ? SummaryTable.ALL : String.join(", ", keys), "bold"),
                Pieces.label(at.isEmpty() ? "" : "greatest " + at, "second", "small"),
                chart,
                ends);
        chart.setAccessibleText(String.join(", ", keys) + ": " + at);
        chart.setMinSize(60, 56);
        chart.setPadding(new Insets(8, 0, 0, 0));
        VBox.setVgrow(chart, Priority.ALWAYS);
        HBox.setHgrow(one, Priority.ALWAYS);
        one.setPrefWidth(150);
        return one;
    }

    private static BarChart<String, Number> bars(
            SummaryTable table, List<SummaryTable.Line> lines, List<Integer> columns) {
        NumberAxis up = new NumberAxis();
        up.setMinorTickVisible(false);
        up.setForceZeroInRange(true);
        BarChart<String, Number> chart = new BarChart<>(new CategoryAxis(), up);
        chart.setLegendVisible(columns.size() > 1);
        chart.setAnimated(false);
        chart.setVerticalGridLinesVisible(false);
        for (int column : columns.subList(0, Math.min(2, columns.size()))) {
            XYChart.Series<String, Number> series = new XYChart.Series<>();
            series.setName(table.columns().get(column).title());
            for (SummaryTable.Line line : lines) {
                List<String> keys = new ArrayList<>();
                for (int i = 0; i < table.keyTitles().size(); i++) {
                    keys.add(line.key(i));
                }
                series.getData()
                        .add(new XYChart.Data<>(
                                String.join(", ", keys), number(line.values().get(column))));
            }
            chart.getData().add(series);
        }
        chart.setMinSize(120, 100);
        HBox.setHgrow(chart, Priority.ALWAYS);
        return chart;
    }

    /** A round step that parts a range into two to five. */
    private static double step(double range) {
        if (range <= 0) {
            return 1;
        }
        double power = Math.pow(10, Math.floor(Math.log10(range)));
        double share = range / power;
        return power * (share > 5 ? 2 : share > 2 ? 1 : 0.5);
    }

    /** Puts the chart on the clipboard as a picture. */
    void copy() {
        ClipboardContent content = new ClipboardContent();
        content.putImage(snapshot(null, null));
        Clipboard.getSystemClipboard().setContent(content);
    }
}
