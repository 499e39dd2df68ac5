package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What can be done with the values of a column from its facts. */
class FactsWindowTest extends InAWindow {
    @BeforeEach
    void aJob() throws IOException {
        write("data/a.csv", "Date,Port,Paid,Fare\n03/04/2026,H1,yes,5\n05/04/2026,T2,no,6\n03/04/2026,H1,yes,9\n");
        write("data/b.csv", "Date,Port,Paid,Fare\n02/05/2026,T2,no,7\n01/05/2026,H1,yes,8\n");
        newJob();
    }

    private void factsOf(String column) {
        goTo(KeyCode.DIGIT3);
        GridView board = grid("#line-up-grid");
        int at = -1;
        for (int i = 0; i < board.model().columns(); i++) {
            at = board.model().title(i).equals(column) ? i : at;
        }
        int place = at;
        robot.interact(() -> board.select(0, place));
        if (robot.lookup("#facts").tryQuery().isEmpty()) {
            robot.push(KeyCode.F4);
        }
        waitFor("the facts of " + column, () -> words("#facts-title").startsWith(column + ":"));
        waitFor("its values counted", () -> words("#facts-figures").startsWith("Filled"));
    }

    private List<String> ports() {
        GridView values = grid("#facts-values");
        return List.of(
                String.valueOf(values.model().text(0, 0)),
                String.valueOf(values.model().text(1, 0)));
    }

    private long settled(String kind) {
        return model().jobProperty().get().settled().stream()
                .filter(decision -> decision.kind().equals(kind))
                .count();
    }

    @Test
    void codesGetTheirNamesFromATableInAFileOrAsCopied() throws IOException {
        write("names.csv", "Code,Name\nH1,Hollin\nT2,Tarsk\n");
        chosen.target = Optional.of(folder.resolve("names.csv"));
        factsOf("Port");
        MenuButton codes = find("#facts-codes");
        robot.interact(() -> codes.getItems().get(0).fire());
        waitFor("the names", () -> ports().equals(List.of("Hollin", "Tarsk")));
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        waitFor("the codes again", () -> ports().equals(List.of("H1", "T2")));
        idle();
        robot.interact(() -> {
            ClipboardContent copied = new ClipboardContent();
            copied.putString("H1\tHollin Quay\nT2\tTarsk Quay\n");
            Clipboard.getSystemClipboard().setContent(copied);
            codes.getItems().get(1).fire();
        });
        waitFor("the copied names", () -> ports().equals(List.of("Hollin Quay", "Tarsk Quay")));
    }

    @Test
    void aRuleBeginsWithTheValuesThatAreChosen() {
        factsOf("Port");
        robot.interact(() -> {
            grid("#facts-values").select(0, 0);
            grid("#facts-values").requestFocus();
        });
        robot.push(KeyCode.CONTROL, KeyCode.R);
        waitFor(
                "the rules offered",
                () -> robot.lookup("Set aside rows where Port is H1").tryQuery().isPresent());
        robot.clickOn("Set aside rows where Port is H1");
        waitFor(
                "the rows set aside",
                () -> model().outcomeProperty().get().orElseThrow().rows() == 2);
    }

    @Test
    void howYesAndNoAreDeliveredIsChosen() {
        factsOf("Paid");
        ComboBox<Object> written = find("#facts-yes-no");
        assertThat(written.isVisible()).isTrue();
        robot.interact(() -> written.getSelectionModel().selectLast());
        waitFor("the decision", () -> settled("yes-no-words") == 1);
        factsOf("Port");
        assertThat(find("#facts-yes-no").getParent().isVisible()).isFalse();
    }

    /** The first choice within a node that offers some words. */
    @SuppressWarnings("unchecked")
    private ComboBox<String> choice(Node within, String words) {
        return robot.from(within).lookup(".combo-box").queryAll().stream()
                .map(each -> (ComboBox<String>) each)
                .filter(each -> each.getItems().contains(words))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatComesFirstInDatesIsSaidForALayoutAndForOneFile() {
        factsOf("Date");
        assertThat(words("#facts-figures")).contains("Least 2026-04-03").contains("greatest 2026-05-02");
        ComboBox<String> order = choice(find("#facts"), "month first");
        robot.interact(() -> order.getSelectionModel().select("month first"));
        waitFor("months first", () -> words("#facts-figures").contains("Least 2026-01-05"));
        idle();
        ComboBox<String> file = choice(find("#facts"), "b.csv");
        robot.interact(() -> file.getSelectionModel().select("b.csv"));
        waitFor(
                "the facts of the file",
                () -> robot.from(file.getParent())
                        .lookup("In this file: 2 of 2 values fit Date")
                        .tryQuery()
                        .isPresent());
        ComboBox<String> ofFile = choice(file.getParent(), "day first");
        robot.interact(() -> ofFile.getSelectionModel().select("day first"));
        waitFor("days first in that file", () -> words("#facts-figures").contains("Least 2026-03-04"));
    }

    @Test
    void valuesAreTakenForBlankAndSought() {
        factsOf("Port");
        robot.interact(() -> grid("#facts-values").select(1, 0));
        waitFor(
                "the chosen value",
                () -> robot.lookup("For “T2” in 2 rows:").tryQuery().isPresent());
        robot.clickOn("#facts-blank");
        waitFor("blanks", () -> words("#facts-figures").contains("blank in 2"));
        idle();
        robot.clickOn("#facts-search").write("x");
        waitFor("no value like it", () -> grid("#facts-values").model().rows() == 0);
        robot.push(KeyCode.ESCAPE);
        waitFor("no facts", () -> robot.lookup("#facts").tryQuery().isEmpty());
    }
}
