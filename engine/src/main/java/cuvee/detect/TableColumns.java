package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.Row;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Look;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** The columns of a table under way: their names, and what its records hold in them so far. */
final class TableColumns {
    /** So many records tell whether a column is ever filled. */
    private static final int FEW_RECORDS = 3;
    /** Texts are sentences when they have so many letters on average. */
    private static final int SENTENCE = 20;
    /** The words of so many records are remembered, to tell a line from a record of a single word. */
    private static final int REMEMBERED = 200;
    /** So few cells under no header, behind a blank column, are none of the table's. */
    private static final int STRAY = 3;

    private static final Pattern DIGITS = Pattern.compile("[0-9]+");

    private final String[] headers;
    /** For each column the loose keys of its name and of the header cells that make it up. */
    private final List<Set<String>> spellings;

    private final String[] initials;
    private final int namedColumns;
    private Evidence[] evidence;
    private int[] longest;
    private final Look look = new Look();
    private Form[] forms;
    private int[] sizes;
    private double[] values;
    private boolean[] mayNameTotal;
    private LateTexts[] late;
    private boolean[] filledFirst;
    private boolean[] filledBefore;
    private int[] adjacent;
    private final List<Set<String>> words = new ArrayList<>();
    /** Those with digits in them, with 9 for every run of digits. */
    private final List<Set<String>> codes = new ArrayList<>();

    private int records;
    private int filled;
    private long letters;

    TableColumns(String[] names, List<Row> headerRows, int columns) {
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
        initials = spellings.stream().map(TableColumns::initials).toArray(String[]::new);
        namedColumns =
                (int) Arrays.stream(names).filter(name -> !name.isEmpty()).count();
        evidence = new Evidence[columns];
        longest = new int[columns];
        forms = new Form[columns];
        sizes = new int[columns];
        values = new double[columns];
        mayNameTotal = new boolean[columns];
        late = new LateTexts[columns];
        Arrays.setAll(late, i -> new LateTexts());
        filledFirst = new boolean[columns];
        filledBefore = new boolean[columns];
        adjacent = new int[columns];
        Arrays.setAll(evidence, i -> new Evidence());
    }

    /** Looks at the next row: its forms are those of {@link #form} until the row after it. */
    void look(Row row) {
        grow(row.width());
        int count = 0;
        for (int column = 0; column < row.width(); column++) {
            Form form = look.plain(row, column);
            sizes[column] = look.size();
            values[column] = look.value();
            if (form == null) {
                LateTexts texts = late[column];
                form = texts.look(row, column);
                mayNameTotal[column] = texts.mayNameTotal();
            } else {
                mayNameTotal[column] = false;
            }
            forms[column] = form;
            count += form == Form.BLANK ? 0 : 1;
        }
        filled = count;
    }

    /** How many cells of the row that was looked at are not blank. */
    int filled() {
        return filled;
    }

    private void grow(int columns) {
        if (columns <= evidence.length) {
            return;
        }
        int before = evidence.length;
        evidence = Arrays.copyOf(evidence, columns);
        longest = Arrays.copyOf(longest, columns);
        forms = Arrays.copyOf(forms, columns);
        sizes = Arrays.copyOf(sizes, columns);
        values = Arrays.copyOf(values, columns);
        mayNameTotal = Arrays.copyOf(mayNameTotal, columns);
        late = Arrays.copyOf(late, columns);
        filledFirst = Arrays.copyOf(filledFirst, columns);
        filledBefore = Arrays.copyOf(filledBefore, columns);
        adjacent = Arrays.copyOf(adjacent, columns);
        for (int i = before; i < columns; i++) {
            evidence[i] = new Evidence();
            late[i] = new LateTexts();
        }
    }

    Form form(int column) {
        return forms[column];
    }

    /** True where a cell of the row that was looked at holds words, and one that may name a total is among them. */
    boolean mayNameTotal(int column) {
        return mayNameTotal[column];
    }

    /** The number in a cell of the row that was looked at, or NaN. */
    double value(Row row, int column) {
        return sizes[column] == Look.NO_SIZE ? RunningSums.value(row, column, forms[column], evidence) : values[column];
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
        return column >= evidence.length || evidence[column].filled() == 0 && records >= FEW_RECORDS;
    }

    int longest(int column) {
        return column < longest.length ? longest[column] : 0;
    }

    /** True where a form would be out of place in a column: words among values, anything where nothing ever is. */
    boolean odd(int column, Form form) {
        if (column >= evidence.length) {
            return true;
        }
        Evidence e = evidence[column];
        if (e.filled() == 0) {
            return records >= FEW_RECORDS;
        }
        if (HeaderChoice.isValue(form) || form == Form.NOTHING_WORD) {
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
        if (column >= evidence.length || form == Form.BLANK || form == Form.NOTHING_WORD) {
            return false;
        }
        Evidence e = evidence[column];
        boolean names = e.filled() >= 2 && e.count(Form.WORDS) * 10 >= e.filled() * 8;
        boolean dates = holdsDates(column);
        boolean date = form.isDate() || form.isMoment();
        return names && HeaderChoice.isValue(form) || dates && !date;
    }

    /** True where nearly all values of a column are dates. */
    boolean holdsDates(int column) {
        return column < evidence.length
                && evidence[column].filled() >= 2
                && datesOf(evidence[column]) * 10 >= evidence[column].filled() * 8;
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
        return column < words.size() && words.get(column).contains(LooseText.key(text));
    }

    /** True where an earlier record holds a code in the column that differs in its digits only. */
    boolean holdsAlike(int column, String text) {
        return column < codes.size() && codes.get(column).contains(codeOf(text));
    }

    private static String codeOf(String text) {
        return DIGITS.matcher(text.strip()).replaceAll("9");
    }

    /** True where a row is the header again. */
    boolean repeats(Row row) {
        int same = 0;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            boolean could = column < headers.length && couldBe(row, column, initials[column]);
            if (!could || !spellings.get(column).contains(LooseText.key(row.text(column)))) {
                return false;
            }
            same++;
        }
        return same >= Math.min(2, namedColumns) && same * 10 >= namedColumns * 6;
    }

    /** The first letters of a header's spellings. */
    private static String initials(Set<String> keys) {
        StringBuilder letters = new StringBuilder();
        keys.forEach(key -> letters.append(key.charAt(0)));
        return letters.toString();
    }

    /** A first look that spares most cells the comparison of whole texts. */
    private static boolean couldBe(Row row, int column, String initials) {
        if (initials.isEmpty()) {
            return false;
        }
        char[] chars = row.chars();
        int from = row.start(column);
        int to = row.end(column);
        while (from < to && !Character.isLetterOrDigit(chars[from])) {
            from++;
        }
        boolean plain = from < to && chars[from] < 128;
        return !plain || initials.indexOf(Character.toLowerCase(chars[from])) >= 0;
    }

    private Doubt beside(int from, List<Integer> headerRows) {
        long values = 0;
        for (int i = from; i < evidence.length; i++) {
            values += evidence[i].filled();
        }
        return new Doubt(
                "beside",
                headerRows.get(headerRows.size() - 1),
                Says.count(values, "cell") + (values == 1 ? " stands" : " stand") + " beside the table, from column "
                        + Where.columnLetters(from + 1) + " on, under no header; left out.",
                (int) values);
    }

    /** Takes in a record that has been looked at. */
    void keep(Row row) {
        long length = 0;
        for (int column = 0; column < row.width(); column++) {
            Form form = forms[column];
            evidence[column].add(row, column, form, sizes[column]);
            boolean now = form != Form.BLANK;
            if (now) {
                int here = row.end(column) - row.start(column);
                longest[column] = Math.max(longest[column], here);
                length += here;
                adjacent[column] += filledBefore[column] ? 1 : 0;
            }
            filledBefore[column] = now;
        }
        if (row.width() < filledBefore.length) {
            Arrays.fill(filledBefore, row.width(), filledBefore.length, false);
        }
        letters += length;
        if (records == 0) {
            filledFirst = filledBefore.clone();
        }
        if (records++ < REMEMBERED) {
            remember(row);
        }
    }

    private void remember(Row row) {
        while (words.size() < row.width()) {
            words.add(new HashSet<>());
            codes.add(new HashSet<>());
        }
        for (int column = 0; column < row.width(); column++) {
            if (forms[column] == Form.WORDS || forms[column] == Form.WORDS_AND_DIGITS) {
                String text = row.text(column);
                words.get(column).add(LooseText.key(text));
                if (forms[column] == Form.WORDS_AND_DIGITS) {
                    codes.get(column).add(codeOf(text));
                }
            }
        }
    }

    /** Columns that hold words, codes or dates rather than numbers. */
    int keyColumns() {
        int keys = 0;
        for (Evidence column : evidence) {
            keys += isKey(column) ? 1 : 0;
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

    /** True where a row has none of the words, codes or dates that every record so far has had. */
    boolean lacksKeys(Row row) {
        int keys = 0;
        for (int column = 0; column < evidence.length; column++) {
            if (isKey(evidence[column]) && evidence[column].filled() == records) {
                if (!row.blank(column)) {
                    return false;
                }
                keys++;
            }
        }
        return keys > 0 && records >= FEW_RECORDS;
    }

    /** True where all values are words, and as long as sentences rather than names. */
    boolean onlyProse() {
        long filled = 0;
        long words = 0;
        for (Evidence column : evidence) {
            filled += column.filled();
            words += column.count(Form.WORDS, Form.WORDS_AND_DIGITS, Form.NOTHING_WORD);
        }
        return filled == words && letters > filled * SENTENCE;
    }

    /** Where stray cells behind a blank column begin: a rate, a remark. Where there are none, the end of all columns. */
    private int beside() {
        int last = evidence.length - 1;
        while (last >= 0 && !headed(last)) {
            last--;
        }
        int from = last + 2;
        if (last < 0 || from >= evidence.length || evidence[from - 1].filled() > 0) {
            return evidence.length;
        }
        long most = 0;
        for (int i = from; i < evidence.length; i++) {
            most = Math.max(most, evidence[i].filled());
        }
        boolean few = most <= STRAY || most * 20 <= records;
        return few && most * 3 <= records ? from : evidence.length;
    }

    /**
     * The columns that have a name or a value, each with a name of its own.
     *
     * @param all true where cells beside the table belong to it too
     */
    List<TableColumn> named(List<Integer> headerRows, RunningSums sums, List<Doubt> doubts, boolean all) {
        List<TableColumn> columns = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        int until = all ? evidence.length : beside();
        if (until < evidence.length) {
            doubts.add(beside(until, headerRows));
        }
        for (int i = 0; i < until; i++) {
            boolean named = headed(i);
            if (!named && evidence[i].filled() == 0) {
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
            columns.add(new TableColumn(
                    i, unique, named, evidence[i], sums.all(i), new TableColumn.Gaps(filledFirst[i], adjacent[i])));
        }
        return columns;
    }
}
