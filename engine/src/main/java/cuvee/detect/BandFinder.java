package cuvee.detect;

import cuvee.detect.ColumnBands.Band;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Finds the tables that stand one below the other in some columns of a sheet. A row that follows a gap and is no plain
 * record is held back, with the rows behind it, until it is clear whether another table begins there.
 */
final class BandFinder {
    private static final int LOOK_AHEAD = 12;
    /** Blocks in vain beyond these no longer put off the next one. */
    private static final int MOST_VAIN = 6;

    private final Band columns;
    /** True where nothing stands side by side. */
    private final boolean whole;

    private final HeaderHints hints;
    private final SheetClues clues;
    private final Reading reading;
    private final List<Row> held = new ArrayList<>();
    private final List<FoundTable> done = new ArrayList<>();
    private @Nullable TableBody body;
    private RowBlock block = new RowBlock(0);
    /** How many blocks in a row held something that had to be told row by row. */
    private int vain;
    /** So many rows are told one by one before the next block is tried. */
    private int oneByOne;

    private int pendingBlanks;

    BandFinder(Band columns, HeaderHints hints, SheetClues clues, Reading reading) {
        this.columns = columns;
        this.whole = columns.equals(Band.ALL);
        this.hints = hints;
        this.clues = clues;
        this.reading = reading;
    }

    Band columns() {
        return columns;
    }

    /** Begins with the first rows; answers those from which on another table begins, to be begun with anew. */
    List<Row> begin(List<Row> rows) {
        TableBody begun = TableBody.begin(rows, hints, clues, reading);
        body = begun;
        return rows(rows, begun.headRows());
    }

    /** Keeps a row back with those before it; false where it has to be told now. */
    boolean gathers(Row row) {
        if (block.takes(row)) {
            block.add(row);
            return true;
        }
        return false;
    }

    /** The next row of a sheet without anything side by side; answers rows that begin another table. */
    List<Row> row(Row row, int blanks) {
        if (!block.isEmpty()) {
            List<Row> another = tellBlock();
            if (!another.isEmpty()) {
                Row behind = row.copy();
                behind.afterBlanks(blanks);
                return with(another, List.of(behind));
            }
        }
        if (beginsBlock(row, blanks)) {
            block.add(row);
            return List.of();
        }
        return tell(row, blanks);
    }

    /** True where a row can wait for those behind it, so that they are told together. */
    private boolean beginsBlock(Row row, int blanks) {
        TableBody current = body;
        if (oneByOne > 0) {
            oneByOne--;
            return false;
        }
        if (current == null || !whole || !held.isEmpty() || !current.takesBlocks()) {
            return false;
        }
        if (block.columns() != current.blockWidth()) {
            block = new RowBlock(current.blockWidth());
        }
        return blanks == 0 && row.width() <= block.columns();
    }

    /** Tells what the rows of the block are; answers those from which on another table begins. */
    private List<Row> tellBlock() {
        TableBody current = body;
        if (current == null || block.isEmpty()) {
            return List.of();
        }
        List<Row> rows = List.of();
        if (current.takeIn(block)) {
            vain = 0;
        } else {
            rows = block.copies();
            // Where blocks are of no use again and again, ever fewer are tried.
            vain = Math.min(MOST_VAIN, vain + 1);
            oneByOne = RowBlock.ROWS << vain;
        }
        block.clear();
        return rows(rows, 0);
    }

    private static List<Row> with(List<Row> rows, List<Row> more) {
        List<Row> all = new ArrayList<>(rows);
        all.addAll(more);
        return all;
    }

    private List<Row> tell(Row row, int blanks) {
        TableBody current = body;
        if (current == null) {
            return List.of();
        }
        boolean told = reading.beginsHeader(row.number());
        if (blanks > 0 || told) {
            current.settle();
        }
        if (whole && held.isEmpty() && current.endsAt(row)) {
            current.settle();
            Row copy = row.copy();
            copy.afterBlanks(blanks);
            return List.of(copy);
        }
        if (held.isEmpty() && !told && !mayBeginAnother(current, row, blanks)) {
            current.row(row, blanks);
            return List.of();
        }
        Row copy = row.copy();
        copy.afterBlanks(blanks);
        held.add(copy);
        if (told) {
            // What stands between a gap and a header that was put by hand are its titles.
            List<Row> another = new ArrayList<>(held);
            held.clear();
            return another;
        }
        return held.size() < LOOK_AHEAD ? List.of() : decide(current);
    }

    private boolean mayBeginAnother(TableBody current, Row row, int blanks) {
        boolean apart = blanks > 0 || current.afterLine();
        return apart && current.records() > 0 && !current.afterGap().goesOn(row);
    }

    private List<Row> decide(TableBody current) {
        List<Row> rows = new ArrayList<>(held);
        held.clear();
        AfterGap.Next next =
                reading.fixed() ? AfterGap.Next.SAME : current.afterGap().next(rows, current.headedByLines());
        if (next.another()) {
            return rows;
        }
        for (Row title : rows.subList(0, next.titles())) {
            current.title(title, title.blanksBefore());
        }
        Row told = rows.get(next.titles());
        current.row(told, told.blanksBefore());
        // Behind it another table may begin again, or another page.
        return rows(rows, next.titles() + 1);
    }

    /** The rows from a place on, one after the other; answers those from which on another table begins. */
    private List<Row> rows(List<Row> rows, int from) {
        for (int i = from; i < rows.size(); i++) {
            List<Row> another = tell(rows.get(i), rows.get(i).blanksBefore());
            if (!another.isEmpty()) {
                return with(another, rows.subList(i + 1, rows.size()));
            }
        }
        return List.of();
    }

    /** Begins with the part of the first rows of a sheet that lies in this band. */
    void beginPart(List<Row> rows) {
        List<Row> own = new ArrayList<>();
        for (Row row : rows) {
            Row part = cut(row, row.blanksBefore());
            if (part != null) {
                own.add(part);
            }
        }
        restart(own);
    }

    /** The next row of a sheet with tables side by side, of which the part in this band counts. */
    void part(Row row, int blanks) {
        Row part = cut(row, blanks);
        if (part != null) {
            restart(row(part, part.blanksBefore()));
        }
    }

    private @Nullable Row cut(Row row, int blanks) {
        Row part = row.part(columns.from(), columns.to());
        pendingBlanks += blanks;
        if (part.blank()) {
            pendingBlanks++;
            return null;
        }
        part.afterBlanks(pendingBlanks);
        pendingBlanks = 0;
        return part;
    }

    private void restart(List<Row> rows) {
        List<Row> rest = rows;
        while (!rest.isEmpty()) {
            finishBody(done);
            rest = begin(rest);
        }
    }

    /** Ends what is under way; answers rows that begin another table. */
    List<Row> end(List<FoundTable> into) {
        List<Row> another = tellBlock();
        another = another.isEmpty() ? decideAll() : another;
        if (whole) {
            finishBody(into);
            return another;
        }
        while (!another.isEmpty()) {
            restart(another);
            // Rows held back by the last restart are decided by what is there.
            another = decideAll();
        }
        finishBody(into);
        into.addAll(done);
        return List.of();
    }

    /** Decides about all rows held back; answers those from which on another table begins. */
    private List<Row> decideAll() {
        List<Row> another = List.of();
        TableBody current = body;
        while (current != null && !held.isEmpty() && another.isEmpty()) {
            another = decide(current);
        }
        return another;
    }

    private void finishBody(List<FoundTable> into) {
        if (body != null) {
            body.end().ifPresent(into::add);
            body = null;
        }
    }
}
