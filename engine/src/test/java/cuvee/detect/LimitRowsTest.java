package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** What the columns can reach at most or at least, said right below the header, is no record. */
class LimitRowsTest {
    @Test
    void marksThatCanBeReachedAndThatMustBeAreNoPupils() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Pupil", "Reading", "Maths", "Science"},
                        new Object[] {"Out of", 40, 60, 50},
                        new Object[] {"Pass mark", 20, 30, 25},
                        new Object[] {"Dan Oak", 34, 58, 40},
                        new Object[] {"Ada Moss", 11, 56, 50},
                        new Object[] {"Eve Fern", 40, 12, 31}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
        assertThat(found.doubts())
                .singleElement()
                .matches(doubt -> doubt.kind().equals("limit-row") && doubt.row() == 2 && doubt.rows() == 2)
                .extracting(FoundTable.Doubt::text)
                .asString()
                .contains("“Out of” and “Pass mark”");
    }

    @Test
    void leastAndMostAreLimitsOnlyWhereAllRecordsKeepThem() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Time", "Level", "Flow"},
                        new Object[] {"Min", 1, 10},
                        new Object[] {"Max", 9, 99},
                        new Object[] {"06:00", 3.1, 44},
                        new Object[] {"07:00", 3.3, 47},
                        new Object[] {"08:00", 3.2, 41}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
        FoundTable records = Sheets.tables(List.of(
                        new Object[] {"Driver", "Trips", "Miles"},
                        new Object[] {"Max", 4, 60},
                        new Object[] {"Mina", 9, 99},
                        new Object[] {"Ada", 3, 144},
                        new Object[] {"Ben", 5, 47}))
                .get(0);
        assertThat(records.kept()).as("a driver called Max").isEqualTo(4);
    }

    @Test
    void aTableOfLimitsIsOneOfRecords() {
        FoundTable found = Sheets.tables(List.of(
                        new Object[] {"Figure", "Level", "Flow"},
                        new Object[] {"Min", 1, 10},
                        new Object[] {"Max", 9, 99},
                        new Object[] {"Mean", 5, 50}))
                .get(0);
        assertThat(found.kept()).isEqualTo(3);
    }
}
