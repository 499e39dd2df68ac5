package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.List;

/** The cells of a row in one line, as titles and lines that head records are told. */
final class RowText {
    private RowText() {}

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
