package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Severity;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
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

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void whereAllIsInOrderNothingIsSaid(long seed) {
        batch.csv("a.csv", lines(new Random(seed), 120, -1, ""));
        Batch.Made made = batch.refresh();
        assertThat(made.findings("does-not-follow")).isEmpty();
        assertThat(made.findings("far-above")).isEmpty();
    }
}
