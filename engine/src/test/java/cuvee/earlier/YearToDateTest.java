package cuvee.earlier;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.gather.Reread;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Returns that hold the year so far and come anew each month are counted once, as the newest of them has it. */
class YearToDateTest extends BatchTest {
    private static final List<String> ROUTES = List.of("Inner Sound", "Outer Isles", "Marsh Ferry");

    /** The year up to a month, with what a month's first route is restated to. */
    private void yearTo(String file, int month, int restatedJanuary) {
        List<String> lines = new ArrayList<>(List.of("Route,Month,Passengers,Takings"));
        for (int m = 1; m <= month; m++) {
            for (int r = 0; r < ROUTES.size(); r++) {
                int passengers = m == 1 && r == 0 ? restatedJanuary : 100 * m + 7 * r;
                lines.add(ROUTES.get(r) + ",2026-0" + m + "-01," + passengers + "," + passengers * 4 + ".50");
            }
        }
        batch.csv(file, lines.toArray(String[]::new));
    }

    private static List<Question> asked(Batch.Made made) {
        return made.outcome().questions().stream()
                .filter(question -> question.kind().equals(Kinds.YEAR_TO_DATE)
                        || question.kind().equals(Kinds.REPEATED_ROWS)
                        || question.kind().equals(Kinds.SENT_AGAIN))
                .toList();
    }

    @Test
    void theNewestReturnCountsForAllItsMonthsAndWhatItRestatesIsSaid() {
        yearTo("Landings to 2026-01.csv", 1, 100);
        yearTo("Landings to 2026-02.csv", 2, 100);
        yearTo("Landings to 2026-03.csv", 3, 137);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9).anyMatch(line -> line.startsWith("Inner Sound|2026-01-01|137|"));
        assertThat(asked(made)).singleElement().satisfies(question -> {
            assertThat(question.kind()).isEqualTo(Kinds.YEAR_TO_DATE);
            assertThat(question.assumed()).isEqualTo("newest");
            assertThat(question.stake()).isEqualTo(9);
            assertThat(question.text())
                    .contains("Landings to 2026-03.csv")
                    .contains("January 2026, Passengers from 321 to 358");
        });
        assertThat(made.findings("restated")).hasSize(1);
    }

    @Test
    void nextMonthTakesThePlaceOfTheOneBeforeUnasked() {
        yearTo("Landings to 2026-01.csv", 1, 100);
        yearTo("Landings to 2026-02.csv", 2, 100);
        batch.settle(batch.refresh().question(Kinds.YEAR_TO_DATE), "newest");
        assertThat(batch.refresh().lines()).hasSize(6);
        yearTo("Landings to 2026-03.csv", 3, 100);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9);
        assertThat(asked(made)).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).containsExactlyInAnyOrderElementsOf(made.lines());
    }

    @Test
    void allAreTakenWhereTheAnalystSaysSo() {
        yearTo("Landings to 2026-01.csv", 1, 100);
        yearTo("Landings to 2026-02.csv", 2, 120);
        batch.settle(batch.refresh().question(Kinds.YEAR_TO_DATE), "all");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9);
        assertThat(made.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.YEAR_TO_DATE));
    }

    @Test
    void everySenderHasItsOwnNewest() {
        for (String port : List.of("Hollin", "Tarsk")) {
            yearTo(port + " 2026-01.csv", 1, port.equals("Hollin") ? 50 : 60);
            yearTo(port + " 2026-02.csv", 2, port.equals("Hollin") ? 50 : 60);
        }
        yearTo("Hollin 2026-03.csv", 3, 55);
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9 + 6);
        assertThat(made.outcome().questions())
                .filteredOn(question -> question.kind().equals(Kinds.YEAR_TO_DATE))
                .extracting(Question::subject)
                .containsExactlyInAnyOrder("* Hollin", "* Tarsk");
    }

    @Test
    void filesOfOneMonthEachAndSendersThatReachOtherMonthsAreLeftAlone() {
        batch.csv(
                "Hollin.csv",
                "Route,Month,Passengers",
                "Inner,2026-01-01,4",
                "Outer,2026-01-01,5",
                "Marsh,2026-01-01,9");
        batch.csv(
                "Tarsk.csv",
                "Route,Month,Passengers",
                "Inner,2026-01-01,14",
                "Outer,2026-01-01,15",
                "Marsh,2026-01-01,19",
                "Inner,2026-02-01,24",
                "Outer,2026-02-01,25");
        assertThat(batch.refresh().lines()).hasSize(8);
    }

    @Test
    void timesOfDayAreNoDaysWhateverIsLookedForInDays() {
        for (String month : List.of("2026-01", "2026-02", "2026-03", "2026-04")) {
            batch.csv(
                    "Shifts " + month + ".csv",
                    "Day,Start,End,Hours",
                    "Mon,0" + month.charAt(6) + ":00,16:30,8",
                    "Tue,0" + month.charAt(6) + ":30,17:30,8",
                    "Wed,07:3" + month.charAt(6) + ",16:1" + month.charAt(6) + ",7.5");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(12);
        assertThat(made.outcome().proposal().columns().get(1).type()).isEqualTo(Type.TIME);
    }
}
