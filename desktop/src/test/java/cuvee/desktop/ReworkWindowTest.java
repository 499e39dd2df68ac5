package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;

/** Rules made from what is selected, and changed where they stand. */
class ReworkWindowTest extends InAWindow {
    @Test
    void monthsAcrossAreTurnedAndShownBeforeAndAfter() throws IOException {
        write("data/a.csv", "Depot,Jan,Feb,Mar\nHollin,1,2,3\nTarsk,4,5,6\n");
        Files.delete(folder.resolve("data/b.csv"));
        newJob();
        assertThat(columns()).containsExactly("Depot", "Month", "Amount");
        goTo(KeyCode.DIGIT4);
        waitFor(
                "the keys",
                () -> app.frame()
                        .orElseThrow()
                        .getScene()
                        .getFocusOwner()
                        .getStyleClass()
                        .contains("in-force"));
        robot.clickOn("Before and after");
        waitFor(
                "the rows",
                () -> robot.lookup(".few-rows .label").queryAllAs(Label.class).stream()
                        .map(Label::getText)
                        .toList()
                        .containsAll(List.of("Jan", "Feb", "Mar", "Month", "Amount")));
        robot.interact(() -> robot.lookup(".in-force").query().requestFocus());
        robot.push(KeyCode.SPACE);
        waitFor("the months as columns", () -> columns().equals(List.of("Depot", "Jan", "Feb", "Mar")));
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("the months as rows", () -> columns().equals(List.of("Depot", "Month", "Amount")));
    }

    @Test
    void valuesAreBroughtToOneSpellingFromTheFactsOfTheirColumn() throws IOException {
        write("data/a.csv", "Date,Port,Pax\n2026-01-01,Hollin,5\n2026-01-02,Hollin,6\n2026-01-03,Hollin,6\n");
        write("data/b.csv", "Date,Port,Pax\n2026-02-01,HOLLIN,7\n2026-02-02,Tarsk,none\n2026-02-03,Tarsk,9\n");
        newJob();
        goTo(KeyCode.DIGIT5);
        Node aboutPort = robot.lookup(".finding").queryAll().stream()
                .filter(each -> robot.from(each).lookup(".label").queryAllAs(Label.class).stream()
                        .anyMatch(label -> label.getText().startsWith("In the column “Port”")))
                .findFirst()
                .orElseThrow();
        Button facts = robot.from(aboutPort).lookup("Facts of the column").queryButton();
        robot.interact(facts::fire);
        waitFor("the figures", () -> words("#facts-figures").contains("3 different values"));
        goTo(KeyCode.DIGIT6);
        robot.push(KeyCode.RIGHT);
        waitFor("the facts of the chosen column", () -> words("#facts-title").equals("Port: Text"));
        robot.clickOn("#facts-alike-0");
        waitFor("one spelling", () -> words("#facts-figures").contains("2 different values"));
        idle();
        robot.clickOn("#master-grid").push(KeyCode.CONTROL, KeyCode.HOME).push(KeyCode.END);
        GridView grid = find("#master-grid");
        robot.interact(() -> grid.select(0, 2));
        waitFor("what does not fit", () -> words("#facts-figures").contains("1 value does not fit"));
        robot.clickOn("#facts-to").write("8").push(KeyCode.ENTER);
        waitFor("the repair", () -> words("#facts-figures").contains("Filled in all 6 rows"));
        idle();
        robot.clickOn("#stage-rework");
        waitFor(
                "the sentences",
                () -> robot.lookup("#rework .in-force").queryAll().size() == 2);
        assertThat(robot.lookup("#facts").tryQuery())
                .as("facts stand beside board and master only")
                .isEmpty();
        robot.push(KeyCode.ALT, KeyCode.DIGIT6).push(KeyCode.F4);
        waitFor("the facts again", () -> robot.lookup("#facts-close").tryQuery().isPresent());
        robot.clickOn("#facts-close");
        assertThat(robot.lookup("#facts").tryQuery()).isEmpty();
    }

    private boolean shows(String words) {
        return robot.lookup(".few-rows .label").queryAllAs(Label.class).stream()
                .anyMatch(label -> label.getText().contains(words));
    }

    @Test
    void equalRowsAreShownGroupByGroupAndRowsSetAsideArePutBack() throws IOException {
        write("data/a.csv", "Trip,Port,Pax\n1,Hollin,5\n2,Tarsk,6\n2,Tarsk,6\n3,Oska,9\n");
        write("data/b.csv", "Trip,Port,Pax\n7,Marsay,4\n8,Oska,2\n");
        newJob();
        robot.interact(() -> model().rules().ruleEqual(List.of("Trip"), "keep the first"));
        waitFor(
                "one of two",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 5);
        idle();
        robot.interact(() -> model().rules().ruleByPhrase("Port is Oska", false));
        waitFor(
                "those of Oska aside",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 3);
        idle();
        goTo(KeyCode.DIGIT4);
        List<Button> looks = robot.lookup("#rework .button").queryAllAs(Button.class).stream()
                .filter(button -> button.getText().startsWith("Show"))
                .toList();
        assertThat(looks).hasSize(2);
        robot.interact(looks.get(0)::fire);
        waitFor("the group", () -> shows("Equal rows, group by group") || shows("a.csv, 4"));
        assertThat(shows("stays")).isTrue();
        robot.interact(looks.get(1)::fire);
        waitFor("the rows aside", () -> robot.lookup("b.csv, 3").tryQuery().isPresent());
        Button back = robot.lookup("#rework .button").queryAllAs(Button.class).stream()
                .filter(button -> button.getText().equals("b.csv, 3"))
                .findFirst()
                .orElseThrow();
        robot.interact(back::fire);
        waitFor(
                "the row put back",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 4);
    }

    @Test
    void rowsAreSetAsideByWhatIsSelectedAndTheSentenceIsChangedWhereItStands() throws IOException {
        write("data/a.csv", "Date,Port,Pax\n2026-01-01,Hollin,5\n2026-01-02,Tarsk,6\n2026-01-03,Oska,7\n");
        write("data/b.csv", "Date,Port,Pax\n2026-02-01,Tarsk,8\n2026-02-02,Hollin,9\n");
        newJob();
        robot.push(KeyCode.ALT, KeyCode.DIGIT6);
        robot.push(KeyCode.RIGHT);
        waitFor("the rows", () -> words("#trail").contains("Hollin"));
        robot.clickOn("#master-rule");
        robot.clickOn("Set aside rows where Port is Hollin");
        waitFor(
                "the rows gone",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 3);
        idle();
        robot.push(KeyCode.ALT, KeyCode.DIGIT4);
        assertThat(robot.lookup("2 rows set aside from 2 tables").tryQuery()).isPresent();
        robot.clickOn("Show the rows set aside");
        waitFor("the rows", () -> robot.lookup("a.csv, 2").tryQuery().isPresent());
        TextField phrase = robot.lookup("#rework .text-field").query();
        robot.clickOn(phrase)
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("Pax over 7")
                .push(KeyCode.ENTER);
        waitFor(
                "the other rows gone",
                () -> columnsAndRows().endsWith("3 rows")
                        && robot.lookup("b.csv, 2").tryQuery().isPresent());
        idle();
        robot.clickOn("Remove");
        waitFor(
                "all rows back",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 5);
    }

    @Test
    void aRuleIsWrittenInReworkByKeysAndSaysWhatItWouldDoFirst() throws IOException {
        write("data/a.csv", "Date,Port,Fare\n2026-01-01,Hollin,5.50\n2026-01-02,Tarsk,6.25\n2026-01-03,Oska,7.00\n");
        write("data/b.csv", "Date,Port,Fare\n2026-02-01,Tarsk,8.75\n");
        newJob();
        goTo(KeyCode.DIGIT4);
        robot.clickOn("#write-aside");
        waitFor("the keys in the rule", () -> find("#new-rule-words").isFocused());
        robot.write("Port is Tarsk");
        waitFor("what it would do", () -> words("#new-rule-effect").startsWith("2 rows would go; 4 rows become 2."));
        assertThat(robot.lookup("#new-rule .few-rows .label").queryAllAs(Label.class).stream()
                        .filter(label -> label.getText().equals("Tarsk")))
                .as("the rows that would go")
                .hasSize(2);
        assertThat(model().outcomeProperty().get().orElseThrow().rows()).isEqualTo(4);
        robot.push(KeyCode.ENTER);
        waitFor("the rule", () -> model().outcomeProperty().get().orElseThrow().rows() == 2);
        idle();
        String id = cuvee.job.Decision.idOf("rows", "Port is Tarsk");
        robot.clickOn("#sentence-" + id);
        waitFor(
                "the rule resting",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 4);
        idle();
        assertThat(robot.lookup("resting").tryQuery()).isPresent();
    }

    @Test
    void aColumnIsWrittenWithItsNameAndShowsItsFirstValuesBeforeItIsMade() {
        newJob();
        goTo(KeyCode.DIGIT4);
        robot.clickOn("#write-column");
        waitFor("the keys in the formula", () -> find("#new-rule-words").isFocused());
        assertThat(words("#new-rule-effect")).startsWith("Columns as they are called");
        robot.write("year of Date");
        waitFor("what it would make", () -> words("#new-rule-effect").startsWith("Whole number, filled in"));
        assertThat(robot.lookup("#new-rule .few-rows .label").queryAllAs(Label.class))
                .extracting(Label::getText)
                .contains("would be", "2,026");
        robot.clickOn("#new-rule-name").write("Year").push(KeyCode.ENTER);
        waitFor(
                "the column",
                () -> model().jobProperty().get().settled().stream()
                        .anyMatch(each -> each.subject().equals("Year")));
        idle();
        assertThat(find("#write-column").isFocused())
                .as("the keys where the rule was begun")
                .isTrue();
    }

    private String columnsAndRows() {
        return columns() + ", " + model().outcomeProperty().get().orElseThrow().rows() + " rows";
    }

    @Test
    void columnsBehindTheSelectedOneAreTurnedAndTheSentenceSaysSo() throws IOException {
        write("data/a.csv", "Depot,Diesel,Oil\nHollin,1,2\nTarsk,4,5\n");
        Files.delete(folder.resolve("data/b.csv"));
        newJob();
        goTo(KeyCode.DIGIT2);
        GridView sheet = grid("#read-sheet");
        robot.interact(() -> sheet.select(1, 0));
        robot.clickOn("#read-turn");
        waitFor("the rows", () -> columns().equals(List.of("Depot", "Item", "Amount")));
        idle();
        goTo(KeyCode.DIGIT4);
        waitFor(
                "the sentence",
                () -> robot.lookup(".sentence .label").queryAllAs(Label.class).stream()
                        .anyMatch(label -> label.getText().equals("Turn all but Depot into rows:")));
    }

    private void master() {
        robot.push(KeyCode.ALT, KeyCode.DIGIT6);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private String cell(int row, int column) {
        GridView grid = find("#master-grid");
        return String.valueOf(java.util.Objects.requireNonNull(grid.model()).text(row, column));
    }

    @Test
    void aColumnIsMadeFromASelectionAndItsFormulaIsChangedWhereItStands() throws IOException {
        write("data/a.csv", "Date,Route,Pax\n2026-01-01,Hollin-Tarsk,5\n2026-01-02,Tarsk-Hollin,6\n");
        write("data/b.csv", "Date,Route,Pax\n2026-02-01,Hollin-Marsay,7\n");
        newJob();
        master();
        robot.push(KeyCode.RIGHT);
        waitFor("the trail", () -> words("#trail").contains("Route"));
        robot.clickOn("#master-rule");
        robot.clickOn("Make columns: the 2 parts of Route by “-”");
        waitFor("the columns", () -> columns().equals(List.of("Date", "Route", "Pax", "Route 1", "Route 2")));
        idle();
        String id = cuvee.job.Decision.idOf("made", "Route 2");
        TextField formula = find("#name-" + id + "-0");
        robot.clickOn(formula).push(KeyCode.CONTROL, KeyCode.A).write("Pax * 2 ");
        assertThat(robot.lookup("#name-" + id + "-0-problem").tryQuery()).isEmpty();
        robot.write("+ Rou");
        assertThat(words("#name-" + id + "-0-problem")).contains("“Rou” is no column");
        robot.push(KeyCode.ENTER);
        assertThat(formula.getText()).isEqualTo("Pax * 2 + Route");
        assertThat(words("#name-" + id + "-0-problem")).contains("only numbers can be reckoned with");
        robot.push(KeyCode.ESCAPE)
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("Pax * 2")
                .push(KeyCode.ENTER);
        waitFor(
                "the other formula",
                () -> model().jobProperty().get().settled().stream()
                        .anyMatch(decision -> decision.answer().equals("Pax * 2")));
        idle();
        master();
        waitFor("the product", () -> cell(0, 4).equals("10"));
        assertThat(cell(0, 3)).isEqualTo("Hollin");
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(
                "the undone formula",
                () -> model().jobProperty().get().settled().stream()
                        .noneMatch(decision -> decision.answer().equals("Pax * 2")));
        idle();
    }

    @Test
    void oneCellIsCorrectedByKeysAndTheTrailSaysSo() {
        newJob();
        master();
        robot.push(KeyCode.RIGHT).push(KeyCode.RIGHT);
        waitFor("the trail", () -> words("#trail").contains("“Passengers”: text “5”"));
        robot.push(KeyCode.C);
        waitFor("the bar", () -> robot.lookup("#correction-to").tryQuery().isPresent());
        robot.write("many").push(KeyCode.ENTER);
        waitFor(
                "the refusal",
                () -> robot.lookup(".failing").queryAllAs(Label.class).stream()
                        .anyMatch(
                                label -> label.getText().equals("“many” is no Whole number, the type of the column.")));
        robot.push(KeyCode.CONTROL, KeyCode.A)
                .write("50")
                .push(KeyCode.TAB)
                .write("counted again")
                .push(KeyCode.ENTER);
        waitFor("the correction", () -> !model().jobProperty().get().settled().isEmpty());
        idle();
        waitFor("the value", () -> cell(0, 2).equals("50"));
        robot.push(KeyCode.DOWN).push(KeyCode.UP);
        waitFor("the trail", () -> words("#trail").endsWith("text “5”, corrected by you to 50"));
        robot.push(KeyCode.ALT, KeyCode.DIGIT4);
        robot.clickOn("Remove");
        waitFor("the old value", () -> model().jobProperty().get().settled().isEmpty());
        idle();
    }

    @Test
    void valuesBecomeColumnsAndTheRowsAreOrdered() throws IOException {
        write("data/a.csv", "Port,Item,Amount\nHollin,Fuel,5\nHollin,Crew,6\n");
        write("data/b.csv", "Port,Item,Amount\nBrannock,Fuel,7\n");
        newJob();
        master();
        robot.push(KeyCode.RIGHT).push(KeyCode.SHIFT, KeyCode.RIGHT);
        WaitForAsyncUtils.waitForFxEvents();
        robot.clickOn("#master-rule");
        robot.clickOn("Make columns of the values of Item, holding the sum of Amount");
        waitFor(
                "the columns",
                () -> model().outcomeProperty().get().orElseThrow().plan().columns().stream()
                        .map(column -> column.name())
                        .toList()
                        .equals(List.of("Port", "Fuel", "Crew")));
        idle();
        master();
        robot.push(KeyCode.CONTROL, KeyCode.HOME);
        robot.clickOn("#master-rule");
        robot.clickOn("Order the rows by Port");
        waitFor("the order", () -> cell(0, 0).equals("Brannock"));
        idle();
        assertThat(cell(1, 2)).isEqualTo("6");
        robot.push(KeyCode.ALT, KeyCode.DIGIT4);
        robot.clickOn("#rework-page");
        waitFor("the page", () -> robot.lookup("#job-page").tryQuery().isPresent());
        robot.clickOn("#page-copy");
        waitFor("the copy", () -> words("#work-words").equals("The page is on the clipboard."));
        chosen.target = Optional.of(folder.resolve("page.html"));
        robot.clickOn("#page-save");
        waitFor("the page saved", () -> words("#work-words").equals("Written: page.html."));
        assertThat(Files.readString(folder.resolve("page.html")))
                .contains("<p>Order the rows by Port. 2 rows.</p>")
                .contains("with one row for each Port.");
    }
}
