package cuvee.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.testing.Rows;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Workbooks of before 2007 and OpenDocument spreadsheets give the same rows as others. */
class OtherFormatsTest {
    @TempDir
    Path folder;

    private Path xls() throws IOException {
        Path file = folder.resolve("old.xls");
        try (Workbook workbook = new HSSFWorkbook()) {
            Sheet sheet = workbook.createSheet("Returns");
            var header = sheet.createRow(0);
            header.createCell(0).setCellValue("Date");
            header.createCell(1).setCellValue("Pax");
            header.createCell(3).setCellValue("Grünholm");
            var row = sheet.createRow(3);
            CellStyle date = workbook.createCellStyle();
            date.setDataFormat(workbook.createDataFormat().getFormat("dd.mm.yyyy"));
            Cell day = row.createCell(0);
            day.setCellValue(LocalDate.of(2026, 3, 31));
            day.setCellStyle(date);
            row.createCell(1).setCellValue(12);
            row.createCell(2).setCellValue(0.1 + 0.2);
            row.createCell(3).setCellValue(true);
            row.createCell(4).setCellErrorValue((byte) 0x2A);
            Cell formula = row.createCell(5);
            formula.setCellFormula("B4*2");
            workbook.getCreationHelper().createFormulaEvaluator().evaluateFormulaCell(formula);
            Cell text = row.createCell(6);
            text.setCellFormula("\"a\"&\"b\"");
            workbook.getCreationHelper().createFormulaEvaluator().evaluateFormulaCell(text);
            CellStyle percent = workbook.createCellStyle();
            percent.setDataFormat((short) 10);
            Cell share = row.createCell(7);
            share.setCellValue(0.125);
            share.setCellStyle(percent);
            workbook.createSheet("Secret").createRow(0).createCell(0).setCellValue("hidden");
            workbook.setSheetHidden(1, true);
            workbook.createSheet("Last").createRow(0).createCell(0).setCellValue("end");
            try (OutputStream out = Files.newOutputStream(file)) {
                workbook.write(out);
            }
        }
        return file;
    }

    @Test
    void aWorkbookOfBefore2007IsReadCellByCell() throws IOException {
        assertThat(Rows.of(xls()))
                .containsExactly(
                        "1: Date | Pax |  | Grünholm",
                        "4: DATE 2026-03-31 | NUMBER 12 | NUMBER 0.3 | YES_NO true | ERROR #N/A | NUMBER 24 | ab | PERCENT 0.125",
                        "1: end");
    }

    @Test
    void aTornOneIsSetAside() throws IOException {
        byte[] whole = Files.readAllBytes(xls());
        Path torn = Files.write(folder.resolve("torn.xls"), Arrays.copyOf(whole, 700));
        assertThatThrownBy(() -> Rows.of(torn))
                .hasMessageContaining("torn.xls: The file cannot be read")
                .hasMessageContaining("set aside");
    }

    private Path ods(String body) throws IOException {
        Path file = folder.resolve("open.ods");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            put(zip, "mimetype", "application/vnd.oasis.opendocument.spreadsheet");
            put(
                    zip,
                    "content.xml",
                    "<?xml version=\"1.0\"?><o:d xmlns:o=\"o\" xmlns:table=\"t\" xmlns:office=\"f\" xmlns:text=\"x\" xmlns:style=\"s\">"
                            + "<style:style style:name=\"ta2\"><style:table-properties table:display=\"false\"/></style:style>"
                            + body + "</o:d>");
            put(zip, "META-INF/manifest.xml", "<m/>");
        }
        return file;
    }

    private static void put(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    @Test
    void anOpenDocumentIsReadCellByCell() throws IOException {
        Path file = ods(
                "<table:table table:name=\"Returns\"><table:table-row>"
                        + "<table:table-cell office:value-type=\"string\"><text:p>Two<text:s text:c=\"2\"/>words</text:p><text:p>below</text:p></table:table-cell>"
                        + "<table:table-cell office:value-type=\"float\" office:value=\"12.50\"><text:p>12,5</text:p></table:table-cell>"
                        + "<table:table-cell table:number-columns-repeated=\"2\"/>"
                        + "<table:table-cell office:value-type=\"date\" office:date-value=\"2026-03-31\"><text:p>31.03.</text:p></table:table-cell>"
                        + "<table:table-cell office:value-type=\"time\" office:time-value=\"PT14H05M00S\"><text:p>14:05</text:p></table:table-cell>"
                        + "<table:table-cell office:value-type=\"boolean\" office:boolean-value=\"true\"><text:p>TRUE</text:p></table:table-cell>"
                        + "<table:table-cell office:value-type=\"percentage\" office:value=\"0.125\"><office:annotation><text:p>a note</text:p></office:annotation><text:p>12,5%</text:p></table:table-cell>"
                        + "<table:table-cell table:number-columns-repeated=\"16000\"/></table:table-row>"
                        + "<table:table-row table:number-rows-repeated=\"3\"><table:table-cell/></table:table-row>"
                        + "<table:table-row table:number-rows-repeated=\"2\"><table:table-cell office:value-type=\"float\" office:value=\"7\" table:number-columns-repeated=\"2\"><text:p>7</text:p></table:table-cell></table:table-row>"
                        + "<table:table-row table:number-rows-repeated=\"1048000\"><table:table-cell/></table:table-row></table:table>"
                        + "<table:table table:name=\"Hidden\" table:style-name=\"ta2\"><table:table-row><table:table-cell office:value-type=\"string\"><text:p>no</text:p></table:table-cell></table:table-row></table:table>");
        assertThat(Rows.of(file))
                .containsExactly(
                        "1: Two  words\nbelow | NUMBER 12.5 |  |  | DATE 2026-03-31 | DATE 14:05:00 | YES_NO true | PERCENT 0.125",
                        "5: NUMBER 7 | NUMBER 7",
                        "6: NUMBER 7 | NUMBER 7");
    }

    @Test
    void aFormulaThatAnswersTrueOrFalseIsNoNumber() throws IOException {
        Path file = ods("<table:table table:name=\"Paid\"><table:table-row>"
                + "<table:table-cell table:formula=\"of:=TRUE()\" office:value-type=\"float\" office:value=\"1\"><text:p>TRUE</text:p></table:table-cell>"
                + "<table:table-cell table:formula=\"of:=FALSE()\" office:value-type=\"float\" office:value=\"0\"><text:p>FALSE</text:p></table:table-cell>"
                + "<table:table-cell office:value-type=\"float\" office:value=\"1\"><text:p>1</text:p></table:table-cell>"
                + "</table:table-row></table:table>");
        assertThat(Rows.of(file)).containsExactly("1: YES_NO true | YES_NO false | NUMBER 1");
    }

    @Test
    void hoursGoneByBeyondADayAreWhatTheyShow() throws IOException {
        Path open = ods("<table:table table:name=\"Hours\"><table:table-row>"
                + "<table:table-cell office:value-type=\"time\" office:time-value=\"PT72H30M00S\"><text:p>72:30</text:p></table:table-cell>"
                + "<table:table-cell office:value-type=\"time\" office:time-value=\"PT08H45M00S\"><text:p>8:45</text:p></table:table-cell>"
                + "</table:table-row></table:table>");
        assertThat(Rows.of(open)).containsExactly("1: 72:30:00 | DATE 08:45:00");
        Path old = folder.resolve("hours.xls");
        try (Workbook workbook = new HSSFWorkbook()) {
            CellStyle hours = workbook.createCellStyle();
            hours.setDataFormat(workbook.createDataFormat().getFormat("[h]:mm"));
            org.apache.poi.ss.usermodel.Row row = workbook.createSheet("Hours").createRow(0);
            for (double gone : new double[] {3.0208333333, 0.3645833333}) {
                Cell cell = row.createCell(Math.max(0, row.getLastCellNum()));
                cell.setCellValue(gone);
                cell.setCellStyle(hours);
            }
            try (OutputStream out = Files.newOutputStream(old)) {
                workbook.write(out);
            }
        }
        assertThat(Rows.of(old)).containsExactly("1: 72:30:00 | DATE 08:45:00");
    }

    @Test
    void aLockedOpenDocumentSaysSo() throws IOException {
        Path file = folder.resolve("locked.ods");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            put(zip, "mimetype", "application/vnd.oasis.opendocument.spreadsheet");
            put(zip, "META-INF/manifest.xml", "<m><encryption-data/></m>");
            put(zip, "content.xml", "garbage");
        }
        assertThatThrownBy(() -> Rows.of(file)).hasMessageContaining("locked with a password");
    }
}
