package cuvee.refresh;

import static cuvee.testing.Workbooks.workbook;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.finding.CuveeException;
import cuvee.finding.Question;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.gather.Workplace;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.master.MasterLine;
import cuvee.master.MasterReader;
import cuvee.master.SourceCells;
import cuvee.master.Store;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import cuvee.tell.Trail;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class JobSessionTest {
    @TempDir
    Path folder;

    private Path data;
    private Workplace workplace;

    @BeforeEach
    void places() throws IOException {
        data = Files.createDirectory(folder.resolve("data"));
        workplace = new Workplace(
                folder.resolve("cache"), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
    }

    private Job draft() {
        return JobDraft.of(folder.resolve("job.cuvee"), List.of(data));
    }

    private void csv(String name, String... lines) {
        Workbooks.text(data.resolve(name), String.join("\n", lines) + "\n");
    }

    /** A refresh of a fresh session, its master as lines. */
    private record Made(Outcome outcome, List<String> lines) {}

    private Made refresh(Job job, Reread mode) {
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            Outcome outcome = session.refresh(job, mode, Progress.NONE);
            session.conclude(outcome);
            return new Made(outcome, lines(session, outcome));
        }
    }

    private Made refresh(Job job) {
        return refresh(job, Reread.CHANGED_ONLY);
    }

    private static List<String> lines(JobSession session, Outcome outcome) {
        List<String> lines = new ArrayList<>();
        try (MasterReader reader = session.reader(outcome)) {
            reader.each(values -> {
                StringBuilder line = new StringBuilder();
                for (String value : values) {
                    line.append(line.length() == 0 ? "" : "|").append(value == null ? "" : value);
                }
                lines.add(line.toString());
            });
        }
        return lines;
    }

    private static List<String> columns(Outcome outcome) {
        return outcome.proposal().columns().stream()
                .map(column -> column.name() + " " + column.type().word())
                .toList();
    }

    @Test
    void columnsAreLinedUpByNameWhateverTheirOrder() {
        csv("a.csv", "Date,Port,Pax", "2026-01-01,Hollin,5");
        csv("b.csv", "pax;PORT;Date", "7;Tarsk;02.01.2026", "1;Hollin;13.01.2026");
        Made made = refresh(draft());
        assertThat(columns(made.outcome())).containsExactlyInAnyOrder("Date Date", "Port Text", "Pax Whole number");
        assertThat(made.lines())
                .hasSize(3)
                .anyMatch(line -> line.contains("2026-01-02") && line.contains("Tarsk") && line.contains("7"));
        assertThat(made.outcome().needsALook()).isFalse();
    }

    @Test
    void everyColumnOfAnySourceIsThereAndNewOnesComeLast() {
        csv("a.csv", "Date,Port", "2026-01-01,Hollin");
        Job job = refresh(draft()).outcome().job();
        csv("b.csv", "Crew,Date,Port", "4,2026-01-02,Tarsk");
        Made made = refresh(job);
        assertThat(columns(made.outcome())).containsExactly("Date Date", "Port Text", "Crew Whole number");
        assertThat(made.lines()).containsExactly("2026-01-01|Hollin||a.csv|", "2026-01-02|Tarsk|4|b.csv|");
        assertThat(made.outcome().changed().columnsNew()).containsExactly("Crew");
    }

    @Test
    void aWorkbooksSheetsAreAllTaken() {
        workbook()
                .sheet("Jan", new Object[] {"Date", "Pax"}, new Object[] {LocalDate.of(2026, 1, 1), 5})
                .sheet("Feb", new Object[] {"Date", "Pax"}, new Object[] {LocalDate.of(2026, 2, 1), 6})
                .sheet("Notes", new Object[] {"nothing to see"})
                .sheet("Old", new Object[] {"Date", "Pax"}, new Object[] {LocalDate.of(2025, 2, 1), 6})
                .hidden("Old")
                .save(data.resolve("year.xlsx"));
        Made made = refresh(draft());
        assertThat(made.lines()).containsExactly("2026-01-01|5|year.xlsx|Jan", "2026-02-01|6|year.xlsx|Feb");
        assertThat(made.outcome().findings()).anyMatch(finding -> finding.kind().equals("hidden-sheet"));
    }

    @Test
    void aColumnNamedLikeATagKeepsItsName() {
        csv("a.csv", "Source file,Pax", "x,1", "y,2");
        Made made = refresh(draft());
        assertThat(made.outcome().proposal().plan().tags().get(0).name()).isEqualTo("Source file (source)");
        assertThat(made.lines()).containsExactly("x|1|a.csv|", "y|2|a.csv|");
    }

    @Test
    void filesAddedChangedAndRenamedAllShow() throws IOException {
        csv("a.csv", "Date,Pax", "2026-01-01,1");
        csv("b.csv", "Date,Pax", "2026-02-01,2", "2026-02-02,22");
        Job job = refresh(draft()).outcome().job();
        csv("a.csv", "Date,Pax", "2026-01-01,9");
        csv("c.csv", "Date,Pax", "2026-03-01,3");
        Files.move(data.resolve("b.csv"), data.resolve("b renamed.csv"));
        Made made = refresh(job);
        assertThat(made.lines())
                .containsExactly(
                        "2026-01-01|9|a.csv|",
                        "2026-02-01|2|b renamed.csv|",
                        "2026-02-02|22|b renamed.csv|",
                        "2026-03-01|3|c.csv|");
        assertThat(made.outcome().changed().files().changed()).containsExactly("a.csv");
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void aChangeThatKeepsSizeAndTimeIsNoticedWhileTheFileIsYoung() throws IOException {
        csv("a.csv", "Date,Pax", "2026-01-01,1");
        FileTime time = Files.getLastModifiedTime(data.resolve("a.csv"));
        Job job = refresh(draft()).outcome().job();
        csv("a.csv", "Date,Pax", "2026-01-01,7");
        Files.setLastModifiedTime(data.resolve("a.csv"), time);
        assertThat(refresh(job).lines()).containsExactly("2026-01-01|7|a.csv|");
    }

    @Test
    void aFileThatIsGoneKeepsItsRowsUntilTheAnalystSaysOtherwise() throws IOException {
        csv("a.csv", "Date,Pax", "2026-01-01,1");
        csv("b.csv", "Date,Pax", "2026-02-01,2");
        Job job = refresh(draft()).outcome().job();
        Files.delete(data.resolve("b.csv"));
        Made kept = refresh(job);
        assertThat(kept.lines()).hasSize(2);
        Question question = kept.outcome().questions().get(0);
        assertThat(question.text())
                .isEqualTo("The file is no longer there; its 1 row is kept from the last time it was read. Keep?");
        assertThat(question.where().toString()).isEqualTo("b.csv");
        Made removed = refresh(job.withSettled(new Decision(question.kind(), question.subject(), "remove", "", "")));
        assertThat(removed.lines()).containsExactly("2026-01-01|1|a.csv|");
        assertThat(removed.outcome().questions()).isEmpty();
    }

    @Test
    void aFamilyOfOtherTablesIsSetAsideAndAskedAbout() {
        csv("a.csv", "Date,Port,Pax", "2026-01-01,Hollin,1", "2026-01-02,Hollin,2");
        csv("rota.csv", "Watch,Early,Late", "Monday,Quill,Marl");
        Made made = refresh(draft());
        assertThat(made.lines()).hasSize(2);
        Question question = made.outcome().questions().get(0);
        assertThat(question.kind()).isEqualTo("another-job");
        Made taken = refresh(
                made.outcome().job().withSettled(new Decision(question.kind(), question.subject(), "take", "", "")));
        assertThat(taken.lines()).hasSize(3);
    }

    @Test
    void aListOfWordsBesideAReturnIsSetAsideWithoutAQuestion() {
        Object[] header = {"Date", "Route", "Pax"};
        Workbooks.workbook()
                .sheet(
                        "Return",
                        header,
                        new Object[] {LocalDate.of(2026, 1, 1), "Inner Sound", 4},
                        new Object[] {LocalDate.of(2026, 1, 2), "Outer Isles", 6},
                        new Object[] {LocalDate.of(2026, 1, 3), "North Reach", 5},
                        new Object[] {LocalDate.of(2026, 1, 4), "Inner Sound", 2})
                .sheet(
                        "Lists",
                        new Object[] {"Route", "Short", "Active"},
                        new Object[] {"Inner Sound", "INN", "Y"},
                        new Object[] {"Outer Isles", "OUT", "Y"},
                        new Object[] {"North Reach", "NOR", "Y"})
                .save(data.resolve("a.xlsx"));
        Made made = refresh(draft());
        assertThat(made.lines()).hasSize(4);
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.outcome().sources().get(0).outside())
                .extracting(SourceReport.Outside::reason)
                .containsExactly("it shares too few headers with the other tables");
    }

    @Test
    void aReturnInAnotherLanguageButOfTheSameShapeIsTakenInAndAskedAbout() {
        csv(
                "a.csv",
                "Date,Route,Vessel,Passengers,Fare,Remarks",
                "2026-01-01,x,Petrel,1,2.5,fog",
                "2026-01-02,y,Dunlin,1,2.5,late");
        csv("h.csv", "Datum;Strecke;Schiff;Personen;Preis;Bemerkung", "03.01.2026;z;Marl;7;3,5;Nebel");
        Made made = refresh(draft());
        assertThat(columns(made.outcome()))
                .containsExactly(
                        "Date Date",
                        "Route Text",
                        "Vessel Text",
                        "Passengers Whole number",
                        "Fare Decimal",
                        "Remarks Text");
        assertThat(made.lines()).contains("2026-01-03|z|Marl|7|3.5|Nebel|h.csv|");
        assertThat(made.outcome().questions()).extracting(Question::kind).contains("line-up");
        assertThat(refresh(made.outcome().job()).lines()).isEqualTo(made.lines());
    }

    @Test
    void aHeaderInTheSameSpotIsAssumedToBeTheSameAndCanBeSettledOtherwise() {
        csv("a.csv", "Date,Port,Passengers,Fare", "2026-01-01,Hollin,1,2.5", "2026-01-02,Hollin,1,2.5");
        csv("b.csv", "Date,Port,Heads,Fare", "2026-01-03,Tarsk,3,3.5");
        Made made = refresh(draft());
        assertThat(columns(made.outcome()))
                .containsExactly("Date Date", "Port Text", "Passengers Whole number", "Fare Decimal");
        Question question = made.outcome().questions().get(0);
        assertThat(question.text()).contains("“Heads”").contains("“Passengers”");
        assertThat(question.assumed()).isEqualTo("Passengers");
        Made apart = refresh(
                made.outcome().job().withSettled(new Decision(question.kind(), question.subject(), "Heads", "", "")));
        assertThat(columns(apart.outcome())).contains("Heads Whole number");
        assertThat(apart.outcome().questions()).isEmpty();
    }

    @Test
    void typesComeFromAllFilesAndWhatDoesNotFitIsNamedWithItsCell() {
        StringBuilder many = new StringBuilder("Date,Pax\n");
        for (int i = 0; i < 40; i++) {
            many.append("2026-01-01,").append(i).append('\n');
        }
        Workbooks.text(data.resolve("a.csv"), many.toString());
        csv("b.csv", "Date,Pax", "2026-02-01,unclear");
        Job job = draft();
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(columns(outcome)).containsExactly("Date Date", "Pax Whole number");
            SourceCells.Misfit misfit = session.misfits(outcome, 1, 10).get(0);
            assertThat(misfit.where().toString()).isEqualTo("b.csv, line 2");
            assertThat(misfit.text()).isEqualTo("unclear");
            assertThat(outcome.questions()).extracting(Question::kind).containsExactly("type");
            assertThat(outcome.findings())
                    .filteredOn(f -> f.kind().equals("misfit-cell"))
                    .extracting(f -> f.text())
                    .containsExactly(
                            "b.csv, line 2: “unclear” does not fit Whole number, the type of the column “Pax”. It is blank in the master.");
            assertThat(outcome.findings())
                    .anyMatch(f -> f.text()
                            .contains("1 value of the column “Pax” does not fit Whole number, such as “unclear”"));
        }
    }

    @Test
    void codesStayTextThoughSomeSourcesHoldThemAsNumbers() {
        csv("a.csv", "Berth,Pax", "007,1", "K07,2");
        workbook()
                .sheet("S", new Object[] {"Berth", "Pax"}, new Object[] {7, 3})
                .save(data.resolve("b.xlsx"));
        Made made = refresh(draft());
        assertThat(made.lines()).containsExactly("007|1|a.csv|", "K07|2|a.csv|", "7|3|b.xlsx|S");
    }

    @Test
    void eachSourceIsReadInItsOwnConvention() {
        csv("de.csv", "Tag;Preis;Menge", "25.03.2026;1.204,50;1.204", "01.02.2026;3,5;7");
        csv("us.csv", "Tag,Preis,Menge", "03/25/2026,\"1,204.50\",\"1,204\"", "02/01/2026,3.5,7");
        Made made = refresh(draft());
        assertThat(made.lines())
                .containsExactly(
                        "2026-03-25|1204.5|1204|de.csv|",
                        "2026-02-01|3.5|7|de.csv|",
                        "2026-03-25|1204.5|1204|us.csv|",
                        "2026-02-01|3.5|7|us.csv|");
        assertThat(made.outcome().needsALook()).isFalse();
    }

    @Test
    void whatNoValueDecidesIsAskedWithAnAssumedAnswer() {
        csv("a.csv", "Tag,Pax", "03/04/2026,1", "05/06/2026,2");
        Made made = refresh(draft());
        assertThat(made.lines()).containsExactly("2026-04-03|1|a.csv|", "2026-06-05|2|a.csv|");
        Question question = made.outcome().questions().get(0);
        assertThat(question.kind()).isEqualTo("date-order");
        Made settled = refresh(
                made.outcome().job().withSettled(new Decision(question.kind(), question.subject(), "month", "", "")));
        assertThat(settled.lines()).containsExactly("2026-03-04|1|a.csv|", "2026-05-06|2|a.csv|");
    }

    @Test
    void anAssumedTypeGrowsOnlyWhereNothingKeptChanges() {
        csv("a.csv", "Date,Fare", "2026-01-01,1", "2026-01-02,2");
        Job job = refresh(draft()).outcome().job();
        csv("b.csv", "Date,Fare", "2026-02-01,2.5");
        assertThat(refresh(job).lines())
                .containsExactly("2026-01-01|1|a.csv|", "2026-01-02|2|a.csv|", "2026-02-01|2.5|b.csv|");
        csv("c.csv", "Date,Fare", "2026-03-01,K7");
        Made made = refresh(job);
        assertThat(made.outcome().questions()).extracting(Question::kind).containsExactly("type");
        assertThat(made.outcome().findings()).anyMatch(finding -> finding.kind().equals("misfit"));
    }

    @Test
    void aMasterWrittenIntoItsOwnFolderIsNeverASource() {
        csv("a.csv", "Date,Pax", "2026-01-01,1");
        Job job = draft();
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            session.deliver(outcome, data.resolve("master.csv"));
            Outcome again = session.refresh(outcome.job(), Reread.CHANGED_ONLY, Progress.NONE);
            assertThat(again.rows()).isEqualTo(1);
            assertThat(again.sources())
                    .filteredOn(s -> s.path().equals("master.csv"))
                    .extracting(SourceReport::kind)
                    .containsExactly("own-file");
        }
    }

    @Test
    void theTrailOfACellLeadsToItsSource() {
        csv("a.csv", "title", "", "Date;Pax;Fare", "01.02.2026;5;1,5", "13.02.2026;6;2,5");
        Job job = draft();
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            Outcome outcome = session.refresh(job, Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                MasterLine line = reader.page(1, 1).get(0);
                Trail trail = session.trail(outcome, line, 2);
                assertThat(trail.where().toString()).isEqualTo("a.csv, line 5");
                assertThat(trail.header()).isEqualTo("Fare");
                assertThat(trail.raw()).isEqualTo("2,5");
            }
        }
    }

    @Test
    void aBrokenFileIsNamedAndTheOthersGoThrough() throws IOException {
        csv("a.csv", "Date,Pax", "2026-01-01,1");
        Files.write(data.resolve("broken.xlsx"), new byte[] {'P', 'K', 3, 4, 0, 0});
        Files.createFile(data.resolve("empty.xlsx"));
        csv("header.csv", "Date,Pax");
        Made made = refresh(draft());
        assertThat(made.lines()).hasSize(1);
        assertThat(made.outcome().needsALook()).isTrue();
        assertThat(made.outcome().sources())
                .extracting(SourceReport::path, SourceReport::kind)
                .contains(
                        org.assertj.core.groups.Tuple.tuple("broken.xlsx", "broken"),
                        org.assertj.core.groups.Tuple.tuple("empty.xlsx", "empty-file"),
                        org.assertj.core.groups.Tuple.tuple("header.csv", "no-table"));
    }

    @Test
    void aCorruptCacheCostsOnlyTime() throws IOException {
        csv("a.csv", "Date,Pax", "2026-01-01,1");
        Job job = refresh(draft()).outcome().job();
        Files.write(
                folder.resolve("cache").resolve(job.id()).resolve("store.duckdb"),
                "rubbish".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(refresh(job).lines()).containsExactly("2026-01-01|1|a.csv|");
    }

    @Test
    void aRunThatIsStoppedLeavesTheMasterAsItWas() {
        csv("a.csv", "Date,Pax", "2026-01-01,1");
        Job job = refresh(draft()).outcome().job();
        csv("b.csv", "Date,Pax", "2026-02-01,2");
        try (JobSession session = JobSession.open(workplace, job.id(), folder)) {
            assertThatThrownBy(() -> session.refresh(job, Reread.CHANGED_ONLY, (stage, done, of) -> {
                        if (stage == Progress.Stage.MAKING) {
                            throw new CancellationException();
                        }
                    }))
                    .isInstanceOf(CancellationException.class);
        }
        assertThat(refresh(job).lines()).hasSize(2);
    }

    @Test
    void placesThatAreAllMissingStopTheRefreshWithAWord() {
        assertThatThrownBy(() -> refresh(JobDraft.of(folder.resolve("x.cuvee"), List.of(folder.resolve("nowhere")))))
                .isInstanceOf(CuveeException.class)
                .hasMessageContaining("There is no folder or file");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void anIncrementalRefreshEqualsAFullOne(long seed) throws IOException {
        Random random = new Random(seed);
        List<String> names = new ArrayList<>();
        Job job = draft();
        for (int round = 0; round < 4; round++) {
            for (int i = 0; i < 1 + random.nextInt(3); i++) {
                String name = "f" + random.nextInt(6) + (random.nextBoolean() ? ".csv" : ".txt");
                names.add(name);
                csv(name, someTable(random));
            }
            job = refresh(job).outcome().job();
        }
        Made incremental = refresh(job);
        Made full = refresh(job, Reread.EVERYTHING);
        assertThat(incremental.lines()).isEqualTo(full.lines());
        assertThat(columns(incremental.outcome())).isEqualTo(columns(full.outcome()));
    }

    private static String[] someTable(Random random) {
        List<String> lines = new ArrayList<>();
        boolean wide = random.nextBoolean();
        if (random.nextInt(3) == 0) {
            lines.add("Some title");
            lines.add("");
        }
        lines.add(wide ? "Date,Port,Pax,Fare,Crew" : "Port,Date,Fare,Pax");
        for (int i = 0; i < 1 + random.nextInt(30); i++) {
            String date = "2026-0" + (1 + random.nextInt(9)) + "-1" + random.nextInt(10);
            String fare = random.nextInt(5) == 0 ? "" : (random.nextInt(900) / 4.0) + "";
            String port = random.nextBoolean() ? "Hollin" : "Tarsk";
            lines.add(
                    wide
                            ? date + "," + port + "," + random.nextInt(99) + "," + fare + "," + random.nextInt(9)
                            : port + "," + date + "," + fare + "," + random.nextInt(99));
        }
        return lines.toArray(String[]::new);
    }
}
