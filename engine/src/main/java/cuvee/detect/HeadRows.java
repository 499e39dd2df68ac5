package cuvee.detect;

import cuvee.detect.FoundTable.Aside;
import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.Run;
import cuvee.place.Says;
import cuvee.sheet.Row;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Rows whose cells stand for the rows below them, such as an order above its items: each row of the table fills either
 * columns of heads or columns of items, and never both.
 */
final class HeadRows {
    /** Of so many heads one may have nothing below it. */
    private static final int ONE_ALONE_IN = 5;

    private final Reading reading;
    private final BitSet headColumns = new BitSet();
    private final BitSet itemColumns = new BitSet();
    private final List<Integer> heads = new ArrayList<>();
    private boolean possible;
    private boolean lastIsHead;
    private int alone;
    private int items;

    HeadRows(Reading reading) {
        this.reading = reading;
        this.possible = !reading.lines();
    }

    /** True as long as the rows so far could be heads and items, which has to be told row by row. */
    boolean isOpen() {
        return possible;
    }

    /** Takes in a record. */
    void keep(Row row) {
        if (!possible) {
            return;
        }
        BitSet filled = new BitSet();
        for (int column = 0; column < row.width(); column++) {
            filled.set(column, !row.blank(column));
        }
        boolean head = heads.isEmpty() || filled.intersects(headColumns);
        boolean mixed = head && filled.intersects(itemColumns);
        boolean asRecord = reading.rows().containsKey(row.number());
        if (filled.cardinality() < 2 || mixed || asRecord || heads.size() == 1 && head && lastIsHead) {
            possible = false;
            heads.clear();
            return;
        }
        (head ? headColumns : itemColumns).or(filled);
        if (head) {
            alone += lastIsHead ? 1 : 0;
            heads.add(row.number());
        } else {
            items++;
        }
        lastIsHead = head;
    }

    private boolean are() {
        return possible
                && heads.size() > 1
                && !lastIsHead
                && items >= heads.size()
                && alone * ONE_ALONE_IN <= heads.size();
    }

    /** True for a column whose cells are those of heads. */
    boolean fill(int column) {
        return are() && headColumns.get(column);
    }

    /** The runs of records without heads. */
    List<Run> without(List<Run> runs) {
        if (!are()) {
            return runs;
        }
        Set<Integer> rows = new HashSet<>(heads);
        List<Run> left = new ArrayList<>();
        for (Run run : runs) {
            int first = run.first();
            for (int row = run.first(); row <= run.first() + run.count(); row++) {
                boolean end = row == run.first() + run.count();
                if (end || rows.contains(row)) {
                    if (row > first) {
                        left.add(new Run(first, row - first));
                    }
                    first = row + 1;
                }
            }
        }
        return left;
    }

    /** The heads, as rows that are no records. */
    List<Aside> aside() {
        return are() ? heads.stream().map(row -> new Aside(row, RowClass.HEAD)).toList() : List.of();
    }

    /** What is said of them. */
    Optional<Doubt> said() {
        return are()
                ? Optional.of(new Doubt(
                        "head-row",
                        heads.get(0),
                        Says.count(heads.size(), "row")
                                + " fill other columns than the rows below them, as an order does above its items; what"
                                + " they say is said of each of these rows.",
                        heads.size()))
                : Optional.empty();
    }
}
