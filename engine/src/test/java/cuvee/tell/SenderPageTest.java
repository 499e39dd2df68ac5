package cuvee.tell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Decision;
import cuvee.refresh.BatchTest;
import cuvee.refresh.JobSession;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A page for whoever sent a file, and a workbook that all can fill in. */
class SenderPageTest extends BatchTest {
    @BeforeEach
    void threePorts() {
        batch.csv(
                "Hollin/a.csv",
                "Date,Port,Fare,Cancelled",
                "2026-01-01,Hollin,10.5,no",
                "2026-01-02,Hollin,20,no",
                "Total,,30.5,");
        batch.csv("Tarsk/b.csv", "Date,Port,Fares,Cancelled", "2026-01-01,Tarsk,1,no", "2026-01-02,Tarsk,2,yes");
        batch.csv(
                "Marsay/c.csv",
                "Date,Port,Fare,Cancelled",
                "2026-01-01,Marsay,7,no",
                "2026-01-02,Marsay,about ten,no",
                "2026-01-03,Marsay,9,no",
                "2026-01-04,Marsay,9.5,no",
                "2026-01-05,Marsay,11,no",
                "Total,,40,");
    }

    private interface Looking {
        void at(JobSession session, Outcome outcome);
    }

    private void open(Looking looking) {
        batch.refresh();
        batch.job(batch.job().withSettled(new Decision("type", "Fare", "Decimal", "", "")));
        batch.refresh();
        try (JobSession session = batch.open()) {
            looking.at(session, session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE));
        }
    }

    @Test
    void itSaysWhatWasTakenWhatWasWrongByCellAndWhatIsAsked() {
        open((session, outcome) -> {
            String page = session.senderPage(outcome, "Marsay/c.csv").text();
            assertThat(page)
                    .contains("Marsay/c.csv: 5 rows of 7 lines taken")
                    .contains("Marsay/c.csv, line 3")
                    .contains("“about ten” is no Decimal, as Fare is")
                    .contains("Please write Fare as Decimal in every row")
                    .doesNotContain("Hollin/a.csv", "Tarsk/b.csv");
        });
    }

    @Test
    void itIsOfAFolderTooAndNamesHeadersThatOthersCallOtherwise() {
        open((session, outcome) -> {
            String page = session.senderPage(outcome, "Tarsk").text();
            assertThat(page).contains("Tarsk/b.csv: 2 rows of 3 lines taken");
            if (!outcome.plan().columns().stream()
                    .map(column -> column.name())
                    .toList()
                    .contains("Fares")) {
                assertThat(page).contains("“Fares” is “Fare” with most others.");
            }
            assertThat(session.senderPage(outcome, "Hollin/a.csv").text())
                    .contains("Nothing that needs a look")
                    .contains("please go on sending it so");
            assertThatThrownBy(() -> session.senderPage(outcome, "Nowhere"))
                    .hasMessageContaining("no source “Nowhere”");
        });
    }

    @Test
    void aBlankWorkbookHasTheHeadersListsAndAnExampleAndIsNoSource() {
        Path blank = batch.file("returns form.xlsx");
        open((session, outcome) -> session.writeBlank(outcome, blank, Existing.KEEP));
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(blank))) {
            var sheet = workbook.getSheetAt(0);
            assertThat(sheet.getRow(0).getCell(0).getStringCellValue()).isEqualTo("Date");
            assertThat(sheet.getRow(0).getCell(1).getStringCellValue()).isEqualTo("Port");
            assertThat(sheet.getRow(1).getCell(1).getStringCellValue()).isEqualTo("Hollin");
            assertThat(sheet.getDataValidations()).isNotEmpty();
            assertThat(workbook.getSheetAt(1).getSheetName()).isEqualTo("Lists");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        assertThat(batch.refresh().outcome().rows()).isEqualTo(9);
    }
}
