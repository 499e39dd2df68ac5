package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.gather.Reread;
import cuvee.master.MasterReader;
import cuvee.refresh.Batch;
import cuvee.refresh.Batch.Made;
import cuvee.refresh.JobSession;
import cuvee.rework.Correction;
import cuvee.tell.Sentence;
import cuvee.tell.Trail;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One cell read as something else, for as long as it says what it said. */
class CorrectionsTest {
    @TempDir
    private Path folder;

    private Batch batch;

    @BeforeEach
    void aBatch() {
        batch = new Batch(folder)
                .csv("a.csv", "Date,Port,Pax", "2026-01-05,Hollin,10", "2026-01-06,Tarsk,20", "2026-01-07,Eastray,")
                .sheet(
                        "b.xlsx",
                        new Object[] {"Date", "Port", "Pax"},
                        new Object[] {"2026-02-01", "Hollin", 7},
                        new Object[] {"2026-02-02", "Tarsk", 8});
    }

    private static Correction of(String source, String sheet, int row, int column, String from, String to) {
        return new Correction(source, sheet, row, column, from, to, "the port said so", "by ana on 2026-03-01", true);
    }

    private Made with(Correction correction) {
        batch.job(correction.put(batch.job()));
        return batch.refresh();
    }

    @Test
    void theCellIsReadAsTheAnalystSaysAndNothingElseChanges() {
        Made made = with(of("a.csv", "", 3, 2, "20", "25"));
        assertThat(made.lines())
                .containsExactly(
                        "2026-01-05|Hollin|10",
                        "2026-01-06|Tarsk|25",
                        "2026-01-07|Eastray|",
                        "2026-02-01|Hollin|7",
                        "2026-02-02|Tarsk|8");
        Made numbers = with(of("b.xlsx", "Sheet1", 2, 2, "7", "1,007"));
        assertThat(numbers.lines()).contains("2026-02-01|Hollin|1007", "2026-02-02|Tarsk|8");
    }

    @Test
    void blankCellsAreFilledAndFilledOnesBlanked() {
        with(of("a.csv", "", 4, 2, "", "30"));
        Made made = with(of("a.csv", "", 2, 1, "Hollin", ""));
        assertThat(made.lines()).startsWith("2026-01-05||10", "2026-01-06|Tarsk|20", "2026-01-07|Eastray|30");
        assertThat(made.findings("misfit")).isEmpty();
    }

    @Test
    void aTypeDecidedByOneWrongCellIsRightOnceItIsCorrected() {
        batch.csv("c.csv", "Date,Port,Pax", "2026-03-01,Marsay,9", "2026-03-02,Marsay,about forty");
        Made before = batch.refresh();
        assertThat(before.outcome().questions()).extracting("kind").contains("type");
        Made made = with(of("c.csv", "", 3, 2, "about forty", "40"));
        assertThat(made.lines()).endsWith("2026-03-01|Marsay|9", "2026-03-02|Marsay|40");
        assertThat(made.outcome().proposal().columns().get(2).misfits()).isZero();
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void itWaitsOnceTheCellSaysSomethingElse() {
        with(of("a.csv", "", 3, 2, "20", "25"));
        batch.csv("a.csv", "Date,Port,Pax", "2026-01-05,Hollin,10", "2026-01-06,Tarsk,26")
                .changed("a.csv", "2026-05-01T00:00:00Z");
        Made made = batch.refresh();
        assertThat(made.lines()).contains("2026-01-06|Tarsk|26");
        assertThat(made.findings("correction-lost"))
                .singleElement()
                .extracting(Finding::what)
                .isEqualTo("The correction of this cell from “20” to “25” is not in force: the cell says “26” now.");
        batch.delete("a.csv");
        batch.csv("d.csv", "Date,Port,Pax", "2026-01-05,Hollin,10");
    }

    @Test
    void itsSentenceSaysWhoAndWhyAndSwitchesItOff() {
        Made made = with(of("a.csv", "", 3, 2, "20", "25"));
        Sentence sentence = made.outcome().sentences().stream()
                .filter(each -> each.kind().equals(Correction.KIND))
                .findFirst()
                .orElseThrow();
        assertThat(sentence.text()).isEqualTo("Read a.csv, line 3, column “Pax”, as “25”, not “20”.");
        assertThat(sentence.touched()).isEqualTo("1 cell; because the port said so; by ana on 2026-03-01.");
        batch.settle(Correction.KIND, sentence.subject(), sentence.answer(false));
        assertThat(batch.refresh().lines()).contains("2026-01-06|Tarsk|20");
        batch.settle(Correction.KIND, sentence.subject(), sentence.answer(true));
        assertThat(batch.refresh().lines()).contains("2026-01-06|Tarsk|25");
    }

    @Test
    void theTrailShowsBoth() {
        Made made = with(of("a.csv", "", 3, 2, "20", "25"));
        try (JobSession session = batch.open();
                MasterReader reader = session.reader(made.outcome())) {
            Trail trail = session.trail(made.outcome(), reader.page(1, 1).get(0), 2);
            assertThat(trail.raw()).isEqualTo("20");
            assertThat(trail.corrected()).isEqualTo("25");
            assertThat(session.trail(made.outcome(), reader.page(0, 1).get(0), 2)
                            .corrected())
                    .isNull();
        }
    }

    @Test
    void anIncrementalRefreshEqualsAFullOne() {
        with(of("a.csv", "", 3, 2, "20", "25"));
        batch.csv("e.csv", "Date,Port,Pax", "2026-06-01,Marsay,1");
        Made made = batch.refresh();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    private Batch germanFiles() {
        return new Batch(folder.resolve("german"))
                .csv(
                        "h.csv",
                        "Datum;Menge;Satz;Ausfall;Code",
                        "25.03.2026;1.204;12,5 %;ja;007",
                        "26.03.2026;2.099,75;1,5 %;nein;012",
                        "27.03.2026;5,25;3 %;nein;100");
    }

    private static String corrected(Batch batch, int row, int column, String from, String to) {
        batch.job(of("h.csv", "", row, column, from, to).put(batch.job()));
        return batch.refresh().lines().get(row - 2).split("\\|", -1)[column];
    }

    @Test
    void whatIsWrittenIsReadAsTheMasterShowsItHoweverTheFileWritesIt() {
        Batch batch = germanFiles();
        assertThat(batch.refresh().lines())
                .startsWith("2026-03-25|1204|0.125|true|007", "2026-03-26|2099.75|0.015|false|012");
        assertThat(corrected(batch, 2, 1, "1.204", "1,205")).as("thousands").isEqualTo("1205");
        assertThat(corrected(batch, 2, 1, "1.204", "1.205"))
                .as("a point is a decimal point")
                .isEqualTo("1.205");
        assertThat(corrected(batch, 3, 1, "2.099,75", "2,099.80")).isEqualTo("2099.8");
        assertThat(corrected(batch, 2, 0, "25.03.2026", "2026-03-24")).isEqualTo("2026-03-24");
        assertThat(corrected(batch, 2, 2, "12,5 %", "13.5 %")).isEqualTo("0.135");
        assertThat(corrected(batch, 2, 3, "ja", "no")).isEqualTo("false");
        assertThat(corrected(batch, 2, 4, "007", "008"))
                .as("a code stays a text")
                .isEqualTo("008");
        Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly(
                        "2026-03-24|1.205|0.135|false|008",
                        "2026-03-26|2099.8|0.015|false|012",
                        "2026-03-27|5.25|0.03|false|100");
        assertThat(made.outcome().questions())
                .as("no convention is in doubt for it")
                .isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void cellsOfColumnsThatRunAcrossAreCorrectedToo() {
        Batch plan = new Batch(folder.resolve("plan"))
                .csv("p.csv", "Depot,Jan,Feb,Mar", "Hollin,1,2,3", "Tarsk,4,,6", "Marsay,7,8,9");
        plan.refresh();
        plan.job(of("p.csv", "", 3, 2, "", "5").put(plan.job()));
        Made made = plan.refresh();
        assertThat(made.lines())
                .contains("Tarsk|Jan|4", "Tarsk|Feb|5", "Tarsk|Mar|6")
                .hasSize(9);
        plan.job(of("p.csv", "", 2, 3, "3", "").put(plan.job()));
        assertThat(plan.refresh().lines()).doesNotContain("Hollin|Mar|3").hasSize(8);
    }

    @Test
    void aCellThatFeedsNothingCannotBeCorrected() {
        Made made = with(of("a.csv", "", 1, 1, "Port", "Harbour"));
        assertThat(made.findings("correction-lost"))
                .singleElement()
                .extracting(Finding::what)
                .asString()
                .endsWith("is not in force: no column of the master is fed by it now.");
        Made gone = with(of("none.csv", "", 2, 1, "x", "y"));
        assertThat(gone.findings("correction-lost")).hasSize(2);
        assertThat(gone.lines()).hasSize(5);
    }

    @Test
    void aDecisionThatNamesNoCellIsSaid() {
        batch.settle(Correction.KIND, "a.csv |  | nowhere", "1 | 2");
        assertThat(batch.refresh().findings("not-followed")).hasSize(1);
    }
}
