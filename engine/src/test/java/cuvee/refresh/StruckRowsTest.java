package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Severity;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.util.Set;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** Rows that a sender has struck through are read and pointed out: whether they still count nobody can see in a cell. */
class StruckRowsTest extends BatchTest {
    private void orders(Set<Integer> struck, boolean wholeRows) throws IOException {
        Files.createDirectories(batch.file("orders.xlsx").getParent());
        try (XSSFWorkbook workbook = new XSSFWorkbook();
                OutputStream out = Files.newOutputStream(batch.file("orders.xlsx"))) {
            Font font = workbook.createFont();
            font.setStrikeout(true);
            CellStyle style = workbook.createCellStyle();
            style.setFont(font);
            Sheet sheet = workbook.createSheet("March");
            for (int i = 0; i <= 8; i++) {
                Row row = sheet.createRow(i);
                Object[] cells =
                        i == 0 ? row("Order", "Port", "Crates") : row("K" + i, i % 2 == 0 ? "Oska" : "Tarsk", 3 * i);
                for (int column = 0; column < cells.length; column++) {
                    Cell cell = row.createCell(column);
                    if (cells[column] instanceof Integer number) {
                        cell.setCellValue(number);
                    } else {
                        cell.setCellValue(cells[column].toString());
                    }
                    if (struck.contains(i + 1) && (wholeRows || column == 1)) {
                        cell.setCellStyle(style);
                    }
                }
            }
            workbook.write(out);
        }
    }

    @Test
    void theyAreReadAndPointedOut() throws IOException {
        orders(Set.of(4, 7), true);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(8);
        assertThat(made.findings("struck-rows")).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo(Severity.WARNING);
            assertThat(finding.text())
                    .contains("row 4", "2 rows are struck through: rows 4 and 7. They are read like the others");
        });
        assertThat(batch.refresh().findings("struck-rows")).as("remembered").hasSize(1);
    }

    @Test
    void aCellThatIsStruckThroughAndATableThatIsAreLeftInPeace() throws IOException {
        orders(Set.of(4), false);
        assertThat(batch.refresh().findings("struck-rows")).isEmpty();
        orders(Set.of(1, 2, 3, 4, 5, 6, 7, 8, 9), true);
        assertThat(batch.refresh().findings("struck-rows")).isEmpty();
    }
}
