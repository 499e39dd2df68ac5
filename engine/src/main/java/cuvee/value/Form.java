package cuvee.value;

/** The ways in which a value can be written. What a column holds is told by counting its values by form. */
public enum Form {
    /** Nothing, or white space only. */
    BLANK,
    /** Text cells: digits only, at most 15, no leading zero. */
    DIGITS,
    /** Digits with a leading zero: a code. */
    ZERO_LED,
    /** More than 15 digits: an account or article number, or an exact whole number. */
    LONG_DIGITS,
    /** {@code 12.5}: the point can only be decimal. */
    POINT,
    /** {@code 12,5}: the comma can only be decimal. */
    COMMA,
    /** {@code 1.204}: a grouping or a decimal point. */
    POINT_OR_GROUP,
    /** {@code 1,204}: a grouping or a decimal comma. */
    COMMA_OR_GROUP,
    /** {@code 1.204,50} or {@code 1.204.500}: the comma is decimal. */
    GROUPED_COMMA,
    /** {@code 1,204.50} or {@code 1,204,500}: the point is decimal. */
    GROUPED_POINT,
    /** {@code 1 204} or {@code 1'204}: grouped by spaces or apostrophes, without decimals. */
    SPACED,
    /** {@code 1 204.50}. */
    SPACED_POINT,
    /** {@code 1 204,50}. */
    SPACED_COMMA,
    /** {@code 1.5E+03}. */
    EXPONENT,
    /** {@code 12,5 %}. */
    PERCENT_TEXT,
    /** {@code EUR 1.204,50}. */
    MONEY_TEXT,
    /** {@code 2026-03-31}, also with slashes or points, year first. */
    YEAR_FIRST_DATE,
    /** {@code 2026-03-31 14:05:00}. */
    YEAR_FIRST_MOMENT,
    /** {@code 25/03/2026}: the day can only be first. */
    DAY_FIRST_DATE,
    /** {@code 03/25/2026}: the month can only be first. */
    MONTH_FIRST_DATE,
    /** {@code 03/04/2026}: day or month first. */
    DAY_OR_MONTH_DATE,
    /** {@code 03.04.2026}: parted by points, which is written day first. */
    POINTED_DATE,
    /** {@code 31 March 2026}, {@code 31-Mar-26}, {@code Mar 31, 2026}. */
    NAMED_DATE,
    /** {@code 25/03/2026 14:05}, in any order of day and month. */
    OTHER_MOMENT,
    /** {@code 14:05} or {@code 14:05:30}. */
    CLOCK,
    /** {@code true} or {@code false}. */
    TRUE_FALSE,
    /** {@code n/a}, {@code -}, {@code null}: a word for nothing. */
    NOTHING_WORD,
    /** Text without a digit. */
    WORDS,
    /** Text with a digit in it. */
    WORDS_AND_DIGITS,
    /** A workbook's number without decimals. */
    NUMBER_WHOLE,
    /** A workbook's number with decimals. */
    NUMBER_FRACTION,
    /** A workbook's number that no exact decimal of 38 digits holds. */
    NUMBER_HUGE,
    /** A workbook's number shown as a percent. */
    NUMBER_PERCENT,
    /** A workbook's date. */
    CELL_DATE,
    /** A workbook's date and time. */
    CELL_MOMENT,
    /** A workbook's time of day. */
    CELL_CLOCK,
    /** A workbook's true or false. */
    CELL_TRUE_FALSE,
    /** A workbook's error. */
    CELL_ERROR;

    static final Form[] FORMS = values();
    private static final boolean[] DAYS = days();

    private static boolean[] days() {
        boolean[] days = new boolean[FORMS.length];
        for (Form form : FORMS) {
            days[form.ordinal()] = form.isDate() || form.isMoment();
        }
        return days;
    }

    /** True for numbers and codes typed as text. */
    public boolean isTextNumber() {
        return compareTo(DIGITS) >= 0 && compareTo(MONEY_TEXT) <= 0 && this != ZERO_LED;
    }

    /** True for the numbers of workbooks. */
    public boolean isCellNumber() {
        return this == NUMBER_WHOLE || this == NUMBER_FRACTION || this == NUMBER_PERCENT;
    }

    public boolean isDate() {
        return this == CELL_DATE
                || (compareTo(YEAR_FIRST_DATE) >= 0 && compareTo(NAMED_DATE) <= 0 && this != YEAR_FIRST_MOMENT);
    }

    /** True for dates and moments. */
    boolean holdsDay() {
        return DAYS[ordinal()];
    }

    public boolean isMoment() {
        return this == CELL_MOMENT || this == YEAR_FIRST_MOMENT || this == OTHER_MOMENT;
    }
}
