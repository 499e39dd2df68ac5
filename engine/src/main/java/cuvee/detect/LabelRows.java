package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Rows that say something in pairs, above a table: {@code Prepared by: | Ida | Date: | 3 May}. They head no columns. */
final class LabelRows {
    /** More rows than these are hardly labels above a table. */
    private static final int MOST_ABOVE = 8;

    private LabelRows() {}

    /** The places of such rows in the list. */
    static Set<Integer> of(List<Row> rows, int width) {
        Set<Integer> labels = new HashSet<>();
        int from = 0;
        for (int i = 0; i < rows.size(); i++) {
            if (isPaired(rows.get(i))) {
                labels.add(i);
            }
            if (i > 0 && rows.get(i).blanksBefore() > 0) {
                addPairs(rows, from, i, width, labels);
                from = i;
            }
        }
        return labels;
    }

    /** Rows of one or two cells over a gap, where what follows is wider. */
    private static void addPairs(List<Row> rows, int from, int until, int width, Set<Integer> labels) {
        boolean narrow = rows.subList(from, until).stream().allMatch(row -> row.filled() <= 2);
        boolean widerBelow = rows.subList(until, rows.size()).stream().anyMatch(row -> row.filled() > 2);
        if (narrow && width > 2 && widerBelow) {
            for (int i = from; i < until; i++) {
                labels.add(i);
            }
        }
    }

    /**
     * How many of the first rows are labels, each right beside what it says: titles of what stands below them over a gap,
     * whatever its columns are.
     */
    static int above(List<Row> rows) {
        boolean words = false;
        int count = 0;
        while (count < rows.size() && (count == 0 || rows.get(count).blanksBefore() == 0)) {
            Row row = rows.get(count++);
            words |= row.filled() == 2 && Forms.of(row, row.width() - 1) == Form.WORDS;
            boolean apart = row.filled() == 2 && row.blank(row.width() - 2);
            if (count > MOST_ABOVE || row.filled() > 2 || apart) {
                return 0;
            }
        }
        boolean wider = rows.stream().skip(count).anyMatch(row -> row.filled() > 2);
        return words && wider ? count : 0;
    }

    /**
     * True where every cell without a colon stands right behind one with a colon, and there are such. The same label twice
     * is the name of a column that stands there twice; most labels right beside each other are names of columns as well, of
     * which one has no colon.
     */
    static boolean isPaired(Row row) {
        boolean afterLabel = false;
        Set<String> seen = new HashSet<>();
        int labels = 0;
        int said = 0;
        int besideOthers = 0;
        for (int c = 0; c < row.width(); c++) {
            if (row.blank(c)) {
                continue;
            }
            if (row.text(c).strip().endsWith(":")) {
                if (!seen.add(LooseText.key(row.text(c)))) {
                    return false;
                }
                labels++;
                besideOthers += afterLabel && !row.blank(c - 1) ? 1 : 0;
                afterLabel = true;
            } else if (afterLabel) {
                said++;
                afterLabel = false;
            } else {
                return false;
            }
        }
        return labels > 0 && said > 0 && besideOthers * 2 < labels;
    }
}
