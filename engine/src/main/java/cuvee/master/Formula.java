package cuvee.master;

import cuvee.value.Type;
import java.util.List;
import java.util.Optional;

/** What a made column holds, from the other columns of its row. A formula without what it needs has no value. */
public sealed interface Formula {
    /** No formula keeps more decimals than these; what it is made of is rounded to them. */
    int MOST_DECIMALS = 12;

    /** The type of its values. */
    Type type();

    /** The decimals of its values, where they are numbers. */
    int decimals();

    /** The value of a column of the master, tags behind the others. */
    record Column(int column, Type type, int decimals) implements Formula {}

    /** One value that is the same in every row, as canonical text. */
    record Value(String canonical, Type type, int decimals) implements Formula {}

    /** What is done with two numbers, or with days and numbers of them. */
    enum Sign {
        PLUS,
        MINUS,
        TIMES,
        DIVIDED_BY
    }

    record Arithmetic(Sign sign, Formula left, Formula right, Type type, int decimals) implements Formula {}

    /** Texts one behind the other; blank ones add nothing, and all blank give none. */
    record Joined(List<Formula> parts) implements Formula {
        public Joined {
            parts = List.copyOf(parts);
        }

        @Override
        public Type type() {
            return Type.TEXT;
        }

        @Override
        public int decimals() {
            return 0;
        }
    }

    /** What is taken from a value, or done with it; some need numbers or texts besides. */
    enum Function {
        YEAR,
        QUARTER,
        MONTH,
        WEEK,
        DAY,
        WEEKDAY,
        HOUR,
        MINUTE,
        START_OF_MONTH,
        START_OF_QUARTER,
        START_OF_YEAR,
        FIRST,
        LAST,
        PART,
        LAST_PART,
        LENGTH,
        CAPITALS,
        SMALL_LETTERS,
        FIRST_CAPITALS,
        TIDY,
        WITHOUT,
        REPLACED,
        ROUNDED,
        SIZE,
        LARGER,
        SMALLER,
        NUMBER_IN,
        DATE_IN
    }

    record Applied(Function function, List<Formula> to, Type type, int decimals) implements Formula {
        public Applied {
            to = List.copyOf(to);
        }
    }

    /**
     * One of several values: the first whose conditions all hold; without conditions, the first that is not blank.
     *
     * @param otherwise where none does
     */
    record Choice(List<Case> cases, Optional<Formula> otherwise, Type type, int decimals) implements Formula {
        public Choice {
            cases = List.copyOf(cases);
        }
    }

    record Case(Formula value, List<RowRule.Condition> where) {
        public Case {
            where = List.copyOf(where);
        }
    }
}
