package cuvee.master;

import java.util.List;

/** A rule that sets rows of the master aside; they stay in the store, marked with the rule, and can be looked at. */
public sealed interface RowRule {
    /** What a condition asks of a value. */
    enum Test {
        IS,
        IS_NOT,
        CONTAINS,
        DOES_NOT_CONTAIN,
        BEGINS_WITH,
        ENDS_WITH,
        OVER,
        UNDER,
        AT_LEAST,
        AT_MOST,
        BLANK,
        FILLED
    }

    /**
     * Something that holds of a row or does not. Texts are compared without regard to capitals and outer spaces; a blank
     * value meets {@link Test#IS_NOT}, {@link Test#DOES_NOT_CONTAIN} and {@link Test#BLANK} only.
     *
     * @param column the master's column, tags behind the others
     * @param values canonical texts; with several, one of them must be met, or none of them where the test denies
     */
    record Condition(int column, Test test, List<String> values) {
        public Condition {
            values = List.copyOf(values);
        }
    }

    /**
     * Rows that meet all conditions are kept or set aside.
     *
     * @param keep true where all other rows are set aside
     */
    record Meeting(List<Condition> conditions, boolean keep) implements RowRule {
        public Meeting {
            conditions = List.copyOf(conditions);
        }
    }

    /**
     * Of rows that are equal in some columns one stays; rows that are blank in all of them are left alone.
     *
     * @param newest the numbers of tables, those of the newest files first, where what they hold stays
     * @param within the numbers of the tables whose rows are compared, where only equal rows of older files go, and a
     *     file keeps all of its own; where none is named, all are compared, and one row stays
     */
    record Equal(List<Integer> columns, Stays stays, List<Integer> newest, List<Integer> within) implements RowRule {
        public Equal {
            columns = List.copyOf(columns);
            newest = List.copyOf(newest);
            within = List.copyOf(within);
        }

        /** It over all tables. */
        public Equal(List<Integer> columns, Stays stays, List<Integer> newest) {
            this(columns, stays, newest, List.of());
        }

        /** Which of equal rows stays: by the order of the master, or the first of the newest file that has one. */
        public enum Stays {
            FIRST,
            LAST,
            OF_THE_NEWEST_FILE
        }
    }
}
