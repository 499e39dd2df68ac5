package cuvee.value;

import java.util.Optional;

/** What the plain numbers of a source stand for, or its words that name months and days, where its cells alone do not tell. */
public enum Meaning {
    /** They are what they say. */
    AS_WRITTEN("as written", ""),
    /** Days counted from the end of 1899, as spreadsheets keep dates whose cells lost their format. */
    DAYS("days", "d"),
    /** Days as their year, month and day in eight digits: 20260105. */
    DIGITS_OF_DAYS("dates in digits", "y"),
    /** Percent points: 12.5 stands for an eighth. */
    PERCENT_POINTS("percent points", "p"),
    /** Thousands: 12.5 stands for 12,500. */
    THOUSANDS("thousands", "k"),
    /** Yes and no: 1 for yes, 0 for no. */
    ONE_FOR_YES("one for yes", "b"),
    /** They are codes whose leading zeros were lost, where the unit says how many digits they have: 28907 stands for 00028907. */
    CODES("codes", "z"),
    /**
     * They are no numbers but names of months, each of which stands for its first day: Oct 2021, 10/2021, or Oct in a
     * source whose year is known.
     */
    MONTHS("months", "n"),
    /** They are no numbers but days without a year, of that of their source: 5 Jan, Jan 5, 05.01. */
    DATES("dates", "e");

    private final String words;
    private final String code;

    Meaning(String words, String code) {
        this.words = words;
        this.code = code;
    }

    /** It as decisions have it. */
    public String words() {
        return words;
    }

    String code() {
        return code;
    }

    static Meaning ofCode(String code) {
        for (Meaning meaning : values()) {
            if (meaning.code.equals(code)) {
                return meaning;
            }
        }
        throw new IllegalArgumentException(code);
    }

    public static Optional<Meaning> ofWords(String words) {
        for (Meaning meaning : values()) {
            if (meaning.words.equals(words)) {
                return Optional.of(meaning);
            }
        }
        return Optional.empty();
    }
}
