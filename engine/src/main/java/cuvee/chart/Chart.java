package cuvee.chart;

import cuvee.master.Grouped.Span;
import cuvee.summary.Summary;
import cuvee.summary.Summary.Drawn;
import cuvee.summary.SummaryTable;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What of a summary is drawn, and how. All figures of a chart stand on one scale from zero.
 *
 * @param form how it is drawn
 * @param figure what is drawn, in words: the first figure of the summary
 * @param each what there is a series for each of, in words; empty for a single one
 * @param across what stands along the chart
 */
public record Chart(Form form, String figure, String each, List<String> across, List<Series> series) {
    private static final int MOST_LINES = 8;
    private static final int MOST_BARS = 40;
    private static final int MOST_PARTS = 6;
    private static final int MOST_SIDE_BY_SIDE = 4;
    private static final int MOST_CELLS_DOWN = 30;
    private static final int MOST_CELLS_ACROSS = 60;

    /** How figures are drawn. */
    public enum Form {
        BARS,
        /** A line for each series, each on its own, so that none hides another. */
        LINES,
        /** Bars of parts that add up. */
        STACKED,
        /** A cell for each figure, the darker the greater it is. */
        HEAT
    }

    /**
     * Figures that belong together.
     *
     * @param values the figures; null where there is none
     * @param written the same as the summary writes them
     */
    public record Series(String name, List<@Nullable BigDecimal> values, List<String> written) {}

    public Chart {
        across = List.copyOf(across);
        series = List.copyOf(series);
    }

    /** The chart that fits a summary, of the form that its words ask for where that can be drawn; empty where none helps. */
    public static Optional<Chart> of(SummaryTable table) {
        return new Choosing(table).chart();
    }

    /** It in words, as they stand over the picture. */
    public String says() {
        String of = each.isEmpty() ? "" : " for each " + each;
        return switch (form) {
            case BARS -> "Drawn as bars" + (series.size() > 1 ? of : "") + ", " + figure + ", from zero";
            case LINES -> "Drawn as a line" + of + ", " + figure + ", all on one scale from zero";
            case STACKED ->
                "Drawn as stacked bars, " + figure + "; from below "
                        + String.join(", ", series.stream().map(Series::name).toList());
            case HEAT -> "Drawn as a heat map, " + figure + ", the darker the greater";
        };
    }

    /** The least and the greatest figure, zero among them. */
    record Range(double least, double most) {}

    Range range() {
        double[] all = series.stream()
                .flatMap(one -> one.values().stream())
                .filter(Objects::nonNull)
                .mapToDouble(value -> value == null ? 0 : value.doubleValue())
                .toArray();
        double least = 0;
        double most = 0;
        for (double value : all) {
            least = Math.min(least, value);
            most = Math.max(most, value);
        }
        return new Range(least, most == least ? least + 1 : most);
    }

    /** Chooses the form for a table. */
    private static final class Choosing {
        private final SummaryTable table;
        private final Summary summary;
        private final List<SummaryTable.Line> lines;
        private final List<Integer> columns;
        private final boolean across;

        Choosing(SummaryTable table) {
            this.table = table;
            this.summary = table.summary();
            this.lines = table.lines().stream()
                    .filter(line -> table.lines().size() == 1 || !line.total())
                    .toList();
            this.columns = IntStream.range(0, table.columns().size())
                    .filter(at -> isDrawn(table.columns().get(at)))
                    .boxed()
                    .toList();
            this.across = summary.columns().isPresent() && columns.size() > 1;
        }

        private boolean isDrawn(SummaryTable.Column column) {
            return column.figure().equals(summary.figures().get(0))
                    && column.type().isNumber()
                    && column.of() != SummaryTable.Of.DIFFERENCE
                    && (summary.columns().isEmpty() || column.key().isPresent());
        }

        Optional<Chart> chart() {
            if (columns.isEmpty() || lines.size() <= (across ? 0 : 1)) {
                return Optional.empty();
            }
            Optional<Form> wanted = wanted(summary.shown().drawn()).filter(this::canBe);
            return wanted.or(() -> fitting().filter(this::canBe)).map(this::drawn);
        }

        private static Optional<Form> wanted(Drawn drawn) {
            return switch (drawn) {
                case AS_FITS -> Optional.empty();
                case BARS -> Optional.of(Form.BARS);
                case LINES -> Optional.of(Form.LINES);
                case STACKED -> Optional.of(Form.STACKED);
                case HEAT -> Optional.of(Form.HEAT);
            };
        }

        private Optional<Form> fitting() {
            if (!across) {
                return Optional.of(isSpan(summary.lines()) && lines.size() > MOST_BARS ? Form.LINES : Form.BARS);
            }
            boolean spans = isSpan(summary.columns().stream().toList());
            Form first = spans ? Form.LINES : Form.STACKED;
            return Optional.of(canBe(first) ? first : Form.HEAT);
        }

        private static boolean isSpan(List<Summary.By> by) {
            return by.size() == 1 && by.get(0).span() != Span.VALUE;
        }

        private boolean canBe(Form form) {
            return switch (form) {
                case BARS -> lines.size() <= MOST_BARS && (!across || columns.size() <= MOST_SIDE_BY_SIDE);
                case LINES -> across ? lines.size() <= MOST_LINES : isSpan(summary.lines());
                case STACKED ->
                    across
                            && summary.figures().get(0).kind().addsUp()
                            && columns.size() <= MOST_PARTS
                            && lines.size() <= MOST_BARS
                            && noneBelowZero();
                case HEAT -> across && lines.size() <= MOST_CELLS_DOWN && columns.size() <= MOST_CELLS_ACROSS;
            };
        }

        private boolean noneBelowZero() {
            return lines.stream()
                    .allMatch(line -> columns.stream()
                            .map(column -> value(line, column))
                            .allMatch(value -> value == null || value.signum() >= 0));
        }

        private Chart drawn(Form form) {
            boolean byLine = across && (form == Form.LINES || form == Form.HEAT);
            List<Series> series = byLine
                    ? lines.stream().map(line -> ofLine(line)).toList()
                    : columns.stream().map(this::ofColumn).toList();
            List<String> along = byLine
                    ? columns.stream().map(this::title).toList()
                    : lines.stream().map(this::title).toList();
            String each = byLine
                    ? String.join(" and ", table.keyTitles())
                    : summary.columns().map(Summary.By::said).orElse("");
            return new Chart(form, summary.figures().get(0).said(), each, along, series);
        }

        private Series ofLine(SummaryTable.Line line) {
            List<@Nullable BigDecimal> values = new ArrayList<>();
            List<String> written = new ArrayList<>();
            columns.forEach(column -> {
                values.add(value(line, column));
                written.add(line.written().get(column));
            });
            return new Series(title(line), values, written);
        }

        private Series ofColumn(int column) {
            List<@Nullable BigDecimal> values = new ArrayList<>();
            List<String> written = new ArrayList<>();
            lines.forEach(line -> {
                values.add(value(line, column));
                written.add(line.written().get(column));
            });
            return new Series(title(column), values, written);
        }

        private static @Nullable BigDecimal value(SummaryTable.Line line, int column) {
            String value = line.values().get(column);
            return value == null ? null : new BigDecimal(value);
        }

        private String title(SummaryTable.Line line) {
            return table.keyTitles().isEmpty()
                    ? SummaryTable.ALL
                    : String.join(
                            ", ",
                            IntStream.range(0, table.keyTitles().size())
                                    .mapToObj(line::key)
                                    .toList());
        }

        private String title(int column) {
            SummaryTable.Column it = table.columns().get(column);
            return it.key().orElse(it.title());
        }
    }
}
