package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.place.Says;
import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.DoubleBinaryOperator;

/**
 * Rows right below a header that say what its columns can reach or must reach: {@code Out of}, {@code Pass mark}, {@code Min}
 * with {@code Max}. They are no records.
 *
 * @param rows those rows, from the first below the header
 */
record LimitRows(List<Row> rows) {
    /** What is the name of nothing else. */
    private static final Set<String> PLAIN = Set.of(
            "out of",
            "max mark",
            "max marks",
            "max. marks",
            "maximum mark",
            "maximum marks",
            "max score",
            "maximum score",
            "max points",
            "maximum points",
            "full marks",
            "marks available",
            "points possible",
            "possible points",
            "possible score",
            "pass mark",
            "passing mark",
            "passing score",
            "lower limit",
            "upper limit",
            "lower bound",
            "upper bound",
            "erreichbare punkte",
            "maximale punktzahl",
            "höchstpunktzahl",
            "bestehensgrenze",
            "untergrenze",
            "obergrenze",
            "grenzwert",
            "note maximale",
            "barème",
            "puntuación máxima",
            "punteggio massimo");

    private static final Set<String> MOST = Set.of("max", "max.", "maximum");
    private static final Set<String> LEAST = Set.of("min", "min.", "minimum");
    private static final int FEWEST_RECORDS = 3;
    private static final int FEWEST_NUMBERS = 2;

    LimitRows {
        rows = List.copyOf(rows);
    }

    /** Those that a table begins with, below its header; none where there are no records behind them to keep them. */
    static LimitRows at(List<Row> below) {
        List<Row> limits = new ArrayList<>();
        while (limits.size() < below.size() && isLimit(below.get(limits.size()))) {
            limits.add(below.get(limits.size()));
        }
        List<Row> records = below.subList(limits.size(), below.size()).stream()
                .filter(row -> !isFigure(row))
                .toList();
        boolean told = limits.stream().anyMatch(row -> PLAIN.contains(label(row)))
                || limits.size() > 1
                        && limits.stream()
                                .allMatch(row -> MOST.contains(label(row))
                                        ? keep(row, records, Math::max)
                                        : keep(row, records, Math::min));
        return new LimitRows(told && records.size() >= FEWEST_RECORDS ? limits : List.of());
    }

    private static boolean isLimit(Row row) {
        int numbers = 0;
        for (int c = 0; c < row.width(); c++) {
            numbers += Forms.of(row, c).isNumber() ? 1 : 0;
        }
        String label = label(row);
        return row.blanksBefore() == 0
                && numbers >= FEWEST_NUMBERS
                && numbers == row.filled() - 1
                && (PLAIN.contains(label) || MOST.contains(label) || LEAST.contains(label));
    }

    /** True for what is said of all records below them. */
    private static boolean isFigure(Row row) {
        String label = row.text(row.firstFilled());
        return row.filled() < 2
                || TotalWords.of(label) != TotalWords.Sureness.NO
                || TotalWords.figure(label).isPresent()
                || TotalWords.figureWithin(label).isPresent();
    }

    private static String label(Row row) {
        String label = LooseText.tidy(row.text(row.firstFilled())).toLowerCase(Locale.ROOT);
        return label.endsWith(":") ? label.substring(0, label.length() - 1) : label;
    }

    /** True where no record has a number beyond those of a limit. */
    private static boolean keep(Row limit, List<Row> records, DoubleBinaryOperator outer) {
        for (int c = 0; c < limit.width(); c++) {
            double at = number(limit, c);
            for (Row record : records) {
                double value = number(record, c);
                if (!Double.isNaN(at) && !Double.isNaN(value) && outer.applyAsDouble(at, value) != at) {
                    return false;
                }
            }
        }
        return true;
    }

    private static double number(Row row, int column) {
        Form form = Forms.of(row, column);
        return form.isNumber()
                ? CellNumber.of(row.kind(column), row.chars(), row.start(column), row.end(column), form, false)
                : Double.NaN;
    }

    /** What is said of them. */
    Doubt said() {
        List<String> names = rows.stream()
                .map(row -> Says.quoted(LooseText.tidy(row.text(row.firstFilled()))))
                .toList();
        boolean one = rows.size() == 1;
        return new Doubt(
                "limit-row",
                rows.get(0).number(),
                Says.list(names) + (one ? " stands" : " stand")
                        + " right below the header and " + (one ? "says" : "say")
                        + " what the columns can reach; set aside as " + (one ? "a note." : "notes."),
                rows.size());
    }
}
