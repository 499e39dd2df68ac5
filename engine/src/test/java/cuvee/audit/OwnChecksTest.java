package cuvee.audit;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.check.CheckResult;
import cuvee.check.OwnCheck;
import cuvee.decision.RowChoice;
import cuvee.job.Decision;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.testing.Workbooks;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Checks of the analyst's own, said in words and made at each refresh. */
class OwnChecksTest extends BatchTest {
    @BeforeEach
    void twoMonths() {
        batch.csv(
                "Hollin 2026-01.csv",
                "Trip,Port,Sailing date,Fare,Cancelled",
                "1,Hollin,2026-01-05,12.50,no",
                "2,Hollin,2026-01-06,30.25,no",
                "3,,2026-01-07,0,yes");
        batch.csv(
                "Tarsk 2026-02.csv",
                "Trip,Port,Sailing date,Fare,Cancelled",
                "3,Tarsk,2026-02-05,9500,no",
                "4,Tarsk,2026-01-31,7,yes",
                ",Marsay,2026-02-09,-1,no");
    }

    private CheckResult check(String words) {
        batch.refresh();
        batch.job(batch.job().withSettled(new Decision("check", words, RowChoice.Checked.WANTED, "", "")));
        Batch.Made made = batch.refresh();
        CheckResult result = made.outcome().checks().get(made.outcome().checks().size() - 1);
        assertThat(result.words()).isEqualTo(words);
        assertThat(made.findings("own-check")).hasSize(result.fails() > 0 ? 1 : 0);
        assertThat(made.findings("check-lost")).hasSize(result.problem().isEmpty() ? 0 : 1);
        return result;
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            Port is never blank; 1
            Trip and Port are never blank; 2
            Sailing date is never blank; 0
            Trip is unique; 2
            Trip and Port are unique; 0
            Fare between 0 and 9,000; 2
            Fare is between 0 and 9,000; 2
            Port is in Hollin or Tarsk; 1
            always Fare at least 0; 1
            never Cancelled is yes, Fare over 5; 1
            never Port is Nowhere; 0
            Sailing date lies in its file's month; 1
            """)
    void rowsThatDoNotMeetItAreCounted(String words, long fails) {
        CheckResult result = check(words);
        assertThat(result.problem()).isEmpty();
        assertThat(result.fails()).isEqualTo(fails);
        assertThat(result.first()).hasSize((int) fails);
    }

    @Test
    void theFirstRowThatFailsIsNamedByItsLine() {
        assertThat(check("Sailing date lies in its file's month").first().get(0).toString())
                .isEqualTo("Tarsk 2026-02.csv, line 3");
    }

    @Test
    void aSummaryIsHeldAgainstATableThatSomebodyKnows() {
        Workbooks.text(batch.file("../budget.csv"), "Port,Fare\nHollin,42.75\nTarsk,9000\nEastray,5\nTotal,9047.75\n");
        CheckResult result = check("total Fare: a line for each Port, only where Port is filled equals budget.csv");
        assertThat(result.problem()).isEmpty();
        assertThat(result.details())
                .containsExactly(
                        "Tarsk: 9,507 here, 9,000 there",
                        "Eastray: not in the master, 5 there",
                        "Marsay: −1 here, not there");
        Workbooks.text(batch.file("../budget.csv"), "Port,Fare\nHOLLIN,42.75\nTarsk,9507.00\nMarsay,-1\n");
        assertThat(batch.refresh().outcome().checks().get(0).passes()).isTrue();
    }

    @Test
    void theRowsAreHeldAgainstATableThatSomebodyKnowsCellByCell() {
        Workbooks.text(
                batch.file("../known.csv"),
                "trip,fare,port,Remark\n1,12.50,HOLLIN,x\n2,30.20,Hollin,\n3,0,,\n9,5,Tarsk,\n");
        CheckResult result = check("the rows are those of known.csv by Trip and Port");
        assertThat(result.problem()).isEmpty();
        assertThat(result.details())
                .containsExactly(
                        "2 | hollin, Fare: 30.25 here, 30.2 there",
                        "only in the master: 3 | tarsk",
                        "only in the master: 4 | tarsk",
                        "only in the master:  | marsay",
                        "not in the master: 9 | tarsk");
        assertThat(result.fails()).isEqualTo(5);
        batch.job(batch.job().withoutSettled("check", result.words()));
        Workbooks.text(batch.file("../known.csv"), "Fare,Trip\n-1,\n7,4\n9500,3\n0,3\n30.25,2\n12.5,1\n");
        assertThat(check("the rows are those of known.csv").passes()).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            Ports is never blank; no column of the master
            Fare between low and high; is no
            Port lies in its file's month; is no column of dates
            everything is fine; no check that Cuvee knows
            total Fare: a line for each Port equals nowhere.csv; there is no file
            total Fare equals nowhere.csv; a line for each
            the rows are those of nowhere.csv; there is no file
            the rows are those of known.csv by Ports; no column of the master
            """)
    void aCheckThatCannotBeMadeSaysWhy(String words, String problem) {
        CheckResult result = check(words);
        assertThat(result.passes()).isFalse();
        assertThat(result.problem()).contains(problem);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            Fare is never blank; Price is never blank
            Port and Fare are unique; Port and Price are unique
            Fare between 0 and 9,000; Price between 0 and 9,000
            always Fare at least 0; always Price at least 0
            the rows are those of x.csv by Fare and Port; the rows are those of x.csv by Price and Port
            Fare class is in A or B; Fare class is in A or B
            total Fare: a line for each Port equals budget.csv; total Price: a line for each Port equals budget.csv
            """)
    void itFollowsAColumnThatIsRenamed(String words, String renamed) {
        assertThat(OwnCheck.renamed(words, List.of("Fare", "Fare class", "Port"), "Fare", "Price"))
                .isEqualTo(renamed);
    }
}
