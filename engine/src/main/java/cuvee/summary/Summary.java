package cuvee.summary;

import cuvee.master.Grouped;
import cuvee.master.Grouped.Measure;
import cuvee.master.Grouped.Span;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * A summary of the master as an analyst asks for it, in words: {@code total Fare and number of rows: a line for each Port, a
 * column for each month of Sailing date, only where Cancelled is no; in thousands, with 1 decimal}.
 *
 * @param figures what is reckoned, at least one
 * @param lines what there is a line for each of; none for a single line over all rows
 * @param columns what there is a column for each of; empty for one column a figure
 * @param where what has to hold of the rows, as a phrase; empty for all rows
 * @param against what has to hold of the rows that these are compared with, as a phrase; empty for no comparison
 * @param shown how figures are written
 */
public record Summary(
        List<Figure> figures, List<By> lines, Optional<By> columns, String where, String against, Shown shown) {
    public Summary {
        figures = List.copyOf(figures);
        lines = List.copyOf(lines);
    }

    /** How a figure is said and reckoned. */
    public enum Kind {
        TOTAL("total", Measure.SUM),
        NUMBER_OF_ROWS("number of rows", Measure.ROWS),
        DIFFERENT("number of different", Measure.DIFFERENT),
        FILLED("number of filled", Measure.FILLED),
        AVERAGE("average", Measure.AVERAGE),
        MEDIAN("median", Measure.MEDIAN),
        LEAST("least", Measure.LEAST),
        GREATEST("greatest", Measure.GREATEST),
        /** The sum as a part of that of all lines. */
        SHARE("share of", Measure.SUM),
        /** The sum of a line and those above it. */
        RUNNING("running total of", Measure.SUM);

        private final String words;
        private final Measure measure;

        Kind(String words, Measure measure) {
            this.words = words;
            this.measure = measure;
        }

        public String words() {
            return words;
        }

        Measure measure() {
            return measure;
        }

        /** True where only numbers have it. */
        public boolean ofNumbers() {
            return this == TOTAL || this == AVERAGE || this == MEDIAN || this == SHARE || this == RUNNING;
        }

        /** True where the figures of lines add up to that of all of them. */
        public boolean addsUp() {
            return this == TOTAL || this == NUMBER_OF_ROWS || this == FILLED || this == SHARE;
        }
    }

    /**
     * What is reckoned.
     *
     * @param column the master's column; empty for the number of rows
     */
    public record Figure(Kind kind, String column) {
        public String said() {
            return column.isEmpty() ? kind.words() : kind.words() + " " + column;
        }

        Figure with(UnaryOperator<String> name) {
            return new Figure(kind, column.isEmpty() ? "" : name.apply(column));
        }
    }

    /** A column, and what of its dates tells lines or columns apart. */
    public record By(String column, Span span) {
        public String said() {
            return span == Span.VALUE ? column : span.name().toLowerCase(Locale.ROOT) + " of " + column;
        }

        By with(UnaryOperator<String> name) {
            return new By(name.apply(column), span);
        }
    }

    /** What figures are divided by before they are written. */
    public enum Unit {
        ONE(0, ""),
        THOUSANDS(3, "thousands"),
        MILLIONS(6, "millions");

        private final int digits;
        private final String words;

        Unit(int digits, String words) {
            this.digits = digits;
            this.words = words;
        }

        int digits() {
            return digits;
        }

        public String words() {
            return words;
        }
    }

    /** The order of lines. */
    public enum Order {
        /** By what they are for, dates and numbers from the least, texts from A to Z. */
        BY_NAME(""),
        GREATEST_FIRST("greatest first"),
        LEAST_FIRST("least first");

        private final String words;

        Order(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** How figures are drawn. */
    public enum Drawn {
        /** As suits them best. */
        AS_FITS(""),
        BARS("drawn as bars"),
        LINES("drawn as lines"),
        STACKED("drawn as stacked bars"),
        HEAT("drawn as a heat map");

        private final String words;

        Drawn(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * How figures are written and drawn.
     *
     * @param decimals how many; below zero for as many as the column has
     * @param totals whether there is a line and a column for all
     */
    public record Shown(Unit unit, int decimals, boolean totals, Order order, Drawn drawn) {
        public static final Shown DEFAULT = new Shown(Unit.ONE, -1, true, Order.BY_NAME, Drawn.AS_FITS);

        public Shown with(Unit other) {
            return new Shown(other, decimals, totals, order, drawn);
        }

        public Shown withDecimals(int other) {
            return new Shown(unit, other, totals, order, drawn);
        }

        public Shown withTotals(boolean other) {
            return new Shown(unit, decimals, other, order, drawn);
        }

        public Shown with(Order other) {
            return new Shown(unit, decimals, totals, other, drawn);
        }

        public Shown with(Drawn other) {
            return new Shown(unit, decimals, totals, order, other);
        }
    }

    /** The summary in words, as {@link SummaryWords} reads them. */
    public String said() {
        StringBuilder said =
                new StringBuilder(figures.stream().map(Figure::said).collect(Collectors.joining(" and ")));
        List<String> parts = new ArrayList<>();
        if (!lines.isEmpty()) {
            parts.add("a line for each " + lines.stream().map(By::said).collect(Collectors.joining(" and ")));
        }
        columns.ifPresent(by -> parts.add("a column for each " + by.said()));
        if (!where.isEmpty()) {
            parts.add("only where " + where);
        }
        if (!parts.isEmpty()) {
            said.append(": ").append(String.join(", ", parts));
        }
        List<String> how = new ArrayList<>();
        if (!against.isEmpty()) {
            how.add("compared with " + against);
        }
        if (shown.unit() != Unit.ONE) {
            how.add("in " + shown.unit().words());
        }
        if (shown.decimals() >= 0) {
            how.add("with " + shown.decimals() + (shown.decimals() == 1 ? " decimal" : " decimals"));
        }
        if (!shown.totals()) {
            how.add("without totals");
        }
        if (shown.order() != Order.BY_NAME) {
            how.add(shown.order().words());
        }
        if (shown.drawn() != Drawn.AS_FITS) {
            how.add(shown.drawn().words());
        }
        how.forEach(each -> said.append("; ").append(each));
        return said.toString();
    }

    /** The same with columns called otherwise; the phrase of its rows has to be renamed by whoever can read it. */
    Summary with(UnaryOperator<String> name, UnaryOperator<String> phrase) {
        return new Summary(
                figures.stream().map(figure -> figure.with(name)).toList(),
                lines.stream().map(by -> by.with(name)).toList(),
                columns.map(by -> by.with(name)),
                where.isEmpty() ? "" : phrase.apply(where),
                against.isEmpty() ? "" : phrase.apply(against),
                shown);
    }

    public Summary withFigures(List<Figure> other) {
        return new Summary(other, lines, columns, where, against, shown);
    }

    public Summary withLines(List<By> other) {
        return new Summary(figures, other, columns, where, against, shown);
    }

    /** The same with a column for each of something, which it cannot have beside a comparison. */
    public Summary withColumns(Optional<By> other) {
        return new Summary(figures, lines, other, where, other.isPresent() ? "" : against, shown);
    }

    public Summary withWhere(String phrase) {
        return new Summary(figures, lines, columns, phrase, against, shown);
    }

    /** The same compared with other rows, which leaves no room for a column for each of anything. */
    public Summary withAgainst(String phrase) {
        return new Summary(figures, lines, phrase.isEmpty() ? columns : Optional.empty(), where, phrase, shown);
    }

    public Summary withShown(Shown other) {
        return new Summary(figures, lines, columns, where, against, other);
    }

    /** All that tells groups apart, those of the columns last. */
    List<By> keys() {
        List<By> keys = new ArrayList<>(lines);
        columns.ifPresent(keys::add);
        return keys;
    }

    Grouped.Key key(By by, int column) {
        return new Grouped.Key(column, by.span());
    }
}
