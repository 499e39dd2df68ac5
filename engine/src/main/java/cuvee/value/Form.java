package cuvee.value;

/** The ways in which a value can be written. What a column holds is told by counting its values by form. */
public enum Form {
    /** Nothing, or white space only. */
    BLANK(Nature.OTHER),
    /** Text cells: digits only, at most 15, no leading zero. */
    DIGITS(Nature.TEXT_NUMBER),
    /** Digits with a leading zero: a code. */
    ZERO_LED(Nature.OTHER),
    /** More than 15 digits: an account or article number, or an exact whole number. */
    LONG_DIGITS(Nature.TEXT_NUMBER),
    /** {@code 12.5}: the point can only be decimal. */
    POINT(Nature.TEXT_NUMBER),
    /** {@code 12,5}: the comma can only be decimal. */
    COMMA(Nature.TEXT_NUMBER),
    /** {@code 1.204}: a grouping or a decimal point. */
    POINT_OR_GROUP(Nature.TEXT_NUMBER),
    /** {@code 1,204}: a grouping or a decimal comma. */
    COMMA_OR_GROUP(Nature.TEXT_NUMBER),
    /** {@code 1.204,50} or {@code 1.204.500}: the comma is decimal. */
    GROUPED_COMMA(Nature.TEXT_NUMBER),
    /** {@code 1,204.50} or {@code 1,204,500}: the point is decimal. */
    GROUPED_POINT(Nature.TEXT_NUMBER),
    /** {@code 1 204} or {@code 1'204}: grouped by spaces or apostrophes, without decimals. */
    SPACED(Nature.TEXT_NUMBER),
    /** {@code 1 204.50}. */
    SPACED_POINT(Nature.TEXT_NUMBER),
    /** {@code 1 204,50}. */
    SPACED_COMMA(Nature.TEXT_NUMBER),
    /** {@code 1.5E+03}. */
    EXPONENT(Nature.TEXT_NUMBER),
    /** {@code 12,5 %}. */
    PERCENT_TEXT(Nature.TEXT_NUMBER),
    /** {@code EUR 1.204,50}. */
    MONEY_TEXT(Nature.TEXT_NUMBER),
    /** {@code 2026-03-31}, also with slashes or points, year first. */
    YEAR_FIRST_DATE(Nature.DATE),
    /** {@code 2026-03-31 14:05:00}. */
    YEAR_FIRST_MOMENT(Nature.MOMENT),
    /** {@code 25/03/2026}: the day can only be first. */
    DAY_FIRST_DATE(Nature.DATE),
    /** {@code 03/25/2026}: the month can only be first. */
    MONTH_FIRST_DATE(Nature.DATE),
    /** {@code 03/04/2026}: day or month first. */
    DAY_OR_MONTH_DATE(Nature.DATE),
    /** {@code 03.04.2026}: parted by points, which is written day first. */
    POINTED_DATE(Nature.DATE),
    /** {@code 31 March 2026}, {@code 31-Mar-26}, {@code Mar 31, 2026}. */
    NAMED_DATE(Nature.DATE),
    /** {@code 25/03/2026 14:05}, in any order of day and month. */
    OTHER_MOMENT(Nature.MOMENT),
    /** {@code 14:05} or {@code 14:05:30}. */
    CLOCK(Nature.OTHER),
    /** {@code true} or {@code false}. */
    TRUE_FALSE(Nature.OTHER),
    /** {@code n/a}, {@code -}, {@code null}: a word for nothing. */
    NOTHING_WORD(Nature.WORDS),
    /** Text without a digit. */
    WORDS(Nature.WORDS),
    /** Text with a digit in it. */
    WORDS_AND_DIGITS(Nature.WORDS),
    /** A workbook's number without decimals. */
    NUMBER_WHOLE(Nature.CELL_NUMBER),
    /** A workbook's number with decimals. */
    NUMBER_FRACTION(Nature.CELL_NUMBER),
    /** A workbook's number that no exact decimal of 38 digits holds. */
    NUMBER_HUGE(Nature.OTHER),
    /** A workbook's number shown as a percent. */
    NUMBER_PERCENT(Nature.CELL_NUMBER),
    /** A workbook's date. */
    CELL_DATE(Nature.DATE),
    /** A workbook's date and time. */
    CELL_MOMENT(Nature.MOMENT),
    /** A workbook's time of day. */
    CELL_CLOCK(Nature.OTHER),
    /** A workbook's true or false. */
    CELL_TRUE_FALSE(Nature.OTHER),
    /** A workbook's error. */
    CELL_ERROR(Nature.WORDS);

    static final Form[] FORMS = values();

    /** What the forms have in common that matters to those who count values. */
    enum Nature {
        TEXT_NUMBER,
        CELL_NUMBER,
        DATE,
        MOMENT,
        /** Words, and what stands for none. */
        WORDS,
        OTHER
    }

    private final Nature nature;

    Form(Nature nature) {
        this.nature = nature;
    }

    Nature nature() {
        return nature;
    }

    /** Itself among {@link #bits}. */
    public long bit() {
        return 1L << ordinal();
    }

    /** Some of them as bits of one number. */
    public static long bits(Form... forms) {
        long bits = 0;
        for (Form form : forms) {
            bits |= form.bit();
        }
        return bits;
    }

    /** True for numbers typed as text; a code with a leading zero is none. */
    public boolean isTextNumber() {
        return nature == Nature.TEXT_NUMBER;
    }

    /** True for the numbers of workbooks. */
    public boolean isCellNumber() {
        return nature == Nature.CELL_NUMBER;
    }

    /** True for numbers of workbooks and those typed as text. */
    public boolean isNumber() {
        return nature == Nature.TEXT_NUMBER || nature == Nature.CELL_NUMBER;
    }

    /** True for values of any kind: neither words, nor words for nothing, nor a blank. */
    public boolean isValue() {
        return this != WORDS && this != WORDS_AND_DIGITS && this != NOTHING_WORD && this != BLANK;
    }

    public boolean isDate() {
        return nature == Nature.DATE;
    }

    public boolean isMoment() {
        return nature == Nature.MOMENT;
    }
}
