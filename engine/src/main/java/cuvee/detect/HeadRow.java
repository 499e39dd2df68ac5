package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** One of the first rows of a sheet, with what its cells are, which is asked again for each row that may be a header. */
final class HeadRow {
    private static final Pattern YEAR = Pattern.compile("(19|20)\\d\\d");
    /** Longer texts are titles or notes. */
    private static final int MANY_NAMES = 5;

    private static final int LONGEST_NAME = 40;

    private final Row row;
    private final Form[] forms;
    private final boolean[] blanks;
    private final int filled;
    private final @Nullable String[] keys;
    private @Nullable Set<String> words;
    private @Nullable Boolean wordsOnly;
    private @Nullable Boolean runsAcross;

    /** A row that stays as it is. */
    HeadRow(Row row) {
        this.row = row;
        int width = row.width();
        forms = new Form[width];
        blanks = new boolean[width];
        keys = new String[width];
        int count = 0;
        for (int column = 0; column < width; column++) {
            forms[column] = Forms.of(row, column);
            blanks[column] = row.blank(column);
            count += blanks[column] ? 0 : 1;
        }
        filled = count;
    }

    static List<HeadRow> of(List<Row> rows) {
        return rows.stream().map(HeadRow::new).toList();
    }

    Row row() {
        return row;
    }

    int number() {
        return row.number();
    }

    int blanksBefore() {
        return row.blanksBefore();
    }

    int width() {
        return row.width();
    }

    /** How many cells are not blank. */
    int filled() {
        return filled;
    }

    boolean blank(int column) {
        return column >= blanks.length || blanks[column];
    }

    Form form(int column) {
        return column < forms.length ? forms[column] : Form.BLANK;
    }

    String text(int column) {
        return row.text(column);
    }

    /** True where a cell holds a value rather than words. */
    boolean isValue(int column) {
        return !blank(column) && forms[column].isValue();
    }

    /** True for a cell of words, with digits or without. */
    boolean isWord(int column) {
        return form(column) == Form.WORDS || form(column) == Form.WORDS_AND_DIGITS;
    }

    /** True for a date or a year. */
    boolean isYear(int column) {
        return forms[column].isDate() || YEAR.matcher(text(column).strip()).matches();
    }

    /** True for what heads columns too when it runs across: years, dates, times of day and numbered things. */
    boolean isMember(int column) {
        Form form = forms[column];
        return form.isDate()
                || form == Form.CLOCK
                || form == Form.CELL_CLOCK
                || (form == Form.DIGITS || form == Form.NUMBER_WHOLE)
                        && text(column).strip().length() <= 4;
    }

    /** The loose key of a cell's text. */
    String key(int column) {
        String key = keys[column];
        if (key == null) {
            key = LooseText.key(text(column));
            keys[column] = key;
        }
        return key;
    }

    /** True where the loose key of a cell's text is that one. */
    boolean hasKey(int column, String key) {
        return (key.isEmpty() || mayHaveKey(column, key.charAt(0)))
                && key(column).equals(key);
    }

    /** Whether a key may begin so; told without making it, where the text begins as most do. */
    private boolean mayHaveKey(int column, char first) {
        char[] chars = row.chars();
        int end = row.end(column);
        for (int i = row.start(column); i < end && chars[i] < 0x80; i++) {
            if (Character.isLetterOrDigit(chars[i])) {
                return Character.toLowerCase(chars[i]) == first || !Character.isLetterOrDigit(first);
            }
        }
        return true;
    }

    /** The loose keys of all cells that are not blank. */
    Set<String> words() {
        Set<String> all = words;
        if (all == null) {
            all = new HashSet<>();
            for (int column = 0; column < forms.length; column++) {
                if (!blanks[column]) {
                    all.add(key(column));
                }
            }
            words = all;
        }
        return all;
    }

    /** True for the same header once more. */
    boolean hasWordsOf(HeadRow other) {
        int most = Math.max(words().size(), other.words().size());
        long both = words().stream().filter(other.words()::contains).count();
        return both * 10 >= most * 6L;
    }

    /** The share of cells with words that are headers elsewhere. */
    double known(HeaderHints hints) {
        int known = 0;
        for (int column = 0; !hints.isEmpty() && column < forms.length; column++) {
            known += !blanks[column] && row.kind(column) == CellKind.TEXT && hints.knowsKey(key(column)) ? 1 : 0;
        }
        return filled == 0 ? 0 : known / (double) filled;
    }

    /** How many cells hold values. */
    int values() {
        int values = 0;
        for (int column = 0; column < forms.length; column++) {
            values += isValue(column) ? 1 : 0;
        }
        return values;
    }

    /** True for a number or two among words: a title says such things, a header has whole sequences of them. */
    boolean isLoneNumber() {
        return filled > 1 && values() == 1;
    }

    /** True where dates or numbers follow each other from column to column. */
    boolean runsAcross() {
        Boolean runs = runsAcross;
        if (runs == null) {
            runs = Sequence.runsAcross(row);
            runsAcross = runs;
        }
        return runs;
    }

    /** True where most cells are dates or years that go up by the same step. */
    boolean datesAcross() {
        int dates = 0;
        for (int column = 0; column < forms.length; column++) {
            dates += !blanks[column] && isYear(column) ? 1 : 0;
        }
        return dates >= Sequence.FEWEST && dates * 10 >= filled * 6 && runsAcross();
    }

    /** True where all cells are words, units or what may run across. */
    boolean wordsOnly() {
        Boolean only = wordsOnly;
        if (only == null) {
            only = findWordsOnly();
            wordsOnly = only;
        }
        return only;
    }

    private boolean findWordsOnly() {
        int values = 0;
        for (int column = 0; column < forms.length; column++) {
            if (!blanks[column]) {
                boolean word = isWord(column);
                if (!word && !isMember(column) && !isUnit(column)) {
                    return false;
                }
                values += word || isYear(column) || runsAcross() ? 0 : 1;
            }
        }
        return values < Sequence.FEWEST;
    }

    private boolean isUnit(int column) {
        return row.kind(column) != CellKind.NUMBER && HeaderNames.isUnit(text(column));
    }

    /** True where each cell is a unit. */
    boolean isUnits() {
        for (int column = 0; column < forms.length; column++) {
            if (!blanks[column] && !isUnit(column)) {
                return false;
            }
        }
        return filled > 0;
    }

    /** Labels with what they label ("Port: Hollin") and long texts stand above tables, not over columns. */
    boolean isTitleLike() {
        for (int column = 0; column < forms.length; column++) {
            if (!blanks[column]) {
                String text = text(column).strip();
                // A row of many words is one of names, whatever signs stand behind some of them.
                boolean label = text.endsWith(":") && filled < MANY_NAMES;
                if (text.length() > LONGEST_NAME || label || text.contains(": ")) {
                    return true;
                }
            }
        }
        return false;
    }

    /**
     * True for labels with their values beside them, such as {@code Page | 1 of 1 | | Ref | FX-199}: pairs of cells with
     * blanks between them, where each pair's second is a value or holds a digit. They are said of the sheet, not of columns.
     */
    boolean isLabelPairs() {
        int column = 0;
        int pairs = 0;
        boolean digits = false;
        while (column < width()) {
            if (blank(column)) {
                column++;
                continue;
            }
            boolean pair = column + 1 < width()
                    && isWord(column)
                    && !blank(column + 1)
                    && (column + 2 >= width() || blank(column + 2));
            if (!pair || isMember(column + 1)) {
                return false;
            }
            digits |= text(column + 1).chars().anyMatch(Character::isDigit);
            pairs++;
            column += 2;
        }
        return pairs > 0 && digits;
    }

    /** True where each cell that the lower row fills is filled here too. */
    boolean covers(HeadRow lower) {
        for (int column = 0; column < lower.width(); column++) {
            if (!lower.blank(column) && blank(column)) {
                return false;
            }
        }
        return true;
    }
}
