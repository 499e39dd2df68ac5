package cuvee.value;

import java.util.Arrays;
import java.util.Optional;

/** The types a column can have, by the words people see. */
public enum Type {
    TEXT("Text"),
    WHOLE_NUMBER("Whole number"),
    DECIMAL("Decimal"),
    MONEY("Money"),
    PERCENT("Percent"),
    DATE("Date"),
    DATE_AND_TIME("Date and time"),
    TIME("Time"),
    YES_NO("Yes/No");

    private final String word;

    Type(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }

    /** The type of that word; empty where there is none. */
    public static Optional<Type> ofWord(String word) {
        return Arrays.stream(values()).filter(type -> type.word.equals(word)).findFirst();
    }

    public boolean isNumber() {
        return this == WHOLE_NUMBER || this == DECIMAL || this == MONEY || this == PERCENT;
    }

    public boolean isMoment() {
        return hasDay() || this == TIME;
    }

    /** True for moments of which the day is known; a time of day has none. */
    public boolean hasDay() {
        return this == DATE || this == DATE_AND_TIME;
    }
}
