package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Codes lose their leading zeros where a program keeps them as numbers. */
class LostZerosTest extends BatchTest {
    private void hollin() {
        batch.csv("Hollin.csv", "Account,Name,Amount", "00028283,Moss,51", "00002943,Nairn,206", "10038879,Oakes,12");
    }

    private void tarsk() {
        batch.sheet(
                "Tarsk.xlsx",
                row("Account", "Name", "Amount"),
                row(28907, "Pryde", 297),
                row(4676, "Quill", 53),
                row(20038879, "Rudd", 7));
    }

    private static List<String> accounts(Batch.Made made) {
        return made.lines().stream().map(line -> line.split("\\|", -1)[0]).toList();
    }

    @Test
    void numbersAmongCodesAreFilledWithZerosAndItIsAsked() {
        hollin();
        tarsk();
        Batch.Made made = batch.refresh();
        assertThat(accounts(made))
                .containsExactly("00028283", "00002943", "10038879", "00028907", "00004676", "20038879");
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("“Account”, Tarsk.xlsx holds numbers such as “4676”", "codes of 8 digits");
        assertThat(question.answers())
                .extracting(Question.Answer::text)
                .containsExactly("yes, write them as “00004676”", "no, they stay as they are written");
    }

    @Test
    void whatIsSettledHoldsForNextMonthsNumbersToo() {
        hollin();
        tarsk();
        Question question = batch.refresh().question(Kinds.WRITTEN_AS);
        batch.settle(question, question.assumed());
        batch.csv("Oska.csv", "Account,Name,Amount", "77,Stroud,4", "AX-1,Tyne,8");
        Batch.Made next = batch.refresh();
        assertThat(accounts(next)).contains("00028907", "00004676", "00000077", "AX-1");
        batch.csv("Pell.csv", "Account,Name,Amount", "91,Umber,4", "123456789,Vale,8");
        assertThat(accounts(batch.refresh())).contains("00000091", "123456789");
        batch.settle(question, "as written");
        Batch.Made asWritten = batch.refresh();
        assertThat(accounts(asWritten)).contains("00028283", "28907", "4676", "91");
        assertThat(asWritten.outcome().questions())
                .noneMatch(each -> each.kind().equals(Kinds.WRITTEN_AS));
    }

    @Test
    void zerosLostInSomeCellsOfOneFileAreFilledToo() {
        batch.sheet("Hollin.xlsx", row("Stop", "People"), row("0417", 5), row(93, 8), row("0022", 13), row("1180", 2));
        assertThat(accounts(batch.refresh())).containsExactly("0417", "0093", "0022", "1180");
    }

    @Test
    void numbersBesideCodesOfSeveralLengthsStay() {
        batch.csv("Hollin.csv", "Stop,People", "0417,5", "00022,8", "1180,2");
        batch.csv("Tarsk.csv", "Stop,People", "93,5", "22,8");
        Batch.Made made = batch.refresh();
        assertThat(accounts(made)).contains("93", "22");
        assertThat(made.outcome().questions()).noneMatch(each -> each.kind().equals(Kinds.WRITTEN_AS));
    }

    @Test
    void longerNumbersThanTheCodesHaveAreOfAnotherKind() {
        hollin();
        batch.csv("Tarsk.csv", "Account,Name,Amount", "28907,Pryde,297", "123456789,Quill,53");
        assertThat(accounts(batch.refresh())).contains("28907");
    }
}
