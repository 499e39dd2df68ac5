package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.job.Decision;
import cuvee.model.SheetScope;
import cuvee.model.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;

/** The main paths in the real window, by mouse and by keys. */
class WindowTest extends InAWindow {
    @Test
    void aFolderBecomesAMasterByMouse() throws IOException {
        newJob();
        assertThat(words("#job-name")).isEqualTo("data");
        assertThat(robot.lookup("#files-grid").tryQuery()).isPresent();
        robot.clickOn("#stage-master");
        GridView grid = find("#master-grid");
        waitFor("the trail", () -> words("#trail").startsWith("a.csv, line 2"));
        robot.clickOn(grid);
        chosen.target = Optional.of(folder.resolve("out.csv"));
        robot.clickOn("#deliver-now");
        waitFor("the word", () -> words("#work-words").startsWith("out.csv was not written: 1 open question"));
        assertThat(folder.resolve("out.csv")).doesNotExist();
        robot.clickOn("#stage-deliver");
        robot.clickOn("#deliver-accept");
        robot.clickOn("#deliver-write");
        waitFor("the delivery", () -> words("#work-words").startsWith("Written: out.csv, 3 rows"));
        assertThat(Files.readString(folder.resolve("out.csv"))).startsWith("Date,Port,Passengers,Source file");
    }

    @Test
    void aFileOfOthersIsWrittenOverOnlyWhenThatIsSaid() throws IOException {
        write("data/b.csv", "Date,Port,Passengers\n2026-02-01,Tarsk,1204\n");
        newJob();
        write("out.csv", "somebody's");
        chosen.target = Optional.of(folder.resolve("out.csv"));
        robot.clickOn("#stage-deliver");
        robot.clickOn("#deliver-add");
        assertThat(chosen.loss).contains("Cuvee did not write it");
        assertThat(folder.resolve("out.csv")).hasContent("somebody's");
        chosen.replace = true;
        robot.clickOn("#deliver-write");
        waitFor("the delivery", () -> words("#work-words").startsWith("Written: out.csv, 3 rows"));
    }

    @Test
    void aPartOfANameBecomesAColumnWithAPressAndItsSentenceIsSwitchedInRework() throws IOException {
        write("data/a.csv", "Port: Hollin\n\nVessel,Pax,Fare\nMV Dunlin,5,1\nMV Petrel,6,2\n");
        write("data/b.csv", "Port: Tarsk\n\nVessel,Pax,Fare\nMV Dunlin,7,1\nMV Petrel,8,2\n");
        newJob();
        assertThat(columns()).containsExactly("Vessel", "Pax", "Fare", "Port");
        GridView files = find("#files-grid");
        robot.interact(() -> files.select(0, 0));
        robot.clickOn("#tag-title-cell-Port");
        waitFor("the tag gone", () -> columns().equals(List.of("Vessel", "Pax", "Fare")));
        idle();
        robot.clickOn("#tag-title-cell-Port");
        waitFor("the trial", () -> "on trial".equals(files.model().subtitle(3)));
        assertThat(files.model().text(1, 3)).isEqualTo("Tarsk");
        assertThat(columns()).containsExactly("Vessel", "Pax", "Fare");
        robot.clickOn("#tag-leave");
        waitFor("no trial", () -> "text files".equals(files.model().subtitle(3)));
        robot.clickOn("#stage-rework");
        Button on = robot.lookup("#rework .in-force").query();
        assertThat(on.getText()).isEqualTo("resting");
        robot.clickOn(on);
        waitFor("the tag back", () -> columns().equals(List.of("Vessel", "Pax", "Fare", "Port")));
        idle();
        TextField name = robot.lookup("#rework .text-field").query();
        robot.clickOn(name).push(KeyCode.CONTROL, KeyCode.A).write("Harbour").push(KeyCode.ENTER);
        waitFor("the new name", () -> columns().equals(List.of("Vessel", "Pax", "Fare", "Harbour")));
    }

    @Test
    void aColumnIsNamedMovedAndLeftOutOnTheBoardByKeys() {
        newJob();
        goTo(KeyCode.DIGIT3);
        GridView board = grid("#line-up-grid");
        robot.interact(() -> board.select(0, 3));
        waitFor("the column", () -> words("#board-about").startsWith("Port: Text"));
        robot.push(KeyCode.F2).write("Harbour").push(KeyCode.ENTER);
        waitFor("the new name", () -> columns().equals(List.of("Date", "Harbour", "Passengers")));
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.LEFT);
        waitFor("the new place", () -> columns().equals(List.of("Harbour", "Date", "Passengers")));
        idle();
        robot.push(KeyCode.DELETE);
        waitFor("the column gone", () -> columns().equals(List.of("Date", "Passengers")));
        idle();
        robot.clickOn("Put back Harbour, 3 filled cells");
        waitFor("the column back", () -> columns().equals(List.of("Harbour", "Date", "Passengers")));
    }

    @Test
    void aColumnDraggedOnAnotherIsOneWithIt() throws IOException {
        write("data/b.csv", "Date,Port,Passengers,Tide\n2026-02-01,Tarsk,7,ebb\n");
        write("data/c.csv", "Weather,Date,Port,Passengers\nthick fog,2026-03-01,Tarsk,8\n");
        newJob();
        assertThat(columns()).containsExactly("Weather", "Date", "Port", "Passengers", "Tide");
        goTo(KeyCode.DIGIT3);
        GridView board = grid("#line-up-grid");
        robot.interact(() -> board.select(0, 6));
        waitFor("the column", () -> words("#board-about").startsWith("Tide"));
        drag(board, 6, 3);
        waitFor("why not", () -> words("#work-words").contains("stand beside each other"));
        idle();
        drag(board, 6, 2);
        waitFor("one column less", () -> columns().equals(List.of("Weather", "Date", "Port", "Passengers")));
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("all columns", () -> columns().equals(List.of("Weather", "Date", "Port", "Passengers", "Tide")));
    }

    /** Drags the head of a column of a grid onto that of another. */
    private void drag(GridView grid, int from, int to) {
        javafx.geometry.Bounds at = grid.localToScreen(grid.getLayoutBounds());
        double y = at.getMinY() + 14;
        double left = at.getMinX() + grid.cell(0, from).orElseThrow().getCenterX();
        double right = at.getMinX() + grid.cell(0, to).orElseThrow().getCenterX();
        robot.drag(left, y)
                .moveTo(left + 40, y)
                .moveTo(right + 10, y)
                .moveTo(right, y)
                .drop();
    }

    @Test
    void theSameByKeys() {
        newJob();
        robot.press(KeyCode.ALT).type(KeyCode.DIGIT6).release(KeyCode.ALT);
        assertThat(app.frame().orElseThrow().stage()).isEqualTo(Stage.MASTER);
        GridView grid = find("#master-grid");
        waitFor("the focus", grid::isFocused);
        robot.push(KeyCode.CONTROL, KeyCode.END);
        assertThat(grid.selectedRow()).isEqualTo(2);
        assertThat(grid.selectedColumn()).isEqualTo(4);
        robot.push(KeyCode.HOME).push(KeyCode.RIGHT).push(KeyCode.RIGHT);
        waitFor(
                "the trail",
                () -> words("#trail").contains("b.csv, line 2, column “Heads”: text “1204” read as 1,204"));
        robot.push(KeyCode.SHIFT, KeyCode.UP);
        robot.push(KeyCode.CONTROL, KeyCode.C);
        waitFor(
                "the clipboard",
                () -> "Passengers\n6\n1,204"
                        .equals(Clipboard.getSystemClipboard().getString()));
        robot.push(KeyCode.F5);
        idle();
        waitFor(
                "the word",
                () -> words("#work-words").equals("First refresh: 3 rows.")
                        || words("#work-words").startsWith("Nothing has changed"));
    }

    @Test
    void aQuestionIsSettledAndTheAnswerUndone() {
        newJob();
        String id =
                model().outcomeProperty().get().orElseThrow().questions().get(0).id();
        robot.push(KeyCode.CONTROL, KeyCode.J);
        robot.clickOn("Make it a column of its own");
        robot.clickOn("#settle-" + id);
        waitFor(
                "the column",
                () -> model().outcomeProperty()
                                .get()
                                .orElseThrow()
                                .proposal()
                                .columns()
                                .size()
                        == 4);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(
                "the undo",
                () -> model().outcomeProperty()
                                .get()
                                .orElseThrow()
                                .proposal()
                                .columns()
                                .size()
                        == 3);
        idle();
    }

    @Test
    void aQuestionIsSettledAtItsCellByKeysAlone() {
        newJob();
        robot.push(KeyCode.ALT, KeyCode.PAGE_DOWN);
        assertThat(app.frame().orElseThrow().stage()).isEqualTo(Stage.LINE_UP);
        waitFor("the slip", () -> robot.lookup("#slip").tryQuery().isPresent());
        robot.push(KeyCode.ESCAPE);
        waitFor("the slip folded", () -> robot.lookup("#slip").tryQuery().isEmpty());
        waitFor("the focus on its cell", () -> grid("#line-up-grid").isFocused());
        assertThat(grid("#line-up-grid").selectedRow()).isEqualTo(1);
        assertThat(grid("#line-up-grid").selectedColumn()).isEqualTo(4);
        robot.push(KeyCode.ENTER);
        waitFor("the slip again", () -> robot.lookup("#slip").tryQuery().isPresent());
        robot.push(KeyCode.DIGIT2).push(KeyCode.ENTER);
        waitFor("the column", () -> columns().equals(List.of("Date", "Port", "Passengers", "Heads")));
        idle();
        assertThat(words("#last-act")).isEqualTo("Last: “Heads” feeds Heads");
        waitFor("what it changed", () -> words("#work-words").contains("1 value fewer in Passengers"));
        robot.clickOn("#undo");
        waitFor("the undo", () -> columns().equals(List.of("Date", "Port", "Passengers")));
        idle();
        assertThat(words("#last-act")).isEqualTo("Taken back: “Heads” feeds Heads");
    }

    @Test
    void allQuestionsAreSettledAsAssumedInTheirListAndAskedAgain() {
        newJob();
        robot.push(KeyCode.CONTROL, KeyCode.J);
        waitFor(
                "the keys on the question",
                () -> robot.lookup(".question-row")
                        .tryQuery()
                        .filter(Node::isFocused)
                        .isPresent());
        robot.clickOn("#questions-settle-all");
        waitFor(
                "no question",
                () -> model().outcomeProperty().get().orElseThrow().questions().isEmpty());
        idle();
        GridView settled = grid("#settled-grid");
        waitFor(
                "what is settled",
                () -> settled.model() != null && settled.model().rows() == 1);
        robot.interact(() -> {
            settled.requestFocus();
            settled.select(0, 0);
        });
        robot.push(KeyCode.ENTER);
        waitFor(
                "the question again",
                () -> model().outcomeProperty().get().orElseThrow().questions().size() == 1);
        idle();
    }

    @Test
    void headersTakenForOneColumnAreOneQuestionAndEachCanBeGoneTo() throws Exception {
        write("data/c.csv", "Date,Port,Passengers\n2026-03-01,Hollin,15\n2026-03-02,Hollin,16\n");
        write("data/d.csv", "Date,Port,Souls\n2026-04-01,Tarsk,1204\n");
        newJob();
        assertThat(model().outcomeProperty().get().orElseThrow().questions()).hasSize(2);
        robot.push(KeyCode.CONTROL, KeyCode.J);
        waitFor(
                "the keys on the question",
                () -> robot.lookup(".question-row")
                        .tryQuery()
                        .filter(Node::isFocused)
                        .isPresent());
        assertThat(robot.lookup(".question-row").queryAll()).hasSize(1);
        robot.clickOn("#weighed-by");
        robot.clickOn("Passengers");
        waitFor(
                "the amounts",
                () -> robot.lookup(".question-row").queryAll().stream()
                        .anyMatch(row -> row.getAccessibleText().contains("2 rows with 2,408 Passengers")));
        robot.clickOn("#question-part-souls");
        waitFor("the slip at the header", () -> robot.lookup(".slip").tryQuery().isPresent());
        robot.push(KeyCode.ESCAPE);
        robot.push(KeyCode.CONTROL, KeyCode.J);
        waitFor(
                "the keys on the question again",
                () -> robot.lookup(".question-row")
                        .tryQuery()
                        .filter(Node::isFocused)
                        .isPresent());
        robot.push(KeyCode.ENTER);
        waitFor(
                "both settled",
                () -> model().outcomeProperty().get().orElseThrow().questions().isEmpty());
        idle();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers");
    }

    @Test
    void aHeaderPutWhereAnotherStandsAsksWhatBecomesOfThatOne() throws Exception {
        write("data/a.csv", "Date,Port,Passengers,Crew\n2026-01-01,Hollin,205,4\n2026-01-02,Hollin,216,5\n");
        write("data/b.csv", "Date,Port,Heads,Crew\n2026-02-01,Tarsk,1204,7\n");
        newJob();
        goTo(KeyCode.DIGIT3);
        GridView board = grid("#line-up-grid");
        robot.interact(() -> board.select(1, 4));
        robot.push(KeyCode.CONTROL, KeyCode.X).push(KeyCode.RIGHT).push(KeyCode.CONTROL, KeyCode.V);
        waitFor(
                "the slip",
                () -> robot.lookup("#landing-exchange-here").tryQuery().isPresent());
        assertThat(words("#slip .heading")).isEqualTo("“Crew” feeds Crew here already.");
        robot.push(KeyCode.ESCAPE);
        waitFor("the slip folded", () -> robot.lookup("#slip").tryQuery().isEmpty());
        robot.interact(() -> board.select(1, 4));
        robot.push(KeyCode.CONTROL, KeyCode.X).push(KeyCode.RIGHT).push(KeyCode.CONTROL, KeyCode.V);
        waitFor(
                "the slip again",
                () -> robot.lookup("#landing-exchange-here")
                        .tryQuery()
                        .filter(Node::isFocused)
                        .isPresent());
        assertThat(words("#slip .second")).contains("“Crew” stands in 1 other table too.");
        robot.push(KeyCode.ENTER);
        waitFor(
                "the exchange",
                () -> model().outcomeProperty()
                                .get()
                                .orElseThrow()
                                .job()
                                .settled()
                                .size()
                        == 2);
        idle();
        assertThat(columns()).containsExactly("Date", "Port", "Passengers", "Crew");
        assertThat(model().outcomeProperty().get().orElseThrow().job().settled())
                .extracting(Decision::answer)
                .containsExactlyInAnyOrder("Crew", "Heads");
        goTo(KeyCode.DIGIT4);
        waitFor(
                "its sentence in Rework",
                () -> robot.lookup(".in-force").queryAll().stream()
                        .anyMatch(sentence ->
                                sentence.getAccessibleText().startsWith("Read the header “Crew” as “Heads” in")));
    }

    @Test
    void aLayoutOpensIntoItsTablesWithTheirFirstValues() {
        newJob();
        goTo(KeyCode.DIGIT3);
        GridView board = grid("#line-up-grid");
        robot.interact(() -> board.select(0, 0));
        robot.push(KeyCode.ENTER);
        waitFor("the tables", () -> board.model().rows() == 3);
        waitFor("the first values", () -> "5".equals(board.model().text(1, 4)));
        assertThat(board.model().text(1, 0)).contains("a.csv");
        assertThat(board.model().text(1, 3)).isEqualTo("Hollin");
        robot.push(KeyCode.ENTER);
        waitFor("the tables folded", () -> board.model().rows() == 2);
    }

    @Test
    void aColumnIsFoundByTheNameOfItsHeader() {
        newJob();
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("heads").push(KeyCode.ENTER);
        assertThat(app.frame().orElseThrow().stage()).isEqualTo(Stage.LINE_UP);
        waitFor("the keys on the board", () -> grid("#line-up-grid").isFocused());
        assertThat(grid("#line-up-grid").selectedColumn()).isEqualTo(4);
        robot.push(KeyCode.F6);
        assertThat(grid("#line-up-grid").isFocused()).isFalse();
        robot.push(KeyCode.SHIFT, KeyCode.F6);
        waitFor("the keys on the board again", () -> grid("#line-up-grid").isFocused());
    }

    @Test
    void whatWasSetAsideIsOnePressAway() throws IOException {
        write("data/~$a.csv", "x");
        newJob();
        goTo(KeyCode.DIGIT6);
        robot.clickOn("#stage-collect-loss");
        waitFor("the files set aside", () -> grid("#files-grid").model().rows() == 1);
        assertThat(grid("#files-grid").model().text(0, 1)).isEqualTo("set aside");
    }

    @Test
    void nextMonthComesInWithOneKeyAndTheJobIsSaved() throws IOException {
        newJob();
        chosen.target = Optional.of(folder.resolve("Returns.cuvee"));
        robot.push(KeyCode.CONTROL, KeyCode.S);
        waitFor("the save", () -> words("#job-name").equals("Returns"));
        write("data/c.csv", "Date,Port,Passengers\n2026-03-01,Hollin,9\n");
        robot.push(KeyCode.F5);
        waitFor("the new row", () -> words("#work-words").equals("Since the last refresh: 1 file new, 1 row more."));
        assertThat(app.frame().orElseThrow().stage()).as("what changed").isEqualTo(Stage.CHECK);
        robot.push(KeyCode.ALT, KeyCode.DIGIT6);
        robot.push(KeyCode.F5);
        idle();
        assertThat(app.frame().orElseThrow().stage()).as("nothing came").isEqualTo(Stage.MASTER);
        Platform.runLater(app::showStart);
        waitFor("the start screen", () -> robot.lookup("#start-jobs").tryQuery().isPresent());
        GridView jobs = grid("#start-jobs");
        waitFor("what came since", () -> "nothing new".equals(jobs.model().text(0, 3)));
        robot.interact(jobs::requestFocus);
        robot.push(KeyCode.ENTER);
        idle();
        assertThat(model().outcomeProperty().get().orElseThrow().rows()).isEqualTo(4);
        Platform.runLater(app::showStart);
        waitFor("the start screen", () -> robot.lookup("#start-jobs").tryQuery().isPresent());
        robot.interact(() -> find("#start-jobs").requestFocus());
        robot.push(KeyCode.DELETE);
        waitFor("an empty list", () -> grid("#start-jobs").model().rows() == 0);
        assertThat(folder.resolve("Returns.cuvee")).exists();
    }

    @Test
    void whatCannotBeDoneIsSaidInTheWindow() throws IOException {
        newJob();
        Files.move(folder.resolve("data"), folder.resolve("gone"));
        robot.clickOn("#refresh");
        waitFor("the message", () -> words("#work-words").contains("There is no folder or file"));
        assertThat(this.<Node>find("#work").getStyleClass()).contains("failure");
        assertThat(model().outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
    }

    @Test
    void anUnsavedDecisionIsNotLeftWithoutAWord() {
        newJob();
        String id =
                model().outcomeProperty().get().orElseThrow().questions().get(0).id();
        robot.push(KeyCode.CONTROL, KeyCode.J);
        robot.clickOn("Make it a column of its own");
        robot.clickOn("#settle-" + id);
        idle();
        chosen.leaving = Choosers.Leaving.STAY;
        WaitForAsyncUtils.waitForAsyncFx(5000, app::showStart);
        assertThat(chosen.asked).isEqualTo(1);
        assertThat(app.model()).isPresent();
    }

    @Test
    void foldersThatAreNamedAtTheStartOrDroppedAreTakenIn() throws IOException {
        write("more/c.csv", "Date,Port,Passengers\n2026-03-01,Hollin,9\n");
        List<String> arguments = List.of("open", folder.resolve("data").toString());
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> app.begin(arguments));
        idle();
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> app.drop(List.of(folder.resolve("more"))));
        waitFor(
                "the second place",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 4);
        idle();
    }

    @Test
    void lightTurnsDarkAndEveryStageHasItsView() {
        newJob();
        robot.push(KeyCode.CONTROL, KeyCode.L);
        assertThat(this.<Node>find("#root").getStyleClass()).contains("dark");
        for (Stage stage : Stage.values()) {
            robot.clickOn(
                    "#stage-" + stage.title().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
            assertThat(app.frame().orElseThrow().stage()).isEqualTo(stage);
        }
        robot.push(KeyCode.CONTROL, KeyCode.J);
        assertThat(robot.lookup("#questions").tryQuery()).isPresent();
        robot.push(KeyCode.CONTROL, KeyCode.J);
        assertThat(robot.lookup("#questions").tryQuery()).isEmpty();
    }

    private String bracket(int row) {
        return grid("#read-sheet").model() == null
                ? ""
                : grid("#read-sheet").model().bracket(row - 1L).orElse("");
    }

    @Test
    void aRowIsPutRightByKeysAfterItsEffectIsShown() {
        newJob();
        goTo(KeyCode.DIGIT2);
        waitFor("the brackets", () -> bracket(1).equals("header") && bracket(3).equals("records"));
        robot.interact(() -> grid("#read-sheet").select(2, 0));
        robot.clickOn("#read-total");
        waitFor("the effect", () -> words("#read-effect").startsWith("1 row would be kept, 1 fewer than now"));
        assertThat(bracket(3)).isEqualTo("total");
        assertThat(model().outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
        robot.clickOn("#read-take");
        waitFor(
                "the master",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 2);
        assertThat(model().canUndoProperty().get()).isTrue();
        waitFor("the keys on the sheet, not on Undo", () -> grid("#read-sheet").isFocused());
        waitFor("the hand to be known", () -> !find("#read-as-found").isDisabled());
        robot.clickOn("#read-as-found");
        waitFor(
                "the master as found",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 3);
    }

    @Test
    void aSheetIsReadAsAFormByHand() throws IOException {
        Files.delete(folder.resolve("data/b.csv"));
        write("data/a.csv", "Port,Hollin\nDate,2026-01-01\nTrip,101\nPassengers,21\n");
        newJob();
        goTo(KeyCode.DIGIT2);
        robot.clickOn("#read-as-form");
        waitFor("the effect", () -> words("#read-effect").startsWith("1 row would be kept"));
        assertThat(bracket(2)).isEqualTo("fields");
        robot.clickOn("#read-take");
        waitFor("a column for each label", () -> columns().equals(List.of("Port", "Date", "Trip", "Passengers")));
        idle();
        robot.clickOn("#read-as-table");
        waitFor("the effect", () -> words("#read-effect").startsWith("3 rows would be kept"));
    }

    @Test
    void aBracketIsDraggedByItsBorder() {
        newJob();
        goTo(KeyCode.DIGIT2);
        waitFor("the brackets", () -> bracket(1).equals("header"));
        GridView sheet = grid("#read-sheet");
        var box = sheet.localToScreen(sheet.getBoundsInLocal());
        double border = box.getMinY() + 30 + GridView.ROW;
        robot.drag(box.getMinX() + 40, border).dropTo(box.getMinX() + 40, border + GridView.ROW);
        waitFor("the effect", () -> words("#read-effect").contains("1 fewer than now"));
        assertThat(bracket(2)).isEqualTo("header");
        robot.clickOn("#read-leave");
        waitFor("the brackets as they were", () -> bracket(2).equals("records"));
        assertThat(model().outcomeProperty().get().orElseThrow().rows()).isEqualTo(3);
    }

    @Test
    void aMasterCellOpensItsSheetAtThatCell() {
        newJob();
        goTo(KeyCode.DIGIT6);
        GridView master = grid("#master-grid");
        robot.interact(() -> master.select(2, 1));
        waitFor("the row", () -> master.model() != null && master.model().text(2, 1) != null);
        robot.type(KeyCode.ENTER);
        waitFor(
                "the sheet",
                () -> robot.lookup("#read-sheet").tryQuery().isPresent()
                        && bracket(2).equals("records"));
        waitFor(
                "the cell",
                () -> grid("#read-sheet").selectedRow() == 1
                        && grid("#read-sheet").selectedColumn() == 1);
    }

    @Test
    void namesAreTriedOutBeforeTheyAreTakenAndFilesLeftOut() {
        newJob();
        robot.clickOn("#place-1");
        robot.clickOn("#place-without-1").write("b*");
        waitFor(
                "the files as they would be",
                () -> "set aside".equals(grid("#files-grid").model().text(1, 1)));
        assertThat(model().jobProperty().get().places().get(0).without()).isEmpty();
        robot.clickOn("#place-take-1");
        waitFor(
                "the master",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 2);
        robot.interact(() -> model().undo());
        waitFor(
                "the master as before",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 3);
        robot.interact(() -> grid("#files-grid").select(0, 0));
        robot.clickOn("#file-later");
        waitFor(
                "the other order",
                () -> "b.csv".equals(grid("#files-grid").model().text(0, 0)));
        robot.clickOn("#file-by-name");
        waitFor(
                "the order of names",
                () -> "a.csv".equals(grid("#files-grid").model().text(0, 0)));
        robot.interact(() -> grid("#files-grid").select(0, 0));
        robot.clickOn("#file-aside");
        waitFor(
                "the file left out",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 1);
        assertThat(words("#file-about")).contains("left out by you");
        robot.clickOn("#file-take");
        waitFor(
                "the file put back",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 3);
    }

    @SuppressWarnings("unchecked")
    private ComboBox<SheetScope> scopes() {
        return (ComboBox<SheetScope>) find("#read-rule-for");
    }

    @Test
    void whatQuotesMeanIsSaidForAFileAndTakenBackAgain() throws IOException {
        write("data/b.csv", "Date,Port,Passengers\n2026-02-01,'Tarsk',1204\n");
        newJob();
        goTo(KeyCode.DIGIT1);
        GridView files = grid("#files-grid");
        robot.interact(() -> files.select(1, 0));
        MenuButton quotes = find("#file-quotes");
        waitFor("the file's form", quotes::isVisible);
        robot.interact(quotes::requestFocus);
        robot.type(KeyCode.SPACE);
        waitFor("the choices", quotes::isShowing);
        robot.clickOn("single quotes");
        waitFor("single quotes", () -> "single quotes".equals(quotes.getText()));
        idle();
        waitFor("the port without them", () -> form("b.csv").equals("commas, UTF-8, single quotes"));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("as it was", () -> !form("b.csv").endsWith("single quotes"));
    }

    private String form(String source) {
        return model().outcomeProperty().get().orElseThrow().sheets().stream()
                .filter(sheet -> sheet.source().equals(source))
                .findFirst()
                .orElseThrow()
                .form();
    }

    @Test
    void aRuleAboutSheetsIsTriedOnAllFilesBeforeItIsTaken() {
        newJob();
        goTo(KeyCode.DIGIT2);
        robot.clickOn("#read-rule").write("cells A1:");
        assertThat(words("#read-rule-effect")).startsWith("Write sheets named");
        assertThat(find("#read-rule-take").isDisabled()).isTrue();
        robot.write("C2");
        waitFor("the effect", () -> words("#read-rule-effect").equals("Found in 2 of 2 files."));
        waitFor(
                "what it finds in each file",
                () -> "Sheets found".equals(grid("#read-list").model().title(1)));
        assertThat(grid("#read-list").model().text(1, 0)).isEqualTo("b.csv");
        assertThat(grid("#read-list").model().text(1, 1)).isEqualTo("found");
        robot.clickOn("#read-rule-take");
        waitFor(
                "the master",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 2);
        robot.interact(() -> model().undo());
        waitFor(
                "the master as before",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 3);
        robot.interact(() ->
                scopes().setValue(scopes().getItems().get(scopes().getItems().size() - 1)));
        assertThat(scopes().getItems())
                .extracting(SheetScope::words)
                .containsExactly("all files", "sheets with these headers", "this file");
        robot.clickOn("#read-rule").write("cells A1:C2");
        waitFor("the effect on this file", () -> words("#read-rule-effect").equals("Found in 1 of 1 file."));
        robot.clickOn("#read-rule-take");
        waitFor(
                "the list of what was read again",
                () -> "Kept".equals(grid("#read-list").model().title(1)));
        waitFor("the file alone to follow", () -> model().jobProperty().get().isSettled("sheets", "a.csv"));
        waitFor("its rows", () -> model().outcomeProperty().get().orElseThrow().rows() == 2);
    }

    @Test
    void arrivalsAreSettledByAKeyAndTheAccountIsWrittenFromCheck() throws IOException {
        for (String port : List.of("Hollin", "Tarsk", "Marsay")) {
            for (int month = 1; month <= 4; month++) {
                if (!port.equals("Tarsk") || month != 2) {
                    write(
                            "data/" + port + " 2026-0" + month + ".csv",
                            "Sailed,Pax\n2026-0" + month + "-05," + (port.length() + port.charAt(0)) + month
                                    + "\n2026-0" + month + "-06,7\n");
                }
            }
        }
        Files.delete(folder.resolve("data/a.csv"));
        newJob();
        robot.clickOn("#files-face-arrivals");
        GridView arrivals = find("#arrivals-grid");
        robot.interact(() -> arrivals.select(2, 2));
        waitFor("what is missing", () -> words("#arrival-about").startsWith("Tarsk, February 2026: nothing came"));
        robot.push(KeyCode.N);
        waitFor("nothing to report", () -> words("#arrival-about").contains("nothing to report, as you say"));
        robot.push(KeyCode.C);
        waitFor("the month to be closed", () -> arrivals.model().subtitle(2).equals("2026, closed"));
        goTo(KeyCode.DIGIT5);
        assertThat(words("#verdict")).startsWith("The numbers add up");
        chosen.target = Optional.of(folder.resolve("account.html"));
        robot.clickOn("#account");
        waitFor("the account", () -> words("#work-words").startsWith("Written: account.html"));
        assertThat(Files.readString(folder.resolve("account.html")))
                .contains("agrees")
                .doesNotContain("<script");
    }

    @Test
    void aFindingThatIsSoIsSettledInCheckAndTheKeysStayThere() throws IOException {
        write("data/a.csv", "Port,Pax\nHollin,5\nTarsk,6\nMarsay,9\nTotal,24\n");
        newJob();
        goTo(KeyCode.DIGIT5);
        assertThat(words("#verdict")).contains("1 warning");
        robot.clickOn("#settle-finding-0");
        waitFor(
                "the line for the note",
                () -> robot.lookup("#settle-finding-0")
                        .tryQuery()
                        .filter(javafx.scene.control.TextField.class::isInstance)
                        .isPresent());
        robot.write("the sender knows").push(KeyCode.ENTER);
        waitFor(
                "it settled",
                () -> !model().outcomeProperty().get().orElseThrow().settled().isEmpty());
        waitFor(
                "it among the settled",
                () -> robot.lookup("#open-finding-0").tryQuery().isPresent());
        waitFor(
                "the keys in Check",
                () -> "reconciliation-grid"
                        .equals(robot.lookup("#reconciliation-grid")
                                .query()
                                .getScene()
                                .getFocusOwner()
                                .getId()));
        robot.clickOn("#open-finding-0");
        waitFor("it open again", () -> words("#verdict").contains("1 warning"));
    }

    @Test
    void findingsThatSayTheSameAreOneWithItsPlacesAndAreSettledTogether() throws IOException {
        for (int month = 1; month <= 6; month++) {
            String rows = "Hollin %1$d,5\nTarsk %1$d,6\nMarsay %1$d,9\nTotal,24\n".formatted(month);
            write("data/2026-0" + month + ".csv", "Port,Pax\n" + rows);
        }
        newJob();
        goTo(KeyCode.DIGIT5);
        assertThat(words("#verdict")).contains("6 warnings");
        assertThat(robot.lookup("#settle-finding-1").tryQuery()).isEmpty();
        robot.interact(() -> this.<Button>find("#finding-places-0").fire());
        assertThat(robot.lookup("#finding-0-5").tryQuery()).isPresent();
        robot.interact(() -> this.<Button>find("#settle-finding-0").fire());
        robot.write("rounded by the ports").push(KeyCode.ENTER);
        waitFor(
                "all settled",
                () -> model().outcomeProperty().get().orElseThrow().settled().size() == 6);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("all open again", () -> words("#verdict").contains("6 warnings"));
    }

    @Test
    void whatComesWhileTheWindowIsOpenIsToldAndTakenInByItselfWhereTheAnalystSaysSo() throws IOException {
        newJob();
        write("data/later.csv", "Port,Pax\nOska,5\n");
        waitFor("the file to be told", () -> words("#waiting-words").equals("1 file came: later.csv."));
        robot.clickOn("#waiting-by-itself");
        waitFor(
                "its row",
                () -> model().outcomeProperty().get().orElseThrow().sources().stream()
                        .anyMatch(source -> source.path().equals("later.csv")));
        write("data/latest.csv", "Port,Pax\nRyde,5\n");
        waitFor(
                "the next without a word",
                () -> model().outcomeProperty().get().orElseThrow().sources().stream()
                        .anyMatch(source -> source.path().equals("latest.csv")));
    }
}
