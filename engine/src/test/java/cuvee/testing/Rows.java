package cuvee.testing;

import cuvee.place.Where;
import cuvee.sheet.CellKind;
import cuvee.sheet.ColumnCells;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetVisitor;
import cuvee.value.Evidence;
import cuvee.value.Forms;
import cuvee.value.Look;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** Reads files, and makes rows, as tests want them. */
public final class Rows {
    private Rows() {}

    /** The visible rows of a file, each cell as kind and text where it is not text. */
    public static List<String> of(Path file) {
        return of(file, ReadLimits.DEFAULT);
    }

    public static List<String> of(Path file, ReadLimits limits) {
        List<String> rows = new ArrayList<>();
        SheetFiles.read(file, Where.source(file.getFileName().toString()), limits, new SheetVisitor() {
            @Override
            public Wanted sheet(SheetInfo sheet) {
                return sheet.visibility() == SheetInfo.Visibility.VISIBLE ? Wanted.ROWS : Wanted.NOTHING;
            }

            @Override
            public void row(Row row) {
                List<String> cells = new ArrayList<>();
                for (int c = 0; c < row.width(); c++) {
                    CellKind kind = row.kind(c);
                    cells.add(kind == CellKind.TEXT || kind == CellKind.EMPTY ? row.text(c) : kind + " " + row.text(c));
                }
                rows.add(row.number() + ": " + String.join(" | ", cells));
            }

            @Override
            public void endSheet() {}
        });
        return rows;
    }

    /** The evidence of a column of such cells. */
    public static Evidence evidence(List<?> cells) {
        Evidence evidence = new Evidence();
        for (Object cell : cells) {
            add(evidence, row(1, cell), 0);
        }
        return evidence;
    }

    /** Takes in a cell of a row as evidence. */
    public static void add(Evidence evidence, Row row, int column) {
        evidence.add(row.chars(), row.start(column), row.end(column), Forms.of(row, column), Look.NO_SIZE);
    }

    /** Hands rows on as a reader does: one after the other, in one row that is used again and again. */
    public static void replay(List<Row> rows, Consumer<Row> to) {
        Row used = new Row();
        for (Row row : rows) {
            used.begin(row.number(), row.blanksBefore());
            for (int c = 0; c < row.width(); c++) {
                if (row.kind(c) != CellKind.EMPTY) {
                    used.set(c, row.kind(c), row.text(c));
                }
            }
            to.accept(used);
        }
    }

    /** A block of some rows, prepared to be looked at. */
    public static RowBlock block(int columns, List<Row> rows) {
        RowBlock block = new RowBlock(columns);
        replay(rows, block::add);
        block.narrow();
        return block;
    }

    /** A column of such a block, from 0. */
    public static ColumnCells column(RowBlock block, int column) {
        ColumnCells cells = new ColumnCells();
        cells.take(block, column);
        return cells;
    }

    /** A row of text cells; empty strings are no cells; numbers are a workbook's numbers. */
    public static Row row(int number, Object... cells) {
        Row row = new Row();
        row.begin(number, 0);
        for (int c = 0; c < cells.length; c++) {
            if (cells[c] instanceof Number value) {
                row.set(c, CellKind.NUMBER, value.toString());
            } else if (!cells[c].equals("")) {
                row.set(c, CellKind.TEXT, cells[c].toString());
            }
        }
        return row;
    }
}
