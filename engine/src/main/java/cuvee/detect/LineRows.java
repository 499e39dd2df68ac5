package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * Rows of a word or two among the records of a table: lines that head the rows below, notes, or records with little in them.
 */
final class LineRows {
    /** What is said of records, wherever it stands, or that they go on behind the turn of a page. */
    private static final Pattern NOTE = Pattern.compile(
            "(?i)(notes?|n\\.b\\.|nb|remarks?|comments?|hinweis|anm(erkung)?|bemerkung)( \\d+)?[:.] .*|[*\u2020] ?\\p{L}.*"
                    + "|[(\\[.…]*(table |list )?(continued|cont['’]?d|cont\\.|fortsetzung|suite)"
                    + "( (over|overleaf|from|on|below|next|see|auf|von|n\u00e4chste|page|de|\u00e0)\\b.*)?[)\\].…:]*");

    private static final Pattern CONTINUED =
            Pattern.compile("(?i)[ ,\u2013-]+[(\\[]?(continued|cont['’]?d\\.?|cont\\.|fortsetzung|suite)[)\\].…]*$");

    /** A label with what it says, as over the records of a day: {@code Date: 01/03/2026}. */
    private static final Pattern LABELLED = Pattern.compile("\\p{L}[\\p{L} ]{1,20}: ?\\S.*");

    private static final Pattern NOTE_START = Pattern.compile(
            "(note|notes|source|sources|remark|remarks|prepared|printed|generated|exported|created|page|report|end of|\\*|†"
                    + "|stand|quelle|hinweis|anm|erstellt|seite|footnote|figures|all figures|contact|disclaimer|signed"
                    + "|signature|checked by|approved|unterschrift|geprüft|\\().*",
            Pattern.CASE_INSENSITIVE | Pattern.DOTALL);
    /** Tables with fewer columns may have records of one cell. */
    private static final int FEWEST_COLUMNS_OF_RECORDS = 3;
    /** Stands where records would stand if there were any. */
    private static final Pattern NOTHING_TO_REPORT = Pattern.compile(
            "(none|nil|nothing|no|keine?|keiner|aucune?|n\u00e9ant|ningun[oa]?|nessun[oa]?|geen|brak|n/a)([ :,.(-].*)?");

    /** What a row of a word or two is. */
    enum Kind {
        RECORD,
        /** A record with next to nothing in it. */
        SPARSE,
        LINE,
        /** What comes next tells: a record before other records, a line above the header repeated. */
        LINE_OR_RECORD
    }

    private final TableColumns columns;
    private final TotalRows totalRows;
    private final AfterGap afterGap;
    private final LoneWords loneWords;
    private final Reading reading;
    private final int width;
    private final boolean underHeader;
    /** How many cells records fill at least, but for a few, and usually. */
    private final int leastFilled;

    private final int usuallyFilled;

    LineRows(
            TableColumns columns,
            TotalRows totalRows,
            AfterGap afterGap,
            LoneWords loneWords,
            Reading reading,
            int width,
            boolean underHeader,
            int leastFilled,
            int usuallyFilled) {
        this.columns = columns;
        this.totalRows = totalRows;
        this.afterGap = afterGap;
        this.loneWords = loneWords;
        this.reading = reading;
        this.width = width;
        this.underHeader = underHeader;
        this.leastFilled = leastFilled;
        this.usuallyFilled = usuallyFilled;
    }

    /**
     * What a row that has been looked at is.
     *
     * @param behindLines true right behind a line
     * @param headed true where lines have headed records before
     */
    Kind of(Row row, int blanksBefore, boolean behindLines, boolean headed) {
        int filled = columns.filled();
        if (filled > 1) {
            return isWideLine(row, blanksBefore > 0 || behindLines, behindLines) ? Kind.LINE : Kind.RECORD;
        }
        int column = row.firstFilled();
        Form form = Forms.of(row, column);
        String text = row.text(column).strip();
        boolean none = totalRows.sums().records() == 0
                && underHeader
                && columns.names().size() >= FEWEST_COLUMNS_OF_RECORDS
                && NOTHING_TO_REPORT.matcher(text.toLowerCase(Locale.ROOT)).matches();
        if (none) {
            return Kind.LINE;
        }
        boolean dated = form.isDate() && leastFilled >= 3 && !columns.holdsDates(column);
        if (form != Form.WORDS && form != Form.WORDS_AND_DIGITS && !dated) {
            return Kind.RECORD;
        }
        boolean note = NOTE_START.matcher(text.toLowerCase(Locale.ROOT)).matches() || text.length() > longText(column);
        if (width < 3) {
            return width == 2 && note && (blanksBefore > 0 || behindLines) ? Kind.LINE : Kind.RECORD;
        }
        if (filledByLabel(text, column)) {
            return Kind.LINE;
        }
        boolean outside = !columns.headed(column) || columns.neverFilled(column);
        boolean line = outside || note || columns.odd(column, Form.WORDS) || blanksBefore > 0 || behindLines;
        if (line) {
            return Kind.LINE;
        }
        boolean known = columns.holds(column, text) || columns.holdsAlike(column, text);
        boolean newWord = !reading.lines() && leastFilled >= 3 && !known;
        if (!newWord) {
            return Kind.SPARSE;
        }
        return dated || loneWords.areLines() || headed || styledAsLine(text) ? Kind.LINE : Kind.LINE_OR_RECORD;
    }

    /** Several cells below a gap that do not go with the columns: labels, signatures, a legend. */
    private boolean isWideLine(Row row, boolean apart, boolean behindLines) {
        int filled = columns.filled();
        if (width >= 4 && apart && LabelRows.isPaired(row)) {
            return true;
        }
        int strange = apart && totalRows.isJustBehindATotal() ? afterGap.strange(row) : 0;
        if (strange >= 2 && strange * 3 >= filled * 2 && new HeadRow(row).values() > 0) {
            return true;
        }
        int column = row.firstFilled();
        String first = row.text(column).strip();
        boolean note = NOTE_START.matcher(first.toLowerCase(Locale.ROOT)).matches();
        // "Signed", and a name, right below what all records come to.
        boolean belowAll = totalRows.sums().records() > 0 && totalRows.sums().recordsSinceTotal() == 0;
        boolean one = totalRows.sums().records() == 1;
        if (note && belowAll && (one || afterGap.strange(row) > 0) && new HeadRow(row).values() == 0) {
            return true;
        }
        if (isBlankForm(row) || (apart || note) && holdsWordsOfNoRecord(row)) {
            return true;
        }
        if (width < 4 || filled > Math.max(2, width / 2)) {
            return false;
        }
        boolean label = first.endsWith(":");
        // A word among numbers in a row without any key, as "VAT" below the last item of an order.
        if (!columns.form(column).isValue() && columns.odd(column, Form.WORDS) && columns.lacksKeys(row)) {
            return true;
        }
        if (filled >= leastFilled) {
            return false;
        }
        // Behind a line of words, or a total, half of what records fill is little; records that follow take it back.
        boolean behindTheEnd = behindLines || totalRows.isJustBehindATotal();
        return label && filled == 2
                || apart && (label || note || afterGap.strange(row) * 2 >= filled || filled * 2 <= leastFilled)
                || apart && behindTheEnd && filled * 2 <= usuallyFilled;
    }

    /** True for words below the records that do not say of themselves that they are a note: a legend, or an unfinished record. */
    boolean mayBeRecord(Row row) {
        String first = row.text(row.firstFilled()).strip().toLowerCase(Locale.ROOT);
        return row.filled() > 1
                && !isBlankForm(row)
                && !NOTE_START.matcher(first).matches()
                && holdsWordsOfNoRecord(row);
    }

    /** True for labels that nobody has filled in: {@code Checked by: | | Date:}. */
    static boolean isBlankForm(Row row) {
        for (int column = 0; column < row.width(); column++) {
            if (!row.blank(column) && !row.text(column).strip().endsWith(":")) {
                return false;
            }
        }
        return true;
    }

    /**
     * True for words alone, none of which a record has in their columns, in a row without any of the numbers that every
     * record has: a legend or a signature.
     */
    private boolean holdsWordsOfNoRecord(Row row) {
        if (new HeadRow(row).values() > 0 || !columns.lacksNumbers(row)) {
            return false;
        }
        for (int column = 0; column < row.width(); column++) {
            boolean known = !row.blank(column)
                    && (columns.holds(column, row.text(column)) || columns.holdsAlike(column, row.text(column)));
            if (known) {
                return false;
            }
        }
        return true;
    }

    /** A line that goes on behind the turn of a page, without the word for it: {@code North} of {@code North (continued)}. */
    static String withoutContinued(String text) {
        return CONTINUED.matcher(text).replaceFirst("");
    }

    /** True for a text that says it is a note. */
    static boolean isNote(String text) {
        return NOTE.matcher(text).matches();
    }

    /** True for a label with its value where no record has one. */
    private boolean filledByLabel(String text, int column) {
        return columns.names().size() >= FEWEST_COLUMNS_OF_RECORDS
                && LABELLED.matcher(text).matches()
                && !columns.holdsAlike(column, text);
    }

    private int longText(int column) {
        return Math.max(40, columns.longest(column) * 3 / 2);
    }

    private static boolean styledAsLine(String text) {
        return text.endsWith(":") || text.chars().anyMatch(c -> c == ' ' || c == '-' || c == '/');
    }
}
