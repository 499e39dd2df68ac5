package cuvee.desktop;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Workbooks as people send them, written for a test. */
final class Books {
    private Books() {}

    /** Cells of a row: texts, numbers, dates; an empty text is a blank cell. */
    static Object[] row(Object... cells) {
        return cells;
    }

    /** Writes a workbook of one sheet. */
    static void write(Path file, String sheet, Object[]... rows) throws IOException {
        Files.createDirectories(file.getParent());
        try (OutputStream out = Files.newOutputStream(file);
                Workbook book = new Workbook(out, "Books", "1.0")) {
            Worksheet page = book.newWorksheet(sheet);
            for (int r = 0; r < rows.length; r++) {
                for (int c = 0; c < rows[r].length; c++) {
                    put(page, r, c, rows[r][c]);
                }
            }
        }
    }

    private static void put(Worksheet page, int row, int column, Object cell) {
        if (cell instanceof Number number) {
            page.value(row, column, number);
        } else if (cell instanceof LocalDate date) {
            page.value(row, column, date);
            page.style(row, column).format("yyyy-mm-dd").set();
        } else if (!cell.equals("")) {
            page.value(row, column, cell.toString());
        }
    }
}
