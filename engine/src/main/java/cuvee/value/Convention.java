package cuvee.value;

/**
 * How a source writes its numbers and dates, where the writing alone does not tell.
 *
 * @param unit what stands behind each number, such as {@code kg}; the year of months that do not say it; how many digits
 *     codes have; empty where there is nothing of the kind
 */
public record Convention(Mark mark, Order order, Meaning meaning, String unit) {
    public static final Convention DEFAULT = new Convention(Mark.POINT, Order.DAY_FIRST);

    public Convention(Mark mark, Order order) {
        this(mark, order, Meaning.AS_WRITTEN, "");
    }

    /** The decimal mark. */
    public enum Mark {
        POINT,
        COMMA
    }

    /** The order of day and month. */
    public enum Order {
        DAY_FIRST,
        MONTH_FIRST
    }

    /** The unit that stands for a sign behind amounts: CR for money in, DR for money out, which is below zero. */
    public static final String CREDIT_OR_DEBIT = "CR/DR";

    /** The unit where CR alone stands behind some amounts, and nothing behind the others: what it marks is below zero. */
    public static final String CREDITS = "CR";

    /** The unit where marks that point to a note stand behind some numbers. */
    public static final String NOTES = "*";

    public Convention withMark(Mark newMark) {
        return new Convention(newMark, order, meaning, unit);
    }

    public Convention withOrder(Order newOrder) {
        return new Convention(mark, newOrder, meaning, unit);
    }

    public Convention withMeaning(Meaning newMeaning) {
        return new Convention(mark, order, newMeaning, unit);
    }

    public Convention withUnit(String newUnit) {
        return new Convention(mark, order, meaning, newUnit);
    }

    /** True where numbers are what their cells say, so that the form of a cell tells its value. */
    public boolean isPlain() {
        return meaning == Meaning.AS_WRITTEN && unit.isEmpty();
    }

    /** A short stable name, as kept in the store: mark, order, meaning, and the unit behind a colon. */
    public String code() {
        return (mark == Mark.POINT ? "." : ",")
                + (order == Order.DAY_FIRST ? "d" : "m")
                + meaning.code()
                + (unit.isEmpty() ? "" : ":" + unit);
    }

    public static Convention ofCode(String code) {
        int colon = code.indexOf(':');
        String meaning = code.substring(2, colon < 0 ? code.length() : colon);
        return new Convention(
                code.charAt(0) == ',' ? Mark.COMMA : Mark.POINT,
                code.charAt(1) == 'm' ? Order.MONTH_FIRST : Order.DAY_FIRST,
                Meaning.ofCode(meaning),
                colon < 0 ? "" : code.substring(colon + 1));
    }
}
