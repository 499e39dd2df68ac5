package cuvee.audit;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Severity;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.rework.RowRules;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Slips among many numbers are pointed out with their cells; where all is in order nothing is said. */
class AuditFindingsTest extends BatchTest {
    private static String[] lines(Random random, int rows, int slip, String slipped) {
        String[] lines = new String[rows + 1];
        lines[0] = "Trip,Boxes,Price,Amount,Weight";
        for (int i = 0; i < rows; i++) {
            long boxes = 1 + random.nextInt(60);
            long price = 150 + random.nextInt(800);
            String amount = String.format(java.util.Locale.ROOT, "%.2f", boxes * price / 100.0);
            double weight = Math.exp(3 + random.nextGaussian());
            lines[i + 1] = "K" + i + "," + boxes + "," + price / 100.0 + "," + (i == slip ? slipped : amount) + ","
                    + String.format(java.util.Locale.ROOT, "%.1f", weight);
        }
        return lines;
    }

    @Test
    void anAmountThatIsNotQuantityTimesPriceAsAllOthersAreIsNamedWithItsCell() {
        batch.csv("a.csv", lines(new Random(3), 80, 41, "7.77"));
        Batch.Made made = batch.refresh();
        assertThat(made.findings("does-not-follow")).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo(Severity.WARNING);
            assertThat(finding.where().toString()).contains("line 43");
            assertThat(finding.what()).startsWith("Amount is Boxes × Price in nearly all rows, but not in 1 row");
        });
    }

    @Test
    void aDecimalMarkThatMovedStandsFarAboveAllOthers() {
        String[] lines = new String[61];
        lines[0] = "Trip,Fare";
        for (int i = 0; i < 60; i++) {
            lines[i + 1] = "K" + i + "," + (i == 20 ? "4350" : 40 + i % 9 + ".5");
        }
        batch.csv("a.csv", lines);
        assertThat(batch.refresh().findings("far-above"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.where().toString()).contains("line 22"));
    }

    /** Fares between 15 and 320, two of which have their decimal mark elsewhere. */
    private static String[] fares(Random random, String slip, String other) {
        String[] lines = new String[161];
        lines[0] = "Trip,Fare";
        for (int i = 0; i < 160; i++) {
            BigDecimal fare = BigDecimal.valueOf(1501 + random.nextInt(30_000), 2);
            lines[i + 1] = "K" + i + "," + (i == 20 ? slip : i == 90 ? other : fare);
        }
        return lines;
    }

    @ParameterizedTest
    @CsvSource({"1235.5,88.12", "1235.5,2870.4", "31257,29881"})
    void aDecimalMarkThatMovedByOnePlaceIsSeenWhereTheOthersFollowEachOtherClosely(String slip, String other) {
        batch.csv("a.csv", fares(new Random(5), slip, other));
        assertThat(batch.refresh().findings("far-above"))
                .hasSize(other.equals("88.12") ? 1 : 2)
                .anySatisfy(finding -> assertThat(finding.where().toString()).contains("line 22"));
    }

    @Test
    void aDecimalMarkThatMovedToTheLeftLeavesMoreDecimalsThanAllOthersHave() {
        batch.csv("a.csv", fares(new Random(5), "2.8731", "88.12"));
        assertThat(batch.refresh().findings("odd-decimals")).singleElement().satisfies(finding -> {
            assertThat(finding.where().toString()).contains("line 22");
            assertThat(finding.what()).startsWith("Fare is 2.8731 here; the other 159 values have 2 decimals at most");
        });
    }

    @Test
    void halvesAmongWholeNumbersAndQuotientsAreLeftInPeace() {
        String[] lines = new String[81];
        lines[0] = "Trip,Days,Price,Share";
        for (int i = 0; i < 80; i++) {
            lines[i + 1] = "K" + i + "," + (i == 7 ? "2.5" : String.valueOf(1 + i % 19)) + "," + (10 + i * 37 % 400)
                    + "." + (10 + i % 89) + "," + (i == 9 ? "0.3333333333" : (10 + i * 7 % 80) / 100.0);
        }
        batch.csv("a.csv", lines);
        Batch.Made made = batch.refresh();
        assertThat(made.findings("odd-decimals")).isEmpty();
        assertThat(made.findings("far-above")).isEmpty();
    }

    @Test
    void aSumOfTwoColumnsIsAsGood() {
        String[] lines = new String[41];
        lines[0] = "Trip,Foot,Cars,All";
        for (int i = 0; i < 40; i++) {
            int foot = 20 + i * 7 % 31;
            int cars = 5 + i * 5 % 23;
            lines[i + 1] = "K" + i + "," + foot + "," + cars + "," + (foot + cars + (i == 7 ? 9 : 0));
        }
        batch.csv("a.csv", lines);
        assertThat(batch.refresh().findings("does-not-follow"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what()).contains("Foot + Cars"));
    }

    @Test
    void anAmountThatIsNotByTheSameRateAsAllOthersIsNamedThoughItIsNotTheGreatest() {
        String[] lines = new String[61];
        lines[0] = "Meter,Use,Charge";
        for (int i = 0; i < 60; i++) {
            int use = 100 + i * 97 % 4000;
            String charge = String.format(java.util.Locale.ROOT, "%.2f", use * 0.213);
            lines[i + 1] = "K" + i + "," + use + "," + (i == 1 ? charge.replace(".", "") : charge);
        }
        batch.csv("a.csv", lines);
        assertThat(batch.refresh().findings("far-above")).anySatisfy(finding -> {
            assertThat(finding.where().toString()).contains("line 3");
            assertThat(finding.what()).contains("by Use, as in nearly all rows, it would be 41.96");
        });
    }

    @Test
    void anAmountFarAboveThoseOfItsOwnMeterIsNamedThoughOtherMetersHaveMore() {
        for (int month = 1; month <= 6; month++) {
            String[] lines = new String[13];
            lines[0] = "Meter,Use";
            for (int i = 0; i < 12; i++) {
                int use = (10 + 60 * i * i) * 10 + month * 3;
                lines[i + 1] = "M" + (100 + i * 37) + "," + (month == 4 && i == 1 ? use * 10 : use);
            }
            batch.csv("use 2026-0" + month + ".csv", lines);
        }
        assertThat(batch.refresh().findings("far-above")).singleElement().satisfies(finding -> {
            assertThat(finding.where().toString()).contains("use 2026-04.csv").contains("line 3");
            assertThat(finding.what()).startsWith("Use is 7,120 here; the rows with the same Meter have about 71");
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "INV-00"})
    void aNumberThatIsMissingAmongThoseThatRunOnIsNamed(String before) {
        batch.csv("2026-01.csv", numbered(before, 500, 40, 520));
        batch.csv("2026-02.csv", numbered(before, 540, 30, -1));
        assertThat(batch.refresh().findings("number-missing")).singleElement().satisfies(finding -> {
            assertThat(finding.where().toString()).contains("2026-01.csv").contains("line 22");
            assertThat(finding.what())
                    .contains("between " + before + "519 and " + before + "521 one number is in no file");
        });
    }

    @Test
    void numbersOfEachFileThatBeginAtOneAreLookedAtFileByFile() {
        batch.csv("2026-01.csv", numbered("", 1, 40, -1));
        batch.csv("2026-02.csv", numbered("", 1, 50, 33));
        assertThat(batch.refresh().findings("number-missing")).singleElement().satisfies(finding -> {
            assertThat(finding.where().toString()).contains("2026-02.csv");
            assertThat(finding.what()).contains("one number is missing in this table");
        });
    }

    @Test
    void numbersOfOneFileAreMissedOnceAndNotWhereARuleSetsTheirRowAside() {
        String[] lines = numbered("", 1, 60, 33);
        lines[20] = "20,9999";
        batch.csv("2026-01.csv", lines);
        assertThat(batch.refresh().findings("number-missing")).hasSize(1);
        batch.settle(Kinds.ROWS, "Passengers over 9,000", RowRules.ASIDE);
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rowsRuledOut()).isEqualTo(1);
        assertThat(made.findings("number-missing")).hasSize(1);
    }

    @Test
    void numbersThatAreOftenLeftOutAreNotMissed() {
        String[] lines = numbered("", 500, 120, 520);
        lines[40] = "900,3";
        batch.csv("2026-01.csv", lines);
        lines = numbered("", 700, 60, 720);
        lines[44] = "950,3";
        batch.csv("2026-02.csv", lines);
        assertThat(batch.refresh().findings("number-missing")).isEmpty();
    }

    private static String[] numbered(String before, int from, int rows, int without) {
        List<String> lines = new ArrayList<>(List.of("Trip,Passengers"));
        for (int i = 0; i < rows; i++) {
            if (from + i != without) {
                lines.add(before + (from + i) + "," + (3 + i * 13 % 37));
            }
        }
        return lines.toArray(String[]::new);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void whereAllIsInOrderNothingIsSaid(long seed) {
        batch.csv("a.csv", lines(new Random(seed), 120, -1, ""));
        Batch.Made made = batch.refresh();
        assertThat(made.findings("does-not-follow")).isEmpty();
        assertThat(made.findings("far-above")).isEmpty();
        assertThat(made.findings("number-missing")).isEmpty();
    }
}
