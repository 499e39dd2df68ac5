package cuvee.detect;

import cuvee.sheet.Row;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Rows that say something in pairs, above a table: {@code Prepared by: | Ida | Date: | 3 May}. They head no columns. */
final class LabelRows {
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

    /** True where every cell without a colon stands right behind one with a colon, and there are such. */
    static boolean isPaired(Row row) {
        boolean afterLabel = false;
        int labels = 0;
        int said = 0;
        for (int c = 0; c < row.width(); c++) {
            if (row.blank(c)) {
                continue;
            }
            if (row.text(c).strip().endsWith(":")) {
                labels++;
                afterLabel = true;
            } else if (afterLabel) {
                said++;
                afterLabel = false;
            } else {
                return false;
            }
        }
        return labels > 0 && said > 0;
    }
}
