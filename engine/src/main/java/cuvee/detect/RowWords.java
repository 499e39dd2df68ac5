package cuvee.detect;

import cuvee.detect.TotalWords.Figure;
import cuvee.detect.TotalWords.Sureness;
import cuvee.sheet.Row;
import cuvee.value.Form;
import java.util.Optional;

/**
 * What the words of a row name, and what else it holds.
 *
 * @param word how surely they name a total
 * @param figure another figure over rows that they name, and nothing else
 * @param label the text that names a total; empty where none does
 * @param labelColumn where it stands; -1 where there is none
 * @param texts how many cells hold words
 * @param numbers how many hold numbers
 * @param unknown how many hold words for nothing, errors, or formulas that were never worked out
 */
record RowWords(
        Sureness word, Optional<Figure> figure, String label, int labelColumn, int texts, int numbers, int unknown) {
    /** The words of a row that has been looked at. */
    static RowWords of(Row row, TableColumns columns) {
        Sureness word = Sureness.NO;
        Optional<Figure> figure = Optional.empty();
        String label = "";
        int labelColumn = -1;
        int texts = 0;
        int numbers = 0;
        int unknown = 0;
        for (int column = 0; column < row.width(); column++) {
            Form form = columns.form(column);
            if (form == Form.BLANK) {
                continue;
            }
            boolean nothing = form == Form.CELL_ERROR || form == Form.NOTHING_WORD;
            numbers += form.isNumber() ? 1 : 0;
            unknown += nothing ? 1 : 0;
            texts += form.isNumber() || nothing ? 0 : 1;
            if (!form.isNumber() && !nothing && columns.mayNameTotal(column)) {
                String text = row.text(column);
                Sureness here = TotalWords.of(text);
                figure = figure.isPresent() ? figure : TotalWords.figure(text);
                if (here.compareTo(word) > 0) {
                    word = here;
                    label = text;
                    labelColumn = column;
                }
            }
        }
        return new RowWords(word, figure, label, labelColumn, texts, numbers, unknown);
    }

    boolean namesTotal() {
        return word != Sureness.NO;
    }
}
