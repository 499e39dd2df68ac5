package cuvee.value;

/** How a source writes its numbers and dates, where the writing alone does not tell. */
public record Convention(Mark mark, Order order) {
    public static final Convention DEFAULT = new Convention(Mark.POINT, Order.DAY_FIRST);

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

    public Convention withMark(Mark newMark) {
        return new Convention(newMark, order);
    }

    public Convention withOrder(Order newOrder) {
        return new Convention(mark, newOrder);
    }

    /** A short stable name, as kept in the store. */
    public String code() {
        return (mark == Mark.POINT ? "." : ",") + (order == Order.DAY_FIRST ? "d" : "m");
    }

    public static Convention ofCode(String code) {
        return new Convention(
                code.charAt(0) == ',' ? Mark.COMMA : Mark.POINT,
                code.charAt(1) == 'm' ? Order.MONTH_FIRST : Order.DAY_FIRST);
    }
}
