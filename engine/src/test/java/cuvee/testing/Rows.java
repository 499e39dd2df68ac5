package cuvee.testing;

import cuvee.place.Where;
import cuvee.sheet.CellKind;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.SheetInfo;
import cuvee.sheet.SheetVisitor;
import cuvee.value.Evidence;
import cuvee.value.Forms;
import cuvee.value.Look;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

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
