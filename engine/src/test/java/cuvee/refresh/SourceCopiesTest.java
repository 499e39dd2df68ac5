package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.Delivery.Change;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.util.AreaReference;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The same change in copies of all sources; the sources themselves are never touched. */
class SourceCopiesTest extends BatchTest {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    private Path copies;

    @BeforeEach
    void returns() throws IOException {
        copies = batch.file("../corrected").normalize();
        Files.createDirectories(batch.file("north"));
        Files.write(
                batch.file("north/a.csv"),
                ("Port;Schiff;Erlös\r\nHollln;\"MV \"\"Dunlin\"\"\";5,50\r\nTarsk;MV Petrel;6,00\r\n\"Hollln\";MV Tern;"
                                + "7,25")
                        .getBytes(WESTERN));
        try (XSSFWorkbook workbook = new XSSFWorkbook()) {
            Sheet sheet = workbook.createSheet("March");
            String[][] rows = {{"Port", "Schiff", "Erlös"}, {"Hollln", "MV Dunlin", "x"}, {"Oska", "Hollln", "y"}};
            for (int i = 0; i < rows.length; i++) {
                var row = sheet.createRow(i);
                row.createCell(0).setCellValue(rows[i][0]);
                row.createCell(1).setCellValue(rows[i][1]);
                if (i == 0) {
                    row.createCell(2).setCellValue(rows[i][2]);
                } else {
                    row.createCell(2).setCellValue(10.5 * i);
                }
            }
            workbook.createSheet("Notes").createRow(0).createCell(0).setCellValue("Hollln is not changed here");
            try (OutputStream out = Files.newOutputStream(batch.file("b.xlsx"))) {
                workbook.write(out);
            }
        }
        batch.csv("c.csv", "Port,Schiff,Erlös", "Fenn,MV Tern,8");
    }

    private String copy(Existing existing, Change... changes) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            Delivery delivery = new Delivery("copies", copies.toString(), new Delivery.Copies(List.of(changes)));
            String would = session.look(outcome, delivery);
            String did = session.deliver(outcome, delivery, existing).said();
            assertThat(did).as("what was said before").isEqualTo(would);
            return did;
        }
    }

    private static Map<String, byte[]> parts(Path workbook) throws IOException {
        Map<String, byte[]> parts = new HashMap<>();
        try (ZipFile zip = new ZipFile(workbook.toFile())) {
            for (ZipEntry entry : zip.stream().toList()) {
                parts.put(entry.getName(), zip.getInputStream(entry).readAllBytes());
            }
        }
        return parts;
    }

    @Test
    void aValueIsWrittenOtherwiseInEveryCopyAndAllElseStays() throws IOException {
        byte[] text = Files.readAllBytes(batch.file("north/a.csv"));
        byte[] book = Files.readAllBytes(batch.file("b.xlsx"));
        assertThat(copy(Existing.KEEP, new Change("Port", "Hollln", "Hollin; pier")))
                .isEqualTo("2 copies changed in 3 cells, 1 as they are.");
        assertThat(Files.readString(copies.resolve("north/a.csv"), WESTERN))
                .isEqualTo(
                        "Port;Schiff;Erlös\r\n\"Hollin; pier\";\"MV \"\"Dunlin\"\"\";5,50\r\nTarsk;MV Petrel;6,00\r\n"
                                + "\"Hollin; pier\";MV Tern;7,25");
        assertThat(copies.resolve("c.csv")).hasSameBinaryContentAs(batch.file("c.csv"));
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(copies.resolve("b.xlsx")))) {
            Sheet sheet = workbook.getSheet("March");
            assertThat(sheet.getRow(1).getCell(0).getStringCellValue()).isEqualTo("Hollin; pier");
            assertThat(sheet.getRow(2).getCell(1).getStringCellValue())
                    .as("another column")
                    .isEqualTo("Hollln");
            assertThat(sheet.getRow(1).getCell(2).getNumericCellValue()).isEqualTo(10.5);
        }
        Map<String, byte[]> before = parts(batch.file("b.xlsx"));
        parts(copies.resolve("b.xlsx")).forEach((name, bytes) -> {
            if (!name.equals("xl/worksheets/sheet1.xml")) {
                assertThat(bytes).as(name).isEqualTo(before.get(name));
            }
        });
        assertThat(batch.file("north/a.csv")).hasBinaryContent(text);
        assertThat(batch.file("b.xlsx")).hasBinaryContent(book);
    }

    @Test
    void aHeaderGetsAnotherNameAndTheCopiesCanBeMadeAgain() throws IOException {
        assertThat(copy(Existing.KEEP, new Change("", "Schiff", "Vessel"), new Change("", "Erlös", "Fare")))
                .isEqualTo("3 copies changed in 6 cells, 0 as they are.");
        assertThat(Files.readString(copies.resolve("c.csv"))).startsWith("Port,Vessel,Fare");
        assertThat(copy(Existing.KEEP, new Change("", "Schiff", "Ship")))
                .isEqualTo("3 copies changed in 3 cells, 0 as they are.");
        assertThat(Files.readString(copies.resolve("c.csv"))).startsWith("Port,Ship,Erlös");
    }

    @Test
    void nothingOfOthersAndNoSourceIsWrittenOver() throws IOException {
        Files.createDirectories(copies);
        Files.writeString(copies.resolve("c.csv"), "somebody's");
        assertThatThrownBy(() -> copy(Existing.KEEP, new Change("", "Schiff", "Ship")))
                .hasMessageContaining("Cuvee did not write it");
        assertThat(copies.resolve("north")).doesNotExist();
        copies = batch.file("copies");
        assertThatThrownBy(() -> copy(Existing.REPLACE, new Change("", "Schiff", "Ship")))
                .hasMessageContaining("it lies in a place of this job");
    }

    @Test
    void aTextThatTheEncodingHasNoSignForIsSaid() throws IOException {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            Delivery delivery = new Delivery(
                    "copies", copies.toString(), new Delivery.Copies(List.of(new Change("Port", "Hollln", "Łódź"))));
            Delivered done = session.deliver(outcome, delivery, Existing.KEEP);
            assertThat(done.said())
                    .contains("north/a.csv (its encoding has no sign for the new text; copied as it is)");
            assertThat(done.incomplete()).isTrue();
        }
        assertThat(copies.resolve("north/a.csv")).hasSameBinaryContentAs(batch.file("north/a.csv"));
    }

    @Test
    void aColumnThatIsNotThereIsSaid() {
        assertThatThrownBy(() -> copy(Existing.KEEP, new Change("Harbour", "a", "b")))
                .hasMessageContaining("There is no column “Harbour”");
    }

    @Test
    void aNameOverATableThatTheWorkbookDefinesStaysAndThatIsSaid() throws IOException {
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(batch.file("b.xlsx")))) {
            workbook.getSheet("March").createTable(new AreaReference("A1:C3", SpreadsheetVersion.EXCEL2007));
            try (OutputStream out = Files.newOutputStream(batch.file("b.xlsx"))) {
                workbook.write(out);
            }
        }
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            Delivery delivery = new Delivery(
                    "copies", copies.toString(), new Delivery.Copies(List.of(new Change("", "Schiff", "Ship"))));
            Delivered done = session.deliver(outcome, delivery, Existing.KEEP);
            assertThat(done.said())
                    .contains(
                            "b.xlsx (its cell B1 names a column of a table that the workbook defines; copied as it is)");
            assertThat(done.incomplete()).isTrue();
        }
        assertThat(copies.resolve("b.xlsx")).hasSameBinaryContentAs(batch.file("b.xlsx"));
        assertThat(Files.readString(copies.resolve("c.csv"))).startsWith("Port,Ship");
    }
}
