package cuvee.value;

import cuvee.value.Convention.Mark;
import cuvee.value.Convention.Order;

/** Tells the convention of a column from the values that decide: {@code 25/03} can only be day first. */
public final class Conventions {
    private Conventions() {}

    /** What the values say of one two-way choice. */
    public enum Vote {
        /** No value needs the choice. */
        NOT_NEEDED,
        /** Values need it, and none decides. */
        OPEN,
        FIRST,
        SECOND,
        /** Some values force the one and some the other. */
        CONTRADICTION
    }

    /** The vote on the decimal mark: FIRST is the point, SECOND the comma. */
    public static Vote mark(Evidence e) {
        return vote(e.pointMarks(), e.commaMarks(), e.openMarks());
    }

    /**
     * The vote on the decimal mark where no value decides by itself: a mark that only ever parts thousands is not it.
     * OPEN where none does.
     */
    public static Vote markByGroups(Evidence e) {
        return e.groupsByComma() ? Vote.FIRST : e.groupsByPoint() ? Vote.SECOND : Vote.OPEN;
    }

    /**
     * The vote on the decimal mark of one table whose numbers can be read in two ways: its mark parts thousands where it only
     * ever does so in many numbers, or where the other tables hold whole numbers, of a thousand and more too. OPEN where
     * nothing tells.
     *
     * @param own what the table holds
     * @param column what all tables hold in the column of the batch
     */
    public static Vote markByThousands(Evidence own, Evidence column) {
        Vote grouped = markByGroups(own);
        if (grouped != Vote.OPEN || !own.couldGroup() || !column.isWholeFromAThousandOn()) {
            return grouped;
        }
        return own.count(Form.COMMA_OR_GROUP) > 0 ? Vote.FIRST : Vote.SECOND;
    }

    /** The vote on the order of day and month: FIRST is day first, SECOND month first. */
    public static Vote order(Evidence e) {
        long open = e.count(Form.DAY_OR_MONTH_DATE);
        long moments = e.count(Form.OTHER_MOMENT);
        return vote(e.dayFirst(), e.monthFirst(), open + moments);
    }

    private static Vote vote(long first, long second, long open) {
        if (first > 0 && second > 0) {
            return Vote.CONTRADICTION;
        }
        if (first > 0) {
            return Vote.FIRST;
        }
        if (second > 0) {
            return Vote.SECOND;
        }
        return open > 0 ? Vote.OPEN : Vote.NOT_NEEDED;
    }

    public static Mark markOf(Vote vote) {
        return vote == Vote.SECOND ? Mark.COMMA : Mark.POINT;
    }

    public static Order orderOf(Vote vote) {
        return vote == Vote.SECOND ? Order.MONTH_FIRST : Order.DAY_FIRST;
    }
}
