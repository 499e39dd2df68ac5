package cuvee.model;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.finding.Question;
import cuvee.gather.ReadSheet;
import cuvee.job.Delivery;
import cuvee.tell.Outcome;
import cuvee.tell.Stakes;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

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
    void theRowsOfOneSourceCanBeLookedAtAlone() throws Exception {
        Outcome outcome = refreshed();
        try (MasterGrid one = MasterGrid.ofSource(model.session(), outcome, ui::add, "b.csv")) {
            assertThat(one.rows()).isEqualTo(1);
            until(() -> one.line(0).isPresent());
            assertThat(one.text(0, 1)).isEqualTo("Tarsk");
        }
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
