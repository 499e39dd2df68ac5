package cuvee.decision;

import cuvee.rework.Amendments;
import java.util.Set;

/** The words by which a job and its commands know the kinds of decisions. */
public final class Kinds {
    public static final String TYPE = "type";
    public static final String DECIMAL_MARK = "decimal-mark";
    public static final String DATE_ORDER = "date-order";
    public static final String WRITTEN_AS = "written-as";
    public static final String CURRENCY = "currency";
    public static final String SIGN = "sign";
    public static final String BLANK_SOURCE = "blank-source";
    public static final String COLUMN = "column";
    public static final String SPELLING = "spelling";
    public static final String YES_NO_WORDS = "yes-no-words";
    public static final String VALUE = "value";
    public static final String CODES = "codes";
    public static final String MADE = "made";
    public static final String TAG = "tag";
    public static final String LINE_UP = "line-up";
    public static final String HEADER = "header";
    public static final String NEW_COLUMNS = "new-columns";
    public static final String ROWS = "rows";
    public static final String EQUAL_ROWS = "equal-rows";
    public static final String PUT_BACK = "put-back";
    public static final String TO_COLUMNS = "to-columns";
    public static final String SORTED = "sorted";
    public static final String NUMBERED = "numbered";
    public static final String ACROSS = "across";
    public static final String CARRY_DOWN = "carry-down";
    public static final String SECTION_LINE = "section-line";
    public static final String REPEATED_ROWS = "repeated-rows";
    public static final String ANOTHER_JOB = "another-job";
    public static final String HEADER_ROW = "header-row";
    public static final String TOTAL_ROW = "total-row";
    public static final String READING = "reading";
    public static final String SHEET = "sheet";
    public static final String SHEETS = "sheets";
    public static final String FILE = "file";
    public static final String TEXT_FORM = "text-form";
    public static final String ORDER = "order";
    public static final String GONE = "gone";
    public static final String UNREADABLE = "unreadable";
    public static final String SENT_AGAIN = Amendments.KIND;
    public static final String YEAR_TO_DATE = "year-to-date";
    public static final String SOURCE_NAME = "source-name";
    public static final String CORRECTION = "correction";
    public static final String NIL_RETURN = "nil-return";
    public static final String SUMMARY = "summary";
    public static final String CHECK = "check";
    public static final String FINDING = "finding";
    public static final String CLOSED = "closed";
    public static final String KEPT_MASTERS = "kept-masters";
    public static final String WEIGHED_BY = "weighed-by";
    public static final String IN_VIEW = "in-view";
    public static final String PLACES_FROM = "places-from";
    public static final String EXPECTED_FROM = "expected-from";

    /** All of them. */
    public static final Set<String> ALL = Set.of(
            TYPE,
            DECIMAL_MARK,
            DATE_ORDER,
            WRITTEN_AS,
            CURRENCY,
            SIGN,
            BLANK_SOURCE,
            COLUMN,
            SPELLING,
            YES_NO_WORDS,
            VALUE,
            CODES,
            MADE,
            TAG,
            LINE_UP,
            HEADER,
            NEW_COLUMNS,
            ROWS,
            EQUAL_ROWS,
            PUT_BACK,
            TO_COLUMNS,
            SORTED,
            NUMBERED,
            ACROSS,
            CARRY_DOWN,
            SECTION_LINE,
            ANOTHER_JOB,
            REPEATED_ROWS,
            HEADER_ROW,
            TOTAL_ROW,
            READING,
            SHEET,
            SHEETS,
            FILE,
            TEXT_FORM,
            ORDER,
            GONE,
            UNREADABLE,
            SENT_AGAIN,
            YEAR_TO_DATE,
            SOURCE_NAME,
            CORRECTION,
            NIL_RETURN,
            SUMMARY,
            CHECK,
            FINDING,
            CLOSED,
            KEPT_MASTERS,
            WEIGHED_BY,
            IN_VIEW,
            PLACES_FROM,
            EXPECTED_FROM);

    private Kinds() {}
}
