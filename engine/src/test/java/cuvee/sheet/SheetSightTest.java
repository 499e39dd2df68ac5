package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.detect.TableColumn;
import cuvee.gather.Peek;
import cuvee.place.Where;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.util.AreaReference;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFTable;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a workbook says besides its cells: joined cells, hidden rows and columns, tables and filters with a name. */
class SheetSightTest {
    @TempDir
    Path folder;

    private static void row(Sheet sheet, int number, Object... cells) {
        Row row = sheet.createRow(number - 1);
        for (int i = 0; i < cells.length; i++) {
            if (cells[i] instanceof Number value) {
                row.createCell(i).setCellValue(value.doubleValue());
            } else if (!cells[i].equals("")) {
                row.createCell(i).setCellValue(cells[i].toString());
            }
        }
    }

    private Path save(Workbook workbook, String name) throws IOException {
        Path file = folder.resolve(name);
        try (OutputStream out = Files.newOutputStream(file)) {
            workbook.write(out);
        }
        return file;
    }

    private static void grouped(Sheet sheet) {
        row(sheet, 1, "Port", "Quarter 1", "", "Quarter 2", "", "Remarks");
        row(sheet, 2, "", "Passengers", "Fares", "Passengers", "Fares", "");
        sheet.addMergedRegion(new CellRangeAddress(0, 1, 0, 0));
        sheet.addMergedRegion(new CellRangeAddress(0, 0, 1, 2));
        sheet.addMergedRegion(new CellRangeAddress(0, 0, 3, 4));
        for (int i = 3; i < 90; i++) {
            row(sheet, i, i % 2 == 0 ? "Hollin" : "Tarsk", i, i * 1.5, i + 1, i * 2.5, "calm");
        }
    }

    private static List<String> headers(FoundTable table) {
        return table.columns().stream().map(TableColumn::header).toList();
    }

    private record Seen(List<SheetInfo> sheets, List<SheetSight> sights) {}

    private static Seen look(Path file) {
        Seen seen = new Seen(new ArrayList<>(), new ArrayList<>());
        SheetFiles.read(file, Where.source("x"), ReadLimits.DEFAULT, new SheetVisitor() {
            @Override
            public Wanted sheet(SheetInfo sheet) {
                seen.sheets().add(sheet);
                return Wanted.ROWS;
            }

            @Override
            public void row(cuvee.sheet.Row row) {}

            @Override
            public void sight(SheetSight sight) {
                seen.sights().add(sight);
            }

            @Override
            public void endSheet() {}
        });
        return seen;
    }

    @Test
    void headersJoinedOverSeveralColumnsHeadEachOfThem() throws IOException {
        try (Workbook old = new HSSFWorkbook();
                Workbook modern = new XSSFWorkbook()) {
            grouped(old.createSheet("Plan"));
            grouped(modern.createSheet("Plan"));
            for (Path file : List.of(save(old, "old.xls"), save(modern, "modern.xlsx"))) {
                FoundTable table = Peek.look(file).get(0).tables().get(0);
                assertThat(table.headerRows()).containsExactly(1, 2);
                assertThat(headers(table))
                        .containsExactly(
                                "Port",
                                "Quarter 1 / Passengers",
                                "Quarter 1 / Fares",
                                "Quarter 2 / Passengers",
                                "Quarter 2 / Fares",
                                "Remarks");
                assertThat(table.kept()).isEqualTo(87);
            }
        }
    }

    @Test
    void hiddenRowsAndColumnsAreCountedAndRead() throws IOException {
        try (Workbook old = new HSSFWorkbook();
                Workbook modern = new XSSFWorkbook()) {
            for (Workbook each : List.of(old, modern)) {
                Sheet sheet = each.createSheet("Data");
                row(sheet, 1, "Port", "Passengers", "Fares");
                for (int i = 2; i < 12; i++) {
                    row(sheet, i, "Hollin", i, i * 1.5);
                }
                sheet.getRow(4).setZeroHeight(true);
                sheet.getRow(5).setZeroHeight(true);
                sheet.setColumnHidden(2, true);
            }
            for (Path file : List.of(save(old, "old.xls"), save(modern, "modern.xlsx"))) {
                SheetSight sight = look(file).sights().get(0);
                assertThat(sight.hiddenRows()).isEqualTo(2);
                assertThat(sight.hiddenColumns()).isEqualTo(1);
                assertThat(Peek.look(file).get(0).tables().get(0).kept()).isEqualTo(10);
            }
        }
    }

    @Test
    void aTableWithANameTellsItsHeaderAndItsTotals() throws IOException {
        try (XSSFWorkbook workbook = new XSSFWorkbook()) {
            XSSFSheet sheet = workbook.createSheet("Data");
            row(sheet, 1, "Overview", "of", "ports");
            row(sheet, 2, "Harbour", "Vessel", "Skipper");
            row(sheet, 3, "Hollin", "Petrel", "Quill");
            row(sheet, 4, "Tarsk", "Dunlin", "Marl");
            row(sheet, 5, "Oska", "Fenn", "2");
            XSSFTable table = sheet.createTable(new AreaReference("A2:C5", workbook.getSpreadsheetVersion()));
            table.setDisplayName("Crews");
            table.getCTTable().setTotalsRowCount(1);
            Path file = save(workbook, "named.xlsx");
            assertThat(look(file).sheets().get(0).named())
                    .containsExactly(new NamedRange("Crews", NamedRange.Kind.TABLE, new CellRange(2, 0, 5, 2), 1));
            FoundTable found = Peek.look(file).get(0).tables().get(0);
            assertThat(found.headerRows()).containsExactly(2);
            assertThat(found.reason()).contains("the workbook itself says so");
            assertThat(found.kept()).isEqualTo(2);
            assertThat(found.setAside()).containsEntry(RowClass.TOTAL, 1).containsEntry(RowClass.TITLE, 1);
        }
    }

    @Test
    void aFilterTellsTheHeaderRow() throws IOException {
        try (XSSFWorkbook workbook = new XSSFWorkbook()) {
            XSSFSheet sheet = workbook.createSheet("It's data");
            row(sheet, 1, "All", "our", "ports");
            row(sheet, 2, "Harbour", "Vessel", "Skipper");
            row(sheet, 3, "Hollin", "Petrel", "Quill");
            row(sheet, 4, "Tarsk", "Dunlin", "Marl");
            sheet.setAutoFilter(new CellRangeAddress(1, 3, 0, 2));
            Path file = save(workbook, "filtered.xlsx");
            assertThat(Peek.look(file).get(0).tables().get(0).headerRows()).containsExactly(2);
        }
    }

    @Test
    void rangesAreReadAsTheyAreWritten() {
        assertThat(CellRange.of("$B$4:F20")).contains(new CellRange(4, 1, 20, 5));
        assertThat(CellRange.of("F20:B4")).map(CellRange::toString).contains("B4:F20");
        assertThat(CellRange.of("AA7")).contains(new CellRange(7, 26, 7, 26));
        assertThat(CellRange.of("Data!A1")).isEmpty();
    }
}
