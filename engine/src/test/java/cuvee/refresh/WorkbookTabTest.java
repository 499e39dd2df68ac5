package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.change.Board;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.CuveeException;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.Delivery.How;
import cuvee.tell.Outcome;
import cuvee.value.YesNoWords;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xddf.usermodel.chart.AxisPosition;
import org.apache.poi.xddf.usermodel.chart.ChartTypes;
import org.apache.poi.xddf.usermodel.chart.XDDFCategoryAxis;
import org.apache.poi.xddf.usermodel.chart.XDDFChartData;
import org.apache.poi.xddf.usermodel.chart.XDDFDataSourcesFactory;
import org.apache.poi.xddf.usermodel.chart.XDDFValueAxis;
import org.apache.poi.xssf.usermodel.XSSFChart;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The master goes into one tab of a workbook that somebody made; every other part of it stays as the bytes that it was. */
class WorkbookTabTest extends BatchTest {
    private Path board;

    @BeforeEach
    void aBoardPack() throws IOException {
        batch.csv("a.csv", "Trip,Date,Fare,Cancelled", "7,2026-01-05,12.50,no", "8,2026-01-06,3,yes");
        board = batch.file("../Board.xlsx").normalize();
        try (XSSFWorkbook workbook = new XSSFWorkbook()) {
            XSSFSheet cover = workbook.createSheet("Cover & notes");
            XSSFSheet data = workbook.createSheet("Data");
            cover.createRow(0).createCell(0).setCellFormula("SUM(Data!C2:C9)");
            cover.createRow(1).createCell(0).setCellValue("Hand written");
            for (int i = 0; i < 2; i++) {
                cover.createRow(4 + i).createCell(0).setCellValue("Quarter " + i);
                cover.getRow(4 + i).createCell(1).setCellValue(i + 1);
            }
            chart(cover);
            data.createRow(0).createCell(0).setCellValue("Something");
            data.setColumnWidth(0, 9000);
            workbook.createName().setNameName("Total");
            workbook.getName("Total").setRefersToFormula("'Cover & notes'!$A$1");
            try (OutputStream out = Files.newOutputStream(board)) {
                workbook.write(out);
            }
        }
    }

    private static void chart(XSSFSheet sheet) {
        XSSFChart chart = sheet.createDrawingPatriarch()
                .createChart(sheet.createDrawingPatriarch().createAnchor(0, 0, 0, 0, 2, 2, 8, 12));
        XDDFCategoryAxis across = chart.createCategoryAxis(AxisPosition.BOTTOM);
        XDDFValueAxis up = chart.createValueAxis(AxisPosition.LEFT);
        XDDFChartData bars = chart.createData(ChartTypes.BAR, across, up);
        bars.addSeries(
                XDDFDataSourcesFactory.fromStringCellRange(sheet, new CellRangeAddress(4, 5, 0, 0)),
                XDDFDataSourcesFactory.fromNumericCellRange(sheet, new CellRangeAddress(4, 5, 1, 1)));
        chart.plot(bars);
    }

    private String deliver(String tab, How how, Existing existing, String... keys) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            Delivery delivery = new Delivery("Board", board.toString(), new Delivery.Tab(tab, how, List.of(keys)));
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
                try (InputStream in = zip.getInputStream(entry)) {
                    parts.put(entry.getName(), in.readAllBytes());
                }
            }
        }
        return parts;
    }

    private List<String> tab(String name) throws IOException {
        List<String> lines = new ArrayList<>();
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(board))) {
            Sheet sheet = workbook.getSheet(name);
            DataFormatter formatter = new DataFormatter();
            for (Row row : sheet) {
                List<String> cells = new ArrayList<>();
                row.forEach(cell -> cells.add(
                        cell.getCellType() == CellType.BOOLEAN
                                ? String.valueOf(cell.getBooleanCellValue())
                                : formatter.formatCellValue(cell)));
                lines.add(String.join(" | ", cells));
            }
        }
        return lines;
    }

    @Test
    void aNewTabIsAddedAndEveryOtherPartIsAsItWas() throws IOException {
        Map<String, byte[]> before = parts(board);
        assertThat(deliver("Master <1>", How.REPLACE, Existing.KEEP))
                .isEqualTo("2 rows added, 0 changed, 0 removed, 0 as they were; 2 other tabs untouched.");
        Map<String, byte[]> after = parts(board);
        List<String> touched = before.keySet().stream()
                .filter(name -> !Arrays.equals(before.get(name), after.get(name)))
                .toList();
        assertThat(touched)
                .containsExactlyInAnyOrder(
                        "xl/workbook.xml", "xl/_rels/workbook.xml.rels", "[Content_Types].xml", "xl/styles.xml");
        assertThat(after.keySet()).hasSize(before.size() + 1).containsAll(before.keySet());
        assertThat(tab("Master <1>"))
                .containsExactly(
                        "Trip | Date | Fare | Cancelled | Source file | Source sheet",
                        "7 | 2026-01-05 | 12.5 | no | a.csv",
                        "8 | 2026-01-06 | 3 | yes | a.csv");
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(board))) {
            assertThat(workbook.getSheetAt(0).getDrawingPatriarch().getCharts()).hasSize(1);
            assertThat(workbook.getSheetAt(0).getRow(0).getCell(0).getCellFormula())
                    .isEqualTo("SUM(Data!C2:C9)");
            assertThat(workbook.getForceFormulaRecalculation()).isTrue();
            assertThat(workbook.getName("Total")).isNotNull();
        }
    }

    @Test
    void theSameTabIsReplacedAgainAndAgainWithoutGrowing() throws IOException {
        deliver("Master", How.REPLACE, Existing.KEEP);
        Map<String, byte[]> first = parts(board);
        batch.csv("a.csv", "Trip,Date,Fare,Cancelled", "9,2026-01-07,1,no");
        assertThat(deliver("Master", How.REPLACE, Existing.KEEP))
                .isEqualTo("1 row added, 0 changed, 2 removed, 0 as they were; 2 other tabs untouched.");
        Map<String, byte[]> second = parts(board);
        assertThat(second.keySet()).isEqualTo(first.keySet());
        assertThat(second.keySet().stream()
                        .filter(name -> !Arrays.equals(first.get(name), second.get(name)))
                        .toList())
                .as("only the rows change")
                .containsExactly("xl/worksheets/sheet3.xml");
        assertThat(tab("Master")).hasSize(2);
    }

    @Test
    void aTabOfOthersIsReplacedOnlyWhereThatIsSaidAndKeepsItsForm() throws IOException {
        assertThatThrownBy(() -> deliver("data", How.REPLACE, Existing.KEEP))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("has a tab “data” already, and Cuvee did not write it");
        assertThat(tab("Data")).containsExactly("Something");
        assertThat(deliver("data", How.REPLACE, Existing.REPLACE)).contains("2 rows added", "1 other tab untouched");
        assertThat(tab("Data")).hasSize(3);
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(board))) {
            assertThat(workbook.getSheet("Data").getColumnWidth(0)).isEqualTo(9000);
            assertThat(workbook.getNumberOfSheets()).isEqualTo(2);
        }
        // From now on the tab is known as Cuvee's own.
        deliver("data", How.REPLACE, Existing.KEEP);
    }

    @Test
    void aTabWrittenInWordsOfYourOwnForYesAndNoIsFoundAsItWas() throws IOException {
        batch.job(
                Board.yesNoWords(batch.refresh().outcome().job(), "Cancelled", new YesNoWords("called off", "sailed")));
        deliver("Master", How.REPLACE, Existing.KEEP);
        assertThat(tab("Master")).contains("8 | 2026-01-06 | 3 | called off | a.csv");
        assertThat(deliver("Master", How.MATCH, Existing.KEEP, "Trip"))
                .startsWith("0 rows added, 0 changed, 0 removed, 2 as they were");
    }

    @Test
    void rowsAreAddedBelowOrMatchedByKey() throws IOException {
        deliver("Master", How.REPLACE, Existing.KEEP);
        batch.csv("a.csv", "Trip,Date,Fare,Cancelled", "8,2026-01-06,4,yes", "9,2026-01-07,1.25,no");
        assertThat(deliver("Master", How.NEW, Existing.KEEP, "Trip"))
                .startsWith("1 row added, 0 changed, 0 removed, 2 as they were");
        assertThat(deliver("Master", How.MATCH, Existing.KEEP, "Trip"))
                .startsWith("0 rows added, 1 changed, 0 removed, 2 as they were");
        assertThat(tab("Master"))
                .containsExactly(
                        "Trip | Date | Fare | Cancelled | Source file | Source sheet",
                        "7 | 2026-01-05 | 12.5 | no | a.csv",
                        "8 | 2026-01-06 | 4 | yes | a.csv",
                        "9 | 2026-01-07 | 1.25 | no | a.csv");
        assertThat(deliver("Master", How.MIRROR, Existing.KEEP, "Trip"))
                .startsWith("0 rows added, 0 changed, 1 removed, 2 as they were");
        assertThat(deliver("Master", How.ADD, Existing.KEEP))
                .startsWith("2 rows added, 0 changed, 0 removed, 2 as they were");
        assertThat(tab("Master")).hasSize(5);
    }

    @ParameterizedTest
    @EnumSource(
            value = How.class,
            names = {"ADD", "MATCH"})
    void columnsThatDifferAreNamedAndNothingIsWritten(How how) throws IOException {
        byte[] before = Files.readAllBytes(board);
        assertThatThrownBy(() ->
                        deliver("Data", how, Existing.KEEP, how.isByKey() ? new String[] {"Trip"} : new String[] {}))
                .hasMessageContaining("it lacks “Trip”")
                .hasMessageContaining("it has “Something” besides");
        assertThat(Files.readAllBytes(board)).isEqualTo(before);
    }

    @Test
    void aWorkbookThatIsNotThereIsMadeWithTheTab() throws IOException {
        board = batch.file("../New.xlsx").normalize();
        assertThat(deliver("Trips", How.MATCH, Existing.KEEP, "Trip")).startsWith("2 rows added");
        assertThat(tab("Trips")).hasSize(3);
        deliver("Trips", How.REPLACE, Existing.KEEP);
    }

    @Test
    void aWorkbookWithOurTabIsStillNotOursAsAWhole() {
        deliver("Master", How.REPLACE, Existing.KEEP);
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThatThrownBy(() -> session.deliver(outcome, board))
                    .hasMessageContaining("a file of that name is there already");
        }
    }

    @Test
    void aTabWithATableOfItsOwnIsRefused() throws IOException {
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(board))) {
            workbook.getSheet("Data").addMergedRegion(new CellRangeAddress(0, 0, 0, 2));
            try (OutputStream out = Files.newOutputStream(board)) {
                workbook.write(out);
            }
        }
        assertThatThrownBy(() -> deliver("Data", How.REPLACE, Existing.REPLACE))
                .hasMessageContaining("holds merged cells over cells that would change");
    }
}
