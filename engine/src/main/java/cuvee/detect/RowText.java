package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.List;

/** The cells of a row in one line, as titles and lines that head records are told. */
final class RowText {
    private static final String SIGNS = "-=_*~+ ";
    private static final int FEWEST_SIGNS = 4;

    private RowText() {}

    /** True for a line drawn with signs, as printed lists have between their parts. */
    static boolean isRuler(Row row) {
        int first = row.firstFilled();
        if (first >= row.width() || Character.isLetterOrDigit(row.chars()[row.start(first)])) {
            return false;
        }
        for (int column = first; column < row.width(); column++) {
            if (!row.blank(column) && !isDrawn(row, column)) {
                return false;
            }
        }
        return true;
    }

    private static boolean isDrawn(Row row, int column) {
        for (int at = row.start(column); at < row.end(column); at++) {
            if (SIGNS.indexOf(row.chars()[at]) < 0) {
                return false;
            }
        }
        return row.end(column) - row.start(column) >= FEWEST_SIGNS;
    }

    static String of(Row row) {
        List<String> texts = new ArrayList<>();
        for (int column = 0; column < row.width(); column++) {
            if (!row.blank(column)) {
                texts.add(LooseText.tidy(row.text(column)));
            }
        }
        return String.join(" | ", texts);
    }
}
