package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.deliver.EachValue;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.deliver.TargetName;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.JobFile;
import cuvee.tell.Outcome;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Where else the master goes: a file for each value, a database in a file, with its summaries. */
class DeliveriesTest extends BatchTest {
    private Path out;

    @BeforeEach
    void sailings() throws Exception {
        batch.csv("a.csv", "Port,Date,Fare", "Hollin,2026-01-05,12.50", "Tarsk,2026-01-06,3", "Hollin,2026-02-06,0.1");
        batch.csv("b.csv", "Port,Date,Fare", "A/B: east?,2026-01-07,12345678901234567.25", ",2026-01-08,4");
        out = batch.file("../out").normalize();
        Files.createDirectories(out);
    }

    private String deliver(Delivery delivery) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            return session.deliver(outcome, delivery, Existing.KEEP).said();
        }
    }

    private String look(Delivery delivery) {
        try (JobSession session = batch.open()) {
            return session.look(session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE), delivery);
        }
    }

    private List<String> files() throws Exception {
        try (Stream<Path> files = Files.list(out)) {
            return files.map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void textIsPartedAndWrittenAsAProgramWantsIt() throws Exception {
        batch.csv("c.csv", "Port,Date,Fare", "\"Low; quay\",2026-03-01,1.25");
        Path target = out.resolve("for office.csv");
        assertThat(deliver(new Delivery(
                        "office", target.toString(), new Delivery.Text(Delivery.Separator.SEMICOLON, true, true))))
                .startsWith("6 rows, ");
        assertThat(Files.readString(target).lines())
                .startsWith("\uFEFFPort;Date;Fare;Source file;Source sheet", "Hollin;2026-01-05;12,5;a.csv;")
                .contains("\"Low; quay\";2026-03-01;1,25;c.csv;", ";2026-01-08;4;b.csv;");
        assertThat(deliver(new Delivery(
                        "tabs",
                        out.resolve("t.csv").toString(),
                        new Delivery.Text(Delivery.Separator.TAB, false, false))))
                .startsWith("6 rows, ");
        assertThat(Files.readString(out.resolve("t.csv")))
                .startsWith("Port\tDate\tFare")
                .contains("\t12.5\t");
    }

    @Test
    void aFileForEachPortHoldsItsRowsAndTogetherTheyHoldAll() throws Exception {
        Delivery delivery = new Delivery("ports", out.resolve("Returns.csv").toString(), new Delivery.Each("Port"));
        assertThat(deliver(delivery)).startsWith("4 files, 5 rows, ");
        assertThat(files())
                .containsExactly(
                        "Returns A B east.csv", "Returns Hollin.csv", "Returns Tarsk.csv", "Returns blank.csv");
        assertThat(Files.readString(out.resolve("Returns Hollin.csv")))
                .startsWith("Port,Date,Fare,Source file")
                .contains("Hollin,2026-01-05,12.5,", "Hollin,2026-02-06,0.1,")
                .doesNotContain("Tarsk");
        long rows = 0;
        for (String file : files()) {
            rows += Files.readAllLines(out.resolve(file)).size() - 1;
        }
        assertThat(rows).isEqualTo(5);
    }

    @Test
    void filesOfValuesThatAreGoneAreNamedAndStay() throws Exception {
        Delivery delivery = new Delivery("ports", out.resolve("Returns.xlsx").toString(), new Delivery.Each("Port"));
        deliver(delivery);
        batch.csv("a.csv", "Port,Date,Fare", "Hollin,2026-01-05,12.50", "Marsay,2026-01-06,3");
        assertThat(deliver(delivery))
                .contains("4 files")
                .contains("Of values that are gone or called otherwise, 1 file stayed: “Returns Tarsk.xlsx”");
        assertThat(files()).contains("Returns Tarsk.xlsx", "Returns Marsay.xlsx");
    }

    @Test
    void filesOfValuesThatAreGoneAreRemovedWhereThatIsSaidAndNoneOfAnyoneElse() throws Exception {
        Delivery delivery = new Delivery(
                "ports", out.resolve("Returns.csv").toString(), new Delivery.Each(List.of("Port"), "", true));
        // Of another delivery of the job whose names look the same, and of somebody else.
        deliver(new Delivery("all", out.resolve("Returns master.csv").toString()));
        Files.writeString(out.resolve("Returns Marsay.csv"), "somebody's");
        deliver(delivery);
        Files.writeString(out.resolve("Returns A B east.csv"), "changed by hand since");
        batch.csv("a.csv", "Port,Date,Fare", "Hollin,2026-01-05,12.50");
        batch.csv("b.csv", "Port,Date,Fare", "Hollin,2026-01-07,1", ",2026-01-08,4");
        assertThat(look(delivery))
                .contains("Of values that are gone or called otherwise, 1 file would be removed: “Returns Tarsk.csv”.");
        assertThat(files()).contains("Returns Tarsk.csv");
        assertThat(deliver(delivery))
                .contains("Of values that are gone or called otherwise, 1 file was removed: “Returns Tarsk.csv”.");
        assertThat(files())
                .containsExactly(
                        "Returns A B east.csv",
                        "Returns Hollin.csv",
                        "Returns Marsay.csv",
                        "Returns blank.csv",
                        "Returns master.csv");
        assertThat(Files.readString(out.resolve("Returns A B east.csv"))).isEqualTo("changed by hand since");
    }

    @Test
    void anotherDeliveryWithTheSameNamesForAnotherColumnKeepsItsFiles() throws Exception {
        String target = out.resolve("Returns.csv").toString();
        Delivery days = new Delivery("days", target, new Delivery.Each(List.of("Date"), "", true));
        deliver(days);
        List<String> before = files();
        deliver(new Delivery("ports", target, new Delivery.Each(List.of("Port"), "", true)));
        assertThat(files()).containsAll(before).hasSizeGreaterThan(before.size());
    }

    @Test
    void theFilesAreCalledAsASmallTableSays() throws Exception {
        batch.csv("../names.csv", "Branch,Port", "North branch,hollin", "East branch,A/B: east?");
        Delivery delivery = new Delivery(
                "ports",
                out.resolve("{Port} returns.csv").toString(),
                new Delivery.Each(
                        List.of("Port"), batch.file("../names.csv").normalize().toString(), false));
        assertThat(deliver(delivery))
                .startsWith("4 files, 5 rows, ")
                .contains("1 value is not in ")
                .contains("names.csv and gives its own name: “Tarsk”.");
        assertThat(files())
                .containsExactly(
                        "East branch returns.csv",
                        "North branch returns.csv",
                        "Tarsk returns.csv",
                        "blank returns.csv");
        assertThat(Files.readString(out.resolve("East branch returns.csv"))).contains("A/B: east?,2026-01-07");
        batch.csv("../names.csv", "Branch", "North branch");
        assertThatThrownBy(() -> deliver(delivery)).hasMessageContaining("has one column only");
    }

    @Test
    void aTableOfNamesInTheFolderIsNoSource() throws Exception {
        batch.csv("names.csv", "Port,Called", "Hollin,North", "Tarsk,South", "Marsay,East");
        Delivery delivery = new Delivery(
                "ports",
                out.resolve("R.csv").toString(),
                new Delivery.Each(List.of("Port"), batch.file("names.csv").toString(), false));
        batch.refresh();
        batch.job(batch.job().withDeliveries(List.of(delivery)));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(5);
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(deliver(delivery)).startsWith("4 files");
        assertThat(files()).contains("R North.csv", "R South.csv");
    }

    @Test
    void aFileOfOthersUnderOneOfTheNamesStopsAll() throws Exception {
        Files.writeString(out.resolve("Returns Tarsk.csv"), "somebody's");
        assertThatThrownBy(() -> deliver(
                        new Delivery("ports", out.resolve("Returns.csv").toString(), new Delivery.Each("Port"))))
                .hasMessageContaining("a file of that name is there already");
        assertThat(files()).containsExactly("Returns Tarsk.csv");
    }

    @Test
    void aNameInBracesStandsForTheValueAndItsFoldersAreMade() throws Exception {
        Files.createDirectory(out.resolve("lake"));
        Delivery delivery = new Delivery(
                "lake", out.resolve("lake/Port={Port}/part.parquet").toString(), new Delivery.Each("Port"));
        assertThat(deliver(delivery)).startsWith("4 files, 5 rows, ");
        assertThat(out.resolve("lake/Port=Hollin/part.parquet")).isRegularFile();
        assertThat(out.resolve("lake/Port=blank/part.parquet")).isRegularFile();
        batch.csv("a.csv", "Port,Date,Fare", "Hollin,2026-01-05,12.50", "Marsay,2026-01-06,3");
        assertThat(deliver(delivery))
                .contains("Of values that are gone or called otherwise, 1 file stayed: “Port=Tarsk/part.parquet”");
    }

    @Test
    void aNameInBracesThatStandsForNothingIsRefused() throws Exception {
        assertThatThrownBy(() -> deliver(
                        new Delivery("ports", out.resolve("{Portt}.csv").toString(), new Delivery.Each("Port"))))
                .hasMessageContaining("{Portt} stands for nothing: a file is written for each Port.");
        assertThatThrownBy(() ->
                        deliver(new Delivery("all", out.resolve("{Port}.csv").toString())))
                .hasMessageContaining("{Port} stands for nothing: the master is written as one file.");
        assertThat(files()).isEmpty();
    }

    @Test
    void foldersOfTwoColumnsHoldTheRowsThatHaveBothValues() throws Exception {
        Files.createDirectory(out.resolve("lake"));
        Delivery delivery = new Delivery(
                "lake",
                out.resolve("lake/Port={Port}/Date={Date}/part.csv").toString(),
                new Delivery.Each(List.of("Port", "Date"), "", true));
        assertThat(deliver(delivery)).startsWith("5 files, 5 rows, ");
        List<String> rows = new ArrayList<>();
        try (Stream<Path> files = Files.walk(out)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                rows.addAll(Files.readAllLines(file).stream().skip(1).toList());
            }
        }
        assertThat(rows).as("the files together hold each row once").hasSize(5).doesNotHaveDuplicates();
        assertThat(Files.readString(out.resolve("lake/Port=Hollin/Date=2026-01-05/part.csv")))
                .contains("Hollin,2026-01-05,12.5");
        batch.csv("a.csv", "Port,Date,Fare", "Hollin,2026-01-05,12.50", "Marsay,2026-01-06,3");
        assertThat(deliver(delivery))
                .contains("2 files were removed: “Port=")
                .contains("“Port=Tarsk/Date=2026-01-06/part.csv”");
        assertThat(out.resolve("lake/Port=Tarsk/Date=2026-01-06/part.csv")).doesNotExist();
    }

    @Test
    void aTableOfNamesGoesWithOneColumn() {
        assertThatThrownBy(() -> deliver(new Delivery(
                        "ports",
                        out.resolve("R.csv").toString(),
                        new Delivery.Each(List.of("Port", "Date"), "names.csv", false))))
                .hasMessageContaining("for one column, not for Port and Date together");
    }

    @Test
    void aNameMaySayTheDayOnWhichItIsWritten() throws Exception {
        assertThat(TargetName.on(
                        "{year}/Board {Date}, up to {last month} {port}.xlsx", LocalDate.of(2026, 1, 9), List.of()))
                .isEqualTo("2026/Board 2026-01-09, up to 2025-12 {port}.xlsx");
        assertThat(TargetName.on("{Month}/{date}.csv", LocalDate.of(2026, 1, 9), List.of("Month")))
                .as("a column that is called so")
                .isEqualTo("{Month}/2026-01-09.csv");
        deliver(new Delivery("board", out.resolve("{month}/Board {date}.csv").toString()));
        String today = LocalDate.now().toString();
        assertThat(out.resolve(today.substring(0, 7)).resolve("Board " + today + ".csv"))
                .isRegularFile();
    }

    @Test
    void aTabOfAWorkbookThatIsOpenElsewhereGoesIntoACopyOfIt() throws Exception {
        Path file = out.resolve("Board.xlsx");
        try (XSSFWorkbook workbook = new XSSFWorkbook();
                var written = Files.newOutputStream(file)) {
            workbook.createSheet("Theirs").createRow(0).createCell(0).setCellValue("kept");
            workbook.write(written);
        }
        byte[] before = Files.readAllBytes(file);
        Files.writeString(out.resolve("~$Board.xlsx"), "");
        Delivery delivery =
                new Delivery("board", file.toString(), new Delivery.Tab("Master", Delivery.How.REPLACE, List.of()));
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThatThrownBy(() -> session.deliver(outcome, delivery))
                    .hasMessageContaining("another program has it open")
                    .hasMessageContaining("Board 2.xlsx");
            Delivery beside = session.beside(delivery).orElseThrow();
            assertThat(beside.target()).isEqualTo(out.resolve("Board 2.xlsx").toString());
            assertThat(session.deliverBeside(outcome, delivery, beside).said()).startsWith("5 rows added");
        }
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(out.resolve("Board 2.xlsx")))) {
            assertThat(workbook.getSheet("Theirs").getRow(0).getCell(0).getStringCellValue())
                    .isEqualTo("kept");
            assertThat(workbook.getSheet("Master").getLastRowNum()).isEqualTo(5);
        }
    }

    @Test
    void aTabThatCannotGoIntoTheCopyEitherLeavesNoCopyBehind() throws Exception {
        Path file = out.resolve("Board.xlsx");
        try (XSSFWorkbook workbook = new XSSFWorkbook();
                var written = Files.newOutputStream(file)) {
            var sheet = workbook.createSheet("Master");
            sheet.createRow(0).createCell(0).setCellValue("Theirs");
            workbook.write(written);
        }
        Files.writeString(out.resolve("~$Board.xlsx"), "");
        Delivery delivery =
                new Delivery("board", file.toString(), new Delivery.Tab("Master", Delivery.How.ADD, List.of()));
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            Delivery beside = session.beside(delivery).orElseThrow();
            assertThatThrownBy(() -> session.deliverBeside(outcome, delivery, beside))
                    .hasMessageContaining("Theirs");
        }
        assertThat(files()).containsExactly("Board.xlsx", "~$Board.xlsx");
    }

    @Test
    void aFolderThatNoWordInBracesNamesHasToBeThere() {
        assertThatThrownBy(() -> deliver(new Delivery(
                        "board", out.resolve("no drive/{month}/Board.csv").toString())))
                .hasMessageContaining("there is no folder");
        assertThat(out.resolve("no drive")).doesNotExist();
    }

    @Test
    void namesThatDifferInCapitalsOnlyAreToldApart() {
        assertThat(EachValue.files(
                                Path.of("x", "R.csv"),
                                List.of("Port"),
                                List.of(row("north"), row("North"), row((String) null), row(".."), row("a:b")),
                                value -> value)
                        .keySet())
                .extracting(file -> file.getFileName().toString())
                .containsExactly("R north.csv", "R North (2).csv", "R blank.csv", "R blank (2).csv", "R a b.csv");
    }

    @Test
    void filesOfSeveralColumnsAreNeverCalledAlike() {
        assertThat(EachValue.files(
                                Path.of("x", "R.csv"),
                                List.of("Port", "Quay"),
                                List.of(row("A", "B C"), row("A B", "C"), row("a", "B C"), row("A B", null)),
                                value -> value)
                        .keySet())
                .extracting(file -> file.getFileName().toString())
                .containsExactly("R A B C.csv", "R A B C (2).csv", "R a (2) B C.csv", "R A B blank.csv");
        assertThat(EachValue.files(
                        Path.of("x", "Port={Port}", "Quay={quay}", "part.parquet"),
                        List.of("Port", "Quay"),
                        List.of(row("North", "1"), row("north", "1")),
                        value -> value))
                .containsOnlyKeys(
                        Path.of("x", "Port=North", "Quay=1", "part.parquet"),
                        Path.of("x", "Port=north (2)", "Quay=1", "part.parquet"));
    }

    private static List<@Nullable String> row(@Nullable String... values) {
        return Arrays.asList(values);
    }

    @Test
    void aDatabaseInAFileHoldsExactValues() throws Exception {
        Path file = out.resolve("master.sqlite");
        deliver(new Delivery("db", file.toString()));
        List<String> rows = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement();
                ResultSet found = statement.executeQuery(
                        "SELECT \"Port\", \"Date\", \"Fare\", typeof(\"Fare\") FROM master ORDER BY \"Date\"")) {
            while (found.next()) {
                rows.add(found.getString(1) + " " + found.getString(2) + " " + found.getString(3) + " "
                        + found.getString(4));
            }
        }
        assertThat(rows)
                .containsExactly(
                        "Hollin 2026-01-05 12.5 real",
                        "Tarsk 2026-01-06 3 integer",
                        "A/B: east? 2026-01-07 12345678901234567.25 text",
                        "null 2026-01-08 4 integer",
                        "Hollin 2026-02-06 0.1 real");
        deliver(new Delivery("db", file.toString()));
        assertThat(files()).containsExactly("master.sqlite");
    }

    @Test
    void aWorkbookTakesTheSummariesOfTheJobAlong() throws Exception {
        batch.refresh();
        batch.job(batch.job()
                .withSettled(new Summaries.Named(
                                "By port/all", "total Fare: a line for each Port; in thousands; with 1 decimal")
                        .decision())
                .withSettled(new Summaries.Named("Master", "number of rows").decision()));
        batch.csv("b.csv", "Port,Date,Fare", "Marsay,2026-01-07,2500");
        Path file = out.resolve("all.xlsx");
        deliver(new Delivery("x", file.toString()));
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(file))) {
            assertThat(workbook.getNumberOfSheets()).isEqualTo(3);
            assertThat(workbook.getSheetName(1)).isEqualTo("By port all");
            assertThat(workbook.getSheetName(2)).isEqualTo("Master (2)");
            var sheet = workbook.getSheetAt(1);
            DataFormatter formatter = new DataFormatter();
            assertThat(sheet.getRow(5).getCell(0).getStringCellValue()).isEqualTo("Marsay");
            assertThat(sheet.getRow(5).getCell(1).getNumericCellValue())
                    .as("the exact figure")
                    .isEqualTo(2500);
            assertThat(formatter.formatCellValue(sheet.getRow(5).getCell(1))).isEqualTo("2.5");
            assertThat(sheet.getRow(7).getCell(0).getStringCellValue()).isEqualTo("All");
        }
    }

    @Test
    void aWorkbookTakesTheAccountOfTheMasterAlongWhereThatIsAskedFor() throws Exception {
        Path file = out.resolve("all.xlsx");
        deliver(new Delivery("all", file.toString(), new Delivery.Whole(true)));
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(file))) {
            var about = workbook.getSheet("About this master");
            List<String> first = new ArrayList<>();
            about.forEach(row -> first.add(new DataFormatter().formatCellValue(row.getCell(0))));
            assertThat(first).contains("Lines, from the sources to the master", "Findings", "a.csv", "All");
        }
        deliver(new Delivery("all", file.toString()));
        try (XSSFWorkbook workbook = new XSSFWorkbook(Files.newInputStream(file))) {
            assertThat(workbook.getNumberOfSheets()).isEqualTo(1);
        }
    }

    @Test
    void everyFormOfDeliveryIsKeptInTheJobFile() {
        Path path = out.resolve("job.cuvee");
        Job job = batch.job()
                .withDeliveries(List.of(
                        new Delivery("a", "a.xlsx"),
                        new Delivery("g", "g.xlsx", new Delivery.Whole(true)),
                        new Delivery(
                                "b", "a.xlsx", new Delivery.Tab("Data", Delivery.How.MATCH, List.of("Port", "Date"))),
                        new Delivery(
                                "c",
                                "postgresql://me@host:5432/db?ssl=true",
                                new Delivery.Table("s.trips", Delivery.How.MIRROR, List.of("Port"))),
                        new Delivery("d", "x/R.csv", new Delivery.Each("Port")),
                        new Delivery("p", "x/R.csv", new Delivery.Each("Port", "Month")),
                        new Delivery("l", "x/R.csv", new Delivery.Each(List.of("Port"), "names.xlsx", true)),
                        new Delivery("h", "a.xlsx", new Delivery.Tab("Pack", "C5", Delivery.How.REPLACE, List.of())),
                        new Delivery(
                                "i",
                                "corrected",
                                new Delivery.Copies(List.of(
                                        new Delivery.Change("", "Schiff | x", "Ship"),
                                        new Delivery.Change("Port", "a", "b")))),
                        new Delivery("k", "t.csv", new Delivery.Text(Delivery.Separator.SEMICOLON, true, true)),
                        new Delivery("j", "s.png", new Delivery.Picture("For the board")),
                        new Delivery("e", "f.xlsx", new Delivery.Prepared("p.xlsx", "Port", "", ""))));
        JobFile.save(job, path);
        assertThat(JobFile.open(path).deliveries()).isEqualTo(job.deliveries());
    }
}
