package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** Sheets of one record each are not taken for tables without a word. */
class FormSheetsTest extends BatchTest {
    @Test
    void sheetsWithTheSameLabelsAndValuesOfSeveralKindsAreWarnedOf() {
        for (int day = 1; day <= 4; day++) {
            batch.sheet(
                    "Report 2026-01-0" + day + ".xlsx",
                    row("Daily report"),
                    row(),
                    row("Port", day % 2 == 0 ? "Hollin" : "Tarsk"),
                    row("Sailing date", LocalDate.of(2026, 1, day)),
                    row("Trip", 100 + day),
                    row("Vessel", day % 2 == 0 ? "MV Dunlin" : "MV Petrel"),
                    row("Fare", 10.5 * day),
                    row("Remarks", "none so far"));
        }
        assertThat(batch.refresh().findings("form"))
                .hasSize(4)
                .allSatisfy(
                        finding -> assertThat(finding.text()).contains("looks like one record", "Report 2026-01-0"));
    }

    @Test
    void aListOfPortsWithTheirFaresIsNone() {
        for (int month = 1; month <= 4; month++) {
            batch.sheet(
                    "Fares 2026-0" + month + ".xlsx",
                    row("Port", "Fare"),
                    row("Hollin", 10.5 * month),
                    row("Tarsk", 11.5 * month),
                    row("Eastray", 12.5 * month),
                    row("Marsay", 13.5 * month));
        }
        assertThat(batch.refresh().findings("form")).isEmpty();
    }
}
