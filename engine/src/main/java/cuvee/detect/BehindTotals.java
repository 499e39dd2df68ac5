package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.place.Says;
import cuvee.sheet.Row;
import cuvee.value.Form;
import java.util.List;

/** Rows right behind a total that say something of it: a share, a comparison, what is left of two totals. */
final class BehindTotals {
    /** So many sums that agree are no accident. */
    private static final int SEVERAL = 2;
    /** Numbers whose mean is so much are no shares. */
    private static final double FAR_MORE = 5;

    /** What a row called by percents may reach at most: a loss of many times the income. */
    private static final double MOST_OF_PERCENTS = 20;

    /** The whole of a total in percents. */
    private static final double HUNDRED = 100;

    private final TableColumns columns;
    private final RunningSums sums;
    private final List<StatedTotal> stated;
    private final List<Doubt> doubts;
    private int totalLabel = -1;
    /** Rows that had the shape of the total, and the first of them. */
    private int shaped;

    private int firstShaped;
    private String firstSays = "";

    BehindTotals(TableColumns columns, RunningSums sums, List<StatedTotal> stated, List<Doubt> doubts) {
        this.columns = columns;
        this.sums = sums;
        this.stated = stated;
        this.doubts = doubts;
    }

    /** True where no record has come since the last total. */
    boolean isThere() {
        return !stated.isEmpty() && sums.recordsSinceTotal() == 0;
    }

    /** True for a row below a total that says parts of one where the records above hold amounts: {@code Occupancy}. */
    boolean isShare(Row row, RowWords said) {
        boolean named = TotalWords.isShareOfTotal(said.label());
        boolean share = isThere() && said.texts() == 1 && said.numbers() > 0 && (!said.namesTotal() || named);
        RunningSums.Group all = sums.all();
        boolean percents = share && row.text(row.firstFilled()).indexOf('%') >= 0;
        double most = named ? HUNDRED : percents ? MOST_OF_PERCENTS : 1;
        boolean some = false;
        for (int column = 0; share && column < row.width(); column++) {
            double value = columns.value(row, column);
            boolean says = !Double.isNaN(value) && value != 0;
            boolean ofAmounts = says && Math.abs(all.mean(column)) >= FAR_MORE;
            share = !says || Math.abs(value) <= most && (ofAmounts || named);
            some |= ofAmounts;
        }
        share &= some;
        if (share) {
            doubts.add(new Doubt(
                    "total-compared",
                    row.number(),
                    "Row " + row.number() + " says "
                            + Says.quoted(row.text(row.firstFilled()).strip())
                            + " right below a total, a share where the rows above hold amounts; it is set aside with"
                            + " the total.",
                    1));
        }
        return share;
    }

    /** True for a row right below the total of all records that sets it against something else, or says its parts of 100. */
    boolean comparesTotal(Row row, RowWords said) {
        if (!isThere() || sums.records() < SEVERAL || said.numbers() == 0) {
            return false;
        }
        int label = row.firstFilled();
        boolean compares = columns.form(label) == Form.WORDS && TotalWords.compares(row.text(label));
        if (compares) {
            doubts.add(new Doubt(
                    "total-compared",
                    row.number(),
                    "Row " + row.number() + " says "
                            + Says.quoted(row.text(label).strip()) + " right below the total; it is set aside with it.",
                    1));
        }
        return compares;
    }

    /** Takes in the total of all records: where its word stands, if it has one. */
    void total(int labelColumn) {
        totalLabel = labelColumn;
    }

    /**
     * True for a row behind the total of all records that has the cells of this total and not those of a record, such as
     * what is taken off a total and what is left: a word in the same place, numbers only where the total has some, and
     * nothing in several columns in which each record has something.
     */
    boolean isOfTotalsShape(Row row, RowWords said) {
        if (!isThere() || totalLabel < 0 || said.texts() != 1 || said.numbers() == 0 || row.blank(totalLabel)) {
            return false;
        }
        int last = stated.get(stated.size() - 1).row();
        boolean same = !columns.form(totalLabel).isNumber();
        for (int column = 0; same && column < row.width(); column++) {
            same = column == totalLabel || row.blank(column) || !Double.isNaN(statedIn(last, column));
        }
        boolean told = same && columns.fullColumnsBlankIn(row) >= SEVERAL;
        if (told) {
            note(row);
        }
        return told;
    }

    private void note(Row row) {
        if (shaped++ == 0) {
            firstShaped = row.number();
            firstSays = row.text(totalLabel).strip();
        }
    }

    /** Tells of the rows that had the shape of the total. */
    void tell() {
        if (shaped > 0) {
            doubts.add(new Doubt(
                    "below-total",
                    firstShaped,
                    Says.count(shaped, "row") + " behind the total of all others"
                            + (shaped == 1 ? ", " : ", the first ") + Says.quoted(firstSays)
                            + (shaped == 1 ? ", is" : ", are")
                            + " filled as this total is and not as records are; set aside with it.",
                    shaped));
        }
    }

    /** True for a row right below a total whose numbers are the difference of the last two totals. */
    boolean isOfTwoTotals(Row row, RowWords said) {
        if (!isThere() || said.texts() > 1 || said.numbers() == 0) {
            return false;
        }
        int last = stated.get(stated.size() - 1).row();
        int before = stated.stream()
                .mapToInt(StatedTotal::row)
                .filter(each -> each != last)
                .max()
                .orElse(0);
        int agreed = 0;
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            double one = statedIn(before, column);
            double other = statedIn(last, column);
            if (Double.isNaN(value) || value == 0) {
                continue;
            }
            if (!Agreement.of(value, one - other, 2)) {
                return false;
            }
            agreed++;
        }
        boolean told = agreed >= SEVERAL && before > 0;
        if (told) {
            doubts.add(new Doubt(
                    "total-compared",
                    row.number(),
                    "Row " + row.number() + " is the difference of the last two totals; it is set aside with them.",
                    1));
        }
        return told;
    }

    private double statedIn(int row, int column) {
        return stated.stream()
                .filter(each -> each.row() == row && each.column() == column)
                .mapToDouble(StatedTotal::stated)
                .findFirst()
                .orElse(Double.NaN);
    }
}
