package cuvee.audit;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.time.LocalTime;
import org.junit.jupiter.api.Test;

/** No value is lost between the reader and the master without a word. */
class ConservationTest extends BatchTest {
    private static String[] hours(String day) {
        return new String[] {"Trip,Start", "1," + day + " 08:00", "2," + day + " 09:00:00", "3," + day + " 17:00"};
    }

    @Test
    void aTimeOnTheHourIsNoMidnight() {
        Batch.Made made = batch.csv("a.csv", hours("2026-03-31")).refresh();
        assertThat(made.lines())
                .containsExactly("1|2026-03-31T08:00:00", "2|2026-03-31T09:00:00", "3|2026-03-31T17:00:00");
        assertThat(made.outcome().needsALook()).isFalse();
    }

    @Test
    void midnightThroughoutIsADateHoweverItIsWritten() {
        Batch.Made made = batch.csv(
                        "a.csv", "Trip,Start", "1,2026-03-31 00:00", "2,2026-04-01 00:00:00", "3,2026-04-02T00:00:00")
                .refresh();
        assertThat(made.lines()).containsExactly("1|2026-03-31", "2|2026-04-01", "3|2026-04-02");
    }

    @Test
    void timesOfDayOfAWorkbookStayTimes() {
        batch.sheet("a.xlsx", row("Trip", "Start"), row(1, LocalTime.of(8, 0)), row(2, LocalTime.of(9, 0)));
        assertThat(batch.refresh().lines()).containsExactly("1|08:00:00", "2|09:00:00");
    }

    @Test
    void aDateThatIsNoneIsSaidThoughItLooksLikeOne() {
        Batch.Made made = batch.csv(
                        "a.csv",
                        "Trip,Day",
                        "1,28.02.2026",
                        "2,30.02.2026",
                        "3,27.02.2026",
                        "4,26.02.2026",
                        "5,25.02.2026",
                        "6,24.02.2026",
                        "7,23.02.2026",
                        "8,20.02.2026")
                .refresh();
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(made.outcome().needsALook()).isTrue();
    }

    @Test
    void aRuleThatTouchesNothingAnyMoreIsAWarning() {
        batch.csv("a.csv", "Trip,Port", "1,Hollin", "2,Tarsk");
        batch.settle("rows", "Port is Hollin", "set aside");
        Batch.Made made = batch.refresh();
        assertThat(made.findings("rule-idle")).isEmpty();
        batch.csv("a.csv", "Trip,Port", "1,Eastray", "2,Tarsk");
        assertThat(batch.refresh().findings("rule-idle").get(0).text())
                .contains("The rule “set aside where Port is Hollin” sets no row aside.");
        batch.settle("rows", "Port is not Marsay", "set aside");
        assertThat(batch.refresh().findings("rule-leaves-nothing").get(0).text())
                .contains("The rules set all 2 rows aside.");
    }

    @Test
    void aDecisionThatMeansNothingIsSaid() {
        batch.csv("a.csv", "Trip,Port", "1,Hollin", "2,Tarsk");
        batch.settle("weather", "Port", "rain").settle("file", "a.csv", "perhaps");
        assertThat(batch.refresh().findings("not-followed"))
                .extracting(finding -> finding.what())
                .containsExactly(
                        "The job says “rain” about Port (weather), which is not understood.",
                        "The job says “perhaps” about a.csv (file), which is not understood.");
    }

    @Test
    void cellsOfNothingButWhiteSpaceAreNoValues() {
        batch.sheet(
                "a.xlsx",
                new Object[] {"Boat", "Berth", "Pax"},
                new Object[] {"Heron", " ", 5},
                new Object[] {"Plover", "North", 6},
                new Object[] {"\u2007\u00a0", "South", 7});
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(3);
        assertThat(made.findings("not-conserved")).isEmpty();
    }
}
