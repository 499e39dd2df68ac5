package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.place.Says;
import cuvee.sheet.Row;
import cuvee.value.LooseText;
import java.util.Optional;

/** Recognises a column of totals: its header says so, and in every record it adds up the number columns before it. */
final class TotalColumn {
    private static final int ENOUGH = 2;
    private final String[] names;
    private final int column;
    private int firstAdded;
    private int agreed;
    private boolean differs;

    /** Looks for it among the names of a table's columns. */
    TotalColumn(String[] names) {
        this.names = names;
        int found = -1;
        for (int c = 2; c < names.length; c++) {
            if (TotalWords.of(LooseText.tidy(names[c])) == TotalWords.Sureness.WHOLLY) {
                found = c;
            }
        }
        column = found;
        firstAdded = found;
    }

    /** True where no further record changes what is to be said of it. */
    boolean isSettled() {
        return column < 0 || differs;
    }

    /** Takes in a record that has been looked at. */
    void keep(Row row, TableColumns columns) {
        if (isSettled() || row.blank(column)) {
            return;
        }
        double total = columns.value(row, column);
        double sum = 0;
        int first = column;
        while (first > 0) {
            double value = row.blank(first - 1) ? 0 : columns.value(row, first - 1);
            if (Double.isNaN(value)) {
                break;
            }
            first--;
            sum += value;
        }
        differs = Double.isNaN(total) || column - first < ENOUGH || !Agreement.of(total, sum, column - first);
        firstAdded = Math.min(firstAdded, first);
        agreed++;
    }

    /** What is to be said of it, where there is one. */
    Optional<Doubt> said(int headerRow) {
        if (isSettled() || agreed < ENOUGH) {
            return Optional.empty();
        }
        return Optional.of(new Doubt(
                "total-column",
                headerRow,
                "The column " + Says.quoted(names[column]) + " adds up the columns " + Says.quoted(names[firstAdded])
                        + " to " + Says.quoted(names[column - 1]) + "; it stays a column.",
                agreed));
    }
}
