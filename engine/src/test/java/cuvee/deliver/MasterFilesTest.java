package cuvee.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.CuveeException;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.Store;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import cuvee.testing.Rows;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MasterFilesTest {
    @TempDir
    Path folder;

    private static final String TABLE = """
            Date,When,Name,Pax,Fare,Share,Open
            2026-03-31,2026-03-31 14:05,"Quill, ""A""\",1204,1204.50,12.5 %,true
            2026-04-01,2026-04-01 00:30,=1+1,7,0.25,5 %,false
            ,,"",,,,
            2026-04-02,2026-04-02 10:00,line
            """;

    private void write(Path target) {
        write(target, Existing.KEEP);
    }

    private void write(Path target, Existing existing) {
        Workbooks.text(folder.resolve("data/a.csv"), TABLE);
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            session.deliver(outcome, target, existing);
        }
    }

    @Test
    void rowsThatATabCannotHoldGoOnFurtherTabs() {
        Path workbook = Path.of("Board.xlsx");
        assertThat(MasterFiles.tabs(workbook, 0)).isEqualTo(1);
        assertThat(MasterFiles.tabs(workbook, 1_048_575)).isEqualTo(1);
        assertThat(MasterFiles.tabs(workbook, 1_048_576)).isEqualTo(2);
        assertThat(MasterFiles.tabs(workbook, 8_000_000)).isEqualTo(8);
        assertThat(MasterFiles.tabs(Path.of("Board.csv"), 8_000_000)).isEqualTo(1);
    }

    @Test
    void csvIsAsTheStandardHasIt() throws IOException {
        Path file = folder.resolve("out.csv");
        write(file);
        assertThat(Files.readString(file))
                .isEqualTo("Date,When,Name,Pax,Fare,Share,Open,Source file,Source sheet\r\n"
                        + "2026-03-31,2026-03-31T14:05:00,\"Quill, \"\"A\"\"\",1204,1204.5,0.125,true,a.csv,\r\n"
                        + "2026-04-01,2026-04-01T00:30:00,=1+1,7,0.25,0.05,false,a.csv,\r\n"
                        + "2026-04-02,2026-04-02T10:00:00,line,,,,,a.csv,\r\n");
    }

    @Test
    void aWorkbookHoldsTypedCellsAndTextThatIsNeverRun() {
        Path file = folder.resolve("out.xlsx");
        write(file);
        assertThat(Rows.of(file))
                .containsExactly(
                        "1: Date | When | Name | Pax | Fare | Share | Open | Source file | Source sheet",
                        "2: DATE 2026-03-31 | DATE 2026-03-31T14:05:00 | Quill, \"A\" | NUMBER 1204 | NUMBER 1204.5 | PERCENT 0.125 | YES_NO true | a.csv",
                        "3: DATE 2026-04-01 | DATE 2026-04-01T00:30:00 | =1+1 | NUMBER 7 | NUMBER 0.25 | PERCENT 0.05 | YES_NO false | a.csv",
                        "4: DATE 2026-04-02 | DATE 2026-04-02T10:00:00 | line |  |  |  |  | a.csv");
    }

    @Test
    void aWorkbookIsReadyToWorkIn() throws IOException {
        Path file = folder.resolve("out.xlsx");
        write(file);
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(file))) {
            var sheet = workbook.getSheetAt(0);
            assertThat(sheet.getCTWorksheet().getAutoFilter().getRef())
                    .as("each column can be filtered")
                    .isEqualTo("A1:I4");
            assertThat(sheet.getPaneInformation().getHorizontalSplitTopRow())
                    .as("the header stays")
                    .isEqualTo((short) 1);
            assertThat(workbook.getFontAt(
                                    sheet.getRow(0).getCell(0).getCellStyle().getFontIndex())
                            .getBold())
                    .isTrue();
            assertThat(sheet.getRow(1).getCell(1).getCellStyle().getDataFormatString())
                    .contains("hh:mm");
        }
    }

    @Test
    void linesOfJsonHoldNumbersAsNumbers() throws IOException {
        Path file = folder.resolve("out.jsonl");
        write(file);
        assertThat(Files.readAllLines(file))
                .hasSize(3)
                .first()
                .isEqualTo(
                        "{\"Date\":\"2026-03-31\",\"When\":\"2026-03-31T14:05:00\",\"Name\":\"Quill, \\\"A\\\"\",\"Pax\":1204,\"Fare\":1204.5,"
                                + "\"Share\":0.125,\"Open\":true,\"Source file\":\"a.csv\"}");
    }

    @Test
    void parquetIsWritten() throws IOException {
        Path file = folder.resolve("out.parquet");
        write(file);
        assertThat(Files.readAllBytes(file)).startsWith("PAR1".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
    }

    @Test
    void whatWasThereIsReplacedInOneStepAndNothingIsLeftBeside() throws IOException {
        Path file = folder.resolve("out.csv");
        write(file);
        write(file);
        assertThat(Files.readString(file)).startsWith("Date,");
        try (var files = Files.list(folder)) {
            assertThat(files.map(path -> path.getFileName().toString())).noneMatch(name -> name.contains("writing"));
        }
    }

    @Test
    void textThatAWorkbookCannotHoldIsNeverCutOff() {
        Workbooks.text(folder.resolve("data/a.csv"), "Name,Pax\n" + "x".repeat(40_000) + ",1\ny,2\n");
        Job job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        Workplace workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            assertThatThrownBy(() -> session.deliver(outcome, folder.resolve("out.xlsx")))
                    .hasMessageContaining(
                            "A text of 40,000 characters in the column “Name” does not fit into a workbook")
                    .hasMessageContaining("Deliver to .csv");
            assertThat(folder.resolve("out.xlsx")).doesNotExist();
        }
    }

    @Test
    void aTargetThatCannotBeWrittenSaysWhyAndKeepsWhatIsThere() throws IOException {
        assertRefused(folder.resolve("no/out.csv"), "there is no folder");
        assertRefused(folder.resolve("out.doc"), "its ending is none of .csv, .xlsx, .jsonl, .parquet");
        assertRefused(Files.createDirectory(folder.resolve("dir.csv")), "a folder has that name");
        Path open = Workbooks.text(folder.resolve("open.xlsx"), "old");
        Workbooks.text(folder.resolve("~$open.xlsx"), "somebody");
        assertRefused(open, "another program has it open", Existing.REPLACE);
        assertThat(Files.readString(open)).isEqualTo("old");
        Path locked = Workbooks.text(folder.resolve("locked.csv"), "old");
        try (RandomAccessFile held = new RandomAccessFile(locked.toFile(), "rw");
                var lock = held.getChannel().lock()) {
            assertThat(lock.isValid()).isTrue();
            assertRefused(locked, "is being written already", Existing.REPLACE);
        }
    }

    private void assertRefused(Path target, String why) {
        assertRefused(target, why, Existing.KEEP);
    }

    private void assertRefused(Path target, String why, Existing existing) {
        assertThatThrownBy(() -> write(target, existing))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("The master cannot be written to")
                .hasMessageContaining(why)
                .hasMessageContaining("the master itself is kept");
    }
}
