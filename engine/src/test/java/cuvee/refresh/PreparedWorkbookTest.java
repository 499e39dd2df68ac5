package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.decision.Kinds;
import cuvee.finding.CuveeException;
import cuvee.finding.Question;
import cuvee.job.Delivery;
import cuvee.job.Delivery.Prepared;
import cuvee.job.JobFile;
import cuvee.tell.Outcome;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A workbook that someone prepared: days down, items across; a copy is filled from many small files. */
class PreparedWorkbookTest {
    private static final List<String> ITEMS = List.of("Diesel litres", "Crew hours", "Fresh water");

    @TempDir
    private Path folder;

    private Batch batch;
    private Path template;
    private Path target;

    @BeforeEach
    void smallFilesADay() throws Exception {
        batch = new Batch(folder);
        for (int day = 1; day <= 5; day++) {
            batch.csv(
                    "Log 2026-03-0" + day + ".csv",
                    "Item,Amount",
                    "Crew hours," + (10 + day),
                    "Diesel litres," + day * 100 + ".5",
                    "Fresh water," + day);
        }
        template = folder.resolve("Month sheet.xlsx");
        target = folder.resolve("March.xlsx");
        prepare(7);
    }

    /** Three lines of title, then items in an order of their own and dates below; the last column adds up. */
    private void prepare(int days) throws Exception {
        try (Workbook book = new XSSFWorkbook();
                OutputStream out = Files.newOutputStream(template)) {
            CellStyle date = book.createCellStyle();
            date.setDataFormat(book.createDataFormat().getFormat("dd/mm/yyyy"));
            CellStyle bold = book.createCellStyle();
            bold.setDataFormat(book.createDataFormat().getFormat("#,##0.00"));
            book.createSheet("Notes").createRow(0).createCell(0).setCellValue("Fill in daily");
            Sheet sheet = book.createSheet("March");
            sheet.createRow(0).createCell(1).setCellValue("Daily log");
            Row head = sheet.createRow(3);
            head.createCell(1).setCellValue("Day");
            for (int i = 0; i < ITEMS.size(); i++) {
                head.createCell(2 + i).setCellValue(" " + ITEMS.get(i).toUpperCase(java.util.Locale.ROOT));
            }
            head.createCell(5).setCellValue("Together");
            for (int day = 1; day <= days; day++) {
                Row row = sheet.createRow(3 + day);
                row.createCell(1).setCellValue(LocalDate.of(2026, 3, day));
                row.getCell(1).setCellStyle(date);
                row.createCell(2).setCellStyle(bold);
                row.createCell(5).setCellFormula("SUM(C" + (4 + day) + ":E" + (4 + day) + ")");
            }
            book.write(out);
        }
    }

    private Outcome outcome() {
        return batch.refresh().outcome();
    }

    private Optional<Prepared> guessed(Outcome outcome) {
        try (JobSession session = batch.open()) {
            return session.prepared(outcome, template);
        }
    }

    private String fill(Outcome outcome, Prepared prepared) {
        try (JobSession session = batch.open()) {
            return session.deliver(outcome, new Delivery("March", target.toString(), prepared))
                    .said();
        }
    }

    private Workbook filled() throws Exception {
        try (InputStream in = Files.newInputStream(target)) {
            return new XSSFWorkbook(in);
        }
    }

    @Test
    void keysItemsAndValuesAreGuessedFromWhatStandsInTheWorkbook() {
        Optional<Prepared> guessed = guessed(outcome());
        assertThat(guessed).hasValueSatisfying(prepared -> {
            assertThat(prepared.key()).isEqualTo("Date");
            assertThat(prepared.item()).isEqualTo("Item");
            assertThat(prepared.value()).isEqualTo("Amount");
        });
    }

    @Test
    void eachCellGetsItsValueByTextAndTheRestStays() throws Exception {
        byte[] before = Files.readAllBytes(template);
        Outcome outcome = outcome();
        assertThat(fill(outcome, guessed(outcome).orElseThrow())).isEqualTo("15 cells filled.");
        assertThat(Files.readAllBytes(template)).isEqualTo(before);
        try (Workbook book = filled()) {
            assertThat(book.getSheet("Notes").getRow(0).getCell(0).getStringCellValue())
                    .isEqualTo("Fill in daily");
            Sheet sheet = book.getSheet("March");
            assertThat(sheet.getRow(5).getCell(2).getNumericCellValue()).isEqualTo(200.5);
            assertThat(sheet.getRow(5).getCell(2).getCellStyle().getDataFormatString())
                    .isEqualTo("#,##0.00");
            assertThat(sheet.getRow(5).getCell(3).getNumericCellValue()).isEqualTo(12);
            assertThat(sheet.getRow(8).getCell(4).getNumericCellValue()).isEqualTo(5);
            assertThat(sheet.getRow(9).getCell(4)).isNull();
            assertThat(sheet.getRow(5).getCell(5).getCellFormula()).isEqualTo("SUM(C6:E6)");
        }
    }

    @Test
    void whatHasNoPlaceInTheWorkbookIsNamed() throws Exception {
        prepare(4);
        batch.csv("Log 2026-03-02b.csv", "Item,Amount", "Grease,1");
        Outcome outcome = outcome();
        String said = fill(outcome, new Prepared(template.toString(), "Date", "Item", "Amount"));
        assertThat(said)
                .isEqualTo(
                        "12 cells filled; 1 key not in the workbook: “2026-03-05”; 1 item not in the workbook: “Grease”.");
    }

    @Test
    void numbersThatMeetAreAddedUpAndSaid() throws Exception {
        batch.csv("Log 2026-03-02b.csv", "Item,Amount", "Crew hours,3", "Fresh water,0.5");
        Outcome outcome = outcome();
        assertThat(fill(outcome, new Prepared(template.toString(), "Date", "Item", "Amount")))
                .isEqualTo("15 cells filled; in 2 cells several rows met.");
        try (Workbook book = filled()) {
            assertThat(book.getSheet("March").getRow(5).getCell(3).getNumericCellValue())
                    .isEqualTo(15);
            assertThat(book.getSheet("March").getRow(5).getCell(4).getNumericCellValue())
                    .isEqualTo(2.5);
        }
    }

    @Test
    void aFormulaIsNotWrittenOver() throws Exception {
        batch.csv("Log 2026-03-02b.csv", "Item,Amount", "Together,99");
        Outcome outcome = outcome();
        assertThat(fill(outcome, new Prepared(template.toString(), "Date", "Item", "Amount")))
                .isEqualTo("15 cells filled; 1 cell left alone since they hold formulas.");
    }

    @Test
    void theColumnsOfAWideMasterAreItems() throws Exception {
        Batch wide = new Batch(folder.resolve("wide"))
                .csv("a.csv", "Date,Fresh water,Crew hours,Note", "2026-03-01,4,8,x", "2026-03-02,5,,y");
        Outcome outcome = wide.refresh().outcome();
        try (JobSession session = wide.open()) {
            Prepared prepared = session.prepared(outcome, template).orElseThrow();
            assertThat(prepared.item()).isEmpty();
            String said = session.deliver(outcome, new Delivery("x", target.toString(), prepared))
                    .said();
            assertThat(said).isEqualTo("3 cells filled; 1 item not in the workbook: “Note”.");
        }
        try (Workbook book = filled()) {
            assertThat(book.getSheet("March").getRow(4).getCell(3).getNumericCellValue())
                    .isEqualTo(8);
            assertThat(book.getSheet("March").getRow(5).getCell(4).getNumericCellValue())
                    .isEqualTo(5);
        }
    }

    @Test
    void yesAndNoAreWrittenAsTheSourcesSayThem() throws Exception {
        batch = new Batch(folder.resolve("wide"));
        batch.csv("March.csv", "Day,Crew hours,Serviced", "2026-03-01,11,Yes", "2026-03-02,12,No");
        try (Workbook book = new XSSFWorkbook();
                OutputStream out = Files.newOutputStream(template)) {
            Sheet sheet = book.createSheet("March");
            Row head = sheet.createRow(0);
            head.createCell(0).setCellValue("Day");
            head.createCell(1).setCellValue("Serviced");
            sheet.createRow(1).createCell(0).setCellValue("2026-03-01");
            sheet.createRow(2).createCell(0).setCellValue("2026-03-02");
            book.write(out);
        }
        fill(outcome(), new Prepared(template.toString(), "Day", "", ""));
        try (Workbook book = filled()) {
            Sheet sheet = book.getSheet("March");
            assertThat(sheet.getRow(1).getCell(1).getStringCellValue()).isEqualTo("Yes");
            assertThat(sheet.getRow(2).getCell(1).getStringCellValue()).isEqualTo("No");
        }
    }

    @Test
    void theNextDayIsFilledWithoutTouchingAnything() throws Exception {
        Outcome outcome = outcome();
        Delivery delivery =
                new Delivery("March", target.toString(), guessed(outcome).orElseThrow());
        batch.job(batch.job().withDeliveries(List.of(delivery)));
        Path saved = folder.resolve("saved.cuvee");
        JobFile.save(batch.job(), saved);
        assertThat(JobFile.open(saved).deliveries()).containsExactly(delivery);
        batch.csv("Log 2026-03-06.csv", "Item,Amount", "Crew hours,16", "Diesel litres,600.5", "Fresh water,6");
        Outcome next = outcome();
        try (JobSession session = batch.open()) {
            assertThat(session.deliver(next, delivery).said()).isEqualTo("18 cells filled.");
        }
    }

    @Test
    void whatCannotBeDoneIsSaid() throws Exception {
        Outcome outcome = outcome();
        Prepared prepared = new Prepared(template.toString(), "Date", "Item", "Amount");
        assertThatThrownBy(() -> fill(outcome, new Prepared(template.toString(), "Day", "Item", "Amount")))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("the master has no column “Day”");
        assertThatThrownBy(() -> fill(
                        outcome,
                        prepared.withWorkbook(folder.resolve("none.xlsx").toString())))
                .hasMessageContaining("the prepared workbook none.xlsx is not there");
        Files.writeString(folder.resolve("broken.xlsx"), "no workbook");
        assertThatThrownBy(() -> fill(
                        outcome,
                        prepared.withWorkbook(folder.resolve("broken.xlsx").toString())))
                .hasMessageContaining("broken.xlsx");
        target = template;
        assertThatThrownBy(() -> fill(outcome, prepared))
                .hasMessageContaining("it is one of the files that this job reads");
        assertThat(Files.exists(folder.resolve("March.xlsx"))).isFalse();
    }

    @Test
    void nothingIsGuessedWhereNothingOfTheMasterStands() throws Exception {
        try (Workbook book = new XSSFWorkbook();
                OutputStream out = Files.newOutputStream(template)) {
            book.createSheet("Empty").createRow(0).createCell(0).setCellValue("nothing here");
            book.write(out);
        }
        assertThat(guessed(outcome())).isEmpty();
    }

    @Test
    void onlyPlainWorkbooksAreFilled() {
        Outcome outcome = outcome();
        Prepared prepared = new Prepared(template.toString(), "Date", "Item", "Amount");
        assertThatThrownBy(() -> fill(
                        outcome,
                        prepared.withWorkbook(folder.resolve("Month.xlsm").toString())))
                .hasMessageContaining("Month.xlsm is no .xlsx workbook, and only such are filled");
        target = folder.resolve("March.csv");
        assertThatThrownBy(() -> fill(outcome, prepared)).hasMessageContaining("March.csv is no .xlsx workbook");
    }

    @Test
    void whatIsFilledInIsReadBackTheSame() throws Exception {
        Outcome outcome = outcome();
        fill(outcome, guessed(outcome).orElseThrow());
        Batch back = new Batch(folder.resolve("back"));
        Files.copy(target, back.file("March.xlsx"));
        Question asked = back.refresh().question(Kinds.FILE);
        assertThat(asked.text()).contains("It is a master that Cuvee wrote");
        List<String> lines = back.settle(asked, "take").refresh().lines();
        for (int day = 1; day <= 5; day++) {
            String start = "2026-03-0" + day + "|" + day * 100 + ".5|" + (10 + day) + "|" + day;
            assertThat(lines).anySatisfy(line -> assertThat(line).startsWith(start));
        }
    }
}
