package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * A row right below a header that says in words what its columns hold, such as the questions below {@code Q1} and {@code Q2}:
 * no record has words in columns where all others hold numbers or dates.
 */
final class WordsBelowHeader {
    private static final Pattern EXAMPLE = Pattern.compile(
            "(e\\.? ?g\\.?|for example|example|sample|z\\. ?b\\.|beispiel|bsp\\.|par ex\\.?|p\\. ?ej\\.?)"
                    + "[ :,].*|optional|required|mandatory|pflicht(feld)?|obligatoire|facultatif");

    private static final int FEWEST_EXAMPLES = 2;
    private static final int FEWEST_COLUMNS = 3;
    private static final int FEWEST_RECORDS = 3;

    private WordsBelowHeader() {}

    /** That row, where the first of those below a header is one. */
    static Optional<Row> at(List<Row> below) {
        if (below.size() <= FEWEST_RECORDS || below.get(0).blanksBefore() > 0) {
            return Optional.empty();
        }
        Row row = below.get(0);
        if (isExample(row)) {
            return Optional.of(row);
        }
        Set<String> different = new HashSet<>();
        int overValues = 0;
        for (int c = 0; c < row.width(); c++) {
            if (row.blank(c)) {
                continue;
            }
            Form form = Forms.of(row, c);
            if (form != Form.WORDS && form != Form.WORDS_AND_DIGITS || !different.add(LooseText.key(row.text(c)))) {
                return Optional.empty();
            }
            overValues += holdsValues(below.subList(1, below.size()), c) ? 1 : 0;
        }
        return overValues >= FEWEST_COLUMNS && overValues * 2 > row.filled() ? Optional.of(row) : Optional.empty();
    }

    /** True for a row of examples, or of what has to be filled in: {@code e.g. 01/02/2026}, {@code optional}. */
    static boolean isExample(Row row) {
        int examples = 0;
        for (int c = 0; c < row.width(); c++) {
            examples += !row.blank(c)
                            && EXAMPLE.matcher(row.text(c).strip().toLowerCase(Locale.ROOT))
                                    .matches()
                    ? 1
                    : 0;
        }
        return examples >= FEWEST_EXAMPLES && examples * 2 > row.filled();
    }

    private static boolean holdsValues(List<Row> rows, int column) {
        int values = 0;
        for (Row row : rows) {
            Form form = Forms.of(row, column);
            boolean words = form == Form.WORDS || form == Form.WORDS_AND_DIGITS;
            if (words && row.filled() > 1) {
                return false;
            }
            values += form.isNumber() || form.isDate() ? 1 : 0;
        }
        return values >= FEWEST_RECORDS;
    }

    /** What is said of it. */
    static Doubt said(Row row) {
        return new Doubt(
                "words-below-header",
                row.number(),
                "Row " + row.number()
                        + (isExample(row)
                                ? " gives examples of what is to be filled in; it is set aside as a note on the header."
                                : " says in words what stands in columns of numbers; it is set aside as a note on the"
                                        + " header."),
                1);
    }
}
