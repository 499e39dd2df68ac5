package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.SheetRule;
import cuvee.decision.SourceChoice;
import cuvee.detect.Reading;
import cuvee.detect.RowClass;
import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.JobDraft;
import cuvee.job.Place;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.propose.Proposal;
import cuvee.refresh.JobSession;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import cuvee.testing.Workbooks;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the analyst says about how sheets are read holds, costs no file a second reading, and can be taken back. */
class ReadingDecisionsTest {
    @TempDir
    Path folder;

    private Job job;
    private JobSession session;

    @BeforeEach
    void open() throws IOException {
        Files.createDirectory(folder.resolve("data"));
        job = JobDraft.of(folder.resolve("job.cuvee"), List.of(folder.resolve("data")));
        session = JobSession.open(workplace("cache"), job.id(), folder);
    }

    @AfterEach
    void close() {
        session.close();
    }

    private Workplace workplace(String cache) {
        return new Workplace(
                folder.resolve(cache), folder.resolve("state"), Clock.systemUTC(), 2, new Store.Means(200, 2));
    }

    private void file(String name, String... lines) {
        Workbooks.text(folder.resolve("data").resolve(name), String.join("\n", lines) + "\n");
    }

    private Outcome refresh(Job with) {
        return session.refresh(with, Reread.CHANGED_ONLY, Progress.NONE);
    }

    private static List<String> rows(JobSession of, Outcome outcome) {
        List<String> rows = new ArrayList<>();
        try (MasterReader reader = of.reader(outcome)) {
            reader.each(values -> rows.add(Arrays.toString(values)));
        }
        return rows;
    }

    /** The same job and files in a fresh cache give the same master, cell by cell and in order. */
    private void equalsFull(Outcome outcome) {
        try (JobSession fresh = JobSession.open(workplace("fresh"), job.id(), folder)) {
            Outcome full = fresh.refresh(outcome.job(), Reread.EVERYTHING, Progress.NONE);
            assertThat(rows(fresh, full)).isEqualTo(rows(session, outcome));
        }
    }

    private static Decision reading(String subject, Reading reading) {
        return new Decision(Kinds.READING, subject, reading.words(), "", "");
    }

    @Test
    void rowsAreWhatTheAnalystSaysTheyAre() {
        file("a.csv", "Port,Date,Pax", "Hollin,2026-01-01,4", "Tarsk,2026-01-02,5", "Oska,2026-01-03,6");
        assertThat(refresh(job).rows()).isEqualTo(3);
        Reading said =
                Reading.DEFAULT.withRows(3, 3, Optional.of(RowClass.NOTE)).withRows(4, 4, Optional.of(RowClass.TOTAL));
        Outcome outcome = refresh(refresh(job).job().withSettled(reading("a.csv", said)));
        assertThat(outcome.rows()).isEqualTo(1);
        assertThat(outcome.sources().get(0).tables().get(0).table().setAside())
                .containsEntry(RowClass.NOTE, 1)
                .containsEntry(RowClass.TOTAL, 1);
        equalsFull(outcome);
        assertThat(refresh(outcome.job().withoutSettled(Kinds.READING, "a.csv")).rows())
                .isEqualTo(3);
    }

    @Test
    void aHeaderMovedForALayoutMovesInAllItsTables() {
        for (String name : List.of("a", "b", "c")) {
            file(
                    name + ".csv",
                    "Group,Place,Kind",
                    "Port,Vessel,Cargo",
                    "Hollin,Petrel," + name,
                    "Tarsk,Dunlin,timber");
        }
        Outcome before = refresh(job);
        String signature = before.sheets().get(0).signatures().get(0);
        Outcome after = refresh(before.job().withSettled(reading(signature, Reading.DEFAULT.withShift(1))));
        assertThat(after.rows()).isEqualTo(before.rows() - 3);
        assertThat(after.job().columns()).containsAll(List.of("Port", "Vessel", "Cargo"));
        equalsFull(after);
    }

    @Test
    void rowsThatOnlyAddUpAreAskedAboutOnceForALayout() {
        for (String name : List.of("a", "b")) {
            file(name + ".csv", "Port,Berth,Pax", "Hollin " + name + ",A,10", "Hollin,B,20", "Tarsk,A,5", "Quays,,35");
        }
        Outcome before = refresh(job);
        assertThat(before.rows()).isEqualTo(8);
        Question question = before.questions().stream()
                .filter(each -> each.kind().equals("total-row"))
                .findFirst()
                .orElseThrow();
        assertThat(question.text()).startsWith("2 rows add up other rows but name nothing.");
        Outcome after = refresh(before.job()
                .withSettled(new Decision(
                        question.kind(),
                        question.subject(),
                        question.answers().get(1).id(),
                        "",
                        "")));
        assertThat(after.rows()).isEqualTo(6);
        assertThat(after.questions()).noneMatch(each -> each.kind().equals("total-row"));
        equalsFull(after);
    }

    @Test
    void aLaterFileCanSettleWhichRowIsTheHeaderOfAnEarlierOne() {
        file("a.csv", "Overview,Ports,Northern,Company", "Harbour,Vessel,Skipper,Cargo", "Hollin,Petrel,Quill,salt");
        refresh(job);
        file("b.csv", "Harbour,Vessel,Skipper,Cargo", "Tarsk,Dunlin,Marl,timber", "Oska,Fenn,Vane,wool");
        file("c.csv", "Harbour,Vessel,Skipper,Cargo", "Lorne,Ister,Quill,salt", "Oska,Fenn,Vane,coal");
        Outcome outcome = refresh(job);
        assertThat(outcome.sources().get(0).tables().get(0).table().headerRows())
                .containsExactly(2);
        assertThat(outcome.rows()).isEqualTo(5);
        equalsFull(outcome);
    }

    @Test
    void whatIsTriedOutIsNotKept() {
        file("a.csv", "Port,Date,Pax", "Hollin,2026-01-01,4", "Tarsk,2026-01-02,5", "Oska,2026-01-03,6");
        Outcome outcome = refresh(job);
        ReadSheet sheet = outcome.sheets().get(0);
        assertThat(session.tryOut(outcome.job(), sheet, Reading.DEFAULT.withLastRow(2))
                        .get(0)
                        .kept())
                .isEqualTo(1);
        assertThat(session.tryOut(outcome.job(), sheet, Reading.DEFAULT.withHeader(2, 2))
                        .get(0)
                        .headerRows())
                .containsExactly(2);
        assertThat(refresh(outcome.job()).rows()).isEqualTo(3);
    }

    @Test
    void aFileIsPutBackOrLeftOut() {
        file("a.csv", "Port,Pax", "Hollin,4");
        file("b.csv", "Port,Pax", "Tarsk,5");
        file("copy of b.csv", "Port,Pax", "Tarsk,5");
        assertThat(refresh(job).rows()).isEqualTo(2);
        Job decided = job.withSettled(new Decision(Kinds.FILE, "copy of b.csv", "take", "", ""))
                .withSettled(new Decision(Kinds.FILE, "a.csv", "aside", "", ""));
        Outcome outcome = refresh(decided);
        assertThat(outcome.sources())
                .filteredOn(source -> source.state() == SourceReport.State.SET_ASIDE)
                .extracting(SourceReport::path, SourceReport::reason)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("a.csv", "left out by you"));
    }

    @Test
    void namesAndDepthSayWhatBelongsToAPlace() {
        file("a.csv", "Port,Pax", "Hollin,4");
        file("old/b.csv", "Port,Pax", "Tarsk,5");
        file("old/older/c.csv", "Port,Pax", "Oska,6");
        file("draft.csv", "Port,Pax", "Fenn,7");
        Place place = job.places().get(0);
        assertThat(refresh(job.withPlaces(List.of(place.withNames(List.of(), List.of("draft")))))
                        .rows())
                .isEqualTo(3);
        try (JobSession other = JobSession.open(workplace("other"), "other", folder)) {
            Job shallow = job.withPlaces(List.of(place.withDepth(1).withNames(List.of("*.csv"), List.of("draft*"))));
            assertThat(other.refresh(shallow, Reread.CHANGED_ONLY, Progress.NONE)
                            .rows())
                    .isEqualTo(2);
        }
    }

    @Test
    void aTextFormThatIsSaidHoldsAndTheFileIsReadAgain() throws IOException {
        Files.write(
                folder.resolve("data/a.csv"),
                "Port;Größe\nHollin;4,5\nTarsk;5,5\n".getBytes(java.nio.charset.Charset.forName("IBM850")));
        Outcome guessed = refresh(job);
        assertThat(guessed.job().columns()).doesNotContain("Größe");
        Outcome said = refresh(job.withSettled(new Decision(Kinds.TEXT_FORM, "a.csv", "semicolons, IBM850", "", "")));
        assertThat(said.sheets().get(0).form()).isEqualTo("semicolons, IBM850");
        assertThat(said.proposal().columns())
                .extracting(Proposal.ColumnReport::name)
                .contains("Größe");
        assertThat("Größe".getBytes(StandardCharsets.UTF_8)).hasSize(7);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "header 4",
                "header 4-5; last row 118",
                "header 1 lower",
                "header 2 higher; sums are totals",
                "row 7 record; row 40 total; row 44 note",
                "single words are records"
            })
    void readingsAreWrittenAndReadInTheSameWords(String words) {
        assertThat(Reading.of(words)).map(Reading::words).contains(words);
    }

    @ParameterizedTest
    @ValueSource(strings = {"header", "header x", "row 3 nonsense", "row 5-3 note", "last row", "anything"})
    void otherWordsAreNoReading(String words) {
        assertThat(Reading.of(words)).isEmpty();
    }

    private void threeSheets(String name, String first, int pax) {
        Workbooks.workbook()
                .sheet(first, new Object[] {"Port", "Pax"}, new Object[] {"Hollin", pax}, new Object[] {"Oska", 9})
                .sheet("Plan", new Object[] {"Port", "Pax"}, new Object[] {"Tarsk", pax + 1})
                .sheet(
                        "Late",
                        new Object[] {"As of", "March", null},
                        new Object[] {"Port", "Pax", "Crew"},
                        new Object[] {"Fenn", pax + 2, 3},
                        new Object[] {"Lorne", pax + 3, 4})
                .save(folder.resolve("data").resolve(name));
    }

    private List<String> ports(Outcome outcome) {
        return rows(session, outcome).stream()
                .map(row -> row.substring(1, row.indexOf(',')))
                .toList();
    }

    private Outcome ruled(String words) {
        return refresh(job.withSettled(new Decision(SheetRule.KIND, SourceChoice.ALL_FILES, words, "", "")));
    }

    @Test
    void sheetsAreChosenByNameByPositionOrByCells() {
        threeSheets("a.xlsx", "Returns Q1", 10);
        threeSheets("b.xlsx", "Returns Q2", 20);
        assertThat(refresh(job).rows()).isEqualTo(10);
        assertThat(ports(ruled("sheets named returns*"))).containsExactly("Hollin", "Oska", "Hollin", "Oska");
        assertThat(ports(ruled("sheet 2"))).containsExactly("Tarsk", "Tarsk");
        assertThat(ports(ruled("last sheet"))).containsExactly("Fenn", "Lorne", "Fenn", "Lorne");
        Outcome cells = ruled("cells A1:B2");
        assertThat(ports(cells)).containsExactly("Hollin", "Tarsk", "Hollin", "Tarsk");
        equalsFull(cells);
        assertThat(refresh(job).rows()).isEqualTo(10);
    }

    @Test
    void aFolderHasARuleOfItsOwn() throws java.io.IOException {
        java.nio.file.Files.createDirectories(folder.resolve("data/north/late"));
        threeSheets("a.xlsx", "Returns", 10);
        threeSheets("north/b.xlsx", "Returns", 20);
        threeSheets("north/late/c.xlsx", "Returns", 30);
        Job said = job.withSettled(new Decision(SheetRule.KIND, SourceChoice.ALL_FILES, "sheets named Returns", "", ""))
                .withSettled(new Decision(SheetRule.KIND, "north/", "last sheet", "", ""));
        assertThat(ports(refresh(said))).containsExactly("Hollin", "Oska", "Fenn", "Lorne", "Fenn", "Lorne");
        Job nearer = said.withSettled(new Decision(SheetRule.KIND, "north/late/", "sheet 2", "", ""));
        assertThat(ports(refresh(nearer))).containsExactly("Hollin", "Oska", "Fenn", "Lorne", "Tarsk");
    }

    @Test
    void aPlaceHasARuleOfItsOwnAndAFolderInItGoesBefore() throws IOException {
        Path other = Files.createDirectories(folder.resolve("other"));
        Files.createDirectories(other.resolve("late"));
        threeSheets("a.xlsx", "Returns", 10);
        threeSheets("../other/b.xlsx", "Returns", 20);
        threeSheets("../other/late/c.xlsx", "Returns", 30);
        Job two = job.withPlaces(
                        List.of(job.places().get(0), Place.of(other.toString()).withLabel("North")))
                .withSettled(new Decision(SheetRule.KIND, SourceChoice.ALL_FILES, "sheets named Returns", "", ""))
                .withSettled(new Decision(SheetRule.KIND, "North", "last sheet", "", ""));
        assertThat(ports(refresh(two))).containsExactly("Hollin", "Oska", "Fenn", "Lorne", "Fenn", "Lorne");
        Outcome nearer = refresh(two.withSettled(new Decision(SheetRule.KIND, "late/", "sheet 2", "", "")));
        assertThat(ports(nearer)).containsExactly("Hollin", "Oska", "Fenn", "Lorne", "Tarsk");
        equalsFull(nearer);
    }

    @Test
    void aRuleSaidOfALayoutLeavesOtherLayoutsAlone() {
        threeSheets("a.xlsx", "Returns", 10);
        threeSheets("b.xlsx", "Returns", 20);
        Outcome found = refresh(job);
        String late = found.sheets().stream()
                .filter(sheet -> sheet.name().equals("Late"))
                .findFirst()
                .orElseThrow()
                .signatures()
                .get(0);
        Outcome cells = refresh(job.withSettled(new Decision(SheetRule.KIND, late, "cells A2:C3", "", "")));
        assertThat(ports(cells)).containsExactly("Hollin", "Oska", "Tarsk", "Fenn", "Hollin", "Oska", "Tarsk", "Fenn");
        equalsFull(cells);
        Outcome without = refresh(job.withSettled(new Decision(SheetRule.KIND, late, "sheets named Early", "", "")));
        assertThat(ports(without)).containsExactly("Hollin", "Oska", "Tarsk", "Hollin", "Oska", "Tarsk");
    }

    @Test
    void aHiddenSheetIsSetAsideWithItsRowsReadAndCanBeTakenIn() {
        Workbooks.workbook()
                .sheet("Now", new Object[] {"Port", "Pax"}, new Object[] {"Hollin", 10}, new Object[] {"Oska", 9})
                .sheet("Before", new Object[] {"Port", "Pax"}, new Object[] {"Tarsk", 7}, new Object[] {"Fenn", 8})
                .hidden("Before")
                .save(folder.resolve("data/a.xlsx"));
        Outcome without = refresh(job);
        assertThat(ports(without)).containsExactly("Hollin", "Oska");
        assertThat(without.findings())
                .filteredOn(finding -> finding.kind().equals("hidden-sheet"))
                .singleElement()
                .satisfies(
                        finding -> assertThat(finding.text()).contains("Before").contains("is hidden"));
        ReadSheet hidden = without.sheets().get(1);
        assertThat(hidden.reason()).isEqualTo("the sheet is hidden");
        assertThat(hidden.tables().get(0).table().kept()).isEqualTo(2);
        Outcome taken = refresh(job.withSettled(new Decision(Kinds.SHEET, hidden.subject(), "take", "", "")));
        assertThat(ports(taken)).containsExactly("Hollin", "Oska", "Tarsk", "Fenn");
        assertThat(taken.findings()).noneMatch(finding -> finding.kind().equals("hidden-sheet"));
        equalsFull(taken);
    }

    @Test
    void aLabelRightAboveAHeaderOfTwoRowsIsNoneOfItWhereTheHeaderComesAgainWithoutIt() {
        Object[] groups = {null, "Load", null, null, "Account"};
        Object[] names = {"House", "Pieces", "Weight kg", "Ticket", "Charge", "Rewash", "Delivered"};
        Workbooks.workbook()
                .sheet(
                        "Pier",
                        new Object[] {"Wash house", "Port Street"},
                        groups,
                        names,
                        new Object[] {"Cliff Lodge", 307, 278.7, "A-10318", 12.5, 1, "2026-03-02"},
                        new Object[] {"Anchor", 24, 13.6, "A-10290", 13.5, 2, "2026-03-03"},
                        new Object[] {"Harbour", 41, 23.1, "A-10292", 7.5, 0, "2026-03-04"},
                        new Object[0],
                        groups,
                        names,
                        new Object[] {"Cliff Lodge", 65, 41.2, "A-10300", 8.5, 0, "2026-03-05"},
                        new Object[] {"Anchor", 87, 62.4, "A-10301", 9.25, 1, "2026-03-06"})
                .merged("Pier", "B2:C2", "E2:F2", "B8:C8", "E8:F8")
                .save(folder.resolve("data/a.xlsx"));
        Outcome outcome = refresh(job);
        assertThat(outcome.sheets().get(0).tables()).hasSize(1);
        assertThat(outcome.sheets().get(0).tables().get(0).table().headerRows()).containsExactly(2, 3);
        assertThat(outcome.plan().columns())
                .extracting(column -> column.name())
                .startsWith("House", "Load / Pieces", "Load / Weight kg", "Ticket", "Account / Charge");
        assertThat(outcome.rows()).isEqualTo(5);
        equalsFull(outcome);
    }

    @Test
    void aLabelWithItsValueRightAboveTheHeaderIsNoneOfItAsTheOtherSheetsShow() {
        Object[] groups = {null, "Load", null, null, "Account"};
        Object[] names = {
            "House", "Pieces", "Weight kg", "Ticket", "Charge", "Rewash", "Delivered", "Linen", "Collected"
        };
        Workbooks.workbook()
                .sheet(
                        "Pier",
                        new Object[] {"Cloud Linen"},
                        groups,
                        names,
                        wash("Cliff Lodge", "307", "278,7", 10318),
                        wash(null, "24", "13,6", 10290))
                .merged("Pier", "B2:C2", "E2:F2")
                .sheet(
                        "Canal",
                        new Object[] {"Cloud Linen"},
                        groups,
                        names,
                        wash("Anchor", "46", "204,3", 10336),
                        wash(null, "926", "276,5", 10368))
                .merged("Canal", "B2:C2", "E2:F2")
                .sheet(
                        "Row",
                        new Object[] {"Please keep"},
                        new Object[] {"Prepared by", "P. Lind"},
                        groups,
                        names,
                        wash("Anchor", "51", "104,3", 10436),
                        wash(null, "92", "76,5", 10468))
                .merged("Row", "A1:D1", "B3:C3", "E3:F3")
                .save(folder.resolve("data/a.xlsx"));
        Outcome outcome = refresh(job);
        assertThat(outcome.sheets())
                .extracting(sheet -> sheet.tables().get(0).table().headerRows())
                .containsExactly(List.of(2, 3), List.of(2, 3), List.of(3, 4));
        assertThat(outcome.plan().columns())
                .extracting(column -> column.name())
                .containsExactly(
                        "House",
                        "Load / Pieces",
                        "Load / Weight kg",
                        "Ticket",
                        "Account / Charge",
                        "Account / Rewash",
                        "Delivered",
                        "Linen",
                        "Collected");
        equalsFull(outcome);
    }

    private static Object[] wash(String house, String pieces, String weight, int ticket) {
        return new Object[] {house, pieces, weight, ticket, "92,85", "0,2%", "19/08/2023", "Sheets", "03/08/2023"};
    }

    @Test
    void aHiddenSheetStaysHiddenHoweverItIsRead() {
        Workbooks.workbook()
                .sheet("Now", new Object[] {"Port", "Pax"}, new Object[] {"Hollin", 10}, new Object[] {"Oska", 9})
                .sheet("Before", new Object[] {"Port", "Pax"}, new Object[] {"Tarsk", 7}, new Object[] {"Fenn", 8})
                .hidden("Before")
                .save(folder.resolve("data/a.xlsx"));
        String signature = refresh(job).sheets().get(1).tables().get(0).signature();
        Outcome moved = refresh(job.withSettled(reading(signature, Reading.DEFAULT.withShift(1))));
        assertThat(moved.sheets().get(0).tables().get(0).table().headerRows()).containsExactly(2);
        assertThat(moved.sheets().get(1).reason()).isEqualTo("the sheet is hidden");
        assertThat(moved.rows()).isEqualTo(1);
        equalsFull(moved);
    }

    @Test
    void aRuleThatFindsNothingInAFileSaysSoAndWhatItHas() {
        threeSheets("a.xlsx", "Returns", 10);
        threeSheets("b.xlsx", "Ruckgabe", 20);
        Outcome outcome = ruled("sheets named Returns");
        assertThat(outcome.rows()).isEqualTo(2);
        assertThat(outcome.findings())
                .filteredOn(finding -> finding.kind().equals("no-sheet"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text())
                        .startsWith("b.xlsx: Your rule finds no sheet in it. It has “Ruckgabe”, “Plan” and “Late”."));
        assertThat(SheetRule.of("sheets named Returns").orElseThrow().effect(outcome.sheets()))
                .isEqualTo("Found in 1 of 2 files; not in b.xlsx.");
        assertThat(SheetRule.of("sheets named P*, Late").orElseThrow().effect(outcome.sheets()))
                .isEqualTo("Found in 2 of 2 files, in 2 more than once.");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "sheet", "sheet 0", "sheets named ", "cells nowhere", "Returns", "table "})
    void otherWordsAreNoRule(String words) {
        assertThat(SheetRule.of(words)).isEmpty();
    }

    @Test
    void wordsThatNoLanguageHasAreAskedAbout() throws IOException {
        Files.write(
                folder.resolve("data/a.csv"),
                "Port;Gr\u00f6\u00dfe\nHollin;4,5\nTarsk;5,5\n".getBytes(java.nio.charset.Charset.forName("IBM850")));
        Outcome outcome = refresh(job);
        Question question = outcome.questions().stream()
                .filter(each -> each.kind().equals(Kinds.TEXT_FORM))
                .findFirst()
                .orElseThrow();
        Outcome settled =
                refresh(outcome.job().withSettled(new Decision(question.kind(), question.subject(), "IBM850", "", "")));
        assertThat(settled.proposal().columns())
                .extracting(Proposal.ColumnReport::name)
                .contains("Gr\u00f6\u00dfe");
        assertThat(settled.questions()).noneMatch(each -> each.kind().equals(Kinds.TEXT_FORM));
        Files.write(
                folder.resolve("data/a.csv"),
                "Port;Gr\u00f6\u00dfe\nF\u00e6r\u00f8;4,5\nL'\u00cele;5,5\n"
                        .getBytes(java.nio.charset.Charset.forName("windows-1252")));
        assertThat(refresh(job).questions()).noneMatch(each -> each.kind().equals(Kinds.TEXT_FORM));
    }

    @Test
    void anOrderThatWasChangedStaysAndNewFilesFindTheirPlace() {
        file("a.csv", "Port,Pax", "Hollin,4");
        file("b.csv", "Port,Pax", "Tarsk,5");
        file("c.csv", "Port,Pax", "Oska,6");
        refresh(job);
        Job moved = job.withSettled(new Decision(Kinds.ORDER, SourceChoice.ALL_FILES, "c.csv\na.csv\nb.csv", "", ""));
        assertThat(ports(refresh(moved))).containsExactly("Oska", "Hollin", "Tarsk");
        file("a2.csv", "Port,Pax", "Fenn,7");
        Outcome outcome = refresh(moved);
        assertThat(ports(outcome)).containsExactly("Oska", "Hollin", "Fenn", "Tarsk");
        equalsFull(outcome);
    }

    @ParameterizedTest
    @org.junit.jupiter.params.provider.CsvSource(
            delimiter = '|',
            value = {
                "reading|a.csv|heading 3|which is not understood",
                "reading|renamed.csv|header 1|no such sheet or layout",
                "sheets|all files|the good ones|which is not understood",
                "text-form|a.csv|dots, UTF-8|which is not understood",
                "header-row|port|lower|which is not understood"
            })
    void whatTheJobSaysAndCannotBeFollowedIsSaid(String kind, String subject, String words, String why) {
        file("a.csv", "Port,Pax", "Hollin,4");
        Outcome outcome = refresh(job.withSettled(new Decision(kind, subject, words, "", "")));
        assertThat(outcome.rows()).isEqualTo(1);
        assertThat(outcome.findings())
                .filteredOn(finding -> finding.kind().equals("not-followed"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text()).contains(why).contains("left to what the files show"));
    }
}
