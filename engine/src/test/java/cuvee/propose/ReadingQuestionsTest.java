package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import org.junit.jupiter.api.Test;

/** What is in doubt about how sheets are read is asked or told. */
class ReadingQuestionsTest extends BatchTest {
    @Test
    void recordsThatMayTakeTwoRowsAreTold() {
        batch.csv(
                "Payroll.csv",
                "Emp no,Name,Gross,Net",
                "100,Ann Hall,2794,2235",
                ",Deck,160,17",
                "101,Bo Moss,2380,1904",
                ",Engine,160,14",
                "102,Cy Reed,2104,1684",
                ",Deck,158,13");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(6);
        assertThat(made.findings("every-second-row").get(0).text())
                .contains("Every second row leaves “Emp no” blank", "two rows");
    }

    @Test
    void blanksNowAndThenAreNone() {
        batch.csv(
                "Payroll.csv",
                "Emp no,Name,Gross,Net",
                "100,Ann Hall,2794,2235",
                ",Deck,160,17",
                "101,Bo Moss,2380,1904",
                "103,Di Berg,2380,1904",
                ",Engine,160,14",
                ",Deck,158,13");
        assertThat(batch.refresh().findings("every-second-row")).isEmpty();
    }
}
