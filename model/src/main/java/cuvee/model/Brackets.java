package cuvee.model;

import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What each row of a sheet is, in a word, for the margin beside it. */
final class Brackets {
    static final String RECORDS = "records";
    /** The rows of a form: labels, and the values of its one record beside them. */
    static final String FIELDS = "fields";

    private final int[] firsts;
    private final int[] lasts;
    private final Map<Integer, RowClass> aside = new HashMap<>();
    /** The columns of the values in the rows of forms, by row. */
    private final Map<Integer, Set<Integer>> fields = new HashMap<>();

    Brackets(List<FoundTable> tables) {
        List<FoundTable.Run> runs = new ArrayList<>();
        tables.forEach(table -> {
            runs.addAll(table.runs());
            table.aside().forEach(row -> aside.put(row.row(), row.rowClass()));
            if (table.isForm()) {
                table.columns()
                        .forEach(column -> fields.computeIfAbsent(column.row(), row -> new HashSet<>())
                                .add(column.index()));
            }
        });
        runs.sort(java.util.Comparator.comparingInt(FoundTable.Run::first));
        firsts = runs.stream().mapToInt(FoundTable.Run::first).toArray();
        lasts = runs.stream().mapToInt(run -> run.first() + run.count() - 1).toArray();
    }

    /** The stretches of records that are longer than so many rows, each from its first row to its last. */
    List<int[]> longRuns(int most) {
        List<int[]> found = new ArrayList<>();
        for (int i = 0; i < firsts.length; i++) {
            int from = firsts[i];
            for (int row = firsts[i]; row <= lasts[i] + 1; row++) {
                if (row > lasts[i] || aside.containsKey(row)) {
                    if (row - from > most) {
                        found.add(new int[] {from, row - 1});
                    }
                    from = row + 1;
                }
            }
        }
        return found;
    }

    /** The word for a row; empty where nothing stands there. */
    String word(int row) {
        if (fields.containsKey(row)) {
            return FIELDS;
        }
        RowClass what = aside.get(row);
        if (what == RowClass.FIELD) {
            return FIELDS;
        }
        if (what != null) {
            return what.word();
        }
        int at = java.util.Arrays.binarySearch(firsts, row);
        int run = at >= 0 ? at : -at - 2;
        return run >= 0 && row <= lasts[run] ? RECORDS : "";
    }

    /** True for a cell of a form that holds a value, not a label. */
    boolean isValue(int row, int column) {
        return fields.getOrDefault(row, Set.of()).contains(column);
    }
}
