package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.CellKind;
import cuvee.sheet.ColumnCells;
import cuvee.sheet.PackedCell;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.value.ColumnTally;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The columns of a table under way: their names, and what its records hold in them so far. */
final class TableColumns {
    /** Marks that loose keys keep, as in {@code % full}. */
    private static final String KEPT_MARKS = "%#€$£";

    private static final long WORDS = Form.bits(Form.WORDS, Form.WORDS_AND_DIGITS);
    /** So many records tell whether a column is ever filled. */
    private static final int FEW_RECORDS = 3;
    /** Fewer names of the header in a row do not make it another one. */
    private static final int FEWEST_NAMES = 3;
    /** So many names in their places, one of words among them, are the header again, though it has more. */
    private static final int FEWEST_AGAIN = 4;

    /** Texts are sentences when they have so many letters on average. */
    private static final int SENTENCE = 20;
    /** The words of so many records are remembered, to tell a line from a record of a single word. */
    private static final int REMEMBERED = 200;
    /** So few cells under no header, behind a blank column, are none of the table's. */
    private static final int STRAY = 3;
    /** Where there are more columns, rows are told one by one: blocks of them would take too much room. */
    private static final int MOST_IN_BLOCKS = 512;

    private final String[] headers;
    /** For each column the loose keys of its name and of the header cells that make it up. */
    private final List<Set<String>> spellings;

    private final Set<String> allSpellings = new HashSet<>();
    private final String[] initials;
    /** For each column whether its header may begin with a digit. */
    private final boolean[] numbered;

    private final int namedColumns;
    /** For each row of a header of several, the columns that it fills. */
    private final Set<BitSet> headerShapes = new HashSet<>();

    private SeenColumn[] columns;
    private final ColumnCells side = new ColumnCells();

    private List<Row> ahead = List.of();
    private int records;
    private int filled;
    private long letters;

    /** True where a point in numbers that could be read either way parts thousands, as a first look has told. */
    private final boolean pointsPartThousands;

    TableColumns(String[] names, List<Row> headerRows, int columns, HeaderHints hints) {
        pointsPartThousands = hints.pointsPartThousands();
        headers = names;
        spellings = new ArrayList<>();
        for (int column = 0; column < names.length; column++) {
            Set<String> keys = new HashSet<>();
            keys.add(LooseText.key(names[column]));
            for (Row row : headerRows) {
                keys.add(LooseText.key(row.text(column)));
            }
            keys.remove("");
            spellings.add(keys);
        }
        for (Row row : headerRows.size() > 1 ? headerRows : List.<Row>of()) {
            headerShapes.add(filled(row));
        }
        spellings.forEach(allSpellings::addAll);
        initials = spellings.stream().map(TableColumns::initials).toArray(String[]::new);
        numbered = new boolean[names.length];
        for (int column = 0; column < names.length; column++) {
            numbered[column] = initials[column].chars().anyMatch(Character::isDigit);
        }
        namedColumns =
                (int) Arrays.stream(names).filter(name -> !name.isEmpty()).count();
        this.columns = new SeenColumn[columns];
        Arrays.setAll(this.columns, SeenColumn::new);
    }

    /** Looks at the next row: its forms are those of {@link #form} until the row after it. */
    void look(Row row) {
        grow(row.width());
        int count = 0;
        for (int column = 0; column < row.width(); column++) {
            count += columns[column].look(row) == Form.BLANK ? 0 : 1;
        }
        filled = count;
    }

    /** Rows that are to come: some numbers can be read only by the decimal mark of others, and these are looked at then. */
    void comeNext(List<Row> rows) {
        ahead = rows;
    }

    private void lookAhead() {
        List<Row> rows = ahead;
        ahead = List.of();
        for (Row row : rows) {
            grow(row.width());
            for (int column = 0; column < row.width(); column++) {
                columns[column].lookAhead(row);
            }
        }
    }

    /** From here on what looks like a number in a column is the number of a line in an outline, {@code 1.10}, and a name. */
    void holdsCodes(int column) {
        columns[column].holdsCodes();
    }

    /** How many cells of the row that was looked at are not blank. */
    int filled() {
        return filled;
    }

    private void grow(int width) {
        int before = columns.length;
        if (width > before) {
            columns = Arrays.copyOf(columns, width);
            for (int i = before; i < width; i++) {
                columns[i] = new SeenColumn(i);
            }
        }
    }

    /** The form of a cell of the row that was looked at. */
    Form form(int column) {
        return columns[column].form();
    }

    /** True where a cell of the row that was looked at holds words, and one that may name a total is among them. */
    boolean mayNameTotal(int column) {
        return columns[column].mayNameTotal();
    }

    /** The number in a cell of the row that was looked at, or NaN. */
    double value(Row row, int column) {
        SeenColumn seen = columns[column];
        if (seen.isOpen()) {
            lookAhead();
        }
        return seen.value(row, seen.isOpen() && commas(seen));
    }

    /** True where the comma is the decimal mark: by the column's own values, else by those of the others. */
    private boolean commas(SeenColumn own) {
        return own.hasComma() || !own.hasPoint() && (pointsPartThousands || anyHasComma());
    }

    private boolean anyHasComma() {
        for (SeenColumn column : columns) {
            if (column.hasComma()) {
                return true;
            }
        }
        return false;
    }

    /** How many columns there are so far. */
    int width() {
        return columns.length;
    }

    /**
     * Looks at a block of rows, which is to be followed by {@link #keep(RowBlock)} where they are records.
     *
     * @param filledAtLeast so many cells of each row have to hold something
     * @return false where the rows have to be told one by one: where one may be anything but a record, and where what
     *     one holds may change how another is read
     */
    boolean look(RowBlock block, int filledAtLeast) {
        block.narrow();
        int keys = 0;
        int full = 0;
        boolean partly = false;
        boolean open = false;
        boolean newMark = false;
        for (int column = 0; column < block.columns(); column++) {
            SeenColumn seen = columns[column];
            BlockColumn cells = seen.inBlock();
            side.take(block, column);
            if (!cells.look(side, commas(seen))) {
                return false;
            }
            keys += cells.texts() ? 1 : 0;
            full += cells.full() ? 1 : 0;
            partly |= cells.namesPartly();
            open |= cells.open();
            newMark |= seen.newMark();
            // Words where only numbers have stood may head another table.
            if ((cells.seen() & WORDS) != 0 && seen.isNumbersOnly()) {
                return false;
            }
        }
        // A row without any text may be a total of which only its numbers tell, one with a single text by a part of it.
        return keys > (partly ? 1 : 0)
                && (full >= filledAtLeast || filled(block, filledAtLeast))
                && !mayRepeat(block)
                && !(open && newMark);
    }

    /** True where a number in a block that was looked at is what those above it come to. */
    boolean mayAddUp(RowBlock block, SumsAbove sums) {
        for (int column = 0; column < block.columns(); column++) {
            ColumnTally tally = columns[column].inBlock().tally();
            boolean says = tally.numbers() > 0 && (tally.least() != 0 || tally.most() != 0);
            if (says && sums.mayReach(column, tally, block.rows()) && addsUp(block, column, sums)) {
                return true;
            }
        }
        return false;
    }

    private boolean addsUp(RowBlock block, int column, SumsAbove sums) {
        SeenColumn seen = columns[column];
        boolean commas = commas(seen);
        double since = sums.sinceTotal(column);
        double all = sums.all(column);
        for (int row = 0; row < block.rows(); row++) {
            double value = seen.inBlock().value(block, column, row, commas);
            if (!Double.isNaN(value)) {
                int records = sums.records() + row;
                if (value != 0 && (Agreement.of(value, since, records) || Agreement.of(value, all, records))) {
                    return true;
                }
                since += value;
                all += value;
            }
        }
        return false;
    }

    /** True where each row of a block has so many cells that hold something. */
    private boolean filled(RowBlock block, int least) {
        for (int row = 0; row < block.rows(); row++) {
            int cells = 0;
            for (int column = 0; column < block.columns(); column++) {
                cells += columns[column].inBlock().blank(row) ? 0 : 1;
            }
            if (cells < least) {
                return false;
            }
        }
        return true;
    }

    /** True where a row of a block may be the header again: no column tells that it is not. */
    private boolean mayRepeat(RowBlock block) {
        for (int column = 0; column < block.columns(); column++) {
            if (columns[column].inBlock().full() && !mayRepeat(block, column)) {
                return false;
            }
        }
        return true;
    }

    private boolean mayRepeat(RowBlock block, int column) {
        if (column < headers.length && columns[column].inBlock().digits()) {
            return numbered[column];
        }
        for (int row = 0; column < headers.length && row < block.rows(); row++) {
            long cell = block.cell(column, row);
            if (couldBe(block.chars(), PackedCell.start(cell), PackedCell.end(cell), initials[column])) {
                return true;
            }
        }
        return false;
    }

    /** What was seen in a column of the block that was looked at. */
    ColumnTally tally(int column) {
        return columns[column].inBlock().tally();
    }

    List<String> names() {
        return Arrays.stream(headers).filter(name -> !name.isEmpty()).toList();
    }

    /** True for a word that is the name of some column, or of a part of one. */
    boolean names(String text) {
        String key = LooseText.key(text);
        return spellings.stream().anyMatch(keys -> keys.contains(key));
    }

    boolean headed(int column) {
        return column < headers.length && !headers[column].isEmpty();
    }

    /** True where enough records have gone by and none filled the column. */
    boolean neverFilled(int column) {
        return column >= columns.length || columns[column].evidence().filled() == 0 && records >= FEW_RECORDS;
    }

    int longest(int column) {
        return column < columns.length ? columns[column].longest() : 0;
    }

    /** True where a form would be out of place in a column: words among values, anything where nothing ever is. */
    boolean odd(int column, Form form) {
        if (column >= columns.length) {
            return true;
        }
        Evidence e = columns[column].evidence();
        if (e.filled() == 0) {
            return records >= FEW_RECORDS;
        }
        if (form.isValue() || form == Form.NOTHING_WORD) {
            return false;
        }
        long some = e.count(Form.WORDS, Form.WORDS_AND_DIGITS, Form.NOTHING_WORD);
        return e.filled() >= 2 && some * 5 < e.filled();
    }

    /** True where a form is of another nature than nearly all the column's values: numbers among names, or the reverse. */
    boolean strange(int column, Form form) {
        if (odd(column, form)) {
            return true;
        }
        if (column >= columns.length || form == Form.BLANK || form == Form.NOTHING_WORD) {
            return false;
        }
        Evidence e = columns[column].evidence();
        boolean names = e.filled() >= 2
                && e.count(Form.WORDS) * 2 >= e.filled()
                && e.count(Form.WORDS, Form.WORDS_AND_DIGITS) * 10 >= e.filled() * 8;
        boolean dates = holdsDates(column);
        boolean date = form.isDate() || form.isMoment();
        return names && form.isValue() || dates && !date;
    }

    /** True where nearly all values of a column are dates. */
    boolean holdsDates(int column) {
        return column < columns.length
                && columns[column].evidence().filled() >= 2
                && datesOf(columns[column].evidence()) * 10
                        >= columns[column].evidence().filled() * 8;
    }

    private static long datesOf(Evidence e) {
        long dates = 0;
        for (Form form : Form.values()) {
            dates += form.isDate() || form.isMoment() ? e.count(form) : 0;
        }
        return dates;
    }

    /** True where an earlier record holds the text in the column. */
    boolean holds(int column, String text) {
        return column < columns.length && columns[column].holds(text);
    }

    /** True where an earlier record holds a code in the column that differs in its digits only. */
    boolean holdsAlike(int column, String text) {
        return column < columns.length && columns[column].holdsAlike(text);
    }

    /** True where a row is the header again. */
    boolean repeats(Row row) {
        int same = 0;
        boolean words = false;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            if (!names(row, column)) {
                return false;
            }
            words |= row.kind(column) == CellKind.TEXT;
            same++;
        }
        return same >= Math.min(2, namedColumns)
                && (same * 10 >= namedColumns * 6
                        || headerShapes.contains(filled(row))
                        || words && same >= FEWEST_AGAIN && same * 10 >= namedColumns * 4);
    }

    /** True for a row of words most of which name columns of the table, but others in their place: another header. */
    boolean isOtherHeader(Row row) {
        int names = 0;
        int cells = 0;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            if (row.kind(column) != CellKind.TEXT || Forms.of(row, column).isValue()) {
                return false;
            }
            cells++;
            names += allSpellings.contains(LooseText.key(row.text(column))) ? 1 : 0;
            // Rows of words are many; those that begin without a name are no header.
            if (cells == FEWEST_NAMES && names == 0) {
                return false;
            }
        }
        return names >= FEWEST_NAMES
                && names * 10 >= namedColumns * 6
                && names * 2 > cells
                && records > 0
                && !repeats(row);
    }

    /** True for a row that fills the cells of one row of the header, each with what stands in the header there. */
    boolean isOfHeader(Row row) {
        BitSet filled = filled(row);
        return headerShapes.contains(filled) && filled.stream().allMatch(column -> names(row, column));
    }

    /** True where a cell holds what the header says of its column. */
    private boolean names(Row row, int column) {
        return column < headers.length
                && couldBe(row.chars(), row.start(column), row.end(column), initials[column])
                && spellings.get(column).contains(LooseText.key(row.text(column)));
    }

    private static BitSet filled(Row row) {
        BitSet filled = new BitSet();
        for (int column = 0; column < row.width(); column++) {
            filled.set(column, !row.blank(column));
        }
        return filled;
    }

    /** The first letters of a header's spellings. */
    private static String initials(Set<String> keys) {
        StringBuilder letters = new StringBuilder();
        keys.forEach(key -> letters.append(key.charAt(0)));
        return letters.toString();
    }

    /** A first look that spares most cells the comparison of whole texts. */
    private static boolean couldBe(char[] chars, int start, int to, String initials) {
        if (initials.isEmpty()) {
            return false;
        }
        int from = start;
        while (from < to && !Character.isLetterOrDigit(chars[from]) && KEPT_MARKS.indexOf(chars[from]) < 0) {
            from++;
        }
        boolean plain = from < to && chars[from] < 128;
        return !plain || initials.indexOf(Character.toLowerCase(chars[from])) >= 0;
    }

    private Optional<Doubt> beside(int from, List<Integer> headerRows) {
        long values = 0;
        for (int i = from; i < columns.length; i++) {
            values += columns[i].evidence().filled();
        }
        return values == 0
                ? Optional.empty()
                : Optional.of(new Doubt(
                        "beside",
                        headerRows.get(headerRows.size() - 1),
                        Says.count(values, "cell") + (values == 1 ? " stands" : " stand")
                                + " beside the table, from column " + Where.columnLetters(from + 1)
                                + " on, under no header; left out.",
                        (int) values));
    }

    /** Takes in a record that has been looked at. */
    void keep(Row row) {
        for (int column = 0; column < row.width(); column++) {
            letters += columns[column].keep(row);
        }
        for (int column = row.width(); column < columns.length; column++) {
            columns[column].keepNothing();
        }
        if (records == 0) {
            Arrays.stream(columns).forEach(SeenColumn::first);
        }
        if (records++ < REMEMBERED) {
            for (int column = 0; column < row.width(); column++) {
                columns[column].remember(row);
            }
        }
    }

    /** True where so many records have been taken in that blocks of them can be, and no row is very long. */
    boolean takesBlocks() {
        return records >= REMEMBERED && columns.length <= MOST_IN_BLOCKS;
    }

    /** Takes in a block of records that has been looked at. */
    void keep(RowBlock block) {
        letters += block.length();
        for (int column = 0; column < block.columns(); column++) {
            columns[column].keep(block);
            letters -= columns[column].inBlock().blankChars();
        }
        for (int column = block.columns(); column < columns.length; column++) {
            columns[column].keepNothing();
        }
        records += block.rows();
    }

    /** The most decimals that a number of a column has. */
    int decimals(int column) {
        return column < columns.length ? columns[column].evidence().decimals() : 0;
    }

    /** Columns that hold words, codes or dates rather than numbers. */
    int keyColumns() {
        int keys = 0;
        for (SeenColumn column : columns) {
            keys += isKey(column.evidence()) ? 1 : 0;
        }
        return keys;
    }

    private static boolean isKey(Evidence column) {
        long numbers = 0;
        for (Form form : Form.values()) {
            numbers += form.isNumber() ? column.count(form) : 0;
        }
        return column.filled() > 0 && numbers * 2 < column.filled();
    }

    /** True where a row has nothing in any column of words, codes or dates. */
    boolean holdsNoKey(Row row) {
        for (int column = 0; column < row.width(); column++) {
            boolean key = column >= columns.length || !holdsNumbersAlone(columns[column].evidence());
            if (key && !row.blank(column)) {
                return false;
            }
        }
        return true;
    }

    private static boolean holdsNumbersAlone(Evidence column) {
        long numbers = 0;
        for (Form form : Form.values()) {
            numbers += form.isNumber() ? column.count(form) : 0;
        }
        return numbers > 0 && numbers == column.filled();
    }

    /** True where a row has none of the words, codes or dates that every record so far has had. */
    boolean lacksKeys(Row row) {
        int keys = 0;
        for (int column = 0; column < columns.length; column++) {
            Evidence e = columns[column].evidence();
            if (isKey(e) && e.filled() == records) {
                if (!row.blank(column)) {
                    return false;
                }
                keys++;
            }
        }
        return keys > 0 && records >= FEW_RECORDS;
    }

    /** True where a row has no number in any column in which each record so far, of which there are some, has one. */
    boolean lacksNumbers(Row row) {
        int full = 0;
        for (int column = 0; column < columns.length; column++) {
            Evidence e = columns[column].evidence();
            if (holdsNumbersAlone(e) && e.filled() == records) {
                if (!row.blank(column) && form(column).isNumber()) {
                    return false;
                }
                full++;
            }
        }
        return full > 0 && records > 1;
    }

    /** How many columns of words, codes or dates that every record so far has filled are blank in a row. */
    int fullKeysBlankIn(Row row) {
        int blank = 0;
        for (int column = 0; records > 0 && column < columns.length; column++) {
            Evidence e = columns[column].evidence();
            blank += isKey(e) && e.filled() == records && row.blank(column) ? 1 : 0;
        }
        return blank;
    }

    /** True where a row leaves blank the first of the columns of words, codes or dates that every record so far has filled. */
    boolean isFirstKeyBlankIn(Row row) {
        for (int column = 0; records > 0 && column < columns.length; column++) {
            Evidence e = columns[column].evidence();
            if (isKey(e)) {
                return e.filled() == records && row.blank(column);
            }
        }
        return false;
    }

    /** How many columns that every record so far has filled are blank in a row; none before there are a few records. */
    int fullColumnsBlankIn(Row row) {
        int blank = 0;
        for (int column = 0; records >= FEW_RECORDS && column < columns.length; column++) {
            blank += columns[column].evidence().filled() == records && row.blank(column) ? 1 : 0;
        }
        return blank;
    }

    /** True where all values are words, and as long as sentences rather than names. */
    boolean onlyProse() {
        long filled = 0;
        long words = 0;
        for (SeenColumn column : columns) {
            filled += column.evidence().filled();
            words += column.evidence().count(Form.WORDS, Form.WORDS_AND_DIGITS, Form.NOTHING_WORD);
        }
        return filled == words && letters > filled * SENTENCE;
    }

    /** Where stray cells behind a blank column begin: a rate, a remark. Where there are none, the end of all columns. */
    private int beside() {
        int last = columns.length - 1;
        while (last >= 0 && !headed(last)) {
            last--;
        }
        int from = last + 2;
        if (last < 0 || from >= columns.length || columns[from - 1].evidence().filled() > 0) {
            return columns.length;
        }
        long most = 0;
        for (int i = from; i < columns.length; i++) {
            most = Math.max(most, columns[i].evidence().filled());
        }
        boolean few = most <= STRAY || most * 20 <= records;
        return few && most * 3 <= records ? from : columns.length;
    }

    /**
     * The columns that have a name or a value, each with a name of its own.
     *
     * @param all true where cells beside the table belong to it too
     */
    List<TableColumn> named(List<Integer> headerRows, SumsAbove sums, List<Doubt> doubts, boolean all) {
        List<TableColumn> found = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        int until = all ? columns.length : beside();
        if (until < columns.length) {
            beside(until, headerRows).ifPresent(doubts::add);
        }
        for (int i = 0; i < until; i++) {
            boolean named = headed(i);
            SeenColumn seen = columns[i];
            if (!named && seen.evidence().filled() == 0) {
                continue;
            }
            String header = named ? headers[i] : TableColumn.unnamed(i);
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
                        records));
            }
            found.add(new TableColumn(i, unique, named, seen.evidence(), sums.all(i), seen.gaps()));
        }
        return found;
    }
}
