package cuvee.detect;

import cuvee.detect.FoundTable.Aside;
import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.Run;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Lines of a word or more that stand below each record of a table and belong to it, such as an address below a name. A second
 * row of the header may say what they are. They are told from lines that head the records below them by how the table begins
 * and ends: with a record, and with a line.
 *
 * @param name what the header's second row calls them; empty where there is none
 * @param aside the rows that are no records, with what they are now
 */
record LinesBelow(String name, List<Aside> aside) {
    private static final int FEWEST_RECORDS = 3;

    LinesBelow {
        aside = List.copyOf(aside);
    }

    /**
     * Those of a table.
     *
     * @param runs its records
     * @param header the last row of its header
     * @param last what its last row says
     */
    static Optional<LinesBelow> in(List<Aside> aside, List<Run> runs, int header, String last) {
        if (runs.size() < FEWEST_RECORDS || header == 0) {
            return Optional.empty();
        }
        Map<Integer, Aside> lines = new HashMap<>();
        aside.stream()
                .filter(row -> row.rowClass() == RowClass.SECTION || row.rowClass() == RowClass.NOTE)
                .forEach(row -> lines.put(row.row(), row));
        Map<Integer, String> below = new HashMap<>();
        for (int i = 0; i < runs.size(); i++) {
            int record = runs.get(i).first();
            Aside line = lines.remove(record + 1);
            boolean end = i == runs.size() - 1;
            boolean adjacent = end || runs.get(i + 1).first() == record + 2;
            if (line == null || runs.get(i).count() > 1 || !adjacent || end != (line.rowClass() == RowClass.NOTE)) {
                return Optional.empty();
            }
            below.put(line.row(), end ? last : line.text());
        }
        int first = runs.get(0).first();
        Aside named = first == header + 2 ? lines.remove(header + 1) : null;
        if (!lines.isEmpty() || named == null && first != header + 1) {
            return Optional.empty();
        }
        List<Aside> told = new ArrayList<>();
        for (Aside row : aside) {
            told.add(
                    row.equals(named)
                            ? new Aside(row.row(), RowClass.HEADER, row.text())
                            : below.containsKey(row.row())
                                    ? new Aside(row.row(), RowClass.BELOW, below.getOrDefault(row.row(), ""))
                                    : row);
        }
        return Optional.of(new LinesBelow(named == null ? "" : named.text(), told));
    }

    /** What is said of them. */
    Doubt said() {
        List<Aside> below =
                aside.stream().filter(row -> row.rowClass() == RowClass.BELOW).toList();
        return new Doubt(
                "line-below",
                below.get(0).row(),
                "A line such as " + Says.quoted(below.get(0).text()) + " stands below each of "
                        + Says.count(below.size(), "record") + "; it is kept beside the record above it.",
                below.size());
    }
}
