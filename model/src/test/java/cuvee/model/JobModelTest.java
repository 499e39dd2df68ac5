package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.HeaderBookFile;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.Question;
import cuvee.gather.ReadSheet;
import cuvee.job.Delivery;
import cuvee.master.MasterReader;
import cuvee.tell.Outcome;
import cuvee.tell.Stakes;
import cuvee.tell.Verdict;
import cuvee.value.Type;
import java.nio.file.Files;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class JobModelTest extends OpenJob {
    @Test
    void whatEndsAfterTheJobWasClosedIsShownToNobody() throws InterruptedException {
        model.refresh();
        Runnable progress = ui.poll(20, TimeUnit.SECONDS);
        Runnable end = ui.poll(20, TimeUnit.SECONDS);
        model.close();
        assertThat(model.awaitClosed(10_000)).isTrue();
        progress.run();
        end.run();
        assertThat(model.outcomeProperty().get()).isEmpty();
    }

    @Test
    void aNewJobIsUnsavedUntilItIsSaved() throws Exception {
        assertThat(model.titleProperty().get()).isEqualTo("data *");
        assertThat(refreshed().rows()).isEqualTo(3);
        model.saveAs(folder.resolve("Returns.cuvee"));
        assertThat(model.titleProperty().get()).isEqualTo("Returns");
        assertThat(model.messageProperty().get().text()).isEqualTo("Saved: Returns.cuvee.");
        assertThat(new RecentJobs(workplace.state()).entries())
                .extracting(RecentJobs.Entry::name)
                .containsExactly("Returns");
    }

    @Test
    void savingElsewhereKeepsThePlacesRight() throws Exception {
        refreshed();
        Files.createDirectories(folder.resolve("jobs"));
        model.saveAs(folder.resolve("jobs/Returns.cuvee"));
        assertThat(model.jobProperty().get().places().get(0).path()).isEqualTo("../data");
    }

    @Test
    void workGoesOnFromTheFolderThatTheJobWasSavedIn() throws Exception {
        model.answers().settle(refreshed().questions().get(0), "Heads");
        idle();
        Files.createDirectories(folder.resolve("jobs"));
        model.saveAs(folder.resolve("jobs/Returns.cuvee"));
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
        assertThat(model.outcomeProperty().get().orElseThrow().changed().nothing())
                .isTrue();
        model.deliveries().add(folder.resolve("jobs/out.csv"));
        assertThat(model.jobProperty().get().deliveries().get(0).target()).isEqualTo("out.csv");
        model.deliveries().write(model.jobProperty().get().deliveries().get(0), Existing.KEEP, held -> {});
        idle();
        assertThat(folder.resolve("jobs/out.csv")).isNotEmptyFile();
        model.undo();
        model.undo();
        idle();
        assertThat(model.jobProperty().get().places().get(0).path()).isEqualTo("../data");
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
    }

    @Test
    void whatIsDecidedWhileWorkRunsIsNotForgottenHoweverItEnds() throws Exception {
        Question question = refreshed().questions().get(0);
        model.refresh();
        model.answers().settle(question, "Heads");
        model.cancel();
        idle();
        assertThat(columns()).contains("Heads");
        model.deliveries().accept(new Delivery("out.csv", "out.csv"));
        model.deliveries().write(model.jobProperty().get().deliveries().get(0), Existing.KEEP, held -> {});
        model.undo();
        model.undo();
        idle();
        assertThat(columns()).doesNotContain("Heads");
    }

    @Test
    void aFileOfOthersIsWrittenOverOnlyWhenThatWasSaid() throws Exception {
        model.answers().settle(refreshed().questions().get(0), "Heads");
        idle();
        Files.writeString(folder.resolve("out.csv"), "somebody's");
        model.deliveries().add(folder.resolve("out.csv"));
        Delivery delivery = model.jobProperty().get().deliveries().get(0);
        assertThat(model.deliveries().loss(delivery).orElseThrow())
                .isEqualTo("a file of that name is there already, and Cuvee did not write it (10 bytes)");
        model.deliveries().write(delivery, Existing.KEEP, held -> {});
        idle();
        assertThat(model.messageProperty().get().kind()).isEqualTo(Message.Kind.FAILURE);
        assertThat(folder.resolve("out.csv")).hasContent("somebody's");
        model.deliveries().write(delivery, Existing.REPLACE, held -> {});
        idle();
        assertThat(Files.readString(folder.resolve("out.csv"))).startsWith("Date");
        assertThat(model.deliveries().loss(delivery)).isEmpty();
    }

    @Test
    void anAnswerCanBeUndoneAndRedone() throws Exception {
        Question question = refreshed().questions().get(0);
        assertThat(question.assumed()).isEqualTo("Passengers");
        model.answers().settle(question, "Heads");
        idle();
        assertThat(columns()).contains("Heads");
        assertThat(model.canUndoProperty().get()).isTrue();
        model.undo();
        idle();
        assertThat(columns()).doesNotContain("Heads");
        assertThat(model.outcomeProperty().get().orElseThrow().questions()).hasSize(1);
        model.redo();
        idle();
        assertThat(columns()).contains("Heads");
    }

    private List<String> columns() {
        return model.outcomeProperty().get().orElseThrow().proposal().columns().stream()
                .map(column -> column.name())
                .toList();
    }

    @Test
    void aRefreshThatFailsSaysSoAndKeepsTheMaster() throws Exception {
        refreshed();
        Files.move(folder.resolve("data"), folder.resolve("moved"));
        model.refresh();
        idle();
        assertThat(model.messageProperty().get().kind()).isEqualTo(Message.Kind.FAILURE);
        assertThat(model.messageProperty().get().text()).contains("There is no folder or file");
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
    }

    @Test
    void aDeliveryIsKeptInTheJobAndWritten() throws Exception {
        refreshed();
        model.deliveries().add(folder.resolve("out.csv"));
        model.deliveries().write(model.jobProperty().get().deliveries().get(0), Existing.KEEP, held -> {});
        assertThat(model.messageProperty().get().text())
                .isEqualTo(
                        "out.csv was not written: 1 open question could change a number. Settle it, or accept it by name"
                                + " on its card.");
        assertThat(folder.resolve("out.csv")).doesNotExist();
        model.deliveries().accept(model.jobProperty().get().deliveries().get(0));
        assertThat(model.deliveries()
                        .holding(model.jobProperty().get().deliveries().get(0)))
                .isEmpty();
        model.deliveries().write(model.jobProperty().get().deliveries().get(0), Existing.KEEP, held -> {});
        idle();
        assertThat(folder.resolve("out.csv")).isNotEmptyFile();
        assertThat(model.messageProperty().get().text()).startsWith("Written: out.csv, 3 rows");
        model.deliveries().remove(model.jobProperty().get().deliveries().get(0));
        assertThat(model.jobProperty().get().deliveries()).isEmpty();
        model.undo();
        assertThat(model.jobProperty().get().deliveries()).hasSize(1);
        idle();
    }

    @Test
    void anotherPlaceBringsItsRows() throws Exception {
        refreshed();
        write("more/c.csv", "Date,Port,Passengers\n2026-03-01,Hollin,9\n");
        model.files().addPlaces(List.of(folder.resolve("more")));
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(4);
    }

    @Test
    void theMasterIsReadPageByPage() throws Exception {
        StringBuilder many = new StringBuilder("Date,Port,Passengers\n");
        for (int i = 0; i < 5000; i++) {
            many.append("2026-01-01,Hollin,").append(i).append('\n');
        }
        write("data/a.csv", many.toString());
        Outcome outcome = refreshed();
        try (MasterGrid grid = new MasterGrid(model.session(), outcome, ui::add)) {
            assertThat(grid.rows()).isEqualTo(5001);
            assertThat(grid.text(4321, 2)).as("on its way").isNull();
            until(() -> grid.text(4321, 2) != null);
            assertThat(grid.text(4321, 2)).isEqualTo("4,321");
            assertThat(grid.subtitle(2)).isEqualTo("Whole number, full");
            assertThat(grid.title(3)).isEqualTo("Source file");
        }
    }

    @Test
    void aQuestionAboutASheetStandsAtItInRead() throws Exception {
        write(
                "data/b.csv",
                "Show,Run,Income,Audience\nComets,1,2.5,Club\n,2,2.25,Club\n,3,3.5,Public\n"
                        + "Moons,4,4.5,Club\n,5,1.5,Club\n,6,2.75,Club\nStars,7,1.25,Public\n,8,9.5,Club\n");
        Outcome outcome = refreshed();
        List<cuvee.finding.Question> asked = Questions.of(outcome, Stage.READ);
        assertThat(asked).isNotEmpty();
        ListGrid<Grids.ReadLine> read = Grids.read(outcome);
        for (long row = 0; row < read.rows(); row++) {
            boolean at = Grids.question(outcome, read.item(row)).isPresent();
            assertThat(read.mark(row, 0)).isEqualTo(at ? GridModel.Mark.QUESTION : GridModel.Mark.NONE);
            assertThat(read.mark(row, 1)).isEqualTo(GridModel.Mark.NONE);
        }
        assertThat(read.rows()).isGreaterThan(1);
        assertThat(asked).allMatch(question -> question.where().source().endsWith(".csv"));
    }

    @Test
    void whateverHasANameIsFoundByIt() throws Exception {
        Outcome outcome = refreshed();
        assertThat(Finder.of(Optional.of(outcome), "hea"))
                .extracting(Finder.Found::what)
                .startsWith("header, feeds Passengers")
                .endsWith("find it in the rows of the master");
        assertThat(Finder.of(Optional.of(outcome), "b."))
                .extracting(Finder.Found::name)
                .containsExactly("b.csv", "b.");
        assertThat(Finder.of(Optional.of(outcome), "Hollin").get(0).isInRows()).isTrue();
        assertThat(Finder.of(Optional.empty(), "line"))
                .extracting(Finder.Found::stage)
                .containsExactly(Stage.LINE_UP);
        assertThat(Finder.of(Optional.of(outcome), " ")).isEmpty();
    }

    @Test
    void theAccountOfAMasterSaysItsFiguresAndWhatIsOpen() throws Exception {
        assertThat(About.words(refreshed()))
                .isEqualTo("3 rows from 2 files in 2 layouts. Every line is accounted for: 5 seen, 3 kept, 2 set aside."
                        + " 0 rules are in force. Adds up; not final: 1 question.");
    }

    @Test
    void aRuleIsTriedBeforeItIsInForce() throws Exception {
        refreshed();
        List<RuleModel.Trial> tried = new ArrayList<>();
        model.rules().tryPhrase("Port is Hollin", false, trial -> trial.ifPresent(tried::add));
        until(() -> !tried.isEmpty());
        assertThat(tried.get(0).words()).isEqualTo("2 rows would go; 3 rows become 1.");
        assertThat(tried.get(0).rows()).hasSize(3).first().isEqualTo(List.of("Date", "Port", "Passengers"));
        model.rules().tryPhrase("Port is Hollin", true, trial -> trial.ifPresent(tried::add));
        until(() -> tried.size() == 2);
        assertThat(tried.get(1).words()).isEqualTo("1 row would go; 3 rows become 2.");
        assertThat(model.jobProperty().get().settled()).isEmpty();
    }

    @Test
    void aMisfitAnAbsentCellAndABlankOneLookDifferent() throws Exception {
        write(
                "data/a.csv",
                "Date,Port,Fare,Crew\n2026-01-01,Hollin,5.25,1\n2026-01-02,Hollin,n/a,2\n2026-01-03,Oska,,3\n");
        write("data/b.csv", "Date,Port,Fare\n2026-02-01,Tarsk,7.5\n2026-02-02,Tarsk,8\n");
        Outcome outcome = refreshed();
        assertThat(columns()).containsExactly("Date", "Port", "Fare", "Crew");
        try (MasterGrid grid = new MasterGrid(model.session(), outcome, ui::add)) {
            until(() -> grid.line(0).isPresent());
            assertThat(grid.text(1, 2)).isEqualTo("n/a");
            assertThat(grid.tone(1, 2)).isEqualTo(GridModel.Tone.QUOTED);
            assertThat(grid.text(2, 2)).isEmpty();
            assertThat(grid.tone(2, 2)).isEqualTo(GridModel.Tone.PLAIN);
            assertThat(grid.tone(3, 3)).isEqualTo(GridModel.Tone.ABSENT);
            assertThat(grid.text(3, 2)).as("as many decimals as the others").isEqualTo("7.50");
            assertThat(grid.total(2)).isEqualTo("20.75");
            MasterGrid.Figures figures = grid.figures(0, 4, 2).orElseThrow();
            assertThat(figures.sum()).isEqualTo("20.75");
            assertThat(figures.filled()).isEqualTo(3);
            assertThat(figures.greatest()).startsWith("8");
        }
    }

    @Test
    void theMiddleOfALongTableIsFoldedAndEveryLineKeepsItsNumber() throws Exception {
        StringBuilder text = new StringBuilder("Date,Port,Passengers\n");
        for (int row = 1; row <= 60; row++) {
            text.append("2026-01-01,Hollin,").append(row).append('\n');
        }
        write("data/a.csv", text.toString());
        Outcome outcome = refreshed();
        try (SheetGrid sheet = new SheetGrid(model.session(), outcome.sheets().get(0), ui::add)) {
            assertThat(sheet.rows()).isEqualTo(61);
            sheet.showBothEnds(true);
            assertThat(sheet.rows()).isEqualTo(1 + 12 + 1 + 6);
            assertThat(sheet.isFolded(13)).isTrue();
            assertThat(sheet.text(13, 0)).startsWith("42 records folded away, all kept");
            assertThat(sheet.standsFor(13)).isEqualTo(42);
            for (long line = 0; line < sheet.rows(); line++) {
                assertThat(sheet.lineOf(sheet.sheetRow(line))).isEqualTo(line);
            }
            assertThat(sheet.sheetRow(19)).isEqualTo(61);
            assertThat(sheet.lineOf(30)).isEqualTo(13);
            sheet.showBothEnds(false);
            assertThat(sheet.sheetRow(30)).isEqualTo(31);
        }
    }

    private static Reconciliation reconciliation(Outcome outcome) {
        return new Reconciliation(outcome, new Grouping("file", Map.of()), "");
    }

    private static List<String> titles(GridModel grid) {
        return java.util.stream.IntStream.range(0, grid.columns())
                .mapToObj(grid::title)
                .toList();
    }

    /** A figure of the reconciliation, in which a dot stands for none. */
    private static long number(String text) {
        return text.equals("·") ? 0 : Long.parseLong(text);
    }

    private Ledger.Segment segment(Stage stage) {
        return Ledger.of(
                stage, model.jobProperty().get(), model.outcomeProperty().get());
    }

    @Test
    void theLedgerCarriesLiveFigures() throws Exception {
        assertThat(segment(Stage.MASTER).figure()).isEqualTo("–");
        write("data/~$a.xlsx", "x");
        refreshed();
        assertThat(segment(Stage.COLLECT).spoken()).isEqualTo("Collect: 2 files, ↓ 1 aside");
        assertThat(segment(Stage.READ).spoken()).isEqualTo("Read: 2 tables, ↓ 2 lines aside");
        assertThat(segment(Stage.LINE_UP).questions()).isEqualTo(1);
        assertThat(segment(Stage.MASTER).spoken()).isEqualTo("Master: 3 rows");
        assertThat(segment(Stage.MASTER).rule()).isEqualTo(Ledger.Rule.DOUBLE);
    }

    @Test
    void theVerdictIsNeverBetterThanItIs() throws Exception {
        Outcome first = refreshed();
        assertThat(Verdict.of(first).sentence()).isEqualTo("Adds up; not final: 1 question.");
        assertThat(segment(Stage.CHECK).kind()).isEqualTo(Ledger.Side.OPEN);
        model.answers().settleAsAssumed(first.questions());
        idle();
        Outcome settled = model.outcomeProperty().get().orElseThrow();
        assertThat(settled.questions()).isEmpty();
        assertThat(Verdict.of(settled).kind()).isEqualTo(Verdict.Kind.CLEAN);
        write("data/torn.xlsx", "PK\3\4");
        model.refresh();
        idle();
        assertThat(Verdict.of(model.outcomeProperty().get().orElseThrow()).sentence())
                .isEqualTo("Adds up; not final: 1 file unread.");
    }

    @Test
    void anActIsNamedSaysWhatItChangedAndIsTakenBackByName() throws Exception {
        Outcome first = refreshed();
        assertThat(model.lastActProperty().get()).isEmpty();
        model.board().splitHeader("heads", "Heads");
        idle();
        assertThat(model.lastActProperty().get()).isEqualTo("“Heads” feeds Heads");
        assertThat(model.messageProperty().get().text())
                .isEqualTo("“Heads” feeds Heads: 1 value fewer in Passengers; Heads is new, with 1 value.");
        model.files().decideFiles(List.of("b.csv"), false);
        idle();
        assertThat(model.lastActProperty().get()).isEqualTo("left out b.csv");
        assertThat(model.messageProperty().get().text()).startsWith("Left out b.csv: 1 row fewer; ");
        model.undo();
        idle();
        assertThat(model.undoneActProperty().get()).isEqualTo("left out b.csv");
        assertThat(model.lastActProperty().get()).isEqualTo("“Heads” feeds Heads");
        assertThat(model.messageProperty().get().text()).startsWith("Taken back: left out b.csv: 1 row more; ");
        assertThat(first.questions()).hasSize(1);
    }

    @Test
    void aQuestionNamesItsSubjectAndShowsBothSidesAndCanBeAskedAgain() throws Exception {
        write("data/b.csv", "Date,Port,Sunk\n2026-02-01,Tarsk,yes\n2026-02-02,Tarsk,no\n");
        write("data/a.csv", "Date,Port,Lost\n2026-01-01,Hollin,no\n2026-01-02,Hollin,yes\n");
        Outcome outcome = refreshed();
        var question = outcome.questions().get(0);
        assertThat(Questions.stage(question)).isEqualTo(Stage.LINE_UP);
        assertThat(Questions.title(outcome, question)).matches("Is “Sunk” the column Lost\\?");
        assertThat(Questions.rows(Stakes.of(outcome).of(question))).isEqualTo("2 rows");
        assertThat(Questions.seen(outcome, question))
                .extracting(Questions.Seen::title)
                .containsExactly("“Sunk” in 1 table", "“Lost” in 1 table");
        assertThat(Questions.seen(outcome, question).get(0).values()).containsExactlyInAnyOrder("yes", "no");
        model.answers().settle(question, question.assumed());
        idle();
        Outcome settled = model.outcomeProperty().get().orElseThrow();
        ListGrid<cuvee.job.Decision> decisions = Questions.settled(settled);
        assertThat(decisions.text(0, 0)).isEqualTo("“Sunk” feeds Lost");
        model.answers().askAgain(decisions.item(0));
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().questions()).hasSize(1);
    }

    @Test
    void columnsAreNamedMovedTypedLeftOutUnitedAndSplitOnTheBoard() throws Exception {
        Outcome first = refreshed();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers");
        model.board().renameColumn("Passengers", "People");
        idle();
        assertThat(columns()).containsExactly("Date", "Port", "People");
        model.board().moveColumn("People", -2);
        idle();
        assertThat(columns()).containsExactly("People", "Date", "Port");
        model.board().decideType("People", Type.TEXT);
        idle();
        assertThat(model.outcomeProperty()
                        .get()
                        .orElseThrow()
                        .proposal()
                        .columns()
                        .get(0)
                        .type())
                .isEqualTo(Type.TEXT);
        model.board().leaveOutColumn("Port", true);
        idle();
        assertThat(columns()).containsExactly("People", "Date");
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().leftOut())
                .containsEntry("Port", 3L);
        model.board().leaveOutColumn("Port", false);
        idle();
        assertThat(columns()).containsExactly("People", "Date", "Port");
        BoardGrid.Header header = BoardGrid.header(
                        model.outcomeProperty().get().orElseThrow(),
                        first.proposal().layouts().get(1),
                        "People")
                .orElseThrow();
        assertThat(header.header()).isEqualTo("Heads");
        model.board().splitHeader(header.key(), header.header());
        idle();
        assertThat(columns()).containsExactlyInAnyOrder("People", "Date", "Port", "Heads");
        model.board().uniteColumns("Heads", "People");
        idle();
        assertThat(columns()).containsExactly("People", "Date", "Port");
        for (int i = 0; i < 7; i++) {
            model.undo();
            idle();
        }
        assertThat(columns()).containsExactly("Date", "Port", "Passengers");
    }

    @Test
    void namesThatAreTakenAndMovesThatGoNowhereChangeNothing() throws Exception {
        refreshed();
        model.board().renameColumn("Passengers", "port");
        assertThat(model.messageProperty().get().text())
                .isEqualTo("Another column is called “Port” already. Nothing was changed. Choose another name, or unite"
                        + " the two.");
        model.board().renameColumn("Passengers", " ");
        model.board().moveColumn("Date", -1);
        assertThat(model.workProperty().get()).isEmpty();
        assertThat(model.canUndoProperty().get()).isFalse();
    }

    @Test
    void theGridsTellWhatBecameOfEverything() throws Exception {
        write("data/inner/torn.xlsx", "PK\3\4");
        Outcome outcome = refreshed();
        FilesGrid files = FilesGrid.of(outcome, FilesGrid.Filter.ALL, Optional.empty(), ZoneId.of("UTC"));
        assertThat(files.rows()).isEqualTo(4);
        assertThat(files.text(0, 0)).isEqualTo("a.csv");
        assertThat(files.text(0, 2)).isEqualTo("1 table, 2 rows");
        assertThat(files.tone(2, 0)).isEqualTo(GridModel.Tone.HEADING);
        assertThat(files.text(3, 1)).isEqualTo("set aside");
        BoardGrid board = board(outcome, BoardGrid.columns(outcome, BoardGrid.Filter.ALL));
        assertThat(board.rows()).isEqualTo(2);
        assertThat(board.text(0, 4)).isEqualTo("=");
        assertThat(board.text(1, 4)).isEqualTo("Heads");
        assertThat(board.second(1, 4)).isEqualTo("assumed");
        assertThat(board.mark(1, 4)).isEqualTo(GridModel.Mark.QUESTION);
        ListGrid<Grids.ReadLine> read = Grids.read(outcome);
        assertThat(read.text(0, 0)).isEqualTo("1 table  Layout 1, 3 columns: Date, Port, Passengers");
        assertThat(read.text(1, 0)).isEqualTo("a.csv");
        assertThat(read.text(1, 1)).isEqualTo("2");
        Reconciliation all = reconciliation(outcome);
        assertThat(all.text(0, 0)).isEqualTo("a.csv");
        assertThat(all.text(0, 1)).isEqualTo("3");
        assertThat(all.total(1)).isEqualTo("5");
        assertThat(all.isClosed(1)).isTrue();
        assertThat(all.equation()).isEqualTo("5 lines seen = 3 kept + 2 set aside");
        Fullness fullness = new Fullness(outcome, new Grouping("file", Map.of()));
        assertThat(fullness.text(1, 3)).isEqualTo("full");
    }

    private static BoardGrid board(Outcome outcome, List<Integer> columns) {
        return new BoardGrid(outcome, columns, java.util.Set.of(), java.util.Map.of(), false);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1204567|WHOLE_NUMBER|1,204,567",
                "-1204.5|DECIMAL|-1,204.5",
                "1204.5|MONEY|1,204.50",
                "0.125|PERCENT|12.5 %",
                "true|YES_NO|yes",
                "2026-03-31T14:05:00|DATE_AND_TIME|2026-03-31 14:05:00",
                "999|WHOLE_NUMBER|999"
            })
    void valuesAreShownAsPeopleReadThem(String value, Type type, String shown) {
        assertThat(MasterGrid.shownAs(value, type)).isEqualTo(shown);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"0|10|empty", "10|10|full", "9999|10000|99 % filled", "1|10000|1 % filled", "5|10|50 % filled"})
    void fullnessIsNeverRoundedToFullOrEmpty(long filled, long rows, String words) {
        assertThat(MasterGrid.fullness(filled, rows)).isEqualTo(words);
    }

    @Test
    void theBoardShowsWhatDiffersIsAbsentOrAssumedOnly() throws Exception {
        write("data/c.csv", "Date,Port,Passengers,Crew\n2026-03-01,Oska,8,2\n2026-03-02,Oska,8,3\n");
        Outcome outcome = refreshed();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers", "Crew");
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.ALL)).containsExactly(0, 1, 2, 3);
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.DIFFERENT)).containsExactly(2);
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.ABSENT)).containsExactly(3);
        assertThat(BoardGrid.columns(outcome, BoardGrid.Filter.ASSUMED)).containsExactly(2);
        assertThat(board(outcome, List.of(3)).title(2)).isEqualTo("Crew");
    }

    @Test
    void aColumnsValuesAreCountedSearchedAndWrittenOtherwise() throws Exception {
        write("data/c.csv", "Date,Port,Passengers\n2026-03-01,HOLLIN,many\n2026-03-02,Oska,8\n2026-03-03,Oska,9\n");
        refreshed();
        model.board().decideType("Passengers", Type.WHOLE_NUMBER);
        idle();
        ValuesGrid.Found[] found = new ValuesGrid.Found[1];
        try (ValuesGrid ports = values(1, found)) {
            assertThat(found[0].facts().different()).isEqualTo(4);
            assertThat(found[0].alike())
                    .singleElement()
                    .satisfies(group -> assertThat(group.to().text()).isEqualTo("Hollin"));
            until(() -> ports.value(0).isPresent());
            assertThat(ports.rows()).isEqualTo(4);
            assertThat(ports.text(0, 0)).isEqualTo("Hollin");
            assertThat(ports.text(0, 1)).isEqualTo("2");
            ports.search("sk");
            until(() -> ports.rows() == 2);
            until(() -> ports.value(1).isPresent());
            assertThat(ports.writable(0, 1)).extracting(value -> value.text()).containsExactly("Oska", "Tarsk");
        }
        try (ValuesGrid people = values(2, found)) {
            assertThat(people.isMisfit(0)).isTrue();
            assertThat(people.text(0, 0)).isEqualTo("many, does not fit");
            assertThat(people.writable(0, 3))
                    .as("values that fit are left alone")
                    .hasSize(1);
        }
        model.rules().writeValues("Passengers", List.of("many"), "100");
        model.rules().writeValues("Port", List.of("HOLLIN"), "Hollin");
        idle();
        until(() -> model.outcomeProperty()
                        .get()
                        .orElseThrow()
                        .proposal()
                        .valueCells()
                        .size()
                == 2);
        try (ValuesGrid people = values(2, found)) {
            assertThat(people.isMisfit(0)).isFalse();
            assertThat(found[0].misfits()).isEmpty();
            assertThat(found[0].facts().greatest()).isEqualTo("100");
        }
        model.undo();
        idle();
        model.undo();
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().valueCells())
                .isEmpty();
    }

    private ValuesGrid values(int column, ValuesGrid.Found[] found) throws InterruptedException {
        ValuesGrid grid =
                new ValuesGrid(model.session(), model.outcomeProperty().get().orElseThrow(), column, ui::add);
        found[0] = null;
        grid.load(told -> found[0] = told, why -> {
            throw new AssertionError(why);
        });
        until(() -> found[0] != null);
        return grid;
    }

    @Test
    void theRowsOfOneSourceCanBeLookedAtAlone() throws Exception {
        Outcome outcome = refreshed();
        try (MasterGrid one = MasterGrid.ofSource(model.session(), outcome, ui::add, "b.csv")) {
            assertThat(one.rows()).isEqualTo(1);
            until(() -> one.line(0).isPresent());
            assertThat(one.text(0, 1)).isEqualTo("Tarsk");
        }
    }

    @Test
    void tagsAreMovedAndLeftOutOnTheBoardToo() throws Exception {
        write("data/Hollin_1.csv", "Date,Pax\n2026-01-01,5\n2026-01-02,6\n");
        write("data/Tarsk_1.csv", "Date,Pax\n2026-01-01,7\n2026-01-02,8\n");
        Files.delete(folder.resolve("data/a.csv"));
        Files.delete(folder.resolve("data/b.csv"));
        refreshed();
        assertThat(columns()).containsExactly("Date", "Pax", "File part 1");
        model.board().moveColumn("File part 1", -2);
        idle();
        assertThat(columns()).containsExactly("File part 1", "Date", "Pax");
        model.board().renameColumn("File part 1", "Port");
        idle();
        assertThat(columns()).containsExactly("Port", "Date", "Pax");
        model.board().leaveOutColumn("Port", true);
        idle();
        assertThat(columns()).containsExactly("Date", "Pax");
        String added = model.board().addColumn();
        idle();
        assertThat(columns()).containsExactly("Date", "Pax", added);
    }

    @Test
    void theReconciliationSaysWhatRulesSetAsideOfEachFile() throws Exception {
        write("data/plan.csv", "Date,Port,Passengers\n2026-03-01,Hollin,8\n2026-03-02,Oska,9\n");
        refreshed();
        model.rules().ruleByPhrase("Port is Hollin", false);
        idle();
        Outcome outcome = model.outcomeProperty().get().orElseThrow();
        Reconciliation lines = reconciliation(outcome);
        assertThat(titles(lines)).containsExactly("File", "Lines seen", "Header", "Kept", "By rules", "In the master");
        for (int row = 0; row < lines.rows(); row++) {
            assertThat(number(lines.text(row, 4)) + number(lines.text(row, 5))).isEqualTo(number(lines.text(row, 3)));
        }
        assertThat(segment(Stage.REWORK).side()).isEqualTo("↓ 3 rows aside");
        model.rules().ruleEqual(List.of("Port"), "keep the last");
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().rowsRuledOut()).isEqualTo(3);
        model.undo();
        idle();
        model.undo();
        idle();
        assertThat(titles(reconciliation(model.outcomeProperty().get().orElseThrow())))
                .containsExactly("File", "Lines seen", "Header", "Kept");
    }

    @Test
    void whatIsSelectedSuggestsRules() throws Exception {
        Outcome outcome = refreshed();
        try (MasterGrid grid = new MasterGrid(model.session(), outcome, ui::add)) {
            until(() -> grid.line(2).isPresent());
            assertThat(grid.phrases(0, 0, 1)).containsExactly("Port is Hollin");
            assertThat(grid.phrases(0, 2, 1)).containsExactly("Port is Hollin or Tarsk");
            assertThat(grid.phrases(0, 0, 2))
                    .containsExactly("Passengers is 5", "Passengers over 5", "Passengers under 5");
            assertThat(grid.phrases(0, 0, 0))
                    .containsExactly("Date is 2026-01-01", "Date after 2026-01-01", "Date before 2026-01-01");
        }
    }

    @Test
    void allNearEqualSpellingsAreWrittenInOneStep() throws Exception {
        write("data/a.csv", "Port,Item\nHollin,Oil\nHollin,Oil\nHOLLIN,Oil\n");
        write("data/b.csv", "Port,Item\nTarsk,Oil\nTarsk,OIL\ntarsk,Oil\n");
        refreshed();
        ValuesGrid.Found[] found = new ValuesGrid.Found[1];
        try (ValuesGrid ports = values(0, found)) {
            assertThat(ports.type()).isEqualTo(Type.TEXT);
            assertThat(found[0].alike()).hasSize(2);
        }
        model.rules().writeAlike("Port", found[0].alike());
        idle();
        try (ValuesGrid ports = values(0, found)) {
            assertThat(ports.rows()).isEqualTo(2);
            assertThat(found[0].alike()).isEmpty();
        }
        model.undo();
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().proposal().valueCells())
                .isEmpty();
    }

    @Test
    void howFarMoneyMovedIsSaidWithItsHundredths() throws Exception {
        write("data/b.csv", "Date,Port,Passengers,Fares\n2026-02-01,Tarsk,7,€ 10.25\n");
        refreshed();
        write("data/c.csv", "Date,Port,Passengers,Fares\n2026-03-01,Marsay,9,€ 12.50\n");
        refreshed();
        assertThat(model.whatChangedProperty().get().lines())
                .contains(new WhatChanged.Line("Fares", "+12.50"), new WhatChanged.Line("Passengers", "+9"));
    }

    @Test
    void whatFilesBroughtStaysToBeReadWhateverIsDecidedAfterwards() throws Exception {
        Question question = refreshed().questions().get(0);
        assertThat(model.whatChangedProperty().get()).isEqualTo(WhatChanged.NOTHING);
        write("data/c.csv", "Date,Port,Passengers\n2026-03-01,Marsay,1500\n");
        refreshed();
        WhatChanged changed = model.whatChangedProperty().get();
        assertThat(changed.lines().get(0)).isEqualTo(new WhatChanged.Line("1 file new", "+1 row"));
        assertThat(changed.lines()).contains(new WhatChanged.Line("Passengers", "+1,500"));
        assertThat(changed.sources().get(0).path()).isEqualTo("c.csv");
        model.answers().settle(question, question.assumed());
        idle();
        assertThat(model.whatChangedProperty().get()).isEqualTo(changed);
    }

    @Test
    void sumsOfTheSourcesStandBesideThoseOfTheMaster() throws Exception {
        Outcome outcome = refreshed();
        Reconciliation lines = new Reconciliation(outcome, new Grouping("file", Map.of()), "Passengers");
        assertThat(titles(lines)).endsWith("Passengers", "Passengers");
        int last = lines.columns() - 1;
        assertThat(lines.subtitle(last - 1)).isEqualTo("in the sources");
        assertThat(lines.subtitle(last)).isEqualTo("in the master");
        assertThat(lines.total(last)).isEqualTo(lines.total(last - 1)).isNotEqualTo("·");
        assertThat(lines.isClosed(last)).isTrue();
    }

    @Test
    void aTrialIsThrownAwayWithAllThatWasDecidedInIt() throws Exception {
        Question question = refreshed().questions().get(0);
        long rows = model.outcomeProperty().get().orElseThrow().rows();
        Files.writeString(folder.resolve("data/c.csv"), "Date,Port,Passengers\n2026-03-01,Oska,9\n");
        model.tryRefresh();
        idle();
        assertThat(model.tryingProperty().get()).isTrue();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(rows + 1);
        model.answers().settle(question, "Heads");
        idle();
        assertThat(columns()).contains("Heads");
        model.save();
        assertThat(model.messageProperty().get().text()).startsWith("This is a trial");
        assertThat(model.hasFile()).isFalse();
        model.deliveries().add(folder.resolve("out.csv"));
        model.deliveries().write(model.jobProperty().get().deliveries().get(0), Existing.KEEP, held -> {});
        idle();
        assertThat(folder.resolve("out.csv")).doesNotExist();
        model.throwTrialAway();
        idle();
        assertThat(model.tryingProperty().get()).isFalse();
        assertThat(model.outcomeProperty().get().orElseThrow().rows()).isEqualTo(rows);
        assertThat(model.jobProperty().get().deliveries()).isEmpty();
        assertThat(columns()).doesNotContain("Heads");
        assertThat(model.canUndoProperty().get()).isFalse();
        try (MasterReader reader =
                model.session().reader(model.outcomeProperty().get().orElseThrow())) {
            assertThat(reader.page(0, 10)).hasSize((int) rows);
        }
        assertThat(model.history()).hasSize(1);
    }

    @Test
    void aTrialThatIsKeptIsTheNextRefresh() throws Exception {
        Question question = refreshed().questions().get(0);
        Files.writeString(folder.resolve("data/c.csv"), "Date,Port,Passengers\n2026-03-01,Oska,9\n");
        model.tryRefresh();
        idle();
        model.answers().settle(question, "Heads");
        idle();
        model.keepTrial();
        idle();
        assertThat(model.tryingProperty().get()).isFalse();
        assertThat(columns()).contains("Heads");
        assertThat(model.history()).hasSize(2);
        assertThat(model.outcomeProperty().get().orElseThrow().changed().files().added())
                .containsExactly("c.csv");
        model.undo();
        idle();
        assertThat(columns()).doesNotContain("Heads");
    }

    @Test
    void whatIsSettledOnTrialIsInTheHeaderBookOnceItIsKept() throws Exception {
        Question question = refreshed().questions().get(0);
        model.tryRefresh();
        idle();
        model.answers().settle(question, question.assumed());
        idle();
        assertThat(HeaderBookFile.read(workplace.state()).entries()).isEmpty();
        model.keepTrial();
        idle();
        assertThat(HeaderBookFile.read(workplace.state()).entries())
                .extracting(entry -> entry.key() + " = " + entry.column())
                .containsExactly(question.subject() + " = " + question.assumed());
    }

    @Test
    void anEarlierMasterIsShownWrittenAndItsDecisionsBroughtBackAsOneAct() throws Exception {
        Question question = refreshed().questions().get(0);
        model.answers().settle(question, "Heads");
        Files.writeString(folder.resolve("data/c.csv"), "Date,Port,Passengers\n2026-03-01,Oska,9\n");
        model.refresh();
        idle();
        assertThat(model.earlier().kept()).isNotEmpty();
        int first = model.earlier().kept().get(0).number();
        List<KeptGrid> opened = new ArrayList<>();
        model.earlier().open(first, opened::add);
        until(() -> !opened.isEmpty());
        KeptGrid grid = opened.get(0);
        assertThat(grid.rows()).isEqualTo(3);
        grid.text(0, 0);
        until(() -> grid.text(0, 0) != null);
        assertThat(grid.text(0, 0)).isNotBlank();
        assertThat(grid.title(0)).isEqualTo("Date");
        grid.close();
        model.earlier().write(first, folder.resolve("then.csv"), Existing.KEEP);
        until(() -> model.messageProperty().get().text().equals("Written: then.csv."));
        assertThat(Files.readAllLines(folder.resolve("then.csv"))).hasSize(4);
        model.earlier().bringBack(first);
        until(() -> model.lastActProperty().get().startsWith("brought back"));
        idle();
        assertThat(model.lastActProperty().get()).isEqualTo("brought back the decisions of refresh " + first);
        assertThat(columns()).doesNotContain("Heads");
        model.undo();
        idle();
        assertThat(columns()).contains("Heads");
    }

    @Test
    void aFormIsShownAsItsLabelsAndTheValuesOfItsRecord() throws Exception {
        model.close();
        assertThat(model.awaitClosed(20_000)).isTrue();
        for (int day = 1; day <= 4; day++) {
            write(
                    "forms/2026-03-0" + day + ".csv",
                    "Daily report,,\n,,\nPort,,"
                            + List.of("Hollin", "Tarsk", "Oska", "Marsay").get(day - 1)
                            + "\nSailing date,,2026-03-0" + day + "\nTrip,," + (103 + day)
                            + "\n,,\nFigures,,\nPassengers,,"
                            + (20 + day) + "\nFares taken,," + (40 + day) + ".25\nRemarks,,calm\n");
        }
        model = JobModel.draft(workplace, ui::add, List.of(folder.resolve("forms")));
        Outcome outcome = refreshed();
        assertThat(outcome.rows()).isEqualTo(4);
        ReadSheet first = outcome.sheets().get(0);
        try (SheetGrid grid = new SheetGrid(model.session(), first, ui::add)) {
            assertThat(grid.bracket(2)).contains("fields");
            assertThat(grid.bracket(9)).contains("fields");
            assertThat(grid.bracket(0)).contains("title");
            assertThat(grid.tone(2, 0)).isEqualTo(GridModel.Tone.HEADER);
            assertThat(grid.tone(2, 2)).isEqualTo(GridModel.Tone.PLAIN);
        }
        assertThat(Grids.aside(first.tables().get(0).table())).doesNotContain("field");
        ReadingEdit edit = ReadingEdit.asTable(first);
        model.answers().decideReading(first.subject(), edit.reading());
        idle();
        assertThat(model.outcomeProperty().get().orElseThrow().sheets().get(0).tables())
                .noneMatch(table -> table.table().isForm());
    }
}
