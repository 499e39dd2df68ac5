package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.sheet.Row;
import cuvee.value.Form;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A first row that adds up those below it. */
final class TotalAbove {
    /** Fewer records than these add up by chance. */
    private static final int ENOUGH = 3;
    /** The numbers of a single column add up by chance where there are fewer. */
    private static final int MANY = 8;
    /** So many sums that agree are no accident. */
    private static final int SEVERAL = 2;

    private final TableColumns columns;
    private final RunningSums sums;
    private final Reading reading;
    private final List<Doubt> doubts;
    private @Nullable Row first;
    private boolean heldCounts;

    TotalAbove(TableColumns columns, RunningSums sums, Reading reading, List<Doubt> doubts) {
        this.columns = columns;
        this.sums = sums;
        this.reading = reading;
        this.doubts = doubts;
    }

    /**
     * True where a row right below the header, which has been looked at, may add up those that follow: by its word, or
     * because rows without one may be totals too, or because words for nothing stand where records have their keys.
     */
    boolean mayBe(Row row) {
        int numbers = 0;
        int texts = 0;
        int nothings = 0;
        for (int column = 0; column < row.width(); column++) {
            Form form = columns.form(column);
            numbers += form.isNumber() ? 1 : 0;
            texts += form == Form.WORDS || form == Form.WORDS_AND_DIGITS ? 1 : 0;
            // Words for nothing among numbers are unknown amounts.
            nothings += form == Form.NOTHING_WORD && numbers == 0 ? 1 : 0;
        }
        boolean keyless = texts == 1 && nothings > 0 && numbers >= SEVERAL;
        return numbers > 0 && texts <= 1 && (namesWhole(row, columns) || keyless || reading.unnamedTotals());
    }

    /** True where a row names all of something. */
    static boolean namesWhole(Row row, TableColumns columns) {
        for (int column = 0; column < row.width(); column++) {
            if (columns.form(column) == Form.WORDS && TotalWords.namesWhole(row.text(column))) {
                return true;
            }
        }
        return false;
    }

    /** Holds a row back that may add up those below; without a word for it, it counts as a record until that is told. */
    void hold(Row row) {
        heldCounts = !namesWhole(row, columns);
        if (heldCounts) {
            sums.add(row, columns);
        }
    }

    /** True where the row that was held back, and has been looked at again, is the total of all rows behind it. */
    boolean isTotal(Row row) {
        if (heldCounts) {
            sums.remove(row, columns);
        }
        boolean named = false;
        for (int column = 0; column < row.width(); column++) {
            named |=
                    columns.form(column) == Form.WORDS && TotalWords.of(row.text(column)) == TotalWords.Sureness.WHOLLY;
        }
        boolean adds = !named && sums.records() > 0 && addsUp(row, 0);
        if (adds && heldCounts && !reading.unnamedTotals()) {
            doubts.add(new Doubt(
                    "total-above",
                    row.number(),
                    "Row " + row.number()
                            + " adds up all rows below it, and has words for nothing where they have their"
                            + " keys; it is set aside as their total.",
                    1));
        }
        return sums.records() > 0 && named || adds;
    }

    /** Takes in a record, of which the first may add up all others. */
    void keep(Row row) {
        if (sums.records() == 0) {
            first = row.copy();
        }
    }

    /** Says of a first record that it adds up all others, which nothing names. */
    void doubtFirst() {
        Row row = first;
        if (row == null || sums.records() <= ENOUGH) {
            return;
        }
        columns.look(row);
        if (addsUp(row, 1)) {
            doubts.add(new Doubt(
                    "total-row",
                    row.number(),
                    "Row " + row.number() + " adds up all rows below it but names nothing; it is kept as a record.",
                    1));
        }
    }

    /** True where the numbers of a row are the sums of all records, without what it adds to them itself. */
    private boolean addsUp(Row row, int times) {
        int agreed = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                if (!Agreement.of(value, sums.all(column) - times * value, sums.records())) {
                    return false;
                }
                // Nothing added up is nothing, and says nothing.
                agreed += value == 0 ? 0 : 1;
            }
        }
        return agreed > 1 || agreed == 1 && (times == 0 || sums.records() > MANY);
    }
}
