package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.place.Says;
import cuvee.sheet.Row;
import cuvee.value.Form;
import java.util.ArrayList;
import java.util.List;

/**
 * Tells totals from records, by word and by arithmetic, and keeps what they state. Word and arithmetic together, or a
 * word where a record would have its keys, make a total; arithmetic alone makes a record to be asked about.
 */
final class TotalRows {
    private final TableColumns columns;
    private final SheetClues clues;
    private final Reading reading;
    private final List<Doubt> doubts;
    private final List<StatedTotal> stated = new ArrayList<>();
    private final RunningSums sums = new RunningSums();

    TotalRows(TableColumns columns, SheetClues clues, Reading reading, List<Doubt> doubts) {
        this.columns = columns;
        this.clues = clues;
        this.reading = reading;
        this.doubts = doubts;
    }

    RunningSums sums() {
        return sums;
    }

    List<StatedTotal> stated() {
        return stated;
    }

    /** Takes in a record that has been looked at. */
    void keep(Row row) {
        sums.add(row, columns);
    }

    /** Takes in a row as a total, whatever it looks like. */
    void take(Row row) {
        note(row);
        sums.restart();
    }

    /** True where some cell of a row is a word for a total. */
    boolean named(Row row) {
        for (int column = 0; column < row.width(); column++) {
            if (!row.blank(column)
                    && TotalWords.possible(row.chars(), row.start(column), row.end(column))
                    && TotalWords.of(row.text(column)) != TotalWords.Sureness.NO) {
                return true;
            }
        }
        return false;
    }

    /** True where a row that has been looked at is a total; it is taken in. */
    boolean isTotal(Row row) {
        TotalWords.Sureness word = TotalWords.Sureness.NO;
        String label = "";
        int texts = 0;
        int numbers = 0;
        for (int column = 0; column < row.width(); column++) {
            Form form = columns.form(column);
            if (form == Form.BLANK) {
                continue;
            }
            if (form.isNumber()) {
                numbers++;
                continue;
            }
            texts++;
            boolean words = form == Form.WORDS || form == Form.WORDS_AND_DIGITS;
            if (words && TotalWords.possible(row.chars(), row.start(column), row.end(column))) {
                TotalWords.Sureness here = TotalWords.of(row.text(column));
                if (here.compareTo(word) > 0) {
                    word = here;
                    label = row.text(column);
                }
            }
        }
        boolean told = clues.totalRow(row.number());
        if (word == TotalWords.Sureness.NO && texts > 0 && !told) {
            return false;
        }
        boolean total = told
                || (numbers == 0
                        ? word == TotalWords.Sureness.WHOLLY && texts == 1
                        : byNumbers(row, word, label, texts));
        if (total) {
            take(row);
        }
        return total;
    }

    private boolean byNumbers(Row row, TotalWords.Sureness word, String label, int texts) {
        boolean added = sums.records() > 0 && allAgree(row);
        boolean bareKeys = texts <= 1 && columns.keyColumns() > 1;
        if (word == TotalWords.Sureness.NO) {
            boolean unnamed = added && sums.records() > 1 && columns.keyColumns() > 0;
            if (unnamed && !reading.unnamedTotals()) {
                doubts.add(new Doubt(
                        "total-row",
                        row.number(),
                        "Row " + row.number() + " adds up the rows above it but names nothing; it is kept as a record.",
                        1));
            }
            return unnamed && reading.unnamedTotals();
        }
        boolean wholly = word == TotalWords.Sureness.WHOLLY;
        if ((texts <= 1 && (wholly || bareKeys || added)) || (added && wholly)) {
            return true;
        }
        if (texts <= 1 || wholly) {
            doubts.add(new Doubt(
                    "total-word",
                    row.number(),
                    "Row " + row.number() + " says " + Says.quoted(label.strip())
                            + " but does not add up the rows above it; it is kept as a record.",
                    1));
        }
        return false;
    }

    private boolean allAgree(Row row) {
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value) && !agrees(value, column)) {
                return false;
            }
        }
        return true;
    }

    private boolean agrees(double value, int column) {
        return RunningSums.close(value, sums.sinceTotal(column), sums.recordsSinceTotal())
                || RunningSums.close(value, sums.all(column), sums.records());
    }

    private void note(Row row) {
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (Double.isNaN(value)) {
                continue;
            }
            boolean grand = sums.recordsSinceTotal() == 0 || RunningSums.close(value, sums.all(column), sums.records());
            stated.add(new StatedTotal(
                    row.number(),
                    column,
                    value,
                    grand ? sums.all(column) : sums.sinceTotal(column),
                    grand ? sums.records() : sums.recordsSinceTotal()));
        }
    }
}
