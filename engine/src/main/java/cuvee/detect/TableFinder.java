package cuvee.detect;

import cuvee.detect.FoundTable.Aside;
import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.Run;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.Row;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Finds the tables of one sheet while its rows go by: holds the first rows back until the header can be chosen, then
 * tells each row for itself. Memory does not grow with the records.
 */
public final class TableFinder {
    private static final int HEAD_ROWS = 60;
    private static final double CLOSE_LEAD = 1.5;
    /** So many records tell whether a column is ever filled. */
    private static final int FEW_RECORDS = 3;

    private static final Pattern NOTE_START = Pattern.compile(
            "(note|notes|source|sources|remark|remarks|prepared|printed|generated|exported|created|page|report|end of|\\*|†|stand|quelle|hinweis|anm|erstellt|seite|footnote|figures|all figures|contact|disclaimer|\\().*",
            Pattern.CASE_INSENSITIVE | Pattern.DOTALL);

    private final HeaderHints hints;
    private final List<Row> head = new ArrayList<>();
    private final List<FoundTable> tables = new ArrayList<>();
    private @Nullable Body body;
    private int pendingBlanks;

    public TableFinder(HeaderHints hints) {
        this.hints = hints;
    }

    /** The next row of the sheet; blank ones may be left out. */
    public void row(Row row) {
        if (row.blank()) {
            pendingBlanks += row.blanksBefore() + 1;
            return;
        }
        int blanks = row.blanksBefore() + pendingBlanks;
        pendingBlanks = 0;
        if (body == null) {
            Row copy = row.copy();
            copy.afterBlanks(blanks);
            head.add(copy);
            if (head.size() >= HEAD_ROWS) {
                settleHead();
            }
        } else {
            feed(row, blanks);
        }
    }

    /** The tables found, once the last row has gone by. */
    public List<FoundTable> end() {
        endBody();
        while (!head.isEmpty()) {
            settleHead();
            endBody();
        }
        return tables;
    }

    private void endBody() {
        if (body != null) {
            tables.add(body.end());
            body = null;
        }
    }

    private void settleHead() {
        HeaderChoice choosing = new HeaderChoice(head, hints);
        HeaderChoice.Choice choice = choosing.choose();
        List<Row> rows = new ArrayList<>(head);
        head.clear();
        Body next = new Body(rows, choice, choosing.width());
        body = next;
        for (int i = choice.index() + 1; i < rows.size(); i++) {
            feed(rows.get(i), rows.get(i).blanksBefore());
        }
    }

    private void feed(Row row, int blanks) {
        Body current = body;
        if (current == null) {
            Row copy = row.copy();
            copy.afterBlanks(blanks);
            head.add(copy);
        } else if (current.startsAnother(row, blanks)) {
            tables.add(current.end());
            body = null;
            Row copy = row.copy();
            copy.afterBlanks(blanks);
            head.add(copy);
        } else {
            current.row(row, blanks);
        }
    }

    /** The rows of one table from its header on. */
    private final class Body {
        private final List<Aside> aside = new ArrayList<>();
        private final List<Run> runs = new ArrayList<>();
        private final List<String> titles = new ArrayList<>();
        private final List<Doubt> doubts = new ArrayList<>();
        private final List<StatedTotal> totals = new ArrayList<>();
        private final List<Integer> headerRows = new ArrayList<>();
        private final List<Row> narrow = new ArrayList<>();
        private final RunningSums sums = new RunningSums();
        private final String reason;
        private final FoundTable.Sureness sureness;
        private final int width;
        private String[] headers;
        private String[] looseHeaders;
        private int namedColumns;
        private Evidence[] evidence;
        private int[] longest;
        private Form[] forms;
        private int firstRow;
        private int lastRow;
        private int blanks;
        private int runFirst;
        private int runCount;
        private int blanksBeforeNarrow;
        private int sparse;
        private int firstSparse;

        Body(List<Row> rows, HeaderChoice.Choice choice, int width) {
            this.reason = choice.reason();
            this.sureness = choice.lead() < CLOSE_LEAD ? FoundTable.Sureness.CLOSE : FoundTable.Sureness.SURE;
            this.width = width;
            Row first = rows.get(0);
            firstRow = first.number();
            lastRow = firstRow - 1;
            int columns = rows.stream().mapToInt(Row::width).max().orElse(0);
            evidence = new Evidence[columns];
            longest = new int[columns];
            forms = new Form[columns];
            Arrays.setAll(evidence, i -> new Evidence());
            headers = headersOf(rows, choice, columns);
            looseHeaders = Arrays.stream(headers).map(LooseText::key).toArray(String[]::new);
            namedColumns =
                    (int) Arrays.stream(headers).filter(h -> !h.isEmpty()).count();
            for (int i = 0; i <= choice.index(); i++) {
                Row row = rows.get(i);
                blanks += i == 0 ? 0 : row.blanksBefore();
                boolean header = i == choice.index() || i == choice.aboveIndex();
                aside.add(new Aside(row.number(), header ? RowClass.HEADER : RowClass.TITLE));
                if (header) {
                    headerRows.add(row.number());
                } else {
                    titles.add(textOf(row));
                }
                lastRow = row.number();
            }
            if (choice.index() < 0) {
                doubts.add(new Doubt(
                        "no-header", firstRow, "No row looks like a header; the columns go by their letters.", 1));
            }
        }

        private static String[] headersOf(List<Row> rows, HeaderChoice.Choice choice, int columns) {
            String[] headers = new String[columns];
            Arrays.fill(headers, "");
            if (choice.index() < 0) {
                return headers;
            }
            Row header = rows.get(choice.index());
            String group = "";
            for (int column = 0; column < header.width(); column++) {
                String own = LooseText.tidy(header.text(column));
                if (choice.aboveIndex() >= 0) {
                    Row above = rows.get(choice.aboveIndex());
                    String here = column < above.width() ? LooseText.tidy(above.text(column)) : "";
                    group = here.isEmpty() ? group : here;
                    boolean under = !group.isEmpty() && !LooseText.key(group).equals(LooseText.key(own));
                    own = own.isEmpty() ? here : under ? group + " / " + own : own;
                }
                headers[column] = own;
            }
            return headers;
        }

        private static String textOf(Row row) {
            List<String> texts = new ArrayList<>();
            for (int column = 0; column < row.width(); column++) {
                if (!row.blank(column)) {
                    texts.add(LooseText.tidy(row.text(column)));
                }
            }
            return String.join(" | ", texts);
        }

        /** True where a row after a gap heads a table of its own. */
        boolean startsAnother(Row row, int blanksBefore) {
            if (blanksBefore == 0 && narrow.isEmpty() || sums.records() == 0 || row.filled() < 2 || repeats(row)) {
                return false;
            }
            int words = 0;
            int odd = 0;
            int known = 0;
            Set<String> different = new HashSet<>();
            for (int column = 0; column < row.width(); column++) {
                if (row.blank(column)) {
                    continue;
                }
                Form form = Forms.of(row, column);
                words += form == Form.WORDS || form == Form.WORDS_AND_DIGITS ? 1 : 0;
                odd += column >= evidence.length || isOdd(column) || evidence[column].filled() == 0 ? 1 : 0;
                known += hints.knows(row.text(column)) ? 1 : 0;
                different.add(LooseText.key(row.text(column)));
            }
            int filled = row.filled();
            boolean allWords = words == filled && different.size() == filled;
            return allWords && (odd * 2 >= filled && odd > 0 && blanksBefore > 0 || known * 2 > filled && known >= 2);
        }

        void row(Row row, int blanksBefore) {
            grow(row.width());
            for (int column = 0; column < row.width(); column++) {
                forms[column] = Forms.of(row, column);
            }
            RowClass what = classify(row, blanksBefore);
            if (what == null) {
                releaseNarrow();
                blanks += blanksBefore;
                keep(row);
            } else if (what == RowClass.NOTE) {
                if (narrow.isEmpty()) {
                    blanksBeforeNarrow = 0;
                }
                blanksBeforeNarrow += blanksBefore;
                narrow.add(row.copy());
            } else {
                releaseNarrow();
                blanks += blanksBefore;
                aside.add(new Aside(row.number(), what));
                closeRun();
                if (what == RowClass.TOTAL) {
                    sums.restart();
                }
            }
            lastRow = row.number();
        }

        /** What a row is; null for a record. */
        private @Nullable RowClass classify(Row row, int blanksBefore) {
            if (repeats(row)) {
                return RowClass.REPEAT;
            }
            RowClass total = total(row);
            if (total != null) {
                return total;
            }
            return isNarrowLine(row, blanksBefore) ? RowClass.NOTE : null;
        }

        private boolean repeats(Row row) {
            int same = 0;
            for (int column = 0; column < row.width(); column++) {
                if (row.blank(column)) {
                    continue;
                }
                if (column >= headers.length || !couldBe(row, column, looseHeaders[column])) {
                    return false;
                }
                if (!looseHeaders[column].equals(LooseText.key(row.text(column)))) {
                    return false;
                }
                same++;
            }
            return same >= Math.min(2, namedColumns) && same * 10 >= namedColumns * 6;
        }

        /** A first look that spares most cells the comparison of whole texts. */
        private static boolean couldBe(Row row, int column, String looseHeader) {
            if (looseHeader.isEmpty()) {
                return false;
            }
            char[] chars = row.chars();
            int from = row.start(column);
            int to = row.end(column);
            if (to - from < looseHeader.length() && chars[from] < 128) {
                return false;
            }
            while (from < to && !Character.isLetterOrDigit(chars[from])) {
                from++;
            }
            boolean plain = from < to && chars[from] < 128 && looseHeader.charAt(0) < 128;
            return !plain
                    || !Character.isLetterOrDigit(looseHeader.charAt(0))
                    || Character.toLowerCase(chars[from]) == looseHeader.charAt(0);
        }

        private @Nullable RowClass total(Row row) {
            TotalWords.Sureness word = TotalWords.Sureness.NO;
            String label = "";
            int texts = 0;
            int numbers = 0;
            for (int column = 0; column < row.width(); column++) {
                Form form = forms[column];
                if (form == Form.BLANK) {
                    continue;
                }
                if (form.isCellNumber() || form.isTextNumber()) {
                    numbers++;
                    continue;
                }
                texts++;
                boolean words = form == Form.WORDS || form == Form.WORDS_AND_DIGITS;
                if (words && TotalWords.possible(row.chars(), row.start(column), row.end(column))) {
                    TotalWords.Sureness here = TotalWords.of(row.text(column));
                    if (here.compareTo(word) > 0) {
                        word = here;
                        label = row.text(column);
                    }
                }
            }
            if (word == TotalWords.Sureness.NO && texts > 0) {
                return null;
            }
            if (numbers == 0) {
                return word == TotalWords.Sureness.WHOLLY && texts == 1 ? RowClass.TOTAL : null;
            }
            return totalOfNumbers(row, word, label, texts);
        }

        private @Nullable RowClass totalOfNumbers(Row row, TotalWords.Sureness word, String label, int texts) {
            boolean added = sums.records() > 0 && allAgree(row);
            boolean bareKeys = texts <= 1 && keyColumns() > 1;
            if (word == TotalWords.Sureness.NO) {
                if (added && sums.records() > 1 && keyColumns() > 0) {
                    doubts.add(new Doubt(
                            "total-row",
                            row.number(),
                            "Row " + row.number()
                                    + " adds up the rows above it but names nothing; it is kept as a record.",
                            1));
                }
                return null;
            }
            boolean wholly = word == TotalWords.Sureness.WHOLLY;
            if ((texts <= 1 && (wholly || bareKeys || added)) || (added && wholly)) {
                noteTotals(row);
                return RowClass.TOTAL;
            }
            if (texts <= 1 || wholly) {
                doubts.add(new Doubt(
                        "total-row",
                        row.number(),
                        "Row " + row.number() + " says " + Says.quoted(label.strip())
                                + " but does not add up the rows above it; it is kept as a record.",
                        1));
            }
            return null;
        }

        private boolean allAgree(Row row) {
            for (int column = 0; column < row.width(); column++) {
                double value = RunningSums.value(row, column, forms[column], evidence);
                if (!Double.isNaN(value) && !agrees(value, column)) {
                    return false;
                }
            }
            return true;
        }

        private boolean agrees(double value, int column) {
            return RunningSums.close(value, sums.sinceTotal(column), sums.recordsSinceTotal())
                    || RunningSums.close(value, sums.all(column), sums.records());
        }

        private void noteTotals(Row row) {
            for (int column = 0; column < row.width(); column++) {
                double value = RunningSums.value(row, column, forms[column], evidence);
                if (Double.isNaN(value)) {
                    continue;
                }
                boolean grand =
                        sums.recordsSinceTotal() == 0 || RunningSums.close(value, sums.all(column), sums.records());
                totals.add(new StatedTotal(
                        row.number(),
                        column,
                        value,
                        grand ? sums.all(column) : sums.sinceTotal(column),
                        grand ? sums.records() : sums.recordsSinceTotal()));
            }
        }

        /** Columns that hold words, codes or dates rather than numbers. */
        private int keyColumns() {
            int keys = 0;
            for (Evidence column : evidence) {
                long numbers = 0;
                for (Form form : Form.values()) {
                    numbers += form.isCellNumber() || form.isTextNumber() ? column.count(form) : 0;
                }
                keys += column.filled() > 0 && numbers * 2 < column.filled() ? 1 : 0;
            }
            return keys;
        }

        /** A row of one text that does not look like a value of its column. */
        private boolean isNarrowLine(Row row, int blanksBefore) {
            if (width < 3 || row.filled() != 1) {
                return false;
            }
            int column = 0;
            while (row.blank(column)) {
                column++;
            }
            Form form = Forms.of(row, column);
            if (form != Form.WORDS && form != Form.WORDS_AND_DIGITS) {
                return false;
            }
            String text = row.text(column).strip();
            boolean headed = column < headers.length && !headers[column].isEmpty();
            boolean outside = !headed || (evidence[column].filled() == 0 && sums.records() >= FEW_RECORDS);
            boolean line = outside
                    || isOdd(column)
                    || blanksBefore > 0
                    || !narrow.isEmpty()
                    || text.length() > Math.max(40, longest[column] * 3 / 2)
                    || NOTE_START.matcher(text.toLowerCase(Locale.ROOT)).matches();
            if (!line) {
                firstSparse = sparse == 0 ? row.number() : firstSparse;
                sparse++;
            }
            return line;
        }

        /** True where words would be out of place in a column. */
        private boolean isOdd(int column) {
            Evidence e = evidence[column];
            long words = e.count(Form.WORDS, Form.WORDS_AND_DIGITS, Form.NOTHING_WORD);
            return e.filled() >= 2 && words * 5 < e.filled();
        }

        private void keep(Row row) {
            if (runCount > 0 && row.number() == runFirst + runCount) {
                runCount++;
            } else {
                closeRun();
                runFirst = row.number();
                runCount = 1;
            }
            for (int column = 0; column < row.width(); column++) {
                evidence[column].add(row, column, forms[column]);
                longest[column] = Math.max(
                        longest[column],
                        row.kind(column) == cuvee.sheet.CellKind.EMPTY ? 0 : row.end(column) - row.start(column));
            }
            sums.add(row, forms, evidence);
        }

        private void closeRun() {
            if (runCount > 0) {
                runs.add(new Run(runFirst, runCount));
            }
            runCount = 0;
        }

        /** Lines held back turn out to stand between records: they head the rows below. */
        private void releaseNarrow() {
            if (narrow.isEmpty()) {
                return;
            }
            Row first = narrow.get(0);
            doubts.add(new Doubt(
                    "section",
                    first.number(),
                    "Row " + first.number() + " holds only " + Says.quoted(textOf(first))
                            + ", between records; it is set aside as a line that heads the rows below it.",
                    narrow.size()));
            asideNarrow(RowClass.SECTION);
        }

        private void asideNarrow(RowClass as) {
            blanks += blanksBeforeNarrow;
            blanksBeforeNarrow = 0;
            for (Row line : narrow) {
                aside.add(new Aside(line.number(), as));
            }
            if (!narrow.isEmpty()) {
                closeRun();
            }
            narrow.clear();
        }

        private void grow(int columns) {
            if (columns <= evidence.length) {
                return;
            }
            int before = evidence.length;
            evidence = Arrays.copyOf(evidence, columns);
            longest = Arrays.copyOf(longest, columns);
            forms = Arrays.copyOf(forms, columns);
            for (int i = before; i < columns; i++) {
                evidence[i] = new Evidence();
            }
        }

        FoundTable end() {
            asideNarrow(RowClass.NOTE);
            closeRun();
            if (sparse > 0) {
                doubts.add(new Doubt(
                        "sparse-row",
                        firstSparse,
                        Says.count(sparse, "row") + (sparse == 1 ? " holds" : " hold")
                                + " a single word, the first at row " + firstSparse + "; kept as "
                                + (sparse == 1 ? "a record." : "records."),
                        sparse));
            }
            return new FoundTable(
                    firstRow,
                    headerRows,
                    lastRow,
                    columns(),
                    aside,
                    blanks,
                    runs,
                    titles,
                    doubts,
                    totals,
                    sureness,
                    reason);
        }

        private List<TableColumn> columns() {
            List<TableColumn> columns = new ArrayList<>();
            Set<String> taken = new HashSet<>();
            for (int i = 0; i < evidence.length; i++) {
                boolean named = i < headers.length && !headers[i].isEmpty();
                if (!named && evidence[i].filled() == 0) {
                    continue;
                }
                String header = named ? headers[i] : "Column " + Where.columnLetters(i + 1);
                String unique = header;
                for (int copy = 2; !taken.add(LooseText.key(unique)); copy++) {
                    unique = header + " (" + copy + ")";
                }
                if (!unique.equals(header)) {
                    doubts.add(new Doubt(
                            "header-twice",
                            headerRows.isEmpty() ? 0 : headerRows.get(headerRows.size() - 1),
                            "The header " + Says.quoted(header) + " stands over two columns; the second is named "
                                    + Says.quoted(unique) + ".",
                            sums.records()));
                }
                columns.add(new TableColumn(i, unique, named, evidence[i]));
            }
            return columns;
        }
    }
}
