package cuvee.chart;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.text.NumberFormat;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.annotations.XYTextAnnotation;
import org.jfree.chart.axis.CategoryAxis;
import org.jfree.chart.axis.CategoryLabelPositions;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.NumberTickUnit;
import org.jfree.chart.axis.SymbolAxis;
import org.jfree.chart.axis.ValueAxis;
import org.jfree.chart.labels.CategoryItemLabelGenerator;
import org.jfree.chart.plot.CategoryPlot;
import org.jfree.chart.plot.Plot;
import org.jfree.chart.plot.XYPlot;
import org.jfree.chart.renderer.PaintScale;
import org.jfree.chart.renderer.category.BarRenderer;
import org.jfree.chart.renderer.category.LineAndShapeRenderer;
import org.jfree.chart.renderer.category.StackedBarRenderer;
import org.jfree.chart.renderer.category.StandardBarPainter;
import org.jfree.chart.renderer.xy.XYBlockRenderer;
import org.jfree.chart.ui.RectangleInsets;
import org.jfree.chart.ui.TextAnchor;
import org.jfree.data.category.CategoryDataset;
import org.jfree.data.category.DefaultCategoryDataset;
import org.jfree.data.xy.DefaultXYZDataset;

/** Draws charts as pictures, in memory. */
public final class ChartPicture {
    /** So many lines stand side by side before there is a second row of them, where there is room for one. */
    private static final int LINES_SIDE_BY_SIDE = 4;

    private static final int HEIGHT_OF_A_LINE = 150;
    private static final int HEIGHT_OF_A_ROW = 20;
    private static final int HEIGHT_OF_NAMES = 40;

    private static final int GAP = 16;
    private static final int LINE_HEAD = 34;
    /** A bar needs this much room for a figure over it. */
    private static final double ROOM_OF_A_FIGURE = 52;

    private static final double ROOM_OF_A_NAME = 76;
    /** A bar is no wider than this part of the chart. */
    private static final double MOST_OF_THE_WIDTH = 0.07;
    /** Room over the highest bar for its figure. */
    private static final double OVER_BARS = 0.14;

    private final Chart chart;
    private final ChartLook look;
    private final Font text = ChartFonts.font("400Regular", 12);
    private final Font bold = ChartFonts.font("600SemiBold", 13);

    private ChartPicture(Chart chart, ChartLook look) {
        this.chart = chart;
        this.look = look;
    }

    /**
     * Draws a chart.
     *
     * @param width in units of the text's size
     * @param scale how many pixels a unit has
     */
    public static BufferedImage of(Chart chart, ChartLook look, int width, int height, double scale) {
        BufferedImage image = new BufferedImage(
                (int) Math.ceil(width * scale), (int) Math.ceil(height * scale), BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = image.createGraphics();
        try {
            g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
            g.scale(scale, scale);
            g.setPaint(look.paper());
            g.fillRect(0, 0, width, height);
            new ChartPicture(chart, look).draw(g, new Rectangle2D.Double(0, 0, width, height));
        } finally {
            g.dispose();
        }
        return image;
    }

    /**
     * The same as a file.
     *
     * @throws IOException where the machine writes no such pictures
     */
    public static byte[] png(Chart chart, ChartLook look, int width, int height, double scale) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        if (!ImageIO.write(of(chart, look, width, height, scale), "png", bytes)) {
            throw new IOException("this machine writes no pictures");
        }
        return bytes.toByteArray();
    }

    /** The height in which every line of a chart can be named, at least so much. */
    public static int height(Chart chart, int least) {
        return chart.form() == Chart.Form.HEAT
                ? Math.max(
                        least,
                        HEIGHT_OF_NAMES + HEIGHT_OF_A_ROW * chart.series().size())
                : least;
    }

    private void draw(Graphics2D g, Rectangle2D room) {
        switch (chart.form()) {
            case BARS -> finished(bars(new BarRenderer(), room)).draw(g, room);
            case STACKED -> finished(bars(new StackedBarRenderer(), room)).draw(g, room);
            case HEAT -> finished(heat(room)).draw(g, room);
            case LINES -> lines(g, room);
        }
    }

    private JFreeChart finished(Plot plot) {
        plot.setBackgroundPaint(look.paper());
        plot.setOutlineVisible(false);
        plot.setInsets(new RectangleInsets(4, 0, 6, 8));
        JFreeChart drawn = new JFreeChart(null, text, plot, false);
        drawn.setBackgroundPaint(look.paper());
        return drawn;
    }

    // ---- bars ----

    private CategoryPlot bars(BarRenderer renderer, Rectangle2D room) {
        DefaultCategoryDataset data = new DefaultCategoryDataset();
        for (Chart.Series series : chart.series()) {
            add(data, series);
        }
        boolean stacked = chart.form() == Chart.Form.STACKED;
        int parts = chart.series().size();
        renderer.setBarPainter(new StandardBarPainter());
        renderer.setShadowVisible(false);
        renderer.setDrawBarOutline(stacked);
        renderer.setDefaultOutlinePaint(look.paper());
        renderer.setItemMargin(0.05);
        renderer.setMaximumBarWidth(MOST_OF_THE_WIDTH);
        double wide = room.getWidth() / (chart.across().size() * (double) (stacked ? 1 : parts));
        for (int at = 0; at < parts; at++) {
            Color shade = look.shade(at, Math.max(2, parts));
            renderer.setSeriesPaint(at, shade);
            renderer.setSeriesOutlinePaint(at, look.paper());
            renderer.setSeriesItemLabelPaint(at, stacked ? look.on(shade) : look.ink());
        }
        // Bars that stand side by side, and parts, are named in the first of them, so that no legend has to be looked
        // up.
        boolean figures = parts == 1 && wide >= ROOM_OF_A_FIGURE;
        boolean names = parts > 1 && wide >= ROOM_OF_A_NAME;
        renderer.setDefaultItemLabelsVisible(figures || names);
        renderer.setDefaultItemLabelFont(text);
        renderer.setDefaultItemLabelGenerator(new Labels(chart, names));
        NumberAxis up = up(chart.range(), true);
        up.setUpperMargin(figures || !stacked && names ? OVER_BARS : up.getUpperMargin());
        CategoryPlot plot = new CategoryPlot(data, across(room), up, renderer);
        plot.setRangeGridlinePaint(look.rule());
        plot.setRangeGridlineStroke(new BasicStroke(1));
        return plot;
    }

    /** The figure over a bar, or the name of the series in its first bar. */
    private record Labels(Chart chart, boolean names) implements CategoryItemLabelGenerator {
        @Override
        public String generateLabel(CategoryDataset data, int row, int column) {
            return names
                    ? column == 0 ? chart.series().get(row).name() : ""
                    : chart.series().get(row).written().get(column);
        }

        @Override
        public String generateRowLabel(CategoryDataset data, int row) {
            return chart.series().get(row).name();
        }

        @Override
        public String generateColumnLabel(CategoryDataset data, int column) {
            return chart.across().get(column);
        }
    }

    private void add(DefaultCategoryDataset data, Chart.Series series) {
        for (int at = 0; at < chart.across().size(); at++) {
            BigDecimal value = series.values().get(at);
            data.addValue(value, series.name(), chart.across().get(at));
        }
    }

    private CategoryAxis across(Rectangle2D room) {
        CategoryAxis axis = new CategoryAxis();
        axis.setTickLabelFont(text);
        axis.setTickLabelPaint(look.ink());
        axis.setAxisLinePaint(look.rule());
        axis.setTickMarksVisible(false);
        axis.setLowerMargin(0.01);
        axis.setUpperMargin(0.01);
        axis.setMaximumCategoryLabelLines(2);
        int longest = chart.across().stream().mapToInt(String::length).max().orElse(0);
        boolean narrow = room.getWidth() / chart.across().size() < Math.min(longest, 14) * 7.0;
        axis.setCategoryLabelPositions(narrow ? CategoryLabelPositions.UP_45 : CategoryLabelPositions.STANDARD);
        return axis;
    }

    private NumberAxis up(Chart.Range range, boolean labelled) {
        NumberAxis axis = new NumberAxis();
        axis.setNumberFormatOverride(NumberFormat.getInstance(Locale.ENGLISH));
        axis.setTickLabelFont(text);
        axis.setTickLabelPaint(look.second());
        axis.setAxisLineVisible(false);
        axis.setTickMarksVisible(false);
        axis.setTickLabelsVisible(labelled);
        axis.setAutoRangeIncludesZero(true);
        if (chart.form() == Chart.Form.LINES) {
            axis.setRange(range.least(), range.most() * 1.05);
        }
        return axis;
    }

    // ---- lines ----

    private void lines(Graphics2D g, Rectangle2D room) {
        int count = chart.series().size();
        int rows = Math.max(1, (int) (room.getHeight() / HEIGHT_OF_A_LINE));
        int beside = Math.min(count, Math.max(LINES_SIDE_BY_SIDE, (count + rows - 1) / rows));
        int down = (count + beside - 1) / beside;
        double width = (room.getWidth() - GAP * (beside - 1.0)) / beside;
        double height = (room.getHeight() - GAP * (down - 1.0)) / down;
        for (int at = 0; at < count; at++) {
            double x = room.getX() + at % beside * (width + GAP);
            int row = at / beside;
            double y = room.getY() + row * (height + GAP);
            line(g, chart.series().get(at), new Rectangle2D.Double(x, y, width, height), at % beside == 0);
        }
    }

    private void line(Graphics2D g, Chart.Series series, Rectangle2D room, boolean labelled) {
        g.setFont(bold);
        g.setPaint(look.ink());
        g.drawString(count() > 1 ? series.name() : "", (float) room.getX(), (float) room.getY() + 13);
        g.setFont(text);
        g.setPaint(look.second());
        g.drawString(greatest(series), (float) room.getX(), (float) room.getY() + 29);
        DefaultCategoryDataset data = new DefaultCategoryDataset();
        add(data, series);
        LineAndShapeRenderer renderer =
                new LineAndShapeRenderer(true, chart.across().size() == 1);
        renderer.setSeriesPaint(0, look.strong());
        renderer.setSeriesStroke(0, new BasicStroke(2));
        CategoryAxis axis = across(room);
        axis.setTickLabelsVisible(false);
        CategoryPlot plot = new CategoryPlot(data, axis, up(chart.range(), labelled), renderer);
        plot.setRangeGridlinePaint(look.rule());
        plot.setRangeGridlineStroke(new BasicStroke(1));
        double ends = 16;
        finished(plot)
                .draw(
                        g,
                        new Rectangle2D.Double(
                                room.getX(),
                                room.getY() + LINE_HEAD,
                                room.getWidth(),
                                room.getHeight() - LINE_HEAD - ends));
        g.setFont(text);
        g.setPaint(look.second());
        List<String> across = chart.across();
        String last = across.get(across.size() - 1);
        float base = (float) room.getMaxY() - 3;
        double lastAt = room.getMaxX() - 8 - g.getFontMetrics().stringWidth(last);
        String first = across.get(0);
        double firstAt = Math.min(
                room.getX() + (labelled ? 44 : 0),
                lastAt - 8 - g.getFontMetrics().stringWidth(first));
        g.drawString(first, (float) firstAt, base);
        g.drawString(last, (float) lastAt, base);
    }

    private int count() {
        return chart.series().size();
    }

    private String greatest(Chart.Series series) {
        int greatest = -1;
        for (int at = 0; at < series.values().size(); at++) {
            BigDecimal value = series.values().get(at);
            BigDecimal most = greatest < 0 ? null : series.values().get(greatest);
            if (value != null && (most == null || value.compareTo(most) > 0)) {
                greatest = at;
            }
        }
        return greatest < 0
                ? "no figures"
                : "greatest " + series.written().get(greatest) + " in "
                        + chart.across().get(greatest);
    }

    // ---- heat ----

    private XYPlot heat(Rectangle2D room) {
        int across = chart.across().size();
        int down = chart.series().size();
        Chart.Range range = chart.range();
        double[][] cells = new double[3][across * down];
        XYPlot plot = new XYPlot();
        boolean figures = room.getWidth() / (across + 1) >= ROOM_OF_A_FIGURE && room.getHeight() / (down + 1) >= 16;
        for (int row = 0; row < down; row++) {
            for (int column = 0; column < across; column++) {
                int at = row * across + column;
                BigDecimal value = chart.series().get(row).values().get(column);
                cells[0][at] = column;
                cells[1][at] = row;
                cells[2][at] = value == null ? Double.NaN : value.doubleValue();
                if (value != null && figures) {
                    plot.addAnnotation(figure(
                            column, row, chart.series().get(row).written().get(column), value, range));
                }
            }
        }
        DefaultXYZDataset data = new DefaultXYZDataset();
        data.addSeries("figures", cells);
        XYBlockRenderer renderer = new XYBlockRenderer();
        renderer.setBlockHeight(0.92);
        renderer.setBlockWidth(0.96);
        renderer.setPaintScale(new Shades(look, range));
        plot.setDataset(data);
        plot.setRenderer(renderer);
        List<String> names = chart.series().stream().map(Chart.Series::name).toList();
        plot.setDomainAxis(named(chart.across(), room.getWidth() / (across + 1), false));
        plot.setRangeAxis(named(names, room.getHeight() / (down + 1), true));
        plot.setDomainGridlinesVisible(false);
        plot.setRangeGridlinesVisible(false);
        return plot;
    }

    private XYTextAnnotation figure(int column, int row, String written, BigDecimal value, Chart.Range range) {
        XYTextAnnotation annotation = new XYTextAnnotation(written, column, row);
        annotation.setFont(text);
        annotation.setTextAnchor(TextAnchor.CENTER);
        annotation.setPaint(look.on(Shades.of(look, range, value.doubleValue())));
        return annotation;
    }

    /** An axis of names, each of which is seen where its row is high enough, or its column wide enough. */
    private ValueAxis named(List<String> names, double room, boolean down) {
        SymbolAxis axis = new SymbolAxis(null, names.toArray(String[]::new));
        int longest = names.stream().mapToInt(String::length).max().orElse(0);
        boolean all = down ? room >= HEIGHT_OF_A_ROW - 2 : room >= longest * 6.5;
        if (all) {
            axis.setTickUnit(new NumberTickUnit(1));
        }
        axis.setTickLabelFont(text);
        axis.setTickLabelPaint(look.ink());
        axis.setGridBandsVisible(false);
        axis.setAxisLineVisible(false);
        axis.setTickMarksVisible(false);
        axis.setInverted(down);
        return axis;
    }

    /** Darker for greater figures; those below zero are as pale as zero. */
    private record Shades(ChartLook look, Chart.Range range) implements PaintScale {
        static Color of(ChartLook look, Chart.Range range, double value) {
            return look.mixed((value - Math.max(0, range.least())) / range.most());
        }

        @Override
        public double getLowerBound() {
            return range.least();
        }

        @Override
        public double getUpperBound() {
            return range.most();
        }

        @Override
        public Color getPaint(double value) {
            return Double.isNaN(value) ? look.paper() : of(look, range, value);
        }
    }
}
