package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.TotalWords.Figure;
import cuvee.place.Says;
import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.LooseText;
import java.util.List;
import java.util.Optional;

/** Rows that say a figure over other rows which is no total: an average, an extreme, a balance. */
final class FigureRows {
    /** Tables of so many columns have more to say of a record than its name and an amount. */
    private static final int WIDE = 4;

    private final TableColumns columns;
    private final RunningSums sums;
    private final List<Doubt> doubts;

    FigureRows(TableColumns columns, RunningSums sums, List<Doubt> doubts) {
        this.columns = columns;
        this.sums = sums;
        this.doubts = doubts;
    }

    /** True where a row that has been looked at is one; a balance is told. */
    boolean isOne(Row row, RowWords said) {
        Optional<String> balance = balance(row);
        balance.ifPresent(words -> doubts.add(new Doubt(
                "balance-row",
                row.number(),
                "Row " + row.number() + " says " + Says.quoted(words)
                        + ", which is what other rows come to; it is set aside as a total.",
                1)));
        return balance.isPresent() || !said.namesTotal() && said.texts() == 1 && isFigure(row, said);
    }

    /** Says of a row that is kept that it is called like a figure over the others. */
    void doubt(Row row, RowWords said) {
        boolean named = said.texts() == 1
                && said.numbers() > 1
                && said.figure()
                        .or(() -> TotalWords.figureWithin(row.text(row.firstFilled())))
                        .filter(figure -> !figure.ambiguous())
                        .isPresent();
        if (named && sums.records() > 1) {
            doubts.add(new Doubt(
                    "figure-row",
                    row.number(),
                    "Row " + row.number() + " is called "
                            + Says.quoted(LooseText.tidy(row.text(row.firstFilled())))
                            + ", but its numbers are not that of the rows above; it is kept as a record.",
                    1));
        }
    }

    private boolean isFigure(Row row, RowWords said) {
        Optional<Figure> figure = said.figure();
        if (said.numbers() == 0) {
            // A figure whose result is an error, or was never worked out, is one all the same.
            int sure = figure.map(Figure::ambiguous).orElse(true) ? 2 : 1;
            return figure.isPresent() && sums.records() > 1 && said.unknown() >= sure;
        }
        return figure.or(() ->
                        said.numbers() > 1 ? TotalWords.figureWithin(row.text(row.firstFilled())) : Optional.empty())
                .filter(named -> agrees(row, named, said.numbers()))
                .isPresent();
    }

    /** True where a row says an average or another figure over the rows above; it states no total. */
    private boolean agrees(Row row, Figure figure, int numbers) {
        boolean bareKeys = columns.keyColumns() > 1;
        boolean sure = bareKeys || numbers > 1 || !figure.ambiguous();
        return sums.records() > 1
                && sure
                && (figureOf(row, figure, sums.all()) || figureOf(row, figure, sums.lastGroup()));
    }

    private boolean figureOf(Row row, Figure figure, RunningSums.Group group) {
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value) && !group.agrees(figure, value, column)) {
                return false;
            }
        }
        return group.records() > 1;
    }

    /**
     * The words for a balance, in a row of a wide table that holds little but them, its amount and perhaps a day; of a
     * narrower one where the row lacks what others begin with.
     */
    private Optional<String> balance(Row row) {
        boolean withoutKey = columns.names().size() == WIDE - 1 && row.blank(0);
        if (columns.names().size() < WIDE && !withoutKey
                || columns.filled() * 2 > columns.names().size() + 1) {
            return Optional.empty();
        }
        for (int column = 0; column < row.width(); column++) {
            boolean words = columns.form(column) == Form.WORDS || columns.form(column) == Form.WORDS_AND_DIGITS;
            String text = words ? LooseText.tidy(row.text(column)) : "";
            if (TotalWords.namesBalance(text)) {
                return Optional.of(text);
            }
        }
        return Optional.empty();
    }
}
