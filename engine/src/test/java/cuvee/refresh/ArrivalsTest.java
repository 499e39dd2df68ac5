package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import cuvee.audit.ExpectedList;
import cuvee.check.Arrivals;
import cuvee.check.Arrivals.State;
import cuvee.decision.Kinds;
import cuvee.job.Names;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Who sent what for which month, and what is missing in between. */
class ArrivalsTest extends BatchTest {
    @BeforeEach
    void today() {
        batch = new Batch(folder, Clock.fixed(Instant.parse("2026-11-20T12:00:00Z"), ZoneOffset.UTC));
    }

    private void month(String port, int month, int rows) {
        String[] lines = new String[rows + 1];
        lines[0] = "Sailed,Pax";
        for (int i = 0; i < rows; i++) {
            lines[i + 1] = String.format(
                    "2026-%02d-%02d,%d", month, i + 1, 100 * port.length() + port.charAt(0) + 10 * month + i);
        }
        batch.csv(port + " 2026-0" + month + ".csv", lines);
    }

    private void allBut(String port, int missing) {
        for (String each : List.of("Hollin", "Tarsk", "Marsay")) {
            for (int month = 1; month <= 5; month++) {
                if (!each.equals(port) || month != missing) {
                    month(each, month, month);
                }
            }
        }
    }

    private static YearMonth of(int month) {
        return YearMonth.of(2026, month);
    }

    @Test
    void eachSenderHasItsRowsForEachMonth() {
        allBut("", 0);
        Batch.Made made = batch.refresh();
        Arrivals arrivals = made.outcome().arrivals().orElseThrow();
        assertThat(arrivals.senders()).containsExactly("Hollin", "Marsay", "Tarsk");
        assertThat(arrivals.months()).containsExactly(of(1), of(2), of(3), of(4), of(5));
        assertThat(arrivals.cell("Tarsk", of(4)).orElseThrow().rows()).isEqualTo(4);
        assertThat(made.findings("missing-month")).isEmpty();
        long all = arrivals.cells().values().stream()
                .mapToLong(Arrivals.Cell::rows)
                .sum();
        assertThat(all).isEqualTo(made.outcome().rows());
    }

    @Test
    void fewRowsThatComeAsItHappensMissNoMonth() {
        Random random = new Random(4);
        for (String port : List.of("Hollin", "Tarsk", "Marsay")) {
            String[] lines = new String[14];
            lines[0] = "Begun,Berth,Cost";
            for (int i = 1; i < lines.length; i++) {
                lines[i] = String.format(
                        "2026-%02d-%02d,%s,%d",
                        1 + random.nextInt(6), 1 + random.nextInt(28), "Berth " + i, 100 + random.nextInt(900));
            }
            batch.csv("works " + port + ".csv", lines);
        }
        Batch.Made made = batch.refresh();
        assertThat(made.findings("missing-month")).isEmpty();
        assertThat(made.findings("not-yet")).isEmpty();
    }

    @Test
    void aMonthThatIsMissingIsSaidUntilThereIsNothingToReport() {
        allBut("Tarsk", 3);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().arrivals().orElseThrow().state("Tarsk", of(3)))
                .isEqualTo(State.MISSING);
        assertThat(made.findings("missing-month"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).contains("“Tarsk” has no rows for 2026-03"));
        batch.settle(Kinds.NIL_RETURN, Names.joinTexts(List.of("Tarsk", "2026-03")), "nil");
        Batch.Made nil = batch.refresh();
        assertThat(nil.outcome().arrivals().orElseThrow().state("Tarsk", of(3))).isEqualTo(State.NIL);
        assertThat(nil.findings("missing-month")).isEmpty();
    }

    @Test
    void theLastMonthIsNotYetThereAndWhoBeganLaterIsNotExpectedBefore() {
        allBut("Tarsk", 5);
        month("Brannock", 4, 2);
        month("Brannock", 5, 2);
        Batch.Made made = batch.refresh();
        Arrivals arrivals = made.outcome().arrivals().orElseThrow();
        assertThat(arrivals.state("Tarsk", of(5))).isEqualTo(State.NOT_YET);
        assertThat(arrivals.state("Brannock", of(2))).isEqualTo(State.NOT_EXPECTED);
        assertThat(made.findings("missing-month")).isEmpty();
        assertThat(made.findings("not-yet")).hasSize(1);
    }

    @Test
    void whereNobodySendsMonthByMonthNothingIsMissing() {
        month("Hollin", 1, 3);
        month("Tarsk", 4, 3);
        month("Marsay", 8, 3);
        month("Eastray", 2, 3);
        assertThat(batch.refresh().outcome().arrivals()).isEmpty();
    }

    /** Takes a list of who is expected into the job, as it lies beside the job. */
    private Batch.Made listed(String... lines) throws IOException {
        Path list = batch.place("expected.csv");
        Files.writeString(list, String.join("\n", lines) + "\n");
        Arrivals came = batch.refresh().outcome().arrivals().orElseThrow();
        batch.job(batch.job().withSettled(ExpectedList.from(list, list.getParent(), came.sender(), came.senders())));
        return batch.refresh();
    }

    @Test
    void aListSaysWhoIsExpectedFromWhenUntilWhenAndByWhen() throws IOException {
        allBut("Tarsk", 5);
        Batch.Made made = listed(
                "No,Port of call,First month,Last month,Days",
                "1,Hollin,2026-02,2026-05,",
                "2,Tarsk,,2026-05,10",
                "3,Orm,2026-04,2026-05,");
        Arrivals arrivals = made.outcome().arrivals().orElseThrow();
        assertThat(arrivals.state("Hollin", of(1))).isEqualTo(State.CAME);
        assertThat(arrivals.state("Tarsk", of(5))).isEqualTo(State.MISSING);
        assertThat(arrivals.state("Orm", of(3))).isEqualTo(State.NOT_EXPECTED);
        assertThat(arrivals.state("Orm", of(4))).isEqualTo(State.MISSING);
        assertThat(arrivals.unlisted()).containsExactly("Marsay");
        assertThat(made.findings("not-expected").get(0).what()).contains("“Marsay” has sent and is not in the list");
        assertThat(made.findings("missing-month"))
                .extracting(finding -> finding.what())
                .anyMatch(text -> text.contains("“Tarsk” has no rows for 2026-05, which was due by 2026-06-10."))
                .anyMatch(text -> text.contains("“Orm” has no rows for 2026-04, though the list expects them."));
    }

    @Test
    void aMonthThatNobodySentForIsMissedOnceItIsDue() throws IOException {
        allBut("", 0);
        Arrivals arrivals = listed("Port,Due days", "Hollin,10", "Tarsk,15", "Marsay,10")
                .outcome()
                .arrivals()
                .orElseThrow();
        assertThat(arrivals.months()).contains(of(6));
        assertThat(arrivals.state("Tarsk", of(6))).isEqualTo(State.MISSING);
        assertThat(arrivals.due(new Arrivals.Place("Tarsk", of(6)))).contains(LocalDate.of(2026, 7, 15));
    }

    @Test
    void whatIsLeftOutOfALongListIsCounted() throws IOException {
        allBut("", 0);
        Batch.Made made = listed(
                "Port,First,Last", "Hollin,,2026-05", "Tarsk,,2026-05", "Marsay,,2026-05", "Orm,2025-06,2026-04");
        assertThat(made.findings("missing-month").get(0).what())
                .contains("“Orm” has no rows for 2026-01, 2026-02, 2026-03 and 2026-04, though");
        Batch.Made more = listed("Port,Due", "Hollin,3", "Tarsk,3", "Marsay,3");
        assertThat(more.findings("missing-month").get(0).what())
                .contains("2026-06, 2026-07, 2026-08, 2026-09 and 2026-10,");
    }

    @Test
    void aListThatIsGoneIsSaidAndWhatCameTellsAgain() throws IOException {
        allBut("", 0);
        assertThat(listed("Port", "Hollin", "Tarsk")
                        .outcome()
                        .arrivals()
                        .orElseThrow()
                        .unlisted())
                .containsExactly("Marsay");
        Files.delete(batch.place("expected.csv"));
        Batch.Made made = batch.refresh();
        assertThat(made.findings("list-unreadable")).hasSize(1);
        assertThat(made.outcome().arrivals().orElseThrow().unlisted()).isEmpty();
    }

    @Test
    void aTableThatNamesNobodyWhoSentIsRefused() throws IOException {
        allBut("", 0);
        assertThatThrownBy(() -> listed("Colour", "red")).hasMessageContaining("names any of those who sent");
    }

    /** Returns of some days for each of nine months, with so many of a month of one port. */
    private void steady(int days) {
        for (String port : List.of("Hollin", "Tarsk")) {
            for (int month = 1; month <= 9; month++) {
                int rows = port.equals("Tarsk") && month == 4 ? days : 24 + (month + port.length()) % 4;
                String[] lines = new String[rows + 1];
                lines[0] = "Sailed,Pax";
                for (int i = 0; i < rows; i++) {
                    lines[i + 1] = String.format("2026-%02d-%02d,%d", month, i + 1, 300 + (i * 37 + month * 11) % 90);
                }
                batch.csv(port + " 2026-0" + month + ".csv", lines);
            }
        }
    }

    @Test
    void aMonthWithFarFewerRowsThanASenderUsuallyHasIsPointedOut() {
        steady(6);
        assertThat(batch.refresh().findings("jump")).singleElement().satisfies(finding -> {
            assertThat(finding.what()).isEqualTo("“Tarsk” has 6 rows for 2026-04; its other months have about 26.");
            assertThat(finding.where().source()).isEqualTo("Tarsk 2026-04.csv");
        });
    }

    @Test
    void steadyMonthsAreLeftInPeace() {
        steady(20);
        assertThat(batch.refresh().findings("jump")).isEmpty();
    }

    @Test
    void aSumThatJumpsIsPointedOut() {
        steady(25);
        String[] lines = new String[26];
        lines[0] = "Sailed,Pax";
        for (int i = 0; i < 25; i++) {
            lines[i + 1] = String.format("2026-06-%02d,%d", i + 1, 3000 + i * 370 % 900);
        }
        batch.csv("Hollin 2026-06.csv", lines);
        assertThat(batch.refresh().findings("jump"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what())
                        .contains("Pax of “Hollin” comes to 8")
                        .contains("for 2026-06"));
    }
}
