package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.refresh.BatchTest;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Numbers of one column that come in several units are told of, wherever the units are said. */
class UnitsMixedTest extends BatchTest {
    private void runs(String port, String line, String header, double... lengths) {
        Object[][] rows = new Object[lengths.length + 2][];
        rows[0] = row(line);
        rows[1] = row("Run", "Route", header);
        for (int i = 0; i < lengths.length; i++) {
            rows[i + 2] = row(port.charAt(0) + "-" + (100 + i), i % 2 == 0 ? "Skua line" : "Tern line", lengths[i]);
        }
        batch.sheet(port + ".xlsx", rows);
    }

    private List<Finding> mixed() {
        return batch.refresh().findings("units-mixed");
    }

    @Test
    void aLineAboveTheTableSaysTheUnitOfAColumn() {
        runs("Hollin", "Distance in km, duration in min", "Distance", 12.5, 9, 30.1, 14);
        runs("Tarsk", "Distance in m, duration in min", "Distance", 8400, 12900);
        runs("Fenn", "Distance in km, duration in min", "Distance", 11.5, 19, 3.1);
        assertThat(mixed()).singleElement().satisfies(finding -> {
            assertThat(finding.severity()).isEqualTo(Severity.WARNING);
            assertThat(finding.text()).contains("Tarsk.xlsx (2 rows) are “m”", "those of others “km”");
        });
    }

    @Test
    void theCellsOfOneSenderSayAnotherUnitThanTheHeaderOfTheOthers() {
        runs("Hollin", "Runs", "Duration (min)", 125, 90, 30, 140);
        runs("Fenn", "Runs", "Duration (min)", 115, 190, 31);
        batch.sheet(
                "Tarsk.xlsx",
                row("Runs"),
                row("Run", "Route", "Duration"),
                row("T-1", "Skua line", "1.5 h"),
                row("T-2", "Tern line", "2.25 h"),
                row("T-3", "Tern line", "0.75 h"));
        assertThat(mixed())
                .singleElement()
                .satisfies(finding -> assertThat(finding.text()).contains("Tarsk.xlsx (3 rows) are “h”"));
    }

    @Test
    void twoSpellingsOfOneUnitAreLeftInPeace() {
        runs("Hollin", "Distance in km", "Distance", 12.5, 9, 30.1, 14);
        runs("Tarsk", "Distance: kilometres", "Distance", 8.4, 12.9);
        runs("Fenn", "Runs", "Distance (km)", 11.5, 19, 3.1);
        assertThat(mixed()).isEmpty();
    }

    @Test
    void aLineThatSpeaksOfAnotherColumnSaysNothingOfThisOne() {
        runs("Hollin", "Weight in kg", "Distance", 12.5, 9, 30.1, 14);
        runs("Tarsk", "Weight in t", "Distance", 8.4, 12.9);
        assertThat(mixed()).isEmpty();
    }

    @Test
    void wordsUnderTwoUnitsAreNoNumbersThatCouldBeAddedUp() {
        for (String port : List.of("Hollin", "Tarsk", "Fenn")) {
            batch.sheet(
                    port + ".xlsx",
                    row(port.equals("Tarsk") ? "Draught in m" : "Draught in ft"),
                    row("Run", "Route", "Draught", "Taken"),
                    row(port.charAt(0) + "-1", "Skua line", "shallow", 12.5),
                    row(port.charAt(0) + "-2", "Tern line", "deep", 8.25),
                    row(port.charAt(0) + "-3", "Skua line", "deep", 4.75));
        }
        assertThat(mixed()).isEmpty();
    }
}
