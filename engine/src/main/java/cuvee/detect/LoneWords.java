package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Words that stand alone in their row: lines that head the rows below them, or records with nothing else in them. */
final class LoneWords {
    /** The words of rows that have more than one, with their columns; none where no row has just one. */
    private final Set<String> inFuller = new HashSet<>();

    private int strangers;

    /** Looks at the first rows of a table, below its header. */
    LoneWords(List<Row> below) {
        List<Row> lone = below.stream().filter(row -> row.filled() == 1).toList();
        if (lone.isEmpty()) {
            return;
        }
        for (Row row : below) {
            for (int column = 0; row.filled() > 1 && column < row.width(); column++) {
                if (!row.blank(column)) {
                    inFuller.add(at(column, row.text(column)));
                }
            }
        }
        for (Row row : lone) {
            int column = row.firstFilled();
            boolean known = inFuller.contains(at(column, row.text(column)));
            strangers += known || Forms.of(row, column).isValue() ? 0 : 1;
        }
    }

    private static String at(int column, String text) {
        return column + " " + LooseText.key(text);
    }

    /** True where several are words that no fuller row has in that column: such lines are the way of this table. */
    boolean areLines() {
        return strangers >= 2;
    }

    /**
     * True where the only word of a row is like that of the record right behind it, rather than over it.
     *
     * @param lines whether such lines are known to head rows of this table
     */
    boolean goesWith(Row line, Row next, boolean lines) {
        int column = line.firstFilled();
        if (line.filled() > 1 || next.blank(column)) {
            return false;
        }
        String text = line.text(column).strip();
        String behind = next.text(column).strip();
        boolean code = Forms.of(line, column) == Form.WORDS_AND_DIGITS && text.indexOf(' ') < 0;
        if (code && !text.equals(behind)) {
            return LooseText.codePattern(text).equals(LooseText.codePattern(behind));
        }
        boolean same = LooseText.key(text).equals(LooseText.key(behind));
        return !lines && !same && inFuller.contains(at(column, text));
    }
}
