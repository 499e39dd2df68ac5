package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The master looked at in the real window: narrowed down, put in order, searched. */
class MasterWindowTest extends InAWindow {
    @BeforeEach
    void twoPorts() throws IOException {
        write("data/a.csv", "Date,Port,Passengers\n2026-01-01,Hollin,5\n2026-01-02,Hollin,60\n2026-01-03,Marsay,7\n");
        write("data/b.csv", "Date,Port,Passengers\n2026-02-01,Tarsk,1204\n2026-02-02,Hollin,7\n");
        newJob();
        goTo(KeyCode.DIGIT6);
        waitFor("the rows", () -> passengers().equals(List.of("5", "60", "7", "1,204", "7")));
    }

    private List<String> passengers() {
        List<String> shown = new ArrayList<>();
        var model = grid("#master-grid").model();
        for (long row = 0; model != null && row < model.rows(); row++) {
            shown.add(String.valueOf(model.text(row, 2)));
        }
        return shown;
    }

    @Test
    void onlyRowsThatMeetAPhraseAreShownWithTheirSumAndEscShowsAllAgain() {
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.F).write("Port is Hol");
        waitFor(
                "the value",
                () -> this.<TextField>find("#master-where").getText().equals("Port is Hol"));
        waitFor("the offer", () -> robot.lookup(".offered").tryQuery().isPresent() || offering());
        robot.push(KeyCode.ENTER);
        waitFor(
                "the whole value",
                () -> this.<TextField>find("#master-where").getText().equals("Port is Hollin"));
        robot.push(KeyCode.ENTER);
        waitFor("the rows of Hollin", () -> passengers().equals(List.of("5", "60", "7")));
        assertThat(words("#master .says")).isEqualTo("3 of 5 rows.");
        assertThat(Objects.requireNonNull(grid("#master-grid").model()).total(2))
                .isEqualTo("72");
        robot.clickOn("#master-grid").push(KeyCode.ESCAPE);
        waitFor("all rows", () -> passengers().size() == 5);
        assertThat(words("#master .says")).isEqualTo("5 rows.");
    }

    private boolean offering() {
        return javafx.stage.Window.getWindows().stream().anyMatch(window -> window instanceof javafx.stage.Popup);
    }

    @Test
    void wordsThatSayNothingAreNotFollowedAndSayWhy() {
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.F)
                .write("Passengers over many")
                .push(KeyCode.ENTER);
        waitFor("the problem", () -> words("#master-where-problem").contains("“many” is no"));
        assertThat(passengers()).hasSize(5);
    }

    @Test
    void rowsArePutInOrderByKeysAndTheWayBackIsTheSame() {
        robot.push(KeyCode.RIGHT).push(KeyCode.RIGHT).push(KeyCode.ALT, KeyCode.UP);
        waitFor("the greatest first", () -> passengers().equals(List.of("1,204", "60", "7", "7", "5")));
        assertThat(Objects.requireNonNull(grid("#master-grid").model()).subtitle(2))
                .isEqualTo("greatest first");
        robot.push(KeyCode.ALT, KeyCode.DOWN);
        waitFor("the least first", () -> passengers().equals(List.of("5", "7", "7", "60", "1,204")));
        robot.push(KeyCode.ESCAPE);
        waitFor("as they came", () -> passengers().equals(List.of("5", "60", "7", "1,204", "7")));
    }

    @Test
    void aTextIsFoundRowByRowAndCounted() {
        robot.push(KeyCode.CONTROL, KeyCode.F).write("hollin").push(KeyCode.ENTER);
        waitFor("the count", () -> words("#master-found").equals("in 3 rows, F3 next"));
        assertThat(grid("#master-grid").selectedRow()).isEqualTo(1);
        robot.push(KeyCode.F3);
        waitFor("the next", () -> grid("#master-grid").selectedRow() == 4);
        robot.push(KeyCode.F3);
        waitFor("the first again", () -> grid("#master-grid").selectedRow() == 0);
    }

    @Test
    void aRowIsGoneToByItsNumberAndWhatIsSelectedIsCopiedWithHeadsOrWithout() {
        GridView grid = grid("#master-grid");
        robot.push(KeyCode.CONTROL, KeyCode.G).write("4").push(KeyCode.ENTER);
        waitFor("the row", () -> grid.selectedRow() == 3 && grid.isFocused());
        robot.push(KeyCode.CONTROL, KeyCode.G).write("9,999").push(KeyCode.ENTER);
        waitFor("how many there are", () -> words("#master-found").startsWith("there are "));
        assertThat(grid.selectedRow()).isEqualTo(3);
        robot.push(KeyCode.CONTROL, KeyCode.F).write("hollin").push(KeyCode.ENTER);
        waitFor("texts again", () -> words("#master-found").startsWith("in 3 rows"));
        robot.interact(() -> {
            grid.requestFocus();
            grid.select(0, 1);
        });
        robot.push(KeyCode.SHIFT, KeyCode.DOWN).push(KeyCode.CONTROL, KeyCode.C);
        assertThat(clipboard()).hasLineCount(3).startsWith(grid.model().title(1) + "\n");
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
        assertThat(clipboard()).hasLineCount(2).doesNotContain(grid.model().title(1));
    }

    private String clipboard() {
        String[] held = {""};
        robot.interact(() -> held[0] = Clipboard.getSystemClipboard().getString());
        return held[0];
    }

    private String figure(int row, int column) {
        var model = grid("#summary-grid").model();
        return model == null || row >= model.rows() || column >= model.columns()
                ? ""
                : String.valueOf(model.text(row, column));
    }

    @Test
    void aSummaryIsWrittenInWordsKeptAndOpensIntoItsRows() {
        robot.clickOn("#rows-face-summary");
        waitFor("what is proposed", () -> figure(0, 0).equals("Hollin"));
        robot.clickOn("#summary-words")
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("total Passengers: a line for each Port; greatest first");
        robot.push(KeyCode.ENTER).push(KeyCode.ENTER);
        waitFor("the totals", () -> figure(0, 1).equals("1,204") && figure(1, 1).equals("72"));
        waitFor("the keys where they were", () -> find("#summary-words").isFocused());
        assertThat(Objects.requireNonNull(grid("#summary-grid").model()).total(1))
                .isEqualTo("1,283");
        SummaryChart chart = find("#summary-chart");
        assertThat(chart.chart())
                .hasValueSatisfying(
                        drawn -> assertThat(drawn.says()).isEqualTo("Drawn as bars, total Passengers, from zero"));
        robot.clickOn("#summary-name").write("By port").push(KeyCode.ENTER);
        waitFor(
                "the summary in the job",
                () -> model().jobProperty().get().settled().stream()
                        .anyMatch(decision -> decision.kind().equals("summary")
                                && decision.answer().equals("total Passengers: a line for each Port; greatest first")));
        idle();
        robot.clickOn("#summary-grid")
                .push(KeyCode.CONTROL, KeyCode.HOME)
                .push(KeyCode.DOWN)
                .push(KeyCode.ENTER);
        waitFor("the rows of Hollin", () -> passengers().equals(List.of("5", "60", "7")));
    }

    @Test
    void aWordOfTheSentenceIsChangedByMouse() {
        robot.clickOn("#rows-face-summary");
        waitFor("what is proposed", () -> figure(0, 0).equals("Hollin"));
        robot.clickOn("#summary-column");
        robot.clickOn("nothing");
        waitFor(
                "one column",
                () -> grid("#summary-grid").model() != null
                        && Objects.requireNonNull(grid("#summary-grid").model()).columns() == 2);
    }

    private void press(String slot, String words) {
        MenuButton button = find(slot);
        robot.interact(() -> {
            button.show();
            button.getItems().stream()
                    .filter(item -> words.equals(item.getText()))
                    .findFirst()
                    .orElseThrow()
                    .fire();
            button.hide();
        });
    }

    @Test
    void everyWordOfASummarysSentenceCanBeAnother() {
        robot.clickOn("#rows-face-summary");
        waitFor("what is proposed", () -> figure(0, 0).equals("Hollin"));
        press("#summary-column", "nothing");
        waitFor("the rows of the ports", () -> figure(0, 1).equals("3"));
        press("#summary-figure-more", "total Passengers");
        waitFor("the totals too", () -> figure(0, 2).equals("72"));
        press("#summary-figure-0", "Without number of rows");
        waitFor("the totals alone", () -> figure(0, 1).equals("72"));
        press("#summary-line-more", "day of Date");
        waitFor("a line for each port and day", () -> figure(0, 2).equals("5"));
        press("#summary-line-1", "Without day of Date");
        waitFor("a line for each port", () -> figure(0, 1).equals("72"));
        press("#summary-decimals", "1 decimal");
        waitFor("a decimal", () -> figure(0, 1).equals("72.0"));
        press("#summary-totals", "without totals");
        press("#summary-order", "greatest first");
        waitFor("the greatest first", () -> figure(0, 1).equals("1,204.0"));
        assertThat(this.<TextField>find("#summary-words").getText())
                .startsWith("total Passengers: a line for each Port")
                .contains("greatest first");
    }

    @Test
    void aCheckOfOnesOwnIsWrittenUnderCheckAndLeadsToTheFirstRowThatFails() {
        goTo(KeyCode.DIGIT5);
        robot.clickOn("#own-check-words").write("Passengers between 0 and 100").push(KeyCode.ENTER);
        waitFor("the check", () -> robot.lookup("#own-check-0").tryQuery().isPresent());
        idle();
        assertThat(model().outcomeProperty().get().orElseThrow().checks())
                .singleElement()
                .satisfies(check -> assertThat(check.fails()).isEqualTo(1));
        robot.clickOn("#own-check-0");
        waitFor("the sheet", () -> app.frame().orElseThrow().stage() == cuvee.model.Stage.READ);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(
                "no check",
                () -> model().outcomeProperty().get().orElseThrow().checks().isEmpty());
    }

    @Test
    void aLookAtAColumnThatIsCalledOtherwiseNowSaysSoAndShowsAllRows() {
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.F)
                .write("Passengers over 50")
                .push(KeyCode.ENTER);
        waitFor("two rows", () -> passengers().equals(List.of("60", "1,204")));
        robot.interact(() -> model().board().renameColumn("Passengers", "Heads"));
        waitFor("all rows", () -> passengers().size() == 5);
        idle();
        assertThat(this.<TextField>find("#master-where").getText()).isEmpty();
        assertThat(words("#master .says")).startsWith("5 rows");
    }

    @Test
    void aSummaryOfAColumnThatIsCalledOtherwiseNowIsProposedAnew() {
        robot.clickOn("#rows-face-summary");
        waitFor("what is proposed", () -> figure(0, 0).equals("Hollin"));
        robot.interact(() -> model().board().renameColumn("Port", "Harbour"));
        idle();
        waitFor(
                "another",
                () -> this.<TextField>find("#summary-words").getText().contains("Harbour"));
        waitFor("its figures", () -> figure(0, 0).equals("Hollin"));
    }

    @Test
    void columnsAreHiddenKeptInViewAndMovedByKeysAndTheJobRemembersThem() throws IOException {
        goTo(KeyCode.DIGIT6);
        GridView grid = find("#master-grid");
        String first = grid.model().title(0);
        String second = grid.model().title(1);
        long rows = grid.model().rows();
        robot.interact(() -> {
            grid.requestFocus();
            grid.select(0, 1);
        });
        robot.push(KeyCode.ALT, KeyCode.LEFT);
        waitFor("it to stand first", () -> grid.model().title(0).equals(second) && grid.selectedColumn() == 0);
        robot.push(KeyCode.CONTROL, KeyCode.P);
        waitFor("it to stay in view", () -> grid.model().pinned() == 1);
        robot.interact(() -> grid.select(0, 1));
        robot.push(KeyCode.CONTROL, KeyCode.H);
        waitFor("the other to be hidden", () -> !grid.model().title(1).equals(first));
        assertThat(this.<javafx.scene.control.MenuButton>find("#master-columns").getText())
                .isEqualTo("Columns, 1 hidden");
        assertThat(grid.selectedColumn()).as("its neighbour is selected").isEqualTo(1);
        assertThat(model().unsavedProperty().get()).isTrue();
        assertThat(model().lastActProperty().get()).isEqualTo("arranged the columns in the window");
        assertThat(grid.model().rows()).isEqualTo(rows);
        assertThat(model().outcomeProperty()
                        .get()
                        .orElseThrow()
                        .plan()
                        .columns()
                        .get(0)
                        .name())
                .as("the master is as it was")
                .isEqualTo(first);
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.H);
        waitFor(
                "all as in the master",
                () -> grid.model().title(0).equals(first)
                        && grid.model().title(1).equals(second));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("it taken back", () -> grid.model().title(0).equals(second));
    }

    @Test
    void theMapListsWhatCanBeDoneHereAndFindDoesIt() {
        robot.push(KeyCode.F1);
        waitFor("the map", () -> robot.lookup("#map").tryQuery().isPresent());
        assertThat(robot.lookup("#map .label").queryAllAs(javafx.scene.control.Label.class))
                .extracting(javafx.scene.control.Label::getText)
                .contains("In Master", "Hide the chosen column", "Ctrl+H", "Everywhere", "Undo");
        robot.push(KeyCode.ESCAPE);
        waitFor("it folded", () -> robot.lookup("#map").tryQuery().isEmpty());
        GridView grid = find("#master-grid");
        robot.interact(() -> grid.select(0, 1));
        String second = Objects.requireNonNull(grid.model()).title(1);
        robot.push(KeyCode.CONTROL, KeyCode.K).write("hide the chosen");
        waitFor("the offer", this::offering);
        robot.push(KeyCode.ENTER);
        waitFor(
                "it hidden",
                () -> !Objects.requireNonNull(grid.model()).title(1).equals(second));
    }
}
