package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.Delivery.How;
import cuvee.tell.Outcome;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The master goes to a cell of a tab that somebody made: its earlier rows go, and all else of the tab stays. */
class TabBlockTest extends BatchTest {
    private Path board;

    @BeforeEach
    void aBoardPack() throws IOException {
        rows(2);
        board = batch.file("../Board.xlsx").normalize();
        try (XSSFWorkbook workbook = new XSSFWorkbook()) {
            XSSFSheet sheet = workbook.createSheet("Pack");
            put(sheet, "A1", "Trips of the month");
            sheet.addMergedRegion(CellRangeAddress.valueOf("A1:D1"));
            put(sheet, "A5", "left of it");
            put(sheet, "K6", "right of it");
            cell(sheet, "K7").setCellFormula("SUM(E6:E40)");
            put(sheet, "C20", "Below: nobody may lose this");
            workbook.createSheet("Other");
            save(workbook);
        }
    }

    private void rows(int count) {
        String[] lines = new String[count + 1];
        lines[0] = "Trip,Date,Fare";
        for (int i = 1; i <= count; i++) {
            lines[i] = i + ",2026-01-" + String.format("%02d", i) + "," + i + ".50";
        }
        batch.csv("a.csv", lines);
    }

    private static Cell cell(XSSFSheet sheet, String at) {
        CellReference place = new CellReference(at);
        Row row = sheet.getRow(place.getRow());
        row = row == null ? sheet.createRow(place.getRow()) : row;
        return row.createCell(place.getCol());
    }

    private static void put(XSSFSheet sheet, String at, String text) {
        cell(sheet, at).setCellValue(text);
    }

    private void save(XSSFWorkbook workbook) throws IOException {
        try (OutputStream out = Files.newOutputStream(board)) {
            workbook.write(out);
        }
    }

    private void change(Consumer<XSSFSheet> change) throws IOException {
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(board))) {
            change.accept(workbook.getSheet("Pack"));
            save(workbook);
        }
    }

    private String deliver(String tab, String cell, How how, Existing existing, String... keys) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            Delivery delivery =
                    new Delivery("Board", board.toString(), new Delivery.Tab(tab, cell, how, List.of(keys)));
            String would = session.look(outcome, delivery);
            String did = session.deliver(outcome, delivery, existing).said();
            assertThat(did).as("what was said before").isEqualTo(would);
            return did;
        }
    }

    private String deliver(String cell) {
        return deliver("Pack", cell, How.REPLACE, Existing.KEEP);
    }

    /** All that a tab shows, by place. */
    private Map<String, String> shown(String tab) throws IOException {
        Map<String, String> shown = new TreeMap<>();
        DataFormatter formatter = new DataFormatter();
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(board))) {
            for (Row row : workbook.getSheet(tab)) {
                for (Cell cell : row) {
                    String text = formatter.formatCellValue(cell);
                    if (!text.isEmpty()) {
                        shown.put(cell.getAddress().formatAsString(), text);
                    }
                }
            }
        }
        return shown;
    }

    @Test
    void theRowsStandAtTheCellAndAllElseOfTheTabStays() throws IOException {
        assertThat(deliver("C5"))
                .isEqualTo("2 rows added, 0 changed, 0 removed, 0 as they were; 1 other tab untouched.");
        assertThat(shown("Pack"))
                .containsEntry("A1", "Trips of the month")
                .containsEntry("A5", "left of it")
                .containsEntry("C5", "Trip")
                .containsEntry("E5", "Fare")
                .containsEntry("D6", "2026-01-01")
                .containsEntry("E7", "2.5")
                .containsEntry("K6", "right of it")
                .containsEntry("K7", "SUM(E6:E40)")
                .containsEntry("C20", "Below: nobody may lose this");
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(board))) {
            assertThat(workbook.getSheet("Pack").getMergedRegions())
                    .extracting(CellRangeAddress::formatAsString)
                    .containsExactly("A1:D1");
            assertThat(workbook.getForceFormulaRecalculation()).isTrue();
        }
    }

    @Test
    void theEarlierRowsGoAndNothingIsDoubled() throws IOException {
        rows(9);
        deliver("C5");
        rows(3);
        assertThat(deliver("C5")).startsWith("3 rows added, 0 changed, 9 removed");
        assertThat(shown("Pack"))
                .containsEntry("C8", "3")
                .containsEntry("C20", "Below: nobody may lose this")
                .doesNotContainKeys("C9", "D9", "E14", "C14");
        assertThat(shown("Pack").keySet().stream().filter(at -> at.startsWith("D") || at.startsWith("E")))
                .hasSize(8);
    }

    @Test
    void rowsAreAddedBelowOrMatchedByKeyThereToo() throws IOException {
        deliver("C5");
        rows(4);
        assertThat(deliver("Pack", "C5", How.NEW, Existing.KEEP, "Trip"))
                .startsWith("2 rows added, 0 changed, 0 removed, 2 as they were");
        assertThat(deliver("Pack", "C5", How.ADD, Existing.KEEP)).startsWith("4 rows added");
        assertThat(shown("Pack"))
                .containsEntry("C9", "4")
                .containsEntry("C13", "4")
                .doesNotContainKey("C14");
    }

    @Test
    void whereTheRowsWouldReachSomethingElseNothingIsWritten() throws IOException {
        rows(15);
        byte[] before = Files.readAllBytes(board);
        assertThatThrownBy(() -> deliver("C5"))
                .hasMessageContaining("the rows would reach line 20")
                .hasMessageContaining("in line 20 something else stands below them");
        assertThat(Files.readAllBytes(board)).isEqualTo(before);
        rows(14);
        deliver("C5");
        assertThat(shown("Pack")).containsEntry("C19", "14").containsEntry("C20", "Below: nobody may lose this");
    }

    @Test
    void whatOthersPutInTheCellIsNeverWrittenOver() throws IOException {
        change(sheet -> {
            List<String> names = List.of("Trip", "Date", "Fare", "Source file", "Source sheet");
            names.forEach(name -> put(sheet, new CellReference(4, 13 + names.indexOf(name)).formatAsString(), name));
            put(sheet, "N6", "theirs");
        });
        assertThatThrownBy(() -> deliver("N5"))
                .hasMessageContaining("has something in its cell N5 already, and Cuvee did not write it");
        assertThat(shown("Pack")).containsEntry("N6", "theirs");
        assertThatThrownBy(() -> deliver("Pack", "A5", How.REPLACE, Existing.REPLACE))
                .hasMessageContaining("the cell A5 of the tab “Pack” holds “left of it” where “Trip” is to stand");
        change(sheet -> cell(sheet, "D7").setCellFormula("1+1"));
        assertThatThrownBy(() -> deliver("C5")).hasMessageContaining("in line 7 something else stands below them");
    }

    @Test
    void aFormulaAmongTheRowsIsNotLost() throws IOException {
        deliver("C5");
        change(sheet -> cell(sheet, "E7").setCellFormula("E6*2"));
        assertThatThrownBy(() -> deliver("C5")).hasMessageContaining("its cell E7 holds a formula");
    }

    @Test
    void mergedCellsAndTablesThatTheRowsWouldShareAreRefused() throws IOException {
        change(sheet -> sheet.addMergedRegion(CellRangeAddress.valueOf("E6:F6")));
        assertThatThrownBy(() -> deliver("C5")).hasMessageContaining("holds merged cells in E6:F6");
        assertThat(deliver("C9")).startsWith("2 rows added");
    }

    @Test
    void aCellOfANewTabAndACellThatIsNone() throws IOException {
        deliver("New", "B2", How.REPLACE, Existing.KEEP);
        assertThat(shown("New"))
                .containsEntry("B2", "Trip")
                .containsEntry("C4", "2026-01-02")
                .doesNotContainKeys("A1", "A2");
        assertThatThrownBy(() -> deliver("B2:C4")).hasMessageContaining("“B2:C4” is no cell of a tab");
        board = batch.file("../None.xlsx").normalize();
        assertThatThrownBy(() -> deliver("B2")).hasMessageContaining("there is no such workbook that has a cell B2");
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void whateverStandsAroundStays(int seed) throws IOException {
        Random random = new Random(seed);
        change(sheet -> {
            sheet.removeRow(sheet.getRow(19));
            for (int i = 0; i < 60; i++) {
                int row = random.nextInt(30);
                int column = random.nextBoolean() ? random.nextInt(3) : 9 + random.nextInt(4);
                Row there = sheet.getRow(row) == null ? sheet.createRow(row) : sheet.getRow(row);
                there.createCell(column).setCellValue(random.nextInt(3) == 0 ? "<&\" " + i : String.valueOf(i));
            }
        });
        Map<String, String> before = shown("Pack");
        String at = "D" + (2 + random.nextInt(9));
        for (int time = 0; time < 4; time++) {
            rows(1 + random.nextInt(25));
            deliver(at);
            assertThat(shown("Pack")).containsAllEntriesOf(before);
        }
        rows(1);
        deliver(at);
        // The header and one row of the columns, those of the source beside them.
        assertThat(shown("Pack")).hasSize(before.size() + 5 + 4);
    }
}
